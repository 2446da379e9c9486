"""What the OpenAPI document says beside requests and answers: who may ask, the headers, raw bodies, the common refusals."""

from __future__ import annotations

import re
from typing import Any

from flask_openapi3 import OpenAPI

from ample.base.rights import ANYONE, OWN_DOOR, SIGNED_IN, known_rights
from ample.sheets.register import SHEETS
from ample.web.security import READING, needs_of

# Writes that keep nothing, or are the door itself: a repeat of them does no harm.
WITHOUT_KEY = frozenset({
    "people.first_owner", "people.sign_in", "people.sign_out", "people.own_secret", "people.end_own_sign_ins",
    "bench.identify", "bench.offered",
    *(f"sheets.judge_sheet_{name}" for name in SHEETS),
    *(f"sheets.judge_{kind.name}" for kind in SHEETS.values() if kind.alias),
})  # fmt: skip
IMAGE = {"schema": {"type": "string", "format": "binary"}}
RAW_BODIES: dict[str, dict[str, Any]] = {
    "photos.add_photo": {"image/jpeg": IMAGE, "image/png": IMAGE, "image/webp": IMAGE},
    "jobfile.import_job": {"application/json": {"schema": {"$ref": "#/components/schemas/JobFile"}}},
}
TOKEN = {
    "name": "X-CSRF-Token", "in": "header", "required": True, "schema": {"type": "string"},
    "description": "the csrf_token that GET /api/session told",
}  # fmt: skip
KEY = {
    "name": "Idempotency-Key", "in": "header", "required": True,
    "schema": {"type": "string", "pattern": "^[A-Za-z0-9_-]{8,64}$"},
    "description": "a new one for each action; a repeat with the same key gets the first answer",
}  # fmt: skip
REFUSALS = {
    "401": "Nobody is signed in.",
    "403": "Whoever is signed in may not do this, or another site's page asked.",
    "503": "The database is locked, full or away: ask again.",
}


def complete(app: OpenAPI) -> None:
    """Complete the document of an application whose routes are all there."""
    document = app.api_doc
    endpoints = {
        (re.sub(r"<(?:\w+:)?(\w+)>", r"{\1}", rule.rule), method.lower()): rule.endpoint
        for rule in app.url_map.iter_rules()
        for method in rule.methods or ()
    }
    for path, methods in document["paths"].items():
        for method, operation in methods.items():
            endpoint = endpoints[path, method]
            _operation(operation, endpoint, method, needs_of(app, endpoint))


def _operation(operation: dict[str, Any], endpoint: str, method: str, needs: str) -> None:
    operation["security"] = [] if needs == ANYONE else [{"session": []}]
    if needs not in (ANYONE, SIGNED_IN, OWN_DOOR):
        operation["description"] += f" Needs the right `{needs}`: {known_rights()[needs].words}."
    writes = method.upper() not in READING
    refusals = ["503"]
    if needs != ANYONE:
        refusals.append("401")
    if writes or needs not in (ANYONE, OWN_DOOR):
        refusals.append("403")
    for status in refusals:
        operation["responses"].setdefault(status, _refusal(REFUSALS[status]))
    if writes and not endpoint.startswith("calc."):
        headers = [TOKEN] if endpoint in WITHOUT_KEY else [TOKEN, KEY]
        operation.setdefault("parameters", []).extend(headers)
        operation["responses"].setdefault(
            "400", _refusal("A header is missing or does not belong to the session.")
        )
    if endpoint in RAW_BODIES:
        operation["requestBody"] = {"required": True, "content": RAW_BODIES[endpoint]}


def _refusal(words: str) -> dict[str, Any]:
    schema = {"$ref": "#/components/schemas/ErrorAnswer"}
    return {"description": words, "content": {"application/json": {"schema": schema}}}


def without_headers(document: dict[str, Any]) -> dict[str, Any]:
    """The document for the pages' own types: their client adds these headers to every request itself."""
    for methods in document["paths"].values():
        for operation in methods.values():
            kept = [each for each in operation.get("parameters", []) if each.get("in") != "header"]
            if kept:
                operation["parameters"] = kept
            else:
                operation.pop("parameters", None)
    return document
