"""Torque in one unit, and how much a thread can take."""

from __future__ import annotations

import math
import re

from ample.core.errors import BadInput
from ample.core.handbook.fastening import stress_area, torque_for_preload
from ample.core.standards.threads import COARSE_PITCH_MM

NM_PER = {"N·m": 1.0, "ft-lb": 1.3558179483, "in-lb": 0.112984829}
PROOF_METRIC_MPA = (970.0, 600.0)  # class 12.9 and 8.8
PROOF_UNIFIED_MPA = (827.0, 586.0)  # SAE grade 8 (120 ksi) and 5 (85 ksi)
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
        raise BadInput("no_such_unit", f"Unknown torque unit “{unit[:10]}”.", "torque_unit")
    return value * NM_PER[unit]


def most_torque_nm(thread: str, strongest: bool = True) -> float | None:
    """The torque over which a screw of a thread yields: of the strongest usual class, or of the most usual.

    Formula: T = 0.2 · d · S_p · A_s, with A_s = π/4 · (d − 0.9382·P)² (ISO metric) or π/4 · (d − 0.9743/n)²
    (unified, n threads an inch), and S_p of class 12.9 or 8.8, of SAE grade 8 or 5.

    Args:
        thread: As written: "M8", "M10x1.25", "1/4-20", "#10-32 UNF", "5/16-18". Others are not judged.
        strongest: The strongest usual class; else the most usual.

    Returns:
        The torque in N·m, or None for a thread that is not known.

    Raises:
        Nothing.

    Source: stress area and proof stress of ISO 898-1:2013, ASME B1.1 and SAE J429 (from memory); nut factor 0.2,
        common practice.

    Example:
        >>> round(most_torque_nm("M8") or 0), round(most_torque_nm("1/4-20") or 0)
        (57, 22)
    """
    metric, unified = _metric(thread), _unified(thread)
    if metric is not None:
        diameter, pitch = metric
        area, proof = stress_area(diameter, pitch)["stress_area_mm2"], PROOF_METRIC_MPA
    elif unified is not None:
        diameter, pitch = unified
        area, proof = math.pi / 4 * (diameter - 0.9743 * pitch) ** 2, PROOF_UNIFIED_MPA
    else:
        return None
    return torque_for_preload(NUT_FACTOR, diameter, proof[0 if strongest else 1] * area)["torque_nm"]


def _metric(thread: str) -> tuple[float, float] | None:
    """Diameter and pitch of a metric thread, mm."""
    found = re.fullmatch(r"\s*M\s*(\d+(?:[.,]\d+)?)(?:\s*[x×*]\s*(\d+(?:[.,]\d+)?))?.*", thread, re.I)
    if found is None:
        return None
    diameter = float(found[1].replace(",", "."))
    pitch = float(found[2].replace(",", ".")) if found[2] else COARSE_PITCH_MM.get(int(diameter))
    if pitch is None or not 2 < diameter <= 100 or pitch >= diameter / 2:
        return None
    return diameter, pitch


def _unified(thread: str) -> tuple[float, float] | None:
    """Diameter and pitch of a unified inch thread, mm: `1/4-20`, `1 1/8-7`, `#10-32`, `0.5-13`."""
    found = re.fullmatch(
        r"\s*(?:#\s*(?P<number>\d{1,2})|(?:(?P<whole>\d)[\s-])?(?P<over>\d{1,2})/(?P<under>\d{1,2})|(?P<inch>\d?\.\d+|\d))"
        r"\s*(?:in|\")?\s*[-x×]\s*(?P<turns>\d{1,2})(?:\s*(?:UNC|UNF|UN|tpi).*)?\s*", thread, re.I,
    )  # fmt: skip
    if found is None:
        return None
    if found["number"]:
        inches = 0.06 + 0.013 * int(found["number"])
    elif found["inch"]:
        inches = float(found["inch"])
    else:
        under = int(found["under"])
        inches = int(found["whole"] or 0) + (int(found["over"]) / under if under else 0.0)
    turns = int(found["turns"])
    if not 0.05 < inches <= 4 or not 4 <= turns <= 80 or 1 / turns >= inches / 2:
        return None
    return 25.4 * inches, 25.4 / turns
