"""Coarse pitches of ISO metric threads (ISO 261), and what grades of screws bear (from memory)."""

from __future__ import annotations

COARSE_PITCH_MM: dict[float, float] = {
    3: 0.5, 4: 0.7, 5: 0.8, 6: 1.0, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2.0, 16: 2.0, 18: 2.5, 20: 2.5,
    22: 2.5, 24: 3.0, 27: 3.0, 30: 3.5, 33: 3.5, 36: 4.0,
}  # fmt: skip
LARGEST_8_8_MM, LARGEST_5_MM = (
    16.0,
    25.4,
)  # of the smaller screws of a grade; larger ones have another proof stress


def proof_stress_mpa(grade: str, thread_mm: float) -> float:
    """The stress that a screw bears without lasting stretch.

    Args:
        grade: Class `8.8`, `10.9`, `12.9` of a metric screw, or grade `5`, `8` of an inch screw.
        thread_mm: Nominal diameter, mm.

    Returns:
        MPa.

    Raises:
        KeyError: For another grade.

    Source: ISO 898-1 and SAE J429, from memory.

    Example:
        >>> proof_stress_mpa("8.8", 10), proof_stress_mpa("8.8", 20)
        (580.0, 600.0)
    """
    return {
        "8.8": 580.0 if thread_mm <= LARGEST_8_8_MM else 600.0, "10.9": 830.0, "12.9": 970.0,
        "5": 586.0 if thread_mm <= LARGEST_5_MM else 510.0, "8": 827.0,
    }[grade]  # fmt: skip
