"""The JSON file of a job: what is written out is read in again without loss."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Base64Bytes, Field

from ample.base.records import JobHead
from ample.base.strict import Strict
from ample.base.times import UtcTime
from ample.core.assembly import LineSheet
from ample.core.condition.take_in import TakeInSheet
from ample.core.contract import BenchSheet, FamilyName
from ample.core.parts.requirement import Requirement
from ample.core.places import SeatSheet
from ample.core.places.place import PlaceSheet
from ample.sheets.files import JobSheets, UnitSheets
from ample.shop.line.records import Decided, PartKey
from ample.shop.photos.records import PhotoPlace

Person = Annotated[str, Field(max_length=60)]


class ListedItem(Strict):
    """A listed part by maker and marking."""

    maker: str = Field(max_length=60)
    marking: str = Field(max_length=60)


class IdentificationFile(Strict):
    """What a part was identified as, by whom and how sure."""

    item: ListedItem
    probability: float = Field(ge=0, le=1)
    worst_sigmas: float | None = Field(default=None, ge=0, le=100_000)
    clash: str = Field(default="", max_length=300)
    features_read: int = Field(ge=0, le=100)
    marking_read: bool
    requirement: Requirement | None = Field(
        default=None, description="what must be had; made anew from the evidence where it is read in"
    )
    person: Person
    decided_at: UtcTime


class MatchFile(Strict):
    """What was chosen to replace a part."""

    item: ListedItem
    verdict: str = Field(max_length=30)
    words: str = Field(max_length=300)
    person: Person
    decided_at: UtcTime


class TrayPartFile(Strict):
    """A part in the tray with its readings and what was decided."""

    name: str = Field(min_length=2, max_length=80)
    surroundings: str = Field(default="", max_length=160)
    dirty: bool = False
    rpm: int | None = Field(default=None, ge=0, le=200_000)
    family: FamilyName = "bearing"
    line_key: PartKey | None = None
    sheet: BenchSheet
    identification: IdentificationFile | None = None
    match: MatchFile | None = None
    seats: SeatSheet | None = None
    place: PlaceSheet | None = None


class AcknowledgedFile(Strict):
    """A caution that a person acknowledged."""

    caution: str = Field(max_length=40)
    person: Person
    acknowledged_at: UtcTime


class DecisionFile(Strict):
    """A second person's decision."""

    part: PartKey
    findings_mark: str = Field(pattern=r"^[0-9a-f]{16}$")
    verdict: Decided
    reason: str = Field(min_length=4, max_length=300)
    person: Person
    decided_at: UtcTime


class PhotoFile(PhotoPlace):
    """A photo with its picture."""

    person: Person
    taken_at: UtcTime
    picture: Base64Bytes = Field(max_length=12_000_000)


class UnitFile(Strict):
    """The unit of a job with its own sheets."""

    title: str = Field(min_length=1, max_length=80)
    model: str = Field(default="", max_length=60)
    serial: str = Field(default="", max_length=60)
    place: str = Field(default="", max_length=80)
    sheets: UnitSheets = Field(default_factory=UnitSheets)  # type: ignore[valid-type]


class JobFile(Strict):
    """A whole job. Order sheets belong to their suppliers and are not part of it."""

    format: Literal["ample-job"] = "ample-job"
    format_version: Literal[1] = 1
    number: str = Field(max_length=12, pattern=r"^([A-Za-z0-9][A-Za-z0-9._-]*)?$")
    opened_at: UtcTime
    take_in: TakeInSheet
    line: LineSheet = LineSheet()
    judged_by: dict[PartKey, Person] = Field(default_factory=dict, max_length=400)
    acknowledged: list[AcknowledgedFile] = Field(default_factory=list, max_length=200)
    decisions: list[DecisionFile] = Field(default_factory=list, max_length=1000)
    photos: list[PhotoFile] = Field(default_factory=list, max_length=200)
    unit: UnitFile | None = Field(default=None, description="the unit, where its history has been begun")
    tray: list[TrayPartFile] = Field(default_factory=list, max_length=400)
    sheets: JobSheets = Field(default_factory=JobSheets)  # type: ignore[valid-type]


class Imported(Strict):
    """The job that a file has become, and what of it could not be taken over."""

    job: JobHead
    notes: list[str]
