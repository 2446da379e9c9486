"""Which conditions the part can be in, given what is seen of it."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.observations import Observation
from ample.core.identify.values import ranking_value
from ample.core.parts import Family
from ample.core.parts.families import ConditionKind

Floats = NDArray[np.float64]

UNSEEN = ranking_value("unseen_condition")
WORN_THOUGH_NEW, UNWORN_THOUGH_SPUN = ranking_value("worn_though_new"), ranking_value("unworn_though_spun")


@dataclass(frozen=True, eq=False)
class Conditions:
    """The kinds of condition of a part by size and by shape, each with its chance; a rare one has none at first."""

    family: Family
    size: Floats
    shape: Floats

    @property
    def usual(self) -> Conditions:
        """Without the rare ones, whose chance is left out."""
        rare = np.array([kind.rare for kind in self.family.conditions])
        return Conditions(self.family, np.where(rare, 0.0, self.size), self.shape)

    @property
    def rare(self) -> float:
        """The chance of the rare ones."""
        return float(sum(p for kind, p in zip(self.family.conditions, self.size, strict=True) if kind.rare))


def conditions_given(family: Family, observations: tuple[Observation, ...]) -> Conditions:
    """Chance of each kind of condition, given what is seen of the part.

    Formula: P(k | seen) ∝ P(k) · Π l(seen_f | k), for size and for shape by themselves; l = `unseen_condition` for a kind
    that the words said do not name, `worn_though_new` for a worn feature said to be new or sound, `unworn_though_spun`
    for an unworn one that has spun.

    Args:
        family: The family with its kinds of condition and their weights P(k).
        observations: The readings with what is seen of each feature.

    Returns:
        P(k | seen) by size and by shape, each summing to 1.

    Raises:
        ZeroDivisionError: When the family has no kind of condition.

    Source: conditions tables of each family; ranking_values.csv.

    Example:
        >>> from ample.core.parts import BEARING
        >>> round(float(conditions_given(BEARING, ()).size.sum()), 9)
        1.0
    """
    seen = {each.feature: each.condition for each in observations if each.condition}
    told = frozenset(word for word in seen.values() if word in family.seen_words)
    sizes = _told(family.conditions, told)
    wearing = sorted({name for kind in family.conditions for name in kind.worn})
    for place, kind in enumerate(family.conditions):
        for feature in wearing:
            condition, worn = seen.get(feature), feature in kind.worn
            if condition in ("new", "sound"):
                sizes[place] *= WORN_THOUGH_NEW if worn else 1.0
            elif condition == "spun":
                sizes[place] *= 1.0 if worn else UNWORN_THOUGH_SPUN
        if "new" in seen.values() and kind.worn:
            sizes[place] *= WORN_THOUGH_NEW
    shapes = _told(family.shapes, told)
    return Conditions(family, sizes / sizes.sum(), shapes / shapes.sum())


def _told(kinds: tuple[ConditionKind, ...], told: frozenset[str]) -> Floats:
    """Their chances after the words said; words that name none of this sort say nothing of it."""
    weights = np.array([kind.weight for kind in kinds])
    named = np.array([bool(kind.seen & told) for kind in kinds])
    return np.where(named, weights, UNSEEN * weights) if named.any() else weights
