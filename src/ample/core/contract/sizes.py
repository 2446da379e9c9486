"""Lengths, limits, fits and clearance: request and answer models."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from ample.core.contract.base import Answer, Millimetres, Name, Request, Unit
from ample.core.sizes import Nearest


class LengthRequest(Request):
    """A length or whole size as a person writes it."""

    text: str = Field(max_length=200, description="What was typed: 35,02 · 1 1/8 · 12 thou · 35x52x7")
    unit: Unit = "mm"


class LengthAnswer(Answer):
    """The length in both units, and standard sizes near it; `sizes_mm` holds all of a whole size."""

    mm: float
    inch: float
    unit: Unit
    written: str
    fraction: str
    nearest: list[Nearest]
    sizes_mm: list[float]


class LimitsRequest(Request):
    """A zone at a nominal size."""

    size_mm: Millimetres
    zone: Name


class LimitsAnswer(Answer):
    """Limit deviations, µm."""

    lower_um: float
    upper_um: float
    source: str


class ZoneLimitsAnswer(LimitsAnswer):
    """The same with the sizes that they give, mm."""

    min_mm: float
    max_mm: float


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
