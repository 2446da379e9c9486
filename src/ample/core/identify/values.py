"""The numbers of the ranking model, from their table."""

from __future__ import annotations

from functools import cache
from pathlib import Path

from ample.core.tables import read_table


@cache
def _values() -> dict[str, float]:
    table = read_table(Path(__file__).with_name("ranking_values.csv"))
    found = {row["name"]: float(row["value"]) for row in table.rows}
    shares = [row for row in table.rows if row["unit"] == "share"]
    if len(found) != len(table.rows) or not all(0 < float(row["value"]) < 1 for row in shares):
        raise ValueError("ranking_values.csv: a name stands twice, or a share is not between 0 and 1")
    return found


def ranking_value(name: str) -> float:
    """A number of the ranking model.

    Args:
        name: Its name in ranking_values.csv.

    Returns:
        Its value in the unit of the table.

    Raises:
        KeyError: When no number has the name.

    Source: ranking_values.csv (common practice).

    Example:
        >>> ranking_value("slip_share")
        0.005
    """
    return _values()[name]
