"""Marks written apart a second time: what leads is of the family, and what is of no family is nothing."""

import pytest

from ample.core.designation import decode
from tests.tables import published

ROWS = published("marks_again.csv") + published("marks_counter.csv")
READ, NOTHING = [row for row in ROWS if row["family"]], [row for row in ROWS if not row["family"]]
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
