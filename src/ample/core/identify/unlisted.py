"""None of these: parts of the family that are not listed, drawn from its own grid of sizes."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from statistics import median

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.model import (
    LARGEST_MM,
    SMALLEST_MM,
    Observation,
    Profile,
)
from ample.core.parts import feature_named, manufacturing_interval_mm
from ample.core.standards import ball_bearing_sizes

Floats = NDArray[np.float64]

UNLISTED_PRIOR = 0.05
OTHER_FAMILY_PRIOR = 0.005
GRID_SHARES = {"whole": 0.75, "half": 0.10, "sixteenth": 0.15}
SIXTEENTH_MM = 25.4 / 16


@dataclass(frozen=True)
class Shape:
    """Mean and deviation of the logarithm of a ratio of sizes."""

    mean: float
    deviation: float

    def log_densities(self, log_ratio: Floats) -> Floats:
        """Normal density of log ratios, per unit of the logarithm."""
        z = (log_ratio - self.mean) / self.deviation
        return np.asarray(np.exp(-0.5 * z * z) / (self.deviation * math.sqrt(2 * math.pi)))


@lru_cache
def shapes() -> dict[str, Shape]:
    """How outside and width follow the bore, from the listed standard sizes, widened by a half."""
    rows = np.array([[s.d_mm, s.D_mm, s.B_open_mm or s.B_closed_mm or 0.0] for s in ball_bearing_sizes()])
    bore, outside, width = rows.T
    logs = {
        "D/d": np.log(outside / bore),
        "B/(D-d)": np.log(width / (outside - bore)),
        "B/d": np.log(width / bore),
        "B/D": np.log(width / outside),
    }
    return {name: Shape(float(values.mean()), 1.5 * float(values.std())) for name, values in logs.items()}


def grid_near(value_mm: float, reach_mm: float) -> list[tuple[float, float]]:
    """Grid sizes within reach of a value, each with its share per unit of size, mm."""
    found = []
    for name, step, offset in (("whole", 1.0, 0.0), ("half", 1.0, 0.5), ("sixteenth", SIXTEENTH_MM, 0.0)):
        first = math.ceil((value_mm - reach_mm - offset) / step)
        last = math.floor((value_mm + reach_mm - offset) / step)
        for number in range(first, last + 1):
            size = number * step + offset
            if SMALLEST_MM < size < LARGEST_MM:
                found.append((size, GRID_SHARES[name] * step))
    return found


def _log_uniform() -> float:
    return 1 / math.log(LARGEST_MM / SMALLEST_MM)


@dataclass(frozen=True)
class GridAxis:
    """Grid sizes near a reading along one dimension; slot 0 is the reading taken as slipped."""

    sizes_mm: Floats
    shares: Floats
    unworn: Floats
    worn: Floats


def _unread(nodes: int) -> GridAxis:
    one = np.ones((1, nodes))
    return GridAxis(np.full(1, np.nan), np.ones(1), one, one)


@dataclass(frozen=True)
class Near:
    """Grid sizes near the readings along one dimension, with their shares per mm."""

    sizes_mm: Floats
    shares: Floats

    def limits_mm(self, feature: str) -> tuple[Floats, Floats]:
        """Between what limits a feature of each size is made."""
        made = np.array(
            [manufacturing_interval_mm(feature, size, size, "Normal") for size in self.sizes_mm.tolist()]
        ).reshape(-1, 2)
        return made[:, 0], made[:, 1]


def near_sizes(observations: tuple[Observation, ...]) -> dict[str, Near]:
    """By dimension, the grid sizes that its readings can mean if none slipped."""
    found: dict[str, set[tuple[float, float]]] = {}
    for each in observations:
        centre = median(each.values_mm)
        spread = max(each.values_mm) - min(each.values_mm)
        reach = 0.25 + spread + 4 * each.instrument.expanded_uncertainty_mm(each.reach)
        found.setdefault(each.dimension, set()).update(grid_near(centre, reach))
    return {
        dimension: Near(*np.array(sorted(points)).reshape(-1, 2).T) for dimension, points in found.items()
    }


def _axis(near: Near, made: list[Profile], nodes: int) -> GridAxis:
    """The features of one dimension together; slot 0 is all of them slipped."""
    slip = math.prod(profile.slip for profile in made)

    def together(rows: list[Floats]) -> Floats:
        product = np.prod(np.broadcast_arrays(*rows), axis=0) - slip
        return np.vstack([np.full((1, nodes), slip), np.broadcast_to(product, (len(near.sizes_mm), nodes))])

    return GridAxis(
        np.append(np.nan, near.sizes_mm),
        np.append(1.0, near.shares),
        together([profile.unworn for profile in made]),
        together([profile.worn for profile in made]),
    )


def grid_weights(d: GridAxis, D: GridAxis, B: GridAxis) -> Floats:
    """Prior weight of every combination: bore even on a log scale, outside and width by shape.

    A dimension that is not known (NaN) is summed over: what depends on it falls back to the
    shape without it.
    """
    bore = d.sizes_mm[:, None, None]
    outside = D.sizes_mm[None, :, None]
    width = B.sizes_mm[None, None, :]
    ratio = shapes()
    even = _log_uniform()
    with np.errstate(invalid="ignore", divide="ignore"):
        by_bore = d.shares[:, None, None] / bore * even
        by_outside = D.shares[None, :, None] / outside
        log_ratio = np.where(outside > bore, np.log(outside / bore), np.inf)
        by_outside = by_outside * np.where(
            np.isnan(bore), even, ratio["D/d"].log_densities(np.nan_to_num(log_ratio, nan=0.0, posinf=1e3))
        )
        room = np.where(outside > bore, outside - bore, np.nan)
        width_density = np.select(
            [~np.isnan(bore) & ~np.isnan(outside), ~np.isnan(bore), ~np.isnan(outside)],
            [
                np.nan_to_num(ratio["B/(D-d)"].log_densities(np.log(width / room))),
                ratio["B/d"].log_densities(np.log(width / bore)),
                ratio["B/D"].log_densities(np.log(width / outside)),
            ],
            even,
        )
        by_width = B.shares[None, None, :] / width * width_density
    return np.asarray(
        np.where(np.isnan(bore), 1.0, by_bore)
        * np.where(np.isnan(outside), 1.0, by_outside)
        * np.where(np.isnan(width), 1.0, by_width)
    )


def unlisted_density(
    nears: dict[str, Near],
    profiles: dict[str, Profile],
    nodes: Floats,
    kinds: tuple[tuple[float, bool, bool], ...],
) -> float:
    """Density of all readings for an unlisted part of the family: summed over its size grid."""
    count = len(nodes)
    made: dict[str, list[Profile]] = {}
    for name, found in profiles.items():
        made.setdefault(feature_named(name).dimension, []).append(found)
    bore, outside, width = (
        _axis(nears[dimension], made[dimension], count) if dimension in nears else _unread(count)
        for dimension in ("d_mm", "D_mm", "B_mm")
    )
    by_width = grid_weights(bore, outside, width) @ (width.unworn * nodes)
    total = 0.0
    for kind_weight, bore_worn, outside_worn in kinds:
        total += kind_weight * float(
            np.einsum(
                "abi,ai,bi->",
                by_width,
                bore.worn if bore_worn else bore.unworn,
                outside.worn if outside_worn else outside.unworn,
            )
        )
    return total
