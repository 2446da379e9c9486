"""The numbers of the ranking model stand in one table and each is used."""

from pathlib import Path

import pytest

from ample.core import identify
from ample.core.identify.posterior import listed_prior
from ample.core.identify.values import ranking_value
from ample.core.parts import FAMILIES
from ample.core.tables import read_table

HERE = Path(identify.__file__).parent
TABLE = read_table(HERE / "ranking_values.csv")
CODE = "".join(path.read_text(encoding="utf-8") for path in HERE.glob("*.py"))


@pytest.mark.parametrize("name", [row["name"] for row in TABLE.rows])
def test_a_number_of_the_table_is_used(name):
    assert f'ranking_value("{name}")' in CODE


def test_an_unknown_number_is_a_fault_of_the_program():
    with pytest.raises(KeyError):
        ranking_value("luck")


def test_something_is_left_for_what_is_listed():
    assert all(listed_prior(family) > 0.6 for family in FAMILIES.values())
