"""The caliper that sends: its lines, and the link against the stand-in's real process."""

import itertools
import os
import signal
import socket
import subprocess
import sys
import time

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.devices.caliper_lines import LONGEST_LINE, LineBuffer, read_line
from ample.shop.calipers import queries
from ample.store.private_server import free_port

# A line, and what it says: typed, unit, battery (docs/caliper-lines.md).
LINES = [
    ("R +25.02 mm 87", ("25.02", "mm", 87)),
    ("R +0.985 in 12", ("0.985", "in", 12)),
    ("R +7 mm", ("7", "mm", None)),
    ("S 55", (None, "", 55)),
    ("S 255", (None, "", 100)),
]


@pytest.mark.parametrize(("line", "said"), LINES)
def test_reads_lines(line, said):
    heard = read_line(line)
    assert (heard.typed, heard.unit, heard.battery_percent) == said
    assert heard.trouble == ""


@pytest.mark.parametrize(
    ("line", "words"),
    [
        ("R +25.02 kg 87", "set it to mm or in"),
        ("R -0.02 mm 87", "set its zero"),
        ("R +0.00 mm 87", "set its zero"),
        ("R 25.02 mm 87", "not a line from a caliper"),
        ("25.02", "not a line from a caliper"),
        ("R +25,02 mm", "not a line from a caliper"),
        ("\x00\x07R +1 mm", "not a line from a caliper"),
        ("R +1234567 mm", "not a line from a caliper"),
    ],
)
def test_what_is_not_understood_is_said_and_never_guessed(line, words):
    heard = read_line(line)
    assert heard.typed is None
    assert words in heard.trouble


@given(st.text(max_size=90))
def test_any_line_is_read_or_said(line):
    heard = read_line(line)
    assert (heard.typed is not None) + bool(heard.trouble) + (heard.battery_percent is not None) >= 1
    assert len(heard.trouble) < 160


@given(st.binary(max_size=300), st.lists(st.integers(0, 300), max_size=8))
def test_lines_are_the_same_however_they_arrive(data, cuts):
    whole, pieces = LineBuffer(), LineBuffer()
    together = whole.feed(data)
    apart = []
    places = [0, *sorted(min(c, len(data)) for c in cuts), len(data)]
    for start, stop in itertools.pairwise(places):
        apart += pieces.feed(data[start:stop])
    if all(len(line) <= LONGEST_LINE for line in data.split(b"\n")):
        assert apart == together


def test_an_endless_line_is_dropped_and_the_next_one_read():
    buffer = LineBuffer()
    assert buffer.feed(b"x" * 5000) == []
    assert not buffer.cut_off
    assert buffer.feed(b"yyy\nR +3 mm\n") == ["", "R +3 mm"]


def test_half_a_line_is_known_as_cut_off():
    buffer = LineBuffer()
    assert buffer.feed(b"S 80\nR +25.0") == ["S 80"]
    assert buffer.cut_off


class StandIn:
    """The stand-in's process and its button."""

    def __init__(self, port):
        self.port, self.button = port, free_port()
        self.start()

    def start(self):
        self.process = subprocess.Popen(
            [sys.executable, "-m", "ample.standins.caliper", str(self.port), str(self.button)],
            stdin=subprocess.DEVNULL,
        )

    def press(self, line):
        """Press until somebody hears it: a link is up for us a moment before the caliper knows of it."""

        def once():
            with socket.create_connection(("127.0.0.1", self.button), 2) as button:
                button.sendall(f"{line}\n".encode())
                assert button.recv(8) == b"ok\n"

        until(once, (OSError, AssertionError))

    def kill(self):
        self.process.send_signal(signal.SIGKILL)
        self.process.wait(10)


def until(ask, refusal=AssertionError, seconds=12):
    """Ask until it no longer fails."""
    end = time.monotonic() + seconds
    while True:
        try:
            return ask()
        except refusal:
            if time.monotonic() > end:
                raise


@pytest.fixture
def link(server, database):
    database.run(lambda t: t.change("DELETE FROM calipers"))
    made = []
    for name in ("caliper 3", "caliper 1"):
        caliper = StandIn(free_port())
        made.append(caliper)
        database.run(lambda t, n=name, c=caliper: queries.add_caliper(t, n, "127.0.0.1", c.port))
    process = subprocess.Popen(
        [sys.executable, "-m", "ample.devices.link"],
        env=os.environ | {"AMPLE_DATABASE_URL": server.url}, stdin=subprocess.DEVNULL,
    )  # fmt: skip
    for name in ("caliper 3", "caliper 1"):
        until(lambda n=name: expect_state(database, n, "linked"))
    yield made
    process.terminate()
    process.wait(10)
    for caliper in made:
        caliper.kill()
    database.run(lambda t: t.change("DELETE FROM calipers"))


def state(database, name):
    return next(each for each in database.run(queries.all_calipers) if each.name == name)


def expect_state(database, name, wanted, words=""):
    found = state(database, name)
    assert found.state == wanted
    assert words in found.words
    return found


def sent(database):
    return [
        (each.name, each.typed, each.unit) for each in database.run(lambda t: queries.readings_after(t, 0))
    ]


def expect_sent(database, readings):
    assert sent(database) == readings


def test_two_calipers_send_and_each_reading_says_whose_it_is(link, database):
    link[0].press("25.02 mm")
    until(lambda: expect_sent(database, [("caliper 3", "25.02", "mm")]))
    link[1].press("0.985 in")
    until(lambda: expect_sent(database, [("caliper 3", "25.02", "mm"), ("caliper 1", "0.985", "in")]))


def test_cut_in_the_middle_of_a_line_nothing_is_taken_and_it_links_again(link, database):
    link[0].press("cut 25.02 mm")
    until(lambda: expect_state(database, "caliper 3", "away", "middle of a line"))
    assert sent(database) == []
    until(lambda: expect_state(database, "caliper 3", "linked"))
    link[0].press("25.04 mm")
    until(lambda: expect_sent(database, [("caliper 3", "25.04", "mm")]))


def test_a_caliper_that_is_killed_and_restarted_is_found_again(link, database):
    link[0].kill()
    until(lambda: expect_state(database, "caliper 3", "away"))
    assert state(database, "caliper 1").state == "linked"
    link[0].start()
    until(lambda: expect_state(database, "caliper 3", "linked"))
    link[0].press("12.5 mm")
    until(lambda: expect_sent(database, [("caliper 3", "12.5", "mm")]))


def test_garbage_and_a_wrong_unit_are_said_and_the_next_reading_counts(link, database):
    link[0].press("raw \x07\x01??")
    until(lambda: expect_state(database, "caliper 3", "unclear", "not a line from a caliper"))
    link[0].press("raw R +25 kg 40")
    until(lambda: expect_state(database, "caliper 3", "unclear", "set it to mm or in"))
    assert sent(database) == []
    link[0].press("25.00 mm")
    until(lambda: expect_state(database, "caliper 3", "linked"))
    expect_sent(database, [("caliper 3", "25.00", "mm")])


def test_a_low_battery_is_known(link, database):
    link[0].press("battery 9")

    def low():
        assert state(database, "caliper 3").battery_percent == 9

    until(low)


def test_a_bench_that_begins_to_listen_gets_nothing_old(link, database, as_role):
    link[0].press("25.02 mm")
    until(lambda: expect_sent(database, [("caliper 3", "25.02", "mm")]))
    client = as_role("bench")
    first = client.get("/api/calipers").get_json()
    assert first["readings"] == []
    link[0].press("25.05 mm")
    until(lambda: expect_sent(database, [("caliper 3", "25.02", "mm"), ("caliper 3", "25.05", "mm")]))
    later = client.get(f"/api/calipers?after={first['last']}").get_json()
    assert [each["typed"] for each in later["readings"]] == ["25.05"]


def test_linking_and_unlinking_is_for_those_at_the_bench(as_role, database):
    body = {"name": "caliper 7", "host": "127.0.0.1", "port": 4999}
    assert as_role("counter").post("/api/calipers", body).status_code == 403
    made = as_role("bench").post("/api/calipers", body).get_json()
    number = next(each["caliper_id"] for each in made["calipers"] if each["name"] == "caliper 7")
    assert as_role("bench").post("/api/calipers", body | {"port": 0}).status_code == 422
    assert as_role("bench").post("/api/calipers", body | {"host": "x y; rm"}).status_code == 422
    gone = as_role("bench").delete(f"/api/calipers/{number}").get_json()
    assert all(each["name"] != "caliper 7" for each in gone["calipers"])
    assert as_role("bench").delete(f"/api/calipers/{number}").status_code == 404
