"""Ranking everything listed against what was read, with none-of-these and the unit asked."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from statistics import median

import numpy as np
from numpy.typing import NDArray

from ample.core.errors import BadInput
from ample.core.identify.catalogue import Catalogue, Entry
from ample.core.identify.marking_evidence import marking_likelihood
from ample.core.identify.model import LARGEST_MM, SMALLEST_MM, Observation, profile
from ample.core.identify.next_measurement import NextMeasurement, State, best_next
from ample.core.identify.posterior import LISTED_PRIOR, Posterior, measure, units_together
from ample.core.parts import FEATURES, Feature, MarkingReading
from ample.core.sizes import Instrument, default_instrument

Floats = NDArray[np.float64]

WRONG_UNIT_PRIOR = 0.01
MM_PER_INCH = 25.4
DISAGREES_SIGMA, DOUBTFUL_SIGMA = 4.0, 2.5


@dataclass(frozen=True)
class FeatureAgreement:
    """How one feature agrees with a candidate: how far off its limits, in mm and in doubts."""

    feature: str
    agreement: str
    off_mm: float | None
    sigmas: float | None


@dataclass(frozen=True)
class VariantChance:
    """A listed part of an envelope with its chance within all."""

    entry: Entry
    probability: float


@dataclass(frozen=True)
class Candidate:
    """An envelope that the part can be, with its chance, agreement and variants, likeliest first."""

    d_mm: float
    D_mm: float
    B_mm: float
    probability: float
    features: tuple[FeatureAgreement, ...]
    variants: tuple[VariantChance, ...]
    variant_count: int

    @property
    def misfit(self) -> FeatureAgreement | None:
        """The feature that fits worst."""
        read = [each for each in self.features if each.sigmas is not None]
        return max(read, key=lambda each: each.sigmas or 0.0, default=None)


@dataclass(frozen=True)
class UnitHint:
    """The readings make more sense in another unit."""

    unit: str
    probability: float
    designation: str


@dataclass(frozen=True)
class Identification:
    """The whole answer: candidates, none of these, unit hint, clash and what to measure next."""

    candidates: tuple[Candidate, ...]
    none_probability: float
    unit_hint: UnitHint | None
    next_measurement: NextMeasurement | None
    clash: str | None
    entropy_bits: float


def identify(
    catalogue: Catalogue,
    observations: Sequence[Observation],
    markings: Sequence[MarkingReading] = (),
    limit: int = 10,
    at_hand: Instrument | None = None,
    most_variants: int = 60,
) -> Identification:
    """Rank everything listed against readings and marking.

    Formula: P(readings | c) = Σ_k P(k) ∫ Π_f p'(m_f | c, k, z) φ(z) dz with slips in p'; the
    prior of an envelope is shared among its variants; none-of-these is summed over the size grid.

    Args:
        catalogue: What is listed.
        observations: Readings by feature, mm; each feature at most once.
        markings: Readings of the marking, best first; none when it is not read.
        limit: How many candidates to give, 1 to 100; all are ranked.
        at_hand: The instrument for the next measurement; the one last used when not given.
        most_variants: How many listed parts to give for each candidate, 1 and more.

    Returns:
        Candidates with chances that mean what they say, none-of-these, the unit if it looks
        wrong, and the next measurement by expected information.

    Raises:
        BadInput: When a feature is given twice.

    Source: the project's own model; defaults are data and are tuned by `./ample bench`.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> caliper = default_instrument("caliper")
        >>> read = [Observation("bore", (24.99,), caliper), Observation("outside", (52.02,), caliper)]
        >>> identify(standard_catalogue(), read).candidates[0].B_mm
        15.0
    """
    seen = tuple(observations)
    names = [each.feature for each in seen]
    if len(set(names)) != len(names):
        raise BadInput("feature_twice", "A feature is given twice; put repeats together.", "observations")
    posterior = measure(catalogue, seen)
    evidence, none_marking = marking_likelihood(catalogue, markings)
    entry_density = catalogue.entry_prior * posterior.unit_density[catalogue.entry_unit] * evidence
    listed = LISTED_PRIOR * entry_density
    none = posterior.none_density * none_marking
    total = float(listed.sum()) + none
    chance = listed / total
    envelope_of = catalogue.unit_envelope[catalogue.entry_unit]
    by_envelope: Floats = np.asarray(
        np.bincount(envelope_of, chance, len(catalogue.envelopes_mm)), dtype=np.float64
    )
    order = np.argsort(-by_envelope, kind="stable")
    candidates = _candidates(catalogue, seen, order[:limit], by_envelope, chance, most_variants)
    none_probability = none / total
    instrument = at_hand or (seen[-1].instrument if seen else default_instrument("caliper"))
    state = State(catalogue, posterior, by_envelope, none_probability, chance)
    return Identification(
        candidates,
        none_probability,
        _unit_hint(catalogue, seen, posterior.total),
        best_next(state, seen, bool(markings), instrument),
        _clash(catalogue, markings, posterior, candidates),
        _entropy(by_envelope, none_probability),
    )


def _candidates(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    order: NDArray[np.intp],
    by_envelope: Floats,
    chance: Floats,
    most_variants: int,
) -> tuple[Candidate, ...]:
    found = []
    worth = {each.feature: _worth(each) for each in observations}
    for envelope in order:
        members = catalogue.envelope_rows[envelope]
        ranked = members[np.argsort(-chance[members], kind="stable")]
        d, D, B = (float(size) for size in catalogue.envelopes_mm[envelope])
        variants = tuple(
            VariantChance(catalogue.entries[index], float(chance[index])) for index in ranked[:most_variants]
        )
        unit = int(catalogue.entry_unit[ranked[0]])
        found.append(
            Candidate(
                d, D, B, float(by_envelope[envelope]),
                tuple(
                    _agreement(catalogue, unit, feature, worth.get(feature.name))
                    for feature in FEATURES
                    if feature.on_part or feature.name in worth
                ),
                variants, len(members),
            )
        )  # fmt: skip
    return tuple(found)


def _worth(observation: Observation) -> tuple[float, float]:
    """Middle reading of a feature and its standard uncertainty, mm."""
    u = math.hypot(
        observation.instrument.expanded_uncertainty_mm(observation.reach) / 2,
        observation.instrument.scatter_mm / math.sqrt(len(observation.values_mm)),
    )
    return median(observation.values_mm), u


def _agreement(
    catalogue: Catalogue, unit: int, feature: Feature, worth: tuple[float, float] | None
) -> FeatureAgreement:
    if worth is None:
        return FeatureAgreement(feature.name, "not_read", None, None)
    middle, u = worth
    held = catalogue.intervals[feature.name]
    row = held.of_unit[unit]
    low, high = float(held.low_mm[row]), float(held.high_mm[row])
    sigmas = max(low - middle, middle - high, 0.0) / u
    word = "agrees" if sigmas <= DOUBTFUL_SIGMA else "doubtful" if sigmas <= DISAGREES_SIGMA else "disagrees"
    off = middle - float(held.nominal_mm[row])
    return FeatureAgreement(feature.name, word, round(off, 4), round(sigmas, 2))


def _unit_hint(catalogue: Catalogue, observations: tuple[Observation, ...], total: float) -> UnitHint | None:
    """Would the readings make more sense as inches typed for millimetres, or the other way?"""
    if not observations:
        return None
    best = None
    for unit, factor in (("in", MM_PER_INCH), ("mm", 1 / MM_PER_INCH)):
        sizes = [value * factor for each in observations for value in each.values_mm]
        if min(sizes) < SMALLEST_MM or max(sizes) > LARGEST_MM:
            continue  # no part of the family is of such a size
        scaled = tuple(
            replace(each, values_mm=tuple(value * factor for value in each.values_mm))
            for each in observations
        )
        density = _plain_density(catalogue, scaled)
        jacobian = factor ** sum(len(each.values_mm) for each in observations)
        wrong = WRONG_UNIT_PRIOR * float(catalogue.unit_prior @ density) * jacobian
        chance = wrong / (wrong + (1 - WRONG_UNIT_PRIOR) * total)
        if chance > 0.5 and (best is None or chance > best.probability):
            top = int(np.argmax(catalogue.entry_prior * density[catalogue.entry_unit]))
            best = UnitHint(unit, chance, catalogue.entries[top].spec.designation)
    return best


def _plain_density(catalogue: Catalogue, observations: tuple[Observation, ...]) -> Floats:
    """Density of the readings for every unit as if sound and without a shared error: a screening."""
    profiles = {}
    for each in observations:
        held = catalogue.intervals[each.feature]
        profiles[each.feature] = profile(each, held.low_mm, held.high_mm, None, worn=False)
    return units_together(catalogue, profiles, np.ones(1), ((1.0, False, False),))


def _clash(
    catalogue: Catalogue,
    markings: Sequence[MarkingReading],
    posterior: Posterior,
    candidates: tuple[Candidate, ...],
) -> str | None:
    """Marking and measurement say different parts: both sides in words."""
    if not markings or not posterior.profiles:
        return None
    named = {reading.designation for reading in markings}
    density = catalogue.entry_prior * posterior.unit_density[catalogue.entry_unit]
    rows = [catalogue.rows_named[name] for name in named if name in catalogue.rows_named]
    by_size = int(np.argmax(density))
    if not rows or density[np.concatenate(rows)].max() > 1e-3 * density[by_size]:
        return None
    spec = catalogue.entries[by_size].spec
    first = markings[0].designation
    likelier = (
        "size" if candidates and candidates[0].variants[0].entry.spec.designation not in named else "marking"
    )
    return (
        f"The marking says {first}, the size says {spec.designation} ({spec.size_text}). "
        f"The {likelier} is the likelier; look at both again."
    )


def _entropy(by_envelope: Floats, none: float) -> float:
    chances = np.append(by_envelope, none)
    chances = chances[chances > 0]
    return float(-(chances * np.log2(chances)).sum())
