"""A ring in its groove: stretch, squeeze and fill at every corner of tolerance."""

from __future__ import annotations

import dataclasses
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from typing import Literal

from ample.core.handbook.sealing import fill_after_swell, section_when_stretched
from ample.core.places.groove_shape import ON_ITS_INSIDE, GrooveKind, GrooveShape
from ample.core.sizes import INCH_MM
from ample.core.standards.seals import (
    DashSize,
    dash_sizes,
    ring_inside_tolerance_mm,
    ring_section_tolerance_mm,
)

PressureFrom = Literal["inside", "outside", "both"]
# measured loss of section by stretch, per cent; straight between, and on
MEASURED_LOSS = ((0.0, 0.0), (2.0, 1.7), (3.0, 2.5), (5.0, 3.4))


@dataclass(frozen=True)
class Extent:
    """Least, nominal and most."""

    min: float
    nominal: float
    max: float

    @staticmethod
    def of(least: float, most: float) -> Extent:
        """A range with its middle as nominal."""
        return Extent(least, (least + most) / 2, most)


@dataclass(frozen=True)
class Groove:
    """A groove: where it lies, the wall that the ring stands against, depth to the mating surface, width, gap; mm.

    The wall of a dovetail is the middle of its groove, of a thread's triangular space what the ring sits on.
    """

    kind: GrooveKind
    wall_mm: Extent
    depth_mm: Extent
    width_mm: Extent
    gap_mm: Extent | None = None

    @property
    def shape(self) -> GrooveShape:
        """The shape of its section."""
        return GrooveShape(self.kind)

    @property
    def across_mm(self) -> Extent:
        """Across what the ring is squeezed."""
        return self._of(self.shape.across_mm)

    @property
    def room_mm2(self) -> Extent:
        """Area of its section, mm²."""
        return self._of(self.shape.room_mm2)

    def _of(self, measure: Callable[[float, float], float]) -> Extent:
        pairs = zip(*(dataclasses.astuple(each) for each in (self.depth_mm, self.width_mm)), strict=True)
        return Extent(*(measure(depth, width) for depth, width in pairs))


def ring_span(inside_mm: float, section_mm: float) -> tuple[Extent, Extent]:
    """Inside and section with the tolerances of ISO 3601-1 class B, mm.

    >>> ring_span(37.69, 3.53)[1]
    Extent(min=3.43, nominal=3.53, max=3.63)
    """
    off, inside_off = ring_section_tolerance_mm(section_mm), ring_inside_tolerance_mm(inside_mm)
    return (
        Extent(inside_mm - inside_off, inside_mm, inside_mm + inside_off),
        Extent(round(section_mm - off, 6), section_mm, round(section_mm + off, 6)),
    )


@lru_cache
def _dashes() -> dict[tuple[float, float], DashSize]:
    """Dash sizes by their inside and section, hundredths of a millimetre."""
    return {
        (round(each.inside_in * INCH_MM, 2), round(each.section_in * INCH_MM, 2)): each
        for each in dash_sizes().values()
    }


def listed_span(inside_mm: float, section_mm: float) -> tuple[Extent, Extent]:
    """Inside and section of a ring of a list, mm: a dash size has the tolerances of its row, others class B.

    >>> listed_span(37.6936, 3.5306)[0]
    Extent(min=37.3126, nominal=37.6936, max=38.0746)
    """
    dash = _dashes().get((round(inside_mm, 2), round(section_mm, 2)))
    if dash is None:
        return ring_span(inside_mm, section_mm)
    inside, section = (
        Extent(round(size - off * INCH_MM, 4), size, round(size + off * INCH_MM, 4))
        for size, off in ((inside_mm, dash.inside_tolerance_in), (section_mm, dash.section_tolerance_in))
    )
    return inside, section


def stretch_of(inside: Extent, section: Extent, groove: Groove, pressure_from: PressureFrom) -> Extent:
    """Wall against ring, per cent: least wall and largest ring, nominal, the reverse."""
    ring = [
        touching_mm(i, w, groove.kind, pressure_from)
        for i, w in (
            (inside.max, section.max),
            (inside.nominal, section.nominal),
            (inside.min, section.min),
        )
    ]
    walls = (groove.wall_mm.min, groove.wall_mm.nominal, groove.wall_mm.max)
    return Extent(*(100 * (wall - own) / own for wall, own in zip(walls, ring, strict=True)))


def touching_mm(inside_mm: float, section_mm: float, kind: GrooveKind, pressure_from: PressureFrom) -> float:
    """The diameter of a ring that stands against the wall: its inside or its outside."""
    if kind == "dovetail":
        return inside_mm + section_mm
    by_inside = kind in ON_ITS_INSIDE or (kind == "face" and pressure_from == "outside")
    return inside_mm if by_inside else inside_mm + 2 * section_mm


def squeeze_of(inside: Extent, section: Extent, groove: Groove, stretch: Extent) -> Extent:
    """How much a ring is squeezed, per cent: thinnest in the deepest, nominal, the reverse."""

    def of(left: float, depth: float) -> float:
        return 100 * (left - depth) / left

    by_stretch, across = groove.kind in ON_ITS_INSIDE, groove.across_mm
    measured = _measured_loss(stretch.max) if by_stretch else 0.0
    return Extent(
        of(section.min * (1 - measured), across.max),
        of(kept_mm(inside.nominal, section.nominal, stretch.nominal, groove.kind), across.nominal),
        of(kept_mm(inside.max, section.max, stretch.min, groove.kind), across.min),
    )


def kept_mm(inside_mm: float, section_mm: float, stretch_percent: float, kind: GrooveKind) -> float:
    """The section of a ring in its groove, mm: stretched over what it sits on it keeps its volume."""
    stretch = max(stretch_percent, 0.0) / 100 if kind in ON_ITS_INSIDE else 0.0
    return section_when_stretched(section_mm, inside_mm, stretch)["section_mm"]


def _measured_loss(stretch_percent: float) -> float:
    """Share of the section that is lost at a stretch, as measured."""
    if stretch_percent <= 0:
        return 0.0
    for (s0, r0), (s1, r1) in pairwise(MEASURED_LOSS):
        if stretch_percent <= s1 or s1 == MEASURED_LOSS[-1][0]:
            return (r0 + (stretch_percent - s0) / (s1 - s0) * (r1 - r0)) / 100
    return 0.0


def fill_of(section_mm: float, room_mm2: float) -> float:
    """How much of a groove's section a ring takes, per cent."""
    return fill_after_swell(section_mm, room_mm2, 1.0, 0.0)["fill_percent"]
