"""Models of the handbook: a question with its own inputs, its answer, and its pages."""

from __future__ import annotations

from typing import Any

from pydantic import ConfigDict, Field

from ample.core.contract.base import Answer, Name, Request
from ample.core.designation import Code
from ample.core.handbook import Page
from ample.core.parts.rubber import Rubber, Stands


class CalculateRequest(Request):
    """A question of the handbook, by its name, with the inputs of that question beside it."""

    model_config = ConfigDict(extra="allow", allow_inf_nan=False)
    question: Name

    @property
    def given(self) -> dict[str, Any]:
        """The inputs by name."""
        return dict(self.__pydantic_extra__ or {})


class CalculateAnswer(Answer):
    """The outputs of the question, with what they rest on."""

    model_config = ConfigDict(extra="allow")
    formula: str
    source: str
    validity: str
    notes: str


class HandbookRequest(Request):
    """The pages of the handbook."""

    question: Name | None = Field(default=None, description="one page only")


class HandbookTopic(Answer):
    """A chapter."""

    topic: str
    words: str


class HandbookAnswer(Answer):
    """Chapters and pages."""

    topics: list[HandbookTopic]
    pages: list[Page]


class LookUpRequest(Request):
    """A table of the reference; nothing more is asked."""


class TighteningRequest(Request):
    """A thread as it is written: M10, M10x1.25, 1/2-13, #10-32."""

    thread: Name


class CodesAnswer(Answer):
    """The general dictionary of codes in common use."""

    codes: list[Code]
    source: str


class MediaAnswer(Answer):
    """Rubbers against media."""

    media: dict[str, str]
    rubbers: list[Rubber]
    verdicts: dict[str, dict[str, Stands]] = Field(description="by rubber and medium")
    source: str
