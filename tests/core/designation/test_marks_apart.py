"""300 marks written apart, before the reading of marks was changed for them: words around, look-alikes, short pairs.

What the file says is what a person would read; the designation may be written in another way for the same part.
"""

import pytest

from ample.core.designation import decode
from ample.core.designation.mixed import asked_in_words
from tests.tables import published

ROWS = published("marks_apart.csv")
# They say less than a part: words and sizes mixed, as somebody asks at a counter.
MIXED = {row["marking"] for row in ROWS if not row["designation"] and "special" not in row["states"]} - {
    "copper washer 14x18x1.5"
}


def readings(row):
    found = [each for each in decode(row["marking"]) if each.family == row["family"]]
    assert found, f"nothing of the family {row['family']}"
    return found


@pytest.mark.parametrize(
    "row", [row for row in ROWS if row["marking"] not in MIXED], ids=lambda row: row["marking"]
)
def test_reads_a_mark_written_apart(row):
    best = readings(row)[0]
    wanted = row["designation"]
    if wanted:
        same = {each.designation for each in decode(wanted) if each.family == row["family"]} | {wanted}
        assert best.designation in same
    for state in filter(None, row["states"].split(";")):
        name, _, value = state.partition("=")
        assert value in best.attributes.get(name, "").split(), state
    sizes = [float(each) for each in row["sizes_mm"].split()]
    held = list(best.dimensions.values())
    for size in sizes:
        assert any(abs(size - each) < 0.02 for each in held), f"{size:g} of {held}"


@pytest.mark.parametrize("row", [row for row in ROWS if row["beside"]], ids=lambda row: row["marking"])
def test_what_stands_beside_a_mark_is_none_of_its_codes(row):
    """Every word of the table stays: beside, or unread, or as a word that names a family; never as a code."""
    if row["marking"] in MIXED:
        return
    best = readings(row)[0]
    names = {span.text.upper() for span in best.spans}  # a word that a dictionary has as a whole
    kept = " ".join((*best.beside, *best.unread, *(each for each in names if len(each) > 2))).upper()
    for piece in row["beside"].split(" | "):
        for word in piece.upper().split():
            assert word in kept, f"{word} of {row['marking']}: {best.beside} {best.unread}"


@pytest.mark.parametrize("marking", sorted(MIXED))
def test_reads_words_and_sizes_mixed(marking):
    row = next(row for row in ROWS if row["marking"] == marking)
    found = asked_in_words(marking)
    assert found.family == row["family"]
    assert [each.mm for each in found.sizes] == pytest.approx(
        [float(each) for each in row["sizes_mm"].split()], abs=0.01
    )


def test_there_are_three_hundred_and_half_have_words_around():
    assert len(ROWS) == 300
    assert sum(bool(row["beside"]) for row in ROWS) >= 100
