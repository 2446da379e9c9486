"""Which unit a job is of: by its serial number, by hand, or a new one."""

import secrets

import pytest

from ample.core.assembly.proof import ProofSheet
from ample.sheets import store
from ample.sheets.register import SHEETS


@pytest.fixture
def taken_in(as_role, a_part):
    def make(serial="", title=None):
        client = as_role("bench")
        number, _ = a_part()
        held = client.get(f"/api/jobs/{number}/take-in").get_json()
        sheet = held["sheet"] | {"serial": serial, "title": title or held["sheet"]["title"]}
        client.put(f"/api/jobs/{number}/take-in", {"version": held["version"], "sheet": sheet})
        return client, number

    return make


def test_a_unit_is_begun_once_for_a_serial_number(taken_in):
    serial = secrets.token_hex(4)
    client, first = taken_in(serial)
    assert client.get(f"/api/jobs/{first}/unit").get_json()["unit"] is None
    unit = client.put(f"/api/jobs/{first}/unit", {"unit_id": None}).get_json()["unit"]
    assert unit["serial"] == serial
    _, second = taken_in(serial)
    assert client.get(f"/api/jobs/{second}/unit").get_json()["unit"]["unit_id"] == unit["unit_id"]
    answer = client.get(f"/api/units/{unit['unit_id']}/sheets/leak_log").get_json()
    assert [each["number"] for each in answer["unit_jobs"]] == [first, second]


def test_without_a_number_those_of_its_name_are_offered(taken_in):
    title = f"Bilge pump {secrets.token_hex(3)}"
    client, first = taken_in(title=title)
    unit = client.put(f"/api/jobs/{first}/unit", {"unit_id": None}).get_json()["unit"]
    _, second = taken_in(title=title)
    may_be = client.get(f"/api/jobs/{second}/unit").get_json()["may_be"]
    assert [each["unit_id"] for each in may_be] == [unit["unit_id"]]
    tied = client.put(f"/api/jobs/{second}/unit", {"unit_id": unit["unit_id"]}).get_json()
    assert (tied["unit"]["unit_id"], tied["may_be"]) == (unit["unit_id"], [])


def test_a_unit_that_is_not_there_is_said_so(taken_in):
    client, number = taken_in()
    refused = client.put(f"/api/jobs/{number}/unit", {"unit_id": 987654})
    assert (refused.status_code, refused.get_json()["error"]["code"]) == (404, "no_such_unit")


def test_a_job_file_of_a_unit_that_is_here_leaves_its_log_alone(taken_in, as_role):
    serial = secrets.token_hex(4)
    client, number = taken_in(serial)
    unit = client.put(f"/api/jobs/{number}/unit", {"unit_id": None}).get_json()["unit"]["unit_id"]
    at = f"/api/units/{unit}/sheets/leak_log"
    empty = client.get(at).get_json()["sheet"]
    log = empty | {
        "entries": [{"key": "aaaa", "on": "2026-01-02", "what": "note", "amount": "", "note": "here"}]
    }
    client.put(at, {"version": 0, "sheet": log})
    file = client.get(f"/api/jobs/{number}/file").get_json()
    file["unit"]["sheets"]["leak_log"]["entries"][0]["note"] = "elsewhere"
    made = as_role("owner").post("/api/job-files", file).get_json()
    assert any("its own log is kept" in note for note in made["notes"])
    assert client.get(at).get_json()["sheet"] == log
    assert client.get(f"/api/jobs/{made['job']['number']}/unit").get_json()["unit"]["unit_id"] == unit


def test_what_an_earlier_job_left_for_the_next_person_is_told_to_it(as_role):
    client, serial = as_role("bench"), f"ST-{secrets.token_hex(4)}"

    def taken_in(note):
        number = client.post("/api/jobs", {"title": f"Pump {serial}"}).get_json()["number"]
        held = client.get(f"/api/jobs/{number}/take-in").get_json()
        sheet = held["sheet"] | {"serial": serial, "note_next": note}
        assert (
            client.put(
                f"/api/jobs/{number}/take-in", {"version": held["version"], "sheet": sheet}
            ).status_code
            == 200
        )
        return number

    first = taken_in("Mind the breather.")
    client.put(f"/api/jobs/{first}/unit", {"unit_id": None})
    proof = {"version": 0, "sheet": {"note_next": "The shaft is worn: a sleeve next time."}}
    assert client.put(f"/api/jobs/{first}/sheets/proof", proof).status_code == 200
    second = taken_in("")
    notes = client.get(f"/api/jobs/{second}/unit").get_json()["notes"]
    assert [(each["job"], each["note"]) for each in notes] == [
        (first, "Mind the breather. The shaft is worn: a sleeve next time.")
    ]
    found = client.get(f"/api/counter?text={serial}").get_json()
    assert [each["serial"] for each in found["units"]] == [serial]


def test_the_card_of_a_unit_says_what_was_reached(as_role):
    client, serial = as_role("bench"), f"ST-{secrets.token_hex(4)}"
    number = client.post("/api/jobs", {"title": f"Pump {serial}"}).get_json()["number"]
    nut = {"key": "nut1", "line": "main", "kind": "nut", "name": "impeller nut", "fastener": {"torque": 25}}
    line = {"lines": [{"key": "main", "name": "shaft"}], "parts": [nut]}
    assert client.put(f"/api/jobs/{number}/line", {"version": 0, "sheet": line}).status_code == 200
    fit = {"ticks": [{"key": "tighten.nut1", "reached": "24"}, {"key": "fit.nut1"}]}
    assert client.put(f"/api/jobs/{number}/sheets/fit_up", {"version": 0, "sheet": fit}).status_code == 200
    proof = {
        "set_points": [{"key": "gap1", "what": "Impeller gap", "readings": ["0,4", "0.42"]}],
        "note_next": "Prime it first.", "closed": True, "reason": "Checked with the owner.",
    }  # fmt: skip
    assert client.put(f"/api/jobs/{number}/sheets/proof", {"version": 0, "sheet": proof}).status_code == 200
    unit = client.put(f"/api/jobs/{number}/unit", {"unit_id": None}).get_json()["unit"]["unit_id"]
    [job] = client.get(f"/api/units/{unit}/sheets/leak_log").get_json()["unit_jobs"]
    assert job["reached"] == ["impeller nut 24 N·m", "Impeller gap 0.41 mm"]
    assert (job["note"], job["closed"]) == ("Prime it first.", True)
    assert number not in [each["job"]["number"] for each in client.get("/api/jobs").get_json()["jobs"]]


def test_closed_jobs_take_no_place_on_the_board(as_role, database, doer):
    """Of the newest two hundred those that were closed were left out afterwards: an old open job vanished."""
    client = as_role("bench")
    number = client.post("/api/jobs", {"title": "The old one"}).get_json()["number"]

    def many_closed(t):
        kind, me = SHEETS["proof"], doer("bench")
        last = t.single_value("SELECT MAX(job_id) FROM jobs")
        for n in range(1, 202):
            row = {"job_id": last + n, "number": f"C{last + n}"}
            t.insert(
                "INSERT INTO jobs (job_id, number, title, opened_at) VALUES (%(job_id)s, %(number)s, 'Closed', NOW())",
                row,
            )
            store.put(t, kind, last + n, ProofSheet(closed=True), 1, None, me.now)

    database.run(many_closed)
    jobs = [each["job"] for each in client.get("/api/jobs").get_json()["jobs"]]
    assert number in [each["number"] for each in jobs]
    assert "Closed" not in [each["title"] for each in jobs]
    database.run(lambda t: t.change("DELETE FROM jobs WHERE title = 'Closed'"))


def test_a_torque_is_missed_at_closing_where_fitting_up_was_never_begun(as_role):
    client = as_role("bench")
    number = client.post("/api/jobs", {"title": "Never fitted"}).get_json()["number"]
    nut = {"key": "nut1", "line": "main", "kind": "nut", "name": "impeller nut", "fastener": {"torque": 25}}
    line = {"lines": [{"key": "main", "name": "shaft"}], "parts": [nut]}
    assert client.put(f"/api/jobs/{number}/line", {"version": 0, "sheet": line}).status_code == 200
    found = client.get(f"/api/jobs/{number}/sheets/proof").get_json()["judged"]["open"]
    assert "Tighten the impeller nut." in [each["words"] for each in found]
