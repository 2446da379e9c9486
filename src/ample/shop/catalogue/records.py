"""Records of the catalogue."""

from __future__ import annotations

import json
from datetime import date
from decimal import Decimal

from pydantic import BaseModel, ConfigDict, Field, computed_field, field_validator

from ample.core.contract import Interchange, MarkingReading
from ample.core.parts import BearingSpec, PartSpec
from ample.core.parts.ratings import element_mm
from ample.core.parts.requirement import Requirement
from ample.shop.catalogue.columns import spec_of


class Item(BaseModel):
    """A listed part of a maker."""

    item_id: int
    maker: str
    marking: str
    designation: str
    series: str
    size_1_mm: float = Field(exclude=True)
    size_2_mm: float = Field(exclude=True)
    size_3_mm: float = Field(exclude=True)
    size_4_mm: float | None = Field(default=None, exclude=True)
    size_5_mm: float | None = Field(default=None, exclude=True)
    closure: str
    clearance: str
    tolerance_class: str
    stock_quantity: int
    stock_place: str
    confirmed_count: int
    kind: str = "deep_groove"
    bore_shape: str = "cylindrical"
    angle: str = ""
    cage: str = "standard"
    family: str = "bearing"
    attributes: dict[str, str] = {}

    @field_validator("attributes", mode="before")
    @classmethod
    def _from_column(cls, held: object) -> object:
        """The column holds JSON text, or nothing."""
        return json.loads(held) if isinstance(held, str) else held or {}

    @property
    def spec(self) -> PartSpec:
        """The specification that the core works with."""
        return spec_of(self.__dict__)

    @computed_field  # type: ignore[prop-decorator]
    @property
    def size_text(self) -> str:
        """The size in words."""
        return self.spec.size_text

    @computed_field  # type: ignore[prop-decorator]
    @property
    def dimensions(self) -> dict[str, float]:
        """Its dimensions by the contract's names."""
        return self.spec.dimensions

    @property
    def element_mm(self) -> float:
        """The diameter of what rolls in it, for drawings; nothing rolls in a seal."""
        spec = self.spec
        return (
            element_mm(spec.kind, spec.d_mm, spec.D_mm, spec.T_mm or spec.B_mm)
            if isinstance(spec, BearingSpec)
            else 0.0
        )


class DialectCode(BaseModel):
    """A code of a dialect: where it is, what it sets, what it means, and a marking to try it on."""

    model_config = ConfigDict(extra="forbid")

    code: str = Field(min_length=1, max_length=8)
    place: str = Field(max_length=8, description="prefix or suffix")
    attribute: str = Field(
        max_length=40, description="closure, clearance, class, cage, angle, …; several with +"
    )
    value: str = Field(max_length=60)
    meaning: str = Field(min_length=1, max_length=120)
    basis: str = Field(default="maker's list", max_length=60)
    kinds: str = Field(default="", max_length=160, description="kinds or groups it is for; blank: all")
    example: str = Field(default="", max_length=60)


class DialectRecord(BaseModel):
    """A maker's or market's codes."""

    name: str
    version: int
    codes: list[DialectCode]


class DialectsAnswer(BaseModel):
    """Every dialect that the shop reads and writes."""

    dialects: list[DialectRecord]


class NewDialect(BaseModel):
    """A dialect to keep: a new one (version 0), or another in the place of one that was seen."""

    model_config = ConfigDict(extra="forbid")

    name: str = Field(min_length=1, max_length=40)
    version: int = Field(default=0, ge=0, le=2**31, description="the version that was seen; 0: a new one")
    codes: list[DialectCode] = Field(min_length=1, max_length=400)


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
    interchange: Interchange
    offers: list[Offer]


class MatchAnswer(BaseModel):
    """The chosen part decoded, and what can take its place, best first."""

    part_id: int
    chosen: Item
    ball_mm: float
    reading: MarkingReading | None
    marking: str
    requirement: Requirement
    by_rule: list[Equivalent]
    by_record: list[Equivalent]
    by_size: list[Equivalent]
    by_size_more: int
    match_item_id: int | None
    match_version: int


class PriceList(BaseModel):
    """A price list as CSV: maker, marking, and as far as known supplier, price, lead_days, stock, place."""

    model_config = ConfigDict(extra="forbid")

    text: str = Field(min_length=1, max_length=3_000_000)


class RefusedRow(BaseModel):
    """A row of a list that could not be taken, and why."""

    row: int
    marking: str
    why: str


class PriceListAnswer(BaseModel):
    """What a price list has brought."""

    rows: int
    added: int
    offers: int
    refused: list[RefusedRow]
    refused_count: int
