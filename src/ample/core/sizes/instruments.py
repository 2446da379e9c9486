"""Instruments and the uncertainty that each brings to a reading."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.errors import BadInput
from ample.core.tables import read_table

Reach = Literal["outside", "inside", "depth"]


@dataclass(frozen=True)
class Instrument:
    """An instrument: expanded uncertainty U (k = 2, mm) by the way it reaches the part."""

    kind: str
    name: str
    resolution_mm: float
    outside_u_mm: float
    inside_u_mm: float
    depth_u_mm: float
    scatter_mm: float
    note: str = ""
    zero_checked: bool = False

    def expanded_uncertainty_mm(self, reach: Reach) -> float:
        """U in mm for an outside, inside or depth measurement."""
        return {
            "outside": self.outside_u_mm,
            "inside": self.inside_u_mm,
            "depth": self.depth_u_mm,
        }[reach]

    def widened(self, factor: float, note: str) -> Instrument:
        """The same instrument with every U times a factor (overdue calibration), and why."""
        return replace(
            self,
            outside_u_mm=self.outside_u_mm * factor,
            inside_u_mm=self.inside_u_mm * factor,
            depth_u_mm=self.depth_u_mm * factor,
            note=note,
        )


@lru_cache
def _defaults() -> dict[str, Instrument]:
    table = read_table(Path(__file__).with_name("instruments.csv"))
    return {row["kind"]: _of_row(row) for row in table.rows}


def _of_row(row: dict[str, str]) -> Instrument:
    def mm(column: str) -> float:
        return float(row[f"{column}_mm"])

    return Instrument(
        row["kind"], row["name"], mm("resolution"), mm("outside_u"), mm("inside_u"), mm("depth_u"), mm("scatter")
    )  # fmt: skip


def default_instrument(kind: str) -> Instrument:
    """The usual uncertainty of a kind of instrument, before the shop enters its own certificate.

    Args:
        kind: `rule`, `caliper`, `micrometer`, `bore_gauge` or `pi_tape`.

    Returns:
        The instrument with U in mm (k = 2).

    Raises:
        BadInput: When the kind is not known.

    Source: common practice (see `instruments.csv`).

    Example:
        >>> default_instrument("caliper").expanded_uncertainty_mm("outside")
        0.04
    """
    known = _defaults()
    if kind not in known:
        raise BadInput(
            "unknown_instrument",
            f"Unknown instrument “{kind[:30]}”.",
            "instrument",
            f"Use one of {', '.join(known)}.",
        )
    return known[kind]
