"""Units: the machines whose jobs, parts and logs belong together over the years."""

from __future__ import annotations

from datetime import date
from typing import Any

from pydantic import BaseModel, Field

from ample.core.errors import NotKnown
from ample.store import Transaction


class UnitHead(BaseModel):
    """A unit by name, model, serial number and place."""

    unit_id: int
    title: str
    model: str
    serial: str
    place: str
    version: int


class UnitJob(BaseModel):
    """A job of a unit: when it was opened, why, what was fitted on it, what was set, and what it left to say."""

    number: str
    title: str
    symptom: str
    opened_on: date
    fitted: list[str]
    reached: list[str] = []
    note: str = ""
    closed: bool = False


class UnitPath(BaseModel):
    """A unit in an address."""

    unit_id: int = Field(ge=1, le=2**31)


_UNIT = "SELECT unit_id, title, model, serial, place, version FROM units"


def known_unit(t: Transaction, unit_id: int, lock: bool = False) -> UnitHead:
    """The unit, locked when it is to be changed, or a clear word that there is none."""
    row = t.first(
        _UNIT + " WHERE unit_id = %(unit_id)s" + (" FOR UPDATE" if lock else ""), {"unit_id": unit_id}
    )
    if row is None:
        raise NotKnown("no_such_unit", f"There is no unit {unit_id}.", "unit_id")
    return UnitHead(**row)


def unit_with(t: Transaction, serial: str) -> UnitHead | None:
    """The unit that has a serial number."""
    row = t.first(
        _UNIT + " WHERE serial = %(serial)s AND serial <> '' ORDER BY unit_id LIMIT 1", {"serial": serial}
    )
    return UnitHead(**row) if row else None


def add_unit(t: Transaction, values: dict[str, Any]) -> UnitHead:
    """A new unit."""
    unit_id = t.insert(
        """
        INSERT INTO units (title, model, serial, place)
        VALUES (%(title)s, %(model)s, %(serial)s, %(place)s)
        """,
        values,
    )
    return known_unit(t, unit_id)


def jobs_of_unit(t: Transaction, unit_id: int) -> tuple[UnitJob, ...]:
    """The jobs of a unit, oldest first, with what was ordered for its places."""
    rows = t.rows(
        """
        SELECT
            j.number, j.title, j.symptom, DATE(j.opened_at) AS opened_on,
            GROUP_CONCAT(DISTINCT CONCAT(p.name, ': ', i.marking) ORDER BY p.position SEPARATOR '\\n') AS fitted
        FROM jobs j
        LEFT JOIN parts p ON p.job_id = j.job_id
        LEFT JOIN matches m ON m.part_id = p.part_id
        LEFT JOIN catalogue_items i ON i.item_id = m.item_id
        WHERE j.unit_id = %(unit_id)s
        GROUP BY j.job_id, j.number, j.title, j.symptom, j.opened_at
        ORDER BY j.opened_at
        """,
        {"unit_id": unit_id},
    )
    return tuple(
        UnitJob(**row | {"fitted": (row["fitted"] or "").split("\n") if row["fitted"] else []})
        for row in rows
    )


def unit_of_job(t: Transaction, job_id: int) -> UnitHead | None:
    """The unit that a job is of, if that is known."""
    unit_id = t.single_value("SELECT unit_id FROM jobs WHERE job_id = %(job_id)s", {"job_id": job_id})
    return known_unit(t, unit_id) if unit_id else None


def tie_job(t: Transaction, job_id: int, unit_id: int) -> None:
    """Say of which unit a job is."""
    t.change(
        "UPDATE jobs SET unit_id = %(unit_id)s WHERE job_id = %(job_id)s",
        {"unit_id": unit_id, "job_id": job_id},
    )


def units_named(t: Transaction, text: str) -> list[UnitHead]:
    """Units whose serial number begins with, or whose name or place holds, a text."""
    escaped = text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_")
    rows = t.rows(
        _UNIT
        + """
        WHERE (serial <> '' AND serial LIKE CONCAT(%(text)s, '%%'))
            OR title LIKE CONCAT('%%', %(text)s, '%%') OR place LIKE CONCAT('%%', %(text)s, '%%')
        ORDER BY unit_id DESC
        LIMIT 2
        """,
        {"text": escaped},
    )
    return [UnitHead(**row) for row in rows]


def units_like(t: Transaction, title: str, model: str) -> list[UnitHead]:
    """Units of the same name or model, newest first."""
    rows = t.rows(
        _UNIT
        + " WHERE title = %(title)s OR (model <> '' AND model = %(model)s) ORDER BY unit_id DESC LIMIT 12",
        {"title": title, "model": model},
    )
    return [UnitHead(**row) for row in rows]
