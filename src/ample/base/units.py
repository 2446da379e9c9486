"""Units: the machines whose jobs, parts and logs belong together over the years."""

from __future__ import annotations

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
