"""Records of taking a unit in."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, Field

from ample.base.records import Acknowledged, JobHead
from ample.base.strict import Strict
from ample.core.condition import Caution, Refusal
from ample.core.condition.take_in import TakeInSheet
from ample.core.contract.job import CausesAnswer
from ample.shop.units.records import KnownSpare, UnitModel


class TakeInSave(Strict):
    """The sheet to keep, and the version it was made from (0 for the first)."""

    version: int = Field(ge=0)
    sheet: TakeInSheet


class BuiltIn(Strict):
    """Where the machine of a job was built; empty: not known."""

    built_in: Literal["", "inch", "metric", "far_east"]


class TakeInAnswer(BaseModel):
    """A unit taken in: the sheet, likely causes, cautions, builds, spares."""

    job: JobHead
    sheet: TakeInSheet
    version: int
    found_on_line: list[str]
    causes: CausesAnswer
    cautions: list[Caution]
    refused: list[Refusal]
    not_understood: list[str]
    acknowledged: list[Acknowledged]
    model: UnitModel | None
    spares: list[KnownSpare]
