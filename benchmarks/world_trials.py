"""The ranking judged in the world apart: how often it is right first, and how often sure and wrong."""

from __future__ import annotations

import math
from dataclasses import dataclass

from ample.core.identify import KindEvidence, Observation, identify, standard_catalogue
from ample.core.sizes import default_instrument
from benchmarks.trials import interval
from benchmarks.world import FAMILIES, MISHAPS, USUAL, Found, Habits, World, others_that_fit

SURE = 0.90
# sure and wrong at most so often, by family; right first at least so often after a zero error
MOST_WRONG = {"bearing": 0.01, "o_ring": 0.02, "lip_seal": 0.02, "hydraulic_seal": 0.02}
PLAIN = 3  # sizes that make a part of a family what it is
PICTURES = {"o_ring": "o_ring", "hydraulic_seal": "u_cup"}


@dataclass
class Outcome:
    """Of the draws that somebody could know: right first, sure, sure and wrong."""

    family: str
    mishap: str
    draws: int = 0
    apart: int = 0
    first: int = 0
    sure: int = 0
    wrong: int = 0

    def add(self, found: Found) -> None:
        """Rank a part and count it."""
        if others_that_fit(found):
            self.apart += 1
            return
        self.draws += 1
        chance, right = _best(found)
        self.first += right
        self.sure += chance >= SURE
        self.wrong += chance >= SURE and not right

    def share(self, name: str) -> tuple[float, float, float]:
        """A share with its 95 % binomial interval."""
        hits = getattr(self, name)
        return hits / max(self.draws, 1), *interval(hits, self.draws)


def _best(found: Found) -> tuple[float, bool]:
    """The chance of the first candidate, and whether it is the part."""
    caliper = default_instrument("caliper")
    read = tuple(
        Observation(each.feature, each.values_mm, caliper, family=found.family) for each in found.readings
    )
    catalogue = standard_catalogue(found.family)
    picture = PICTURES.get(found.family)
    seen = KindEvidence.of(picture, {}, catalogue.family) if picture else None
    candidates = identify(catalogue, read, limit=3, most_variants=1, seen=seen).candidates
    if not candidates:
        return 0.0, False
    return candidates[0].probability, _same(candidates[0].envelope_mm, found)


def _same(envelope_mm: tuple[float, ...], found: Found) -> bool:
    sizes = [each for each in found.sizes_mm[:PLAIN] if each]
    if found.family == "bearing":
        plain = all(math.isclose(a, b, abs_tol=1e-3) for a, b in zip(envelope_mm[:2], sizes[:2], strict=True))
        return plain and any(math.isclose(each, sizes[2], abs_tol=1e-3) for each in envelope_mm[2:])
    return all(math.isclose(a, b, abs_tol=1e-3) for a, b in zip(envelope_mm, sizes, strict=False))


def in_the_world(draws: int, habits: Habits = USUAL, seed: int = 16) -> list[Outcome]:
    """Every family under every mishap, one reading a feature."""
    found = []
    for family in FAMILIES:
        for mishap in MISHAPS:
            if mishap == "rust" and family != "bearing":
                continue
            outcome = Outcome(family, mishap)
            for each in World(family, seed, mishap, habits).draws(draws):
                outcome.add(each)
            found.append(outcome)
    return found


def main(draws: int) -> int:
    """Print what the world says of the ranking; 0 when it is sure and wrong no oftener than it may be."""
    outcomes = in_the_world(draws)
    print(
        "\n  family          mishap   draws  apart   right first, 95 %          sure       sure and wrong, 95 %"
    )
    held = True
    for each in outcomes:
        first, wrong = each.share("first"), each.share("wrong")
        limit = MOST_WRONG[each.family]
        held = held and (each.mishap == "none" or wrong[0] <= limit)
        print(
            f"  {each.family:15} {each.mishap:7} {each.draws:6} {each.apart:6}"
            f"   {100 * first[0]:5.1f} ({100 * first[1]:.1f} to {100 * first[2]:.1f})"
            f"   {100 * each.share('sure')[0]:6.1f}"
            f"   {100 * wrong[0]:6.2f} ({100 * wrong[1]:.2f} to {100 * wrong[2]:.2f}), at most {100 * limit:g}"
        )
    return 0 if held else 1
