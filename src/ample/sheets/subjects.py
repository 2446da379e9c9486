"""What a sheet lies on: a job, a part of its tray, or a unit over all its jobs."""

from __future__ import annotations

from dataclasses import dataclass

from ample.base.jobs import job_of_part, known_job, known_part
from ample.base.records import JobHead, PartHead
from ample.base.units import UnitHead, known_unit
from ample.sheets.kind import SubjectName
from ample.store import Transaction


@dataclass(frozen=True)
class Subject:
    """One of them, with what is shown of it beside a sheet."""

    name: SubjectName
    id: int
    job: JobHead | None = None
    part: PartHead | None = None
    unit: UnitHead | None = None

    @property
    def title(self) -> str:
        """Its name as a person knows it."""
        if self.unit:
            return self.unit.title
        job = f"{self.job.number} {self.job.title}" if self.job else ""
        return f"{self.part.name} of {job}" if self.part else job


def job_subject(t: Transaction, number: str, lock: bool = False) -> Subject:
    """A job by its number."""
    job = known_job(t, number, lock)
    return Subject("job", job.job_id, job=job)


def part_subject(t: Transaction, part_id: int, lock: bool = False) -> Subject:
    """A part of a tray."""
    part = known_part(t, part_id, lock)
    return Subject("part", part_id, job=job_of_part(t, part), part=part)


def unit_subject(t: Transaction, unit_id: int, lock: bool = False) -> Subject:
    """A unit."""
    return Subject("unit", unit_id, unit=known_unit(t, unit_id, lock))
