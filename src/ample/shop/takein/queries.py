"""SQL of taking units in."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.store import Transaction


def take_in(t: Transaction, job_id: int) -> dict[str, Any] | None:
    """What was kept of a unit."""
    return t.first(
        """
        SELECT
            unit, plate, model, build, serial, built_in, since, lie_open_days, access, units_alike, spares,
            planned, note_next, version
        FROM take_ins
        WHERE job_id = %(job_id)s
        """,
        {"job_id": job_id},
    )


def words(t: Transaction, job_id: int) -> list[dict[str, Any]]:
    """Signs, energies, fluids, works and results of checks."""
    return t.rows(
        """
        SELECT kind, name, result
        FROM take_in_words
        WHERE job_id = %(job_id)s
        ORDER BY kind, position
        """,
        {"job_id": job_id},
    )


def set_take_in(t: Transaction, values: dict[str, Any]) -> None:
    """Keep what is known of a unit."""
    t.change(
        """
        INSERT INTO take_ins (
            job_id, unit, plate, model, build, serial, built_in, since, lie_open_days, access, units_alike,
            spares, planned, note_next
        )
        VALUES (
            %(job_id)s, %(unit)s, %(plate)s, %(model)s, %(build)s, %(serial)s, %(built_in)s, %(since)s,
            %(lie_open_days)s, %(access)s, %(units_alike)s, %(spares)s, %(planned)s, %(note_next)s
        )
        ON DUPLICATE KEY UPDATE
            unit = VALUES(unit),
            plate = VALUES(plate),
            model = VALUES(model),
            build = VALUES(build),
            serial = VALUES(serial),
            built_in = VALUES(built_in),
            since = VALUES(since),
            lie_open_days = VALUES(lie_open_days),
            access = VALUES(access),
            units_alike = VALUES(units_alike),
            spares = VALUES(spares),
            planned = VALUES(planned),
            note_next = VALUES(note_next),
            version = version + 1
        """,
        values,
    )
    t.change(
        """
        UPDATE jobs
        SET title = %(title)s, owner = %(owner)s, symptom = %(symptom)s, version = version + 1
        WHERE job_id = %(job_id)s
        """,
        values,
    )


def replace_words(t: Transaction, job_id: int, found: list[dict[str, Any]]) -> None:
    """Put these words in the place of all earlier ones."""
    t.change("DELETE FROM take_in_words WHERE job_id = %(job_id)s", {"job_id": job_id})
    t.change_many(
        """
        INSERT INTO take_in_words (job_id, kind, name, position, result)
        VALUES (%(job_id)s, %(kind)s, %(name)s, %(position)s, %(result)s)
        """,
        [each | {"job_id": job_id} for each in found],
    )


def acknowledge(
    t: Transaction, job_id: int, caution: str, person_id: int | None, person: str, at: datetime
) -> None:
    """Keep that a person has acknowledged a caution; the first stands."""
    t.change(
        """
        INSERT INTO caution_acknowledgements (job_id, caution, person_id, person, acknowledged_at)
        VALUES (%(job_id)s, %(caution)s, %(person_id)s, %(person)s, %(at)s)
        ON DUPLICATE KEY UPDATE
            person_id = IF(from_file, VALUES(person_id), person_id),
            person = IF(from_file, VALUES(person), person),
            acknowledged_at = IF(from_file, VALUES(acknowledged_at), acknowledged_at),
            from_file = FALSE
        """,
        {"job_id": job_id, "caution": caution, "person_id": person_id, "person": person, "at": at},
    )


def situations(t: Transaction, job_ids: list[int]) -> list[dict[str, Any]]:
    """Unit, words and acknowledgements of several jobs, one row a word, for the board."""
    if not job_ids:
        return []
    return t.rows(
        """
        SELECT k.job_id, 'unit' AS kind, k.unit AS name FROM take_ins k WHERE k.job_id IN %(job_ids)s
        UNION ALL
        SELECT w.job_id, w.kind, w.name FROM take_in_words w WHERE w.job_id IN %(job_ids)s
        UNION ALL
        SELECT a.job_id, 'acknowledged', a.caution
        FROM caution_acknowledgements a
        WHERE a.job_id IN %(job_ids)s AND NOT a.from_file
        """,
        {"job_ids": job_ids},
    )


def unit_kinds(t: Transaction, job_ids: list[int]) -> dict[int, str]:
    """The kind of unit of several jobs."""
    if not job_ids:
        return {}
    rows = t.rows("SELECT job_id, unit FROM take_ins WHERE job_id IN %(job_ids)s", {"job_ids": job_ids})
    return {row["job_id"]: row["unit"] for row in rows}
