"""Records of the Counter."""

from __future__ import annotations

from pydantic import BaseModel

from ample.base.records import JobHead
from ample.base.units import UnitHead
from ample.core.contract import FamilyName, IdentifyAnswer, MarkingReading
from ample.core.contract.base import Unit
from ample.shop.catalogue.records import Item


class CounterReading(BaseModel):
    """One answer of the field of the Counter: a reading, its size and what is on the shelf."""

    reading: MarkingReading
    size_text: str
    ball_mm: float | None
    assumed: list[str]
    stock: list[Item]


class CounterSize(BaseModel):
    """A size that was said of a feature, as it was typed."""

    feature: str
    typed: str
    unit: Unit


class CounterAsked(BaseModel):
    """What was understood of words and sizes mixed: it goes to the Bench as evidence."""

    family: FamilyName
    kind: str
    marking: str
    sizes: list[CounterSize]


class CounterAnswer(BaseModel):
    """What a line at the Counter can mean: jobs, markings, or a size; and what was understood of words mixed with sizes."""

    text: str
    jobs: list[JobHead]
    units: list[UnitHead]
    readings: list[CounterReading]
    by_size: IdentifyAnswer | None
    asked: CounterAsked | None = None
    not_read: str | None
