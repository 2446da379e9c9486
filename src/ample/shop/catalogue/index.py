"""The catalogue laid out for identification, kept in memory until it changes."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ample.core.designation import Dialect, read_dialect
from ample.core.identify import Catalogue, Entry
from ample.core.identify.catalogue import usual_weight
from ample.core.parts import PartSpec
from ample.shop.catalogue import queries
from ample.shop.catalogue.columns import spec_of
from ample.shop.catalogue.queries import Revision
from ample.store import Transaction

MET_BEFORE, ON_THE_SHELF = 0.5, 0.3


@dataclass(frozen=True)
class ShopIndex:
    """What identification needs of the shop: catalogue and dialects, of one revision."""

    revision: Revision
    catalogues: dict[str, Catalogue]
    dialects: tuple[Dialect, ...]


def build_index(t: Transaction) -> ShopIndex:
    """Read the whole catalogue, a slice at a time, and lay it out; parts of one specification share it."""
    entries: dict[str, list[Entry]] = {}
    known: dict[PartSpec, tuple[PartSpec, float]] = {}
    after = 0
    while slice_ := queries.items_after(t, after, AT_ONCE):
        for row in slice_:
            spec, usual = _shared(known, spec_of(row))
            met = 1 + MET_BEFORE * row["confirmed_count"] + ON_THE_SHELF * (row["stock_quantity"] > 0)
            entries.setdefault(spec.family, []).append(
                Entry(spec, row["marking"], usual * met, row["item_id"])
            )
        after = slice_[-1]["item_id"]
    laid_out = {family: Catalogue.of(own) for family, own in entries.items()}
    return ShopIndex(queries.revision(t), laid_out, tuple(dialects(t).values()))


def with_dialects(t: Transaction, index: ShopIndex, revision: Revision | None = None) -> ShopIndex:
    """The same items, read with the dialects of today; `revision`: the one that the items are known to be of."""
    now = Revision((revision or index.revision).items, queries.revision(t).dialects)
    return replace(index, revision=now, dialects=tuple(dialects(t).values()))


def _shared(known: dict[PartSpec, tuple[PartSpec, float]], spec: PartSpec) -> tuple[PartSpec, float]:
    """The one copy of a specification, and how often it is met before the shop's own counts."""
    held = known.get(spec)
    if held is None:
        held = known[spec] = (spec, usual_weight(spec))
    return held


AT_ONCE = 5000


def dialects(t: Transaction) -> dict[str, Dialect]:
    """Every maker's dialect by the maker's name."""
    rows: dict[str, list[dict[str, str]]] = {}
    for row in queries.dialect_codes(t):
        del row["version"]
        rows.setdefault(row.pop("maker"), []).append(row)
    return {maker: read_dialect(maker, codes) for maker, codes in rows.items()}
