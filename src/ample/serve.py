"""`./ample start`: a private MariaDB and the server, started in order and stopped in order."""

from __future__ import annotations

import errno
import fcntl
import os
import shutil
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from types import FrameType
from typing import IO

import pymysql

from ample.core.errors import BadInput
from ample.prepare import ROOT, say
from ample.shop.calipers import queries as calipers
from ample.store import Database
from ample.store.database import Address
from ample.store.migrate import migrate
from ample.store.private_server import PrivateServer, StartFailed, dies_with_parent, free_port
from ample.web.settings import secret_key

WORKERS = 2
LEAST_FREE_BYTES = 150 * 1024 * 1024
READY_SECONDS = 60
RUNNING = "database-port"
BUTTON = "caliper-button"
DEMO_CALIPER = "caliper 3"


class Stop(Exception):
    """Told to stop."""


def serve() -> int:
    """Start all, wait, stop all; whatever goes wrong, nothing is left running."""
    for number in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(number, _stop)
    port = _port()
    home = home_directory()
    lock = only_one(home)
    server: PrivateServer | None = None
    web: subprocess.Popen[bytes] | None = None
    helpers: list[Helper] = []
    try:
        url = os.environ.get("AMPLE_DATABASE_URL", "")
        if url:
            _reachable(url)
        else:
            say("starting the database")
            server = PrivateServer(home)
            server.start()
            url = server.url
            (home / RUNNING).write_text(str(server.port))
        say("bringing the database up to date")
        migrate(url)
        loaded = _demo(url)
        web = _web(url, home, port)
        helpers = _helpers(url, home)
        _wait_ready(web, port)
        _welcome(port, loaded or os.environ.get("AMPLE_DEMO") != "0", url)
        _watch(web, server, helpers)
    except Stop:
        say("stopping")
    except pymysql.err.Error as error:
        raise StartFailed("database", f"The database refused: {error.args[-1]}") from error
    finally:
        for each in helpers:
            each.end()
        _end(web)
        if server:
            server.stop()
        lock.close()
    return 0


def _stop(number: int, frame: FrameType | None) -> None:
    for each in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(each, signal.SIG_IGN)
    raise Stop


def _port() -> int:
    text = os.environ.get("AMPLE_PORT", "8040")
    if not text.isascii() or not text.isdigit() or not 1 <= int(text) <= 65535:
        raise BadInput("bad_port", f"AMPLE_PORT is “{text[:20]}”: give a number from 1 to 65535.")
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", int(text)))
        except OSError as error:
            words = "is taken" if error.errno == errno.EADDRINUSE else f"cannot be used: {error.strerror}"
            raise BadInput(
                "port_taken", f"Port {text} {words}.", None, "Set AMPLE_PORT to another."
            ) from error
    return int(text)


def home_directory() -> Path:
    """The data directory, made when it is not there; one that cannot be used is refused."""
    home = Path(os.environ.get("AMPLE_HOME", ROOT / "var")).resolve()
    try:
        home.mkdir(parents=True, exist_ok=True)
        probe = home / ".writable"
        probe.write_bytes(b"x" * 4096)
        probe.unlink()
    except OSError as error:
        raise StartFailed(
            "bad_home", f"{home} cannot be written: {error.strerror}.", None, "Set AMPLE_HOME to another."
        ) from error
    free = shutil.disk_usage(home).free
    if free < LEAST_FREE_BYTES:
        raise StartFailed(
            "full",
            f"{home} has only {free // 2**20} MiB free; the database needs {LEAST_FREE_BYTES // 2**20}.",
        )
    return home


def only_one(home: Path) -> IO[bytes]:
    """The lock of the data directory, which only one shop holds."""
    lock = (home / "lock").open("wb")
    try:
        fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError as error:
        raise StartFailed("running", f"Ample is running already with the data in {home}.") from error
    return lock


def _reachable(url: str) -> None:
    a = Address.of(url)
    try:
        pymysql.connect(
            host=a.host, port=a.port, user=a.user, password=a.password, database=a.name, connect_timeout=5
        ).close()
    except (pymysql.err.Error, OSError) as error:
        words = str(error.args[-1]) if error.args else "no answer"
        raise StartFailed("no_database", f"AMPLE_DATABASE_URL cannot be used: {words}") from error


def _demo(url: str) -> bool:
    database = Database(url)
    if os.environ.get("AMPLE_DEMO") == "0" or database.look(
        lambda t: t.single_value("SELECT EXISTS (SELECT 1 FROM people)")
    ):
        return False
    from ample.demo.load import load_demo  # the core with its arrays: only when it is needed

    return load_demo(database, datetime.now(UTC).replace(tzinfo=None), say)


def _web(url: str, home: Path, port: int) -> subprocess.Popen[bytes]:
    say("starting the server")
    secret_key(home)
    environment = os.environ | {"AMPLE_DATABASE_URL": url, "AMPLE_HOME": str(home)}
    environment.setdefault("OPENBLAS_NUM_THREADS", "1")  # the arrays are small: threads only get in the way
    log = (home / "server.log").open("ab")
    return subprocess.Popen(
        [
            sys.executable, "-m", "gunicorn", "--preload", f"--workers={WORKERS}", "--threads=8",
            "--worker-class=gthread", f"--bind=127.0.0.1:{port}", "--graceful-timeout=5",
            "--timeout=60", "--no-control-socket", "ample.web.wsgi:app",
        ],
        env=environment, stdout=log, stderr=log, stdin=subprocess.DEVNULL,
        preexec_fn=dies_with_parent(), cwd=ROOT,
    )  # fmt: skip


def _wait_ready(web: subprocess.Popen[bytes], port: int) -> None:
    until = time.monotonic() + READY_SECONDS
    while time.monotonic() < until:
        if web.poll() is not None:
            raise StartFailed("server_stopped", "The server did not start; see server.log in AMPLE_HOME.")
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}/api/health", timeout=5):
                return
        except urllib.error.HTTPError:
            return  # it answers; a database that died meanwhile is started again by `_watch`
        except OSError:
            time.sleep(0.1)
    raise StartFailed("server_slow", "The server did not answer; see server.log in AMPLE_HOME.")


def _welcome(port: int, demo: bool, url: str) -> None:
    print(f"\n  Ample is open at  http://127.0.0.1:{port}\n", flush=True)
    if demo:
        from ample.shop.people.queries import demo_people

        for person in Database(url).run(demo_people):
            print(f"  sign in as {person.name:8} ({person.role})  PIN {person.pin}", flush=True)
        print("", flush=True)
    print("  Ctrl-C stops it.\n", flush=True)


@dataclass
class Helper:
    """A process beside the server that is started again when it ends."""

    arguments: list[str]
    environment: dict[str, str]
    log: Path
    process: subprocess.Popen[bytes] | None = None

    def keep_running(self) -> None:
        """Start it, or start it again."""
        if self.process is None or self.process.poll() is not None:
            with self.log.open("ab") as log:
                self.process = subprocess.Popen(
                    [sys.executable, *self.arguments], env=self.environment, stdout=log, stderr=log,
                    stdin=subprocess.DEVNULL, preexec_fn=dies_with_parent(), cwd=ROOT,
                )  # fmt: skip

    def end(self) -> None:
        """Stop it."""
        _end(self.process)


def _helpers(url: str, home: Path) -> list[Helper]:
    """The caliper link; where the demo's caliper is listed, its stand-in too."""
    environment = os.environ | {"AMPLE_DATABASE_URL": url}
    found = [Helper(["-m", "ample.devices.link"], environment, home / "calipers.log")]
    number = _demo_caliper(url)
    if number:
        port, button = free_port(), free_port()
        Database(url).run(lambda t: calipers.add_caliper(t, DEMO_CALIPER, "127.0.0.1", port))
        (home / BUTTON).write_text(str(button))
        found.insert(
            0,
            Helper(
                ["-m", "ample.standins.caliper", str(port), str(button)], environment, home / "calipers.log"
            ),
        )
    for each in found:
        each.keep_running()
    return found


def _demo_caliper(url: str) -> bool:
    """Whether the demo's caliper is on the list."""
    listed = Database(url).run(calipers.all_calipers)
    return any(each.name == DEMO_CALIPER and each.host == "127.0.0.1" for each in listed)


def _watch(web: subprocess.Popen[bytes], server: PrivateServer | None, helpers: list[Helper]) -> None:
    """Stay until told to stop; a database or a helper that died is started again."""
    while True:
        time.sleep(0.5)
        for each in helpers:
            each.keep_running()
        if web.poll() is not None:
            raise StartFailed("server_stopped", "The server stopped; see server.log in AMPLE_HOME.")
        if server and server.process and server.process.poll() is not None:
            say("the database stopped; starting it again")
            server.restart()


def _end(web: subprocess.Popen[bytes] | None) -> None:
    if web and web.poll() is None:
        web.terminate()
        try:
            web.wait(10)
        except subprocess.TimeoutExpired:
            web.kill()
            web.wait()


def press_caliper(line: str) -> int:
    """Have the demo's stand-in caliper send a reading, such as `25.02 mm`."""
    file = home_directory() / BUTTON
    if not line.strip():
        raise BadInput("no_reading", "What does it show? Such as 25.02 mm, or 0.985 in.")
    try:
        with socket.create_connection(("127.0.0.1", int(file.read_text())), 3) as button:
            button.sendall(f"{line if ' ' in line else f'{line} mm'}\n".encode())
            button.recv(8)
    except (OSError, ValueError) as error:
        raise StartFailed(
            "no_caliper", "No stand-in caliper is running; `./ample start` starts one."
        ) from error
    return 0
