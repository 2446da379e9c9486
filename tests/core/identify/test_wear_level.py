"""How hard a machine used its rings, learned from those confirmed: against the world apart, at its limits, and as nothing."""

import numpy as np
import pytest
from benchmarks.world import Habits, World
from benchmarks.world_trials import read_of

from ample.core.identify import Observation, identify, standard_catalogue
from ample.core.identify.posterior import density_of_unit, measure
from ample.core.identify.wear_level import LEVELS, ConfirmedRing, for_wear, wear_level, wear_words
from ample.core.sizes import default_instrument

CALIPER = default_instrument("caliper")


def rings_of(wear: float, count: int, seed: int = 5) -> list[ConfirmedRing]:
    """Rings of the world apart, each with its readings."""
    world = World("o_ring", seed, "none", Habits(wear=wear))
    return [ConfirmedRing(each.designation, read_of(each)) for each in world.draws(count)]


@pytest.mark.parametrize(("wear", "low", "high"), [(0.5, 0.35, 0.85), (1.0, 0.7, 1.4), (2.0, 1.25, 2.83)])
def test_a_dozen_rings_tell_how_hard_a_machine_was_used(wear, low, high):
    listed = standard_catalogue("o_ring")
    found = [wear_level(listed, rings_of(wear, 12, seed)) for seed in range(6)]
    assert low < float(np.median(found)) < high


def test_one_ring_tells_little_and_more_of_the_same_tell_more():
    listed = standard_catalogue("o_ring")
    rings = rings_of(2.0, 12, 3)
    flat = Observation("inside", (26.9,), CALIPER, family="o_ring")
    stretched = [ConfirmedRing("-214", (flat,))] * 4
    assert 1.0 < wear_level(listed, stretched[:1]) < wear_level(listed, stretched) <= LEVELS[-1]
    assert wear_level(listed, rings) == pytest.approx(wear_level(listed, rings[::-1]))


def test_a_ring_on_no_list_or_not_read_tells_nothing():
    listed = standard_catalogue("o_ring")
    read = (Observation("inside", (26.9,), CALIPER, family="o_ring"),)
    assert wear_level(listed, [ConfirmedRing("made up", read), ConfirmedRing("-214", ())]) == 1.0


def test_the_density_of_one_unit_is_that_of_the_whole_list():
    listed = standard_catalogue("o_ring")
    for ring in rings_of(1.0, 5):
        unit = int(listed.entry_unit[listed.rows_named[ring.designation][0]])
        whole = measure(listed, ring.observations, closely=True).unit_density[unit]
        assert density_of_unit(listed, unit, ring.observations) == pytest.approx(whole, rel=1e-9)


def test_at_the_usual_level_the_list_is_the_same_and_twice_is_twice():
    listed = standard_catalogue("o_ring")
    assert for_wear(listed, 1.0) is listed
    assert for_wear(listed, 1.05) is listed
    stretch = [
        [
            dict(each.effects["inside"].grows)["inside_mm"]
            for each in held.family.conditions
            if each.name == "stretched"
        ]
        for held in (listed, for_wear(listed, 2.0))
    ]
    assert stretch[1] == pytest.approx([2 * each for each in stretch[0]])


def test_a_ring_far_from_its_size_is_likelier_where_rings_are_worn_hard():
    """27.2 mm over 24.99 is 9 % of stretch: at home in a hot machine, hardly anywhere else."""
    listed = standard_catalogue("o_ring")
    read = (
        Observation("inside", (27.2,), CALIPER, family="o_ring"),
        Observation("section_1", (3.38,), CALIPER, family="o_ring"),
    )

    def of(level: float) -> float:
        found = identify(for_wear(listed, level), read, limit=100).candidates
        return sum(each.probability for each in found if each.variants[0].entry.spec.designation == "-214")

    assert of(2.0) > 2 * of(0.5)


def test_it_is_said_only_where_it_differs_and_rings_enough_were_read():
    assert wear_words(2.0, 2) == ""
    assert wear_words(1.2, 8) == ""
    assert "2.0 times as much" in wear_words(2.0, 4)
    assert "only 0.5 times" in wear_words(0.5, 4)
