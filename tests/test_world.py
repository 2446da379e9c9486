"""The world apart is apart: it knows nothing of the ranking, and its mishaps are what they say."""

import ast
from pathlib import Path

import numpy as np
import pytest
from benchmarks import world
from benchmarks.world import CALIPER_U_MM, FAMILIES, World, listed_of, others_that_fit, ring_shares


def test_it_imports_nothing_of_what_it_judges():
    tree = ast.parse(Path(world.__file__).read_text(encoding="utf-8"))
    named = [each.module or "" for each in ast.walk(tree) if isinstance(each, ast.ImportFrom)]
    named += [name.name for each in ast.walk(tree) if isinstance(each, ast.Import) for name in each.names]
    ours = {each for each in named if each.startswith(("ample", "benchmarks"))}
    assert ours == {"ample.core.standards", "ample.core.standards.seals"}


@pytest.mark.parametrize("family", FAMILIES)
def test_every_family_has_sizes_and_the_same_seed_draws_the_same(family):
    assert len({each.sizes_mm for each in listed_of(family)}) > 300
    one, other = ([*World(family, 7).draws(20)] for _ in range(2))
    assert one == other
    assert {reading.feature for each in one for reading in each.readings} == set(world.FEATURES[family])


def off_mm(found):
    """How far each reading of a bearing is from its nominal."""
    return np.array([each.values_mm[0] for each in found.readings]) - np.array(found.sizes_mm)


def test_a_clean_bearing_is_read_within_its_limits_and_the_caliper():
    off = np.array([off_mm(each) for each in World("bearing", 3, "clean").draws(400)])
    assert np.abs(off[:, :2]).max() < 3 * CALIPER_U_MM
    assert (off[:, 2] < 3 * CALIPER_U_MM / 2).all()


def test_a_zero_error_moves_all_readings_alike_and_rust_does_not():
    zero = np.array([off_mm(each)[:2] for each in World("bearing", 3, "zero").draws(400)])
    assert np.quantile(np.abs(zero), 0.05) > 0.01
    assert np.quantile(np.abs(zero[:, 0] - zero[:, 1]), 0.95) < 0.13, "apart only by wear and hand"
    rust = np.array([off_mm(each)[:2] for each in World("bearing", 3, "rust").draws(400)])
    assert np.corrcoef(zero.T)[0, 1] > 0.6
    assert np.corrcoef(rust.T)[0, 1] < 0, "scale makes the outside larger and the bore smaller"


def test_a_slip_is_of_one_reading():
    for found in World("bearing", 5, "slip").draws(200):
        wrong = np.abs(off_mm(found)) > 0.35
        assert wrong.sum() <= 1
        assert found.mishap.startswith("slip at ")


def test_what_a_machine_was_built_with_says_which_rings_are_in_it():
    for origin in world.ORIGINS:
        assert ring_shares(origin).sum() == pytest.approx(1.0)
    inch = [
        each.designation.startswith("-")
        for each in World("o_ring", 1, habits=world.Habits(leading="inch")).draws(300)
    ]
    metric = [
        each.designation.startswith("-")
        for each in World("o_ring", 1, habits=world.Habits(leading="metric")).draws(300)
    ]
    assert np.mean(inch) > 0.85
    assert np.mean(metric) < 0.1


def test_another_size_that_a_misread_part_fits_is_found():
    found = World("bearing", 3, "clean").draw()
    assert others_that_fit(found) == ()
    other = next(each for each in listed_of("bearing") if each.sizes_mm != found.sizes_mm)
    read = tuple(
        world.Reading(each.feature, (size,))
        for each, size in zip(found.readings, other.sizes_mm, strict=True)
    )
    misread = world.Found(found.family, found.kind, found.designation, found.sizes_mm, read, "slip", "sound")
    assert " x ".join(f"{size:g}" for size in other.sizes_mm) in others_that_fit(misread)
