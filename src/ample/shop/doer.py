"""Who does something, and when: passed in, never looked up."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from ample.core.errors import AmpleError

ROLES = ("counter", "bench", "buyer", "owner")


class NotAllowed(AmpleError):
    """This person may not do this."""

    status = 403


@dataclass(frozen=True)
class Doer:
    """A person at work, and the time it is (UTC)."""

    person_id: int
    name: str
    role: str
    now: datetime

    def must_be(self, *roles: str) -> None:
        """Refuse when the person has none of the roles; the owner has all."""
        if self.role not in roles and self.role != "owner":
            raise NotAllowed(
                "not_allowed",
                f"{self.name} ({self.role}) may not do this.",
                None,
                f"Ask someone who is {' or '.join(roles)}.",
            )
