"""Torque in one unit, how much a thread can take, and how tight it is made."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from fractions import Fraction

from ample.core.errors import BadInput
from ample.core.handbook.fastening import stress_area, torque_for_preload
from ample.core.sizes import INCH_MM, format_inch
from ample.core.standards.threads import COARSE_PITCH_MM, proof_stress_mpa

NM_PER = {"N·m": 1.0, "ft-lb": 1.3558179483, "in-lb": 0.112984829}
METRIC, UNIFIED = (
    ("8.8", "10.9", "12.9"),
    ("5", "8"),
)  # usual grades, the most usual first, the strongest last
NUT_FACTOR, NUT_FACTOR_OILED = 0.2, 0.15
OF_PROOF = 0.75  # of the proof load that a screw is tightened to, where it is to be loosened again


@dataclass(frozen=True)
class Thread:
    """A thread as it is read: nominal diameter and pitch, mm; turns an inch of an inch thread."""

    words: str
    diameter_mm: float
    pitch_mm: float
    turns_per_inch: int | None
    stress_area_mm2: float
    grades: tuple[str, ...]


@dataclass(frozen=True)
class Tightened:
    """How tight a screw of a grade is made, dry and oiled, and what it does not bear, N·m and ft-lb; its proof load, N."""

    grade: str
    proof_load_n: float
    preload_n: float
    dry_nm: float
    oiled_nm: float
    most_nm: float
    dry_ft_lb: float
    oiled_ft_lb: float


@dataclass(frozen=True)
class Tightening:
    """A thread with its grades, the weakest first."""

    thread: Thread
    grades: tuple[Tightened, ...]
    notes: tuple[str, ...]
    source: str


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
    known = thread_of(thread)
    return None if known is None else _torque_nm(known, known.grades[-1 if strongest else 0], 1.0, NUT_FACTOR)


def tightening(thread: str) -> Tightening:
    """How tight a screw of a thread is made, in every usual grade.

    Formula: T = K·d·F, F = 0.75·S_p·A_s, K = 0.2 dry and 0.15 oiled; most: F = S_p·A_s, K = 0.2.

    Args:
        thread: As written: "M10", "M10x1.25", "1/2-13", "#10-32".

    Returns:
        The thread, and torque by grade, N·m.

    Raises:
        BadInput: When it is no thread of a screw that is known here.

    Source: ISO 898-1, SAE J429, ASME B1.1, from memory; K and the share of proof load: common practice.

    Example:
        >>> [round(each.dry_nm) for each in tightening("M10").grades]
        [50, 72, 84]
    """
    known = thread_of(thread)
    if known is None:
        raise BadInput(
            "no_such_thread",
            f"“{thread.strip()[:20]}” is not a known screw thread.",
            "thread",
            "Write M10, M10x1.25, 1/2-13 or #10-32. A pipe thread seals and has no torque of its own.",
        )
    grades = tuple(_tightened(known, grade) for grade in known.grades)
    return Tightening(known, grades, NOTES, SOURCE)


def _tightened(thread: Thread, grade: str) -> Tightened:
    """One grade of a thread."""
    proof = proof_stress_mpa(grade, thread.diameter_mm) * thread.stress_area_mm2
    dry = _torque_nm(thread, grade, OF_PROOF, NUT_FACTOR)
    oiled = _torque_nm(thread, grade, OF_PROOF, NUT_FACTOR_OILED)
    most = _torque_nm(thread, grade, 1.0, NUT_FACTOR)
    foot_pound = NM_PER["ft-lb"]
    return Tightened(
        grade, round(proof), round(OF_PROOF * proof), dry, oiled, most, dry / foot_pound, oiled / foot_pound
    )


SOURCE = "ISO 898-1, SAE J429, ASME B1.1, from memory; nut factors and 75 % of proof: common practice"
NOTES = (
    "The machine's own manual comes first.",
    "A torque wrench reaches the preload within about 25 %.",
    "Plated, waxed, stainless or locked threads have another friction: ask for their torque.",
    "A soft thread in aluminium or iron may strip first.",
)


def thread_of(text: str) -> Thread | None:
    """A thread as it is written; None for what is no metric or unified thread of a screw."""
    metric, unified = _metric(text), _unified(text)
    if metric is not None:
        diameter, pitch = metric
        words = f"M{diameter:g}" + ("" if COARSE_PITCH_MM.get(diameter) == pitch else f" × {pitch:g}")
        return Thread(words, diameter, pitch, None, stress_area(diameter, pitch)["stress_area_mm2"], METRIC)
    if unified is not None:
        diameter, pitch = unified
        turns = round(INCH_MM / pitch)
        number = re.match(r"\s*#\s*(\d+)", text)
        size = (
            f"#{number[1]}"
            if number
            else f"{format_inch(Fraction(round(64 * diameter / INCH_MM), 64) * Fraction(254, 10))} in"
        )
        area = math.pi / 4 * (diameter - 0.9743 * pitch) ** 2
        return Thread(f"{size} - {turns}", diameter, pitch, turns, area, UNIFIED)
    return None


def _torque_nm(thread: Thread, grade: str, of_proof: float, nut_factor: float) -> float:
    """The torque for a share of the proof load, N·m."""
    preload = of_proof * proof_stress_mpa(grade, thread.diameter_mm) * thread.stress_area_mm2
    return torque_for_preload(nut_factor, thread.diameter_mm, preload)["torque_nm"]


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
