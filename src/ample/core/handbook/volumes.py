"""Volumes, and units of every kind."""

from __future__ import annotations

import math

from ample.core.errors import BadInput
from ample.core.sizes import parse_length

Answers = dict[str, float]
_KINDS: dict[str, dict[str, float]] = {
    "length": {"mm": 1.0, "cm": 10.0, "m": 1000.0, "in": 25.4, "thou": 0.0254},
    "force": {"N": 1.0, "kN": 1000.0, "lbf": 4.4482216152605, "kgf": 9.80665},
    "torque": {
        "N·m": 1.0, "in-lb": 4.4482216152605 * 0.0254, "ft-lb": 4.4482216152605 * 0.3048, "kgf·m": 9.80665,
        "oz-in": 4.4482216152605 * 0.0254 / 16,
    },
    "pressure": {"MPa": 1.0, "bar": 0.1, "psi": 4.4482216152605 / 645.16},
    "mass": {"kg": 1.0, "lb": 0.45359237},
    "volume": {"l": 1.0, "ml": 0.001, "gal_us": 3.785411784},
    "flow": {"l/min": 1.0, "gpm_us": 3.785411784},
}  # fmt: skip
_TEMPERATURES = ("°C", "°F", "K")


def convert(value: float | str, from_: str, to: str) -> Answers:
    """A value in another unit.

    Formula: 1 in = 25.4 mm, 1 lbf = 4.4482216152605 N, 1 kgf = 9.80665 N, all exact
    Valid: units of one kind; a length may be a fraction (1 1/8).
    Source: definitions of the units
    Example:
        >>> convert("1 1/8", "in", "mm")
        {'value': 28.575}
    """
    number = _number(value, from_)
    if from_ in _TEMPERATURES and to in _TEMPERATURES:
        return {"value": _degrees(number, from_, to)}
    for units in _KINDS.values():
        if from_ in units:
            if to not in units:
                raise BadInput(
                    "other_kind", f"{from_} cannot become {to[:12]}.", "to", f"One of {', '.join(units)}."
                )
            return {"value": round(number * units[from_] / units[to], 12)}
    known = [unit for units in _KINDS.values() for unit in units] + list(_TEMPERATURES)
    raise BadInput("no_such_unit", f"Unknown unit “{from_[:12]}”.", "from", f"One of {', '.join(known)}.")


def _number(value: float | str, unit: str) -> float:
    if isinstance(value, float | int):
        return float(value)
    try:
        if unit in _KINDS["length"]:
            return parse_length(value, "in").inch
        return float(value.strip().replace(",", "."))
    except (BadInput, ValueError) as error:
        raise BadInput("no_number", f"“{value[:20]}” is not a number.", "value") from error


def _degrees(number: float, from_: str, to: str) -> float:
    celsius = {"°C": number, "°F": (number - 32) / 1.8, "K": number - 273.15}[from_]
    if celsius < -273.15 - 1e-9:
        raise BadInput("too_cold", "Nothing is colder than -273.15 °C.", "value")
    return {"°C": celsius, "°F": celsius * 1.8 + 32, "K": celsius + 273.15}[to]


def box_volume(length_mm: float, breadth_mm: float, level_mm: float) -> Answers:
    """What a box holds up to a level.

    Formula: V = l·b·h
    Worked: {length_mm}·{breadth_mm}·{level_mm} = {volume_l} l
    Valid: upright walls.
    Source: geometry
    Example:
        >>> box_volume(500, 300, 200)
        {'volume_l': 30.0}
    """
    return {"volume_l": length_mm * breadth_mm * level_mm / 1e6}


def cylinder_volumes(bore_mm: float, rod_mm: float, stroke_mm: float) -> Answers:
    """What a hydraulic cylinder takes on each side.

    Formula: piston side π/4·D²·stroke; rod side π/4·(D² - d²)·stroke
    Worked: π/4·{bore_mm}²·{stroke_mm} = {piston_side_l} l; rod side {rod_side_l} l
    Valid: one rod.
    Source: geometry
    Example:
        >>> round(cylinder_volumes(63, 36, 500)["rod_side_l"], 3)
        1.05
    """
    if rod_mm >= bore_mm:
        raise BadInput("bad_sizes", "The rod is thinner than the bore.", "rod_mm")
    whole, rod = (math.pi / 4 * size**2 * stroke_mm / 1e6 for size in (bore_mm, rod_mm))
    return {"piston_side_l": whole, "rod_side_l": whole - rod, "rod_volume_l": rod}


def drum_volume(inside_mm: float, length_mm: float, level_mm: float) -> Answers:
    """What a lying drum holds up to a level.

    Formula: V = L·[r²·acos((r - h)/r) - (r - h)·√(2·r·h - h²)]
    Worked: r = {inside_mm}/2, h = {level_mm}: {volume_l} l
    Valid: flat ends; level not over the inside.
    Source: segment of a circle
    Example:
        >>> round(drum_volume(600, 1000, 300)["volume_l"], 1)
        141.4
    """
    if level_mm > inside_mm:
        raise BadInput("over_full", "The level is over the top of the drum.", "level_mm")
    r, h = inside_mm / 2, level_mm
    area = r**2 * math.acos((r - h) / r) - (r - h) * math.sqrt(max(2 * r * h - h**2, 0.0))
    return {"volume_l": length_mm * area / 1e6}


def oil_expansion(volume_l: float, rise_k: float, expansion_per_k: float) -> Answers:
    """How much more room oil takes when it is warm.

    Formula: ΔV = V·β·ΔT
    Worked: {volume_l}·{expansion_per_k}·{rise_k} = {more_l} l
    Valid: mineral oil about 0.0007/K.
    Source: common practice
    Example:
        >>> round(oil_expansion(10, 50, 0.0007)["more_l"], 3)
        0.35
    """
    return {"more_l": volume_l * expansion_per_k * rise_k}
