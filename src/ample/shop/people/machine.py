"""The machine that somebody sits at: its mark in a signed cookie, whom it has let in before, whether it is this one."""

from __future__ import annotations

import ipaddress
import secrets
from typing import Any

from flask import Request, Response, current_app
from itsdangerous import BadSignature, URLSafeSerializer

from ample.shop.people.actions import Door

COOKIE = "ample-machine"
DAYS = 180
MOST_PEOPLE = 20
FORWARDED = ("X-Forwarded-For", "X-Forwarded-Host", "X-Real-IP", "Forwarded", "Via")


def door_of(request: Request) -> Door:
    """Where a request comes from."""
    held = _held(request)
    return Door(
        address=request.remote_addr or "unknown",
        here=is_here(request),
        machine=held.get("machine"),
        knows=frozenset(held.get("people", ())),
    )


def is_here(request: Request) -> bool:
    """Whether this comes from the machine itself: no proxy is between, and it calls the machine so."""
    if any(name in request.headers for name in FORWARDED):
        return False
    name = request.host.rsplit(":", 1)[0] if not request.host.endswith("]") else request.host
    return _is_loopback(request.remote_addr or "") and (name == "localhost" or _is_loopback(name.strip("[]")))


def remember(request: Request, response: Response, person_id: int) -> Response:
    """The machine knows this person from now on: tries elsewhere do not slow them here."""
    held = _held(request)
    others = [each for each in held.get("people", []) if each != person_id]
    people = [*others[1 - MOST_PEOPLE :], person_id]
    value = _signed().dumps({"machine": held.get("machine") or secrets.token_hex(16), "people": people})
    response.set_cookie(
        COOKIE,
        value,
        max_age=DAYS * 86_400,
        httponly=True,
        samesite="Strict",
        secure=current_app.config["SESSION_COOKIE_SECURE"],
        path="/api/",
    )
    return response


def _held(request: Request) -> dict[str, Any]:
    try:
        found: dict[str, Any] = _signed().loads(request.cookies.get(COOKIE, ""))
    except BadSignature:
        return {}
    return found


def _signed() -> URLSafeSerializer:
    return URLSafeSerializer(current_app.config["SECRET_KEY"], salt="ample machine")


def _is_loopback(name: str) -> bool:
    try:
        return ipaddress.ip_address(name).is_loopback
    except ValueError:
        return False
