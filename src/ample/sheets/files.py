"""Sheets in files: what of a subject is written out, and how it is read in again."""

from __future__ import annotations

from typing import Any

from pydantic import BaseModel, create_model

from ample.base.doer import Doer
from ample.base.strict import Strict
from ample.sheets import store
from ample.sheets.host import Host
from ample.sheets.kind import SheetKind, SubjectName
from ample.sheets.register import SHEETS
from ample.sheets.subjects import Subject
from ample.store import Transaction


def kinds_on(subject: SubjectName) -> list[SheetKind]:
    """The kinds of sheet that lie on a kind of subject, and that files carry as such."""
    return [kind for kind in SHEETS.values() if kind.subject == subject and kind.in_files]


def _model(subject: SubjectName, name: str, about: str) -> type[BaseModel]:
    made: Any = create_model
    fields = {kind.name: (kind.sheet | None, None) for kind in kinds_on(subject)}
    return made(name, __base__=Strict, __doc__=about, **fields)  # type: ignore[no-any-return]


PartSheets = _model("part", "PartSheets", "The sheets of a part; those that nobody has begun are left out.")
JobSheets = _model("job", "JobSheets", "The sheets of a job; those that nobody has begun are left out.")
UnitSheets = _model("unit", "UnitSheets", "The sheets of a unit; those that nobody has begun are left out.")
MODELS: dict[SubjectName, type[BaseModel]] = {"part": PartSheets, "job": JobSheets, "unit": UnitSheets}


def written_out(t: Transaction, subject: SubjectName, subject_id: int) -> BaseModel:
    """The sheets of a subject for a file."""
    found = {}
    for kind in kinds_on(subject):
        now = store.held(t, kind, subject_id)
        if now.version:
            found[kind.name] = now.sheet
    return MODELS[subject](**found)


def read_in(t: Transaction, doer: Doer, subject: Subject, sheets: BaseModel, host: Host) -> None:
    """Keep the sheets of a file on a subject that has none yet; each is checked as if it were typed here."""
    for kind in kinds_on(subject.name):
        sheet = getattr(sheets, kind.name)
        if sheet is not None:
            store.save(t, doer, kind, subject, 0, sheet, host, from_file=True)
