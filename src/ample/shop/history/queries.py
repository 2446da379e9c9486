"""SQL of reading the record of changes."""

from __future__ import annotations

from typing import Any

from ample.store import Transaction


def job_numbered(t: Transaction, number: str) -> int | None:
    """The row of a job."""
    row = t.first("SELECT job_id FROM jobs WHERE number = %(number)s", {"number": number})
    return int(row["job_id"]) if row else None


def people_with_changes(t: Transaction) -> list[str]:
    """Who has changed something."""
    rows = t.rows(
        """
        SELECT p.name
        FROM people p
        WHERE EXISTS (SELECT 1 FROM audit a WHERE a.person_id = p.person_id)
        ORDER BY p.name
        """
    )
    return [str(row["name"]) for row in rows]


def changes(t: Transaction, values: dict[str, Any]) -> list[dict[str, Any]]:
    """Changes, newest first."""
    return t.rows(
        """
        SELECT
            a.audit_id, a.happened_at, p.name AS person, j.number AS job_number, j.title AS job_title,
            a.subject, a.subject_id, a.action, a.before_json, a.after_json,
            COALESCE(
                (SELECT q.name FROM parts q WHERE a.subject = 'part' AND q.part_id = a.subject_id),
                (
                    SELECT q.name
                    FROM order_lines o
                    JOIN parts q ON q.part_id = o.part_id
                    WHERE a.subject = 'order_line' AND o.line_id = a.subject_id
                ),
                (SELECT w.name FROM people w WHERE a.subject = 'person' AND w.person_id = a.subject_id)
            ) AS of_name
        FROM audit a
        LEFT JOIN people p ON p.person_id = a.person_id
        LEFT JOIN jobs j ON j.job_id = a.job_id
        WHERE (%(before)s IS NULL OR a.audit_id < %(before)s)
            AND (%(person)s = '' OR p.name = %(person)s)
            AND (NOT %(terminal)s OR a.person_id IS NULL)
            AND (%(begin)s IS NULL OR (a.happened_at >= %(begin)s AND a.happened_at < %(end)s))
            AND (
                %(job_id)s IS NULL
                OR a.job_id = %(job_id)s
                OR (
                    a.subject = 'order' AND a.subject_id IN (
                        SELECT l.order_id
                        FROM order_lines l
                        JOIN parts b ON b.part_id = l.part_id
                        WHERE b.job_id = %(job_id)s
                    )
                )
            )
        ORDER BY a.audit_id DESC
        LIMIT %(most)s
        """,
        values,
    )
