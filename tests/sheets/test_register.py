"""One walk over every kind of sheet: nothing is lost, nobody is overwritten, what stood there earlier can be seen."""

import ast
import csv
import io
import json
from dataclasses import replace
from datetime import timedelta
from pathlib import Path

import pytest

from ample.base.marks import mark_of
from ample.core.kits import ALSO, CHECKS, LineFacts, OnTheShelf, OrderCheckResult, OrderFacts, check_part
from ample.sheets import kinds, store
from ample.sheets.checks import check_by_kinds, order_checks
from ample.sheets.register import SHEETS
from ample.sheets.subjects import job_subject, part_subject, unit_subject
from ample.shop.facts import HOST
from tests.sheets.samples import BAD, BEGUN, SAMPLES

EVERY = pytest.mark.parametrize("kind", SHEETS.values(), ids=SHEETS)


@pytest.fixture
def a_subject(a_part, database):
    """A fresh subject of a kind: its address and row."""

    def make(kind):
        number, part_id = a_part()
        if kind.subject == "part":
            return f"/api/parts/{part_id}", part_id
        job_id = database.run(lambda t: job_subject(t, number).id)
        if kind.subject == "job":
            return f"/api/jobs/{number}", job_id
        unit_id = database.run(lambda t: t.insert("INSERT INTO units (title) VALUES ('Test unit')"))
        return f"/api/units/{unit_id}", unit_id

    return make


def saved(client, at, kind, version, sheet):
    answer = client.put(f"{at}/sheets/{kind.name}", {"version": version, "sheet": sheet})
    assert answer.status_code == 200, answer.get_json()
    return answer.get_json()


def test_every_kind_has_a_sample_and_every_fact_a_provider():
    assert set(SAMPLES) == set(BAD) == set(SHEETS)
    for kind in SHEETS.values():
        assert set(kind.fact_names) <= set(HOST.facts), kind.name
        assert set(kind.shown) <= set(kind.fact_names), kind.name


def test_the_order_asks_what_the_kinds_say():
    """Each check is said once, by the kind whose sheet it is settled on or by the order itself."""
    facts = OrderFacts(
        None, None, "", 0, False, None, None, None, None, None, 1, clearance_advice="Take C3.",
        line=LineFacts(1, ("seal",), "Which plate?"), shelf=OnTheShelf("6205", 3, "bin 4"),
    )  # fmt: skip
    assert [each.check for each in check_part(facts)] == [*CHECKS, *ALSO]
    assert check_by_kinds(facts) == check_part(facts)
    said = {kind.name: [each.check for each in kind.order_checks(facts)] for kind in SHEETS.values()}
    assert {name: found for name, found in said.items() if found} == {
        "take_in": ["build"], "strip_down": ["strip_down"], "bench": ["identity"],
        "seats": ["shaft", "housing", "clearance"],
    }  # fmt: skip


def test_what_a_new_kind_says_before_an_order_is_asked_too(monkeypatch):
    """A kind that says something keeps the order on hold until it is settled; its own facts bind an override."""

    def check(facts):
        return (
            OrderCheckResult("kit", "not_proven", "The backup ring of the kit is missing.", rests_on="kit 7"),
        )

    new = replace(SHEETS["leak_log"], name="kit", order_checks=check)
    monkeypatch.setitem(SHEETS, "kit", new)
    facts = OrderFacts(None, None, "", 0, False, None, None, None, None, None, 1)
    found = order_checks(facts, {})[-1]
    assert (found.check, found.words) == ("kit", "The backup ring of the kit is missing.")
    assert found.facts_mark == mark_of("kit", "not_proven", "kit 7")


def test_kinds_import_no_subject_and_no_other_kind():
    folder = Path(kinds.__file__).parent
    own = {path.stem for path in folder.glob("*.py")}
    for path in folder.glob("*.py"):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            module = getattr(node, "module", None) or ""
            assert not module.startswith("ample.shop"), path.name
            assert not (module.startswith("ample.sheets.kinds") and own), path.name


@EVERY
def test_a_sheet_comes_back_as_it_was_typed(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    client, (sheet, _) = as_role("bench"), SAMPLES[kind.name]
    begun = BEGUN.get(kind.name, 0)
    empty = client.get(f"{at}/sheets/{kind.name}").get_json()
    assert (empty["version"], empty["signatures"]) == (begun, [])
    assert saved(client, at, kind, begun, sheet)["version"] == begun + 1
    again = client.get(f"{at}/sheets/{kind.name}").get_json()
    assert (again["version"], again["sheet"]) == (begun + 1, sheet)


@EVERY
def test_two_editors_lose_nothing(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    one, other = as_role("bench"), as_role("owner")
    sheet, changed = SAMPLES[kind.name]
    begun = BEGUN.get(kind.name, 0)
    saved(one, at, kind, begun, sheet)
    late = other.put(f"{at}/sheets/{kind.name}", {"version": begun, "sheet": changed})
    told = late.get_json()["error"]
    assert (late.status_code, told["code"]) == (409, "changed_meanwhile")
    assert told["current"] == {"version": begun + 1, "sheet": sheet}
    assert saved(other, at, kind, begun + 1, changed)["sheet"] == changed


@EVERY
def test_what_cannot_be_kept_is_refused_at_its_field(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    client, (sheet, _) = as_role("bench"), SAMPLES[kind.name]
    bad, field = BAD[kind.name]
    begun = BEGUN.get(kind.name, 0)
    refused = client.put(f"{at}/sheets/{kind.name}", {"version": begun, "sheet": bad})
    assert (refused.status_code, refused.get_json()["error"]["field"]) == (422, field)
    unknown = client.put(f"{at}/sheets/{kind.name}", {"version": begun, "sheet": sheet | {"luck": 7}})
    assert (unknown.status_code, unknown.get_json()["error"]["field"]) == (422, "sheet.luck")
    assert client.get(f"{at}/sheets/{kind.name}").get_json()["version"] == begun


@EVERY
def test_it_is_judged_as_it_is_typed_and_kept_nowhere(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    client, (sheet, _) = as_role("bench"), SAMPLES[kind.name]
    judged = client.post(f"{at}/sheets/{kind.name}/judge", sheet)
    assert judged.status_code == 200, judged.get_json()
    begun = BEGUN.get(kind.name, 0)
    assert client.get(f"{at}/sheets/{kind.name}").get_json()["version"] == begun
    assert judged.get_json()["judged"] == saved(client, at, kind, begun, sheet)["judged"]


@EVERY
def test_what_stood_there_earlier_can_be_seen(kind, database, doer, a_subject):
    _, row = a_subject(kind)
    sheet, changed = (kind.sheet.model_validate(each) for each in SAMPLES[kind.name])
    bench, owner = doer("bench"), doer("owner")
    late = timedelta(minutes=11)

    def subject(t):
        of = {"part": part_subject, "unit": unit_subject}.get(kind.subject)
        if of:
            return of(t, row)
        number = t.single_value("SELECT number FROM jobs WHERE job_id = %(id)s", {"id": row})
        return job_subject(t, number)

    def save(who, version, made, after=timedelta(0)):
        at = type(who)(who.person_id, who.name, who.role, who.now + after)
        database.run(lambda t: store.save(t, at, kind, subject(t), version, made, HOST))

    begun = BEGUN.get(kind.name, 0)
    save(bench, begun, changed)
    save(bench, begun + 1, sheet, timedelta(minutes=4))  # the same sitting
    save(owner, begun + 2, changed, timedelta(minutes=5))
    save(owner, begun + 3, sheet, late + timedelta(minutes=5))  # another sitting
    versions = [
        (each.version - begun, each.person)
        for each in database.run(lambda t: store.versions_of(t, kind, row))
    ]
    assert versions[:3] == [(4, "Marl"), (3, "Marl"), (2, bench.name)]
    assert versions[3:] == [(0, None)] * begun, "what stood there before anybody worked at it"

    def stood(version):
        return database.run(lambda t: store.version_of(t, kind, row, begun + version))

    assert stood(2)[1] == sheet
    assert stood(1)[0].version == begun + 2, "the sitting that holds it"
    assert stood(3)[1] == changed


@EVERY
def test_its_versions_and_its_tables_are_answered(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    client, (sheet, _) = as_role("bench"), SAMPLES[kind.name]
    assert client.get(f"{at}/sheets/{kind.name}/versions").get_json() == {"versions": []}
    assert client.get(f"{at}/sheets/{kind.name}/versions/1").status_code == 404
    begun = BEGUN.get(kind.name, 0)
    saved(client, at, kind, begun, sheet)
    version = client.get(f"{at}/sheets/{kind.name}/versions").get_json()["versions"][0]
    assert version["version"] == begun + 1
    assert client.get(f"{at}/sheets/{kind.name}/versions/{begun + 1}").get_json()["sheet"] == sheet
    made = client.get(f"{at}/sheets/{kind.name}/csv")
    assert made.mimetype == "text/csv"
    rows = list(csv.reader(io.StringIO(made.text)))
    assert len(rows) > 2
    typed = kind.sheet.model_validate(sheet)
    for table in kind.tables(typed, None):
        assert list(table.headings) in rows
        for row in table.rows:
            assert list(row) in [[cell.removeprefix("'") for cell in each] for each in rows]


@EVERY
def test_whoever_may_not_write_is_refused(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    sheet, _ = SAMPLES[kind.name]
    body = {"version": BEGUN.get(kind.name, 0), "sheet": sheet}
    assert as_role().put(f"{at}/sheets/{kind.name}", body).status_code == 401
    if kind.writes != "signed_in":
        assert as_role("counter").put(f"{at}/sheets/{kind.name}", body).status_code == 403


@EVERY
def test_signing_is_for_what_was_seen(kind, as_role, a_subject):
    at, _ = a_subject(kind)
    client, (sheet, changed) = as_role("owner"), SAMPLES[kind.name]
    saved(client, at, kind, BEGUN.get(kind.name, 0), sheet)
    if kind.signs is None:
        assert client.post(f"{at}/sheets/{kind.name}/signature", {"version": 1}).status_code == 404
        return
    signed = client.post(f"{at}/sheets/{kind.name}/signature", {"version": 1})
    assert signed.status_code == 201
    (signature,) = signed.get_json()["signatures"]
    assert (signature["person"], signature["current"]) == ("Marl", True)
    after = saved(client, at, kind, 1, changed)
    assert [each["current"] for each in after["signatures"]] == [False]
    late = client.post(f"{at}/sheets/{kind.name}/signature", {"version": 1})
    assert (late.status_code, late.get_json()["error"]["code"]) == (409, "changed_meanwhile")


@EVERY
def test_a_change_stands_in_the_record(kind, as_role, a_subject, database):
    at, row = a_subject(kind)
    sheet, _ = SAMPLES[kind.name]
    saved(as_role("bench"), at, kind, BEGUN.get(kind.name, 0), sheet)
    kept = database.run(
        lambda t: t.rows(
            "SELECT action FROM audit WHERE subject = %(s)s AND subject_id = %(i)s AND action = %(a)s",
            {"s": kind.subject, "i": row, "a": kind.recorded_as},
        )
    )
    assert len(kept) == 1


@EVERY
def test_it_goes_out_with_a_job_and_comes_back(kind, as_role, a_part, a_subject, database):
    """Of a job kept here, read in again as another: the sheet is the same, a unit of the same number keeps its own."""
    client, (sheet, _) = as_role("owner"), SAMPLES[kind.name]
    number, part = a_part()
    at = {"job": f"/api/jobs/{number}", "part": f"/api/parts/{part}"}.get(kind.subject, "")
    if kind.subject == "unit":
        unit = client.put(f"/api/jobs/{number}/unit", {"unit_id": None}).get_json()["unit"]
        at = f"/api/units/{unit['unit_id']}"
    saved(client, at, kind, BEGUN.get(kind.name, 0), sheet)
    file = client.get(f"/api/jobs/{number}/file").get_json()
    made = client.post("/api/job-files", file).get_json()["job"]
    again = client.get(f"/api/jobs/{made['number']}/file").get_json()
    without = {"number", "opened_at"}
    assert {key: value for key, value in again.items() if key not in without} == {
        key: value for key, value in file.items() if key not in without
    }
    text = json.dumps(file)
    assert all(json.dumps(value)[1:-1] in text for value in sheet.values() if isinstance(value, dict | list))
