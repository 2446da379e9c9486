"""The signed-in person as Flask-Login sees them."""

from __future__ import annotations

from flask import session

from ample.base.rights import Rights
from ample.shop.people.records import Person


class SignedIn:
    """The signed-in person, with what they may do now, as Flask-Login wants them."""

    is_authenticated = True
    is_active = True
    is_anonymous = False

    def __init__(self, person: Person, rights: Rights, token: str) -> None:
        self.person = person
        self.rights = rights
        self.token = token

    def get_id(self) -> str:
        """The session's token."""
        return self.token


def forget_session() -> None:
    """Drop the cookie's contents, the forged-request token with it."""
    session.clear()
