"""SQL of people, sessions and sign-in attempts."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.shop.people.records import DemoPerson, Person
from ample.store import Transaction


def person_for_sign_in(t: Transaction, name: str) -> dict[str, Any] | None:
    """An active person with the hash of their secret."""
    return t.first(
        """
        SELECT person_id, name, role, secret_hash
        FROM people
        WHERE name = %(name)s AND active
        """,
        {"name": name},
    )


def demo_people(t: Transaction) -> list[DemoPerson]:
    """People whose PIN is shown: the demo's."""
    rows = t.rows(
        """
        SELECT name, role, demo_pin AS pin
        FROM people
        WHERE demo_pin IS NOT NULL AND active
        ORDER BY person_id
        """
    )
    return [DemoPerson(**row) for row in rows]


def person_of_session(t: Transaction, token_hash: str, now: datetime) -> Person | None:
    """Whose session this is, while it lasts."""
    row = t.first(
        """
        SELECT p.person_id, p.name, p.role
        FROM sessions s
        JOIN people p ON p.person_id = s.person_id
        WHERE s.token_hash = %(token_hash)s AND s.expires_at > %(now)s AND p.active
        """,
        {"token_hash": token_hash, "now": now},
    )
    return Person(**row) if row else None


def add_person(t: Transaction, name: str, role: str, secret_hash: str, demo_pin: str | None) -> int:
    """A new person."""
    return t.insert(
        """
        INSERT INTO people (name, role, secret_hash, demo_pin)
        VALUES (%(name)s, %(role)s, %(secret_hash)s, %(demo_pin)s)
        """,
        {"name": name, "role": role, "secret_hash": secret_hash, "demo_pin": demo_pin},
    )


def add_session(t: Transaction, token_hash: str, person_id: int, now: datetime, expires: datetime) -> None:
    """A new session; expired ones go."""
    t.change("DELETE FROM sessions WHERE expires_at <= %(now)s", {"now": now})
    t.insert(
        """
        INSERT INTO sessions (token_hash, person_id, created_at, expires_at)
        VALUES (%(token_hash)s, %(person_id)s, %(now)s, %(expires)s)
        """,
        {"token_hash": token_hash, "person_id": person_id, "now": now, "expires": expires},
    )


def end_session(t: Transaction, token_hash: str) -> None:
    """The session is over."""
    t.change("DELETE FROM sessions WHERE token_hash = %(token_hash)s", {"token_hash": token_hash})


def failed_attempts(t: Transaction, name: str, address: str, since: datetime) -> dict[str, int]:
    """How often signing in failed of late, for this name and from this address."""
    row = t.first(
        """
        SELECT
            COALESCE(SUM(name = %(name)s), 0) AS by_name,
            COALESCE(SUM(address = %(address)s), 0) AS by_address
        FROM sign_in_attempts
        WHERE tried_at > %(since)s
            AND NOT succeeded
            AND (name = %(name)s OR address = %(address)s)
        """,
        {"name": name, "address": address, "since": since},
    )
    return {key: int(value) for key, value in (row or {}).items()}


def add_attempt(t: Transaction, name: str, address: str, succeeded: bool, now: datetime) -> None:
    """Remember an attempt to sign in."""
    t.insert(
        """
        INSERT INTO sign_in_attempts (name, address, succeeded, tried_at)
        VALUES (%(name)s, %(address)s, %(succeeded)s, %(now)s)
        """,
        {"name": name, "address": address, "succeeded": succeeded, "now": now},
    )


def clear_attempts(t: Transaction, name: str) -> None:
    """A good sign-in forgets the failures of that name."""
    t.change("DELETE FROM sign_in_attempts WHERE name = %(name)s AND NOT succeeded", {"name": name})


def forget_attempts(t: Transaction, before: datetime) -> int:
    """Drop sign-in attempts older than any that counts."""
    return t.change("DELETE FROM sign_in_attempts WHERE tried_at < %(before)s", {"before": before})
