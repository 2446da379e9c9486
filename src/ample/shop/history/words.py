"""What a change was, in words made from its codes."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

_WORDS = {
    ("job", "opened"): "opened the job",
    ("job", "imported"): "imported the job from a file",
    ("job", "take_in"): "changed the take-in",
    ("job", "line"): "changed the strip-down",
    ("job", "acknowledged"): "acknowledged the caution “{caution}”",
    ("job", "decided"): "decided on {part} as a second person: {verdict}",
    ("part", "added"): "put {of} in the tray",
    ("part", "bench"): "changed the measurements of {of}",
    ("part", "identified"): "identified {of} as {marking}",
    ("part", "matched"): "chose {marking} to replace {of}",
    ("part", "seats"): "changed the seats of {of}",
    ("job", "unit"): "linked the unit",
    ("job", "fit_up"): "worked on the fit-up",
    ("job", "proof"): "worked on the proof",
    ("job", "proof_signed"): "signed the proof",
    ("unit", "leak_log"): "added to the leak log",
    ("photo", "added"): "added a photo",
    ("photo", "placed"): "moved a photo",
    ("photo", "removed"): "deleted a photo",
    ("order_line", "added"): "put {of} on an order",
    ("order_line", "quantity"): "ordered {quantity} for {of}",
    ("order_line", "item"): "changed the item for {of} to {marking}",
    ("order_line", "withdrawn"): "cancelled {of} on a placed order: {reason}",
    ("order_line", "dropped"): "deleted {of} from an order",
    ("order_line", "passed"): "overrode the {light} check of {of}: {reason}",
    ("order", "placed"): "placed the order, {total}",
    ("caliper", "linked"): "connected {name} at {host}:{port}",
    ("caliper", "unlinked"): "disconnected a caliper",
    ("caliper", "networks"): "changed the allowed caliper addresses",
    ("instrument", "kept"): "changed {name}",
    ("instrument", "zero_checked"): "checked the zero of {name}",
    ("cross_reference", "added"): "added a cross-reference",
    ("maker", "added"): "added the maker {name}",
    ("maker", "dialect"): "changed the codes of {name}",
    ("maker", "imported"): "imported {items} catalogue items",
    ("model", "added"): "changed the builds of {name}",
    ("supplier", "added"): "added the supplier {name}",
    ("supplier", "offers"): "imported {offers} offers",
    ("person", "first_owner"): "made {name} the first owner",
    ("person", "added"): "added {name} ({role})",
    ("person", "changed"): "changed {name}",
    ("person", "new_secret"): "gave {of} a new PIN",
    ("person", "own_secret"): "changed their own PIN",
    ("person", "signed_out"): "signed {of} out everywhere",
    ("right", "set"): "changed what {role} may do",
}


class _Known(dict[str, object]):
    def __missing__(self, key: str) -> str:
        return "…"


def words_of(
    subject: str,
    action: str,
    before: Mapping[str, Any] | None,
    after: Mapping[str, Any] | None,
    of: str | None = None,
) -> str:
    """A change in words; `of` is the part or person that it was made to.

    >>> words_of("order_line", "passed", {"light": "shaft"}, {"reason": "spare shaft is here"}, "Idler bearing")
    'overrode the shaft check of Idler bearing: spare shaft is here'
    """
    pattern = _WORDS.get((subject, action), f"{subject.replace('_', ' ')}: {action.replace('_', ' ')}")
    named = {"of": of} if of else {}
    return pattern.format_map(_Known({**(before or {}), **(after or {}), **named}))


def known() -> frozenset[tuple[str, str]]:
    """The subjects and actions that have words."""
    return frozenset(_WORDS)
