"""How readings scatter about a nominal: manufacture, instrument, wear, gross errors."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations

import numpy as np
from numpy.typing import NDArray
from scipy.special import gammaincinv, ndtr

from ample.core.identify.gross_errors import (
    ROUGH_SHARE,
    SLIP_SHARE,
    anywhere_at,
    rough_density,
    slip_at,
    slip_densities,
)
from ample.core.identify.observations import InstrumentError, Observation
from ample.core.identify.values import ranking_value
from ample.core.parts import FAMILIES, NO_EFFECT, WORN, Effect, Limits

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]
Ints = NDArray[np.intp]

RUST_RESIDUE_MM = ranking_value("rust_residue")
FARTHEST_SIGMAS = 8.0
ROUGH_REACH_MM = 2.0  # a rough spot moves a reading no farther; beyond it a slip says more
LEAST_VARIANCE_MM2 = 1e-12  # so that an instrument whose uncertainty is all shared keeps a density
# Sets of repeats that add less than this to all gross errors, or to all kept, are left out.
ADDS_NOTHING = 1e-9
SAYS_THE_SAME = ((0.5, 1e-3), (1.2, 1e-5))  # within so many sigmas, with less than this weight
MOST_GROSS_ERRORS = 2
FINE_WEAR, COARSE_WEAR, COARSE_OVER_MM = 24, 6, 0.012


@lru_cache(maxsize=32)
def wear_amounts_mm(count: int, mean_mm: float, shape: float) -> Floats:
    """Equally likely amounts of wear, gamma distributed.

    Formula: w_i = (m/k)·P⁻¹(k, (i + ½)/n), i = 0 … n − 1, with the regularised incomplete gamma function P.

    Args:
        count: How many amounts n, 1 and more.
        mean_mm: Mean m, mm.
        shape: Shape k of the distribution.

    Returns:
        The amounts, mm, rising.

    Raises:
        Nothing.

    Source: midpoint quantiles of a gamma distribution; m and k by family.

    Example:
        >>> wear_amounts_mm(2, 0.02, 1.0).round(4).tolist()
        [0.0058, 0.0277]
    """
    chances = (np.arange(count) + 0.5) / count
    return np.asarray(gammaincinv(shape, chances) * mean_mm / shape)


def interval_density(
    value_mm: float | Floats,
    low_mm: Floats,
    high_mm: Floats,
    shift_mm: Floats | float,
    sigma_mm: Floats | float,
) -> Floats:
    """Density of a reading of a part made evenly between two limits, read with a normal error.

    Formula: [Φ((m − a − δ)/σ) − Φ((m − b − δ)/σ)] / (b − a), from the smaller tail.

    Args:
        value_mm: The reading, mm.
        low_mm: Lower limits a, mm.
        high_mm: Upper limits b, mm, above a.
        shift_mm: Effect of condition and instrument δ, mm.
        sigma_mm: Standard uncertainty σ, mm, above 0.

    Returns:
        The density per mm, of the broadcast shape.

    Raises:
        Nothing.

    Source: convolution of a rectangular and a normal density.

    Example:
        >>> round(float(interval_density(5.0, np.array(4.0), np.array(6.0), 0.0, 0.01)), 3)
        0.5
    """
    above_low = (value_mm - low_mm - shift_mm) / sigma_mm
    above_high = (value_mm - high_mm - shift_mm) / sigma_mm
    far = above_high > 0
    near = np.where(far, -above_high, above_low)
    off = np.where(far, -above_low, above_high)
    return np.asarray((ndtr(near) - ndtr(off)) / (high_mm - low_mm))


@dataclass(frozen=True)
class ReadingSubset:
    """A set of repeats that did not slip: weight, their mean, its standard uncertainty, and those that slipped."""

    weight: float
    mean_mm: float
    sigma_mm: float
    slipped_mm: tuple[float, ...] = ()


@lru_cache(maxsize=256)
def reading_subsets(observation: Observation, shared: InstrumentError | None) -> tuple[ReadingSubset, ...]:
    """Ways in which some repeats slipped and the others did not.

    Formula: for a kept set K of n of the N repeats m_i, with ε = `slip_share`:
    weight = (1 − ε)^n · (2π τ²)^(−(n−1)/2) n^(−½) exp(−Σ_{i∈K}(m_i − m̄)²/(2τ²)), where τ is the instrument's scatter; the
    mean m̄ then has σ² = u² − σ_s² + τ²/n, with what coarse typing lost, and where rusted `rust_residue`² more. At most
    two repeats are taken to have slipped at once, or all.

    Args:
        observation: The repeats of one feature, mm, with their instrument.
        shared: The shared error of that instrument, taken out of u; None when it has none.

    Returns:
        The kept sets with weight, m̄ and σ in mm, and the repeats left out.

    Raises:
        BadInput: When the instrument does not reach the feature.

    Source: factorisation of a normal sample into its mean and its scatter; ε: ranking_values.csv.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> read = Observation("bore", (25.0, 25.01, 52.0), default_instrument("caliper"))
        >>> [round(kept.mean_mm, 3) for kept in reading_subsets(read, None)][0]
        25.005
    """
    values = observation.values_mm
    instrument = observation.instrument
    u = instrument.expanded_uncertainty_mm(observation.reach) / 2
    own = math.sqrt(max(u**2 - (shared.deviation_mm**2 if shared else 0.0), LEAST_VARIANCE_MM2))
    own = math.hypot(own, observation.rounding_mm)
    if observation.condition == "rusty":
        own = math.hypot(own, RUST_RESIDUE_MM)
    scatter = math.hypot(instrument.scatter_mm, observation.rounding_mm)
    count = len(values)
    nothing = math.prod(SLIP_SHARE * anywhere_at(value) for value in values)
    found: list[ReadingSubset] = []
    best = 0.0
    for kept_count in range(count, max(0, count - MOST_GROSS_ERRORS - 1), -1):
        for chosen in combinations(range(count), kept_count):
            kept_values = [values[i] for i in chosen]
            mean = sum(kept_values) / kept_count
            squares = sum((value - mean) ** 2 for value in kept_values)
            log_scatter = (
                -squares / (2 * scatter**2)
                - (kept_count - 1) * math.log(scatter * math.sqrt(2 * math.pi))
                - 0.5 * math.log(kept_count)
            )
            weight = (1 - SLIP_SHARE) ** kept_count * math.exp(max(log_scatter, -700.0))
            slipped = tuple(values[i] for i in range(count) if i not in chosen)
            here = weight * math.prod(SLIP_SHARE * slip_at(value, mean) for value in slipped)
            sigma = math.sqrt(own**2 + scatter**2 / kept_count)
            kept = ReadingSubset(weight, mean, sigma, slipped)
            if here / sigma > ADDS_NOTHING * nothing and not (
                found and _adds_nothing(found[0], best, mean, here)
            ):
                best = best or here
                found.append(kept)
    return tuple(found)


def _adds_nothing(whole: ReadingSubset, of_whole: float, mean_mm: float, weight: float) -> bool:
    """A set that says nearly what all repeats together say, with next to no weight."""
    off = abs(mean_mm - whole.mean_mm) / whole.sigma_mm
    return any(off < near and weight < share * of_whole for near, share in SAYS_THE_SAME)


@dataclass(frozen=True, eq=False)
class Profile:
    """Density of a feature's readings where it read right, and where not, for each interval it can be made in.

    `right` is the density without any gross error, by effect, slot and instrument node: a slot for each interval that the
    readings can be of at all, and slot 0, of nothing, for the others; `slot` says which each interval has. `gross` is the
    density with a gross error, by interval; `anywhere` that of a reading of something else.
    """

    effects: tuple[Effect, ...]
    right: Floats
    slot: Ints
    gross: Floats
    anywhere: float

    @property
    def near(self) -> Bools:
        """The intervals that the readings can be of when they are right."""
        return np.asarray(self.slot > 0)

    @property
    def most(self) -> Floats:
        """The largest density that each interval can have."""
        return np.asarray(self.right.max(axis=(0, 2))[self.slot] + self.gross)

    def at(self, intervals: Ints) -> Floats:
        """Density by effect, interval (some of them) and node, gross errors included."""
        return np.asarray(self.right[:, self.slot[intervals]] + self.gross[intervals, None])

    def split(self, count: int) -> tuple[Profile, Profile]:
        """The first intervals, and the rest."""
        return (
            Profile(self.effects, self.right, self.slot[:count], self.gross[:count], self.anywhere),
            Profile(self.effects, self.right, self.slot[count:], self.gross[count:], self.anywhere),
        )

    def times(self, other: Profile) -> Profile:
        """With the readings of another instrument of the same feature: both right, or one of them wrong."""
        both = np.flatnonzero(self.near | other.near)
        one, two = self.right[:, self.slot[both]], other.right[:, other.slot[both]]
        right = one * two + one * other.gross[both, None] + self.gross[both, None] * two
        slot = np.zeros(len(self.slot), dtype=np.intp)
        slot[both] = np.arange(1, len(both) + 1)
        nothing = np.zeros((right.shape[0], 1, right.shape[2]))
        right = np.concatenate([nothing, right], axis=1)
        return Profile(self.effects, right, slot, self.gross * other.gross, self.anywhere * other.anywhere)


def profile(
    observation: Observation,
    limits: Limits,
    shared: InstrumentError | None,
    effects: tuple[Effect, ...],
) -> Profile:
    """Combine manufacture, instrument, scatter, condition and gross errors for each interval.

    Formula: p(m | interval [a, b], effect δ, z) = Σ_K weight_K · Π_{i∉K} ε g(m_i) · [(1 − r) p̄(m̄_K; a + δ, b + δ, z, σ_K)
    + r f(m̄_K − x)] + Π ε g(m_i), with p̄ as `interval_density`, K and σ_K as `reading_subsets`, g as `slip_density`, f as
    `rough_density`, r = `rough_share`, x the middle of the interval; a worn feature averages δ over `wear_amounts_mm`.

    `shared` is None for another instrument than the one most readings were taken with, whose whole uncertainty is then its
    own. Beyond 8 σ and what wear, condition and shared error shift at most, the normal density is under 1e-13 of its peak, and
    gross errors, more than a millionth of it, alone count. What is beside the part (a seat) wears by itself, whatever the part did: unworn and worn are
    mixed in it. An interval that is not a number is that of a part without the feature: only a slip can have been read.
    """
    feature = observation.described
    shifts = shared.shifts_mm if shared else np.zeros(1)
    sets = reading_subsets(observation, shared)
    by_itself = bool(feature.wear_sign) and not feature.on_part and len(effects) > 0
    wanted = (NO_EFFECT, WORN) if by_itself else effects or (NO_EFFECT,)
    middle = (limits.low_mm + limits.high_mm) / 2
    different = list(dict.fromkeys(observation.values_mm))
    slips = dict(zip(different, SLIP_SHARE * slip_densities(different, middle), strict=True))
    gross = np.ones(len(middle))
    for value in observation.values_mm:
        gross *= slips[value]
    amounts = _wear_mm(wanted, observation, sets[0].sigma_mm)
    rows = _near(sets, limits, wanted, observation, amounts, shifts)
    here = limits.only(rows)
    ways = Ways.of(wanted, here, observation, amounts)
    right = np.zeros((len(wanted), len(rows) + 1, len(shifts)))
    for kept in sets:
        found = _densities(kept, here, ways, shifts)
        factor: Floats | float = kept.weight
        for value in kept.slipped_mm:
            factor = factor * slips[value]
        close = np.flatnonzero(np.abs(kept.mean_mm - middle) < ROUGH_REACH_MM)
        rough = ROUGH_SHARE * rough_density(kept.mean_mm - middle[close])
        if isinstance(factor, float):
            right[:, 1:] += (1 - ROUGH_SHARE) * factor * found
            gross[close] += factor * rough
        else:
            right[:, 1:] += (1 - ROUGH_SHARE) * factor[rows, None] * found
            gross[close] += factor[close] * rough
    if by_itself:
        right = ((1 - feature.worn_share) * right[0] + feature.worn_share * right[1])[None]
        wanted = (NO_EFFECT,)
    slot = np.zeros(len(middle), dtype=np.intp)
    slot[rows] = np.arange(1, len(rows) + 1)
    anywhere = (1 + ROUGH_SHARE / SLIP_SHARE) * math.prod(
        SLIP_SHARE * anywhere_at(value) for value in observation.values_mm
    )
    return Profile(wanted, right, slot, gross, anywhere)


@dataclass(frozen=True, eq=False)
class Ways:
    """How far a feature of each interval (column) can be moved, and the residue of it, mm.

    First one row for each effect that wears nothing, at its place in `effects`; then one for each amount of wear.
    """

    moved_mm: Floats
    residue_mm: Floats
    count: int
    unworn: Ints
    worn: Ints

    @staticmethod
    def of(effects: tuple[Effect, ...], limits: Limits, observation: Observation, wear_mm: Floats) -> Ways:
        """Those of some effects and amounts of wear."""
        feature = observation.described
        unworn, worn = _apart(effects)
        if effects == (NO_EFFECT,):
            moved = np.zeros((1, len(limits.low_mm)))
            residue = moved
        else:
            moved, residue = limits.moved_by(effects)
        if feature.gives_mm:
            moved = moved - feature.gives_mm
        if feature.soft_mm or feature.soft_share:
            residue = np.hypot(residue, feature.softness_mm(limits.nominal_mm))
        if len(worn):
            none = np.zeros((len(wear_mm), moved.shape[1]))
            moved = np.concatenate([moved[unworn], none + wear_mm[:, None]])
            residue = np.concatenate([residue[unworn], none])
        return Ways(moved, residue, len(effects), unworn, worn)


@lru_cache(maxsize=256)
def _apart(effects: tuple[Effect, ...]) -> tuple[Ints, Ints]:
    """The places of the effects that wear nothing, and of those that do."""
    wears = np.array([effect.worn for effect in effects])
    return np.flatnonzero(~wears), np.flatnonzero(wears)


def _wear_mm(effects: tuple[Effect, ...], observation: Observation, sigma_mm: float) -> Floats:
    """How far wear can move the feature; followed finely where the readings are fine. None where nothing wears it."""
    if not len(_apart(effects)[1]):
        return np.zeros(0)
    family = FAMILIES[observation.family]
    count = COARSE_WEAR if sigma_mm > COARSE_OVER_MM else FINE_WEAR
    amounts = wear_amounts_mm(count, family.wear_mean_mm, family.wear_shape)
    return observation.described.wear_sign * amounts


def _near(
    sets: tuple[ReadingSubset, ...],
    limits: Limits,
    effects: tuple[Effect, ...],
    observation: Observation,
    wear_mm: Floats,
    shifts: Floats,
) -> Ints:
    """The intervals that a kept set of readings can be of, however they are moved."""
    feature = observation.described
    least, most, widest = limits.moved_within(effects)
    if feature.soft_mm or feature.soft_share:
        widest = np.hypot(widest, feature.softness_mm(limits.nominal_mm))
    low = limits.low_mm + least - feature.gives_mm + wear_mm.min(initial=0.0)
    high = limits.high_mm + most - feature.gives_mm + wear_mm.max(initial=0.0)
    farthest = np.abs(shifts).max()
    near = np.zeros(len(low), dtype=bool)
    for kept in sets:
        reach = FARTHEST_SIGMAS * np.hypot(kept.sigma_mm, widest) + farthest
        near |= (high > kept.mean_mm - reach) & (low < kept.mean_mm + reach)
    return np.flatnonzero(near)


def _densities(kept: ReadingSubset, limits: Limits, ways: Ways, shifts: Floats) -> Floats:
    """Density of the kept readings by effect, interval and node."""
    low, high = limits.low_mm, limits.high_mm
    sigma = np.hypot(kept.sigma_mm, ways.residue_mm)
    off = np.abs(kept.mean_mm - (low + high) / 2 - ways.moved_mm)
    at = np.nonzero(off < FARTHEST_SIGMAS * sigma + np.abs(shifts).max() + (high - low) / 2)
    moved = ways.moved_mm[at]
    of_way = np.zeros((*sigma.shape, len(shifts)))
    of_way[at] = interval_density(
        kept.mean_mm,
        (low[at[1]] + moved)[:, None],
        (high[at[1]] + moved)[:, None],
        shifts,
        sigma[at][:, None],
    )
    if not len(ways.worn):
        return of_way
    found = np.empty((ways.count, *of_way.shape[1:]))
    found[ways.unworn] = of_way[: len(ways.unworn)]
    found[ways.worn] = of_way[len(ways.unworn) :].mean(axis=0)
    return found
