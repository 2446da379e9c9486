"""Seats, fits advised, and the clearance left: request and answer models."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from ample.core.contract.base import FamilyName, Millimetres, Name, Request
from ample.core.contract.identify import ObservationRequest
from ample.core.fits.judging.repair import Sign
from ample.core.fits.ranges import Range
from ample.core.parts.rubber import Medium
from ample.core.sizes.materials import Material


class DutyRequest(Request):
    """How the bearing is loaded."""

    turning: Literal["shaft", "housing", "shaking"] = "shaft"
    load: Literal["light", "normal", "heavy"] = "normal"
    slides: bool = False
    split: bool = False
    radial_n: float | None = Field(
        default=None, ge=0, le=100_000_000, description="in place of a share of the rating"
    )


class InstrumentRequest(Request):
    """An instrument by its own certificate: expanded uncertainty (k = 2), mm."""

    kind: Name
    expanded_uncertainty_mm: float = Field(gt=0, le=5)


class StandardRequest(Request):
    """The setting standard that an instrument was zeroed on: expanded uncertainty (k = 2), µm."""

    expanded_uncertainty_um: float = Field(ge=0, le=100)


class RingRequest(Request):
    """A ring's own bore or outside as it was measured, with its expanded uncertainty (k = 2), µm."""

    mean_mm: Millimetres
    expanded_uncertainty_um: float = Field(gt=0, le=1000)


class CompoundRequest(Request):
    """A retaining compound in hand: the most it bridges on the diameter, µm, and the heat it stands, °C."""

    gap_um: float = Field(gt=0, le=5000)
    max_c: float = Field(ge=0, le=500)


class SeatRequest(Request):
    """A measured seat of a bearing: give its designation or its sizes, a zone or a duty."""

    part: Literal["shaft", "housing"]
    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    tolerance_class: Name | None = Field(
        default=None, alias="class", description="the ordinary one when left out"
    )
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
    zeroed_on: StandardRequest | None = None
    ring: RingRequest | None = None
    other_readings_mm: list[list[Millimetres]] | None = Field(
        default=None, max_length=6, description="of the other seat; its advised zone when left out"
    )
    group: Name | None = Field(default=None, description="clearance group; the bearing's own when left out")
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    hollow_mm: float = Field(default=0.0, ge=0, le=500)
    running_c: float | None = Field(default=None, ge=-60, le=300, description="how warm the part runs")
    hardness_hrc: float | None = Field(default=None, ge=0, le=80, description="of a raceway")
    roughness_um: float | None = Field(default=None, ge=0, le=1000, description="Ra of a raceway")
    signs: list[Sign] = Field(default_factory=list, max_length=8)
    compound: CompoundRequest | None = None
    sleeve_bore_mm: Millimetres | None = Field(
        default=None, description="the shaft under the sleeve of a taper bore"
    )


class ZoneAdviceRequest(Request):
    """A seat of a size under a load case."""

    part: Literal["shaft", "housing"]
    size_mm: Millimetres
    duty: DutyRequest = Field(default_factory=DutyRequest)
    zone: Name | None = None
    tolerance_class: Name | None = Field(default=None, alias="class")
    designation: Name | None = Field(
        default=None, description="whose kind decides; else a deep groove ball bearing"
    )
    material: Material = "steel"


class FittedClearanceRequest(Request):
    """A bearing with the interference of its seats; one that is not measured counts as its advised zone."""

    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    group: Name | None = None
    duty: DutyRequest = Field(default_factory=DutyRequest)
    shaft: Range | None = None
    housing: Range | None = None
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    hollow_mm: float = Field(default=0.0, ge=0, le=500)
    housing_material: Material = "steel"


class PlaceDuty(Request):
    """What a part has to bear at its place; of a bearing the load case, of a seal or ring how it runs."""

    turning: Literal["shaft", "housing", "shaking"] = "shaft"
    load: Literal["light", "normal", "heavy"] = "normal"
    slides: bool = False
    split: bool = False
    radial_n: float | None = Field(default=None, ge=0, le=100_000_000)
    rpm: float | None = Field(default=None, ge=0, le=200_000)
    pressure_bar: float | None = Field(default=None, ge=0, le=5000)
    pressure_from: Literal["inside", "outside", "both"] = "inside"
    motion: Literal["static", "reciprocating", "rotary"] = "static"
    min_c: float | None = Field(default=None, ge=-200, le=500)
    max_c: float | None = Field(default=None, ge=-200, le=500)
    medium: Medium | None = None


class PlaceRequest(Request):
    """A part by its designation, and what was read of the place that it goes into."""

    family: FamilyName
    designation: Name
    observations: list[ObservationRequest] = Field(default_factory=list, max_length=24)
    gap_mm: Millimetres | None = Field(default=None, description="of a ring's groove, radial")
    duty: PlaceDuty = Field(default_factory=PlaceDuty)
