"""Boundary sizes of ball bearings: metric series, miniature and inch R."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.sizes import parse_length
from ample.core.tables import read_table

_HERE = Path(__file__).parent


@dataclass(frozen=True)
class BoundarySize:
    """A basic designation with bore, outside and width (open and closed may differ), mm."""

    designation: str
    series: str
    d_mm: float
    D_mm: float
    B_open_mm: float | None
    B_closed_mm: float | None

    def width_mm(self, closed: bool) -> float | None:
        """The width with or without shields or seals; None where it is not made so."""
        return self.B_closed_mm if closed else self.B_open_mm


@lru_cache
def ball_bearing_sizes() -> tuple[BoundarySize, ...]:
    """Every ball bearing size held, in the order of the tables."""
    sizes = []
    for name, unit in (
        ("deep_groove_metric.csv", "mm"),
        ("deep_groove_miniature.csv", "mm"),
        ("deep_groove_inch.csv", "in"),
    ):
        sizes += [_size(row, unit) for row in read_table(_HERE / name).rows]
    _check(sizes)
    return tuple(sizes)


def _size(row: dict[str, str], unit: str) -> BoundarySize:
    def length(column: str) -> float | None:
        text = row[f"{column}_{unit}"]
        return None if not text else parse_length(text, "in" if unit == "in" else "mm").mm

    d, D = length("d"), length("D")
    if d is None or D is None:
        raise ValueError(f"{row['designation']}: bore and outside are needed")
    return BoundarySize(row["designation"], row["series"], d, D, length("B_open"), length("B_closed"))


def _check(sizes: list[BoundarySize]) -> None:
    names = [size.designation for size in sizes]
    if len(set(names)) != len(names):
        raise ValueError("a designation stands twice in the size tables")
    for size in sizes:
        widths = [w for w in (size.B_open_mm, size.B_closed_mm) if w]
        if not (0 < size.d_mm < size.D_mm and widths and all(0 < w < size.D_mm for w in widths)):
            raise ValueError(f"{size.designation}: its sizes cannot be right")
