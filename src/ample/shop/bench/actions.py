"""What is done at the bench: readings kept, a part named, a replacement chosen."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from ample.base import job_queries as jobs
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_part
from ample.base.marks import mark_of
from ample.base.places import places_of
from ample.base.records import PartHead
from ample.core import contract
from ample.core.contract import BenchSheet
from ample.core.designation import Dialect, title_of
from ample.core.errors import AmpleError, BadInput, Conflict, NotKnown
from ample.core.identify import standard_catalogue
from ample.core.kits.order_checks import WORST_SIGMAS
from ample.core.operations import decode_answer, identify_answer
from ample.core.operations.bench import lengths_of, request_of
from ample.core.operations.identify import requirement_for
from ample.core.parts import FAMILIES
from ample.core.parts.requirement import Requirement
from ample.core.sizes import Instrument
from ample.core.sizes.figures import percent
from ample.sheets import store as sheets
from ample.sheets.host import Change, Host, InTables, Tables
from ample.sheets.kinds.bench import BENCH
from ample.sheets.subjects import Subject, part_subject
from ample.shop.bench import queries
from ample.shop.bench.readings import observations_of
from ample.shop.bench.records import (
    BenchAnswer,
    BenchSave,
    ConfirmRequest,
    IdentificationRecord,
)
from ample.shop.bench.requirements import as_json, from_json, requirements_of
from ample.shop.bench.ring_lists import RingLists, ring_lists_of
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.index import ShopIndex
from ample.shop.catalogue.keeper import current_index
from ample.shop.catalogue.records import Item
from ample.shop.instruments.today import todays_instruments
from ample.store import Transaction

InstrumentOf = Callable[[str], Instrument]
LEAST_CHANCE = 1e-9  # written as under 1 %, never as none
EVEN_CHANCE = 0.5
ADDED_LATER = ("said", "medium", "temperature_c", "needed", "rubber")  # marks of before know nothing of them


def known_item(t: Transaction, item_id: int) -> Item:
    """The listed item, or a clear word that there is none."""
    item = catalogue.item(t, item_id)
    if item is None:
        raise NotKnown("no_such_item", f"The catalogue has no item {item_id}.", "item_id")
    return item


def sheet_of(t: Transaction, part: PartHead) -> BenchSheet:
    """The bench sheet of a part."""
    return BenchSheet.model_validate(
        {
            "family": part.family,
            "marking": part.marking,
            "condition": part.condition_seen,
            "kind": part.bench_kind,
            "answers": part.bench_answers,
            "said": part.said,
            "medium": part.medium,
            "temperature_c": part.temperature_c,
            "needed": part.needed,
            "rubber": part.rubber_seen,
            "observations": observations_of(queries.readings_of(t, part.part_id)),
        }
    )


def bench_of(t: Transaction, part_id: int) -> BenchAnswer:
    """A part with all that the bench shows of it."""
    part = known_part(t, part_id)
    job = jobs.job_by_id(t, part.job_id)
    assert job is not None
    return BenchAnswer(
        job=job,
        part=part,
        place=places_of(t, [part_id])[part_id],
        sheet=sheet_of(t, part),
        version=part.version,
        identification=identification_of(t, part_id),
        ring_lists=ring_lists_of(t, part_id),
        tray=jobs.parts_of_jobs(t, [part.job_id]),
    )


def identification_of(t: Transaction, part_id: int) -> IdentificationRecord | None:
    """What a part is identified as."""
    row = queries.identification(t, part_id)
    wanted = requirements_of(t, [known_part(t, part_id)]).get(part_id)
    if row is None or wanted is None:
        return None
    changed = row.pop("facts_mark") != row.pop("judged_mark")
    row.pop("requirement")
    return IdentificationRecord(
        item=known_item(t, row.pop("item_id")), requirement=wanted, title=title_of(wanted), changed_since=changed,
        **row,
    )  # fmt: skip


def save_bench(
    t: Transaction, doer: Doer, part_id: int, save: BenchSave, index: ShopIndex | None = None
) -> BenchAnswer:
    """Keep a sheet; one made from an older version is refused with the newer one beside it."""
    subject = part_subject(t, part_id, lock=True)
    sheets.save(t, doer, BENCH, subject, save.version, save.sheet, HOST, prepared=index)
    return bench_of(t, part_id)


def _held(t: Transaction, subject: Subject) -> InTables:
    assert subject.part is not None, "a bench sheet is of a part"
    return InTables(sheet_of(t, subject.part), subject.part.version)


def _keep(t: Transaction, change: Change) -> None:
    queries.change_part(t, change.subject.id, change.sheet, change.version - 1)
    rows: list[dict[str, object]] = [
        {
            "feature": feature, "position": position, "typed": reading.typed, "unit": reading.unit,
            "value_mm": round(length.mm, 7), "instrument": instrument,
        }
        for position, (feature, reading, instrument, length) in enumerate(lengths_of(change.sheet))
    ]  # fmt: skip
    queries.replace_readings(t, change.subject.id, rows)
    if change.prepared is not None:
        judge_again(t, change.subject.id, change.prepared, todays_instruments(t))


def _lies_as(t: Transaction, subject: Subject) -> Any:
    assert subject.part is not None, "a bench sheet is of a part"
    return subject.part.family


def _identify(t: Transaction, subject: Subject) -> Any:
    """Over the catalogue and with the instruments of today; looked up when it is asked."""
    lists = ring_lists_of(t, subject.id)
    return lambda request: identify_in_shop(current_index(), lists.asked(request), todays_instruments(t))


HOST = Host({"lies_as": _lies_as, "identify": _identify}, {BENCH.name: Tables(_held, _keep, current_index)})


def identify_in_shop(
    index: ShopIndex, request: contract.IdentifyRequest, instrument_of: InstrumentOf
) -> contract.IdentifyAnswer:
    """Identify over the shop's own catalogue."""
    if not index.catalogues:
        raise AmpleError(
            "empty_catalogue",
            "The shop's catalogue is empty.",
            None,
            "Import a catalogue, or start with the demo data.",
        )
    listed = index.catalogues.get(request.family) or standard_catalogue(request.family)
    return identify_answer(request, listed, index.dialects, instrument_of)


def choose_identity(
    t: Transaction,
    doer: Doer,
    part_id: int,
    choice: ConfirmRequest,
    index: ShopIndex,
    instrument_of: InstrumentOf,
) -> BenchAnswer:
    """Say what the part is; how sure that is comes from the readings kept, not from the screen."""
    doer.must("confirm")
    part = known_part(t, part_id, lock=True)
    item = known_item(t, choice.item_id)
    if item.family != part.family:
        raise BadInput(
            "other_family",
            f"{item.marking} is a {FAMILIES[item.family].words}; this part is recorded as a {FAMILIES[part.family].words}.",
            "item_id",
        )
    sheet = sheet_of(t, part)
    earlier = queries.identification(t, part_id, lock=True)
    same_version(earlier, choice.version)
    lists = ring_lists_of(t, part_id)
    judged = judged_identity(sheet, part.family, item, index, instrument_of, lists)
    _be_sure(judged, item, choice.sure)
    mark = evidence_mark(sheet, part.family)
    queries.set_identification(
        t,
        judged | {
            "part_id": part_id, "item_id": item.item_id, "facts_mark": mark, "judged_mark": mark,
            "person_id": doer.person_id, "now": doer.now, "from_file": None,
        },
    )  # fmt: skip
    if earlier is None or earlier["item_id"] != item.item_id:
        queries.drop_match(t, part_id)
        catalogue.confirm(t, item.item_id)
    record(t, doer, "part", part_id, "identified", earlier and {"item": earlier["item_id"]},
           {"item": item.item_id, "marking": item.marking, "probability": judged["probability"]})  # fmt: skip
    return bench_of(t, part_id)


def _be_sure(judged: dict[str, Any], item: Item, sure: bool) -> None:
    """What is unlikely, does not fit or contradicts itself is asked once more, in words."""
    wanted: Requirement = from_json(judged["requirement"])
    doubts = [
        f"The marking says {each.marked}, but you chose {each.confirmed}."
        for each in wanted.clashes
        if not (each.name == "size" and judged["clash"])
    ]
    if judged["clash"]:
        doubts.append(judged["clash"])
    if judged["worst_sigmas"] is not None and judged["worst_sigmas"] > WORST_SIGMAS:
        doubts.append(
            f"A reading is {judged['worst_sigmas']:.0f} σ outside new-part limits of {item.designation}."
        )
    if judged["probability"] < EVEN_CHANCE:
        doubts.append(f"By the readings its chance is {percent(max(judged['probability'], LEAST_CHANCE))}.")
    if doubts and not sure:
        raise Conflict(
            "be_sure",
            " ".join(doubts),
            "sure",
            f"Confirm {item.designation} anyway, or measure again.",
        )


def judged_identity(
    sheet: BenchSheet,
    family: contract.FamilyName,
    item: Item,
    index: ShopIndex,
    instrument_of: InstrumentOf,
    lists: RingLists,
) -> dict[str, Any]:
    """How well a listed item agrees with what is kept of a part."""
    found = identify_in_shop(index, lists.asked(request_of(sheet, 100, family)), instrument_of)
    size = item.spec.dimensions
    near = [
        each
        for each in found.candidates
        if each.dimensions.keys() == size.keys()
        and all(abs(each.dimensions[name] - size[name]) < 1e-3 for name in size)
    ]
    chance = near[0].probability if near else 0.0
    misfit = near[0].misfit.sigmas if near and near[0].misfit else None
    return {
        "requirement": _required(sheet, family, item, index, instrument_of),
        "probability": round(chance, 8),
        "worst_sigmas": min(misfit, 99999.0) if misfit is not None else None,
        "clash": (found.clash or "")[:300],
        "features_read": len(sheet.observations),
        "marking_read": bool(found.marking),
    }


def _required(
    sheet: BenchSheet,
    family: contract.FamilyName,
    item: Item | None,
    index: ShopIndex,
    instrument_of: InstrumentOf,
) -> str:
    """What is required, of the size of a listed item, as it is kept."""
    asked = request_of(sheet, 1, family)
    return as_json(requirement_for(asked, item.spec if item else None, index.dialects, instrument_of))


def evidence_mark(sheet: BenchSheet, family: str) -> str:
    """A mark of what is kept of a part: an identification was made on it."""
    not_said = {
        name
        for name in ADDED_LATER
        if getattr(sheet, name) == BenchSheet.model_fields[name].get_default(call_default_factory=True)
    }
    return mark_of(family, sheet.model_dump(mode="json", exclude={"family", *not_said}))


def judge_rings_again(t: Transaction, job_id: int) -> None:
    """Where the machine was built has been said, or said otherwise: the O-rings confirmed on the job are judged by it."""
    for part_id in queries.rings_identified(t, job_id):
        judge_again(t, part_id, current_index(), todays_instruments(t), anyway=True)


def judge_again(
    t: Transaction, part_id: int, index: ShopIndex, instrument_of: InstrumentOf, anyway: bool = False
) -> None:
    """What a part was confirmed as is held against what is kept of it now; who confirmed it stays on record."""
    held = queries.identification(t, part_id, lock=True)
    if held is None:
        return
    part = known_part(t, part_id)
    sheet = sheet_of(t, part)
    mark = evidence_mark(sheet, part.family)
    if mark == held["judged_mark"] and not anyway:
        return
    item = known_item(t, held["item_id"])
    if item.family == part.family:
        lists = ring_lists_of(t, part_id)
        judged = judged_identity(sheet, part.family, item, index, instrument_of, lists)
    else:
        words = f"It was confirmed as {item.marking}, and is now recorded as a {FAMILIES[part.family].words}."
        judged = {
            "probability": 0.0, "worst_sigmas": None, "clash": words, "features_read": len(sheet.observations),
            "marking_read": False, "requirement": _required(sheet, part.family, None, index, instrument_of),
        }  # fmt: skip
    queries.set_judgement(t, part_id, judged | {"judged_mark": mark})


def same_version(earlier: dict[str, object] | None, version: int) -> None:
    """Refuse a choice that was made from an older one than the one kept."""
    held = int(str(earlier["version"])) if earlier else 0
    if held != version:
        raise Conflict(
            "changed_meanwhile",
            "Someone else has decided this in the meantime.",
            None,
            "Check their choice, then choose again.",
            {"version": held, "item_id": earlier["item_id"] if earlier else None},
        )


def decoded(item: Item, index: ShopIndex) -> contract.MarkingReading | None:
    """A listed marking read in its maker's own dialect."""
    own = [dialect for dialect in index.dialects if dialect.name == item.maker]
    readings = decode_answer(item.marking, own).readings
    return readings[0] if readings else None


def keep_requirement(
    t: Transaction, part_id: int, dialects: Sequence[Dialect], instrument_of: InstrumentOf
) -> None:
    """Make the requirement of a part that an earlier version identified, from what is kept of it."""
    held = queries.identification(t, part_id, lock=True)
    if held is None or held["requirement"] is not None:
        return
    part = known_part(t, part_id)
    item = known_item(t, held["item_id"])
    size_of = item.spec if item.family == part.family else None
    asked = request_of(sheet_of(t, part), 1, part.family)
    queries.set_requirement(t, part_id, as_json(requirement_for(asked, size_of, dialects, instrument_of)))
