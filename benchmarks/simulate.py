"""Simulated worn bearings of every kind: drawn from the model itself, and from a different generator."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from ample.core.identify import Catalogue, Observation
from ample.core.identify.gross_errors import LARGEST_MM, SMALLEST_MM
from ample.core.identify.unlisted import Shape, Unlisted
from ample.core.identify.values import ranking_value
from ample.core.parts import BEARING, NO_EFFECT, Family, Measure, bearing_kinds
from ample.core.sizes import INCH_MM, Instrument

SHARED_PART, ZERO_MM = ranking_value("shared_part"), ranking_value("zero_deviation")
ROUGH, ROUGH_MM = ranking_value("rough_share"), ranking_value("rough_scale")
STEPS_MM = (0.5, 1.0, 5.0, 10.0)
WHOLE = {
    "radial": ("bore", "outside", "width"),
    "taper": ("bore", "outside", "assembled_width", "outer_ring_width"),
    "cone": ("bore", "inner_ring_width"),
    "cup": ("outside", "outer_ring_width"),
    "thrust": ("bore", "outside", "width"),
    "needle": ("bore", "outside", "width"),
    "track": ("bore", "outside", "width", "outer_ring_width"),
    "insert": ("bore", "outside", "width", "outer_ring_width"),
}
BY_SEATS = ("shaft_seat", "housing_seat", "width")
DRAWN = ("drawn_cup", "drawn_cup_closed")


def whole_set(kind: str) -> tuple[str, ...]:
    """What is measured of a kind when all of it is: a drawn cup by its shaft and housing."""
    return BY_SEATS if kind in DRAWN else WHOLE[bearing_kinds()[kind].scheme]


@dataclass(frozen=True)
class Habits:
    """How the world departs from the model: 1 and 0 are as modelled."""

    tails: float = math.inf
    wear_factor: float = 1.0
    doubt_factor: float = 1.0
    slip: float = ranking_value("slip_share")
    rough: float = ROUGH


AS_MODELLED = Habits()
DIFFERENT = Habits(tails=5.0, wear_factor=1.5, doubt_factor=1.25, slip=0.0075, rough=0.0075)


def listed_share(family: Family) -> float:
    """How often a part of the family is listed; what is "not this family" is not drawn."""
    other = ranking_value("other_family")
    return (1 - family.unlisted_share - other) / (1 - other)


def zero_sigma_mm(instrument: Instrument) -> float:
    """How the zero of a sound instrument scatters, mm."""
    smallest = min(instrument.outside_u_mm, instrument.inside_u_mm) / 2
    return min(math.sqrt(SHARED_PART) * smallest, ZERO_MM)


class Hand:
    """How somebody measures: the zero of the instrument, rough spots, slips."""

    def __init__(self, random: np.random.Generator, instrument: Instrument, habits: Habits):
        self.random, self.instrument, self.habits = random, instrument, habits

    def normal(self, deviation: float) -> float:
        """A deviation, with the tails of this world."""
        if math.isinf(self.habits.tails):
            return float(self.random.normal(0, deviation))
        freedom = self.habits.tails
        return float(self.random.standard_t(freedom)) * deviation / math.sqrt(freedom / (freedom - 2))

    def zero(self) -> float:
        """By how much the instrument's zero is off, mm."""
        if self.random.random() < ranking_value("zero_tail_share"):
            u = min(self.instrument.outside_u_mm, self.instrument.inside_u_mm) / 2
            return self._tailed(ranking_value("zero_tail_scale") * u, 10.5 * u)
        return self.normal(zero_sigma_mm(self.instrument)) * self.habits.doubt_factor

    def _tailed(self, scale: float, most: float) -> float:
        while True:
            found = float(self.random.standard_t(2)) * scale
            if abs(found) < most:
                return found

    def read(self, true_mm: float, repeats: int) -> tuple[float, ...]:
        """Repeats of a feature whose size, with what is shared, is known."""
        if self.random.random() < self.habits.rough:
            true_mm += self._tailed(ROUGH_MM, 2.0)
        return tuple(self.slipped(true_mm + self.normal(self.instrument.scatter_mm)) for _ in range(repeats))

    def slipped(self, value: float) -> float:
        """One value written down."""
        if self.random.random() >= self.habits.slip:
            return max(value, 0.05)
        step, digit, unit = (ranking_value(f"slip_of_{name}") for name in ("a_step", "a_digit", "the_unit"))
        draw, sign = self.random.random(), self.random.choice([-1.0, 1.0])
        if draw < step:
            value += sign * float(self.random.choice(STEPS_MM)) + self.random.normal(
                0, ranking_value("step_spread")
            )
        elif draw < step + digit:
            decade = float(self.random.choice([0.1, 1.0, 10.0]))
            value += sign * float(self.random.uniform(decade, 10 * decade))
        elif draw < step + digit + unit:
            value *= (1 + self.random.normal(0, 0.01)) / INCH_MM
        else:
            value = math.exp(self.random.uniform(math.log(SMALLEST_MM), math.log(LARGEST_MM)))
        return float(max(value, 0.05))


@dataclass(frozen=True)
class Draw:
    """A simulated part: the index of its envelope (None when unlisted), its kind and readings."""

    envelope: int | None
    kind: str
    observations: tuple[Observation, ...]


class Simulator:
    """Draws parts and reads them with an instrument."""

    def __init__(self, catalogue: Catalogue, instrument: Instrument, seed: int, habits: Habits = AS_MODELLED):
        self.catalogue = catalogue
        self.instrument = instrument
        self.habits = habits
        self.random = np.random.default_rng(seed)
        self.hand = Hand(self.random, instrument, habits)
        self.listed = {tuple(np.round(row, 3)) for row in catalogue.envelopes_mm}

    def of_kind(self, kind: str, count: int) -> list[int]:
        """Entries of a kind: each of its envelopes in turn, in any order, until there are enough."""
        number = self.catalogue.kinds.index(kind)
        rows = np.flatnonzero(self.catalogue.entry_kind == number)
        envelope = self.catalogue.unit_envelope[self.catalogue.entry_unit[rows]]
        _, first = np.unique(envelope, return_index=True)
        one_each = rows[first]
        chosen: list[int] = []
        while len(chosen) < count:
            chosen += [int(row) for row in self.random.permutation(one_each)]
        return chosen[:count]

    def entry(self, row: int, features: tuple[str, ...], repeats: int) -> Draw:
        """A listed part, read."""
        unit = self.catalogue.entry_unit[row]
        make = self.catalogue.unit_tolerances[unit]
        kind = self.catalogue.entries[row].spec.kind
        held = {name: BEARING.measures(make, name) for name in features}
        return Draw(int(self.catalogue.unit_envelope[unit]), kind, self._read(held, repeats))

    def from_prior(self, features: tuple[str, ...] | None, repeats: int, kind: str | None = None) -> Draw:
        """A part as the model's prior has it, listed or not, of one kind or of any; features: all when None."""
        prior = self.catalogue.entry_prior
        if kind:
            prior = np.where(self.catalogue.entry_kind == self.catalogue.kinds.index(kind), prior, 0.0)
        row = int(self.random.choice(len(prior), p=prior / prior.sum()))
        own = self.catalogue.entries[row].spec.kind
        wanted = whole_set(own) if features is None else features
        if self.random.random() < listed_share(BEARING):
            return self.entry(row, wanted, repeats)
        return self.unlisted(own if kind else None, wanted, repeats)

    def unlisted(self, kind: str | None, features: tuple[str, ...], repeats: int) -> Draw:
        """A part of the family that is on no list, drawn from its size grid."""
        of = Unlisted(BEARING, frozenset({kind} if kind else ()))
        while True:
            sizes = self._grid_part(of)
            held: dict[str, tuple[Measure, ...]] = {}
            for name in features:
                axis = BEARING.by_name[name].axis
                held[name] = (BEARING.unlisted(name, sizes[axis], of.tolerance, of.scheme),)
            if not self._is_listed(sizes, features):
                return Draw(None, kind or of.likeliest.name, self._read(held, repeats))

    def _is_listed(self, sizes: dict[str, float], features: tuple[str, ...]) -> bool:
        axes = {BEARING.by_name[name].axis for name in features}
        columns = [i for i, name in enumerate(BEARING.dimensions) if name in axes]
        wanted = np.array([sizes[BEARING.dimensions[i]] for i in columns])
        return bool((np.abs(self.catalogue.envelopes_mm[:, columns] - wanted).max(axis=1) < 1e-3).any())

    def _grid_part(self, of: Unlisted) -> dict[str, float]:
        ratio = of.shapes
        while True:
            d = self._to_grid(of, "d_mm", math.exp(self.random.uniform(math.log(1.0), math.log(400.0))))
            D = self._to_grid(of, "D_mm", d * math.exp(self._about(ratio["D/d"])))
            if d + 1.0 >= D or D >= LARGEST_MM:
                continue
            main = (D - d) * math.exp(self._about(ratio["W/(D-d)"]))
            width = self._to_grid(of, "T_mm", main)
            found = {"d_mm": d, "D_mm": D, "T_mm": width, "B_mm": width, "C_mm": width}
            if of.scheme in ("taper", "track", "insert"):
                for axis in ("B_mm", "C_mm"):
                    if axis in ratio and not (of.scheme != "taper" and axis == "B_mm"):
                        found[axis] = self._to_grid(of, axis, width * math.exp(self._about(ratio[axis])))
            if all(SMALLEST_MM < size < LARGEST_MM for size in found.values()):
                return found

    def _about(self, shape: Shape) -> float:
        return float(self.random.normal(shape.mean, shape.deviation))

    def _to_grid(self, of: Unlisted, axis: str, value: float) -> float:
        grid = of.grid(axis)
        step, offset, _ = grid[self.random.choice(len(grid), p=[share for _, _, share in grid])]
        return max(round((value - offset) / step), 0 if offset else 1) * step + offset

    def _read(self, held: dict[str, tuple[Measure, ...]], repeats: int) -> tuple[Observation, ...]:
        kinds = BEARING.conditions
        kind = kinds[self.random.choice(len(kinds), p=[k.weight for k in kinds])]
        zero = self.hand.zero()
        found = []
        for name, meant in held.items():
            if not meant:
                continue
            feature = BEARING.by_name[name]
            one = meant[self.random.choice(len(meant), p=[each.share for each in meant])]
            worn = name in kind.worn if feature.on_part else self.random.random() < feature.worn_share
            true = self.random.uniform(one.low_mm, one.high_mm) + zero
            if worn:
                true += feature.wear_sign * self._wear()
            effect = kind.effects.get(name, NO_EFFECT) if feature.on_part else NO_EFFECT
            true += effect.shift_mm + (self.hand.normal(effect.residue_mm) if effect.residue_mm else 0.0)
            u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
            own = math.sqrt(u**2 - zero_sigma_mm(self.instrument) ** 2) * self.habits.doubt_factor
            true += self.hand.normal(own)
            found.append(Observation(name, self.hand.read(true, repeats), self.instrument))
        return tuple(found)

    def _wear(self) -> float:
        mean = BEARING.wear_mean_mm * self.habits.wear_factor
        return float(self.random.gamma(BEARING.wear_shape, mean / BEARING.wear_shape))
