"""Records of models, builds and known spares."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, Field

from ample.base.strict import Strict
from ample.shop.catalogue.records import Item


class Build(BaseModel):
    """One build of a model: the answer that tells it, its picture, its serials, what differs."""

    build: str
    answer: str
    picture: str
    serial_range: str = ""
    differs: str = ""


class UnitModel(BaseModel):
    """A model of a unit, the question that tells its builds apart, and the builds."""

    name: str
    unit: str
    question: str
    builds: list[Build]


class NewBuild(Strict):
    """A build as it is recognised: what is seen, its picture, its serials, what it takes."""

    build: str = Field(min_length=1, max_length=40)
    answer: str = Field(min_length=2, max_length=120)
    picture: Literal[
        "screws_4", "screws_6", "square_ring", "round_ring", "spacer", "no_spacer", "one_lip", "two_lips"
    ]
    serial_range: str = Field(default="", max_length=60)
    differs: str = Field(default="", max_length=160)


class NewSpare(Strict):
    """A part that a model is known to need; stock and lead time when they are known."""

    name: str = Field(min_length=2, max_length=80)
    quantity: int = Field(default=1, ge=1, le=999)
    build: str = Field(default="", max_length=40)
    in_stock: int | None = Field(default=None, ge=0, le=9999)
    lead_days: int | None = Field(default=None, ge=0, le=3650)


class NewModel(Strict):
    """A model of which several builds are known, and the question that tells them apart."""

    name: str = Field(min_length=2, max_length=60)
    unit: str = Field(default="other", max_length=20)
    question: str = Field(min_length=4, max_length=160)
    builds: list[NewBuild] = Field(min_length=2, max_length=6)
    spares: list[NewSpare] = Field(default_factory=list, max_length=60)


class KnownSpare(BaseModel):
    """A part the unit is known to need: from the recipe of its model or from an earlier job."""

    name: str
    quantity: int
    known_from: str
    item: Item | None
    in_stock: int | None
    lead_days: int | None
    state: str
    words: str


class UnitModels(BaseModel):
    """Every model the shop knows."""

    models: list[UnitModel]
