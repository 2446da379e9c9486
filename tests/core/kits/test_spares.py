"""Spares first: what is on the shelf and what comes too late."""

import pytest

from ample.core.errors import BadInput
from ample.core.kits import Spare, judge_spare

# common practice: the time a unit may lie open decides what must be ordered before it is opened
CASES = [
    (Spare("seal", 1, 3, 9), 5, "on_shelf"),
    (Spare("seal", 2, 1, 2), 5, "in_time"),
    (Spare("seal", 2, 1, 9), 5, "too_late"),
    (Spare("seal", 1, 0, 5), 5, "in_time"),
    (Spare("seal", 1, 0, None), 5, "not_known"),
    (Spare("seal", 1, None, None), 5, "not_known"),
    (Spare("seal", 1, None, 2), None, "not_known"),
    (Spare("seal", 1, None, 2), 5, "in_time"),
]


@pytest.mark.parametrize(("spare", "days", "state"), CASES)
def test_a_spare_is_judged_against_the_time(spare, days, state):
    judged = judge_spare(spare, days)
    assert judged.state == state
    assert judged.words.endswith((".", "?"))


def test_numbers_out_of_range_are_refused():
    with pytest.raises(BadInput):
        judge_spare(Spare("seal", 0, 1, 1), 1)
    with pytest.raises(BadInput):
        judge_spare(Spare("seal", 1, 1, 1), -1)
