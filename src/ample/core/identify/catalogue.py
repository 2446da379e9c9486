"""What is listed: envelopes with their variants, laid out for vectorised ranking."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.values import ranking_value
from ample.core.parts import (
    BEARING,
    FAMILIES,
    BearingSpec,
    Family,
    Limits,
    PartSpec,
    SealSpec,
    ToleranceSpec,
    bearing_kinds,
)
from ample.core.standards import bearing_series, bearing_sizes, seal_sizes, sizes_of_family
from ample.core.tables import read_table

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
RARE = ranking_value("listed_rare")


@dataclass(frozen=True, slots=True)
class Entry:
    """One listed part: its specification, how it is marked, and how often it is met."""

    spec: PartSpec
    marking: str
    weight: float = 1.0
    key: int = 0


@dataclass(frozen=True)
class Intervals:
    """Distinct manufacturing intervals of one feature, and which each unit has.

    Row 0 stands for units that do not have the feature. `of_unit` has a column for each thing that
    the feature can stand for, `share` how often it does.
    """

    limits: Limits
    of_unit: Ints
    share: Floats

    def gathered(self, values: Floats, rows: Ints | slice) -> Floats:
        """Values by interval (last axis but one), brought to units: the mean over what the feature can stand for."""
        own = self.of_unit[rows]
        if own.shape[1] == 1:
            return values.take(own[:, 0], axis=-2)
        share = self.share[rows]
        return np.asarray(
            sum(share[:, j, None] * values.take(own[:, j], axis=-2) for j in range(own.shape[1]))
        )

    def any_of(self, wanted: NDArray[np.bool_]) -> NDArray[np.bool_]:
        """Units with at least one of the wanted intervals."""
        return np.asarray(wanted[self.of_unit].any(axis=1))


@dataclass(frozen=True)
class Catalogue:
    """Listed parts, laid out so that a hundred thousand are ranked as a few thousand groups.

    ::

        envelope   25 × 52 × 15                          one set of dimensions
          unit     … made to Normal │ … made to class 6  envelope made in one way: what readings can tell
            group  deep groove      │ angular contact …  parts of one kind of one unit: what readings and eye can tell
              entry  6205  6205-2RS │ 7205 B …           one listed part: what only its marking can tell

    Arrays named `a_b` give, for each a, its b (a number) or its own b (a prior that sums to 1 over a).
    """

    family: Family
    entries: tuple[Entry, ...]
    envelopes_mm: Floats
    unit_tolerances: tuple[ToleranceSpec, ...]
    unit_envelope: Ints
    entry_unit: Ints
    entry_prior: Floats
    unit_prior: Floats
    intervals: dict[str, Intervals]
    rows_named: dict[str, Ints]
    kinds: tuple[str, ...]
    entry_kind: Ints
    entry_group: Ints
    group_unit: Ints
    group_kind: Ints
    group_prior: Floats
    entry_marked: dict[str, NDArray[np.str_]]
    envelope_rows: tuple[Ints, ...]

    @cached_property
    def names_beyond(self) -> dict[str, tuple[str, ...]]:
        """Of names that others go on from, those others: 6204-3/4 goes on from 6204, a taper's set from its cone.

        Sizes, as seals are called by, do not go on from each other.
        """
        found: dict[str, list[str]] = {}
        for name in self.rows_named if self.family is BEARING else ():
            for stop in re.finditer("[-/]", name):
                if name[: stop.start()] in self.rows_named:
                    found.setdefault(name[: stop.start()], []).append(name)
        return {name: tuple(others) for name, others in found.items()}

    @property
    def size(self) -> int:
        """How many listed parts there are."""
        return len(self.entries)

    @property
    def group_envelope(self) -> Ints:
        """The envelope of each group."""
        return np.asarray(self.unit_envelope[self.group_unit])

    @staticmethod
    def of(entries: Sequence[Entry]) -> Catalogue:
        """Lay out entries of one family; the prior is shared per envelope and kind, then within."""
        if not entries:
            raise ValueError("a catalogue needs at least one entry")
        family = FAMILIES[entries[0].spec.family]
        marked = [e.spec.marked for e in entries]
        units: dict[ToleranceSpec, int] = {}
        entry_unit = np.array([units.setdefault(e.spec.make, len(units)) for e in entries])
        makes = tuple(units)
        sizes = np.array([make.dimensions_mm for make in makes])
        envelopes, unit_envelope = np.unique(sizes, axis=0, return_inverse=True)
        unit_envelope = unit_envelope.reshape(-1)
        kinds, entry_kind = np.unique([e.spec.kind for e in entries], return_inverse=True)
        entry_envelope = unit_envelope[entry_unit]
        prior = _prior(np.array([e.weight for e in entries]), entry_envelope, entry_kind, len(kinds))
        entry_kind = entry_kind.reshape(-1)
        groups, entry_group = np.unique(entry_unit * len(kinds) + entry_kind, return_inverse=True)
        entry_group = entry_group.reshape(-1)
        order = np.argsort(entry_envelope, kind="stable")
        edges = np.searchsorted(entry_envelope[order], np.arange(1, len(envelopes)))
        return Catalogue(
            family=family,
            entries=tuple(entries),
            envelopes_mm=envelopes,
            unit_tolerances=makes,
            unit_envelope=unit_envelope,
            entry_unit=entry_unit,
            entry_prior=prior,
            unit_prior=np.asarray(np.bincount(entry_unit, prior, len(makes)), dtype=np.float64),
            intervals=_intervals(makes, family),
            rows_named=_grouped([e.spec.designation for e in entries]),
            kinds=tuple(str(kind) for kind in kinds),
            entry_kind=entry_kind,
            entry_group=entry_group,
            group_unit=groups // len(kinds),
            group_kind=groups % len(kinds),
            group_prior=np.asarray(np.bincount(entry_group, prior, len(groups)), dtype=np.float64),
            entry_marked={name: np.array([own.get(name, "") for own in marked]) for name in family.marked},
            envelope_rows=tuple(np.split(order, edges)),
        )


def _grouped(names: list[str]) -> dict[str, Ints]:
    """Rows by name."""
    found: dict[str, list[int]] = {}
    for row, name in enumerate(names):
        found.setdefault(name, []).append(row)
    return {name: np.array(rows) for name, rows in found.items()}


def _prior(weights: Floats, envelope: Ints, kind: Ints, kinds: int) -> Floats:
    """Forty rows are not forty votes: a kind in an envelope counts by its commonest entry, shared within."""
    groups, of_entry = np.unique(envelope * kinds + kind, return_inverse=True)
    of_entry = of_entry.reshape(-1)
    top = np.zeros(len(groups))
    np.maximum.at(top, of_entry, weights)
    total = np.bincount(of_entry, weights, len(groups))
    return np.asarray(top[of_entry] / top.sum() * weights / total[of_entry])


def _intervals(makes: tuple[ToleranceSpec, ...], family: Family) -> dict[str, Intervals]:
    """For each feature, the distinct limits between which it is made, and which each unit has."""
    found = {}
    for feature in family.features:
        made = family.measures_by_spec(makes, feature.name)
        most = max((len(each) for each in made), default=0) or 1
        index: dict[tuple[object, ...], int] = {}
        rows = [(np.nan, np.nan, np.nan, 0.0, 0.0)]
        parts: list[dict[str, float]] = [{}]
        of_unit = np.zeros((len(makes), most), dtype=np.intp)
        share = np.zeros((len(makes), most))
        share[:, 0] = 1.0
        for row, each in enumerate(made):
            for column, one in enumerate(each):
                limits = (one.nominal_mm, one.low_mm, one.high_mm, one.used_shift_mm, one.used_residue_mm)
                place = index.setdefault((limits, one.of), len(rows))
                if place == len(rows):
                    rows.append(limits)
                    parts.append(dict(one.of))
                of_unit[row, column] = place
                share[row, column] = one.share
        nominal, low, high, shift, residue = np.array(rows).T
        names = sorted({name for own in parts for name in own})
        of = {name: np.array([own.get(name, 0.0) for own in parts]) for name in names}
        held = Limits(nominal, low, high, of, shift, residue)
        found[feature.name] = Intervals(held, of_unit, share)
    return found


@lru_cache
def _prior_shares() -> dict[tuple[str, str], float]:
    rows = read_table(Path(__file__).with_name("prior_shares.csv")).rows
    return {(row["attribute"], row["value"]): float(row["share"]) for row in rows}


def usual_weight(spec: PartSpec) -> float:
    """How often a part is met before the shop's own counts: series, closure, clearance, class; or its list."""
    if isinstance(spec, SealSpec):
        return _listed_shares().get((spec.family, spec.kind, spec.designation), RARE)
    assert isinstance(spec, BearingSpec)
    shares = _prior_shares()
    series = bearing_series().get(spec.series)
    return (
        (series.share if series else 0.5)
        * shares.get(("closure", spec.closure), RARE)
        * shares.get(("clearance", spec.clearance), RARE)
        * shares.get(("class", spec.tolerance_class), RARE)
    )


@lru_cache
def _listed_shares() -> dict[tuple[str, str, str], float]:
    return {(size.family, size.kind, size.designation): size.share for size in seal_sizes()}


@lru_cache
def seal_catalogue(family: str) -> Catalogue:
    """Every listed size of a family of seals, rings or small parts."""
    entries = []
    for size in sizes_of_family(family):
        spec = SealSpec(size.family, size.designation, size.kind, size.dimensions_mm, (), size.listed)
        entries.append(Entry(spec, size.designation, size.share))
    return Catalogue.of(entries)


def standard_catalogue(family: str = "bearing") -> Catalogue:
    """Every standard size held of a family.

    Args:
        family: The name of the family.

    Returns:
        The catalogue, laid out once.

    Raises:
        Nothing.

    Source: the lists of `core/standards`.

    Example:
        >>> standard_catalogue("key").family.words
        'key'
    """
    return bearing_catalogue() if family == "bearing" else seal_catalogue(family)


@lru_cache
def bearing_catalogue() -> Catalogue:
    """Every standard bearing size held; where the kind can be so: open, shielded and sealed, wider clearance."""
    entries = []
    kinds = bearing_kinds()
    for size in bearing_sizes():
        kind = kinds[size.kind]
        for closure in ("open", "shield_two", "seal_two") if kind.closable else ("open",):
            width = size.width_mm(closure != "open")
            if width is None:
                continue
            for clearance in ("N", "3") if kind.clearance else ("N",):
                spec = BearingSpec(
                    size.designation, size.series, size.d_mm, size.D_mm, width, closure, clearance,
                    kind=size.kind, T_mm=size.T_mm, C_mm=size.C_mm,
                )  # fmt: skip
                entries.append(Entry(spec, size.designation, usual_weight(spec)))
    return Catalogue.of(entries)
