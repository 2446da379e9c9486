"""End play by dial: what it is, how sure that is, and the nut turn or shim that gets it right."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import fmean, stdev
from typing import Literal

from ample.core.errors import BadInput

Decision = Literal["tight", "right", "loose"]
MOST_READINGS, MOST_LEAVES = 40, 24
MOST_MM = 50.0


@dataclass(frozen=True)
class EndPlay:
    """The play with its uncertainty (k = 2), its verdict, and what to change; positive: more play."""

    play_mm: float
    uncertainty_mm: float
    decision: Decision
    sure: bool
    shim_change_mm: float
    turn_deg: float | None
    leaves: tuple[float, ...]


def end_play(
    readings_mm: Sequence[tuple[float, float]],
    least_mm: float,
    most_mm: float,
    dial_uncertainty_mm: float = 0.01,
    pitch_mm: float | None = None,
    leaves_mm: Sequence[float] = (),
) -> EndPlay:
    """Judge an end play from a dial, the shaft pushed and then pulled, and work out what sets it right.

    Formula: play = mean of |pulled − pushed|; U = 2·√((U_d/2)² + s²/n), s the sample standard deviation of n plays (0 for
    one). Change = middle of what is wanted − play, 0 when right; turn = 360°·change/pitch.

    Args:
        readings_mm: The dial, pushed and pulled, mm; 1 to 40 pairs.
        least_mm: The least play wanted, mm; below zero for a preload.
        most_mm: The most, mm.
        dial_uncertainty_mm: U (k = 2) of one play, mm, 0 to 1.
        pitch_mm: Pitch of the nut's thread, mm; no turn is given without.
        leaves_mm: Shim leaves at hand, each once, mm; at most 24.

    Returns:
        The play, the decision by its mean (limits included), whether its whole uncertainty says the same, and the change:
        shim added under the cap and nut backed off are positive. Leaves come nearest to its amount, thickest first.

    Raises:
        BadInput: At `readings_mm`, `wanted_mm`, `dial_uncertainty_mm`, `pitch_mm` or `leaves_mm`.

    Source: JCGM 100 (GUM) for U; geometry of a thread.

    Example:
        >>> found = end_play([(0.0, 0.16), (0.01, 0.16)], 0.05, 0.10, pitch_mm=1.5)
        >>> found.decision, found.sure, found.turn_deg
        ('loose', True, -19.2)
    """
    _check(readings_mm, least_mm, most_mm, dial_uncertainty_mm, pitch_mm, leaves_mm)
    plays = [abs(pulled - pushed) for pushed, pulled in readings_mm]
    play = fmean(plays)
    scatter = stdev(plays) if len(plays) > 1 else 0.0
    uncertainty = 2 * math.hypot(dial_uncertainty_mm / 2, scatter / math.sqrt(len(plays)))
    decision = _decided(play, least_mm, most_mm)
    sure = all(
        _decided(end, least_mm, most_mm) == decision for end in (play - uncertainty, play + uncertainty)
    )
    change = 0.0 if decision == "right" else (least_mm + most_mm) / 2 - play
    return EndPlay(
        round(play, 6),
        round(uncertainty, 6),
        decision,
        sure,
        round(change, 6),
        None if pitch_mm is None else round(360 * change / pitch_mm, 3),
        _nearest(abs(change), leaves_mm),
    )


def _decided(play: float, least: float, most: float) -> Decision:
    near = 1e-9  # a play that is typed as the limit is at the limit
    return "tight" if play < least - near else "loose" if play > most + near else "right"


def _nearest(wanted_mm: float, leaves_mm: Sequence[float]) -> tuple[float, ...]:
    """The leaves whose sum is nearest to a thickness; of equals the fewest, then the thickest first."""
    if not wanted_mm or not leaves_mm:
        return ()
    best: dict[int, tuple[int, ...]] = {0: ()}
    for leaf in sorted((round(each * 1000) for each in leaves_mm), reverse=True):
        for total, own in list(best.items()):
            made, held = (*own, leaf), best.get(total + leaf)
            if held is None or (len(made), tuple(-each for each in made)) < (
                len(held),
                tuple(-each for each in held),
            ):
                best[total + leaf] = made
    wanted = wanted_mm * 1000
    _, own = min(
        best.items(),
        key=lambda each: (round(abs(each[0] - wanted), 6), len(each[1]), [-one for one in each[1]]),
    )
    return tuple(each / 1000 for each in own)


def _check(
    readings: Sequence[tuple[float, float]], least: float, most: float, dial: float, pitch: float | None,
    leaves: Sequence[float],
) -> None:  # fmt: skip
    if not 1 <= len(readings) <= MOST_READINGS:
        raise BadInput("bad_readings", f"1 to {MOST_READINGS} pairs, pushed and pulled.", "readings_mm")
    for number, pair in enumerate(readings):
        if not all(math.isfinite(each) and abs(each) <= MOST_MM for each in pair):
            raise BadInput(
                "bad_reading", "That is outside the range of a dial gauge.", f"readings_mm[{number}]", "mm"
            )
    if not (math.isfinite(least) and math.isfinite(most) and least <= most and max(-least, most) <= MOST_MM):
        raise BadInput("bad_range", "The minimum play must not exceed the maximum.", "wanted_mm")
    if not 0 <= dial <= 1:
        raise BadInput("bad_uncertainty", "0 to 1 mm.", "dial_uncertainty_mm")
    if pitch is not None and not 0 < pitch <= MOST_MM:
        raise BadInput("bad_pitch", "The pitch must be above zero.", "pitch_mm")
    if len(leaves) > MOST_LEAVES or not all(0 < each <= MOST_MM for each in leaves):
        raise BadInput("bad_leaves", f"At most {MOST_LEAVES} shims, each above zero.", "leaves_mm")
