"""Schemathesis over the whole API: never a 500, always the documented shapes."""

import json
import secrets

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from schemathesis import GenerationMode
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)

from ample.web.document import document
from tests.conftest import Client

CHECKS = (not_a_server_error, response_schema_conformance, status_code_conformance, content_type_conformance)
EXAMPLES = {False: 4, True: 40}
ELSEWHERE = ("/api/sign-in", "/api/sign-out")  # ending the session and failing to begin one: test_security.py
DOCUMENT = json.loads(document())
OPERATIONS = [
    (path, method)
    for path, methods in DOCUMENT["paths"].items()
    for method in methods
    if path not in ELSEWHERE
]


@pytest.fixture(scope="module")
def signed_in(app):
    return Client(app, "owner")


@pytest.fixture(scope="module")
def schema(app):
    return schemathesis.openapi.from_wsgi("/api/openapi.json", app)


@pytest.mark.parametrize(("path", "method"), OPERATIONS, ids=lambda value: value)
def test_answers_are_as_documented_whatever_is_sent(request, schema, signed_in, path, method):
    operation = schema[path][method]

    @settings(
        max_examples=EXAMPLES[request.config.getoption("--long")],
        deadline=None,
        database=None,
        suppress_health_check=list(HealthCheck),
    )
    @given(case=operation.as_strategy() | operation.as_strategy(generation_mode=GenerationMode.NEGATIVE))
    def send(case):
        cookie = signed_in.http.get_cookie("ample").value
        headers = {"X-CSRF-Token": signed_in.token, "Idempotency-Key": secrets.token_hex(12)}
        response = case.call(headers=headers, cookies={"ample": cookie})
        assert response.status_code < 500, response.text
        case.validate_response(response, checks=CHECKS)

    send()


def test_whatever_takes_something_says_how_it_refuses_it():
    """A route with a body or parameters that documents no 422 of ours gets one of the library's own shape."""
    takes = [
        (path, method, DOCUMENT["paths"][path][method])
        for path, method in OPERATIONS
        if "{" in path or "requestBody" in DOCUMENT["paths"][path][method]
    ]
    shapes = {
        (path, method): said["responses"]["422"]["content"]["application/json"]["schema"].get("$ref", "")
        for path, method, said in takes
        if "422" in said["responses"]
    }
    assert len(shapes) > 50
    assert [asked for asked, shape in shapes.items() if not shape.endswith("/ErrorAnswer")] == []
