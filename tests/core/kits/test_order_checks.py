from dataclasses import replace

import pytest

from ample.core.contract.specs import part_of_reading
from ample.core.designation import decode
from ample.core.interchange import meets
from ample.core.kits import ALSO, CHECKS, LineFacts, OnTheShelf, OrderFacts, SeatFact, check_part
from ample.core.parts.requirement import Evidence, Measured, requirement_of

GOOD_SEAT = SeatFact("accept", "inside", 0.0)


def wanted_of(marking, **more):
    readings = decode(marking)
    return requirement_of(Evidence(readings[0].family, marking, readings, **more))


def offered(marking, wanted):
    return meets(wanted, part_of_reading(decode(marking, family=wanted.family)[0]))


WANTED = wanted_of("6205-2RS C3")
ALL_GOOD = OrderFacts(
    0.99, 0.5, "", 3, True, WANTED, part_of_reading(decode("6205-2RS C3")[0]), offered("6205-2RS C3", WANTED),
    GOOD_SEAT, GOOD_SEAT, 1,
)  # fmt: skip


def state(check, **changes):
    return next(each for each in check_part(replace(ALL_GOOD, **changes)) if each.check == check).state


def test_all_proven_opens_the_check_part():
    assert [each.check for each in check_part(ALL_GOOD)] == list(CHECKS)
    assert {each.state for each in check_part(ALL_GOOD)} == {"holds"}


@pytest.mark.parametrize(
    ("light", "changes", "expected"),
    [
        ("identity", {"probability": None}, "not_looked_at"),
        ("identity", {"probability": 0.8}, "not_proven"),
        ("identity", {"clash": "marking says 6205"}, "not_proven"),
        ("identity", {"wanted": wanted_of("6205 C3 CNL")}, "not_proven"),
        ("identity", {"worst_sigmas": 9.0}, "does_not_hold"),
        ("identity", {"features_read": 1, "marking_read": False}, "not_proven"),
        ("interchange", {"interchange": None}, "not_looked_at"),
        ("interchange", {"interchange": offered("6205-2RS", WANTED)}, "does_not_hold"),
        ("interchange", {"interchange": offered("6205-2RS C3", wanted_of("6205 VL0241"))}, "not_proven"),
        ("interchange", {"interchange": offered("6206", WANTED)}, "does_not_hold"),
        ("shaft", {"shaft": None}, "not_looked_at"),
        ("shaft", {"shaft": SeatFact("cannot_tell", "", 0.0)}, "not_proven"),
        ("shaft", {"shaft": SeatFact("reject", "", 0.0)}, "does_not_hold"),
        ("shaft", {"shaft": SeatFact("accept", "", 0.3)}, "not_proven"),
        ("housing", {"housing": None}, "not_looked_at"),
        ("quantity", {"quantity": 2}, "not_proven"),
        ("quantity", {"wanted": replace(WANTED, count=4)}, "does_not_hold"),
        ("clearance", {"clearance_advice": "Take C3."}, "not_proven"),
        ("strip_down", {"line": LineFacts(contradictions=1)}, "not_proven"),
        ("strip_down", {"line": LineFacts(not_judged=("worm shaft",))}, "not_proven"),
        ("build", {"line": LineFacts(build_question="Round or square ring?")}, "not_proven"),
        ("stock", {"shelf": OnTheShelf("6205-2RS/C3", 2, "bin 12")}, "not_proven"),
    ],
)
def test_what_is_unproven_keeps_a_light_from_holding(light, changes, expected):
    assert state(light, **changes) == expected


def test_every_light_says_why():
    line = LineFacts(2, ("worm shaft",), "Round or square ring?")
    open_ones = replace(ALL_GOOD, line=line, clearance_advice="Take C3.", shelf=OnTheShelf("6205", 1, ""))
    assert [each.check for each in check_part(open_ones)] == [*CHECKS, *ALSO]
    for facts in (ALL_GOOD, open_ones, OrderFacts(None, None, "", 0, False, None, None, None, None, None, 1)):
        assert all(each.words for each in check_part(facts))


# The place of a seal: what was measured, and what becomes of the two checks. Limits: h11, H8, common practice.
PLACES = [
    ("TC 35x62x7 FKM", {"shaft": 34.97, "housing_bore": 62.02}, "holds", "holds"),
    ("TC 35x62x7 FKM", {"shaft": 34.97, "housing_bore": 62.15}, "holds", "does_not_hold"),
    ("TC 35x62x7 FKM", {"shaft": 34.97, "housing_bore": 62.06}, "holds", "not_proven"),
    ("TC 35x62x7 FKM", {"shaft": 34.97, "shaft_track": 34.47}, "does_not_hold", "not_looked_at"),
    ("TC 35x62x7 FKM", {"shaft": 34.97, "shaft_track": 34.93}, "holds", "not_looked_at"),
    ("TC 35x62x7 FKM", {"shaft": 36.0}, "does_not_hold", "not_looked_at"),
    ("TC 35x62x7 FKM", {"width": 7.0}, "not_looked_at", "not_looked_at"),
    ("ORING -222 NBR 70", {"groove_diameter": 38.1, "groove_width": 4.8}, "holds", "holds"),
    ("ORING -222 NBR 70", {"groove_diameter": 45.0, "groove_width": 3.6}, "does_not_hold", "does_not_hold"),
    ("U-CUP 1870-1125-375 PU", {"rod": 28.54, "groove_diameter": 38.13}, "holds", "holds"),
    ("U-CUP 1870-1125-375 PU", {"rod": 28.0}, "does_not_hold", "not_looked_at"),
]  # fmt: skip


@pytest.mark.parametrize(("marking", "sizes", "shaft", "housing"), PLACES)
def test_a_place_is_met_by_sizes_that_suit_and_not_by_having_been_typed(marking, sizes, shaft, housing):
    measured = tuple(Measured(name, mm, 0.04, 1, "caliper") for name, mm in sizes.items())
    wanted = wanted_of(marking, measured=measured)
    facts = replace(
        ALL_GOOD,
        family=wanted.family,
        wanted=wanted,
        fitted=wanted.spec,
        interchange=offered(marking, wanted),
    )
    found = {each.check: each.state for each in check_part(facts)}
    assert (found["shaft"], found["housing"]) == (shaft, housing)
