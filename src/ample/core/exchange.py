"""The request and answer models of the operations: what is asked and told from outside."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

Unit = Literal["mm", "in"]
Millimetres = Annotated[float, Field(gt=0, le=20_000, allow_inf_nan=False)]
Name = Annotated[str, Field(max_length=60)]
FamilyName = Literal[
    "bearing", "lip_seal", "o_ring", "hydraulic_seal", "face_seal", "retaining_ring", "washer", "key"
]


class Request(BaseModel):
    """A request: unknown fields are refused, numbers are finite."""

    model_config = ConfigDict(
        extra="forbid", allow_inf_nan=False, populate_by_name=True, serialize_by_alias=True
    )


class Answer(BaseModel):
    """An answer."""

    model_config = ConfigDict(
        populate_by_name=True,
        serialize_by_alias=True,
        from_attributes=True,
        json_schema_serialization_defaults_required=True,
    )


# length -----------------------------------------------------------------------------------


class LengthRequest(Request):
    """A length or whole size as a person writes it."""

    text: str = Field(max_length=200, description="What was typed: 35,02 · 1 1/8 · 12 thou · 35x52x7")
    unit: Unit = "mm"


class NearestSize(Answer):
    """A standard size near the length."""

    text: str
    mm: float
    off_mm: float
    within_reading_error: bool


class LengthAnswer(Answer):
    """The length in both units, and standard sizes near it; `sizes_mm` holds all of a whole size."""

    mm: float
    inch: float
    unit: Unit
    written: str
    fraction: str
    nearest: list[NearestSize]
    sizes_mm: list[float]


# limits, fit, rings, clearance -------------------------------------------------------------


class LimitsRequest(Request):
    """A zone at a nominal size."""

    size_mm: Millimetres
    zone: Name


class LimitsAnswer(Answer):
    """Limit deviations, µm."""

    lower_um: float
    upper_um: float
    source: str


class FitRequest(Request):
    """A hole zone and a shaft zone at a nominal size."""

    size_mm: Millimetres
    hole: Name
    shaft: Name


class FitAnswer(Answer):
    """Least and most clearance, µm (negative is interference)."""

    min_clearance_um: float
    max_clearance_um: float
    kind: Literal["clearance", "transition", "interference"]
    source: str


class RingLimitsRequest(Request):
    """A ring of a bearing in a class."""

    kind: Name = "radial"
    ring: Name
    size_mm: Millimetres
    tolerance_class: Name = Field(default="Normal", alias="class")


class InternalClearanceRequest(Request):
    """A kind of bearing, its bore and its clearance group."""

    kind: Name = "deep_groove"
    bore_mm: Millimetres
    group: Name = "N"


class InternalClearanceAnswer(Answer):
    """Internal clearance before mounting, µm, radial or axial."""

    min_um: float
    max_um: float
    source: str
    direction: Literal["radial", "axial"]


# decode ------------------------------------------------------------------------------------


class DecodeRequest(Request):
    """A marking as it is read."""

    text: str = Field(max_length=200)
    family: FamilyName | None = None


class SpanAnswer(Answer):
    """A piece of a marking and what it means; start is −1 for what is not in the text."""

    start: int
    stop: int
    text: str
    meaning: str
    attribute: str
    value: str
    certainty: Literal["stated", "implied", "assumed", "half_read"]
    basis: str


class ReadingAnswer(Answer):
    """One way to read the marking."""

    family: str
    designation: str
    series: str
    dimensions: dict[str, float]
    attributes: dict[str, str]
    spans: list[SpanAnswer]
    unread: list[str]
    score: float
    dialect: str


class DecodeAnswer(Answer):
    """The readings, best first; what has no reading at all is in `unread`."""

    readings: list[ReadingAnswer]
    unread: list[str]


# kinds -------------------------------------------------------------------------------------


class KindsRequest(Request):
    """The kinds of a family."""

    family: FamilyName = "bearing"


class FamilyKindAnswer(Answer):
    """A kind: the picture it stands under, what it is sold by, what is measured, what is seen of it."""

    kind: str
    group: str
    words: str
    scheme: str
    dimensions: list[str]
    offered: list[str]
    measured: list[str] = Field(description="all that can be measured of it or beside it")
    seen: dict[str, str]


class EyeAnswer(Answer):
    """One answer to a question."""

    value: str
    words: str


class EyeQuestion(Answer):
    """A question to eye and hand."""

    question: str
    words: str
    answers: list[EyeAnswer]


class FamilyGroup(Answer):
    """Kinds under one picture, and the kind whose section is the picture."""

    group: str
    words: str
    pictured: str


class FamilyFeature(Answer):
    """A feature in words."""

    feature: str
    words: str
    on_part: bool
    shows: str = Field(description="the dimension that it alone gives a drawing; empty when none")


class KindsAnswer(Answer):
    """Groups by their pictures, kinds, questions and features of a family."""

    family: str
    words: str
    groups: list[FamilyGroup]
    kinds: list[FamilyKindAnswer]
    questions: list[EyeQuestion]
    features: list[FamilyFeature]
    conditions: list[str]


# identify ----------------------------------------------------------------------------------


class ObservationRequest(Request):
    """Repeats of one feature with one instrument."""

    feature: Name
    values: list[float | str] = Field(min_length=1, max_length=12)
    unit: Unit = "mm"
    instrument: Name = "caliper"
    condition: Name | None = None


class IdentifyRequest(Request):
    """What was read of the part in hand."""

    family: FamilyName = "bearing"
    kind: Name | None = Field(
        default=None, description="a kind of bearing or a group, as its picture is chosen"
    )
    answers: dict[Name, Name] = Field(
        default_factory=dict, max_length=12, description="questions to eye and hand, answered"
    )
    observations: list[ObservationRequest] = Field(default_factory=list, max_length=12)
    marking: str | None = Field(default=None, max_length=200)
    limit: int = Field(default=10, ge=1, le=100)
    variants: int = Field(default=60, ge=1, le=200, description="listed parts a candidate, likeliest first")
    at_hand: Name | None = None


class AgreementAnswer(Answer):
    """How one feature agrees with a candidate."""

    feature: str
    agreement: Literal["agrees", "doubtful", "disagrees", "not_read", "not_of_this"]
    off_mm: float | None
    sigmas: float | None


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
    features: list[AgreementAnswer]
    misfit: AgreementAnswer | None
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


class NextMeasurementAnswer(Answer):
    """What to read next, and the bits expected of each feature."""

    feature: str
    gain_bits: float
    reason: str
    gains: dict[str, float]


class NextQuestionAnswer(Answer):
    """The question to eye and hand that tells most between the kinds still possible."""

    question: str
    words: str
    gain_bits: float


class DoubtAnswer(Answer):
    """A feature's mean with its doubt, mm."""

    feature: str
    mean_mm: float
    expanded_uncertainty_mm: float
    count: int
    repeats_disagree: bool
    nearest: list[NearestSize]


class IdentifyAnswer(Answer):
    """Candidates, none of these, unit, clash, next measurement, and what the readings are worth."""

    candidates: list[CandidateAnswer]
    none_probability: float
    unit_hint: UnitHintAnswer | None
    next_measurement: NextMeasurementAnswer | None
    clash: str | None
    entropy_bits: float
    readings: list[DoubtAnswer]
    marking: list[ReadingAnswer]
    kinds: list[KindShare]
    next_question: NextQuestionAnswer | None
    offered: list[str] = Field(description="features worth measuring on what the part can be")
    advice: list[str] = Field(description="what a specialist would say of these readings")


# encode, rubber ----------------------------------------------------------------------------


class EncodeRequest(Request):
    """A marking or size to write in other habits."""

    text: str = Field(max_length=200)
    family: FamilyName | None = None


class EncodeAnswer(Answer):
    """The same part written by habit."""

    family: str
    texts: dict[str, str]


class RubberRequest(Request):
    """What is known of a ring; all of it may be missing. Weighings in grams, in air and hung in water."""

    hardness_shore_a: float | None = Field(default=None, ge=10, le=100)
    hardened: bool = False
    colour: Name = ""
    stood_in: Name = ""
    swelling: Name = ""
    heat_c: float | None = Field(default=None, ge=-80, le=400)
    mass_air_g: float | None = Field(default=None, gt=0, le=100_000)
    mass_water_g: float | None = Field(default=None, ge=-100, le=100_000)
    scale_g: float = Field(default=0.01, gt=0, le=5)


class RubberChance(Answer):
    """A rubber and its chance."""

    rubber: str
    words: str
    probability: float


class RubberAnswer(Answer):
    """Chances of the rubbers, likeliest first, the density, and what it means for the order."""

    chances: list[RubberChance]
    density_g_cm3: float | None
    density_doubt_g_cm3: float | None
    settled: bool
    words: list[str]


# needles -----------------------------------------------------------------------------------


class NeedlesRequest(Request):
    """A cup or joint full of loose needles: the diameter they run on, or that they run in, and their own."""

    inside_mm: Millimetres | None = Field(default=None, description="diameter under the needles: the pin")
    outside_mm: Millimetres | None = Field(default=None, description="diameter over the needles: the cup")
    needle_mm: Millimetres
    counted: int | None = Field(default=None, ge=0, le=2000)


class NeedlesAnswer(Answer):
    """How many needles belong, the room that they leave, and whether some are lost."""

    count: int
    gap_mm: float
    missing: int
    alarm: str
    words: str


# interchange -------------------------------------------------------------------------------


class SpecRequest(Request):
    """A bearing by designation, or by its sizes and attributes."""

    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    T_mm: Millimetres | None = None
    C_mm: Millimetres | None = None
    kind: Name | None = None
    closure: Name | None = None
    clearance: Name | None = None
    tolerance_class: Name | None = Field(default=None, alias="class")
    cage: Name | None = None
    snap_ring: Name | None = None


class RunningRequest(Request):
    """The duty, where it is known."""

    rpm: float | None = Field(default=None, ge=0, le=200_000)
    temperature_c: float | None = Field(default=None, ge=-100, le=400)
    dirty: bool | None = None


class InterchangeRequest(Request):
    """The part to be replaced and the one offered."""

    old: Name | SpecRequest = Field(alias="from")
    new: Name | SpecRequest = Field(alias="to")
    duty: RunningRequest | None = None


class AttributeAnswer(Answer):
    """One attribute of both parts."""

    name: str
    old: str = Field(alias="from")
    new: str = Field(alias="to")
    judgement: Literal["same", "better", "worse", "change", "unknown"]
    consequence: str
    severity: str
    basis: str


class InterchangeAnswer(Answer):
    """The verdict with every attribute, differences first."""

    verdict: Literal["drop_in", "fits_with_differences", "needs_change", "not_interchangeable"]
    words: str
    attributes: list[AttributeAnswer]
    distance: float


# seat --------------------------------------------------------------------------------------


class DutyRequest(Request):
    """How the bearing is loaded."""

    turning: Literal["shaft", "housing", "shaking"] = "shaft"
    load: Literal["light", "normal", "heavy"] = "normal"
    slides: bool = False
    split: bool = False


class InstrumentRequest(Request):
    """An instrument by its own certificate: expanded uncertainty (k = 2), mm."""

    kind: Name
    expanded_uncertainty_mm: float = Field(gt=0, le=5)


class SeatRequest(Request):
    """A measured seat of a bearing: give its designation or its sizes, a zone or a duty."""

    part: Literal["shaft", "housing"]
    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    tolerance_class: Name = Field(default="Normal", alias="class")
    readings_mm: list[list[Millimetres]] = Field(max_length=6)
    instrument: Name | InstrumentRequest = "micrometer"
    temperature_c: float = Field(default=20.0, ge=-60, le=200)
    instrument_temperature_c: float | None = Field(default=None, ge=-60, le=200)
    zone: Name | None = None
    duty: DutyRequest | None = None
    edition: Literal["2013", "2017"] = "2017"
    finish: Literal["ground", "turned"] = "ground"


class InterferenceAnswer(Answer):
    """Least, likely and most, µm (positive is tight)."""

    min: float
    likely: float
    max: float


class PlaneAnswer(Answer):
    """One plane, µm about the nominal."""

    mean_um: float
    out_of_round_um: float
    readings_um: list[float]


class AdviceAnswer(Answer):
    """The zone to choose, with both schools."""

    part: str
    zone: str
    other_zone: str
    reason: str
    schools: str
    source: str


class SeatAnswer(Answer):
    """The judgement of a seat."""

    part: str
    nominal_mm: float
    zone: str
    zone_lower_um: float
    zone_upper_um: float
    ring_lower_um: float
    ring_upper_um: float
    mean_mm: float
    planes: list[PlaneAnswer]
    out_of_round_um: float
    taper_um: float
    form: str
    cylindricity_um: float
    cylindricity_limit_um: float
    expanded_uncertainty_um: float
    guard_um: float
    decision: Literal["accept", "cannot_tell", "reject"]
    reason: str
    better_instrument: str | None
    interference_um: InterferenceAnswer
    creep_probability: float
    creep_reason: str
    repairs: list[str]
    notes: list[str]
    sources: list[str]
    advice: AdviceAnswer


class ZoneAdviceRequest(Request):
    """A seat of a size under a load case."""

    part: Literal["shaft", "housing"]
    size_mm: Millimetres
    duty: DutyRequest = Field(default_factory=DutyRequest)
    zone: Name | None = None
    tolerance_class: Name = Field(default="Normal", alias="class")


class ZoneAdviceAnswer(AdviceAnswer):
    """The advice with the limits of the zone asked for and of the bearing's ring, µm."""

    chosen_zone: str
    zone_lower_um: float
    zone_upper_um: float
    ring_lower_um: float
    ring_upper_um: float


class FittedClearanceRequest(Request):
    """A bearing with the interference of its seats, where they are measured."""

    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    group: Name = "N"
    shaft: InterferenceAnswer | None = None
    housing: InterferenceAnswer | None = None
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    hollow_mm: float = Field(default=0.0, ge=0, le=500)


class FittedClearanceAnswer(Answer):
    """Clearance as bought, once fitted and running, µm."""

    group: str
    before: InterferenceAnswer
    mounted: InterferenceAnswer
    running: InterferenceAnswer
    running_warm_balls: InterferenceAnswer
    suits: str | None
    words: str
    source: str
