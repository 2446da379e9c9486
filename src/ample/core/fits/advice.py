"""Which zone a seat should have, by load case, with both schools and the reason."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.standards import limits, ring_limits
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


@dataclass(frozen=True)
class ZoneAdvice:
    """The zone to choose, the other school's, and why."""

    part: str
    zone: str
    other_zone: str
    reason: str
    schools: str
    source: str


@dataclass(frozen=True)
class ZoneChoice(ZoneAdvice):
    """The advice with the limits of the zone that is chosen and of the bearing's ring, µm about nominal."""

    chosen_zone: str
    zone_lower_um: float
    zone_upper_um: float
    ring_lower_um: float
    ring_upper_um: float


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
        raise BadInput("no_such_part", f"Unknown seat “{part[:20]}”.", "part", "shaft or housing")
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
        reason += " Never tighter than J in a split housing: it would pinch the ring."
    return ZoneAdvice(part, zone, other, reason, row["schools"], _table().source)


def choose_zone(
    part: str,
    size_mm: float,
    duty: Duty,
    zone: str | None = None,
    tolerance_class: str = "Normal",
    ring_kind: str = "radial",
) -> ZoneChoice:
    """The zone advised, with the limits of the one chosen and of the bearing's ring.

    Args:
        part: `shaft` or `housing`.
        size_mm: Nominal size of the seat, above 0 to 500 mm.
        duty: The load case.
        zone: The zone chosen; as advised when None.
        tolerance_class: Class of the bearing's rings (ISO 492).
        ring_kind: Whose ring tolerances hold: `radial`, `taper`, `inch_taper` or `thrust`.

    Returns:
        The advice and the limits, µm.

    Raises:
        BadInput: When the part is neither, the zone does not exist or the size is outside a table.

    Source: zones.csv; ISO 286-1; ISO 492.

    Example:
        >>> choose_zone("shaft", 25, Duty(), "h6").zone_lower_um
        -13.0
    """
    advice = zone_advice(part, size_mm, duty)
    chosen = limits(size_mm, zone or advice.zone)
    ring = ring_limits("bore" if part == "shaft" else "outside", size_mm, tolerance_class, ring_kind)
    return ZoneChoice(
        **vars(advice),
        chosen_zone=chosen.zone,
        zone_lower_um=chosen.lower_um,
        zone_upper_um=chosen.upper_um,
        ring_lower_um=ring.lower_um,
        ring_upper_um=ring.upper_um,
    )
