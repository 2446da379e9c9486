"""What use does to seals, rings and small parts: kinds of condition, graded, with their effects on every feature."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

import numpy as np
from scipy.special import gammaincinv

from ample.core.parts.families import ConditionKind
from ample.core.parts.limits import NO_EFFECT, Effect
from ample.core.parts.seals.described import dimensions_of, rows
from ample.core.parts.seals.standing import standings

BESIDE = frozenset(row["feature"] for row in rows("features.csv") if row["place"] == "beside")


def conditions_of(family: str) -> tuple[ConditionKind, ...]:
    """Every kind of condition, one with a graded amount spread over equally likely amounts of it."""
    found = []
    features = {name for scheme in standings().items() if scheme[0][0] == family for name in scheme[1]}
    for row in condition_rows(family):
        nodes = int(row["nodes"])
        amounts = amounts_of(float(row["mean"]), float(row["shape"]), nodes)
        for amount in amounts:
            effects = _effects(row, amount, dimensions_of()[family], features)
            found.append(
                ConditionKind(
                    row["condition"], float(row["weight"]) / nodes, effects, row["meaning"],
                    frozenset(row["seen"].split()),
                )
            )  # fmt: skip
    if abs(sum(kind.weight for kind in found) - 1) > 1e-9:
        raise ValueError(f"the shares of the conditions of {family} must add up to 1")
    return tuple(found)


@lru_cache
def condition_rows(family: str) -> tuple[dict[str, str], ...]:
    """The kinds of condition of a family as their table has them."""
    return rows("conditions.csv", family)


def effects_of(family: str, row: Mapping[str, str], amount: float) -> dict[str, Effect]:
    """What one amount of a kind of condition does to each feature of a family."""
    features = {name for (of, _), made in standings().items() if of == family for name in made}
    return _effects(row, amount, dimensions_of()[family], features)


def amounts_of(mean: float, shape: float, nodes: int) -> tuple[float, ...]:
    """Equally likely amounts of a gamma distribution; one nothing when there is no amount."""
    if mean <= 0:
        return (0.0,)
    chances = (np.arange(nodes) + 0.5) / nodes
    return tuple(float(each) for each in gammaincinv(shape, chances) * mean / shape)


def _effects(
    row: Mapping[str, str], amount: float, dimensions: tuple[str, ...], features: set[str]
) -> dict[str, Effect]:
    """What one amount of a condition does to each feature."""
    grows: list[tuple[str, float]] = []
    own: dict[str, float] = {}
    for piece in row["grows"].split():
        name, _, times = piece.partition(":")
        if name in dimensions:
            grows.append((name, float(times) * amount))
        elif name in features:
            own[name] = float(times) * amount
        else:
            raise ValueError(f"conditions.csv: {name} is neither a dimension nor a feature")
    shifts: dict[str, tuple[float, float]] = {}
    used: set[str] = set()
    for piece in row["shifts"].split():
        name, _, value = piece.partition(":")
        if value == "used":
            used.add(name)
        else:
            moved, _, spread = value.partition("/")
            shifts[name] = (float(moved), float(spread))
    found = {}
    for name in sorted(features):
        on_part = name not in BESIDE
        shift, residue = shifts.get(name, (0.0, 0.0))
        effect = Effect(tuple(grows) if on_part else (), own.get(name, 0.0), shift, residue, name in used)
        if effect != NO_EFFECT:
            found[name] = effect
    return found
