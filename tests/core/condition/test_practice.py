"""Dangerous practice is refused in words, and what is harmless is let be."""

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.condition import refused_practices
from ample.core.condition.practice import planned_practice, practice_rules
from ample.core.tables import read_table
from tests.tables import published

CASES = published("practice_cases.csv")
PLANNED = read_table(Path(__file__).with_name("planned_practice.csv")).rows


@pytest.mark.parametrize("case", CASES, ids=lambda case: case["text"][:40])
def test_a_sentence_is_refused_or_not(case):
    found = [each.practice for each in refused_practices(case["text"])]
    assert found == ([] if case["refused"] == "-" else [case["refused"]])


@pytest.mark.parametrize("case", PLANNED, ids=lambda case: case["sentence"][:40])
def test_a_planned_practice_is_refused_or_not(case):
    found = [each.practice for each in refused_practices(case["sentence"])]
    assert found == ([case["practice"]] if case["answer"] == "dangerous" else [])


@pytest.mark.parametrize("case", PLANNED, ids=lambda case: case["sentence"][:40])
def test_a_sentence_before_or_after_changes_nothing(case):
    alone = {each.practice for each in refused_practices(case["sentence"])}
    for text in (f"Never heat it with a torch. {case['sentence']}", f"{case['sentence']}. Do not smoke."):
        assert {each.practice for each in refused_practices(text)} == alone


@pytest.mark.parametrize(
    ("text", "refused"),
    [
        ("heat the bearing to 120 °C", []),
        ("heat the bearing to 121 °C", ["overheat"]),
        ("heat the ring to two hundred fifty F", ["overheat"]),
        ("heat the ring to two hundred F", []),
        ("put the bearing in at -60 °C", ["cold_bearing"]),
        ("look at the bearing with a torch", []),
        ("heat it with the oxy torch", ["open_flame"]),
        ("heat the stabilised bearing to 150 °C", []),
    ],
)
def test_how_hot_and_with_what(text, refused):
    assert [each.practice for each in refused_practices(text)] == refused


def test_what_is_not_understood_is_said():
    found = planned_practice("Wash it in petrol. Flurb the gizmo quietly.")
    assert [each.practice for each in found.refused] == ["wash_petrol"]
    assert found.not_understood == ("Flurb the gizmo quietly",)


def test_every_refusal_is_reached_and_says_what_to_do_instead():
    reached = {case["refused"] for case in CASES} | {case["practice"] for case in PLANNED}
    assert reached - {"-", ""} == {rule.practice for rule in practice_rules()}
    assert all(rule.why and rule.instead for rule in practice_rules())


def test_a_refusal_tells_the_sentence_that_told_it():
    found = refused_practices("Drain it. Wash it in petrol; then wait.")
    assert found[0].told_by == "Wash it in petrol"


@given(st.text(max_size=400))
def test_any_text_is_read_without_a_fault(text):
    assert all(each.practice for each in refused_practices(text))
