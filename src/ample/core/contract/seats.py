"""Seats, fits advised, and the clearance left: request and answer models."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from ample.core.contract.base import Millimetres, Name, Request
from ample.core.fits.ranges import Range
from ample.core.sizes.materials import Material


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
    instrument_temperature_c: float = Field(
        default=20.0, ge=-60, le=200, description="the shop's unless it is said"
    )
    material: Material = "steel"
    zone: Name | None = None
    duty: DutyRequest | None = None
    edition: Literal["2013", "2017"] = "2017"
    finish: Literal["ground", "turned"] = "ground"


class ZoneAdviceRequest(Request):
    """A seat of a size under a load case."""

    part: Literal["shaft", "housing"]
    size_mm: Millimetres
    duty: DutyRequest = Field(default_factory=DutyRequest)
    zone: Name | None = None
    tolerance_class: Name = Field(default="Normal", alias="class")


class FittedClearanceRequest(Request):
    """A bearing with the interference of its seats, where they are measured."""

    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    group: Name = "N"
    shaft: Range | None = None
    housing: Range | None = None
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    hollow_mm: float = Field(default=0.0, ge=0, le=500)
