"""Taking catalogues, dialects, suppliers, offers and cross-references in."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ample.base.audit import record
from ample.base.doer import Doer
from ample.core.designation import checked_dialect
from ample.core.errors import Conflict
from ample.shop.catalogue import queries
from ample.shop.catalogue.records import DialectCode, DialectRecord, DialectsAnswer, NewDialect
from ample.store import Transaction

AT_ONCE = 2000


def add_maker(t: Transaction, doer: Doer, name: str, codes: Sequence[Mapping[str, str]]) -> int:
    """A maker with its dialect, which is checked before it is kept; without codes it writes as all do."""
    if codes:
        checked_dialect(name, codes)
    maker_id = queries.add_maker(t, name, codes)
    queries.bump_dialects(t)
    record(t, doer, "maker", maker_id, "added", None, {"name": name, "codes": len(codes)})
    return maker_id


def keep_dialect(t: Transaction, doer: Doer, new: NewDialect) -> DialectsAnswer:
    """Keep a maker's or market's codes; those that it had are replaced. A bad code is refused at its row."""
    doer.must("lists")
    codes = [code.model_dump() for code in new.codes]
    checked_dialect(new.name, codes)
    held = queries.maker_named(t, new.name)
    if (held["version"] if held else 0) != new.version:
        raise Conflict(
            "changed_meanwhile",
            f"{held['name']} exists already." if held else
            f"{new.name} no longer exists.",
            "name",
            "Check its codes, then change them.",
            {"version": held["version"] if held else 0},
        )  # fmt: skip
    if held is None:
        maker_id = queries.add_maker(t, new.name, codes)
    else:
        maker_id = int(held["maker_id"])
        queries.replace_codes(t, maker_id, codes)
    queries.bump_dialects(t)
    record(t, doer, "maker", maker_id, "dialect", None, {"name": new.name, "codes": len(codes)})
    return dialects_of(t)


def dialects_of(t: Transaction) -> DialectsAnswer:
    """Every dialect with its codes."""
    found: dict[tuple[str, int], list[DialectCode]] = {}
    for row in queries.dialect_codes(t):
        found.setdefault((row.pop("maker"), row.pop("version")), []).append(DialectCode(**row))
    return DialectsAnswer(
        dialects=[
            DialectRecord(name=name, version=version, codes=codes) for (name, version), codes in found.items()
        ]
    )


def import_items(t: Transaction, doer: Doer, maker_id: int, rows: Sequence[dict[str, Any]]) -> None:
    """Listed parts of a maker."""
    for some in _in_lots(rows):
        queries.add_items(t, maker_id, some)
    queries.bump_items(t)
    record(t, doer, "maker", maker_id, "imported", None, {"items": len(rows)})


def add_supplier(t: Transaction, doer: Doer, name: str, place: str, lead_days: int) -> int:
    """A supplier."""
    supplier_id = queries.add_supplier(t, name, place, lead_days)
    record(t, doer, "supplier", supplier_id, "added", None, {"name": name})
    return supplier_id


def import_offers(t: Transaction, doer: Doer, supplier_id: int, rows: Sequence[dict[str, Any]]) -> None:
    """What a supplier offers, by item."""
    for some in _in_lots(rows):
        queries.add_offers(t, supplier_id, some)
    record(t, doer, "supplier", supplier_id, "offers", None, {"offers": len(rows)})


def add_cross_reference(t: Transaction, doer: Doer, values: dict[str, Any]) -> int:
    """Somebody's record that an item replaced a marking."""
    row = queries.add_cross_reference(t, values)
    record(t, doer, "cross_reference", row, "added", None, dict(values))
    return row


def _in_lots(rows: Sequence[dict[str, Any]]) -> Iterator[Sequence[dict[str, Any]]]:
    for start in range(0, len(rows), AT_ONCE):
        yield rows[start : start + AT_ONCE]
