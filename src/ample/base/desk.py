"""The desk that handlers work at: who asks, the database, reading, and writing once."""

from __future__ import annotations

import hashlib
import hmac
import re
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

from flask import Response, current_app, make_response, request
from flask_login import current_user
from pydantic import BaseModel, TypeAdapter

from ample.base import audit_queries as kept
from ample.base.doer import Doer, NotSignedIn
from ample.core.errors import AmpleError, BadInput, Conflict
from ample.store import Database, Transaction

Responses = dict[str | int, type[BaseModel] | dict[Any, Any] | None]
_KEY = re.compile(r"[A-Za-z0-9_-]{8,64}")


class ErrorBody(BaseModel):
    """What is wrong, where, and what to do."""

    code: str
    message: str
    field: str | None
    hint: str | None
    current: dict[str, Any] | None = None


class ErrorAnswer(BaseModel):
    """The one shape of an error."""

    error: ErrorBody


class NoKey(AmpleError):
    """A writing request without its idempotency key."""


@dataclass
class Desk:
    """What every handler needs."""

    database: Database

    def doer(self) -> Doer:
        """Who asks, and the time."""
        if not current_user.is_authenticated:
            raise NotSignedIn("not_signed_in", "Sign in first.", None, None)
        person = current_user.person
        now = datetime.now(UTC).replace(tzinfo=None)
        return Doer(person.person_id, person.name, person.role, now, current_user.rights)

    def read(self, work: Callable[[Transaction], BaseModel]) -> Response:
        """Answer a question from the database."""
        return json_answer(self.database.read(work))

    def once(self, work: Callable[[Transaction, Doer], BaseModel], status: int = 200) -> Response:
        """Do something once: a repeat with the same key gets the first answer."""
        doer = self.doer()
        key = request.headers.get("Idempotency-Key", "")
        if not _KEY.fullmatch(key):
            raise NoKey(
                "no_idempotency_key",
                "A writing request needs an Idempotency-Key of 8 to 64 letters and figures.",
                "Idempotency-Key",
            )
        fingerprint = hmac.new(  # with the shop's key: what is stored cannot be tried against short PINs
            current_app.config["SECRET_KEY"].encode(),
            f"{request.method} {request.path}\n".encode() + request.get_data(),
            hashlib.sha256,
        ).hexdigest()

        def in_transaction(t: Transaction) -> tuple[int, str]:
            if not kept.claim_key(t, doer.person_id, key, fingerprint, doer.now):
                return _first_answer(t, doer, key, fingerprint)
            answer = work(t, doer).model_dump_json(by_alias=True)
            kept.keep_answer(t, doer.person_id, key, status, answer)
            return status, answer

        given, text = self.database.run(in_transaction, repeatable=True)
        return _as_json(text, given)


def _first_answer(t: Transaction, doer: Doer, key: str, fingerprint: str) -> tuple[int, str]:
    earlier = kept.first_answer(t, doer.person_id, key)
    if earlier is None or earlier["answer"] is None:
        raise Conflict("in_work", "Already being processed.", None, "Try again in a moment.")
    if earlier["fingerprint"] != fingerprint:
        raise BadInput("key_used", "This idempotency key was used for another request.", "Idempotency-Key")
    return int(earlier["status"]), str(earlier["answer"])


def json_answer(answer: object, status: int = 200) -> Response:
    """A model, or a dataclass of the domain, as JSON."""
    return _as_json(_writer(type(answer)).dump_json(answer, by_alias=True).decode(), status)


_WRITERS: dict[type[Any], TypeAdapter[Any]] = {}


def _writer(answer: type[Any]) -> TypeAdapter[Any]:
    """What writes an answer, be it a model or a dataclass of the domain."""
    if answer not in _WRITERS:
        _WRITERS[answer] = TypeAdapter(answer)
    return _WRITERS[answer]


def _as_json(text: str, status: int) -> Response:
    response = make_response(text, status)
    response.mimetype = "application/json"
    return response


def desk() -> Desk:
    """The desk of this application."""
    found: Desk = current_app.extensions["ample-desk"]
    return found
