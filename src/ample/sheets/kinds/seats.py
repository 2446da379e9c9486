"""Seats of a bearing."""

from __future__ import annotations

from ample.core.kits import OrderCheckResult, OrderFacts
from ample.core.kits.order_checks import clearance, place
from ample.core.places import (
    FittedBearing,
    SeatFacts,
    SeatSheet,
    SeatsJudged,
    check_seat_sheet,
    judge_seats,
)
from ample.core.places.seats import SIDES
from ample.sheets.kind import Columns, SheetKind, Table


def tables(sheet: SeatSheet, judged: SeatsJudged | None) -> tuple[Table, ...]:
    """Readings by plane, and what they are worth."""
    rows = [
        (
            side,
            f"{'ABCDEF'[plane]}",
            "; ".join(text for text in row if text.strip()),
            sheet.side(side).instrument,
        )
        for side in SIDES
        for plane, row in enumerate(sheet.side(side).planes)
        if any(text.strip() for text in row)
    ]
    found = []
    for side in SIDES:
        one = getattr(judged, side) if judged else None
        if one and one.check:
            check = one.check
            fit = check.interference_um
            decision = check.decision.replace("_", " ")
            found.append((side, check.zone, decision, f"{fit.min:g} to {fit.max:g} µm tight", check.reason))
    return (
        Table("readings", ("seat", "plane", "read", "instrument"), tuple(rows)),
        Table("judged", ("seat", "zone", "decision", "fit", "why"), tuple(found)),
    )


def columns(sheet: SeatSheet) -> Columns:
    """What turns and how hard it is loaded."""
    return {"turning": (sheet.turning,), "load": (sheet.load,)}


def order_checks(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """Both places that a part goes into, and what they advise of its clearance."""
    return (*place(facts), *clearance(facts))


SEATS = SheetKind(
    name="seats",
    title="Seats",
    subject="part",
    sheet=SeatSheet,
    facts=SeatFacts,
    judged=SeatsJudged,
    judge=judge_seats,
    tables=tables,
    check=check_seat_sheet,
    columns=columns,
    shown={"fitted": FittedBearing | None},
    order_checks=order_checks,
    alias="seats",
    unjudged=("not_identified", "This part is not identified yet."),
)
