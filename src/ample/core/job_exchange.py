"""Request and answer models about a job: causes, cautions, condition, the line."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ample.core.assembly.line import LineSheet
from ample.core.exchange import Answer, Name, Request

Findings = dict[Name, Annotated[str, Field(max_length=30)]]


class CausesRequest(Request):
    """Symptoms and evidence, and what checks have shown so far."""

    unit: Name = "other"
    signs: list[Name] = Field(default_factory=list, max_length=80)
    checked: dict[Name, Name] = Field(default_factory=dict, max_length=60)
    limit: int = Field(default=6, ge=1, le=40)


class CauseReason(Answer):
    """A sign that speaks for or against a cause."""

    sign: str
    words: str
    strength: str
    reason: str
    source: str


class CauseAnswer(Answer):
    """A cause, its weight among all, where it lies, the check to do first, what must change."""

    cause: str
    words: str
    lies: str
    outside_kind: str
    weight: float
    check: str
    change: str
    checked: str
    reasons: list[CauseReason]


class CausesAnswer(Answer):
    """Causes, likeliest first; `outside_weight` is the share of those outside bearing and seal."""

    causes: list[CauseAnswer]
    outside_weight: float


class CautionsRequest(Request):
    """What is there: unit, stored energies, fluids, work to be done, and what is planned in words."""

    unit: Name = "other"
    energies: list[Name] = Field(default_factory=list, max_length=20)
    fluids: list[Name] = Field(default_factory=list, max_length=20)
    works: list[Name] = Field(default_factory=list, max_length=20)
    duties: list[Name] = Field(default_factory=list, max_length=10, description="what depends on the unit")
    planned: str = Field(default="", max_length=2000)


class CautionAnswer(Answer):
    """A caution: its stage, why it is shown, what to do, who must be licensed."""

    caution: str
    stage: str
    when: str
    title: str
    do: str
    licence: str


class RefusalAnswer(Answer):
    """A practice that is refused: the words that told it, why, what to do instead."""

    practice: str
    told_by: str
    why: str
    instead: str


class CautionsAnswer(Answer):
    """Cautions in the order of the work, and what is refused of what is planned."""

    cautions: list[CautionAnswer]
    refused: list[RefusalAnswer]
    not_understood: list[str] = Field(description="of what is planned; it is not judged")


class InspectRequest(Request):
    """A condition card with what was seen and measured."""

    card: Name
    findings: Findings = Field(default_factory=dict, max_length=16)
    access: Literal["cheap", "costly"] = "cheap"
    obtainable: bool = True


class VerdictReasonAnswer(Answer):
    """One reason of a verdict, and the other school."""

    verdict: str
    reason: str
    other_school: str
    source: str


class ReclaimAnswer(Answer):
    """What can be done for a part that is no longer made."""

    route: str
    match: str
    record: str


class InspectAnswer(Answer):
    """The verdict with its reasons."""

    verdict: str
    words: str
    reasons: list[VerdictReasonAnswer]
    unanswered: list[str]
    second_person: bool
    reclaim: ReclaimAnswer | None


class LineCheckRequest(Request):
    """The lines of a unit, and what coming back would cost."""

    sheet: LineSheet
    access: Literal["cheap", "costly"] = "cheap"


class ContradictionAnswer(Answer):
    """What contradicts itself, at which part, how grave, and why."""

    code: str
    level: str
    part: str
    words: str
    reason: str
    source: str
    answer: str


class FacingAnswer(Answer):
    """What the faces of a part look at; `said` tells that a person said so."""

    left: str
    right: str
    left_said: bool
    right_said: bool


class LooseAnswer(Answer):
    """The judgement of a count."""

    key: str
    state: str
    words: str


class LineCheckAnswer(Answer):
    """Contradictions, what faces look at, verdicts of the parts, loose counts."""

    contradictions: list[ContradictionAnswer]
    facing: dict[str, FacingAnswer]
    verdicts: dict[str, InspectAnswer]
    loose: list[LooseAnswer]
    refused: list[RefusalAnswer]


class TradeRequest(Request):
    """Nothing is asked: the tables that the screens draw from."""


class SignAnswer(Answer):
    """A symptom or a piece of evidence."""

    sign: str
    stage: str
    group: str
    words: str


class UnitAnswer(Answer):
    """A kind of unit with what usually belongs to it."""

    unit: str
    words: str
    energies: list[str]
    fluids: list[str]


class WordAnswer(Answer):
    """A word for an energy, fluid or kind of work."""

    kind: str
    name: str
    words: str


class KindAnswer(Answer):
    """A kind of part: key, drawing, telling mark, advice on keeping."""

    kind: str
    key: str
    words: str
    drawn: str
    card: str
    family: str
    telling: str
    left: str
    right: str
    inside_share: float
    outside_share: float
    width_share: float
    keep: str
    keep_reason: str


class AnswerWords(Answer):
    """One answer to a question of a card."""

    name: str
    words: str


class QuestionAnswer(Answer):
    """What to look at, how, the criterion; no answers: a depth in mm."""

    question: str
    words: str
    how: str
    criterion: str
    answers: list[AnswerWords]


class TradeAnswer(Answer):
    """Signs, units, words, kinds of part, condition cards and the words for verdicts."""

    signs: list[SignAnswer]
    units: list[UnitAnswer]
    words: list[WordAnswer]
    kinds: list[KindAnswer]
    cards: dict[str, list[QuestionAnswer]]
    verdict_words: dict[str, str]
    looks_at: list[str]
    marks: list[str]
