"""Signing in and out."""

from __future__ import annotations

import hashlib
import secrets
from datetime import datetime, timedelta
from functools import lru_cache

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerifyMismatchError

from ample.core.errors import AmpleError, BadInput
from ample.shop.doer import ROLES
from ample.shop.history.queries import forget_keys
from ample.shop.people import queries
from ample.shop.people.records import Person
from ample.store import Database, Transaction

SESSION_HOURS = 14
TRIES_BY_NAME, TRIES_BY_ADDRESS = 6, 30
WINDOW = timedelta(minutes=10)
KEPT = timedelta(days=3)  # no request is repeated, and no failed try counts, after that


class NotSignedIn(AmpleError):
    """Who is asking is not known."""

    status = 401


class TooManyTries(AmpleError):
    """Signing in failed too often of late."""

    status = 429


@lru_cache
def _hasher() -> PasswordHasher:
    return PasswordHasher(time_cost=2, memory_cost=19_456, parallelism=1)


@lru_cache
def _nobody_hash() -> str:
    return _hasher().hash(secrets.token_hex(8))


def hash_secret(secret: str) -> str:
    """The argon2 hash of a PIN or password."""
    if len(secret) < 4:
        raise BadInput("secret_too_short", "A PIN has at least four characters.", "secret")
    return _hasher().hash(secret)


def add_person(t: Transaction, name: str, role: str, secret: str, demo_pin: str | None = None) -> int:
    """A new person with a role and a secret."""
    if role not in ROLES:
        raise BadInput("no_such_role", f"“{role[:20]}” is no role.", "role", ", ".join(ROLES))
    return queries.add_person(t, name, role, hash_secret(secret), demo_pin)


def token_hash(token: str) -> str:
    """Sessions are stored by hash, so that a copy of the table opens nothing."""
    return hashlib.sha256(token.encode()).hexdigest()


def sign_in(database: Database, name: str, secret: str, address: str, now: datetime) -> tuple[Person, str]:
    """Check a name and secret and open a session; failures are counted and slowed."""
    _refuse_too_many(database, name, address, now)
    row = database.run(lambda t: queries.person_for_sign_in(t, name))
    good = _matches(row["secret_hash"] if row else _nobody_hash(), secret) and row is not None
    if not good or row is None:
        database.run(lambda t: queries.add_attempt(t, name[:60], address, False, now))
        raise NotSignedIn(
            "wrong_secret", "Name and PIN do not go together.", "secret", "Try again, or ask the owner."
        )
    person = Person(person_id=row["person_id"], name=row["name"], role=row["role"])
    token = secrets.token_urlsafe(32)

    def open_session(t: Transaction) -> None:
        queries.clear_attempts(t, name)
        queries.add_attempt(t, name, address, True, now)
        expires = now + timedelta(hours=SESSION_HOURS)
        queries.add_session(t, token_hash(token), person.person_id, now, expires)
        queries.forget_attempts(t, now - KEPT)
        forget_keys(t, now - KEPT)

    database.run(open_session)
    return person, token


def _refuse_too_many(database: Database, name: str, address: str, now: datetime) -> None:
    failed = database.run(lambda t: queries.failed_attempts(t, name, address, now - WINDOW))
    if failed["by_name"] >= TRIES_BY_NAME or failed["by_address"] >= TRIES_BY_ADDRESS:
        raise TooManyTries(
            "too_many_tries",
            "Signing in failed too often. Wait ten minutes.",
            "secret",
            "Or ask the owner.",
        )


def _matches(secret_hash: str, secret: str) -> bool:
    try:
        return _hasher().verify(secret_hash, secret)
    except (VerifyMismatchError, InvalidHashError):
        return False
