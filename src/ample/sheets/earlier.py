"""What earlier versions kept in tables of their own goes over to sheets."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

from ample.core.places import SeatSheet
from ample.sheets import queries, store
from ample.sheets.kinds.seats import SEATS
from ample.store import Transaction


def take_over_seats(t: Transaction) -> int:
    """Seats; how many went over."""
    rows = queries.earlier_seats(t)
    now = datetime.now(UTC).replace(tzinfo=None)
    for row in rows:
        sheet = _seats(row, queries.earlier_seat_readings(t, row["part_id"]))
        store.put(t, SEATS, row["part_id"], sheet, row["version"], row["person_id"], row["changed_at"] or now)
    if rows:
        queries.empty_earlier_seats(t)
    return len(rows)


def _seats(row: dict[str, Any], readings: list[dict[str, Any]]) -> SeatSheet:
    planes: dict[str, list[list[str]]] = {"shaft": [], "housing": []}
    for each in readings:
        held = planes[each["side"]]
        while len(held) <= each["plane"]:
            held.append([])
        while len(held[each["plane"]]) < each["direction"]:
            held[each["plane"]].append("")
        held[each["plane"]].append(each["typed"])
    sides = {
        side: {"zone": row[f"{side}_zone"], "instrument": row[f"{side}_instrument"], "planes": planes[side]}
        for side in ("shaft", "housing")
    }
    return SeatSheet.model_validate(
        {
            "turning": row["turning"],
            "load": row["load_level"],
            "slides": bool(row["slides"]),
            "split": bool(row["split"]),
            "warmer_inner_k": float(row["warmer_inner_k"]),
            "temperature_c": float(row["temperature_c"]),
            **sides,
        }
    )
