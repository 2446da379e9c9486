"""The form of a seat from readings in planes: out of round, taper, barrel or waist, cylindricity."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import fmean
from typing import Literal

TOLD_FROM = 2.0  # standard uncertainties that a form has to stand out by

FormKind = Literal["straight", "taper", "barrel", "waist", "oval"]


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


@dataclass(frozen=True)
class FormTold:
    """Which form a seat has, as far as its readings tell it from their scatter; on the radius, µm."""

    kind: FormKind
    form_um: float
    u_um: float
    oval_um: float
    taper_um: float
    bow_um: float
    unseen: tuple[str, ...]


def tell_form(form: SeatForm, scatter_um: float) -> FormTold:
    """Tell straight, taper, barrel, waist and oval apart.

    Formula: ovality a = √(2·max(0, s_dir² − s²)), at most half the range in a plane; taper = slope of a line through the
    planes' means times their number less one, halved; bow = (middle − mean of the ends)/2. The largest that stands out by
    2 standard uncertainties is the form.

    Args:
        form: The planes.
        scatter_um: Scatter s of one reading, µm.

    Returns:
        The form, its size on the radius, and what the readings cannot show: `oval`, `taper`, `barrel`.

    Raises:
        Nothing.

    Source: two-point measurement as in ISO 14405-1; half-range and line: common practice.

    Example:
        >>> tell_form(form_of([[25.010, 25.010], [25.006, 25.006], [25.002, 25.002]], 25.0), 0.5).kind
        'taper'
    """
    planes = form.planes
    noise = scatter_um / math.sqrt(min(len(plane.readings_um) for plane in planes))
    oval = min(_ovality(form, scatter_um), form.out_of_round_um)
    taper = bow = 0.0
    if len(planes) > 1:
        places = range(len(planes))
        middle = fmean(places)
        slope = sum((at - middle) * plane.mean_um for at, plane in zip(places, planes, strict=True))
        taper = slope / sum((at - middle) ** 2 for at in places) * (len(planes) - 1) / 2
    if len(planes) > 2:
        ends = (planes[0].mean_um + planes[-1].mean_um) / 2
        bow = (fmean(plane.mean_um for plane in planes[1:-1]) - ends) / 2
    u = {"taper": noise / math.sqrt(2), "bow": noise * math.sqrt(1.5) / 2, "oval": scatter_um / math.sqrt(2)}
    sizes = {"taper": abs(taper), "bow": abs(bow), "oval": oval}
    told = [name for name, size in sizes.items() if size > TOLD_FROM * u[name]]
    largest = max(told, key=lambda name: sizes[name], default="")
    kinds: dict[str, FormKind] = {
        "": "straight",
        "taper": "taper",
        "oval": "oval",
        "bow": "barrel" if bow > 0 else "waist",
    }
    unseen = (
        *(("oval",) if any(len(plane.readings_um) < 2 for plane in planes) else ()),
        *(("taper",) if len(planes) < 2 else ()),
        *(("barrel",) if len(planes) < 3 else ()),
    )
    worst = largest or max(sizes, key=lambda name: sizes[name])
    return FormTold(
        kinds[largest],
        round(sizes[worst], 3),
        round(u[worst], 3),
        round(oval, 3),
        round(taper, 3),
        round(bow, 3),
        unseen,
    )


def _ovality(form: SeatForm, scatter_um: float) -> float:
    """Amplitude of an oval from the spread over directions, with the scatter of one reading taken out, µm."""
    spread = [
        fmean((value - plane.mean_um) ** 2 for value in plane.readings_um)
        for plane in form.planes
        if len(plane.readings_um) > 1
    ]
    return math.sqrt(2 * max(0.0, fmean(spread) - scatter_um**2)) if spread else 0.0


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
