"""Writing a job out and reading it in again."""

from __future__ import annotations

import base64
from datetime import datetime
from typing import Any

from ample.base import job_queries as jobs
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import add_part, known_job
from ample.base.records import NewJob, NewPart, PartHead
from ample.base.units import add_unit, tie_job, unit_of_job, unit_with
from ample.sheets import files
from ample.sheets import store as sheets
from ample.sheets.kinds.place import PLACE
from ample.sheets.kinds.seats import SEATS
from ample.sheets.kinds.strip_down import STRIP_DOWN
from ample.sheets.kinds.take_in import TAKE_IN
from ample.sheets.subjects import job_subject, part_subject, unit_subject
from ample.shop.bench import queries as bench
from ample.shop.bench.actions import InstrumentOf, judge_again, save_bench, sheet_of
from ample.shop.bench.records import BenchSave
from ample.shop.bench.requirements import from_json
from ample.shop.catalogue.index import ShopIndex
from ample.shop.facts import HOST
from ample.shop.jobfile import queries
from ample.shop.jobfile.records import Imported, JobFile, ListedItem, TrayPartFile, UnitFile
from ample.shop.line import actions as line
from ample.shop.line import queries as lines
from ample.shop.photos import queries as photos
from ample.shop.photos.pictures import keep_picture
from ample.shop.takein import actions as take_in
from ample.store import Transaction

FROM_FILE = "file"  # the mark of an identification that was made elsewhere


def export_job(t: Transaction, number: str) -> JobFile:
    """A whole job as a file."""
    job = known_job(t, number)
    sheet, _ = take_in.sheet_of(t, job)
    parts, _ = line.sheet_of(t, job.job_id)
    judged = line.judged_by(t, lines.parts(t, job.job_id))
    on_line = {part_id: key for key, part_id in lines.bench_parts(t, job.job_id).items()}
    return JobFile.model_validate({
        "number": job.number,
        "opened_at": job.opened_at,
        "take_in": sheet,
        "line": parts,
        "judged_by": {key: each.name for key, each in judged.items()},
        "acknowledged": [
            each.model_dump(exclude={"from_file"}) for each in jobs.acknowledged(t, job.job_id)
        ],
        "decisions": [
            {"part": row.pop("part_key"), **_without(row, "from_file")} for row in lines.decisions(t, job.job_id)
        ],
        "photos": [
            row | {"picture": base64.b64encode(row["picture"])} for row in queries.pictures(t, job.job_id)
        ],
        "unit": _unit(t, job.job_id),
        "sheets": files.written_out(t, "job", job.job_id),
        "tray": [_tray_part(t, part, on_line.get(part.part_id)) for part in jobs.parts_of_jobs(t, [job.job_id])],
    })  # fmt: skip


def _unit(t: Transaction, job_id: int) -> dict[str, Any] | None:
    unit = unit_of_job(t, job_id)
    if unit is None:
        return None
    own = unit.model_dump(include={"title", "model", "serial", "place"})
    return own | {"sheets": files.written_out(t, "unit", unit.unit_id)}


def _tie_unit(t: Transaction, doer: Doer, job_id: int, unit: UnitFile, notes: list[str]) -> None:
    """The unit of a file: one of this serial number that is here keeps its own sheets; else it is begun with the file's."""
    here = unit_with(t, unit.serial)
    if here is not None:
        tie_job(t, job_id, here.unit_id)
        notes.append(
            f"Unit {here.title} no. {here.serial} exists already: its own log is kept, the file's is ignored."
        )
        return
    made = add_unit(t, unit.model_dump(include={"title", "model", "serial", "place"}))
    tie_job(t, job_id, made.unit_id)
    files.read_in(t, doer, unit_subject(t, made.unit_id, lock=True), unit.sheets, HOST)


def _without(row: dict[str, Any], name: str) -> dict[str, Any]:
    return {key: value for key, value in row.items() if key != name}


def _tray_part(t: Transaction, part: PartHead, key: str | None) -> dict[str, Any]:
    seats, place = (sheets.held(t, kind, part.part_id) for kind in (SEATS, PLACE))
    said, match = queries.identification(t, part.part_id), queries.match(t, part.part_id)
    return {
        **{name: getattr(part, name) for name in ("name", "surroundings", "dirty", "rpm", "family")},
        "line_key": key,
        "sheet": sheet_of(t, part),
        "identification": _with_item(said),
        "match": _with_item(match),
        "seats": seats.sheet if seats.version else None,
        "place": place.sheet if place.version else None,
    }


def _with_item(row: dict[str, Any] | None) -> dict[str, Any] | None:
    if row is None:
        return None
    if row.get("requirement"):
        row["requirement"] = from_json(row["requirement"])
    return {"item": {"maker": row.pop("maker"), "marking": row.pop("marking")}, **row}


def import_job(
    t: Transaction, doer: Doer, file: JobFile, index: ShopIndex, instrument_of: InstrumentOf
) -> Imported:
    """Make a job of a file; its number is kept when it is free here.

    A file proves nothing: what its parts were identified as is judged again on their readings and waits to be
    confirmed here; what second persons decided and who acknowledged cautions elsewhere is shown and does not
    stand. Whoever a file names is a name in a file, also when somebody here has the same.
    """
    notes: list[str] = []
    taken = jobs.job_by_number(t, file.number) is not None
    job = take_in.open_unit(t, doer, NewJob(title=file.take_in.title))
    if taken or not file.number:
        notes.append(f"Number {file.number} is taken: the job is now {job.number}.")
    else:
        jobs.set_number(t, job.job_id, file.number)
    queries.set_opened(t, job.job_id, _bare(file.opened_at))
    number = job.number if taken or not file.number else file.number
    begun = job_subject(t, number, lock=True)
    held = sheets.standing(t, TAKE_IN, begun, HOST)
    sheets.save(t, doer, TAKE_IN, begun, held.version, file.take_in, HOST, from_file=True)
    _line(t, doer, number, job.job_id, file)
    if file.unit:
        _tie_unit(t, doer, job.job_id, file.unit, notes)
    for part in file.tray:
        _import_part(t, doer, number, part, index, instrument_of, notes)
    files.read_in(t, doer, job_subject(t, number, lock=True), file.sheets, HOST)
    if file.acknowledged:
        notes.append("Cautions acknowledged elsewhere must be acknowledged here again.")
    if any(part.identification for part in file.tray):
        notes.append("Identifications are shown as from the file. Confirm them here.")
    if file.decisions:
        notes.append(
            "Second-person decisions are shown as from the file. Decide again here where it matters."
        )
    record(t, doer, "job", job.job_id, "imported", None, {"number": file.number, "notes": notes})
    return Imported(job=known_job(t, number), notes=notes)


def _line(t: Transaction, doer: Doer, number: str, job_id: int, file: JobFile) -> None:
    for each in file.acknowledged:
        queries.acknowledged_in_file(t, job_id, each.caution, each.person, _bare(each.acknowledged_at))
    for decision in file.decisions:
        lines.add_decision(
            t,
            decision.model_dump(exclude={"part"})
            | {
                "job_id": job_id, "part_key": decision.part, "decided_at": _bare(decision.decided_at),
                "person_id": None, "from_file": True,
            },
        )  # fmt: skip
    if file.line.lines:
        subject = job_subject(t, number, lock=True)
        sheets.save(t, doer, STRIP_DOWN, subject, 0, file.line, HOST, from_file=True)
    for part in file.line.parts:
        if part.findings:
            name = file.judged_by.get(part.key, "")
            queries.set_judged_in_file(t, job_id, part.key, doer.person_id, name)
    for photo in file.photos:
        picture = keep_picture(photo.picture)
        photos.add(
            t,
            photo.model_dump(exclude={"picture"})
            | {
                "job_id": job_id, "taken_at": _bare(photo.taken_at), "width_px": picture.width_px,
                "height_px": picture.height_px, "image": picture.image, "thumbnail": picture.thumbnail,
            },
        )  # fmt: skip


def _import_part(
    t: Transaction, doer: Doer, number: str, part: TrayPartFile, index: ShopIndex, instrument_of: InstrumentOf,
    notes: list[str],
) -> None:  # fmt: skip
    made = add_part(
        t, doer, number,
        NewPart(name=part.name, surroundings=part.surroundings, dirty=part.dirty, rpm=part.rpm),
    )  # fmt: skip
    queries.set_place(t, made.part_id, {"family": part.family, "line_key": part.line_key})
    save_bench(t, doer, made.part_id, BenchSave(version=made.version, sheet=part.sheet))
    for said, keep in ((part.identification, bench.set_identification), (part.match, bench.set_match)):
        if said is None:
            continue
        item_id = _listed(t, said.item, notes)
        if item_id is None:
            break
        values = said.model_dump(exclude={"item", "person", "decided_at", "requirement"})
        keep(t, values | {
            "part_id": made.part_id, "item_id": item_id, "person_id": doer.person_id, "now": _bare(said.decided_at),
            "from_file": said.person,
            "facts_mark": FROM_FILE, "judged_mark": None, "requirement": None,
        })  # fmt: skip
    judge_again(t, made.part_id, index, instrument_of)
    for kind, own in ((SEATS, part.seats), (PLACE, part.place)):
        if own is not None:
            sheets.save(t, doer, kind, part_subject(t, made.part_id, lock=True), 0, own, HOST)


def _listed(t: Transaction, item: ListedItem, notes: list[str]) -> int | None:
    found = queries.item_by_marking(t, item.maker, item.marking)
    if found is None:
        notes.append(
            f"{item.maker} {item.marking} is not in this shop's catalogue: identify that part again."
        )
    return found


def _bare(moment: datetime) -> datetime:
    return moment.replace(tzinfo=None)
