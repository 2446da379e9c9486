"""Simulated worn bearings: drawn from the model itself, and from a different generator."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from ample.core.identify import Catalogue, Observation
from ample.core.identify.model import (
    LARGEST_MM,
    SHARED_PART,
    SLIP,
    SMALLEST_MM,
    WEAR_MEAN_MM,
    WEAR_SHAPE,
)
from ample.core.identify.unlisted import GRID_SHARES, SIXTEENTH_MM, shapes
from ample.core.parts import PART_FEATURES, bearing_conditions, manufacturing_interval_mm
from ample.core.sizes import Instrument

LISTED_SHARE = 0.945 / 0.995  # the flat "not this family" is not drawn: it is not a bearing


@dataclass(frozen=True)
class Habits:
    """How the world departs from the model: 1 and 0 are as modelled."""

    tails: float = math.inf
    wear_factor: float = 1.0
    doubt_factor: float = 1.0
    slip: float = SLIP


AS_MODELLED = Habits()
DIFFERENT = Habits(tails=5.0, wear_factor=1.5, doubt_factor=1.25, slip=0.015)


@dataclass(frozen=True)
class Draw:
    """A simulated part: the index of its envelope (None when unlisted), its size and readings."""

    envelope: int | None
    size_mm: tuple[float, float, float]
    observations: tuple[Observation, ...]


class Simulator:
    """Draws parts and reads them with an instrument."""

    def __init__(self, catalogue: Catalogue, instrument: Instrument, seed: int, habits: Habits = AS_MODELLED):
        self.catalogue = catalogue
        self.instrument = instrument
        self.habits = habits
        self.random = np.random.default_rng(seed)
        envelope_of = catalogue.unit_envelope[catalogue.entry_unit]
        self.prior = np.bincount(envelope_of, catalogue.entry_prior, len(catalogue.envelopes_mm))
        self.listed = {tuple(np.round(row, 3)) for row in catalogue.envelopes_mm}

    def envelope(self, index: int, features: tuple[str, ...], repeats: int) -> Draw:
        """A part of a listed envelope in ordinary class."""
        d, D, B = (float(v) for v in self.catalogue.envelopes_mm[index])
        size = (d, D, B)
        return Draw(index, size, self._read(size, features, repeats))

    def from_prior(self, features: tuple[str, ...], repeats: int) -> Draw:
        """A part as the model's prior has it: listed or not."""
        if self.random.random() < LISTED_SHARE:
            return self.envelope(int(self.random.choice(len(self.prior), p=self.prior)), features, repeats)
        return self.unlisted(features, repeats)

    def unlisted(self, features: tuple[str, ...], repeats: int) -> Draw:
        """A part of the family that is on no list, drawn from its size grid."""
        while True:
            size = self._grid_part()
            if tuple(np.round(size, 3)) not in self.listed:
                return Draw(None, size, self._read(size, features, repeats))

    def _grid_part(self) -> tuple[float, float, float]:
        ratio = shapes()
        while True:
            d = self._to_grid(math.exp(self.random.uniform(math.log(1.0), math.log(400.0))))
            D = self._to_grid(d * math.exp(self.random.normal(ratio["D/d"].mean, ratio["D/d"].deviation)))
            if d + 1.0 >= D or D >= LARGEST_MM:
                continue
            log_width = self.random.normal(ratio["B/(D-d)"].mean, ratio["B/(D-d)"].deviation)
            B = self._to_grid((D - d) * math.exp(log_width))
            if SMALLEST_MM < B < D:
                return d, D, B

    def _to_grid(self, value: float) -> float:
        kind = self.random.choice(list(GRID_SHARES), p=list(GRID_SHARES.values()))
        if kind == "sixteenth":
            return max(round(value / SIXTEENTH_MM), 1) * SIXTEENTH_MM
        if kind == "half":
            return max(round(value - 0.5), 0) + 0.5
        return float(max(round(value), 1))

    def _normal(self, deviation: float) -> float:
        if math.isinf(self.habits.tails):
            return float(self.random.normal(0, deviation))
        freedom = self.habits.tails
        return float(self.random.standard_t(freedom)) * deviation / math.sqrt(freedom / (freedom - 2))

    def _read(
        self, size: tuple[float, float, float], features: tuple[str, ...], repeats: int
    ) -> tuple[Observation, ...]:
        kinds = bearing_conditions()
        kind = kinds[self.random.choice(len(kinds), p=[k.weight for k in kinds])]
        smallest = min(self.instrument.outside_u_mm, self.instrument.inside_u_mm) / 2
        shared_deviation = math.sqrt(SHARED_PART) * smallest
        shared = self._normal(shared_deviation) * self.habits.doubt_factor
        found = []
        for feature, nominal in zip(PART_FEATURES, size, strict=True):
            worn = self._wear(kind.bore_growth_mm > 0, kind.outside_loss_mm > 0, feature.name)
            if feature.name not in features:
                continue
            low, high = manufacturing_interval_mm(feature.name, nominal, size[0], "Normal")
            u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
            own = math.sqrt(u**2 - shared_deviation**2) * self.habits.doubt_factor
            true = self.random.uniform(low, high) + worn + shared + self._normal(own)
            values = tuple(
                self._slipped(true + self._normal(self.instrument.scatter_mm)) for _ in range(repeats)
            )
            found.append(Observation(feature.name, values, self.instrument))
        return tuple(found)

    def _wear(self, bore: bool, outside: bool, feature: str) -> float:
        amount = self.random.gamma(WEAR_SHAPE, WEAR_MEAN_MM * self.habits.wear_factor / WEAR_SHAPE)
        if feature == "bore" and bore:
            return float(amount)
        return -float(amount) if feature == "outside" and outside else 0.0

    def _slipped(self, value: float) -> float:
        if self.random.random() < self.habits.slip:
            return float(math.exp(self.random.uniform(math.log(SMALLEST_MM), math.log(LARGEST_MM))))
        return max(value, 0.05)
