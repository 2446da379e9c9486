"""A rotary lip seal on its shaft: speed, heat, medium, pressure, track, finish, hardness, run-out."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.handbook.sealing import lip_speed
from ample.core.places.finding import PlaceFinding, rubber_findings
from ample.core.tables import read_table

Repair = Literal["polish", "move_lip", "sleeve", "regrind", "replace_shaft"]
BEST_FIRST: tuple[Repair, ...] = ("polish", "move_lip", "sleeve", "regrind", "replace_shaft")
WARMER_K_PER_M_S, MOST_WARMER_K = 4.0, 50.0  # the lip over the oil (judgement)
NO_TRACK_MM, POLISHED_MM, THIN_SLEEVE_MM = 0.01, 0.05, 0.5
ROUGHEST_UM, SMOOTHEST_UM = 0.8, 0.2
HARD_HRC, HARDER_HRC, FAST_M_S = 45.0, 55.0, 4.0


@dataclass(frozen=True)
class LipSeal:
    """Speed under the lip, what is wrong, whether the seal suits, and what to do to the shaft, best first."""

    speed_m_s: float | None
    findings: tuple[PlaceFinding, ...]
    suitable: bool
    repair: tuple[Repair, ...]


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

    Formula: v = π·d·n/60 000; the lip runs about 4 K per m/s, at most 50 K, above the oil.

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
    found = [*_of_rubber(case, speed), *_of_shaft(case, speed), *_of_running(case)]
    repairs = {repair for _, own in found for repair in own}
    findings = tuple(finding for finding, _ in found)
    return LipSeal(
        speed, findings, not any(each.severity == "stop" for each in findings),
        tuple(repair for repair in BEST_FIRST if repair in repairs),
    )  # fmt: skip


_Found = list[tuple[PlaceFinding, tuple[Repair, ...]]]


def _of_rubber(case: LipCase, speed: float | None) -> _Found:
    found: _Found = []
    by_rubber = dict(lip_limits()["speed"])
    most = by_rubber.get(case.material, by_rubber["other"])
    if speed is not None and speed > most:
        named = case.material or "the usual rubber"
        found.append((PlaceFinding("speed_high", "stop", f"{speed:.1f} m/s under the lip: {named} bears {most:g}.", "Another rubber, or a smaller track."), ()))  # fmt: skip
    warmer = min(WARMER_K_PER_M_S * (speed or 0.0), MOST_WARMER_K)
    lip = None if case.temperature_c is None else case.temperature_c + warmer
    found += [(each, ()) for each in rubber_findings("The lip", case.material, case.medium, lip)]
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
