"""A rotary lip seal at its place: housing bore, shaft and track, way in, speed, heat, medium, pressure."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.fits.finding import PlaceFinding
from ample.core.handbook.sealing import lip_speed
from ample.core.parts.way_in import HARMLESS, WayIn
from ample.core.places.finding import rubber_findings
from ample.core.standards import limits
from ample.core.standards.seals import press_fit_um, sizes_of_family
from ample.core.tables import read_table

Repair = Literal["polish", "move_lip", "sleeve", "regrind", "replace_shaft"]
BEST_FIRST: tuple[Repair, ...] = ("polish", "move_lip", "sleeve", "regrind", "replace_shaft")
WARMER_K_PER_M_S, MOST_WARMER_K = 4.0, 50.0  # the lip over the oil (judgement)
NO_TRACK_MM, POLISHED_MM, THIN_SLEEVE_MM = 0.01, 0.05, 0.5
ROUGHEST_UM, SMOOTHEST_UM = 0.8, 0.2
HARD_HRC, HARDER_HRC, FAST_M_S = 45.0, 55.0, 4.0
BEHIND_MM = 0.3  # room behind the seal (DIN 3760)
SLEEVE_WALL_MM = 0.28  # usual thin wear sleeve
GROUND_OFF_MM = 0.05  # under the bottom of the track, on the radius
CLEAR_OF_TRACK_MM = 2.0


@dataclass(frozen=True)
class OnTheWay:
    """What the lip passes on its way in, whether it can hurt it, and what to do."""

    feature: WayIn
    harms: bool
    protect: str


@dataclass(frozen=True)
class RepairSizes:
    """Sizes to work to, mm: how far to move the lip, narrower listed seals, the sleeve, the size to grind to with its seal."""

    move_mm: float | None = None
    narrower: tuple[str, ...] = ()
    sleeve_outside_mm: float | None = None
    grind_to_mm: float | None = None
    seal_then: str = ""


@dataclass(frozen=True)
class PressFit:
    """How tight the seal's outside is in the bore as measured, mm, and what a bore at H8 leaves at least."""

    least_mm: float
    most_mm: float
    least_at_h8_mm: float


@dataclass(frozen=True)
class LipSeal:
    """Shaft and its speed, speed under the lip, what is wrong, whether the seal suits, what to do to the shaft (best first),
    with sizes.
    """

    shaft_mm: float
    rpm: float | None
    speed_m_s: float | None
    lip_c: float | None
    findings: tuple[PlaceFinding, ...]
    suitable: bool
    repair: tuple[Repair, ...]
    sizes: RepairSizes
    press_fit: PressFit | None
    way_in: tuple[OnTheWay, ...]


@dataclass(frozen=True)
class LipCase:
    """What is known of a lip seal at its place; only what is given is judged."""

    shaft_mm: float
    rpm: float | None = None
    pressure_bar: float | None = None
    temperature_c: float | None = None
    medium: str = ""
    material: str = ""
    track_depth_mm: float | None = None
    roughness_um: float | None = None
    hardness_hrc: float | None = None
    runout_mm: float | None = None
    eccentricity_mm: float | None = None
    bore_mm: float | None = None
    width_mm: float | None = None
    measured_shaft_mm: float | None = None
    housing_bore_mm: float | None = None
    housing_depth_mm: float | None = None
    cover: Literal["rubber", "metal"] = "rubber"
    way_in: tuple[WayIn, ...] = ()
    lead: bool = False
    dry: bool = False


_Found = list[tuple[PlaceFinding, tuple[Repair, ...]]]


@lru_cache
def lip_limits() -> dict[str, tuple[tuple[str, float], ...]]:
    """Limits by what they limit: rows of what they go by and the value."""
    found: dict[str, list[tuple[str, float]]] = {}
    for row in read_table(Path(__file__).with_name("lip_limits.csv")).rows:
        found.setdefault(row["limit"], []).append((row["of"], float(row["value"])))
    return {name: tuple(rows) for name, rows in found.items()}


def _up_to(limit: str, value: float) -> float:
    rows = lip_limits()[limit]
    return next((allowed for top, allowed in rows if value <= float(top)), rows[-1][1])


def judge_lip_seal(case: LipCase) -> LipSeal:
    """Judge a rotary lip seal on its shaft.

    Formula: v = π·d·n/60 000; the lip runs about 4 K per m/s, at most 50 K, above the oil. Bore H8, depth b + 0.3 mm, shaft
    h11, press fit as the cover is made; a thin sleeve adds 0.56 mm; a shaft is ground 0.05 mm under its track to the next
    listed size.

    Args:
        case: What is known, mm, bar, °C; what is not given is not judged.

    Returns:
        Speed, findings, whether it suits (no finding stops it), and what to do to the shaft, best first.

    Raises:
        Nothing.

    Source: DIN 3760, ISO 6194-1 and handbook figures, from memory (`lip_limits.csv`); common practice for tracks.

    Example:
        >>> judge_lip_seal(LipCase(35, track_depth_mm=0.25)).repair
        ('move_lip', 'sleeve', 'regrind')
    """
    speed = lip_speed(case.shaft_mm, case.rpm)["speed_m_s"] if case.rpm is not None else None
    fit = _press_fit(case)
    way = tuple(OnTheWay(each, each not in HARMLESS, _PROTECT.get(each, "")) for each in case.way_in)
    found = [
        *_of_rubber(case, speed), *_of_shaft(case, speed), *_of_running(case), *_of_housing(case, fit), *_of_way(way),
    ]  # fmt: skip
    repairs = {repair for _, own in found for repair in own}
    findings = tuple(finding for finding, _ in found)
    return LipSeal(
        case.shaft_mm,
        case.rpm,
        speed,
        _lip_c(case, speed),
        findings,
        not any(each.severity == "stop" for each in findings),
        tuple(repair for repair in BEST_FIRST if repair in repairs),
        _sizes(case, repairs),
        fit,
        way,
    )


def _lip_c(case: LipCase, speed: float | None) -> float | None:
    """How warm the lip runs, °C."""
    warmer = min(WARMER_K_PER_M_S * (speed or 0.0), MOST_WARMER_K)
    return None if case.temperature_c is None else case.temperature_c + warmer


_PROTECT: dict[WayIn, str] = {
    "no_chamfer": "Chamfer it 15 to 25° and round the edge, or use a mounting sleeve.",
    "keyway": "Cover it with a thin mounting sleeve or tape.",
    "spline": "Use a mounting sleeve over the splines.",
    "thread": "Use a mounting sleeve or tape over the thread.",
    "ring_groove": "Cover the ring groove with a sleeve or tape.",
    "cross_hole": "Deburr the hole and cover it.",
    "burr": "Take the burr off.",
}
_NAMED: dict[WayIn, str] = {
    "no_chamfer": "an edge without a chamfer", "keyway": "a keyway", "spline": "splines", "thread": "a thread",
    "ring_groove": "a ring groove", "cross_hole": "a cross hole", "burr": "a burr", "chamfer": "a chamfer",
    "shoulder": "a shoulder",
}  # fmt: skip


def _press_fit(case: LipCase) -> PressFit | None:
    if case.bore_mm is None or case.housing_bore_mm is None:
        return None
    low, high = press_fit_um(case.cover, case.bore_mm)
    over = (case.housing_bore_mm - case.bore_mm) * 1000
    widest = limits(case.bore_mm, "H8").upper_um
    return PressFit(*(round(um / 1000, 4) for um in (low - over, high - over, low - widest)))


def _of_housing(case: LipCase, fit: PressFit | None) -> _Found:
    found: _Found = []
    if fit is not None and case.bore_mm is not None and case.housing_bore_mm is not None:
        over = (case.housing_bore_mm - case.bore_mm) * 1000
        zone = limits(case.bore_mm, "H8")
        if over > zone.upper_um + 0.5:
            loose = fit.least_mm < 0
            found.append((PlaceFinding("bore_large", "stop" if loose else "warn", f"The bore is {over / 1000:.2f} mm over: the {case.cover} {'cover' if case.cover == 'rubber' else 'case'} is {fit.least_mm:.2f} to {fit.most_mm:.2f} mm tight; H8 leaves {fit.least_at_h8_mm:.2f} at least.", "Sleeve the bore, or take a rubber-covered seal and sealant." if loose else "Sealant on the outside; check that it does not turn."), ()))  # fmt: skip
        if over < zone.lower_um - 20:
            found.append((PlaceFinding("bore_small", "warn", f"The bore is {-over / 1000:.2f} mm under: the seal is pressed out of shape.", "Bore it to H8."), ()))  # fmt: skip
    if case.housing_depth_mm is not None and case.width_mm is not None:
        least = case.width_mm + BEHIND_MM
        if case.housing_depth_mm < least - 1e-9:
            found.append((PlaceFinding("depth_short", "warn", f"The bore is {case.housing_depth_mm:g} mm deep: a {case.width_mm:g} mm seal needs {least:g} mm.", "A narrower seal, or a deeper bore."), ()))  # fmt: skip
    return found


def _of_way(way: tuple[OnTheWay, ...]) -> _Found:
    return [
        (
            PlaceFinding(
                "edge_on_the_way",
                "warn",
                f"On its way in the lip meets {_NAMED[each.feature]}.",
                each.protect,
            ),
            (),
        )
        for each in way
        if each.harms
    ]


def _sizes(case: LipCase, repairs: set[Repair]) -> RepairSizes:
    """Sizes for the ways that are open."""
    track = case.track_depth_mm or 0.0
    listed = [size for size in sizes_of_family("lip_seal") if size.kind == f"lip_{case.cover}"]

    def alike(mm: float, other: float) -> bool:
        return abs(mm - other) < 0.01

    same_shaft = [size for size in listed if alike(size.dimensions_mm[0], case.shaft_mm)]
    narrower = [
        size.designation for size in same_shaft
        if case.bore_mm is not None and case.width_mm is not None
        and alike(size.dimensions_mm[1], case.bore_mm) and size.dimensions_mm[2] < case.width_mm - 0.4
    ]  # fmt: skip
    most = case.shaft_mm - 2 * (track + GROUND_OFF_MM)
    smaller = [
        size for size in listed
        if size.dimensions_mm[0] <= most and (case.bore_mm is None or alike(size.dimensions_mm[1], case.bore_mm))
    ]  # fmt: skip
    ground = max(smaller, key=lambda size: size.dimensions_mm[0], default=None)
    return RepairSizes(
        CLEAR_OF_TRACK_MM if "move_lip" in repairs else None,
        tuple(dict.fromkeys(narrower))[:3] if "move_lip" in repairs else (),
        round(case.shaft_mm + 2 * SLEEVE_WALL_MM, 2) if "sleeve" in repairs else None,
        ground.dimensions_mm[0] if ground and "regrind" in repairs else None,
        ground.designation if ground and "regrind" in repairs and case.bore_mm is not None else "",
    )


def _of_rubber(case: LipCase, speed: float | None) -> _Found:
    found: _Found = []
    by_rubber = dict(lip_limits()["speed"])
    most = by_rubber.get(case.material, by_rubber["other"])
    if speed is not None and speed > most:
        named = case.material or "the usual rubber"
        found.append((PlaceFinding("speed_high", "stop", f"{speed:.1f} m/s under the lip: {named} bears {most:g}.", "Another rubber, or a smaller track."), ()))  # fmt: skip
    found += [
        (each, ()) for each in rubber_findings("The lip", case.material, case.medium, _lip_c(case, speed))
    ]
    if case.dry and (speed is None or speed > 0):
        found.append((PlaceFinding("runs_dry", "stop", "The lip runs dry: it burns within minutes.", "Grease behind it, two lips with grease between, or PTFE."), ()))  # fmt: skip
    if case.pressure_bar is not None:
        allowed = _up_to("pressure", speed or 0.0)
        if case.pressure_bar > allowed:
            found.append((PlaceFinding("pressure_high", "stop", f"{case.pressure_bar:g} bar: a plain lip bears {allowed:g} at this speed.", "A pressure seal, or a vent."), ()))  # fmt: skip
    return found


def _of_shaft(case: LipCase, speed: float | None) -> _Found:
    found: _Found = []
    depth, finish, hard = case.track_depth_mm, case.roughness_um, case.hardness_hrc
    if depth is not None and depth > NO_TRACK_MM:
        if depth <= POLISHED_MM:
            found.append((PlaceFinding("track_groove", "warn", f"The old lip has worn {depth:g} mm: not felt with a nail.", "Polish it round, without lead."), ("polish",)))  # fmt: skip
        else:
            ways: tuple[Repair, ...] = ("move_lip", "sleeve", "regrind") if depth <= THIN_SLEEVE_MM else ("move_lip", "regrind", "replace_shaft")  # fmt: skip
            found.append((PlaceFinding("track_groove", "stop", f"The old lip has worn {depth:g} mm: a new one would leak there.", "Move the lip to fresh track, or sleeve or regrind the shaft."), ways))  # fmt: skip
    if finish is not None and finish > ROUGHEST_UM:
        found.append((PlaceFinding("too_rough", "warn", f"Ra {finish:g} µm wears the lip: {SMOOTHEST_UM:g} to {ROUGHEST_UM:g} is asked for.", "Polish it round, without lead."), ("polish",)))  # fmt: skip
    if finish is not None and finish < SMOOTHEST_UM:
        found.append((PlaceFinding("too_smooth", "warn", f"Ra {finish:g} µm holds no oil under the lip: {SMOOTHEST_UM:g} to {ROUGHEST_UM:g} is asked for.", "Dress it round with fine cloth."), ("polish",)))  # fmt: skip
    if case.lead:
        found.append((PlaceFinding("lead", "stop", "The ground surface has lead: it pumps oil past the lip.", "Plunge-grind it without lead, or sleeve it."), ("sleeve", "regrind")))  # fmt: skip
    if case.measured_shaft_mm is not None:
        off = (case.measured_shaft_mm - case.shaft_mm) * 1000
        zone = limits(case.shaft_mm, "h11")
        if not zone.lower_um - 0.5 <= off <= zone.upper_um + 0.5:
            found.append((PlaceFinding("shaft_size", "warn", f"The shaft is {off / 1000:+.3f} mm from {case.shaft_mm:g}: h11 runs from {zone.lower_um / 1000:.3f} to 0.", "Another size of seal, or make the shaft to size."), ("sleeve",) if off < 0 else ("regrind",)))  # fmt: skip
    least = HARDER_HRC if (speed or 0.0) > FAST_M_S else HARD_HRC
    if hard is not None and hard < least:
        found.append((PlaceFinding("too_soft", "warn", f"{hard:g} HRC: at least {least:g} is asked for at this speed.", "A hard sleeve, or a harder shaft."), ("sleeve", "replace_shaft")))  # fmt: skip
    return found


def _of_running(case: LipCase) -> _Found:
    found: _Found = []
    if case.runout_mm is not None:
        allowed = _up_to("runout", case.rpm or 0.0)
        if case.runout_mm > allowed:
            found.append((PlaceFinding("runout_high", "warn", f"The shaft runs out by {case.runout_mm:g} mm: {allowed:g} at this speed.", "Straighten it, or true its seat."), ()))  # fmt: skip
    if case.eccentricity_mm is not None:
        allowed = _up_to("eccentricity", case.shaft_mm)
        if case.eccentricity_mm > allowed:
            found.append((PlaceFinding("eccentricity_high", "warn", f"Shaft and housing are {case.eccentricity_mm:g} mm out of centre: {allowed:g} for this shaft.", "Bring the housing into line."), ()))  # fmt: skip
    return found
