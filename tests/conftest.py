"""A private MariaDB with the demo in it, one to a test process; signed-in clients."""

import secrets

import pytest
from hypothesis import settings

from ample.base.doer import Doer
from ample.demo.load import PEOPLE
from ample.shop.instruments.actions import instrument_finder, known_instruments
from ample.store import Database
from ample.web.app import create_app
from ample.web.settings import Settings
from tests.template import now, started

settings.register_profile("shop", deadline=None, print_blob=True)
settings.load_profile("shop")
PINS = {role: (name, pin) for name, role, pin in PEOPLE}
# What takes longest is begun first, so that no process is left with it alone at the end.
FIRST = (
    "test_launcher",
    "test_open_doors",
    "browser/test_line",
    "browser",
    "core/identify",
    "shop/test_backup",
    "faults",
    "shop",
    "web",
    "demo",
)

NO_RUBBER = {
    "hardness_shore_a": None, "hardened": False, "colour": "", "swelling": "", "mass_air_g": None, "mass_water_g": None,
}  # fmt: skip
NOTHING_SAID: dict[str, object] = {
    "said": {},
    "medium": "",
    "temperature_c": None,
    "needed": None,
    "rubber": NO_RUBBER,
}


def pytest_addoption(parser):
    parser.addoption("--long", action="store_true", help="the long cases too: what CI runs")


def pytest_collection_modifyitems(config, items):
    """Long cases wait to be asked for; what takes longest comes first."""
    if not config.getoption("--long"):
        asked = {argument.partition("[")[0] for argument in config.args if "::" in argument}
        kept = [item for item in items if not item.get_closest_marker("long") or asked]
        config.hook.pytest_deselected(items=[item for item in items if item not in kept])
        items[:] = kept
    items.sort(
        key=lambda item: next((n for n, part in enumerate(FIRST) if part in str(item.path)), len(FIRST))
    )


@pytest.fixture(scope="session")
def server(tmp_path_factory):
    """One to a test process: a private MariaDB over a fresh copy of the demo."""
    made = started("demo", tmp_path_factory.mktemp("shop"))
    yield made
    made.stop()


@pytest.fixture(scope="session")
def database(server):
    return Database(server.url)


@pytest.fixture(scope="session")
def app(server):
    return create_app(Settings(server.home, server.url, "for tests only"))


@pytest.fixture(scope="session")
def index(app):
    return app.extensions["ample-index"].current()


@pytest.fixture
def find(database):
    return database.run(lambda t: instrument_finder(known_instruments(t, now().date())))


@pytest.fixture
def doer(database):
    def of(role):
        name, _ = PINS[role]
        person = database.run(
            lambda t: t.first("SELECT person_id FROM people WHERE name = %(n)s", {"n": name})
        )
        return Doer(person["person_id"], name, role, now())

    return of


class Client:
    """A signed-in test client that carries the tokens a browser would."""

    def __init__(self, app, role=None):
        self.http = app.test_client()
        self.token = self.http.get("/api/session").get_json()["csrf_token"]
        if role:
            name, pin = PINS[role]
            answer = self.post("/api/sign-in", {"name": name, "secret": pin})
            assert answer.status_code == 200, answer.get_json()
            self.token = answer.get_json()["csrf_token"]

    def _send(self, method, path, body=None, key=None):
        headers = {"X-CSRF-Token": self.token, "Idempotency-Key": key or secrets.token_hex(12)}
        return self.http.open(path, method=method, json=body, headers=headers)

    def get(self, path):
        return self.http.get(path)

    def post(self, path, body=None, key=None):
        return self._send("POST", path, body, key)

    def put(self, path, body=None, key=None):
        return self._send("PUT", path, body, key)

    def delete(self, path, key=None):
        return self._send("DELETE", path, None, key)


@pytest.fixture
def as_role(app):
    return lambda role=None: Client(app, role)


@pytest.fixture
def a_part(as_role):
    """A fresh job with one part; its number and row."""

    def make(marking="", **more):
        client = as_role("bench")
        number = client.post("/api/jobs", {"title": f"Test unit {secrets.token_hex(3)}"}).get_json()["number"]
        body = {"name": "Test bearing", "marking": marking, **more}
        part = client.post(f"/api/jobs/{number}/parts", body).get_json()
        return number, part["part_id"]

    return make
