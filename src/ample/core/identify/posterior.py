"""What the readings say of every listed unit, of none, and of wear and instrument."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue, Intervals, Ints
from ample.core.identify.conditions import Conditions, conditions_given
from ample.core.identify.gross_errors import anywhere_at
from ample.core.identify.joined import FeatureRows, joined, joint
from ample.core.identify.model import Profile, profile
from ample.core.identify.observations import InstrumentError, Observation, followed_finely, shared_error
from ample.core.identify.unlisted import OTHER_FAMILY_PRIOR, Unlisted
from ample.core.identify.unlisted_seals import UnlistedSeal
from ample.core.parts import Family
from ample.core.sizes import Instrument

Floats = NDArray[np.float64]
NEGLIGIBLE_UNIT = 1e-4
# Units that cannot reach this share of the best by any condition or shared error are taken as if read wrong.
OUT_OF_REACH = 1e-9
# Readings so far below the density that they could have had are not explained: the rare explanations are looked at too.
UNEXPLAINED = 0.03


@dataclass(frozen=True)
class Posterior:
    """Density of the readings for every unit and for none, with what they were made of.

    `closely` says that the rare explanations (a zero error, rust) were looked at too.
    """

    unit_density: Floats
    none_density: float
    total: float
    profiles: dict[str, Profile]
    conditions: Conditions
    shared: InstrumentError | None
    main: Instrument | None
    closely: bool

    @property
    def nodes(self) -> Floats:
        """Weights of the shared error's quadrature nodes."""
        return nodes_weights(self.shared)


def nodes_weights(shared: InstrumentError | None) -> Floats:
    """The weights of the nodes; one node when nothing is shared."""
    return shared.weights if shared else np.ones(1)


def listed_prior(family: Family) -> float:
    """How often a part that is asked about is listed."""
    return 1 - family.unlisted_share - OTHER_FAMILY_PRIOR


def unlisted_of(family: Family, kinds: frozenset[str] = frozenset()) -> Unlisted | UnlistedSeal:
    """What a part of the family that is not listed can be."""
    return UnlistedSeal(family, kinds) if family.grid else Unlisted(family, kinds)


def measure(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    unlisted: Unlisted | UnlistedSeal | None = None,
    closely: bool | None = None,
) -> Posterior:
    """Density of the readings for every unit of the catalogue, and for none of them.

    Formula: for a unit u, p(m | u) = Σ_k P(k) ∫ Π_f p(m_f | u, k, z) φ(z) dz (`joined.joined`); for a part on no list
    p(m | none) = π_u p(m | grid) + π_o Π s(m_i), with π_u by family, π_o = `other_family`, s as `anywhere_density`.
    Total: p(m) = (1 − π_u − π_o) Σ_u P(u) p(m | u) + p(m | none).

    Args:
        catalogue: What is listed, with P(u).
        observations: The readings m_f by feature and instrument, mm. The error z is shared by all readings of the
            instrument that most were taken with.
        unlisted: What an unlisted part can be; that of the catalogue's family when None.
        closely: Whether the tail of the zero error and the rare conditions are followed too; when None, only if the best
            unit does not explain the readings without them.

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
    of_none = unlisted or unlisted_of(catalogue.family)
    seen = conditions_given(catalogue.family, observations)
    if closely is None:
        first = _measured(catalogue, observations, of_none, seen, closely=seen.rare > 0.5)
        if first.closely or _explained(catalogue, first):
            return first
        closely = True
    return _measured(catalogue, observations, of_none, seen, closely)


def _measured(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    of_none: Unlisted | UnlistedSeal,
    seen: Conditions,
    closely: bool,
) -> Posterior:
    used = Counter(each.instrument for each in observations).most_common(1)
    main = used[0][0] if used else None
    shared = shared_error(main, closely, followed_finely(catalogue.family)) if main else None
    given = seen if closely else seen.usual
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
        for into, own in zip((listed, none_too), made.split(len(held.low_mm)), strict=True):
            into[each.feature] = into[each.feature].times(own) if each.feature in into else own
    nodes = nodes_weights(shared)
    unit_density = units_together(catalogue, listed, nodes, given)
    flat = math.prod(anywhere_at(value) for each in observations for value in each.values_mm)
    none = catalogue.family.unlisted_share * sizes.density(none_too, nodes, given)
    none += OTHER_FAMILY_PRIOR * flat
    total = listed_prior(catalogue.family) * float(catalogue.unit_prior @ unit_density) + none
    return Posterior(unit_density, none, total, listed, given, shared, main, closely)


def density_of_unit(catalogue: Catalogue, unit: int, observations: tuple[Observation, ...]) -> float:
    """Density of the readings of one unit of the catalogue, every explanation followed (`measure`); 1 without any."""
    main = Counter(each.instrument for each in observations).most_common(1)
    shared = shared_error(main[0][0], True, followed_finely(catalogue.family)) if main else None
    rows: dict[str, Profile] = {}
    for each in observations:
        held = catalogue.intervals[each.feature]
        made = profile(
            each,
            held.limits.only(held.of_unit[unit]),
            shared if each.instrument == main[0][0] else None,
            catalogue.family.effects_on[each.feature],
        )
        rows[each.feature] = rows[each.feature].times(made) if each.feature in rows else made
    parts = {
        name: FeatureRows(
            np.asarray(np.tensordot(catalogue.intervals[name].share[unit], _by_meaning(made), axes=(0, 1)))[
                :, None
            ],
            np.zeros(1, dtype=np.intp),
        )
        for name, made in rows.items()
    }
    given = conditions_given(catalogue.family, observations)
    return float(joined(parts, given, nodes_weights(shared), 1)[0])


def _by_meaning(made: Profile) -> Floats:
    """Density by effect, thing that the feature can stand for, and node."""
    return made.at(np.arange(len(made.slot)))


def _explained(catalogue: Catalogue, found: Posterior) -> bool:
    """Whether the likeliest unit explains the readings nearly as well as any unit could, in the likeliest condition."""
    if not found.profiles:
        return True
    best = int(np.argmax(catalogue.unit_prior * found.unit_density))
    possible = math.prod(float(made.right.max()) for made in found.profiles.values())
    likeliest = float(found.conditions.size.max() * found.conditions.shape.max())
    return bool(found.unit_density[best] > UNEXPLAINED * likeliest * possible)


def units_together(
    catalogue: Catalogue, profiles: dict[str, Profile], nodes: Floats, given: Conditions
) -> Floats:
    """Density of all readings for every unit, over conditions and the shared error.

    Formula: p(m | u) as `joined.joined`. Units of which every reading must be wrong, and those whose largest possible
    density is under 1e-9 of the largest, have Π_f p(m_f | wrong) and are not worked out.

    Args:
        catalogue: What is listed.
        profiles: Density by feature: effect, interval, node of the shared error (`model.profile`).
        nodes: Weights w_i of the nodes.
        given: The chances of the conditions.

    Returns:
        One density for each unit of the catalogue.

    Raises:
        Nothing.

    Source: docs/decisions/one-ranking.md.

    Example:
        >>> from ample.core.identify import standard_catalogue
        >>> given = conditions_given(standard_catalogue().family, ())
        >>> float(units_together(standard_catalogue(), {}, np.ones(1), given).mean())
        1.0
    """
    count = len(catalogue.unit_envelope)
    if not profiles:
        return np.ones(count)
    near = np.zeros(count, dtype=bool)
    density, most = np.ones(count), np.ones(count)
    for name, made in profiles.items():
        held = catalogue.intervals[name]
        near |= held.any_of(made.near)
        density *= _mean_over(held, made.gross)
        most *= _mean_over(held, made.most)
    rows = np.flatnonzero(near & (most > OUT_OF_REACH * most.max()))
    first, alike = _alike(catalogue, profiles, rows)
    parts = {name: feature_rows(catalogue.intervals[name], made, first) for name, made in profiles.items()}
    density[rows] = joined(parts, given, nodes, len(first))[alike]
    return density


def _mean_over(held: Intervals, values: Floats) -> Floats:
    """A value of each interval, brought to units."""
    if held.of_unit.shape[1] == 1:
        return values.take(held.of_unit[:, 0])
    return np.asarray((held.share * values[held.of_unit]).sum(axis=1))


def feature_rows(held: Intervals, made: Profile, rows: Ints) -> FeatureRows:
    """The density of a feature for some units: only of the intervals that they have."""
    own = held.of_unit[rows]
    if own.shape[1] == 1:
        wanted, place = np.unique(own[:, 0], return_inverse=True)
        return FeatureRows(made.at(wanted), place.reshape(-1))
    different, place = np.unique(own, axis=0, return_inverse=True)
    _, first = np.unique(place.reshape(-1), return_index=True)
    share = held.share[rows][first]
    dense = sum(share[:, j, None] * made.at(different[:, j]) for j in range(own.shape[1]))
    return FeatureRows(np.asarray(dense), place.reshape(-1))


def _alike(catalogue: Catalogue, profiles: Mapping[str, Profile], rows: Ints) -> tuple[Ints, Ints]:
    """Units that the readings cannot tell apart: one of each sort, and which sort each unit is of."""
    if any(catalogue.intervals[name].of_unit.shape[1] > 1 for name in profiles):
        return rows, np.arange(len(rows))
    sort = np.zeros(len(rows), dtype=np.int64)
    for name, made in profiles.items():
        sort = sort * len(made.slot) + catalogue.intervals[name].of_unit[rows, 0]
    _, first, alike = np.unique(sort, return_index=True, return_inverse=True)
    return rows[first], alike.reshape(-1)


def condition_posterior(catalogue: Catalogue, posterior: Posterior, unit_chance: Floats) -> Floats:
    """Chance of each condition of size, condition of shape and node of the shared error, given all that is known.

    Formula: P(k, l, z | readings) = Σ_u P(u | all) P(k, l, z | u, readings) over the units still likely.
    """
    given, nodes = posterior.conditions, posterior.nodes
    rows = np.flatnonzero(unit_chance > NEGLIGIBLE_UNIT)
    if not posterior.profiles or not len(rows):
        prior = given.size[:, None, None] * given.shape[None, :, None] * nodes
        return np.asarray(prior / prior.sum())
    parts = {
        name: feature_rows(catalogue.intervals[name], made, rows) for name, made in posterior.profiles.items()
    }
    found = joint(parts, given, nodes, len(rows))
    within = found / found.sum(axis=(0, 1, 3), keepdims=True)
    together = np.einsum("klun,u->kln", within, unit_chance[rows])
    return np.asarray(together / together.sum())
