"""Trials of identification: how often right, and whether its percentages mean what they say."""

from __future__ import annotations

import itertools
from dataclasses import dataclass, field

import numpy as np
from scipy.stats import beta

from ample.core.identify import Catalogue, KindEvidence, identify, standard_catalogue
from ample.core.sizes import default_instrument
from benchmarks.reference import Reference
from benchmarks.simulate import AS_MODELLED, DIFFERENT, Draw, Habits, Simulator, whole_set

BITS_DRAWS = 6
SAME_CHANCE = 6  # decimals: what is equally likely is ordered alike in ours and in the reference
BINS = (0.0, 0.1, 0.3, 0.5, 0.7, 0.85, 0.95, 0.99, 0.999, 1.0001)


def interval(hits: int, of: int) -> tuple[float, float]:
    """Binomial interval (Clopper-Pearson, 95 %)."""
    low = 0.0 if hits == 0 else float(beta.ppf(0.025, hits, of - hits + 1))
    high = 1.0 if hits == of else float(beta.ppf(0.975, hits + 1, of - hits))
    return low, high


@dataclass
class Tally:
    """Counts of a trial."""

    name: str
    draws: int = 0
    first: int = 0
    in_three: int = 0
    log_score: float = 0.0
    wrong_and_sure: int = 0
    listed: int = 0
    unlisted: int = 0
    shown: list[tuple[float, bool]] = field(default_factory=list)
    none_shown: list[tuple[float, bool]] = field(default_factory=list)

    def add(self, order: list[int], chances: list[float], none: float, truth: int | None) -> None:
        """One draw: envelopes in order of chance, their chances, and which was true."""
        self.draws += 1
        self.none_shown.append((none, truth is None))
        right = chances[order.index(truth)] if truth in order else 0.0
        self.log_score += float(np.log2(max(none if truth is None else right, 1e-9)))
        if truth is None:
            self.unlisted += 1
            self.wrong_and_sure += chances[0] >= 0.9
        else:
            self.listed += 1
            self.first += order[0] == truth
            self.in_three += truth in order[:3]
        self.shown += [(p, index == truth) for p, index in zip(chances[:3], order[:3], strict=False)]

    def calibration_error(self) -> float:
        """Mean gap between what is shown and what is right, weighted by how often it is shown."""
        return _gap(self.shown)

    def none_error(self) -> float:
        """The same for none-of-these."""
        return _gap(self.none_shown)

    def table(self) -> list[dict[str, float]]:
        """Shown against right, by bin, with binomial intervals."""
        rows = []
        for low, high in itertools.pairwise(BINS):
            inside = [(p, ok) for p, ok in self.shown if low <= p < high]
            if inside:
                hits = sum(ok for _, ok in inside)
                bounds = interval(hits, len(inside))
                rows.append({"shown": float(np.mean([p for p, _ in inside])), "right": hits / len(inside),
                             "low": bounds[0], "high": bounds[1], "count": len(inside)})  # fmt: skip
        return rows


def _gap(shown: list[tuple[float, bool]]) -> float:
    total = 0.0
    for low, high in itertools.pairwise(BINS):
        inside = [(p, ok) for p, ok in shown if low <= p < high]
        if inside:
            gap = abs(np.mean([p for p, _ in inside]) - np.mean([ok for _, ok in inside]))
            total += float(gap) * len(inside)
    return total / max(len(shown), 1)


def our_ranking(
    simulator: Simulator, draw: Draw, seen: KindEvidence | None = None
) -> tuple[list[int], list[float], float, float]:
    """Envelopes in our order with their chances, none, and the entropy left, bits."""
    found = identify(simulator.catalogue, draw.observations, limit=5, most_variants=1, seen=seen)
    sizes = simulator.catalogue.envelopes_mm
    ranked = sorted(
        (
            (each.probability, int(np.argmin(np.abs(sizes - each.envelope_mm).sum(axis=1))))
            for each in found.candidates
        ),
        key=lambda pair: (-round(pair[0], SAME_CHANCE), pair[1]),
    )
    return (
        [index for _, index in ranked],
        [chance for chance, _ in ranked],
        found.none_probability,
        found.entropy_bits,
    )


@dataclass
class KindTrial:
    """One kind of bearing, told by its picture: ours, the best possible, the different world, bits gained."""

    kind: str
    ours: Tally
    best: Tally
    different: Tally
    bits: dict[str, float]
    measured: tuple[str, ...]

    @property
    def first_share(self) -> float:
        """How often the right envelope came first, %."""
        return 100 * self.ours.first / self.ours.listed

    @property
    def best_share(self) -> float:
        """How often it came first in the true model's own posterior, %."""
        return 100 * self.best.first / self.best.listed

    @property
    def three_share(self) -> float:
        """How often it was among the first three, %."""
        return 100 * self.ours.in_three / self.ours.listed

    @property
    def points_behind(self) -> float:
        """How far behind the best possible on the same draws, percentage points."""
        return self.best_share - self.first_share

    def figures(self) -> dict[str, object]:
        """All figures for the report."""
        return {
            "kind": self.kind,
            "measured": list(self.measured),
            "first": self.first_share,
            "best_first": self.best_share,
            "in_three": self.three_share,
            "draws": self.ours.draws,
            "log_score_bits": self.ours.log_score / self.ours.draws,
            "best_log_score_bits": self.best.log_score / self.best.draws,
            "different_calibration_points": 100 * self.different.calibration_error(),
            "different_none_points": 100 * self.different.none_error(),
            "bits": self.bits,
        }


def every_kind(compared: int, more: int) -> list[KindTrial]:
    """Each kind of bearing measured whole; the true model's own posterior beside it on the same draws."""
    catalogue = standard_catalogue()
    return [_one_kind(catalogue, kind, compared, more) for kind in catalogue.kinds]


def _one_kind(catalogue: Catalogue, kind: str, compared: int, more: int) -> KindTrial:
    caliper = default_instrument("caliper")
    number = catalogue.kinds.index(kind)
    simulator = Simulator(catalogue, caliper, seed=11 + number)
    reference = Reference(simulator, kind)
    seen = KindEvidence(frozenset({kind}))
    features = whole_set(kind)
    ours, best, other = Tally(f"{kind}, ours"), Tally(f"{kind}, best"), Tally(f"{kind}, different")
    for row in simulator.of_kind(kind, compared):
        draw = simulator.entry(row, features, 1)
        ours.add(*our_ranking(simulator, draw, seen)[:3], draw.envelope)
        listed, none = reference.posterior(draw)
        order = [int(i) for i in np.argsort(-np.round(listed, SAME_CHANCE), kind="stable")[:5]]
        best.add(order, [float(listed[i]) for i in order], none, draw.envelope)
    strange = Simulator(catalogue, caliper, seed=511 + number, habits=DIFFERENT)
    for count in range(more):
        draw = strange.from_prior(features, 1 + count % 3, kind)
        other.add(*our_ranking(strange, draw, seen)[:3], draw.envelope)
    return KindTrial(kind, ours, best, other, _bits(simulator, kind, features, seen), features)


def _bits(simulator: Simulator, kind: str, features: tuple[str, ...], seen: KindEvidence) -> dict[str, float]:
    """Mean bits that each measurement brings when they are taken in order, over a few parts."""
    gained = dict.fromkeys(features, 0.0)
    rows = simulator.of_kind(kind, BITS_DRAWS)
    for row in rows:
        draw = simulator.entry(row, features, 1)
        nothing = Draw(draw.envelope, kind, ())
        before = our_ranking(simulator, nothing, seen)[3]
        for count, name in enumerate(features, start=1):
            part = Draw(draw.envelope, kind, draw.observations[:count])
            after = our_ranking(simulator, part, seen)[3]
            gained[name] += (before - after) / len(rows)
            before = after
    return gained


def _trial(name: str, draws: int, habits: Habits, seed: int) -> Tally:
    """Any kind, its picture told half of the time; one to all features, one to three repeats."""
    simulator = Simulator(standard_catalogue(), default_instrument("caliper"), seed, habits)
    choices: tuple[tuple[str, ...] | None, ...] = (None, None, ("bore", "outside"), ("outside", "width"))
    tally = Tally(name)
    for number in range(draws):
        told = number % 2 == 0
        kind = None
        if told:
            prior = np.bincount(simulator.catalogue.entry_kind, simulator.catalogue.entry_prior)
            kind = simulator.catalogue.kinds[int(simulator.random.choice(len(prior), p=prior))]
        wanted = choices[number // 2 % len(choices)]
        if wanted and kind:
            wanted = whole_set(kind)[:2]
        if wanted is None and kind is None:
            wanted = ("bore", "outside", "width")
        draw = simulator.from_prior(wanted, 1 + number % 3, kind)
        if not draw.observations:
            continue
        seen = KindEvidence(frozenset({kind})) if kind else None
        tally.add(*our_ranking(simulator, draw, seen)[:3], draw.envelope)
    return tally


def from_the_model(draws: int) -> Tally:
    """Draws from the model: listed and unlisted."""
    return _trial("drawn from the model", draws, AS_MODELLED, 23)


def from_a_different_world(draws: int) -> Tally:
    """Heavier tails, more wear, a worse instrument than stated, more slips."""
    return _trial("drawn from a different generator", draws, DIFFERENT, 29)


def unlisted_only(draws: int) -> Tally:
    """Unlisted parts only, of every kind in turn, measured whole, the kind told."""
    simulator = Simulator(standard_catalogue(), default_instrument("caliper"), seed=31)
    tally = Tally("unlisted parts")
    kinds = [kind for kind in simulator.catalogue.kinds if not kind.endswith(("_cone", "_cup"))]
    for number in range(draws):
        kind = kinds[number % len(kinds)]
        draw = simulator.unlisted(kind, whole_set(kind), 1 + number % 3)
        tally.add(*our_ranking(simulator, draw, KindEvidence(frozenset({kind})))[:3], None)
    return tally
