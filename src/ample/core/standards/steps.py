"""Tables whose rows are steps of size: over the lower limit, up to and including the upper."""

from __future__ import annotations

import itertools
from bisect import bisect_left
from dataclasses import dataclass
from typing import Generic, TypeVar

from ample.core.errors import BadInput

T = TypeVar("T")


@dataclass(frozen=True)
class Steps(Generic[T]):
    """Values by step of size, with the limits of the whole table in mm."""

    lowest_mm: float
    upper_limits_mm: tuple[float, ...]
    values: tuple[T, ...]
    includes_lowest: bool = False

    def __post_init__(self) -> None:
        if list(self.upper_limits_mm) != sorted(set(self.upper_limits_mm)):
            raise ValueError("the steps of a table must grow")

    @property
    def highest_mm(self) -> float:
        """The largest size that the table contains, mm."""
        return self.upper_limits_mm[-1]

    def at(self, size_mm: float, what: str, field: str = "size_mm") -> T:
        """The value of the step that holds a size; refused in words outside the table."""
        above = size_mm > self.lowest_mm or (self.includes_lowest and size_mm == self.lowest_mm)
        if not (above and size_mm <= self.highest_mm):
            raise BadInput(
                "outside_table",
                f"{what} runs from {self.lowest_mm:g} to {self.highest_mm:g} mm; {size_mm:g} mm is outside.",
                field,
            )
        return self.values[bisect_left(self.upper_limits_mm, size_mm)]


def read_steps(rows: list[tuple[float, float, T]], includes_lowest: bool = False) -> Steps[T]:
    """Build steps from rows (over, up to, value) and check that they leave no gap."""
    for (_, upper, _), (lower, _, _) in itertools.pairwise(rows):
        if upper != lower:
            raise ValueError(f"a gap between {upper} and {lower} mm")
    return Steps(
        rows[0][0],
        tuple(upper for _, upper, _ in rows),
        tuple(value for _, _, value in rows),
        includes_lowest,
    )
