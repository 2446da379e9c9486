"""What would decide a seat that cannot be told, and what each further step would buy."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

from ample.core.fits.decision import FINER, Decided
from ample.core.fits.judging.by_fit import ByFit
from ample.core.fits.judging.chances import Spread
from ample.core.sizes import Instrument, default_instrument
from ample.core.sizes.instruments import Reach

Step = Literal["zero_on_standard", "measure_ring", "more_readings", "finer_instrument"]
STANDARD_U_UM = 1.6  # of a usual setting ring or disc
STANDARD_U_PER_MM = 0.005
RING_READ_U_UM = 1.0  # standard uncertainty of a ring's own bore on a setting standard
MANY = 12


@dataclass(frozen=True)
class NextStep:
    """A further step, the expanded uncertainty it leaves, and what it decides if it reads the same.

    `ring_from_um` and `ring_to_um` are the sizes of the ring, about nominal, with which the seat is good.
    """

    step: Step
    expanded_um: float
    decides: Decided
    instrument: str = ""
    ring_from_um: float | None = None
    ring_to_um: float | None = None


@dataclass(frozen=True)
class StepFacts:
    """What the steps start from: instrument, its reach, readings, the standard that it was zeroed on, the ring, and how to decide with another u and ring."""

    tool: Instrument
    reach: Reach
    readings: int
    size_mm: float
    standard_um: float | None
    ring_read: bool
    ring: Spread | None
    pressed: bool
    part: str
    u_with: Callable[[Instrument, int, float | None], float]
    decide: Callable[[float, Spread | None], ByFit]


def standard_u_um(size_mm: float) -> float:
    """Expanded uncertainty (k = 2) of a usual setting standard.

    Formula: 1.6 µm + 0.005 µm per mm over 50 mm.

    Args:
        size_mm: Nominal size, mm.

    Returns:
        µm.

    Raises:
        Nothing.

    Source: common certificates, from memory.

    Example:
        >>> standard_u_um(25)
        1.6
    """
    return STANDARD_U_UM + STANDARD_U_PER_MM * max(0.0, size_mm - 50)


def next_steps(facts: StepFacts) -> tuple[NextStep, ...]:
    """The further steps worth taking, those that decide first, the least trouble first.

    Formula: each is decided anew with the uncertainty that it leaves, for the same mean.

    Args:
        facts: What they start from.

    Returns:
        The steps.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> next_steps.__name__
        'next_steps'
    """
    steps = []
    tool = facts.tool
    if facts.readings < MANY:
        steps.append(
            _step(
                facts,
                "more_readings",
                facts.u_with(tool, MANY, facts.standard_um),
            )
        )
    standard = standard_u_um(facts.size_mm) if facts.standard_um is None else facts.standard_um
    zeroed = facts.u_with(tool, max(facts.readings, 6), standard)
    can_be_zeroed = tool.resolution_mm <= 0.002 and facts.standard_um is None
    if can_be_zeroed:
        steps.append(_step(facts, "zero_on_standard", zeroed))
    if facts.pressed and facts.ring is not None and not facts.ring_read:
        steps.append(
            _ring_step(
                facts,
                zeroed
                if can_be_zeroed or facts.standard_um is not None
                else facts.u_with(tool, facts.readings, None),
            )
        )
    for kind in FINER[facts.reach]:
        other = default_instrument(kind)
        if other.expanded_uncertainty_mm(facts.reach) < 0.9 * tool.expanded_uncertainty_mm(facts.reach):
            u = facts.u_with(other, facts.readings, None)
            steps.append(
                NextStep(
                    "finer_instrument", round(2 * u, 1), facts.decide(u, facts.ring).decision, other.name
                )
            )
    return tuple(sorted(steps, key=lambda each: each.decides == "cannot_tell"))


def _step(facts: StepFacts, step: Step, u_um: float) -> NextStep:
    return NextStep(step, round(2 * u_um, 1), facts.decide(u_um, facts.ring).decision)


def _ring_step(facts: StepFacts, u_um: float) -> NextStep:
    """Sizes of the ring with which the seat would be good, over what the ring can be."""
    assert facts.ring is not None
    low = facts.ring.middle_um - facts.ring.half_width_um
    high = facts.ring.middle_um + facts.ring.half_width_um
    sizes = [low + (high - low) * step / 10 for step in range(11)]
    good = [size for size in sizes if facts.decide(u_um, Spread(size, RING_READ_U_UM)).decision == "accept"]
    middle = facts.decide(u_um, Spread(facts.ring.middle_um, RING_READ_U_UM)).decision
    return NextStep(
        "measure_ring", round(2 * math.hypot(u_um, RING_READ_U_UM), 1), middle,
        ring_from_um=round(min(good), 1) if good else None, ring_to_um=round(max(good), 1) if good else None,
    )  # fmt: skip
