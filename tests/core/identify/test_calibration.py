"""A small trial of what `./ample bench` does at length: right, honest, and no better than possible."""

import numpy as np
import pytest
from benchmarks.reference import Reference
from benchmarks.simulate import AS_MODELLED, DIFFERENT, Simulator
from benchmarks.trials import (
    ALL,
    Tally,
    from_a_different_world,
    from_the_model,
    interval,
    our_ranking,
    unlisted_only,
)

from ample.core.identify import standard_catalogue
from ample.core.sizes import default_instrument


@pytest.fixture(scope="module")
def model():
    return from_the_model(600)


@pytest.fixture(scope="module")
def simulator():
    return Simulator(standard_catalogue(), default_instrument("caliper"), seed=7)


def test_three_readings_find_the_right_envelope(simulator):
    tally = Tally("some of the series")
    for index in range(0, len(simulator.catalogue.envelopes_mm), 3):
        draw = simulator.envelope(index, ALL, 1)
        tally.add(*our_ranking(simulator, draw), draw.envelope)
    assert tally.first / tally.listed >= 0.97
    assert tally.in_three / tally.listed >= 0.99


def test_its_percentages_mean_what_they_say(model):
    assert model.calibration_error() < 0.03
    assert model.none_error() < 0.03


def test_each_bin_holds_within_its_binomial_interval(model):
    """At most one bin in seven may lie outside its own 95 % interval by chance, and not by much."""
    rows = [row for row in model.table() if row["count"] >= 20]
    outside = [row for row in rows if not row["low"] - 0.02 <= row["shown"] <= row["high"] + 0.02]
    assert len(outside) <= 1


def test_in_a_different_world_it_stays_fairly_honest():
    world = from_a_different_world(400)
    assert world.calibration_error() < 0.06
    assert world.first / world.listed > 0.7


def test_unlisted_parts_are_not_shown_as_listed_ones():
    tally = unlisted_only(150)
    assert tally.wrong_and_sure <= 1
    assert np.mean([p for p, _ in tally.none_shown]) > 0.9


def test_ours_and_the_dense_reference_agree_draw_by_draw(simulator):
    """Written apart, with finer quadrature: chances within two points on every draw of a sample."""
    reference = Reference(simulator)
    for index in range(0, len(simulator.catalogue.envelopes_mm), 16):
        draw = simulator.envelope(index, ALL, 1)
        order, chances, none = our_ranking(simulator, draw)
        listed, none_there = reference.posterior(draw)
        if none < 0.02:
            assert chances[0] == pytest.approx(listed[order[0]], abs=0.02)
            assert none_there < 0.04


def test_draws_depart_from_the_model_only_where_asked():
    def spread(habits):
        made = Simulator(standard_catalogue(), default_instrument("caliper"), 3, habits)
        index = int(np.argmin(np.abs(made.catalogue.envelopes_mm - (25, 52, 15)).sum(axis=1)))
        widths = [made.envelope(index, ("width",), 1).observations[0].values_mm[0] for _ in range(400)]
        kept = [w for w in widths if abs(w - 14.94) < 0.5]
        return float(np.std(kept))

    assert spread(DIFFERENT) > spread(AS_MODELLED)


@pytest.mark.parametrize(
    ("hits", "of", "low", "high"), [(0, 10, 0.0, 0.308), (10, 10, 0.692, 1.0), (5, 10, 0.187, 0.813)]
)
def test_binomial_intervals_as_tabulated(hits, of, low, high):
    """Clopper-Pearson 95 %: 0/10 → 0.308, 5/10 → 0.187 to 0.813 (standard tables)."""
    assert interval(hits, of) == pytest.approx((low, high), abs=0.001)
