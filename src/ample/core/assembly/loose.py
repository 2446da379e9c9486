"""Counting loose items, so that nothing is lost or left over."""

from __future__ import annotations

import math
from dataclasses import dataclass

from ample.core.assembly.line import LooseItem
from ample.core.errors import BadInput


@dataclass(frozen=True)
class LooseCount:
    """What is wrong with a count, if anything: missing in the tray, or left over at closing."""

    key: str
    state: str
    words: str


def count_loose(items: tuple[LooseItem, ...]) -> tuple[LooseCount, ...]:
    """Judge the counts of loose items.

    Args:
        items: What came out, what lies in the tray, what is left over at closing.

    Returns:
        One judgement for each: counted, missing, too_many, not_counted, left_over or closed.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> item = LooseItem(key="keys", what="keys", came_out=2, tray=1)
        >>> count_loose((item,))[0].words
        '1 of 2 keys is missing from the tray.'
    """
    return tuple(_judged(each) for each in items)


def _judged(item: LooseItem) -> LooseCount:
    if item.left_over is not None:
        if item.left_over:
            are = "is" if item.left_over == 1 else "are"
            words = f"{item.left_over} of {item.came_out} {item.what} {are} left over: something was reassembled without them."
            return LooseCount(item.key, "left_over", words)
        return LooseCount(item.key, "closed", f"All {item.what} refitted.")
    if item.tray is None:
        return LooseCount(item.key, "not_counted", f"{item.what}: not counted yet.")
    short = item.came_out - item.tray
    if short > 0:
        are = "is" if short == 1 else "are"
        words = f"{short} of {item.came_out} {item.what} {are} missing from the tray."
        return LooseCount(item.key, "missing", words)
    if short < 0:
        words = f"{-short} more {item.what} in the tray than were removed: where are they from?"
        return LooseCount(item.key, "too_many", words)
    return LooseCount(item.key, "counted", f"{item.tray} of {item.came_out} {item.what} in the tray.")


def needles_per_cup(cup_mm: float, needle_mm: float) -> tuple[int, float]:
    """How many needles belong in a cup, and the gap that is left.

    Formula: n = ⌊π / asin(dw / (2·Rp))⌋ with Rp = (D − dw)/2; gap = 2·Rp·(π − n·asin(dw/(2·Rp))).

    Args:
        cup_mm: Raceway diameter D of the cup in mm, over twice the needle.
        needle_mm: Diameter dw of a needle in mm, above 0.

    Returns:
        The number of needles, and the gap along the pitch circle in mm (below one needle).

    Raises:
        BadInput: When needle and cup cannot go together.

    Source: geometry; a gap for one more is a lost needle (common practice).

    Example:
        >>> needles_per_cup(16.3, 2.0)[0]
        22
    """
    if not (0 < needle_mm < cup_mm / 2):
        raise BadInput("bad_needle", "A needle must be smaller than half its cup.", "needle_mm")
    radius = (cup_mm - needle_mm) / 2
    angle = math.asin(needle_mm / (2 * radius))
    count = math.floor(math.pi / angle + 1e-9)
    return count, 2 * radius * max(0.0, math.pi - count * angle)
