"""What can be done with calipers that send."""

from __future__ import annotations

from ample.core.errors import NotKnown
from ample.shop.calipers import queries
from ample.shop.calipers.records import CalipersAnswer, NewCaliper
from ample.shop.doer import Doer
from ample.shop.history.actions import record
from ample.store import Transaction


def calipers_of(t: Transaction, after: int | None) -> CalipersAnswer:
    """Calipers and what they sent after a reading; a bench that begins to listen gets nothing old."""
    listed = queries.all_calipers(t)
    if after is None:
        return CalipersAnswer(calipers=listed, readings=[], last=queries.last_reading(t))
    readings = queries.readings_after(t, after)
    return CalipersAnswer(
        calipers=listed, readings=readings, last=readings[-1].reading_id if readings else after
    )


def add_caliper(t: Transaction, doer: Doer, new: NewCaliper) -> CalipersAnswer:
    """Link a caliper."""
    doer.must_be("bench")
    queries.add_caliper(t, new.name, new.host, new.port)
    record(t, doer, "caliper", 0, "linked", None, new)
    return calipers_of(t, None)


def drop_caliper(t: Transaction, doer: Doer, caliper_id: int) -> CalipersAnswer:
    """Unlink a caliper."""
    doer.must_be("bench")
    if not queries.drop_caliper(t, caliper_id):
        raise NotKnown("no_such_caliper", f"There is no caliper {caliper_id}.", "caliper_id")
    record(t, doer, "caliper", caliper_id, "unlinked", None, None)
    return calipers_of(t, None)
