"""Trials of identification of seals, rings and small parts, family by family."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from ample.core.identify import KindEvidence, identify, standard_catalogue
from ample.core.sizes import default_instrument
from benchmarks.seal_parts import TOLD, WHOLE, SealDraw, SealReference, SealSimulator
from benchmarks.simulate import AS_MODELLED, DIFFERENT
from benchmarks.trials import Tally

SETS = {
    "lip_seal": (
        WHOLE["lip_seal"],
        ("outside",),
        ("shaft_track", "housing_bore", "width"),
        ("free_lip", "outside", "width"),
    ),
    "o_ring": (WHOLE["o_ring"], ("outside", "section_1"), ("inside",)),
    "hydraulic_seal": (
        WHOLE["hydraulic_seal"],
        ("rod", "groove_diameter", "groove_width"),
        ("inside", "outside", "height"),
    ),
}

GROOVES = 1500  # what is nearly always right is counted over more draws
RING_AND_GROOVE = (*WHOLE["o_ring"], "groove_diameter", "groove_depth", "groove_width")


def ranked(simulator: SealSimulator, draw: SealDraw) -> tuple[list[int], list[float], float]:
    """Envelopes in our order with their chances, and none."""
    family = simulator.family
    seen = KindEvidence(family.kinds_meant(draw.group))
    found = identify(simulator.catalogue, draw.observations, limit=6, most_variants=1, seen=seen)
    sizes = simulator.catalogue.envelopes_mm
    order = sorted(
        (
            (each.probability, int(np.argmin(np.abs(sizes - each.envelope_mm).sum(axis=1))))
            for each in found.candidates
        ),
        key=lambda pair: (-round(pair[0], 6), pair[1]),
    )
    return [index for _, index in order], [chance for chance, _ in order], found.none_probability


@dataclass
class FamilyTrial:
    """One family: ours and the best possible on the same draws, and the calibration in both worlds."""

    family: str
    ours: Tally
    best: Tally
    modelled: Tally
    different: Tally
    bore_first: float | None
    with_groove: Tally | None

    def figures(self) -> dict[str, object]:
        """All figures for the report."""
        listed = max(self.ours.listed, 1)
        return {
            "family": self.family,
            "first": 100 * self.ours.first / listed,
            "best_first": 100 * self.best.first / listed,
            "in_three": 100 * self.ours.in_three / listed,
            "draws": self.ours.draws,
            "calibration_points": 100 * self.modelled.calibration_error(),
            "none_points": 100 * self.modelled.none_error(),
            "different_calibration_points": 100 * self.different.calibration_error(),
            "different_none_points": 100 * self.different.none_error(),
            "bore_first": self.bore_first,
            "with_groove_in_three": self.with_groove
            and 100 * self.with_groove.in_three / self.with_groove.draws,
        }


def every_family(compared: int, more: int) -> list[FamilyTrial]:
    """Each family measured whole, and in other ways for its calibration."""
    return [one_family(name, compared, more) for name in WHOLE]


def one_family(name: str, compared: int, more: int) -> FamilyTrial:
    """The trial of one family."""
    catalogue, caliper = standard_catalogue(name), default_instrument("caliper")
    simulator = SealSimulator(catalogue, caliper, 41, AS_MODELLED)
    reference = SealReference(catalogue, caliper)
    ours, best = Tally(f"{name}, ours"), Tally(f"{name}, best")
    for number in range(compared):
        draw = simulator.draw(TOLD[name][number % len(TOLD[name])], WHOLE[name], 1, listed=True)
        ours.add(*ranked(simulator, draw), draw.envelope)
        order = reference.order(draw)[:6]
        best.add([e for _, e in order], [p for p, _ in order] or [0.0], 0.0, draw.envelope)
    worlds = []
    for habits, seed in ((AS_MODELLED, 43), (DIFFERENT, 47)):
        world, tally = SealSimulator(catalogue, caliper, seed, habits), Tally(name)
        sets = SETS.get(name, (WHOLE[name],))
        for number in range(more):
            draw = world.draw(TOLD[name][number % len(TOLD[name])], sets[number % len(sets)], 1 + number % 3)
            tally.add(*ranked(world, draw), draw.envelope)
        worlds.append(tally)
    bore = _bore(simulator, compared) if name == "lip_seal" else None
    groove = _with_groove(simulator, max(compared, GROOVES)) if name == "o_ring" else None
    return FamilyTrial(name, ours, best, worlds[0], worlds[1], bore, groove)


def _with_groove(simulator: SealSimulator, count: int) -> Tally:
    """A ring measured with the groove that it sat in: what the sheet asks for when a ring alone cannot tell."""
    tally = Tally("o_ring with its groove")
    for _ in range(count):
        draw = simulator.draw("round", RING_AND_GROOVE, 1, listed=True)
        tally.add(*ranked(simulator, draw), draw.envelope)
    return tally


def _bore(simulator: SealSimulator, count: int) -> float:
    """From a used seal's outside alone: how often the likeliest housing bore is the right one, %."""
    right = 0
    for number in range(count):
        draw = simulator.draw(TOLD["lip_seal"][number % 3], ("outside",), 1, listed=True)
        seen = KindEvidence(simulator.family.kinds_meant(draw.group))
        found = identify(simulator.catalogue, draw.observations, limit=100, most_variants=1, seen=seen)
        bores: dict[float, float] = {}
        for each in found.candidates:
            bores[each.envelope_mm[1]] = bores.get(each.envelope_mm[1], 0.0) + each.probability
        assert draw.envelope is not None
        right += (
            max(bores, key=lambda size: bores[size]) == simulator.catalogue.envelopes_mm[draw.envelope][1]
        )
    return float(100 * right / count)
