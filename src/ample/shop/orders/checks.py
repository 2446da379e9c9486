"""The checks of parts before they are ordered, from what the shop knows of them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from ample.base import job_queries
from ample.base.places import places_of
from ample.base.records import PlaceOfPart
from ample.core.fits.finding import PlaceFinding
from ample.core.interchange import meets
from ample.core.kits import LineFacts, OnTheShelf, OrderFacts, SeatFact
from ample.core.parts import BearingSpec, PartSpec, SealSpec
from ample.core.parts.requirement import Requirement, facts_of
from ample.core.places import SIDES, SeatFacts, SeatName, SeatSheet, SeatsJudged, judge_seats
from ample.core.places.place import GoingIn, PlaceFacts, PlaceSheet, judge_place
from ample.core.sizes import Instrument
from ample.sheets import queries as sheets
from ample.sheets.checks import OrderCheck, order_checks
from ample.sheets.kinds.place import PLACE
from ample.sheets.kinds.seats import SEATS
from ample.sheets.store import held
from ample.shop.bench.fitted import as_fitted
from ample.shop.bench.requirements import requirements_of
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.records import Item
from ample.shop.orders import queries
from ample.shop.orders.records import CheckAnswer
from ample.shop.units.actions import model_of
from ample.store import Transaction

InstrumentOf = Callable[[str], Instrument]
MOST_NAMED = 4


def checks_of(
    t: Transaction, part_ids: list[int], instrument_of: InstrumentOf
) -> dict[int, list[CheckAnswer]]:
    """The checks of each part, with the overrides that people gave; what is ordered is what is judged."""
    known = queries.decisions(t, part_ids)
    items = catalogue.items(t, sorted({item_id for row in known.values() for item_id in _items_of(row)}))
    wanted = requirements_of(t, job_queries.parts_by_id(t, list(known)))
    places = places_of(t, list(known))
    measured = sheets.subjects_with(t, "part", part_ids, SEATS.name)
    placed = sheets.subjects_with(t, "part", part_ids, PLACE.name)
    given = queries.passes(t, [row["line_id"] for row in known.values() if row["line_id"]])
    lines, builds = _lines(t, list(known)), _builds(t, {row["job_id"] for row in known.values()})
    found = {}
    for part_id, row in known.items():
        own = [each for each in given if each["line_id"] == row["line_id"]]
        sheet = held(t, SEATS, part_id).sheet if part_id in measured else None
        line = LineFacts(*lines.get(part_id, (0, ())), build_question=builds.get(row["job_id"], ""))
        of_place: PlaceSheet = held(t, PLACE, part_id).sheet if part_id in placed else PlaceSheet()
        facts = _facts(
            t, row, items, wanted.get(part_id), places[part_id], sheet, of_place, line, instrument_of
        )
        bound = _bound_to(row, facts, sheet, of_place if part_id in placed else None)
        found[part_id] = [_with_override(_answer(each), own) for each in order_checks(facts, bound)]
    return found


def _answer(check: OrderCheck) -> CheckAnswer:
    return CheckAnswer(light=check.check, state=check.state, words=check.words, facts_mark=check.facts_mark)


def _items_of(row: dict[str, Any]) -> list[int]:
    return [row[name] for name in ("chosen_id", "match_id", "ordered_id") if row[name]]


def _fitted(row: dict[str, Any]) -> int | None:
    """What would be fitted: what is on order, else the replacement chosen, else what the part is."""
    found: int | None = row["ordered_id"] or row["match_id"] or row["chosen_id"]
    return found


def _lines(t: Transaction, part_ids: list[int]) -> dict[int, tuple[int, tuple[str, ...]]]:
    found = {}
    for row in queries.strip_down_of(t, part_ids):
        names = [name.replace("_", " ") for name in (row["not_judged"] or "").split("\n") if name]
        more = [f"{len(names) - MOST_NAMED} more"] if len(names) > MOST_NAMED else []
        found[row["part_id"]] = (int(row["contradictions"]), (*names[:MOST_NAMED], *more))
    return found


def _builds(t: Transaction, job_ids: set[int]) -> dict[int, str]:
    """Of each job whose model is known in several builds the question that is not answered yet."""
    found = {}
    for job_id in sorted(job_ids):
        unit = job_queries.unit_facts(t, job_id)
        model = model_of(t, unit.model) if unit.model and not unit.build else None
        if model is not None and len(model.builds) > 1:
            found[job_id] = model.question
    return found


def _facts(
    t: Transaction, row: dict[str, Any], items: Mapping[int, Item], wanted: Requirement | None, place: PlaceOfPart,
    sheet: SeatSheet | None, of_place: PlaceSheet, line: LineFacts, instrument_of: InstrumentOf,
) -> OrderFacts:  # fmt: skip
    fitted = items.get(_fitted(row) or 0)
    replaced = row["match_id"] or row["ordered_id"]
    spec = fitted.spec if fitted else None
    comparable = (
        wanted is not None and wanted.spec is not None and spec is not None and spec.family == wanted.family
    )
    judged = meets(wanted, spec) if replaced and comparable and wanted and spec else None
    shaft = housing = None
    advice = ""
    if isinstance(spec, BearingSpec):
        seats = judge_seats(sheet or SeatSheet(), SeatFacts(as_fitted(spec, "", True), instrument_of))
        if seats is not None:
            shaft, housing = (_seat_fact(side, seats) for side in SIDES)
            advice = _clearance_advice(spec, seats)
    ordering = row["line_id"] and row["order_state"] == "open"
    return OrderFacts(
        probability=float(row["probability"]) if row["probability"] is not None else None,
        worst_sigmas=float(row["worst_sigmas"]) if row["worst_sigmas"] is not None else None,
        clash=row["clash"] or "",
        features_read=row["features_read"] or 0,
        marking_read=bool(row["marking_read"]),
        wanted=wanted,
        fitted=spec,
        interchange=judged,
        shaft=shaft,
        housing=housing,
        quantity=row["quantity"] or place.needed,
        family=row["family"],
        changed_since=row["chosen_id"] is not None and not row["as_confirmed"] and not row["from_file"],
        from_file=bool(row["from_file"]),
        needed_because=place.because,
        clearance_advice=advice,
        place_findings=_place_findings(spec, wanted, of_place),
        line=line,
        shelf=_shelf(t, wanted) if ordering and wanted else None,
    )


def _place_findings(
    spec: PartSpec | None, wanted: Requirement | None, sheet: PlaceSheet
) -> tuple[PlaceFinding, ...]:
    """What the judge of places finds of a seal or ring that is to be fitted."""
    if not isinstance(spec, SealSpec):
        return ()
    judged = judge_place(sheet, PlaceFacts(GoingIn.of(spec, "", True, wanted)))
    return judged.findings if judged else ()


def _shelf(t: Transaction, wanted: Requirement) -> OnTheShelf | None:
    """A part in stock that meets the requirement with nothing worse and nothing open."""
    if wanted.spec is None:
        return None
    for item in catalogue.items_of_size(t, wanted.spec, in_stock=1):
        judged = meets(wanted, item.spec)
        if judged.verdict == "drop_in" and not judged.open and not judged.contradictions:
            return OnTheShelf(item.marking, item.stock_quantity, item.stock_place)
    return None


def _clearance_advice(spec: BearingSpec, judged: SeatsJudged) -> str:
    """What Seats says of the clearance, where the group to be fitted is another."""
    clearance = judged.clearance
    measured = bool(judged.shaft and judged.shaft.check) or bool(judged.housing and judged.housing.check)
    if clearance is None or not measured or clearance.advice not in ("take_group", "no_group"):
        return ""
    if clearance.advice == "take_group" and clearance.suits == spec.clearance:
        return ""
    return clearance.words


def _bound_to(
    row: dict[str, Any], facts: OrderFacts, sheet: SeatSheet | None, of_place: PlaceSheet | None
) -> dict[str, object]:
    """Of each check the facts that it is judged on: an override is given for them and for no others."""
    fitted = _fitted(row)
    wanted = facts_of(facts.wanted) | {"count": ""} if facts.wanted else None
    place: tuple[object, ...]
    if facts.family == "bearing":
        place = (
            fitted,
            row["features"],
            sheet and sheet.model_dump(mode="json", exclude={"shaft", "housing"}),
        )
    else:
        place = (
            fitted,
            [(each.feature, each.mean_mm) for each in facts.wanted.measured] if facts.wanted else None,
            *((of_place.model_dump(mode="json"),) if of_place else ()),
        )
    needed = facts.wanted.count if facts.wanted else 1
    return {
        "identity": (row["chosen_id"], row["judged_mark"], *(("from_file",) if row["from_file"] else ())),
        "interchange": (wanted, fitted, row["rpm"], bool(row["dirty"])),
        "shaft": (*place, sheet and sheet.shaft.model_dump(mode="json")),
        "housing": (*place, sheet and sheet.housing.model_dump(mode="json")),
        "quantity": (row["quantity"], needed),
        "clearance": (fitted, sheet and sheet.model_dump(mode="json")),
        "strip_down": (facts.line.contradictions, facts.line.not_judged),
        "build": facts.line.build_question,
        "stock": facts.shelf and (facts.shelf.marking, facts.shelf.place),
    }


def _seat_fact(side: SeatName, judged: SeatsJudged) -> SeatFact | None:
    absent = judged.absent.get(side)
    if absent is not None:
        return SeatFact("no_seat" if absent.code == "no_seat" else "not_judged", absent.words, None)
    found = judged.shaft if side == "shaft" else judged.housing
    check = found.check if found else None
    return SeatFact(check.decision, check.reason, check.creep_probability) if check else None


def _with_override(check: CheckAnswer, given: list[dict[str, Any]]) -> CheckAnswer:
    """An override is valid only for the facts that it was given for, however they are worded: others need a new one."""
    for each in reversed(given):
        if each["light"] == check.light and each["facts_mark"] == check.facts_mark:
            given_by = {
                "passed_reason": each["reason"],
                "passed_by": each["person"],
                "passed_at": each["passed_at"],
            }
            return CheckAnswer.model_validate(check.model_dump() | given_by)
    return check


def is_open(check: CheckAnswer) -> bool:
    """Whether a check keeps the order on hold."""
    return check.state != "holds" and check.passed_reason is None
