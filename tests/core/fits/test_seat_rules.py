"""Which seats are judged: by the rules of radial ball bearings, and no others."""

import pytest

from ample.core.fits.rules import judged_kinds, not_judged, not_judged_words
from ample.core.parts import BearingSpec, bearing_kinds, ring_kind


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
        assert not_judged_words(spec).endswith("the readings are kept.")
