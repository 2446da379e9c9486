"""Taking catalogues, dialects, suppliers, offers and cross-references in."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ample.core.designation import read_dialect
from ample.shop.catalogue import queries
from ample.shop.doer import Doer
from ample.shop.history.actions import record
from ample.store import Transaction

AT_ONCE = 2000


def add_maker(t: Transaction, doer: Doer, name: str, codes: Sequence[Mapping[str, str]]) -> int:
    """A maker with its dialect; the dialect is checked before it is kept."""
    read_dialect(name, codes)
    maker_id = t.insert("INSERT INTO makers (name) VALUES (%(name)s)", {"name": name})
    t.change_many(
        """
        INSERT INTO dialect_codes (maker_id, position, code, place, attribute, value, meaning, basis)
        VALUES (
            %(maker_id)s, %(position)s, %(code)s, %(place)s, %(attribute)s, %(value)s,
            %(meaning)s, %(basis)s
        )
        """,
        [dict(code) | {"maker_id": maker_id, "position": n} for n, code in enumerate(codes)],
    )
    queries.bump_revision(t)
    record(t, doer, "maker", maker_id, "added", None, {"name": name, "codes": len(codes)})
    return maker_id


def import_items(t: Transaction, doer: Doer, maker_id: int, rows: Sequence[dict[str, Any]]) -> None:
    """Listed parts of a maker."""
    for some in _in_lots(rows):
        t.change_many(
            """
            INSERT INTO catalogue_items (
                maker_id, marking, designation, series, bore_mm, outside_mm, width_mm,
                closure, clearance, tolerance_class, stock_quantity, stock_place
            )
            VALUES (
                %(maker_id)s, %(marking)s, %(designation)s, %(series)s, %(d_mm)s, %(D_mm)s, %(B_mm)s,
                %(closure)s, %(clearance)s, %(tolerance_class)s, %(stock_quantity)s, %(stock_place)s
            )
            """,
            [row | {"maker_id": maker_id} for row in some],
        )
    queries.bump_revision(t)
    record(t, doer, "maker", maker_id, "imported", None, {"items": len(rows)})


def add_supplier(t: Transaction, doer: Doer, name: str, place: str, lead_days: int) -> int:
    """A supplier."""
    supplier_id = t.insert(
        "INSERT INTO suppliers (name, place, lead_days) VALUES (%(name)s, %(place)s, %(lead_days)s)",
        {"name": name, "place": place, "lead_days": lead_days},
    )
    record(t, doer, "supplier", supplier_id, "added", None, {"name": name})
    return supplier_id


def import_offers(t: Transaction, doer: Doer, supplier_id: int, rows: Sequence[dict[str, Any]]) -> None:
    """What a supplier offers, by item."""
    for some in _in_lots(rows):
        t.change_many(
            """
            INSERT INTO offers (supplier_id, item_id, price, lead_days)
            VALUES (%(supplier_id)s, %(item_id)s, %(price)s, %(lead_days)s)
            """,
            [row | {"supplier_id": supplier_id} for row in some],
        )
    record(t, doer, "supplier", supplier_id, "offers", None, {"offers": len(rows)})


def add_cross_reference(t: Transaction, doer: Doer, values: dict[str, Any]) -> int:
    """Somebody's record that an item replaced a marking."""
    row = t.insert(
        """
        INSERT INTO cross_references (old_marking, item_id, said_by, said_on, source)
        VALUES (%(old_marking)s, %(item_id)s, %(said_by)s, %(said_on)s, %(source)s)
        """,
        values,
    )
    record(t, doer, "cross_reference", row, "added", None, dict(values))
    return row


def _in_lots(rows: Sequence[dict[str, Any]]) -> Iterator[Sequence[dict[str, Any]]]:
    for start in range(0, len(rows), AT_ONCE):
        yield rows[start : start + AT_ONCE]
