"""How hard the O-rings of a machine were used: one unknown of the job, learned from the rings confirmed on it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue, Entry
from ample.core.identify.observations import Observation
from ample.core.identify.posterior import density_of_unit
from ample.core.identify.values import ranking_value
from ample.core.parts import FAMILIES, Family, PartSpec
from ample.core.parts.seals import conditions_of

Floats = NDArray[np.float64]

LEVELS = tuple(2.0 ** (step / 2) for step in range(-3, 4))
STEPS_IN_AN_OCTAVE = 4  # the level that is ranked by is one of so many in each doubling
SPREAD = ranking_value("wear_level_spread")
MOST_RINGS = 12  # the latest so many tell enough
SAID_FROM, SAID_RINGS = 1.3, 3  # said where a job's rings differ so much, and so many were read


@dataclass(frozen=True)
class ConfirmedRing:
    """A ring confirmed on the same job, with what was read of it."""

    designation: str
    observations: tuple[Observation, ...]


def wear_level(catalogue: Catalogue, rings: Sequence[ConfirmedRing]) -> float:
    """By how much stretch, swelling, shrinking, set and wear of a job's rings differ from the usual.

    Formula: P(λ_i | rings) ∝ exp(−(ln λ_i)²/2s²) · Π_r p(m_r | ring r, λ_i); λ = exp(Σ_i P(λ_i | rings) ln λ_i), with
    λ_i = 2^(−3/2) … 2^(3/2) in steps of √2, s = `wear_level_spread`, p(m | c, λ) the density of a ring's readings with
    all amounts of the conditions λ times those of the table (`posterior.measure`).

    Args:
        catalogue: The list of O-rings; one that it does not hold, or that nothing was read of, tells nothing.
        rings: Rings confirmed on the job, latest first, mm; the first twelve that tell something are looked at.

    Returns:
        λ, 0.35 to 2.83; 1 for no rings.

    Raises:
        BadInput: When an instrument does not reach its feature.

    Source: Bayes' rule on a grid, e.g. C. M. Bishop, Pattern Recognition and Machine Learning (2006), 1.2 (from memory);
        s: ranking_values.csv.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> wear_level(standard_catalogue("o_ring"), ())
        1.0
    """
    log_level = np.log(LEVELS)
    told = [ring for ring in rings if ring.observations and ring.designation in catalogue.rows_named]
    weight = -np.square(log_level) / (2 * SPREAD**2)
    for ring in told[:MOST_RINGS]:
        listed = catalogue.entries[catalogue.rows_named[ring.designation][0]].spec
        weight = weight + _log_density(listed, ring.observations)
    chance = np.exp(weight - weight.max())
    return float(np.exp(chance @ log_level / chance.sum()))


def for_wear(catalogue: Catalogue, level: float) -> Catalogue:
    """The catalogue with all amounts of its conditions a level times as large; unchanged at the usual one."""
    step = round(STEPS_IN_AN_OCTAVE * math.log2(level))
    if not step:
        return catalogue
    return replace(catalogue, family=_at_level(catalogue.family.name, 2.0 ** (step / STEPS_IN_AN_OCTAVE)))


def wear_words(level: float, rings: int) -> str:
    """What is said of a job whose rings differ from the usual; empty where they do not, or too few were read."""
    if rings < SAID_RINGS or 1 / SAID_FROM < level < SAID_FROM:
        return ""
    how = "" if level > 1 else "only "
    return f"The {rings} rings confirmed on this unit have changed {how}{level:.1f} times as much as is usual: readings are judged by that."


@lru_cache(maxsize=32)
def _at_level(name: str, level: float) -> Family:
    """A family whose conditions are of another level."""
    return replace(
        FAMILIES[name],
        conditions=conditions_of(name, "size", level),
        shapes=conditions_of(name, "shape", level),
    )


@lru_cache(maxsize=4096)
def _log_density(spec: PartSpec, observations: tuple[Observation, ...]) -> Floats:
    """By level ln p(m | ring, λ_i); looked up again while a job goes on."""
    alone = Catalogue.of([Entry(spec, spec.designation)])
    found = [
        density_of_unit(replace(alone, family=_at_level(spec.family, level)), 0, observations)
        for level in LEVELS
    ]
    return np.log(np.maximum(found, np.finfo(np.float64).tiny))
