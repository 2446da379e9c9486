"""Records of the bench."""

from __future__ import annotations

from pydantic import BaseModel, Field

from ample.base.records import JobHead, PartHead, PlaceOfPart
from ample.base.strict import Strict
from ample.core.contract import Interchange
from ample.core.contract.bench import BenchSheet
from ample.core.parts.requirement import Requirement
from ample.shop.bench.ring_lists import RingLists
from ample.shop.catalogue.records import Item


class BenchSave(Strict):
    """The sheet to keep, and the version it was made from."""

    version: int = Field(ge=1)
    sheet: BenchSheet


class IdentificationRecord(BaseModel):
    """What a part is identified as, by whom, and how sure that is on what is kept of it now."""

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
    ring_lists: RingLists
    tray: list[PartHead]


class ChooseRequest(Strict):
    """A listed item that is chosen for the part."""

    item_id: int = Field(ge=1, le=2**31)
    version: int = Field(ge=0, description="version of the earlier choice; 0 when there is none")


class ConfirmRequest(ChooseRequest):
    """The listed item that the part is identified as."""

    sure: bool = Field(default=False, description="asked once more, and still this one")


class OfferedRequest(Strict):
    """What a supplier offers, as it is marked or described."""

    text: str = Field(min_length=1, max_length=60)


class OfferedAnswer(BaseModel):
    """How an offered part compares with what is required."""

    title: str
    size_text: str
    interchange: Interchange
