"""How readings agree with a part: how far off, in millimetres and in standard uncertainties."""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from statistics import median

import numpy as np

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.observations import Observation
from ample.core.parts import EffectTable, Feature, Measure

DISAGREES_SIGMA, DOUBTFUL_SIGMA = 4.0, 2.5


@dataclass(frozen=True)
class FeatureAgreement:
    """How one feature agrees with a candidate: how far off, in mm and in standard uncertainties; no mm within a range that suits."""

    feature: str
    agreement: str
    off_mm: float | None
    sigmas: float | None


def agreements(
    catalogue: Catalogue, unit: int, observations: tuple[Observation, ...]
) -> tuple[FeatureAgreement, ...]:
    """How each reading agrees with one listed unit."""
    return tuple(
        agreement(catalogue, unit, catalogue.family.feature(name), read)
        for name, read in worth(observations).items()
    )


def worth(observations: Iterable[Observation]) -> dict[str, tuple[float, float]]:
    """By feature, what was read of it and its standard uncertainty, mm: the middle reading, or of several instruments
    their weighted mean.
    """
    found: dict[str, tuple[float, float]] = {}
    by_feature: dict[str, list[Observation]] = {}
    for each in observations:
        by_feature.setdefault(each.feature, []).append(each)
    for name, own in by_feature.items():
        read = [_worth(each) for each in own]
        weights = [1 / u**2 for _, u in read]
        mean = sum(w * value for w, (value, _) in zip(weights, read, strict=True)) / sum(weights)
        found[name] = (mean, 1 / math.sqrt(sum(weights)))
    return found


def _worth(observation: Observation) -> tuple[float, float]:
    """Middle reading of a feature with one instrument and its standard uncertainty, mm."""
    middle = median(observation.values_mm)
    u = math.hypot(
        observation.instrument.expanded_uncertainty_mm(observation.reach) / 2,
        observation.instrument.scatter_mm / math.sqrt(len(observation.values_mm)),
        observation.rounding_mm,
        float(observation.described.softness_mm(middle)),
    )
    return middle, u


def agreement(
    catalogue: Catalogue, unit: int, feature: Feature, read: tuple[float, float] | None
) -> FeatureAgreement:
    """How the middle reading of a feature, with its standard uncertainty, agrees with one listed unit."""
    if read is None:
        return FeatureAgreement(feature.name, "not_read", None, None)
    middle, u = read
    found = catalogue.family.measures(catalogue.unit_tolerances[unit], feature.name)
    if not found:
        return FeatureAgreement(feature.name, "not_of_this", None, None)
    meant = min(found, key=lambda one: max(one.low_mm - middle, middle - one.high_mm, 0.0))
    if catalogue.family.grid:
        sigmas = _outside_by(meant, EffectTable.of(catalogue.family.effects_on[feature.name]), middle, u)
    else:
        sigmas = max(meant.low_mm - middle, middle - meant.high_mm, 0.0) / u
    word = "agrees" if sigmas <= DOUBTFUL_SIGMA else "doubtful" if sigmas <= DISAGREES_SIGMA else "disagrees"
    off = _off_mm(meant, middle)
    return FeatureAgreement(feature.name, word, off, round(sigmas, 2))


def _off_mm(meant: Measure, middle_mm: float) -> float | None:
    """How far a reading is from what it stands for; None for a place that it is within the range of."""
    if not meant.takes_range:
        return round(middle_mm - meant.nominal_mm, 4)
    inside = min(max(middle_mm, meant.low_mm), meant.high_mm)
    return None if inside == middle_mm else round(middle_mm - inside, 4)


def _outside_by(meant: Measure, effects: EffectTable, middle_mm: float, u_mm: float) -> float:
    """How many standard uncertainties a reading is outside the limits as the kindest condition moves them."""
    moved, residue = effects.moved_mm(meant)
    outside = np.maximum(meant.low_mm + moved - middle_mm, middle_mm - meant.high_mm - moved)
    return float((np.maximum(outside, 0.0) / np.hypot(u_mm, residue)).min())
