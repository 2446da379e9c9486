"""Trials of identification: how often right, and whether its percentages mean what they say."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

import numpy as np
from scipy.stats import beta

from ample.core.identify import identify, standard_catalogue
from ample.core.sizes import default_instrument
from benchmarks.reference import Reference
from benchmarks.simulate import AS_MODELLED, DIFFERENT, Draw, Habits, Simulator

ALL = ("bore", "outside", "width")
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
        for low, high in zip(BINS, BINS[1:], strict=False):
            inside = [(p, ok) for p, ok in self.shown if low <= p < high]
            if inside:
                hits = sum(ok for _, ok in inside)
                bounds = interval(hits, len(inside))
                rows.append({"shown": float(np.mean([p for p, _ in inside])), "right": hits / len(inside),
                             "low": bounds[0], "high": bounds[1], "count": len(inside)})  # fmt: skip
        return rows


def _gap(shown: list[tuple[float, bool]]) -> float:
    total = 0.0
    for low, high in zip(BINS, BINS[1:], strict=False):
        inside = [(p, ok) for p, ok in shown if low <= p < high]
        if inside:
            gap = abs(np.mean([p for p, _ in inside]) - np.mean([ok for _, ok in inside]))
            total += float(gap) * len(inside)
    return total / max(len(shown), 1)


def our_ranking(simulator: Simulator, draw: Draw) -> tuple[list[int], list[float], float]:
    found = identify(simulator.catalogue, draw.observations, limit=5)
    sizes = simulator.catalogue.envelopes_mm
    order = [int(np.argmin(np.abs(sizes - (c.d_mm, c.D_mm, c.B_mm)).sum(axis=1))) for c in found.candidates]
    return order, [c.probability for c in found.candidates], found.none_probability


def every_bearing(each: int) -> tuple[Tally, Tally]:
    """Every envelope of the series read three times (bore, outside, width); ours and the best possible."""
    simulator = Simulator(standard_catalogue(), default_instrument("caliper"), seed=11)
    ours, best = Tally("every bearing, ours"), Tally("every bearing, the true model's own posterior")
    reference = Reference(simulator)
    for index in range(len(simulator.catalogue.envelopes_mm)):
        for _ in range(each):
            draw = simulator.envelope(index, ALL, 1)
            ours.add(*our_ranking(simulator, draw), draw.envelope)
            listed, none = reference.posterior(draw)
            order = [int(i) for i in np.argsort(-listed)[:5]]
            best.add(order, [float(listed[i]) for i in order], none, draw.envelope)
    return ours, best


def _trial(name: str, draws: int, habits: Habits, seed: int) -> Tally:
    simulator = Simulator(standard_catalogue(), default_instrument("caliper"), seed, habits)
    choices: Iterable[tuple[str, ...]] = (ALL, ALL, ("bore", "outside"), ("outside", "width"), ("bore",))
    kinds = list(choices)
    tally = Tally(name)
    for number in range(draws):
        draw = simulator.from_prior(kinds[number % len(kinds)], 1 + number % 3)
        tally.add(*our_ranking(simulator, draw), draw.envelope)
    return tally


def from_the_model(draws: int) -> Tally:
    """Draws from the model: listed and unlisted, one to three features, one to three repeats."""
    return _trial("drawn from the model", draws, AS_MODELLED, 23)


def from_a_different_world(draws: int) -> Tally:
    """Heavier tails, more wear, a worse instrument than stated, more slips."""
    return _trial("drawn from a different generator", draws, DIFFERENT, 29)


def unlisted_only(draws: int) -> Tally:
    """Unlisted parts only, all three features."""
    simulator = Simulator(standard_catalogue(), default_instrument("caliper"), seed=31)
    tally = Tally("unlisted parts")
    for number in range(draws):
        draw = simulator.unlisted(ALL, 1 + number % 3)
        tally.add(*our_ranking(simulator, draw), None)
    return tally
