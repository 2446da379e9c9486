"""SQL of seats."""

from __future__ import annotations

from typing import Any

from ample.store import Transaction


def sheet(t: Transaction, part_id: int, lock: bool = False) -> dict[str, Any] | None:
    """The seat sheet of a part."""
    return t.first(
        """
        SELECT
            turning, load_level, slides, split, warmer_inner_k, temperature_c,
            shaft_zone, housing_zone, shaft_instrument, housing_instrument, version
        FROM seat_sheets
        WHERE part_id = %(part_id)s
        """
        + (" FOR UPDATE" if lock else ""),
        {"part_id": part_id},
    )


def readings(t: Transaction, part_id: int) -> list[dict[str, Any]]:
    """Seat readings of a part in order."""
    return t.rows(
        """
        SELECT side, plane, direction, typed, value_mm
        FROM seat_readings
        WHERE part_id = %(part_id)s
        ORDER BY side, plane, direction
        """,
        {"part_id": part_id},
    )


def set_sheet(t: Transaction, values: dict[str, Any]) -> None:
    """Keep a seat sheet."""
    t.change(
        """
        INSERT INTO seat_sheets (
            part_id, turning, load_level, slides, split, warmer_inner_k, temperature_c,
            shaft_zone, housing_zone, shaft_instrument, housing_instrument
        )
        VALUES (
            %(part_id)s, %(turning)s, %(load)s, %(slides)s, %(split)s, %(warmer_inner_k)s,
            %(temperature_c)s, %(shaft_zone)s, %(housing_zone)s, %(shaft_instrument)s,
            %(housing_instrument)s
        )
        ON DUPLICATE KEY UPDATE
            turning = VALUES(turning),
            load_level = VALUES(load_level),
            slides = VALUES(slides),
            split = VALUES(split),
            warmer_inner_k = VALUES(warmer_inner_k),
            temperature_c = VALUES(temperature_c),
            shaft_zone = VALUES(shaft_zone),
            housing_zone = VALUES(housing_zone),
            shaft_instrument = VALUES(shaft_instrument),
            housing_instrument = VALUES(housing_instrument),
            version = version + 1
        """,
        values,
    )


def replace_readings(t: Transaction, part_id: int, rows: list[dict[str, Any]]) -> None:
    """Put these readings in the place of all earlier ones."""
    t.change("DELETE FROM seat_readings WHERE part_id = %(part_id)s", {"part_id": part_id})
    t.change_many(
        """
        INSERT INTO seat_readings (part_id, side, plane, direction, typed, value_mm)
        VALUES (%(part_id)s, %(side)s, %(plane)s, %(direction)s, %(typed)s, %(value_mm)s)
        """,
        [row | {"part_id": part_id} for row in rows],
    )


def parts_with_sheets(t: Transaction, part_ids: list[int]) -> set[int]:
    """Which of the parts have a seat sheet."""
    if not part_ids:
        return set()
    rows = t.rows("SELECT part_id FROM seat_sheets WHERE part_id IN %(ids)s", {"ids": part_ids})
    return {row["part_id"] for row in rows}
