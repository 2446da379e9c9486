"""Records of the Counter."""

from __future__ import annotations

from pydantic import BaseModel

from ample.base.records import JobHead
from ample.base.units import UnitHead
from ample.core.contract import IdentifyAnswer, MarkingReading
from ample.shop.catalogue.records import Item


class CounterReading(BaseModel):
    """One answer of the field of the Counter: a reading, its size and what is on the shelf."""

    reading: MarkingReading
    size_text: str
    ball_mm: float | None
    assumed: list[str]
    stock: list[Item]


class CounterAnswer(BaseModel):
    """What a line at the Counter can mean: jobs, markings, or a size."""

    text: str
    jobs: list[JobHead]
    units: list[UnitHead]
    readings: list[CounterReading]
    by_size: IdentifyAnswer | None
    not_read: str | None
