from dataclasses import replace

import pytest

from ample.core.errors import BadInput
from ample.core.interchange import Running, interchange
from ample.core.parts import BearingSpec

SEALED = BearingSpec("6205", "62", 25, 52, 15, "seal_two")


def judged(**changes):
    duty = changes.pop("duty", None)
    return interchange(SEALED, replace(SEALED, **changes), duty)


def attribute(found, name):
    return next(each for each in found.attributes if each.name == name)


@pytest.mark.parametrize(
    ("changes", "verdict"),
    [
        ({}, "drop_in"),
        ({"tolerance_class": "6"}, "drop_in"),
        ({"closure": "shield_two"}, "fits_with_differences"),
        ({"closure": "open"}, "fits_with_differences"),
        ({"clearance": "3"}, "fits_with_differences"),
        ({"B_mm": 18.0}, "needs_change"),
        ({"B_mm": 12.0}, "needs_change"),
        ({"extras": ("flange",)}, "needs_change"),
        ({"D_mm": 62.0, "B_mm": 17.0}, "not_interchangeable"),
        ({"d_mm": 30.0}, "not_interchangeable"),
        ({"bore_shape": "taper_1_12"}, "not_interchangeable"),
    ],
)
def test_verdicts(changes, verdict):
    assert judged(**changes).verdict == verdict


def test_a_wider_bearing_says_by_how_much():
    assert "3 mm wider" in attribute(judged(B_mm=18.0), "width").consequence


def test_wider_clearance_says_about_how_many_micrometres():
    """ISO 5753-1 at 25 mm: N 5–20, group 3 13–28: 8 µm more in the middle."""
    assert "8 µm" in attribute(judged(clearance="3"), "clearance").consequence


def test_open_for_sealed_is_worse_and_says_why():
    closure = attribute(judged(closure="open"), "closure")
    assert closure.judgement == "worse"
    assert "dirt" in closure.consequence


def test_sealed_for_open_cuts_off_the_oil():
    found = interchange(replace(SEALED, closure="open"), SEALED)
    assert "no longer reaches" in attribute(found, "closure").consequence
    assert attribute(found, "speed").judgement == "worse"


def test_a_groove_that_located_the_old_one_is_missed():
    found = interchange(replace(SEALED, snap_ring="groove"), SEALED)
    assert found.verdict == "needs_change"


def test_unknown_cages_are_asked_about():
    assert attribute(judged(cage="polyamide"), "cage").judgement == "unknown"


def test_dirt_and_speed_are_judged_when_known():
    dirty = attribute(judged(closure="shield_two", duty=Running(dirty=True)), "closure")
    assert "wrong way" in dirty.consequence
    fast = attribute(judged(duty=Running(rpm=20_000)), "speed")
    assert fast.judgement == "worse"


def test_estimates_say_that_they_are():
    found = judged()
    assert "estimated" in attribute(found, "load").basis
    assert "estimated" in attribute(found, "speed").basis


def test_differences_come_first():
    words = [each.judgement for each in judged(clearance="3", closure="open").attributes]
    assert "same" not in words[:2]


def test_nearer_parts_lie_nearer():
    near = judged(closure="low_friction_two").distance
    assert judged().distance < near < judged(closure="open").distance < judged(B_mm=18.0).distance


@pytest.mark.parametrize("duty", [{"rpm": -1}, {"temperature_c": 900}])
def test_impossible_duties_are_refused(duty):
    with pytest.raises(BadInput):
        Running(**duty)
