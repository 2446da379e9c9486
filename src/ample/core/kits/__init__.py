"""What must be proven before a part is ordered."""

from ample.core.kits.gate import LIGHTS, GateFacts, GateLight, SeatFact, gate

__all__ = ["LIGHTS", "GateFacts", "GateLight", "SeatFact", "gate"]
