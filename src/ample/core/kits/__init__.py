"""What a unit needs before an order leaves."""

from ample.core.kits.gate import (
    ALSO,
    LIGHTS,
    GateFacts,
    GateLight,
    LineFacts,
    OnTheShelf,
    SeatFact,
    gate,
)
from ample.core.kits.spares import Spare, SpareJudgement, judge_spare

__all__ = [
    "ALSO",
    "LIGHTS",
    "GateFacts",
    "GateLight",
    "LineFacts",
    "OnTheShelf",
    "SeatFact",
    "Spare",
    "SpareJudgement",
    "gate",
    "judge_spare",
]
