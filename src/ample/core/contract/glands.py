"""Models of an O-ring in its groove."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from ample.core.contract.base import Millimetres, Name, Request
from ample.core.parts.rubber import Medium
from ample.core.parts.way_in import WayIn
from ample.core.places.groove_shape import GrooveKind


class SizeRange(Request):
    """From one size to another, mm."""

    min: Millimetres
    max: Millimetres

    @model_validator(mode="after")
    def _in_order(self) -> SizeRange:
        if self.min > self.max:
            raise ValueError("min is over max")
        return self


Size = Annotated[Millimetres | SizeRange, Field(union_mode="left_to_right")]


class GlandRing(Request):
    """An O-ring by its sizes, or by what it is called."""

    designation: Name | None = None
    inside_mm: Size | None = None
    section_mm: Size | None = None
    material: Name | None = None
    hardness_shore_a: float | None = Field(
        default=None, ge=30, le=100, description="70 while it is not known"
    )


class GlandGroove(Request):
    """A groove: its bottom on a shaft or in a bore, the walls of a face, the middle of a dovetail, or what the ring of a
    connector's thread sits on; depth to the mating surface. A dovetail's width is that of its opening.
    """

    kind: GrooveKind
    groove_diameter_mm: Size | None = None
    outside_mm: Size | None = None
    inside_mm: Size | None = None
    width_mm: Size
    depth_mm: Size
    gap_mm: Size | None = None


class GlandDuty(Request):
    """What the ring has to do."""

    motion: Literal["static", "reciprocating", "rotary"] = "static"
    pressure_from: Literal["inside", "outside", "both"] = "inside"
    pressure_bar: float | None = Field(default=None, ge=0, le=5000)
    min_c: float | None = Field(default=None, ge=-200, le=500)
    max_c: float | None = Field(default=None, ge=-200, le=500)
    medium: Medium | None = None
    swell_percent: float = Field(
        default=0.0, ge=-30, le=300, description="of the ring's volume in its medium"
    )


class GlandRequest(Request):
    """An O-ring in a groove."""

    ring: GlandRing
    groove: GlandGroove
    duty: GlandDuty = Field(default_factory=GlandDuty)


class LipSealRequest(Request):
    """A rotary lip seal at its place; all but the shaft may be missing."""

    shaft_mm: Millimetres
    bore_mm: Millimetres | None = None
    width_mm: Millimetres | None = None
    rpm: float | None = Field(default=None, ge=0, le=200_000)
    pressure_bar: float | None = Field(default=None, ge=0, le=1000)
    temperature_c: float | None = Field(default=None, ge=-200, le=500)
    medium: Medium | None = None
    material: Name | None = None
    track_depth_mm: float | Annotated[str, Field(max_length=24)] | None = Field(
        default=None, description="mm, or text with its unit such as “10 thou”"
    )
    roughness_um: float | None = Field(default=None, ge=0, le=1000)
    hardness_hrc: float | None = Field(default=None, ge=0, le=80)
    runout_mm: float | None = Field(default=None, ge=0, le=50)
    eccentricity_mm: float | None = Field(default=None, ge=0, le=50)
    measured_shaft_mm: Millimetres | None = None
    housing_bore_mm: Millimetres | None = Field(default=None, description="as measured")
    housing_depth_mm: Millimetres | None = None
    cover: Literal["rubber", "metal"] = "rubber"
    way_in: list[WayIn] = Field(
        default_factory=list, max_length=12, description="what the lip passes, in order"
    )
    lead: bool = False
    dry: bool = False
