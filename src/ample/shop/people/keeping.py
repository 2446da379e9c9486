"""Keeping the shop's people: the first owner, adding, roles, rights, new PINs, rest.

Whoever acts at the machine's terminal is no person of the shop: `doer` is None there.
"""

from __future__ import annotations

import secrets
from datetime import datetime, timedelta
from typing import Any

from ample.base.audit import Audited, note
from ample.base.doer import Doer
from ample.base.rights import OWNER, ROLES, known_rights
from ample.core.errors import AmpleError, BadInput, Conflict, NotKnown
from ample.shop.people import brake, queries
from ample.shop.people.actions import token_hash
from ample.shop.people.records import (
    ChangePerson,
    NewPerson,
    NewSecret,
    PeopleAnswer,
    Person,
    PersonRow,
    RightRow,
    RoleRight,
    SetRight,
)
from ample.shop.people.secrets import checked_secret, hash_secret
from ample.store import Database, Transaction

CODE_HOURS = 24
CODE_LETTERS = "23456789ABCDEFGHJKMNPQRSTUVWXYZ"  # none that can be taken for another


class WrongCode(AmpleError):
    """The code of the first start is not this one."""

    status = 403


def people_of(t: Transaction, now: datetime) -> PeopleAnswer:
    """Everybody, and who may do what."""
    people = [PersonRow(**row) for row in queries.everybody(t, now, now - timedelta(days=1))]
    changed = queries.all_changed_rights(t)
    return PeopleAnswer(people=people, rights=[_right_row(name, changed) for name in known_rights()])


def _right_row(name: str, changed: dict[tuple[str, str], dict[str, Any]]) -> RightRow:
    right = known_rights()[name]
    roles = []
    for role in ROLES:
        usual = role == OWNER or role in right.given_to
        own = changed.get((role, name)) if role in right.may_have else None
        roles.append(
            RoleRight(
                role=role,
                allowed=bool(own["allowed"]) if own else usual,
                usual=usual,
                fixed=role not in right.may_have,
                limit=own["order_limit"] if own else None,
                version=own["version"] if own else 0,
            )
        )
    return RightRow.model_validate(
        {"right": name, "words": right.words, "has_limit": right.has_limit, "roles": roles}
    )


def add_demo_person(t: Transaction, name: str, role: str, pin: str, now: datetime) -> int:
    """A person of the demo, whose PIN is no secret: it is shown on the machine itself and valid only there."""
    return queries.add_person(
        t,
        {"name": name, "role": role, "secret_hash": hash_secret(pin), "demo_pin": pin, "choose_secret": False, "now": now},
    )  # fmt: skip


def add_person(t: Transaction, doer: Doer | None, new: NewPerson, now: datetime) -> PeopleAnswer:
    """A new person; the PIN is replaced by one of their own at the first sign-in."""
    _may(doer)
    name = _checked_name(t, new.name, None)
    secret = hash_secret(checked_secret(new.secret, name, new.role))
    person_id = queries.add_person(
        t,
        {"name": name, "role": new.role, "secret_hash": secret, "demo_pin": None, "choose_secret": True, "now": now},
    )  # fmt: skip
    _note(t, doer, now, person_id, "added", None, {"name": name, "role": new.role})
    return people_of(t, now)


def change_person(
    t: Transaction, doer: Doer | None, person_id: int, asked: ChangePerson, now: datetime
) -> PeopleAnswer:
    """Another name or role, to rest or back; one owner always stays."""
    _may(doer)
    owners = queries.lock_owners(t)
    row = _known(t, person_id)
    name = _checked_name(t, asked.name, person_id)
    if owners == [person_id] and not (asked.active and asked.role == OWNER):
        raise BadInput(
            "last_owner", f"{row['name']} is the only owner. The shop needs at least one.", "role",
            "Make someone else an owner first.",
        )  # fmt: skip
    if not queries.change_person(t, asked.model_dump() | {"person_id": person_id, "name": name}):
        raise _changed(row)
    if not asked.active:
        queries.end_sessions(t, person_id)
    before = {"name": row["name"], "role": row["role"], "active": bool(row["active"])}
    _note(
        t, doer, now, person_id, "changed", before, {"name": name, "role": asked.role, "active": asked.active}
    )
    return people_of(t, now)


def give_secret(
    t: Transaction, doer: Doer | None, person_id: int, asked: NewSecret, now: datetime
) -> PeopleAnswer:
    """A new PIN for whoever forgot theirs; they replace it at the next sign-in, and are signed out everywhere."""
    _may(doer)
    row = _known(t, person_id)
    if row["version"] != asked.version:
        raise _changed(row)
    secret = hash_secret(checked_secret(asked.secret, row["name"], row["role"]))
    queries.set_secret(t, person_id, secret, choose_secret=True)
    ended = queries.end_sessions(t, person_id)
    _note(t, doer, now, person_id, "new_secret", None, {"sign_ins_ended": ended})
    return people_of(t, now)


def end_sign_ins(t: Transaction, doer: Doer | None, person_id: int, now: datetime) -> PeopleAnswer:
    """Sign a person out on every machine."""
    _may(doer)
    _known(t, person_id)
    ended = queries.end_sessions(t, person_id)
    _note(t, doer, now, person_id, "signed_out", None, {"sign_ins_ended": ended})
    return people_of(t, now)


def set_right(t: Transaction, doer: Doer, asked: SetRight) -> PeopleAnswer:
    """Give a right to a role or take it, as far as that makes sense."""
    doer.must("people")
    right = known_rights()[asked.right]
    if asked.role not in right.may_have:
        raise BadInput(
            "right_is_fixed",
            f"“{right.words}” cannot be given to {asked.role}.",
            "role",
            "Give the person another role.",
        )
    if asked.limit is not None and not right.has_limit:
        raise BadInput("no_limit_here", f"“{right.words}” has no amount.", "limit")
    if not queries.set_right(t, asked.model_dump()):
        held = queries.all_changed_rights(t).get((asked.role, asked.right))
        raise Conflict(
            "changed_meanwhile", "Someone else has changed this.", None, "Reload, then change it.",
            {"version": held["version"] if held else 0},
        )  # fmt: skip
    note(
        t,
        doer.person_id,
        doer.now,
        "right",
        0,
        "set",
        None,
        asked.model_dump(mode="json", exclude={"version"}),
    )
    return people_of(t, doer.now)


def first_owner_code(database: Database, now: datetime) -> str | None:
    """A one-time code for whoever becomes the owner of a shop without people; None when there are people."""
    if not database.look(queries.is_empty):
        return None
    code = "".join(secrets.choice(CODE_LETTERS) for _ in range(10))
    expires = now + timedelta(hours=CODE_HOURS)
    database.run(lambda t: queries.add_owner_code(t, token_hash(code), now, expires))
    return f"{code[:5]}-{code[5:]}"


def make_first_owner(
    database: Database, code: str, name: str, secret: str, address: str, now: datetime
) -> Person:
    """The owner of a new shop; only while nobody is there, and only once with a code."""
    tried = brake.Try("first owner", None, address)
    database.run(lambda t: brake.count(t, tried, now))
    if not database.look(queries.is_empty):
        raise _owner_is_there()
    name = " ".join(name.split())
    hashed = hash_secret(checked_secret(secret, name, OWNER))

    def make(t: Transaction) -> Person:
        if not queries.use_owner_code(t, token_hash(_plain(code)), now):
            raise WrongCode(
                "wrong_code", "Wrong code.", "code",
                f"It is shown in the terminal where Ample was started, and is good for {CODE_HOURS} hours. "
                "Starting again makes a new one.",
            )  # fmt: skip
        queries.drop_owner_codes(t)
        if not queries.is_empty(t):
            raise _owner_is_there()
        person_id = queries.add_person(
            t,
            {
                "name": _checked_name(t, name, None), "role": OWNER, "secret_hash": hashed, "demo_pin": None,
                "choose_secret": False, "now": now,
            },
        )  # fmt: skip
        brake.forgive(t, tried, now)
        _note(t, None, now, person_id, "first_owner", None, {"name": name})
        return Person(person_id=person_id, name=name, role=OWNER)

    return database.run(make)


def _owner_is_there() -> Conflict:
    return Conflict("owner_is_there", "This shop already has an owner.", None, "Sign in, or ask the owner.")


def _plain(code: str) -> str:
    return "".join(letter for letter in code.upper() if letter in CODE_LETTERS)


def _may(doer: Doer | None) -> None:
    if doer:
        doer.must("people")


def _known(t: Transaction, person_id: int) -> dict[str, Any]:
    row = queries.person(t, person_id)
    if row is None:
        raise NotKnown("no_such_person", f"There is no person {person_id}.", "person_id")
    return row


def _changed(row: dict[str, Any]) -> Conflict:
    return Conflict(
        "changed_meanwhile",
        f"Someone else has changed {row['name']} meanwhile.",
        None,
        "Reload, then change it.",
        {"version": row["version"]},
    )


def _checked_name(t: Transaction, name: str, person_id: int | None) -> str:
    plain = " ".join(name.split())
    if not plain.isprintable() or not any(letter.isalnum() for letter in plain):
        raise BadInput("bad_name", "A name needs a letter or figure.", "name")
    held = queries.person_named(t, plain)
    if held and held["person_id"] != person_id:
        raise BadInput(
            "name_taken", f"There is a {held['name']} already.", "name",
            "Choose another name, or reactivate that person." if not held["active"] else "Choose another name.",
        )  # fmt: skip
    return plain


def _note(
    t: Transaction,
    doer: Doer | None,
    now: datetime,
    person_id: int,
    action: str,
    before: Audited,
    after: Audited,
) -> None:
    note(t, doer.person_id if doer else None, now, "person", person_id, action, before, after)
