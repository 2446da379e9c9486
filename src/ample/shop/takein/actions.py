"""Taking a unit in: the sheet kept, cautions acknowledged, causes ranked with what was found inside."""

from __future__ import annotations

import json
from collections import defaultdict
from typing import Any

from ample.base import job_queries
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_job, open_job
from ample.base.records import JobHead, NewJob
from ample.core.assembly import signs_on_line
from ample.core.condition import Situation, cautions_for, known_units
from ample.core.condition.take_in import TakeInSheet
from ample.core.errors import BadInput
from ample.core.operations.take_in import TakeInFacts, judge_take_in
from ample.sheets import store as sheets
from ample.sheets.host import Change, Host, InTables, Tables
from ample.sheets.kinds.take_in import TAKE_IN
from ample.sheets.subjects import Subject, job_subject
from ample.shop.bench.actions import judge_rings_again
from ample.shop.line.actions import judge_again
from ample.shop.line.actions import sheet_of as line_sheet
from ample.shop.takein import queries
from ample.shop.takein.records import BuiltIn, TakeInAnswer, TakeInSave
from ample.shop.units.actions import model_of, spares_of
from ample.shop.units.histories import tie_by_serial
from ample.store import Transaction

LISTS = {"sign": "signs", "energy": "energies", "fluid": "fluids", "work": "works", "duty": "duties"}


def sheet_of(t: Transaction, job: JobHead) -> tuple[TakeInSheet, int]:
    """What is kept of a unit, and its version (0 when nothing is)."""
    row = queries.take_in(t, job.job_id) or {"version": 0}
    version = row.pop("version")
    spares = json.loads(row.pop("spares", None) or "[]")
    words = queries.words(t, job.job_id)
    lists = {field: [w["name"] for w in words if w["kind"] == kind] for kind, field in LISTS.items()}
    checked = {w["name"]: w["result"] for w in words if w["kind"] == "checked"}
    head = {"title": job.title, "owner": job.owner, "symptom": job.symptom}
    return TakeInSheet.model_validate({**head, **row, **lists, "checked": checked, "spares": spares}), version


def take_in_of(t: Transaction, number: str) -> TakeInAnswer:
    """A unit taken in, with all that follows from what is known."""
    job = known_job(t, number)
    sheet, version = sheet_of(t, job)
    judged = judge_take_in(sheet, TakeInFacts(_found_on_line(t, job.job_id)))
    return TakeInAnswer(
        job=job,
        sheet=sheet,
        version=version,
        **{name: getattr(judged, name) for name in type(judged).model_fields},
        acknowledged=job_queries.acknowledged(t, job.job_id),
        model=model_of(t, sheet.model),
        spares=spares_of(t, job.job_id, sheet.model, sheet.build, sheet.lie_open_days, _typed(sheet)),
    )


def _typed(sheet: TakeInSheet) -> list[dict[str, Any]]:
    """Spares that were typed here, for all units alike."""
    return [{"name": each.name, "quantity": each.quantity * sheet.units_alike} for each in sheet.spares]


def _found_on_line(t: Transaction, job_id: int) -> tuple[str, ...]:
    return tuple(signs_on_line(line_sheet(t, job_id)[0]))


def open_unit(t: Transaction, doer: Doer, new: NewJob) -> JobHead:
    """Open a job and begin its sheet with what usually belongs to such a unit."""
    kind = known_units().get(new.unit)
    if kind is None:
        raise BadInput("no_such_unit", f"Unknown kind of unit “{new.unit[:20]}”.", "unit")
    job = open_job(t, doer, new)
    sheet = TakeInSheet(**new.model_dump(), energies=list(kind.energies), fluids=list(kind.fluids))
    _write(t, job.job_id, sheet)
    return job


def save_take_in(t: Transaction, doer: Doer, number: str, save: TakeInSave) -> TakeInAnswer:
    """Keep a sheet; one made from an older version is refused with the newer one beside it."""
    sheets.save(t, doer, TAKE_IN, job_subject(t, number, lock=True), save.version, save.sheet, HOST)
    return take_in_of(t, number)


def say_built_in(t: Transaction, doer: Doer, number: str, said: BuiltIn) -> TakeInAnswer:
    """Say where the machine of a job was built; all else that is kept of it stays."""
    subject = job_subject(t, number, lock=True)
    assert subject.job is not None, "a take-in is of a job"
    sheet, version = sheet_of(t, subject.job)
    if sheet.built_in != said.built_in:
        changed = sheet.model_copy(update={"built_in": said.built_in})
        sheets.save(t, doer, TAKE_IN, subject, version, changed, HOST)
    return take_in_of(t, number)


def _held(t: Transaction, subject: Subject) -> InTables:
    assert subject.job is not None, "a take-in is of a job"
    return InTables(*sheet_of(t, subject.job))


def _keep(t: Transaction, change: Change) -> None:
    """Write a sheet, with what follows from it: which unit it is, and what coming back would cost."""
    job = change.subject.job
    assert job is not None, "a take-in is of a job"
    _write(t, job.job_id, change.sheet)
    tie_by_serial(t, change.doer, job, change.sheet.serial)
    if change.before.access != change.sheet.access:
        judge_again(t, job.job_id, change.sheet.access)
    if change.before.built_in != change.sheet.built_in:
        judge_rings_again(t, job.job_id)


HOST = Host(
    {"found_on_line": lambda t, subject: _found_on_line(t, subject.id)}, {TAKE_IN.name: Tables(_held, _keep)}
)


def _write(t: Transaction, job_id: int, sheet: TakeInSheet) -> None:
    rows: list[dict[str, Any]] = [
        {"kind": kind, "name": name, "position": position, "result": ""}
        for kind, field in LISTS.items()
        for position, name in enumerate(dict.fromkeys(getattr(sheet, field)))
    ]
    rows += [
        {"kind": "checked", "name": cause, "position": position, "result": result}
        for position, (cause, result) in enumerate(sheet.checked.items())
    ]
    spares = json.dumps([each.model_dump() for each in sheet.spares])
    own = sheet.model_dump(exclude={"checked", "spares", *LISTS.values()})
    queries.set_take_in(t, own | {"job_id": job_id, "spares": spares})
    queries.replace_words(t, job_id, rows)


def acknowledge(t: Transaction, doer: Doer, number: str, caution: str) -> TakeInAnswer:
    """Keep that this person has read a caution, and when."""
    job = known_job(t, number, lock=True)
    sheet, _ = sheet_of(t, job)
    if caution not in {each.caution for each in judge_take_in(sheet, TakeInFacts()).cautions}:
        raise BadInput("no_such_caution", "That caution does not belong to this unit.", "caution")
    queries.acknowledge(t, job.job_id, caution, doer.person_id, doer.name, doer.now)
    record(t, doer, "job", job.job_id, "acknowledged", None, {"caution": caution})
    return take_in_of(t, number)


def open_cautions(t: Transaction, job_ids: list[int]) -> dict[int, int]:
    """How many strip-down cautions of each job nobody has acknowledged yet."""
    words: dict[int, dict[str, list[str]]] = defaultdict(lambda: defaultdict(list))
    for row in queries.situations(t, job_ids):
        words[row["job_id"]][row["kind"]].append(row["name"])
    found = {}
    for job_id in job_ids:
        own = words[job_id]
        situation = Situation(
            (own["unit"] or ["other"])[0],
            tuple(own["energy"]),
            tuple(own["fluid"]),
            tuple(own["work"]),
            tuple(own["duty"]),
        )
        known = set(own["acknowledged"])
        found[job_id] = sum(
            1 for each in cautions_for(situation) if each.stage == "strip" and each.caution not in known
        )
    return found
