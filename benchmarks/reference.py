"""The true model's own posterior, written apart from the product: plain and dense, for comparison only."""

from __future__ import annotations

import math

import numpy as np
from scipy.special import ndtr
from scipy.stats import gamma, norm
from scipy.stats import t as student

from ample.core.identify import KindEvidence, Observation
from ample.core.identify.gross_errors import LARGEST_MM, SMALLEST_MM
from ample.core.identify.kind_evidence import kind_likelihood
from ample.core.identify.unlisted import Shape, Unlisted
from ample.core.identify.values import ranking_value
from ample.core.parts import BEARING, NO_EFFECT
from ample.core.parts.families import ConditionKind
from ample.core.sizes import INCH_MM
from benchmarks.simulate import STEPS_MM, Draw, Simulator, zero_sigma_mm

Grids = dict[str, list[tuple[float, float]]]
SHARED_NODES, TAIL_NODES = 15, 41
WEAR_NODES = 15
NEAR_MM = 2.0
ROUGH, SLIP = ranking_value("rough_share"), ranking_value("slip_share")
UNLISTED = BEARING.unlisted_share
EffectOf = tuple[bool, float, float]
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
        self.deviation = zero_sigma_mm(self.instrument)
        self.shared, self.weights = zero_nodes(self.deviation, self.instrument.outside_u_mm / 2)
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
        density = np.ones(len(self.prior))
        for each in draw.observations:
            density *= self._wrong(each, self._limits_of(each.feature))
        parts = {
            each.feature: self._meant(each, self._limits_of(each.feature)[rows]) for each in draw.observations
        }
        density[rows] = self._joined(parts)
        listed = np.bincount(
            self.catalogue.unit_envelope,
            (1 - UNLISTED) * self.prior * density,
            len(self.catalogue.envelopes_mm),
        )
        none = UNLISTED * float(self.prior.sum()) * self._unlisted(draw)
        total = listed.sum() + none
        return listed / total, none / total

    def _wrong(self, observation: Observation, limits: np.ndarray) -> np.ndarray:
        """Density of a reading that went wrong, for every unit: the mean over what the feature can stand for."""
        middle = (limits[:, :, 0] + limits[:, :, 1]) / 2
        found = gross(observation.values_mm[0], middle)
        share = limits[:, :, 2]
        two = ~np.isnan(share[:, 1])
        return np.where(two, np.nansum(np.where(two[:, None], share, 0.0) * found, axis=1), found[:, 0])

    def _meant(self, observation: Observation, limits: np.ndarray) -> dict[EffectOf, np.ndarray]:
        """The mean over what a feature can stand for, by what a condition does to it."""
        found = {}
        for effect in {_effect(kind, observation.feature) for kind in BEARING.conditions}:
            first, second = (self._density(observation, limits[:, place, :2], effect) for place in range(2))
            lacks = np.isnan(limits[:, 1, 2])[:, None]
            share = np.nan_to_num(limits[:, 0, 2], nan=1.0)[:, None]
            found[effect] = np.where(lacks, first, share * first + (1 - share) * second)
        return found

    def _density(self, observation: Observation, limits: np.ndarray, effect: EffectOf) -> np.ndarray:
        """Density of the reading per (row, shared node) under an effect, gross errors included."""
        feature = BEARING.by_name[observation.feature]
        value = observation.values_mm[0]
        u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
        worn, moved, residue = effect
        sigma = math.sqrt(u**2 - self.deviation**2 + self.instrument.scatter_mm**2 + residue**2)
        ways = [(1.0, np.zeros(1))] if not worn else [(1.0, feature.wear_sign * self.wear)]
        if not feature.on_part:
            ways = [
                (1 - feature.worn_share, np.zeros(1)),
                (feature.worn_share, feature.wear_sign * self.wear),
            ]
        right = np.zeros((len(limits), len(self.shared)))
        for share, amounts in ways:
            shift = self.shared[:, None] + amounts + moved
            left = (value - limits[:, 0, None, None] - shift) / sigma
            other = (value - limits[:, 1, None, None] - shift) / sigma
            width = (limits[:, 1] - limits[:, 0])[:, None, None]
            density = np.where(other > 0, ndtr(-other) - ndtr(-left), ndtr(left) - ndtr(other)) / width
            right += share * np.nan_to_num(density).mean(axis=2)
        wrong = gross(value, (limits[:, 0] + limits[:, 1]) / 2)
        return np.asarray((1 - ROUGH) * (1 - SLIP) * right + wrong[:, None])

    def _joined(self, parts: dict[str, dict[EffectOf, np.ndarray]]) -> np.ndarray:
        """Mix the kinds of condition and the shared error over the features."""
        total: np.ndarray | float = 0.0
        for kind in BEARING.conditions:
            together: np.ndarray | float = 1.0
            for name, density in parts.items():
                together = together * density[_effect(kind, name)]
            total = total + kind.weight * np.asarray(together) @ self.weights
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
        beside = np.ones((len(wide), len(self.shared)))
        for axis in axes:
            if axis in ("d_mm", "D_mm", main):
                continue
            sizes = np.array([size for size, _ in grids[axis]])
            weight = np.array([part for _, part in grids[axis]]) / sizes
            shape = ratio[axis]
            chance = norm.pdf(np.log(sizes[None, :] / wide[:, None]), shape.mean, shape.deviation)
            beside = beside * ((weight * chance) @ parts[axis][UNMOVED])
        total = 0.0
        for kind in BEARING.conditions:
            inside = self._side(grids, parts, "d_mm", self._effect_on(axes, "d_mm", kind))
            outside = self._side(grids, parts, "D_mm", self._effect_on(axes, "D_mm", kind))
            width = parts[main][self._effect_on(axes, main, kind)] if main else np.ones((1, len(self.shared)))
            plain = width * beside
            for i, d in enumerate(inside[0]):
                for j, D in enumerate(outside[0]):
                    weights = self._weights(ratio, d, D, wide) * share / (wide if main else 1.0)
                    weight_here = inside[1][i] * outside[1][j] * self._by_outside(ratio, d, D)
                    together = inside[2][i] * outside[2][j] * (weights[:, None] * plain).sum(axis=0)
                    total += kind.weight * weight_here * float(together @ self.weights)
        return total

    @staticmethod
    def _effect_on(axes: dict[str, Observation], axis: str, kind: ConditionKind) -> EffectOf:
        return _effect(kind, axes[axis].feature) if axis in axes else UNMOVED

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

    def _side(
        self, grids: Grids, parts: dict[str, dict[EffectOf, np.ndarray]], axis: str, effect: EffectOf
    ) -> tuple[list[float], list[float], list[np.ndarray]]:
        """Sizes, prior weights and densities along bore or outside; one unknown size when not read."""
        if axis not in grids:
            return [np.nan], [1.0], [np.ones(len(self.shared))]
        sizes = [size for size, _ in grids[axis]]
        even = EVEN if axis == "d_mm" else 1.0
        weights = [part / size * even for size, part in grids[axis]]
        return sizes, weights, list(parts[axis][effect])

    def _grid_densities(
        self, observation: Observation, grid: list[tuple[float, float]]
    ) -> dict[EffectOf, np.ndarray]:
        made = [
            BEARING.unlisted(observation.feature, size, self.of_none.tolerance, self.of_none.scheme)
            for size, _ in grid
        ]
        limits = np.array([(one.low_mm, one.high_mm) for one in made]).reshape(-1, 2)
        effects = {_effect(kind, observation.feature) for kind in BEARING.conditions} | {UNMOVED}
        return {effect: self._density(observation, limits, effect) for effect in effects}

    def _grid(self, axis: str, value: float) -> list[tuple[float, float]]:
        sizes = []
        for step, offset, share in self.of_none.grid(axis):
            first = math.ceil((value - 0.7 - offset) / step)
            for number in range(first, math.floor((value + 0.7 - offset) / step) + 1):
                if number * step + offset > SMALLEST_MM:
                    sizes.append((number * step + offset, share * step))
        return sizes


UNMOVED: EffectOf = (False, 0.0, 0.0)


def _effect(kind: ConditionKind, feature: str) -> EffectOf:
    """What a condition does: worn in its own direction, moved by so much, with a residue, mm."""
    if not BEARING.by_name[feature].on_part:
        return UNMOVED
    effect = kind.effects.get(feature, NO_EFFECT)
    return (effect.worn, effect.shift_mm, effect.residue_mm)


def zero_nodes(deviation: float, u_mm: float) -> tuple[np.ndarray, np.ndarray]:
    """The zero error as fine nodes with their weights: a normal part, and a tail cut where the model cuts it."""
    share = ranking_value("zero_tail_share")
    near = norm.ppf((np.arange(SHARED_NODES) + 0.5) / SHARED_NODES) * deviation
    far = np.linspace(-10.5 * u_mm, 10.5 * u_mm, TAIL_NODES)
    tail = student.pdf(far / (ranking_value("zero_tail_scale") * u_mm), 2)
    weights = np.concatenate([np.full(SHARED_NODES, (1 - share) / SHARED_NODES), share * tail / tail.sum()])
    return np.concatenate([near, far]), weights


def gross(value: float, middle: np.ndarray) -> np.ndarray:
    """Density of one reading that went wrong; not a number is a part without the feature."""
    anywhere = EVEN / min(max(value, SMALLEST_MM), LARGEST_MM)
    step, digit, unit = (ranking_value(f"slip_of_{name}") for name in ("a_step", "a_digit", "the_unit"))
    off = np.nan_to_num(value - middle, nan=1e6)
    steps = sum(
        norm.pdf(off, sign * each, ranking_value("step_spread")) for each in STEPS_MM for sign in (-1, 1)
    )
    digits = sum(((np.abs(off) >= low) & (np.abs(off) < 10 * low)) / (18 * low) for low in (0.1, 1.0, 10.0))
    seen = value * INCH_MM
    inches = INCH_MM * norm.pdf(np.nan_to_num(middle, nan=1e6), seen, 0.01 * seen)
    slip = step * steps / 8 + digit * digits / 3 + unit * inches + (1 - step - digit - unit) * anywhere
    rough = student.pdf(off / ranking_value("rough_scale"), 2) / ranking_value("rough_scale")
    return np.asarray(SLIP * slip + (1 - SLIP) * ROUGH * np.where(np.abs(off) < 2.0, rough, 0.0))
