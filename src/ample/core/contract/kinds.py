"""Families of parts by picture, kind, question and feature: request and answer models."""

from __future__ import annotations

from pydantic import Field

from ample.core.contract.base import Answer, FamilyName, Request
from ample.core.parts.attributes import Attribute


class KindsRequest(Request):
    """The kinds of a family."""

    family: FamilyName = "bearing"


class FamilyKindAnswer(Answer):
    """A kind: its picture, what it is sold by, what is measured, what is seen of it."""

    kind: str
    group: str
    words: str
    scheme: str
    dimensions: list[str]
    offered: list[str]
    measured: list[str] = Field(description="all that can be measured of it or beside it")
    called: dict[str, str] = Field(description="features that it calls by words of its own")
    seen: dict[str, str]


class EyeAnswer(Answer):
    """One answer to a question."""

    value: str
    words: str


class EyeQuestion(Answer):
    """A question to eye and hand."""

    question: str
    words: str
    answers: list[EyeAnswer]


class FamilyGroup(Answer):
    """Kinds under one picture, and the kind whose section is the picture."""

    group: str
    words: str
    pictured: str


class FamilyFeature(Answer):
    """A feature in words."""

    feature: str
    words: str
    on_part: bool
    shows: str = Field(description="the dimension that it alone gives a drawing; empty when none")


class KindsAnswer(Answer):
    """Groups by their pictures, kinds, questions and features of a family."""

    family: str
    words: str
    groups: list[FamilyGroup]
    kinds: list[FamilyKindAnswer]
    questions: list[EyeQuestion]
    features: list[FamilyFeature]
    conditions: list[str]
    attributes: list[Attribute] = Field(description="of parts of every family")
