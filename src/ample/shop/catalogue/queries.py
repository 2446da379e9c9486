"""SQL of the catalogue."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple

from ample.core.parts import PartSpec
from ample.shop.catalogue.columns import SIZES, columns_of
from ample.shop.catalogue.records import CrossReference, Item, Offer
from ample.store import Transaction

_ITEM = """
        SELECT
            i.item_id,
            m.name AS maker,
            i.marking,
            i.designation,
            i.series,
            i.size_1_mm,
            i.size_2_mm,
            i.size_3_mm,
            i.size_4_mm,
            i.size_5_mm,
            i.kind,
            i.bore_shape,
            i.angle,
            i.cage,
            i.family,
            i.attributes,
            i.closure,
            i.clearance,
            i.tolerance_class,
            i.stock_quantity,
            i.stock_place,
            i.confirmed_count
        FROM catalogue_items i
        JOIN makers m ON m.maker_id = i.maker_id
"""


class Revision(NamedTuple):
    """The state of the catalogue: of its items, and of the makers' dialects."""

    items: int
    dialects: int


def revision(t: Transaction) -> Revision:
    """Which state of items and of dialects this is; each grows with every change."""
    row = t.rows("SELECT revision, dialect_revision FROM catalogue_state WHERE only_row = 1")[0]
    return Revision(row["revision"], row["dialect_revision"])


def bump_items(t: Transaction) -> None:
    """Items have changed: indexes made from them are stale."""
    t.change("UPDATE catalogue_state SET revision = revision + 1 WHERE only_row = 1")


def bump_dialects(t: Transaction) -> None:
    """Makers' codes have changed; the items have not."""
    t.change("UPDATE catalogue_state SET dialect_revision = dialect_revision + 1 WHERE only_row = 1")


def items_after(t: Transaction, after: int, most: int) -> list[dict[str, Any]]:
    """The next items by number, as far as identification needs them."""
    return t.rows(
        """
        SELECT
            item_id,
            marking,
            designation,
            series,
            size_1_mm,
            size_2_mm,
            size_3_mm,
            size_4_mm,
            size_5_mm,
            kind,
            bore_shape,
            angle,
            cage,
            family,
            attributes,
            closure,
            clearance,
            tolerance_class,
            stock_quantity,
            confirmed_count
        FROM catalogue_items
        WHERE item_id > %(after)s
        ORDER BY item_id
        LIMIT %(most)s
        """,
        {"after": after, "most": most},
    )


def items_checksum(t: Transaction) -> str:
    """A checksum of all that an index is laid out from, but for how often each item was confirmed."""
    row = t.first(
        """
        SELECT
            COUNT(*) AS rows_held,
            COALESCE(BIT_XOR(CAST(CRC32(CONCAT_WS(
                '|', item_id, marking, designation, series, size_1_mm, size_2_mm, size_3_mm,
                COALESCE(size_4_mm, '-'), COALESCE(size_5_mm, '-'), kind, bore_shape, angle,
                cage, family, COALESCE(attributes, '-'), closure, clearance, tolerance_class, stock_quantity > 0
            )) AS UNSIGNED) * MOD(item_id * 2654435761, 4294967291)), 0) AS mark
        FROM catalogue_items
        """
    )
    assert row is not None
    return f"{row['rows_held']}-{row['mark']}"


def all_items(t: Transaction) -> list[Item]:
    """Every item, in order."""
    return [Item.model_construct(**_as_floats(row)) for row in t.rows(_ITEM + " ORDER BY i.item_id")]


def items_of_maker(t: Transaction, maker: str) -> list[dict[str, Any]]:
    """What a maker lists, in order: number, marking and what tells variants apart."""
    return t.rows(
        """
        SELECT i.item_id, i.marking, i.designation, i.closure, i.clearance
        FROM catalogue_items i
        JOIN makers m ON m.maker_id = i.maker_id
        WHERE m.name = %(maker)s
        ORDER BY i.item_id
        """,
        {"maker": maker},
    )


def _as_floats(row: dict[str, Any]) -> dict[str, Any]:
    attributes = json.loads(row["attributes"]) if row["attributes"] else {}
    return (
        row | {name: float(row[name]) for name in SIZES if row[name] is not None} | {"attributes": attributes}
    )


def item(t: Transaction, item_id: int) -> Item | None:
    """One item."""
    row = t.first(_ITEM + " WHERE i.item_id = %(item_id)s", {"item_id": item_id})
    return Item(**row) if row else None


def items(t: Transaction, item_ids: list[int]) -> dict[int, Item]:
    """Several items by their rows."""
    if not item_ids:
        return {}
    rows = t.rows(_ITEM + " WHERE i.item_id IN %(ids)s", {"ids": item_ids})
    return {row["item_id"]: Item(**row) for row in rows}


def items_of_size(t: Transaction, of: PartSpec, in_stock: int = 0) -> list[Item]:
    """Every item of a part's family with its first two sizes, to a hundredth; of which so many are in stock."""
    own = columns_of(of)
    rows = t.rows(
        _ITEM
        + """
        WHERE i.family = %(family)s
            AND i.size_1_mm BETWEEN %(first)s - 0.01 AND %(first)s + 0.01
            AND i.size_2_mm BETWEEN %(second)s - 0.01 AND %(second)s + 0.01
            AND i.stock_quantity >= %(least)s
        ORDER BY i.item_id
        """,
        {"family": of.family, "first": own["size_1_mm"], "second": own["size_2_mm"], "least": in_stock},
    )
    return [Item(**row) for row in rows]


def items_called(t: Transaction, name: str) -> list[Item]:
    """What is listed under a marking or designation, what is in stock first."""
    rows = t.rows(
        _ITEM
        + """
        WHERE i.marking = %(name)s OR i.designation = %(name)s
        ORDER BY i.stock_quantity DESC, i.item_id
        LIMIT 40
        """,
        {"name": name.strip()},
    )
    return [Item(**row) for row in rows]


def stock_of_designation(t: Transaction, family: str, designation: str, closure: str) -> list[Item]:
    """What is on the shelf of a designation and closure (of all but bearings: open)."""
    rows = t.rows(
        _ITEM
        + """
        WHERE i.designation = %(designation)s
            AND i.family = %(family)s
            AND i.closure = %(closure)s
            AND i.stock_quantity > 0
        ORDER BY i.stock_quantity DESC, i.item_id
        LIMIT 5
        """,
        {"designation": designation, "family": family, "closure": closure},
    )
    return [Item(**row) for row in rows]


def offers_of(t: Transaction, item_ids: list[int]) -> dict[int, list[Offer]]:
    """Offers by item, cheapest first."""
    if not item_ids:
        return {}
    rows = t.rows(
        """
        SELECT o.item_id, o.supplier_id, s.name AS supplier, o.price, o.lead_days
        FROM offers o
        JOIN suppliers s ON s.supplier_id = o.supplier_id
        WHERE o.item_id IN %(item_ids)s
        ORDER BY o.price, o.supplier_id
        """,
        {"item_ids": item_ids},
    )
    found: dict[int, list[Offer]] = {}
    for row in rows:
        found.setdefault(row.pop("item_id"), []).append(Offer(**row))
    return found


def records_for(t: Transaction, markings: list[str]) -> list[tuple[CrossReference, int]]:
    """Cross-references from any of these markings, with the item each names."""
    if not markings:
        return []
    rows = t.rows(
        """
        SELECT item_id, old_marking, said_by, said_on, source
        FROM cross_references
        WHERE old_marking IN %(markings)s
        ORDER BY said_on DESC
        """,
        {"markings": markings},
    )
    return [(CrossReference(**row), row.pop("item_id")) for row in rows]


def dialect_codes(t: Transaction) -> list[dict[str, Any]]:
    """The codes of every maker's dialect, in order."""
    return t.rows(
        """
        SELECT
            m.name AS maker, m.version, c.code, c.place, c.attribute, c.value, c.meaning, c.basis, c.kinds, c.example
        FROM dialect_codes c
        JOIN makers m ON m.maker_id = c.maker_id
        ORDER BY c.maker_id, c.position
        """
    )


def confirm(t: Transaction, item_id: int) -> None:
    """One more part of the shop was confirmed to be this item."""
    t.change(
        "UPDATE catalogue_items SET confirmed_count = confirmed_count + 1 WHERE item_id = %(item_id)s",
        {"item_id": item_id},
    )


def add_maker(t: Transaction, name: str, codes: Sequence[Mapping[str, str]]) -> int:
    """A maker with the codes of its dialect in their order."""
    maker_id = t.insert("INSERT INTO makers (name) VALUES (%(name)s)", {"name": name})
    _add_codes(t, maker_id, codes)
    return maker_id


def maker_named(t: Transaction, name: str) -> dict[str, Any] | None:
    """The maker of this name, locked until the transaction ends."""
    return t.first(
        "SELECT maker_id, name, version FROM makers WHERE name = %(name)s FOR UPDATE", {"name": name}
    )


def replace_codes(t: Transaction, maker_id: int, codes: Sequence[Mapping[str, str]]) -> None:
    """Put these codes in the place of a maker's earlier ones."""
    t.change("UPDATE makers SET version = version + 1 WHERE maker_id = %(maker_id)s", {"maker_id": maker_id})
    t.change("DELETE FROM dialect_codes WHERE maker_id = %(maker_id)s", {"maker_id": maker_id})
    _add_codes(t, maker_id, codes)


def _add_codes(t: Transaction, maker_id: int, codes: Sequence[Mapping[str, str]]) -> None:
    columns = ("code", "place", "attribute", "value", "meaning", "basis", "kinds", "example")
    t.change_many(
        """
        INSERT INTO dialect_codes (
            maker_id, position, code, place, attribute, value, meaning, basis, kinds, example
        )
        VALUES (
            %(maker_id)s, %(position)s, %(code)s, %(place)s, %(attribute)s, %(value)s,
            %(meaning)s, %(basis)s, %(kinds)s, %(example)s
        )
        """,
        [
            {name: code.get(name) or "" for name in columns} | {"maker_id": maker_id, "position": n}
            for n, code in enumerate(codes)
        ],
    )


def add_items(t: Transaction, maker_id: int, rows: Sequence[dict[str, Any]]) -> None:
    """Listed parts of a maker."""
    t.change_many(
        """
        INSERT INTO catalogue_items (
            maker_id, marking, designation, series, size_1_mm, size_2_mm, size_3_mm, size_4_mm, size_5_mm,
            closure, clearance, tolerance_class, stock_quantity, stock_place,
            kind, bore_shape, angle, cage, family, attributes
        )
        VALUES (
            %(maker_id)s, %(marking)s, %(designation)s, %(series)s,
            %(size_1_mm)s, %(size_2_mm)s, %(size_3_mm)s, %(size_4_mm)s, %(size_5_mm)s,
            %(closure)s, %(clearance)s, %(tolerance_class)s, %(stock_quantity)s, %(stock_place)s,
            %(kind)s, %(bore_shape)s, %(angle)s, %(cage)s, %(family)s, %(attributes)s
        )
        """,
        [row | {"maker_id": maker_id} for row in rows],
    )


def add_supplier(t: Transaction, name: str, place: str, lead_days: int) -> int:
    """A supplier."""
    return t.insert(
        "INSERT INTO suppliers (name, place, lead_days) VALUES (%(name)s, %(place)s, %(lead_days)s)",
        {"name": name, "place": place, "lead_days": lead_days},
    )


def add_offers(t: Transaction, supplier_id: int, rows: Sequence[dict[str, Any]]) -> None:
    """What a supplier offers, by item."""
    t.change_many(
        """
        INSERT INTO offers (supplier_id, item_id, price, lead_days)
        VALUES (%(supplier_id)s, %(item_id)s, %(price)s, %(lead_days)s)
        ON DUPLICATE KEY UPDATE price = VALUES(price), lead_days = VALUES(lead_days)
        """,
        [row | {"supplier_id": supplier_id} for row in rows],
    )


def add_cross_reference(t: Transaction, values: dict[str, Any]) -> int:
    """Somebody's record that an item replaced a marking."""
    return t.insert(
        """
        INSERT INTO cross_references (old_marking, item_id, said_by, said_on, source)
        VALUES (%(old_marking)s, %(item_id)s, %(said_by)s, %(said_on)s, %(source)s)
        """,
        values,
    )


def markings_of(t: Transaction, maker_id: int) -> set[str]:
    """The markings that a maker lists, in lower case."""
    rows = t.rows("SELECT marking FROM catalogue_items WHERE maker_id = %(maker_id)s", {"maker_id": maker_id})
    return {str(row["marking"]).casefold() for row in rows}


def set_stock(t: Transaction, rows: Sequence[dict[str, Any]]) -> None:
    """What is on the shelf now."""
    t.change_many(
        """
        UPDATE catalogue_items
        SET stock_quantity = %(stock)s, stock_place = %(place)s, version = version + 1
        WHERE maker_id = %(maker_id)s AND marking = %(marking)s
        """,
        rows,
    )


def supplier_named(t: Transaction, name: str) -> dict[str, Any] | None:
    """The supplier of this name."""
    return t.first(
        "SELECT supplier_id, lead_days FROM suppliers WHERE name = %(name)s FOR UPDATE", {"name": name}
    )


def item_ids(t: Transaction, wanted: Sequence[tuple[int, str]]) -> dict[tuple[int, str], int]:
    """The rows of items, by the row of the maker and the marking in lower case."""
    rows = t.rows(
        """
        SELECT maker_id, marking, item_id
        FROM catalogue_items
        WHERE maker_id IN %(makers)s AND marking IN %(markings)s
        """,
        {
            "makers": sorted({maker_id for maker_id, _ in wanted}),
            "markings": sorted({marking for _, marking in wanted}),
        },
    )
    return {(row["maker_id"], str(row["marking"]).casefold()): row["item_id"] for row in rows}


def extras_are_read(t: Transaction) -> bool:
    """Whether the listed bearings hold snap rings, pairs and the like."""
    return bool(t.single_value("SELECT extras_read FROM catalogue_state WHERE only_row = 1"))


def plain_bearings(t: Transaction) -> list[dict[str, Any]]:
    """Listed bearings without anything beyond the usual attributes."""
    return t.rows(
        """
        SELECT i.item_id, i.marking, m.name AS maker
        FROM catalogue_items i
        JOIN makers m ON m.maker_id = i.maker_id
        WHERE i.family = 'bearing' AND i.attributes IS NULL
        """
    )


def set_extras(t: Transaction, rows: Sequence[dict[str, Any]]) -> None:
    """Keep what is beyond the usual attributes of listed bearings; it is read once."""
    t.change_many("UPDATE catalogue_items SET attributes = %(attributes)s WHERE item_id = %(item_id)s", rows)
    t.change(
        "UPDATE catalogue_state SET extras_read = TRUE, revision = revision + %(changed)s WHERE only_row = 1",
        {"changed": int(bool(rows))},
    )
