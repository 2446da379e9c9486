"""Spares before anything is opened: what is on the shelf, what takes too long."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.errors import BadInput


@dataclass(frozen=True)
class Spare:
    """A part that the unit is known to need: how many, what is in stock, the shortest lead time known."""

    name: str
    quantity: int
    in_stock: int | None
    lead_days: int | None


@dataclass(frozen=True)
class SpareJudgement:
    """on_shelf, in_time, too_late or not_known, and why in words."""

    state: str
    words: str


def judge_spare(spare: Spare, may_lie_open_days: int | None) -> SpareJudgement:
    """Say whether a part is available within the time the unit may be down.

    Args:
        spare: What is known of the part.
        may_lie_open_days: Days the unit may be down, 0 and up; None when nobody has said.

    Returns:
        The judgement.

    Raises:
        BadInput: When a number is negative.

    Source: common practice: spares first.

    Example:
        >>> judge_spare(Spare("face seal", 1, 0, 21), 7).state
        'too_late'
    """
    if spare.quantity < 1 or (may_lie_open_days or 0) < 0:
        raise BadInput("bad_number", "A number of parts or days is out of range.", "quantity")
    if spare.in_stock is not None and spare.in_stock >= spare.quantity:
        return SpareJudgement("on_shelf", f"{spare.in_stock} on the shelf.")
    if spare.in_stock is None and spare.lead_days is None:
        return SpareJudgement("not_known", "Neither stock nor lead time is known: ask before opening.")
    some = f"{spare.in_stock} of {spare.quantity} on the shelf; " if spare.in_stock else ""
    if spare.lead_days is None:
        return SpareJudgement("not_known", f"{some}no supplier offers it: ask before opening.")
    if may_lie_open_days is None:
        return SpareJudgement(
            "not_known", f"{some}{spare.lead_days} days lead time: what is the max. downtime?"
        )
    if spare.lead_days <= may_lie_open_days:
        return SpareJudgement("in_time", f"{some}{spare.lead_days} days lead time, in time.")
    late = spare.lead_days - may_lie_open_days
    return SpareJudgement(
        "too_late", f"{some}{spare.lead_days} days lead time: {late} too late. Order before opening."
    )
