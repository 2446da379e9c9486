"""Least, likely and most of something measured or worked out."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Range:
    """Least, likely and most, µm; an interference is positive where it is tight."""

    min: float
    likely: float
    max: float
