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
            version,
            COALESCE(zero_checked_on = %(today)s, 0) AS zero_checked,
            DATE_ADD(calibrated_on, INTERVAL months_valid MONTH) < %(today)s AS overdue
        FROM instruments
        ORDER BY instrument_id
        """,
        {"today": today},
    )


def version_of(t: Transaction, name: str) -> int:
    """The version of an instrument, locked until the transaction ends; 0 when there is none."""
    row = t.first("SELECT version FROM instruments WHERE name = %(name)s FOR UPDATE", {"name": name})
    return int(row["version"]) if row else 0


def mark_zero_checked(t: Transaction, name: str, today: date) -> bool:
    """Keep that the zero was checked today; False when there is no such instrument."""
    if not version_of(t, name):
        return False
    t.change(
        "UPDATE instruments SET zero_checked_on = %(today)s WHERE name = %(name)s",
        {"name": name, "today": today},
    )
    return True


def keep_instrument(t: Transaction, values: dict[str, Any]) -> None:
    """A new instrument, or a new certificate of one that is known."""
    t.change(
        """
        INSERT INTO instruments (name, kind, outside_u_mm, inside_u_mm, scatter_mm, calibrated_on, months_valid)
        VALUES (
            %(name)s, %(kind)s, %(outside_u_mm)s, %(inside_u_mm)s, %(scatter_mm)s,
            %(calibrated_on)s, %(months_valid)s
        )
        ON DUPLICATE KEY UPDATE
            kind = VALUES(kind),
            outside_u_mm = VALUES(outside_u_mm),
            inside_u_mm = VALUES(inside_u_mm),
            scatter_mm = VALUES(scatter_mm),
            calibrated_on = VALUES(calibrated_on),
            months_valid = VALUES(months_valid),
            version = version + 1
        """,
        values,
    )
