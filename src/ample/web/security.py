"""Who is asking and may they, forged requests, foreign names, and the headers that keep pages to themselves."""

from __future__ import annotations

import re
import secrets
from datetime import UTC, datetime
from urllib.parse import urlsplit

from flask import Flask, Response, g, request
from flask_login import LoginManager, current_user
from flask_wtf import CSRFProtect

from ample.base.desk import desk
from ample.base.doer import NotAllowed, NotSignedIn, refuse_without
from ample.base.rights import ANYONE, OWN_DOOR, SIGNED_IN, rights_of
from ample.core.errors import AmpleError
from ample.shop.jobfile.api import MOST_BYTES as FILE_BYTES
from ample.shop.people import queries
from ample.shop.people.actions import token_hash
from ample.shop.people.signed_in import SignedIn
from ample.shop.photos.pictures import MOST_BYTES as PHOTO_BYTES
from ample.store import Transaction
from ample.web.settings import Doors

LINE_BYTES = 4 * 1024 * 1024  # 400 parts with all that can be said of them
# somewhat over the limit of a photo is still said in the photo's own words
LARGER_BODIES = {
    "photos.add_photo": 2 * PHOTO_BYTES,
    "jobfile.import_job": FILE_BYTES,
    "line.save_line": LINE_BYTES,
    "catalogue.read_price_list": LINE_BYTES,
    "calc.line_check": LINE_BYTES,
}
READING = frozenset({"GET", "HEAD", "OPTIONS"})
YEAR_SECONDS = 31_536_000
_HOST = re.compile(r"([A-Za-z0-9.-]+|\[[0-9A-Fa-f:.]+\])(?::[0-9]{1,5})?")
csrf = CSRFProtect()


def guard(app: Flask, doors: Doors) -> None:
    """Put sign-in, rights, CSRF and headers in place: every route says what it needs."""
    app.config.update(
        SESSION_COOKIE_SECURE=doors.secure,
        AMPLE_ADDRESS=doors.address,
    )
    manager = LoginManager(app)
    manager.session_protection = None
    manager.user_loader(_of_session)
    trusted = frozenset(doors.hosts)

    @app.before_request
    def ask_who() -> None:
        g.nonce = secrets.token_urlsafe(16)
        _refuse_foreign_host(trusted)
        if request.endpoint in LARGER_BODIES:
            request.max_content_length = LARGER_BODIES[request.endpoint]
        if request.endpoint is None:
            return
        if request.method not in READING:
            _refuse_foreign_origin(trusted)
        _let_in(needs_of(app, request.endpoint))

    csrf.init_app(app)

    @app.after_request
    def headers(response: Response) -> Response:
        nonce = getattr(g, "nonce", "")
        response.headers["Content-Security-Policy"] = (
            f"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; "
            "img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; base-uri 'none'; "
            "form-action 'none'; frame-ancestors 'none'; manifest-src 'self'"
        )
        response.headers["X-Content-Type-Options"] = "nosniff"
        response.headers["Referrer-Policy"] = "same-origin"
        response.headers["Cross-Origin-Opener-Policy"] = "same-origin"
        response.headers["Cross-Origin-Resource-Policy"] = "same-origin"
        response.headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=()"
        if doors.secure:
            response.headers["Strict-Transport-Security"] = f"max-age={YEAR_SECONDS}"
        if request.path.startswith("/api/"):
            response.headers["Cache-Control"] = "no-store"
        return response


def needs_of(app: Flask, endpoint: str) -> str:
    """What a route says that it needs; one that says nothing is a fault of ours, and opens to nobody."""
    needs: str | None = getattr(app.view_functions[endpoint], "needs", None)
    if needs is None:
        raise RuntimeError(f"{endpoint} does not say what it needs")
    return needs


def every_route_says_what_it_needs(app: Flask) -> None:
    """Refuse to start with a route that does not."""
    for rule in app.url_map.iter_rules():
        needs_of(app, rule.endpoint)


def _of_session(token: str) -> SignedIn | None:
    now = datetime.now(UTC).replace(tzinfo=None)

    def look(t: Transaction) -> SignedIn | None:
        person = queries.person_of_session(t, token_hash(token), now)
        if person is None:
            return None
        return SignedIn(person, rights_of(person.role, queries.changed_rights(t, person.role)), token)

    return desk().database.look(look)


def _let_in(needs: str) -> None:
    if needs == ANYONE:
        return
    if not current_user.is_authenticated:
        raise NotSignedIn("not_signed_in", "Sign in first.", None, "Your session has ended.")
    if needs == OWN_DOOR:
        return
    if current_user.person.choose_secret:
        raise NotAllowed(
            "choose_secret",
            "Choose a PIN or password of your own first.",
            None,
            "Whoever gave you the first one knows it.",
        )
    if needs != SIGNED_IN:
        refuse_without(needs, current_user.person.name, current_user.rights)


def _refuse_foreign_host(trusted: frozenset[str]) -> None:
    """A foreign name that leads here reaches nothing (werkzeug's own check knows no IPv6 addresses)."""
    name = _HOST.fullmatch(request.headers.get("Host", ""))
    if name is None or name.group(1).lower() not in trusted:
        raise AmpleError(
            "unknown_host",
            "Unknown host name.",
            None,
            "AMPLE_ADDRESS sets the shop's name; AMPLE_HOSTS lists others.",
        )


def _refuse_foreign_origin(trusted: frozenset[str]) -> None:
    origin = request.headers.get("Origin")
    if origin is None:
        return
    parts = urlsplit(origin)
    host = parts.hostname or ""
    if (f"[{host}]" if ":" in host else host) not in trusted:
        raise NotAllowed("foreign_origin", "Requests from other sites are refused.", None, None)
