"""Which ring to push with what, and how warm a bearing may be."""

import pytest

from ample.core.errors import BadInput
from ample.core.fits import Range
from ample.core.fits.mounting import driver_for, warming_for
from ample.core.fits.raceways import raceway_mm


def test_the_usual_25_mm_seat_needs_more_than_its_limit():
    """A 25 mm k5 seat on a Normal bore takes 2 to 21 µm: 103 to 137 K (the trade's page), over the 110 °C of open rings."""
    most = warming_for(25, Range(2, 11, 21))
    assert most.needed_c - 20 == pytest.approx(112, abs=1)
    assert 103 <= most.needed_c - 20 <= 137
    assert most.to_c == 110
    assert most.slides_probability == 1.0
    assert most.left_um == 0.0


def test_a_sealed_one_is_warmed_less_and_may_grip():
    sealed = warming_for(25, Range(2, 20, 40), "seal_two")
    assert (sealed.limit_c, sealed.limit_because) == (80, "seal")
    growth = 12e-6 * 25_000 * 60
    assert sealed.slides_probability == pytest.approx((growth - 2) / 38, abs=0.001)
    assert sealed.left_um == pytest.approx(40 - growth, abs=0.1)


@pytest.mark.parametrize(
    ("closure", "greased", "because"),
    [
        ("open", False, "rings"),
        ("open", True, "grease"),
        ("shield_one", False, "shield"),
        ("low_friction_two", False, "seal"),
    ],
)
def test_the_limit_is_that_of_what_is_in_it(closure, greased, because):
    assert warming_for(40, None, closure, greased).limit_because == because


def test_without_a_fit_only_the_limit_is_said():
    found = warming_for(40, None)
    assert (found.needed_c, found.slides_probability, found.to_c) == (None, None, 110)
    assert warming_for(None, Range(1, 2, 3)).needed_c is None


@pytest.mark.parametrize(
    ("ring", "rolls", "window"),
    [
        ("inner", "ball", (25, 30.4)),
        ("outer", "ball", (46.6, 52)),
        ("inner", "roller", (25, 31.75)),
        ("outer", "roller", (45.25, 52)),
        ("both", "ball", (25, 52)),
    ],
)
def test_the_window_of_a_driver_lies_on_the_ring_that_is_pressed(ring, rolls, window):
    found = driver_for(25, 52, ring, rolls)
    assert (found.inside_over_mm, found.outside_under_mm) == window


def test_a_size_that_is_not_known_leaves_its_bound_open():
    found = driver_for(25, None, "inner")
    assert (found.inside_over_mm, found.outside_under_mm) == (25, None)


@pytest.mark.parametrize(
    "call",
    [
        lambda: raceway_mm(52, 25, "inner"),
        lambda: warming_for(0, None),
        lambda: warming_for(25, None, ambient_c=200),
    ],
)
def test_the_impossible_is_refused(call):
    with pytest.raises(BadInput):
        call()
