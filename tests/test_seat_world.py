"""The worlds of seats are apart: they know nothing of the judge, and what they say of a seat is so."""

import ast
from pathlib import Path

import numpy as np
import pytest
from benchmarks import seat_world
from benchmarks.seat_trials import WORLDS, bins, judged
from benchmarks.seat_world import SeatWorld


def test_it_imports_nothing_of_what_it_judges():
    tree = ast.parse(Path(seat_world.__file__).read_text(encoding="utf-8"))
    named = [each.module or "" for each in ast.walk(tree) if isinstance(each, ast.ImportFrom)]
    named += [name.name for each in ast.walk(tree) if isinstance(each, ast.Import) for name in each.names]
    assert not [each for each in named if each.startswith(("ample", "benchmarks"))]


@pytest.mark.parametrize("name", WORLDS)
def test_the_same_seed_draws_the_same(name):
    one, other = ([*SeatWorld(name, 3).draws(30)] for _ in range(2))
    assert one == other
    assert {each.in_zone for each in one} == {True, False}


def test_readings_scatter_as_the_instrument_does():
    """U = 5 µm (k = 2) and 1.5 µm of scatter over six readings: √(2.5² + 1.5²/6) = 2.57 µm about the true mean."""
    world, place = SeatWorld("worn", 5), seat_world.PLACES[0]
    read = [(np.mean(world._read(place, 4.0)) - place.d_mm) * 1000 - 4.0 for _ in range(2000)]
    assert np.std(read) == pytest.approx(2.57, abs=0.15)


def test_a_seat_well_inside_is_accepted_and_a_worn_one_rejected():
    seats = [*SeatWorld("worn", 9).draws(120)]
    found = [judged(each) for each in seats]
    for seat, each in zip(seats, found, strict=True):
        off = (np.mean(seat.readings_mm) - seat.place.d_mm) * 1000
        if off < seat.place.zone_um[0] - 12:
            assert each.decision == "reject"
    assert {each.decision for each in found} == {"accept", "cannot_tell", "reject"}


def test_bins_are_of_equal_count_and_in_order():
    found = bins([0.1] * 3000 + [0.9] * 3000, [False] * 3000 + [True] * 3000)
    assert [(count, round(stated, 9), true) for stated, true, count in found] == [
        (3000, 0.1, 0.0),
        (3000, 0.9, 1.0),
    ]
