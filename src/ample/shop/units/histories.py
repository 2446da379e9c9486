"""Which unit a job is of."""

from __future__ import annotations

from datetime import date

from pydantic import BaseModel, Field

from ample.base import job_queries
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_job
from ample.base.records import JobHead
from ample.base.strict import Strict
from ample.base.units import UnitHead, add_unit, known_unit, tie_job, unit_of_job, unit_with, units_like
from ample.shop.units import queries
from ample.store import Transaction


class EarlierNote(BaseModel):
    """What an earlier job of the unit left for the next person."""

    job: str
    opened_on: date
    note: str


class UnitOfJob(BaseModel):
    """The unit of a job with what its earlier jobs left for the next person; else those that it may be."""

    job: JobHead
    unit: UnitHead | None
    may_be: list[UnitHead]
    notes: list[EarlierNote]


class TieRequest(Strict):
    """The unit that a job is of; a new one when none is named."""

    unit_id: int | None = Field(default=None, ge=1, le=2**31)


def unit_of(t: Transaction, number: str) -> UnitOfJob:
    """The unit of a job."""
    job = known_job(t, number)
    unit = unit_of_job(t, job.job_id)
    facts = job_queries.unit_facts(t, job.job_id)
    notes = [EarlierNote(**row) for row in queries.notes_of_unit(t, unit.unit_id, job.job_id)] if unit else []
    may_be = [] if unit else units_like(t, job.title, facts.model)
    return UnitOfJob(job=job, unit=unit, may_be=may_be, notes=notes)


def tie(t: Transaction, doer: Doer, number: str, asked: TieRequest) -> UnitOfJob:
    """Say which unit a job is of; a new one takes its name, model and serial number from the job."""
    job = known_job(t, number, lock=True)
    plate = queries.plate_of(t, job.job_id)
    if asked.unit_id is not None:
        unit = known_unit(t, asked.unit_id)
    else:
        same = unit_with(t, plate["serial"])
        unit = same or add_unit(t, {"title": job.title, "place": job.owner, **plate})
    tie_job(t, job.job_id, unit.unit_id)
    record(t, doer, "job", job.job_id, "unit", None, {"unit_id": unit.unit_id, "title": unit.title})
    return unit_of(t, number)


def tie_by_serial(t: Transaction, doer: Doer, job: JobHead, serial: str) -> None:
    """A serial number that a known unit has: the job is of that unit."""
    unit = unit_with(t, serial.strip())
    if unit is not None and unit_of_job(t, job.job_id) is None:
        tie_job(t, job.job_id, unit.unit_id)
        record(t, doer, "job", job.job_id, "unit", None, {"unit_id": unit.unit_id, "title": unit.title})
