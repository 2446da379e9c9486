"""Whether readings make more sense in another unit than the one they were typed in."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.conditions import Conditions
from ample.core.identify.gross_errors import LARGEST_MM, SLIP_SHARE, SMALLEST_MM
from ample.core.identify.model import Profile, profile, reading_subsets
from ample.core.identify.observations import Observation
from ample.core.identify.posterior import units_together
from ample.core.identify.values import ranking_value
from ample.core.sizes import INCH_MM

Floats = NDArray[np.float64]

WRONG_UNIT_PRIOR = ranking_value("wrong_unit")


@dataclass(frozen=True)
class UnitHint:
    """The readings make more sense in another unit."""

    unit: str
    probability: float
    designation: str


def unit_hint(catalogue: Catalogue, observations: tuple[Observation, ...], total: float) -> UnitHint | None:
    """Would the readings make more sense as inches typed for millimetres, or the other way?"""
    if not observations:
        return None
    best = None
    for unit, factor in (("in", INCH_MM), ("mm", 1 / INCH_MM)):
        sizes = [value * factor for each in observations for value in each.values_mm]
        if min(sizes) < SMALLEST_MM or max(sizes) > LARGEST_MM:
            continue  # no part of the family is of such a size
        jacobian = factor ** sum(len(each.values_mm) for each in observations)
        scaled = tuple(
            replace(each, values_mm=tuple(value * factor for value in each.values_mm))
            for each in observations
        )
        most = WRONG_UNIT_PRIOR * jacobian * math.prod(_most_density(each) for each in scaled)
        if most < (1 - WRONG_UNIT_PRIOR) * total:
            continue  # however well a part fitted, the unit that was typed is likelier
        density = _plain_density(catalogue, scaled)
        wrong = WRONG_UNIT_PRIOR * float(catalogue.unit_prior @ density) * jacobian
        chance = wrong / (wrong + (1 - WRONG_UNIT_PRIOR) * total)
        if chance > 0.5 and (best is None or chance > best.probability):
            top = likeliest_entry(catalogue, density[catalogue.group_unit])
            best = UnitHint(unit, chance, catalogue.entries[top].spec.designation)
    return best


def likeliest_entry(catalogue: Catalogue, factor: Floats) -> int:
    """Of the likeliest envelope the likeliest kind, and of that the likeliest entry."""
    chance = catalogue.group_prior * factor
    envelope = int(np.argmax(np.bincount(catalogue.group_envelope, chance)))
    members = catalogue.envelope_rows[envelope]
    own = catalogue.entry_prior[members] * factor[catalogue.entry_group[members]]
    by_kind = np.bincount(catalogue.entry_kind[members], own, len(catalogue.kinds))
    of_kind = np.flatnonzero(catalogue.entry_kind[members] == int(np.argmax(by_kind)))
    return int(members[of_kind[np.argmax(own[of_kind])]])


def _most_density(observation: Observation) -> float:
    """The highest density that any part can give the readings of a feature: a bound, a tenth over it.

    Each kept set of readings at the peak of its normal density, each slipped one at less than 1 / mm.
    """
    kept = sum(
        each.weight * SLIP_SHARE ** len(each.slipped_mm) / (math.sqrt(2 * math.pi) * each.sigma_mm)
        for each in reading_subsets(observation, None)
    )
    return 1.1 * kept + SLIP_SHARE ** len(observation.values_mm)


def _plain_density(catalogue: Catalogue, observations: tuple[Observation, ...]) -> Floats:
    """Density of the readings for every unit as if sound and without a shared error: a screening."""
    profiles: dict[str, Profile] = {}
    for each in observations:
        made = profile(each, catalogue.intervals[each.feature].limits, None, ())
        profiles[each.feature] = profiles[each.feature].times(made) if each.feature in profiles else made
    as_made = Conditions(catalogue.family, np.ones(1), np.ones(1))
    return units_together(catalogue, profiles, np.ones(1), as_made)
