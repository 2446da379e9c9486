"""Ranking everything listed against what was read, with none-of-these and the unit asked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from ample.core.errors import BadInput
from ample.core.identify.advice import advice, neighbours, of_the_mark
from ample.core.identify.agreement import DISAGREES_SIGMA, FeatureAgreement, agreement, worth
from ample.core.identify.catalogue import Catalogue, Entry
from ample.core.identify.clash import clash
from ample.core.identify.explanations import (
    EVEN_CHANCE,
    ONE_READING,
    Explanation,
    Weights,
    explanations,
    on_no_list,
)
from ample.core.identify.kind_evidence import (
    KindEvidence,
    NextQuestion,
    kind_likelihood,
    next_question,
    schemes_meant,
)
from ample.core.identify.marking_evidence import Evidence, marking_likelihood, not_listed
from ample.core.identify.next_measurement import NextMeasurement, State, best_next
from ample.core.identify.observations import Observation
from ample.core.identify.posterior import Posterior, listed_prior, measure, unlisted_of
from ample.core.identify.rivals import rivalled
from ample.core.identify.unit_hint import UnitHint, unit_hint
from ample.core.identify.values import ranking_value
from ample.core.parts import MarkingReading
from ample.core.sizes import Instrument, default_instrument

Floats = NDArray[np.float64]

NEARLY_CERTAIN = 0.5
OFF_MODEL = ranking_value("off_model")
# of the likeliest listed part, where the part is on no list: less likely, and missing a reading by more, it is no answer
HARDLY, NOT_NEAR_MM = 0.01, 5.0
LEAST_SHARE = 1e-3  # of a kind, to be named


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
    """The whole answer: candidates, none of these, unit hint, clash and what to measure next.

    Where the best candidate misses a reading by more than four standard uncertainties, `explanations` are what would
    explain it (where none of them leads without such a miss, that alone), and `unexplained` is what is taken from the
    candidates and left open: a model that did not foresee a reading is not to be trusted to the last percent. The chances of candidates, none and unexplained sum to 1.
    """

    candidates: tuple[Candidate, ...]
    none_probability: float
    unexplained: float
    explanations: tuple[Explanation, ...]
    unit_hint: UnitHint | None
    next_measurement: NextMeasurement | None
    clash: str | None
    entropy_bits: float
    next_question: NextQuestion | None
    kinds: tuple[tuple[str, float], ...]
    offered: tuple[str, ...]
    advice: tuple[str, ...]

    @property
    def comes_near(self) -> bool:
        """Whether anything listed is an answer: likely at all, or near enough to what was read to be looked at."""
        if self.none_probability < NEARLY_CERTAIN or not self.candidates:
            return True
        first = self.candidates[0]
        missed = first.misfit if first.misfit and first.misfit.agreement == "disagrees" else None
        return first.probability > HARDLY or (missed is not None and abs(missed.off_mm or 0.0) <= NOT_NEAR_MM)


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
    names = [(each.feature, each.instrument, each.typed_to_mm) for each in read]
    if len(set(names)) != len(names):
        raise BadInput(
            "feature_twice",
            "A feature is given twice with one instrument. List repeats together.",
            "observations",
        )
    of_none = unlisted_of(catalogue.family, _kinds_open(catalogue, told))
    posterior = measure(catalogue, read, of_none)
    evidence = marking_likelihood(catalogue, markings)
    weighed = _weighed(catalogue, posterior, evidence, kind_likelihood(catalogue, told))
    if rivalled(catalogue, read, posterior, weighed.by_unit):
        posterior = measure(catalogue, read, of_none, closely=True)
        weighed = _weighed(catalogue, posterior, evidence, kind_likelihood(catalogue, told))
    order = _likeliest(weighed.by_envelope, limit)
    offered = catalogue.family.offered(_schemes(catalogue, told, weighed.by_envelope, order))
    candidates = _candidates(catalogue, read, order, weighed, most_variants, offered)
    missed = _missed(candidates)
    left_open = OFF_MODEL if missed else 0.0
    why: tuple[Explanation, ...] = ()
    if missed:
        named = not_listed(catalogue, markings)
        why = _why(catalogue, read, posterior, weighed, kind_likelihood(catalogue, told), named)
    elif weighed.none > EVEN_CHANCE and (read or markings):
        why = (on_no_list(catalogue, read, weighed.none, not_listed(catalogue, markings)),)
    instrument = at_hand or (read[-1].instrument if read else default_instrument("caliper"))
    state = State(catalogue, posterior, weighed.by_envelope, weighed.none, weighed.by_unit)
    again = frozenset(missed) | {each.feature for each in why if each.what == ONE_READING}
    return Identification(
        tuple(replace(each, probability=each.probability * (1 - left_open)) for each in candidates),
        weighed.none,
        left_open * (1 - weighed.none),
        why,
        unit_hint(catalogue, read, posterior.total),
        best_next(state, read, bool(markings), instrument, offered, again),
        clash(catalogue, markings, read, weighed.group_factor),
        _entropy(weighed.by_envelope, weighed.none),
        next_question(catalogue, weighed.by_kind, told),
        _shares(catalogue, weighed.by_kind),
        offered,
        _advice(catalogue, read, markings, candidates),
    )


def _missed(candidates: tuple[Candidate, ...]) -> tuple[str, ...]:
    """The features that the best candidate misses by more than four standard uncertainties."""
    if not candidates:
        return ()
    return tuple(
        each.feature
        for each in candidates[0].features
        if each.agreement == "not_of_this" or (each.sigmas or 0.0) > DISAGREES_SIGMA
    )


def _why(
    catalogue: Catalogue,
    read: tuple[Observation, ...],
    posterior: Posterior,
    weighed: RankingPosterior,
    of_kind: Floats,
    named: str,
) -> tuple[Explanation, ...]:
    close = posterior if posterior.closely else measure(catalogue, read, closely=True)
    none = weighed.none / weighed.scale  # on the scale of Σ P(c) l(t | c) l(e | c) p(m | c)
    unmarked = weighed.evidence.background * catalogue.group_prior if len(weighed.evidence.rows) else None
    weights = Weights(
        of_kind[catalogue.group_kind], weighed.group_weight, unmarked, weighed.evidence.of, none
    )
    found = explanations(catalogue, read, close, weights, named)
    return tuple(replace(each, share=each.share * (1 - OFF_MODEL)) for each in found)


def _advice(
    catalogue: Catalogue,
    read: tuple[Observation, ...],
    markings: Sequence[MarkingReading],
    candidates: tuple[Candidate, ...],
) -> tuple[str, ...]:
    best = candidates[0].variants[0].entry.spec if candidates else None
    name, kind = (best.designation, best.kind) if best else ("", "")
    longer = of_the_mark(catalogue, markings, name)
    said = ((longer,) if longer else ()) + advice(catalogue, read, name, kind)
    if catalogue.family.name != "o_ring":
        return said
    rings = [
        (each.variants[0].entry.spec.designation, each.envelope_mm[:2], each.probability)
        for each in candidates[:2]
    ]
    alike = neighbours(read, rings)
    return (alike, *said) if alike else said


@dataclass(frozen=True)
class RankingPosterior:
    """Chances by envelope, unit and kind, and of none; and what a part's own chance is made of."""

    by_envelope: Floats
    by_unit: Floats
    by_kind: Floats
    none: float
    group_factor: Floats
    group_weight: Floats
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
    group_weight = evidence.background * catalogue.group_prior + named
    density = factor * group_weight
    seen = float(catalogue.group_prior @ of_kind[catalogue.group_kind])
    none = posterior.none_density * evidence.of_none * seen
    listed = listed_prior(catalogue.family)
    total = listed * float(density.sum()) + none
    chance = listed * density / total
    return RankingPosterior(
        _summed(catalogue.group_envelope, chance, len(catalogue.envelopes_mm)),
        _summed(catalogue.group_unit, chance, len(catalogue.unit_tolerances)),
        _summed(catalogue.group_kind, chance, len(catalogue.kinds)),
        none / total,
        factor,
        group_weight,
        evidence,
        listed / total,
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
    likely = np.flatnonzero(chances > LEAST_SHARE)
    order = likely[np.argsort(-chances[likely], kind="stable")]
    return tuple((catalogue.kinds[i], float(chances[i])) for i in order)


def _candidates(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    order: NDArray[np.intp],
    weighed: RankingPosterior,
    most_variants: int,
    offered: tuple[str, ...],
) -> tuple[Candidate, ...]:
    found = []
    read = worth(observations)
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
                    agreement(catalogue, unit, feature, read.get(feature.name))
                    for feature in catalogue.family.features
                    if feature.name in offered or feature.name in read
                ),
                variants, len(members), _shares(catalogue, by_kind / max(by_kind.sum(), 1e-300)),
                catalogue.family.contract_dimensions(variants[0].entry.spec.kind, sizes),
            )
        )  # fmt: skip
    return tuple(found)


def _entropy(by_envelope: Floats, none: float) -> float:
    chances = np.append(by_envelope, none)
    chances = chances[chances > 0]
    return float(-(chances * np.log2(chances)).sum())
