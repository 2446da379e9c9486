"""What a unit needs before an order leaves."""

from ample.core.kits.gate import GateFacts, GateLight, SeatFact, gate
from ample.core.kits.spares import Spare, SpareJudgement, judge_spare

__all__ = ["GateFacts", "GateLight", "SeatFact", "Spare", "SpareJudgement", "gate", "judge_spare"]
