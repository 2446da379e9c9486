"""What a family of parts is described by: dimensions, features, manufacture and wear, all as data."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from ample.core.errors import BadInput
from ample.core.parts.kinds import Kind, Question
from ample.core.parts.limits import NO_EFFECT, Effect, Effects, Limits, Measure
from ample.core.sizes.instruments import Reach

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Feature:
    """Something to measure on the part, or beside it, and how it is reached.

    `axis` is the dimension it stands for when nothing is listed; `wear_sign` is +1 where wear makes
    it larger, −1 where smaller, 0 where it does not wear. What is beside the part wears by itself:
    `worn_share` is how often. A reading can lie up to `far_share` of the size and `far_mm` from it.
    `shows` is the dimension, by its contract name, that the feature alone gives a drawing. What is soft is read only to
    `soft_mm` and `soft_share` of its size (standard uncertainties), and gives way to the jaws by `gives_mm`.
    """

    name: str
    axis: str
    reach: Reach
    trouble: float
    words: str
    on_part: bool = True
    wear_sign: float = 0.0
    worn_share: float = 0.4
    far_share: float = 0.0
    far_mm: float = 0.25
    shows: str = ""
    soft_mm: float = 0.0
    soft_share: float = 0.0
    gives_mm: float = 0.0

    def softness_mm(self, size_mm: Floats | float) -> Floats:
        """How closely a soft feature of a size can be read (standard uncertainty), mm."""
        return np.asarray(np.hypot(self.soft_mm, self.soft_share * np.asarray(size_mm)))


@dataclass(frozen=True)
class ConditionKind:
    """A kind of condition (or one amount of it) with its share, and what it does to the features.

    A rare one is thought of only when the usual ones do not explain the readings, or when it is seen.
    """

    name: str
    weight: float
    effects: Mapping[str, Effect]
    meaning: str
    seen: frozenset[str] = frozenset()
    rare: bool = False

    @cached_property
    def worn(self) -> frozenset[str]:
        """The features that it wears in the one-sided way."""
        return frozenset(name for name, effect in self.effects.items() if effect.worn)


AS_MADE = (ConditionKind("as_made", 1.0, {}, "its shape as made"),)


@dataclass(frozen=True, slots=True)
class ToleranceSpec:
    """What decides how a part measures when new: kind of tolerance, dimensions (0: none), class."""

    scheme: str
    tolerance: str
    dimensions_mm: tuple[float, ...]
    tolerance_class: str


class PartSpec(Protocol):
    """A part as it is ordered, of whatever family: what the ranking asks of it."""

    @property
    def family(self) -> str:
        """The name of its family."""

    @property
    def designation(self) -> str:
        """What it is called."""

    @property
    def series(self) -> str:
        """The series or list that it is of."""

    @property
    def kind(self) -> str:
        """Its kind within the family."""

    @property
    def make(self) -> ToleranceSpec:
        """What decides how it measures when new."""

    @property
    def marked(self) -> Mapping[str, str]:
        """The attributes that a marking can state, by name."""

    @property
    def size_text(self) -> str:
        """Its size in words."""

    @property
    def dimensions(self) -> dict[str, float]:
        """Its dimensions by their contract names."""


@dataclass(frozen=True)
class Grid:
    """Where sizes of parts that are on no list lie: step, offset and share, by dimension; and usual ratios."""

    steps: Mapping[str, tuple[tuple[float, float, float], ...]]
    usual_mm: Mapping[str, tuple[float, ...]] = field(default_factory=dict)


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
    measures: Callable[[ToleranceSpec, str], tuple[Measure, ...]]
    unlisted: Callable[[str, float, str, str], Measure]
    kinds: Mapping[str, Kind]
    questions: tuple[Question, ...]
    pictures: tuple[tuple[str, str, str], ...]
    offered_in: Mapping[str, tuple[str, ...]]
    contract_names: Mapping[str, tuple[str, ...]]
    marked: tuple[str, ...]
    usual_scheme: str
    grid: Grid | None = None
    many: Callable[[str, Mapping[str, Floats], str, str], Limits] | None = None
    has_feature: Callable[[str], frozenset[str]] | None = None
    measures_of: Callable[[Sequence[ToleranceSpec], str], list[tuple[Measure, ...]]] | None = None
    own_words: Mapping[str, Mapping[str, str]] = field(default_factory=dict)
    shapes: tuple[ConditionKind, ...] = AS_MADE
    unlisted_share: float = 0.05

    @cached_property
    def by_name(self) -> dict[str, Feature]:
        """Features by name."""
        return {feature.name: feature for feature in self.features}

    @cached_property
    def shaped(self) -> frozenset[str]:
        """The features that the sort of condition called shape acts on."""
        return frozenset(name for kind in self.shapes for name in kind.effects)

    @cached_property
    def _effects(self) -> dict[str, tuple[tuple[Effect, ...], NDArray[np.intp]]]:
        return {feature.name: self._effects_on(feature.name) for feature in self.features}

    def _effects_on(self, name: str) -> tuple[tuple[Effect, ...], NDArray[np.intp]]:
        shapes = self.shapes if name in self.shaped else AS_MADE
        together = [
            [
                size.effects.get(name, NO_EFFECT).with_more(shape.effects.get(name, NO_EFFECT))
                for shape in shapes
            ]
            for size in self.conditions
        ]
        different = Effects(dict.fromkeys((NO_EFFECT, *(each for row in together for each in row))))
        place = {effect: number for number, effect in enumerate(different)}
        return different, np.array([[place[each] for each in row] for row in together])

    @cached_property
    def effects_on(self) -> dict[str, tuple[Effect, ...]]:
        """By feature, the different things that conditions do to it; nothing first."""
        return {name: effects for name, (effects, _) in self._effects.items()}

    @cached_property
    def effect_places(self) -> dict[str, NDArray[np.intp]]:
        """By feature, which of `effects_on` a kind of size (row) has with a kind of shape (column; one for none)."""
        return {name: places for name, (_, places) in self._effects.items()}

    @cached_property
    def seen_words(self) -> frozenset[str]:
        """The words under which conditions are chosen."""
        return frozenset(word for kind in (*self.conditions, *self.shapes) for word in kind.seen)

    @property
    def groups(self) -> tuple[str, ...]:
        """The pictures that kinds are grouped under."""
        return tuple(group for group, _, _ in self.pictures)

    @property
    def usual_kind(self) -> str:
        """The kind that is meant while nothing is known."""
        return self.pictures[0][2]

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

    def kind_named(self, name: str, field: str = "kind") -> Kind:
        """The kind with this name; refused in words when there is none."""
        found = self.kinds.get(name)
        if found is None:
            raise BadInput(
                "no_such_kind",
                f"“{name[:30]}” is not a kind of {self.words}.",
                field,
                f"One of {', '.join(self.kinds)}; or a group: {', '.join(self.groups)}.",
            )
        return found

    def kinds_meant(self, name: str, field: str = "kind") -> frozenset[str]:
        """The kinds that a kind or a group (`ball`, `taper`, …) names."""
        if name in self.groups:
            inside = frozenset(kind.name for kind in self.kinds.values() if kind.group == name)
            return inside | ({name} if name in self.kinds else frozenset())
        return frozenset({self.kind_named(name, field).name})

    def check_answer(self, question: str, answer: str) -> None:
        """Refuse an answer to a question that is not asked, or that is none of its answers."""
        asked = {each.name: each for each in self.questions}
        if question not in asked:
            raise BadInput(
                "no_such_question",
                f"“{question[:30]}” is not asked.",
                "answers",
                f"One of {', '.join(asked)}.",
            )
        values = [value for value, _ in asked[question].answers]
        if answer not in values:
            raise BadInput(
                "no_such_answer",
                f"“{answer[:30]}” is not an answer to “{asked[question].words}”.",
                f"answers.{question}",
                f"One of {', '.join(values)}.",
            )

    def offered(self, schemes: frozenset[str], most: int = 3) -> tuple[str, ...]:
        """The features worth measuring on a part of these schemes of dimensions, in order.

        With no scheme, or too many to choose between, those of the usual scheme.
        """
        if not 1 <= len(schemes) <= most:
            return self.offered_in[self.usual_scheme]
        wanted = {name for scheme in schemes for name in self.offered_in[scheme]}
        if "assembled_width" in wanted:
            wanted.discard("width")
        return tuple(feature.name for feature in self.features if feature.name in wanted)

    def measures_by_spec(self, specs: Sequence[ToleranceSpec], feature: str) -> list[tuple[Measure, ...]]:
        """`measures` of many at once, in their order: a family that can work in columns does."""
        if self.measures_of:
            return self.measures_of(specs, feature)
        return [self.measures(spec, feature) for spec in specs]

    def measured_in(self, scheme: str) -> tuple[str, ...]:
        """All that can be measured of a part of a scheme, or beside it."""
        own = self.has_feature(scheme) if self.has_feature else frozenset(self.by_name)
        return tuple(feature.name for feature in self.features if feature.name in own)

    def measured_of(self, kind: str) -> tuple[str, ...]:
        """All that can be measured of a kind, or beside it."""
        not_on_it = {name for name, words in self.own_words.get(kind, {}).items() if not words}
        return tuple(name for name in self.measured_in(self.kinds[kind].scheme) if name not in not_on_it)

    def contract_dimensions(self, kind: str, values_mm: tuple[float, ...]) -> dict[str, float]:
        """An envelope's dimensions by the contract's names for a kind."""
        own = dict(zip(self.dimensions, values_mm, strict=True))
        if "d_mm" in own:
            own["Fw_mm"] = own["d_mm"]
        if self.name == "hydraulic_seal":
            own["outside_mm"] = round(own["inside_mm"] + 2 * own["section_mm"], 4)
        return {name: own[name] for name in self.contract_names[self.kinds[kind].scheme]}
