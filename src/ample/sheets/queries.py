"""SQL of sheets, their versions, values and signatures."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.store import Transaction


def sheet(
    t: Transaction, subject: str, subject_id: int, kind: str, lock: bool = False
) -> dict[str, Any] | None:
    """A sheet of a subject."""
    return t.first(
        """
        SELECT s.sheet_id, s.version, s.body, s.changed_at, p.name AS person
        FROM sheets s
        LEFT JOIN people p ON p.person_id = s.person_id
        WHERE s.subject = %(subject)s AND s.subject_id = %(subject_id)s AND s.kind = %(kind)s
        """
        + (" FOR UPDATE" if lock else ""),
        {"subject": subject, "subject_id": subject_id, "kind": kind},
    )


def set_sheet(t: Transaction, values: dict[str, Any]) -> int:
    """Keep a sheet under its next version; its row."""
    t.change(
        """
        INSERT INTO sheets (subject, subject_id, kind, version, body, changed_at, person_id)
        VALUES (%(subject)s, %(subject_id)s, %(kind)s, %(version)s, %(body)s, %(now)s, %(person_id)s)
        ON DUPLICATE KEY UPDATE
            version = VALUES(version), body = VALUES(body), changed_at = VALUES(changed_at), person_id = VALUES(person_id)
        """,
        values,
    )
    return int(
        t.single_value(
            """
            SELECT sheet_id FROM sheets
            WHERE subject = %(subject)s AND subject_id = %(subject_id)s AND kind = %(kind)s
            """,
            values,
        )
    )


def last_version(t: Transaction, sheet_id: int) -> dict[str, Any] | None:
    """The newest version that is kept of a sheet, and whether somebody has signed it."""
    return t.first(
        """
        SELECT v.version, v.person_id, v.began_at, v.ended_at,
            EXISTS (SELECT 1 FROM sheet_signatures g WHERE g.sheet_id = v.sheet_id AND g.version = v.version) AS signed
        FROM sheet_versions v
        WHERE v.sheet_id = %(sheet_id)s
        ORDER BY v.version DESC
        LIMIT 1
        """,
        {"sheet_id": sheet_id},
    )


def add_version(t: Transaction, values: dict[str, Any]) -> None:
    """Keep a version of a sheet by itself."""
    t.insert(
        """
        INSERT INTO sheet_versions (sheet_id, version, person_id, began_at, ended_at, body)
        VALUES (%(sheet_id)s, %(version)s, %(person_id)s, %(now)s, %(now)s, %(body)s)
        """,
        values,
    )


def grow_version(t: Transaction, values: dict[str, Any]) -> None:
    """Let the newest version of a sheet be this one: the same person is still at it."""
    t.change(
        """
        UPDATE sheet_versions
        SET version = %(version)s, ended_at = %(now)s, body = %(body)s
        WHERE sheet_id = %(sheet_id)s AND version = %(before)s
        """,
        values,
    )


def versions(t: Transaction, sheet_id: int) -> list[dict[str, Any]]:
    """The versions of a sheet, newest first, without their contents."""
    return t.rows(
        """
        SELECT v.version, p.name AS person, v.began_at, v.ended_at
        FROM sheet_versions v
        LEFT JOIN people p ON p.person_id = v.person_id
        WHERE v.sheet_id = %(sheet_id)s
        ORDER BY v.version DESC
        """,
        {"sheet_id": sheet_id},
    )


def version(t: Transaction, sheet_id: int, number: int) -> dict[str, Any] | None:
    """What was on a sheet at one of its versions: the one that holds it."""
    return t.first(
        """
        SELECT v.version, v.body, p.name AS person, v.began_at, v.ended_at
        FROM sheet_versions v
        LEFT JOIN people p ON p.person_id = v.person_id
        WHERE v.sheet_id = %(sheet_id)s AND v.version >= %(number)s
        ORDER BY v.version
        LIMIT 1
        """,
        {"sheet_id": sheet_id, "number": number},
    )


def replace_values(t: Transaction, sheet_id: int, rows: list[dict[str, Any]]) -> None:
    """Put these values in the place of all earlier ones of a sheet."""
    t.change("DELETE FROM sheet_values WHERE sheet_id = %(sheet_id)s", {"sheet_id": sheet_id})
    if rows:
        t.change_many(
            """
            INSERT INTO sheet_values (sheet_id, name, position, text, number)
            VALUES (%(sheet_id)s, %(name)s, %(position)s, %(text)s, %(number)s)
            """,
            [row | {"sheet_id": sheet_id} for row in rows],
        )


def values_of(t: Transaction, subject: str, ids: list[int], kind: str) -> list[dict[str, Any]]:
    """The values that sheets of one kind give out, of some subjects."""
    if not ids:
        return []
    return t.rows(
        """
        SELECT s.subject_id, v.name, v.text, v.number
        FROM sheets s
        JOIN sheet_values v ON v.sheet_id = s.sheet_id
        WHERE s.subject = %(subject)s AND s.kind = %(kind)s AND s.subject_id IN %(ids)s
        ORDER BY s.subject_id, v.name, v.position
        """,
        {"subject": subject, "kind": kind, "ids": ids},
    )


def subjects_with(t: Transaction, subject: str, ids: list[int], kind: str) -> set[int]:
    """Which of some subjects have a sheet of a kind."""
    if not ids:
        return set()
    rows = t.rows(
        "SELECT subject_id FROM sheets WHERE subject = %(subject)s AND kind = %(kind)s AND subject_id IN %(ids)s",
        {"subject": subject, "kind": kind, "ids": ids},
    )
    return {int(row["subject_id"]) for row in rows}


def signatures(t: Transaction, sheet_id: int) -> list[dict[str, Any]]:
    """Who has signed which version of a sheet, newest first."""
    return t.rows(
        """
        SELECT g.version, COALESCE(p.name, g.from_file) AS person, g.signed_at, g.from_file <> '' AS from_file
        FROM sheet_signatures g
        LEFT JOIN people p ON p.person_id = g.person_id
        WHERE g.sheet_id = %(sheet_id)s
        ORDER BY g.signed_at DESC
        """,
        {"sheet_id": sheet_id},
    )


def add_signature(
    t: Transaction, sheet_id: int, version: int, person_id: int | None, now: datetime, from_file: str
) -> None:
    """Note that somebody has signed a version."""
    t.change(
        """
        INSERT IGNORE INTO sheet_signatures (sheet_id, version, person_id, signed_at, from_file)
        VALUES (%(sheet_id)s, %(version)s, %(person_id)s, %(now)s, %(from_file)s)
        """,
        {
            "sheet_id": sheet_id,
            "version": version,
            "person_id": person_id,
            "now": now,
            "from_file": from_file,
        },
    )


def earlier_seats(t: Transaction) -> list[dict[str, Any]]:
    """Seat sheets as the version before kept them, with who last changed them and when."""
    return t.rows(
        """
        SELECT
            s.part_id, s.turning, s.load_level, s.slides, s.split, s.warmer_inner_k, s.temperature_c, s.shaft_zone,
            s.housing_zone, s.shaft_instrument, s.housing_instrument, s.version,
            (SELECT MAX(a.happened_at) FROM audit a
             WHERE a.subject = 'part' AND a.subject_id = s.part_id AND a.action = 'seats') AS changed_at,
            (SELECT a.person_id FROM audit a
             WHERE a.subject = 'part' AND a.subject_id = s.part_id AND a.action = 'seats'
             ORDER BY a.audit_id DESC LIMIT 1) AS person_id
        FROM seat_sheets s
        """
    )


def earlier_seat_readings(t: Transaction, part_id: int) -> list[dict[str, Any]]:
    """Their readings, in order."""
    return t.rows(
        """
        SELECT side, plane, direction, typed
        FROM seat_readings
        WHERE part_id = %(part_id)s
        ORDER BY side, plane, direction
        """,
        {"part_id": part_id},
    )


def empty_earlier_seats(t: Transaction) -> None:
    """What has gone over is not kept twice."""
    t.change("DELETE FROM seat_readings")
    t.change("DELETE FROM seat_sheets")
