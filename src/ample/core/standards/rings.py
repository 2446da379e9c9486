"""Tolerances of rolling-bearing rings and internal clearance, by kind of bearing."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.standards.steps import Steps, read_steps
from ample.core.tables import Table, read_table

_HERE = Path(__file__).parent
CLEARANCE_GROUPS = ("2", "N", "3", "4", "5")
_RING_TABLES = {
    "radial": "iso492_radial.csv",
    "taper": "iso492_taper.csv",
    "inch_taper": "inch_taper.csv",
    "thrust": "iso199_thrust.csv",
    "needle": "iso3245_needles.csv",
}
_RING_WORDS = {
    "radial": "Radial bearings",
    "taper": "Metric tapered roller bearings",
    "inch_taper": "Inch tapered roller bearings",
    "thrust": "Thrust bearings",
    "needle": "Needle bearings without inner ring",
}


@dataclass(frozen=True)
class RingLimits:
    """Limits of the mean bore, outside or width of a ring about its nominal, µm."""

    ring: str
    tolerance_class: str
    size_mm: float
    lower_um: float
    upper_um: float
    source: str


@dataclass(frozen=True)
class ClearanceLimits:
    """Limits of the internal clearance of a new, unmounted bearing, µm, radial or axial."""

    kind: str
    group: str
    bore_mm: float
    min_um: float
    max_um: float
    source: str
    direction: str = "radial"


@lru_cache
def _ring_table(kind: str) -> Table:
    return read_table(_HERE / _RING_TABLES[kind])


@lru_cache
def _rings(kind: str) -> dict[tuple[str, str], Steps[tuple[float, float]]]:
    return _by_two_keys(_ring_table(kind), "ring", "class", "lower_um", "upper_um")


@lru_cache
def _clearance_tables() -> tuple[tuple[str, Table], ...]:
    return (
        ("radial", read_table(_HERE / "iso5753_clearance.csv")),
        ("axial", read_table(_HERE / "axial_clearance.csv")),
    )


@lru_cache
def _clearances() -> dict[tuple[str, str], tuple[str, str, Steps[tuple[float, float]]]]:
    found = {}
    for direction, table in _clearance_tables():
        for key, steps in _by_two_keys(table, "kind", "group", "min_um", "max_um").items():
            found[key] = (direction, table.source, steps)
    return found


def _by_two_keys(
    table: Table, first: str, second: str, low: str, high: str
) -> dict[tuple[str, str], Steps[tuple[float, float]]]:
    groups: dict[tuple[str, str], list[tuple[float, float, tuple[float, float]]]] = defaultdict(list)
    for row in table.rows:
        groups[row[first], row[second]].append(
            (
                float(row["over_mm"]),
                float(row["up_to_mm"]),
                (float(row[low]), float(row[high])),
            )
        )
    return {key: read_steps(rows, includes_lowest=True) for key, rows in groups.items()}


def ring_limits(
    ring: str, size_mm: float, tolerance_class: str = "Normal", kind: str = "radial"
) -> RingLimits:
    """Limits of a ring of a bearing about its nominal size.

    Formula: tabulated; bore and outside lie at 0/−Δ (the bore unlike an H hole), but those of inch
    tapers at +Δ/0, never under nominal. Inch classes 4 and 2 are the ordinary ones.

    Args:
        ring: `bore`, `outside`, `width` (radial), `inner_ring_width`, `outer_ring_width`,
            `assembled_width` (tapers), `height`, `height_double` (thrust), `under_needles`.
        size_mm: Nominal outside in mm for `outside`; for all others the nominal bore.
        tolerance_class: radial and thrust `Normal`, `6`, `5`, `4`; taper `Normal`, `6X`, `5`, `4`;
            inch_taper `4`, `2`, `3`, `0`, `00`.
        kind: `radial`, `taper`, `inch_taper`, `thrust` or `needle`.

    Returns:
        Lower and upper deviation, µm.

    Raises:
        BadInput: When the kind, ring or class is not held, or the size is outside the table.

    Source: ISO 492:2014, ISO 199:2014, ISO 578, ANSI/ABMA 19.2, ISO 1206.

    Example:
        >>> ring_limits("bore", 25).lower_um, ring_limits("bore", 25.4, "4", "inch_taper").upper_um
        (-10.0, 13.0)
    """
    if kind not in _RING_TABLES:
        raise BadInput(
            "kind_not_held",
            f"No ring tolerances available for “{kind[:20]}” bearings.",
            "kind",
            f"One of {', '.join(_RING_TABLES)}.",
        )
    held = _rings(kind)
    names = list(dict.fromkeys(name for name, _ in held))
    if ring not in names:
        raise BadInput("no_such_ring", f"Unknown ring “{ring[:20]}”.", "ring", f"One of {', '.join(names)}.")
    steps = held.get((ring, tolerance_class))
    if steps is None:
        classes = [cls for name, cls in held if name == ring]
        raise BadInput(
            "no_such_class",
            f"{_RING_WORDS[kind]} have no class “{tolerance_class[:20]}”.",
            "class",
            f"One of {', '.join(classes)}.",
        )
    low, high = steps.at(size_mm, f"{_ring_table(kind).header['source']}, {ring}, class {tolerance_class},")
    return RingLimits(ring, tolerance_class, size_mm, low, high, _ring_table(kind).source)


def nearest_ring_limits_um(kind: str, ring: str, size_mm: float, tolerance_class: str) -> tuple[float, float]:
    """Limits of a ring, the nearest step or the ordinary class standing in where the table ends.

    Formula: as `ring_limits`; a class that the kind or size does not have gives its ordinary class.

    Args:
        kind: As for `ring_limits`.
        ring: As for `ring_limits`.
        size_mm: Nominal size, mm, above 0.
        tolerance_class: Any class.

    Returns:
        Lower and upper deviation, µm.

    Raises:
        KeyError: When the kind has no such ring.

    Source: the tables of `ring_limits`; outside them assumed.

    Example:
        >>> nearest_ring_limits_um("radial", "bore", 0.5, "Normal")
        (-8.0, 0.0)
    """
    held = _rings(kind)
    ordinary = "4" if kind == "inch_taper" else "Normal"
    steps = held.get((ring, tolerance_class), held[ring, ordinary])
    if size_mm > steps.highest_mm and tolerance_class != ordinary:
        steps = held.get((ring, "6"), held[ring, ordinary])
    inside = min(max(size_mm, steps.lowest_mm), steps.highest_mm)
    return steps.at(inside, ring)


def internal_clearance(kind: str, bore_mm: float, group: str = "N") -> ClearanceLimits:
    """Internal clearance of a new bearing before it is mounted, radial or (two kinds) axial.

    Formula: tabulated.

    Args:
        kind: `deep_groove`, `self_aligning`, `cylindrical`, `spherical`, these last three also with
            `_taper_bore`; `four_point` and `double_row_angular` (axial).
        bore_mm: Nominal bore, mm; each kind has its range.
        group: `2`, `N`, `3`, `4` or `5`.

    Returns:
        Least and most clearance, µm, and its direction.

    Raises:
        BadInput: When the kind or group is not held, or the bore is outside the table.

    Source: ISO 5753-1:2009; ISO 5753-2 and common lists for the axial ones.

    Example:
        >>> internal_clearance("deep_groove", 25, "3").max_um
        28.0
    """
    kinds = list(dict.fromkeys(held for held, _ in _clearances()))
    if kind not in kinds:
        raise BadInput(
            "kind_not_held",
            f"No internal clearance available for “{kind[:20]}”.",
            "kind",
            f"One of {', '.join(kinds)}.",
        )
    found = _clearances().get((kind, group))
    if found is None:
        groups = ", ".join(each for held, each in _clearances() if held == kind)
        raise BadInput(
            "no_such_group",
            f"There is no clearance group “{group[:20]}” of {kind.replace('_', ' ')} bearings.",
            "group",
            f"One of {groups}.",
        )
    direction, source, steps = found
    low, high = steps.at(bore_mm, f"Clearance of {kind.replace('_', ' ')}, group {group},", "bore_mm")
    return ClearanceLimits(kind, group, bore_mm, low, high, source, direction)
