"""Records of models, builds and known spares."""

from __future__ import annotations

from pydantic import BaseModel

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
