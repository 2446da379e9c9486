"""The gate's lights of parts, from what the shop knows of them."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from ample.core.exchange import SeatAnswer
from ample.core.kits import GateFacts, SeatFact, gate
from ample.core.sizes import Instrument
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.records import Item
from ample.shop.jobs import queries as jobs
from ample.shop.jobs.records import Light
from ample.shop.orders import queries
from ample.shop.seats import queries as seats
from ample.shop.seats.actions import judge, sheet_of
from ample.store import Transaction

InstrumentOf = Callable[[str], Instrument]
NEEDED = 1


def lights_of(t: Transaction, part_ids: list[int], instrument_of: InstrumentOf) -> dict[int, list[Light]]:
    """Five lights for each part, with the passes that people gave."""
    known = jobs.decisions(t, part_ids)
    fitted = {part_id: row["match_id"] or row["chosen_id"] for part_id, row in known.items()}
    items = catalogue.items(t, sorted({item_id for item_id in fitted.values() if item_id}))
    measured = seats.parts_with_sheets(t, part_ids)
    given = queries.passes(t, [row["line_id"] for row in known.values() if row["line_id"]])
    found = {}
    for part_id, row in known.items():
        own = [each for each in given if each["line_id"] == row["line_id"]]
        item = items.get(fitted[part_id] or 0)
        shaft = housing = None
        if item is not None and item.family == "bearing" and part_id in measured:
            shaft, housing = _seat_facts(t, part_id, item, instrument_of)
        facts = _facts(row, shaft, housing)
        found[part_id] = [
            _with_pass(Light(light=each.light, state=each.state, words=each.words), own)
            for each in gate(facts)
        ]
    return found


def _facts(row: dict[str, Any], shaft: SeatFact | None, housing: SeatFact | None) -> GateFacts:
    return GateFacts(
        probability=float(row["probability"]) if row["probability"] is not None else None,
        worst_sigmas=float(row["worst_sigmas"]) if row["worst_sigmas"] is not None else None,
        clash=row["clash"] or "",
        features_read=row["features_read"] or 0,
        marking_read=bool(row["marking_read"]),
        verdict=row["verdict"],
        verdict_words=row["words"] or "",
        shaft=shaft,
        housing=housing,
        quantity=row["quantity"] or NEEDED,
        needed=NEEDED,
        family=row["family"],
        read=frozenset((row["features"] or "").split(",")),
    )


def _seat_facts(
    t: Transaction, part_id: int, item: Item, instrument_of: InstrumentOf
) -> tuple[SeatFact | None, SeatFact | None]:
    sheet, _ = sheet_of(t, part_id)
    judged = judge(item, sheet, instrument_of)

    def fact(check: SeatAnswer | None) -> SeatFact | None:
        return SeatFact(check.decision, check.reason, check.creep_probability) if check else None

    return fact(judged.shaft.check), fact(judged.housing.check)


def _with_pass(light: Light, given: list[dict[str, Any]]) -> Light:
    """A pass stands only for what was unproven when it was given: other words need a new one."""
    for each in reversed(given):
        if each["light"] == light.light and each["words"] == light.words:
            given_by = {
                "passed_reason": each["reason"],
                "passed_by": each["person"],
                "passed_at": each["passed_at"],
            }
            return Light.model_validate(light.model_dump() | given_by)
    return light


def is_open(light: Light) -> bool:
    """Whether a light keeps the gate shut."""
    return light.state != "holds" and light.passed_reason is None
