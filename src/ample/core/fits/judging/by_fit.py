"""The decision about a seat by what its fit will do, with the risk of each way."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ample.core.fits.decision import Decided
from ample.core.fits.judging.rules import PRESSED

HOLDS, FREE, LIKELY_IN_ZONE = 0.95, 0.90, 0.5
LOOSE, OUT_OF_ZONE, IN_ZONE = 0.5, 0.05, 0.95
NEVER_FREE = 0.05
GOOD_FITNESS, UNFIT = 3.0, 1.0

Because = Literal[
    "fit_good",
    "in_zone",
    "will_creep",
    "out_of_zone",
    "no_clearance",
    "not_sure",
    "form_bad",
    "form_doubtful",
    "raceway_bad",
    "too_tight",
]
Fitness = Literal["good", "only_zeroed", "unfit"]


@dataclass(frozen=True)
class Chances:
    """What is known of a seat: chances of zone, hold and clearance; None where it is not asked.

    `burst_share` is the likely effective interference over a thousandth of the seat, where a ring may split.
    `free` is the chance that the bearing's own group leaves clearance, `freest` the best that any group reaches.
    """

    zone: float
    holds: float | None = None
    free: float | None = None
    freest: float | None = None
    burst_share: float = 0.0


@dataclass(frozen=True)
class ByFit:
    """What is decided, and on what it rests."""

    decision: Decided
    because: Because


@dataclass(frozen=True)
class LeastChances:
    """The least chances with which a seat is accepted."""

    zone: float
    holds: float
    clearance: float


def wanted_of(rule: str, asked_to_hold: bool) -> LeastChances:
    """The least chances with which a seat of a rule is accepted.

    Args:
        rule: The rule of the seat.
        asked_to_hold: Whether a load rotates about its ring.

    Returns:
        The chances.

    Raises:
        Nothing.

    Source: house choices, as `decide_by_fit`.

    Example:
        >>> wanted_of("pressed_ring", True).zone, wanted_of("raceway", False).zone
        (0.5, 0.95)
    """
    return LeastChances(LIKELY_IN_ZONE if rule == PRESSED and asked_to_hold else IN_ZONE, HOLDS, FREE)


def decide_by_fit(rule: str, chances: Chances, tight: bool) -> ByFit:
    """Decide about a seat by what its fit will do.

    Formula: a pressed ring: accept when holds ≥ 0.95, clearance ≥ 0.90 with this or another group, zone ≥ 0.5; reject
    when holds < 0.5, or zone < 0.05 with holds < 0.95, or no group leaves clearance in 5 of 100, or zone < 0.05 with more
    interference than a thousandth of the seat. Any other seat: accept
    when zone ≥ 0.95 and clearance ≥ 0.90, reject when zone < 0.05. Else it cannot be told.

    Args:
        rule: The rule of the seat.
        chances: What is known.
        tight: Whether the seat lies on the tight side of its zone.

    Returns:
        The decision.

    Raises:
        Nothing.

    Source: simple acceptance with stated risk (ISO 14253-6); the limits are house choices.

    Example:
        >>> decide_by_fit("pressed_ring", Chances(0.88, 0.955, 0.63, 0.99), False).decision
        'accept'
    """
    free = chances.freest is None or chances.freest >= FREE
    if chances.freest is not None and chances.freest < NEVER_FREE:
        return ByFit("reject", "no_clearance")
    if rule != PRESSED or chances.holds is None:
        if chances.zone < OUT_OF_ZONE:
            return ByFit("reject", "out_of_zone")
        return (
            ByFit("accept", "in_zone")
            if chances.zone >= IN_ZONE and free
            else ByFit("cannot_tell", "not_sure")
        )
    if chances.holds < LOOSE:
        return ByFit("reject", "will_creep")
    if chances.zone < OUT_OF_ZONE and (chances.holds < HOLDS or (tight and chances.freest is None)):
        return ByFit("reject", "out_of_zone")
    if chances.zone < OUT_OF_ZONE and tight and chances.burst_share > 1:
        return ByFit("reject", "too_tight")
    good = chances.holds >= HOLDS and chances.zone >= LIKELY_IN_ZONE and free
    return ByFit("accept", "fit_good") if good else ByFit("cannot_tell", "not_sure")


def with_form(found: ByFit, form_um: float, u_um: float, limit_um: float) -> ByFit:
    """The same decision after the seat's form has been looked at.

    Formula: reject when form − 1.65·u > limit; an accepted seat whose form is over the limit cannot be told.

    Args:
        found: The decision by the fit.
        form_um: Largest form error, on the radius, µm.
        u_um: Its standard uncertainty, µm.
        limit_um: What is allowed: IT5/2 under a turning load, IT6/2 under a standing one, µm.

    Returns:
        The decision.

    Raises:
        Nothing.

    Source: bearing handbooks; one-sided 95 %.

    Example:
        >>> with_form(ByFit("accept", "fit_good"), 15.0, 1.0, 4.5).because
        'form_bad'
    """
    if form_um - 1.65 * u_um > limit_um:
        return found if found.decision == "reject" else ByFit("reject", "form_bad")
    if form_um > limit_um and found.decision == "accept":
        return ByFit("cannot_tell", "form_doubtful")
    return found


def fitness(width_um: float, u_um: float) -> Fitness:
    """Whether an instrument is fit to judge a zone.

    Formula: T/(4u): 3 and more good, under 1 unfit.

    Args:
        width_um: Width T of the zone, µm.
        u_um: Standard uncertainty, µm, above 0.

    Returns:
        `good`, `only_zeroed` or `unfit`.

    Raises:
        Nothing.

    Source: measurement capability index of JCGM 106, 8.

    Example:
        >>> fitness(9, 2.5), fitness(30, 2.5)
        ('unfit', 'good')
    """
    index = width_um / (4 * u_um)
    return "good" if index >= GOOD_FITNESS else "unfit" if index < UNFIT else "only_zeroed"
