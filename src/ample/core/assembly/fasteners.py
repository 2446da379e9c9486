"""Torque in one unit, and how much a metric thread stands."""

from __future__ import annotations

import math
import re

from ample.core.errors import BadInput

NM_PER = {"N·m": 1.0, "ft-lb": 1.3558179483, "in-lb": 0.112984829}
COARSE_PITCH_MM = {
    3: 0.5, 4: 0.7, 5: 0.8, 6: 1.0, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2.0, 16: 2.0, 18: 2.5, 20: 2.5,
    22: 2.5, 24: 3.0, 27: 3.0, 30: 3.5, 33: 3.5, 36: 4.0,
}  # fmt: skip
PROOF_12_9_MPA = 970.0
NUT_FACTOR = 0.2


def torque_nm(value: float, unit: str) -> float:
    """A torque in N·m.

    Formula: 1 ft-lb = 1.3558 N·m, 1 in-lb = 0.11298 N·m.

    Args:
        value: The torque as read, above 0.
        unit: "N·m", "ft-lb" or "in-lb".

    Returns:
        The torque in N·m.

    Raises:
        BadInput: When the unit is not known.

    Source: definition of the pound-force (9.80665 m/s²) and the inch.

    Example:
        >>> round(torque_nm(100, "in-lb"), 2)
        11.3
    """
    if unit not in NM_PER:
        raise BadInput("no_such_unit", f"“{unit[:10]}” is no unit of torque.", "torque_unit")
    return value * NM_PER[unit]


def most_torque_nm(thread: str) -> float | None:
    """The torque over which even the strongest usual screw of a metric thread yields.

    Formula: T = 0.2 · d · S_p · A_s, with S_p = 970 MPa (class 12.9) and
    A_s = π/4 · (d − 0.9382·P)².

    Args:
        thread: As written: "M8", "M10x1.25". Others are not judged.

    Returns:
        The torque in N·m, or None for a thread that is not metric.

    Raises:
        Nothing.

    Source: stress area and proof stress of ISO 898-1:2013 (from memory); nut factor 0.2, common practice.

    Example:
        >>> round(most_torque_nm("M8") or 0)
        57
    """
    found = re.fullmatch(r"\s*M\s*(\d+(?:[.,]\d+)?)(?:\s*[x×*]\s*(\d+(?:[.,]\d+)?))?.*", thread, re.I)
    if found is None:
        return None
    diameter = float(found[1].replace(",", "."))
    pitch = float(found[2].replace(",", ".")) if found[2] else COARSE_PITCH_MM.get(int(diameter))
    if pitch is None or not 2 < diameter <= 100 or pitch >= diameter / 2:
        return None
    area = math.pi / 4 * (diameter - 0.9382 * pitch) ** 2
    return NUT_FACTOR * diameter * PROOF_12_9_MPA * area / 1000
