"""Reading a marking: request and answer models."""

from __future__ import annotations

from pydantic import Field

from ample.core.contract.base import Answer, FamilyName, Request
from ample.core.parts import MarkingReading


class DecodeRequest(Request):
    """A marking as it is read."""

    text: str = Field(max_length=200)
    family: FamilyName | None = None


class DecodeAnswer(Answer):
    """The readings, best first; what has no reading at all is in `unread`."""

    readings: list[MarkingReading]
    unread: list[str]
