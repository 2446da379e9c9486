"""What the board asks of sheets: open jobs, logs of units, tasks of proofs."""

from __future__ import annotations

from ample.base.job_queries import job_by_id, jobs_by_id
from ample.base.records import JobHead
from ample.base.units import UnitHead, known_unit
from ample.store import Transaction


def open_jobs(t: Transaction) -> list[JobHead]:
    """Jobs whose proof does not say that they are closed, newest first; closed ones take no place among them."""
    rows = t.rows(
        """
        SELECT j.job_id
        FROM jobs j
        WHERE NOT EXISTS (
            SELECT 1
            FROM sheets s
            JOIN sheet_values v ON v.sheet_id = s.sheet_id
            WHERE s.subject = 'job' AND s.kind = 'proof' AND s.subject_id = j.job_id
                AND v.name = 'closed' AND v.number = 1
        )
        ORDER BY j.job_id DESC
        LIMIT 200
        """
    )
    return jobs_by_id(t, [int(row["job_id"]) for row in rows])


def logged_units(t: Transaction) -> list[tuple[UnitHead, str]]:
    """Every unit with a log, and its log as it is kept."""
    rows = t.rows(
        "SELECT subject_id, body FROM sheets WHERE subject = 'unit' AND kind = 'leak_log' ORDER BY sheet_id"
    )
    return [(known_unit(t, int(row["subject_id"])), row["body"]) for row in rows]


def proofs_with_tasks(t: Transaction) -> list[tuple[JobHead, str]]:
    """Jobs with a task that has a day, and their proofs as they are kept."""
    rows = t.rows(
        """
        SELECT DISTINCT s.subject_id, s.body
        FROM sheets s
        JOIN sheet_values v ON v.sheet_id = s.sheet_id
        WHERE s.subject = 'job' AND s.kind = 'proof' AND v.name = 'due'
        """
    )
    found = [(job_by_id(t, int(row["subject_id"])), row["body"]) for row in rows]
    return [(job, body) for job, body in found if job is not None]
