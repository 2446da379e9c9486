"""Order sheets: lines put on, checks overridden with a reason, sheets placed."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from decimal import Decimal
from typing import Any

from ample.base import job_queries
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_part
from ample.base.places import places_of
from ample.base.records import PartHead
from ample.core.contract import AttributeJudgement
from ample.core.designation import title_of
from ample.core.errors import BadInput, Conflict, NotKnown
from ample.core.interchange import meets
from ample.core.parts.requirement import Requirement, changes_between
from ample.core.sizes import Instrument
from ample.shop.bench import queries as bench
from ample.shop.bench.actions import known_item
from ample.shop.bench.requirements import as_json, from_json, requirements_of
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.records import Item, Offer
from ample.shop.orders import queries
from ample.shop.orders.checks import checks_of, is_open
from ample.shop.orders.records import (
    AddLine,
    ChangeLine,
    CheckAnswer,
    OrderLine,
    OrdersAnswer,
    OrderSheet,
    OverrideCheck,
    PlaceOrder,
    WaitingPart,
    WithdrawLine,
)
from ample.store import Transaction

InstrumentOf = Callable[[str], Instrument]


def orders_of(t: Transaction, instrument_of: InstrumentOf) -> OrdersAnswer:
    """All sheets with their lines and checks, and what waits for a sheet."""
    return OrdersAnswer(sheets=_sheets(t, None, instrument_of), waiting=_waiting(t))


def sheet(t: Transaction, order_id: int, instrument_of: InstrumentOf) -> OrderSheet:
    """One sheet, or a clear word that there is none."""
    found = _sheets(t, order_id, instrument_of)
    if not found:
        raise NotKnown("no_such_order", f"There is no order {order_id}.", "order_id")
    return found[0]


def _sheets(t: Transaction, order_id: int | None, instrument_of: InstrumentOf) -> list[OrderSheet]:
    heads = queries.sheets(t, order_id)
    rows = queries.lines(t, [head["order_id"] for head in heads])
    part_ids = [row["part_id"] for row in rows]
    items = catalogue.items(t, sorted({row["item_id"] for row in rows}))
    facts = _Known(
        checks_of(t, part_ids, instrument_of),
        catalogue.offers_of(t, [row["item_id"] for row in rows]),
        items,
        requirements_of(t, job_queries.parts_by_id(t, part_ids)),
        {part_id: row["match_id"] for part_id, row in queries.decisions(t, part_ids).items()},
    )
    found = []
    for head in heads:
        own = [row for row in rows if row["order_id"] == head["order_id"]]
        made = [_line(row, facts, head["supplier_id"]) for row in own]
        live = [each for each in made if each.withdrawn_at is None]
        found.append(
            OrderSheet(
                **head,
                lines=made,
                total=sum((each.price * each.quantity for each in live), Decimal(0)),
                longest_days=max((each.lead_days for each in live), default=0),
                ready=bool(live) and all(each.open_lights == 0 for each in live),
            )
        )
    return [each for each in found if each.lines or each.state == "placed" or order_id]


@dataclass(frozen=True)
class _Known:
    """What is known of all that is on order, read at once."""

    checks: Mapping[int, list[CheckAnswer]]
    offers: Mapping[int, list[Offer]]
    items: Mapping[int, Item]
    wanted: Mapping[int, Requirement]
    matches: Mapping[int, int | None]


def _line(row: dict[str, Any], known: _Known, supplier_id: int) -> OrderLine:
    item, now = known.items[row["item_id"]], known.wanted.get(row["part_id"])
    ordered_for = from_json(row["requirement"]) if row["requirement"] else now
    checks, match = known.checks[row["part_id"]], known.matches.get(row["part_id"])
    return OrderLine(
        **{name: row[name] for name in (
            "line_id", "part_id", "part_name", "job_number", "job_title", "quantity", "price",
            "lead_days", "version", "withdrawn_at", "withdrawn_by", "withdrawn_reason",
        )},
        replaces=title_of(now) if now else "",
        requirement=now,
        item=item,
        ball_mm=item.element_mm,
        differences=_differences(now, item),
        changes=list(changes_between(ordered_for, now)) if ordered_for and now else [],
        match_item_id=match if match != row["item_id"] else None,
        needed=now.count if now else 1,
        lights=checks,
        open_lights=0 if row["withdrawn_at"] else sum(is_open(check) for check in checks),
        other_offers=[
            each for each in known.offers.get(row["item_id"], []) if each.supplier_id != supplier_id
        ],
    )  # fmt: skip


def _differences(wanted: Requirement | None, item: Item) -> list[AttributeJudgement]:
    if wanted is None or wanted.spec is None or wanted.family != item.family:
        return []
    judged = meets(wanted, item.spec)
    return [each for each in judged.attributes if each.judgement != "same"]


def _waiting(t: Transaction) -> list[WaitingPart]:
    rows = queries.matched_without_line(t)
    offers = catalogue.offers_of(t, [row["item_id"] for row in rows])
    items = catalogue.items(t, sorted({row["item_id"] for row in rows}))
    places = places_of(t, [row["part_id"] for row in rows])
    return [
        WaitingPart(
            part_id=row["part_id"],
            part_name=row["part_name"],
            job_number=row["job_number"],
            item=items[row["item_id"]],
            needed=places[row["part_id"]].needed,
            offers=offers.get(row["item_id"], []),
        )
        for row in rows
    ]


def add_line(t: Transaction, doer: Doer, new: AddLine, instrument_of: InstrumentOf) -> OrderSheet:
    """Put a part on a supplier's open sheet at the price offered now."""
    part = known_part(t, new.part_id, lock=True)
    match = bench.match(t, new.part_id)
    if match is None:
        raise BadInput(
            "no_match", "No replacement is chosen for this part yet.", "part_id", "Choose on Match."
        )
    item = known_item(t, match["item_id"])
    offer = _offer(t, item, new.supplier_id)
    order_id = queries.open_order_of(t, offer.supplier_id) or queries.add_order(t, offer.supplier_id)
    if queries.live_line_of(t, new.part_id) is not None:
        raise Conflict("on_a_sheet", "This part is already on an order.", "part_id")
    line_id = queries.add_line(
        t, {"order_id": order_id, "part_id": new.part_id} | _ordered(t, part, item, offer, new.quantity)
    )
    queries.touch_order(t, order_id)
    record(t, doer, "order_line", line_id, "added", None, new)
    return sheet(t, order_id, instrument_of)


def _ordered(
    t: Transaction, part: PartHead, item: Item, offer: Offer, quantity: int | None
) -> dict[str, Any]:
    """What a line holds of an item: price and days of today, and what it was ordered for."""
    wanted = requirements_of(t, [part]).get(part.part_id)
    return {
        "item_id": item.item_id, "quantity": quantity or min(wanted.count if wanted else 1, 999),
        "price": offer.price, "lead_days": offer.lead_days, "requirement": as_json(wanted) if wanted else None,
    }  # fmt: skip


def _offer(t: Transaction, item: Item, supplier_id: int | None) -> Offer:
    offers = catalogue.offers_of(t, [item.item_id]).get(item.item_id, [])
    fitting = [each for each in offers if supplier_id in (None, each.supplier_id)]
    if not fitting:
        raise BadInput(
            "no_offer", f"No supplier offers {item.marking}.", "supplier_id", "Choose another equivalent."
        )
    return fitting[0]


def _open_line(t: Transaction, line_id: int) -> dict[str, Any]:
    line = queries.line(t, line_id)
    if line is None:
        raise NotKnown("no_such_line", f"There is no order item {line_id}.", "line_id")
    if line["state"] != "open":
        raise Conflict("placed", "The order is placed. Its items cannot be changed.", "line_id")
    return line


def _same_line(line: dict[str, Any], version: int) -> None:
    if line["version"] != version:
        raise Conflict(
            "changed_meanwhile",
            "Someone else has changed this item.",
            None,
            "Look at it again.",
            {"version": line["version"], "quantity": line["quantity"]},
        )


def change_line(
    t: Transaction, doer: Doer, line_id: int, change: ChangeLine, instrument_of: InstrumentOf
) -> OrderSheet:
    """Another quantity on a line of an open sheet."""
    line = _open_line(t, line_id)
    _same_line(line, change.version)
    queries.set_quantity(t, line_id, change.quantity, change.version)
    queries.touch_order(t, line["order_id"])
    record(t, doer, "order_line", line_id, "quantity", {"quantity": line["quantity"]}, change)
    return sheet(t, line["order_id"], instrument_of)


def change_item(
    t: Transaction, doer: Doer, line_id: int, version: int, instrument_of: InstrumentOf
) -> OrderSheet:
    """What is chosen on Match now takes the place of the item on an open order, from the same supplier."""
    line = _open_line(t, line_id)
    _same_line(line, version)
    part = known_part(t, line["part_id"], lock=True)
    match = bench.match(t, part.part_id)
    if match is None:
        raise BadInput("no_match", "No replacement is chosen for this part.", "part_id", "Choose on Match.")
    item = known_item(t, match["item_id"])
    head = queries.sheets(t, line["order_id"])[0]
    offer = _offer(t, item, head["supplier_id"])
    values = _ordered(t, part, item, offer, None) | {"line_id": line_id, "version": version}
    queries.set_item(t, values)
    queries.touch_order(t, line["order_id"])
    record(
        t,
        doer,
        "order_line",
        line_id,
        "item",
        {"item": line["item_id"]},
        {"item": item.item_id, "marking": item.marking},
    )
    return sheet(t, line["order_id"], instrument_of)


def withdraw_line(
    t: Transaction, doer: Doer, line_id: int, asked: WithdrawLine, instrument_of: InstrumentOf
) -> OrderSheet:
    """Cancel an item of a placed order; the part can be ordered again."""
    doer.must("place_order")
    line = queries.line(t, line_id)
    if line is None:
        raise NotKnown("no_such_line", f"There is no order item {line_id}.", "line_id")
    if line["state"] == "open":
        raise Conflict("not_placed", "This order is not placed yet. Remove the item instead.", "line_id")
    _same_line(line, asked.version)
    if line["withdrawn_at"] is not None:
        raise Conflict("withdrawn", "This item is already cancelled.", "line_id")
    values = {"line_id": line_id, "version": asked.version, "reason": asked.reason.strip()}
    queries.withdraw(t, values | {"person_id": doer.person_id, "now": doer.now})
    queries.touch_order(t, line["order_id"])
    record(t, doer, "order_line", line_id, "withdrawn", None, asked)
    return sheet(t, line["order_id"], instrument_of)


def drop_line(
    t: Transaction, doer: Doer, line_id: int, version: int, instrument_of: InstrumentOf
) -> OrderSheet:
    """Remove an item an open sheet, if it is still as it was seen."""
    doer.must("delete")
    line = _open_line(t, line_id)
    _same_line(line, version)
    of = known_part(t, line["part_id"]).name
    record(t, doer, "order_line", line_id, "dropped", dict(line) | {"of": of}, None)
    queries.drop_line(t, line_id)
    queries.touch_order(t, line["order_id"])
    return sheet(t, line["order_id"], instrument_of)


def override_check(
    t: Transaction, doer: Doer, line_id: int, asked: OverrideCheck, instrument_of: InstrumentOf
) -> OrderSheet:
    """Override a check that is not met, with a reason; what was open is kept beside it."""
    doer.must("override")
    line = _open_line(t, line_id)
    checks = checks_of(t, [line["part_id"]], instrument_of)[line["part_id"]]
    check = next((each for each in checks if each.light == asked.light), None)
    if check is None:
        words = asked.light.replace("_", " ")
        raise BadInput("nothing_to_pass", f"This item has no open {words} check.", "light")
    if check.facts_mark != asked.facts_mark:
        raise Conflict(
            "changed_meanwhile",
            f"What is known of the {asked.light} has changed since you opened it.",
            "light",
            "Look at it again, then decide.",
            check.model_dump(mode="json"),
        )
    if check.state == "holds":
        raise BadInput(
            "nothing_to_pass", f"The {asked.light} check is met. There is nothing to override.", "light"
        )
    if not asked.reason.strip():
        raise BadInput("no_reason", "An override needs a reason.", "reason")
    queries.add_pass(
        t,
        {
            "line_id": line_id,
            "light": asked.light,
            "facts_mark": check.facts_mark,
            "words": check.words[:300],
            "reason": asked.reason.strip(),
            "person_id": doer.person_id,
            "now": doer.now,
        },
    )
    queries.touch_order(t, line["order_id"])
    record(t, doer, "order_line", line_id, "passed", {"light": asked.light, "words": check.words}, asked)
    return sheet(t, line["order_id"], instrument_of)


def place(
    t: Transaction, doer: Doer, order_id: int, asked: PlaceOrder, instrument_of: InstrumentOf
) -> OrderSheet:
    """Place an order: only with every check met or overridden, only as it was seen."""
    doer.must("place_order")
    queries.sheets(t, order_id, lock=True)
    found = sheet(t, order_id, instrument_of)
    if found.state == "placed":
        raise Conflict("placed", "This order is already placed.", "order_id")
    doer.must_stay_within(found.total)
    if not found.ready:
        waiting = sum(line.open_lights for line in found.lines)
        raise BadInput(
            "gate_shut",
            f"{waiting} check(s) are open and not overridden.",
            "order_id",
            "Settle them, or override each with a reason.",
        )
    if not queries.place(t, order_id, doer.person_id, doer.now, asked.version):
        raise Conflict(
            "changed_meanwhile", "The order has changed since you opened it.", None, "Check it again, then place it.",
            {"version": found.version},
        )  # fmt: skip
    record(t, doer, "order", order_id, "placed", None, {"total": str(found.total)})
    return sheet(t, order_id, instrument_of)
