"""Signing in and out, and one's own PIN."""

from __future__ import annotations

import hashlib
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta

from ample.base.audit import record
from ample.base.audit_queries import forget_keys
from ample.base.doer import Doer, NotAllowed, NotSignedIn
from ample.core.errors import BadInput
from ample.shop.people import brake, queries
from ample.shop.people.records import OwnSecret, Person
from ample.shop.people.secrets import checked_secret, hash_secret, matches, nobody_hash
from ample.store import Database, Transaction

SESSION_HOURS = 12
KEPT = timedelta(days=3)  # no request is repeated, and no failed try is shown, after that


@dataclass(frozen=True)
class Door:
    """Where a sign-in comes from: address, whether it is this machine itself, the machine's mark and who it knows."""

    address: str
    here: bool = False
    machine: str | None = None
    knows: frozenset[int] = frozenset()


def token_hash(token: str) -> str:
    """Sessions are stored by hash, so that a copy of the table opens nothing."""
    return hashlib.sha256(token.encode()).hexdigest()


def sign_in(database: Database, name: str, secret: str, door: Door, now: datetime) -> tuple[Person, str]:
    """Check a name and secret and open a session; a try is counted before it is looked at."""
    row = database.run(lambda t: queries.person_for_sign_in(t, name))
    person_id = int(row["person_id"]) if row else None
    known = door.machine if person_id in door.knows else None
    tried = brake.Try(name, person_id, door.address, known)

    def count(t: Transaction) -> int:
        brake.count(t, tried, now)
        return queries.add_attempt(t, name[:60], door.address[:45], now)

    attempt_id = database.run(count)
    good = matches(row["secret_hash"] if row else nobody_hash(), secret) and row is not None
    if not good or row is None:
        raise NotSignedIn(
            "wrong_secret", "Wrong name or PIN.", "secret", "Forgotten? The owner can give you a new PIN."
        )
    if row["demo_pin"] is not None and not door.here:
        raise NotAllowed(
            "demo_pin_here_only",
            "The demo PINs work on the machine that runs Ample only.",
            "secret",
            "Sign in there, choose your own PIN, then come back.",
        )
    person = Person(**{key: row[key] for key in ("person_id", "name", "role", "choose_secret")})

    def open_session(t: Transaction) -> str:
        brake.forgive(t, tried, now)
        queries.succeeded(t, attempt_id)
        queries.forget_attempts(t, now - KEPT)
        forget_keys(t, now - KEPT)
        return begin_session(t, person.person_id, door, now)

    return person, database.run(open_session)


def begin_session(t: Transaction, person_id: int, door: Door, now: datetime) -> str:
    """A new session; its token, which is not kept."""
    token = secrets.token_urlsafe(32)
    queries.add_session(
        t,
        {
            "token_hash": token_hash(token), "person_id": person_id, "now": now,
            "expires": now + timedelta(hours=SESSION_HOURS), "address": door.address[:45],
        },
    )  # fmt: skip
    return token


def change_own_secret(
    database: Database, doer: Doer, asked: OwnSecret, door: Door, token: str, now: datetime
) -> None:
    """Another PIN or password of one's own; whoever is signed in elsewhere with the old one is not any more."""
    row = database.run(lambda t: queries.person(t, doer.person_id))
    assert row is not None
    tried = brake.Try(doer.name, doer.person_id, door.address, door.machine)
    database.run(lambda t: brake.count(t, tried, now))
    if not matches(row["secret_hash"], asked.old):
        raise BadInput("wrong_secret", "That is not your current PIN or password.", "old", "Type it again.")
    database.run(lambda t: brake.forgive(t, tried, now))  # a new one that will not do is no guess
    if asked.new == asked.old:
        raise BadInput("same_secret", "The new one is the same as the old one.", "new", "Choose another.")
    hashed = hash_secret(checked_secret(asked.new, doer.name, doer.role))

    def keep(t: Transaction) -> None:
        queries.set_secret(t, doer.person_id, hashed, choose_secret=False)
        ended = queries.end_sessions(t, doer.person_id, but=token_hash(token))
        record(t, doer, "person", doer.person_id, "own_secret", None, {"sign_ins_ended": ended})

    database.run(keep)
