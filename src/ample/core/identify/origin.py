"""Which list the O-rings of a machine come from: one unknown of the job, learned from what was confirmed on it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample.core.errors import BadInput
from ample.core.identify.catalogue import Catalogue
from ample.core.standards.ring_lists import RING_LISTS, UNKNOWN, ring_list, ring_origins

Floats = NDArray[np.float64]

_RINGS = ("o_ring",)  # the kinds that a list says something of
_WEIGHT = 3.0  # what is thought before anything is confirmed weighs as three confirmed rings


def list_shares(
    origin: str = UNKNOWN, confirmed: Sequence[str] = (), usual: Mapping[str, float] | None = None
) -> dict[str, float]:
    """How likely each list is, for the next ring of a job.

    Formula: P(list | job) ∝ α_list(origin) + n_list, with n the rings confirmed on the job and Σ α = 3.

    Args:
        origin: Where the machine was built: `unknown`, `inch`, `metric` or `far_east`.
        confirmed: The lists of the rings confirmed on the same job.
        usual: The shares of the lists in the shop, for an unknown origin; else those of the table.

    Returns:
        A share for each list; they sum to 1.

    Raises:
        BadInput: When the origin is none of these.

    Source: a Dirichlet prior over lists, e.g. C. M. Bishop, Pattern Recognition and Machine Learning (2006), 2.2 (from
        memory); α: `ring_origins.csv` of the standards.

    Example:
        >>> shares = list_shares("unknown", ["far_east"] * 4)
        >>> shares["far_east"] > 0.5
        True
    """
    known = ring_origins()
    if origin not in known:
        raise BadInput(
            "no_such_origin",
            f"“{origin[:20]}” is not a known origin.",
            "origin",
            f"One of {', '.join(known)}.",
        )
    alphas: Mapping[str, float] = known[origin]
    if origin == UNKNOWN and usual and sum(usual.values()) > 0:
        alphas = {name: _WEIGHT * share / sum(usual.values()) for name, share in usual.items()}
    weights = {name: alpha + confirmed.count(name) for name, alpha in alphas.items()}
    total = sum(weights.values())
    return {name: weight / total for name, weight in weights.items()}


def for_job(catalogue: Catalogue, origin: str, confirmed: Sequence[str]) -> Catalogue:
    """The catalogue of O-rings as it is for a job; unchanged where nothing is known of it."""
    lists = lists_confirmed(catalogue, confirmed)
    if origin == UNKNOWN and not lists:
        return catalogue
    return of_job(catalogue, list_shares(origin, lists, _held_shares(catalogue)))


def _held_shares(catalogue: Catalogue) -> dict[str, float]:
    """What each list weighs in a catalogue."""
    lists = _lists_of(catalogue)
    return {name: float(catalogue.entry_prior[lists == name].sum()) for name in RING_LISTS}


def of_job(catalogue: Catalogue, shares: Mapping[str, float]) -> Catalogue:
    """The catalogue of O-rings with its lists weighed as they are for a job; within a list as before.

    What is on no such list (backup rings, square rings) keeps its weight.
    """
    lists = _lists_of(catalogue)
    held = _held_shares(catalogue)
    total = sum(held.values())
    if total <= 0:
        return catalogue
    factor = np.ones(len(lists))
    for name, share in shares.items():
        if held[name] > 0:
            factor[lists == name] = share * total / held[name]
    prior = catalogue.entry_prior * factor
    prior = prior / prior.sum()
    return replace(
        catalogue,
        entry_prior=prior,
        unit_prior=np.asarray(np.bincount(catalogue.entry_unit, prior, len(catalogue.unit_tolerances))),
        group_prior=np.asarray(np.bincount(catalogue.entry_group, prior, len(catalogue.group_prior))),
    )


class _Held:
    """A catalogue as a key: compared by identity."""

    __slots__ = ("catalogue",)

    def __init__(self, catalogue: Catalogue):
        self.catalogue = catalogue

    def __hash__(self) -> int:
        return id(self.catalogue)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Held) and other.catalogue is self.catalogue


@lru_cache(maxsize=8)
def _lists_held(held: _Held) -> NDArray[np.str_]:
    entries = held.catalogue.entries
    return np.array([ring_list(each.spec.series) if each.spec.kind in _RINGS else "" for each in entries])


def _lists_of(catalogue: Catalogue) -> NDArray[np.str_]:
    """The list of every entry; worked out once for a catalogue."""
    return _lists_held(_Held(catalogue))


def lists_confirmed(catalogue: Catalogue, designations: Sequence[str]) -> list[str]:
    """The lists of rings confirmed on a job; one that two lists have counts for the first, one that none has for none."""
    lists = _lists_of(catalogue)
    rows = [catalogue.rows_named[name][0] for name in designations if name in catalogue.rows_named]
    return [str(lists[row]) for row in rows if lists[row]]
