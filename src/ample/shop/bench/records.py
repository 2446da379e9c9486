"""Records of the bench."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from ample.base.records import JobHead, PartHead, PlaceOfPart
from ample.base.strict import Strict
from ample.core.contract import FamilyName, Interchange
from ample.core.parts.requirement import Requirement
from ample.core.parts.rubber import Medium
from ample.shop.catalogue.records import Item


class TypedReading(Strict):
    """One reading as it was typed, in the unit of the field then."""

    typed: str = Field(min_length=1, max_length=80)
    unit: Literal["mm", "in"] = "mm"


class FeatureReadings(Strict):
    """The repeats of one feature and the instrument."""

    feature: Literal[
        "bore", "outside", "width", "assembled_width", "inner_ring_width", "outer_ring_width", "standout",
        "shaft_seat", "housing_seat", "shaft", "housing_bore", "free_lip",
        "inside", "section_1", "section_2", "section", "height", "rod", "groove_diameter", "groove_width",
        "seat_outside", "seat_thickness", "working_length", "free_length", "free_inside", "thickness",
        "shaft_track", "free_lip_no_spring", "length", "groove_depth", "base_height",
        "key_width", "key_height", "key_length",
    ]  # fmt: skip
    instrument: str = Field(min_length=1, max_length=40)
    readings: list[TypedReading] = Field(min_length=1, max_length=12)


class BenchSheet(Strict):
    """What the bench holds of a part: marking, condition, readings."""

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
    observations: list[FeatureReadings] = Field(default_factory=list, max_length=12)


class BenchSave(Strict):
    """The sheet to keep, and the version it was made from."""

    version: int = Field(ge=1)
    sheet: BenchSheet


class IdentificationRecord(BaseModel):
    """What a part is said to be, by whom, and how sure that is on what is kept of it now."""

    item: Item
    requirement: Requirement = Field(description="what must be had in its place")
    title: str = Field(description="what to ask a supplier for")
    probability: float
    worst_sigmas: float | None
    clash: str
    person: str
    from_file: bool = Field(description="said so in the job file; nobody has confirmed it here")
    changed_since: bool = Field(description="the evidence has changed since: it was judged again")
    version: int


class BenchAnswer(BaseModel):
    """A part on the bench."""

    job: JobHead
    part: PartHead
    place: PlaceOfPart
    sheet: BenchSheet
    version: int
    identification: IdentificationRecord | None
    tray: list[PartHead]


class ChooseRequest(Strict):
    """A listed item that is chosen for the part."""

    item_id: int = Field(ge=1, le=2**31)
    version: int = Field(ge=0, description="version of the earlier choice; 0 when there is none")


class ConfirmRequest(ChooseRequest):
    """The listed item that the part is said to be."""

    sure: bool = Field(default=False, description="asked once more, and still this one")


class OfferedRequest(Strict):
    """What a supplier offers, as it is marked or described."""

    text: str = Field(min_length=1, max_length=60)


class OfferedAnswer(BaseModel):
    """How an offered part compares with what must be had."""

    title: str
    size_text: str
    interchange: Interchange
