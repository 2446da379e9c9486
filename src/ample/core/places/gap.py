"""The gap that an O-ring bears under pressure, and the backup ring where it does not."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.tables import read_table

SOFT, HARD = 70.0, 90.0


@dataclass(frozen=True)
class BackupRings:
    """BackupRings rings that a ring needs: one on the side away from the pressure, or one on each side."""

    sides: int
    allowed_gap_mm: float


@lru_cache
def _rows() -> tuple[tuple[float, float, float, float], ...]:
    rows = read_table(Path(__file__).with_name("gap_limits.csv")).rows
    names = ("section_to_mm", "hardness_shore_a", "bar_to", "gap_mm")
    return tuple((*(float(row[name]) for name in names),) for row in rows)  # type: ignore[misc]


def gap_allowed_mm(section_mm: float, hardness_shore_a: float, pressure_bar: float) -> float:
    """The largest radial gap that an O-ring bears without a backup ring.

    Formula: tabulated for 70 and 90 Shore A, straight between; softer as 70, harder as 90; 0 beyond the pressures held.

    Args:
        section_mm: Section of the ring, mm, above 0.
        hardness_shore_a: Hardness, Shore A.
        pressure_bar: Pressure, bar, 0 or more.

    Returns:
        The radial gap, mm.

    Raises:
        Nothing.

    Source: extrusion limits common to seal handbooks, from memory (`gap_limits.csv`).

    Example:
        >>> gap_allowed_mm(3.53, 70, 70), gap_allowed_mm(3.53, 90, 70)
        (0.08, 0.15)
    """
    share = min(max((hardness_shore_a - SOFT) / (HARD - SOFT), 0.0), 1.0)
    soft, hard = (_held(section_mm, hardness, pressure_bar) for hardness in (SOFT, HARD))
    return round(soft + share * (hard - soft), 4)


def _held(section_mm: float, hardness: float, pressure_bar: float) -> float:
    fitting = [
        row for row in _rows() if row[1] == hardness and section_mm <= row[0] and pressure_bar <= row[2]
    ]
    return min(fitting, key=lambda row: (row[0], row[2]))[3] if fitting else 0.0
