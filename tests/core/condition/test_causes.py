"""Causes: cases written apart from the rules, and every rule reached by one of them."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.condition import find_causes, known_signs
from ample.core.condition.causes import CHECKED, OUTSIDE_KINDS, known_causes
from ample.core.errors import BadInput
from tests.tables import published

CASES = published("cause_cases.csv")


@pytest.mark.parametrize("case", CASES, ids=lambda case: case["signs"])
def test_the_leading_cause_is_the_one_a_tradesman_looks_at(case):
    best = find_causes(case["signs"].split())[0]
    assert (best.cause, best.lies) == (case["expected"], case["lies"]), case["basis"]


def test_every_rule_is_reached_by_a_case():
    reached = {
        (found.cause, reason.sign)
        for case in CASES
        for found in find_causes(case["signs"].split(), limit=99)
        for reason in found.reasons
    }
    wanted = {(cause.cause, rule.sign) for cause in known_causes().values() for rule in cause.rules}
    # a rule that speaks against its cause is seen only beside one that speaks for it
    assert wanted - reached == set()


def test_every_cause_leads_in_some_case():
    assert {case["expected"] for case in CASES} == set(known_causes())


def test_every_way_to_be_at_fault_outside_is_known():
    assert {each.outside_kind for each in known_causes().values() if each.outside_kind} == set(OUTSIDE_KINDS)


# A sign, a unit that has no such thing, and what is not its fault there (walked; common practice).
NOT_THERE = [
    ("motor", ["noise_rumble", "after_washing"], "cavitation"),
    ("motor", ["seal_blown_out", "wrong_way", "after_work"], "hoses_reversed"),
    ("spindle", ["seal_blown_out", "leak_shaft"], "return_blocked"),
    ("cylinder", ["noise_squeal", "heat"], "belt_tight"),
]


@pytest.mark.parametrize(("unit", "signs", "cause"), NOT_THERE)
def test_what_a_unit_does_not_have_is_hardly_its_fault(unit, signs, cause):
    of_unit = {each.cause: each.weight for each in find_causes(signs, limit=99, unit=unit)}
    of_any = {each.cause: each.weight for each in find_causes(signs, limit=99)}
    if cause in of_any:
        assert of_unit[cause] < 0.1 * of_any[cause]
    assert find_causes(signs, unit=unit)[0].cause != cause


def test_a_cleared_check_takes_a_cause_down_and_a_found_one_takes_it_up():
    signs = ["leak_shaft", "when_warm", "track_grooved"]
    first, second = find_causes(signs)[:2]
    assert find_causes(signs, {first.cause: "cleared"})[0].cause == second.cause
    assert find_causes(signs, {second.cause: "found"})[0].cause == second.cause


def test_a_cause_found_by_its_check_is_named_without_any_sign():
    assert find_causes([], {"belt_tight": "found"})[0].cause == "belt_tight"


def test_without_signs_nothing_is_said():
    assert find_causes([]) == ()


@given(
    st.lists(st.sampled_from(sorted(known_signs())), max_size=12),
    st.dictionaries(st.sampled_from(sorted(known_causes())), st.sampled_from(sorted(CHECKED)), max_size=4),
)
def test_weights_are_shares_in_falling_order(signs, checked):
    weights = [each.weight for each in find_causes(signs, checked, limit=99)]
    assert weights == sorted(weights, reverse=True)
    assert all(0 < weight <= 1 for weight in weights)
    assert sum(weights) <= 1 + 1e-9


@pytest.mark.parametrize(
    ("signs", "checked", "field"),
    [
        (["no_such"], {}, "signs"),
        ([], {"no_such": "found"}, "checked"),
        ([], {"current": "maybe"}, "checked"),
    ],
)
def test_what_is_not_known_is_refused_at_its_field(signs, checked, field):
    with pytest.raises(BadInput) as refused:
        find_causes(signs, checked)
    assert refused.value.field == field
