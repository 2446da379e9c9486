"""Who may do what: a table for a new shop, and what its owner has changed of it."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from decimal import Decimal
from functools import cache
from pathlib import Path
from typing import Literal, TypeVar

from ample.core.tables import read_table

RoleName = Literal["counter", "bench", "buyer", "owner"]
RightName = Literal[
    "confirm", "override", "second_person", "place_order", "import_job", "delete", "instruments", "lists",
    "read_audit", "people",
]  # fmt: skip
ROLES: tuple[RoleName, ...] = ("counter", "bench", "buyer", "owner")
OWNER = "owner"
ANYONE = "anyone"  # needs no sign-in
SIGNED_IN = "signed_in"  # needs a sign-in and no right
OWN_DOOR = "own_door"  # also while a PIN given by another is still to be replaced
Handler = TypeVar("Handler", bound=Callable[..., object])


@dataclass(frozen=True)
class Right:
    """One thing that not everybody may do."""

    name: str
    words: str
    given_to: frozenset[str]
    may_have: frozenset[str]
    has_limit: bool


@dataclass(frozen=True)
class Change:
    """What the owner has changed for one role."""

    role: str
    right: str
    allowed: bool
    limit: Decimal | None = None


@dataclass(frozen=True)
class Rights:
    """What one role may do."""

    role: str
    names: frozenset[str] = field(default_factory=frozenset)
    order_limit: Decimal | None = None

    def may(self, right: str) -> bool:
        """Whether this role has a right."""
        return right in self.names


@cache
def known_rights() -> dict[str, Right]:
    """The table, by name of the right."""
    table = read_table(Path(__file__).with_name("rights.csv"))
    return {
        row["right"]: Right(
            row["right"],
            row["words"],
            frozenset(role for role in ROLES[:-1] if row[role] == "yes"),
            frozenset(row["may_have"].split()),
            row["has_limit"] == "yes",
        )
        for row in table.rows
    }


def rights_of(role: str, changes: Iterable[Change] = ()) -> Rights:
    """What a role may do: the table and the owner's changes; the owner may do all, without a limit.

    >>> sorted(rights_of("buyer").names)
    ['confirm', 'delete', 'lists', 'override', 'place_order']
    >>> rights_of("counter", [Change("counter", "override", True)]).may("override")
    False
    """
    table = known_rights()
    if role == OWNER:
        return Rights(role, frozenset(table))
    changed = {
        each.right: each for each in changes if each.role == role and role in table[each.right].may_have
    }
    names = {
        name
        for name, right in table.items()
        if (changed[name].allowed if name in changed else role in right.given_to)
    }
    limit = changed["place_order"].limit if "place_order" in changed else None
    return Rights(role, frozenset(names), limit)


def needs(right: RightName | Literal["anyone", "signed_in", "own_door"]) -> Callable[[Handler], Handler]:
    """Say at a route what whoever comes needs; the door asks for it before anything is read."""

    def marked(handler: Handler) -> Handler:
        handler.needs = right  # type: ignore[attr-defined]
        return handler

    return marked
