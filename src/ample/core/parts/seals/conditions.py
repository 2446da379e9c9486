"""What use does to seals, rings and small parts: kinds of condition, graded, with their effects on every feature."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

import numpy as np
from scipy.special import gammainc, gammaincinv

from ample.core.parts.families import ConditionKind
from ample.core.parts.limits import NO_EFFECT, Effect
from ample.core.parts.seals.described import dimensions_of, rows
from ample.core.parts.seals.standing import standings

BESIDE = frozenset(row["feature"] for row in rows("features.csv") if row["place"] == "beside")


def conditions_of(family: str, sort: str, wear: float = 1.0) -> tuple[ConditionKind, ...]:
    """Every kind of condition of a sort (size or shape), a graded one spread over equally likely amounts; none of a sort
    that the table does not have. Their amounts are `wear` times those of the table.
    """
    found = []
    features = {name for scheme in standings().items() if scheme[0][0] == family for name in scheme[1]}
    for row in condition_rows(family, sort):
        nodes = int(row["nodes"])
        amounts = amounts_of(wear * float(row["mean"]), float(row["shape"]), nodes)
        for amount, spread, share in amounts:
            effects = _effects(row, amount, dimensions_of()[family], features, spread)
            found.append(
                ConditionKind(
                    row["condition"], float(row["weight"]) * share, effects, row["meaning"],
                    frozenset(row["seen"].split()),
                )
            )  # fmt: skip
    if found and abs(sum(kind.weight for kind in found) - 1) > 1e-9:
        raise ValueError(f"the shares of the conditions of {family} by {sort} must add up to 1")
    return tuple(found)


@lru_cache
def condition_rows(family: str, sort: str) -> tuple[dict[str, str], ...]:
    """The kinds of condition of a family by size or by shape, as their table has them."""
    return tuple(row for row in rows("conditions.csv", family) if row["sort"] == sort)


def effects_of(family: str, row: Mapping[str, str], amount: float) -> dict[str, Effect]:
    """What one amount of a kind of condition does to each feature of a family."""
    features = {name for (of, _), made in standings().items() if of == family for name in made}
    return _effects(row, amount, dimensions_of()[family], features)


def amounts_of(mean: float, shape: float, nodes: int) -> tuple[tuple[float, float, float], ...]:
    """Parts of a gamma distribution, each by its mean, standard deviation and share; nothing when there is no amount.

    The parts lie between the quantiles q_i = 1 − (1 − i/n)², closer where amounts are large. With scale θ and shape k, the
    mean over a part of share p between a and b is kθ·[F(b; k + 1) − F(a; k + 1)]/p, the mean square
    k(k + 1)θ²·[F(b; k + 2) − F(a; k + 2)]/p.
    """
    if mean <= 0:
        return ((0.0, 0.0, 1.0),)
    quantiles = 1 - np.square(1 - np.arange(nodes + 1) / nodes)
    edges, share, scale = gammaincinv(shape, quantiles), np.diff(quantiles), mean / shape
    first = shape * scale * np.diff(gammainc(shape + 1, edges)) / share
    second = shape * (shape + 1) * scale**2 * np.diff(gammainc(shape + 2, edges)) / share
    spread = np.sqrt(np.maximum(second - first**2, 0.0))
    return tuple(zip(first.tolist(), spread.tolist(), share.tolist(), strict=True))


def _effects(
    row: Mapping[str, str],
    amount: float,
    dimensions: tuple[str, ...],
    features: set[str],
    spread: float = 0.0,
) -> dict[str, Effect]:
    """What one amount of a condition, with its spread, does to each feature."""
    grows: list[tuple[str, float]] = []
    spreads: list[tuple[str, float]] = []
    own: dict[str, float] = {}
    for piece in row["grows"].split():
        name, _, times = piece.partition(":")
        if name in dimensions:
            grows.append((name, float(times) * amount))
            spreads.append((name, float(times) * spread))
        elif name in features:
            own[name] = float(times)
        else:
            raise ValueError(f"conditions.csv: {name} is neither a dimension nor a feature")
    shifts: dict[str, tuple[float, float]] = {}
    used: set[str] = set()
    for piece in row["shifts"].split():
        name, _, value = piece.partition(":")
        if value == "used":
            used.add(name)
        else:
            moved, _, residue_text = value.partition("/")
            shifts[name] = (float(moved), float(residue_text))
    found = {}
    for name in sorted(features):
        on_part = name not in BESIDE
        shift, residue = shifts.get(name, (0.0, 0.0))
        effect = Effect(
            tuple(grows) if on_part else (), own.get(name, 0.0) * amount, shift, residue, name in used,
            grows_spread=tuple(spreads) if on_part else (), share_spread=abs(own.get(name, 0.0)) * spread,
        )  # fmt: skip
        if effect != NO_EFFECT:
            found[name] = effect
    return found
