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
