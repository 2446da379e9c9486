"""The ranking judged in the world apart: how often it is right first, how often sure and wrong, and whether it is honest."""

from __future__ import annotations

import math
import os
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass, field
from itertools import repeat

import numpy as np

from ample.core.identify import (
    Catalogue,
    Identification,
    KindEvidence,
    Observation,
    identify,
    standard_catalogue,
)
from ample.core.identify.origin import for_job
from ample.core.identify.wear_level import ConfirmedRing, for_wear, wear_level
from ample.core.sizes import default_instrument
from benchmarks.trials import interval
from benchmarks.world import FAMILIES, MISHAPS, ORIGINS, USUAL, Found, Habits, World, others_that_fit
from benchmarks.world_best import BestPossible, BestSeal, catalogue_met, shares_met

SURE = 0.90
# sure and wrong at most so often, by family; right first at least so often after a zero error
MOST_WRONG = {"bearing": 0.01, "o_ring": 0.02, "lip_seal": 0.02, "hydraulic_seal": 0.02}
FIRST_AFTER_ZERO = 0.90
MOST_BEHIND, CALIBRATION, CALIBRATION_ELSEWHERE = 0.015, 0.03, 0.06
PLAIN = 3  # sizes that make a part of a family what it is
SOFT = ("o_ring", "lip_seal", "hydraulic_seal")
PICTURES = {"o_ring": "o_ring", "hydraulic_seal": "u_cup"}
BINS, BOOTSTRAPS = 10, 400
MOST_OF_BEST = {"o_ring": 2000, "lip_seal": 400, "hydraulic_seal": 400}  # it is slow
# what the Bench asks once a job, where the machine was built, can be answered of these
SAID = ("inch", "metric", "far_east")
RINGS_OF_A_JOB = (
    10  # ranked one after another, each with what the confirmed ones before it tell of the machine's wear
)
CONFIRMED_AS_SHOWN = 0.05  # of them nobody looks closer: confirmed is what was shown first, right or wrong
ASKED, NOT_ASKED = ", and it was said", ", nobody asked"
ELSEWHERE = (
    ("as it is", USUAL),
    ("wear halved", Habits(wear=0.5)),
    ("wear doubled", Habits(wear=2.0)),
    *((f"{origin} leads{NOT_ASKED}", Habits(leading=origin)) for origin in SAID),
    *((f"{origin} leads{ASKED}", Habits(leading=origin)) for origin in SAID),
    *((f"{origin} leads", Habits(leading=origin)) for origin in ORIGINS if origin not in SAID),
)


@dataclass
class Outcome:
    """Of the draws that somebody could know: right first, sure, sure and wrong.

    `apart` are those whose readings fit another listed size as it is made; `alike` those of the sure and wrong that fit
    another as use leaves it.
    """

    family: str
    mishap: str
    draws: int = 0
    apart: int = 0
    first: int = 0
    sure: int = 0
    wrong: int = 0
    alike: int = 0

    def add(self, found: Found, rank: Callable[[Found], tuple[float, bool]]) -> None:
        """Rank a part and count it: the chance of the first, and whether that is the part."""
        if others_that_fit(found):
            self.apart += 1
            return
        self.draws += 1
        chance, right = rank(found)
        self.first += right
        self.sure += chance >= SURE
        if chance >= SURE and not right:
            self.wrong += 1
            self.alike += bool(others_that_fit(found, used=True))

    def share(self, name: str) -> tuple[float, float, float]:
        """A share with its 95 % binomial interval."""
        hits = self.wrong - self.alike if name == "unlike" else getattr(self, name)
        return hits / max(self.draws, 1), *interval(hits, self.draws)


def read_of(found: Found) -> tuple[Observation, ...]:
    """The readings of a part of this world, each taken once with a caliper."""
    caliper = default_instrument("caliper")
    return tuple(
        Observation(each.feature, each.values_mm, caliper, family=found.family) for each in found.readings
    )


def ranked(found: Found, catalogue: Catalogue) -> Identification:
    """What the product says of a part of this world."""
    read = read_of(found)
    picture = PICTURES.get(found.family)
    seen = KindEvidence.of(picture, {}, catalogue.family) if picture else None
    return identify(catalogue, read, limit=3, most_variants=1, seen=seen)


def _best(found: Found) -> tuple[float, bool]:
    """The chance of the first candidate, and whether it is the part."""
    candidates = ranked(found, standard_catalogue(found.family)).candidates
    if not candidates:
        return 0.0, False
    return candidates[0].probability, _same(candidates[0].envelope_mm, found)


def _same(envelope_mm: tuple[float, ...], found: Found) -> bool:
    sizes = [each for each in found.sizes_mm[:PLAIN] if each]
    if found.family == "bearing":
        plain = all(math.isclose(a, b, abs_tol=1e-3) for a, b in zip(envelope_mm[:2], sizes[:2], strict=True))
        return plain and any(math.isclose(each, sizes[2], abs_tol=1e-3) for each in envelope_mm[2:])
    return all(math.isclose(a, b, abs_tol=1e-3) for a, b in zip(envelope_mm, sizes, strict=False))


def outcome(family: str, mishap: str, draws: int, seed: int = 16) -> Outcome:
    """One family under one mishap, one reading a feature."""
    made = Outcome(family, mishap)
    for each in World(family, seed, mishap).draws(draws):
        made.add(each, _best)
    return made


def best_outcome(family: str, mishap: str, draws: int, seed: int = 16) -> Outcome:
    """A family of what is soft under a mishap, ranked by the best that anybody could do who knows this world's rules."""
    made = Outcome(family, mishap)
    best: BestPossible | BestSeal = BestPossible(shares_met()) if family == "o_ring" else BestSeal(family)

    def ranked_best(found: Found) -> tuple[float, bool]:
        order = best.order(found)
        return (order[0][0], _same(order[0][1], found)) if order else (0.0, False)

    for each in World(family, seed, mishap).draws(draws):
        made.add(each, ranked_best)
    return made


def in_the_world(draws: int) -> list[Outcome]:
    """Every family under every mishap."""
    asked = [
        (family, mishap)
        for family in FAMILIES
        for mishap in MISHAPS
        if mishap != "rust" or family == "bearing"
    ]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        return list(pool.map(outcome, *zip(*asked, strict=True), repeat(draws)))


@dataclass
class RingOutcome:
    """O-rings with the list shares of this world: ours and the best possible, on the same draws."""

    name: str
    ours: list[tuple[float, bool]] = field(default_factory=list)
    best: list[tuple[float, bool]] = field(default_factory=list)

    def first(self, rows: list[tuple[float, bool]]) -> float:
        """How often the first one is right."""
        return sum(right for _, right in rows) / max(len(rows), 1)

    def calibration(self, seed: int = 1) -> tuple[float, float, float]:
        """Mean gap between what is shown of the first and how often it is right, with a 95 % bootstrap interval."""
        random = np.random.default_rng(seed)
        rows = np.array(self.ours, dtype=float)
        again = [_gap(rows[random.integers(len(rows), size=len(rows))]) for _ in range(BOOTSTRAPS)]
        low, high = np.quantile(again, [0.025, 0.975])
        return _gap(rows), float(low), float(high)


def _gap(rows: np.ndarray) -> float:
    """Mean of |shown − right| over ten bins of equal count."""
    parts = np.array_split(rows[np.argsort(rows[:, 0], kind="stable")], BINS)
    return float(np.mean([abs(part[:, 0].mean() - part[:, 1].mean()) for part in parts]))


def rings(name: str, habits: Habits, draws: int, seed: int = 21) -> RingOutcome:
    """Rings of this world ranked with its shares of the lists; the best possible too where nothing is out of the usual.

    Where another list leads, the question that the Bench asks once a job is answered, or not. Rings come in jobs: what
    was confirmed of a job tells how hard its machine was used.
    """
    shares = shares_met()
    catalogue, best = catalogue_met(shares), BestPossible(shares)
    if name.endswith(ASKED):
        catalogue = for_job(catalogue, habits.leading, ())
    made, random = RingOutcome(name), np.random.default_rng(seed + 1)
    confirmed: list[ConfirmedRing] = []
    for number, found in enumerate(World("o_ring", seed, "none", habits).draws(draws)):
        if number % RINGS_OF_A_JOB == 0:
            confirmed = []
        first = ranked(found, for_wear(catalogue, wear_level(catalogue, confirmed))).candidates[0]
        as_shown = random.random() < CONFIRMED_AS_SHOWN
        said = first.variants[0].entry.spec.designation if as_shown else found.designation
        confirmed.insert(0, ConfirmedRing(said, read_of(found)))
        made.ours.append((first.probability, _same(first.envelope_mm, found)))
        if habits == USUAL:
            order = best.order(found) or [(0.0, (0.0, 0.0))]
            made.best.append((order[0][0], _same(order[0][1], found)))
    return made


def of_rings(draws: int) -> list[RingOutcome]:
    """As it is, with other wear, and with another list leading than the shares say."""
    names, habits = zip(*ELSEWHERE, strict=True)
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        return list(pool.map(rings, names, habits, repeat(draws)))


def main(draws: int) -> int:
    """Print what the world says of the ranking; 0 when it is sure and wrong no oftener than it may be, and honest."""
    held = _print_outcomes(in_the_world(draws))
    asked = [(family, mishap) for family in SOFT for mishap in ("none", "slip")]
    counts = [min(draws, MOST_OF_BEST[family]) for family, _ in asked]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        best = list(pool.map(best_outcome, *zip(*asked, strict=True), counts))
    for each in best:
        print(
            f"  {each.family}, the best possible, {each.mishap}: {each.draws} draws, right first"
            f" {100 * each.share('first')[0]:.1f}, sure {100 * each.share('sure')[0]:.1f},"
            f" sure and wrong {_of(each.share('wrong'))}, unlike any other as used {_of(each.share('unlike'))}"
        )
    return 0 if _print_rings(of_rings(min(draws, 4000))) and held else 1


def _of(share: tuple[float, float, float]) -> str:
    return f"{100 * share[0]:.2f} ({100 * share[1]:.2f} to {100 * share[2]:.2f})"


def _print_outcomes(outcomes: list[Outcome]) -> bool:
    print(
        "\n  family          mishap   draws  apart   right first, 95 %          sure   sure and wrong, 95 %"
        "          and unlike any other as used"
    )
    held = True
    for each in outcomes:
        first, wrong, unlike = each.share("first"), each.share("wrong"), each.share("unlike")
        limit = MOST_WRONG[each.family]
        held = held and (each.mishap == "none" or unlike[0] <= limit)
        if each.family == "bearing" and each.mishap == "zero":
            held = held and first[0] >= FIRST_AFTER_ZERO
        print(
            f"  {each.family:15} {each.mishap:7} {each.draws:6} {each.apart:6}"
            f"   {100 * first[0]:5.1f} ({100 * first[1]:.1f} to {100 * first[2]:.1f})"
            f"   {100 * each.share('sure')[0]:6.1f}"
            f"   {100 * wrong[0]:6.2f} ({100 * wrong[1]:.2f} to {100 * wrong[2]:.2f})"
            f"   {100 * unlike[0]:6.2f} ({100 * unlike[1]:.2f} to {100 * unlike[2]:.2f}), at most {100 * limit:g}"
        )
    return held


def _print_rings(outcomes: list[RingOutcome]) -> bool:
    print(
        "\n  O-rings with the list shares of this world   draws   first   best possible   calibration, 95 %"
    )
    held = True
    for each in outcomes:
        gap, low, high = each.calibration()
        usual, judged = bool(each.best), not each.name.endswith(NOT_ASKED)
        limit = CALIBRATION if usual else CALIBRATION_ELSEWHERE
        held = held and (gap <= limit or not judged)
        if usual:
            held = held and each.first(each.best) - each.first(each.ours) <= MOST_BEHIND
        best = f"{100 * each.first(each.best):15.1f}" if usual else " " * 15
        print(
            f"  {each.name:44} {len(each.ours):6} {100 * each.first(each.ours):7.1f} {best}"
            f"   {100 * gap:5.1f} ({100 * low:.1f} to {100 * high:.1f})"
            + (f", at most {100 * limit:g}" if judged else ", to compare")
        )
    return held
