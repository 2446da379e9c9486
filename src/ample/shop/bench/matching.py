"""What can take the place of a part: by rule, by record and by size."""

from __future__ import annotations

from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_part
from ample.base.records import PartHead
from ample.core.contract.specs import part_of_reading
from ample.core.designation import decode, title_of
from ample.core.errors import BadInput
from ample.core.interchange import Interchange, meets
from ample.core.operations import decode_answer
from ample.core.parts import FAMILIES, MarkingReading
from ample.core.parts.requirement import Requirement
from ample.shop.bench import queries
from ample.shop.bench.actions import decoded, known_item, same_version
from ample.shop.bench.records import ChooseRequest, OfferedAnswer
from ample.shop.bench.requirements import requirements_of
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.index import ShopIndex
from ample.shop.catalogue.records import CrossReference, Equivalent, Item, MatchAnswer
from ample.store import Transaction

MOST_BY_SIZE = 90


def matches_of(t: Transaction, part_id: int, index: ShopIndex) -> MatchAnswer:
    """The part as identified, decoded, and everything that can replace it; held against the requirement."""
    part = known_part(t, part_id)
    chosen, wanted = _wanted(t, part)
    spec = wanted.spec or chosen.spec
    same_size = catalogue.items_of_size(t, spec)
    records = catalogue.records_for(t, [chosen.marking, wanted.designation, part.marking])
    recorded = {item_id: said for said, item_id in reversed(records)}
    by_record = [known_item(t, item_id) for item_id in recorded]
    by_record = [item for item in by_record if item.family == chosen.family]
    recorded = {
        item_id: said for item_id, said in recorded.items() if item_id in {i.item_id for i in by_record}
    }
    by_rule = [
        item for item in same_size if item.spec == spec and not meets(wanted, item.spec).contradictions
    ]
    taken = {item.item_id for item in by_rule} | set(recorded)
    others = [item for item in same_size if item.item_id not in taken]
    judged = [_equivalent(wanted, item, "size") for item in others]
    judged.sort(key=_rank)
    offers = catalogue.offers_of(
        t, [item.item_id for item in (*by_rule, *by_record)] + [e.item.item_id for e in judged[:MOST_BY_SIZE]]
    )
    match = queries.match(t, part_id)
    return MatchAnswer(
        part_id=part_id,
        chosen=chosen,
        ball_mm=chosen.element_mm,
        reading=_reading(part, wanted, chosen, index),
        marking=title_of(wanted),
        requirement=wanted,
        by_rule=sorted(
            (_equivalent(wanted, item, "rule").model_copy(update={"offers": offers.get(item.item_id, [])})
             for item in by_rule), key=_rank,
        ),
        by_record=[
            _equivalent(wanted, item, "record", recorded[item.item_id]).model_copy(
                update={"offers": offers.get(item.item_id, [])}
            )
            for item in by_record
        ],
        by_size=[
            each.model_copy(update={"offers": offers.get(each.item.item_id, [])})
            for each in judged[:MOST_BY_SIZE]
        ],
        by_size_more=max(0, len(judged) - MOST_BY_SIZE),
        match_item_id=match["item_id"] if match else None,
        match_version=match["version"] if match else 0,
    )  # fmt: skip


def _wanted(t: Transaction, part: PartHead) -> tuple[Item, Requirement]:
    """The listed part that it was confirmed as, and what is required."""
    row = queries.identification(t, part.part_id)
    wanted = requirements_of(t, [part]).get(part.part_id)
    if row is None or wanted is None:
        raise BadInput(
            "not_identified",
            "This part is not identified yet.",
            "part_id",
            "Identify it on the Bench.",
        )
    return known_item(t, row["item_id"]), wanted


def _reading(part: PartHead, wanted: Requirement, chosen: Item, index: ShopIndex) -> MarkingReading | None:
    """The marking that was read on the part, character by character; without one that of the listed part."""
    if part.marking.strip():
        readings = decode_answer(part.marking, index.dialects, part.family).readings
        return next(
            (each for each in readings if each.designation == wanted.designation),
            readings[0] if readings else None,
        )
    return decoded(chosen, index)


def _equivalent(
    wanted: Requirement, item: Item, found_by: str, said: CrossReference | None = None
) -> Equivalent:
    return Equivalent(
        item=item,
        found_by=found_by,
        record=said,
        interchange=judged_against(wanted, item),
        offers=[],
    )


def judged_against(wanted: Requirement, item: Item) -> Interchange:
    """A listed part held against the requirement."""
    return meets(wanted, item.spec)


def offered(t: Transaction, part_id: int, text: str, index: ShopIndex) -> OfferedAnswer:
    """What a supplier offers, typed as it is marked, held against the requirement."""
    part = known_part(t, part_id)
    _, wanted = _wanted(t, part)
    readings = decode(text, index.dialects, family=part.family)
    readings = tuple(each for each in readings if len(each.dimensions) > 1)
    if not readings:
        raise BadInput(
            "not_read",
            f"“{text[:30]}” cannot be read as a {FAMILIES[part.family].words}.",
            "text",
            "Type its marking, or its sizes.",
        )
    spec = part_of_reading(readings[0])
    return OfferedAnswer(
        title=text.strip(),
        size_text=spec.size_text,
        interchange=meets(wanted, spec, readings[0].unread),
    )


def _rank(each: Equivalent) -> tuple[bool, float, int, int]:
    """What contradicts nothing first, nearest first; of equals, what lies on the shelf."""
    return (
        bool(each.interchange.contradictions),
        each.interchange.distance,
        -min(each.item.stock_quantity, 1),
        each.item.item_id,
    )


def choose_match(
    t: Transaction, doer: Doer, part_id: int, choice: ChooseRequest, index: ShopIndex
) -> MatchAnswer:
    """Choose what replaces the part; the verdict is worked out here and kept with the choice."""
    doer.must("confirm")
    part = known_part(t, part_id, lock=True)
    _, wanted = _wanted(t, part)
    item = known_item(t, choice.item_id)
    earlier = queries.match(t, part_id, lock=True)
    same_version(earlier, choice.version)
    judged = judged_against(wanted, item)
    queries.set_match(
        t,
        {
            "part_id": part_id,
            "item_id": item.item_id,
            "verdict": judged.verdict,
            "words": judged.words[:300],
            "person_id": doer.person_id,
            "from_file": None,
            "now": doer.now,
        },
    )
    record(t, doer, "part", part_id, "matched", earlier and {"item": earlier["item_id"]},
           {"item": item.item_id, "marking": item.marking, "verdict": judged.verdict})  # fmt: skip
    return matches_of(t, part_id, index)
