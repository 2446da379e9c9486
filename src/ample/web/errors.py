"""Every error in the one shape; nothing else reaches a user but a reference number."""

from __future__ import annotations

import logging
import secrets
from pathlib import Path
from typing import Any

from flask import Flask, Response, jsonify, make_response
from pydantic import ValidationError
from werkzeug.exceptions import HTTPException

from ample.core.errors import AmpleError, Conflict
from ample.core.operations import bad_request
from ample.shop.people.brake import TooManyTries
from ample.store import DatabaseAway
from ample.web.health import why_away

WORDS = {413: "That is too large. Nothing was saved."}
log = logging.getLogger("ample.web")


def answer(error: AmpleError) -> Response:
    """An error of ours as JSON with its status."""
    body: dict[str, Any] = error.as_dict()
    body["current"] = error.current if isinstance(error, Conflict) else None
    return make_response(jsonify({"error": body}), error.status)


def invalid(error: ValidationError) -> Response:
    """A request that its model refused."""
    return answer(bad_request(error))


def handle_errors(app: Flask, home: Path) -> None:
    """Put the handlers in place."""

    @app.errorhandler(AmpleError)
    def ours(error: AmpleError) -> Response:
        return answer(error)

    @app.errorhandler(TooManyTries)
    def slowed(error: TooManyTries) -> Response:
        given = answer(error)
        given.headers["Retry-After"] = str(error.seconds)
        return given

    @app.errorhandler(DatabaseAway)
    def away(error: DatabaseAway) -> Response:
        given = answer(why_away(error, home))
        given.headers["Retry-After"] = "2"
        return given

    @app.errorhandler(HTTPException)
    def of_http(error: HTTPException) -> Response:
        status = error.code or 500
        body = {
            "code": error.name.lower().replace(" ", "_"),
            "message": WORDS.get(status, error.description or error.name),
            "field": None,
            "hint": None,
            "current": None,
        }
        response = make_response(jsonify({"error": body}), status)
        if status == 405 and getattr(error, "valid_methods", None):
            response.headers["Allow"] = ", ".join(sorted(error.valid_methods))  # type: ignore[attr-defined]
        return response

    @app.errorhandler(Exception)
    def unforeseen(error: Exception) -> Response:
        reference = secrets.token_hex(4)
        log.exception("unforeseen error %s", reference)
        body = {
            "code": "unforeseen",
            "message": f"An unexpected error occurred. Reference {reference}.",
            "field": None,
            "hint": "Nothing you typed is lost. Tell the owner the reference.",
            "current": None,
        }
        return make_response(jsonify({"error": body}), 500)
