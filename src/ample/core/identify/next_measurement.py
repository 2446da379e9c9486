"""Which measurement is worth taking next: expected information over its trouble."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.gross_errors import ROUGH_SHARE, SLIP_SHARE, anywhere_density
from ample.core.identify.model import interval_density, wear_amounts_mm
from ample.core.identify.observations import Observation, followed_finely, shared_error
from ample.core.identify.posterior import Posterior, condition_posterior
from ample.core.parts import NO_EFFECT, Effect, Feature, Limits
from ample.core.sizes import Instrument

Floats = NDArray[np.float64]

MOST_VALUES, MOST_LISTED_CLOSE = 160, 40
NEGLIGIBLE = 1e-5
SETTLED_BITS = 0.05
MARKING_READABLE = 0.5
MARKING_TROUBLE = 1.6
MOST_EFFECTS = 4
GROSS_ERROR_SHARE = SLIP_SHARE + ROUGH_SHARE


@dataclass(frozen=True)
class NextMeasurement:
    """The feature to read next, the bits it is expected to bring, and in words what to do, why, and both in one sentence.

    `of_sizes` is how many sizes are as good as open now, `leaves` how many are expected to be after it: the
    perplexity 2^H of the chances, before and after.
    """

    feature: str
    gain_bits: float
    ask: str
    because: str
    gains: dict[str, float]
    reason: str
    of_sizes: int
    leaves: int


@dataclass(frozen=True)
class State:
    """The state of the ranking."""

    catalogue: Catalogue
    posterior: Posterior
    by_envelope: Floats
    none: float
    unit_chance: Floats

    @cached_property
    def condition_posterior(self) -> Floats:
        """What the readings have shown of wear and of the shared error."""
        return condition_posterior(self.catalogue, self.posterior, self.unit_chance)


def best_next(
    state: State,
    observations: tuple[Observation, ...],
    marking_read: bool,
    at_hand: Instrument,
    offered: tuple[str, ...],
    again: frozenset[str] = frozenset(),
) -> NextMeasurement | None:
    """The unread feature (or the marking) that brings most bits for its trouble; None if settled.

    `again` are features read already that may be wrong: reading them once more competes with the others.
    """
    read = {each.feature for each in observations} - again
    gains: dict[str, float] = {}
    worth: dict[str, float] = {}
    for feature in map(state.catalogue.family.feature, dict.fromkeys((*offered, *sorted(again)))):
        if feature.name not in read:
            gains[feature.name] = _gain_bits(state, feature, at_hand)
            worth[feature.name] = gains[feature.name] / feature.trouble
    if not marking_read:
        gains["marking"] = MARKING_READABLE * _entropy(np.append(state.by_envelope, state.none))
        worth["marking"] = gains["marking"] / MARKING_TROUBLE
    if not gains:
        return None
    best = max(worth, key=lambda name: worth[name])
    if gains[best] < SETTLED_BITS:
        return None
    ask, because = _reason(state, best)
    if best in again:
        ask, because = f"{ask} again", "its reading does not go with the others."
    open_bits = _entropy(np.append(state.by_envelope, state.none))
    of_sizes, leaves = (max(round(2**bits), 1) for bits in (open_bits, max(open_bits - gains[best], 0.0)))
    return NextMeasurement(best, gains[best], ask, because, gains, f"{ask}: {because}", of_sizes, leaves)


def _entropy(chances: Floats) -> float:
    positive = chances[chances > 0]
    return float(-(positive * np.log2(positive)).sum())


def _by_value(state: State, feature: Feature) -> tuple[Floats, Limits]:
    """What the feature can still stand for: chances, and the limits."""
    held = state.catalogue.intervals[feature.name]
    spread = (state.unit_chance[:, None] * held.share).ravel()
    chance = np.asarray(np.bincount(held.of_unit.ravel(), spread, len(held.limits.low_mm)), dtype=np.float64)
    chance[0] = 0.0
    keep = np.flatnonzero(chance > NEGLIGIBLE)
    most = MOST_VALUES if state.catalogue.family.grid is None else MOST_LISTED_CLOSE
    keep = keep[np.argsort(-chance[keep], kind="stable")][:most]
    return chance[keep], held.limits.only(keep)


def _gain_bits(state: State, feature: Feature, at_hand: Instrument) -> float:
    """Mutual information between which size it is and the reading to be taken.

    Formula: I = Σ_c P(c) Σ_q w_q log2[ p(m_q | c) / p(m_q) ] over quantile points m_q of each
    candidate's own readings, given wear and instrument as far as they are known; none-of-these
    spreads over the family's range.
    """
    chance, possible = _by_value(state, feature)
    if not len(chance):
        return 0.0
    low, high = possible.low_mm, possible.high_mm
    states = _states(state, feature, at_hand, possible)
    shift = sum(each.chance * each.shift_mm for each in states)
    sigma = max(float(np.max(each.sigma_mm)) for each in states)
    points = np.linspace(-2.0, 2.0, 5)
    weights = np.exp(-0.5 * points**2)
    weights /= weights.sum()
    width = np.sqrt(sigma**2 + (high - low) ** 2 / 12)
    readings = (((low + high) / 2 + shift)[:, None] + width[:, None] * points).ravel()
    background = GROSS_ERROR_SHARE * anywhere_density(readings)
    farthest = max(float(np.max(np.abs(each.shift_mm))) for each in states)
    near, owner = np.nonzero(
        np.abs(readings[:, None] - ((low + high) / 2)[None, :])
        < 8 * sigma + 0.4 + farthest + (high - low) / 2
    )
    pairs = np.zeros(len(near))
    for each in states:
        pairs += each.chance * interval_density(
            readings[near], low[owner], high[owner], each.shift_at(owner), each.sigma_at(owner)
        )
    density = np.zeros((len(readings), len(low)))
    density[near, owner] = (1 - GROSS_ERROR_SHARE) * pairs
    rest = max(1 - float(chance.sum()), 1e-12)
    mixture = density @ chance + float(chance.sum()) * background + rest * background / GROSS_ERROR_SHARE
    own = density[np.arange(len(readings)), np.repeat(np.arange(len(low)), len(points))] + background
    bits = np.log2(own / mixture).reshape(len(chance), len(points))
    listed = float((chance[:, None] * weights * bits).sum())
    return max(listed - rest * float(np.log2(rest)), 0.0)


@dataclass(frozen=True, eq=False)
class Expected:
    """A way in which the next reading can scatter about its nominal: chance, shift and standard deviation, mm."""

    chance: float
    shift_mm: Floats | float
    sigma_mm: Floats | float

    def shift_at(self, rows: NDArray[np.intp]) -> Floats | float:
        """The shift for some of the sizes."""
        return self.shift_mm[rows] if isinstance(self.shift_mm, np.ndarray) else self.shift_mm

    def sigma_at(self, rows: NDArray[np.intp]) -> Floats | float:
        """The spread for some of the sizes."""
        return self.sigma_mm[rows] if isinstance(self.sigma_mm, np.ndarray) else self.sigma_mm


def _states(state: State, feature: Feature, at_hand: Instrument, possible: Limits) -> list[Expected]:
    """What conditions can do to it, each with the shared error as far as the earlier readings have shown it."""
    u = at_hand.expanded_uncertainty_mm(feature.reach) / 2
    family, posterior = state.catalogue.family, state.posterior
    same = posterior.main == at_hand and posterior.shared is not None
    shared = posterior.shared if same else shared_error(at_hand, fine=followed_finely(family))
    assert shared is not None
    chances, effects = _effect_chances(state, feature)
    if len(effects) > MOST_EFFECTS:
        return [_blurred(state, feature, at_hand, possible)]
    found = []
    for effect, rows in zip(effects, chances, strict=True):
        total = float(rows.sum())
        if total <= 0:
            continue
        mean = spread = 0.0
        variance = u**2
        if same:
            mean = float(rows @ shared.shifts_mm) / total
            spread = max(float(rows @ shared.shifts_mm**2) / total - mean**2, 0.0)
            variance = max(u**2 - shared.deviation_mm**2, 0.0) + spread
        moved, residue = (each[0] for each in possible.moved_by((effect,)))
        residue = np.hypot(residue, feature.softness_mm(possible.nominal_mm))
        sigma = np.sqrt(variance + at_hand.scatter_mm**2 + np.square(residue))
        amounts = np.zeros(1)
        if effect.worn:
            amounts = feature.wear_sign * wear_amounts_mm(6, family.wear_mean_mm, family.wear_shape)[::2]
        found += [Expected(total / len(amounts), mean + float(amount) + moved, sigma) for amount in amounts]
    return found


def _effect_chances(state: State, feature: Feature) -> tuple[Floats, tuple[Effect, ...]]:
    """The different things that conditions can do to a feature, and the chance of each by node of the shared error."""
    family, known = state.catalogue.family, state.condition_posterior
    effects, places = family.effects_on[feature.name], family.effect_places[feature.name]
    if not feature.on_part and feature.wear_sign:
        return known.sum(axis=(0, 1))[None], (NO_EFFECT,)
    found = np.zeros((len(effects), known.shape[2]))
    together = known if places.shape[1] > 1 else known.sum(axis=1, keepdims=True)
    np.add.at(found, places, together)
    return found, effects


def _blurred(state: State, feature: Feature, at_hand: Instrument, possible: Limits) -> Expected:
    """Many amounts of many conditions taken as one mean shift with its spread."""
    by_node, effects = _effect_chances(state, feature)
    chances = by_node.sum(axis=1)
    moved, residue = possible.moved_by(effects)
    mean = chances @ moved
    spread = chances @ ((moved - mean) ** 2 + residue**2) + feature.softness_mm(possible.nominal_mm) ** 2
    u = at_hand.expanded_uncertainty_mm(feature.reach) / 2
    return Expected(1.0, mean, np.sqrt(u**2 + at_hand.scatter_mm**2 + spread))


def _reason(state: State, name: str) -> tuple[str, str]:
    """What to do, and why."""
    if name == "marking":
        return "Read the marking", "it tells at once what sizes only narrow down."
    feature = state.catalogue.family.feature(name)
    chance, possible = _by_value(state, feature)
    nominal = possible.nominal_mm
    sizes: dict[float, float] = {}
    for share, size in zip(chance, nominal, strict=True):
        sizes[float(size)] = sizes.get(float(size), 0.0) + float(share)
    likely = sorted(sizes, key=lambda size: -sizes[size])
    ask = f"Measure the {feature.words}"
    if len(likely) >= 2 and sizes[likely[0]] > 0.2 and len([s for s in likely if sizes[s] > 0.02]) <= 4:
        first, second = sorted(likely[:2])
        return ask, f"it tells {first:g} from {second:g} mm."
    if len(likely) == 1:
        return ask, f"it confirms {likely[0]:g} mm or rules all of these out."
    return ask, f"it narrows down the {len(likely)} possible sizes most."
