"""What a feature of a seal, ring or small part stands for, and its limits on parts of given sizes."""

from __future__ import annotations

import math
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample.core.parts.families import ToleranceSpec
from ample.core.parts.limits import Limits, Measure
from ample.core.parts.seals.described import dimensions_of, rows
from ample.core.parts.seals.rules import RULES, RuleInput

Floats = NDArray[np.float64]
USED_COVER_MM = {"metal": (-0.02, 0.05), "rubber": (-0.05, 0.08)}


@dataclass(frozen=True)
class Standing:
    """One thing that a feature stands for in a scheme: how much of each dimension, the rule, the share."""

    terms: tuple[tuple[str, float], ...]
    rule: str
    words: tuple[str, ...]
    share: float

    @property
    def dimensions(self) -> tuple[str, ...]:
        """The dimensions that decide its limits."""
        own = tuple(name for name, _ in self.terms)
        named = self.rule in _OF_ANOTHER and self.words[0] not in own
        return (*own, self.words[0]) if named else own

    def used_mm(self, tolerance: str) -> tuple[float, float]:
        """Shift and residue of a used part: a cover that was pressed in has lost some of its allowance."""
        if self.rule != "press_fit":
            return 0.0, 0.0
        return USED_COVER_MM["metal" if tolerance == "metal" else "rubber"]

    def limits(self, sizes_mm: Mapping[str, Floats], tolerance: str) -> Limits:
        """What it is on parts of these sizes; not a number where a dimension is missing."""
        of = {name: times * np.asarray(sizes_mm[name], dtype=np.float64) for name, times in self.terms}
        nominal = np.sum(list(of.values()), axis=0)
        there = np.all([np.asarray(sizes_mm[name]) > 0 for name in of], axis=0)
        low, high = RULES[self.rule](RuleInput(nominal, tolerance, sizes_mm, self.words))
        narrow = high - low < 1e-4
        shift, residue = self.used_mm(tolerance)
        return Limits(
            np.where(there, nominal, np.nan),
            np.where(there, low - 5e-5 * narrow, np.nan),
            np.where(there, high + 5e-5 * narrow, np.nan),
            of,
            np.full(len(nominal), shift),
            np.full(len(nominal), residue),
        )


_TERM = re.compile(r"([+-]?)(?:([\d.]+)\*)?([a-z_]+)")
_OF_ANOTHER = ("to", "part")  # rules that another dimension decides too


@lru_cache
def standings() -> dict[tuple[str, str], dict[str, tuple[Standing, ...]]]:
    """By family and scheme, what each feature stands for; a fault of the table is refused on loading."""
    found: dict[tuple[str, str], dict[str, list[Standing]]] = {}
    for row in rows("measures.csv"):
        rule, *words = row["rule"].split()
        terms = tuple(
            (name, float(f"{sign}{times or 1}")) for sign, times, name in _TERM.findall(row["terms"])
        )
        unknown = {name for name, _ in terms} - set(dimensions_of()[row["family"]])
        if rule not in RULES or unknown:
            raise ValueError(f"measures.csv: {row['scheme']} {row['feature']} cannot be read")
        own = found.setdefault((row["family"], row["scheme"]), {})
        own.setdefault(row["feature"], []).append(Standing(terms, rule, tuple(words), float(row["share"])))
    for features in found.values():
        for name, made in features.items():
            if abs(sum(one.share for one in made) - 1) > 1e-9:
                raise ValueError(f"the shares of {name} must add up to 1")
    return {key: {name: tuple(made) for name, made in features.items()} for key, features in found.items()}


@lru_cache
def standing(family: str, feature: str, scheme: str) -> Standing:
    """The first thing that a feature stands for in a scheme; where it has none, in the family's first that has."""
    own = standings()[family, scheme].get(feature)
    if own is None:
        own = next(
            found[feature] for (of, _), found in standings().items() if of == family and feature in found
        )
    return own[0]


@dataclass(frozen=True)
class SealMeasures:
    """The limits of manufacture of one family, as its description needs them."""

    family: str

    def __call__(self, make: ToleranceSpec, feature: str) -> tuple[Measure, ...]:
        """What a feature of a new part stands for, and the limits between which it is made or turned."""
        return _measures(self.family, make, feature)

    def of_all(self, specs: Sequence[ToleranceSpec], feature: str) -> list[tuple[Measure, ...]]:
        """The same for many parts at once, in their order."""
        return _measures_of(self.family, specs, feature)

    def features_of(self, scheme: str) -> frozenset[str]:
        """What can be measured of a part of a scheme."""
        return frozenset(standings()[self.family, scheme])

    def many(self, feature: str, sizes_mm: Mapping[str, Floats], scheme: str, tolerance: str) -> Limits:
        """The same for many sizes at once, of the first thing that the feature stands for.

        A kind without the feature takes it from the family's usual kind.
        """
        return standing(self.family, feature, scheme).limits(sizes_mm, tolerance)

    def unlisted(self, feature: str, nominal_mm: float, tolerance: str, scheme: str) -> Measure:
        """The limits of a feature when only what it stands for is known: every dimension of that size."""
        same = (nominal_mm,) * len(dimensions_of()[self.family])
        return _measures(self.family, ToleranceSpec(scheme, tolerance, same, ""), feature)[0]


_RANGES = ("to", "share", "part")


@lru_cache
def _beside(family: str) -> frozenset[str]:
    """The features of what the part sits in or on."""
    return frozenset(row["feature"] for row in rows("features.csv", family) if row["place"] == "beside")


@lru_cache(maxsize=8192)
def _measures(family: str, make: ToleranceSpec, feature: str) -> tuple[Measure, ...]:
    return _measures_of(family, [make], feature)[0]


def _measures_of(family: str, specs: Sequence[ToleranceSpec], feature: str) -> list[tuple[Measure, ...]]:
    """Every part of one scheme and tolerance at once: a catalogue has thousands."""
    alike: dict[tuple[str, str], list[int]] = {}
    for place, spec in enumerate(specs):
        alike.setdefault((spec.scheme, spec.tolerance), []).append(place)
    found: list[list[Measure]] = [[] for _ in specs]
    for (scheme, tolerance), places in alike.items():
        sizes = np.array([specs[place].dimensions_mm for place in places], dtype=np.float64).T
        columns = dict(zip(dimensions_of()[family], sizes, strict=True))
        for one in standings()[family, scheme].get(feature, ()):
            made = one.limits(columns, tolerance)
            used = one.used_mm(tolerance)
            in_range = one.rule in _RANGES and feature in _beside(family)
            names, terms = tuple(made.of), np.array(list(made.of.values())).T.tolist()
            limits = zip(made.nominal_mm.tolist(), made.low_mm.tolist(), made.high_mm.tolist(), strict=True)
            for place, (nominal, low, high), of in zip(places, limits, terms, strict=True):
                if not math.isnan(low):
                    own = tuple(zip(names, of, strict=True))
                    found[place].append(Measure(one.share, nominal, low, high, own, *used, in_range))
    return [tuple(each) for each in found]
