"""Threads, keys and retaining rings."""

from __future__ import annotations

import math

from ample.core.errors import BadInput
from ample.core.standards.iso286 import limits
from ample.core.standards.keys import key_of_shaft
from ample.core.standards.seals import e_ring_of_groove, sizes_of_family
from ample.core.standards.threads import COARSE_PITCH_MM, proof_stress_mpa

Answers = dict[str, float]
_KEYWAY_ZONES = ("P9", "N9", "JS9", "D10", "H9")


def stress_area(thread_mm: float, pitch_mm: float) -> Answers:
    """The area that carries the pull of a thread.

    Formula: A = π/4·(d - 0.9382·P)²
    Worked: π/4·({thread_mm} - 0.9382·{pitch_mm})² = {stress_area_mm2} mm²
    Valid: ISO metric threads.
    Source: ISO 898-1
    Example:
        >>> round(stress_area(10, 1.5)["stress_area_mm2"], 1)
        58.0
    """
    if pitch_mm >= thread_mm / 2:
        raise BadInput("no_thread", "A pitch is less than half of its thread.", "pitch_mm")
    return {"stress_area_mm2": math.pi / 4 * (thread_mm - 0.9382 * pitch_mm) ** 2}


def proof_load(thread_mm: float, class_: str) -> Answers:
    """The pull that a screw bears without lasting stretch.

    Formula: S_p·A_s; class 8.8: 580 MPa to M16, 600 above; 10.9: 830; 12.9: 970
    Worked: M{thread_mm}, class {class}: {proof_load_n} N
    Valid: coarse pitch.
    Source: ISO 898-1, from memory
    Example:
        >>> round(proof_load(10, "8.8")["proof_load_n"], -2)
        33600.0
    """
    pitch = COARSE_PITCH_MM.get(thread_mm)
    if pitch is None:
        known = ", ".join(f"{size:g}" for size in COARSE_PITCH_MM)
        raise BadInput("no_thread", f"Coarse metric threads: {known} mm.", "thread_mm")
    return {
        "proof_load_n": proof_stress_mpa(class_, thread_mm) * stress_area(thread_mm, pitch)["stress_area_mm2"]
    }


def torque_for_preload(nut_factor: float, thread_mm: float, preload_n: float) -> Answers:
    """The torque for a preload.

    Formula: T = K·d·F
    Worked: {nut_factor}·{thread_mm}·{preload_n}/1000 = {torque_nm} N·m
    Valid: K about 0.2 dry, 0.12 to 0.16 oiled; it spreads by a third.
    Source: common practice
    Example:
        >>> torque_for_preload(0.2, 10, 20000)
        {'torque_nm': 40.0}
    """
    return {"torque_nm": nut_factor * thread_mm * preload_n / 1000}


def nut_back_off(pitch_mm: float, turn_deg: float) -> Answers:
    """How much end play a nut gives that is turned back.

    Formula: play = P·turn/360
    Worked: {pitch_mm}·{turn_deg}/360 = {end_play_mm} mm
    Valid: turn in degrees, from where the play was gone.
    Source: geometry
    Example:
        >>> nut_back_off(1.5, 60)
        {'end_play_mm': 0.25}
    """
    return {"end_play_mm": pitch_mm * turn_deg / 360}


def key_flank_pressure(
    torque_nm: float, shaft_mm: float, length_mm: float, width_mm: float, height_mm: float,
    shaft_depth_mm: float, ends: str,
) -> Answers:  # fmt: skip
    """The pressure on the flank of a parallel key, in the hub.

    Formula: p = 2·T/(d·l·(h - t1)), l = length - width with round ends
    Worked: 2·{torque_nm}/({shaft_mm}·l·({height_mm} - {shaft_depth_mm})) = {pressure_mpa} MPa
    Valid: one key, load spread evenly.
    Source: DIN 6892, simple method
    Example:
        >>> round(key_flank_pressure(200, 30, 40, 8, 7, 4, "round")["pressure_mpa"], 1)
        138.9
    """
    bears = length_mm - width_mm if ends == "round" else length_mm
    if bears <= 0:
        raise BadInput("too_short", "A key with round ends is longer than wide.", "length_mm")
    if shaft_depth_mm >= height_mm:
        raise BadInput("too_deep", "The key stands out of the shaft.", "shaft_depth_mm")
    return {"pressure_mpa": 2000 * torque_nm / (shaft_mm * bears * (height_mm - shaft_depth_mm))}


def keyway_width_zone(width_mm: float, zone: str) -> Answers:
    """The limits of a keyway's width.

    Formula: deviations of the zone at the width
    Worked: {width_mm} {zone}: {lower_um} to {upper_um} µm
    Valid: P9, N9, JS9, D10, H9.
    Source: ISO 286-2, DIN 6885-1
    Example:
        >>> keyway_width_zone(8, "P9")
        {'lower_um': -51.0, 'upper_um': -15.0}
    """
    if zone not in _KEYWAY_ZONES:
        raise BadInput("no_such_zone", f"Zones of keyways: {', '.join(_KEYWAY_ZONES)}.", "zone")
    found = limits(width_mm, zone)
    return {"lower_um": found.lower_um, "upper_um": found.upper_um}


def parallel_key(shaft_mm: float) -> Answers:
    """The parallel key of a shaft, and what is measured over shaft and bore.

    Formula: b, h, t1, t2 as tabulated; over the shaft d - t1, over the bore d + t2
    Worked: {width_mm} × {height_mm}; t1 {shaft_depth_mm}, t2 {hub_depth_mm}; over the shaft {over_shaft_mm}, over
        the bore {over_bore_mm} mm
    Valid: shafts of the table, keys of the usual form.
    Source: DIN 6885-1, from memory
    Example:
        >>> parallel_key(25)["over_bore_mm"]
        28.3
    """
    key = key_of_shaft(shaft_mm)
    if key is None:
        raise BadInput("over_the_table", f"The table has no shaft of {shaft_mm:g} mm.", "shaft_mm")
    return {
        "width_mm": key.width_mm, "height_mm": key.height_mm, "shaft_depth_mm": key.shaft_depth_mm,
        "hub_depth_mm": key.hub_depth_mm, "over_shaft_mm": round(shaft_mm - key.shaft_depth_mm, 6),
        "over_bore_mm": round(shaft_mm + key.hub_depth_mm, 6),
    }  # fmt: skip


def retaining_ring_shaft(shaft_mm: float) -> Answers:
    """The retaining ring of a shaft.

    Formula: groove, width of the groove and thickness as tabulated; depth = (d - groove)/2
    Worked: groove {groove_diameter_mm} × {groove_width_mm}, thickness {thickness_mm}, depth {groove_depth_mm} mm
    Valid: shafts of the table.
    Source: DIN 471
    Example:
        >>> retaining_ring_shaft(25)["groove_diameter_mm"]
        23.9
    """
    return _ring("ring_shaft", shaft_mm, "shaft_mm")


def retaining_ring_bore(bore_mm: float) -> Answers:
    """The retaining ring of a bore.

    Formula: groove, width of the groove and thickness as tabulated; depth = (groove - d)/2
    Worked: groove {groove_diameter_mm} × {groove_width_mm}, thickness {thickness_mm}, depth {groove_depth_mm} mm
    Valid: bores of the table.
    Source: DIN 472
    Example:
        >>> retaining_ring_bore(52)["groove_diameter_mm"]
        55.0
    """
    return _ring("ring_bore", bore_mm, "bore_mm")


def _ring(kind: str, size_mm: float, field: str) -> Answers:
    own = [s for s in sizes_of_family("retaining_ring") if s.kind == kind and s.dimensions_mm[0] == size_mm]
    if not own:
        raise BadInput("not_in_the_table", f"The table has no size of {size_mm:g} mm.", field)
    _, groove, slot, thickness, _ = own[0].dimensions_mm
    return {
        "groove_diameter_mm": groove, "groove_width_mm": slot, "thickness_mm": thickness,
        "groove_depth_mm": round(abs(groove - size_mm) / 2, 6),
    }  # fmt: skip


def retaining_ring_e(groove_diameter_mm: float) -> Answers:
    """The ring that is pushed on from the side, by its groove.

    Formula: shafts served, thickness, groove width and free opening as tabulated
    Worked: shafts {shaft_from_mm} to {shaft_to_mm}; thickness {thickness_mm}, groove {groove_width_mm}, opening
        {free_opening_mm} mm
    Valid: grooves of the table.
    Source: DIN 6799, from memory
    Example:
        >>> retaining_ring_e(5)["free_opening_mm"]
        4.11
    """
    found = e_ring_of_groove(groove_diameter_mm)
    if found is None:
        raise BadInput(
            "not_in_the_table", f"The table has no groove of {groove_diameter_mm:g} mm.", "groove_diameter_mm"
        )
    return found
