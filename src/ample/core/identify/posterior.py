"""What the readings say of every listed unit, of none, and of wear and instrument."""

from __future__ import annotations

import math
from collections import Counter
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue, Ints
from ample.core.identify.model import (
    InstrumentError,
    Kinds,
    Observation,
    Profile,
    gross_error_density,
    kind_weights,
    nodes_of,
    profile,
    shared_error,
)
from ample.core.identify.unlisted import OTHER_FAMILY_PRIOR, UNLISTED_PRIOR, Unlisted
from ample.core.identify.unlisted_seals import UnlistedSeal
from ample.core.parts import NO_EFFECT, Family

Floats = NDArray[np.float64]
LISTED_PRIOR = 1 - UNLISTED_PRIOR - OTHER_FAMILY_PRIOR
NEGLIGIBLE_UNIT = 1e-4
FEW_KINDS = 8


@dataclass(frozen=True)
class Posterior:
    """Density of the readings for every unit and for none, with what they were made of."""

    unit_density: Floats
    none_density: float
    total: float
    profiles: dict[str, Profile]
    kinds: Kinds
    shared: InstrumentError | None

    @property
    def nodes(self) -> Floats:
        """Weights of the shared error's quadrature nodes."""
        return _nodes(self.shared)


def _nodes(shared: InstrumentError | None) -> Floats:
    return shared.weights if shared else np.ones(1)


def unlisted_of(family: Family, kinds: frozenset[str] = frozenset()) -> Unlisted | UnlistedSeal:
    """What a part of the family that is not listed can be."""
    return UnlistedSeal(family, kinds) if family.grid else Unlisted(family, kinds)


def measure(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    unlisted: Unlisted | UnlistedSeal | None = None,
) -> Posterior:
    """Density of the readings for every unit of the catalogue, and for none of them.

    Formula: for a unit u, p(m | u) = Σ_k P(k) ∫ Π_f p(m_f | u, k, z) φ(z) dz (`units_together`); for a part on no list
    p(m | none) = π_u p(m | grid) + π_o Π s(m_i), with π_u = `unlisted`, π_o = `other_family`, s as `gross_error_density`.
    Total: p(m) = (1 − π_u − π_o) Σ_u P(u) p(m | u) + p(m | none).

    Args:
        catalogue: What is listed, with P(u).
        observations: The readings m_f by feature, mm; each feature once. The error z is shared by all readings of the
            instrument that most were taken with.
        unlisted: What an unlisted part can be; that of the catalogue's family when None.

    Returns:
        p(m | u) for every unit, p(m | none), p(m), and what they were made of; densities per mm and reading.

    Raises:
        BadInput: When an instrument does not reach its feature.

    Source: Bayes' rule over a latent condition and a shared error; docs/decisions/one-ranking.md.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> from ample.core.sizes import default_instrument
        >>> read = (Observation("bore", (25.0,), default_instrument("caliper")),)
        >>> found = measure(standard_catalogue(), read)
        >>> found.unit_density.shape == standard_catalogue().unit_prior.shape and found.total > found.none_density
        True
    """
    used = Counter(each.instrument for each in observations).most_common(1)
    main = used[0][0] if used else None
    shared = shared_error(main, nodes_of(catalogue.family)) if main else None
    kinds = kind_weights(catalogue.family, observations)
    of_none = unlisted or unlisted_of(catalogue.family)
    sizes = of_none.near(observations)
    listed: dict[str, Profile] = {}
    none_too: dict[str, Profile] = {}
    for each in observations:
        held = catalogue.intervals[each.feature].limits
        made = profile(
            each,
            held.with_more(sizes.limits[each.feature]),
            shared if each.instrument == main else None,
            catalogue.family.effects_on[each.feature],
        )
        listed[each.feature], none_too[each.feature] = made.split(len(held.low_mm))
    unit_density = units_together(catalogue, listed, _nodes(shared), kinds)
    flat = math.prod(gross_error_density(value) for each in observations for value in each.values_mm)
    none = UNLISTED_PRIOR * sizes.density(none_too, _nodes(shared), kinds)
    none += OTHER_FAMILY_PRIOR * flat
    total = LISTED_PRIOR * float(catalogue.unit_prior @ unit_density) + none
    return Posterior(unit_density, none, total, listed, kinds, shared)


def units_together(catalogue: Catalogue, profiles: dict[str, Profile], nodes: Floats, kinds: Kinds) -> Floats:
    """Density of all readings for every unit, over conditions and the shared error.

    Formula: p(m | u) = Σ_i w_i Σ_k P(k) Π_f p(m_f | u, k, z_i). Units of which every reading must be gross errors have one
    density, Π_f Π ε s(m_f), and are not worked out.

    Args:
        catalogue: What is listed.
        profiles: Density by feature: interval, node of the shared error, effect (`model.profile`).
        nodes: Weights w_i of the nodes.
        kinds: P(k) with the effects of each kind of condition k.

    Returns:
        One density for each unit of the catalogue.

    Raises:
        Nothing.

    Source: docs/decisions/one-ranking.md.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> float(units_together(standard_catalogue(), {}, np.ones(1), ()).mean())
        1.0
    """
    count = len(catalogue.unit_envelope)
    if not profiles:
        return np.ones(count)
    near = np.zeros(count, dtype=bool)
    for name, made in profiles.items():
        near |= catalogue.intervals[name].any_of(made.near)
    rows = np.flatnonzero(near)
    density = np.full(count, math.prod(made.gross for made in profiles.values()))
    first, alike = _alike(catalogue, profiles, rows)
    together = (_by_kind(catalogue, profiles, first, kinds).sum(axis=0) * nodes).sum(axis=1)
    density[rows] = together[alike]
    return density


def _alike(catalogue: Catalogue, profiles: dict[str, Profile], rows: Ints) -> tuple[Ints, Ints]:
    """Units that the readings cannot tell apart: one of each sort, and which sort each unit is of."""
    if any(catalogue.intervals[name].of_unit.shape[1] > 1 for name in profiles):
        return rows, np.arange(len(rows))
    sort = np.zeros(len(rows), dtype=np.int64)
    for name, made in profiles.items():
        own = catalogue.intervals[name].of_unit[rows, 0]
        sort = sort * (len(made.near) + 1) + np.where(made.near[own], own, 0)
    _, first, alike = np.unique(sort, return_index=True, return_inverse=True)
    return rows[first], alike.reshape(-1)


def condition_posterior(catalogue: Catalogue, posterior: Posterior, unit_chance: Floats) -> Floats:
    """Chance of each kind of condition (row) and shared error node (column), given all that is known.

    Formula: P(k, z | readings) = Σ_u P(u | all) P(k, z | u, readings) over the units still likely.
    """
    nodes = posterior.nodes
    prior = np.outer([weight for weight, _ in posterior.kinds], nodes / nodes.sum())
    rows = np.flatnonzero(unit_chance > NEGLIGIBLE_UNIT)
    if not posterior.profiles or not len(rows):
        return prior
    joint = _by_kind(catalogue, posterior.profiles, rows, posterior.kinds) * nodes
    within = joint / joint.sum(axis=(0, 2), keepdims=True)
    together = np.einsum("kun,u->kn", within, unit_chance[rows])
    return np.asarray(together / together.sum())


def _by_kind(catalogue: Catalogue, profiles: dict[str, Profile], rows: Ints, kinds: Kinds) -> Floats:
    """For some units: P(kind) times the features' densities, by kind, unit and shared error node."""
    width = max(made.unworn.shape[1] for made in profiles.values())
    plain: Floats = np.ones((len(rows), width))
    changed = {}
    for name, made in profiles.items():
        if len(made.made) == 1:
            plain = plain * catalogue.intervals[name].gathered(made.unworn, rows)
        else:
            changed[name] = made
    if len(kinds) > FEW_KINDS:
        found = np.array([weight for weight, _ in kinds])[:, None, None] * plain
        for name, made in changed.items():
            dense, place = made.by_kind(name, kinds)
            found *= catalogue.intervals[name].gathered(dense, rows)[place]
        return found
    found = np.empty((len(kinds), len(rows), width))
    own = {
        name: {effect: catalogue.intervals[name].gathered(each, rows) for effect, each in made.made.items()}
        for name, made in changed.items()
    }
    for number, (weight, effects) in enumerate(kinds):
        together = weight * plain
        for name, by_effect in own.items():
            together = together * by_effect.get(effects.get(name, NO_EFFECT), by_effect[NO_EFFECT])
        found[number] = together
    return found
