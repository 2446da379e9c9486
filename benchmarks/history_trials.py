"""The forecast of a log on histories of a world apart: does its band hold what it says, is noise left alone?"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from ample.core.condition.trend import Reading, Trend, trend
from benchmarks.histories import REACHING, History, Sort, history

SEED = 91  # apart from the one that the numbers of the model were set on


@dataclass(frozen=True)
class HistoryTrial:
    """What became of histories of one sort: bands that hold the true day, bands given, and how often worse was said."""

    sort: Sort
    made: int
    told: int
    holding: int
    called_worse: int


def every_sort(count: int) -> list[HistoryTrial]:
    """So many histories of each sort, judged."""
    rng = np.random.default_rng(SEED)
    return [_trial(rng, sort, count) for sort in (*REACHING, "steady", "halved")]


def _trial(rng: np.random.Generator, sort: Sort, count: int) -> HistoryTrial:
    made: list[History] = []
    while len(made) < count:
        each = history(rng, sort)
        if each:
            made.append(each)
    told = [(each, _judged(each)) for each in made]
    bands = [(each.limit_on, found.forecast.limit_on) for each, found in told]
    holding = [
        bool(low <= day <= high) for day, band in bands if day and (low := band.low) and (high := band.high)
    ]
    worse = sum(found.confidence in ("weak", "firm") for _, found in told)
    return HistoryTrial(sort, count, len(holding), sum(holding), worse)


def _judged(each: History) -> Trend:
    return trend([Reading(*row) for row in each.readings], each.limit, each.today, each.early)
