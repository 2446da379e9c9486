"""Request and answer models about a job: causes, cautions, condition, the line."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ample.core.assembly.check import Contradiction
from ample.core.assembly.facing import Facing
from ample.core.assembly.fit_up import FittedPart
from ample.core.assembly.line import LineSheet
from ample.core.assembly.loose import LooseCount
from ample.core.condition.causes import FoundCause, Sign
from ample.core.condition.cautions import Caution, UnitKind
from ample.core.condition.inspection import Question, Verdict
from ample.core.condition.practice import Refusal
from ample.core.contract.base import Answer, Name, Request

Findings = dict[Name, Annotated[str, Field(max_length=30)]]


class CausesRequest(Request):
    """Symptoms and evidence, and what checks have shown so far."""

    unit: Name = "other"
    signs: list[Name] = Field(default_factory=list, max_length=80)
    checked: dict[Name, Name] = Field(default_factory=dict, max_length=60)
    limit: int = Field(default=6, ge=1, le=40)


class CausesAnswer(Answer):
    """Causes, likeliest first; `outside_weight` is the share of those outside bearing and seal."""

    causes: list[FoundCause]
    outside_weight: float


class CautionsRequest(Request):
    """What is there: unit, stored energies, fluids, work to be done, and what is planned in words."""

    unit: Name = "other"
    energies: list[Name] = Field(default_factory=list, max_length=20)
    fluids: list[Name] = Field(default_factory=list, max_length=20)
    works: list[Name] = Field(default_factory=list, max_length=20)
    duties: list[Name] = Field(default_factory=list, max_length=10, description="what depends on the unit")
    planned: str = Field(default="", max_length=2000)


class CautionsAnswer(Answer):
    """Cautions in the order of the work, and what is refused of what is planned."""

    cautions: list[Caution]
    refused: list[Refusal]
    not_understood: list[str] = Field(description="of what is planned; it is not judged")


class TakeInJudged(Answer):
    """A unit taken in: signs that the strip-down has shown, likely causes, cautions, what is refused."""

    found_on_line: list[str]
    causes: CausesAnswer
    cautions: list[Caution]
    refused: list[Refusal]
    not_understood: list[str] = Field(description="of what is planned; it is not judged")


class InspectRequest(Request):
    """A condition card with what was seen and measured."""

    card: Name
    findings: Findings = Field(default_factory=dict, max_length=16)
    access: Literal["cheap", "costly"] = "cheap"
    obtainable: bool = True


class LineCheckRequest(Request):
    """The lines of a unit, and what coming back would cost."""

    sheet: LineSheet
    access: Literal["cheap", "costly"] = "cheap"


class LineCheckAnswer(Answer):
    """Contradictions, what faces look at, verdicts of the parts, loose counts."""

    contradictions: list[Contradiction]
    facing: dict[str, Facing]
    verdicts: dict[str, Verdict]
    loose: list[LooseCount]
    refused: list[Refusal]


class FitUpRequest(Request):
    """A strip-down, what goes in the place of its parts, and what the shop has."""

    sheet: LineSheet
    requirements: list[FittedPart] = Field(default_factory=list, max_length=400)
    shop: list[Literal["heater", "press", "freezer"]] = Field(
        default=["heater", "press", "freezer"], max_length=3
    )


class TradeRequest(Request):
    """Nothing is asked: the tables that the screens draw from."""


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


class TradeAnswer(Answer):
    """Signs, units, words, kinds of part, condition cards and the words for verdicts."""

    signs: list[Sign]
    units: list[UnitKind]
    words: list[WordAnswer]
    kinds: list[KindAnswer]
    cards: dict[str, list[Question]]
    verdict_words: dict[str, str]
    looks_at: list[str]
    marks: list[str]
