"""End play and running in, against answers worked out by hand from the contract and a world of heating apart."""

import itertools
import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import curve_fit

from ample.core.assembly.end_play import end_play
from ample.core.assembly.run_in import run_in
from ample.core.errors import BadInput


# Worked out by hand: plays 0.16 and 0.15, mean 0.155, s = 0.00707, U = 2·√(0.005² + 0.00707²/2) = 0.01414
def test_a_play_and_its_uncertainty_by_hand():
    found = end_play([(0.0, 0.16), (0.01, 0.16)], 0.05, 0.10, pitch_mm=1.5)
    assert found.play_mm == pytest.approx(0.155)
    assert found.uncertainty_mm == pytest.approx(0.014142, abs=1e-6)
    assert (found.decision, found.sure) == ("loose", True)
    assert found.shim_change_mm == pytest.approx(-0.08)
    assert found.turn_deg == pytest.approx(-19.2)


@pytest.mark.parametrize(
    ("play", "decision", "sure"),
    [
        (0.02, "tight", True),
        (0.045, "tight", False),
        (0.05, "right", False),
        (0.075, "right", True),
        (0.1, "right", False),
        (0.105, "loose", False),
    ],
)
def test_limits_are_right_and_near_them_it_is_not_sure(play, decision, sure):
    found = end_play([(1.0, 1.0 + play)], 0.05, 0.10)
    assert (found.decision, found.sure) == (decision, sure)
    if decision == "right":
        assert (found.shim_change_mm, found.turn_deg, found.leaves) == (0, None, ())


def test_a_preload_is_a_play_below_nought():
    found = end_play([(0.0, 0.03)], -0.05, -0.03, pitch_mm=1.0)
    assert found.decision == "loose"
    assert found.shim_change_mm == pytest.approx(-0.07)


@given(st.lists(st.sampled_from([0.05, 0.1, 0.15, 0.2, 0.3, 0.5]), max_size=7), st.floats(0.2, 1.5))
def test_the_leaves_are_the_nearest_of_all_ways_to_take_them(leaves, play):
    found = end_play([(0.0, play)], 0.0, 0.02, leaves_mm=leaves)
    wanted = abs(found.shim_change_mm)
    every = [way for n in range(len(leaves) + 1) for way in itertools.combinations(leaves, n)]
    best = min(every, key=lambda way: (round(abs(sum(way) - wanted), 6), len(way)))
    assert abs(sum(found.leaves) - wanted) == pytest.approx(abs(sum(best) - wanted), abs=2e-6)
    assert len(found.leaves) == len(best)
    assert list(found.leaves) == sorted(found.leaves, reverse=True)


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"readings_mm": []}, "readings_mm"), ({"readings_mm": [(0, math.nan)]}, "readings_mm[0]"),
        ({"least_mm": 0.2}, "wanted_mm"), ({"dial_uncertainty_mm": -1}, "dial_uncertainty_mm"),
        ({"pitch_mm": 0}, "pitch_mm"), ({"leaves_mm": [0.0]}, "leaves_mm"),
    ],
)  # fmt: skip
def test_what_cannot_be_is_refused_at_its_field(more, field):
    asked = {"readings_mm": [(0, 0.1)], "least_mm": 0.05, "most_mm": 0.1} | more
    with pytest.raises(BadInput) as told:
        end_play(**asked)
    assert told.value.field == field


def heated(rng, noise):
    """A run apart from the model: the housing warms behind the bearing, so that it is not quite one time constant."""
    tau, rise, ambient = rng.uniform(8, 45), rng.uniform(15, 70), rng.uniform(5, 30)
    minutes = np.sort(rng.uniform(1, rng.uniform(0.8, 3.0) * tau, rng.integers(4, 12)))
    share = rng.uniform(0.85, 1.0)
    level = share * (1 - np.exp(-minutes / tau)) + (1 - share) * (1 - np.exp(-minutes / (2.5 * tau)))
    return (
        ambient,
        ambient + rise,
        list(zip(minutes, ambient + rise * level + rng.normal(0, noise, len(minutes)), strict=True)),
    )


def test_the_level_is_where_least_squares_puts_it_when_all_is_clear():
    minutes = np.arange(4, 120, 4)
    read = 18 + 44 * (1 - np.exp(-minutes / 22)) + np.random.default_rng(3).normal(0, 0.2, len(minutes))
    (rise, tau), _ = curve_fit(
        lambda t, rise, tau: 18 + rise * (1 - np.exp(-t / tau)), minutes, read, (30, 30)
    )
    found = run_in(list(zip(minutes, read, strict=True)), 18, 90)
    assert found.settles_at_c.likely == pytest.approx(18 + rise, abs=0.6)
    assert found.time_constant_min == pytest.approx(tau, rel=0.06)


@pytest.mark.long
def test_the_band_of_four_in_five_holds_the_level_in_a_world_apart():
    rng = np.random.default_rng(11)
    held = 0
    for _ in range(400):
        ambient, level, readings = heated(rng, rng.uniform(0.3, 1.0))
        band = run_in(readings, ambient, 400).settles_at_c
        held += band.low <= level <= band.high
    assert 0.72 <= held / 400 <= 0.9


# common practice: what somebody at the machine would do
@pytest.mark.parametrize(
    ("readings", "decision"),
    [
        ([], "watch"),
        ([(0, 20), (5, 30), (10, 38)], "watch"),
        ([(0, 20), (5, 81)], "stop"),
        ([(5, 28), (10, 34), (20, 43), (30, 48), (45, 53), (60, 55)], "continue"),
        ([(2, 30), (5, 43), (8, 54), (12, 66), (15, 72)], "stop"),
    ],
)
def test_what_to_do(readings, decision):
    assert run_in(readings, 20, 80).decision == decision


@pytest.mark.parametrize(
    ("asked", "field"),
    [
        (([(-1, 20)], 20, 80), "readings[0].minute"), (([(1, math.inf)], 20, 80), "readings[0].temperature_c"),
        (([], 200, 300), "ambient_c"), (([], 20, 20), "limit_c"), (([(1, 20)] * 401, 20, 80), "readings"),
    ],
)  # fmt: skip
def test_a_run_that_cannot_be_is_refused_at_its_field(asked, field):
    with pytest.raises(BadInput) as told:
        run_in(*asked)
    assert told.value.field == field
