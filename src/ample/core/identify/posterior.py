"""What the readings say of every listed unit, of none, and of wear and instrument."""

from __future__ import annotations

import math
from collections import Counter
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.model import (
    InstrumentError,
    Observation,
    Profile,
    kind_weights,
    profile,
    shared_error,
    slip_density,
)
from ample.core.identify.unlisted import (
    OTHER_FAMILY_PRIOR,
    UNLISTED_PRIOR,
    near_sizes,
    unlisted_density,
)

Floats = NDArray[np.float64]
Kinds = tuple[tuple[float, bool, bool], ...]
LISTED_PRIOR = 1 - UNLISTED_PRIOR - OTHER_FAMILY_PRIOR
NEGLIGIBLE_UNIT = 1e-4


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


def measure(catalogue: Catalogue, observations: tuple[Observation, ...]) -> Posterior:
    """Density of the readings for every unit of the catalogue, and for none of them."""
    used = Counter(each.instrument for each in observations).most_common(1)
    main = used[0][0] if used else None
    shared = shared_error(main) if main else None
    kinds = kind_weights(observations)
    nears = near_sizes(observations)
    listed: dict[str, Profile] = {}
    unlisted: dict[str, Profile] = {}
    for each in observations:
        held = catalogue.intervals[each.feature]
        low, high = nears[each.dimension].limits_mm(each.feature)
        made = profile(
            each,
            np.concatenate([held.low_mm, low]),
            np.concatenate([held.high_mm, high]),
            shared if each.instrument == main else None,
        )
        listed[each.feature], unlisted[each.feature] = made.split(len(held.low_mm))
    unit_density = units_together(catalogue, listed, _nodes(shared), kinds)
    flat = math.prod(slip_density(value) for each in observations for value in each.values_mm)
    none = UNLISTED_PRIOR * unlisted_density(nears, unlisted, _nodes(shared), kinds)
    none += OTHER_FAMILY_PRIOR * flat
    total = LISTED_PRIOR * float(catalogue.unit_prior @ unit_density) + none
    return Posterior(unit_density, none, total, listed, kinds, shared)


def units_together(catalogue: Catalogue, profiles: dict[str, Profile], nodes: Floats, kinds: Kinds) -> Floats:
    """Σ over kinds of P(kind) times the features' densities, for every unit, over the shared error."""
    plain, bore, outside = _gathered(catalogue, profiles, slice(None))
    total: Floats = np.zeros((len(catalogue.unit_envelope), len(nodes)))
    for outside_worn in (False, True):
        mixed = sum(weight * bore[bore_worn] for weight, bore_worn, worn in kinds if worn is outside_worn)
        total = total + mixed * outside[outside_worn]
    return np.asarray((total * plain * nodes).sum(axis=1))


def learnt(catalogue: Catalogue, posterior: Posterior, unit_chance: Floats) -> Floats:
    """Chance of each kind of condition (row) and shared error node (column), given all that is known.

    Formula: P(k, z | readings) = Σ_u P(u | all) P(k, z | u, readings) over the units still likely.
    """
    nodes = posterior.nodes
    prior = np.outer([weight for weight, _, _ in posterior.kinds], nodes / nodes.sum())
    rows = np.flatnonzero(unit_chance > NEGLIGIBLE_UNIT)
    if not posterior.profiles or not len(rows):
        return prior
    plain, bore, outside = _gathered(catalogue, posterior.profiles, rows)
    joint = np.stack(
        [
            np.broadcast_to(
                weight * bore[bore_worn] * outside[outside_worn] * plain * nodes, (len(rows), len(nodes))
            )
            for weight, bore_worn, outside_worn in posterior.kinds
        ]
    )
    within = joint / joint.sum(axis=(0, 2), keepdims=True)
    together = np.einsum("kun,u->kn", within, unit_chance[rows])
    return np.asarray(together / together.sum())


def _gathered(
    catalogue: Catalogue, profiles: dict[str, Profile], rows: slice | NDArray[np.intp]
) -> tuple[Floats, dict[bool, Floats], dict[bool, Floats]]:
    """For some units: the features that no kind of condition changes, then bore and outside by wear."""
    one: Floats = np.ones((1, 1))
    plain = one
    rings = {"bore": {False: one, True: one}, "outside": {False: one, True: one}}
    for name, made in profiles.items():
        own = catalogue.intervals[name].of_unit[rows]
        if name in rings:
            rings[name] = {False: made.unworn[own], True: made.worn[own]}
        else:
            plain = plain * made.unworn[own]
    return plain, rings["bore"], rings["outside"]
