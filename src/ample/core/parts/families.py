"""What a family of parts is described by: dimensions, features, manufacture and wear, all as data."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

from ample.core.errors import BadInput
from ample.core.sizes.instruments import Reach


@dataclass(frozen=True)
class Feature:
    """Something to measure on the part, or beside it, and how it is reached.

    `axis` is the dimension it stands for when nothing is listed; `wear_sign` is +1 where wear makes
    it larger, −1 where smaller, 0 where it does not wear.
    """

    name: str
    axis: str
    reach: Reach
    trouble: float
    words: str
    on_part: bool = True
    wear_sign: float = 0.0


@dataclass(frozen=True)
class ConditionKind:
    """A kind of condition with its share, and the features that it wears."""

    name: str
    weight: float
    worn: frozenset[str]
    meaning: str


@dataclass(frozen=True, slots=True)
class Make:
    """What decides how a part measures when new: kind of tolerance, dimensions (0: none), class."""

    scheme: str
    tolerance: str
    dimensions_mm: tuple[float, ...]
    tolerance_class: str


@dataclass(frozen=True, slots=True)
class Measure:
    """One thing that a feature can stand for: its share, nominal and limits of manufacture, mm."""

    share: float
    nominal_mm: float
    low_mm: float
    high_mm: float


@dataclass(frozen=True)
class Family:
    """The description of a family; the ranking knows a family only through this."""

    name: str
    words: str
    dimensions: tuple[str, ...]
    features: tuple[Feature, ...]
    conditions: tuple[ConditionKind, ...]
    wear_mean_mm: float
    wear_shape: float
    measures: Callable[[Make, str], tuple[Measure, ...]]
    unlisted: Callable[[str, float, str, str], Measure]

    @cached_property
    def by_name(self) -> dict[str, Feature]:
        """Features by name."""
        return {feature.name: feature for feature in self.features}

    @cached_property
    def wearing(self) -> tuple[str, ...]:
        """The features that some kind of condition wears."""
        return tuple(f.name for f in self.features if any(f.name in kind.worn for kind in self.conditions))

    def feature(self, name: str) -> Feature:
        """The feature with this name; refused in words when there is none."""
        found = self.by_name.get(name)
        if found is None:
            raise BadInput(
                "no_such_feature",
                f"“{name[:30]}” is not measured on a {self.words}.",
                "feature",
                f"One of {', '.join(self.by_name)}.",
            )
        return found
