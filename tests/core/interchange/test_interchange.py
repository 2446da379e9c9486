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
    assert "Not enough protection" in dirty.consequence
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


# Kinds -------------------------------------------------------------------------------------

BALL = BearingSpec("6205", "62", 25, 52, 15)
TAPER = BearingSpec("30205", "302", 25, 52, 15, kind="taper", T_mm=16.25, C_mm=13)


def test_a_taper_in_the_place_of_a_ball_needs_a_change_and_says_what():
    """Common practice: a taper carries load one way and is adjusted against a second bearing; it is wider here."""
    found = interchange(BALL, TAPER)
    assert found.verdict == "needs_change"
    assert "adjusted against a second bearing" in attribute(found, "kind").consequence
    assert "1.25 mm wider" in attribute(found, "width").consequence


def test_a_roller_bearing_without_flanges_takes_no_load_along_the_shaft():
    found = interchange(BALL, replace(BALL, designation="NU205", kind="cylindrical_nu"))
    assert "Load along the shaft: none" in attribute(found, "kind").consequence


def test_a_stiff_bearing_in_the_place_of_one_that_tilts_is_said():
    tilting = replace(BALL, designation="1205", kind="self_aligning")
    assert "misalignment" in attribute(interchange(tilting, BALL), "kind").consequence


def test_a_flat_bearing_never_replaces_one_about_the_shaft():
    flat = BearingSpec("51205", "512", 25, 52, 15, kind="thrust_ball", T_mm=15)
    assert interchange(BALL, flat).verdict == "not_interchangeable"


def test_tapers_of_one_assembled_width_with_other_rings_differ_in_their_rings():
    """30305 and 31305: the same but for the cup (ISO 355)."""
    plain = BearingSpec("30305", "303", 25, 62, 17, kind="taper", T_mm=18.25, C_mm=15)
    steep = replace(plain, designation="31305", series="313", C_mm=13)
    found = interchange(plain, steep)
    assert found.verdict == "fits_with_differences"
    assert attribute(found, "cup width").judgement == "change"


def test_another_contact_angle_is_a_change():
    forty = BearingSpec("7205", "72", 25, 52, 15, kind="angular_contact", angle="40")
    assert (
        attribute(interchange(forty, replace(forty, angle="15")), "contact angle").severity == "needs_change"
    )
    assert attribute(interchange(forty, forty), "contact angle").judgement == "same"


def test_clearance_of_rollers_is_compared_by_their_own_table():
    """Group N to 3 at 75 mm, cylindrical: 40..75 to 65..100, 25 wider in the middle (ISO 5753-1)."""
    normal = BearingSpec("NU215", "NU2", 75, 130, 25, kind="cylindrical_nu")
    found = attribute(interchange(normal, replace(normal, clearance="3")), "clearance")
    assert "25 µm" in found.consequence
