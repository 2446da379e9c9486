"""What is listed: envelopes with their variants, laid out for vectorised ranking."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from ample.core.parts import FEATURES, BearingSpec, manufacturing_interval_mm
from ample.core.standards import ball_bearing_sizes
from ample.core.tables import read_table

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
DIMENSIONS = ("d_mm", "D_mm", "B_mm")
RARE = 0.05


@dataclass(frozen=True, slots=True)
class Entry:
    """One listed part: its specification, how it is marked, and how often it is met."""

    spec: BearingSpec
    marking: str
    weight: float = 1.0
    key: int = 0


@dataclass(frozen=True)
class Intervals:
    """Distinct manufacturing intervals of one feature, and which one each unit has."""

    nominal_mm: Floats
    low_mm: Floats
    high_mm: Floats
    of_unit: Ints


@dataclass(frozen=True)
class Catalogue:
    """Listed parts. A unit is an envelope in one tolerance class; an envelope has one or more."""

    entries: tuple[Entry, ...]
    envelopes_mm: Floats
    unit_envelope: Ints
    entry_unit: Ints
    entry_prior: Floats
    unit_prior: Floats
    intervals: dict[str, Intervals]
    rows_named: dict[str, Ints]
    entry_closure: NDArray[np.str_]
    entry_clearance: NDArray[np.str_]
    entry_class: NDArray[np.str_]
    envelope_rows: tuple[Ints, ...]

    @property
    def size(self) -> int:
        """How many listed parts there are."""
        return len(self.entries)

    @staticmethod
    def of(entries: Sequence[Entry]) -> Catalogue:
        """Lay out entries; the prior is shared per envelope first, then within it."""
        if not entries:
            raise ValueError("a catalogue needs at least one entry")
        sizes = np.array([[e.spec.d_mm, e.spec.D_mm, e.spec.B_mm] for e in entries])
        envelopes, entry_envelope = np.unique(np.round(sizes, 4), axis=0, return_inverse=True)
        entry_envelope = entry_envelope.reshape(-1)
        classes = np.array([e.spec.tolerance_class for e in entries])
        pairs = np.array([f"{env}|{cls}" for env, cls in zip(entry_envelope, classes, strict=True)])
        _, first, entry_unit = np.unique(pairs, return_index=True, return_inverse=True)
        unit_envelope = entry_envelope[first]
        entry_unit = entry_unit.reshape(-1)
        prior = _prior(entries, entry_envelope, len(envelopes))
        return Catalogue(
            tuple(entries),
            envelopes,
            unit_envelope,
            entry_unit,
            prior,
            np.asarray(np.bincount(entry_unit, prior, len(unit_envelope)), dtype=np.float64),
            _intervals(envelopes[unit_envelope], classes[first]),
            _grouped([e.spec.designation for e in entries]),
            np.array([e.spec.closure for e in entries]),
            np.array([e.spec.clearance for e in entries]),
            classes,
            tuple(np.flatnonzero(entry_envelope == number) for number in range(len(envelopes))),
        )


def _grouped(names: list[str]) -> dict[str, Ints]:
    """Rows by name."""
    found: dict[str, list[int]] = {}
    for row, name in enumerate(names):
        found.setdefault(name, []).append(row)
    return {name: np.array(rows) for name, rows in found.items()}


def _prior(entries: Sequence[Entry], envelope: Ints, count: int) -> Floats:
    """Envelope share by its most met entry (forty rows are not forty votes), then within it."""
    weights = np.array([entry.weight for entry in entries])
    top = np.zeros(count)
    total = np.zeros(count)
    np.maximum.at(top, envelope, weights)
    np.add.at(total, envelope, weights)
    share = top / top.sum()
    return np.asarray(share[envelope] * weights / total[envelope])


def _intervals(unit_sizes: Floats, unit_classes: NDArray[np.str_]) -> dict[str, Intervals]:
    """For each feature, the distinct limits between which it is made, and which one each unit has."""
    found = {}
    for feature in FEATURES:
        column = DIMENSIONS.index(feature.dimension)
        made = np.array(
            [
                manufacturing_interval_mm(feature.name, float(size[column]), float(size[0]), str(cls))
                for size, cls in zip(unit_sizes, unit_classes, strict=True)
            ]
        )
        rows = np.column_stack([unit_sizes[:, column], made])
        distinct, index = np.unique(rows, axis=0, return_inverse=True)
        found[feature.name] = Intervals(distinct[:, 0], distinct[:, 1], distinct[:, 2], index.reshape(-1))
    return found


@lru_cache
def _prior_shares() -> dict[tuple[str, str], float]:
    rows = read_table(Path(__file__).with_name("prior_shares.csv")).rows
    return {(row["attribute"], row["value"]): float(row["share"]) for row in rows}


def usual_weight(spec: BearingSpec) -> float:
    """How often a part is met before the shop's own counts: series, closure, clearance, class."""
    shares = _prior_shares()
    return (
        shares.get(("series", spec.series), 0.5)
        * shares.get(("closure", spec.closure), RARE)
        * shares.get(("clearance", spec.clearance), RARE)
        * shares.get(("class", spec.tolerance_class), RARE)
    )


@lru_cache
def standard_catalogue() -> Catalogue:
    """Every standard size held, open, shielded and sealed, in normal and wider clearance."""
    entries = []
    for size in ball_bearing_sizes():
        for closure in ("open", "shield_two", "seal_two"):
            width = size.width_mm(closure != "open")
            if width is None:
                continue
            for clearance in ("N", "3"):
                spec = BearingSpec(
                    size.designation, size.series, size.d_mm, size.D_mm, width, closure, clearance
                )
                entries.append(Entry(spec, size.designation, usual_weight(spec)))
    return Catalogue.of(entries)
