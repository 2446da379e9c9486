"""Records of what was changed."""

from __future__ import annotations

from datetime import date
from typing import Any

from pydantic import BaseModel, Field

from ample.base.strict import Strict
from ample.base.times import UtcTime

PAGE = 100


class AuditRow(BaseModel):
    """One change: when, by whom, of what, in words; what was there before and after."""

    audit_id: int
    happened_at: UtcTime
    person: str | None = Field(description="none: at the machine's own terminal")
    job_number: str | None
    job_title: str | None
    subject: str
    subject_id: int
    action: str
    words: str
    before: dict[str, Any] | None
    after: dict[str, Any] | None


class AuditAnswer(BaseModel):
    """Changes, newest first, and where the next page begins; whom and what they can be searched by."""

    changes: list[AuditRow]
    next_before: int | None
    people: list[str]


class AuditQuery(Strict):
    """Changes by one person (`terminal`: the machine's own), of one job, on one day; before a row, for the next page."""

    person: str = Field(default="", max_length=60)
    job: str = Field(default="", max_length=12)
    day: date | None = None
    before: int | None = Field(default=None, ge=1, le=2**62)
