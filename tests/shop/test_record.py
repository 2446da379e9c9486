"""The record of changes: readable and searchable by person, job and day; every kind of change has words."""

import ast
import secrets
from datetime import datetime, timedelta
from pathlib import Path

import pytest

from ample.prepare import ROOT
from ample.shop.history.words import known, words_of
from tests.conftest import now

SHOP = ROOT / "src" / "ample"


def changes(client, **asked):
    query = "&".join(f"{name}={value}" for name, value in asked.items())
    return client.get(f"/api/audit?{query}").get_json()["changes"]


@pytest.fixture
def owner(as_role):
    return as_role("owner")


def test_what_was_done_to_a_job_is_found_by_its_number(owner, as_role, a_part):
    number, part = a_part("6205")
    other, _ = a_part("6206")
    sheet = {"marking": "6205-2RS", "observations": []}
    assert as_role("bench").put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet}).status_code == 200
    found = changes(owner, job=number)
    assert [each["action"] for each in found] == ["bench", "added", "opened"]
    assert {each["job_number"] for each in found} == {number}
    assert {each["person"] for each in found} == {"Wren"}
    assert found[0]["words"] == "changed the measurements of Test bearing"
    assert (found[0]["before"]["marking"], found[0]["after"]["marking"]) == ("6205", "6205-2RS")
    assert {each["job_number"] for each in changes(owner, job=other)} == {other}


def test_by_person_and_by_day(owner, a_part):
    a_part()
    assert {each["person"] for each in changes(owner, person="Wren")} == {"Wren"}
    today, later = now().date(), now().date() + timedelta(days=1)
    assert all(
        datetime.fromisoformat(each["happened_at"]).date() == today for each in changes(owner, day=today)
    )
    assert changes(owner, day=later) == []


def test_what_the_terminal_did_has_no_person(owner, database):
    from ample.shop.people import keeping
    from ample.shop.people.records import NewPerson

    name = f"Person {secrets.token_hex(4)}"
    database.run(
        lambda t: keeping.add_person(t, None, NewPerson(name=name, role="bench", secret="620 418"), now())
    )
    found = changes(owner, person="terminal")
    assert found[0]["words"] == f"added {name} (bench)"
    assert {each["person"] for each in found} == {None}


def test_page_after_page_without_a_gap(owner, database):
    rows, before = [], None
    while True:
        answer = owner.get(f"/api/audit{f'?before={before}' if before else ''}").get_json()
        rows += [each["audit_id"] for each in answer["changes"]]
        before = answer["next_before"]
        if before is None:
            break
    assert rows == sorted(rows, reverse=True)
    assert len(rows) == database.run(lambda t: t.single_value("SELECT COUNT(*) FROM audit"))


@pytest.mark.parametrize(
    ("query", "status"),
    [("job=9999", 404), ("person=Nobody", 404), ("day=yesterday", 422), ("before=0", 422), ("who=Wren", 422)],
)
def test_what_is_not_there_is_said(owner, query, status):
    assert owner.get(f"/api/audit?{query}").status_code == status


def test_an_order_that_was_placed_is_found_by_its_jobs(owner, database):
    placed = database.run(
        lambda t: t.first(
            """
            SELECT j.number, l.order_id
            FROM order_lines l
            JOIN parts p ON p.part_id = l.part_id
            JOIN jobs j ON j.job_id = p.job_id
            LIMIT 1
            """
        )
    )
    database.run(
        lambda t: t.insert(
            """
            INSERT INTO audit (happened_at, person_id, subject, subject_id, action, after_json)
            VALUES (UTC_TIMESTAMP(6), 1, 'order', %(order_id)s, 'placed', '{"total": "12.40"}')
            """,
            placed,
        )
    )
    assert "placed the order, 12.40" in [each["words"] for each in changes(owner, job=placed["number"])]


def recorded():
    """Subject and action of every change that the code writes down."""
    found = set()
    for file in sorted(Path(SHOP).rglob("*.py")):
        for call in ast.walk(ast.parse(file.read_text())):
            if not (isinstance(call, ast.Call) and isinstance(call.func, ast.Name)):
                continue
            texts = [
                each.value
                for each in call.args
                if isinstance(each, ast.Constant) and isinstance(each.value, str)
            ]
            if call.func.id in ("record", "note") and len(texts) >= 2:
                found.add((texts[0], texts[1]))
            if call.func.id == "_note" and texts:
                found.add(("person", texts[0]))
    return found


def test_every_change_that_is_recorded_has_words():
    assert len(recorded()) > 30
    assert recorded() <= known()


def test_words_without_their_values_are_no_fault():
    assert words_of("part", "identified", None, None) == "identified … as …"
    assert words_of("unknown_thing", "was_done", {}, {}) == "unknown thing: was done"
