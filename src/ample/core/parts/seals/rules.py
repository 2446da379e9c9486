"""Between what limits seals, rings and small parts are made, and what they sit on is turned: a rule a kind of limit."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample.core.parts.seals.described import rows
from ample.core.sizes import INCH_MM
from ample.core.standards.iso286 import limits
from ample.core.standards.seals import INSIDE_TOLERANCE, dash_sizes, press_fit_um, ring_section_steps

Floats = NDArray[np.float64]
Limit = tuple[Floats, Floats]
Rule = Callable[["RuleInput"], Limit]
_LARGEST_SQUARE_KEY_MM = 6.0


@dataclass(frozen=True, eq=False)
class RuleInput:
    """What a rule is asked, for many parts at once: nominals, tolerance, dimensions by name, its own words."""

    nominal_mm: Floats
    tolerance: str
    sizes_mm: Mapping[str, Floats]
    words: tuple[str, ...]

    def about(self, low: Floats | float, high: Floats | float) -> Limit:
        """The nominal with these deviations, mm."""
        return self.nominal_mm + low, self.nominal_mm + high

    def number(self, place: int) -> float:
        """One of its own figures."""
        return float(self.words[place])


def _plain(a: RuleInput) -> Limit:
    return a.about(a.number(0), a.number(1))


def _share(a: RuleInput) -> Limit:
    return a.about(a.nominal_mm * a.number(0), a.nominal_mm * a.number(1))


def _part(a: RuleInput) -> Limit:
    """From one part of another dimension to another (a wall of a groove, by the section of its ring)."""
    other = np.asarray(a.sizes_mm[a.words[0]])
    return a.about(other * a.number(1), other * a.number(2))


@lru_cache(maxsize=65536)
def _zone_mm(nominal_mm: float, zone: str) -> tuple[float, float]:
    found = limits(min(max(nominal_mm, 1.0), 500.0), zone)
    return found.lower_um / 1000, found.upper_um / 1000


def _by_size(of: Callable[[float], tuple[float, float]], nominal_mm: Floats) -> Limit:
    """Deviations that a table gives by size, each size looked up once."""
    sizes, place = np.unique(nominal_mm, return_inverse=True)
    found = np.array([of(float(size)) for size in sizes]).reshape(-1, 2)[place.reshape(-1)]
    return nominal_mm + found[:, 0], nominal_mm + found[:, 1]


def _zone(a: RuleInput) -> Limit:
    return _by_size(lambda size: _zone_mm(size, a.words[0]), a.nominal_mm)


def _key_height(a: RuleInput) -> Limit:
    """Square keys, to 6 × 6, are made to h9 in both directions; flat ones to h11 in height (DIN 6885)."""
    square = np.isclose(a.sizes_mm["width_mm"], a.nominal_mm) & (a.nominal_mm <= _LARGEST_SQUARE_KEY_MM)
    fine = _by_size(lambda size: _zone_mm(size, "h9"), a.nominal_mm)
    coarse = _by_size(lambda size: _zone_mm(size, "h11"), a.nominal_mm)
    return np.where(square, fine[0], coarse[0]), np.where(square, fine[1], coarse[1])


def _press_fit(a: RuleInput) -> Limit:
    def of(size: float) -> tuple[float, float]:
        low, high = press_fit_um("metal" if a.tolerance == "metal" else "rubber", size)
        return low / 1000, high / 1000

    return _by_size(of, a.nominal_mm)


def _lip_sprung(a: RuleInput) -> Limit:
    """With its spring a free lip is under size by about 0.8 to 2 mm, to 3 mm on large ones."""
    return a.about(-2.0 - np.clip((a.nominal_mm - 60) / 140, 0, 1), -0.8)


def _lip_bare(a: RuleInput) -> Limit:
    """Without its spring the lip is wider open."""
    return a.about(-1.3 - np.clip((a.nominal_mm - 60) / 200, 0, 0.7), -0.3)


def _seal_width(a: RuleInput) -> Limit:
    off = np.where(a.nominal_mm <= 10, 0.2, 0.3)
    return a.about(-off, off)


_SECTION_STEP = 1000.0  # keeps dash sizes of different sections apart in one sorted column
_SAME = 1e-3  # of that column


@lru_cache
def _dash_column() -> tuple[Floats, Floats, Floats]:
    """The dash sizes in one sorted column, with their own tolerances of inside and section, mm."""
    found = sorted(
        (
            _SECTION_STEP * round(row.section_in * INCH_MM, 4) + round(row.inside_in * INCH_MM, 4),
            row.inside_tolerance_in * INCH_MM,
            row.section_tolerance_in * INCH_MM,
        )
        for row in dash_sizes().values()
    )
    columns = np.array(found)
    return columns[:, 0], columns[:, 1], columns[:, 2]


def _dash_place(a: RuleInput) -> tuple[NDArray[np.intp], NDArray[np.bool_]]:
    """The nearest dash size of each part, and whether it is that size."""
    column, _, _ = _dash_column()
    keys = _SECTION_STEP * np.asarray(a.sizes_mm["section_mm"]) + np.asarray(a.sizes_mm["inside_mm"])
    right = np.clip(np.searchsorted(column, keys), 1, len(column) - 1)
    place = np.where(keys - column[right - 1] < column[right] - keys, right - 1, right)
    return place, np.abs(column[place] - keys) < _SAME


def _inside_off(a: RuleInput) -> Floats:
    """A dash size has the tolerance of its row (AS568), all others that of ISO 3601-1 class B."""
    place, dash = _dash_place(a)
    share, power, least = INSIDE_TOLERANCE
    by_standard = share * np.asarray(a.sizes_mm["inside_mm"]) ** power + least
    return np.where(dash, _dash_column()[1][place], by_standard)


_OVER_ALL_STEPS = 0.02


@lru_cache
def _section_steps() -> tuple[Floats, Floats]:
    """The largest section of each step and its tolerance, mm."""
    tops, offs = zip(*ring_section_steps(), strict=True)
    return np.array(tops), np.array(offs)


def _section_off(a: RuleInput) -> Floats:
    section = np.asarray(a.sizes_mm["section_mm"])
    tops, offs = _section_steps()
    step = np.searchsorted(tops, section)
    by_standard = np.where(step < len(tops), offs.take(step, mode="clip"), _OVER_ALL_STEPS * section)
    place, dash = _dash_place(a)
    return np.where(dash, _dash_column()[2][place], by_standard)


def _ring_inside(a: RuleInput) -> Limit:
    off = _inside_off(a)
    return a.about(-off, off)


def _ring_section(a: RuleInput) -> Limit:
    off = _section_off(a)
    return a.about(-off, off)


def _ring_outside(a: RuleInput) -> Limit:
    off = np.hypot(_inside_off(a), 2 * _section_off(a))
    return a.about(-off, off)


def _ring_length(a: RuleInput) -> Limit:
    off = math.pi * _inside_off(a)
    return a.about(-off, off)


def _to(a: RuleInput) -> Limit:
    """From one size to another; where the other is not known, a quarter more."""
    to = np.asarray(a.sizes_mm[a.words[0]])
    return a.nominal_mm, np.where(to > a.nominal_mm, to, 1.25 * a.nominal_mm)


def _groove_shaft(a: RuleInput) -> Limit:
    """The groove of a shaft ring: h10, h11 or h12 by its diameter."""
    return _by_size(
        lambda size: _zone_mm(size, "h10" if size <= 9.6 else "h11" if size <= 22 else "h12"), a.nominal_mm
    )


def _groove_bore(a: RuleInput) -> Limit:
    """The groove of a bore ring: H11 or H12 by its diameter."""
    return _by_size(lambda size: _zone_mm(size, "H11" if size <= 23 else "H12"), a.nominal_mm)


def _ring_thickness(a: RuleInput) -> Limit:
    steps = [a.nominal_mm < 1, a.nominal_mm < 2, a.nominal_mm < 3]
    return a.about(-np.select(steps, [0.05, 0.06, 0.07], 0.1), 0.0)


@lru_cache
def _washers() -> dict[str, dict[str, tuple[float, float]]]:
    """Limits of inside, outside and thickness by tolerance, mm; a fault of the table is refused on loading."""
    found: dict[str, dict[str, tuple[float, float]]] = {}
    for row in rows("washer_limits.csv"):
        for part in ("inside", "outside", "thickness"):
            low, high = float(row[f"{part}_low_mm"]), float(row[f"{part}_high_mm"])
            if low > high:
                raise ValueError(
                    f"washer_limits.csv: the {part} limits of {row['tolerance']} are turned round"
                )
            found.setdefault(row["tolerance"], {})[part] = low, high
    return found


def _washer(part: str) -> Rule:
    def rule(a: RuleInput) -> Limit:
        low, high = _washers()[a.tolerance][part]
        if part == "thickness" and a.tolerance == "shim":
            return a.about(-0.03 - 0.03 * np.minimum(a.nominal_mm, 2.0), high)
        return a.about(low, high)

    return rule


RULES: dict[str, Rule] = {
    "plain": _plain, "share": _share, "part": _part, "zone": _zone, "press_fit": _press_fit, "lip_sprung": _lip_sprung,
    "lip_bare": _lip_bare, "seal_width": _seal_width, "ring_inside": _ring_inside,
    "ring_section": _ring_section, "ring_outside": _ring_outside, "ring_length": _ring_length, "gap": _plain,
    "flare": _share, "to": _to, "groove_shaft": _groove_shaft, "groove_bore": _groove_bore,
    "ring_thickness": _ring_thickness, "washer_inside": _washer("inside"), "washer_outside": _washer("outside"),
    "washer_thickness": _washer("thickness"), "key_height": _key_height,
}  # fmt: skip
