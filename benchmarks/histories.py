"""A world of leak bottles, apart from the program: how long a bottle lasts as a seal wears, and how people log it.

Nothing of the core is imported: the forecast is judged on histories that were not made from its own assumptions.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np
from numpy.random import Generator

Sort = Literal["worsening", "step", "missed", "few", "steady", "halved"]
REACHING: tuple[Sort, ...] = ("worsening", "step", "missed", "few")
BEGAN = date(2015, 3, 2)
HORIZON_DAYS = 3650.0


@dataclass(frozen=True)
class History:
    """A log as it was written up to a day, and the day on which a bottle truly lasts no longer than the limit."""

    sort: Sort
    readings: tuple[tuple[date, float], ...]
    early: float
    limit: float
    today: date
    limit_on: date | None
    changed_on: date | None


@dataclass(frozen=True)
class Seal:
    """A seal: days that a bottle lasts at first, days in which that falls to 1/e, and what happens to it."""

    lasts: float
    falls_in: float
    step_at: float
    step_to: float

    def interval(self, day: float) -> float:
        """How long a bottle truly lasts on a day."""
        since = max(day - self.step_at, 0.0)
        level = self.lasts if day < self.step_at else self.lasts * self.step_to
        # a worn lip wears by its own leak: the fall is not quite exponential
        return float(level * np.exp(-since / self.falls_in) / (1 + 0.15 * since / self.falls_in))

    def reaches(self, limit: float) -> float | None:
        """The day on which it lasts no longer than so many days."""
        days = np.arange(0.0, 30_000.0, 1.0)
        short = [day for day in days if self.interval(float(day)) <= limit]
        return float(short[0]) if short else None


def history(rng: Generator, sort: Sort) -> History | None:
    """A history of one sort, seen on a day before the limit; None where it does not reach it within the horizon."""
    lasts = float(np.exp(rng.uniform(np.log(40), np.log(160))))
    limit, early = lasts * rng.uniform(0.12, 0.3), lasts * rng.uniform(0.45, 0.7)
    steady = sort in ("steady", "halved")
    falls_in = np.inf if steady else float(rng.uniform(500, 2500))
    step_at, step_to = 0.0, 1.0
    if sort == "step":
        step_at, step_to = float(rng.uniform(4, 9) * lasts), float(rng.uniform(0.45, 0.75))
    if sort == "halved":
        step_at, step_to = float(rng.uniform(6, 10) * lasts), 0.5
    seal = Seal(lasts, falls_in, step_at, step_to)
    reach = None if steady else seal.reaches(limit)
    if not steady and reach is None:
        return None
    last_day = _seen_until(rng, sort, seal, reach, lasts)
    log = _emptied(rng, seal, last_day)
    if sort == "missed" and len(log) > 5:
        gone = int(rng.integers(2, len(log) - 1))
        log = [*log[:gone], (log[gone + 1][0], log[gone][1] + log[gone + 1][1]), *log[gone + 2 :]]
    if sort == "few":
        log = log[-int(rng.integers(4, 7)) :]
    if len(log) < 4 or (reach is not None and not last_day < reach < last_day + HORIZON_DAYS):
        return None
    readings = tuple((_day(at), float(round(lasted))) for at, lasted in log)
    changed = _day(step_at) if sort in ("step", "halved") else None
    return History(
        sort, readings, early, limit, _day(last_day), None if reach is None else _day(reach), changed
    )


def _day(at: float) -> date:
    return BEGAN + timedelta(days=round(at))


def _seen_until(rng: Generator, sort: Sort, seal: Seal, reach: float | None, lasts: float) -> float:
    if sort == "steady":
        return float(rng.uniform(6, 22) * lasts)
    if sort == "halved":
        return seal.step_at + 4.2 * 0.5 * lasts  # four emptyings after it
    assert reach is not None
    first = seal.step_at + 3 * seal.step_to * lasts if sort == "step" else 4.5 * lasts
    return float(rng.uniform(min(first, reach), reach))


def _emptied(rng: Generator, seal: Seal, until: float) -> list[tuple[float, float]]:
    """Days on which it was emptied, and how long it had lasted, as people do it: a little early, a little late."""
    care = float(rng.uniform(0.05, 0.2))
    at = 0.0
    log: list[tuple[float, float]] = []
    while True:
        lasted = seal.interval(at) * float(np.exp(rng.normal(0, care)))
        lasted = max(1.0, lasted)
        at += lasted
        if at > until:
            return log
        log.append((at, lasted))
