"""Measuring: what a reading is worth, and what can be decided by it."""

from __future__ import annotations

import math
from collections.abc import Sequence

from scipy.special import ndtr

Answers = dict[str, float]
GUARD = 1.65  # of ISO 14253-1 at 95 %, one limit
REFERENCE_C = 20.0


def acceptance_width(zone_width_um: float, standard_uncertainty_um: float) -> Answers:
    """How wide the zone is in which a reading proves that a size conforms.

    Formula: w = T - 2·1.65·u, not under 0
    Worked: w = {zone_width_um} - 2·1.65·{standard_uncertainty_um} = {acceptance_width_um} µm
    Valid: 95 % at each limit; a zone narrower than 3.3·u accepts nothing.
    Source: ISO 14253-1:2017
    Example:
        >>> acceptance_width(16, 1)
        {'acceptance_width_um': 12.7}
    """
    return {"acceptance_width_um": max(zone_width_um - 2 * GUARD * standard_uncertainty_um, 0.0)}


def combined_uncertainty(
    zero_u_um: float, scatter_um: float, readings: int, size_mm: float, temperature_u_k: float, part_c: float,
    expansion_u_per_k: float, expansion_per_k: float,
) -> Answers:  # fmt: skip
    """The uncertainty of a mean of readings after zeroing, with temperature.

    Formula: u² = u_zero² + s²/n + (L·α·u_t)² + (L·(t - 20)·u_α)²
    Worked: u² = {zero_u_um}² + {scatter_um}²/{readings} + … ; u = {standard_uncertainty_um} µm
    Valid: contributions independent of each other.
    Source: GUM (JCGM 100)

    Example:
        >>> round(combined_uncertainty(0.8, 1.5, 12, 25, 0, 20, 0, 11.5e-6)["standard_uncertainty_um"], 3)
        0.91
    """
    length_um = size_mm * 1000
    u = math.sqrt(
        zero_u_um**2
        + scatter_um**2 / readings
        + (length_um * expansion_per_k * temperature_u_k) ** 2
        + (length_um * (part_c - REFERENCE_C) * expansion_u_per_k) ** 2
    )
    return {"standard_uncertainty_um": u, "expanded_k2_um": 2 * u}


def conformance_probability(
    lower_um: float, upper_um: float, measured_um: float, standard_uncertainty_um: float
) -> Answers:
    """How likely a size lies within its limits.

    Formula: p = Φ((U - y)/u) - Φ((L - y)/u)
    Worked: p = Φ(({upper_um} - {measured_um})/{standard_uncertainty_um}) - Φ(({lower_um} -
        {measured_um})/{standard_uncertainty_um}) = {probability}
    Valid: normal uncertainty, nothing known of the size before.
    Source: JCGM 106:2012
    Example:
        >>> round(conformance_probability(2, 11, 6.5, 2.92)["probability"], 3)
        0.877
    """
    above = ndtr((upper_um - measured_um) / standard_uncertainty_um)
    return {"probability": float(above - ndtr((lower_um - measured_um) / standard_uncertainty_um))}


def size_at_20c(
    reading_mm: float, part_expansion_per_k: float, part_c: float, instrument_expansion_per_k: float,
    instrument_c: float,
) -> Answers:  # fmt: skip
    """A reading brought to the reference temperature.

    Formula: L20 = L·[1 - α_part·(t_part - 20) + α_instrument·(t_instrument - 20)]
    Worked: L20 = {reading_mm}·[1 - {part_expansion_per_k}·({part_c} - 20) +
        {instrument_expansion_per_k}·({instrument_c} - 20)] = {size_at_20_mm} mm
    Valid: first order; within about 100 K of 20 °C.
    Source: ISO 1, reference temperature
    Example:
        >>> round(size_at_20c(50, 23e-6, 35, 11.5e-6, 20)["size_at_20_mm"], 5)
        49.98275
    """
    part = part_expansion_per_k * (part_c - REFERENCE_C)
    instrument = instrument_expansion_per_k * (instrument_c - REFERENCE_C)
    return {"size_at_20_mm": reading_mm * (1 - part + instrument)}


def with_prior(
    prior_mean_um: float, prior_sd_um: float, measured_um: float, standard_uncertainty_um: float
) -> Answers:
    """A measured size together with what was known before.

    Formula: y' = (σ²·y + u²·m)/(σ² + u²), u'² = σ²·u²/(σ² + u²)
    Worked: y' = ({prior_sd_um}²·{measured_um} + {standard_uncertainty_um}²·{prior_mean_um})/({prior_sd_um}² +
        {standard_uncertainty_um}²) = {mean_um} µm
    Valid: both normal.
    Source: JCGM 106:2012
    Example:
        >>> round(with_prior(6, 3, 3, 1)["mean_um"], 2)
        3.3
    """
    prior, own = prior_sd_um**2, standard_uncertainty_um**2
    mean = (prior * measured_um + own * prior_mean_um) / (prior + own)
    return {"mean_um": mean, "sd_um": math.sqrt(prior * own / (prior + own))}


def thermal_growth(length_mm: float, expansion_per_k: float, from_c: float, to_c: float) -> Answers:
    """How much a length grows between two temperatures.

    Formula: ΔL = α·L·ΔT
    Worked: ΔL = {expansion_per_k}·{length_mm}·({to_c} - {from_c}) = {growth_mm} mm
    Valid: first order; α of the range of temperature.
    Source: definition of α
    Example:
        >>> round(thermal_growth(1000, 11.5e-6, 20, 70)["growth_mm"], 3)
        0.575
    """
    return {"growth_mm": expansion_per_k * length_mm * (to_c - from_c)}


def flatness_light_bands(bands: float, wavelength_nm: float) -> Answers:
    """Flatness of a lapped face under an optical flat.

    Formula: flatness = bands · λ/2
    Worked: {bands}·{wavelength_nm} nm/2 = {flatness_um} µm
    Valid: helium light 587.6 nm gives 0.29 µm a band.
    Source: interference of light between two flats
    Example:
        >>> round(flatness_light_bands(3, 587.6)["flatness_um"], 3)
        0.881
    """
    return {"flatness_um": bands * wavelength_nm / 2000}


def stack_tolerance(tolerances_mm: Sequence[float]) -> Answers:
    """The tolerance of a stack of parts: at worst, and as it is likely.

    Formula: worst = Σ t; likely = √(Σ t²)
    Worked: worst ±{worst_mm} mm, likely ±{root_sum_square_mm} mm
    Valid: ± tolerances; the root of the squares for independent parts.
    Source: common practice
    Example:
        >>> round(stack_tolerance([0.1, 0.05, 0.02])["root_sum_square_mm"], 4)
        0.1136
    """
    return {"worst_mm": sum(tolerances_mm), "root_sum_square_mm": math.hypot(*tolerances_mm)}
