"""Coarse pitches of ISO metric threads (ISO 261, from memory)."""

from __future__ import annotations

COARSE_PITCH_MM: dict[float, float] = {
    3: 0.5, 4: 0.7, 5: 0.8, 6: 1.0, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2.0, 16: 2.0, 18: 2.5, 20: 2.5,
    22: 2.5, 24: 3.0, 27: 3.0, 30: 3.5, 33: 3.5, 36: 4.0,
}  # fmt: skip
