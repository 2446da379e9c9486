"""A trend of a log: against linear regression, facts of the trade, and a world of leak bottles that was written apart."""

import math
from datetime import date, timedelta

import numpy as np
import pytest
from benchmarks.histories import REACHING, history
from hypothesis import given
from hypothesis import strategies as st
from scipy.stats import linregress

from ample.core.condition.trend import Reading, trend
from ample.core.errors import BadInput

FIRST = date(2025, 1, 1)


def log_of(days, values):
    return [Reading(FIRST + timedelta(days=day), value) for day, value in zip(days, values, strict=True)]


def emptied(*lasted):
    """A bottle that lasted so long, again and again."""
    days = np.cumsum(lasted)
    return log_of([int(day) for day in days], lasted)


@pytest.mark.parametrize(("falls_in", "scatter"), [(400, 0.01), (900, 0.02), (2000, 0.01)])
def test_a_clean_fall_reaches_the_limit_where_linear_regression_says(falls_in, scatter):
    rng = np.random.default_rng(falls_in)
    days = np.arange(0, 900, 50)
    values = 80 * np.exp(-days / falls_in + rng.normal(0, scatter, len(days)))
    fitted = linregress(days, np.log(values))
    day = (math.log(20) - fitted.intercept) / fitted.slope
    found = trend(log_of(days.tolist(), values.tolist()), 20, FIRST + timedelta(days=900), early=50)
    assert found.confidence == "firm"
    assert (found.forecast.limit_on.likely - FIRST).days == pytest.approx(day, rel=0.04)
    assert found.forecast.limit_on.low <= FIRST + timedelta(days=day) <= found.forecast.limit_on.high


def test_a_play_that_grows_is_fitted_as_it_is_where_it_can_be_nought():
    days = list(range(0, 700, 70))
    found = trend(log_of(days, [0.0004 * day for day in days]), 0.5, FIRST + timedelta(days=700), early=0.3)
    assert (found.forecast.limit_on.likely - FIRST).days == pytest.approx(1250, rel=0.05)
    assert (found.forecast.plan_on.likely - FIRST).days == pytest.approx(750, rel=0.05)


# Facts of the trade (common practice): what somebody who keeps such a log would say of it.
def test_three_emptyings_are_too_few():
    found = trend(emptied(60, 50, 40), 14, date(2026, 1, 1))
    assert found.confidence == "too_few"
    assert found.forecast.limit_on.likely is None


def test_a_bottle_that_lasts_as_ever_is_steady():
    found = trend(emptied(60, 63, 58, 61, 66, 57, 60, 62), 14, date(2026, 9, 1))
    assert (found.confidence, found.already_passed, found.changed_on) == ("steady", None, None)


def test_one_emptying_that_nobody_wrote_down_changes_little():
    lasted = [80, 76, 70, 66, 60, 56, 52, 48, 45, 42]
    whole = trend(emptied(*lasted), 20, date(2026, 9, 1))
    missed = trend(emptied(*lasted[:4], lasted[4] + lasted[5], *lasted[6:]), 20, date(2026, 9, 1))
    off = (missed.forecast.limit_on.likely - whole.forecast.limit_on.likely).days
    assert abs(off) < 60
    assert missed.changed_on is None


def test_a_bottle_that_suddenly_lasts_half_is_said_with_its_day():
    log = emptied(90, 88, 93, 91, 87, 92, 45, 44, 46, 43)
    found = trend(log, 14, date(2026, 12, 1), early=60)
    assert found.confidence == "firm"
    assert found.changed_on == log[6].on
    assert found.already_passed == "early"


def test_order_by_is_the_limit_less_the_days_it_takes_even_when_past():
    log = emptied(70, 62, 55, 48, 42, 37, 33, 29)
    found = trend(log, 25, log[-1].on, lead_days=300, approval_days=20)
    limit, order = found.forecast.limit_on, found.forecast.order_by
    assert order.likely == limit.likely - timedelta(days=320)
    assert order.likely < log[-1].on


def test_what_is_passed_is_said_by_the_trend_and_not_by_one_odd_reading():
    log = emptied(70, 68, 71, 69, 13, 70, 68, 72)
    assert trend(log, 14, date(2027, 1, 1), early=30).already_passed is None


def test_readings_typed_in_any_order_are_the_same():
    log = emptied(70, 62, 55, 48, 42)
    assert trend(log[::-1], 14, date(2026, 1, 1)) == trend(log, 14, date(2026, 1, 1))


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"limit": math.nan}, "limit"),
        ({"limit": 60}, "limit"),
        ({"early": 14}, "early"),
        ({"early": math.inf}, "early"),
        ({"lead_days": -1}, "lead_days"),
        ({"approval_days": 9999}, "approval_days"),
        ({"readings": [Reading(FIRST, math.nan)]}, "readings[0].value"),
        ({"readings": [Reading(date(9999, 1, 1), 1.0)]}, "readings[0].on"),
        ({"today": date(9999, 1, 1)}, "today"),
        ({"readings": [Reading(FIRST, 1.0)] * 401}, "readings"),
    ],
)
def test_bad_logs_are_refused_at_their_field(more, field):
    asked = {"readings": emptied(60, 60, 60), "limit": 14, "today": date(2026, 1, 1)} | more
    with pytest.raises(BadInput) as told:
        trend(**asked)
    assert told.value.field == field


@given(
    st.lists(
        st.tuples(st.integers(0, 4000), st.floats(-1e6, 1e6)), max_size=30, unique_by=lambda each: each[0]
    ),
    st.floats(-1e6, 1e6), st.none() | st.floats(-1e6, 1e6),
)  # fmt: skip
def test_any_log_is_answered_or_refused(rows, limit, early):
    log = [Reading(FIRST + timedelta(days=day), value) for day, value in rows]
    try:
        found = trend(log, limit, date(2036, 1, 1), early)
    except BadInput:
        return
    for band in (found.forecast.plan_on, found.forecast.limit_on):
        if band.likely:
            assert band.low <= band.likely <= band.high
    assert 0 <= found.worsens <= 1


def world(sort, count, seed):
    rng = np.random.default_rng(seed)
    made = []
    while len(made) < count:
        each = history(rng, sort)
        if each:
            made.append(each)
    return [
        (each, trend([Reading(*row) for row in each.readings], each.limit, each.today, each.early))
        for each in made
    ]


def holds(pairs):
    """The share of bands that hold the true day, of those that name one."""
    told = [(made, found.forecast.limit_on) for made, found in pairs if found.forecast.limit_on.likely]
    return sum(band.low <= made.limit_on <= band.high for made, band in told) / len(told)


@pytest.mark.long
def test_the_band_holds_about_what_it_says_in_a_world_apart():
    pairs = [pair for sort in REACHING for pair in world(sort, 25, 17)]
    assert 0.7 <= holds(pairs) <= 0.93  # 100 draws: two standard errors are 8 points


@pytest.mark.long
def test_the_band_of_four_in_five_holds_four_in_five_in_a_world_apart():
    pairs = [pair for sort in REACHING for pair in world(sort, 300, 23)]
    assert 0.75 <= holds(pairs) <= 0.85


def test_steady_is_not_called_worse_and_half_is_within_four_emptyings():
    said = [found.confidence in ("weak", "firm") for _, found in world("steady", 40, 29)]
    assert sum(said) <= 2
    seen = [found.confidence in ("weak", "firm") for _, found in world("halved", 40, 31)]
    assert sum(seen) >= 32
