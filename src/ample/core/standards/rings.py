"""Tolerances of rolling-bearing rings (ISO 492) and radial internal clearance (ISO 5753-1)."""

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
    """Limits of the radial internal clearance of a new, unmounted bearing, µm."""

    kind: str
    group: str
    bore_mm: float
    min_um: float
    max_um: float
    source: str


@lru_cache
def _ring_table() -> Table:
    return read_table(_HERE / "iso492_radial.csv")


@lru_cache
def _clearance_table() -> Table:
    return read_table(_HERE / "iso5753_clearance.csv")


@lru_cache
def _rings() -> dict[tuple[str, str], Steps[tuple[float, float]]]:
    return _by_two_keys(_ring_table(), "ring", "class", "lower_um", "upper_um")


@lru_cache
def _clearances() -> dict[tuple[str, str], Steps[tuple[float, float]]]:
    return _by_two_keys(_clearance_table(), "kind", "group", "min_um", "max_um")


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
    """Limits of a ring of a radial bearing about its nominal size.

    Formula: tabulated; the bore lies at 0/−Δ (unlike an H hole), the outside at 0/−Δ.

    Args:
        ring: `bore` (mean bore), `outside` (mean outside) or `width`.
        size_mm: Nominal bore in mm for `bore` and `width`, nominal outside for `outside`.
        tolerance_class: `Normal`, `6`, `5` or `4`.
        kind: `radial`.

    Returns:
        Lower and upper deviation, µm.

    Raises:
        BadInput: When the kind, ring or class is not held, or the size is outside the table.

    Source: ISO 492:2014.

    Example:
        >>> ring_limits("bore", 25).lower_um
        -10.0
    """
    if kind != "radial":
        raise BadInput(
            "kind_not_held",
            f"Ring tolerances of “{kind[:20]}” bearings are not held here yet.",
            "kind",
            "Radial bearings except tapers are.",
        )
    if ring not in ("bore", "outside", "width"):
        raise BadInput("no_such_ring", f"“{ring[:20]}” is no ring.", "ring", "bore or outside")
    steps = _rings().get((ring, tolerance_class))
    if steps is None:
        raise BadInput(
            "no_such_class",
            f"Radial bearings have no class “{tolerance_class[:20]}”.",
            "class",
            "Normal, 6, 5 or 4.",
        )
    low, high = steps.at(size_mm, f"ISO 492, {ring}, class {tolerance_class},")
    return RingLimits(ring, tolerance_class, size_mm, low, high, _ring_table().source)


def internal_clearance(kind: str, bore_mm: float, group: str = "N") -> ClearanceLimits:
    """Radial internal clearance of a new bearing before it is mounted.

    Formula: tabulated.

    Args:
        kind: `deep_groove`.
        bore_mm: Nominal bore, 2.5 to 500 mm.
        group: `2`, `N`, `3`, `4` or `5`.

    Returns:
        Least and most clearance, µm.

    Raises:
        BadInput: When the kind or group is not held, or the bore is outside the table.

    Source: ISO 5753-1:2009, Table 1.

    Example:
        >>> internal_clearance("deep_groove", 25, "3").max_um
        28.0
    """
    if kind not in {held for held, _ in _clearances()}:
        raise BadInput(
            "kind_not_held",
            f"Internal clearance of “{kind[:20]}” is not held here yet.",
            "kind",
            "deep_groove is.",
        )
    steps = _clearances().get((kind, group))
    if steps is None:
        raise BadInput(
            "no_such_group", f"There is no clearance group “{group[:20]}”.", "group", "2, N, 3, 4 or 5."
        )
    low, high = steps.at(bore_mm, f"ISO 5753-1, group {group},", "bore_mm")
    return ClearanceLimits(kind, group, bore_mm, low, high, _clearance_table().source)
