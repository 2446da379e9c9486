"""Whether a ring creeps on its seat under its load."""

from __future__ import annotations

from dataclasses import dataclass

from scipy.special import ndtr

from ample.core.fits.advice import LOAD_SHARES, Duty
from ample.core.handbook.fitting import effective_interference, interference_lost
from ample.core.parts.ratings import estimated_ratings

STEPS_OVER_THE_RING = 64


@dataclass(frozen=True)
class Creep:
    """How likely a ring turns on its seat; what it needs to hold, µm; under which load, N."""

    probability: float
    needed_um: float
    load_n: float
    load_share: float


def creep_of(
    part: str,
    seat_um: tuple[float, float],
    ring_um: tuple[float, float],
    bearing_mm: tuple[float, float, float],
    duty: Duty,
    finish: str = "ground",
) -> Creep | None:
    """The chance that a ring turns on its seat.

    Formula: needed = 0.08·√(d·F/B) · (d + x)/d µm, with F = share · estimated C in N, d the seat and B the width in mm,
    x = 2 mm for a ground and 3 mm for a turned seat; P = mean over the ring's tolerance of
    Φ((needed − i)/u), with the interference i = seat − ring on a shaft, ring − seat in a housing.

    Args:
        part: `shaft` or `housing`.
        seat_um: Mean size of the seat about its nominal and its standard uncertainty u, µm; u above 0.
        ring_um: Lower and upper limit of the bearing's ring about the same nominal, µm.
        bearing_mm: Bore, outside and width of the bearing, mm.
        duty: The load case.
        finish: `ground` or `turned` seat.

    Returns:
        The chance with what it rests on; None when the load stands still on this ring.

    Raises:
        BadInput: When no rating can be estimated for the sizes.

    Source: loss of interference as in bearing handbooks (common practice); Φ: the normal distribution.

    Example:
        >>> creep_of("shaft", (6.0, 0.5), (-10, 0), (25, 52, 15), Duty()).probability < 0.05
        True
    """
    if not duty.load_turns_about(part):
        return None
    d, D, B = bearing_mm
    nominal_mm = d if part == "shaft" else D
    share = LOAD_SHARES[duty.load]
    load_n = share * estimated_ratings(d, D, B).dynamic_n
    lost = interference_lost(nominal_mm, B, load_n, 0.0)["by_load_um"]
    needed = lost / effective_interference(nominal_mm, 1.0, finish)["effective_um"]
    mean_um, u_um = seat_um
    low, high = ring_um
    total = 0.0
    for step in range(STEPS_OVER_THE_RING):
        ring = low + (high - low) * (step + 0.5) / STEPS_OVER_THE_RING
        interference = mean_um - ring if part == "shaft" else ring - mean_um
        total += float(ndtr((needed - interference) / u_um))
    return Creep(round(total / STEPS_OVER_THE_RING, 6), needed, load_n, share)
