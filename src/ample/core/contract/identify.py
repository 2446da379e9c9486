"""Readings asked about, and what the part can be: request and answer models."""

from __future__ import annotations

from pydantic import Field

from ample.core.contract.base import Answer, FamilyName, Name, Request, Unit
from ample.core.identify.agreement import FeatureAgreement
from ample.core.identify.explanations import Explanation
from ample.core.identify.kind_evidence import NextQuestion
from ample.core.identify.next_measurement import NextMeasurement
from ample.core.parts import MarkingReading
from ample.core.parts.requirement import Requirement
from ample.core.sizes import Nearest


class ObservationRequest(Request):
    """Repeats of one feature with one instrument."""

    feature: Name
    values: list[float | str] = Field(min_length=1, max_length=12)
    unit: Unit = "mm"
    instrument: Name = "caliper"
    condition: Name | None = None


class ConfirmedReadings(Request):
    """An O-ring confirmed on the same job, with what was read of it: how hard the machine was used is learned from it."""

    designation: Name
    observations: list[ObservationRequest] = Field(default_factory=list, max_length=24)


class DutyAsked(Request):
    """What the part has to bear; what is not known is left out."""

    rpm: float | None = Field(default=None, ge=0, le=200_000)
    temperature_c: float | None = Field(default=None, ge=-100, le=400)
    medium: Name = ""
    dirty: bool | None = None


class IdentifyRequest(Request):
    """What was read of the part in hand."""

    family: FamilyName = "bearing"
    kind: Name | None = Field(
        default=None, description="a kind of bearing or a group, as its picture is chosen"
    )
    answers: dict[Name, Name] = Field(
        default_factory=dict, max_length=12, description="questions to eye and hand, answered"
    )
    observations: list[ObservationRequest] = Field(default_factory=list, max_length=24)
    marking: str | None = Field(default=None, max_length=200)
    condition: Name = Field(default="", description="of the part, where it is said apart from a reading")
    said: dict[Name, Name] = Field(
        default_factory=dict,
        max_length=12,
        description="attributes that somebody has seen on the part, or has on paper",
    )
    duty: DutyAsked | None = Field(default=None, description="what the part has to bear, where it is known")
    count: int = Field(default=1, ge=1, le=9999)
    chosen: int | None = Field(
        default=None, ge=0, description="the key of the listed part whose size is meant; else the likeliest"
    )
    origin: Name = Field(
        default="unknown", description="where the machine was built, for the lists of its O-rings"
    )
    confirmed: list[Name] = Field(
        default_factory=list, max_length=60, description="O-rings confirmed on the same job, by designation"
    )
    read_before: list[ConfirmedReadings] = Field(
        default_factory=list, max_length=60, description="those of them that were read, latest first"
    )
    limit: int = Field(default=10, ge=1, le=100)
    variants: int = Field(default=60, ge=1, le=200, description="listed parts a candidate, likeliest first")
    at_hand: Name | None = None


class VariantAnswer(Answer):
    """A listed part of the candidate's envelope."""

    key: int
    designation: str
    marking: str
    closure: str
    closure_words: str
    clearance: str
    tolerance_class: str = Field(alias="class")
    kind: str
    kind_words: str
    attributes: dict[str, str]
    bore_shape: str
    angle: str
    probability: float
    contradictions: list[str] = Field(
        default_factory=list,
        description="what it does not meet of the requirement; judged of the chosen size only",
    )
    open: list[str] = Field(default_factory=list, description="what nobody knows yet, judged likewise")


class KindShare(Answer):
    """A kind of bearing and its chance."""

    kind: str
    words: str
    probability: float


class CandidateAnswer(Answer):
    """An envelope the part can be."""

    designation: str
    dimensions: dict[str, float]
    probability: float
    features: list[FeatureAgreement]
    misfit: FeatureAgreement | None
    variants: list[VariantAnswer]
    variant_count: int
    kind: str
    kinds: list[KindShare]
    size_text: str
    called: str = Field(description="what the trade calls it where that is not its size")
    ball_mm: float = Field(description="diameter of what rolls, in usual proportion, for the drawing")


class UnitHintAnswer(Answer):
    """The readings make more sense in another unit."""

    unit: Unit
    probability: float
    designation: str
    message: str


class UncertaintyAnswer(Answer):
    """A feature's mean with its measurement uncertainty, mm."""

    feature: str
    mean_mm: float
    expanded_uncertainty_mm: float
    count: int
    repeats_disagree: bool
    nearest: list[Nearest]


class IdentifyAnswer(Answer):
    """Candidates, none of these, unit, clash, next measurement, and what the readings are worth."""

    candidates: list[CandidateAnswer]
    none_probability: float
    unexplained: float = Field(
        description="left open because the best candidate misses a reading by more than four uncertainties"
    )
    explanations: list[Explanation] = Field(
        description="what single thing would explain the readings then, likeliest first"
    )
    comes_near: bool = Field(
        description="whether anything listed comes near; where not, the candidates are no answer"
    )
    unit_hint: UnitHintAnswer | None
    next_measurement: NextMeasurement | None
    clash: str | None
    entropy_bits: float
    readings: list[UncertaintyAnswer]
    marking: list[MarkingReading]
    kinds: list[KindShare]
    next_question: NextQuestion | None
    offered: list[str] = Field(description="features worth measuring on what the part can be")
    advice: list[str] = Field(description="what a specialist would say of these readings")
    requirement: Requirement = Field(description="what must be had, as far as it is known")
    title: str = Field(description="what to ask a supplier for")
