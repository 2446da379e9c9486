"""Which zone a seat should have, by load case, with both schools and the reason."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.fits.duty import Duty
from ample.core.fits.judging.rules import SeatRule, stands_against
from ample.core.standards import DeviationLimits, limits
from ample.core.tables import Table, read_table

TIGHTEST_IN_SPLIT = ("H7", "J7")
_DEVIATIONS = re.compile(r"([+-]?\d{1,3}(?:\.\d)?)\s*/\s*([+-]?\d{1,3}(?:\.\d)?)")


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
    """The advice with the rule, the limits of the zone that is chosen and of what stands against it, µm about nominal."""

    rule: str
    chosen_zone: str
    zone_lower_um: float
    zone_upper_um: float
    ring_lower_um: float | None
    ring_upper_um: float | None


@lru_cache
def _table() -> Table:
    return read_table(Path(__file__).with_name("zones.csv"))


def zone_advice(
    part: str, size_mm: float, duty: Duty, family: str = "ball", material: str = "steel"
) -> ZoneAdvice:
    """The zone that a seat should have.

    Formula: tabulated by family, load direction, load, metal and size; a split housing is never tighter than J.

    Args:
        part: `shaft` or `housing`.
        size_mm: Nominal size of the seat, above 0 to 500 mm.
        duty: The load case.
        family: The family of zones, `ball` for radial ball bearings.
        material: What the part is of.

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
    metal = "light" if material == "aluminium" else "heavy"
    for row in _table().rows:
        fits_case = (
            row["family"] == family
            and row["part"] == part
            and row["turning"] in ("any", duty.turning)
            and row["metal"] in ("any", metal)
            and row["load"] in ("any", duty.load)
            and row["slides"] in ("any", slides)
            and float(row["over_mm"]) < size_mm <= float(row["up_to_mm"])
        )
        if fits_case:
            return _advised(row, part, duty)
    raise BadInput(
        "outside_table", f"No zone is advised for {size_mm:g} mm: the table ends below it.", "size_mm"
    )


def _advised(row: dict[str, str], part: str, duty: Duty) -> ZoneAdvice:
    zone, other, reason = row["zone"], row["other_zone"], row["reason"]
    if part == "housing" and duty.split and zone not in (*TIGHTEST_IN_SPLIT, "G7"):
        zone, other = "J7", "H7"
        reason += " Never tighter than J in a split housing: it would pinch the ring."
    return ZoneAdvice(part, zone, other, reason, row["schools"], _table().source)


def zone_limits(size_mm: float, zone: str) -> DeviationLimits:
    """The limits of a zone of ISO 286, or of deviations as a drawing gives them.

    Formula: tabulated; `+25/+38` are deviations in µm, the lower first or last.

    Args:
        size_mm: Nominal size, mm.
        zone: A zone such as `k5`, or two deviations such as `+25/+38`.

    Returns:
        Lower and upper limit, µm.

    Raises:
        BadInput: When it is neither.

    Source: ISO 286-1.

    Example:
        >>> zone_limits(34.925, "+25/+38").upper_um
        38.0
    """
    given = _DEVIATIONS.fullmatch(zone.strip().replace("−", "-"))
    if given is None:
        return limits(size_mm, zone)
    low, high = sorted(float(text) for text in given.groups())
    if low == high:
        raise BadInput("no_width", "The two deviations are the same.", "zone")
    return DeviationLimits(zone.strip(), size_mm, low, high, "deviations as given")


def choose_zone(
    rule: SeatRule,
    part: str,
    size_mm: float,
    duty: Duty,
    zone: str | None = None,
    tolerance_class: str = "Normal",
    material: str = "steel",
) -> ZoneChoice:
    """The zone advised, with the limits of the one chosen and of what stands against the seat.

    Args:
        rule: The rule of the seat.
        part: `shaft` or `housing`.
        size_mm: Nominal size of the seat, above 0 to 500 mm.
        duty: The load case.
        zone: The zone chosen; as advised when None.
        tolerance_class: Class of the bearing's rings.
        material: What the part is of.

    Returns:
        The advice and the limits, µm.

    Raises:
        BadInput: When the part is neither, the zone does not exist or the size is outside a table.

    Source: zones.csv; ISO 286-1; ISO 492.

    Example:
        >>> choose_zone(SeatRule("pressed_ring", "radial", "ball"), "shaft", 25, Duty(), "h6").zone_lower_um
        -13.0
    """
    advice = zone_advice(part, size_mm, duty, rule.zones, material)
    chosen = zone_limits(size_mm, zone or advice.zone)
    against = stands_against(rule, part, size_mm, tolerance_class)
    return ZoneChoice(
        **vars(advice),
        rule=rule.rule,
        chosen_zone=chosen.zone,
        zone_lower_um=chosen.lower_um,
        zone_upper_um=chosen.upper_um,
        ring_lower_um=against.lower_um if against else None,
        ring_upper_um=against.upper_um if against else None,
    )
