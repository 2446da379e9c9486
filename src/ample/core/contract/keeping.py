"""What is kept of a unit over the years: logs and their trend."""

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
