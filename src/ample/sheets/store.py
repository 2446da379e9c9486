"""Keeping sheets: lock, check, conflict, write, audit, version; what stood on one earlier; signing."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from pydantic import BaseModel

from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.times import UtcTime
from ample.core.errors import Conflict, NotKnown
from ample.core.sheet import Sheet
from ample.sheets import queries
from ample.sheets.host import Change, Host, facts_for
from ample.sheets.kind import Columns, SheetKind, Value
from ample.sheets.subjects import Subject
from ample.store import Transaction

ONE_SITTING = timedelta(minutes=10)
"""One person's versions within so long are one."""


@dataclass(frozen=True)
class StoredSheet:
    """A sheet as it is kept; version 0 of one that nobody has begun."""

    sheet: Any
    version: int
    sheet_id: int | None = None
    rows: Any = None


class Signature(BaseModel):
    """Who has signed a version, and whether that is what is there now."""

    person: str
    version: int
    signed_at: UtcTime
    current: bool
    from_file: bool


class Version(BaseModel):
    """One version of a sheet: whose, and when it was worked at."""

    version: int
    person: str | None
    began_at: UtcTime
    ended_at: UtcTime


def held(t: Transaction, kind: SheetKind, subject_id: int, lock: bool = False) -> StoredSheet:
    """A sheet of a subject; the kind's empty one when nobody has begun it."""
    row = queries.sheet(t, kind.subject, subject_id, kind.name, lock)
    if row is None:
        return StoredSheet(kind.sheet(), 0)
    return StoredSheet(kind.sheet.model_validate_json(row["body"]), int(row["version"]), int(row["sheet_id"]))


def standing(
    t: Transaction, kind: SheetKind, subject: Subject, host: Host, lock: bool = False
) -> StoredSheet:
    """What is on a sheet of a subject, wherever its kind is kept."""
    tables = host.tables.get(kind.name)
    if tables is None:
        return held(t, kind, subject.id, lock)
    row = queries.sheet(t, kind.subject, subject.id, kind.name, lock)
    found = tables.held(t, subject)
    return StoredSheet(found.sheet, found.version, int(row["sheet_id"]) if row else None, found.rows)


def judged(t: Transaction, kind: SheetKind, subject: Subject, sheet: Sheet, host: Host) -> Any:
    """A sheet judged with today's facts."""
    return kind.judge(sheet, facts_for(t, kind, subject, host))


def save(
    t: Transaction, doer: Doer, kind: SheetKind, subject: Subject, version: int, sent: Sheet, host: Host,
    from_file: bool = False, prepared: Any = None,
) -> StoredSheet:  # fmt: skip
    """Keep a sheet that was made from a version; one made from an older version is refused with the newer beside it.

    The subject is locked by whoever found it, so that two first versions do not meet.
    """
    before = standing(t, kind, subject, host, lock=True)
    facts = facts_for(t, kind, subject, host)
    sheet = kind.settle(sent, before.sheet, facts)
    kind.check(sheet, facts)
    if before.version != version:
        raise Conflict(
            "changed_meanwhile",
            f"Someone else has changed this: {kind.title.lower()} of {subject.title}.",
            None,
            "Both versions are shown. Nothing is lost.",
            {"version": before.version, "sheet": before.sheet.model_dump(mode="json", by_alias=True)},
        )
    if not from_file:
        kind.may_save(sheet, facts)
    tables = host.tables.get(kind.name)
    if tables:
        tables.write(
            t, Change(doer, subject, before.sheet, sheet, version + 1, from_file, before.rows, prepared)
        )
    if version and before.sheet_id is None:  # kept before there were versions: what was there is seen too
        _write(t, None, doer.now, kind, subject.id, version, before.sheet, tables is not None)
    sheet_id = _write(t, doer.person_id, doer.now, kind, subject.id, version + 1, sheet, tables is not None)
    told = kind.told(before.sheet if version else None, sheet)
    record(t, doer, kind.subject, subject.id, kind.recorded_as, *told)
    return StoredSheet(sheet, version + 1, sheet_id)


def _write(
    t: Transaction, person_id: int | None, now: datetime, kind: SheetKind, subject_id: int, version: int,
    sheet: Sheet, in_tables: bool = False,
) -> int:  # fmt: skip
    values = {
        "subject": kind.subject, "subject_id": subject_id, "kind": kind.name, "version": version,
        "body": sheet.model_dump_json(by_alias=True), "now": now, "person_id": person_id,
    }  # fmt: skip
    sheet_id = queries.set_sheet(t, values | {"body": "null"} if in_tables else values)  # not kept twice
    values["sheet_id"] = sheet_id
    last = queries.last_version(t, sheet_id)
    same_sitting = (
        last is not None
        and last["person_id"] == person_id
        and now - last["began_at"] <= ONE_SITTING
        and not last["signed"]
    )
    if last is not None and same_sitting:
        queries.grow_version(t, values | {"before": last["version"]})
    else:
        queries.add_version(t, values)
    queries.replace_values(t, sheet_id, list(_rows(kind.columns(sheet))))
    return sheet_id


def put(
    t: Transaction, kind: SheetKind, subject_id: int, sheet: Sheet, version: int, person_id: int | None, now: datetime
) -> None:  # fmt: skip
    """Put down a sheet as it stood elsewhere or in an earlier version of the program, without a word in the record."""
    _write(t, person_id, now, kind, subject_id, version, sheet)


def _rows(columns: Columns) -> list[dict[str, Any]]:
    return [
        {
            "name": name, "position": position, "text": value if isinstance(value, str) else None,
            "number": None if isinstance(value, str) else value,
        }
        for name, values in columns.items()
        for position, value in enumerate(values)
        if value is not None
    ]  # fmt: skip


def values_of(t: Transaction, kind: SheetKind, ids: list[int]) -> dict[int, dict[str, list[Value]]]:
    """What SQL may ask of sheets of a kind: values by name, of each subject that has one."""
    found: dict[int, dict[str, list[Value]]] = {}
    for row in queries.values_of(t, kind.subject, ids, kind.name):
        value = row["text"] if row["number"] is None else float(row["number"])
        found.setdefault(int(row["subject_id"]), {}).setdefault(row["name"], []).append(value)
    return found


def versions_of(t: Transaction, kind: SheetKind, subject_id: int) -> list[Version]:
    """The versions of a sheet, newest first."""
    row = queries.sheet(t, kind.subject, subject_id, kind.name)
    return [Version(**each) for each in queries.versions(t, row["sheet_id"])] if row else []


def version_of(t: Transaction, kind: SheetKind, subject_id: int, number: int) -> tuple[Version, Any]:
    """What was on a sheet at a version."""
    kept = queries.sheet(t, kind.subject, subject_id, kind.name)
    row = queries.version(t, kept["sheet_id"], number) if kept else None
    if row is None:
        raise NotKnown("no_such_version", f"There is no version {number} of this.", "version")
    body = row.pop("body")
    return Version(**row), kind.sheet.model_validate_json(body)


def signatures_of(t: Transaction, now: StoredSheet) -> list[Signature]:
    """Who has signed a sheet."""
    if now.sheet_id is None:
        return []
    return [
        Signature(**{**row, "from_file": bool(row["from_file"])}, current=row["version"] == now.version)
        for row in queries.signatures(t, now.sheet_id)
    ]


def sign(t: Transaction, doer: Doer, kind: SheetKind, subject: Subject, version: int, host: Host) -> None:
    """Sign a sheet as it is now; somebody who has seen an older version is refused."""
    now = standing(t, kind, subject, host, lock=True)
    if now.sheet_id is None or now.version != version:
        raise Conflict(
            "changed_meanwhile", "This changed after you opened it.", "version", "Check it again, then sign.",
            {"version": now.version, "sheet": now.sheet.model_dump(mode="json", by_alias=True)},
        )  # fmt: skip
    queries.add_signature(t, now.sheet_id, version, doer.person_id, doer.now, "")
    record(t, doer, kind.subject, subject.id, f"{kind.recorded_as}_signed", None, {"version": version})
