"""The handbook's questions against cases written before the code; every field refused once, and once missing."""

import re
from typing import Any

import pytest

from ample.core.errors import BadInput
from ample.core.handbook.page import TOPICS, calculate, pages
from tests.tables import published

CASES = published("calculations.csv")
_PAIR = re.compile(r"(\w+)=(.*?)(?=\s\w+=|$)")
TEXTS = ("elements", "finish", "ends", "class", "from", "to", "shaft_zone", "bearing_class", "zone")


def read(name, text):
    if name in TEXTS:
        return text
    if name.startswith("shares_and_"):
        return [[float(each) for each in pair.split(":")] for pair in text.split("/")]
    if name in ("leaves_mm", "parts_mm", "tolerances_mm", "lives_h", "leaves"):
        return [float(each) for each in text.split(",")]
    if name == "value" and " " in text:
        return text
    if name in ("readings", "balls", "bearings"):
        return int(text)
    return float(text)


def given_in(text):
    return {name: read(name, value) for name, value in _PAIR.findall(text)}


FIRST = {row["question"]: given_in(row["inputs"]) for row in reversed(CASES)}


@pytest.mark.parametrize("row", CASES, ids=lambda row: f"{row['question']} {row['inputs']}"[:90])
def test_a_case_written_before_the_code(row):
    answer = calculate(row["question"], given_in(row["inputs"]))
    for name, wanted in given_in(row["outputs"]).items():
        assert answer[name] == pytest.approx(wanted, rel=float(row["tolerance"]), abs=1e-6), name


def test_every_question_has_two_cases_and_every_case_a_question():
    count = {name: sum(row["question"] == name for row in CASES) for name in pages()}
    assert min(count.values()) >= 2
    assert {row["question"] for row in CASES} == set(pages())


@pytest.mark.parametrize("name", list(pages()))
def test_a_page_says_what_it_rests_on(name):
    page = pages()[name]
    assert page.topic in TOPICS
    assert all((page.words, page.formula, page.source, page.validity, page.fields))
    answer = calculate(name, FIRST[name])
    assert {"formula", "source", "validity", "notes"} < answer.keys()


@pytest.mark.parametrize("name", [name for name, page in pages().items() if page.worked])
def test_the_formula_with_its_numbers_names_inputs_and_outputs(name):
    answer = FIRST[name] | calculate(name, FIRST[name])
    named = set(re.findall(r"{(\w+)}", pages()[name].worked))
    assert named
    assert named <= answer.keys()


FIELDS = [(name, each) for name in pages() for each in pages()[name].fields]


@pytest.mark.parametrize(
    ("name", "field"),
    [(name, each) for name, each in FIELDS if each.name in FIRST[name]],
    ids=lambda each: each if isinstance(each, str) else each.name,
)
def test_a_field_that_is_missing_is_said(name, field):
    left = {key: value for key, value in FIRST[name].items() if key != field.name}
    with pytest.raises(BadInput) as refused:
        calculate(name, left)
    assert refused.value.field == field.name


# What cannot be, by the range of a field.
CANNOT: dict[str, list[Any]] = {">0": [0, -1], ">=0": [-1], "cold": [-300], "any": ["x"], "count": [0, 1.5], "list": [[], [-1], 5],
          "pairs": [[[0.5, 0], [0.5, 1]], [[1]], "x"], "choice": ["nothing"], "text": ["", 5], "value": [None, [1]]}  # fmt: skip


@pytest.mark.parametrize(
    ("name", "field"), FIELDS, ids=lambda each: each if isinstance(each, str) else each.name
)
def test_a_field_that_cannot_be_is_refused_at_its_name(name, field):
    for bad in CANNOT[field.range.split()[0]]:
        for value in (bad, True if field.range != "value" else None):
            with pytest.raises(BadInput) as refused:
                calculate(name, FIRST[name] | {field.name: value})
            assert refused.value.field == field.name


@pytest.mark.parametrize("name", list(pages()))
def test_an_unknown_field_is_refused_at_its_name(name):
    with pytest.raises(BadInput) as refused:
        calculate(name, FIRST[name] | {"colour": 1})
    assert refused.value.field == "colour"


def test_an_unknown_question_is_refused():
    with pytest.raises(BadInput, match="no question"):
        calculate("weather", {})


def test_every_row_of_the_inputs_is_a_field_of_some_question():
    from ample.core.handbook.page import _inputs

    used = {each.name for page in pages().values() for each in page.fields}
    assert used == set(_inputs())


# What two fields together cannot be: refused at one of them.
TOGETHER = [
    ("n_dm", {"outside_mm": 20}, "outside_mm"),
    ("raceway_growth", {"raceway_mm": 40}, "raceway_mm"),
    ("raceway_growth", {"hollow_mm": 50}, "hollow_mm"),
    ("press_fit", {"hub_outside_mm": 50}, "hub_outside_mm"),
    ("press_fit", {"shaft_bore_mm": 60}, "shaft_bore_mm"),
    ("equivalent_load_spherical_thrust", {"radial_kn": 30}, "radial_kn"),
    ("equivalent_load_deep_groove", {"axial_kn": 50}, "axial_kn"),
    ("mean_load", {"shares_and_loads_kn": [[0.5, 1], [0.4, 2]]}, "shares_and_loads_kn"),
    ("life_reliability_factor", {"reliability_percent": 92}, "reliability_percent"),
    ("clearance_reduction_spherical_roller_taper_bore", {"bore_mm": 20}, "bore_mm"),
    ("face_seal_en12756", {"shaft_mm": 21}, "shaft_mm"),
    ("retaining_ring_shaft", {"shaft_mm": 25.4}, "shaft_mm"),
    ("retaining_ring_e", {"groove_diameter_mm": 11}, "groove_diameter_mm"),
    ("parallel_key", {"shaft_mm": 5}, "shaft_mm"),
    ("proof_load", {"thread_mm": 11}, "thread_mm"),
    ("keyway_width_zone", {"zone": "h9"}, "zone"),
    ("key_flank_pressure", {"length_mm": 8}, "length_mm"),
    ("stress_area", {"pitch_mm": 6}, "pitch_mm"),
    ("fewest_leaves", {"thickness_mm": 0.033}, "leaves_mm"),
    ("belt_length", {"centres_mm": 100}, "centres_mm"),
    ("drum_volume", {"level_mm": 601}, "level_mm"),
    ("cylinder_volumes", {"rod_mm": 63}, "rod_mm"),
    ("convert", {"to": "bar"}, "to"),
    ("convert", {"from": "furlong"}, "from"),
    ("bearing_frequencies", {"ball_mm": 8, "pitch_mm": 40}, "ball_in"),
    ("compression_set", {"compressed_mm": 3.6}, "compressed_mm"),
    ("chill_for_interference", {"interference_um": 500}, "interference_um"),
    ("free_space", {"mass_kg": 1}, "mass_kg"),
    ("needles_full_complement", {"outside_mm": 30}, "outside_mm"),
    ("squeeze_range_static", {"gland_depth_min_in": 0.2}, "gland_depth_min_in"),
]  # fmt: skip


@pytest.mark.parametrize(("name", "change", "field"), TOGETHER, ids=lambda each: str(each)[:40])
def test_what_two_fields_together_cannot_be(name, change, field):
    with pytest.raises(BadInput) as refused:
        calculate(name, FIRST[name] | change)
    assert refused.value.field == field
