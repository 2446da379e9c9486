"""Sealing: O-rings and their grooves, lip seals, face seals."""

from __future__ import annotations

import math

from ample.core.errors import BadInput
from ample.core.standards.seals import ring_inside_tolerance_mm, sizes_of_family

Answers = dict[str, float]


def compression_set(section_mm: float, recovered_mm: float, compressed_mm: float) -> Answers:
    """How much of its squeeze a ring did not give back.

    Formula: (h0 - h1)/(h0 - h2)·100
    Worked: ({section_mm} - {recovered_mm})/({section_mm} - {compressed_mm})·100 = {set_percent} %
    Valid: h0 new, h1 half an hour after release, h2 compressed.
    Source: ISO 815-1
    Example:
        >>> round(compression_set(3.53, 3.30, 2.65)["set_percent"], 1)
        26.1
    """
    if compressed_mm >= section_mm:
        raise BadInput("not_compressed", "Compressed it is thinner than new.", "compressed_mm")
    return {"set_percent": 100 * (section_mm - recovered_mm) / (section_mm - compressed_mm)}


def cord_length(inside_mm: float, section_mm: float) -> Answers:
    """How long a cord is cut for a ring.

    Formula: L = π·(inside + section)
    Worked: π·({inside_mm} + {section_mm}) = {length_mm} mm
    Valid: joined butt to butt, at rest.
    Source: geometry
    Example:
        >>> round(cord_length(100, 5)["length_mm"], 1)
        329.9
    """
    return {"length_mm": math.pi * (inside_mm + section_mm)}


def gland_basics(
    section_mm: float,
    gland_depth_mm: float,
    groove_width_mm: float,
    inside_mm: float,
    groove_diameter_mm: float,
) -> Answers:
    """Squeeze, fill and stretch of an O-ring in a groove.

    Formula: squeeze = (section - depth)/section; fill = (π/4·section²)/(width·depth); stretch = (groove - inside)/inside
    Worked: ({section_mm} - {gland_depth_mm})/{section_mm} = {squeeze_percent} %; fill {fill_percent} %;
        ({groove_diameter_mm} - {inside_mm})/{inside_mm} = {stretch_percent} %
    Valid: nominal sizes; depth from the groove's bottom to the mating surface.
    Source: ISO 3601-2, common practice
    Example:
        >>> round(gland_basics(3.53, 2.8, 4.8, 37.69, 38.5)["squeeze_percent"], 1)
        20.7
    """
    return {
        "squeeze_percent": 100 * (section_mm - gland_depth_mm) / section_mm,
        "fill_percent": 100 * math.pi / 4 * section_mm**2 / (groove_width_mm * gland_depth_mm),
        "stretch_percent": 100 * (groove_diameter_mm - inside_mm) / inside_mm,
    }


def fill_after_swell(
    section_mm: float, gland_depth_mm: float, groove_width_mm: float, volume_swell: float
) -> Answers:
    """How full a groove is when its ring has swollen.

    Formula: fill = (π/4·section²)·(1 + s)/(width·depth)
    Worked: π/4·{section_mm}²·(1 + {volume_swell})/({groove_width_mm}·{gland_depth_mm}) = {fill_percent} %
    Valid: s the share by which the volume grew.
    Source: geometry
    Example:
        >>> round(fill_after_swell(3.53, 2.8, 4.8, 0.1)["fill_percent"], 1)
        80.1
    """
    area = math.pi / 4 * section_mm**2 * (1 + volume_swell)
    return {"fill_percent": 100 * area / (groove_width_mm * gland_depth_mm)}


def groove_for_piston(bore_mm: float, gland_depth_mm: float) -> Answers:
    """The bottom of a groove in a piston.

    Formula: groove = bore - 2·depth
    Worked: {bore_mm} - 2·{gland_depth_mm} = {groove_diameter_mm} mm
    Valid: depth from the groove's bottom to the bore.
    Source: geometry
    Example:
        >>> round(groove_for_piston(50, 2.8)["groove_diameter_mm"], 3)
        44.4
    """
    if 2 * gland_depth_mm >= bore_mm:
        raise BadInput("too_deep", "The groove would be deeper than the piston.", "gland_depth_mm")
    return {"groove_diameter_mm": bore_mm - 2 * gland_depth_mm}


def groove_for_rod(rod_mm: float, gland_depth_mm: float) -> Answers:
    """The bottom of a groove around a rod.

    Formula: groove = rod + 2·depth
    Worked: {rod_mm} + 2·{gland_depth_mm} = {groove_diameter_mm} mm
    Valid: depth from the rod to the groove's bottom.
    Source: geometry
    Example:
        >>> round(groove_for_rod(50, 2.8)["groove_diameter_mm"], 3)
        55.6
    """
    return {"groove_diameter_mm": rod_mm + 2 * gland_depth_mm}


def ring_inside_tolerance(inside_mm: float) -> Answers:
    """The tolerance of an O-ring's inside.

    Formula: ± (0.009·d^0.95 + 0.11)
    Worked: 0.009·{inside_mm}^0.95 + 0.11 = ±{tolerance_mm} mm
    Valid: ISO 3601-1 class B.
    Source: ISO 3601-1:2012, from memory
    Example:
        >>> round(ring_inside_tolerance(100)["tolerance_mm"], 3)
        0.825
    """
    return {"tolerance_mm": ring_inside_tolerance_mm(inside_mm)}


def section_when_stretched(section_mm: float, inside_mm: float, stretch: float) -> Answers:
    """The section of a ring that is stretched, its volume kept.

    Formula: section/√(1 + stretch)
    Valid: understates the loss: measured 1.7, 2.5, 3.4 % at 2, 3, 5 % of stretch.
    Source: constant volume; the measured figures from published tests, as the trade page has them
    Example:
        >>> round(section_when_stretched(3.53, 37.69, 0.03)["section_mm"], 3)
        3.478
    """
    if inside_mm <= 0:
        raise BadInput("bad_sizes", "A ring has an inside.", "inside_mm")
    return {"section_mm": section_mm / math.sqrt(1 + stretch)}


def squeeze_range_static(
    section_in: float, section_tolerance_in: float, gland_depth_min_in: float, gland_depth_max_in: float
) -> Answers:
    """Least and most squeeze of a static gland, inches.

    Formula: least section in the deepest gland to most in the shallowest
    Worked: least {squeeze_min_in} in, most {squeeze_max_in} in
    Valid: before stretch.
    Source: published gland tables of AS568 sections
    Example:
        >>> round(squeeze_range_static(0.139, 0.004, 0.111, 0.113)["squeeze_max_in"], 4)
        0.032
    """
    if gland_depth_min_in > gland_depth_max_in:
        raise BadInput("turned_round", "The least depth is over the greatest.", "gland_depth_min_in")
    return {
        "squeeze_min_in": section_in - section_tolerance_in - gland_depth_max_in,
        "squeeze_max_in": section_in + section_tolerance_in - gland_depth_min_in,
    }


def squeeze_range_dynamic(
    section_in: float, section_tolerance_in: float, gland_depth_min_in: float, gland_depth_max_in: float
) -> Answers:
    """Least and most squeeze of a dynamic gland, inches.

    Formula: least section in the deepest gland to most in the shallowest
    Worked: least {squeeze_min_in} in, most {squeeze_max_in} in
    Valid: before stretch.
    Source: published gland tables of AS568 sections
    Example:
        >>> round(squeeze_range_dynamic(0.139, 0.004, 0.121, 0.123)["squeeze_min_in"], 4)
        0.012
    """
    return squeeze_range_static(section_in, section_tolerance_in, gland_depth_min_in, gland_depth_max_in)


def lip_speed(shaft_mm: float, rpm: float) -> Answers:
    """The speed of a shaft under its lip.

    Formula: v = π·d·n/60 000
    Worked: v = π·{shaft_mm}·{rpm}/60 000 = {speed_m_s} m/s
    Valid: d in mm, v in m/s.
    Source: geometry
    Example:
        >>> round(lip_speed(50, 1500)["speed_m_s"], 2)
        3.93
    """
    return {"speed_m_s": math.pi * shaft_mm * rpm / 60_000}


def rpm_for_lip_speed(shaft_mm: float, speed_limit_m_s: float) -> Answers:
    """The speed of turning at which a lip reaches its limit.

    Formula: n = 60 000·v/(π·d)
    Worked: n = 60 000·{speed_limit_m_s}/(π·{shaft_mm}) = {rpm} 1/min
    Valid: d in mm, v in m/s.
    Source: geometry
    Example:
        >>> round(rpm_for_lip_speed(50, 14)["rpm"])
        5348
    """
    return {"rpm": 60_000 * speed_limit_m_s / (math.pi * shaft_mm)}


def face_seal_en12756(shaft_mm: float) -> Answers:
    """Working lengths and seat of a face seal.

    Formula: l1k (short), l1N (long) and d7 as tabulated by shaft
    Worked: shaft {shaft_mm}: l1k {short_length_mm}, l1N {long_length_mm}, d7 {seat_outside_mm} mm
    Valid: shafts of the table.
    Source: EN 12756, from memory
    Example:
        >>> face_seal_en12756(20)
        {'short_length_mm': 37.5, 'long_length_mm': 45.0, 'seat_outside_mm': 35.0}
    """
    own = [s for s in sizes_of_family("face_seal") if abs(s.dimensions_mm[0] - shaft_mm) < 1e-6]
    short = next((s for s in own if s.listed == "EN 12756 short"), None)
    long = next((s for s in own if s.listed == "EN 12756 long"), None)
    if short is None or long is None:
        raise BadInput("not_in_the_table", f"The table has no shaft of {shaft_mm:g} mm.", "shaft_mm")
    return {
        "short_length_mm": short.dimensions_mm[3], "long_length_mm": long.dimensions_mm[3],
        "seat_outside_mm": short.dimensions_mm[1],
    }  # fmt: skip


def face_seal_set_length(
    free_length_mm: float, working_length_mm: float, seat_stands_out_mm: float
) -> Answers:
    """How far a face seal is pressed together, and where its collar stands.

    Formula: compression = free - working length; collar from the housing's face = working length - seat standing out
    Worked: {free_length_mm} - {working_length_mm} = {compression_mm} mm; {working_length_mm} -
        {seat_stands_out_mm} = {collar_from_housing_face_mm} mm
    Valid: lengths along the shaft.
    Source: geometry
    Example:
        >>> face_seal_set_length(45, 37.5, 8)
        {'compression_mm': 7.5, 'collar_from_housing_face_mm': 29.5}
    """
    if working_length_mm > free_length_mm:
        raise BadInput("longer", "At work it is shorter than free.", "working_length_mm")
    return {
        "compression_mm": free_length_mm - working_length_mm,
        "collar_from_housing_face_mm": working_length_mm - seat_stands_out_mm,
    }
