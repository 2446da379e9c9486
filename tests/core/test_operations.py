"""The contract: what each operation is asked and answers, and how it refuses."""

import json
import subprocess
import sys
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.errors import AmpleError, BadInput
from ample.core.operations import OPERATIONS, ask

ASKED: dict[str, dict[str, Any]] = {
    "length": {"text": "1-1/8"},
    "limits": {"size_mm": 25, "zone": "k6"},
    "fit": {"size_mm": 25, "hole": "H7", "shaft": "k6"},
    "ring-limits": {"kind": "radial", "ring": "bore", "size_mm": 25, "class": "Normal"},
    "internal-clearance": {"kind": "deep_groove", "bore_mm": 25, "group": "N"},
    "decode": {"text": "6205-2RS"},
    "identify": {"family": "bearing", "observations": [{"feature": "bore", "values": [24.99, "25,01"], "unit": "mm", "instrument": "caliper", "condition": "worn"}], "marking": "62?5", "limit": 3},
    "interchange": {"from": "6205-2RS", "to": {"designation": "6205", "closure": "shield_two"}, "duty": {"rpm": 3000}},
    "calculate": {"question": "lip_speed", "shaft_mm": 50, "rpm": 1500},
    "handbook": {"question": "lip_speed"},
    "lip-seal": {"shaft_mm": 35, "rpm": 1500, "material": "NBR", "medium": "mineral_oil", "track_depth_mm": 0.25},
    "codes": {},
    "media": {},
    "tightening": {"thread": "M10"},
    "place": {"family": "lip_seal", "designation": "35x52x7", "observations": [{"feature": "shaft", "values": [34.98]}]},
    "gland": {"ring": {"inside_mm": 37.69, "section_mm": 3.53}, "groove": {"kind": "shaft", "groove_diameter_mm": 38.5, "width_mm": 4.8, "depth_mm": {"min": 2.75, "max": 2.85}}},
    "seat": {"part": "shaft", "designation": "6205", "readings_mm": [[25.006, 25.007]], "instrument": "micrometer", "temperature_c": 21, "duty": {"turning": "shaft"}},
    "zone-advice": {"part": "housing", "size_mm": 52},
    "fitted-clearance": {"designation": "6205", "group": "N"},
    "causes": {"signs": ["fluting"], "checked": {"current": "found"}},
    "cautions": {"unit": "winch", "planned": "wash it in petrol"},
    "inspect": {"card": "shaft", "findings": {"track": "felt"}},
    "line-check": {"sheet": {"lines": [{"key": "main", "name": "shaft"}], "parts": [{"key": "ball", "line": "main", "kind": "ball_bearing"}]}},
    "fit-up-plan": {"sheet": {"lines": [{"key": "main", "name": "shaft"}], "parts": [{"key": "ball", "line": "main", "kind": "ball_bearing"}]}, "requirements": [{"part": "ball", "interference_um": {"min": 2, "max": 18}}], "shop": ["press"]},
    "trade": {},
    "kinds": {},
    "encode": {"text": "35x52x7 TC NBR"},
    "rubber": {"hardness_shore_a": 70, "mass_air_g": 10, "mass_water_g": 4.75, "stood_in": "fuel"},
    "end-play": {"readings_mm": [[0.0, 0.16], [0.01, 0.16]], "wanted_mm": {"min": 0.05, "max": 0.1}, "pitch_mm": 1.5, "leaves_mm": [0.05, 0.1]},
    "run-in": {"readings": [{"minute": 0, "temperature_c": 20}, {"minute": 10, "temperature_c": 38}], "ambient_c": 20, "limit_c": 80},
    "trend": {"readings": [{"on": "2026-01-05", "value": 60}, {"on": "2026-03-01", "value": 55}], "limit": 14, "early": 30, "today": "2026-03-02"},
    "needles": {"inside_mm": 14.7, "needle_mm": 2.5, "counted": 20},
}  # fmt: skip
ANSWERED = {
    "length": {"mm", "inch", "unit", "nearest"},
    "limits": {"lower_um", "upper_um"},
    "fit": {"min_clearance_um", "max_clearance_um", "kind"},
    "ring-limits": {"lower_um", "upper_um"},
    "internal-clearance": {"min_um", "max_um"},
    "decode": {"readings"},
    "encode": {"family", "texts"},
    "rubber": {"chances", "density_g_cm3", "settled", "words"},
    "identify": {"candidates", "none_probability", "unit_hint", "next_measurement"},
    "interchange": {"verdict", "attributes"},
    "calculate": {"speed_m_s", "formula", "source", "validity", "notes"},
    "handbook": {"topics", "pages"},
    "lip-seal": {"speed_m_s", "findings", "suitable", "repair"},
    "place": {"decision", "findings", "missing"},
    "codes": {"codes", "source"},
    "media": {"media", "rubbers", "source"},
    "tightening": {"thread", "grades", "notes", "source"},
    "gland": {
        "squeeze_percent",
        "stretch_percent",
        "fill_percent",
        "gap_mm",
        "findings",
        "suggested_ring",
        "suggested_groove",
    },
    "seat": {"mean_mm", "out_of_round_um", "taper_um", "decision", "interference_um", "creep_probability"},
    "zone-advice": {"zone", "other_zone", "reason"},
    "fitted-clearance": {"before", "mounted", "running"},
    "causes": {"causes", "outside_weight"},
    "cautions": {"cautions", "refused"},
    "inspect": {"verdict", "reasons", "second_person", "reclaim"},
    "line-check": {"contradictions", "facing", "verdicts", "loose", "refused"},
    "trade": {"signs", "units", "kinds", "cards"},
    "kinds": {"groups", "kinds", "questions", "features"},
    "fit-up-plan": {"steps", "conflicts", "on_no_step"},
    "end-play": {"play_mm", "uncertainty_mm", "decision", "sure", "turn_deg", "shim_change_mm", "leaves"},
    "run-in": {"settles_at_c", "time_constant_min", "decision"},
    "trend": {"forecast", "already_passed", "changed_on", "confidence"},
    "needles": {"count", "gap_mm", "missing", "alarm"},
}


@pytest.mark.parametrize("name", sorted(OPERATIONS))
def test_answers_hold_what_the_contract_names(name):
    assert ANSWERED[name] <= set(ask(name, ASKED[name]))


def test_nested_names_of_the_contract():
    reading = ask("decode", ASKED["decode"])["readings"][0]
    assert {"family", "designation", "dimensions", "attributes", "spans", "unread", "score"} <= set(reading)
    candidate = ask("identify", ASKED["identify"])["candidates"][0]
    assert {"designation", "dimensions", "probability", "features", "variants"} <= set(candidate)
    attribute = ask("interchange", ASKED["interchange"])["attributes"][0]
    assert {"name", "from", "to", "judgement", "consequence"} <= set(attribute)
    assert {"min", "likely", "max"} == set(ask("seat", ASKED["seat"])["interference_um"])


REFUSED = [
    ("limits", {"size_mm": 0, "zone": "k6"}, "size_mm"),
    ("limits", {"size_mm": -3, "zone": "k6"}, "size_mm"),
    ("limits", {"size_mm": 10**400, "zone": "k6"}, "size_mm"),
    ("limits", {"size_mm": float("nan"), "zone": "k6"}, "size_mm"),
    ("limits", {"size_mm": "25; DROP TABLE", "zone": "k6"}, "size_mm"),
    ("limits", {"size_mm": 25, "zone": "q6"}, "zone"),
    ("limits", {"size_mm": 25}, "zone"),
    ("limits", {"size_mm": 25, "zone": "k6", "extra": 1}, "extra"),
    ("length", {"text": "nonsense"}, "text"),
    ("tightening", {"thread": "G 1/2"}, "thread"),
    ("length", {"text": "9" * 400}, "text"),
    ("decode", {"text": "\x00" * 500}, "text"),
    ("decode", {"text": ""}, "text"),
    ("identify", {"observations": [{"feature": "bore", "values": ["abc"]}]}, "observations[0].values[0]"),
    ("identify", {"observations": [{"feature": "bore", "values": [0]}]}, "observations[0].values[0]"),
    ("identify", {"observations": [{"feature": "nose", "values": [1]}]}, "observations[0].feature"),
    (
        "identify",
        {"observations": [{"feature": "bore", "values": [1], "instrument": "eye"}]},
        "observations[0].instrument",
    ),
    ("interchange", {"from": "<script>", "to": "6205"}, "from"),
    ("interchange", {"from": "6205", "to": {"d_mm": 25}}, "to"),
    ("interchange", {"from": "6205", "to": {"designation": "6205", "closure": "glued"}}, "to.closure"),
    ("seat", {"part": "shaft", "designation": "6205", "readings_mm": [[250.0]]}, "readings_mm[0][0]"),
    ("seat", {"part": "shaft", "readings_mm": [[25.0]]}, "designation"),
    ("ring-limits", {"ring": "bore", "size_mm": 25, "class": "9"}, "class"),
    ("internal-clearance", {"bore_mm": 25, "group": "9"}, "group"),
    ("no-such", {}, "operation"),
]


@pytest.mark.parametrize(("name", "request_data", "field"), REFUSED, ids=lambda value: str(value)[:40])
def test_refusals_name_the_field(name, request_data, field):
    with pytest.raises(AmpleError) as refusal:
        ask(name, request_data)
    assert refusal.value.field == field
    assert refusal.value.message
    assert refusal.value.status in (400, 404, 409, 422)


LEAVES = st.none() | st.booleans() | st.integers() | st.floats() | st.text(max_size=30)
JSON: st.SearchStrategy[object] = st.deferred(
    lambda: LEAVES | st.lists(JSON, max_size=3) | st.dictionaries(st.text(max_size=12), JSON, max_size=3)
)


@given(st.sampled_from(sorted(OPERATIONS)), JSON)
def test_any_json_is_answered_or_refused(name, request_data):
    try:
        ask(name, request_data)
    except AmpleError as refusal:
        assert refusal.message


@given(st.sampled_from(sorted(OPERATIONS)), st.data())
def test_one_field_spoilt_is_answered_or_refused(name, data):
    request = dict(ASKED[name])
    field = data.draw(st.sampled_from(sorted(request) or ["anything"]))
    request[field] = data.draw(JSON)
    try:
        ask(name, request)
    except AmpleError as refusal:
        assert refusal.message


def _calc(*arguments, given=""):
    return subprocess.run(
        [sys.executable, "-m", "ample.command_line", "calc", *arguments], input=given, capture_output=True, text=True, check=False
    )  # fmt: skip


def test_the_command_line_answers_and_refuses():
    good = _calc("limits", '{"size_mm": 25, "zone": "k6"}')
    assert (good.returncode, json.loads(good.stdout)["upper_um"]) == (0, 15.0)
    bad = _calc("limits", '{"size_mm": 25, "zone": "zz"}')
    assert (bad.returncode, json.loads(bad.stdout)["error"]["field"]) == (1, "zone")
    assert json.loads(_calc("limits", given='{"size_mm": 25, "zone": "H7"}').stdout)["upper_um"] == 21.0


def test_json_lines_answer_line_by_line():
    lines = [
        '{"operation":"limits","request":{"size_mm":25,"zone":"k6"}}',
        "garbage",
        "[1]",
        '{"operation":"length","request":{"text":"9"}}',
    ]
    done = _calc("--lines", given="\n".join(lines))
    answers = [json.loads(line) for line in done.stdout.splitlines()]
    assert done.returncode == 0
    assert [("error" in answer) for answer in answers] == [False, True, True, False]


# Dimensions by the contract's names for each kind of bearing.
@pytest.mark.parametrize(
    ("marking", "names"),
    [
        ("6205", {"d_mm", "D_mm", "B_mm"}),
        ("30205", {"d_mm", "D_mm", "B_mm", "T_mm", "C_mm"}),
        ("LM11949/LM11910", {"d_mm", "D_mm", "B_mm", "T_mm", "C_mm"}),
        ("HK2516", {"Fw_mm", "D_mm", "C_mm"}),
        ("RNA4905", {"Fw_mm", "D_mm", "C_mm"}),
        ("NA4905", {"d_mm", "D_mm", "B_mm"}),
        ("51105", {"d_mm", "D_mm", "T_mm"}),
        ("AXK2542", {"d_mm", "D_mm", "T_mm"}),
    ],
)
def test_dimensions_go_by_the_kind(marking, names):
    assert set(ask("decode", {"text": marking})["readings"][0]["dimensions"]) == names


def test_identify_of_a_kind_told_and_questions_answered():
    read = [
        {"feature": name, "values": [mm]}
        for name, mm in (("bore", 25.0), ("outside", 52.0), ("width", 14.95))
    ]
    told = ask("identify", {"kind": "roller", "answers": {"slides": "inner_both"}, "observations": read})
    assert told["candidates"][0]["designation"] == "NU205"
    assert told["candidates"][0]["kind"] == "cylindrical_nu"
    open_ = ask("identify", {"observations": read})
    assert {"deep_groove", "cylindrical_nu"} <= {each["kind"] for each in open_["kinds"]}
    assert open_["next_question"]["question"]


def test_every_kind_has_a_picture_and_what_is_measured():
    answer = ask("kinds", {})
    groups = {each["group"] for each in answer["groups"]}
    features = {each["feature"] for each in answer["features"]}
    for kind in answer["kinds"]:
        assert kind["group"] in groups
        assert kind["offered"]
        assert set(kind["offered"]) <= features


@pytest.mark.parametrize(
    "asked", [{"kind": "gear"}, {"answers": {"rows": "nine"}}, {"answers": {"mood": "good"}}]
)
def test_unknown_kinds_and_answers_are_refused_at_their_field(asked):
    with pytest.raises(BadInput) as refused:
        ask("identify", asked)
    assert refused.value.field.split(".")[0] in asked


def test_the_seat_of_a_taper_goes_by_its_own_rings():
    """The cone of a metric taper of 25 mm lies at 0/-12, not 0/-10 (ISO 492)."""
    seat = {"part": "shaft", "readings_mm": [[25.010]], "instrument": "micrometer", "zone": "k6"}
    taper = ask("seat", seat | {"designation": "30205"})["interference_um"]["max"]
    ball = ask("seat", seat | {"designation": "6205"})["interference_um"]["max"]
    assert taper - ball == pytest.approx(2)


def test_fitted_clearance_goes_by_the_kind_and_is_refused_where_there_is_none():
    """Before fitting: group N at 60 mm, spherical 40 to 65, cylindrical 40 to 70 (ISO 5753-1)."""
    assert ask("fitted-clearance", {"designation": "22212"})["before"]["max"] == 65
    assert ask("fitted-clearance", {"designation": "NU212"})["before"]["max"] == 70
    with pytest.raises(BadInput, match="no radial clearance group"):
        ask("fitted-clearance", {"designation": "30205"})


def test_every_operation_takes_the_ring_and_clearance_kinds_of_the_contract():
    limits = ask("ring-limits", {"kind": "inch_taper", "ring": "bore", "size_mm": 25.4, "class": "4"})
    assert (limits["lower_um"], limits["upper_um"]) == (0, 13)
    assert ask("internal-clearance", {"kind": "spherical", "bore_mm": 40, "group": "N"})["max_um"] == 45


def test_a_span_goes_out_by_the_names_of_its_fields():
    """A tuple would go out as a bare list: the Bench would show a whole mark as unread."""
    span = ask("decode", {"text": "6205-2RS"})["readings"][0]["spans"][0]
    assert (span["start"], span["stop"], span["text"], span["attribute"]) == (0, 2, "62", "series")
