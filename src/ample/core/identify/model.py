"""How readings scatter about a nominal: manufacture, instrument, wear, gross errors."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray
from scipy.special import gammaincinv, ndtr

from ample.core.errors import BadInput
from ample.core.identify.values import ranking_value
from ample.core.parts import BEARING, FAMILIES, NO_EFFECT, WORN, Effect, Family, Feature, Limits
from ample.core.sizes import Instrument
from ample.core.sizes.lengths import LONGEST_MM

if TYPE_CHECKING:
    from ample.core.sizes.instruments import Reach

Floats = NDArray[np.float64]

GROSS_ERROR_SHARE = ranking_value("slip_share")
SMALLEST_MM, LARGEST_MM = ranking_value("smallest_reading"), ranking_value("largest_reading")
SHARED_PART = ranking_value("shared_part")
RUST_RESIDUE_MM = ranking_value("rust_residue")
FARTHEST_SIGMAS, MOST_SHIFT_MM = 12.0, 0.25
INSTRUMENT_NODES, FEWER_NODES = 5, 3
MOST_REPEATS = 12
CONDITIONS = (
    "new", "sound", "worn", "spun", "rusty", "used", "stretched", "swollen", "shrunk", "flattened", "hard",
)  # fmt: skip
UNSEEN = ranking_value("unseen_condition")
WORN_THOUGH_NEW, UNWORN_THOUGH_SPUN = ranking_value("worn_though_new"), ranking_value("unworn_though_spun")
LEAST_VARIANCE_MM2 = 1e-12  # so that an instrument whose uncertainty is all shared keeps a density
# Sets of repeats that add less than this to all gross errors, or to all kept, are left out.
ADDS_NOTHING = 1e-9
SAYS_THE_SAME = ((0.5, 1e-3), (1.2, 1e-5))  # within so many sigmas, with less than this weight
MOST_GROSS_ERRORS = 2
FINE_WEAR, COARSE_WEAR, COARSE_OVER_MM = 24, 6, 0.012
Kinds = tuple[tuple[float, Mapping[str, Effect]], ...]


@dataclass(frozen=True)
class Observation:
    """One feature of the part in hand: repeats in mm, the instrument, and what is seen of it."""

    feature: str
    values_mm: tuple[float, ...]
    instrument: Instrument
    condition: str | None = None
    family: str = BEARING.name

    def __post_init__(self) -> None:
        FAMILIES[self.family].feature(self.feature)
        if not 1 <= len(self.values_mm) <= MOST_REPEATS:
            raise BadInput("bad_reading_count", f"Give 1 to {MOST_REPEATS} readings of a feature.", "values")
        if not all(math.isfinite(value) and 0 < value < LONGEST_MM for value in self.values_mm):
            raise BadInput("not_above_zero", "A reading must be above zero.", "values")
        if self.condition is not None and self.condition not in CONDITIONS:
            raise BadInput(
                "no_such_condition",
                f"Unknown condition “{self.condition[:20]}”.",
                "condition",
                f"One of {', '.join(CONDITIONS)}.",
            )

    @property
    def described(self) -> Feature:
        """The feature as its family describes it."""
        return FAMILIES[self.family].by_name[self.feature]

    @property
    def reach(self) -> Reach:
        """How the instrument reaches the feature."""
        return self.described.reach


@dataclass(frozen=True, eq=False)
class InstrumentError:
    """The part of an instrument's error that all its readings share, as quadrature nodes, mm."""

    shifts_mm: Floats
    weights: Floats
    deviation_mm: float


@lru_cache(maxsize=64)
def shared_error(instrument: Instrument, count: int = INSTRUMENT_NODES) -> InstrumentError:
    """The error that all readings of an instrument share, as quadrature nodes.

    Formula: z ~ N(0, σ_s²), σ_s² = ρ·u², u = min(U_outside, U_inside)/2, ρ = `shared_part`; Gauss–Hermite
    nodes z_i with weights w_i, Σ w_i = 1, so that ∫ f(z) φ(z) dz ≈ Σ w_i f(z_i).

    Args:
        instrument: The instrument with its U (k = 2), mm.
        count: Number of nodes, 1 and more.

    Returns:
        Shifts z_i in mm, weights w_i, and σ_s in mm.

    Raises:
        ValueError: When `count` is below 1.

    Source: Gauss–Hermite quadrature (Abramowitz and Stegun 25.4.46); ρ: ranking_values.csv.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> float(shared_error(default_instrument("caliper"), 3).weights.round(3)[1])
        0.667
    """
    smallest = min(instrument.outside_u_mm, instrument.inside_u_mm) / 2
    deviation = math.sqrt(SHARED_PART) * smallest
    nodes, weights = np.polynomial.hermite_e.hermegauss(count)
    return InstrumentError(nodes * deviation, weights / weights.sum(), deviation)


def nodes_of(family: Family) -> int:
    """How finely the shared error is followed: less where conditions move the readings far more."""
    return FEWER_NODES if family.grid else INSTRUMENT_NODES


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


def gross_error_density(value_mm: float) -> float:
    """Where a gross error lands: even on a logarithmic scale; integrates to 1 over its range.

    Formula: s(m) = 1/(m·ln(b/a)), a = `smallest_reading`, b = `largest_reading`, mm.

    Args:
        value_mm: The reading m, mm; held within a and b.

    Returns:
        The density per mm.

    Raises:
        Nothing.

    Source: ranking_values.csv.

    Example:
        >>> round(gross_error_density(25.0), 5)
        0.005
    """
    inside = min(max(value_mm, SMALLEST_MM), LARGEST_MM)
    return 1 / (inside * math.log(LARGEST_MM / SMALLEST_MM))


def gross_error_densities(values_mm: Floats) -> Floats:
    """The same for many readings."""
    inside = np.clip(values_mm, SMALLEST_MM, LARGEST_MM)
    return np.asarray(1 / (inside * math.log(LARGEST_MM / SMALLEST_MM)))


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
    """A set of repeats without gross errors: weight, their mean, and its standard uncertainty."""

    weight: float
    mean_mm: float
    sigma_mm: float


@lru_cache(maxsize=256)
def reading_subsets(
    observation: Observation, shared: InstrumentError | None
) -> tuple[tuple[ReadingSubset, ...], float]:
    """Ways in which some repeats slipped and the others did not; and the weight of all slipping.

    Formula: for a kept set K of n of the N repeats m_i, with ε = `slip_share` and s as `gross_error_density`:
    weight = (1 − ε)^n · Π_{i∉K} ε s(m_i) · (2π τ²)^(−(n−1)/2) n^(−½) exp(−Σ_{i∈K}(m_i − m̄)²/(2τ²)), where τ is the
    instrument's scatter; the mean m̄ then has σ² = u² − σ_s² + τ²/n, and where rusted `rust_residue`² more.
    At most two repeats are taken as gross errors at once, or all.

    Args:
        observation: The repeats of one feature, mm, with their instrument.
        shared: The shared error of that instrument, taken out of u; None when it has none.

    Returns:
        The kept sets with weight, m̄ and σ in mm; and Π ε s(m_i), the weight of all slipping.

    Raises:
        BadInput: When the instrument does not reach the feature.

    Source: factorisation of a normal sample into its mean and its scatter; ε: ranking_values.csv.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> read = Observation("bore", (25.0, 25.01, 52.0), default_instrument("caliper"))
        >>> [round(kept.mean_mm, 3) for kept in reading_subsets(read, None)[0]][0]
        25.005
    """
    values = observation.values_mm
    instrument = observation.instrument
    u = instrument.expanded_uncertainty_mm(observation.reach) / 2
    own = math.sqrt(max(u**2 - (shared.deviation_mm**2 if shared else 0.0), LEAST_VARIANCE_MM2))
    if observation.condition == "rusty":
        own = math.hypot(own, RUST_RESIDUE_MM)
    scatter = instrument.scatter_mm
    gross = [GROSS_ERROR_SHARE * gross_error_density(value) for value in values]
    all_gross = math.prod(gross)
    count = len(values)
    found: list[ReadingSubset] = []
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
            lost = math.prod(gross[i] for i in range(count) if i not in chosen)
            weight = (1 - GROSS_ERROR_SHARE) ** kept_count * lost * math.exp(max(log_scatter, -700.0))
            sigma = math.sqrt(own**2 + scatter**2 / kept_count)
            adds_nothing = bool(found) and _adds_nothing(found[0], mean, weight)
            if weight / sigma > ADDS_NOTHING * all_gross and not adds_nothing:
                found.append(ReadingSubset(weight, mean, sigma))
    return tuple(found), all_gross


def _adds_nothing(whole: ReadingSubset, mean_mm: float, weight: float) -> bool:
    """A set that says nearly what all repeats together say, with next to no weight."""
    off = abs(mean_mm - whole.mean_mm) / whole.sigma_mm
    return any(off < near and weight < share * whole.weight for near, share in SAYS_THE_SAME)


@dataclass(frozen=True, eq=False)
class Profile:
    """Density of a feature's readings per interval and instrument node, by what the condition does.

    `near` marks the intervals that the readings can be of unless all are gross errors; for the others the
    density is `gross`.
    """

    made: Mapping[Effect, Floats]
    gross: float
    near: NDArray[np.bool_]

    def of(self, effect: Effect) -> Floats:
        """The density under an effect; one that does nothing to this feature is none."""
        return self.made.get(effect, self.made[NO_EFFECT])

    @property
    def unworn(self) -> Floats:
        """The density of a part that no condition has changed."""
        return self.made[NO_EFFECT]

    @property
    def worn(self) -> Floats:
        """The density of a worn part."""
        return self.of(WORN)

    def by_kind(self, feature: str, kinds: Kinds) -> tuple[Floats, list[int]]:
        """The densities by effect, and which of them each kind of condition has on this feature."""
        place = {effect: number for number, effect in enumerate(self.made)}
        rows = [place.get(effects.get(feature, NO_EFFECT), place[NO_EFFECT]) for _, effects in kinds]
        return np.array(list(self.made.values())), rows

    def split(self, count: int) -> tuple[Profile, Profile]:
        """The first intervals, and the rest."""
        return (
            Profile({e: rows[:count] for e, rows in self.made.items()}, self.gross, self.near[:count]),
            Profile({e: rows[count:] for e, rows in self.made.items()}, self.gross, self.near[count:]),
        )


def profile(
    observation: Observation,
    limits: Limits,
    shared: InstrumentError | None,
    effects: tuple[Effect, ...],
) -> Profile:
    """Combine manufacture, instrument, scatter, condition and gross errors for each interval.

    Formula: p(m | interval [a, b], effect δ, z) = Π ε s(m_i) + Σ_K weight_K · p̄(m̄_K; a + δ, b + δ, z, σ_K), with
    p̄ as `interval_density`, K and σ_K as `reading_subsets`; a worn feature averages δ over `wear_amounts_mm`.

    Returns arrays (interval, instrument node) for each effect; `shared` is None for another instrument
    than the one most readings were taken with, whose whole uncertainty is then its own. Beyond 12 σ and the
    most that wear and a shared error shift, the normal density is under 1e-31 of its peak and the gross errors
    alone count. What is beside the part (a seat) wears by itself, whatever the part did: unworn and worn
    are mixed in it. An interval that is not a number is that of a part without the feature.
    """
    feature = observation.described
    shifts = shared.shifts_mm if shared else np.zeros(1)
    sets, all_gross = reading_subsets(observation, shared)
    by_itself = bool(feature.wear_sign) and not feature.on_part and len(effects) > 0
    wanted = (NO_EFFECT, WORN) if by_itself else effects or (NO_EFFECT,)
    still = tuple(effect for effect in wanted if not effect.worn)
    density, near = _densities(observation, limits, shifts, sets, all_gross, still)
    made = dict(zip(still, density, strict=True))
    if feature.wear_sign and WORN in wanted:
        made[WORN], also_near = _worn_density(observation, limits, shifts, sets, all_gross)
        near = near | also_near
    if by_itself:
        mixed = (1 - feature.worn_share) * made[NO_EFFECT] + feature.worn_share * made[WORN]
        made = {NO_EFFECT: mixed}
    return Profile(made, all_gross, near)


def _densities(
    observation: Observation,
    limits: Limits,
    shifts: Floats,
    sets: tuple[ReadingSubset, ...],
    all_gross: float,
    effects: tuple[Effect, ...],
) -> tuple[Floats, NDArray[np.bool_]]:
    """Density by effect, interval and node, for effects that move a feature; and which intervals are near."""
    count = len(limits.low_mm)
    if effects == (NO_EFFECT,):
        plain, near = _plain_density(limits, shifts, sets, all_gross)
        return plain[None], near
    moved, residue = limits.moved_by(effects)
    low, high = limits.low_mm + moved, limits.high_mm + moved
    density = np.full((len(effects), count, len(shifts)), all_gross)
    near_any = np.zeros(count, dtype=bool)
    for kept in sets:
        sigma = np.hypot(kept.sigma_mm, residue)
        reach = FARTHEST_SIGMAS * sigma + MOST_SHIFT_MM
        at = np.nonzero((high > kept.mean_mm - reach) & (low < kept.mean_mm + reach))
        near_any[at[1]] = True
        density[at] += kept.weight * interval_density(
            kept.mean_mm, low[at][:, None], high[at][:, None], shifts, sigma[at][:, None]
        )
    return density, near_any


def _near(limits: Limits, kept: ReadingSubset) -> NDArray[np.intp]:
    """The intervals that a kept set of readings can be of."""
    reach = FARTHEST_SIGMAS * kept.sigma_mm + MOST_SHIFT_MM
    return np.flatnonzero((limits.high_mm > kept.mean_mm - reach) & (limits.low_mm < kept.mean_mm + reach))


def _plain_density(
    limits: Limits, shifts: Floats, sets: tuple[ReadingSubset, ...], all_gross: float
) -> tuple[Floats, NDArray[np.bool_]]:
    """Density per interval and node of what no condition moves; and which intervals are near."""
    density = np.full((len(limits.low_mm), len(shifts)), all_gross)
    near_any = np.zeros(len(limits.low_mm), dtype=bool)
    for kept in sets:
        near = _near(limits, kept)
        near_any[near] = True
        low, high = limits.low_mm[near, None], limits.high_mm[near, None]
        density[near] += kept.weight * interval_density(kept.mean_mm, low, high, shifts, kept.sigma_mm)
    return density, near_any


def _worn_density(
    observation: Observation,
    limits: Limits,
    shifts: Floats,
    sets: tuple[ReadingSubset, ...],
    all_gross: float,
) -> tuple[Floats, NDArray[np.bool_]]:
    """Density per interval and node of what has worn in its own direction; and which intervals are near."""
    family, feature = FAMILIES[observation.family], observation.described
    density = np.full((len(limits.low_mm), len(shifts)), all_gross)
    near_any = np.zeros(len(limits.low_mm), dtype=bool)
    for kept in sets:
        near = _near(limits, kept)
        near_any[near] = True
        count = COARSE_WEAR if kept.sigma_mm > COARSE_OVER_MM else FINE_WEAR
        amounts = feature.wear_sign * wear_amounts_mm(count, family.wear_mean_mm, family.wear_shape)
        low, high = limits.low_mm[near, None, None], limits.high_mm[near, None, None]
        folded = interval_density(kept.mean_mm, low, high, shifts[:, None] + amounts, kept.sigma_mm)
        density[near] += kept.weight * folded.mean(axis=2)
    return density, near_any


def kind_weights(family: Family, observations: tuple[Observation, ...]) -> Kinds:
    """Chance of each kind of condition with what it does, given what is seen of the part.

    Formula: P(k | seen) ∝ P(k) · Π l(seen_f | k); l = `unseen_condition` for a kind that the words said do not name,
    `worn_though_new` for a worn feature said to be new or sound, `unworn_though_spun` for an unworn one that has spun.

    Args:
        family: The family with its kinds of condition and their weights P(k).
        observations: The readings with what is seen of each feature.

    Returns:
        For each kind: P(k | seen), summing to 1, and what it does by feature.

    Raises:
        ZeroDivisionError: When the family has no kind of condition.

    Source: conditions tables of each family; ranking_values.csv.

    Example:
        >>> round(sum(chance for chance, _ in kind_weights(BEARING, ())), 9)
        1.0
    """
    seen = {each.feature: each.condition for each in observations if each.condition}
    wearing = sorted({name for kind in family.conditions for name in kind.worn})
    told = frozenset(word for word in seen.values() if word in family.seen_words)
    weighted = []
    for kind in family.conditions:
        weight = kind.weight
        if told:
            weight *= 1.0 if kind.seen & told else UNSEEN
        for feature in wearing:
            condition, worn = seen.get(feature), feature in kind.worn
            if condition in ("new", "sound"):
                weight *= WORN_THOUGH_NEW if worn else 1.0
            elif condition == "spun":
                weight *= 1.0 if worn else UNWORN_THOUGH_SPUN
        if "new" in seen.values() and kind.worn:
            weight *= WORN_THOUGH_NEW
        weighted.append((weight, kind.effects))
    total = sum(weight for weight, _ in weighted)
    return tuple((weight / total, effects) for weight, effects in weighted)
