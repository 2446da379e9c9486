"""What a reading is worth: repeats, resolution, instrument and temperature together."""

from __future__ import annotations

import math
from dataclasses import dataclass
from statistics import fmean

from ample.core.errors import BadInput
from ample.core.sizes.instruments import Instrument, Reach

REFERENCE_C = 20.0
STEEL_PER_K = 11.5e-6


@dataclass(frozen=True)
class Reading:
    """The mean of some repeats with its standard uncertainty, mm."""

    mean_mm: float
    standard_uncertainty_mm: float
    count: int
    spread_mm: float
    repeats_disagree: bool

    @property
    def expanded_uncertainty_mm(self) -> float:
        """U at k = 2, mm: the figure after the ± sign."""
        return 2 * self.standard_uncertainty_mm


def combine(values_mm: tuple[float, ...], instrument: Instrument, reach: Reach) -> Reading:
    """Combine repeats of one reading and the instrument into a mean and its uncertainty.

    Formula: u² = (U/2)² + s²/n; the instrument's own part is never divided by n. With one
    reading, or a spread below the instrument's usual scatter, s is that scatter.

    Args:
        values_mm: One or more repeats in one place and direction, mm, above 0.
        instrument: The instrument, with U in mm (k = 2, resolution included).
        reach: `outside`, `inside` or `depth`.

    Returns:
        Mean, standard uncertainty and whether the repeats disagree by more than the instrument
        allows (their range above 4 times its usual scatter and above its resolution).

    Raises:
        BadInput: When no reading is given.

    Source: JCGM 100:2008 (GUM), 4.2 and 5.1; U = 2u as ISO 14253-1 uses it.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> round(combine((52.01, 52.02, 52.03), default_instrument("caliper"), "outside").mean_mm, 3)
        52.02
    """
    if not values_mm:
        raise BadInput("no_reading", "There are no readings.", "values")
    count = len(values_mm)
    mean = fmean(values_mm)
    scatter = instrument.scatter_mm
    squares = sum((value - mean) ** 2 for value in values_mm)
    own_spread = math.sqrt(squares / (count - 1)) if count > 1 else 0.0
    spread = max(own_spread, scatter)
    u = math.hypot(instrument.expanded_uncertainty_mm(reach) / 2, spread / math.sqrt(count))
    span = max(values_mm) - min(values_mm)
    disagree = span > max(4 * scatter, 1.5 * instrument.resolution_mm)
    return Reading(mean, u, count, own_spread, disagree)


def to_reference_temperature(
    value_mm: float,
    part_c: float,
    instrument_c: float,
    part_per_k: float = STEEL_PER_K,
    instrument_per_k: float = STEEL_PER_K,
) -> float:
    """The length at 20 °C of a part that was read at another temperature.

    Formula: L20 = L·[1 − α_part (t_part − 20) + α_instrument (t_instrument − 20)].

    Args:
        value_mm: The reading, mm.
        part_c: Temperature of the part, °C, −60 to 200.
        instrument_c: Temperature of the instrument, °C, −60 to 200.
        part_per_k: Expansion of the part, 1/K; steel 11.5e-6.
        instrument_per_k: Expansion of the instrument's scale, 1/K.

    Returns:
        The length at 20 °C, mm.

    Raises:
        BadInput: When a temperature is outside −60 to 200 °C.

    Source: ISO 1 (reference temperature 20 °C); first-order expansion.

    Example:
        >>> round(to_reference_temperature(100.0, 40.0, 20.0), 3)
        99.977
    """
    for name, degrees in (
        ("temperature_c", part_c),
        ("instrument_temperature_c", instrument_c),
    ):
        if not -60 <= degrees <= 200:
            raise BadInput(
                "temperature_out_of_range",
                "Measure between −60 and 200 °C.",
                name,
                "Let it reach room temperature.",
            )
    return value_mm * (
        1 - part_per_k * (part_c - REFERENCE_C) + instrument_per_k * (instrument_c - REFERENCE_C)
    )
