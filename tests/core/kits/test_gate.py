from dataclasses import replace

import pytest

from ample.core.kits import LIGHTS, GateFacts, SeatFact, gate

GOOD_SEAT = SeatFact("accept", "inside", 0.0)
ALL_GOOD = GateFacts(0.99, 0.5, "", 3, True, "drop_in", "Drop-in.", GOOD_SEAT, GOOD_SEAT, 1, 1)


def state(light, **changes):
    return next(each for each in gate(replace(ALL_GOOD, **changes)) if each.light == light).state


def test_all_proven_opens_the_gate():
    assert [each.light for each in gate(ALL_GOOD)] == list(LIGHTS)
    assert {each.state for each in gate(ALL_GOOD)} == {"holds"}


@pytest.mark.parametrize(
    ("light", "changes", "expected"),
    [
        ("identity", {"probability": None}, "not_looked_at"),
        ("identity", {"probability": 0.8}, "not_proven"),
        ("identity", {"clash": "marking says 6205"}, "not_proven"),
        ("identity", {"worst_sigmas": 9.0}, "does_not_hold"),
        ("identity", {"features_read": 1, "marking_read": False}, "not_proven"),
        ("interchange", {"verdict": None}, "not_looked_at"),
        ("interchange", {"verdict": "fits_with_differences"}, "not_proven"),
        ("interchange", {"verdict": "needs_change"}, "not_proven"),
        ("interchange", {"verdict": "not_interchangeable"}, "does_not_hold"),
        ("shaft", {"shaft": None}, "not_looked_at"),
        ("shaft", {"shaft": SeatFact("cannot_tell", "", 0.0)}, "not_proven"),
        ("shaft", {"shaft": SeatFact("reject", "", 0.0)}, "does_not_hold"),
        ("shaft", {"shaft": SeatFact("accept", "", 0.3)}, "not_proven"),
        ("housing", {"housing": None}, "not_looked_at"),
        ("quantity", {"quantity": 2}, "not_proven"),
        ("quantity", {"needed": 2}, "does_not_hold"),
    ],
)
def test_what_is_unproven_keeps_a_light_from_holding(light, changes, expected):
    assert state(light, **changes) == expected


def test_every_light_says_why():
    for facts in (ALL_GOOD, GateFacts(None, None, "", 0, False, None, "", None, None, 1, 2)):
        assert all(each.words for each in gate(facts))
