"""Whether a zero that is off, or rust, makes another size likely: then these rare explanations are followed too."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue, Ints
from ample.core.identify.conditions import Conditions, conditions_given
from ample.core.identify.gross_errors import rough_density
from ample.core.identify.model import reading_subsets
from ample.core.identify.observations import Observation, ZeroTail, zero_tail
from ample.core.identify.posterior import Posterior
from ample.core.parts import NO_EFFECT

Floats = NDArray[np.float64]

# A chance that the rare explanations would add to other sizes than the likeliest; under it they may be left out.
WORTH_FOLLOWING = 0.01
REACH_SIGMAS = 6.0
TOO_UNLIKELY = 1e-14  # no zero and no rust raises a size so far


def rivalled(
    catalogue: Catalogue, observations: tuple[Observation, ...], found: Posterior, by_unit: Floats
) -> bool:
    """Whether the rare explanations would move more than a hundredth from the likeliest size to others.

    Formula: Σ_{u not of the best size} P(u | all) max(0, g(u)/p(m | u) − g(b)/p(m | b)) > 0.01, b the likeliest, with
    g(u) = t·T(ẑ) Π_f N(d_f − ẑ; 0, σ_f²) √(2π/Σ 1/σ_f²) + Σ_{k rare} P(k) Π_f N(d_f; δ_fk, σ_f² + r_fk²); d_f the mean reading less the middle of what the feature is made to,
    ẑ = Σ(d_f/σ_f²)/Σ(1/σ_f²), T the tail of the zero error with its share t (`observations.shared_error`), taken as flat
    over the width of the product, δ and r the shift and residue of a condition. A first look, that only decides whether
    to work it out (`posterior.measure`, closely).

    Args:
        catalogue: What is listed.
        observations: The readings m_f, mm.
        found: p(m | u) as worked out without the rare explanations.
        by_unit: P(u | all) from that, 0 to 1.

    Returns:
        True where the rare explanations are worth following; False where they were followed already, and for what is
        soft, which scatters far more than a zero.

    Raises:
        BadInput: When an instrument does not reach its feature.

    Source: Laplace's method for the integral over z; docs/decisions/one-ranking.md.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> from ample.core.identify.posterior import measure
        >>> from ample.core.sizes import default_instrument
        >>> listed, caliper = standard_catalogue(), default_instrument("caliper")
        >>> read = (Observation("bore", (25.0,), caliper), Observation("outside", (52.0,), caliper))
        >>> measured = measure(listed, read)
        >>> rivalled(listed, read, measured, listed.unit_prior * measured.unit_density / measured.total)
        False
    """
    if found.closely or found.shared is None or found.main is None or not found.shared.deviation_mm:
        return False
    best = int(np.argmax(by_unit))
    rows = np.flatnonzero(by_unit > TOO_UNLIKELY)
    if (catalogue.unit_envelope[rows] == catalogue.unit_envelope[best]).all():
        return False
    tail = zero_tail(found.main)
    read: list[_Against] = []
    for each in observations:
        one = _against(catalogue, each, found, rows) if each.instrument == found.main else None
        if one is None:
            continue
        near = np.flatnonzero(np.abs(one.off_mm) < tail.farthest_mm + REACH_SIGMAS * np.sqrt(one.variance))
        rows = rows[near]
        read = [*(before.only(near) for before in read), one.only(near)]
    if not read or not len(rows):
        return False
    gain = _by_zero(read, tail) + _by_rust(read, conditions_given(catalogue.family, observations))
    more = gain / found.unit_density[rows]
    of_best = more[rows == best].sum()
    other = catalogue.unit_envelope[rows] != catalogue.unit_envelope[best]
    return bool(by_unit[rows[other]] @ np.maximum(more[other] - of_best, 0) > WORTH_FOLLOWING)


@dataclass(frozen=True, eq=False)
class _Against:
    """The readings of a feature against what some units are made to: how far off, its variance, and the weight."""

    feature: str
    off_mm: Floats
    variance: Floats
    weight: Floats

    def only(self, rows: Ints) -> _Against:
        """Of some of the units."""
        return _Against(self.feature, self.off_mm[rows], self.variance[rows], self.weight[rows])


def _against(catalogue: Catalogue, each: Observation, found: Posterior, rows: Ints) -> _Against | None:
    kept = next(iter(reading_subsets(each, found.shared)), None)
    if kept is None:
        return None
    held = catalogue.intervals[each.feature]
    own = held.of_unit[rows]
    low, high = held.limits.low_mm[own], held.limits.high_mm[own]
    off = kept.mean_mm - (low + high) / 2
    wears = catalogue.family.wear_mean_mm if each.described.wear_sign else 0.0
    variance = kept.sigma_mm**2 + (high - low) ** 2 / 12 + wears**2
    without = np.isnan(off)
    off[without], variance[without] = np.inf, 1.0
    place = np.arange(len(rows))
    nearest = np.abs(off).argmin(axis=1)
    share = kept.weight * held.share[rows][place, nearest]
    return _Against(each.feature, off[place, nearest], variance[place, nearest], share)


def _by_zero(read: list[_Against], tail: ZeroTail) -> Floats:
    """What the tail of the zero error adds to the density of each unit."""
    precision = sum(1 / one.variance for one in read)
    zero = sum(one.off_mm / one.variance for one in read) / precision
    found = tail.share * rough_density(zero, tail.scale_mm) * np.sqrt(2 * math.pi / precision)
    for one in read:
        found = found * one.weight * _normal(one.off_mm - zero, one.variance)
    return np.where(np.abs(zero) < tail.farthest_mm, found, 0.0)


def _by_rust(read: list[_Against], given: Conditions) -> Floats:
    """What the rare conditions add to the density of each unit."""
    added = np.zeros(len(read[0].off_mm))
    for kind, chance in zip(given.family.conditions, given.size, strict=True):
        if not kind.rare:
            continue
        here = np.full(len(added), chance)
        for one in read:
            effect = kind.effects.get(one.feature, NO_EFFECT)
            variance = one.variance + effect.residue_mm**2
            here = here * one.weight * _normal(one.off_mm - effect.shift_mm, variance)
        added += here
    return added


def _normal(off: Floats, variance: Floats) -> Floats:
    return np.asarray(np.exp(-(off**2) / (2 * variance)) / np.sqrt(2 * math.pi * variance))
