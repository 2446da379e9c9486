"""Keeping people: adding, roles, rights with their limits, PINs, rest, and the record of it."""

import secrets

import pytest

from ample.base.rights import ROLES, Change, known_rights, rights_of
from tests.conftest import Client

FIRST_PIN, OWN_PIN = "620 418", "cold chisel"


def names(answer):
    return {each["name"]: each for each in answer.get_json()["people"]}


@pytest.fixture
def owner(as_role):
    return as_role("owner")


@pytest.fixture
def newcomer(app, owner):
    """A fresh person with a chosen PIN: name, row, and a signed-in client."""

    def make(role="bench", choose=True):
        name = f"Person {secrets.token_hex(4)}"
        answer = owner.post("/api/people", {"name": name, "role": role, "secret": FIRST_PIN})
        assert answer.status_code == 201, answer.get_json()
        client = signed_in(app, name, FIRST_PIN)
        if choose:
            assert client.post("/api/own/secret", {"old": FIRST_PIN, "new": OWN_PIN}).status_code == 200
        return name, names(owner.get("/api/people"))[name], client

    return make


def signed_in(app, name, pin):
    client = Client(app)
    answer = client.post("/api/sign-in", {"name": name, "secret": pin})
    assert answer.status_code == 200, answer.get_json()
    client.token = answer.get_json()["csrf_token"]
    return client


def code_of(answer):
    return answer.get_json()["error"]["code"]


def test_a_pin_given_by_another_is_replaced_before_anything_else(newcomer):
    _, _, client = newcomer(choose=False)
    assert client.get("/api/session").get_json()["person"]["choose_secret"]
    assert code_of(client.get("/api/jobs")) == "choose_secret"
    assert code_of(client.post("/api/jobs", {"title": "Winch"})) == "choose_secret"
    assert code_of(client.post("/api/own/secret", {"old": FIRST_PIN, "new": FIRST_PIN})) == "same_secret"
    assert code_of(client.post("/api/own/secret", {"old": "000 000", "new": OWN_PIN})) == "wrong_secret"
    answer = client.post("/api/own/secret", {"old": FIRST_PIN, "new": OWN_PIN})
    assert answer.get_json()["person"]["choose_secret"] is False
    assert client.get("/api/jobs").status_code == 200


def test_a_new_pin_ends_every_sign_in(app, owner, newcomer):
    name, row, client = newcomer()
    answer = owner.post(
        f"/api/people/{row['person_id']}/secret", {"secret": "907 153", "version": row["version"]}
    )
    assert answer.status_code == 200
    assert client.get("/api/jobs").status_code == 401
    assert names(answer)[name]["choose_secret"]
    stale = owner.post(
        f"/api/people/{row['person_id']}/secret", {"secret": "907 153", "version": row["version"]}
    )
    assert (stale.status_code, code_of(stale)) == (409, "changed_meanwhile")
    assert signed_in(app, name, "907 153").get("/api/session").get_json()["person"]["choose_secret"]


def test_changing_ones_own_pin_ends_the_other_sign_ins(app, newcomer):
    name, _, client = newcomer()
    elsewhere = signed_in(app, name, OWN_PIN)
    assert client.post("/api/own/secret", {"old": OWN_PIN, "new": "warm chisel"}).status_code == 200
    assert elsewhere.get("/api/jobs").status_code == 401
    assert client.get("/api/jobs").status_code == 200


def test_signing_out_elsewhere(app, newcomer):
    name, _, client = newcomer()
    elsewhere = signed_in(app, name, OWN_PIN)
    assert client.post("/api/own/end-sign-ins").status_code == 200
    assert elsewhere.get("/api/jobs").status_code == 401
    assert client.get("/api/jobs").status_code == 200


def test_the_owner_ends_sign_ins(owner, newcomer):
    name, row, client = newcomer()
    assert row["sign_ins"] == 1
    answer = owner.post(f"/api/people/{row['person_id']}/end-sign-ins")
    assert names(answer)[name]["sign_ins"] == 0
    assert client.get("/api/jobs").status_code == 401


def test_to_rest_and_back(app, owner, newcomer):
    name, row, client = newcomer()
    body = {"name": name, "role": "bench", "active": False, "version": row["version"]}
    answer = owner.put(f"/api/people/{row['person_id']}", body)
    assert names(answer)[name]["active"] is False
    assert client.get("/api/jobs").status_code == 401
    refused = Client(app).post("/api/sign-in", {"name": name, "secret": OWN_PIN})
    assert refused.status_code == 401
    back = body | {"active": True, "version": names(answer)[name]["version"]}
    assert owner.put(f"/api/people/{row['person_id']}", back).status_code == 200
    assert signed_in(app, name, OWN_PIN).get("/api/jobs").status_code == 200


def test_a_role_changes_at_once_what_one_may(owner, newcomer, a_part):
    name, row, client = newcomer("counter")
    assert client.put("/api/instruments", {}).status_code == 403
    body = {"name": name, "role": "bench", "active": True, "version": row["version"]}
    assert owner.put(f"/api/people/{row['person_id']}", body).status_code == 200
    assert client.put("/api/instruments", {}).status_code == 422


def test_whoever_becomes_an_owner_chooses_a_longer_secret_first(app, owner, newcomer):
    name, row, client = newcomer("bench")
    short = "620 4x"
    assert client.post("/api/own/secret", {"old": OWN_PIN, "new": short}).status_code == 200
    version = names(owner.get("/api/people"))[name]["version"]
    body = {"name": name, "role": "owner", "active": True, "version": version}
    assert owner.put(f"/api/people/{row['person_id']}", body).status_code == 200
    assert code_of(client.get("/api/people")) == "choose_secret"
    assert code_of(client.post("/api/own/secret", {"old": short, "new": "731 5y"})) == "secret_too_short"
    assert client.post("/api/own/secret", {"old": short, "new": "brass hammer"}).status_code == 200
    assert client.get("/api/people").status_code == 200
    back = {**body, "role": "bench", "version": names(owner.get("/api/people"))[name]["version"]}
    assert owner.put(f"/api/people/{row['person_id']}", back).status_code == 200


def test_one_owner_stays(owner):
    people = owner.get("/api/people").get_json()["people"]
    marl = next(each for each in people if each["role"] == "owner")
    for change in ({"role": "bench"}, {"active": False}):
        body = {"name": marl["name"], "role": "owner", "active": True, "version": marl["version"]} | change
        answer = owner.put(f"/api/people/{marl['person_id']}", body)
        assert (answer.status_code, code_of(answer)) == (422, "last_owner")


@pytest.mark.parametrize("name", ["Wren", " wren ", "​", "", "x" * 61, "…"])
def test_awkward_names_are_refused(owner, name):
    answer = owner.post("/api/people", {"name": name, "role": "bench", "secret": FIRST_PIN})
    assert answer.status_code == 422
    assert answer.get_json()["error"]["field"] == "name"


def cell(owner, right, role):
    rows = owner.get("/api/people").get_json()["rights"]
    return next(
        each for row in rows if row["right"] == right for each in row["roles"] if each["role"] == role
    )


def test_a_right_is_given_and_taken_and_works_at_once(owner, newcomer):
    _, _, client = newcomer("counter")
    asked = {"role": "counter", "right": "instruments", "allowed": True}
    assert client.put("/api/instruments", {}).status_code == 403
    given = owner.put("/api/rights", asked | {"version": 0})
    assert given.status_code == 200, given.get_json()
    assert client.put("/api/instruments", {}).status_code == 422
    assert "instruments" in client.get("/api/session").get_json()["may"]
    stale = owner.put("/api/rights", asked | {"allowed": False, "version": 0})
    assert (stale.status_code, code_of(stale)) == (409, "changed_meanwhile")
    version = cell(owner, "instruments", "counter")["version"]
    assert owner.put("/api/rights", asked | {"allowed": False, "version": version}).status_code == 200
    assert client.put("/api/instruments", {}).status_code == 403


@pytest.mark.parametrize(
    ("right", "role", "more", "code"),
    [
        ("override", "counter", {}, "right_is_fixed"),
        ("people", "bench", {}, "right_is_fixed"),
        ("second_person", "counter", {}, "right_is_fixed"),
        ("delete", "counter", {"limit": "10"}, "no_limit_here"),
    ],
)
def test_rights_are_changed_within_sense(owner, right, role, more, code):
    body = {"role": role, "right": right, "allowed": True, "version": 0} | more
    answer = owner.put("/api/rights", body)
    assert (answer.status_code, code_of(answer)) == (422, code)


def test_the_owners_own_rights_cannot_be_taken(owner):
    body = {"role": "owner", "right": "override", "allowed": False, "version": 0}
    assert owner.put("/api/rights", body).status_code == 422
    assert rights_of("owner", [Change("owner", "override", False)]).may("override")


def test_every_right_has_words_and_roles_that_may_have_it():
    for right in known_rights().values():
        assert right.words
        assert right.given_to <= right.may_have < set(ROLES)


def test_what_was_done_with_people_is_on_record_and_no_secret_is(owner, newcomer, database):
    _, row, _ = newcomer()
    owner.post(f"/api/people/{row['person_id']}/end-sign-ins")
    rows = database.run(
        lambda t: t.rows(
            "SELECT action, before_json, after_json FROM audit WHERE subject = 'person' AND subject_id = %(id)s",
            {"id": row["person_id"]},
        )
    )
    assert [each["action"] for each in rows] == ["added", "own_secret", "signed_out"]
    kept = database.run(lambda t: t.rows("SELECT * FROM audit")) + database.run(
        lambda t: t.rows("SELECT * FROM idempotency")
    )
    assert all(pin not in str(each) for each in kept for pin in (FIRST_PIN, OWN_PIN))


def test_the_fingerprint_of_a_request_cannot_be_tried_against_short_pins(app, owner, database):
    """With a plain hash, whoever has a copy of the table could try every PIN of six figures in a second."""
    import hashlib
    import json

    key = secrets.token_hex(12)
    name = f"Person {secrets.token_hex(4)}"
    body = {"name": name, "role": "bench", "secret": FIRST_PIN}
    assert owner.post("/api/people", body, key).status_code == 201
    kept = database.run(
        lambda t: t.single_value("SELECT fingerprint FROM idempotency WHERE request_key = %(k)s", {"k": key})
    )
    plain = b"POST /api/people\n" + json.dumps(body).encode()
    assert kept != hashlib.sha256(plain).hexdigest()
