"""Ranking everything listed against what was read, with none-of-these and the unit asked."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median

import numpy as np
from numpy.typing import NDArray

from ample.core.errors import BadInput
from ample.core.identify.advice import advice
from ample.core.identify.catalogue import Catalogue, Entry
from ample.core.identify.kind_evidence import (
    KindEvidence,
    NextQuestion,
    kind_likelihood,
    next_question,
    schemes_meant,
)
from ample.core.identify.marking_evidence import Evidence, marking_likelihood
from ample.core.identify.model import Observation
from ample.core.identify.next_measurement import NextMeasurement, State, best_next
from ample.core.identify.posterior import (
    LISTED_PRIOR,
    Posterior,
    measure,
    unlisted_of,
)
from ample.core.identify.unit_hint import UnitHint, likeliest_entry, unit_hint
from ample.core.parts import EffectTable, Feature, MarkingReading, Measure
from ample.core.sizes import Instrument, default_instrument

Floats = NDArray[np.float64]

NEARLY_CERTAIN = 0.5
DISAGREES_SIGMA, DOUBTFUL_SIGMA = 4.0, 2.5


@dataclass(frozen=True)
class FeatureAgreement:
    """How one feature agrees with a candidate: how far off, in mm and in standard uncertainties; no mm within a range that suits."""

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

    envelope_mm: tuple[float, ...]
    probability: float
    features: tuple[FeatureAgreement, ...]
    variants: tuple[VariantChance, ...]
    variant_count: int
    kinds: tuple[tuple[str, float], ...]
    dimensions: dict[str, float]

    @property
    def misfit(self) -> FeatureAgreement | None:
        """The feature that fits worst."""
        read = [each for each in self.features if each.sigmas is not None]
        return max(read, key=lambda each: each.sigmas or 0.0, default=None)


@dataclass(frozen=True)
class Identification:
    """The whole answer: candidates, none of these, unit hint, clash and what to measure next."""

    candidates: tuple[Candidate, ...]
    none_probability: float
    unit_hint: UnitHint | None
    next_measurement: NextMeasurement | None
    clash: str | None
    entropy_bits: float
    next_question: NextQuestion | None
    kinds: tuple[tuple[str, float], ...]
    offered: tuple[str, ...]
    advice: tuple[str, ...]


def identify(
    catalogue: Catalogue,
    observations: Sequence[Observation],
    markings: Sequence[MarkingReading] = (),
    limit: int = 10,
    at_hand: Instrument | None = None,
    most_variants: int = 60,
    seen: KindEvidence | None = None,
) -> Identification:
    """Rank everything listed against readings and marking.

    Formula: P(c | m, t, e) ∝ P(c) · l(t | c) · l(e | kind of c) · p(m | unit of c), with readings m, marking t and what was
    seen e; p(m | u) = Σ_k P(k) ∫ Π_f p(m_f | u, k, z) φ(z) dz (`posterior.measure`): condition k, error z shared by one
    instrument's readings, gross errors within p. P(c): an envelope and kind by its commonest part, shared among its
    variants. None of these: a part on no list, summed over its size grid (`unlisted.unlisted_density`).

    Args:
        catalogue: What is listed.
        observations: Readings by feature, mm; each feature at most once.
        markings: Readings of the marking, best first; none when it is not read.
        limit: How many candidates to give, 1 to 100; all are ranked.
        at_hand: The instrument for the next measurement; the one last used when not given.
        most_variants: How many listed parts to give for each candidate, 1 and more.
        seen: The kind chosen by its picture and questions answered; nothing when not given.

    Returns:
        Candidates with chances that mean what they say, none-of-these, the unit if it looks
        wrong, and the next measurement by expected information.

    Raises:
        BadInput: When a feature is given twice.

    Source: Bayes' rule with latent classes, e.g. C. M. Bishop, Pattern Recognition and Machine Learning (2006), ch. 1.5
        and 9 (from memory); the equations in full: docs/decisions/one-ranking.md; numbers: ranking_values.csv.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> caliper = default_instrument("caliper")
        >>> read = [Observation("bore", (24.99,), caliper), Observation("outside", (52.02,), caliper)]
        >>> identify(standard_catalogue(), read).candidates[0].dimensions["B_mm"]
        15.0
    """
    read = tuple(observations)
    told = seen or KindEvidence()
    names = [each.feature for each in read]
    if len(set(names)) != len(names):
        raise BadInput("feature_twice", "A feature is given twice. List repeats together.", "observations")
    posterior = measure(catalogue, read, unlisted_of(catalogue.family, _kinds_open(catalogue, told)))
    evidence = marking_likelihood(catalogue, markings)
    weighed = _weighed(catalogue, posterior, evidence, kind_likelihood(catalogue, told))
    order = _likeliest(weighed.by_envelope, limit)
    offered = catalogue.family.offered(_schemes(catalogue, told, weighed.by_envelope, order))
    candidates = _candidates(catalogue, read, order, weighed, most_variants, offered)
    instrument = at_hand or (read[-1].instrument if read else default_instrument("caliper"))
    state = State(catalogue, posterior, weighed.by_envelope, weighed.none, weighed.by_unit)
    return Identification(
        candidates,
        weighed.none,
        unit_hint(catalogue, read, posterior.total),
        best_next(state, read, bool(markings), instrument, offered),
        _clash(catalogue, markings, posterior, candidates, weighed),
        _entropy(weighed.by_envelope, weighed.none),
        next_question(catalogue, weighed.by_kind, told),
        _shares(catalogue, weighed.by_kind),
        offered,
        _advice(catalogue, read, candidates),
    )


def _advice(
    catalogue: Catalogue, read: tuple[Observation, ...], candidates: tuple[Candidate, ...]
) -> tuple[str, ...]:
    best = candidates[0].variants[0].entry.spec if candidates else None
    return advice(catalogue, read, best.designation if best else "", best.kind if best else "")


@dataclass(frozen=True)
class RankingPosterior:
    """Chances by envelope, unit and kind, and of none; and what a part's own chance is made of."""

    by_envelope: Floats
    by_unit: Floats
    by_kind: Floats
    none: float
    group_factor: Floats
    evidence: Evidence
    scale: float

    def of_entries(self, catalogue: Catalogue, rows: NDArray[np.intp]) -> Floats:
        """The chances of some parts."""
        density = catalogue.entry_prior[rows] * self.group_factor[catalogue.entry_group[rows]]
        return np.asarray(self.scale * density * self.evidence.of(rows))


def _weighed(
    catalogue: Catalogue, posterior: Posterior, evidence: Evidence, of_kind: Floats
) -> RankingPosterior:
    """Prior, readings, marking and what was seen, together."""
    factor = of_kind[catalogue.group_kind] * posterior.unit_density[catalogue.group_unit]
    rows = evidence.rows
    named = np.bincount(
        catalogue.entry_group[rows], catalogue.entry_prior[rows] * evidence.extra, len(factor)
    )
    density = factor * (evidence.background * catalogue.group_prior + named)
    seen = float(catalogue.group_prior @ of_kind[catalogue.group_kind])
    none = posterior.none_density * evidence.background * seen
    total = LISTED_PRIOR * float(density.sum()) + none
    chance = LISTED_PRIOR * density / total
    return RankingPosterior(
        _summed(catalogue.group_envelope, chance, len(catalogue.envelopes_mm)),
        _summed(catalogue.group_unit, chance, len(catalogue.unit_tolerances)),
        _summed(catalogue.group_kind, chance, len(catalogue.kinds)),
        none / total,
        factor,
        evidence,
        LISTED_PRIOR / total,
    )


def _summed(group: NDArray[np.intp], values: Floats, count: int) -> Floats:
    return np.asarray(np.bincount(group, values, count), dtype=np.float64)


def _likeliest(by_envelope: Floats, limit: int) -> NDArray[np.intp]:
    """The likeliest envelopes, best first; equal ones in their own order."""
    if limit >= len(by_envelope):
        return np.argsort(-by_envelope, kind="stable")
    least = np.partition(by_envelope, -limit)[-limit]
    rows = np.flatnonzero(by_envelope >= least)
    return np.asarray(rows[np.argsort(-by_envelope[rows], kind="stable")][:limit])


def _kinds_open(catalogue: Catalogue, told: KindEvidence) -> frozenset[str]:
    """The kinds that what was seen leaves open; none when nothing was seen."""
    if not told.kinds and not told.answers:
        return frozenset()
    likelihood = kind_likelihood(catalogue, told)
    return frozenset(
        kind
        for kind, chance in zip(catalogue.kinds, likelihood, strict=True)
        if chance > 0.1 * likelihood.max()
    )


def _schemes(
    catalogue: Catalogue, told: KindEvidence, by_envelope: Floats, order: NDArray[np.intp]
) -> frozenset[str]:
    """The schemes of dimensions to offer features of: as seen, or that of a nearly certain candidate."""
    seen = schemes_meant(told, catalogue.family.name)
    if seen or by_envelope[order[0]] < NEARLY_CERTAIN:
        return seen
    best = catalogue.envelope_rows[order[0]]
    return frozenset(
        catalogue.unit_tolerances[unit].scheme for unit in set(catalogue.entry_unit[best].tolist())
    )


def _shares(catalogue: Catalogue, chances: Floats) -> tuple[tuple[str, float], ...]:
    """Kinds with more than a thousandth, likeliest first."""
    order = np.argsort(-chances, kind="stable")
    return tuple((catalogue.kinds[i], float(chances[i])) for i in order if chances[i] > 1e-3)


def _candidates(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    order: NDArray[np.intp],
    weighed: RankingPosterior,
    most_variants: int,
    offered: tuple[str, ...],
) -> tuple[Candidate, ...]:
    found = []
    worth = {each.feature: _worth(each) for each in observations}
    for envelope in order:
        members = catalogue.envelope_rows[envelope]
        own_kind = catalogue.entry_kind[members]
        chance = weighed.of_entries(catalogue, members)
        by_kind = _summed(own_kind, chance, len(catalogue.kinds))
        ranked = np.lexsort((-chance, -by_kind[own_kind]))
        variants = tuple(
            VariantChance(catalogue.entries[members[place]], float(chance[place]))
            for place in ranked[:most_variants]
        )
        unit = int(catalogue.entry_unit[members[ranked[0]]])
        sizes = tuple(float(size) for size in catalogue.envelopes_mm[envelope])
        found.append(
            Candidate(
                sizes,
                float(weighed.by_envelope[envelope]),
                tuple(
                    _agreement(catalogue, unit, feature, worth.get(feature.name))
                    for feature in catalogue.family.features
                    if feature.name in offered or feature.name in worth
                ),
                variants, len(members), _shares(catalogue, by_kind / max(by_kind.sum(), 1e-300)),
                catalogue.family.contract_dimensions(variants[0].entry.spec.kind, sizes),
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
    found = catalogue.family.measures(catalogue.unit_tolerances[unit], feature.name)
    if not found:
        return FeatureAgreement(feature.name, "not_of_this", None, None)
    meant = min(found, key=lambda one: max(one.low_mm - middle, middle - one.high_mm, 0.0))
    if catalogue.family.grid:
        sigmas = _outside_by(meant, EffectTable.of(catalogue.family.effects_on[feature.name]), middle, u)
    else:
        sigmas = max(meant.low_mm - middle, middle - meant.high_mm, 0.0) / u
    word = "agrees" if sigmas <= DOUBTFUL_SIGMA else "doubtful" if sigmas <= DISAGREES_SIGMA else "disagrees"
    off = _off_mm(meant, middle)
    return FeatureAgreement(feature.name, word, off, round(sigmas, 2))


def _off_mm(meant: Measure, middle_mm: float) -> float | None:
    """How far a reading is from what it stands for; None for a place that it is within the range of."""
    if not meant.takes_range:
        return round(middle_mm - meant.nominal_mm, 4)
    inside = min(max(middle_mm, meant.low_mm), meant.high_mm)
    return None if inside == middle_mm else round(middle_mm - inside, 4)


def _outside_by(meant: Measure, effects: EffectTable, middle_mm: float, u_mm: float) -> float:
    """How many standard uncertainties a reading is outside the limits as the kindest condition moves them."""
    moved, residue = effects.moved_mm(meant)
    outside = np.maximum(meant.low_mm + moved - middle_mm, middle_mm - meant.high_mm - moved)
    return float((np.maximum(outside, 0.0) / np.hypot(u_mm, residue)).min())


def _clash(
    catalogue: Catalogue,
    markings: Sequence[MarkingReading],
    posterior: Posterior,
    candidates: tuple[Candidate, ...],
    weighed: RankingPosterior,
) -> str | None:
    """Marking and measurement say different parts: both sides in words."""
    if not markings or not posterior.profiles:
        return None
    named = {reading.designation for reading in markings}
    factor = weighed.group_factor
    rows = [catalogue.rows_named[name] for name in named if name in catalogue.rows_named]
    if not rows:
        return None
    by_size = likeliest_entry(catalogue, factor)
    together = np.append(np.concatenate(rows), by_size)
    density = catalogue.entry_prior[together] * factor[catalogue.entry_group[together]]
    if density[:-1].max() > 1e-3 * density[-1]:
        return None
    spec = catalogue.entries[by_size].spec
    first = markings[0].designation
    likelier = (
        "size" if candidates and candidates[0].variants[0].entry.spec.designation not in named else "marking"
    )
    return (
        f"The marking says {first}, the size says {spec.designation} ({spec.size_text}). "
        f"The {likelier} is more likely. Check both again."
    )


def _entropy(by_envelope: Floats, none: float) -> float:
    chances = np.append(by_envelope, none)
    chances = chances[chances > 0]
    return float(-(chances * np.log2(chances)).sum())
