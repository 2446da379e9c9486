"""Identity of jobs and parts: what every subject knows them by."""

from __future__ import annotations

import json

from pydantic import BaseModel, Field, field_validator

from ample.base.strict import Strict
from ample.base.times import UtcTime
from ample.core.contract import FamilyName, RubberSeen


class JobHead(BaseModel):
    """A job by its number, unit and owner."""

    job_id: int
    number: str
    title: str
    owner: str
    symptom: str
    opened_at: UtcTime
    version: int


class PartHead(BaseModel):
    """A part in the tray of a job."""

    part_id: int
    job_id: int
    position: int
    name: str
    surroundings: str
    dirty: bool
    rpm: int | None
    family: FamilyName
    marking: str
    condition_seen: str
    bench_kind: str
    bench_answers: dict[str, str]
    said: dict[str, str]
    medium: str
    temperature_c: float | None
    needed: int | None
    rubber_seen: RubberSeen
    version: int

    @field_validator("bench_answers", "said", "rubber_seen", mode="before")
    @classmethod
    def _from_column(cls, held: object) -> object:
        """The column holds JSON text, or nothing."""
        return json.loads(held) if isinstance(held, str) else held or {}


class NewJob(Strict):
    """What opening a job takes; all but the title can follow at Take in."""

    title: str = Field(min_length=2, max_length=80)
    owner: str = Field(default="", max_length=80)
    symptom: str = Field(default="", max_length=200)
    unit: str = Field(default="other", max_length=20)
    plate: str = Field(default="", max_length=200)
    model: str = Field(default="", max_length=60)
    since: str = Field(default="", max_length=60)
    lie_open_days: int | None = Field(default=None, ge=0, le=3650)


class NewPart(Strict):
    """A part put in the tray."""

    name: str = Field(min_length=2, max_length=80)
    surroundings: str = Field(default="", max_length=160)
    marking: str = Field(default="", max_length=60)
    dirty: bool = False
    rpm: int | None = Field(default=None, ge=0, le=200_000)
    family: FamilyName = "bearing"


class JobPath(BaseModel):
    """A job's number."""

    number: str = Field(max_length=12)


class PartPath(BaseModel):
    """A part's row."""

    part_id: int = Field(ge=1, le=2**31)


class PlaceOfPart(BaseModel):
    """Where a part of the tray goes: its job and line, what lies beside it there, and how many are needed."""

    job_number: str
    job_title: str
    part_name: str
    line: str = ""
    neighbours: list[str] = []
    needed: int = 1
    because: str = Field(default="", description="how many are needed, as it is worked out")
    units_alike: int = 1


class UnitFacts(BaseModel):
    """What the work on a job's parts depends on of its unit: the model and build, what coming back costs."""

    model: str = ""
    build: str = ""
    access: str = "cheap"


class Acknowledged(BaseModel):
    """A caution that a person has acknowledged."""

    caution: str
    person: str
    acknowledged_at: UtcTime
    from_file: bool = Field(description="read from a job file: nobody has acknowledged it here")
