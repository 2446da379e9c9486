"""Where a reading lands that went wrong: near the size, a slip of figures, or anywhere."""

from __future__ import annotations

import math
from bisect import bisect_left
from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.values import ranking_value
from ample.core.sizes import INCH_MM

Floats = NDArray[np.float64]

SMALLEST_MM, LARGEST_MM = ranking_value("smallest_reading"), ranking_value("largest_reading")
# of the feature: burr, rust, tilted jaws, a worn edge; all its repeats have it
ROUGH_SHARE = ranking_value("rough_share")
ROUGH_SCALE_MM = ranking_value("rough_scale")
# of one reading: figures slipped, another feature touched
SLIP_SHARE = ranking_value("slip_share")
_STEP_SHARE = ranking_value("slip_of_a_step")
_DIGIT_SHARE = ranking_value("slip_of_a_digit")
_INCH_SHARE = ranking_value("slip_of_the_unit")
_ANYWHERE = 1 - _STEP_SHARE - _DIGIT_SHARE - _INCH_SHARE
_STEPS = (-10.0, -5.0, -1.0, -0.5, 0.5, 1.0, 5.0, 10.0)  # mm
_STEPS_MM = np.array(_STEPS)
_STEP_SIGMA_MM = ranking_value("step_spread")
_DECADES = (0.1, 1.0, 10.0, 100.0)  # mm
_DECADES_MM = np.array(_DECADES)
_BY_DECADE = np.array([0.0, *(_DIGIT_SHARE / 3 / (2 * np.diff(_DECADES_MM))), 0.0])
_INCH_SPREAD, FARTHEST_INCH_SIGMAS = 0.01, 5.0
FARTHEST_STEP_MM = 10.0 + 5 * _STEP_SIGMA_MM


_LOG_SPAN = math.log(LARGEST_MM / SMALLEST_MM)


def anywhere_density(value_mm: float | Floats) -> Floats:
    """A reading of something else altogether: even on a logarithmic scale; integrates to 1 over its range.

    Formula: s(m) = 1/(m·ln(b/a)), a = `smallest_reading`, b = `largest_reading`, mm.

    Args:
        value_mm: The reading m, mm; held within a and b.

    Returns:
        The density per mm.

    Raises:
        Nothing.

    Source: ranking_values.csv.

    Example:
        >>> round(float(anywhere_density(25.0)), 5)
        0.005
    """
    inside = np.clip(value_mm, SMALLEST_MM, LARGEST_MM)
    return np.asarray(1 / (inside * _LOG_SPAN))


def anywhere_at(value_mm: float) -> float:
    """`anywhere_density` of one reading, per mm."""
    return 1 / (min(max(value_mm, SMALLEST_MM), LARGEST_MM) * _LOG_SPAN)


def rough_density(off_mm: float | Floats, scale_mm: float = ROUGH_SCALE_MM) -> Floats:
    """How far a rough spot, a tilt or a worn edge moves a reading: heavy-tailed about the true value.

    Formula: Student's t with ν = 2: f(x) = 1/(2√2·s·(1 + x²/(2s²))^(3/2)), s = `rough_scale`.

    Args:
        off_mm: The reading less what it should be, mm.
        scale_mm: s, mm; that of a rough spot when not given.

    Returns:
        The density per mm.

    Raises:
        Nothing.

    Source: Student's t distribution; s: ranking_values.csv.

    Example:
        >>> bool(rough_density(0.15) > 100 * rough_density(15.0))
        True
    """
    u = np.square(np.asarray(off_mm) / scale_mm)
    return np.asarray(1 / (2 * math.sqrt(2) * scale_mm * (1 + u / 2) ** 1.5))


def slip_density(value_mm: float, meant_mm: Floats) -> Floats:
    """Where one slipped reading of a feature lands; not a number is a part without the feature.

    Formula: g(m | x) = a Σ_k N(m − x; δ_k, s)/8 + b·h(|m − x|) + c·N(m; x/25.4, 0.01·x/25.4) + (1 − a − b − c)·s(m),
    steps δ = ±0.5, ±1, ±5, ±10 mm, h even over each of three decades (tenths, units, tens of a millimetre), s as
    `anywhere_density`. For a part without the feature the last term alone.

    Args:
        value_mm: The reading m, mm.
        meant_mm: What it should be x, mm, of each part.

    Returns:
        The density per mm for each part.

    Raises:
        Nothing.

    Source: common practice; shares a, b, c and s: ranking_values.csv.

    Example:
        >>> one_off, odd = slip_density(26.0, np.array([25.0, 25.3]))
        >>> bool(one_off > 3 * odd)
        True
    """
    return np.asarray(slip_densities((value_mm,), meant_mm)[0])


def slip_densities(values_mm: Sequence[float], meant_mm: Floats) -> Floats:
    """`slip_density` of several readings (rows) for each part (columns), per mm."""
    values = np.array(values_mm)[:, None]
    off = values - meant_mm
    far = np.abs(off)
    found = _BY_DECADE[np.searchsorted(_DECADES_MM, far)]
    found += _ANYWHERE * anywhere_density(values)
    close = np.nonzero(far < FARTHEST_STEP_MM)
    if len(close[0]):
        z = (off[close][:, None] - _STEPS_MM) / _STEP_SIGMA_MM
        steps = np.exp(-0.5 * z * z).sum(axis=1) / (_STEP_SIGMA_MM * math.sqrt(2 * math.pi) * len(_STEPS_MM))
        found[close] += _STEP_SHARE * steps
    as_inch = values * INCH_MM
    spread = _INCH_SPREAD * as_inch
    off_inch = (meant_mm - as_inch) / spread
    meant = np.nonzero(np.abs(off_inch) < FARTHEST_INCH_SIGMAS)
    if len(meant[0]):
        z = off_inch[meant]
        per_mm = spread[meant[0], 0] * math.sqrt(2 * math.pi)
        found[meant] += _INCH_SHARE * INCH_MM * np.exp(-0.5 * z * z) / per_mm
    return found


def slip_at(value_mm: float, meant_mm: float) -> float:
    """`slip_density` of one reading of a feature of one size, per mm: without the cost of arrays."""
    found = _ANYWHERE * anywhere_at(value_mm)
    off = value_mm - meant_mm
    found += float(_BY_DECADE[bisect_left(_DECADES, abs(off))])
    steps = sum(math.exp(-0.5 * ((off - step) / _STEP_SIGMA_MM) ** 2) for step in _STEPS)
    found += _STEP_SHARE * steps / (_STEP_SIGMA_MM * math.sqrt(2 * math.pi) * len(_STEPS))
    as_inch = value_mm * INCH_MM
    spread = _INCH_SPREAD * as_inch
    z = (meant_mm - as_inch) / spread
    if abs(z) < FARTHEST_INCH_SIGMAS:
        found += _INCH_SHARE * INCH_MM * math.exp(-0.5 * z * z) / (spread * math.sqrt(2 * math.pi))
    return found
