"""What a reading is worth: repeats, resolution, instrument and temperature together."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations
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


def combine(
    values_mm: tuple[float, ...], instrument: Instrument, reach: Reach, typed_to_mm: float = 0.0
) -> Reading:
    """Combine repeats of one reading and the instrument into a mean and its uncertainty.

    Formula: u² = (U/2)² + s²/n + t²/12; the instrument's own part is never divided by n, nor what typing it more coarsely
    than the instrument shows has lost (t, the step typed, where that is above the resolution). With one reading, or a
    spread below the instrument's usual scatter, s is that scatter.

    Args:
        values_mm: One or more repeats in one place and direction, mm, above 0.
        instrument: The instrument, with U in mm (k = 2, resolution included).
        reach: `outside`, `inside` or `depth`.
        typed_to_mm: The step to which they were typed, mm; 0 where it is that of the instrument.

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
    rounding = rounding_mm(instrument, typed_to_mm)
    u = math.hypot(instrument.expanded_uncertainty_mm(reach) / 2, spread / math.sqrt(count), rounding)
    span = max(values_mm) - min(values_mm)
    disagree = span > max(4 * scatter, 1.5 * max(instrument.resolution_mm, typed_to_mm))
    return Reading(mean, u, count, own_spread, disagree)


def rounding_mm(instrument: Instrument, typed_to_mm: float) -> float:
    """What typing a reading more coarsely than the instrument shows has lost, as a standard uncertainty.

    Formula: t/√12, of values spread evenly over a step t.

    Args:
        instrument: The instrument with its resolution, mm.
        typed_to_mm: The step typed t, mm.

    Returns:
        The standard uncertainty, mm; 0 when the step is not above the resolution.

    Raises:
        Nothing.

    Source: JCGM 100:2008 (GUM), 4.3.7.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> round(rounding_mm(default_instrument("caliper"), 1.0), 3)
        0.289
    """
    return typed_to_mm / math.sqrt(12) if typed_to_mm > 1.01 * instrument.resolution_mm else 0.0


def together(readings: Sequence[Reading]) -> Reading:
    """The same feature read with several instruments: their weighted mean.

    Formula: w = 1/u²; mean = Σwm/Σw; u² = 1/Σw.

    Args:
        readings: One and more, each of one instrument.

    Returns:
        The reading of all; they disagree when one of them does, or when two differ by more than three times their
        uncertainty.

    Raises:
        BadInput: When no reading is given.

    Source: weighted mean of independent readings, e.g. JCGM 100:2008 (GUM), H.10 (from memory).

    Example:
        >>> one = Reading(16.0, 0.3, 1, 0.0, False)
        >>> round(together([one, Reading(15.87, 0.003, 1, 0.0, False)]).mean_mm, 2)
        15.87
    """
    if not readings:
        raise BadInput("no_reading", "There are no readings.", "values")
    if len(readings) == 1:
        return readings[0]
    weights = [1 / each.standard_uncertainty_mm**2 for each in readings]
    mean = sum(w * each.mean_mm for w, each in zip(weights, readings, strict=True)) / sum(weights)
    apart = any(
        abs(one.mean_mm - two.mean_mm)
        > 3 * math.hypot(one.standard_uncertainty_mm, two.standard_uncertainty_mm)
        for one, two in combinations(readings, 2)
    )
    return Reading(
        mean,
        1 / math.sqrt(sum(weights)),
        sum(each.count for each in readings),
        max(each.spread_mm for each in readings),
        apart or any(each.repeats_disagree for each in readings),
    )


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
