"""The strip-down record: kept, judged, decided by a second person, sent to the Bench."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from ample.base import job_queries
from ample.base.audit import record
from ample.base.doer import Doer, NotAllowed
from ample.base.jobs import add_part, known_job
from ample.base.marks import mark_of
from ample.base.records import NewPart
from ample.core.assembly import LinePart, LineSheet, check_line, part_kind
from ample.core.assembly.placing import known_of
from ample.core.condition import inspect_part
from ample.core.contract import BenchSheet
from ample.core.errors import BadInput, Conflict
from ample.core.operations.job import verdicts_of
from ample.sheets import store as sheets
from ample.sheets.host import Change, Host, InTables, Tables
from ample.sheets.kinds.strip_down import STRIP_DOWN
from ample.sheets.subjects import Subject, job_subject
from ample.shop.bench.actions import save_bench
from ample.shop.bench.records import BenchSave
from ample.shop.line import queries
from ample.shop.line.records import (
    DecideRequest,
    Decision,
    JudgedBy,
    LineAnswer,
    LineSave,
    LineSaved,
    SentToBench,
)
from ample.shop.photos import queries as photos
from ample.shop.units.actions import model_of
from ample.store import Transaction


@dataclass(frozen=True)
class StoredLines:
    """The lines as they are kept: the sheet, its version, and of each part the row with its verdict."""

    sheet: LineSheet
    version: int
    rows: dict[str, dict[str, Any]]


def stored_lines(t: Transaction, job_id: int) -> StoredLines:
    """The lines of a job as they are kept; version 0 when there are none yet."""
    head = queries.head(t, job_id)
    if head is None:
        return StoredLines(LineSheet(), 0, {})
    rows = queries.parts(t, job_id)
    parts = ",".join(row["details"] for row in rows)
    text = (
        f'{{"lines": {head["lines_json"]}, "ties": {head["ties_json"]}, '
        f'"loose": {head["loose_json"]}, "parts": [{parts}]}}'
    )
    sheet = LineSheet.model_validate_json(text)
    by_key = {row["part_key"]: row | {"position": i} for i, row in enumerate(rows)}
    return StoredLines(sheet, int(head["version"]), by_key)


def sheet_of(t: Transaction, job_id: int) -> tuple[LineSheet, int]:
    """The lines of a job and their version (0 when there are none yet)."""
    held = stored_lines(t, job_id)
    return held.sheet, held.version


def line_of(t: Transaction, number: str) -> LineAnswer:
    """The lines of a job with all that people decided."""
    job = known_job(t, number)
    held = stored_lines(t, job.job_id)
    sheet, version = held.sheet, held.version
    unit = job_queries.unit_facts(t, job.job_id)
    return LineAnswer(
        job=job,
        sheet=sheet,
        version=version,
        access=unit.access,
        build=unit.build,
        model=unit.model,
        decisions=_decisions(t, job.job_id, sheet.parts),
        judged_by=judged_by(t, list(held.rows.values())),
        on_bench=queries.bench_parts(t, job.job_id),
        photos=photos.heads(t, job.job_id),
        acknowledged=job_queries.acknowledged(t, job.job_id),
    )


def judged_by(t: Transaction, rows: Sequence[dict[str, Any]]) -> dict[str, JudgedBy]:
    """Who filled in the card of each part; of what came from a file, who the file names."""
    own = {row["part_key"]: row for row in rows if row["judged_by"]}
    names = queries.people_named(t, sorted({row["judged_by"] for row in own.values()}))
    return {
        key: JudgedBy(
            person_id=row["judged_by"],
            name=names.get(row["judged_by"], "") if row["judged_in_file"] is None else row["judged_in_file"],
            from_file=row["judged_in_file"] is not None,
        )
        for key, row in own.items()
    }


def _decisions(t: Transaction, job_id: int, parts: Sequence[LinePart]) -> list[Decision]:
    rows = queries.decisions(t, job_id)
    decided = {row["part_key"] for row in rows}
    marks = {part.key: findings_mark(part) for part in parts if part.key in decided}
    return [
        Decision(
            part=row["part_key"],
            verdict=row["verdict"],
            reason=row["reason"],
            person=row["person"],
            decided_at=row["decided_at"],
            stands=not row["from_file"] and marks.get(row["part_key"]) == row["findings_mark"],
            from_file=bool(row["from_file"]),
        )
        for row in rows
    ]


def findings_mark(part: LinePart) -> str:
    """A mark of what was found: a decision is valid as long as it is the same."""
    return mark_of([part.kind, part.obtainable, dict(sorted(part.findings.items()))])


def save_line(t: Transaction, doer: Doer, number: str, save: LineSave) -> LineSaved:
    """Keep the lines; ones made from an older version are refused with the newer beside them."""
    kept = sheets.save(t, doer, STRIP_DOWN, job_subject(t, number, lock=True), save.version, save.sheet, HOST)
    return LineSaved(version=kept.version)


def _in_tables(t: Transaction, subject: Subject) -> InTables:
    held = stored_lines(t, subject.id)
    return InTables(held.sheet, held.version, held)


def _keep(t: Transaction, change: Change) -> None:
    """Write what has changed, with the verdict of every part; who changed a finding has judged it."""
    job_id, sheet = change.subject.id, change.sheet
    person_id = None if change.from_file else change.doer.person_id
    held: StoredLines = change.rows
    before = {part.key: part for part in held.sheet.parts}
    changed = [part for part in sheet.parts if before.get(part.key) != part]
    judged = _verdicts(t, job_id, changed, job_queries.unit_facts(t, job_id).access)
    open_ones = [each for each in check_line(sheet) if each.level == "wrong" and not each.answer]
    queries.set_head(
        t,
        {
            "job_id": job_id,
            "lines": _json_list(sheet.lines),
            "ties": _json_list(sheet.ties),
            "loose": _json_list(sheet.loose),
            "contradictions": len(open_ones),
        },
    )
    queries.remove_parts(t, job_id, sorted(set(before) - {part.key for part in sheet.parts}))
    queries.put_parts(
        t,
        job_id,
        [
            _row(position, part, judged[part.key], before.get(part.key), held.rows.get(part.key), person_id)
            for position, part in enumerate(sheet.parts)
            if part.key in judged
        ],
    )
    queries.move_parts(
        t,
        job_id,
        [
            (part.key, position)
            for position, part in enumerate(sheet.parts)
            if part.key not in judged and held.rows[part.key]["position"] != position
        ],
    )


HOST = Host(
    {"access": lambda t, subject: job_queries.unit_facts(t, subject.id).access},
    {STRIP_DOWN.name: Tables(_in_tables, _keep)},
)


def _json_list(things: tuple[Any, ...]) -> str:
    return "[" + ",".join(each.model_dump_json() for each in things) + "]"


def _row(
    position: int,
    part: LinePart,
    verdict: str,
    before: LinePart | None,
    row: dict[str, Any] | None,
    person_id: int | None,
) -> dict[str, Any]:
    judged_by = row["judged_by"] if row else None
    judged_in_file = row["judged_in_file"] if row else None
    if part.findings and (before is None or before.findings != part.findings):
        judged_by, judged_in_file = person_id, None
    return {
        "part_key": part.key,
        "position": position,
        "line_key": part.line,
        "kind": part.kind,
        "name": part.name,
        "beside": part.beside,
        "quantity": part.quantity,
        "inside_mm": part.inside.mm,
        "outside_mm": part.outside.mm,
        "width_mm": part.width.mm,
        "verdict": verdict,
        "judged_by": judged_by,
        "judged_in_file": judged_in_file,
        "details": part.model_dump_json(),
    }


def _verdicts(t: Transaction, job_id: int, parts: Sequence[LinePart], access: str) -> dict[str, str]:
    """Computed verdicts, with a standing decision above them."""
    found = {key: each.verdict for key, each in verdicts_of(parts, access).items()}
    for each in _decisions(t, job_id, parts):
        if each.stands:
            found[each.part] = each.verdict
    return found


def judge_again(t: Transaction, job_id: int, access: str) -> None:
    """What coming back would cost has changed: judge every part again."""
    sheet, version = sheet_of(t, job_id)
    if version:
        for key, verdict in _verdicts(t, job_id, sheet.parts, access).items():
            queries.set_verdict(t, job_id, key, verdict)


def decide(t: Transaction, doer: Doer, number: str, key: str, choice: DecideRequest) -> LineAnswer:
    """Keep a second person's decision about a doubtful part; the first person may not be the second."""
    doer.must("second_person")
    job = known_job(t, number, lock=True)
    held = stored_lines(t, job.job_id)
    part = _known_part(held.sheet, key)
    if dict(part.findings) != choice.findings:
        raise Conflict(
            "changed_meanwhile",
            "The findings have changed since you opened them.",
            "findings",
            "Check them again, then decide.",
            {"findings": dict(part.findings)},
        )
    computed = inspect_part(
        part_kind(part.kind).card,
        part.findings,
        job_queries.unit_facts(t, job.job_id).access,
        part.obtainable,
    )
    if computed.verdict == "open":
        raise BadInput(
            "not_judged", "This part has not been inspected yet.", "key", "Fill in its card first."
        )
    if held.rows[key]["judged_by"] == doer.person_id:
        raise NotAllowed(
            "same_person",
            f"{doer.name} inspected this part. A second person must decide.",
            "verdict",
            "Ask someone else to sign in and decide.",
        )
    values = {
        "job_id": job.job_id, "part_key": key, "findings_mark": findings_mark(part),
        "verdict": choice.verdict, "reason": choice.reason, "person_id": doer.person_id,
        "person": doer.name, "decided_at": doer.now, "from_file": False,
    }  # fmt: skip
    queries.add_decision(t, values)
    queries.set_verdict(t, job.job_id, key, choice.verdict)
    record(t, doer, "job", job.job_id, "decided", {"part": key, "verdict": computed.verdict},
           {"part": key, "verdict": choice.verdict, "reason": choice.reason})  # fmt: skip
    return line_of(t, number)


def _known_part(sheet: LineSheet, key: str) -> LinePart:
    part = next((each for each in sheet.parts if each.key == key), None)
    if part is None:
        raise BadInput("no_such_part", "That part is not on the strip-down.", "key", "Save the line first.")
    return part


def _build_is_said(t: Transaction, job_id: int) -> None:
    """Of a model that is known in several builds, which one it is must be said first."""
    unit = job_queries.unit_facts(t, job_id)
    model = model_of(t, unit.model) if not unit.build else None
    if model is not None and len(model.builds) > 1:
        raise BadInput(
            "build_not_said",
            f"{model.question} The builds take different parts.",
            "build",
            "Answer it at Take in.",
        )


def send_to_bench(t: Transaction, doer: Doer, number: str, key: str) -> SentToBench:
    """Put a part of the line in the tray with what is known of it; sent twice it is the same part."""
    job = known_job(t, number, lock=True)
    there = queries.bench_parts(t, job.job_id).get(key)
    if there is not None:
        return SentToBench(part_id=there)
    sheet, _ = sheet_of(t, job.job_id)
    part = _known_part(sheet, key)
    known = known_of(sheet, key)
    _build_is_said(t, job.job_id)
    if not known.family:
        raise BadInput(
            "not_bought_by_size",
            f"A {part_kind(part.kind).words} is not bought by size.",
            "key",
            "Only bearings, seals and rings can be identified on the Bench.",
        )
    new = add_part(
        t, doer, number, NewPart(name=known.name, surroundings=known.surroundings, marking=known.marking)
    )
    queries.tie_to_line(t, new.part_id, key, known.family)
    observations = [
        {"feature": feature, "instrument": "caliper", "readings": [{"typed": size.typed, "unit": size.unit}]}
        for feature, size in known.features
    ]
    sheet_now = BenchSheet.model_validate(
        {
            "marking": known.marking,
            "kind": part_kind(part.kind).picture,
            "medium": known.medium,
            "observations": observations,
        }
    )
    save_bench(t, doer, new.part_id, BenchSave(version=new.version, sheet=sheet_now))
    return SentToBench(part_id=new.part_id)
