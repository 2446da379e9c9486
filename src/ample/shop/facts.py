"""The facts that sheets ask for, from the subjects of the shop."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

from ample.base import job_queries as jobs
from ample.base.units import UnitJob, jobs_of_unit
from ample.core.assembly.fit_up.steps import label
from ample.core.assembly.proof import OpenTorque
from ample.core.assembly.proof.judge import set_values
from ample.sheets import store as sheets
from ample.sheets.host import Host
from ample.sheets.kinds.fit_up import FIT_UP
from ample.sheets.kinds.proof import PROOF
from ample.sheets.subjects import Subject, job_subject
from ample.shop.bench import actions as bench
from ample.shop.bench.fitted import fitted_bearing, going_in
from ample.shop.bench.to_fit import to_fit
from ample.shop.instruments.today import todays_instruments
from ample.shop.line import actions as lines
from ample.shop.line import queries as line_queries
from ample.shop.takein import actions as take_in
from ample.store import Transaction


def _fitted(t: Transaction, subject: Subject) -> Any:
    assert subject.part is not None, "only a part is fitted"
    return fitted_bearing(t, subject.part)


def _going_in(t: Transaction, subject: Subject) -> Any:
    assert subject.part is not None, "only a part goes in"
    return going_in(t, subject.part)


def _instrument_of(t: Transaction, subject: Subject) -> Any:
    return todays_instruments(t)


def _today(t: Transaction, subject: Subject) -> Any:
    return datetime.now(UTC).date()


def _unit_jobs(t: Transaction, subject: Subject) -> Any:
    return tuple(_with_proof(t, each) for each in jobs_of_unit(t, subject.id))


def _with_proof(t: Transaction, job: UnitJob) -> UnitJob:
    """A job of a unit with what its fit-up and proof reached, and the note that they left."""
    subject = job_subject(t, job.number)
    reached = []
    fit = sheets.held(t, FIT_UP, subject.id)
    ticked = [each for each in fit.sheet.ticks if each.reached]
    if ticked:
        names = {each.key: label(each) for each in lines.sheet_of(t, subject.id)[0].parts}
        of = [(names.get(each.key.partition(".")[2]), each.reached) for each in ticked]
        reached += [f"{name} {figure} {fit.sheet.wrench}" for name, figure in of if name]
    proof = sheets.held(t, PROOF, subject.id)
    if proof.version:
        reached += list(set_values(proof.sheet))
    return job.model_copy(
        update={"reached": reached, "note": proof.sheet.note_next, "closed": proof.sheet.closed}
    )


def _strip_down(t: Transaction, subject: Subject) -> Any:
    return lines.sheet_of(t, subject.id)[0]


def _to_fit(t: Transaction, subject: Subject) -> Any:
    keys = {part_id: key for key, part_id in line_queries.bench_parts(t, subject.id).items()}
    return to_fit(t, subject.id, keys, todays_instruments(t))


def _off_line(t: Transaction, subject: Subject) -> Any:
    on_line = set(line_queries.bench_parts(t, subject.id).values())
    return tuple(each.name for each in jobs.parts_of_jobs(t, [subject.id]) if each.part_id not in on_line)


def _fit_up_open(t: Transaction, subject: Subject) -> Any:
    """What fitting up left open: torques and settings that nobody ticked, all of them where it was never begun."""
    now = sheets.held(t, FIT_UP, subject.id)
    judged = sheets.judged(t, FIT_UP, subject, now.sheet, HOST)
    left = set(judged.left)
    return tuple(
        OpenTorque(each.key, each.words)
        for each in judged.steps
        if each.key in left and each.does in ("tighten", "set")
    )


HOST = Host(
    {
        "fit_up_open": _fit_up_open,
        "strip_down": _strip_down,
        "to_fit": _to_fit,
        "off_line": _off_line,
        "fitted": _fitted,
        "going_in": _going_in,
        "instrument_of": _instrument_of,
        "today": _today,
        "unit_jobs": _unit_jobs,
    }
).with_(bench.HOST, lines.HOST, take_in.HOST)
