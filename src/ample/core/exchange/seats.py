"""Seats, fits advised, and the clearance left: the models asked with and told."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from ample.core.exchange.base import Answer, Millimetres, Name, Request


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
    advice: Literal["ok", "take_group", "wider_is_safer", "no_group"]
    words: str
    source: str
