"""An O-ring in its groove: squeeze, stretch and fill at every corner of tolerance, and what suits better."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.errors import BadInput
from ample.core.fits.finding import PlaceFinding
from ample.core.places.finding import rubber_findings
from ample.core.places.gap import BackupRings, gap_allowed_mm
from ample.core.places.groove_shape import (
    MOVES,
    WANTED_STRETCH_PERCENT,
    GrooveKind,
    GrooveShape,
)
from ample.core.places.ring_in_groove import (
    Extent,
    Groove,
    PressureFrom,
    fill_of,
    kept_mm,
    listed_span,
    squeeze_of,
    stretch_of,
    touching_mm,
)
from ample.core.standards.seals import sizes_of_family
from ample.core.tables import read_table

Motion = Literal["static", "reciprocating", "rotary"]
FULL_PERCENT = 100.0
RUBBER_PER_K = 1.6e-4  # linear expansion of rubber (handbooks, from memory)
USUAL_HARDNESS = 70.0


@dataclass(frozen=True)
class RingDuty:
    """What a ring has to do and bear: motion, pressure and where it comes from, coldest and warmest, medium, swell."""

    motion: Motion = "static"
    pressure_from: PressureFrom = "inside"
    pressure_bar: float | None = None
    min_c: float | None = None
    max_c: float | None = None
    medium: str = ""
    swell_percent: float = 0.0


@dataclass(frozen=True)
class Rubbery:
    """What the ring is of: its rubber, empty while it is not known, and its hardness."""

    material: str = ""
    hardness_shore_a: float | None = None


@dataclass(frozen=True)
class AtItsEnds:
    """The ring where it is coldest and driest, and where it is warmest and swollen: least squeeze and most fill, per cent."""

    cold_squeeze_percent: float
    hot_squeeze_percent: float
    hot_fill_percent: float


@dataclass(frozen=True)
class SuggestedRing:
    """A listed ring that suits the groove, and what it gives there, per cent."""

    designation: str
    inside_mm: float
    section_mm: float
    squeeze_percent: float
    stretch_percent: float


@dataclass(frozen=True)
class SuggestedGroove:
    """A groove that suits the ring, mm: wall, depth to the mating surface, width."""

    wall_mm: float
    depth_mm: float
    width_mm: float


@dataclass(frozen=True)
class Gland:
    """An O-ring in its groove, per cent, with what is wrong and what would suit."""

    squeeze_percent: Extent
    stretch_percent: Extent
    fill_percent: Extent
    gap_mm: Extent | None
    at_its_ends: AtItsEnds
    backup: BackupRings | None
    findings: tuple[PlaceFinding, ...]
    suggested_ring: SuggestedRing | None
    suggested_groove: SuggestedGroove


def judge_gland(
    inside_mm: Extent,
    section_mm: Extent,
    groove: Groove,
    duty: RingDuty = RingDuty(),
    rubber: Rubbery = Rubbery(),
) -> Gland:
    """Judge an O-ring in a groove, dry and at 20 °C.

    Formula: stretch = (wall - ring)/ring, the ring's inside on a shaft, its outside in a bore; in a face the outer wall and
    the outside, with pressure from outside the inner wall and the inside. squeeze = (w' - depth)/w', w' = w·(1 - r); r = 0
    but on a shaft stretched by s: 1 - 1/√(1 + s), for the least squeeze as measured (1.7, 2.5, 3.4 % at 2, 3, 5 %).
    fill = (π/4·w²)/(width·depth). In a dovetail the middles of groove and ring are held together, and its flanks at 66° add to
    the area; under a connector's thread the ring sits on what it is stretched over, is squeezed to the circle that the triangle
    holds, a + b - √(a² + b²), and fills (π/4·w²)/(a·b/2). Cold and hot: the section by 1.6e-4/K from 20 °C, hot with the swell by volume. Gap: the most
    that the ring bears at its pressure and hardness (`gap_allowed_mm`); over it a backup ring on the side away from the
    pressure, on both when it changes.

    Args:
        inside_mm: Inside of the ring, least, nominal, most.
        section_mm: Its section.
        groove: The groove; depth from its bottom to the mating surface.
        duty: Motion, pressure, heat, cold, medium, swell by volume.
        rubber: Material and hardness; 70 Shore A while it is not known.

    Returns:
        Squeeze, stretch and fill at least, nominal and most, per cent; what lies outside its aim; a listed ring that suits
        the groove better, and a groove that suits the ring.

    Raises:
        BadInput: When a groove turns in a face, or sizes cannot be.

    Source: geometry; measured loss of section from published tests; aims of common practice (`gland_aims.csv`).

    Example:
        >>> groove = Groove("shaft", Extent.of(38.5, 38.5), Extent.of(2.8, 2.8), Extent.of(4.8, 4.8))
        >>> round(judge_gland(*listed_span(37.69, 3.53), groove).squeeze_percent.nominal, 1)
        19.8
    """
    aims = _aims(groove.kind, duty.motion)
    if groove.kind == "face" and duty.pressure_from == "both":
        raise BadInput(
            "no_such_side",
            "A ring in a face lies against one wall.",
            "duty.pressure_from",
            "inside or outside",
        )
    stretch = stretch_of(inside_mm, section_mm, groove, duty.pressure_from)
    squeeze = squeeze_of(inside_mm, section_mm, groove, stretch)
    fill = Extent(
        fill_of(section_mm.min, groove.room_mm2.max),
        fill_of(section_mm.nominal, groove.room_mm2.nominal),
        fill_of(section_mm.max, groove.room_mm2.min),
    )
    findings = _findings(squeeze, stretch, fill, aims)
    opening = groove.shape.opening_finding(section_mm.min, groove.width_mm.min, groove.width_mm.max)
    findings += (opening,) if opening else ()
    better = _ring_for(groove, aims, duty.pressure_from) if findings else None
    ends = _at_its_ends(squeeze, fill, duty)
    backup = _backup(section_mm.nominal, groove, duty, rubber)
    findings += (
        *_of_running(ends, squeeze, fill, groove, duty, rubber, backup),
        *rubber_findings("The ring", rubber.material, duty.medium, duty.max_c, duty.min_c),
    )
    suits = _groove_for(inside_mm.nominal, section_mm.nominal, groove.kind, aims, duty.pressure_from)
    return Gland(squeeze, stretch, fill, groove.gap_mm, ends, backup, findings, better, suits)


def _at_its_ends(squeeze: Extent, fill: Extent, duty: RingDuty) -> AtItsEnds:
    """Least squeeze cold, most squeeze and fill hot and swollen, per cent."""

    def squeezed(percent: float, grows: float) -> float:
        return 100 * (1 - (1 - percent / 100) / grows)

    cold = 1 + RUBBER_PER_K * min((duty.min_c if duty.min_c is not None else 20.0) - 20.0, 0.0)
    hot = 1 + RUBBER_PER_K * max((duty.max_c if duty.max_c is not None else 20.0) - 20.0, 0.0)
    volume = hot**3 * (1 + duty.swell_percent / 100)
    return AtItsEnds(
        round(squeezed(squeeze.min, cold), 2),
        round(squeezed(squeeze.max, volume ** (1 / 3)), 2),
        round(fill.max * volume, 2),
    )


def _backup(section_mm: float, groove: Groove, duty: RingDuty, rubber: Rubbery) -> BackupRings | None:
    if groove.gap_mm is None or duty.pressure_bar is None:
        return None
    allowed = gap_allowed_mm(section_mm, rubber.hardness_shore_a or USUAL_HARDNESS, duty.pressure_bar)
    if groove.gap_mm.max <= allowed:
        return None
    return BackupRings(2 if duty.pressure_from == "both" else 1, allowed)


def _of_running(
    ends: AtItsEnds,
    squeeze: Extent,
    fill: Extent,
    groove: Groove,
    duty: RingDuty,
    rubber: Rubbery,
    backup: BackupRings | None,
) -> tuple[PlaceFinding, ...]:
    """What heat, cold, swell and pressure do."""
    found = []
    if backup is not None and groove.gap_mm is not None:
        hardness = rubber.hardness_shore_a or USUAL_HARDNESS
        where = "on both sides" if backup.sides == 2 else "on the side away from the pressure"
        found.append(PlaceFinding("gap_high", "stop", f"The gap is {groove.gap_mm.max:.2f} mm: {hardness:g} Shore A withstands {f'{backup.allowed_gap_mm:.2f} mm' if backup.allowed_gap_mm else 'no gap'} at {duty.pressure_bar:g} bar.", f"A backup ring {where}, a harder ring, or a smaller gap."))  # fmt: skip
    if ends.hot_fill_percent >= FULL_PERCENT > fill.max:
        found.append(PlaceFinding("fill_when_hot", "stop", f"Hot and swollen the ring needs {ends.hot_fill_percent:.0f} % of the groove: it bursts out or breaks the parts.", "A wider groove, a thinner ring, or a rubber that swells less."))  # fmt: skip
    if duty.min_c is not None and ends.cold_squeeze_percent <= 0 < squeeze.min:
        found.append(PlaceFinding("squeeze_when_cold", "stop", "Cold, the ring no longer touches: it leaks on starting.", "More squeeze, or a rubber for cold."))  # fmt: skip
    return tuple(found)


@dataclass(frozen=True)
class _Aims:
    squeeze: tuple[float, float, float]
    most_stretch: float
    most_compression: float
    fill: tuple[float, float, float]


@lru_cache
def _table() -> dict[tuple[str, str], _Aims]:
    found = {}
    for row in read_table(Path(__file__).with_name("gland_aims.csv")).rows:
        of = {name: float(value) for name, value in row.items() if name not in ("place", "motion")}
        found[row["place"], row["motion"]] = _Aims(
            (of["squeeze_from"], of["squeeze_to"], of["squeeze_aim"]), of["most_stretch"], of["most_compression"],
            (of["fill_from"], of["fill_to"], of["fill_aim"]),
        )  # fmt: skip
    return found


_WHERE: dict[GrooveKind, str] = {
    "face": "a face",
    "dovetail": "a dovetail",
    "tube_thread": "a connector's thread",
}


def _aims(kind: GrooveKind, motion: Motion) -> _Aims:
    place = "radial" if kind in MOVES else kind
    if (place, motion) not in _table():
        raise BadInput(
            "no_such_motion", f"A ring in {_WHERE[kind]} does not move: it is static.", "duty.motion"
        )
    return _table()[place, motion]


def _findings(squeeze: Extent, stretch: Extent, fill: Extent, aims: _Aims) -> tuple[PlaceFinding, ...]:
    found: list[PlaceFinding] = []
    low, high, _ = aims.squeeze

    def add(code: str, stops: bool, words: str, repair: str) -> None:
        found.append(PlaceFinding(code, "stop" if stops else "warn", words, repair))

    if squeeze.nominal < low:
        add("squeeze_low", squeeze.min <= 0, f"Squeeze {squeeze.nominal:.0f} %, at the least {squeeze.min:.0f} %: it needs {low:.0f} to {high:.0f} %.",
            "A thicker ring, or a shallower groove.")  # fmt: skip
    if squeeze.nominal > high:
        add("squeeze_high", False, f"Squeeze {squeeze.nominal:.0f} %: more than {high:.0f} % sets and tears the ring.", "A thinner ring, or a deeper groove.")  # fmt: skip
    if stretch.nominal > aims.most_stretch:
        add("stretch_high", False, f"Stretched by {stretch.nominal:.1f} %: more than {aims.most_stretch:g} % thins and ages it.", "A ring of larger inside.")  # fmt: skip
    if -stretch.nominal > aims.most_compression:
        add("compression_high", False, f"Pressed together by {-stretch.nominal:.1f} % around: over {aims.most_compression:g} % it buckles.", "A smaller ring.")  # fmt: skip
    if fill.nominal > aims.fill[1]:
        full = fill.max >= FULL_PERCENT
        add("fill_high", full, f"The groove is {fill.nominal:.0f} % full{', at the most ' + format(fill.max, '.0f') + ' %' if full else ''}: leave room for heat and swelling.",
            "A wider groove, or a thinner ring.")  # fmt: skip
    return tuple(found)


def _ring_for(groove: Groove, aims: _Aims, pressure_from: PressureFrom) -> SuggestedRing | None:
    """The listed ring whose squeeze and stretch come nearest to what is aimed at and that has no fault."""
    best: tuple[float, SuggestedRing] | None = None
    for size in sizes_of_family("o_ring"):
        if size.kind != "o_ring":
            continue
        inside, section = listed_span(*size.dimensions_mm[:2])
        if abs(section.nominal * (1 - aims.squeeze[2] / 100) / groove.across_mm.nominal - 1) > 0.2:
            continue
        stretch = stretch_of(inside, section, groove, pressure_from)
        if not -aims.most_compression <= stretch.nominal <= aims.most_stretch:
            continue
        squeeze = squeeze_of(inside, section, groove, stretch)
        fill = fill_of(section.nominal, groove.room_mm2.nominal)
        if not aims.squeeze[0] <= squeeze.nominal <= aims.squeeze[1] or fill > aims.fill[1]:
            continue
        wanted = WANTED_STRETCH_PERCENT[groove.kind]
        off = (
            abs(squeeze.nominal - aims.squeeze[2]) / 5
            + abs(stretch.nominal - wanted)
            - math.log10(size.share) / 2
        )
        if best is None or off < best[0]:
            ring = SuggestedRing(
                size.designation, inside.nominal, section.nominal, round(squeeze.nominal, 1), round(stretch.nominal, 1)
            )  # fmt: skip
            best = off, ring
    return best[1] if best else None


def _groove_for(
    inside_mm: float, section_mm: float, kind: GrooveKind, aims: _Aims, pressure_from: PressureFrom
) -> SuggestedGroove:
    """The groove that gives a ring what is aimed at."""
    wanted = WANTED_STRETCH_PERCENT[kind]
    own = touching_mm(inside_mm, section_mm, kind, pressure_from)
    kept = kept_mm(inside_mm, section_mm, wanted, kind)
    depth, width = GrooveShape(kind).cut_for(kept, aims.squeeze[2], aims.fill[2])
    return SuggestedGroove(round(own * (1 + wanted / 100), 2), round(depth, 2), round(width, 2))
