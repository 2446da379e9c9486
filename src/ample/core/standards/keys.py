"""Parallel keys by their shaft (DIN 6885-1)."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.tables import read_table


@dataclass(frozen=True)
class ParallelKey:
    """A key of the usual form with its depths in shaft and hub, mm; for shafts over one size up to another."""

    over_mm: float
    up_to_mm: float
    width_mm: float
    height_mm: float
    shaft_depth_mm: float
    hub_depth_mm: float


@lru_cache
def parallel_keys() -> tuple[ParallelKey, ...]:
    """Every key of the table, by shaft."""
    names = ("over_mm", "up_to_mm", "width_mm", "height_mm", "shaft_depth_mm", "hub_depth_mm")
    rows = read_table(Path(__file__).with_name("seal_lists") / "din6885.csv").rows
    return tuple(ParallelKey(*(float(row[name]) for name in names)) for row in rows)


def key_of_shaft(shaft_mm: float) -> ParallelKey | None:
    """The key of a shaft; None where the table has none.

    >>> key_of_shaft(25).width_mm
    8.0
    """
    return next((each for each in parallel_keys() if each.over_mm < shaft_mm <= each.up_to_mm), None)
