"""Comparing seals, rings and small parts. Cases are common practice; none of the judgements is printed anywhere."""

import pytest

from ample.core.errors import BadInput
from ample.core.interchange import Running, interchange_of, interchange_seals
from ample.core.parts import BearingSpec, SealSpec
from ample.core.standards import sizes_of_family


def lip(kind="lip_rubber", width=7.0, bore=52.0, **attributes):
    return SealSpec("lip_seal", "", kind, (35.0, bore, width), tuple(attributes.items()))


def ring(inside=20.0, section=2.5, kind="o_ring", **attributes):
    return SealSpec("o_ring", "", kind, (inside, section, 0.0), tuple(attributes.items()))


def face(kind="face_conical", long=40.0, **attributes):
    return SealSpec("face_seal", "", kind, (25.0, 38.0, 8.0, long), tuple(attributes.items()))


def attribute(found, name):
    return next(each for each in found.attributes if each.name == name)


SAME = {"material": "NBR"}


@pytest.mark.parametrize(
    "part", [lip(**SAME), ring(**SAME), face("face_bellows", **SAME)], ids=lambda part: part.family
)
def test_a_part_takes_the_place_of_itself(part):
    found = interchange_seals(part, part)
    assert found.verdict == "drop_in"
    assert found.distance == 0


@pytest.mark.parametrize("family", ["retaining_ring", "washer", "key"])
def test_every_listed_small_part_takes_the_place_of_itself(family):
    for size in sizes_of_family(family)[::7]:
        spec = SealSpec(family, size.designation, size.kind, size.dimensions_mm, (("material", "steel"),))
        assert interchange_seals(spec, spec).verdict == "drop_in"


@pytest.mark.parametrize(
    ("old", "new", "verdict", "what"),
    [
        (lip(**SAME), lip(width=8.0, **SAME), "needs_change", "width"),
        (lip(**SAME), lip(bore=50.0, **SAME), "not_interchangeable", "bore"),
        (ring(**SAME), ring(section=2.62, **SAME), "not_interchangeable", "section"),
        (ring(**SAME), ring(kind="x_ring", **SAME), "needs_change", "kind"),
        (face("face_bellows", **SAME), face("face_bellows", 37.0, **SAME), "needs_change", "working length"),
    ],
)
def test_another_size_or_kind_is_judged(old, new, verdict, what):
    found = interchange_seals(old, new)
    assert found.verdict == verdict
    assert attribute(found, what).judgement == "change"
    assert what in found.words


def test_half_a_hair_is_the_same_size():
    """A -222 is 37.69 mm and written 37.7 as well; 0.02 mm is under any tolerance of a ring."""
    assert interchange_seals(ring(37.6936, **SAME), ring(37.7, **SAME)).verdict == "drop_in"


def test_a_dust_lip_is_better_and_says_what_it_costs():
    found = attribute(interchange_seals(lip(**SAME), lip("lip_rubber_dust", **SAME)), "kind")
    assert found.judgement == "better"
    assert "drag" in found.consequence
    back = attribute(interchange_seals(lip("lip_rubber_dust", **SAME), lip(**SAME)), "kind")
    assert back.judgement == "worse"


def test_a_metal_case_in_the_place_of_rubber_wants_another_bore():
    found = attribute(interchange_seals(lip(**SAME), lip("lip_metal", **SAME)), "kind")
    assert found.judgement == "change"
    assert "smooth, round bore" in found.consequence


def test_an_unsaid_rubber_is_never_taken_as_the_same():
    """Density and colour do not settle nitrile or EPDM: the dangerous choice."""
    for old, new in ((ring(), ring()), (ring(**SAME), ring()), (ring(), ring(material="EPDM"))):
        found = interchange_seals(old, new)
        assert found.verdict == "fits_with_differences"
        assert attribute(found, "rubber").judgement == "unknown"


def test_epdm_in_the_place_of_nitrile_is_stopped_at_the_oil():
    found = interchange_seals(ring(**SAME), ring(material="EPDM"))
    assert found.verdict == "needs_change"
    assert "mineral oil" in attribute(found, "rubber").consequence


def test_nitrile_in_the_place_of_fluoro_rubber_stands_less_heat():
    found = attribute(interchange_seals(ring(material="FKM"), ring(**SAME)), "rubber")
    assert found.judgement == "worse"
    hot = interchange_seals(ring(material="FKM"), ring(**SAME), Running(temperature_c=160))
    assert hot.verdict == "not_interchangeable"


def test_fluoro_rubber_in_the_place_of_nitrile_stands_more_heat():
    assert attribute(interchange_seals(ring(**SAME), ring(material="FKM")), "rubber").judgement == "better"


def test_another_hardness_is_said():
    soft, hard = ring(hardness_shore_a="70", **SAME), ring(hardness_shore_a="90", **SAME)
    found = interchange_seals(soft, hard)
    assert found.verdict == "fits_with_differences"
    assert "larger gaps and more pressure" in attribute(found, "hardness").consequence
    assert attribute(interchange_seals(soft, soft), "hardness").judgement == "same"


def test_a_conical_spring_of_the_other_hand_lets_go_of_the_shaft():
    left, right = face(hand="left", **SAME), face(hand="right", **SAME)
    assert interchange_seals(left, right).verdict == "not_interchangeable"
    assert interchange_seals(left, left).verdict == "drop_in"
    unsaid = attribute(interchange_seals(left, face(**SAME)), "hand")
    assert unsaid.judgement == "unknown"
    assert "direction of rotation" in unsaid.consequence


def test_the_hand_of_a_bellows_seal_does_not_matter():
    found = interchange_seals(face("face_bellows", hand="left", **SAME), face("face_bellows", **SAME))
    assert found.verdict == "drop_in"


def test_other_faces_are_said():
    found = interchange_seals(face("face_many", faces="B/V", **SAME), face("face_many", faces="Q/Q", **SAME))
    assert found.verdict == "fits_with_differences"
    assert "both halves" in attribute(found, "faces").consequence


def test_parts_of_different_families_are_not_compared():
    with pytest.raises(BadInput) as refused:
        interchange_of(BearingSpec("6205", "62", 25, 52, 15), ring())
    assert refused.value.field == "to"
    with pytest.raises(BadInput):
        interchange_of(ring(), lip())


def test_the_nearer_part_stands_first():
    """What is offered is ordered by how much differs."""
    old = lip(**SAME)
    near = [lip(**SAME), lip("lip_rubber_dust", **SAME), lip(width=8.0, **SAME), lip(bore=50.0, **SAME)]
    distances = [interchange_seals(old, each).distance for each in near]
    assert distances == sorted(distances)
    assert len(set(distances)) == 4
