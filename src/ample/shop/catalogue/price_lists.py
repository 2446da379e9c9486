"""Price lists: what makers list and suppliers offer, read from CSV; each marking is read by the core, row by row."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from decimal import Decimal, InvalidOperation
from typing import Any

from ample.base.doer import Doer
from ample.core.contract.specs import seal_of_reading, spec_of_reading
from ample.core.designation import Dialect, decode
from ample.core.errors import BadInput
from ample.core.parts import BearingSpec, SealSpec
from ample.shop.catalogue import imports, queries
from ample.shop.catalogue.columns import columns_of
from ample.shop.catalogue.index import dialects as dialects_of
from ample.shop.catalogue.records import PriceListAnswer, RefusedRow
from ample.store import Transaction

COLUMNS = ("maker", "marking", "supplier", "price", "lead_days", "stock", "place")
MOST_ROWS, MOST_REFUSED = 20_000, 200
EXAMPLE = ",".join(COLUMNS)


@dataclass(frozen=True)
class ListRow:
    """One row: what is listed, who offers it at what price, and what is on the shelf; None is not said."""

    maker: str
    spec: BearingSpec | SealSpec
    marking: str
    supplier: str
    price: Decimal | None
    lead_days: int | None
    stock: int | None
    place: str


def read_price_list(text: str, dialects: Sequence[Dialect]) -> tuple[list[ListRow], list[RefusedRow]]:
    """The rows that can be taken, and why the others cannot."""
    rows, refused = [], []
    own = {dialect.name.casefold(): dialect for dialect in dialects}
    for number, cells in _cells(text):
        try:
            rows.append(_row(cells, own))
        except BadInput as error:
            refused.append(RefusedRow(row=number, marking=cells.get("marking", "")[:60], why=error.message))
    return rows, refused


def _cells(text: str) -> Iterator[tuple[int, dict[str, str]]]:
    lines = text.lstrip("\ufeff").splitlines()
    head = next((line for line in lines if line.strip()), "")
    apart = max(",;\t", key=head.count)
    reader = csv.reader(io.StringIO("\n".join(lines)), delimiter=apart)
    names = [cell.strip().lower().replace(" ", "_") for cell in next(reader, [])]
    if "maker" not in names or "marking" not in names:
        raise BadInput(
            "no_columns",
            "The first row must name the columns; maker and marking are required.",
            "text",
            EXAMPLE,
        )
    unknown = [name for name in names if name and name not in COLUMNS]
    if unknown:
        raise BadInput("unknown_column", f"Unknown column “{unknown[0][:30]}”.", "text", EXAMPLE)
    for count, row in enumerate(reader, start=1):
        if count > MOST_ROWS:
            raise BadInput("too_long", f"At most {MOST_ROWS} rows at once.", "text", "Split the list.")
        if any(cell.strip() for cell in row):
            yield reader.line_num, dict(zip(names, (cell.strip() for cell in row), strict=False))


def _row(cells: dict[str, str], dialects: dict[str, Dialect]) -> ListRow:
    maker, marking = cells.get("maker", ""), " ".join(cells.get("marking", "").split())
    if not maker or not marking:
        raise BadInput("empty", "Maker or marking is missing.")
    if max(len(maker), len(marking), len(cells.get("supplier", ""))) > 60 or len(cells.get("place", "")) > 30:
        raise BadInput("too_long", "A name or marking is longer than 60 characters, or a place than 30.")
    own = dialects.get(maker.casefold())
    price, supplier = _decimal(cells.get("price", "")), cells.get("supplier", "")
    if supplier and price is None:
        raise BadInput("no_price", "A supplier without a price.")
    if price is not None and not supplier:
        raise BadInput("no_supplier", "A price without a supplier.")
    return ListRow(
        maker, _spec(marking, (own,) if own else ()), marking, supplier, price,
        _whole(cells.get("lead_days", ""), "lead_days", 999), _whole(cells.get("stock", ""), "stock", 10**6),
        cells.get("place", ""),
    )  # fmt: skip


def _spec(marking: str, dialects: tuple[Dialect, ...]) -> BearingSpec | SealSpec:
    readings = decode(marking, dialects)
    if not readings:
        raise BadInput("not_read", "The marking cannot be read.")
    reading = readings[0]
    if reading.unread:
        raise BadInput(
            "not_all_read",
            f"“{' '.join(reading.unread)[:30]}” in the marking is unknown: add it to the maker's codes.",
        )
    if len(reading.dimensions) < 2:
        raise BadInput("no_size", "The marking does not give the size.")
    return spec_of_reading(reading) if reading.family == "bearing" else seal_of_reading(reading)


def _decimal(text: str) -> Decimal | None:
    if not text:
        return None
    try:
        found = Decimal(text.replace(",", "."))
    except InvalidOperation:
        raise BadInput("bad_price", f"“{text[:20]}” is not a price.") from None
    if not found.is_finite() or not 0 < found < 10**8:
        raise BadInput("bad_price", f"“{text[:20]}” is not a price.")
    return found.quantize(Decimal("0.01"))


def _whole(text: str, name: str, most: int) -> int | None:
    if not text:
        return None
    if not (text.isascii() and text.isdigit()) or int(text[:9]) > most:
        raise BadInput("bad_number", f"“{text[:20]}” is not a number of {name.replace('_', ' ')}.")
    return int(text)


def take_in(t: Transaction, doer: Doer, text: str) -> PriceListAnswer:
    """Keep the contents of a price list: new items, offers and stock; items that are there keep their history."""
    doer.must("lists")
    rows, refused = read_price_list(text, list(dialects_of(t).values()))
    makers = {name: _maker(t, doer, name) for name in dict.fromkeys(row.maker for row in rows)}
    added = 0
    for maker, maker_id in makers.items():
        own = list({row.marking.casefold(): row for row in rows if row.maker == maker}.values())
        added += _items(t, doer, maker_id, own)
    offers = sum(
        _offers(t, doer, name, rows, makers)
        for name in dict.fromkeys(row.supplier for row in rows if row.supplier)
    )
    return PriceListAnswer(
        rows=len(rows), added=added, offers=offers, refused=refused[:MOST_REFUSED], refused_count=len(refused)
    )


def _maker(t: Transaction, doer: Doer, name: str) -> int:
    """The row of a maker, however the list writes its name; a new one is added."""
    held = queries.maker_named(t, name)
    return int(held["maker_id"]) if held else imports.add_maker(t, doer, name, [])


def _items(t: Transaction, doer: Doer, maker_id: int, rows: list[ListRow]) -> int:
    there = queries.markings_of(t, maker_id)
    new = [row for row in rows if row.marking.casefold() not in there]
    if new:
        imports.import_items(t, doer, maker_id, [_columns(row) for row in new])
    stocked = [row for row in rows if row.stock is not None and row.marking.casefold() in there]
    queries.set_stock(
        t, [{"maker_id": maker_id, "marking": r.marking, "stock": r.stock, "place": r.place} for r in stocked]
    )
    if stocked and not new:
        queries.bump_items(t)
    return len(new)


def _columns(row: ListRow) -> dict[str, Any]:
    shelf = {"stock_quantity": row.stock or 0, "stock_place": row.place}
    return columns_of(row.spec) | {"marking": row.marking} | shelf


def _offers(t: Transaction, doer: Doer, supplier: str, rows: list[ListRow], makers: dict[str, int]) -> int:
    own = [row for row in rows if row.supplier == supplier]
    held = queries.supplier_named(t, supplier)
    days = held["lead_days"] if held else max((row.lead_days or 0 for row in own), default=0)
    supplier_id = int(held["supplier_id"]) if held else imports.add_supplier(t, doer, supplier, "", days)
    ids = queries.item_ids(t, [(makers[row.maker], row.marking) for row in own])
    found = {
        ids[makers[row.maker], row.marking.casefold()]: {
            "price": row.price, "lead_days": days if row.lead_days is None else row.lead_days,
        }
        for row in own
    }  # fmt: skip
    imports.import_offers(
        t, doer, supplier_id, [{"item_id": item_id} | offer for item_id, offer in found.items()]
    )
    return len(found)
