"""The gate's lights of parts, from what the shop knows of them."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from ample.base.marks import mark_of
from ample.core.interchange import interchange_of
from ample.core.kits import GateFacts, SeatFact, gate
from ample.core.sizes import Instrument
from ample.shop.bench.matching import running
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.records import Item
from ample.shop.orders import queries
from ample.shop.orders.records import Light
from ample.shop.seats import queries as seats
from ample.shop.seats.actions import judge, sheet_of
from ample.shop.seats.records import SeatJudgement, SeatSheet
from ample.store import Transaction

InstrumentOf = Callable[[str], Instrument]
NEEDED = 1


def lights_of(t: Transaction, part_ids: list[int], instrument_of: InstrumentOf) -> dict[int, list[Light]]:
    """Five lights for each part, with the passes that people gave; what is ordered is what is judged."""
    known = queries.decisions(t, part_ids)
    items = catalogue.items(t, sorted({item_id for row in known.values() for item_id in _items_of(row)}))
    measured = seats.parts_with_sheets(t, part_ids)
    given = queries.passes(t, [row["line_id"] for row in known.values() if row["line_id"]])
    found = {}
    for part_id, row in known.items():
        own = [each for each in given if each["line_id"] == row["line_id"]]
        sheet = sheet_of(t, part_id)[0] if part_id in measured else None
        facts = _facts(row, items, sheet, instrument_of)
        bound = _bound_to(row, sheet)
        found[part_id] = [
            _with_pass(
                Light(
                    light=each.light, state=each.state, words=each.words,
                    facts_mark=mark_of(each.light, each.state, bound[each.light]),
                ), own,
            )
            for each in gate(facts)
        ]  # fmt: skip
    return found


def _items_of(row: dict[str, Any]) -> list[int]:
    return [row[name] for name in ("chosen_id", "match_id", "ordered_id") if row[name]]


def _fitted(row: dict[str, Any]) -> int | None:
    """What would be fitted: what is on order, else the replacement chosen, else what the part is."""
    found: int | None = row["ordered_id"] or row["match_id"] or row["chosen_id"]
    return found


def _facts(
    row: dict[str, Any], items: dict[int, Item], sheet: SeatSheet | None, instrument_of: InstrumentOf
) -> GateFacts:
    chosen, fitted = items.get(row["chosen_id"] or 0), items.get(_fitted(row) or 0)
    replaced = row["match_id"] or row["ordered_id"]
    judged = None
    if chosen and fitted and replaced and chosen.family == fitted.family:
        judged = interchange_of(chosen.spec, fitted.spec, running(row["rpm"], bool(row["dirty"])))
    shaft = housing = None
    if fitted is not None and fitted.family == "bearing" and sheet is not None:
        shaft, housing = _seat_facts(fitted, sheet, instrument_of)
    return GateFacts(
        probability=float(row["probability"]) if row["probability"] is not None else None,
        worst_sigmas=float(row["worst_sigmas"]) if row["worst_sigmas"] is not None else None,
        clash=row["clash"] or "",
        features_read=row["features_read"] or 0,
        marking_read=bool(row["marking_read"]),
        verdict=judged.verdict if judged else None,
        verdict_words=judged.words if judged else "",
        shaft=shaft,
        housing=housing,
        quantity=row["quantity"] or NEEDED,
        needed=NEEDED,
        family=row["family"],
        read=frozenset((row["features"] or "").split(",")),
        changed_since=row["chosen_id"] is not None and not row["as_confirmed"] and not row["from_file"],
        from_file=bool(row["from_file"]),
    )


def _bound_to(row: dict[str, Any], sheet: SeatSheet | None) -> dict[str, object]:
    """Of each light the facts that it is judged on: a pass is given for them and for no others."""
    fitted = _fitted(row)
    place = (fitted, row["features"], sheet and sheet.model_dump(mode="json", exclude={"shaft", "housing"}))
    return {
        "identity": (row["chosen_id"], row["judged_mark"], *(("from_file",) if row["from_file"] else ())),
        "interchange": (row["chosen_id"], fitted, row["rpm"], bool(row["dirty"])),
        "shaft": (*place, sheet and sheet.shaft.model_dump(mode="json")),
        "housing": (*place, sheet and sheet.housing.model_dump(mode="json")),
        "quantity": (row["quantity"], NEEDED),
    }


def _seat_facts(
    item: Item, sheet: SeatSheet, instrument_of: InstrumentOf
) -> tuple[SeatFact | None, SeatFact | None]:
    judged = judge(item, sheet, instrument_of)

    def fact(side: SeatJudgement | None) -> SeatFact | None:
        if side is None:
            return SeatFact("not_judged", judged.words, 0.0)
        check = side.check
        return SeatFact(check.decision, check.reason, check.creep_probability) if check else None

    return fact(judged.shaft), fact(judged.housing)


def _with_pass(light: Light, given: list[dict[str, Any]]) -> Light:
    """A pass stands only for the facts that it was given for, however they are worded: others need a new one."""
    for each in reversed(given):
        if each["light"] == light.light and each["facts_mark"] == light.facts_mark:
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
