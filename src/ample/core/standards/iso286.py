"""ISO 286: standard tolerances and limit deviations of holes and shafts, 0 to 500 mm."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.standards.steps import Steps, read_steps
from ample.core.tables import Table, read_table

_HERE = Path(__file__).parent
_ZONE = re.compile(r"([A-Za-z]{1,2})(\d{1,2})")
_UPPER_DEVIATION_SHAFTS = ("c", "d", "e", "f", "g", "h")
_LOWER_DEVIATION_SHAFTS = ("m", "n", "p", "r", "s", "t", "u")
_LETTERS = (*_UPPER_DEVIATION_SHAFTS, "j", "js", "k", *_LOWER_DEVIATION_SHAFTS)
FINEST_GRADE, COARSEST_GRADE = 1, 13
SOURCE = "ISO 286-1:2010, Tables 1, 4 and 5"


@dataclass(frozen=True)
class DeviationLimits:
    """Lower and upper limit deviation of a zone at one size, µm, with where it comes from."""

    zone: str
    size_mm: float
    lower_um: float
    upper_um: float
    source: str

    @property
    def min_mm(self) -> float:
        """The least size, mm."""
        return round(self.size_mm + self.lower_um / 1000, 6)

    @property
    def max_mm(self) -> float:
        """The largest size, mm."""
        return round(self.size_mm + self.upper_um / 1000, 6)

    @property
    def is_hole(self) -> bool:
        """Whether the zone is that of a hole (capital letter)."""
        return self.zone[0].isupper()


@lru_cache
def _table(name: str) -> Table:
    return read_table(_HERE / name)


@lru_cache
def _column(name: str, column: str) -> Steps[float | None]:
    rows = [
        (
            float(row["over_mm"]),
            float(row["up_to_mm"]),
            float(row[column]) if row[column] else None,
        )
        for row in _table(name).rows
    ]
    return read_steps(rows)


def zone_names(grades: tuple[int, ...] = (5, 6, 7, 8, 9, 10, 11)) -> tuple[str, ...]:
    """All zones of the given grades, shafts first; some do not exist at every size."""
    shafts = tuple(f"{letter}{grade}" for letter in _LETTERS for grade in grades)
    holes = tuple(f"{letter.upper()}{grade}" for letter in _LETTERS for grade in grades)
    return (*shafts, *holes)


def standard_tolerance_um(size_mm: float, grade: int) -> float:
    """The width of a tolerance grade IT1 to IT13 at a size, µm.

    Formula: tabulated; the basis above IT4 is i = 0.45·∛D + 0.001·D.

    Args:
        size_mm: Nominal size, above 0 to 500 mm.
        grade: 1 to 13.

    Returns:
        The tolerance in µm.

    Raises:
        BadInput: When the size or grade is outside the table.

    Source: ISO 286-1:2010, Table 1.

    Example:
        >>> standard_tolerance_um(25, 6)
        13.0
    """
    if not FINEST_GRADE <= grade <= COARSEST_GRADE:
        raise BadInput(
            "no_such_grade",
            f"IT{grade} is not available here: grades run from IT{FINEST_GRADE} to IT{COARSEST_GRADE}.",
            "zone",
        )
    value = _column("iso286_it.csv", f"it{grade}_um").at(size_mm, "ISO 286 as available here")
    if value is None:
        raise BadInput("no_such_zone", f"IT{grade} does not exist at {size_mm:g} mm.", "zone")
    return value


def limits(size_mm: float, zone: str) -> DeviationLimits:
    """Limit deviations of a hole or shaft zone at a nominal size.

    Formula: shafts a–h: ei = es − IT; j–zc: es = ei + IT; js: ±IT/2. Holes: EI = −es for C–H;
    for K, M, N to IT8 and P–U to IT7 above 3 mm ES = −ei + Δ with Δ = IT(n) − IT(n−1).

    Args:
        size_mm: Nominal size, above 0 to 500 mm; a step holds its upper limit.
        zone: A letter and a grade such as `k6` (shaft) or `H7` (hole), IT1 to IT13.

    Returns:
        Lower and upper limit deviation, µm.

    Raises:
        BadInput: When the zone does not exist at this size or the size is outside the table.

    Source: ISO 286-1:2010, Tables 1, 4, 5; J6 to J8 as tabulated in ISO 286-2:2010.

    Example:
        >>> (limits(25, "k6").lower_um, limits(25, "k6").upper_um)
        (2.0, 15.0)
    """
    found = _ZONE.fullmatch(zone)
    letter = found.group(1) if found else ""
    if not found or letter.lower() not in _LETTERS or not (letter.islower() or letter.isupper()):
        raise BadInput(
            "no_such_zone",
            f"Unknown tolerance zone “{zone[:20]}”.",
            "zone",
            "Write a letter and a grade: k6 for a shaft, H7 for a hole (c to u).",
        )
    grade = int(found.group(2))
    width = standard_tolerance_um(size_mm, grade)
    if letter.islower():
        lower, upper = _shaft(letter, grade, size_mm, width)
    else:
        lower, upper = _hole(letter.lower(), grade, size_mm, width)
    return DeviationLimits(zone, size_mm, lower + 0.0, upper + 0.0, SOURCE)


def _shaft(letter: str, grade: int, size_mm: float, width: float) -> tuple[float, float]:
    if letter == "js":
        return -width / 2, width / 2
    if letter in _UPPER_DEVIATION_SHAFTS:
        upper = _fundamental(f"{letter}_es_um", size_mm, letter, grade)
        return upper - width, upper
    lower = _lower_deviation(letter, grade, size_mm)
    return lower, lower + width


def _lower_deviation(letter: str, grade: int, size_mm: float) -> float:
    """Ei of the shafts j to u, µm."""
    if letter == "j":
        column = {5: "j5_j6_ei_um", 6: "j5_j6_ei_um", 7: "j7_ei_um"}.get(grade)
        if column is None:
            raise _no_zone(letter, grade, size_mm, "j runs from j5 to j7")
        return _fundamental(column, size_mm, letter, grade)
    if letter == "k" and not 4 <= grade <= 7:
        return 0.0
    return _fundamental("k4_k7_ei_um" if letter == "k" else f"{letter}_ei_um", size_mm, letter, grade)


def _hole(letter: str, grade: int, size_mm: float, width: float) -> tuple[float, float]:
    if letter == "js":
        return -width / 2, width / 2
    if letter in _UPPER_DEVIATION_SHAFTS:
        lower = -_fundamental(f"{letter}_es_um", size_mm, letter, grade)
        return lower, lower + width
    upper = _upper_deviation(letter, grade, size_mm)
    return upper - width, upper


def _upper_deviation(letter: str, grade: int, size_mm: float) -> float:
    """ES of the holes J to U, µm."""
    if letter == "j":
        if grade not in (6, 7, 8):
            raise _no_zone("J", grade, size_mm, "J runs from J6 to J8")
        value = _column("iso286_holes_j.csv", f"j{grade}_es_um").at(size_mm, "ISO 286")
        if value is None:
            raise _no_zone("J", grade, size_mm, "it is not tabulated")
        return value
    over_three = size_mm > 3
    if letter == "k" and grade > 8 and over_three:
        raise _no_zone("K", grade, size_mm, "above 3 mm K runs to K8")
    if letter == "n" and grade > 8 and over_three:
        return 0.0
    if letter == "m" and grade == 6 and 250 < size_mm <= 315:
        return -9.0
    ei = _fundamental("k4_k7_ei_um" if letter == "k" else f"{letter}_ei_um", size_mm, letter, grade)
    return -ei + _delta(letter, grade, size_mm)


def _delta(letter: str, grade: int, size_mm: float) -> float:
    """Δ = IT(n) − IT(n−1): K, M, N to IT8, P to ZC to IT7, above 3 mm, from IT3."""
    coarsest = 8 if letter in ("k", "m", "n") else 7
    if size_mm <= 3 or not 3 <= grade <= coarsest:
        return 0.0
    return standard_tolerance_um(size_mm, grade) - standard_tolerance_um(size_mm, grade - 1)


def _fundamental(column: str, size_mm: float, letter: str, grade: int) -> float:
    value = _column("iso286_shafts.csv", column).at(size_mm, "ISO 286 as available here")
    if value is None:
        raise _no_zone(letter, grade, size_mm, "the standard gives no value")
    return value


def _no_zone(letter: str, grade: int, size_mm: float, why: str) -> BadInput:
    return BadInput("no_such_zone", f"{letter}{grade} does not exist at {size_mm:g} mm: {why}.", "zone")
