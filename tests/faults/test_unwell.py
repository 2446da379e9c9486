"""A database that is locked, read-only, full of connections or stands still; connections that say nothing."""

import os
import signal
import socket
import subprocess
import sys
import threading
import time
from contextlib import contextmanager

import pymysql
import pytest
from benchmarks.faults import Client, Sheet

from ample.demo.load import PEOPLE
from ample.store.database import _unwell
from ample.store.private_server import free_port
from tests.template import started

LONGEST_SECONDS = 5.0


@pytest.fixture(scope="module")
def shop(tmp_path_factory):
    """The real server over a database of its own."""
    database = started("demo", tmp_path_factory.mktemp("unwell"))
    port = free_port()
    environment = os.environ | {"AMPLE_DATABASE_URL": database.url, "AMPLE_HOME": str(database.home)}
    server = subprocess.Popen(
        [sys.executable, "-m", "ample.web.workers", f"--port={port}"],
        env=environment,
        stdin=subprocess.DEVNULL,
    )
    until = time.monotonic() + 60
    while True:
        try:
            connected(port, b"").close()
            break
        except OSError:
            assert time.monotonic() < until
            time.sleep(0.1)
    yield database, port
    server.terminate()
    server.wait(20)
    database.stop()


@pytest.fixture
def reader(shop):
    """Someone signed in, who asks once and takes the first answer."""
    made = []

    def make():
        made.append(Client(shop[1], PEOPLE[0][0], PEOPLE[0][2], Sheet("bench", "", ("part", 0), "", 0), 0))
        made[-1].sign_in()
        return made[-1]

    yield make
    for each in made:
        each.close()


def timed(client, method, path, body=None, key=""):
    began = time.monotonic()
    status, answer = client._once(method, path, body, key)
    return status, answer, time.monotonic() - began


@contextmanager
def root(database):
    connection = database._as_root()
    try:
        with connection.cursor() as cursor:
            yield cursor
    finally:
        connection.close()


def refused_in_time(client, words):
    held = client.ask("GET", "/api/parts/2/bench")[1]
    body = {"version": held["version"], "sheet": held["sheet"] | {"family": None}}
    status, answer, took = timed(client, "PUT", "/api/parts/2/bench", body, f"unwell-{time.monotonic_ns()}")
    assert (status, answer["error"]["code"]) == (503, words), answer
    assert answer["error"]["hint"]
    assert took < LONGEST_SECONDS
    return answer


@pytest.mark.long
def test_a_row_that_another_holds_is_said_in_time(shop, reader):
    """500 after 40.4 s."""
    database, _ = shop
    client = reader()
    with root(database) as cursor:
        cursor.execute("BEGIN")
        cursor.execute("SELECT * FROM ample.parts WHERE part_id = 2 FOR UPDATE")
        refused_in_time(client, "database_busy")
        cursor.execute("ROLLBACK")


@pytest.mark.long
def test_a_database_that_may_only_be_read_is_said_and_health_knows(shop, reader):
    """500, and health said that all is well."""
    database, _ = shop
    client = reader()
    with root(database) as cursor:
        cursor.execute("SET GLOBAL read_only = 1")
        try:
            refused_in_time(client, "database_read_only")
            assert client.ask("GET", "/api/parts/2/bench")[0] == 200, "reading goes on"
            status, health, took = timed(client, "GET", "/api/health")
            assert (status, health["ok"], health["database"], health["stores"]) == (503, False, True, False)
            assert "read-only" in health["words"]
            assert took < LONGEST_SECONDS
        finally:
            cursor.execute("SET GLOBAL read_only = 0")
    time.sleep(1.1)
    assert timed(client, "GET", "/api/health")[0] == 200


def test_a_database_with_no_connection_left_is_said_and_health_knows(shop, reader):
    database, _ = shop
    client = reader()
    taken = []
    with root(database) as cursor:
        cursor.execute("SHOW PROCESSLIST")
        for row in cursor.fetchall():
            if row[1] == "ample":
                cursor.execute(f"KILL {row[0]}")
        cursor.execute("SET GLOBAL max_connections = 12")
        try:
            while True:
                try:
                    taken.append(pymysql.connect(host="127.0.0.1", port=database.port, user="ample",
                                                 password=database.password_file.read_text().strip()))  # fmt: skip
                except pymysql.err.OperationalError:
                    break
            status, answer, took = timed(client, "GET", "/api/parts/2/bench")
            assert (status, answer["error"]["code"]) == (503, "database_busy"), answer
            assert took < LONGEST_SECONDS
            time.sleep(1.1)
            assert timed(client, "GET", "/api/health")[0] == 503
        finally:
            for each in taken:
                each.close()
            cursor.execute("SET GLOBAL max_connections = 60")
    assert client.ask("GET", "/api/parts/2/bench")[0] == 200


@pytest.mark.long
def test_a_database_that_stands_still_is_said_in_time(shop, reader):
    database, _ = shop
    client = reader()
    os.kill(database.process.pid, signal.SIGSTOP)
    try:
        status, _, took = timed(client, "GET", "/api/parts/2/bench")
        assert status == 503
        assert took < LONGEST_SECONDS
        status, health, took = timed(client, "GET", "/api/health")
        assert (status, health["ok"]) == (503, False)
        assert took < 2 * LONGEST_SECONDS
    finally:
        os.kill(database.process.pid, signal.SIGCONT)
    assert client.ask("GET", "/api/parts/2/bench")[0] == 200


@pytest.mark.parametrize(
    ("number", "code"),
    [
        (1114, "database_full"), (1021, "database_full"), (1026, "database_full"), (1030, "database_full"),
        (28, "database_full"), (3, "database_full"), (1290, "database_read_only"), (1836, "database_read_only"),
        (1040, "database_busy"), (1047, "database_busy"), (1205, "database_busy"), (1020, "database_busy"),
        (2013, "database_away"), (1180, "database_away"),
    ],
)  # fmt: skip
def test_what_the_database_says_of_itself_is_never_a_fault_of_ours(number, code):
    """MariaDB's own error numbers (its list of error codes)."""
    assert _unwell(number).code == code


def test_a_wrong_statement_stays_a_fault(shop):
    assert _unwell(1064) is None
    assert _unwell(1146) is None


# connections that say nothing ------------------------------------------------------------------------------


def connected(port, text):
    made = socket.create_connection(("127.0.0.1", port), 5)
    made.sendall(text)
    return made


@pytest.mark.parametrize("how", ["silent", "dripping", "half a body"])
def test_a_hundred_connections_that_say_nothing_keep_nobody_waiting(shop, reader, how):
    """100 silent ones: the next answer after 24.7 s; 200: none in a minute."""
    _, port = shop
    client = reader()
    for _ in range(6):  # each worker has answered before
        client.close()
        client.ask("GET", "/api/parts/2/bench")
    first = {
        "silent": b"",
        "dripping": b"GET /api/health HTTP/1.1\r\nHost: x\r\nX-A: ",
        "half a body": b"POST /api/sign-in HTTP/1.1\r\nHost: x\r\nContent-Length: 9000\r\n\r\n{",
    }[how]
    held = [connected(port, first) for _ in range(100)]
    ended = threading.Event()

    def drip():
        while not ended.wait(0.2):
            for each in held:
                try:
                    each.sendall(b"a")
                except OSError:
                    return

    if how != "silent":
        threading.Thread(target=drip, daemon=True).start()
    try:
        for _ in range(3):
            assert timed(client, "GET", "/api/health")[2] < 1.0
            status, _, took = timed(client, "GET", "/api/parts/2/bench")
            assert status == 200
            assert took < 1.0
        fresh = reader()  # and whoever comes after them is let in
        assert timed(fresh, "GET", "/api/parts/2/bench")[2] < 1.0
    finally:
        ended.set()
        for each in held:
            each.close()


@pytest.mark.long
def test_a_connection_that_stays_silent_is_closed(shop):
    _, port = shop
    with connected(port, b"") as quiet:
        quiet.settimeout(60)
        assert quiet.recv(1) == b""
