"""Jobs and parts by name: found, opened, put in the tray."""

from __future__ import annotations

from ample.base import job_queries as queries
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.records import JobHead, NewJob, NewPart, PartHead
from ample.core.errors import NotKnown
from ample.store import Transaction


def known_job(t: Transaction, number: str, lock: bool = False) -> JobHead:
    """The job, locked when it is to be changed, or a clear word that there is none."""
    job = queries.job_by_number(t, number, lock)
    if job is None:
        raise NotKnown("no_such_job", f"There is no job {number[:12]}.", "number")
    return job


def job_of_part(t: Transaction, part: PartHead) -> JobHead:
    """The job whose tray a part lies in."""
    job = queries.job_by_id(t, part.job_id)
    assert job is not None, "a part is always of a job"
    return job


def open_job(t: Transaction, doer: Doer, new: NewJob) -> JobHead:
    """A new job under the next number."""
    job = queries.add_job(t, new, doer.now)
    record(t, doer, "job", job.job_id, "opened", None, new)
    return job


def add_part(t: Transaction, doer: Doer, number: str, new: NewPart) -> PartHead:
    """Put a part in the tray of a job."""
    job = known_job(t, number)
    part_id = queries.add_part(t, job.job_id, new)
    record(t, doer, "part", part_id, "added", None, new)
    part = queries.part(t, part_id)
    assert part is not None
    return part


def known_part(t: Transaction, part_id: int, lock: bool = False) -> PartHead:
    """The part, or a clear word that there is none."""
    part = queries.part(t, part_id, lock)
    if part is None:
        raise NotKnown("no_such_part", f"There is no part {part_id}.", "part_id")
    return part
