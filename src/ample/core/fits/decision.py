"""Whether readings with their uncertainty prove a seat inside its zone or outside it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ample.core.handbook.measuring import GUARD as GUARD_2017
from ample.core.sizes import Instrument, default_instrument
from ample.core.sizes.instruments import Reach

Decided = Literal["accept", "reject", "cannot_tell"]
# Guard band in standard uncertainties: ISO 14253-1:2017 (95 %), and U (k = 2) of the edition of 2013.
GUARD = {"2017": GUARD_2017, "2013": 2.0}
# The instruments that could settle it, from the coarse to the fine, by what they reach.
FINER: dict[str, tuple[str, ...]] = {
    "outside": ("pi_tape", "caliper", "micrometer"),
    "inside": ("caliper", "bore_gauge"),
}


@dataclass(frozen=True)
class Measured:
    """What is compared with a zone: the mean and the extreme local sizes about nominal, each with its u, µm."""

    mean_um: float
    local_um: tuple[float, ...]
    u_mean_um: float
    u_local_um: float

    @property
    def compared(self) -> tuple[tuple[float, float], ...]:
        """Values with their standard uncertainties, µm."""
        low, high = min(self.local_um), max(self.local_um)
        return ((self.mean_um, self.u_mean_um), (low, self.u_local_um), (high, self.u_local_um))


def measured_with(
    instrument: Instrument, reach: Reach, mean_um: float, local_um: Sequence[float]
) -> Measured:
    """Readings with the uncertainty of an instrument.

    Formula: u² = (U/2)² + s² for one reading, (U/2)² + s²/n for the mean of n.

    Args:
        instrument: The instrument with its U (k = 2) and its scatter s, mm.
        reach: `outside` or `inside`.
        mean_um: The mean about nominal, µm.
        local_um: Every reading about nominal, µm; at least one.

    Returns:
        The values with their standard uncertainties, µm.

    Raises:
        BadInput: When the instrument does not reach there.

    Source: JCGM 100 (GUM), 4.2 and 5.1.

    Example:
        >>> measured_with(default_instrument("micrometer"), "outside", 3.0, [3.0]).u_local_um > 0
        True
    """
    u_instrument = instrument.expanded_uncertainty_mm(reach) / 2 * 1000
    scatter = instrument.scatter_mm * 1000
    return Measured(
        mean_um,
        tuple(local_um),
        math.hypot(u_instrument, scatter / math.sqrt(len(local_um))),
        math.hypot(u_instrument, scatter),
    )


def decide(measured: Measured, lower_um: float, upper_um: float, guard: float) -> Decided:
    """Whether a seat is proved inside its zone, proved outside it, or neither.

    Formula: accept when every value lies inside the zone by guard·u, reject when one lies outside by guard·u.

    Args:
        measured: Mean and extreme local sizes with their u, µm.
        lower_um: Lower limit about nominal, µm.
        upper_um: Upper limit about nominal, µm.
        guard: Guard band in standard uncertainties, above 0.

    Returns:
        `accept`, `reject` or `cannot_tell`.

    Raises:
        Nothing.

    Source: ISO 14253-1.

    Example:
        >>> decide(Measured(6.0, (6.0,), 0.4, 0.4), 2.0, 11.0, 1.65)
        'accept'
    """
    pairs = measured.compared
    if any(value < lower_um - guard * u or value > upper_um + guard * u for value, u in pairs):
        return "reject"
    if all(lower_um + guard * u <= value <= upper_um - guard * u for value, u in pairs):
        return "accept"
    return "cannot_tell"


def better_instrument(
    instrument: Instrument, reach: Reach, measured: Measured, lower_um: float, upper_um: float, guard: float
) -> Instrument | None:
    """The least fine instrument that would settle it if it read the same; None when none of the shop's would.

    Args:
        instrument: The one that it was measured with.
        reach: `outside` or `inside`.
        measured: What it read.
        lower_um: Lower limit about nominal, µm.
        upper_um: Upper limit about nominal, µm.
        guard: Guard band in standard uncertainties.

    Returns:
        The instrument, or None.

    Raises:
        Nothing.

    Source: the default instruments of instruments.csv.

    Example:
        >>> caliper = default_instrument("caliper")
        >>> better_instrument(caliper, "inside", measured_with(caliper, "inside", 15, [14, 16]), 0, 30, 1.65).name
        'bore gauge'
    """
    own = instrument.expanded_uncertainty_mm(reach)
    for kind in FINER[reach]:
        other = default_instrument(kind)
        if other.expanded_uncertainty_mm(reach) >= own:
            continue
        settled = measured_with(other, reach, measured.mean_um, measured.local_um)
        one_reading = Measured(settled.mean_um, settled.local_um, settled.u_local_um, settled.u_local_um)
        if decide(one_reading, lower_um, upper_um, guard) != "cannot_tell":
            return other
    return None
