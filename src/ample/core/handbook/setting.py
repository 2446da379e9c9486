"""Setting up: shims, couplings, belts."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import combinations_with_replacement

from ample.core.errors import BadInput

Answers = dict[str, float]
MOST_LEAVES = 8
_ONE_SIZE_MM = 1e-6


def fewest_leaves(thickness_mm: float, leaves_mm: Sequence[float]) -> dict[str, list[float]]:
    """The fewest leaves from the set at hand that make a thickness exactly.

    Formula: smallest number of leaves, any number of each, that add up to it
    Worked: {thickness_mm} mm = {leaves}
    Valid: up to 8 leaves; to a micrometre.
    Source: search of all sums
    Example:
        >>> fewest_leaves(0.6, [0.5, 0.3, 0.05])
        {'leaves': [0.3, 0.3]}
    """
    wanted = round(thickness_mm * 1000)
    sizes = sorted({round(leaf * 1000) for leaf in leaves_mm}, reverse=True)
    for count in range(1, MOST_LEAVES + 1):
        for chosen in combinations_with_replacement(sizes, count):
            if sum(chosen) == wanted:
                return {"leaves": [leaf / 1000 for leaf in chosen]}
    raise BadInput(
        "cannot_be_made", "No eight of these leaves make that thickness.", "leaves_mm",
        "Add a thinner leaf, or accept the nearest thickness.",
    )  # fmt: skip


def shim_for_stack(room_mm: float, parts_mm: Sequence[float], wanted_clearance_mm: float) -> Answers:
    """The shim that fills a stack.

    Formula: gap = room - Σ parts; shim = gap - wanted clearance
    Worked: {room_mm} - ({parts_mm}) = {gap_mm} mm; shim {shim_mm} mm
    Valid: negative: take as much off.
    Source: geometry
    Example:
        >>> shim_for_stack(100, [40, 58.5], 0.1)
        {'gap_mm': 1.5, 'shim_mm': 1.4}
    """
    gap = room_mm - sum(parts_mm)
    return {"gap_mm": round(gap, 9), "shim_mm": round(gap - wanted_clearance_mm, 9)}


def shim_after_bearing_change(
    bearings: int, old_width_mm: float, new_width_mm: float, old_shim_mm: float
) -> Answers:
    """The shim after bearings of another width.

    Formula: shim = old shim - n·(T_new - T_old)
    Worked: {old_shim_mm} - {bearings}·({new_width_mm} - {old_width_mm}) = {new_shim_mm} mm
    Valid: n bearings in one stack; negative: the housing is to be turned out.
    Source: geometry
    Example:
        >>> shim_after_bearing_change(2, 16.25, 17.25, 2.5)
        {'new_shim_mm': 0.5}
    """
    return {"new_shim_mm": round(old_shim_mm - bearings * (new_width_mm - old_width_mm), 9)}


def shim_change_for_end_play(measured_mm: float, wanted_mm: float) -> Answers:
    """How much shim to take out for an end play.

    Formula: take out = measured - wanted
    Worked: {measured_mm} - {wanted_mm} = {remove_mm} mm to take out
    Valid: one pack under a cap, tapers against each other; negative: put in.
    Source: geometry
    Example:
        >>> shim_change_for_end_play(0.25, 0.05)
        {'remove_mm': 0.2}
    """
    return {"remove_mm": round(measured_mm - wanted_mm, 9)}


def shim_change_for_preload(measured_mm: float, preload_mm: float) -> Answers:
    """How much shim to take out for a preload.

    Formula: take out = measured play + preload
    Worked: {measured_mm} + {preload_mm} = {remove_mm} mm to take out
    Valid: one pack under a cap, tapers against each other.
    Source: geometry
    Example:
        >>> round(shim_change_for_preload(0.1, 0.02)["remove_mm"], 3)
        0.12
    """
    return {"remove_mm": round(measured_mm + preload_mm, 9)}


def shim_from_flange_gap(flange_gap_mm: float, wanted_end_play_mm: float) -> Answers:
    """The shim under a cap that was bolted down without shims until the play was gone.

    Formula: shim = gap under the flange + wanted end play
    Worked: {flange_gap_mm} + {wanted_end_play_mm} = {shim_mm} mm
    Valid: the gap measured all round, its mean.
    Source: geometry
    Example:
        >>> shim_from_flange_gap(0.4, 0.1)
        {'shim_mm': 0.5}
    """
    return {"shim_mm": round(flange_gap_mm + wanted_end_play_mm, 9)}


def coupling_offset_from_rim(rim_tir_mm: float) -> Answers:
    """How far two shafts are out of line, from a dial on the rim.

    Formula: offset = full reading/2
    Worked: {rim_tir_mm}/2 = {offset_mm} mm
    Valid: both shafts turned together; sag of the bar taken off.
    Source: geometry
    Example:
        >>> coupling_offset_from_rim(0.2)
        {'offset_mm': 0.1}
    """
    return {"offset_mm": rim_tir_mm / 2}


def coupling_angle_from_face(face_tir_mm: float, swing_diameter_mm: float) -> Answers:
    """The angle between two shafts, from a dial on the face.

    Formula: angle = reading/diameter; 1 mrad = 1 mm/m
    Worked: {face_tir_mm}/{swing_diameter_mm} = {slope_mrad} mrad
    Valid: small angles; no end play.
    Source: geometry
    Example:
        >>> coupling_angle_from_face(0.1, 100)
        {'slope_mrad': 1.0}
    """
    return {"slope_mrad": 1000 * face_tir_mm / swing_diameter_mm}


def coupling_bar_sag(rim_bottom_minus_top_mm: float, bar_sag_bottom_mm: float) -> Answers:
    """The offset from a rim reading without the sag of the bar.

    Formula: offset = (bottom reading - sag)/2
    Worked: ({rim_bottom_minus_top_mm} - {bar_sag_bottom_mm})/2 = {offset_mm} mm
    Valid: a sagging bar reads negative at the bottom.
    Source: common practice
    Example:
        >>> round(coupling_bar_sag(-0.10, -0.04)["offset_mm"], 3)
        -0.03
    """
    return {"offset_mm": (rim_bottom_minus_top_mm - bar_sag_bottom_mm) / 2}


def coupling_cold_offset(
    moving_height_mm: float, moving_rise_k: float, fixed_height_mm: float, fixed_rise_k: float,
    expansion_per_k: float,
) -> Answers:  # fmt: skip
    """How much lower a machine is set cold that rises more when warm.

    Formula: rise of a centre = α·height·ΔT; set it low by the difference
    Worked: {expansion_per_k}·({moving_height_mm}·{moving_rise_k} - {fixed_height_mm}·{fixed_rise_k}) =
        {set_moving_low_mm} mm low
    Valid: both of one material; negative: set it high.
    Source: first-order expansion
    Example:
        >>> round(coupling_cold_offset(300, 40, 300, 10, 11.5e-6)["set_moving_low_mm"], 4)
        0.1035
    """
    rise = moving_height_mm * moving_rise_k - fixed_height_mm * fixed_rise_k
    return {"set_moving_low_mm": expansion_per_k * rise}


def shims_for_feet(
    gap_top_minus_bottom_mm: float, coupling_diameter_mm: float, moving_shaft_high_mm: float,
    front_feet_mm: float, rear_feet_mm: float,
) -> Answers:  # fmt: skip
    """What to put under the feet of a machine to bring it into line.

    Formula: under a foot = (gap top - gap bottom)/coupling diameter · distance from the coupling - height too high
    Worked: front {add_front_mm} mm, rear {add_rear_mm} mm
    Valid: moving machine to the right of the coupling; negative: take out.
    Source: similar triangles
    Example:
        >>> round(shims_for_feet(0.1, 200, 0.2, 300, 800)["add_rear_mm"], 3)
        0.2
    """
    if rear_feet_mm <= front_feet_mm:
        raise BadInput("turned_round", "The rear feet are farther from the coupling.", "rear_feet_mm")
    slope = gap_top_minus_bottom_mm / coupling_diameter_mm
    return {
        "add_front_mm": round(slope * front_feet_mm - moving_shaft_high_mm, 9),
        "add_rear_mm": round(slope * rear_feet_mm - moving_shaft_high_mm, 9),
    }


def belt_length(large_mm: float, small_mm: float, centres_mm: float) -> Answers:
    """The length of an open belt.

    Formula: L ≈ 2a + π/2·(D + d) + (D - d)²/(4a)
    Worked: 2·{centres_mm} + π/2·({large_mm} + {small_mm}) + ({large_mm} - {small_mm})²/(4·{centres_mm}) =
        {length_mm} mm
    Valid: pulleys that do not touch.
    Source: geometry, second order
    Example:
        >>> round(belt_length(200, 100, 500)["length_mm"], 1)
        1476.2
    """
    if small_mm > large_mm:
        raise BadInput("turned_round", "The small pulley is the smaller one.", "small_mm")
    if centres_mm <= (large_mm + small_mm) / 2:
        raise BadInput("too_close", "The pulleys would touch.", "centres_mm")
    around = math.pi / 2 * (large_mm + small_mm)
    return {"length_mm": 2 * centres_mm + around + (large_mm - small_mm) ** 2 / (4 * centres_mm)}


def belt_sag(span_mm: float) -> Answers:
    """How far a belt gives under the test force.

    Formula: 16 mm for each metre of free span
    Worked: 16·{span_mm}/1000 = {sag_mm} mm
    Valid: V-belts; the force by the belt maker.
    Source: common rule of belt makers
    Example:
        >>> belt_sag(1000)
        {'sag_mm': 16.0}
    """
    return {"sag_mm": 16 * span_mm / 1000}


def pulley_speed(driver_rpm: float, driver_mm: float, driven_mm: float) -> Answers:
    """The speed of a driven pulley.

    Formula: n2 = n1·d1/d2
    Worked: {driver_rpm}·{driver_mm}/{driven_mm} = {driven_rpm} 1/min
    Valid: without slip.
    Source: geometry
    Example:
        >>> pulley_speed(1450, 100, 200)
        {'driven_rpm': 725.0}
    """
    return {"driven_rpm": driver_rpm * driver_mm / driven_mm}
