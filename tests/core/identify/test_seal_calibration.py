"""A small trial of seals, rings and small parts, as `./ample bench` does at length: right first, and honest."""

from functools import cache

import numpy as np
import pytest
from benchmarks.seal_parts import TOLD, WHOLE, SealSimulator
from benchmarks.seal_trials import RING_AND_GROOVE, SETS, ranked
from benchmarks.simulate import AS_MODELLED, DIFFERENT
from benchmarks.trials import Tally

from ample.core.identify import KindEvidence, Observation, identify, standard_catalogue
from ample.core.sizes import default_instrument

CALIPER = default_instrument("caliper")
FAMILIES = list(WHOLE)
DRAWS = 40


def simulator(family, habits=AS_MODELLED, seed=3):
    return SealSimulator(standard_catalogue(family), CALIPER, seed, habits)


@cache
def trial(family, habits, count):
    """Parts listed and not, measured in several ways, read once to three times."""
    world, tally = simulator(family, habits), Tally(family)
    for number in range(count):
        sets = SETS.get(family, (WHOLE[family],))
        group = TOLD[family][number % len(TOLD[family])]
        draw = world.draw(group, sets[number % len(sets)], 1 + number % 3)
        tally.add(*ranked(world, draw), draw.envelope)
    return tally


@pytest.mark.parametrize(
    ("family", "first", "in_three"),
    # The targets of the work are 95 % first; of 40 draws two or three may be missed by chance. A ring alone, drawn from all
    # lists as evenly as they are met, can be told in about 70 of 100 (before, with sharper frequencies, in 77).
    [(family, 24 if family == "o_ring" else 36, 37) for family in FAMILIES],
    ids=FAMILIES,
)
def test_measured_whole_the_right_size_comes_first(family, first, in_three):
    world, tally = simulator(family), Tally(family)
    for number in range(DRAWS):
        draw = world.draw(TOLD[family][number % len(TOLD[family])], WHOLE[family], 1, listed=True)
        tally.add(*ranked(world, draw), draw.envelope)
    assert tally.first >= first
    assert tally.in_three >= in_three


@pytest.mark.parametrize("family", FAMILIES)
def test_the_percentages_mean_what_they_say(family):
    tally = trial(family, AS_MODELLED, 100)
    assert tally.calibration_error() < 0.06
    assert tally.none_error() < 0.06


@pytest.mark.long
@pytest.mark.parametrize("family", FAMILIES)
def test_over_more_draws_the_percentages_mean_it_more_exactly(family):
    tally = trial(family, AS_MODELLED, 150)
    assert tally.calibration_error() < 0.05
    assert tally.none_error() < 0.05


@pytest.mark.long
@pytest.mark.parametrize("family", FAMILIES)
def test_in_a_different_world_they_stay_fairly_honest(family):
    tally = trial(family, DIFFERENT, 120)
    assert tally.calibration_error() < 0.08
    assert tally.none_error() < 0.08


@pytest.mark.parametrize("family", FAMILIES)
def test_an_unlisted_part_is_seldom_shown_as_a_listed_one(family):
    """Drawn from the grid of the family and on no list: never at 90 % more than now and then."""
    world = simulator(family, seed=19)
    sure = 0
    for number in range(DRAWS):
        draw = world.draw(TOLD[family][number % len(TOLD[family])], WHOLE[family], 1, listed=False)
        sure += ranked(world, draw)[1][0] > 0.9
    assert sure <= DRAWS // 4


def test_a_ring_with_its_groove_is_in_the_first_three():
    """What the sheet asks for when a ring alone cannot tell: about one in 200 is missed, so three of 80 by chance."""
    world = simulator("o_ring", seed=29)
    draws = [world.draw("round", RING_AND_GROOVE, 1, listed=True) for _ in range(2 * DRAWS)]
    assert sum(draw.envelope in ranked(world, draw)[0][:3] for draw in draws) >= 2 * DRAWS - 3


def middle(family, make, feature):
    found = max(family.measures(make, feature), key=lambda one: one.share, default=None)
    return None if found is None else round((found.low_mm + found.high_mm) / 2, 3)


@pytest.mark.parametrize("name", FAMILIES)
def test_a_listed_part_read_in_the_middle_of_its_limits_is_among_the_first(name):
    """As new, of every seventeenth listed size: among the first three; of rings, which are made up to 1 mm off and lie
    closer than that on several lists, among the first six.
    """
    most = 6 if name == "o_ring" else 3
    catalogue = standard_catalogue(name)
    family = catalogue.family
    missed = []
    units = range(0, len(catalogue.unit_tolerances), max(17, len(catalogue.unit_tolerances) // 40))
    for unit in units:
        make = catalogue.unit_tolerances[unit]
        read = {feature: middle(family, make, feature) for feature in WHOLE[name]}
        if not all(read.values()):
            continue
        observations = [
            Observation(feature, (value,), CALIPER, "new", name) for feature, value in read.items()
        ]
        kinds = {catalogue.entries[row].spec.kind for row in np.flatnonzero(catalogue.entry_unit == unit)}
        found = identify(
            catalogue, observations, seen=KindEvidence(frozenset(kinds)), limit=most, most_variants=1
        )
        wanted = tuple(catalogue.envelopes_mm[catalogue.unit_envelope[unit]])
        if not any(np.allclose(each.envelope_mm, wanted, atol=0.006) for each in found.candidates):
            missed.append((wanted, [each.envelope_mm for each in found.candidates]))
    assert missed == []
