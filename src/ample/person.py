"""`./ample person`: the shop's people from the machine's own terminal, whether the shop is open or not."""

from __future__ import annotations

import getpass
import sys
from collections.abc import Callable, Sequence
from datetime import UTC, datetime
from functools import partial

from ample.base.rights import ROLES
from ample.core.errors import AmpleError, BadInput, NotKnown
from ample.home import home_directory, open_database
from ample.prepare import say
from ample.shop.people import keeping, queries
from ample.shop.people.records import ChangePerson, NewPerson, NewSecret, PersonRow
from ample.store import Database, Transaction
from ample.store.migrate import migrate

USAGE = {
    "list": "everybody, with role and sign-ins",
    "add": "add NAME ROLE: a new person; the PIN is asked for, and replaced at the first sign-in",
    "role": f"role NAME ROLE: another role ({', '.join(ROLES)})",
    "secret": "secret NAME: a new PIN or password, replaced at the next sign-in",
    "end": "end NAME: sign the person out everywhere",
    "rest": "rest NAME: may not sign in any more; what they did stays on record",
    "back": "back NAME: may sign in again",
}
Act = Callable[[Transaction, PersonRow, datetime], object]


def person(arguments: Sequence[str]) -> int:
    """List people, or do one thing to one of them."""
    command, *rest = arguments or ["list"]
    wanted = {"list": 0, "add": 2, "role": 2, "secret": 1, "end": 1, "rest": 1, "back": 1}
    if command not in wanted or len(rest) != wanted[command]:
        for words in USAGE.values():
            say(f"person {words}" if " " in words.split(":")[0] else f"person list: {words}")
        return 2
    with open_database(home_directory(), may_run=True) as url:
        migrate(url)
        _do(Database(url), command, rest)
    return 0


def _do(database: Database, command: str, rest: Sequence[str]) -> None:
    now = datetime.now(UTC).replace(tzinfo=None)
    if command == "add":
        new = NewPerson.model_validate(
            {"name": rest[0], "role": _role(rest[1]), "secret": _asked_secret(rest[0])}
        )
        database.run(lambda t: keeping.add_person(t, None, new, now))
    elif command != "list":
        act = _act(command, rest)
        database.run(partial(_to_one, name=rest[0], act=act, now=now))
    for row in database.look(lambda t: keeping.people_of(t, now)).people:
        _show(row)


def _to_one(t: Transaction, name: str, act: Act, now: datetime) -> None:
    held = queries.person_named(t, name)
    if held is None:
        raise NotKnown("no_such_person", f"There is nobody called {name[:60]}.", None, "./ample person list")
    rows = keeping.people_of(t, now).people
    act(t, next(row for row in rows if row.person_id == held["person_id"]), now)


def _act(command: str, rest: Sequence[str]) -> Act:
    if command == "secret":
        secret = _asked_secret(rest[0])
        return lambda t, row, now: keeping.give_secret(
            t, None, row.person_id, NewSecret(secret=secret, version=row.version), now
        )
    if command == "end":
        return lambda t, row, now: keeping.end_sign_ins(t, None, row.person_id, now)
    role = _role(rest[1]) if command == "role" else None
    active = {"rest": False, "back": True}.get(command)
    return lambda t, row, now: keeping.change_person(
        t,
        None,
        row.person_id,
        ChangePerson.model_validate(
            {
                "name": row.name,
                "role": role or row.role,
                "active": row.active if active is None else active,
                "version": row.version,
            }
        ),
        now,
    )


def _role(text: str) -> str:
    if text not in ROLES:
        raise BadInput("no_such_role", f"“{text[:20]}” is not a role: {', '.join(ROLES)}.", "role")
    return text


def _asked_secret(name: str) -> str:
    """Typed twice without being shown; from a pipe, its first line."""
    if not sys.stdin.isatty():
        return sys.stdin.readline().rstrip("\n")
    first = getpass.getpass(f"PIN or password of {name}: ")
    if getpass.getpass("Once more: ") != first:
        raise AmpleError("not_the_same", "The two do not match. Nothing was changed.", None)
    return first


def _show(row: PersonRow) -> None:
    state = "" if row.active else "inactive"
    if row.active and row.choose_secret:
        state = "chooses a PIN at the next sign-in"
    sign_ins = f"{row.sign_ins} signed in" if row.sign_ins else ""
    print(f"  {row.name:20} {row.role:8} {', '.join(part for part in (sign_ins, state) if part)}".rstrip())
