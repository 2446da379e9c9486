"""SQL that only the job file needs."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.store import Transaction


def item_by_marking(t: Transaction, maker: str, marking: str) -> int | None:
    """The row of a listed item."""
    row = t.first(
        """
        SELECT i.item_id
        FROM catalogue_items i
        JOIN makers m ON m.maker_id = i.maker_id
        WHERE m.name = %(maker)s AND i.marking = %(marking)s
        """,
        {"maker": maker, "marking": marking},
    )
    return int(row["item_id"]) if row else None


def identification(t: Transaction, part_id: int) -> dict[str, Any] | None:
    """What a part is identified as, with maker, marking, person and time."""
    return t.first(
        """
        SELECT
            k.name AS maker, c.marking, i.probability, i.worst_sigmas, i.clash, i.features_read,
            i.marking_read, COALESCE(i.from_file, p.name) AS person, i.decided_at, i.requirement
        FROM identifications i
        JOIN catalogue_items c ON c.item_id = i.item_id
        JOIN makers k ON k.maker_id = c.maker_id
        JOIN people p ON p.person_id = i.person_id
        WHERE i.part_id = %(part_id)s
        """,
        {"part_id": part_id},
    )


def match(t: Transaction, part_id: int) -> dict[str, Any] | None:
    """What replaces a part, with maker, marking, person and time."""
    return t.first(
        """
        SELECT k.name AS maker, c.marking, m.verdict, m.words, COALESCE(m.from_file, p.name) AS person, m.decided_at
        FROM matches m
        JOIN catalogue_items c ON c.item_id = m.item_id
        JOIN makers k ON k.maker_id = c.maker_id
        JOIN people p ON p.person_id = m.person_id
        WHERE m.part_id = %(part_id)s
        """,
        {"part_id": part_id},
    )


def pictures(t: Transaction, job_id: int) -> list[dict[str, Any]]:
    """The photos of a job with their pictures."""
    return t.rows(
        """
        SELECT part_key AS part, place_x, place_y, caption, person, taken_at, image AS picture
        FROM photos
        WHERE job_id = %(job_id)s
        ORDER BY photo_id
        """,
        {"job_id": job_id},
    )


def set_opened(t: Transaction, job_id: int, opened_at: datetime) -> None:
    """Keep when a job was opened elsewhere."""
    t.change(
        "UPDATE jobs SET opened_at = %(at)s WHERE job_id = %(job_id)s", {"job_id": job_id, "at": opened_at}
    )


def set_place(t: Transaction, part_id: int, values: dict[str, Any]) -> None:
    """Keep family and place of a tray part."""
    t.change(
        "UPDATE parts SET family = %(family)s, line_key = %(line_key)s WHERE part_id = %(part_id)s",
        values | {"part_id": part_id},
    )


def set_judged_in_file(t: Transaction, job_id: int, part_key: str, person_id: int, name: str) -> None:
    """Keep who judged a part elsewhere; whoever read the file in counts as the first person here."""
    t.change(
        """
        UPDATE line_parts
        SET judged_by = %(person_id)s, judged_in_file = %(name)s
        WHERE job_id = %(job_id)s AND part_key = %(part_key)s
        """,
        {"job_id": job_id, "part_key": part_key, "person_id": person_id, "name": name},
    )


def acknowledged_in_file(t: Transaction, job_id: int, caution: str, person: str, at: datetime) -> None:
    """Keep who acknowledged a caution elsewhere; here nobody has."""
    t.change(
        """
        INSERT IGNORE INTO caution_acknowledgements (job_id, caution, person, acknowledged_at, from_file)
        VALUES (%(job_id)s, %(caution)s, %(person)s, %(at)s, TRUE)
        """,
        {"job_id": job_id, "caution": caution, "person": person, "at": at},
    )
