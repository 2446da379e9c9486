"""Whether readings with their uncertainty prove a seat inside its zone or outside it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ample.core.handbook.measuring import GUARD as GUARD_2017

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
