"""Which seats are judged: by the rules of radial ball bearings, and no others."""

import pytest

from ample.core.fits import MeasuredSeat, Range, check_seat, clearance_after_fitting
from ample.core.fits.rules import judged_kinds, not_judged, not_judged_words
from ample.core.parts import BearingSpec, bearing_kinds, ring_kind
from ample.core.sizes import default_instrument


def test_every_kind_that_is_judged_is_a_radial_ball_bearing():
    for kind in judged_kinds():
        assert bearing_kinds()[kind].group == "ball"
        assert ring_kind(kind) == "radial"


@pytest.mark.parametrize(
    ("kind", "bore_shape", "why"),
    [
        ("deep_groove", "cylindrical", None),
        ("self_aligning", "cylindrical", None),
        ("self_aligning", "taper_1_12", "taper_bore"),
        ("taper", "cylindrical", "no_rules"),
        ("inch_taper", "cylindrical", "no_rules"),
        ("spherical_roller", "cylindrical", "no_rules"),
        ("drawn_cup", "cylindrical", "no_rules"),
        ("thrust_ball", "cylindrical", "no_rules"),
        ("insert", "cylindrical", "no_rules"),
        ("thin_section", "cylindrical", "no_rules"),
    ],
)
def test_other_kinds_are_not_judged_as_if_they_were_one(kind, bore_shape, why):
    spec = BearingSpec("x", "x", 20, 47, 14, kind=kind, bore_shape=bore_shape)
    assert not_judged(spec) == why
    if why:
        assert not_judged_words(spec).endswith("The readings are kept.")


# J7 of a 40 mm bore runs from -11 to +14 µm (ISO 286-2); a caliper's doubt is wider than that.
@pytest.mark.parametrize(
    ("readings_um", "words"),
    [
        ((1, 4, 7), "they are in the zone but within the measurement uncertainty of a limit"),
        ((10, 14, 18), "they are within the measurement uncertainty of a limit, on both sides"),
        ((15, 16, 17), "they are outside the zone but within the measurement uncertainty of a limit"),
    ],
)
def test_where_undecided_readings_lie_is_said_as_it_is(readings_um, words):
    """All of +1 to +7 lie in J7, and it said that they straddle a limit."""
    readings = [[40 + um / 1000, 40 + um / 1000] for um in readings_um]
    found = check_seat(MeasuredSeat("housing", (17, 40, 12), readings, default_instrument("caliper"), "J7"))
    assert found.decision == "cannot_tell"
    assert words in found.reason


@pytest.mark.parametrize(
    ("group", "shaft", "advice"),
    [
        ("3", Range(0, 2, 4), "ok"),
        ("N", Range(3, 10.3, 17), "take_group"),
        ("2", Range(60, 80, 90), "no_group"),
    ],
)
def test_what_to_do_about_the_clearance_is_a_code(group, shaft, advice):
    assert clearance_after_fitting((25, 52, 15), group, shaft, None).advice == advice
