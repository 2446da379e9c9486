"""Loose needles: how many fill a cup or a joint, and whether some were lost."""

from __future__ import annotations

import math
from dataclasses import dataclass

from ample.core.errors import BadInput

MOST_NEEDLES = 400


@dataclass(frozen=True)
class NeedleCount:
    """How many needles belong, the gap that they leave together, how many are missing, and an alarm in words."""

    count: int
    gap_mm: float
    missing: int
    alarm: str
    words: str


def full_row(inside_mm: float, needle_mm: float) -> tuple[int, float]:
    """How many needles stand around a pin, and the gap that they leave together, mm.

    >>> full_row(2.0, 2.0)[0]
    6
    """
    pitch = inside_mm + needle_mm
    count = math.floor(math.pi / math.asin(needle_mm / pitch) + 1e-9)
    return count, count * (pitch * math.sin(math.pi / count) - needle_mm)


def needle_count(
    inside_mm: float | None, needle_mm: float, outside_mm: float | None = None, counted: int | None = None
) -> NeedleCount:
    """How many loose needles fill a full-complement cup or joint.

    Formula: N = ⌊π / asin(Dw / Dp)⌋ with the pitch diameter Dp = inside + Dw = outside − Dw; the gap
    left is Dp·sin(π/N) − Dw at each needle, N times.

    Args:
        inside_mm: The diameter that they run on (pin, trunnion), mm; or give `outside_mm`.
        needle_mm: Diameter of a needle, mm, 0.5 to 20.
        outside_mm: The diameter that they run in (cup), mm.
        counted: How many were found; not judged when not given.

    Returns:
        The number that belongs, the whole gap in mm, how many are missing, and the alarm.

    Raises:
        BadInput: When neither diameter is given, they contradict each other, or no row fits.

    Source: geometry of equal circles on a pitch circle; common practice for the alarm.

    Example:
        >>> found = needle_count(14.7, 2.5, counted=20)
        >>> found.count, found.missing
        (21, 1)
    """
    if not 0.5 <= needle_mm <= 20:
        raise BadInput("no_needle", "A needle is 0.5 to 20 mm thick.", "needle_mm")
    if inside_mm is None and outside_mm is None:
        raise BadInput(
            "no_diameter", "Give the pin or the cup that the needles run on.", "inside_mm", "mm, by caliper"
        )
    inside = inside_mm if inside_mm is not None else (outside_mm or 0.0) - 2 * needle_mm
    if inside_mm is not None and outside_mm is not None:
        room = (outside_mm - inside_mm) / 2
        if abs(room - needle_mm) > 0.1 * needle_mm:
            raise BadInput(
                "needles_do_not_fit",
                f"Between {inside_mm:g} and {outside_mm:g} mm there is {room:.3g} mm for a needle of {needle_mm:g}.",
                "needle_mm",
                "Measure all three again.",
            )
    pitch = inside + needle_mm
    if inside <= 0 or needle_mm >= pitch:
        raise BadInput("no_row", "No row of such needles fits.", "needle_mm")
    count, gap = full_row(inside, needle_mm)
    if count > MOST_NEEDLES:
        raise BadInput("too_many", f"More than {MOST_NEEDLES} needles: check the unit.", "needle_mm")
    missing = max(count - counted, 0) if counted is not None else 0
    return NeedleCount(
        count, round(gap, 3), missing, _alarm(count, missing, counted, gap, needle_mm), _words(count, gap)
    )


def _words(count: int, gap: float) -> str:
    return f"{count} needles fill the row and leave {gap:.2f} mm together."


def _alarm(count: int, missing: int, counted: int | None, gap: float, needle: float) -> str:
    if counted is None:
        return ""
    if missing:
        lost = "One needle is" if missing == 1 else f"{missing} needles are"
        return f"{lost} missing: look in the unit and the tray before anything turns, and count again at reassembly."
    if counted > count:
        return (
            f"{counted} counted, but {count} fit: they include needles from another row or of another size."
        )
    if gap > 0.9 * needle:
        return "All there, but the gap is nearly a needle wide: check the needle diameter; one too few tilts the row."
    return ""
