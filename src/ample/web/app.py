"""The application: everything wired together."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from flask import Response, abort, g, jsonify, make_response, send_from_directory
from flask.json.provider import DefaultJSONProvider
from flask_openapi3 import Info, OpenAPI

from ample.base.desk import Desk, ErrorAnswer, json_answer
from ample.base.rights import needs
from ample.sheets.api import HOST as SHEETS_HOST
from ample.sheets.api import api as sheets
from ample.shop.bench.api import api as bench
from ample.shop.bench.tools import BenchTools
from ample.shop.board.api import api as board
from ample.shop.calipers.api import api as calipers
from ample.shop.catalogue.api import api as catalogue
from ample.shop.catalogue.keeper import ShopIndexKeeper
from ample.shop.counter.api import api as counter
from ample.shop.facts import HOST
from ample.shop.history.api import api as history
from ample.shop.instruments.api import api as instruments
from ample.shop.jobfile.api import api as jobfile
from ample.shop.jobs.api import api as jobs
from ample.shop.line.api import api as line
from ample.shop.orders.api import api as orders
from ample.shop.paper.api import api as paper
from ample.shop.people.api import api as people
from ample.shop.photos.api import api as photos
from ample.shop.takein.api import api as takein
from ample.shop.units.api import api as units
from ample.store import Database
from ample.web.calc import calc
from ample.web.errors import handle_errors, invalid
from ample.web.health import Backup, Health, HealthKeeper, backup_of
from ample.web.openapi import complete
from ample.web.security import csrf, every_route_says_what_it_needs, guard
from ample.web.settings import Settings

BUILT = Path(__file__).with_name("built")
MOST_BYTES = 512 * 1024


class Json(DefaultJSONProvider):
    """JSON of a request: nested without end it is refused as JSON, not a fault of the server."""

    def loads(self, s: str | bytes, **kwargs: Any) -> Any:
        """Read a text."""
        try:
            return super().loads(s, **kwargs)
        except RecursionError as error:
            raise ValueError("nested too deeply") from error


def create_app(settings: Settings | None = None) -> OpenAPI:
    """Build the application; settings come from the environment when not given."""
    known = settings or Settings.from_environment()
    app = OpenAPI(
        "ample",
        info=Info(title="Ample", version="1", description="The parts desk of a rebuild shop."),
        doc_ui=False,
        security_schemes={"session": {"type": "apiKey", "in": "cookie", "name": "ample"}},
        responses=dict.fromkeys((400, 401, 404, 413, 422, 503), ErrorAnswer),
        validation_error_status=422,
        validation_error_model=ErrorAnswer,
        validation_error_callback=invalid,
        static_folder=None,
    )
    app.config.update(
        SECRET_KEY=known.secret_key,
        MAX_CONTENT_LENGTH=MOST_BYTES,
        SESSION_COOKIE_NAME="ample",
        SESSION_COOKIE_HTTPONLY=True,
        SESSION_COOKIE_SAMESITE="Strict",
        WTF_CSRF_TIME_LIMIT=None,
        WTF_CSRF_SSL_STRICT=False,  # Origin is held against all our names instead of Referer against one
        WTF_CSRF_HEADERS=["X-CSRF-Token"],
    )
    app.json = Json(app)
    database = Database(known.database_url)
    app.extensions["ample-desk"] = Desk(database)
    app.extensions["ample-index"] = ShopIndexKeeper(database, known.home if known.home.is_dir() else None)
    app.extensions[SHEETS_HOST] = HOST
    app.extensions["ample-bench-tools"] = BenchTools()
    guard(app, known.doors)
    handle_errors(app, known.home)
    for blueprint in (
        calc,
        people,
        board,
        counter,
        jobs,
        takein,
        units,
        line,
        photos,
        jobfile,
        paper,
        bench,
        sheets,
        orders,
        instruments,
        calipers,
        catalogue,
        history,
    ):
        app.register_api(blueprint)
    csrf.exempt(calc)
    _own_routes(app, HealthKeeper(database, known.home), known.home)
    every_route_says_what_it_needs(app)
    complete(app)
    return app


def _own_routes(app: OpenAPI, keeper: HealthKeeper, home: Path) -> None:
    @app.get("/api/backup", summary="The last daily backup", responses={200: Backup})
    @needs("signed_in")
    def backup() -> Response:
        """When it was made, and whether restoring it proved it."""
        return json_answer(backup_of(home))

    @app.get("/api/health", summary="Whether all is well", responses={200: Health, 503: Health})
    @needs("anyone")
    def health() -> Response:
        """Whether the server answers, and its database answers and stores."""
        found = keeper.look()
        return json_answer(found, 200 if found.ok else 503)

    @needs("anyone")
    def openapi_document() -> Response:
        return jsonify(app.api_doc)

    @needs("anyone")
    def static_file(name: str) -> Response:
        response = send_from_directory(BUILT / "assets", name)
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response

    @needs("anyone")
    def page(anything: str) -> Response:
        index = BUILT / "index.html"
        if anything.startswith(("api/", "assets/")) or not index.exists():
            abort(404)
        response = make_response(index.read_text(encoding="utf-8").replace("__NONCE__", g.nonce))
        response.headers["Cache-Control"] = "no-store"
        return response

    app.add_url_rule("/api/openapi.json", view_func=openapi_document)
    app.add_url_rule("/assets/<path:name>", view_func=static_file)

    @needs("signed_in")
    def nothing_there(anything: str) -> Response:
        abort(404)

    methods = ["GET", "POST", "PUT", "PATCH", "DELETE"]
    app.add_url_rule("/api/<path:anything>", view_func=nothing_there, methods=methods)
    app.add_url_rule("/", view_func=page, defaults={"anything": ""})
    app.add_url_rule("/<path:anything>", view_func=page)
