"""Records of a job's line."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from ample.base.records import Acknowledged, JobHead
from ample.base.strict import Strict
from ample.base.times import UtcTime
from ample.core.assembly import LineSheet
from ample.shop.photos.records import PhotoHead

PartKey = Annotated[str, Field(pattern=r"^[a-z0-9]{4,24}$")]
Decided = Literal[
    "reuse", "regrease", "dress", "move_lip", "sleeve", "machine_shop", "replace", "reclaim", "ask_supplier"
]  # fmt: skip


class LineSave(Strict):
    """The lines to keep, and the version they were made from (0 for the first)."""

    version: int = Field(ge=0)
    sheet: LineSheet


class DecideRequest(Strict):
    """What a second person decides about a doubtful part, and why; on the findings that were seen."""

    findings: dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]] = Field(
        max_length=16, description="the part's findings as they were seen"
    )
    verdict: Decided
    reason: str = Field(min_length=4, max_length=300)


class Decision(BaseModel):
    """A second person's decision; it is valid as long as the findings it was made on."""

    part: str
    verdict: str
    reason: str
    person: str
    decided_at: UtcTime
    stands: bool
    from_file: bool = Field(description="read from a job file: it proves nothing here")


class JudgedBy(BaseModel):
    """Who filled in a part's card first."""

    person_id: int = Field(description="who counts as the first person here: whoever imported the file")
    name: str
    from_file: bool


class LineAnswer(BaseModel):
    """The lines of a job with what people decided and what has gone to the Bench."""

    job: JobHead
    sheet: LineSheet
    version: int
    access: str
    build: str
    model: str
    decisions: list[Decision]
    judged_by: dict[str, JudgedBy]
    on_bench: dict[str, int]
    photos: list[PhotoHead]
    acknowledged: list[Acknowledged]


class LineSaved(BaseModel):
    """The version that the lines have now."""

    version: int


class SentToBench(BaseModel):
    """The tray part that a part of the line has become."""

    part_id: int
