"""SQL of people, their rights, sessions and sign-in attempts."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.base.rights import Change
from ample.shop.people.records import DemoPerson, Person
from ample.store import Transaction


def person_for_sign_in(t: Transaction, name: str) -> dict[str, Any] | None:
    """An active person with the hash of their secret."""
    return t.first(
        """
        SELECT person_id, name, role, secret_hash, demo_pin, choose_secret
        FROM people
        WHERE name = %(name)s AND active
        """,
        {"name": name},
    )


def person(t: Transaction, person_id: int) -> dict[str, Any] | None:
    """One person, locked."""
    return t.first(
        """
        SELECT person_id, name, role, secret_hash, active, version
        FROM people
        WHERE person_id = %(person_id)s
        FOR UPDATE
        """,
        {"person_id": person_id},
    )


def person_named(t: Transaction, name: str) -> dict[str, Any] | None:
    """Whoever has this name, at work or deactivated."""
    return t.first(
        "SELECT person_id, name, role, active, version FROM people WHERE name = %(name)s", {"name": name}
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


def is_empty(t: Transaction) -> bool:
    """Whether nobody has been added yet."""
    return not t.single_value("SELECT EXISTS (SELECT 1 FROM people)")


def person_of_session(t: Transaction, token_hash: str, now: datetime) -> Person | None:
    """Whose session this is, while it lasts."""
    row = t.first(
        """
        SELECT p.person_id, p.name, p.role, p.choose_secret
        FROM sessions s
        JOIN people p ON p.person_id = s.person_id
        WHERE s.token_hash = %(token_hash)s AND s.expires_at > %(now)s AND p.active
        """,
        {"token_hash": token_hash, "now": now},
    )
    return Person(**row) if row else None


def changed_rights(t: Transaction, role: str) -> list[Change]:
    """What the owner has changed for a role."""
    rows = t.rows(
        """
        SELECT role, right_name, allowed, order_limit
        FROM role_rights
        WHERE role = %(role)s
        """,
        {"role": role},
    )
    return [Change(row["role"], row["right_name"], bool(row["allowed"]), row["order_limit"]) for row in rows]


def all_changed_rights(t: Transaction) -> dict[tuple[str, str], dict[str, Any]]:
    """All that the owner has changed, by role and right."""
    rows = t.rows("SELECT role, right_name, allowed, order_limit, version FROM role_rights")
    return {(row["role"], row["right_name"]): row for row in rows}


def set_right(t: Transaction, values: dict[str, Any]) -> int:
    """Change a right of a role, if it is still as it was seen; how many rows were written."""
    if not values["version"]:
        return t.change(
            """
            INSERT IGNORE INTO role_rights (role, right_name, allowed, order_limit)
            VALUES (%(role)s, %(right)s, %(allowed)s, %(limit)s)
            """,
            values,
        )
    return t.change(
        """
        UPDATE role_rights
        SET allowed = %(allowed)s, order_limit = %(limit)s, version = version + 1
        WHERE role = %(role)s AND right_name = %(right)s AND version = %(version)s
        """,
        values,
    )


def everybody(t: Transaction, now: datetime, since: datetime) -> list[dict[str, Any]]:
    """All people, those deactivated last."""
    return t.rows(
        """
        SELECT
            p.person_id, p.name, p.role, p.active, p.choose_secret, p.demo_pin IS NOT NULL AS demo,
            p.signed_in_at, p.version,
            (
                SELECT COUNT(*) FROM sessions s
                WHERE s.person_id = p.person_id AND s.expires_at > %(now)s
            ) AS sign_ins,
            (
                SELECT COUNT(*) FROM sign_in_attempts a
                WHERE a.name = p.name AND NOT a.succeeded AND a.tried_at > %(since)s
            ) AS wrong_tries
        FROM people p
        ORDER BY NOT p.active, p.person_id
        """,
        {"now": now, "since": since},
    )


def lock_owners(t: Transaction) -> list[int]:
    """Owners at work, locked: one has to stay."""
    rows = t.rows("SELECT person_id FROM people WHERE role = 'owner' AND active FOR UPDATE")
    return [int(row["person_id"]) for row in rows]


def add_person(t: Transaction, values: dict[str, Any]) -> int:
    """A new person."""
    return t.insert(
        """
        INSERT INTO people (name, role, secret_hash, demo_pin, choose_secret, added_at)
        VALUES (%(name)s, %(role)s, %(secret_hash)s, %(demo_pin)s, %(choose_secret)s, %(now)s)
        """,
        values,
    )


def change_person(t: Transaction, values: dict[str, Any]) -> int:
    """Another name, role or state, if the person is still as they were seen; a new owner chooses a longer secret."""
    return t.change(
        """
        UPDATE people
        SET
            name = %(name)s,
            choose_secret = choose_secret OR (%(role)s = 'owner' AND role <> 'owner'),
            role = %(role)s,
            active = %(active)s,
            version = version + 1
        WHERE person_id = %(person_id)s AND version = %(version)s
        """,
        values,
    )


def set_secret(t: Transaction, person_id: int, secret_hash: str, choose_secret: bool) -> None:
    """Another PIN or password; the demo's is no longer shown."""
    t.change(
        """
        UPDATE people
        SET secret_hash = %(secret_hash)s, choose_secret = %(choose)s, demo_pin = NULL, version = version + 1
        WHERE person_id = %(person_id)s
        """,
        {"person_id": person_id, "secret_hash": secret_hash, "choose": choose_secret},
    )


def add_session(t: Transaction, values: dict[str, Any]) -> None:
    """A new session; expired ones go."""
    t.change("DELETE FROM sessions WHERE expires_at <= %(now)s", values)
    t.insert(
        """
        INSERT INTO sessions (token_hash, person_id, created_at, expires_at, address)
        VALUES (%(token_hash)s, %(person_id)s, %(now)s, %(expires)s, %(address)s)
        """,
        values,
    )
    t.change("UPDATE people SET signed_in_at = %(now)s WHERE person_id = %(person_id)s", values)


def end_session(t: Transaction, token_hash: str) -> None:
    """The session is over."""
    t.change("DELETE FROM sessions WHERE token_hash = %(token_hash)s", {"token_hash": token_hash})


def end_sessions(t: Transaction, person_id: int, but: str = "") -> int:
    """All sessions of a person are over, but for one; how many were."""
    return t.change(
        "DELETE FROM sessions WHERE person_id = %(person_id)s AND token_hash <> %(but)s",
        {"person_id": person_id, "but": but},
    )


def add_attempt(t: Transaction, name: str, address: str, now: datetime) -> int:
    """Remember an attempt to sign in, as failed until it is known."""
    return t.insert(
        """
        INSERT INTO sign_in_attempts (name, address, succeeded, tried_at)
        VALUES (%(name)s, %(address)s, FALSE, %(now)s)
        """,
        {"name": name, "address": address, "now": now},
    )


def succeeded(t: Transaction, attempt_id: int) -> None:
    """An attempt was a good one."""
    t.change("UPDATE sign_in_attempts SET succeeded = TRUE WHERE attempt_id = %(id)s", {"id": attempt_id})


def forget_attempts(t: Transaction, before: datetime) -> int:
    """Drop sign-in attempts older than any that is shown."""
    return t.change("DELETE FROM sign_in_attempts WHERE tried_at < %(before)s", {"before": before})


def brake(t: Transaction, bucket: str, now: datetime) -> dict[str, Any]:
    """How often signing in failed in this bucket, locked."""
    values = {"bucket": bucket, "now": now}
    t.change(
        """
        INSERT INTO sign_in_brakes (bucket, failures, next_at, last_at)
        VALUES (%(bucket)s, 0, %(now)s, %(now)s)
        ON DUPLICATE KEY UPDATE bucket = VALUES(bucket)
        """,
        values,
    )
    row = t.first(
        "SELECT failures, next_at, last_at FROM sign_in_brakes WHERE bucket = %(bucket)s FOR UPDATE", values
    )
    assert row is not None
    return row


def set_brake(t: Transaction, bucket: str, failures: int, next_at: datetime, now: datetime) -> None:
    """So often it has failed, and the next try may come then."""
    t.change(
        """
        UPDATE sign_in_brakes
        SET failures = %(failures)s, next_at = %(next_at)s, last_at = %(now)s
        WHERE bucket = %(bucket)s
        """,
        {"bucket": bucket, "failures": failures, "next_at": next_at, "now": now},
    )


def take_back(t: Transaction, bucket: str) -> None:
    """One failure less."""
    t.change(
        """
        UPDATE sign_in_brakes
        SET failures = failures - 1
        WHERE bucket = %(bucket)s AND failures > 0
        """,
        {"bucket": bucket},
    )


def forget_brakes(t: Transaction, before: datetime) -> int:
    """Drop what has long been forgiven."""
    return t.change("DELETE FROM sign_in_brakes WHERE last_at < %(before)s", {"before": before})


def add_owner_code(t: Transaction, code_hash: str, now: datetime, expires: datetime) -> None:
    """A code that makes the first owner."""
    t.change("DELETE FROM first_owner_codes WHERE expires_at <= %(now)s", {"now": now})
    t.insert(
        "INSERT INTO first_owner_codes (code_hash, expires_at) VALUES (%(code_hash)s, %(expires)s)",
        {"code_hash": code_hash, "expires": expires},
    )


def use_owner_code(t: Transaction, code_hash: str, now: datetime) -> bool:
    """Whether this code is good; it is used up."""
    return (
        t.change(
            "DELETE FROM first_owner_codes WHERE code_hash = %(code_hash)s AND expires_at > %(now)s",
            {"code_hash": code_hash, "now": now},
        )
        == 1
    )


def drop_owner_codes(t: Transaction) -> None:
    """There is an owner: no code is good any more."""
    t.change("DELETE FROM first_owner_codes")
