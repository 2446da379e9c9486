"""Grooves on a shaft, in a bore and in a face: each says of its ring what that sort of groove says."""

import pytest

from ample.core import contract
from ample.core.operations.identify import identify_part


def asked(kind="o_ring", **readings):
    body = {
        "family": "o_ring",
        "kind": kind,
        "observations": [{"feature": name, "values": [f"{text} mm"]} for name, text in readings.items()],
    }
    return identify_part(contract.IdentifyRequest.model_validate(body))


# Grooves by the rules of a groove, worked out by hand (common practice): on a shaft the ring is stretched up to 5 %, in a
# bore pressed together up to 3 %, in a face it lies against its outer wall.
CASES = [
    # a piston of 45 with a groove of 38.2: 37.69 stretched 1.4 %
    ({"groove_diameter": "38.20", "groove_width": "4.80", "groove_depth": "2.90"}, (37.69, 3.53)),
    # the same groove read in a bore: the ring's outside, 31.34 + 7.06 = 38.40, is pressed to 38.2
    ({"bore_groove_diameter": "38.20", "groove_width": "4.80", "groove_depth": "2.90"}, (31.34, 3.53)),
    # a gland in a bore of 45 for a rod of 39: the ring is about 45 outside, never inside
    ({"bore_groove_diameter": "45.00", "groove_width": "4.70"}, (38.7, 3.5)),
    # a face groove 45 to 35.6: the ring of 37.69 is 44.75 outside
    (
        {"face_groove_outside": "45.00", "face_groove_inside": "35.60", "groove_depth": "2.65"},
        (37.69, 3.53),
    ),
]


@pytest.mark.parametrize(("readings", "size"), CASES, ids=lambda case: "-".join(map(str, case))[:60])
def test_a_groove_alone_leads_to_a_ring_that_goes_into_it(readings, size):
    found = asked(**readings)
    first = found.candidates[0].dimensions
    assert first["inside_mm"] == pytest.approx(size[0], abs=0.5)
    assert first["section_mm"] == pytest.approx(size[1], abs=0.06)


def test_the_groove_in_a_bore_is_near_the_outside_of_every_leading_ring():
    for each in asked(bore_groove_diameter="45.00", groove_width="4.70").candidates[:4]:
        outside = each.dimensions["inside_mm"] + 2 * each.dimensions["section_mm"]
        assert 45.0 <= outside <= 45.0 * 1.035


def test_the_groove_on_a_shaft_is_near_the_inside_of_every_leading_ring():
    for each in asked(groove_diameter="45.00", groove_width="4.70").candidates[:4]:
        assert 45.0 / 1.055 <= each.dimensions["inside_mm"] <= 45.0


def test_a_face_groove_for_pressure_from_outside_holds_its_ring_by_the_inner_wall():
    found = asked(
        face_groove_inside="37.90",
        face_groove_outside="47.30",
        inside="37.60",
        section_1="3.50",
        section_2="3.52",
    )
    assert found.candidates[0].designation == "-222"


def test_neighbours_that_a_used_ring_cannot_tell_are_said_so_until_the_groove_is_read():
    worn = {"inside": "109.90", "section_1": "3.45", "section_2": "3.40"}
    before = asked(**worn)
    assert any("-245" in text and "-244" in text and "groove" in text for text in before.advice)
    after = asked(**worn, groove_diameter="109.00", groove_width="4.80")
    assert not any("measure alike" in text for text in after.advice)
    assert after.candidates[0].designation == "-244"


def test_rings_of_two_sections_are_no_neighbours():
    assert not any("measure alike" in text for text in asked(inside="37.70", section_1="3.50").advice[:1])
