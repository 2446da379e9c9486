"""Reading a marking: the models asked with and told."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from ample.core.exchange.base import Answer, FamilyName, Request


class DecodeRequest(Request):
    """A marking as it is read."""

    text: str = Field(max_length=200)
    family: FamilyName | None = None


class SpanAnswer(Answer):
    """A piece of a marking and what it means; start is −1 for what is not in the text."""

    start: int
    stop: int
    text: str
    meaning: str
    attribute: str
    value: str
    certainty: Literal["stated", "implied", "assumed", "half_read"]
    basis: str


class ReadingAnswer(Answer):
    """One way to read the marking."""

    family: str
    designation: str
    series: str
    dimensions: dict[str, float]
    attributes: dict[str, str]
    spans: list[SpanAnswer]
    unread: list[str]
    score: float
    dialect: str


class DecodeAnswer(Answer):
    """The readings, best first; what has no reading at all is in `unread`."""

    readings: list[ReadingAnswer]
    unread: list[str]
