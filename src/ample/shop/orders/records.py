"""Records of orders."""

from __future__ import annotations

from decimal import Decimal
from typing import Literal

from pydantic import BaseModel, Field

from ample.base.strict import Strict
from ample.base.times import UtcTime
from ample.core.contract import AttributeJudgement
from ample.core.parts.requirement import Change, Requirement
from ample.shop.catalogue.records import Item, Offer


class CheckAnswer(BaseModel):
    """A check: its state, why in words, and an override that a person gave with a reason."""

    light: str
    state: str
    words: str
    facts_mark: str = Field(description="of the facts it was judged on; an override applies to them only")
    passed_reason: str | None = None
    passed_by: str | None = None
    passed_at: UtcTime | None = None


class OrderLine(BaseModel):
    """One line: what is ordered for which part, and its checks."""

    line_id: int
    part_id: int
    part_name: str
    job_number: str
    job_title: str
    replaces: str = Field(description="the requirement, as one would ask for it")
    requirement: Requirement | None
    item: Item
    ball_mm: float
    differences: list[AttributeJudgement] = Field(description="where the item differs from the requirement")
    changes: list[Change] = Field(
        description="what has changed of the requirement since this was put on the order"
    )
    match_item_id: int | None = Field(description="what is chosen on Match now, where it is another item")
    needed: int
    withdrawn_at: UtcTime | None
    withdrawn_by: str | None
    withdrawn_reason: str | None
    quantity: int
    price: Decimal
    lead_days: int
    version: int
    lights: list[CheckAnswer]
    open_lights: int
    other_offers: list[Offer]


class OrderSheet(BaseModel):
    """One supplier's sheet."""

    order_id: int
    number: str
    supplier_id: int
    supplier: str
    place: str
    state: Literal["open", "placed"]
    placed_at: UtcTime | None
    placed_by: str | None
    version: int
    lines: list[OrderLine]
    total: Decimal
    longest_days: int
    ready: bool


class WaitingPart(BaseModel):
    """A part with a replacement chosen that is on no sheet yet."""

    part_id: int
    part_name: str
    job_number: str
    item: Item
    needed: int
    offers: list[Offer]


class OrdersAnswer(BaseModel):
    """All sheets, open ones first, and what waits to be put on one."""

    sheets: list[OrderSheet]
    waiting: list[WaitingPart]


class AddLine(Strict):
    """Put a part on the sheet of a supplier (the cheapest when not said)."""

    part_id: int = Field(ge=1, le=2**31)
    supplier_id: int | None = Field(default=None, ge=1, le=2**31)
    quantity: int | None = Field(default=None, ge=1, le=999, description="else as many as the unit needs")


class WithdrawLine(Strict):
    """An item of a placed order that is not wanted any more."""

    version: int = Field(ge=1)
    reason: str = Field(min_length=4, max_length=300)


class ChangeLine(Strict):
    """Another quantity."""

    version: int = Field(ge=1)
    quantity: int = Field(ge=1, le=999)


class OverrideCheck(Strict):
    """Override a check with a reason that stays on record."""

    light: Literal[
        "identity", "interchange", "shaft", "housing", "quantity", "clearance", "strip_down", "build", "stock"
    ]  # fmt: skip
    facts_mark: str = Field(pattern=r"^[0-9a-f]{16}$", description="of the check as it was seen")
    reason: str = Field(min_length=8, max_length=300)


class PlaceOrder(Strict):
    """Place the sheet at this version."""

    version: int = Field(ge=1)
