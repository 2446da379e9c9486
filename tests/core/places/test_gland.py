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


SHAPED = {
    # the usual dovetail of a 3.53 ring: 2.82 deep, 2.97 open, from memory of common practice
    "dovetail": {"kind": "dovetail", "groove_diameter_mm": 41.22, "width_mm": 2.97, "depth_mm": 2.82},
    # under a connector: a 45° chamfer of 1.33 sections
    "tube_thread": {"kind": "tube_thread", "groove_diameter_mm": 17.1, "width_mm": 2.95, "depth_mm": 2.95},
}
RINGS_SHAPED = {
    "dovetail": {"inside_mm": 37.69, "section_mm": 3.53},
    "tube_thread": {"inside_mm": 16.87, "section_mm": 2.21},
}


def area_by_strips(kind, groove, strips=20000):
    """Area of the groove's section, mm², added up strip by strip from its bottom: no formula of areas."""
    depth, width, total = groove["depth_mm"], groove["width_mm"], 0.0
    for number in range(strips):
        up = (number + 0.5) / strips * depth
        # flanks lean inward by 24° from upright; a triangle comes to a point
        wide = width + 2 * (depth - up) * 0.4452287 if kind == "dovetail" else width * (1 - up / depth)
        total += wide * depth / strips
    return total


@pytest.mark.parametrize("kind", SHAPED)
def test_a_dovetail_and_the_space_under_a_thread_have_no_fault_in_usual_sizes(kind):
    answer = ask("gland", {"ring": RINGS_SHAPED[kind], "groove": SHAPED[kind]})
    assert answer["findings"] == []
    ring_mm2 = 3.14159265 / 4 * RINGS_SHAPED[kind]["section_mm"] ** 2
    share = 100 * ring_mm2 / area_by_strips(kind, SHAPED[kind])
    assert answer["fill_percent"]["nominal"] == pytest.approx(share, abs=0.02)
    assert 15 < answer["squeeze_percent"]["nominal"] < 30


def test_a_ring_of_a_thread_is_squeezed_to_the_circle_of_its_triangle():
    """Legs of 3 and 4 hold a circle of radius 1."""
    groove = {"kind": "tube_thread", "groove_diameter_mm": 17.0, "width_mm": 4.0, "depth_mm": 3.0}
    answer = ask("gland", {"ring": {"inside_mm": 17.0, "section_mm": 2.5}, "groove": groove})
    assert answer["squeeze_percent"]["nominal"] == pytest.approx(20.0)


@pytest.mark.parametrize(("opening", "code"), [(3.45, "opening_wide"), (2.6, "opening_narrow")])
def test_the_opening_of_a_dovetail_holds_the_ring_and_lets_it_in(opening, code):
    groove = SHAPED["dovetail"] | {"width_mm": opening}
    found = ask("gland", {"ring": RINGS_SHAPED["dovetail"], "groove": groove})["findings"]
    assert code in [each["code"] for each in found]


@pytest.mark.parametrize("kind", SHAPED)
def test_such_a_ring_does_not_move_and_its_groove_is_suggested(kind):
    asked = {"ring": RINGS_SHAPED[kind], "groove": SHAPED[kind]}
    with pytest.raises(BadInput, match="does not move"):
        ask("gland", asked | {"duty": {"motion": "reciprocating"}})
    suits = ask("gland", asked | {"groove": SHAPED[kind] | {"depth_mm": 1.0}})["suggested_groove"]
    better = SHAPED[kind] | {
        "groove_diameter_mm": suits["wall_mm"], "depth_mm": suits["depth_mm"], "width_mm": suits["width_mm"]
    }  # fmt: skip
    assert ask("gland", asked | {"groove": better})["findings"] == []


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


def test_a_dash_number_has_the_tolerances_of_its_row():
    """AS568: -012 is 0.364 ± 0.005 by 0.070 ± 0.003 in; a plain number of that size takes class B, ± 0.18 mm inside."""
    groove = {"kind": "shaft", "groove_diameter_mm": 9.6, "width_mm": 2.4, "depth_mm": 1.4}
    named, sized = (
        ask("gland", {"ring": ring, "groove": groove})["stretch_percent"]
        for ring in ({"designation": "-012"}, {"inside_mm": 9.2456, "section_mm": 1.778})
    )
    least, most = (100 * (9.6 / (25.4 * (0.364 + off)) - 1) for off in (0.005, -0.005))
    assert (named["min"], named["max"]) == (pytest.approx(least, abs=0.02), pytest.approx(most, abs=0.02))
    assert sized["max"] - sized["min"] > 1.3 * (named["max"] - named["min"])


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
