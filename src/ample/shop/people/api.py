"""HTTP of people: signing in and out, one's own PIN, and what only an owner may."""

from __future__ import annotations

from datetime import UTC, datetime

from flask import Response, current_app, request
from flask_login import current_user, login_user, logout_user
from flask_openapi3 import APIBlueprint, Tag
from flask_wtf.csrf import generate_csrf
from pydantic import BaseModel, Field

from ample.base.desk import ErrorAnswer, Responses, desk, json_answer
from ample.base.rights import needs, rights_of
from ample.shop.people import actions, keeping, queries
from ample.shop.people.machine import door_of, is_here, remember
from ample.shop.people.records import (
    ChangePerson,
    FirstOwner,
    NewPerson,
    NewSecret,
    OwnSecret,
    PeopleAnswer,
    Person,
    SessionAnswer,
    SetRight,
    SignInRequest,
)
from ample.shop.people.signed_in import SignedIn, forget_session

api = APIBlueprint("people", __name__, url_prefix="/api", abp_tags=[Tag(name="people")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)
_DOOR: Responses = dict.fromkeys((401, 403, 409, 422, 429), ErrorAnswer)


class PersonPath(BaseModel):
    """A person's row."""

    person_id: int = Field(ge=1, le=2**31)


def _session() -> SessionAnswer:
    signed_in = current_user.is_authenticated
    database = desk().database
    return SessionAnswer(
        person=current_user.person if signed_in else None,
        may=sorted(current_user.rights.names) if signed_in else [],
        order_limit=current_user.rights.order_limit if signed_in else None,
        csrf_token=generate_csrf(),
        demo_people=database.look(queries.demo_people) if not signed_in and is_here(request) else [],
        needs_owner=not signed_in and database.look(queries.is_empty),
        address=current_app.config["AMPLE_ADDRESS"],
    )


def _now() -> datetime:
    return datetime.now(UTC).replace(tzinfo=None)


def _enter(person: Person, token: str) -> Response:
    forget_session()
    changed = desk().database.look(lambda t: queries.changed_rights(t, person.role))
    login_user(SignedIn(person, rights_of(person.role, changed), token))
    return remember(request, json_answer(_session()), person.person_id)


@api.get("/session", summary="Who is signed in", responses={200: SessionAnswer})
@needs("anyone")
def who() -> Response:
    """Who is signed in, and the token that writing requests carry."""
    return json_answer(_session())


@api.post("/first-owner", summary="The owner of a new shop", responses={200: SessionAnswer, **_DOOR})
@needs("anyone")
def first_owner(body: FirstOwner) -> Response:
    """Make the first owner with the code that the start has shown on the terminal, and sign them in."""
    database, now, door = desk().database, _now(), door_of(request)
    person = keeping.make_first_owner(database, body.code, body.name, body.secret, door.address, now)
    token = database.run(lambda t: actions.begin_session(t, person.person_id, door, now))
    return _enter(person, token)


@api.post("/sign-in", summary="Sign in", responses={200: SessionAnswer, **_DOOR})
@needs("anyone")
def sign_in(body: SignInRequest) -> Response:
    """Sign in with a name and a PIN or password."""
    person, token = actions.sign_in(desk().database, body.name, body.secret, door_of(request), _now())
    return _enter(person, token)


@api.post("/sign-out", summary="Sign out", responses={200: SessionAnswer})
@needs("own_door")
def sign_out() -> Response:
    """End the session here and in the database."""
    token = current_user.get_id()
    desk().database.run(lambda t: queries.end_session(t, actions.token_hash(token)))
    logout_user()
    forget_session()
    return json_answer(_session())


@api.post("/own/secret", summary="Change one's own PIN", responses={200: SessionAnswer, **_DOOR})
@needs("own_door")
def own_secret(body: OwnSecret) -> Response:
    """Change one's own PIN or password; sign-ins elsewhere end."""
    token, now = current_user.get_id(), _now()
    actions.change_own_secret(desk().database, desk().doer(), body, door_of(request), token, now)
    current_user.person.choose_secret = False
    return json_answer(_session())


@api.post("/own/end-sign-ins", summary="Sign out elsewhere", responses={200: SessionAnswer, **_WRITES})
@needs("signed_in")
def end_own_sign_ins() -> Response:
    """End one's sign-ins on all other machines."""
    token = actions.token_hash(current_user.get_id())
    person_id = current_user.person.person_id
    desk().database.run(lambda t: queries.end_sessions(t, person_id, but=token))
    return json_answer(_session())


@api.get("/people", summary="Everybody, and who may do what", responses={200: PeopleAnswer, 403: ErrorAnswer})
@needs("people")
def people() -> Response:
    """Everybody, at work and deactivated, and the table of rights."""
    return desk().read(lambda t: keeping.people_of(t, _now()))


@api.post("/people", summary="Add a person", responses={201: PeopleAnswer, **_WRITES})
@needs("people")
def add_person(body: NewPerson) -> Response:
    """Add a person with a PIN that they replace at the first sign-in."""
    return desk().once(lambda t, doer: keeping.add_person(t, doer, body, doer.now), 201)


@api.put("/people/<int:person_id>", summary="Change a person", responses={200: PeopleAnswer, **_WRITES})
@needs("people")
def change_person(path: PersonPath, body: ChangePerson) -> Response:
    """Another name or role; to rest, or back."""
    return desk().once(lambda t, doer: keeping.change_person(t, doer, path.person_id, body, doer.now))


@api.post("/people/<int:person_id>/secret", summary="A new PIN", responses={200: PeopleAnswer, **_WRITES})
@needs("people")
def give_secret(path: PersonPath, body: NewSecret) -> Response:
    """Give somebody a new PIN, which they replace at the next sign-in."""
    return desk().once(lambda t, doer: keeping.give_secret(t, doer, path.person_id, body, doer.now))


@api.post(
    "/people/<int:person_id>/end-sign-ins",
    summary="Sign a person out everywhere",
    responses={200: PeopleAnswer, **_WRITES},
)
@needs("people")
def end_sign_ins(path: PersonPath) -> Response:
    """Sign a person out on every machine."""
    return desk().once(lambda t, doer: keeping.end_sign_ins(t, doer, path.person_id, doer.now))


@api.put("/rights", summary="Give or take a right", responses={200: PeopleAnswer, **_WRITES})
@needs("people")
def set_right(body: SetRight) -> Response:
    """Give a right to a role, or take it."""
    return desk().once(lambda t, doer: keeping.set_right(t, doer, body))
