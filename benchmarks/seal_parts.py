"""Simulated worn seals, rings and small parts; and the true model's own posterior, written apart."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr
from scipy.stats import gamma
from scipy.stats import t as student

from ample.core.identify import Catalogue, Observation
from ample.core.identify.gross_errors import LARGEST_MM, SMALLEST_MM
from ample.core.identify.unlisted_seals import UnlistedSeal, span_mm
from ample.core.identify.values import ranking_value
from ample.core.parts import NO_EFFECT, Effect, Measure
from ample.core.parts.seals import condition_rows, effects_of
from ample.core.sizes import Instrument
from benchmarks.reference import ROUGH, SLIP, gross
from benchmarks.simulate import Habits, Hand, listed_share

WHOLE = {
    "lip_seal": ("shaft", "outside", "width"),
    "o_ring": ("inside", "section_1", "section_2"),
    "hydraulic_seal": ("rod", "section", "height"),
    "face_seal": ("shaft", "seat_outside", "working_length"),
    "retaining_ring": ("groove_diameter", "groove_width", "thickness"),
    "washer": ("inside", "outside", "thickness"),
    "key": ("key_width", "key_height", "key_length"),
}
TOLD = {
    "lip_seal": ("rubber", "rubber_dust", "metal"),
    "o_ring": ("round",),
    "hydraulic_seal": ("u_cup", "loaded"),
    "face_seal": ("conical", "bellows"),
    "retaining_ring": ("shaft_ring", "bore_ring"),
    "washer": ("copper", "shim", "felt", "tab"),
    "key": ("key_round", "key_square"),
}
SHARED_NODES, AMOUNT_NODES = 10, 16
NEAR_SHARE = 0.05
EVEN = 1 / math.log(LARGEST_MM / SMALLEST_MM)


@dataclass(frozen=True)
class SealDraw:
    """A simulated part: its envelope (None when unlisted), the picture that is pointed at, and readings."""

    envelope: int | None
    group: str
    observations: tuple[Observation, ...]


class SealSimulator:
    """Draws parts of a family as the model has them, or as another world does."""

    def __init__(self, catalogue: Catalogue, instrument: Instrument, seed: int, habits: Habits):
        self.catalogue, self.family = catalogue, catalogue.family
        self.instrument, self.habits = instrument, habits
        self.random = np.random.default_rng(seed)
        self.hand = Hand(self.random, instrument, habits)
        self.listed = {tuple(np.round(row, 3)) for row in catalogue.envelopes_mm}

    def draw(
        self, group: str, features: tuple[str, ...], repeats: int, listed: bool | None = None
    ) -> SealDraw:
        """A part of a picture from the prior, listed or not."""
        kinds = self.family.kinds_meant(group)
        wanted = [n for n, kind in enumerate(self.catalogue.kinds) if kind in kinds]
        prior = np.where(np.isin(self.catalogue.entry_kind, wanted), self.catalogue.entry_prior, 0.0)
        row = int(self.random.choice(len(prior), p=prior / prior.sum()))
        make = self.catalogue.unit_tolerances[self.catalogue.entry_unit[row]]
        is_listed = self.random.random() < listed_share(self.family) if listed is None else listed
        if is_listed:
            held = {name: self.family.measures(make, name) for name in features}
            envelope = int(self.catalogue.unit_envelope[self.catalogue.entry_unit[row]])
            return SealDraw(envelope, group, self._read(held, repeats))
        of = UnlistedSeal(self.family, kinds)
        while True:
            sizes = self._unlisted(make.dimensions_mm, of)
            if tuple(np.round(sizes, 3)) in self.listed:
                continue
            own = type(make)(of.likeliest.scheme, of.likeliest.tolerance, sizes, "")
            held = {name: self.family.measures(own, name) for name in features}
            if all(held.values()):
                return SealDraw(None, group, self._read(held, repeats))

    def _unlisted(self, like: tuple[float, ...], of: UnlistedSeal) -> tuple[float, ...]:
        """A size of the grid as the model has it: the first even over the listed span, the others by their ratio."""
        low, high = span_mm(self.family.name)
        base = math.exp(self.random.uniform(math.log(low), math.log(high)))
        found: list[float] = []
        for name, size in zip(self.family.dimensions, like, strict=True):
            shape = of.shapes.get(name)
            about = (
                base
                if shape is None
                else found[0] * math.exp(self.random.normal(shape.mean, shape.deviation))
            )
            found.append(self._to_grid(name, about) if size else 0.0)
        return tuple(found)

    def _to_grid(self, name: str, value: float) -> float:
        assert self.family.grid is not None
        steps = self.family.grid.steps[name]
        step, offset, _ = steps[self.random.choice(len(steps), p=[share for _, _, share in steps])]
        return float(max(round((value - offset) / step), 1) * step + offset)

    def _condition(self, sort: str) -> dict[str, Effect]:
        """A condition of a sort in some amount, and what it does to each feature."""
        rows = condition_rows(self.family.name, sort)
        if not rows:
            return {}
        row = rows[self.random.choice(len(rows), p=[float(each["weight"]) for each in rows])]
        mean, shape = float(row["mean"]) * self.habits.wear_factor, float(row["shape"])
        amount = float(self.random.gamma(shape, mean / shape)) if mean > 0 else 0.0
        return effects_of(self.family.name, row, amount)

    def _read(self, held: dict[str, tuple[Measure, ...]], repeats: int) -> tuple[Observation, ...]:
        size, formed = self._condition("size"), self._condition("shape")
        zero, normal = self.hand.zero(), self.hand.normal
        found = []
        for name, meant in held.items():
            feature = self.family.by_name[name]
            one = meant[self.random.choice(len(meant), p=[each.share for each in meant])]
            effect = size.get(name, NO_EFFECT).with_more(formed.get(name, NO_EFFECT))
            true = self.random.uniform(one.low_mm, one.high_mm) + zero - feature.gives_mm
            true += sum(share * dict(one.of).get(axis, 0.0) for axis, share in effect.grows)
            true += effect.share * one.nominal_mm + effect.shift_mm + normal(effect.residue_mm or 1e-9)
            true += normal(float(feature.softness_mm(one.nominal_mm)) or 1e-9)
            if effect.used:
                true += one.used_shift_mm + normal(one.used_residue_mm or 1e-9)
            if not feature.on_part and feature.wear_sign and self.random.random() < feature.worn_share:
                wear = self.family.wear_mean_mm * self.habits.wear_factor / self.family.wear_shape
                true += feature.wear_sign * float(self.random.gamma(self.family.wear_shape, wear))
            u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
            value = true + normal(u) * self.habits.doubt_factor
            found.append(
                Observation(name, self.hand.read(value, repeats), self.instrument, None, self.family.name)
            )
        return tuple(found)


class SealReference:
    """Chances of the listed envelopes for single readings by one instrument: plain, dense, finer than the product."""

    def __init__(self, catalogue: Catalogue, instrument: Instrument):
        self.catalogue, self.family, self.instrument = catalogue, catalogue.family, instrument
        self.shared, self.weights = _zeros(instrument)
        self.limits: dict[str, list[dict[str, np.ndarray]]] = {}
        chances = (np.arange(15) + 0.5) / 15
        shape = self.family.wear_shape
        self.wear = gamma.ppf(chances, shape, scale=self.family.wear_mean_mm / shape)
        self.states = self._states()

    def _states(self) -> list[tuple[float, dict[str, Effect]]]:
        return [
            (weight * other, {name: _both(size, formed, name) for name in {*size, *formed}})
            for weight, size in self._amounts("size")
            for other, formed in self._amounts("shape") or [(1.0, {})]
        ]

    def _amounts(self, sort: str) -> list[tuple[float, dict[str, Effect]]]:
        """Each condition of a sort in equally likely amounts, with its chance."""
        states = []
        for row in condition_rows(self.family.name, sort):
            mean, shape = float(row["mean"]), float(row["shape"])
            nodes = AMOUNT_NODES if mean > 0 else 1
            chances = (np.arange(nodes) + 0.5) / nodes
            amounts = gamma.ppf(chances, shape, scale=mean / shape) if mean > 0 else [0.0]
            for amount in amounts:
                states.append(
                    (float(row["weight"]) / nodes, effects_of(self.family.name, row, float(amount)))
                )
        return states

    def order(self, draw: SealDraw) -> list[tuple[float, int]]:
        """Envelopes with their chances among the listed, likeliest first."""
        kinds = self.family.kinds_meant(draw.group)
        wanted = [n for n, kind in enumerate(self.catalogue.kinds) if kind in kinds]
        told = np.where(np.isin(self.catalogue.entry_kind, wanted), 1.0, 0.001)
        units = len(self.catalogue.unit_tolerances)
        prior = np.bincount(self.catalogue.entry_unit, self.catalogue.entry_prior * told, units)
        rows = np.flatnonzero(self._near(draw))
        density = self._density(rows, draw)
        by_envelope = np.bincount(
            self.catalogue.unit_envelope[rows], prior[rows] * density, len(self.catalogue.envelopes_mm)
        )
        total = by_envelope.sum() or 1.0
        best = np.argsort(-np.round(by_envelope / total, 6), kind="stable")[:6]
        return [(float(by_envelope[i] / total), int(i)) for i in best]

    def _of(self, feature: str) -> list[dict[str, np.ndarray]]:
        """For each thing that a feature can stand for, arrays over the units; not a number where there is none."""
        if feature not in self.limits:
            made = [self.family.measures(make, feature) for make in self.catalogue.unit_tolerances]
            most = max(len(each) for each in made)
            found = []
            for place in range(most):
                arrays = {
                    name: np.array(
                        [getattr(each[place], name) if place < len(each) else np.nan for each in made]
                    )
                    for name in (
                        "share",
                        "nominal_mm",
                        "low_mm",
                        "high_mm",
                        "used_shift_mm",
                        "used_residue_mm",
                    )
                }
                for axis in self.family.dimensions:
                    arrays[axis] = np.array(
                        [dict(each[place].of).get(axis, 0.0) if place < len(each) else 0.0 for each in made]
                    )
                found.append(arrays)
            self.limits[feature] = found
        return self.limits[feature]

    def _near(self, draw: SealDraw) -> np.ndarray:
        """Units that all readings but one can be of."""
        off = np.zeros(len(self.catalogue.unit_tolerances), dtype=int)
        for each in draw.observations:
            value = each.values_mm[0]
            reach = 0.6 + NEAR_SHARE * value + (0.4 * value if each.feature.startswith("section") else 0)
            near = np.zeros(len(off), dtype=bool)
            for one in self._of(each.feature):
                near |= (one["low_mm"] - reach < value) & (value < one["high_mm"] + reach)
            off += ~near
        return off <= (1 if len(draw.observations) > 1 else 0)

    def _density(self, rows: np.ndarray, draw: SealDraw) -> np.ndarray:
        total = np.zeros(len(rows))
        known: dict[tuple[str, Effect], np.ndarray] = {}
        for weight, effects in self.states:
            together = np.ones((len(rows), len(self.shared)))
            for each in draw.observations:
                effect = effects.get(each.feature, NO_EFFECT)
                key = (each.feature, effect)
                if key not in known:
                    known[key] = self._reading(rows, each, effect)
                together = together * known[key]
            total += weight * together @ self.weights
        return total

    def _reading(self, rows: np.ndarray, each: Observation, effect: Effect) -> np.ndarray:
        value = each.values_mm[0]
        feature = self.family.by_name[each.feature]
        u = self.instrument.expanded_uncertainty_mm(feature.reach) / 2
        variance = u**2 + self.instrument.scatter_mm**2
        density = np.zeros((len(rows), len(self.shared)))
        wrong = np.zeros(len(rows))
        for held in self._of(each.feature):
            one = {name: values[rows] for name, values in held.items()}
            moved = sum(share * one[axis] for axis, share in effect.grows) + effect.share * one["nominal_mm"]
            moved = moved + effect.shift_mm + effect.used * one["used_shift_mm"] - feature.gives_mm
            soft = feature.softness_mm(one["nominal_mm"])
            sigma = np.sqrt(
                variance + effect.residue_mm**2 + effect.used * one["used_residue_mm"] ** 2 + soft**2
            )[:, None, None]
            ways = [(1.0, np.zeros(1))]
            if not feature.on_part and feature.wear_sign:
                worn = feature.wear_sign * self.wear
                ways = [(1 - feature.worn_share, np.zeros(1)), (feature.worn_share, worn)]
            for share, amounts in ways:
                shift = self.shared[None, :, None] + amounts[None, None, :] + moved[:, None, None]
                left = (value - one["low_mm"][:, None, None] - shift) / sigma
                right = (value - one["high_mm"][:, None, None] - shift) / sigma
                folded = np.where(right > 0, ndtr(-right) - ndtr(-left), ndtr(left) - ndtr(right)).mean(
                    axis=2
                )
                wide = (one["high_mm"] - one["low_mm"])[:, None]
                density += np.nan_to_num(one["share"][:, None] * share * folded / wide)
            wrong += np.nan_to_num(one["share"], nan=0.0) * gross(value, (one["low_mm"] + one["high_mm"]) / 2)
        return (1 - ROUGH) * (1 - SLIP) * density + wrong[:, None]


def _both(size: dict[str, Effect], formed: dict[str, Effect], name: str) -> Effect:
    return size.get(name, NO_EFFECT).with_more(formed.get(name, NO_EFFECT))


def _zeros(instrument: Instrument) -> tuple[np.ndarray, np.ndarray]:
    """The zero error as nodes: none of it for a sound instrument, whose own is with each reading, and the tail."""
    u, share = min(instrument.outside_u_mm, instrument.inside_u_mm) / 2, ranking_value("zero_tail_share")
    far = np.linspace(-10.5 * u, 10.5 * u, SHARED_NODES)
    tail = student.pdf(far / (ranking_value("zero_tail_scale") * u), 2)
    return np.append(0.0, far), np.append(1 - share, share * tail / tail.sum())
