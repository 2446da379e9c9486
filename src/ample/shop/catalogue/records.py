"""Records of the catalogue."""

from __future__ import annotations

from datetime import date
from decimal import Decimal

from pydantic import BaseModel

from ample.core.exchange import InterchangeAnswer, ReadingAnswer
from ample.core.parts import BearingSpec


class Item(BaseModel):
    """A listed part of a maker."""

    item_id: int
    maker: str
    marking: str
    designation: str
    series: str
    d_mm: float
    D_mm: float
    B_mm: float
    closure: str
    clearance: str
    tolerance_class: str
    stock_quantity: int
    stock_place: str
    confirmed_count: int

    @property
    def spec(self) -> BearingSpec:
        """The specification that the core works with."""
        return BearingSpec(
            self.designation, self.series, self.d_mm, self.D_mm, self.B_mm,
            self.closure, self.clearance, self.tolerance_class,
        )  # fmt: skip


class Offer(BaseModel):
    """What a supplier asks for an item, and how long it takes."""

    supplier_id: int
    supplier: str
    price: Decimal
    lead_days: int


class CrossReference(BaseModel):
    """Somebody's record that an item replaced a marking."""

    old_marking: str
    said_by: str
    said_on: date
    source: str


class Equivalent(BaseModel):
    """An item offered in the place of another, judged."""

    item: Item
    found_by: str
    record: CrossReference | None
    interchange: InterchangeAnswer
    offers: list[Offer]


class MatchAnswer(BaseModel):
    """The chosen part decoded, and what can take its place, best first."""

    part_id: int
    chosen: Item
    ball_mm: float
    reading: ReadingAnswer | None
    marking: str
    by_rule: list[Equivalent]
    by_record: list[Equivalent]
    by_size: list[Equivalent]
    by_size_more: int
    match_item_id: int | None
    match_version: int
