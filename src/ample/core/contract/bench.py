"""A part on the bench: what is read of it and said of it."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ample.core.contract.base import Answer, FamilyName
from ample.core.contract.identify import IdentifyAnswer
from ample.core.parts.rubber import Medium
from ample.core.sheet import Sheet


class TypedReading(Sheet):
    """One reading as it was typed, in the unit of the field then."""

    typed: str = Field(min_length=1, max_length=80)
    unit: Literal["mm", "in"] = "mm"


class FeatureReadings(Sheet):
    """The repeats of one feature with one instrument."""

    feature: Literal[
        "bore", "outside", "width", "assembled_width", "inner_ring_width", "outer_ring_width", "standout",
        "shaft_seat", "housing_seat", "shaft", "housing_bore", "free_lip",
        "inside", "section_1", "section_2", "section", "height", "rod", "groove_diameter", "bore_groove_diameter",
        "face_groove_outside", "face_groove_inside", "groove_width", "dovetail_diameter", "dovetail_opening",
        "connector_diameter", "connector_leg",
        "seat_outside", "seat_thickness", "working_length", "free_length", "free_inside", "thickness",
        "shaft_track", "free_lip_no_spring", "length", "groove_depth", "base_height",
        "key_width", "key_height", "key_length",
    ]  # fmt: skip
    instrument: str = Field(min_length=1, max_length=40)
    readings: list[TypedReading] = Field(min_length=1, max_length=12)


class RubberSeen(Sheet):
    """What hand, eye and scale told of its rubber; weighings in grams, in air and hung in water."""

    hardness_shore_a: float | None = Field(default=None, ge=10, le=100)
    hardened: bool = False
    colour: Literal["", "black", "brown", "green", "red", "blue", "white", "other"] = ""
    swelling: Literal["", "none", "some", "much"] = ""
    mass_air_g: float | None = Field(default=None, gt=0, le=100_000)
    mass_water_g: float | None = Field(default=None, ge=-100, le=100_000)


class BenchSheet(Sheet):
    """What the Bench records of a part: marking, condition, readings."""

    marking: str = Field(default="", max_length=60)
    family: FamilyName | None = Field(default=None, description="another family than the part lay here as")
    condition: Literal[
        "", "new", "worn", "spun", "rusty", "used", "stretched", "swollen", "shrunk", "flattened", "hard"
    ] = ""
    kind: str = Field(default="", max_length=40, description="a kind or group, as its picture is chosen")
    answers: dict[str, str] = Field(default_factory=dict, max_length=12)
    said: dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]] = Field(
        default_factory=dict, max_length=12, description="attributes seen on the part, or known from paper"
    )
    medium: Literal[""] | Medium = Field(default="", description="what it stands in")
    temperature_c: float | None = Field(default=None, ge=-100, le=400)
    needed: int | None = Field(default=None, ge=1, le=999, description="where no line says how many")
    rubber: RubberSeen = Field(default_factory=RubberSeen)
    observations: list[FeatureReadings] = Field(default_factory=list, max_length=24)


class BenchJudged(Answer):
    """What a part can be by what its sheet says; an empty sheet gives no answer."""

    found: IdentifyAnswer | None
    refused: str = Field(default="", description="why nothing can be said of what stands there")
