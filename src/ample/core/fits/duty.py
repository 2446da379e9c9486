"""How a bearing is loaded."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.errors import BadInput

TURNING = ("shaft", "housing", "shaking")
LOADS = ("light", "normal", "heavy")
LOAD_SHARES = {"light": 0.05, "normal": 0.10, "heavy": 0.15}


@dataclass(frozen=True)
class Duty:
    """How a bearing is loaded: which side turns, how hard (in N where known), whether it slides or sits in halves."""

    turning: str = "shaft"
    load: str = "normal"
    slides: bool = False
    split: bool = False
    radial_n: float | None = None

    def __post_init__(self) -> None:
        for name, value, known in (
            ("turning", self.turning, TURNING),
            ("load", self.load, LOADS),
        ):
            if value not in known:
                raise BadInput(
                    "no_such_duty",
                    f"Unknown load case “{value[:20]}”.",
                    f"duty.{name}",
                    f"One of {', '.join(known)}.",
                )

    def load_turns_about(self, part: str) -> bool:
        """Whether the load turns relative to the ring on this part, so that it can creep."""
        return self.turning == "shaking" or self.turning == part

    @property
    def words(self) -> str:
        """The load case in words."""
        case = {
            "shaft": "rotating load on the inner ring (shaft rotates, load stationary)",
            "housing": "rotating load on the outer ring (housing rotates, load stationary)",
            "shaking": "indeterminate load",
        }[self.turning]
        return f"{case}; {self.load} load"
