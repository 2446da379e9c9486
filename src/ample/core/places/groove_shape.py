"""The shape of a groove: the room it leaves a ring, across what the ring is squeezed, and how it is cut for a ring."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from ample.core.fits.finding import PlaceFinding

GrooveKind = Literal["shaft", "bore", "face", "dovetail", "tube_thread"]
MOVES: frozenset[GrooveKind] = frozenset(("shaft", "bore"))
ON_ITS_INSIDE: frozenset[GrooveKind] = frozenset(("shaft", "tube_thread"))  # stretched over what it sits on
# Common practice, from memory: the flanks of a dovetail stand at 66° to its bottom, its opening is 84 % of the section; the legs
# of a triangular space are 1.33 times the section.
FLANK_DEGREES, OPENING_SHARE, LEG_SHARE = 66.0, 0.84, 1.33
NARROWEST_OPENING = 0.8
WANTED_STRETCH_PERCENT: dict[GrooveKind, float] = {
    "shaft": 2.0, "bore": -1.0, "face": 0.0, "dovetail": 0.0, "tube_thread": 1.0,
}  # fmt: skip


@dataclass(frozen=True)
class GrooveShape:
    """A groove of a kind; depth to the mating surface. A dovetail's width is its opening; the legs of the triangle under a
    screwed-in connector are its width and depth.
    """

    kind: GrooveKind

    def room_mm2(self, depth_mm: float, width_mm: float) -> float:
        """Area of the groove's section, mm².

        >>> round(GrooveShape("dovetail").room_mm2(2.82, 2.97), 2), GrooveShape("tube_thread").room_mm2(3.0, 4.0)
        (11.92, 6.0)
        """
        if self.kind == "dovetail":
            return depth_mm * (width_mm + self.under_mm(depth_mm))
        return depth_mm * width_mm / (2 if self.kind == "tube_thread" else 1)

    def across_mm(self, depth_mm: float, width_mm: float) -> float:
        """Across what a ring is squeezed, mm: the depth, or the diameter of the circle that a triangle holds."""
        if self.kind == "tube_thread":
            return depth_mm + width_mm - math.hypot(depth_mm, width_mm)
        return depth_mm

    def under_mm(self, depth_mm: float) -> float:
        """How far the floor of a dovetail reaches under each edge of its opening, mm; 0 of other shapes."""
        return depth_mm / math.tan(math.radians(FLANK_DEGREES)) if self.kind == "dovetail" else 0.0

    def cut_for(self, section_mm: float, squeeze_percent: float, fill_percent: float) -> tuple[float, float]:
        """Depth and width, mm, that give a ring in its place a squeeze, and nearly a fill."""
        across = section_mm * (1 - squeeze_percent / 100)
        if self.kind == "tube_thread":
            leg = across / (2 - math.sqrt(2))
            return leg, leg
        if self.kind == "dovetail":
            return across, OPENING_SHARE * section_mm
        return across, math.pi / 4 * section_mm**2 / (across * fill_percent / 100)

    def opening_finding(
        self, least_section_mm: float, least_mm: float, most_mm: float
    ) -> PlaceFinding | None:
        """What is wrong with the opening of a dovetail: too wide to hold the ring, or too narrow to put it in."""
        if self.kind != "dovetail":
            return None
        if most_mm >= least_section_mm:
            return PlaceFinding("opening_wide", "warn", f"The opening is {most_mm:.2f} mm and the ring {least_section_mm:.2f} mm: nothing holds it in the groove.", "A dovetail with a narrower opening, or a thicker ring.")  # fmt: skip
        if least_mm < NARROWEST_OPENING * least_section_mm:
            return PlaceFinding("opening_narrow", "warn", f"The opening is {least_mm:.2f} mm, under {100 * NARROWEST_OPENING:.0f} % of the ring: it is cut when it is put in.", f"An opening of {OPENING_SHARE * least_section_mm:.2f} mm, edges rounded.")  # fmt: skip
        return None
