"""Condition cards: verdicts of the trade, every rule reached, both schools kept."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.condition import card_of, inspect_part, known_cards
from ample.core.condition.inspection import VERDICTS, reclaim_routes
from ample.core.errors import BadInput
from tests.tables import published

CASES = published("inspection_cases.csv")


def findings(case):
    return dict(each.split("=") for each in case["findings"].split())


@pytest.mark.parametrize(
    "case", CASES, ids=lambda case: f"{case['card']} {case['findings']} {case['access']}"
)
def test_the_verdict_is_the_trades(case):
    judged = inspect_part(case["card"], findings(case), case["access"])
    assert judged.verdict == case["verdict"], case["basis"]
    assert judged.reasons[0].verdict == case["verdict"]


def test_every_rule_is_reached_by_a_case():
    met = {
        (case["card"], reason.verdict, reason.reason)
        for case in CASES
        for reason in inspect_part(case["card"], findings(case), case["access"]).reasons
    }
    wanted = {(c.card, rule.verdict, rule.reason) for c in known_cards().values() for rule in c.rules}
    assert wanted - met == set()


def test_every_card_has_a_case():
    assert {case["card"] for case in CASES} == set(known_cards())


@pytest.mark.parametrize("card", sorted(known_cards()))
def test_the_good_answers_of_a_card_lead_to_no_repair(card):
    good = {each.question: each.answers[0].name for each in card_of(card).questions if each.answers}
    if card in ("soft_ring", "hydraulic_seal", "gasket"):  # always renewed
        assert inspect_part(card, good).verdict == "replace"
    elif card == "shaft":
        assert inspect_part(card, good | {"room": "yes"}).verdict in ("reuse", "dress")
    else:
        assert inspect_part(card, good).verdict in ("reuse", "regrease")


def test_a_part_no_longer_made_is_reclaimed_instead_of_replaced():
    judged = inspect_part("bearing", {"feel": "lumpy"}, obtainable=False)
    assert judged.verdict == "reclaim"
    assert "bore" in judged.reclaim.match


def test_every_card_that_can_end_in_replace_has_a_reclaim_route():
    ends = {c.card for c in known_cards().values() if any(rule.verdict == "replace" for rule in c.rules)}
    assert ends <= set(reclaim_routes())


def test_nothing_looked_at_is_open():
    judged = inspect_part("bearing", {})
    assert judged.verdict == "open"
    assert "feel" in judged.unanswered


@given(st.data())
def test_another_finding_never_makes_a_verdict_milder(data):
    card = data.draw(st.sampled_from(sorted(known_cards())))
    asked = [each for each in card_of(card).questions if each.answers]
    seen = {}
    before = 0
    for question in data.draw(st.permutations(asked)):
        seen[question.question] = data.draw(st.sampled_from([each.name for each in question.answers]))
        now = VERDICTS.index(inspect_part(card, seen).verdict)
        assert now >= before
        before = now


@pytest.mark.parametrize(
    ("card", "given_findings", "access", "field"),
    [
        ("no_such", {}, "cheap", "card"),
        ("bearing", {"colour": "red"}, "cheap", "findings.colour"),
        ("bearing", {"feel": "purple"}, "cheap", "findings.feel"),
        ("shaft", {"depth_mm": "deep"}, "cheap", "findings.depth_mm"),
        ("shaft", {"depth_mm": "-1"}, "cheap", "findings.depth_mm"),
        ("shaft", {"depth_mm": "nan"}, "cheap", "findings.depth_mm"),
        ("bearing", {}, "dear", "access"),
    ],
)
def test_bad_findings_are_refused_at_their_field(card, given_findings, access, field):
    with pytest.raises(BadInput) as refused:
        inspect_part(card, given_findings, access)
    assert refused.value.field == field
