"""Writing a marking, telling a rubber, counting needles: request and answer models."""

from __future__ import annotations

from pydantic import Field

from ample.core.contract.base import Answer, FamilyName, Millimetres, Name, Request


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


class NeedlesRequest(Request):
    """A cup or joint full of loose needles: the diameter they run on, or that they run in, and their own."""

    inside_mm: Millimetres | None = Field(default=None, description="diameter under the needles: the pin")
    outside_mm: Millimetres | None = Field(default=None, description="diameter over the needles: the cup")
    needle_mm: Millimetres
    counted: int | None = Field(default=None, ge=0, le=2000)
