"""Between what limits a feature lies, and how conditions move it: one part at a time, or many as columns."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Effect:
    """What a kind of condition does to one feature.

    `grows` names dimensions with the share by which each has changed, `share` the share by which the
    feature itself has; `grows_spread` and `share_spread` are the standard deviations of those shares; a shift with
    a part-to-part residue, mm; `used` takes the shift and residue that belong to what the feature stands for (a
    cover that was pressed in); `worn` is one-sided wear in the feature's own direction, gamma distributed.
    """

    grows: tuple[tuple[str, float], ...] = ()
    share: float = 0.0
    shift_mm: float = 0.0
    residue_mm: float = 0.0
    used: bool = False
    worn: bool = False
    grows_spread: tuple[tuple[str, float], ...] = ()
    share_spread: float = 0.0

    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        """Worked out once: effects are looked up by the thousand."""
        return hash(
            (self.grows, self.share, self.shift_mm, self.residue_mm, self.used, self.worn, self.share_spread)
        )

    def with_more(self, other: Effect) -> Effect:
        """Both together; wear in the feature's own direction is not combined with anything."""
        if other == NO_EFFECT or self.worn:
            return self
        if self == NO_EFFECT or other.worn:
            return other
        return Effect(
            self.grows + other.grows,
            self.share + other.share,
            self.shift_mm + other.shift_mm,
            float(np.hypot(self.residue_mm, other.residue_mm)),
            self.used or other.used,
            grows_spread=self.grows_spread + other.grows_spread,
            share_spread=float(np.hypot(self.share_spread, other.share_spread)),
        )


class Effects(tuple[Effect, ...]):
    """Several effects in order; the same tuple is asked about over and over, so its hash is kept."""

    @cached_property
    def _hash(self) -> int:
        return super().__hash__()

    def __hash__(self) -> int:
        return self._hash


NO_EFFECT = Effect()
WORN = Effect(worn=True)


@dataclass(frozen=True, slots=True)
class Measure:
    """One thing that a feature can stand for: its share, nominal and limits of manufacture, mm.

    `of` says how much of it is of each dimension, where a condition changes dimensions; the used shift
    and residue are those of a part that was fitted once. `takes_range` is said of a place that suits
    anywhere between its limits: a groove that a ring is stretched into, a shaft that a key is for.
    """

    share: float
    nominal_mm: float
    low_mm: float
    high_mm: float
    of: tuple[tuple[str, float], ...] = ()
    used_shift_mm: float = 0.0
    used_residue_mm: float = 0.0
    takes_range: bool = False


@dataclass(frozen=True, eq=False)
class EffectTable:
    """Several effects as columns: shift and residue, mm, share of the feature, growth by dimension, used or not; and the
    spread of share and growth.
    """

    shift_mm: Floats
    residue_mm: Floats
    share: Floats
    share_spread: Floats
    used: Floats
    grown: Mapping[str, Floats]
    grown_spread: Mapping[str, Floats]

    @staticmethod
    @lru_cache(maxsize=256)
    def of(effects: tuple[Effect, ...]) -> EffectTable:
        """The columns of these effects, in their order."""

        def column(values: Iterable[float]) -> Floats:
            return np.array(list(values), dtype=np.float64)

        names = dict.fromkeys(name for effect in effects for name, _ in effect.grows)
        return EffectTable(
            column(effect.shift_mm for effect in effects),
            column(effect.residue_mm for effect in effects),
            column(effect.share for effect in effects),
            column(effect.share_spread for effect in effects),
            column(effect.used for effect in effects),
            {name: column(_summed(effect.grows, name) for effect in effects) for name in names},
            {name: column(_summed(effect.grows_spread, name) for effect in effects) for name in names},
        )

    def moved_mm(self, meant: Measure) -> tuple[Floats, Floats]:
        """How far each effect moves one thing that a feature stands for, and the residue, mm."""
        moved = self.shift_mm + self.share * meant.nominal_mm + self.used * meant.used_shift_mm
        spread = np.zeros(len(moved))
        for name, size_mm in meant.of:
            if name in self.grown:
                moved = moved + self.grown[name] * size_mm
                spread = spread + self.grown_spread[name] * size_mm
        residue = np.hypot(self.residue_mm, self.used * meant.used_residue_mm)
        residue = np.hypot(residue, self.share_spread * meant.nominal_mm)
        return moved, np.hypot(residue, spread)


def _summed(shares: tuple[tuple[str, float], ...], name: str) -> float:
    return sum(share for axis, share in shares if axis == name)


@dataclass(frozen=True, eq=False)
class Limits:
    """What a feature is on many parts: nominal and limits, mm; how much of it is of each dimension, and the
    shift and residue of a used part. Not a number stands for a part without the feature.
    """

    nominal_mm: Floats
    low_mm: Floats
    high_mm: Floats
    of: Mapping[str, Floats] = field(default_factory=dict)
    used_shift_mm: Floats | None = None
    used_residue_mm: Floats | None = None

    def moved_by(self, effects: tuple[Effect, ...]) -> tuple[Floats, Floats]:
        """For several effects (rows) how far each moves the feature of each part, and the residue, mm."""
        table = EffectTable.of(effects)
        count = len(self.low_mm)
        moved = np.repeat(table.shift_mm[:, None], count, axis=1)
        variance = np.repeat(np.square(table.residue_mm)[:, None], count, axis=1)
        spread: Floats | None = None
        for name, grown in table.grown.items():
            if name in self.of:
                moved += grown[:, None] * self.of[name]
                own = table.grown_spread[name][:, None] * self.of[name]
                spread = own if spread is None else spread + own
        if spread is not None:
            variance += np.square(spread)
        if table.share.any():
            moved += table.share[:, None] * self.nominal_mm
            variance += np.square(table.share_spread[:, None] * self.nominal_mm)
        if table.used.any() and self.used_shift_mm is not None and self.used_residue_mm is not None:
            moved += table.used[:, None] * self.used_shift_mm
            variance += np.square(table.used[:, None] * self.used_residue_mm)
        return moved, np.sqrt(variance)

    def moved_within(self, effects: tuple[Effect, ...]) -> tuple[Floats, Floats, Floats]:
        """Bounds of `moved_by` over all effects, of each part: least and most that it is moved, greatest residue, mm."""
        table = EffectTable.of(effects)
        least = np.full(len(self.low_mm), table.shift_mm.min())
        most = np.full(len(self.low_mm), table.shift_mm.max())
        spread = np.zeros(len(self.low_mm))
        sizes = [
            (table.grown[name], table.grown_spread[name], self.of[name])
            for name in table.grown
            if name in self.of
        ]
        squares = np.full(len(self.low_mm), np.square(table.residue_mm).max())
        for grown, widened, size in sizes:
            least += np.minimum(grown.min() * size, grown.max() * size)
            most += np.maximum(grown.min() * size, grown.max() * size)
            spread += np.abs(widened).max() * np.abs(size)
        squares += np.square(spread)
        if table.share.any():
            least += table.share.min() * self.nominal_mm
            most += table.share.max() * self.nominal_mm
            squares += np.square(table.share_spread.max() * self.nominal_mm)
        if table.used.any() and self.used_shift_mm is not None and self.used_residue_mm is not None:
            by_use = table.used[:, None] * self.used_shift_mm
            least, most = least + by_use.min(axis=0), most + by_use.max(axis=0)
            squares += np.square(np.abs(table.used).max() * self.used_residue_mm)
        return least, most, np.sqrt(squares)

    def with_more(self, other: Limits) -> Limits:
        """These and others after them."""

        def both(one: Floats | None, two: Floats | None) -> Floats | None:
            return None if one is None or two is None else np.concatenate([one, two])

        of = {
            name: np.concatenate([values, other.of[name]])
            for name, values in self.of.items()
            if name in other.of
        }
        return Limits(
            np.concatenate([self.nominal_mm, other.nominal_mm]),
            np.concatenate([self.low_mm, other.low_mm]),
            np.concatenate([self.high_mm, other.high_mm]),
            of,
            both(self.used_shift_mm, other.used_shift_mm),
            both(self.used_residue_mm, other.used_residue_mm),
        )

    def only(self, rows: NDArray[np.intp]) -> Limits:
        """Some of the parts."""
        return Limits(
            self.nominal_mm[rows], self.low_mm[rows], self.high_mm[rows],
            {name: values[rows] for name, values in self.of.items()},
            None if self.used_shift_mm is None else self.used_shift_mm[rows],
            None if self.used_residue_mm is None else self.used_residue_mm[rows],
        )  # fmt: skip
