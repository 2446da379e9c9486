"""Running in: the temperature that a bearing will settle at, before it gets there."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray
from scipy.special import stdtr

from ample.core.errors import BadInput

Floats = NDArray[np.float64]
RunInDecision = Literal["continue", "watch", "stop"]
FEWEST, MOST = 3, 400
# Time constants that are possible, even on a logarithmic scale: a small bearing in a light housing to a large gearbox.
SHORTEST_MIN, LONGEST_MIN, STEPS = 3.0, 180.0, 121
READING_C, READING_FREEDOM = 0.7, 4.0  # usual scatter of a reading, and how firmly that is believed
RISE_C = 60.0  # prior standard deviation of the rise
LOW, HIGH = 0.1, 0.9


@dataclass(frozen=True)
class TemperatureBand:
    """A temperature: the middle estimate with its 80 % interval, °C."""

    low: float
    likely: float
    high: float


@dataclass(frozen=True)
class RunIn:
    """Where it settles, how fast it gets there, and what to do."""

    settles_at_c: TemperatureBand | None
    time_constant_min: float | None
    decision: RunInDecision


def run_in(readings: Sequence[tuple[float, float]], ambient_c: float, limit_c: float) -> RunIn:
    """Predict the temperature that a run will settle at.

    Formula: T = T_a + ΔT·(1 − exp(−t/τ)) + e. For each τ on a grid, even in log τ, ΔT has a normal–inverse-gamma posterior in
    closed form; the level T_a + ΔT is the mixture of the resulting Student distributions, weighed by their evidence.

    Args:
        readings: Minute from the start at ambient, and temperature in °C; at most 400.
        ambient_c: Temperature at the start, °C, −60 to 150.
        limit_c: Where it must not get to, °C, above ambient.

    Returns:
        The level with its 80 % interval and the likeliest τ in minutes, None with fewer than 3 readings after minute 0;
        `stop` when a reading or the likely level is at or over the limit, `continue` when the whole interval is below it.

    Raises:
        BadInput: At `readings`, `ambient_c` or `limit_c`.

    Source: first-order heating; Bayesian linear regression, e.g. Gelman et al., Bayesian Data Analysis (from memory).

    Example:
        >>> read = [(minute, 20 + 40 * (1 - math.exp(-minute / 20))) for minute in (5, 10, 20, 30, 45)]
        >>> found = run_in(read, 20, 80)
        >>> found.decision, round(found.settles_at_c.likely)
        ('continue', 60)
    """
    _check(readings, ambient_c, limit_c)
    over = any(temperature >= limit_c for _, temperature in readings)
    after = [(minute, temperature) for minute, temperature in readings if minute > 0]
    if len(after) < FEWEST:
        return RunIn(None, None, "stop" if over else "watch")
    band, tau = _settles(after, ambient_c)
    decision: RunInDecision = "continue" if band.high < limit_c else "watch"
    return RunIn(band, round(tau, 1), "stop" if over or band.likely >= limit_c else decision)


def _settles(after: Sequence[tuple[float, float]], ambient_c: float) -> tuple[TemperatureBand, float]:
    minutes, rise = np.array([each[0] for each in after]), np.array([each[1] - ambient_c for each in after])
    tau = np.geomspace(SHORTEST_MIN, LONGEST_MIN, STEPS)
    x = 1 - np.exp(-minutes[None, :] / tau[:, None])
    prior = (READING_C / RISE_C) ** 2
    precision = (x**2).sum(axis=1) + prior
    mean = x @ rise / precision
    a = READING_FREEDOM / 2 + len(after) / 2
    b = READING_FREEDOM / 2 * READING_C**2 + 0.5 * np.maximum((rise**2).sum() - mean**2 * precision, 0.0)
    log_chance = 0.5 * np.log(prior / precision) - a * np.log(b)
    chance = np.exp(log_chance - log_chance.max())
    chance /= chance.sum()
    spread = np.sqrt(b / a / precision)
    low, likely, high = (_quantile(share, chance, mean, spread, 2 * a) for share in (LOW, 0.5, HIGH))
    return TemperatureBand(*(round(ambient_c + each, 1) for each in (low, likely, high))), float(
        tau[chance.argmax()]
    )


def _quantile(share: float, chance: Floats, mean: Floats, spread: Floats, freedom: float) -> float:
    """Of a mixture of Student distributions, by halving."""
    low, high = float((mean - 60 * spread).min()), float((mean + 60 * spread).max())
    for _ in range(60):
        middle = (low + high) / 2
        below = float(chance @ stdtr(freedom, (middle - mean) / spread))
        low, high = (middle, high) if below < share else (low, middle)
    return (low + high) / 2


def _check(readings: Sequence[tuple[float, float]], ambient_c: float, limit_c: float) -> None:
    if len(readings) > MOST:
        raise BadInput("too_many", f"At most {MOST} readings.", "readings")
    for number, (minute, temperature) in enumerate(readings):
        if not (math.isfinite(minute) and 0 <= minute <= 100_000):
            raise BadInput("bad_minute", "Minutes count from the start.", f"readings[{number}].minute")
        if not (math.isfinite(temperature) and -100 <= temperature <= 1000):
            raise BadInput("bad_temperature", "−100 to 1000 °C.", f"readings[{number}].temperature_c")
    if not -60 <= ambient_c <= 150:
        raise BadInput("bad_temperature", "−60 to 150 °C.", "ambient_c")
    if not ambient_c < limit_c <= 1000:
        raise BadInput("bad_limit", "The limit must be above the temperature at the start.", "limit_c")
