"""HTTP of signing in and out."""

from __future__ import annotations

from datetime import UTC, datetime

from flask import Response, request
from flask_login import current_user, login_user
from flask_openapi3 import APIBlueprint, Tag
from flask_wtf.csrf import generate_csrf

from ample.shop.desk import ErrorAnswer, desk, json_answer
from ample.shop.people import actions, queries
from ample.shop.people.records import SessionAnswer, SignInRequest
from ample.shop.people.signed_in import SignedIn, forget_session

api = APIBlueprint("people", __name__, url_prefix="/api", abp_tags=[Tag(name="people")])


def _session() -> SessionAnswer:
    signed_in = current_user.is_authenticated
    demo = [] if signed_in else desk().database.look(queries.demo_people)
    return SessionAnswer(
        person=current_user.person if signed_in else None,
        csrf_token=generate_csrf(),
        demo_people=demo,
    )


@api.get("/session", summary="Who is signed in", responses={200: SessionAnswer})
def who() -> Response:
    """Who is signed in, and the token that writing requests carry."""
    return json_answer(_session())


@api.post(
    "/sign-in",
    summary="Sign in",
    responses={200: SessionAnswer, 401: ErrorAnswer, 422: ErrorAnswer, 429: ErrorAnswer},
)
def sign_in(body: SignInRequest) -> Response:
    """Sign in with a name and a PIN or password."""
    now = datetime.now(UTC).replace(tzinfo=None)
    address = request.remote_addr or "unknown"
    person, token = actions.sign_in(desk().database, body.name, body.secret, address, now)
    forget_session()
    login_user(SignedIn(person, token))
    return json_answer(_session())


@api.post("/sign-out", summary="Sign out", responses={200: SessionAnswer})
def sign_out() -> Response:
    """End the session here and in the database."""
    token = current_user.get_id()
    desk().database.run(lambda t: queries.end_session(t, actions.token_hash(token)))
    forget_session()
    return json_answer(SessionAnswer(person=None, csrf_token=generate_csrf(), demo_people=[]))
