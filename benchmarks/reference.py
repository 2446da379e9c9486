"""The true model's own posterior, written apart from the product: plain and dense, for comparison only."""

from __future__ import annotations

import math

import numpy as np
from scipy.special import ndtr
from scipy.stats import gamma, norm

from ample.core.identify.model import (
    LARGEST_MM,
    SHARED_PART,
    SLIP,
    SMALLEST_MM,
    WEAR_MEAN_MM,
    WEAR_SHAPE,
)
from ample.core.identify.unlisted import GRID_SHARES, SIXTEENTH_MM, UNLISTED_PRIOR, shapes
from ample.core.parts import PART_FEATURES, bearing_conditions, manufacturing_interval_mm
from benchmarks.simulate import Draw, Simulator

SHARED_NODES = 15
WEAR_NODES = 15


class Reference:
    """Posterior over listed envelopes and none for three single readings by one instrument."""

    def __init__(self, simulator: Simulator):
        self.sizes = simulator.catalogue.envelopes_mm
        self.prior = simulator.prior * (1 - UNLISTED_PRIOR)
        self.instrument = simulator.instrument
        smallest = min(self.instrument.outside_u_mm, self.instrument.inside_u_mm) / 2
        deviation = math.sqrt(SHARED_PART) * smallest
        chances = (np.arange(SHARED_NODES) + 0.5) / SHARED_NODES
        self.shared = norm.ppf(chances) * deviation
        self.wear = gamma.ppf(
            (np.arange(WEAR_NODES) + 0.5) / WEAR_NODES, WEAR_SHAPE, scale=WEAR_MEAN_MM / WEAR_SHAPE
        )
        self.deviation = deviation
        self.limits = [
            np.array([manufacturing_interval_mm(f.name, s[i], s[0], "Normal") for s in self.sizes])
            for i, f in enumerate(PART_FEATURES)
        ]

    def posterior(self, draw: Draw) -> tuple[np.ndarray, float]:
        """Chance of each listed envelope, and of none."""
        per_feature = [self._densities(draw, i, self.limits[i]) for i in range(3)]
        listed = self.prior * _joined(per_feature)
        none = UNLISTED_PRIOR * self._unlisted(draw)
        total = listed.sum() + none
        return listed / total, none / total

    def _densities(self, draw: Draw, i: int, limits: np.ndarray) -> list[np.ndarray]:
        """For unworn and worn: density of the reading per (size, shared node), slips included."""
        observation = draw.observations[i]
        value = observation.values_mm[0]
        u = self.instrument.expanded_uncertainty_mm(PART_FEATURES[i].reach) / 2
        sigma = math.sqrt(u**2 - self.deviation**2 + self.instrument.scatter_mm**2)
        slip = SLIP / (min(max(value, SMALLEST_MM), LARGEST_MM) * math.log(LARGEST_MM / SMALLEST_MM))
        sign = (1.0, -1.0, 0.0)[i]
        found = []
        for amounts in (np.zeros(1), sign * self.wear):
            shift = self.shared[:, None] + amounts
            left = (value - limits[:, 0, None, None] - shift) / sigma
            right = (value - limits[:, 1, None, None] - shift) / sigma
            width = (limits[:, 1] - limits[:, 0])[:, None, None]
            density = np.where(right > 0, ndtr(-right) - ndtr(-left), ndtr(left) - ndtr(right)) / width
            found.append((1 - SLIP) * density.mean(axis=2) + slip)
        return found

    def _unlisted(self, draw: Draw) -> float:
        """Sum over every grid size near the three readings (a slip of one of them is left to the flat part)."""
        grids = [self._grid(observation.values_mm[0]) for observation in draw.observations]
        per_feature = []
        for i, grid in enumerate(grids):
            limits = np.array(
                [manufacturing_interval_mm(PART_FEATURES[i].name, s, s, "Normal") for s, _ in grid]
            ).reshape(-1, 2)
            per_feature.append(self._densities(draw, i, limits))
        ratio = shapes()
        even = 1 / math.log(LARGEST_MM / SMALLEST_MM)
        d, D, B = (np.array([size for size, _ in grid]) for grid in grids)
        shares = [np.array([share for _, share in grid]) for grid in grids]
        room = np.where(D[None, :] > d[:, None], D[None, :] - d[:, None], np.nan)
        wd = shares[0] / d * even
        wD = (
            shares[1]
            / D
            * norm.pdf(np.log(D[None, :] / d[:, None]), ratio["D/d"].mean, ratio["D/d"].deviation)
        )
        shape = ratio["B/(D-d)"]
        wB = shares[2] / B * norm.pdf(np.log(B / room[:, :, None]), shape.mean, shape.deviation)
        weights = np.nan_to_num(wd[:, None, None] * wD[:, :, None] * wB)
        total = 0.0
        for kind in bearing_conditions():
            bore = per_feature[0][1 if kind.bore_growth_mm else 0]
            outside = per_feature[1][1 if kind.outside_loss_mm else 0]
            together = np.einsum("ai,bi,ci->abc", bore, outside, per_feature[2][0]) / SHARED_NODES
            total += kind.weight * float((weights * together).sum())
        return total

    def _grid(self, value: float) -> list[tuple[float, float]]:
        sizes = []
        for kind, step, offset in (("whole", 1.0, 0.0), ("half", 1.0, 0.5), ("sixteenth", SIXTEENTH_MM, 0.0)):
            first = math.ceil((value - 0.6 - offset) / step)
            for number in range(first, math.floor((value + 0.6 - offset) / step) + 1):
                if number * step + offset > SMALLEST_MM:
                    sizes.append((number * step + offset, GRID_SHARES[kind] * step))
        return sizes


def _joined(per_feature: list[list[np.ndarray]]) -> np.ndarray:
    """Mix the kinds of condition and the shared error over the three features."""
    total: np.ndarray | float = 0.0
    for kind in bearing_conditions():
        bore = per_feature[0][1 if kind.bore_growth_mm else 0]
        outside = per_feature[1][1 if kind.outside_loss_mm else 0]
        total = total + kind.weight * (bore * outside * per_feature[2][0]).mean(axis=1)
    return np.asarray(total)
