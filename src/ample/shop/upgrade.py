"""What a shop of an earlier version needs beyond its tables: done at every start, and nothing when done before."""

from __future__ import annotations

from datetime import datetime
from functools import partial

from ample.base import audit_queries as history
from ample.base.jobs import known_part
from ample.core.contract.specs import part_of_reading
from ample.core.designation import Dialect, decode
from ample.sheets.earlier import take_over_seats
from ample.shop.bench import queries as bench
from ample.shop.bench.actions import evidence_mark, judge_again, keep_requirement, sheet_of
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.columns import columns_of
from ample.shop.catalogue.index import ShopIndex, build_index, dialects
from ample.shop.instruments.today import todays_instruments
from ample.shop.orders import queries as orders
from ample.shop.orders.checks import checks_of
from ample.shop.photos import queries as photos
from ample.shop.photos.pictures import made_plain
from ample.store import Database, Transaction

CHANGED = "changed"  # the mark of an identification whose evidence was changed by an earlier version


def bring_up_to_date(database: Database) -> int:
    """Bring what earlier versions stored to today's rules; how many records were changed."""
    listed = database.run(take_over_seats) + _listed_bearings(database)
    return (
        listed + _identifications(database) + _requirements(database) + _passes(database) + _photos(database)
    )


def _identifications(database: Database) -> int:
    """An earlier version kept an identification whatever happened to its readings: each is bound to them now,
    and where they were changed after it, judged again.
    """
    waiting = database.read(bench.unbound)
    changed = [row["part_id"] for row in waiting if database.run(partial(_bind, row=row))]
    if changed:
        index = database.read(build_index)
        for part_id in changed:
            database.run(partial(_judge, part_id=part_id, index=index))
    return len(waiting)


def _bind(t: Transaction, row: dict[str, object]) -> bool:
    """Bind an identification to its readings; True when they were changed after it was made."""
    part_id, decided = int(str(row["part_id"])), row["decided_at"]
    assert isinstance(decided, datetime)
    part = known_part(t, part_id, lock=True)
    mark = evidence_mark(sheet_of(t, part), part.family)
    changed = history.changed_after(t, "part", part_id, ("bench",), decided)
    bench.set_marks(t, part_id, CHANGED if changed else mark, None if changed else mark)
    return changed


def _judge(t: Transaction, part_id: int, index: ShopIndex) -> None:
    find = todays_instruments(t)
    judge_again(t, part_id, index, find)


def _requirements(database: Database) -> int:
    """An earlier version kept only which listed part it was confirmed as: what is required is made from the evidence."""
    waiting = database.read(bench.without_requirement)
    if waiting:
        known = tuple(database.read(dialects).values())
        for part_id in waiting:
            database.run(partial(_require, part_id=part_id, known=known))
    return len(waiting)


def _require(t: Transaction, part_id: int, known: tuple[Dialect, ...]) -> None:
    keep_requirement(t, part_id, known, todays_instruments(t))


def _listed_bearings(database: Database) -> int:
    """An earlier version lost snap rings, pairs and the like of listed bearings: their markings are read again, once."""
    if database.read(catalogue.extras_are_read):
        return 0
    known = database.read(dialects)
    found = []
    for row in database.read(catalogue.plain_bearings):
        readings = decode(row["marking"], tuple(filter(None, [known.get(row["maker"])])), family="bearing")
        whole = bool(readings) and not readings[0].unread and len(readings[0].dimensions) > 1
        few = columns_of(part_of_reading(readings[0]))["attributes"] if whole else None
        if few:
            found.append({"item_id": row["item_id"], "attributes": few})
    database.run(partial(catalogue.set_extras, rows=found))
    return len(found)


def _passes(database: Database) -> int:
    """An earlier version bound a pass to the words of its check: each is bound to the facts now, if they are
    still those that it was given for.
    """
    waiting = database.read(orders.unbound_passes)
    for row in waiting:
        database.run(partial(_bind_pass, row=row))
    return len(waiting)


def _bind_pass(t: Transaction, row: dict[str, object]) -> None:
    find = todays_instruments(t)
    part_id, given = int(str(row["part_id"])), row["passed_at"]
    assert isinstance(given, datetime)
    checks = checks_of(t, [part_id], find)[part_id]
    check = next((each for each in checks if each.light == row["light"]), None)
    changed = history.changed_after(t, "part", part_id, ("bench", "seats", "identified", "matched"), given)
    changed |= history.changed_after(t, "order_line", int(str(row["line_id"])), ("quantity",), given)
    orders.bind_pass(t, int(str(row["pass_id"])), check.facts_mark if check and not changed else "")


def _photos(database: Database) -> int:
    """A photo that an earlier version read from a job file may hold more than a picture."""
    changed = 0
    for photo_id in database.read(photos.unlooked):
        image = database.look(partial(photos.image, photo_id=photo_id))
        plain = made_plain(image) if image else None
        changed += plain is not None and plain != image
        database.run(partial(photos.set_plain, photo_id=photo_id, image=plain))
    return changed
