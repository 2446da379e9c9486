"""A small trial of what `./ample bench` does at length: right, honest, and no better than possible."""

import numpy as np
import pytest
from benchmarks.reference import Reference
from benchmarks.simulate import AS_MODELLED, DIFFERENT, Simulator, whole_set
from benchmarks.trials import (
    Tally,
    from_a_different_world,
    from_the_model,
    interval,
    our_ranking,
    unlisted_only,
)

from ample.core.identify import KindEvidence, identify, standard_catalogue
from ample.core.identify.ranking import OFF_MODEL
from ample.core.sizes import default_instrument


@pytest.fixture(scope="module")
def model():
    """One sample for every question about it."""
    return from_the_model(600)


@pytest.fixture
def simulator():
    """One for each test, so that what a test draws does not depend on those before it."""
    return Simulator(standard_catalogue(), default_instrument("caliper"), seed=7)


@pytest.mark.parametrize("kind", standard_catalogue().kinds)
def test_measured_whole_the_right_envelope_comes_first(simulator, kind):
    """Each kind told by its picture: at most one of twenty-four may be missed, none by far."""
    tally = Tally(kind)
    for row in simulator.of_kind(kind, 24):
        draw = simulator.entry(row, whole_set(kind), 1)
        found = our_ranking(simulator, draw, KindEvidence(frozenset({kind})))
        tally.add(*found[:3], draw.envelope)
    assert tally.first >= 22
    assert tally.in_three >= 23


@pytest.mark.long
def test_its_percentages_mean_what_they_say(model):
    assert model.calibration_error() < 0.03
    assert model.none_error() < 0.03


def test_each_bin_holds_within_its_binomial_interval(model):
    """At most one bin in seven may lie outside its own 95 % interval by chance, and not by much."""
    rows = [row for row in model.table() if row["count"] >= 20]
    outside = [row for row in rows if not row["low"] - 0.02 <= row["shown"] <= row["high"] + 0.02]
    assert len(outside) <= 1


@pytest.mark.long
def test_in_a_different_world_it_stays_fairly_honest():
    world = from_a_different_world(400)
    assert world.calibration_error() < 0.06
    assert world.first / world.listed > 0.7


def test_unlisted_parts_are_not_shown_as_listed_ones():
    tally = unlisted_only(150)
    assert tally.wrong_and_sure <= 1
    assert np.mean([p for p, _ in tally.none_shown]) > 0.9


@pytest.mark.parametrize("draws", [2, pytest.param(5, marks=pytest.mark.long)])
@pytest.mark.parametrize("kind", standard_catalogue().kinds)
def test_ours_and_the_dense_reference_agree_draw_by_draw(simulator, kind, draws):
    """Written apart, with finer quadrature: chances within two points on draws of every kind."""
    reference = Reference(simulator, kind)
    for row in simulator.of_kind(kind, draws):
        draw = simulator.entry(row, whole_set(kind), 1)
        seen = KindEvidence(frozenset({kind}))
        order, chances, none, _ = our_ranking(simulator, draw, seen)
        held_back = identify(simulator.catalogue, draw.observations, seen=seen).unexplained > 0
        listed, none_there = reference.posterior(draw)
        if none < 0.02:
            chance = chances[0] / (1 - OFF_MODEL) if held_back else chances[0]
            assert chance == pytest.approx(listed[order[0]], abs=0.02)
            assert none_there < 0.04


@pytest.mark.parametrize("seed", [9, 13, 21])
def test_a_zero_error_or_rust_that_makes_a_neighbour_likely_is_followed(seed):
    """Two crosses a tenth apart in both sizes: the dense reference says how sure one may be."""
    kind = "joint_cross"
    made = Simulator(standard_catalogue(), default_instrument("caliper"), seed)
    reference, seen = Reference(made, kind), KindEvidence(frozenset({kind}))
    close_ones = 0
    for row in made.of_kind(kind, 5):
        draw = made.entry(row, whole_set(kind), 1)
        order, chances, _, _ = our_ranking(made, draw, seen)
        listed, _ = reference.posterior(draw)
        close_ones += listed[order[0]] < 0.985
        assert chances[0] == pytest.approx(listed[order[0]], abs=0.01)
    assert close_ones


def test_draws_depart_from_the_model_only_where_asked():
    def spread(habits):
        made = Simulator(standard_catalogue(), default_instrument("caliper"), 3, habits)
        row = int(made.catalogue.rows_named["6205"][0])
        widths = [made.entry(row, ("width",), 1).observations[0].values_mm[0] for _ in range(400)]
        kept = [w for w in widths if abs(w - 14.94) < 0.5]
        return float(np.std(kept))

    assert spread(DIFFERENT) > spread(AS_MODELLED)


@pytest.mark.parametrize(
    ("hits", "of", "low", "high"), [(0, 10, 0.0, 0.308), (10, 10, 0.692, 1.0), (5, 10, 0.187, 0.813)]
)
def test_binomial_intervals_as_tabulated(hits, of, low, high):
    """Clopper-Pearson 95 %: 0/10 → 0.308, 5/10 → 0.187 to 0.813 (standard tables)."""
    assert interval(hits, of) == pytest.approx((low, high), abs=0.001)
