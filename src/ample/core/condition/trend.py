"""How a reading worsens over the years, and when it reaches a limit: slopes and steps distinguished from noise."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cache
from pathlib import Path
from typing import Literal

import numpy as np
from numpy.typing import NDArray
from scipy.special import gammaln

from ample.core.errors import BadInput
from ample.core.tables import read_table

Floats = NDArray[np.float64]
Confidence = Literal["too_few", "steady", "weak", "firm"]
Passed = Literal["early", "limit"]
FEWEST, MOST, MOST_WEIGHED = 4, 400, 40
FARTHEST_DAYS = 365.25 * 50
FIRST_DAY, LAST_DAY = date(1900, 1, 1), date(2200, 1, 1)
DRAWS = 4000
LOW, HIGH = 10.0, 90.0
LEAST_REACHING = 0.1  # of the draws; fewer reach a limit by chance
POINTS_DRAWN = 40
FARTHEST_Y = 1e4  # of a reading; farther says no more
# What may change, by hypothesis: slope from the beginning, step, slope from the step on.
SHAPES: dict[str, tuple[bool, bool, bool]] = {
    "steady": (False, False, False),
    "slope": (True, False, False),
    "step": (False, True, False),
    "kink": (False, True, True),
    "step_and_slope": (True, True, False),
}
ABSENT = 1e9  # prior precision of what a hypothesis does not have


@dataclass(frozen=True)
class Reading:
    """What was read on a day: days since the last emptying, a play, a temperature."""

    on: date
    value: float


@dataclass(frozen=True)
class DateBand:
    """A day: the middle estimate with its 80 % interval; None: never, or more than 50 years away."""

    low: date | None = None
    likely: date | None = None
    high: date | None = None


@dataclass(frozen=True)
class Forecast:
    """When to plan, when to order, and when the limit is reached."""

    plan_on: DateBand = DateBand()
    order_by: DateBand = DateBand()
    limit_on: DateBand = DateBand()


@dataclass(frozen=True)
class LinePoint:
    """The fitted line on a day, with its 80 % interval."""

    on: date
    low: float
    likely: float
    high: float


@dataclass(frozen=True)
class Trend:
    """What a log says: the forecast, what is passed already, since when it is another, and how sure that is."""

    forecast: Forecast
    already_passed: Passed | None
    changed_on: date | None
    confidence: Confidence
    worsens: float
    line: tuple[LinePoint, ...]
    early: float
    limit: float


@cache
def _values() -> dict[str, float]:
    rows = read_table(Path(__file__).with_name("trend_values.csv")).rows
    return {row["name"]: float(row["value"]) for row in rows}


def trend(
    readings: Sequence[Reading],
    limit: float,
    today: date,
    early: float | None = None,
    lead_days: int = 0,
    approval_days: int = 0,
) -> Trend:
    """What a log of readings says of its future.

    Formula: y = log(value) where all are above zero, else the value; y = a + b·t + [t ≥ t_k]·(d + c·(t − t_k)) + e, with
    e ~ N(0, σ²), and N(0, (κσ)²) for one reading that is out of line. Steady, slope (b), step (d), kink (d, c), and step
    with slope are weighed for each t_k by their evidence (normal–inverse-gamma priors, closed form). The day of a limit is
    drawn from their mixture, of those draws that reach it; the slope to come is the slope so far times exp(N(0, `slope_drift`²)).

    Args:
        readings: What was read and when, in any order; at most 400, of which the newest 40 are weighed.
        limit: Where it must not go.
        today: The day from which it is looked at.
        early: Where one plans, between the first readings and the limit; the middle of the two when None.
        lead_days: Days from ordering to the parts being here, 0 to 3650.
        approval_days: Days until an order is approved, 0 to 3650.

    Returns:
        Bands of dates, what the line has passed today, the day from which level or slope is another, and how sure it is
        that it worsens: `too_few` (under 4 readings), `steady` (not told from noise), `weak`, `firm`.

    Raises:
        BadInput: At `readings`, `today`, `early`, `limit`, `lead_days` or `approval_days`.

    Source: Bayesian linear regression, e.g. A. Gelman et al., Bayesian Data Analysis (3rd ed.), ch. 14 (from memory);
        numbers in trend_values.csv; checked on `benchmarks/histories.py`.

    Example:
        >>> days = [60, 57, 52, 44, 41, 35, 31, 27]
        >>> log, on = [], date(2025, 1, 1)
        >>> for each in days:
        ...     on += timedelta(days=each)
        ...     log.append(Reading(on, each))
        >>> found = trend(log, 14, on)
        >>> found.confidence, found.forecast.limit_on.likely.year
        ('firm', 2026)
    """
    log = sorted(readings, key=lambda each: each.on)
    _check(log, limit, today, lead_days, approval_days)
    planned = _planned(log, early, limit)
    begins = _begins(log, planned, limit)
    if len(log) < FEWEST:
        passed = _passed(log[-1].value, planned, limit) if log else None
        return Trend(Forecast(), passed, None, "too_few", 0.5, (), planned, limit)
    model = _Model.of(log[-MOST_WEIGHED:], begins, limit, planned)
    posterior = _Posterior.of(model)
    now = model.when(today)
    limit_on = posterior.reaches(now, model.scaled(limit), today)
    forecast = Forecast(
        posterior.reaches(now, model.scaled(planned), today),
        _before(limit_on, lead_days + approval_days),
        limit_on,
    )
    worsens = posterior.worsens
    firm, weak = (worsens >= _values()[name] for name in ("firm", "weak"))
    likely = model.unscaled(float(np.median(posterior.level(now))))
    return Trend(
        forecast,
        _passed(likely, planned, limit),
        posterior.changed_on,
        "firm" if firm else "weak" if weak else "steady",
        round(worsens, 4),
        posterior.line(today),
        planned,
        limit,
    )


def _check(log: Sequence[Reading], limit: float, today: date, lead_days: int, approval_days: int) -> None:
    if len(log) > MOST:
        raise BadInput("too_many", f"At most {MOST} readings.", "readings")
    for name, day in (("today", today), *((f"readings[{n}].on", each.on) for n, each in enumerate(log))):
        if not FIRST_DAY <= day <= LAST_DAY:
            raise BadInput("bad_day", f"Days from {FIRST_DAY.year} to {LAST_DAY.year}.", name)
    for number, each in enumerate(log):
        if not math.isfinite(each.value):
            raise BadInput("no_number", "A reading must be a number.", f"readings[{number}].value")
    if not math.isfinite(limit):
        raise BadInput("no_number", "The limit must be a number.", "limit")
    for name, days in (("lead_days", lead_days), ("approval_days", approval_days)):
        if not 0 <= days <= 3650:
            raise BadInput("bad_days", "0 to 3650 days.", name)


def _planned(log: Sequence[Reading], early: float | None, limit: float) -> float:
    """Where one plans: as said, else between the first readings and the limit."""
    if early is not None:
        if not math.isfinite(early) or _as_good_as(early, limit):
            raise BadInput("early_at_limit", "The planning limit must be reached before the limit.", "early")
        return early
    if not log:
        return limit
    first = _first(log)
    if _as_good_as(first, limit):
        raise BadInput("at_the_limit", "The first readings are already at the limit.", "limit")
    return math.sqrt(first * limit) if min(first, limit) > 0 else (first + limit) / 2


def _as_good_as(one: float, other: float) -> bool:
    return math.isclose(one, other, rel_tol=1e-6, abs_tol=1e-9)


def _first(log: Sequence[Reading]) -> float:
    """What the first readings say: the middle of three, so that one odd one does not decide."""
    return float(np.median([each.value for each in log[:3]]))


def _begins(log: Sequence[Reading], planned: float, limit: float) -> float:
    """Where the way to the limit begins: at the first readings, or where one plans if they are past it."""
    first = _first(log) if log else planned
    return first if (first - planned) * (limit - planned) < 0 else planned


def _passed(value: float, early: float, limit: float) -> Passed | None:
    falls = limit < early
    if value <= limit if falls else value >= limit:
        return "limit"
    return "early" if (value <= early if falls else value >= early) else None


def _before(band: DateBand, days: int) -> DateBand:
    days_of = (band.low, band.likely, band.high)
    return DateBand(*(each - timedelta(days=days) if each else None for each in days_of))


@dataclass(frozen=True)
class _Model:
    """Readings scaled: y from 0 at the first readings to 1 at the limit, t from 0 to 1 over the log."""

    days: tuple[date, ...]
    t: Floats
    y: Floats
    length_days: float
    logs: bool
    begins: float
    goal: float
    noise: float

    @staticmethod
    def of(log: Sequence[Reading], begins: float, limit: float, early: float) -> _Model:
        """Scale a log; in logarithms where all is above zero."""
        values = np.array([each.value for each in log])
        logs = bool(values.min() > 0 and min(limit, early, begins) > 0)
        first, goal = (math.log(begins), math.log(limit)) if logs else (begins, limit)
        length = float(max((log[-1].on - log[0].on).days, 1))
        noise = _values()["noise_log"] / abs(goal - first) if logs else _values()["noise_plain"]
        t = np.array([(each.on - log[0].on).days / length for each in log])
        y = np.clip(((np.log(values) if logs else values) - first) / (goal - first), -FARTHEST_Y, FARTHEST_Y)
        return _Model(tuple(each.on for each in log), t, y, length, logs, first, goal, noise)

    def when(self, day: date) -> float:
        """A day as t."""
        return (day - self.days[0]).days / self.length_days

    def scaled(self, value: float) -> float:
        """A value as y."""
        own = math.log(value) if self.logs else value
        return (own - self.begins) / (self.goal - self.begins)

    def unscaled(self, y: float) -> float:
        """A y as a value."""
        own = self.begins + y * (self.goal - self.begins)
        return math.exp(min(own, 700.0)) if self.logs else own


@dataclass(frozen=True)
class _Posterior:
    """Hypotheses with their chances, and draws of their lines: first level, slope, step, slope from it on."""

    model: _Model
    at_step: Floats
    coefficients: Floats
    drift: Floats
    change_chances: Floats

    @staticmethod
    def of(model: _Model) -> _Posterior:
        """Weigh every hypothesis, and draw from their mixture (always the same draws)."""
        log_chance, means, factors, freedom, steps = _weigh(model)
        chance = np.exp(log_chance - log_chance.max())
        chance /= chance.sum()
        rng = np.random.default_rng(20_260_101)  # fixed: the same log gives the same answer
        chosen = np.searchsorted(np.cumsum(chance), (np.arange(DRAWS) + 0.5) / DRAWS).clip(0, len(chance) - 1)
        scale = np.sqrt(freedom / rng.chisquare(freedom, DRAWS))
        normal = rng.standard_normal((DRAWS, 4))
        drawn = means[chosen] + scale[:, None] * np.einsum("nij,nj->ni", factors[chosen], normal)
        drift = np.exp(_values()["slope_drift"] * rng.standard_normal(DRAWS))
        by_step = np.zeros(len(model.t))
        np.add.at(by_step, steps[steps > 0], chance[steps > 0])
        return _Posterior(
            model, np.where(steps[chosen] > 0, model.t[steps[chosen]], np.inf), drawn, drift, by_step
        )

    def level(self, t: float) -> Floats:
        """The drawn lines at t."""
        a, b, d, c = self.coefficients.T
        after = t >= self.at_step
        return np.asarray(a + b * t + np.where(after, d + c * (t - np.where(after, self.at_step, 0.0)), 0.0))

    @property
    def worsens(self) -> float:
        """The chance that it is worse at the end of the log than at its beginning, by more than the noise."""
        return float(np.mean(self.level(1.0) - self.level(0.0) > _values()["told_change"]))

    def reaches(self, now: float, goal: float, today: date) -> DateBand:
        """When the line reaches a goal, counted from today; of the draws that do within 50 years."""
        _, b, _d, c = self.coefficients.T
        stepped = np.isfinite(self.at_step)
        slope = (b + np.where(stepped, c, 0.0)) * self.drift
        short = goal - self.level(now)
        with np.errstate(divide="ignore", invalid="ignore"):
            days = np.where(slope > 0, short / slope, np.inf) * self.model.length_days
        days = days[np.abs(days) <= FARTHEST_DAYS]
        if len(days) < LEAST_REACHING * DRAWS:
            return DateBand()
        low, likely, high = np.percentile(days, [LOW, 50.0, HIGH])
        return DateBand(*(today + timedelta(days=round(float(each))) for each in (low, likely, high)))

    @property
    def changed_on(self) -> date | None:
        """The first day on which level or slope is another, where that is sure enough."""
        if self.change_chances.sum() < _values()["change"]:
            return None
        return self.model.days[int(self.change_chances.argmax())]

    def line(self, today: date) -> tuple[LinePoint, ...]:
        """The line over the log and as far again, for a drawing."""
        until = max(2.0, self.model.when(today) * 1.5)
        points = []
        for t in np.linspace(0.0, until, POINTS_DRAWN):
            values = sorted(
                self.model.unscaled(float(each))
                for each in np.percentile(self.level(float(t)), [LOW, 50, HIGH])
            )
            points.append(
                LinePoint(
                    self.model.days[0] + timedelta(days=round(float(t) * self.model.length_days)), *values
                )
            )
        return tuple(points)


def _weigh(model: _Model) -> tuple[Floats, Floats, Floats, float, NDArray[np.intp]]:
    """Evidence of every hypothesis in closed form.

    Formula: with design X, weights W and prior precision P (both in units of σ²): Λ = XᵀWX + P, μ = Λ⁻¹XᵀWy,
    A = A₀ + n/2, B = B₀ + (yᵀWy − μᵀΛμ)/2; log evidence = (log|P| − log|Λ| + log|W|)/2 − A·log B + const. The
    coefficients then are μ + √(B/A)·Λ^(−½)·t with 2A degrees of freedom.
    """
    values, n = _values(), len(model.t)
    made = [(name, on, step) for name, on in SHAPES.items() for step in (range(2, n - 1) if on[1] else [0])]
    count = {name: sum(each[0] == name for each in made) for name in SHAPES}
    total = sum(values[name] for name in SHAPES if count[name])
    odd_of = [None, *range(n)]
    slope = max(model.length_days / values["slope_days"], values["least_slope"])
    spread = np.array([values["level_spread"], slope, values["step_spread"], slope]) / model.noise
    present = 1 / spread**2
    designs, precisions, priors, steps = [], [], [], []
    for name, (sloped, stepped, kinked), step in made:
        after = (np.arange(n) >= step) if stepped else np.zeros(n, dtype=bool)
        designs.append(np.column_stack([
            np.ones(n), model.t * sloped, after, np.where(after, model.t - model.t[step], 0.0) * kinked,
        ]))  # fmt: skip
        on = np.array([True, sloped, stepped, kinked])
        precisions.append(np.where(on, present, ABSENT))
        priors.append(math.log(values[name] / total / count[name]))
        steps.append(step)
    x, p = np.array(designs), np.array(precisions)
    w = np.ones((n + 1, n))
    w[1:][np.diag_indices(n)] = 1 / values["odd_factor"] ** 2
    share = values["odd_share"]
    log_odd = np.log([1 - share] + [share / n] * n)
    gram = np.einsum("hni,on,hnj->hoij", x, w, x) + np.einsum("hi,ij->hij", p, np.eye(4))[:, None]
    right = np.einsum("hni,on,n->hoi", x, w, model.y)
    mean = np.linalg.solve(gram, right[..., None])[..., 0]
    squares = np.einsum("on,n->o", w, model.y**2)[None] - np.einsum("hoi,hoi->ho", mean, right)
    a0 = values["noise_freedom"] / 2
    b0 = a0 * 1.0
    a = a0 + n / 2
    b = b0 + np.maximum(squares, 0.0) / (2 * model.noise**2)
    evidence = (
        np.array(priors)[:, None]
        + log_odd[None]
        + 0.5 * (np.log(p).sum(axis=1)[:, None] - np.linalg.slogdet(gram)[1] + np.log(w).sum(axis=1)[None])
        - a * np.log(b)
        + float(gammaln(a))
    )
    lower = np.linalg.cholesky(np.linalg.inv(gram))
    factors = np.sqrt(b / a)[..., None, None] * model.noise * lower
    picks = len(made) * len(odd_of)
    return (
        evidence.reshape(picks),
        mean.reshape(picks, 4),
        factors.reshape(picks, 4, 4),
        2 * a,
        np.repeat(np.array(steps), len(odd_of)),
    )
