"""Kinds of part, fasteners and loose counts."""

import math

import pytest

from ample.core.assembly import LooseItem, count_loose, most_torque_nm, needles_per_cup, part_kinds, torque_nm
from ample.core.condition.keeping import keep_table
from ample.core.errors import BadInput


def test_every_kind_has_one_key_and_a_way_of_keeping():
    keys = [kind.key for kind in part_kinds().values()]
    assert len(set(keys)) == len(keys)
    assert all(len(key) == 1 for key in keys)
    assert set(keep_table()) == set(part_kinds())


def test_keys_of_kinds_leave_the_keys_of_the_screen_alone():
    # f turn, u undo, b Bench, p print, w why, . next open, # tray, + any part, / Counter, ? keys
    assert not {"f", "u", "b", "p", "w", ".", "#", "+", "/", "?"} & {
        kind.key for kind in part_kinds().values()
    }


def test_a_telling_mark_stands_on_one_face_of_a_new_part():
    for kind in part_kinds().values():
        if kind.telling:
            assert [kind.left, kind.right].count(kind.telling) == 1
            assert kind.inside_share < kind.outside_share


# handbook tables of tightening torque, class 12.9, dry or lightly oiled: M6 17, M8 41, M10 81, M12 140 N·m
# (from memory); what is recommended must be accepted, twice that must not
@pytest.mark.parametrize(
    ("thread", "recommended"), [("M6", 17), ("M8", 41), ("M10", 81), ("M12", 140), ("M20", 660)]
)
def test_recommended_torque_is_accepted_and_double_is_not(thread, recommended):
    assert recommended < most_torque_nm(thread) < 2 * recommended


# Grade 8 zinc-plated or dry, K 0.2: what tables of the trade recommend, 75 % of proof, ft-lb (common practice, rounded).
UNIFIED = [
    ("1/4-20", 12),
    ("5/16-18 UNC", 24),
    ("3/8-16", 44),
    ("1/2-13", 106),
    ("1/2-20 UNF", 120),
    ("#10-32", 5.7),
]


@pytest.mark.parametrize(("thread", "recommended"), UNIFIED)
def test_what_is_recommended_for_an_inch_screw_is_three_quarters_of_the_most(thread, recommended):
    most = most_torque_nm(thread) / 1.3558179483
    assert recommended == pytest.approx(0.75 * most, rel=0.12)
    assert most_torque_nm(thread, strongest=False) < most_torque_nm(thread)


@pytest.mark.parametrize("thread", ["", "1/2 UNF", "M1", "M8x9", "left-hand"])
def test_other_threads_are_not_judged(thread):
    assert most_torque_nm(thread) is None


def test_a_finer_pitch_stands_more():
    assert most_torque_nm("M10x1.25") > most_torque_nm("M10")


@pytest.mark.parametrize(
    ("value", "unit", "nm"), [(1, "ft-lb", 1.356), (12, "in-lb", 1.356), (30, "N·m", 30)]
)
def test_torque_in_one_unit(value, unit, nm):
    assert torque_nm(value, unit) == pytest.approx(nm, abs=5e-4)


def test_an_unknown_unit_of_torque_is_refused():
    with pytest.raises(BadInput):
        torque_nm(1, "kp·m")


def test_eight_cups_of_twenty_needles_are_160_to_count():
    # common practice
    one = LooseItem(key="need", what="needles", came_out=8 * 20, tray=158)
    assert count_loose((one,))[0].words == "2 of 160 needles are missing from the tray."


@pytest.mark.parametrize(
    ("counts", "state"),
    [
        ({"came_out": 3}, "not_counted"),
        ({"came_out": 3, "tray": 3}, "counted"),
        ({"came_out": 3, "tray": 2}, "missing"),
        ({"came_out": 3, "tray": 4}, "too_many"),
        ({"came_out": 3, "tray": 3, "left_over": 0}, "closed"),
        ({"came_out": 3, "tray": 3, "left_over": 1}, "left_over"),
    ],
)
def test_loose_counts(counts, state):
    assert count_loose((LooseItem(key="keys", what="keys", **counts),))[0].state == state


@pytest.mark.parametrize("count", [7, 14, 20, 23])
def test_needles_that_just_fit_are_counted_whole(count):
    # geometry: n needles touching on a pitch circle of radius r have the diameter 2 r sin(π/n)
    needle = 2.0
    cup = needle / math.sin(math.pi / count) + needle
    found, gap = needles_per_cup(cup * (1 + 1e-9), needle)
    assert found == count
    assert gap == pytest.approx(0, abs=1e-6)
    assert needles_per_cup(cup + 0.1, needle)[0] == count


def test_a_needle_as_large_as_its_cup_is_refused():
    with pytest.raises(BadInput):
        needles_per_cup(4, 2.5)
