"""What a unit needs before an order leaves."""

from ample.core.kits.gate import LIGHTS, GateFacts, GateLight, SeatFact, gate
from ample.core.kits.spares import Spare, SpareJudgement, judge_spare

__all__ = ["LIGHTS", "GateFacts", "GateLight", "SeatFact", "Spare", "SpareJudgement", "gate", "judge_spare"]
