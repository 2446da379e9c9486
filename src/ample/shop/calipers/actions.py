"""What can be done with calipers that send."""

from __future__ import annotations

from ample.core.errors import Conflict, NotKnown
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
    held = queries.caliper_named(t, new.name)
    if (held["version"] if held else 0) != new.version:
        raise Conflict(
            "changed_meanwhile",
            f"{held['name']} is linked at {held['host']}:{held['port']} already." if held else
            f"{new.name} is not linked any more.",
            "name",
            "Unlink it first, or change the link that you see.",
            {"version": held["version"] if held else 0},
        )  # fmt: skip
    if held:
        queries.move_caliper(t, new.name, new.host, new.port)
    else:
        queries.add_caliper(t, new.name, new.host, new.port)
    record(t, doer, "caliper", held["caliper_id"] if held else 0, "linked", held, new)
    return calipers_of(t, None)


def drop_caliper(t: Transaction, doer: Doer, caliper_id: int) -> CalipersAnswer:
    """Unlink a caliper."""
    doer.must_be("bench")
    if not queries.drop_caliper(t, caliper_id):
        raise NotKnown("no_such_caliper", f"There is no caliper {caliper_id}.", "caliper_id")
    record(t, doer, "caliper", caliper_id, "unlinked", None, None)
    return calipers_of(t, None)
