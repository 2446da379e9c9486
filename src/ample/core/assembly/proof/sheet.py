"""Set and prove: set points, plays, fills, runs, checks, tasks, before and after; and the closing of a job."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Literal

from pydantic import Field

from ample.core.assembly.line import Key
from ample.core.sheet import Sheet

Figure = Annotated[str, Field(max_length=20)]
Name = Annotated[str, Field(max_length=80)]
Unit = Annotated[str, Field(max_length=12)]
CheckKey = Annotated[str, Field(pattern=r"^[a-z_]{3,16}\.[a-z0-9]{4,24}$")]
Day = Annotated[date, Field(ge=date(1900, 1, 1), le=date(2200, 12, 31))]
MOST = 60


class SetPoint(Sheet):
    """A set value: what, from and to, readings as they were typed; left loose until it is set."""

    key: Key
    what: Name = ""
    least: float | None = Field(default=None, ge=-1e6, le=1e6)
    most: float | None = Field(default=None, ge=-1e6, le=1e6)
    unit: Unit = "mm"
    readings: tuple[Figure, ...] = Field(default=(), max_length=8)
    doubt: float = Field(default=0.0, ge=0, le=1e5, description="U (k = 2) of one reading")
    left_loose: bool = False
    note: str = Field(default="", max_length=200)


class DialPair(Sheet):
    """A dial, the shaft pushed and then pulled, as it was typed."""

    pushed: Figure = ""
    pulled: Figure = ""


class PlaySet(Sheet):
    """An end play set by shim or nut."""

    key: Key
    what: Name = ""
    least_mm: float | None = Field(default=None, ge=-50, le=50)
    most_mm: float | None = Field(default=None, ge=-50, le=50)
    pairs: tuple[DialPair, ...] = Field(default=(), max_length=12)
    dial_mm: float = Field(default=0.01, ge=0, le=1)
    pitch_mm: float | None = Field(default=None, gt=0, le=50)
    leaves: str = Field(default="", max_length=120, description="shims available, mm, separated by blanks")


class Fill(Sheet):
    """What was filled, by volume and by level; two sides of one place are compared."""

    key: Key
    what: Name = ""
    side: Literal["", "left", "right"] = ""
    wanted_l: float | None = Field(default=None, gt=0, le=100_000)
    filled_l: Figure = ""
    level: Literal["", "low", "right", "high"] = ""
    bled: bool = False


class RunReading(Sheet):
    """A temperature some minutes after the start of a step."""

    minute: Figure = ""
    temperature_c: Figure = ""


class RunStep(Sheet):
    """A step of running in: speed, how long, and what the temperature did."""

    key: Key
    what: Name = ""
    rpm: float | None = Field(default=None, ge=0, le=200_000)
    minutes: float | None = Field(default=None, gt=0, le=10_000)
    ambient_c: float = Field(default=20.0, ge=-60, le=150)
    limit_c: float = Field(default=80.0, ge=-50, le=1000)
    readings: tuple[RunReading, ...] = Field(default=(), max_length=120)


class CheckResult(Sheet):
    """What a check showed."""

    key: CheckKey
    result: Literal["", "holds", "fails"] = ""
    reading: Figure = ""
    note: str = Field(default="", max_length=200)


class Task(Sheet):
    """Something to come back to."""

    key: Key
    what: Name = ""
    due: Day | None = None
    done: bool = False
    reading: Figure = ""


class BeforeAfter(Sheet):
    """A sign, measured the same way before and after."""

    key: Key
    what: Name = ""
    before: Figure = ""
    after: Figure = ""
    unit: Unit = ""


class ChangedThing(Sheet):
    """One thing that was changed between before and after."""

    key: Key
    what: Name = ""


class ProofSheet(Sheet):
    """What is kept of setting and proving."""

    set_points: tuple[SetPoint, ...] = Field(default=(), max_length=MOST)
    plays: tuple[PlaySet, ...] = Field(default=(), max_length=MOST)
    fills: tuple[Fill, ...] = Field(default=(), max_length=MOST)
    runs: tuple[RunStep, ...] = Field(default=(), max_length=MOST)
    checks: tuple[CheckResult, ...] = Field(default=(), max_length=400)
    tasks: tuple[Task, ...] = Field(default=(), max_length=MOST)
    compared: tuple[BeforeAfter, ...] = Field(default=(), max_length=MOST)
    changes: tuple[ChangedThing, ...] = Field(default=(), max_length=MOST)
    note_next: str = Field(default="", max_length=1000)
    closed: bool = False
    reason: str = Field(default="", max_length=300)
