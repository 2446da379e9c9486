"""Files, pictures and texts that were made to do harm, or by accident could."""

import io
import json
import subprocess
import sys
import threading
import warnings
from contextlib import suppress

import pytest
from PIL import Image

from ample.core.errors import AmpleError
from ample.core.sizes import parse_length
from ample.shop.photos.pictures import Busy, keep_picture, take_in_picture
from tests.conftest import Client


def png(width, height, mode="L"):
    out = io.BytesIO()
    Image.new(mode, (width, height)).save(out, "PNG")
    return out.getvalue()


def stored():
    return take_in_picture(png(60, 40)).image


def with_segment(data, mark, payload):
    return data[:2] + bytes((0xFF, mark)) + (len(payload) + 2).to_bytes(2, "big") + payload + data[2:]


HIDDEN = {
    "an application segment": lambda d: with_segment(d, 0xE5, b"SECRET-5"),
    "EXIF": lambda d: with_segment(d, 0xE1, b"Exif\0\0SECRET"),
    "a comment": lambda d: with_segment(d, 0xFE, b"SECRET"),
    "a second JFIF with a picture": lambda d: with_segment(d, 0xE0, b"JFXX\0\x10SECRET"),
    "behind the end": lambda d: d + b"SECRET",
    "a second picture behind the end": lambda d: d + d[:-2] + b"SECRET" + d[-2:],
    "between the segments": lambda d: d[:20] + b"SECRET" + d[20:],
}


@pytest.mark.parametrize("how", HIDDEN)
def test_nothing_hides_in_a_picture_that_a_job_file_brings(how):
    """The bytes of a job file's picture were kept as they came: a segment and a tail stayed in."""
    try:
        kept = keep_picture(HIDDEN[how](stored())).image
    except AmpleError:
        return  # not a picture any more: refused
    assert b"SECRET" not in kept


def test_our_own_pictures_come_back_to_the_byte():
    assert keep_picture(stored()).image == stored()


MEASURE = """
import sys, threading, resource
sys.path.insert(0, {src!r})
from ample.shop.photos.pictures import take_in_picture
data = open({file!r}, 'rb').read()
def one():
    try:
        take_in_picture(data)
    except Exception as error:
        print(type(error).__name__, error, file=sys.stderr)
threads = [threading.Thread(target=one) for _ in range(4)]
[t.start() for t in threads]; [t.join() for t in threads]
own = next(line for line in open('/proc/self/status') if line.startswith('VmHWM'))
print(int(own.split()[1]) // 1024, resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss // 1024)
"""


@pytest.mark.long
def test_large_pictures_at_once_take_little_memory_and_give_it_back(tmp_path):
    """8 of 7000 x 7000 points at once: 4.9 GB, of which 1.7 GB a worker stayed."""
    from ample.prepare import ROOT

    file = tmp_path / "large.png"
    file.write_bytes(png(7000, 7000))
    script = MEASURE.format(src=str(ROOT / "src"), file=str(file))
    done = subprocess.run([sys.executable, "-c", script], capture_output=True, text=True, check=True)
    own, child = (int(each) for each in done.stdout.split())
    assert own < 150, f"{own} MB stay with the worker"
    assert child < 900, f"{child} MB for one picture"


def test_taking_pictures_in_leaves_warnings_as_they_are():
    """The filter of a process is not a thread's own: “error” stayed on after four threads with thirty pictures."""
    before = list(warnings.filters)

    def five():
        taken = 0
        while taken < 5:  # one at a time over all processes: the screen sends it again, and so is it here
            with suppress(Busy):
                taken += take_in_picture(png(30, 30)).width_px > 0

    threads = [threading.Thread(target=five) for _ in range(4)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert warnings.filters == before


# job files -------------------------------------------------------------------------------------------------


def file_of(client, number="0415"):
    return client.get(f"/api/jobs/{number}/file").get_json()


@pytest.mark.parametrize("number", ["999999999999", "99999999"])
def test_a_long_number_of_a_file_does_not_end_the_numbers_here(as_role, number):
    """After 999999999999 nobody could open a job again, for good."""
    client = as_role("owner")
    file = file_of(client) | {"number": number}
    file["photos"], file["tray"] = [], []
    assert client.post("/api/job-files", file).status_code == 201
    opened = client.post("/api/jobs", {"title": "The next one"})
    assert opened.status_code == 201, opened.get_json()
    assert client.get(f"/api/jobs/{opened.get_json()['number']}").status_code == 200


@pytest.mark.parametrize("number", ['a"\r\nX', "x/y", "..", "a b", "ä", "-1", "0\n"])
def test_a_number_that_no_address_can_carry_is_refused(as_role, number):
    client = as_role("owner")
    answer = client.post("/api/job-files", file_of(client) | {"number": number})
    assert answer.status_code == 422
    assert answer.get_json()["error"]["field"] == "number"


def test_a_file_proves_nothing(as_role, database):
    """Written by hand: sure to 100 %, a drop-in, decided by the owner."""
    client = as_role("counter")
    file = file_of(client)
    part = next(each for each in file["tray"] if each["identification"])
    part["identification"] |= {"probability": 1.0, "worst_sigmas": 0.0, "clash": "", "person": "Marl"}
    part["match"] |= {"verdict": "drop_in", "words": "the same", "person": "Marl"}
    for each in part["sheet"]["observations"]:
        each["readings"] = [{"typed": "77.7", "unit": "mm"}]
    file["tray"] = [part]
    file["decisions"] = [{
        "part": "ball", "findings_mark": "0" * 16, "verdict": "reuse", "reason": "said so elsewhere",
        "person": "Marl", "decided_at": "2026-01-01T00:00:00Z",
    }]  # fmt: skip
    made = client.post("/api/job-files", file).get_json()["job"]["number"]
    state = client.get(f"/api/jobs/{made}").get_json()["parts"][0]
    lights = {light["light"]: light["state"] for light in state["lights"]}
    assert lights["identity"] != "holds"
    assert lights["interchange"] != "holds"
    decisions = client.get(f"/api/jobs/{made}/line").get_json()["decisions"]
    assert [each["stands"] for each in decisions] == [False]


def test_a_forged_decision_with_the_right_mark_does_not_stand(as_role):
    client = as_role("owner")
    file = file_of(client, "0409")
    assert file["decisions"]
    made = client.post("/api/job-files", file).get_json()["job"]["number"]
    decisions = client.get(f"/api/jobs/{made}/line").get_json()["decisions"]
    assert decisions
    assert not any(each["stands"] for each in decisions)


# JSON and lengths ------------------------------------------------------------------------------------------


@pytest.mark.parametrize("depth", [500, 5_000, 100_000])
@pytest.mark.parametrize("path", ["/api/calc/length", "/api/job-files", "/api/jobs"])
def test_brackets_in_brackets_without_end_are_no_json(app, path, depth):
    client = Client(app, "owner")
    headers = {
        "X-CSRF-Token": client.token,
        "Idempotency-Key": "deep-deep-deep",
        "Content-Type": "application/json",
    }
    for text in ("[" * depth + "]" * depth, '{"text":' * depth + "1" + "}" * depth):
        answer = client.http.post(path, data=text, headers=headers)
        assert answer.status_code in (413, 422), answer.get_json()
        assert json.loads(answer.data)["error"]["message"]


@pytest.mark.parametrize("text", ["1 ın", "1 İn", "1 \u017fmm", "2 \u212am", "1 ınch", "3 MİL", "1 mıl"])
def test_letters_that_only_look_like_a_unit_are_refused_in_words(text):
    with pytest.raises(AmpleError):
        parse_length(text)


@pytest.mark.parametrize("space", ["\u00a0", "\u2009", "\u202f", "\u2007"])
def test_a_size_with_a_printers_space_is_read(space):
    assert parse_length(f"25.4{space}mm").mm == 25.4


def test_a_name_with_a_line_break_makes_no_cell_of_its_own(ordered_named):
    """A carriage return in a part's name broke the row: its rest stood first in the next and ran."""
    text = ordered_named("bearing\r=cmd|'/C calc'!A0")
    rows = text.replace("\r\n", "\n").replace("\r", "\n").split("\n")
    assert not any(row.lstrip('"').startswith(("=", "+", "-", "@")) for row in rows)


@pytest.fixture
def ordered_named(as_role, database):
    def make(name):
        client = as_role("owner")
        database.run(lambda t: t.change("UPDATE parts SET name = %(n)s WHERE part_id = 5", {"n": name}))
        lines = [
            (s["order_id"], e) for s in client.get("/api/orders").get_json()["sheets"] for e in s["lines"]
        ]
        order, line = lines[0]
        database.run(
            lambda t: t.change(
                "UPDATE parts SET name = %(n)s WHERE part_id = %(p)s", {"n": name, "p": line["part_id"]}
            )
        )
        return client.get(f"/api/orders/{order}/sheet.csv").get_data(as_text=True)

    return make


# a file brings no proof ------------------------------------------------------------------------------------


def row_of(database, sql, **values):
    return database.run(lambda t: t.first(sql, values))


def test_what_a_file_says_was_not_said_by_whoever_it_names(as_role, database):
    """“Marl” in a file is a name in a file: nothing counts as done by our Marl."""
    client = as_role("bench")
    file = file_of(client)
    part = next(each for each in file["tray"] if each["identification"] and each["match"])
    part["identification"]["person"] = part["match"]["person"] = "Marl"
    file["tray"] = [part]
    made = client.post("/api/job-files", file).get_json()
    number = made["job"]["number"]
    part_id = client.get(f"/api/jobs/{number}").get_json()["parts"][0]["part"]["part_id"]
    said = client.get(f"/api/parts/{part_id}/bench").get_json()["identification"]
    assert (said["person"], said["from_file"]) == ("Marl", True)
    for table in ("identifications", "matches"):
        held = row_of(
            database,
            f"SELECT p.name, x.from_file FROM {table} x JOIN people p USING (person_id) WHERE part_id = %(id)s",
            id=part_id,
        )
        assert (held["name"], held["from_file"]) == ("Wren", "Marl")
    assert any("Confirm them here" in note for note in made["notes"])
    again = client.get(f"/api/jobs/{number}/file").get_json()
    assert again["tray"][0]["identification"]["person"] == "Marl"


def test_an_identification_of_a_file_holds_once_it_is_confirmed_here(as_role):
    client = as_role("bench")
    file = file_of(client)
    part = next(each for each in file["tray"] if each["identification"])
    file["tray"] = [part]
    number = client.post("/api/job-files", file).get_json()["job"]["number"]

    def identity():
        state = client.get(f"/api/jobs/{number}").get_json()["parts"][0]
        return next(light for light in state["lights"] if light["light"] == "identity"), state["part"][
            "part_id"
        ]

    light, part_id = identity()
    assert light["state"] == "not_proven"
    assert "file" in light["words"]
    said = client.get(f"/api/parts/{part_id}/bench").get_json()["identification"]
    body = {"item_id": said["item"]["item_id"], "version": said["version"]}
    assert client.post(f"/api/parts/{part_id}/identification", body).status_code == 200
    assert identity()[0]["state"] == "holds"


def test_whoever_imports_a_judged_part_is_not_its_second_person(as_role):
    """Else one person could judge elsewhere, take the name out of the file, and decide here."""
    bench = as_role("bench")
    file = file_of(bench, "0409")
    judged = next(key for key in file["judged_by"])
    del file["judged_by"][judged]
    file["decisions"] = []
    number = bench.post("/api/job-files", file).get_json()["job"]["number"]
    line = bench.get(f"/api/jobs/{number}/line").get_json()
    held = line["judged_by"][judged]
    assert held["from_file"]
    findings = next(part["findings"] for part in line["sheet"]["parts"] if part["key"] == judged)
    body = {"verdict": "replace", "reason": "I say so again", "findings": findings}
    refused = bench.post(f"/api/jobs/{number}/line/{judged}/decision", body)
    assert (refused.status_code, refused.get_json()["error"]["code"]) == (403, "same_person")
    assert as_role("owner").post(f"/api/jobs/{number}/line/{judged}/decision", body).status_code == 200


def test_cautions_of_a_file_are_acknowledged_here_again(as_role):
    client = as_role("bench")
    file = file_of(client)
    assert file["acknowledged"]
    number = client.post("/api/job-files", file).get_json()["job"]["number"]
    state = client.get(f"/api/jobs/{number}").get_json()
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()["acknowledged"]
    assert all(each["from_file"] for each in taken)
    assert state["cautions_open"] > 0
    first = taken[0]["caution"]
    assert client.post(f"/api/jobs/{number}/cautions/{first}").status_code == 200
    own = next(
        each
        for each in client.get(f"/api/jobs/{number}/take-in").get_json()["acknowledged"]
        if each["caution"] == first
    )
    assert (own["person"], own["from_file"]) == ("Wren", False)


@pytest.mark.parametrize(
    "more",
    [
        {"energies": [f"energy_{n}" for n in range(22)]},
        {"checked": {"": "found"}},
        {"checked": {"A b": "found"}},
    ],
)
def test_a_take_in_beyond_the_cores_limits_is_refused_in_words(as_role, a_part, more):
    """It was a fault of the server, from a screen as from a file."""
    client = as_role("bench")
    number, _ = a_part()
    held = client.get(f"/api/jobs/{number}/take-in").get_json()
    body = {"version": held["version"], "sheet": held["sheet"] | more}
    answer = client.put(f"/api/jobs/{number}/take-in", body)
    assert answer.status_code == 422, answer.get_json()
    assert answer.get_json()["error"]["field"].startswith("sheet.")
    file = file_of(client)
    file["take_in"] |= more
    assert client.post("/api/job-files", file).status_code == 422
