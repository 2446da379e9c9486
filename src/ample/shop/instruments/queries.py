"""SQL of instruments."""

from __future__ import annotations

from datetime import date
from typing import Any

from ample.store import Transaction


def all_instruments(t: Transaction, today: date) -> list[dict[str, Any]]:
    """Every instrument, with whether its calibration is overdue."""
    return t.rows(
        """
        SELECT
            name,
            kind,
            outside_u_mm,
            inside_u_mm,
            scatter_mm,
            calibrated_on,
            DATE_ADD(calibrated_on, INTERVAL months_valid MONTH) < %(today)s AS overdue
        FROM instruments
        ORDER BY instrument_id
        """,
        {"today": today},
    )


def add_instrument(t: Transaction, values: dict[str, Any]) -> int:
    """A new instrument."""
    return t.insert(
        """
        INSERT INTO instruments (name, kind, outside_u_mm, inside_u_mm, scatter_mm, calibrated_on, months_valid)
        VALUES (
            %(name)s, %(kind)s, %(outside_u_mm)s, %(inside_u_mm)s, %(scatter_mm)s,
            %(calibrated_on)s, %(months_valid)s
        )
        """,
        values,
    )
