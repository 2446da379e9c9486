"""None of these, for seals, rings and small parts: sizes of the family's grid near the readings, together."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from statistics import median

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.conditions import Conditions
from ample.core.identify.joined import FeatureRows, joined
from ample.core.identify.model import Profile
from ample.core.identify.observations import Observation
from ample.core.identify.unlisted import Shape, grid_near
from ample.core.parts import FAMILIES, Family, Kind, Limits
from ample.core.parts.seals import standing
from ample.core.standards import sizes_of_family

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
FEWEST_SIZES = 12
MOST_TOGETHER = 4000
SMALLEST_MM = 0.1


@dataclass(frozen=True)
class Together:
    """Parts of the grid near the readings: sizes by dimension, prior weights, limits by feature.

    Parts that are alike in what decides a feature share its limits; `places` says which are a part's.
    """

    sizes_mm: dict[str, Floats]
    weights: Floats
    limits: dict[str, Limits]
    places: dict[str, Ints]

    def density(self, profiles: dict[str, Profile], nodes: Floats, given: Conditions) -> float:
        """Density of all readings for an unlisted part: summed over the grid, conditions and shared error."""
        if not profiles:
            return 1.0
        parts = {
            name: FeatureRows(made.at(np.arange(len(made.slot))), self.places[name])
            for name, made in profiles.items()
        }
        return float(joined(parts, given, nodes, len(self.weights)) @ self.weights)


@dataclass(frozen=True)
class UnlistedSeal:
    """What an unlisted part of the family can be: the kinds that what was seen leaves open."""

    family: Family
    kinds: frozenset[str] = frozenset()

    @property
    def likeliest(self) -> Kind:
        """The kind whose scheme and tolerances stand for it: the commonest of those left open."""
        known = self.family.kinds
        open_kinds = [known[name] for name in sorted(self.kinds)] or [known[self.family.usual_kind]]
        return max(open_kinds, key=lambda kind: kind.share)

    @property
    def even(self) -> float:
        """Density of the logarithm of a size over the span of the listed ones."""
        low, high = span_mm(self.family.name)
        return 1 / math.log(high / low)

    @property
    def shapes(self) -> dict[str, Shape]:
        """How every dimension follows the first."""
        return _shapes(self.family.name, self.kinds)

    def near(self, observations: tuple[Observation, ...]) -> Together:
        """Every combination of grid sizes that the readings can mean if none is a gross error."""
        solved = _Solver(self, observations)
        sizes: dict[str, Floats] = {}
        weights = np.ones(1)
        for name in solved.order:
            sizes, weights = solved.extended(sizes, weights, name)
            if len(weights) > MOST_TOGETHER:
                keep = np.argsort(-weights, kind="stable")[:MOST_TOGETHER]
                sizes, weights = {each: values[keep] for each, values in sizes.items()}, weights[keep]
        for name in self.family.dimensions:
            sizes.setdefault(name, np.zeros(len(weights)))
        kind = self.likeliest
        assert self.family.many is not None
        limits, places = {}, {}
        for feature in (each.feature for each in observations):
            deciding = standing(self.family.name, feature, kind.scheme).dimensions
            rows, places[feature] = _alike([sizes[name] for name in deciding])
            own = {name: values[rows] for name, values in sizes.items()}
            limits[feature] = self.family.many(feature, own, kind.scheme, kind.tolerance)
        return Together(sizes, weights, limits, places)


def _alike(columns: list[Floats]) -> tuple[Ints, Ints]:
    """One row of each sort of equal rows, and which sort each row is of."""
    sort = np.zeros(len(columns[0]), dtype=np.int64)
    for column in columns:
        found, place = np.unique(column, return_inverse=True)
        sort = sort * len(found) + place.reshape(-1)
    _, rows, places = np.unique(sort, return_index=True, return_inverse=True)
    return rows, places.reshape(-1)


def _terms(of: UnlistedSeal, feature: str) -> tuple[tuple[str, float], ...]:
    """How much of each dimension a feature is, for the kind that stands for the unlisted part."""
    return standing(of.family.name, feature, of.likeliest.scheme).terms


class _Solver:
    """Which grid sizes of each dimension the readings leave open, one dimension after the other."""

    def __init__(self, of: UnlistedSeal, observations: tuple[Observation, ...]):
        self.of = of
        assert of.family.grid is not None
        self.grid = of.family.grid
        self.read = [(each, _terms(of, each.feature)) for each in observations]
        involved = {name for _, terms in self.read for name, _ in terms}
        self.order = sorted(involved, key=lambda name: self._rank(name))
        first = of.family.dimensions[0]
        self.base = first if first in involved else ""

    def _rank(self, name: str) -> tuple[int, int]:
        alone = any(len(terms) == 1 and terms[0][0] == name for _, terms in self.read)
        first = self.of.family.dimensions.index(name)
        return (0 if alone else 2 if self.grid.usual_mm.get(name) == () else 1, -first)

    def sizes(self, name: str, known: dict[str, float] | None = None) -> list[tuple[float, float]]:
        """Grid sizes of a dimension with their shares per mm, given the dimensions before it."""
        found: set[tuple[float, float]] = set()
        for each, terms in self.read:
            own = dict(terms)
            if name not in own or any(other != name and other not in (known or {}) for other in own):
                continue
            rest = sum(times * (known or {})[other] for other, times in terms if other != name)
            value = (median(each.values_mm) - rest) / own[name]
            if value <= 0:
                continue
            feature = each.described
            spread = (max(each.values_mm) - min(each.values_mm)) / own[name]
            u = each.instrument.expanded_uncertainty_mm(each.reach)
            reach = (feature.far_mm + 2 * u) / own[name] + feature.far_share * value + spread
            found.update(self._grid(name, self._middle(each, value), reach))
        if not found and self.grid.usual_mm.get(name):
            return [(size, 0.5) for size in self.grid.usual_mm[name]]
        return sorted(found)

    def _middle(self, each: Observation, value: float) -> float:
        """Where the size lies when a feature is made off it on purpose (a lip under its shaft)."""
        kind = self.of.likeliest
        assert self.of.family.many is not None
        same = {name: np.array([value]) for name in self.of.family.dimensions}
        made = self.of.family.many(each.feature, same, kind.scheme, kind.tolerance)
        off = float((made.low_mm[0] + made.high_mm[0]) / 2 - made.nominal_mm[0])
        alone = len(_terms(self.of, each.feature)) == 1
        return value - off if alone and math.isfinite(off) else value

    def _grid(self, name: str, value: float, reach: float) -> list[tuple[float, float]]:
        return [
            (round(size, 5), share)
            for size, share in grid_near(self.grid.steps[name], value, reach)
            if size > SMALLEST_MM
        ]

    def extended(
        self, sizes: dict[str, Floats], weights: Floats, name: str
    ) -> tuple[dict[str, Floats], Floats]:
        """Every part so far with every size of one more dimension; prior by the first dimension's ratio."""
        alone = any(len(terms) == 1 and terms[0][0] == name for _, terms in self.read)
        if alone or not sizes:
            found = np.array(self.sizes(name)).reshape(-1, 2)
            before = np.repeat(np.arange(len(weights)), len(found))
            more = np.tile(found, (len(weights), 1))
        else:
            each = [
                np.array(self.sizes(name, {k: float(v[row]) for k, v in sizes.items()})).reshape(-1, 2)
                for row in range(len(weights))
            ]
            before = np.repeat(np.arange(len(weights)), [len(one) for one in each])
            more = np.concatenate(each) if each else np.zeros((0, 2))
        out = {other: values[before] for other, values in sizes.items()} | {name: more[:, 0]}
        return out, weights[before] * more[:, 1] / more[:, 0] * self._prior(out, name)

    def _prior(self, sizes: dict[str, Floats], name: str) -> Floats | float:
        """How the last dimension follows the first; the first itself is even, with the others by their ratio to it."""
        if name != self.base:
            shape = self.of.shapes.get(name)
            if self.base not in sizes or shape is None:
                return self.of.even
            return shape.log_densities(np.log(sizes[name] / sizes[self.base]))
        prior: Floats | float = self.of.even
        for other, size in sizes.items():
            shape = self.of.shapes.get(other)
            if other != name and shape:
                prior = prior * shape.log_densities(np.log(size / sizes[name])) / self.of.even
        return prior


@lru_cache
def span_mm(family: str) -> tuple[float, float]:
    """The smallest and largest first size of a family's lists, widened by a tenth."""
    first = [size.dimensions_mm[0] for size in sizes_of_family(family)]
    return min(first) / 1.1, max(first) * 1.1


@lru_cache(maxsize=128)
def _shapes(family: str, kinds: frozenset[str]) -> dict[str, Shape]:
    """From the listed sizes of these kinds (all of the family when few), widened by a half."""
    dimensions = FAMILIES[family].dimensions
    listed = sizes_of_family(family)
    own = [size for size in listed if size.kind in kinds]
    if len(own) < FEWEST_SIZES:
        own = list(listed)
    sizes = np.array([size.dimensions_mm for size in own])
    found = {}
    for column, name in enumerate(dimensions[1:], start=1):
        there = (sizes[:, column] > 0) & (sizes[:, 0] > 0)
        if there.sum() >= FEWEST_SIZES:
            logs = np.log(sizes[there, column] / sizes[there, 0])
            found[name] = Shape(float(logs.mean()), max(1.5 * float(logs.std()), 0.02))
    return found
