"""Records of instruments."""

from __future__ import annotations

from datetime import date

from pydantic import BaseModel


class InstrumentRecord(BaseModel):
    """An instrument of the shop, its doubt (k = 2, mm) and whether its calibration is overdue."""

    name: str
    kind: str
    outside_u_mm: float
    inside_u_mm: float
    scatter_mm: float
    calibrated_on: date | None
    overdue: bool
    words: str
