"""SQL of the audit and of idempotent requests."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.store import Transaction


def add_audit(t: Transaction, values: dict[str, Any]) -> None:
    """Write one audit row."""
    t.insert(
        """
        INSERT INTO audit (happened_at, person_id, subject, subject_id, action, job_id, before_json, after_json)
        VALUES (
            %(now)s, %(person_id)s, %(subject)s, %(subject_id)s, %(action)s, %(job_id)s, %(before)s, %(after)s
        )
        """,
        values,
    )


_JOB_OF = {
    "part": "SELECT job_id FROM parts WHERE part_id = %(subject_id)s",
    "photo": "SELECT job_id FROM photos WHERE photo_id = %(subject_id)s",
    "order_line": """
        SELECT p.job_id
        FROM order_lines l
        JOIN parts p ON p.part_id = l.part_id
        WHERE l.line_id = %(subject_id)s
        """,
}


def job_of(t: Transaction, subject: str, subject_id: int) -> int | None:
    """The job that a subject belongs to; None of one that belongs to the shop."""
    if subject == "job":
        return subject_id
    row = t.first(_JOB_OF[subject], {"subject_id": subject_id}) if subject in _JOB_OF else None
    return int(row["job_id"]) if row else None


def claim_key(t: Transaction, person_id: int, key: str, fingerprint: str, now: datetime) -> bool:
    """Take an idempotency key; False when it was taken before (waits for whoever holds it)."""
    return (
        t.change(
            """
            INSERT IGNORE INTO idempotency (person_id, request_key, fingerprint, created_at)
            VALUES (%(person_id)s, %(key)s, %(fingerprint)s, %(now)s)
            """,
            {"person_id": person_id, "key": key, "fingerprint": fingerprint, "now": now},
        )
        == 1
    )


def first_answer(t: Transaction, person_id: int, key: str) -> dict[str, Any] | None:
    """The answer that a key was given first."""
    return t.first(
        """
        SELECT fingerprint, status, answer
        FROM idempotency
        WHERE person_id = %(person_id)s AND request_key = %(key)s
        FOR UPDATE
        """,
        {"person_id": person_id, "key": key},
    )


def keep_answer(t: Transaction, person_id: int, key: str, status: int, answer: str) -> None:
    """Keep the answer for a repeat of the request."""
    t.change(
        """
        UPDATE idempotency
        SET status = %(status)s, answer = %(answer)s
        WHERE person_id = %(person_id)s AND request_key = %(key)s
        """,
        {"person_id": person_id, "key": key, "status": status, "answer": answer},
    )


def forget_keys(t: Transaction, before: datetime) -> int:
    """Drop keys older than any repeat."""
    return t.change("DELETE FROM idempotency WHERE created_at < %(before)s", {"before": before})


def changed_after(
    t: Transaction, subject: str, subject_id: int, actions: tuple[str, ...], moment: datetime
) -> bool:
    """Whether any of these was done to a subject after a moment."""
    return bool(
        t.single_value(
            """
            SELECT EXISTS (
                SELECT 1
                FROM audit
                WHERE subject = %(subject)s AND subject_id = %(subject_id)s AND action IN %(actions)s
                    AND happened_at > %(moment)s
            )
            """,
            {"subject": subject, "subject_id": subject_id, "actions": actions, "moment": moment},
        )
    )


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
