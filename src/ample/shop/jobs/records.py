"""Records of jobs and parts."""

from __future__ import annotations

import json

from pydantic import BaseModel, Field, field_validator

from ample.core.exchange import FamilyName
from ample.shop.catalogue.records import Item
from ample.shop.strict import Strict
from ample.shop.times import UtcTime


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
    version: int

    @field_validator("bench_answers", mode="before")
    @classmethod
    def _from_column(cls, held: object) -> object:
        """The column holds JSON text, or nothing."""
        return json.loads(held) if isinstance(held, str) else held or {}


class Light(BaseModel):
    """A gate light: its state, why in words, and a pass that a person gave with a reason."""

    light: str
    state: str
    words: str
    facts_mark: str = Field(description="of the facts that it was judged on; a pass is given for them")
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


class OutlinePart(BaseModel):
    """A part of the line as far as a small drawing needs it."""

    key: str
    line: str
    kind: str
    beside: bool
    inside_mm: float | None
    outside_mm: float | None
    width_mm: float | None
    left_mark: str
    right_mark: str
    verdict: str


class LineState(BaseModel):
    """How far the strip-down has come: what is not judged, in doubt, to be replaced, contradictory."""

    parts: list[OutlinePart]
    open: int
    ask: int
    to_bench: int
    contradictions: int


class JobState(BaseModel):
    """A job with its line, its tray, the cautions nobody has read yet, and what it waits for."""

    job: JobHead
    unit: str
    cautions_open: int
    line: LineState
    parts: list[PartState]
    waits_for: str
    days_open: int


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
