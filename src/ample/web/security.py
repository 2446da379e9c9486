"""Who is asking, forged requests, and the headers that keep pages to themselves."""

from __future__ import annotations

import secrets
from datetime import UTC, datetime

from flask import Flask, Response, g, request
from flask_login import LoginManager, current_user
from flask_wtf import CSRFProtect

from ample.shop.desk import desk
from ample.shop.jobfile.api import MOST_BYTES as FILE_BYTES
from ample.shop.people import queries
from ample.shop.people.actions import NotSignedIn, token_hash
from ample.shop.people.signed_in import SignedIn
from ample.shop.photos.pictures import MOST_BYTES as PHOTO_BYTES

PUBLIC = frozenset({"health", "openapi_document", "people.sign_in", "people.who", "page", "static_file"})
LINE_BYTES = 4 * 1024 * 1024  # 400 parts with all that can be said of them
# somewhat over the limit of a photo is still said in the photo's own words
LARGER_BODIES = {
    "photos.add_photo": 2 * PHOTO_BYTES,
    "jobfile.import_job": FILE_BYTES,
    "line.save_line": LINE_BYTES,
    "calc.line_check": LINE_BYTES,
}
csrf = CSRFProtect()


def guard(app: Flask) -> None:
    """Put sign-in, CSRF and headers in place: every route asks unless it is listed as public."""
    manager = LoginManager(app)
    manager.session_protection = None

    @manager.user_loader  # type: ignore[untyped-decorator]
    def of_session(token: str) -> SignedIn | None:
        now = datetime.now(UTC).replace(tzinfo=None)
        person = desk().database.look(lambda t: queries.person_of_session(t, token_hash(token), now))
        return SignedIn(person, token) if person else None

    @app.before_request
    def ask_who() -> None:
        g.nonce = secrets.token_urlsafe(16)
        if request.endpoint in LARGER_BODIES:
            request.max_content_length = LARGER_BODIES[request.endpoint]
        if request.endpoint is None or request.endpoint in PUBLIC:
            return
        if not current_user.is_authenticated:
            raise NotSignedIn(
                "not_signed_in", "Sign in first.", None, "Your session has ended or never began."
            )

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
        response.headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=()"
        if request.path.startswith("/api/"):
            response.headers["Cache-Control"] = "no-store"
        return response
