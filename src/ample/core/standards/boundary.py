"""Boundary sizes of rolling bearings: which sizes exist, by series."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.sizes import parse_length
from ample.core.tables import read_table

_HERE = Path(__file__).parent
_LISTS = _HERE / "bearings"
_FIRST_CODES = {10.0: "00", 12.0: "01", 15.0: "02", 17.0: "03"}
_CLOSABLE = ("self_aligning", "double_row_angular", "needle_ring", "needle_no_ring", "drawn_cup", "insert")
ALONE = {
    "inch_cone": "D_mm",
    "inch_cup": "d_mm",
    "metric_cone": "D_mm",
    "metric_cup": "d_mm",
    "joint_cross": "d_mm",
}


@dataclass(frozen=True, slots=True)
class BoundarySize:
    """A basic designation with its boundary sizes in mm; widths open and closed may differ.

    `d_mm` is what sits on the shaft: for a needle bearing without inner ring the diameter under the
    needles, for a cup alone 0. `B_open_mm` is the width along the shaft: of a taper the cone's, of a
    thrust bearing its height. `T_mm` is an assembled width or height, `C_mm` the outer ring's width.
    """

    designation: str
    series: str
    d_mm: float
    D_mm: float
    B_open_mm: float | None
    B_closed_mm: float | None
    kind: str = "deep_groove"
    T_mm: float | None = None
    C_mm: float | None = None
    also: str = ""

    def width_mm(self, closed: bool) -> float | None:
        """The width with or without shields or seals; None where it is not made so."""
        return self.B_closed_mm if closed else self.B_open_mm


@dataclass(frozen=True, slots=True)
class Series:
    """A series: its kind of bearing, what it is called, how often it is met, letters before its number."""

    name: str
    kind: str
    words: str
    share: float
    letters: str = ""


@lru_cache
def bearing_series() -> dict[str, Series]:
    """Every series held, by name."""
    found = {}
    for row in read_table(_LISTS / "bearing_series.csv").rows:
        found[row["series"]] = Series(
            row["series"], row["kind"], row["words"], float(row["share"]), row["letters"]
        )
    for row in read_table(_LISTS / "listed_series.csv").rows:
        found[row["series"]] = Series(row["series"], row["kind"], row["words"], float(row["share"]))
    return found


@lru_cache
def ball_bearing_sizes() -> tuple[BoundarySize, ...]:
    """Every deep groove ball bearing size held, in the order of the tables."""
    sizes = []
    for name, unit in (
        ("deep_groove_metric.csv", "mm"),
        ("deep_groove_miniature.csv", "mm"),
        ("deep_groove_inch.csv", "in"),
    ):
        sizes += [_deep_groove(row, unit) for row in read_table(_HERE / name).rows]
    return tuple(sizes)


@lru_cache
def bearing_sizes() -> tuple[BoundarySize, ...]:
    """Every rolling bearing size held, deep groove ball bearings first."""
    sizes = (*ball_bearing_sizes(), *_of_plan(), *_listed())
    _check(sizes)
    return sizes


def _deep_groove(row: dict[str, str], unit: str) -> BoundarySize:
    def length(column: str) -> float | None:
        text = row[f"{column}_{unit}" if unit else column]
        return None if not text else parse_length(text, "in" if unit == "in" else "mm").mm

    d, D = length("d"), length("D")
    if d is None or D is None:
        raise ValueError(f"{row['designation']}: bore and outside are needed")
    return BoundarySize(row["designation"], row["series"], d, D, length("B_open"), length("B_closed"))


def _plan_sizes() -> dict[str, dict[float, tuple[float, float]]]:
    """Outside and width by bore, for every deep groove series and every further dimension series."""
    plan: dict[str, dict[float, tuple[float, float]]] = {}
    for size in ball_bearing_sizes():
        if size.B_open_mm:
            plan.setdefault(size.series, {})[size.d_mm] = (size.D_mm, size.B_open_mm)
    for row in read_table(_LISTS / "iso15_plan.csv").rows:
        own = plan.setdefault(row["dimension_series"], {})
        own[float(row["d_mm"])] = (float(row["D_mm"]), float(row["B_mm"]))
    return plan


def _bores(text: str, held: dict[float, tuple[float, float]]) -> Iterator[float]:
    """The bores that a list such as `6;7;9;10-110` names; a range passes over 22, 28 and 32 mm."""
    for piece in text.split(";"):
        first, _, last = piece.partition("-")
        if not last:
            yield float(first)
            continue
        inside = (bore for bore in sorted(held) if float(first) <= bore <= float(last))
        yield from (bore for bore in inside if bore in _FIRST_CODES or bore % 5 == 0 or bore < 10)


def _of_plan() -> Iterator[BoundarySize]:
    plan = _plan_sizes()
    for row in read_table(_LISTS / "bearing_series.csv").rows:
        held = plan[row["sizes"]]
        closable = row["kind"] in _CLOSABLE
        for bore in _bores(row["bores_mm"], held):
            outside, width = held[bore]
            code = f"{bore:g}" if bore < 10 else _FIRST_CODES.get(bore, f"{bore / 5:02.0f}")
            name = row["letters"] + row["number"] + code
            yield BoundarySize(
                name, row["series"], bore, outside, width, width if closable else None, row["kind"]
            )


def _listed() -> Iterator[BoundarySize]:
    kinds = {name: series.kind for name, series in bearing_series().items()}
    for row in read_table(_LISTS / "taper_metric.csv").rows:
        d, D, T, B, C = (float(row[f"{name}_mm"]) for name in "dDTBC")
        also = row["iso355"] if row["iso355"] != row["designation"] else ""
        yield BoundarySize(row["designation"], row["series"], d, D, B, None, "taper", T, C, also)
        # one ring of it alone, as it lies on the bench; it is ordered with the other
        cone, cup = f"{row['designation']} cone", f"{row['designation']} cup"
        yield BoundarySize(cone, "metric_cone", d, 0.0, B, None, "metric_cone")
        yield BoundarySize(cup, "metric_cup", 0.0, D, C, None, "metric_cup", None, C)
    yield from _inch_tapers()
    for row in read_table(_LISTS / "ball_listed.csv").rows:
        yield _deep_groove(row, "")
    for row in read_table(_LISTS / "thrust.csv").rows:
        d, D, T = (float(row[f"{name}_mm"]) for name in "dDT")
        yield BoundarySize(row["designation"], row["series"], d, D, T, None, kinds[row["series"]], T)
    for row in read_table(_LISTS / "needle.csv").rows:
        d = float(row["d_mm"] or row["Fw_mm"])
        D, C = float(row["D_mm"]), float(row["C_mm"])
        kind = kinds[row["series"]]
        closed = C if kind in _CLOSABLE else None
        own = None if kind == "needle_ring" else C
        yield BoundarySize(row["designation"], row["series"], d, D, C, closed, kind, None, own)
    for row in read_table(_LISTS / "needle_thrust.csv").rows:
        Fw, D, C = (float(row[f"{name}_mm"]) for name in ("Fw", "D", "C"))
        yield BoundarySize(row["designation"], row["series"], Fw, D, C, C, kinds[row["series"]], None, C)
    for name in ("track_roller.csv", "insert.csv", "needle_angular.csv", "spherical_plain.csv"):
        for row in read_table(_LISTS / name).rows:
            d, D, B, C = (float(row[f"{name}_mm"]) for name in "dDBC")
            kind = kinds[row["series"]]
            yield BoundarySize(row["designation"], row["series"], d, D, B, B, kind, None, C)
    for row in read_table(_LISTS / "hub_unit.csv").rows:
        d, D, B = (float(row[f"{name}_mm"]) for name in "dDB")
        yield BoundarySize(row["designation"], row["series"], d, D, B, B, kinds[row["series"]])
    for row in read_table(_LISTS / "joint_cross.csv").rows:
        D, C = float(row["D_mm"]), float(row["C_mm"])
        yield BoundarySize(row["designation"], "UJ", 0.0, D, C, None, "joint_cross", None, C, row["also"])
    for name in ("thin_section.csv", "angle_ring.csv"):
        for row in read_table(_LISTS / name).rows:
            d, D, B = (float(row[f"{name}_mm"]) for name in "dDB")
            yield BoundarySize(row["designation"], row["series"], d, D, B, None, kinds[row["series"]])


def _inch_tapers() -> Iterator[BoundarySize]:
    """Each cone and cup together, then every cone and every cup alone."""
    cones: dict[str, BoundarySize] = {}
    cups: dict[str, BoundarySize] = {}
    for row in read_table(_LISTS / "taper_inch.csv").rows:
        d, D, T, B, C = (float(row[f"{name}_mm"]) for name in "dDTBC")
        cone, cup = row["cone"], row["cup"]
        short = f"{cone}/{cup[-2:]}" if cup[:-2] and cone.startswith(cup[:-2]) else ""
        yield BoundarySize(f"{cone}/{cup}", "inch_taper", d, D, B, None, "inch_taper", T, C, short)
        cones.setdefault(cone, BoundarySize(cone, "inch_cone", d, 0.0, B, None, "inch_cone"))
        cups.setdefault(cup, BoundarySize(cup, "inch_cup", 0.0, D, C, None, "inch_cup", None, C))
    yield from cones.values()
    yield from cups.values()


def _check(sizes: tuple[BoundarySize, ...]) -> None:
    names = [size.designation for size in sizes]
    if len(set(names)) != len(names):
        twice = sorted({name for name in names if names.count(name) > 1})
        raise ValueError(f"designations stand twice in the size tables: {', '.join(twice[:5])}")
    known = bearing_series()
    for size in sizes:
        series = known.get(size.series)
        if series is None or series.kind != size.kind:
            raise ValueError(f"{size.designation}: its series “{size.series}” is not held")
        diameters = 0 < size.d_mm < size.D_mm if size.kind not in ALONE else size.d_mm != size.D_mm
        widths = [w for w in (size.B_open_mm, size.B_closed_mm, size.T_mm, size.C_mm) if w is not None]
        if not (diameters and widths and all(w > 0 for w in widths)):
            raise ValueError(f"{size.designation}: its sizes cannot be right")
        if not re.fullmatch(r"[A-Za-z0-9/.\-x ]{2,24}", size.designation):
            raise ValueError(f"“{size.designation}” is not a designation")
