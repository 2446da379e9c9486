"""How each kind of bearing sits, runs or is held on a shaft and in a housing, and what stands against its seat."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.fits.duty import Duty
from ample.core.parts import BearingSpec, bearing_kinds
from ample.core.standards import DeviationLimits, limits, ring_limits
from ample.core.standards.steps import Steps, read_steps
from ample.core.tables import read_table

_HERE = Path(__file__).parent
PRESSED, STANDING = "pressed_ring", "standing_ring"
RINGS = (PRESSED, STANDING)
TAPER_BORE = "taper_bore"


@dataclass(frozen=True)
class SeatRule:
    """The rule of a seat: `rule`, whose limits stand against it (`ring`), and the family of zones."""

    rule: str
    ring: str
    zones: str


_SLEEVE = SeatRule(TAPER_BORE, "none", "sleeve")


@cache
def _rules() -> dict[tuple[str, str], SeatRule]:
    rows = read_table(_HERE / "rules.csv").rows
    return {(row["kind"], row["part"]): SeatRule(row["rule"], row["ring"], row["zones"]) for row in rows}


@cache
def _inside() -> tuple[str, dict[str, Steps[tuple[float, float]]]]:
    table = read_table(_HERE / "inside_limits.csv")
    held: dict[str, list[tuple[float, float, tuple[float, float]]]] = {}
    for row in table.rows:
        step = (
            float(row["over_mm"]),
            float(row["up_to_mm"]),
            (float(row["lower_um"]), float(row["upper_um"])),
        )
        held.setdefault(row["of"], []).append(step)
    return table.source, {name: read_steps(rows) for name, rows in held.items()}


def has_seat(spec: BearingSpec, part: str) -> bool:
    """Whether a bearing has a seat on a shaft or in a housing at all.

    Args:
        spec: The bearing.
        part: `shaft` or `housing`.

    Returns:
        False for the bore of a track roller's outside, the shaft of a cup, and the like.

    Raises:
        Nothing.

    Source: rules.csv.

    Example:
        >>> has_seat(BearingSpec("NATR25", "NATR", 25, 52, 25, kind="track_roller_yoke"), "housing")
        False
    """
    return (spec.kind, part) in _rules()


def seat_rule(spec: BearingSpec, part: str, duty: Duty) -> SeatRule:
    """The rule by which a seat of a bearing is judged.

    Args:
        spec: The bearing.
        part: `shaft` or `housing`.
        duty: The load case: a ring is `pressed_ring` where the load turns about it, else `standing_ring`.

    Returns:
        The rule; `taper_bore` for the shaft under a taper bore.

    Raises:
        BadInput: When the bearing has no such seat.

    Source: rules.csv.

    Example:
        >>> seat_rule(BearingSpec("HK2016", "HK", 20, 26, 16, kind="drawn_cup"), "shaft", Duty()).rule
        'raceway'
    """
    found = _rules().get((spec.kind, part))
    if found is None:
        raise BadInput("no_such_seat", no_seat_words(spec, part), "part")
    if part == "shaft" and spec.bore_shape != "cylindrical":
        return _SLEEVE
    if found.rule != "ring":
        return found
    return SeatRule(PRESSED if duty.load_turns_about(part) else STANDING, found.ring, found.zones)


def no_seat_words(spec: BearingSpec, part: str) -> str:
    """That a bearing has no seat there, or that its kind has no rules.

    Args:
        spec: The bearing.
        part: `shaft` or `housing`.

    Returns:
        One sentence.

    Raises:
        KeyError: When the kind does not exist.

    Source: common practice.

    Example:
        >>> no_seat_words(BearingSpec("NATR25", "NATR", 25, 52, 25, kind="track_roller_yoke"), "housing")
        'A yoke type track roller has no seat in a housing: there is nothing to check.'
    """
    if not any(kind == spec.kind for kind, _ in _rules()):
        return f"The fits of a {bearing_kinds()[spec.kind].words} are not judged yet: there are no rules for them here."
    where = "on a shaft" if part == "shaft" else "in a housing"
    return f"A {bearing_kinds()[spec.kind].words} has no seat {where}: there is nothing to check."


def seat_size_mm(spec: BearingSpec, part: str, rule: SeatRule) -> float:
    """Nominal size of a seat on a straight bore.

    Args:
        spec: The bearing.
        part: `shaft` or `housing`.
        rule: Its rule; the bore for a stud is as large as the stud.

    Returns:
        mm.

    Raises:
        Nothing.

    Example:
        >>> seat_size_mm(BearingSpec("6205", "62", 25, 52, 15), "housing", SeatRule("standing_ring", "radial", "ball"))
        52
    """
    return spec.d_mm if part == "shaft" or rule.ring == "stud" else spec.D_mm


def class_of_rings(spec: BearingSpec, asked: str | None = None) -> str:
    """The tolerance class of a bearing's rings; an inch taper's ordinary class is 4.

    Args:
        spec: The bearing.
        asked: The class that is asked for; the bearing's own when None.

    Returns:
        A class that `ring_limits` may hold.

    Raises:
        Nothing.

    Source: ISO 492, ANSI/ABMA 19.2.

    Example:
        >>> class_of_rings(BearingSpec("x", "x", 34.925, 65.088, 18.288, kind="inch_taper"))
        '4'
    """
    own = asked or spec.tolerance_class
    inch = spec.kind in ("inch_taper", "inch_cone", "inch_cup")
    return "4" if inch and own == "Normal" else own


def stands_against(
    rule: SeatRule, part: str, size_mm: float, tolerance_class: str = "Normal"
) -> DeviationLimits | None:
    """The limits of the ring, cup or stud that stands against a seat.

    Formula: tabulated by kind: rings by ISO 492 and ISO 199, inch tapers plus, the size under the needles of a pressed
    drawn cup, the bore of an insert, a stud at h7.

    Args:
        rule: The rule of the seat.
        part: `shaft` or `housing`.
        size_mm: Nominal size of the seat, mm.
        tolerance_class: Class of the rings.

    Returns:
        The limits, or None where only the zone counts.

    Raises:
        BadInput: When the class or size is not held.

    Source: ISO 492, ISO 199, ISO 1206, inside_limits.csv.

    Example:
        >>> stands_against(SeatRule("raceway", "under_cup", "drawn_cup"), "shaft", 20).lower_um
        20.0
    """
    if rule.ring == "none":
        return None
    if rule.ring == "stud":
        held = limits(size_mm, "h7")
        return DeviationLimits("stud h7", size_mm, held.lower_um, held.upper_um, "common lists")
    source, inside = _inside()
    if rule.ring in inside:
        low, high = inside[rule.ring].at(size_mm, "The table of inside sizes")
        return DeviationLimits(rule.ring, size_mm, low, high, source)
    if rule.ring == "under_needles":
        found = ring_limits("under_needles", size_mm, "Normal", "needle")
    else:
        found = ring_limits("bore" if part == "shaft" else "outside", size_mm, tolerance_class, rule.ring)
    return DeviationLimits(found.ring, size_mm, found.lower_um, found.upper_um, found.source)
