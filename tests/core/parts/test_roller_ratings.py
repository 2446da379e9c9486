"""Estimated ratings of roller bearings against list ratings, kN (common lists, rounded; makers differ by a tenth)."""

from itertools import pairwise

import pytest

from ample.core.contract import SpecRequest
from ample.core.contract.specs import spec_of
from ample.core.parts.roller_ratings import _factors, dynamic_rating_n


@pytest.mark.parametrize(
    ("name", "list_kn"),
    [
        ("NU205", 28.6), ("NU210", 64.4), ("NU310", 110), ("NU220", 250), ("22210", 104), ("22310", 220),
        ("30206", 44), ("32210", 82), ("30310", 125), ("HK2016", 12.7), ("NK20/16", 16.5), ("NA4905", 24),
        ("6205", 14.0), ("3206", 30), ("1206", 15.6),
        ("GE25ES", 48), ("GE40ES", 100), ("GE60ES", 245), ("NKIA5905", 25),
    ],
)  # fmt: skip
def test_a_list_rating_is_met_within_a_quarter(name, list_kn):
    rating = dynamic_rating_n(spec_of(SpecRequest(designation=name), "designation")) / 1000
    assert rating == pytest.approx(list_kn, rel=0.25)


def test_the_factors_have_one_maximum_and_no_jump():
    values = [value for _, value in _factors()]
    top = values.index(max(values))
    assert _factors()[top][0] == 0.18
    assert values[: top + 1] == sorted(values[: top + 1])
    assert values[top:] == sorted(values[top:], reverse=True)
    steps = [after - before for before, after in pairwise(values)]
    assert all(abs(second - first) <= 3.1 for first, second in pairwise(steps))
