"""Which zone a seat should have, by load case, with both schools and the reason."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import Table, read_table

TURNING = ("shaft", "housing", "shaking")
LOADS = ("light", "normal", "heavy")
TIGHTEST_IN_SPLIT = ("H7", "J7")
LOAD_SHARES = {"light": 0.05, "normal": 0.10, "heavy": 0.15}


@dataclass(frozen=True)
class Duty:
    """How a bearing is loaded: which side turns, how hard, whether it must slide or sits in halves."""

    turning: str = "shaft"
    load: str = "normal"
    slides: bool = False
    split: bool = False

    def __post_init__(self) -> None:
        for name, value, known in (
            ("turning", self.turning, TURNING),
            ("load", self.load, LOADS),
        ):
            if value not in known:
                raise BadInput(
                    "no_such_duty",
                    f"“{value[:20]}” is no load case.",
                    f"duty.{name}",
                    f"One of {', '.join(known)}.",
                )

    def load_turns_about(self, part: str) -> bool:
        """Whether the load turns relative to the ring on this part, so that it can creep."""
        return self.turning == "shaking" or self.turning == part

    @property
    def words(self) -> str:
        """The load case as it is said."""
        case = {
            "shaft": "the shaft turns, the load stands still",
            "housing": "the housing turns, the load stands still",
            "shaking": "the load shakes or has no fixed direction",
        }[self.turning]
        return f"{case}; {self.load} load"


@dataclass(frozen=True)
class ZoneAdvice:
    """The zone to choose, the other school's, and why."""

    part: str
    zone: str
    other_zone: str
    reason: str
    schools: str
    source: str


@lru_cache
def _table() -> Table:
    return read_table(Path(__file__).with_name("zones.csv"))


def zone_advice(part: str, size_mm: float, duty: Duty) -> ZoneAdvice:
    """The zone that a seat of a radial ball bearing should have.

    Formula: tabulated by load direction, load and size; a split housing is never tighter than J.

    Args:
        part: `shaft` or `housing`.
        size_mm: Nominal size of the seat, above 0 to 500 mm.
        duty: The load case.

    Returns:
        The zone, the other school's zone and the reason.

    Raises:
        BadInput: When the part is neither or the size is outside the table.

    Source: bearing handbooks' selection tables (`zones.csv`, from memory; they differ by a step).

    Example:
        >>> zone_advice("shaft", 25, Duty()).zone
        'k5'
    """
    if part not in ("shaft", "housing"):
        raise BadInput("no_such_part", f"“{part[:20]}” is no seat.", "part", "shaft or housing")
    slides = "yes" if duty.slides else "no"
    for row in _table().rows:
        fits_case = (
            row["part"] == part
            and row["turning"] == duty.turning
            and row["load"] in ("any", duty.load)
            and row["slides"] in ("any", slides)
            and float(row["over_mm"]) < size_mm <= float(row["up_to_mm"])
        )
        if fits_case:
            return _advised(row, part, duty)
    raise BadInput(
        "outside_table", f"No zone is advised for {size_mm:g} mm: the table ends at 500 mm.", "size_mm"
    )


def _advised(row: dict[str, str], part: str, duty: Duty) -> ZoneAdvice:
    zone, other, reason = row["zone"], row["other_zone"], row["reason"]
    if part == "housing" and duty.split and zone not in (*TIGHTEST_IN_SPLIT, "G7"):
        zone, other = "J7", "H7"
        reason += " A split housing is never tighter than J: it would pinch the ring."
    return ZoneAdvice(part, zone, other, reason, row["schools"], _table().source)
