"""None of these: parts of the family that are not listed, drawn from its own grid of sizes."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from statistics import median

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.conditions import Conditions
from ample.core.identify.gross_errors import LARGEST_MM, SMALLEST_MM
from ample.core.identify.model import Profile
from ample.core.identify.observations import Observation
from ample.core.identify.values import ranking_value
from ample.core.parts import BEARING, FAMILIES, Family, Kind, Limits, bearing_kinds
from ample.core.sizes import INCH_MM
from ample.core.standards import BoundarySize, bearing_series, bearing_sizes

Floats = NDArray[np.float64]

OTHER_FAMILY_PRIOR = ranking_value("other_family")
GRID_REACH_MM, GRID_REACH_U = 0.35, 4  # grid sizes that a reading can mean: so far off, and so many times U
SIXTEENTH_MM = INCH_MM / 16
GRIDS: dict[str, tuple[tuple[float, float, float], ...]] = {
    "any": ((1.0, 0.0, 0.75), (1.0, 0.5, 0.10), (SIXTEENTH_MM, 0.0, 0.15)),
    "taper_width": ((1.0, 0.0, 0.40), (1.0, 0.5, 0.15), (0.5, 0.25, 0.25), (SIXTEENTH_MM, 0.0, 0.20)),
}
FEWEST_SIZES = 20
_MAIN_WIDTHS = ("T_mm", "B_mm", "C_mm")


@dataclass(frozen=True)
class Shape:
    """Mean and deviation of the logarithm of a ratio of sizes."""

    mean: float
    deviation: float

    def log_densities(self, log_ratio: Floats) -> Floats:
        """Normal density of log ratios, per unit of the logarithm."""
        z = (log_ratio - self.mean) / self.deviation
        return np.asarray(np.exp(-0.5 * z * z) / (self.deviation * math.sqrt(2 * math.pi)))


@dataclass(frozen=True)
class Unlisted:
    """What an unlisted part can be: its family, and the kinds left open by what was seen."""

    family: Family = BEARING
    kinds: frozenset[str] = frozenset()

    @property
    def likeliest(self) -> Kind:
        """The kind whose scheme and tolerances stand for it: the commonest of those left open."""
        return _most_met(self.kinds)

    @property
    def scheme(self) -> str:
        """The scheme of dimensions."""
        return self.likeliest.scheme

    @property
    def tolerance(self) -> str:
        """The kind of tolerance."""
        return self.likeliest.tolerance

    def grid(self, axis: str) -> tuple[tuple[float, float, float], ...]:
        """Step, offset and share of the sizes along one dimension, mm."""
        narrow = self.scheme in ("taper", "cone", "cup") and axis not in ("d_mm", "D_mm")
        return GRIDS["taper_width" if narrow else "any"]

    def near(self, observations: tuple[Observation, ...]) -> NearSizes:
        """The grid sizes that the readings can mean."""
        return near_sizes(self, observations)

    @property
    def shapes(self) -> dict[str, Shape]:
        """How outside and widths follow the bore."""
        return _shapes(self.kinds)


@lru_cache(maxsize=64)
def _most_met(kinds: frozenset[str]) -> Kind:
    met = dict.fromkeys(kinds, 0.0)
    for series in bearing_series().values():
        if series.kind in met:
            met[series.kind] += series.share
    return bearing_kinds()[max(met, key=lambda kind: (met[kind], kind), default="deep_groove")]


@lru_cache(maxsize=64)
def _shapes(kinds: frozenset[str]) -> dict[str, Shape]:
    """From the listed standard sizes of these kinds (all when few), widened by a half."""
    whole = [size for size in bearing_sizes() if size.d_mm and size.D_mm]
    own = [size for size in whole if size.kind in kinds]
    if len(own) < FEWEST_SIZES:
        schemes = {bearing_kinds()[kind].scheme for kind in kinds} - {"cone", "cup"}
        if kinds and not schemes:
            schemes = {"taper"}
        own = [size for size in whole if bearing_kinds()[size.kind].scheme in schemes] or whole
    bore = np.array([size.d_mm for size in own])
    outside = np.array([size.D_mm for size in own])
    width = np.array([_main_width(size) for size in own])
    logs = {
        "D/d": np.log(outside / bore),
        "W/(D-d)": np.log(width / (outside - bore)),
        "W/d": np.log(width / bore),
        "W/D": np.log(width / outside),
    }
    for name in ("B_mm", "C_mm", "T_mm"):
        ratios = [other / _main_width(size) for size in own if (other := _width(size, name))]
        if len(ratios) >= FEWEST_SIZES:
            logs[name] = np.log(np.array(ratios))
    return {
        name: Shape(float(values.mean()), max(1.5 * float(values.std()), 0.02))
        for name, values in logs.items()
    }


def _main_width(size: BoundarySize) -> float:
    return size.T_mm or size.B_open_mm or size.B_closed_mm or size.C_mm or 0.0


def _width(size: BoundarySize, name: str) -> float:
    return {"T_mm": size.T_mm, "B_mm": size.B_open_mm or size.B_closed_mm, "C_mm": size.C_mm}[name] or 0.0


def grid_near(
    grid: tuple[tuple[float, float, float], ...], value_mm: float, reach_mm: float
) -> list[tuple[float, float]]:
    """Grid sizes within reach of a value, each with its share per unit of size, mm."""
    found = []
    for step, offset, share in grid:
        first = math.ceil((value_mm - reach_mm - offset) / step)
        last = math.floor((value_mm + reach_mm - offset) / step)
        for number in range(first, last + 1):
            size = number * step + offset
            if SMALLEST_MM < size < LARGEST_MM:
                found.append((size, share * step))
    return found


def _log_uniform() -> float:
    return 1 / math.log(LARGEST_MM / SMALLEST_MM)


@dataclass(frozen=True)
class GridAxis:
    """Grid sizes near a reading along one dimension; slot 0 is the reading taken as a gross error.

    `made` is the density of the readings by condition of size, grid size and node.
    """

    sizes_mm: Floats
    shares: Floats
    made: Floats


def _unread(kinds: int, nodes: int) -> GridAxis:
    return GridAxis(np.full(1, np.nan), np.ones(1), np.ones((kinds, 1, nodes)))


@dataclass(frozen=True)
class Near:
    """Grid sizes near the readings of one feature, their shares per mm, and the limits they are made to."""

    sizes_mm: Floats
    shares: Floats
    low_mm: Floats
    high_mm: Floats


@dataclass(frozen=True)
class NearSizes:
    """The grid sizes near the readings, by feature, and their limits as the readings are judged by."""

    of: Unlisted
    nears: dict[str, Near]
    limits: dict[str, Limits]

    def density(self, profiles: dict[str, Profile], nodes: Floats, given: Conditions) -> float:
        """Density of all readings for an unlisted part of the family."""
        return unlisted_density(self.of, self.nears, profiles, nodes, given)


def near_sizes(of: Unlisted, observations: tuple[Observation, ...]) -> NearSizes:
    """By feature, the grid sizes that the readings of its dimension can mean if none is a gross error."""
    points: dict[str, set[tuple[float, float]]] = {}
    for each in observations:
        axis = each.described.axis
        centre = median(each.values_mm)
        spread = max(each.values_mm) - min(each.values_mm)
        reach = GRID_REACH_MM + spread + GRID_REACH_U * each.instrument.expanded_uncertainty_mm(each.reach)
        points.setdefault(axis, set()).update(grid_near(of.grid(axis), centre, reach))
    found = {}
    for each in observations:
        rows = np.array(sorted(points.get(each.described.axis, ()))).reshape(-1, 2)
        made = [
            of.family.unlisted(each.feature, size, of.tolerance, of.scheme) for size in rows[:, 0].tolist()
        ]
        low = np.array([one.low_mm for one in made])
        high = np.array([one.high_mm for one in made])
        found[each.feature] = Near(rows[:, 0], rows[:, 1], low, high)
    limits = {
        name: Limits(
            near.sizes_mm,
            near.low_mm,
            near.high_mm,
            {},
            np.zeros(len(near.low_mm)),
            np.zeros(len(near.low_mm)),
        )
        for name, near in found.items()
    }
    return NearSizes(of, found, limits)


def _axis(of: Family, near: Near, made: dict[str, Profile], nodes: int) -> GridAxis:
    """The features of one dimension together; slot 0 is all of them gross errors."""
    wrong = math.prod(profile.anywhere for profile in made.values())
    product: Floats | float = 1.0
    for name, profile in made.items():
        effects = (
            of.effect_places[name][:, 0]
            if len(profile.effects) > 1
            else np.zeros(len(of.conditions), dtype=np.intp)
        )
        product = product * (profile.right[effects][:, profile.slot] + profile.anywhere)
    right = np.broadcast_to(product - wrong, (len(of.conditions), len(near.sizes_mm), nodes))
    return GridAxis(
        np.append(np.nan, near.sizes_mm),
        np.append(1.0, near.shares),
        np.concatenate([np.full((len(of.conditions), 1, nodes), wrong), right], axis=1),
    )


def grid_weights(ratio: dict[str, Shape], d: GridAxis, D: GridAxis, W: GridAxis) -> Floats:
    """Prior weight of every combination of an unlisted part's bore, outside and main width.

    Formula: P(d, D, W) = g_d/(d·L) · g_D/D · N(ln D/d; μ₁, σ₁) · g_W/W · N(ln W/(D − d); μ₂, σ₂), with the grid's share g
    of a size per mm, L = ln(largest/smallest), and N the normal density of the log ratio over the listed sizes, σ widened
    by a half. A dimension that was not read (NaN) is summed over: what depends on it falls back to the ratio without it
    (W/d, W/D), or to even on a log scale (1/L).

    Args:
        ratio: μ and σ of the log ratios, by name: `D/d`, `W/(D-d)`, `W/d`, `W/D`.
        d: Sizes of the bore with their shares, mm; slot 0 is NaN.
        D: The same of the outside.
        W: The same of the main width.

    Returns:
        Weights by bore, outside and width.

    Raises:
        KeyError: When a ratio is missing.

    Source: the listed sizes of the kinds left open; docs/decisions/one-ranking.md.

    Example:
        >>> none = _unread(1, 1)
        >>> float(grid_weights(_shapes(frozenset()), none, none, none)[0, 0, 0])
        1.0
    """
    bore = d.sizes_mm[:, None, None]
    outside = D.sizes_mm[None, :, None]
    width = W.sizes_mm[None, None, :]
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
                np.nan_to_num(ratio["W/(D-d)"].log_densities(np.log(width / room))),
                ratio["W/d"].log_densities(np.log(width / bore)),
                ratio["W/D"].log_densities(np.log(width / outside)),
            ],
            even,
        )
        by_width = W.shares[None, None, :] / width * width_density
    return np.asarray(
        np.where(np.isnan(bore), 1.0, by_bore)
        * np.where(np.isnan(outside), 1.0, by_outside)
        * np.where(np.isnan(width), 1.0, by_width)
    )


def _beside(ratio: dict[str, Shape], axis: str, main: GridAxis, other: GridAxis) -> Floats:
    """For each condition and size of the main width: density of the readings of another width (condition, row, node)."""
    shape = ratio.get(axis)
    with np.errstate(invalid="ignore", divide="ignore"):
        log_ratio = np.log(other.sizes_mm[None, :] / main.sizes_mm[:, None])
        density = shape.log_densities(log_ratio) if shape else np.full(log_ratio.shape, _log_uniform())
        weight = other.shares[None, :] / other.sizes_mm[None, :]
        weight = weight * np.where(np.isnan(main.sizes_mm)[:, None], _log_uniform(), density)
    weight = np.where(np.isnan(other.sizes_mm)[None, :], 1.0, weight)
    return np.asarray(weight @ other.made)


def unlisted_density(
    of: Unlisted, nears: dict[str, Near], profiles: dict[str, Profile], nodes: Floats, given: Conditions
) -> float:
    """Density of all readings for an unlisted part of the family: summed over its size grid.

    Formula: p(m | grid) = Σ_k P(k) Σ_{d,D,W} P(d, D, W) Σ_i w_i p(m | d, D, W, k, z_i), P as `grid_weights`. Bore, outside
    and one width make the grid; other widths (and a standout) follow that width by their log ratio to it.

    Args:
        of: The family, and the kinds left open.
        nears: Grid sizes near the readings, by feature, mm.
        profiles: Density of the readings by feature, over those sizes.
        nodes: Weights w_i of the shared error's nodes.
        given: P(k) of each condition.

    Returns:
        The density, per mm and reading.

    Raises:
        Nothing.

    Source: docs/decisions/one-ranking.md.
    """
    count, kinds = len(nodes), len(of.family.conditions)
    described = FAMILIES[of.family.name].by_name
    made: dict[str, dict[str, Profile]] = {}
    held: dict[str, Near] = {}
    for name, found in profiles.items():
        axis = described[name].axis
        made.setdefault(axis, {})[name] = found
        held[axis] = nears[name]
    axes = {axis: _axis(of.family, held[axis], made[axis], count) for axis in made}
    main = next((axis for axis in _MAIN_WIDTHS if axis in axes), "")
    bore, outside, width = (axes.get(axis) or _unread(kinds, count) for axis in ("d_mm", "D_mm", main))
    ratio = of.shapes
    by_node = width.made * nodes
    for axis in axes:
        if axis not in ("d_mm", "D_mm", main):
            by_node = by_node * _beside(ratio, axis, width, axes[axis])
    weights = grid_weights(ratio, bore, outside, width)
    total = 0.0
    for kind in np.flatnonzero(given.size > 0):
        together = weights @ by_node[kind]
        total += given.size[kind] * float(
            np.einsum("abi,ai,bi->", together, bore.made[kind], outside.made[kind])
        )
    return float(total)
