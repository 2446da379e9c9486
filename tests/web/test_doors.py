"""The authorization matrix: every route x who asks and how, against answers typed by hand before the code."""

import secrets
import subprocess
import sys
from pathlib import Path

import pytest
from flask import Flask

from ample.core.tables import read_table
from ample.shop.people.keeping import add_person
from ample.shop.people.records import NewPerson
from ample.web.security import every_route_says_what_it_needs
from tests.conftest import Client, now

ROWS = read_table(Path(__file__).with_name("doors.csv")).rows
ROLES = ("counter", "bench", "buyer", "owner")
AT_THE_DOOR = {"not_signed_in", "not_allowed", "choose_secret", "foreign_origin", "unknown_host"}
ENDING = {"/api/sign-out", "/api/own/end-sign-ins"}  # end the sign-in that asks, or others
PIN = "40 62 81"


@pytest.fixture(scope="module")
def clients(app, database):
    """One signed-in client for each role, one that still has to choose a PIN, and one unsigned."""
    name = f"Newcomer {secrets.token_hex(3)}"
    new = NewPerson(name=name, role="bench", secret=PIN)
    database.run(lambda t: add_person(t, None, new, now()))
    held = {}

    def of(who, fresh=False):
        if fresh or who not in held:
            made = Client(app, who if who in ROLES else None)
            if who == "chosen":
                answer = made.post("/api/sign-in", {"name": name, "secret": PIN})
                made.token = answer.get_json()["csrf_token"]
            held[who] = made
        return held[who]

    return of


def path_of(route):
    for name in (
        "order_id",
        "line_id",
        "photo_id",
        "part_id",
        "person_id",
        "caliper_id",
        "unit_id",
        "version",
    ):
        route = route.replace(f"<int:{name}>", "999999")
    route = route.replace("<path:anything>", "nowhere-at-all").replace("<path:name>", "none.js")
    return route.replace("<number>", "0000").replace("<key>", "abcd").replace("<caution>", "none")


def asked(client, row, token=None, **more):
    headers = {"Idempotency-Key": secrets.token_hex(12)} | more.pop("headers", {})
    token = client.token if token is None else token
    if token:
        headers["X-CSRF-Token"] = token
    body = {} if row["method"] in ("GET", "DELETE") else {"json": {}}
    return client.http.open(path_of(row["route"]), method=row["method"], headers=headers, **body, **more)


def ways(clients, row):
    """Each column of the table, asked."""
    fresh = row["route"] in ENDING
    yield "unsigned", asked(clients("unsigned", fresh), row)
    for who in (*ROLES, "chosen"):
        yield who, asked(clients(who, fresh), row)
    owner = clients("owner", fresh)
    yield "no_token", asked(owner, row, token="")
    yield "wrong_token", asked(owner, row, token="x" * 40)
    yield "others_token", asked(owner, row, token=clients("bench").token)
    yield "foreign_host", asked(owner, row, base_url="http://evil.example")
    yield "foreign_origin", asked(owner, row, headers={"Origin": "http://evil.example"})
    if fresh:
        for who in (*ROLES, "chosen"):
            clients(who, fresh=True)


def said_at(answer):
    """What the door said: `through`, or the status of its refusal."""
    error = (answer.get_json(silent=True) or {}).get("error", {})
    if error.get("code") in AT_THE_DOOR or "CSRF" in error.get("message", ""):
        return str(answer.status_code)
    if answer.status_code == 404 and error.get("code") == "not_found":
        return "404"
    return "through" if answer.status_code < 500 else str(answer.status_code)


@pytest.mark.parametrize("row", ROWS, ids=lambda row: f"{row['method']} {row['route']}")
def test_each_door_opens_to_whom_it_should(clients, row):
    found = {way: said_at(answer) for way, answer in ways(clients, row)}
    assert found == {way: row[way] for way in found}


def test_no_route_is_without_its_row(app):
    typed = {(row["method"], row["route"]) for row in ROWS}
    there = {
        (method, rule.rule)
        for rule in app.url_map.iter_rules()
        for method in rule.methods - {"HEAD", "OPTIONS"}
    }
    assert typed == there


def test_a_route_that_says_nothing_stops_the_start():
    forgetful = Flask("forgetful")
    forgetful.add_url_rule("/forgotten", "forgotten", lambda: "")
    with pytest.raises(RuntimeError, match="does not say what it needs"):
        every_route_says_what_it_needs(forgetful)


def test_the_document_tells_who_may_ask_and_with_which_headers(app):
    for path, methods in app.api_doc["paths"].items():
        for method, operation in methods.items():
            named = {each["name"] for each in operation.get("parameters", []) if each["in"] == "header"}
            if method == "get" or path.startswith("/api/calc/"):
                assert named == set(), path
            else:
                assert "X-CSRF-Token" in named, path
            assert "503" in operation["responses"], path
            assert ("401" in operation["responses"]) or operation["security"] == [], path


def test_each_write_that_keeps_something_asks_for_its_key(app, clients):
    """What the document says of the key is what the server asks: a valid write without it is refused."""
    owner = clients("owner")
    for path, body in (("/api/jobs", {"title": "No key"}), ("/api/people/1/end-sign-ins", None)):
        named = {
            each["name"]
            for each in app.api_doc["paths"][path.replace("1", "{person_id}")]["post"]["parameters"]
        }
        assert "Idempotency-Key" in named
        answer = owner.http.post(path, json=body, headers={"X-CSRF-Token": owner.token})
        assert answer.get_json()["error"]["code"] == "no_idempotency_key"


def test_raw_bodies_are_described(app):
    photo = app.api_doc["paths"]["/api/jobs/{number}/photos"]["post"]["requestBody"]["content"]
    assert sorted(photo) == ["image/jpeg", "image/png", "image/webp"]
    file = app.api_doc["paths"]["/api/job-files"]["post"]["requestBody"]["content"]["application/json"]
    assert file["schema"]["$ref"].rpartition("/")[2] in app.api_doc["components"]["schemas"]


_NAMES_OF_MODELS = """
import flask_openapi3.utils as utils
seen, made = {}, utils.Schema
def schema(**value):
    if value.get("properties"):
        seen.setdefault(value["title"], set()).add(frozenset(value["properties"]))
    return made(**value)
utils.Schema = schema
from ample.web.document import document
document()
print(len(seen), *(name for name, bodies in seen.items() if len(bodies) > 1))
"""


def test_no_two_models_of_the_document_have_one_name():
    """A second model of a name would overwrite the first in the document, silently: the pages would have its types wrong."""
    run = subprocess.run([sys.executable, "-c", _NAMES_OF_MODELS], capture_output=True, text=True, check=True)
    count, *twice = run.stdout.split()
    assert int(count) > 200
    assert twice == []
