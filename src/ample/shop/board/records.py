"""Records of the board."""

from __future__ import annotations

from datetime import date

from pydantic import BaseModel, Field

from ample.base.records import JobHead, PartHead
from ample.shop.catalogue.records import Item
from ample.shop.orders.records import CheckAnswer


class PartState(BaseModel):
    """A part with how far it has come."""

    part: PartHead
    chosen: Item | None
    match: Item | None
    ball_mm: float | None
    waits_for: str
    lights: list[CheckAnswer]
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
    """How far the strip-down has come: what is not judged, doubtful, to be replaced, contradictory."""

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
    fit_up_left: int | None = Field(
        description="steps that are not ticked; none while fitting up has not begun"
    )
    together: bool
    closed: bool


class DueUnit(BaseModel):
    """A unit whose log says that it is time: to order by, to plan on, or over its limit already."""

    unit_id: int
    title: str
    place: str
    what: str
    order_by: date | None
    plan_on: date | None
    limit_on: date | None
    already_passed: str | None


class DueTask(BaseModel):
    """What somebody wanted to come back to."""

    job: str
    title: str
    what: str
    due: date


class Board(BaseModel):
    """Every open job with what it waits for, and what is due."""

    jobs: list[JobState]
    due_units: list[DueUnit]
    due_tasks: list[DueTask]
