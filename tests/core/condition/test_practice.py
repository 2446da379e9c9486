"""Dangerous practice is refused in words, and what is harmless is let be."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.condition import refused_practices
from ample.core.condition.practice import practice_rules
from tests.tables import published

CASES = published("practice_cases.csv")


@pytest.mark.parametrize("case", CASES, ids=lambda case: case["text"][:40])
def test_a_sentence_is_refused_or_not(case):
    found = [each.practice for each in refused_practices(case["text"])]
    assert found == ([] if case["refused"] == "-" else [case["refused"]])


def test_every_refusal_is_reached_and_says_what_to_do_instead():
    assert {case["refused"] for case in CASES} - {"-"} == {rule.practice for rule in practice_rules()}
    assert all(rule.why and rule.instead for rule in practice_rules())


def test_a_refusal_tells_the_sentence_that_told_it():
    found = refused_practices("Drain it. Wash it in petrol; then wait.")
    assert found[0].told_by == "Wash it in petrol"


@given(st.text(max_size=400))
def test_any_text_is_read_without_a_fault(text):
    assert all(each.practice for each in refused_practices(text))
