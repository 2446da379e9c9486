"""All readings of many parts together: over conditions of size and of shape, and over the shared error."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.conditions import Conditions

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]


@dataclass(frozen=True, eq=False)
class FeatureRows:
    """The readings of a feature: density by effect, sort and node, and of which sort each part (row) is."""

    dense: Floats
    own: Ints


def joined(parts: Mapping[str, FeatureRows], given: Conditions, nodes: Floats, count: int) -> Floats:
    """Density of all readings for each part.

    Formula: p(m | c) = Σ_i w_i Σ_k P(k) Π_{f∉S} p(m_f | c, k, z_i) Σ_l P(l) Π_{f∈S} p(m_f | c, k, l, z_i), with conditions
    of size k and of shape l; S are the features that shape acts on, and what they say is worked out once for parts
    that are alike there.

    Args:
        parts: The readings by feature.
        given: P(k) and P(l).
        nodes: Weights w_i of the shared error's nodes.
        count: How many parts.

    Returns:
        One density for each part.

    Raises:
        Nothing.

    Source: docs/decisions/one-ranking.md.

    Example:
        >>> from ample.core.identify.conditions import conditions_given
        >>> from ample.core.parts import BEARING
        >>> joined({}, conditions_given(BEARING, ()), np.ones(1), 2).tolist()
        [1.0, 1.0]
    """
    family = given.family
    plain = np.repeat(nodes[None, :], count, axis=0)
    by_size, by_shape = {}, {}
    for name, part in parts.items():
        if len(part.dense) == 1:
            plain = plain * part.dense[0].take(part.own, axis=0)
        elif name in family.shaped:
            by_shape[name] = part
        else:
            by_size[name] = part
    sizes = np.flatnonzero(given.size > 0)
    if not by_size and not by_shape:
        return np.asarray(given.size.sum() * plain.sum(axis=1))
    shaped, of_row = _shaped(by_shape, given, sizes)
    found = np.zeros_like(plain)
    for place, size in enumerate(sizes):
        together = plain * given.size[size]
        if by_shape:
            together = together * shaped[place].take(of_row, axis=0)
        for name, part in by_size.items():
            row = family.effect_places[name][size, 0]
            together = together * part.dense[row].take(part.own, axis=0)
        found += together
    return np.asarray(found.sum(axis=1))


def _shaped(parts: dict[str, FeatureRows], given: Conditions, sizes: Ints) -> tuple[Floats, Ints]:
    """By size, sort and node: what the features say that shape acts on; and of which sort each part is."""
    if not parts:
        return np.ones((len(sizes), 1, 1)), np.zeros(1, dtype=np.intp)
    owns = [part.own for part in parts.values()]
    sort = np.zeros(len(owns[0]), dtype=np.int64)
    for part in parts.values():
        sort = sort * part.dense.shape[1] + part.own
    _, first, of_row = np.unique(sort, return_index=True, return_inverse=True)
    shapes = np.flatnonzero(given.shape > 0)
    found: Floats | float = 1.0
    for name, part in parts.items():
        places = given.family.effect_places[name][np.ix_(sizes, shapes)]
        found = found * part.dense[:, part.own[first]][places]
    return np.einsum("l,klsi->ksi", given.shape[shapes], found), of_row.reshape(-1)


def joint(parts: Mapping[str, FeatureRows], given: Conditions, nodes: Floats, count: int) -> Floats:
    """The same without summing: by condition of size, of shape, part and node; for a few parts."""
    found = given.size[:, None, None, None] * given.shape[None, :, None, None] * nodes
    found = np.repeat(found, count, axis=2)
    for name, part in parts.items():
        places = given.family.effect_places[name] if len(part.dense) > 1 else np.zeros((1, 1), dtype=np.intp)
        found = found * part.dense[:, part.own][places]
    return np.asarray(found)
