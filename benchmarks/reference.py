"""The true model's own posterior, written apart from the product: plain and dense, for comparison only."""

from __future__ import annotations

import math

import numpy as np
from scipy.special import ndtr
from scipy.stats import gamma, norm

from ample.core.identify import KindEvidence, Observation
from ample.core.identify.kind_evidence import kind_likelihood
from ample.core.identify.model import GROSS_ERROR_SHARE, LARGEST_MM, SHARED_PART, SMALLEST_MM
from ample.core.identify.unlisted import UNLISTED_PRIOR, Shape, Unlisted
from ample.core.parts import BEARING
from benchmarks.simulate import Draw, Simulator

Grids = dict[str, list[tuple[float, float]]]
SHARED_NODES = 15
WEAR_NODES = 15
NEAR_MM = 2.0
EVEN = 1 / math.log(LARGEST_MM / SMALLEST_MM)


class Reference:
    """Posterior over listed envelopes and none for single readings by one instrument, the kind told."""

    def __init__(self, simulator: Simulator, kind: str):
        self.catalogue = simulator.catalogue
        likelihood = kind_likelihood(self.catalogue, KindEvidence(frozenset({kind})))
        weights = self.catalogue.entry_prior * likelihood[self.catalogue.entry_kind]
        self.prior = np.bincount(self.catalogue.entry_unit, weights, len(self.catalogue.unit_tolerances))
        self.of_none = Unlisted(BEARING, frozenset({kind}))
        self.instrument = simulator.instrument
        smallest = min(self.instrument.outside_u_mm, self.instrument.inside_u_mm) / 2
        self.deviation = math.sqrt(SHARED_PART) * smallest
        chances = (np.arange(SHARED_NODES) + 0.5) / SHARED_NODES
        self.shared = norm.ppf(chances) * self.deviation
        self.wear = gamma.ppf(
            (np.arange(WEAR_NODES) + 0.5) / WEAR_NODES,
            BEARING.wear_shape,
            scale=BEARING.wear_mean_mm / BEARING.wear_shape,
        )
        self.limits: dict[str, np.ndarray] = {}

    def _limits_of(self, feature: str) -> np.ndarray:
        """By unit and thing meant: low, high, share; NaN where a unit lacks the feature."""
        if feature not in self.limits:
            rows = np.full((len(self.catalogue.unit_tolerances), 2, 3), np.nan)
            for number, make in enumerate(self.catalogue.unit_tolerances):
                for place, one in enumerate(BEARING.measures(make, feature)):
                    rows[number, place] = one.low_mm, one.high_mm, one.share
            self.limits[feature] = rows
        return self.limits[feature]

    def posterior(self, draw: Draw) -> tuple[np.ndarray, float]:
        """Chance of each listed envelope, and of none."""
        near = np.zeros(len(self.prior), dtype=bool)
        for each in draw.observations:
            low = self._limits_of(each.feature)[:, :, 0]
            near |= (np.abs(low - each.values_mm[0]) < NEAR_MM).any(axis=1)
        rows = np.flatnonzero(near)
        gross = math.prod(_slip(each) for each in draw.observations)
        density = np.full(len(self.prior), gross)
        parts = {
            each.feature: self._meant(each, self._limits_of(each.feature)[rows]) for each in draw.observations
        }
        density[rows] = self._joined(parts)
        listed = np.bincount(
            self.catalogue.unit_envelope,
            (1 - UNLISTED_PRIOR) * self.prior * density,
            len(self.catalogue.envelopes_mm),
        )
        none = UNLISTED_PRIOR * float(self.prior.sum()) * self._unlisted(draw)
        total = listed.sum() + none
        return listed / total, none / total

    def _meant(self, observation: Observation, limits: np.ndarray) -> list[np.ndarray]:
        """The mean over what a feature can stand for."""
        both = [self._densities(observation, limits[:, place, :2]) for place in range(2)]
        lacks = np.isnan(limits[:, 1, 2])[:, None]
        share = np.nan_to_num(limits[:, 0, 2], nan=1.0)[:, None]
        return [
            np.where(lacks, first, share * first + (1 - share) * second)
            for first, second in zip(*both, strict=True)
        ]

    def _densities(self, observation: Observation, limits: np.ndarray) -> list[np.ndarray]:
        """For unworn and worn: density of the reading per (row, shared node), slips included."""
        feature = BEARING.by_name[observation.feature]
        value = observation.values_mm[0]
        u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
        sigma = math.sqrt(u**2 - self.deviation**2 + self.instrument.scatter_mm**2)
        found = []
        for amounts in (np.zeros(1), feature.wear_sign * self.wear):
            shift = self.shared[:, None] + amounts
            left = (value - limits[:, 0, None, None] - shift) / sigma
            right = (value - limits[:, 1, None, None] - shift) / sigma
            width = (limits[:, 1] - limits[:, 0])[:, None, None]
            density = np.where(right > 0, ndtr(-right) - ndtr(-left), ndtr(left) - ndtr(right)) / width
            found.append((1 - GROSS_ERROR_SHARE) * np.nan_to_num(density).mean(axis=2) + _slip(observation))
        if not feature.on_part:
            mixed = (1 - feature.worn_share) * found[0] + feature.worn_share * found[1]
            return [mixed, mixed]
        return found

    def _joined(self, parts: dict[str, list[np.ndarray]]) -> np.ndarray:
        """Mix the kinds of condition and the shared error over the features."""
        total: np.ndarray | float = 0.0
        for kind in BEARING.conditions:
            together: np.ndarray | float = 1.0
            for name, density in parts.items():
                together = together * density[1 if name in kind.worn else 0]
            total = total + kind.weight * np.asarray(together).mean(axis=1)
        return np.asarray(total)

    def _unlisted(self, draw: Draw) -> float:
        """Sum over every grid size near the readings (a slip of one of them is left to the flat part)."""
        ratio = self.of_none.shapes
        axes = {BEARING.by_name[each.feature].axis: each for each in draw.observations}
        grids = {axis: self._grid(axis, each.values_mm[0]) for axis, each in axes.items()}
        parts = {axis: self._grid_densities(each, grids[axis]) for axis, each in axes.items()}
        main = next((axis for axis in ("T_mm", "B_mm", "C_mm") if axis in axes), "")
        wide = np.array([size for size, _ in grids[main]]) if main else np.array([1.0])
        share = np.array([part for _, part in grids[main]]) if main else np.array([1.0])
        beside = np.ones((len(wide), SHARED_NODES))
        for axis in axes:
            if axis in ("d_mm", "D_mm", main):
                continue
            sizes = np.array([size for size, _ in grids[axis]])
            weight = np.array([part for _, part in grids[axis]]) / sizes
            shape = ratio[axis]
            chance = norm.pdf(np.log(sizes[None, :] / wide[:, None]), shape.mean, shape.deviation)
            beside = beside * ((weight * chance) @ parts[axis][0])
        total = 0.0
        for kind in BEARING.conditions:
            inside = self._side(grids, parts, "d_mm", any(_worn(axes, "d_mm", kind.worn)))
            outside = self._side(grids, parts, "D_mm", any(_worn(axes, "D_mm", kind.worn)))
            plain = (parts[main][0] if main else np.ones((1, SHARED_NODES))) * beside
            for i, d in enumerate(inside[0]):
                for j, D in enumerate(outside[0]):
                    weights = self._weights(ratio, d, D, wide) * share / (wide if main else 1.0)
                    weight_here = inside[1][i] * outside[1][j] * self._by_outside(ratio, d, D)
                    together = inside[2][i] * outside[2][j] * (weights[:, None] * plain).sum(axis=0)
                    total += kind.weight * weight_here * float(together.mean())
        return total

    @staticmethod
    def _by_outside(ratio: dict[str, Shape], d: float, D: float) -> float:
        if np.isnan(D):
            return 1.0
        if np.isnan(d):
            return EVEN
        return float(norm.pdf(math.log(D / d), ratio["D/d"].mean, ratio["D/d"].deviation)) if d < D else 0.0

    @staticmethod
    def _weights(ratio: dict[str, Shape], d: float, D: float, wide: np.ndarray) -> np.ndarray:
        if not np.isnan(d) and not np.isnan(D):
            shape, base = ratio["W/(D-d)"], D - d
        elif not np.isnan(d):
            shape, base = ratio["W/d"], d
        else:
            shape, base = ratio["W/D"], D
        if base <= 0:
            return np.zeros(len(wide))
        return np.asarray(norm.pdf(np.log(wide / base), shape.mean, shape.deviation))

    @staticmethod
    def _side(
        grids: Grids, parts: dict[str, list[np.ndarray]], axis: str, worn: bool
    ) -> tuple[list[float], list[float], list[np.ndarray]]:
        """Sizes, prior weights and densities along bore or outside; one unknown size when not read."""
        if axis not in grids:
            return [np.nan], [1.0], [np.ones(SHARED_NODES)]
        sizes = [size for size, _ in grids[axis]]
        even = EVEN if axis == "d_mm" else 1.0
        weights = [part / size * even for size, part in grids[axis]]
        return sizes, weights, list(parts[axis][1 if worn else 0])

    def _grid_densities(self, observation: Observation, grid: list[tuple[float, float]]) -> list[np.ndarray]:
        made = [
            BEARING.unlisted(observation.feature, size, self.of_none.tolerance, self.of_none.scheme)
            for size, _ in grid
        ]
        limits = np.array([(one.low_mm, one.high_mm) for one in made]).reshape(-1, 2)
        return self._densities(observation, limits)

    def _grid(self, axis: str, value: float) -> list[tuple[float, float]]:
        sizes = []
        for step, offset, share in self.of_none.grid(axis):
            first = math.ceil((value - 0.7 - offset) / step)
            for number in range(first, math.floor((value + 0.7 - offset) / step) + 1):
                if number * step + offset > SMALLEST_MM:
                    sizes.append((number * step + offset, share * step))
        return sizes


def _worn(axes: dict[str, Observation], axis: str, worn: frozenset[str]) -> list[bool]:
    return [each.feature in worn for name, each in axes.items() if name == axis]


def _slip(observation: Observation) -> float:
    value = min(max(observation.values_mm[0], SMALLEST_MM), LARGEST_MM)
    return GROSS_ERROR_SHARE * EVEN / value
