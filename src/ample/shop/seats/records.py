"""Records of seats."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, Field

from ample.base.records import JobHead, PartHead
from ample.base.strict import Strict
from ample.core.fits import ClearanceAfterFitting, SeatCheck, ZoneChoice
from ample.core.parts import BearingSpec


class SeatSide(Strict):
    """One seat as it was typed: zone asked for (empty: as advised), instrument, planes of readings."""

    zone: str = Field(default="", max_length=6)
    instrument: str = Field(min_length=1, max_length=40)
    planes: list[list[str]] = Field(default_factory=list, max_length=6)


class SeatSheet(Strict):
    """What is kept of both seats and the load case."""

    turning: Literal["shaft", "housing", "shaking"] = "shaft"
    load: Literal["light", "normal", "heavy"] = "normal"
    slides: bool = False
    split: bool = False
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    temperature_c: float = Field(default=20.0, ge=-60, le=200)
    shaft: SeatSide = Field(default_factory=lambda: SeatSide(instrument="micrometer"))
    housing: SeatSide = Field(default_factory=lambda: SeatSide(instrument="bore_gauge"))


class SeatSave(Strict):
    """The sheet to keep, and the version it was made from (0 for the first)."""

    version: int = Field(ge=0)
    sheet: SeatSheet


class SeatJudgement(BaseModel):
    """One side judged: the check when it is measured, the zones in any case, or what is wrong."""

    check: SeatCheck | None
    zones: ZoneChoice
    fault: str | None
    fault_field: str | None


class SeatsJudged(BaseModel):
    """Both seats judged with the clearance that they leave; or why a bearing of this kind is not judged."""

    shaft: SeatJudgement | None
    housing: SeatJudgement | None
    clearance: ClearanceAfterFitting | None
    not_judged: Literal["no_rules", "taper_bore"] | None = None
    words: str = ""


class FittedPart(BaseModel):
    """The bearing that the seats are judged for: the replacement chosen, or what must be had."""

    title: str
    chosen: bool = Field(description="a replacement has been chosen; else what must be had")
    size_text: str
    kind: str
    kind_words: str
    dimensions: dict[str, float]
    d_mm: float
    D_mm: float
    tolerance_class: str
    spec: BearingSpec = Field(exclude=True)


class SeatsAnswer(BaseModel):
    """The seats of a part."""

    job: JobHead
    part: PartHead
    fitted: FittedPart | None
    sheet: SeatSheet
    version: int
    judged: SeatsJudged | None
