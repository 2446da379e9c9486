"""What is set, proved and kept of a unit: end play, running in, logs and their trend."""

from __future__ import annotations

from datetime import date

from pydantic import Field

from ample.core.contract.base import Request


class TrendReading(Request):
    """What was read on a day."""

    on: date
    value: float


class TrendRequest(Request):
    """A log with where one plans and where it must not go."""

    readings: list[TrendReading] = Field(max_length=400)
    limit: float
    early: float | None = None
    lead_days: int = Field(default=0, ge=0, le=3650)
    approval_days: int = Field(default=0, ge=0, le=3650)
    today: date


class Wanted(Request):
    """What is wanted: from and to, mm; below zero for a preload."""

    min: float
    max: float


class EndPlayRequest(Request):
    """Dial readings, the shaft pushed and then pulled, and what is wanted."""

    readings_mm: list[tuple[float, float]] = Field(min_length=1, max_length=40)
    wanted_mm: Wanted
    dial_uncertainty_mm: float = Field(default=0.01, ge=0, le=1)
    pitch_mm: float | None = None
    leaves_mm: list[float] = Field(default_factory=list, max_length=24)


class RunInReading(Request):
    """A temperature some minutes after the start."""

    minute: float
    temperature_c: float


class RunInRequest(Request):
    """A run from cold, and where it must not get to."""

    readings: list[RunInReading] = Field(max_length=400)
    ambient_c: float
    limit_c: float
