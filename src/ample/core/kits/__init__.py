"""What a unit needs before an order leaves."""

from ample.core.kits.order_checks import (
    ALSO,
    CHECKS,
    LineFacts,
    OnTheShelf,
    OrderCheckResult,
    OrderFacts,
    SeatFact,
    check_part,
)
from ample.core.kits.spares import Spare, SpareJudgement, judge_spare

__all__ = [
    "ALSO",
    "CHECKS",
    "LineFacts",
    "OnTheShelf",
    "OrderCheckResult",
    "OrderFacts",
    "SeatFact",
    "Spare",
    "SpareJudgement",
    "check_part",
    "judge_spare",
]
