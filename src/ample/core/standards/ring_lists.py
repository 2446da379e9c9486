"""The lists that O-rings are bought from, and how much each weighs by where a machine was built."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache
from pathlib import Path

from ample.core.tables import read_table

UNKNOWN = "unknown"
RING_LISTS = ("dash", "common", "older_metric", "far_east", "older_iso")


@lru_cache
def ring_origins() -> dict[str, dict[str, float]]:
    """By where a machine can have been built, what each list weighs before anything is confirmed."""
    rows = read_table(Path(__file__).with_name("seal_lists") / "ring_origins.csv").rows
    return {row["origin"]: {name: float(row[name]) for name in RING_LISTS} for row in rows}


def ring_list(listed: str) -> str:
    """The list that a row of the tables is of; empty for what is none of them.

    >>> ring_list("SAE AS568")
    'dash'
    """
    if "AS568" in listed:
        return "dash"
    if "far-east" in listed:
        return "far_east"
    if "older G" in listed:
        return "older_iso"
    return {"common": "common", "older metric": "older_metric"}.get(listed, "")


def list_factors(met: Iterable[tuple[str, float]]) -> dict[str, float]:
    """By list, what its shares are multiplied by so that the lists weigh as where nobody knows the machine; the sum stays."""
    held = dict.fromkeys(RING_LISTS, 0.0)
    for name, share in met:
        if name:
            held[name] += share
    weights = ring_origins()[UNKNOWN]
    scale = sum(held.values()) / sum(weights.values())
    return {name: weights[name] * scale / share for name, share in held.items() if share > 0}
