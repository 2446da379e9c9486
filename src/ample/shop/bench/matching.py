"""What can take the place of a part: by rule, by record and by size."""

from __future__ import annotations

from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_part
from ample.base.records import PartHead
from ample.core.errors import BadInput
from ample.core.exchange import InterchangeAnswer
from ample.core.interchange import Running, interchange_of
from ample.shop.bench import queries
from ample.shop.bench.actions import decoded, known_item, same_version
from ample.shop.bench.records import ChooseRequest
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.index import ShopIndex
from ample.shop.catalogue.records import CrossReference, Equivalent, Item, MatchAnswer
from ample.store import Transaction

MOST_BY_SIZE = 90


def matches_of(t: Transaction, part_id: int, index: ShopIndex) -> MatchAnswer:
    """The part as identified, decoded, and everything that can replace it."""
    part = known_part(t, part_id)
    chosen = _chosen(t, part_id)
    same_size = catalogue.items_of_size(t, chosen)
    records = catalogue.records_for(t, [chosen.marking, chosen.designation, part.marking])
    recorded = {item_id: said for said, item_id in reversed(records)}
    by_record = [known_item(t, item_id) for item_id in recorded]
    by_record = [item for item in by_record if item.family == chosen.family]
    recorded = {
        item_id: said for item_id, said in recorded.items() if item_id in {i.item_id for i in by_record}
    }
    by_rule = [item for item in same_size if item.spec == chosen.spec]
    taken = {item.item_id for item in by_rule} | set(recorded)
    others = [item for item in same_size if item.item_id not in taken]
    judged = [_equivalent(chosen, item, "size", part) for item in others]
    judged.sort(key=_rank)
    offers = catalogue.offers_of(
        t, [item.item_id for item in (*by_rule, *by_record)] + [e.item.item_id for e in judged[:MOST_BY_SIZE]]
    )
    match = queries.match(t, part_id)
    return MatchAnswer(
        part_id=part_id,
        chosen=chosen,
        ball_mm=chosen.element_mm,
        reading=decoded(chosen, index),
        marking=chosen.marking,
        by_rule=sorted(
            (_equivalent(chosen, item, "rule", part).model_copy(update={"offers": offers.get(item.item_id, [])})
             for item in by_rule), key=_rank,
        ),
        by_record=[
            _equivalent(chosen, item, "record", part, recorded[item.item_id]).model_copy(
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


def _chosen(t: Transaction, part_id: int) -> Item:
    row = queries.identification(t, part_id)
    if row is None:
        raise BadInput(
            "not_identified",
            "This part has not been identified yet.",
            "part_id",
            "Say on the Bench what it is.",
        )
    return known_item(t, row["item_id"])


def running(rpm: int | None, dirty: bool) -> Running:
    """How a part runs, as far as it is known."""
    return Running(rpm=rpm, dirty=dirty or None)


def _equivalent(
    chosen: Item, item: Item, found_by: str, part: PartHead, said: CrossReference | None = None
) -> Equivalent:
    judged = interchange_of(chosen.spec, item.spec, running(part.rpm, part.dirty))
    return Equivalent(
        item=item,
        found_by=found_by,
        record=said,
        interchange=InterchangeAnswer.model_validate(judged),
        offers=[],
    )


def _rank(each: Equivalent) -> tuple[float, int, int]:
    """Nearest first; of equals, what lies on the shelf."""
    return (each.interchange.distance, -min(each.item.stock_quantity, 1), each.item.item_id)


def choose_match(
    t: Transaction, doer: Doer, part_id: int, choice: ChooseRequest, index: ShopIndex
) -> MatchAnswer:
    """Choose what replaces the part; the verdict is worked out here and kept with the choice."""
    doer.must("confirm")
    part = known_part(t, part_id, lock=True)
    chosen = _chosen(t, part_id)
    item = known_item(t, choice.item_id)
    earlier = queries.match(t, part_id, lock=True)
    same_version(earlier, choice.version)
    judged = interchange_of(chosen.spec, item.spec, running(part.rpm, part.dirty))
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
