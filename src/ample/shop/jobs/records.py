"""Records of jobs and parts."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict, Field

from ample.shop.catalogue.records import Item
from ample.shop.times import UtcTime


class Strict(BaseModel):
    """A request: unknown fields are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


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
    family: str
    marking: str
    condition_seen: str
    version: int


class Light(BaseModel):
    """A gate light: its state, why in words, and a pass that a person gave with a reason."""

    light: str
    state: str
    words: str
    passed_reason: str | None = None
    passed_by: str | None = None
    passed_at: UtcTime | None = None


class PartState(BaseModel):
    """A part with how far it has come."""

    part: PartHead
    chosen: Item | None
    match: Item | None
    ball_mm: float | None
    waits_for: str
    lights: list[Light]
    order_number: str | None


class JobState(BaseModel):
    """A job with its parts and what it waits for."""

    job: JobHead
    parts: list[PartState]
    waits_for: str
    days_open: int


class NewJob(Strict):
    """What opening a job takes."""

    title: str = Field(min_length=2, max_length=80)
    owner: str = Field(default="", max_length=80)
    symptom: str = Field(default="", max_length=200)


class NewPart(Strict):
    """A part put in the tray."""

    name: str = Field(min_length=2, max_length=80)
    surroundings: str = Field(default="", max_length=160)
    marking: str = Field(default="", max_length=60)
    dirty: bool = False
    rpm: int | None = Field(default=None, ge=0, le=200_000)
