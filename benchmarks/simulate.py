"""Simulated worn bearings of every kind: drawn from the model itself, and from a different generator."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from ample.core.identify import Catalogue, Observation
from ample.core.identify.model import GROSS_ERROR_SHARE, LARGEST_MM, SHARED_PART, SMALLEST_MM
from ample.core.identify.unlisted import Shape, Unlisted
from ample.core.parts import BEARING, Measure, bearing_kinds
from ample.core.sizes import Instrument

LISTED_SHARE = 0.945 / 0.995  # the flat "not this family" is not drawn: it is not a bearing
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
    slip: float = GROSS_ERROR_SHARE


AS_MODELLED = Habits()
DIFFERENT = Habits(tails=5.0, wear_factor=1.5, doubt_factor=1.25, slip=0.015)


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
        if self.random.random() < LISTED_SHARE:
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

    def _normal(self, deviation: float) -> float:
        if math.isinf(self.habits.tails):
            return float(self.random.normal(0, deviation))
        freedom = self.habits.tails
        return float(self.random.standard_t(freedom)) * deviation / math.sqrt(freedom / (freedom - 2))

    def _read(self, held: dict[str, tuple[Measure, ...]], repeats: int) -> tuple[Observation, ...]:
        kinds = BEARING.conditions
        kind = kinds[self.random.choice(len(kinds), p=[k.weight for k in kinds])]
        smallest = min(self.instrument.outside_u_mm, self.instrument.inside_u_mm) / 2
        shared_deviation = math.sqrt(SHARED_PART) * smallest
        shared = self._normal(shared_deviation) * self.habits.doubt_factor
        found = []
        for name, meant in held.items():
            if not meant:
                continue
            feature = BEARING.by_name[name]
            one = meant[self.random.choice(len(meant), p=[each.share for each in meant])]
            worn = name in kind.worn if feature.on_part else self.random.random() < feature.worn_share
            wear = feature.wear_sign * self._wear() if worn else 0.0
            u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
            own = math.sqrt(u**2 - shared_deviation**2) * self.habits.doubt_factor
            true = self.random.uniform(one.low_mm, one.high_mm) + wear + shared + self._normal(own)
            values = tuple(
                self._slipped(true + self._normal(self.instrument.scatter_mm)) for _ in range(repeats)
            )
            found.append(Observation(name, values, self.instrument))
        return tuple(found)

    def _wear(self) -> float:
        mean = BEARING.wear_mean_mm * self.habits.wear_factor
        return float(self.random.gamma(BEARING.wear_shape, mean / BEARING.wear_shape))

    def _slipped(self, value: float) -> float:
        if self.random.random() < self.habits.slip:
            return float(math.exp(self.random.uniform(math.log(SMALLEST_MM), math.log(LARGEST_MM))))
        return max(value, 0.05)
