"""The catalogue laid out for identification, kept in memory until it changes."""

from __future__ import annotations

import gc
import json
import sys
import threading
from dataclasses import dataclass, replace
from typing import Any

from ample.core.designation import Dialect, read_dialect
from ample.core.identify import Catalogue, Entry
from ample.core.identify.catalogue import usual_weight
from ample.core.parts import SEALS, BearingSpec, PartSpec, SealSpec
from ample.shop.catalogue import queries
from ample.shop.catalogue.queries import Revision
from ample.store import Database, Transaction

MET_BEFORE, ON_THE_SHELF = 0.5, 0.3


@dataclass(frozen=True)
class ShopIndex:
    """What identification needs of the shop: catalogue and dialects, of one revision."""

    revision: Revision
    catalogues: dict[str, Catalogue]
    dialects: tuple[Dialect, ...]


class ShopIndexKeeper:
    """Holds the index of each worker; made anew when items have changed, and only read differently when a
    dialect has: laying out the items takes seconds, reading the codes milliseconds.
    """

    def __init__(self, database: Database) -> None:
        self._database = database
        self._lock = threading.Lock()
        self._index: ShopIndex | None = None

    def prime(self, database: Database) -> None:
        """Make the index with another connection, before worker processes part."""
        self._index = _kept(database.read(build_index))

    def current(self) -> ShopIndex:
        """The index of today's catalogue."""
        return self.at(self._database.look(queries.revision))

    def at(self, revision: Revision) -> ShopIndex:
        """The index of this revision of the catalogue."""
        index = self._index
        if index is None or index.revision != revision:
            with self._lock:
                index = self._index = self._brought_to(revision)
        return index

    def _brought_to(self, revision: Revision) -> ShopIndex:
        held = self._index
        if held is None or held.revision.items < revision.items:
            return _kept(self._database.read(build_index))
        if held.revision.dialects < revision.dialects:
            return self._database.read(lambda t: with_dialects(t, held))
        return held


def _kept(index: ShopIndex) -> ShopIndex:
    """The index lives as long as its worker: the collector need not walk it again and again."""
    gc.collect()
    gc.freeze()
    return index


def build_index(t: Transaction) -> ShopIndex:
    """Read the whole catalogue, a slice at a time, and lay it out; parts of one specification share it."""
    entries: dict[str, list[Entry]] = {}
    known: dict[PartSpec, tuple[PartSpec, float]] = {}
    after = 0
    while slice_ := queries.items_after(t, after, AT_ONCE):
        for row in slice_:
            spec, usual = _shared(known, _spec(row))
            met = 1 + MET_BEFORE * row["confirmed_count"] + ON_THE_SHELF * (row["stock_quantity"] > 0)
            entries.setdefault(spec.family, []).append(
                Entry(spec, row["marking"], usual * met, row["item_id"])
            )
        after = slice_[-1]["item_id"]
    laid_out = {family: Catalogue.of(own) for family, own in entries.items()}
    return ShopIndex(queries.revision(t), laid_out, tuple(dialects(t).values()))


def with_dialects(t: Transaction, index: ShopIndex) -> ShopIndex:
    """The same items, read with the dialects of today."""
    now = Revision(index.revision.items, queries.revision(t).dialects)
    return replace(index, revision=now, dialects=tuple(dialects(t).values()))


def _shared(known: dict[PartSpec, tuple[PartSpec, float]], spec: PartSpec) -> tuple[PartSpec, float]:
    """The one copy of a specification, and how often it is met before the shop's own counts."""
    held = known.get(spec)
    if held is None:
        held = known[spec] = (spec, usual_weight(spec))
    return held


def _spec(row: dict[str, Any]) -> PartSpec:
    return _bearing(row) if row["family"] == "bearing" else _seal(row)


def _seal(row: dict[str, Any]) -> SealSpec:
    lengths = [round(float(row[name] or 0), 4) for name in _LENGTHS]
    marked = tuple(json.loads(row["attributes"]).items()) if row["attributes"] else ()
    family = sys.intern(row["family"])
    return SealSpec(
        family, row["designation"], sys.intern(row["kind"]), tuple(lengths[: len(SEALS[family].dimensions)]),
        marked, sys.intern(row["series"]),
    )  # fmt: skip


def _bearing(row: dict[str, Any]) -> BearingSpec:
    d, D, B = (float(row[name]) for name in ("bore_mm", "outside_mm", "width_mm"))
    T, C = (None if row[name] is None else float(row[name]) for name in _MORE_SIZES)
    words = [sys.intern(row[name]) for name in _WORDS]
    designation, series, closure, clearance, tolerance_class, cage, bore_shape, kind, angle = words
    return BearingSpec(
        designation, series, d, D, B, closure, clearance, tolerance_class, cage, "none", bore_shape, (),
        kind, T, C, angle,
    )  # fmt: skip


_LENGTHS = ("bore_mm", "outside_mm", "width_mm", "assembled_width_mm", "outer_ring_width_mm")
_MORE_SIZES = ("assembled_width_mm", "outer_ring_width_mm")
_WORDS = (
    "designation",
    "series",
    "closure",
    "clearance",
    "tolerance_class",
    "cage",
    "bore_shape",
    "kind",
    "angle",
)
AT_ONCE = 5000


def dialects(t: Transaction) -> dict[str, Dialect]:
    """Every maker's dialect by the maker's name."""
    rows: dict[str, list[dict[str, str]]] = {}
    for row in queries.dialect_codes(t):
        del row["version"]
        rows.setdefault(row.pop("maker"), []).append(row)
    return {maker: read_dialect(maker, codes) for maker, codes in rows.items()}
