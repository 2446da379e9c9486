"""SQL of jobs and parts."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.base.numbers import count_from, next_number
from ample.base.records import Acknowledged, JobHead, NewJob, NewPart, PartHead, UnitFacts
from ample.store import Transaction

_JOB = "SELECT job_id, number, title, owner, symptom, opened_at, version FROM jobs"
_PART = """
        SELECT
            part_id, job_id, position, name, surroundings, dirty, rpm, family,
            marking, condition_seen, bench_kind, bench_answers, said, medium, temperature_c, needed,
            rubber_seen, version
        FROM parts
"""


def jobs_by_id(t: Transaction, job_ids: list[int]) -> list[JobHead]:
    """Some jobs, newest first."""
    if not job_ids:
        return []
    rows = t.rows(_JOB + " WHERE job_id IN %(job_ids)s ORDER BY job_id DESC", {"job_ids": job_ids})
    return [JobHead(**row) for row in rows]


def job_by_number(t: Transaction, number: str, lock: bool = False) -> JobHead | None:
    """One job; locked until the transaction ends when it is to be changed."""
    row = t.first(_JOB + " WHERE number = %(number)s" + (" FOR UPDATE" if lock else ""), {"number": number})
    return JobHead(**row) if row else None


def job_by_id(t: Transaction, job_id: int) -> JobHead | None:
    """One job by its row."""
    row = t.first(_JOB + " WHERE job_id = %(job_id)s", {"job_id": job_id})
    return JobHead(**row) if row else None


def jobs_like(t: Transaction, text: str) -> list[JobHead]:
    """Jobs whose number starts with, or whose title holds, a text."""
    escaped = text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_")
    rows = t.rows(
        _JOB
        + """
        WHERE number LIKE CONCAT(%(text)s, '%%') OR title LIKE CONCAT('%%', %(text)s, '%%')
        ORDER BY job_id DESC
        LIMIT 3
        """,
        {"text": escaped},
    )
    return [JobHead(**row) for row in rows]


def add_job(t: Transaction, job: NewJob, opened_at: datetime) -> JobHead:
    """A new job under the next number."""
    number = f"{next_number(t, 'job'):04d}"
    while job_by_number(t, number) is not None:  # one that came with a job file
        number = f"{next_number(t, 'job'):04d}"
    job_id = t.insert(
        """
        INSERT INTO jobs (number, title, owner, symptom, opened_at)
        VALUES (%(number)s, %(title)s, %(owner)s, %(symptom)s, %(opened_at)s)
        """,
        {name: getattr(job, name) for name in ("title", "owner", "symptom")}
        | {"number": number, "opened_at": opened_at},
    )
    found = job_by_id(t, job_id)
    assert found is not None
    return found


def set_number(t: Transaction, job_id: int, number: str) -> None:
    """Give a job the number it had elsewhere."""
    count_from(t, "job", number)
    t.change(
        "UPDATE jobs SET number = %(number)s WHERE job_id = %(job_id)s",
        {"job_id": job_id, "number": number},
    )


def parts_of_jobs(t: Transaction, job_ids: list[int]) -> list[PartHead]:
    """Parts of jobs in the order of their trays."""
    if not job_ids:
        return []
    rows = t.rows(_PART + " WHERE job_id IN %(job_ids)s ORDER BY job_id, position", {"job_ids": job_ids})
    return [PartHead(**row) for row in rows]


def parts_by_id(t: Transaction, part_ids: list[int]) -> list[PartHead]:
    """Several parts by their rows."""
    if not part_ids:
        return []
    return [PartHead(**row) for row in t.rows(_PART + " WHERE part_id IN %(ids)s", {"ids": part_ids})]


def part(t: Transaction, part_id: int, lock: bool = False) -> PartHead | None:
    """One part; locked until the transaction ends when it is to be changed."""
    row = t.first(
        _PART + " WHERE part_id = %(part_id)s" + (" FOR UPDATE" if lock else ""), {"part_id": part_id}
    )
    return PartHead(**row) if row else None


def add_part(t: Transaction, job_id: int, new: NewPart) -> int:
    """A part at the end of the tray."""
    t.first("SELECT job_id FROM jobs WHERE job_id = %(job_id)s FOR UPDATE", {"job_id": job_id})
    position = t.single_value(
        "SELECT COALESCE(MAX(position), 0) + 1 FROM parts WHERE job_id = %(job_id)s", {"job_id": job_id}
    )
    return t.insert(
        """
        INSERT INTO parts (job_id, position, name, surroundings, marking, dirty, rpm, family)
        VALUES (
            %(job_id)s, %(position)s, %(name)s, %(surroundings)s, %(marking)s, %(dirty)s, %(rpm)s, %(family)s
        )
        """,
        new.model_dump() | {"job_id": job_id, "position": position},
    )


def unit_facts(t: Transaction, job_id: int) -> UnitFacts:
    """What the work on a job's parts depends on of its unit."""
    row = t.first("SELECT model, build, access FROM take_ins WHERE job_id = %(job_id)s", {"job_id": job_id})
    return UnitFacts(**row) if row else UnitFacts()


def acknowledged(t: Transaction, job_id: int) -> list[Acknowledged]:
    """The cautions that people have acknowledged."""
    rows = t.rows(
        """
        SELECT caution, person, acknowledged_at, from_file
        FROM caution_acknowledgements
        WHERE job_id = %(job_id)s
        ORDER BY acknowledged_at
        """,
        {"job_id": job_id},
    )
    return [Acknowledged(**row) for row in rows]


def places(t: Transaction, part_ids: list[int]) -> list[dict[str, Any]]:
    """Of parts of the tray: their job, the part of the line that they are, and how many units are alike."""
    if not part_ids:
        return []
    return t.rows(
        """
        SELECT
            p.part_id, p.job_id, j.number AS job_number, j.title AS job_title, p.name AS part_name,
            p.needed, p.line_key AS part_key, lp.line_key, lp.quantity, ls.lines_json,
            COALESCE(k.units_alike, 1) AS units_alike
        FROM parts p
        JOIN jobs j ON j.job_id = p.job_id
        LEFT JOIN line_parts lp ON lp.job_id = p.job_id AND lp.part_key = p.line_key
        LEFT JOIN line_sheets ls ON ls.job_id = p.job_id
        LEFT JOIN take_ins k ON k.job_id = p.job_id
        WHERE p.part_id IN %(part_ids)s
        """,
        {"part_ids": part_ids},
    )


def on_lines(t: Transaction, job_ids: list[int]) -> list[dict[str, Any]]:
    """What lies on the lines of jobs, in order."""
    if not job_ids:
        return []
    return t.rows(
        """
        SELECT job_id, part_key, line_key, name, kind
        FROM line_parts
        WHERE job_id IN %(job_ids)s AND NOT beside
        ORDER BY job_id, position
        """,
        {"job_ids": job_ids},
    )
