"""The questions about a job that the register offers: causes, cautions, condition, the line."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from functools import lru_cache
from typing import get_args

from ample.core import contract
from ample.core.assembly import LinePart, check_line, count_loose, facing_of, part_kind, part_kinds
from ample.core.assembly.facing import Facing
from ample.core.assembly.findings import findings_mm
from ample.core.assembly.fit_up import FitUpPlan, fit_up_plan
from ample.core.assembly.line import LooksAt, Mark
from ample.core.condition import (
    Situation,
    cautions_for,
    find_causes,
    inspect_part,
    keep_advice,
    known_cards,
    known_signs,
    known_units,
    known_words,
    planned_practice,
    refused_practices,
)
from ample.core.condition.causes import known_causes
from ample.core.condition.inspection import VERDICT_WORDS, Verdict, VerdictReason


def causes(request: contract.CausesRequest) -> contract.CausesAnswer:
    """Rank the likely causes."""
    found = find_causes(request.signs, request.checked, len(known_causes()), request.unit)
    outside = sum(each.weight for each in found if each.lies == "outside")
    return contract.CausesAnswer(causes=list(found[: request.limit]), outside_weight=outside)


def cautions(request: contract.CautionsRequest) -> contract.CautionsAnswer:
    """Gather the cautions of a situation, and refuse what is dangerous in what is planned."""
    planned = planned_practice(request.planned)
    situation = Situation(
        request.unit,
        tuple(request.energies),
        tuple(request.fluids),
        tuple(request.works),
        tuple(request.duties),
    )
    return contract.CautionsAnswer(
        cautions=list(cautions_for(situation)),
        refused=list(planned.refused),
        not_understood=list(planned.not_understood),
    )


def inspect(request: contract.InspectRequest) -> Verdict:
    """Judge a part by its condition card."""
    return inspect_part(
        request.card, findings_mm(request.card, request.findings), request.access, request.obtainable
    )


def line_check(request: contract.LineCheckRequest) -> contract.LineCheckAnswer:
    """Check a line: contradictions, facing, verdicts, counts."""
    sheet = request.sheet
    facing: dict[str, Facing] = {}
    for line in sheet.lines:
        facing |= facing_of(line, sheet.on(line.key))
    notes = " \n".join(part.note for part in sheet.parts if part.note)
    return contract.LineCheckAnswer(
        contradictions=list(check_line(sheet)),
        facing=facing,
        verdicts=verdicts_of(sheet.parts, request.access),
        loose=list(count_loose(sheet.loose)),
        refused=list(refused_practices(notes)),
    )


def fit_up(request: contract.FitUpRequest) -> FitUpPlan:
    """Reverse a strip-down into the steps of fitting up."""
    return fit_up_plan(request.sheet, request.requirements, request.shop)


def verdicts_of(parts: Sequence[LinePart], access: str) -> dict[str, Verdict]:
    """The verdict of every part; one that is always renewed is replaced without being looked at."""
    found = {}
    for part in parts:
        card = part_kind(part.kind).card
        answer = inspect_part(card, findings_mm(card, part.findings), access, part.obtainable)
        advice = keep_advice(part.kind)
        keep = part.keep or advice.keep
        if keep == "always_new" and answer.verdict not in ("replace", "reclaim"):
            why = advice.reason if not part.keep else "Renewed by choice."
            renewed = VerdictReason(
                verdict="replace", reason=f"Always new: {why}", other_school="", source=advice.source
            )
            answer = replace(
                answer, verdict="replace", words=VERDICT_WORDS["replace"], second_person=False,
                reasons=(renewed, *answer.reasons),
            )  # fmt: skip
        found[part.key] = answer
    return found


@lru_cache(maxsize=1)
def _tables() -> contract.TradeAnswer:
    return contract.TradeAnswer(
        signs=list(known_signs().values()),
        units=list(known_units().values()),
        words=[
            contract.WordAnswer(kind=kind, name=name, words=words) for (kind, name), words in known_words().items()
        ],
        kinds=[
            contract.KindAnswer(
                **{name: getattr(each, name) for name in contract.KindAnswer.model_fields if hasattr(each, name)},
                keep=keep_advice(each.kind).keep,
                keep_reason=keep_advice(each.kind).reason,
            )
            for each in part_kinds().values()
        ],
        cards={
            name: list(card.questions)
            for name, card in known_cards().items()
        },
        verdict_words=VERDICT_WORDS,
        looks_at=[each for each in get_args(LooksAt) if each],
        marks=list(get_args(Mark)),
    )  # fmt: skip


def trade(_: contract.TradeRequest) -> contract.TradeAnswer:
    """The tables that the screens draw from."""
    return _tables()
