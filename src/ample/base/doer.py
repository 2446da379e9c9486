"""Who does something, and when: passed in, never looked up."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal

from ample.base.rights import ROLES, RightName, Rights, known_rights, rights_of
from ample.core.errors import AmpleError


class NotSignedIn(AmpleError):
    """Nobody is signed in, or not as they should be."""

    status = 401


class NotAllowed(AmpleError):
    """This person may not do this."""

    status = 403


@dataclass(frozen=True)
class Doer:
    """A person at work with what they may do, and the time it is (UTC); without changes, what a new shop gives."""

    person_id: int
    name: str
    role: str
    now: datetime
    changed: Rights | None = None

    @property
    def rights(self) -> Rights:
        """What this person may do."""
        return self.changed or rights_of(self.role)

    def must(self, right: RightName) -> None:
        """Refuse whoever does not have the right."""
        refuse_without(right, self.name, self.rights)

    def must_stay_within(self, amount: Decimal) -> None:
        """Refuse an order of more than this person may place."""
        limit = self.rights.order_limit
        if limit is not None and amount > limit:
            raise NotAllowed(
                "over_the_limit",
                f"This order comes to {amount:.2f}; {self.name} ({self.role}) may place up to {limit:.2f}.",
                None,
                "Ask someone with a higher limit to place it.",
            )


def refuse_without(right: str, name: str, rights: Rights) -> None:
    """Refuse whoever does not have the right, in words that say who has."""
    if rights.may(right):
        return
    known = known_rights()[right]
    usual = [role for role in ROLES[:-1] if role in known.given_to]
    raise NotAllowed(
        "not_allowed",
        f"{name} ({rights.role}) may not {known.words}.",
        None,
        f"Ask the owner{', or someone with another role' if usual else ''}.",
    )
