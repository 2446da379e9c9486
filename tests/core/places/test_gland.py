"""O-rings in grooves against cases written before the code, and what is suggested instead."""

import pytest

from ample.core.errors import BadInput
from ample.core.operations import ask
from tests.tables import published

CASES = published("glands.csv")


def size(text):
    low, _, high = text.partition("/")
    return {"min": float(low), "max": float(high)} if high else float(low)


def request_of(row):
    wall = size(row["wall_mm"])
    face = "inside_mm" if row["pressure_from"] == "outside" else "outside_mm"
    return {
        "ring": {"inside_mm": float(row["inside_mm"]), "section_mm": float(row["section_mm"])},
        "groove": {
            "kind": row["kind"],
            (face if row["kind"] == "face" else "groove_diameter_mm"): wall,
            "depth_mm": size(row["depth_mm"]),
            "width_mm": size(row["width_mm"]),
        },
        "duty": {"motion": row["motion"], "pressure_from": row["pressure_from"]},
    }


@pytest.mark.parametrize(
    "row", CASES, ids=lambda row: f"{row['kind']} {row['wall_mm']} {row['depth_mm']} {row['motion']}"
)
def test_a_case_written_before_the_code(row):
    answer = ask("gland", request_of(row))
    for name in ("squeeze", "stretch", "fill"):
        wanted = [float(text) for text in row[name].split()]
        found = answer[f"{name}_percent"]
        assert [found["min"], found["nominal"], found["max"]] == pytest.approx(wanted, abs=2e-3)
    assert [each["code"] for each in answer["findings"]] == row["codes"].split()


@pytest.mark.parametrize("row", CASES, ids=lambda row: f"{row['kind']} {row['wall_mm']} {row['depth_mm']}")
def test_the_groove_suggested_suits_the_ring(row):
    asked = request_of(row)
    suits = ask("gland", asked)["suggested_groove"]
    face = "inside_mm" if row["pressure_from"] == "outside" else "outside_mm"
    asked["groove"] |= {
        (face if row["kind"] == "face" else "groove_diameter_mm"): suits["wall_mm"],
        "depth_mm": suits["depth_mm"],
        "width_mm": suits["width_mm"],
    }
    assert ask("gland", asked)["findings"] == []


def test_the_ring_suggested_for_an_odd_groove_suits_it():
    """A groove of 38.5 by 2.8 with a ring too large in it: -222 is the usual one."""
    groove = {"kind": "shaft", "groove_diameter_mm": 38.5, "width_mm": 4.8, "depth_mm": 2.8}
    answer = ask("gland", {"ring": {"inside_mm": 33.0, "section_mm": 3.0}, "groove": groove})
    ring = answer["suggested_ring"]
    again = ask(
        "gland",
        {"ring": {"inside_mm": ring["inside_mm"], "section_mm": ring["section_mm"]}, "groove": groove},
    )
    assert again["findings"] == []
    assert ring["section_mm"] == pytest.approx(3.53, abs=0.06)


def test_a_ring_by_its_name_is_its_listed_size():
    groove = {"kind": "shaft", "groove_diameter_mm": 38.5, "width_mm": 4.8, "depth_mm": 2.8}
    named, sized = (
        ask("gland", {"ring": ring, "groove": groove})["squeeze_percent"]["nominal"]
        for ring in ({"designation": "AS568-222"}, {"inside_mm": 37.6936, "section_mm": 3.5306})
    )
    assert named == pytest.approx(sized)


@pytest.mark.parametrize(
    ("rubber", "duty", "codes"),
    [
        ("NBR", {"medium": "brake_fluid"}, ["medium_bad"]),
        ("EPDM", {"medium": "mineral_oil", "max_c": 150}, ["heat_high", "medium_bad"]),
        ("FKM", {"medium": "mineral_oil", "max_c": 150}, []),
    ],
)
def test_what_its_rubber_does_not_stand_stops_a_ring_that_fits(rubber, duty, codes):
    """Common practice: NBR fails in brake fluid, EPDM in mineral oil and above 130 °C, FKM stands both."""
    ring = {"inside_mm": 37.69, "section_mm": 3.53, "material": rubber}
    groove = {"kind": "shaft", "groove_diameter_mm": 38.5, "width_mm": 4.8, "depth_mm": 2.8}
    findings = ask("gland", {"ring": ring, "groove": groove, "duty": duty})["findings"]
    assert [each["code"] for each in findings] == codes
    assert {each["severity"] for each in findings} <= {"stop"}


def test_a_ring_that_does_not_touch_is_stopped():
    groove = {"kind": "shaft", "groove_diameter_mm": 20.2, "width_mm": 3.3, "depth_mm": 2.6}
    [finding] = ask("gland", {"ring": {"inside_mm": 20, "section_mm": 2.5}, "groove": groove})["findings"]
    assert (finding["code"], finding["severity"]) == ("squeeze_low", "stop")


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"groove": {"kind": "bore", "width_mm": 4, "depth_mm": 2}}, "groove.groove_diameter_mm"),
        ({"groove": {"kind": "face", "width_mm": 4, "depth_mm": 2}}, "groove.outside_mm"),
        ({"ring": {"inside_mm": 20}}, "ring.section_mm"),
        ({"ring": {"designation": "marmalade"}}, "ring.designation"),
        ({"ring": {"inside_mm": 20, "section_mm": 2.5, "material": "jelly"}}, "ring.material"),
        (
            {
                "groove": {"kind": "face", "outside_mm": 45, "width_mm": 4, "depth_mm": 2},
                "duty": {"motion": "rotary"},
            },
            "duty.motion",
        ),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(change, field):
    asked = {
        "ring": {"inside_mm": 20, "section_mm": 2.5},
        "groove": {"kind": "shaft", "groove_diameter_mm": 20.4, "width_mm": 3.3, "depth_mm": 2},
    }
    with pytest.raises(BadInput) as refused:
        ask("gland", asked | change)
    assert refused.value.field == field


def test_a_range_turned_round_is_refused():
    groove = {"kind": "shaft", "groove_diameter_mm": {"min": 21, "max": 20}, "width_mm": 3.3, "depth_mm": 2}
    with pytest.raises(BadInput):
        ask("gland", {"ring": {"inside_mm": 20, "section_mm": 2.5}, "groove": groove})
