"""What can be done with calipers that send."""

from __future__ import annotations

from ample.base.audit import record
from ample.base.doer import Doer
from ample.core.errors import BadInput, Conflict, NotKnown
from ample.shop.calipers import queries
from ample.shop.calipers.networks import checked_network, may_be_at
from ample.shop.calipers.records import CalipersAnswer, NewCaliper, SetNetworks
from ample.store import Transaction


def calipers_of(t: Transaction, after: int | None) -> CalipersAnswer:
    """Calipers and what they sent after a reading; a bench that begins to listen gets nothing old."""
    listed = queries.all_calipers(t)
    if after is None:
        return CalipersAnswer(
            calipers=listed, readings=[], last=queries.last_reading(t), networks=queries.networks(t)
        )
    readings = queries.readings_after(t, after)
    return CalipersAnswer(
        calipers=listed, readings=readings, last=readings[-1].reading_id if readings else after
    )


def add_caliper(t: Transaction, doer: Doer, new: NewCaliper) -> CalipersAnswer:
    """Link a caliper."""
    doer.must("instruments")
    if not may_be_at(new.host, queries.networks(t)):
        raise BadInput(
            "address_not_allowed",
            f"{new.host} is not an allowed caliper address.",
            "host",
            "The owner can allow addresses under Shop, People.",
        )
    held = queries.caliper_named(t, new.name)
    if (held["version"] if held else 0) != new.version:
        raise Conflict(
            "changed_meanwhile",
            f"{held['name']} is already connected at {held['host']}:{held['port']} already." if held else
            f"{new.name} is not connected any more.",
            "name",
            "Disconnect it first, or edit the connection shown.",
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
    doer.must("instruments")
    if not queries.drop_caliper(t, caliper_id):
        raise NotKnown("no_such_caliper", f"There is no caliper {caliper_id}.", "caliper_id")
    record(t, doer, "caliper", caliper_id, "unlinked", None, None)
    return calipers_of(t, None)


def set_networks(t: Transaction, doer: Doer, asked: SetNetworks) -> CalipersAnswer:
    """Say where calipers may be; one that is linked elsewhere is let go."""
    doer.must("people")
    held = queries.networks(t)
    if sorted(asked.seen) != sorted(held):
        raise Conflict(
            "changed_meanwhile", "Someone else has changed the addresses.", None,
            "Reload, then change them.", {"networks": held},
        )  # fmt: skip
    wanted = sorted({checked_network(each) for each in asked.networks})
    queries.set_networks(t, wanted)
    record(t, doer, "caliper", 0, "networks", {"networks": held}, {"networks": wanted})
    return calipers_of(t, None)
