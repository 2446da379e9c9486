"""HTTP of sheets: for each kind of the register its own routes, typed as its sheet and its judgement are."""

from __future__ import annotations

import csv
import io
from typing import Any

from flask import Response, current_app, make_response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field, RootModel, create_model

from ample.base.csv_text import harmless
from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.doer import Doer
from ample.base.records import JobHead, JobPath, PartHead, PartPath
from ample.base.rights import needs
from ample.base.strict import Strict
from ample.base.units import UnitHead, UnitPath
from ample.core.errors import BadInput
from ample.sheets import store
from ample.sheets.host import Host, facts_for
from ample.sheets.kind import SheetKind, SubjectName, Table
from ample.sheets.register import SHEETS
from ample.sheets.store import Signature, Version
from ample.sheets.subjects import Subject, job_subject, part_subject, unit_subject
from ample.store import Transaction

HOST = "ample-sheets"  # where the application holds who runs its sheets
READS: Responses = {404: ErrorAnswer, 422: ErrorAnswer}
WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)
api = APIBlueprint("sheets", __name__, url_prefix="/api", abp_tags=[Tag(name="sheets")])
PATHS: dict[SubjectName, tuple[str, Any]] = {
    "job": ("/jobs/<number>", JobPath),
    "part": ("/parts/<int:part_id>", PartPath),
    "unit": ("/units/<int:unit_id>", UnitPath),
}
HEADS: dict[SubjectName, dict[str, Any]] = {
    "job": {"job": (JobHead, ...)},
    "part": {"job": (JobHead, ...), "part": (PartHead, ...)},
    "unit": {"unit": (UnitHead, ...)},
}


class SignRequest(Strict):
    """The version that was looked at."""

    version: int = Field(ge=1)


class Versions(BaseModel):
    """The versions of a sheet, newest first."""

    versions: list[Version]


def host() -> Host:
    """Who runs the sheets of this application."""
    found: Host = current_app.extensions[HOST]
    return found


def subject_of(t: Transaction, path: Any, lock: bool = False) -> Subject:
    """What a path names."""
    if isinstance(path, JobPath):
        return job_subject(t, path.number, lock)
    if isinstance(path, PartPath):
        return part_subject(t, path.part_id, lock)
    return unit_subject(t, path.unit_id, lock)


class _Doors:
    """The models and handlers of one kind."""

    def __init__(self, kind: SheetKind) -> None:
        self.kind = kind
        name = "".join(word.capitalize() for word in kind.name.split("_"))
        shown = {each: (of, ...) for each, of in kind.shown.items()}
        made: Any = create_model
        self.answer: type[BaseModel] = made(
            f"{name}SheetAnswer", __doc__=f"{kind.title} with what it is worth.", **HEADS[kind.subject], **shown,
            sheet=(kind.sheet, ...), version=(int, ...), judged=(kind.judged | None, ...), signatures=(list[Signature], ...),
        )  # fmt: skip
        self.save_request: type[BaseModel] = made(
            f"{name}SheetSave", __base__=Strict,
            __doc__="The sheet to keep, and the version it was made from (0 for the first).",
            version=(int, Field(ge=0)), sheet=(kind.sheet, ...),
        )  # fmt: skip
        self.judged: type[BaseModel] = made(
            f"{name}JudgedAnswer", __doc__="A sheet judged as it is typed.", judged=(kind.judged | None, ...)
        )
        self.old: type[BaseModel] = made(
            f"{name}Version",
            __base__=Version,
            __doc__="What stood on a sheet at a version, and the same as a person reads it.",
            tables=(list[Table], ...),
            sheet=(kind.sheet, ...),
        )

    def told(self, t: Transaction, subject: Subject) -> BaseModel:
        """The sheet with everything shown beside it."""
        kind = self.kind
        now, facts = store.standing(t, kind, subject, host()), facts_for(t, kind, subject, host())
        return self.answer(
            **{each: getattr(subject, each) for each in HEADS[kind.subject]},
            **{each: getattr(facts, each) for each in kind.shown},
            sheet=now.sheet, version=now.version, judged=kind.judge(now.sheet, facts),
            signatures=store.signatures_of(t, now),
        )  # fmt: skip

    def read(self, path: Any) -> Response:
        return desk().read(lambda t: self.told(t, subject_of(t, path)))

    def save(self, path: Any, body: Any) -> Response:
        tables = host().tables.get(self.kind.name)
        prepared = tables.prepare() if tables and tables.prepare else None

        def work(t: Transaction, doer: Doer) -> BaseModel:
            subject = subject_of(t, path, lock=True)
            store.save(t, doer, self.kind, subject, body.version, body.sheet, host(), prepared=prepared)
            return self.told(t, subject_of(t, path))  # what is told of it may have changed with its sheet

        return desk().once(work)

    def judge(self, path: Any, body: Any) -> Response:
        def work(t: Transaction) -> BaseModel:
            subject = subject_of(t, path)
            return self.judged(judged=store.judged(t, self.kind, subject, body, host()))

        return desk().read(work)

    def judge_bare(self, path: Any, body: Any) -> Response:
        def work(t: Transaction) -> Any:
            found = store.judged(t, self.kind, subject_of(t, path), body, host())
            if found is None:
                raise BadInput(*self.kind.unjudged, "part_id")
            return found

        return desk().read(work)

    def versions(self, path: Any) -> Response:
        return desk().read(
            lambda t: Versions(versions=store.versions_of(t, self.kind, subject_of(t, path).id))
        )

    def version(self, path: Any) -> Response:
        def work(t: Transaction) -> BaseModel:
            found, sheet = store.version_of(t, self.kind, subject_of(t, path).id, path.version)
            return self.old(**found.model_dump(), sheet=sheet, tables=list(self.kind.tables(sheet, None)))

        return desk().read(work)

    def sign(self, path: Any, body: Any) -> Response:
        def work(t: Transaction, doer: Doer) -> BaseModel:
            subject = subject_of(t, path, lock=True)
            store.sign(t, doer, self.kind, subject, body.version, host())
            return self.told(t, subject)

        return desk().once(work, 201)

    def export(self, path: Any) -> Response:
        def work(t: Transaction) -> list[Table]:
            subject = subject_of(t, path)
            now = store.standing(t, self.kind, subject, host())
            return list(self.kind.tables(now.sheet, store.judged(t, self.kind, subject, now.sheet, host())))

        response = make_response(as_csv(desk().database.read(work)))
        response.mimetype = "text/csv"
        response.headers["Content-Disposition"] = f'attachment; filename="{self.kind.name}.csv"'
        return response


def as_csv(tables: list[Table]) -> str:
    """Tables one under another, each under its title."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n", quoting=csv.QUOTE_NONNUMERIC)  # as RFC 4180 asks
    for table in tables:
        writer.writerow([table.title])
        writer.writerow(table.headings)
        writer.writerows([[harmless(cell) for cell in row] for row in table.rows])
    return out.getvalue()


def _route(method: str, rule: str, handler: Any, needed: str, endpoint: str, about: str, **more: Any) -> None:
    def handle(**given: Any) -> Response:
        return handler(**given)  # type: ignore[no-any-return]

    handle.__name__, handle.__doc__ = endpoint, about
    handle.__annotations__ = {**more.pop("takes"), "return": Response}
    getattr(api, method)(rule, summary=about, **more)(needs(needed)(handle))  # type: ignore[arg-type]


def _with_version(path: type[BaseModel], name: str) -> type[BaseModel]:
    return create_model(f"{name}VersionPath", __base__=path, version=(int, Field(ge=1)))


def _open(kind: SheetKind) -> None:
    """The routes of a kind."""
    base, path = PATHS[kind.subject]
    doors = _Doors(kind)
    rule, words = f"{base}/sheets/{kind.name}", kind.title
    takes = {"path": path}
    _route("get", rule, doors.read, "signed_in", f"sheet_{kind.name}", f"{words}: the sheet and its judgement",
           takes=takes, responses={200: doors.answer, **READS})  # fmt: skip
    _route("put", rule, doors.save, kind.writes, f"save_sheet_{kind.name}", f"{words}: keep the sheet",
           takes=takes | {"body": doors.save_request}, responses={200: doors.answer, **WRITES})  # fmt: skip
    _route("post", f"{rule}/judge", doors.judge, "signed_in", f"judge_sheet_{kind.name}",
           f"{words}: judge a sheet without keeping it",
           takes=takes | {"body": kind.sheet}, responses={200: doors.judged, **READS})  # fmt: skip
    _route("get", f"{rule}/versions", doors.versions, "signed_in", f"versions_{kind.name}",
           f"{words}: who worked at it and when", takes=takes, responses={200: Versions, **READS})  # fmt: skip
    _route("get", f"{rule}/versions/<int:version>", doors.version, "signed_in", f"version_{kind.name}",
           f"{words}: what stood there at a version",
           takes={"path": _with_version(path, kind.name)}, responses={200: doors.old, **READS})  # fmt: skip
    _route("get", f"{rule}/csv", doors.export, "signed_in", f"csv_{kind.name}", f"{words} as CSV",
           takes=takes, responses={200: {"content": {"text/csv": {"schema": {"type": "string"}}}}, **READS})  # fmt: skip
    if kind.signs:
        _route("post", f"{rule}/signature", doors.sign, kind.signs, f"sign_{kind.name}",
               f"{words}: sign what stands there", takes=takes | {"body": SignRequest},
               responses={201: doors.answer, **WRITES})  # fmt: skip


def _root(judged: Any) -> type[BaseModel]:
    made: Any = RootModel[judged]
    return made  # type: ignore[no-any-return]


def _open_alias(kind: SheetKind) -> None:
    """The address that a kind had before the register, as it was."""
    base, path = PATHS[kind.subject]
    doors = _Doors(kind)
    rule, words = f"{base}/{kind.alias}", f"{kind.title} (address of before)"
    takes = {"path": path}
    _route("get", rule, doors.read, "signed_in", kind.name, f"{words}: the sheet and its judgement",
           takes=takes, responses={200: doors.answer, **READS})  # fmt: skip
    _route("put", rule, doors.save, kind.writes, f"save_{kind.name}", f"{words}: keep the sheet",
           takes=takes | {"body": doors.save_request}, responses={200: doors.answer, **WRITES})  # fmt: skip
    _route("post", f"{rule}/judge", doors.judge_bare, "signed_in", f"judge_{kind.name}",
           f"{words}: judge a sheet without keeping it",
           takes=takes | {"body": kind.sheet}, responses={200: _root(kind.judged), **READS})  # fmt: skip


for _kind in SHEETS.values():
    _open(_kind)
    if _kind.alias:
        _open_alias(_kind)
