"""The form of a seat from readings in planes: out of round, taper, barrel or waist, cylindricity."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from statistics import fmean

STRAIGHT_WITHIN_UM = 1.0


@dataclass(frozen=True)
class Plane:
    """One plane of a seat: its mean and its out of round (half of max − min), µm about nominal."""

    mean_um: float
    out_of_round_um: float
    readings_um: tuple[float, ...]


@dataclass(frozen=True)
class SeatForm:
    """A seat's planes with what they say of its form, µm."""

    planes: tuple[Plane, ...]

    @property
    def local_um(self) -> list[float]:
        """Every reading, µm about nominal."""
        return [value for plane in self.planes for value in plane.readings_um]

    @property
    def mean_um(self) -> float:
        """The mean of the planes' means, µm about nominal."""
        return fmean(plane.mean_um for plane in self.planes)

    @property
    def out_of_round_um(self) -> float:
        """The largest out of round of a plane, µm."""
        return max(plane.out_of_round_um for plane in self.planes)

    @property
    def taper_um(self) -> float:
        """Difference of the end planes' means, µm."""
        return abs(self.planes[-1].mean_um - self.planes[0].mean_um)

    @property
    def cylindricity_um(self) -> float:
        """Half the range of all readings, µm."""
        return (max(self.local_um) - min(self.local_um)) / 2

    @property
    def words(self) -> str:
        """`straight`, `taper`, `barrel` or `waist`; with two planes taper and barrel cannot be distinguished."""
        planes = self.planes
        if len(planes) < 3:
            return "straight" if len(planes) == 1 else "taper not told from barrel: two planes only"
        ends = (planes[0].mean_um + planes[-1].mean_um) / 2
        middle = fmean(plane.mean_um for plane in planes[1:-1])
        if abs(middle - ends) <= STRAIGHT_WITHIN_UM:
            steps = [b.mean_um - a.mean_um for a, b in pairwise(planes)]
            return "straight" if all(abs(step) <= STRAIGHT_WITHIN_UM for step in steps) else "taper"
        return "barrel" if middle > ends else "waist"


def form_of(readings_mm: Sequence[Sequence[float]], nominal_mm: float) -> SeatForm:
    """The form of a seat from readings in planes and directions.

    Formula: out of round = (max − min)/2 in a plane; taper = |mean of the last plane − mean of the first|;
    cylindricity ≈ (max − min)/2 over all readings.

    Args:
        readings_mm: Readings by plane, then direction, mm at 20 °C; at least one plane of one.
        nominal_mm: The size that they are counted from, mm.

    Returns:
        The planes, and what follows from them.

    Raises:
        ValueError: When a plane has no reading.

    Source: two-point measurement as in ISO 14405-1; the halves as bearing handbooks take them.

    Example:
        >>> form_of([[25.010, 25.006], [25.004, 25.004]], 25.0).out_of_round_um
        2.0
    """
    planes = []
    for row in readings_mm:
        about = tuple(round((value - nominal_mm) * 1000, 4) for value in row)
        planes.append(Plane(fmean(about), (max(about) - min(about)) / 2, about))
    return SeatForm(tuple(planes))
