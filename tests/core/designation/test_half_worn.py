"""Half-worn marks of every family: the part stands among the first readings."""

import pytest

from ample.core.designation import decode
from tests.tables import published

ROWS = published("marks_half_worn.csv")


@pytest.mark.parametrize("row", ROWS, ids=[row["mark"] for row in ROWS])
def test_the_part_is_among_the_first(row):
    names = [each.designation for each in decode(row["mark"])]
    assert row["is"] in names[: int(row["among"])]
