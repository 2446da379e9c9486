"""Marks written apart a second time: what leads is of the family, and what is of no family is nothing."""

import pytest

from ample.core.designation import decode
from tests.tables import published

COUNTER = published("marks_counter.csv")
ROWS = published("marks_again.csv") + COUNTER
READ, NOTHING = [row for row in ROWS if row["family"]], [row for row in ROWS if not row["family"]]
PLAIN_WORDS = {"or", "equivalent", "stainless", "id"}  # of no consequence, or of none that is known here
NO_SURER = 0.1  # than this is a reading that could be meant


@pytest.mark.parametrize("row", READ, ids=lambda row: row["marking"])
def test_what_leads_is_the_part(row):
    found = decode(row["marking"])
    assert found, "nothing read"
    best = found[0]
    assert best.family == row["family"]
    if row["designation"]:
        same = {each.designation for each in decode(row["designation"]) if each.family == row["family"]}
        assert best.designation in same | {row["designation"]}
    for state in filter(None, row["states"].split(";")):
        name, _, value = state.partition("=")
        assert best.attributes.get(name) == value
    held = list(best.dimensions.values())
    for size in map(float, row["sizes_mm"].split()):
        assert any(abs(size - each) < 0.02 for each in held), f"{size:g} of {held}"


@pytest.mark.parametrize("row", NOTHING, ids=lambda row: row["marking"])
def test_what_is_of_no_family_is_not_read_as_one(row):
    assert [each.designation for each in decode(row["marking"]) if each.score > NO_SURER] == []


@pytest.mark.parametrize("marking", [row["marking"] for row in COUNTER if row["family"]])
def test_nothing_of_what_is_typed_at_a_counter_is_left_over(marking):
    assert set(decode(marking)[0].unread) <= PLAIN_WORDS


def test_one_number_of_a_piston_seal_is_sixteenths_or_mm():
    outsides = [each.dimensions["outside_mm"] for each in decode("piston seal 80")]
    assert 127 in outsides
    assert 80 in outsides
