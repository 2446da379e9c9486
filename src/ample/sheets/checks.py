"""The checks before a part is ordered: what kinds of sheet say, and what the order itself asks.

Each is bound to the facts that it rests on: an override is given for them, and for no others.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ample.base.marks import mark_of
from ample.core.kits import OrderCheckResult, OrderFacts
from ample.core.kits.order_checks import in_order, interchange, quantity, stock
from ample.sheets.register import SHEETS

OF_THE_ORDER = (interchange, quantity, stock)


@dataclass(frozen=True)
class OrderCheck:
    """A check of a part that is to be ordered, with the fingerprint of its facts."""

    check: str
    state: str
    words: str
    facts_mark: str


def check_by_kinds(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """What all kinds of sheet and the order itself say of a part, in the order it is shown."""
    checks = (*(kind.order_checks for kind in SHEETS.values()), *OF_THE_ORDER)
    return in_order(each for check in checks for each in check(facts))


def order_checks(facts: OrderFacts, rests_on: Mapping[str, object]) -> list[OrderCheck]:
    """The checks of a part. `rests_on` gives by name the facts that a check rests on, where it does not say so itself."""
    return [
        OrderCheck(
            each.check,
            each.state,
            each.words,
            mark_of(each.check, each.state, rests_on.get(each.check, each.rests_on)),
        )
        for each in check_by_kinds(facts)
    ]
