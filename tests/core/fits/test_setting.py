"""What fitting takes from the axial play of a set bearing: against figures worked by hand, and what hands know."""

import math

import pytest

from ample.core.fits.clearance import Interference
from ample.core.fits.ranges import Range
from ample.core.fits.setting import contact_angle, setting_after_fitting
from ample.core.parts import BearingSpec

LOOSE = Interference.of(Range(-40, -25, -10))


def taper(series="302", d=30.0, D=62.0, **more):
    return BearingSpec(f"{series}06", series, d, D, 16, kind="taper", **more)


def tight(um):
    return Interference.of(Range(um, um, um))


def test_a_cone_worked_by_hand():
    """30 x 62, 15 um measured: 15 * 30/32 = 14.06 effective; raceway 38 mm: 30/38 of it, 11.10; half is radial, 5.55; over
    tan 14.93 deg = 0.2667: 20.8 um."""
    assert setting_after_fitting(taper(), tight(15), LOOSE).taken.likely == pytest.approx(20.8, abs=0.06)


def test_a_cup_in_steel_worked_by_hand():
    """62 in a housing of 93: raceway 54; h = 0.871, h0 = 2/3; 10 um * 62/64 = 9.69 effective, times 0.871 * 0.5556/0.6629."""
    grows = 10 * 62 / 64 * (54 / 62) * (1 - (2 / 3) ** 2) / (1 - (54 / 62) ** 2 * (2 / 3) ** 2)
    found = setting_after_fitting(taper(), LOOSE, tight(10))
    assert found.taken.likely == pytest.approx(grows / 2 / 0.26667, abs=0.1)


@pytest.mark.parametrize(
    ("series", "low", "high"),
    [("302", 13.5, 16.2), ("303", 10.5, 13.2), ("313", 26.8, 29.1), ("320", 13, 17.5)],
)
def test_angles_are_those_of_iso_355(series, low, high):
    angle = contact_angle(taper(series))
    assert low < angle.usual_deg < high
    assert angle.least_deg <= angle.usual_deg <= angle.most_deg


def test_an_angle_that_is_marked_is_taken_and_a_steeper_one_loses_less():
    by_angle = [
        setting_after_fitting(
            BearingSpec("7206", "72", 30, 62, 16, kind="angular_contact", angle=angle), tight(12), LOOSE
        )
        for angle in ("15", "25", "40")
    ]
    assert [each.angle_known for each in by_angle] == ["marked"] * 3
    taken = [each.taken.likely for each in by_angle]
    assert taken[0] > taken[1] > taken[2] > 0
    assert taken[0] / taken[2] == pytest.approx(
        math.tan(math.radians(40)) / math.tan(math.radians(15)), rel=0.02
    )


def test_loose_rings_take_nothing_and_a_radial_bearing_is_not_set():
    found = setting_after_fitting(taper(), LOOSE, LOOSE)
    assert found.taken == Range(0, 0, 0)
    assert "takes no axial play" in found.words
    assert setting_after_fitting(BearingSpec("6206", "62", 30, 62, 16), tight(12), LOOSE) is None


def test_a_matched_pair_is_told_that_both_lose_it():
    pair = BearingSpec(
        "7206", "72", 30, 62, 16, kind="angular_contact", angle="40", extras=("pair_back_to_back",)
    )
    found = setting_after_fitting(pair, tight(12), LOOSE)
    assert found.matched
    assert found.words.startswith("Each bearing of the matched pair")


def test_nine_of_ten_lie_within_the_worst_and_the_best():
    wide = Interference.of(Range(2, 14, 27))
    found = setting_after_fitting(taper(), wide, LOOSE)
    assert (
        found.taken.min
        <= found.taken_usual.min
        < found.taken_usual.likely
        < found.taken_usual.max
        <= found.taken.max
    )
