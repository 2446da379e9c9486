"""Readings as their rows hold them, brought back to the observations of a sheet."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ample.core.contract.bench import FeatureReadings, TypedReading


def observations_of(rows: Iterable[dict[str, Any]]) -> list[FeatureReadings]:
    """Readings of one part, in the order of its sheet, by feature and instrument."""
    kept: dict[tuple[str, str], list[dict[str, Any]]] = {}
    for row in rows:
        kept.setdefault((row["feature"], row["instrument"]), []).append(row)
    return [
        FeatureReadings(
            feature=own[0]["feature"],
            instrument=own[0]["instrument"],
            readings=[TypedReading(typed=row["typed"], unit=row["unit"]) for row in own],
        )
        for own in kept.values()
    ]
