"""The launcher: a private MariaDB, the server and its helpers, started, kept running and stopped."""

from __future__ import annotations

import errno
import ipaddress
import os
import signal
import socket
import ssl
import subprocess
import sys
import threading
import time
import urllib.error
import urllib.request
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime
from pathlib import Path
from types import FrameType

import pymysql

from ample.core.errors import BadInput, Conflict
from ample.home import RUNNING, home_directory, only_one
from ample.parent import say_opened
from ample.prepare import ROOT, say
from ample.shop.calipers import queries as calipers
from ample.shop.people.keeping import CODE_HOURS, first_owner_code
from ample.shop.people.queries import demo_people
from ample.store import Database, DatabaseAway
from ample.store.database import Address
from ample.store.migrate import migrate
from ample.store.presence import FRESH_SECONDS, Presence, leads
from ample.store.private_server import PrivateServer, StartFailed, dies_with_parent, free_port
from ample.store.restore import settle_interrupted
from ample.update import before_migrating
from ample.web.settings import HERE, Doors, secret_key

WORKERS = 2
READY_SECONDS = 60
SETUP_SECONDS = 120.0  # the demo, and bringing an older shop up to date, may take longer than a page waits
WATCH_SECONDS, PRESENCE_SECONDS = 0.25, 3.0
LONG_RUN_SECONDS, LONGEST_WAIT_SECONDS = 10.0, 15.0
BUTTON = "caliper-button"
DEMO_CALIPER = "caliper 3"


class Stop(Exception):
    """Told to stop."""


def serve(kind: type[Shop] | None = None) -> int:
    """Start all, keep all running, stop all; whatever goes wrong, nothing is left running."""
    for number in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(number, _stop)
    doors = Doors.from_environment()
    _free(doors)
    home = home_directory()
    lock = only_one(home)
    shop = (kind or Shop)(home, doors)
    try:
        shop.open()
        say_opened()
        shop.keep_running()
    except Stop:
        say("stopping")
    except pymysql.err.Error as error:
        raise StartFailed("database", f"The database refused: {error.args[-1]}") from error
    finally:
        shop.close()
        lock.close()
    return 0


class Shop:
    """All that runs while the shop is open."""

    def __init__(self, home: Path, doors: Doors) -> None:
        self._home = home
        self._doors = doors
        self._server: PrivateServer | None = None
        self._presence: Presence | None = None
        self._closed = threading.Event()
        self._kept: list[Supervised] = []

    def open(self) -> None:
        """Start everything in order; returns when the pages answer."""
        url = os.environ.get("AMPLE_DATABASE_URL", "")
        if url:
            _reachable(url)
        else:
            say("starting the database")
            self._server = PrivateServer(self._home)
            self._server.start()
            url = self._server.url
            (self._home / RUNNING).write_text(str(self._server.port))
        self._presence = Presence(url)
        self._presence.show()
        threading.Thread(target=self._show_presence, daemon=True).start()
        _settle(url)
        before_migrating(url, self._home)
        say("bringing the database up to date")
        migrate(url)
        loaded = _demo(url)
        secret_key(self._home)
        say("starting the server")
        halves = self._halves(url)
        self._kept = [*halves, *_helpers(url, self._home, self._presence.shop_id)]
        for each in self._kept:
            each.keep_running()
        _wait_ready(halves[0], self._doors)
        with suppress(DatabaseAway):  # it died just now: it is started again without these words
            _welcome(self._doors, loaded or os.environ.get("AMPLE_DEMO") != "0", url)

    def _halves(self, url: str) -> list[Supervised]:
        """What serves the pages and answers: one server for both; the first answers."""
        environment = os.environ | {"AMPLE_DATABASE_URL": url, "AMPLE_HOME": str(self._home)}
        environment.setdefault(
            "OPENBLAS_NUM_THREADS", "1"
        )  # the arrays are small: threads only get in the way
        arguments = ["-m", "ample.web.workers", f"--port={self._doors.port}", f"--workers={WORKERS}"]
        return [Supervised("the server", arguments, environment, self._home / "server.log")]

    def keep_running(self) -> None:
        """Stay until asked to stop; whatever ended is started again."""
        database = Restarted()
        while True:
            time.sleep(WATCH_SECONDS)
            for each in self._kept:
                each.keep_running()
            if self._server and self._server.ended() and database.is_due():
                say("the database stopped; starting it again")
                try:
                    self._server.restart()
                    database = Restarted()  # it came up: only one that does not is waited for longer
                except StartFailed as error:
                    say(f"{error.message} It is tried again.")

    def close(self) -> None:
        """Stop everything in order."""
        self._closed.set()
        for each in reversed(self._kept):
            each.end()
        if self._presence:
            with suppress(DatabaseAway):
                self._presence.leave()
        if self._server:
            self._server.stop()

    def _show_presence(self) -> None:
        assert self._presence is not None
        while not self._closed.wait(PRESENCE_SECONDS):
            with suppress(DatabaseAway):  # it is away for everyone; the next time comes soon
                self._presence.show()


def _settle(url: str) -> None:
    """Finish or undo a restore that was interrupted; one that goes on is given a moment to show it."""
    until = time.monotonic() + FRESH_SECONDS + 2
    while True:
        try:
            done = settle_interrupted(url)
        except Conflict as error:
            if time.monotonic() > until:
                raise
            say(f"{error.message} Waiting for a moment.")
            time.sleep(2)
        else:
            if done:
                say(done)
            return


def _stop(number: int, frame: FrameType | None) -> None:
    for each in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(each, signal.SIG_IGN)
    raise Stop


def _free(doors: Doors) -> None:
    """Refuse a port that is in use, before anything is begun."""
    with socket.socket(socket.AF_INET6 if ":" in doors.bind else socket.AF_INET) as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((doors.bind, doors.port))
        except OSError as error:
            if error.errno == errno.EADDRNOTAVAIL:
                raise BadInput(
                    "bad_address", f"AMPLE_BIND is {doors.bind}: this machine has no such address.", "AMPLE_BIND",
                    "0.0.0.0 is every address of this machine.",
                ) from error  # fmt: skip
            words = "is taken" if error.errno == errno.EADDRINUSE else f"cannot be used: {error.strerror}"
            raise BadInput(
                "port_taken", f"Port {doors.port} {words}.", None, "Set AMPLE_PORT to another."
            ) from error


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
    database = Database(url, answer_seconds=SETUP_SECONDS)
    if os.environ.get("AMPLE_DEMO") == "0" or database.look(
        lambda t: t.single_value("SELECT EXISTS (SELECT 1 FROM people)")
    ):
        return False
    from ample.demo.load import load_demo  # the core with its arrays: only when it is needed

    return load_demo(database, datetime.now(UTC).replace(tzinfo=None), say)


def _wait_ready(web: Supervised, doors: Doors) -> None:
    until = time.monotonic() + READY_SECONDS
    host = HERE if ipaddress.ip_address(doors.bind).is_unspecified else doors.bind
    scheme = "https" if doors.certificate else "http"
    url = f"{scheme}://{f'[{host}]' if ':' in host else host}:{doors.port}/api/health"
    unproven = ssl.create_default_context()
    unproven.check_hostname, unproven.verify_mode = False, ssl.CERT_NONE  # its name is another; it is ours
    while time.monotonic() < until:
        if web.ended():
            raise StartFailed("server_stopped", "The server did not start; see server.log in AMPLE_HOME.")
        try:
            with urllib.request.urlopen(url, timeout=5, context=unproven):
                return
        except urllib.error.HTTPError:
            return  # it answers; a database that died meanwhile is started again
        except OSError:
            time.sleep(0.1)
    raise StartFailed("server_slow", "The server did not answer; see server.log in AMPLE_HOME.")


def _welcome(doors: Doors, demo: bool, url: str) -> None:
    print(f"\n  Ample is open at  {doors.address}\n", flush=True)
    database = Database(url)
    code = first_owner_code(database, datetime.now(UTC).replace(tzinfo=None))
    if code:
        print("  This shop has no people yet. Open that address and make its owner", flush=True)
        print(f"  with the code  {code}  (good for {CODE_HOURS} hours, once)\n", flush=True)
    elif demo:
        people = database.run(demo_people)
        for person in people:
            print(f"  sign in as {person.name:8} ({person.role})  PIN {person.pin}", flush=True)
        if people and doors.open_to_others:
            print("  (these PINs work on this machine only)", flush=True)
        print("", flush=True)
    print("  Ctrl-C stops it.\n", flush=True)


@dataclass
class Restarted:
    """When something that died may be started again: at once, then with longer and longer waits."""

    wait_seconds: float = 0.0
    last: float = 0.0

    def is_due(self) -> bool:
        """Whether it may be started now; counted as started when so."""
        now = time.monotonic()
        if now - self.last > LONG_RUN_SECONDS:
            self.wait_seconds = 0.0
        if now - self.last < self.wait_seconds:
            return False
        self.last = now
        self.wait_seconds = min(max(2 * self.wait_seconds, 1.0), LONGEST_WAIT_SECONDS)
        return True


@dataclass
class Supervised:
    """A process of the shop that is started again when it ends."""

    name: str
    arguments: list[str]
    environment: dict[str, str]
    log: Path
    program: str = sys.executable
    folder: Path = ROOT
    process: subprocess.Popen[bytes] | None = None
    restarted: Restarted = field(default_factory=Restarted)

    def ended(self) -> bool:
        """Whether it was started and has ended."""
        return self.process is not None and self.process.poll() is not None

    def keep_running(self) -> None:
        """Start it, or start it again."""
        if self.process is not None and (self.process.poll() is None or not self.restarted.is_due()):
            return
        if self.process is not None:
            say(f"{self.name} stopped; starting it again")
        try:
            with self.log.open("ab") as log:
                self.process = subprocess.Popen(
                    [self.program, *self.arguments], env=self.environment, stdout=log, stderr=log,
                    stdin=subprocess.DEVNULL, preexec_fn=dies_with_parent(), cwd=self.folder,
                )  # fmt: skip
        except OSError as error:  # no memory, no process to be had, a full disk: tried again
            say(f"{self.name} cannot be started: {error.strerror}.")

    def end(self) -> None:
        """Stop it."""
        if self.process and self.process.poll() is None:
            self.process.terminate()
            try:
                self.process.wait(10)
            except subprocess.TimeoutExpired:
                self.process.kill()
                self.process.wait()


def _helpers(url: str, home: Path, shop_id: str) -> list[Supervised]:
    """The caliper link and the backups; where the demo's caliper is listed, its stand-in too."""
    environment = os.environ | {"AMPLE_DATABASE_URL": url, "AMPLE_HOME": str(home), "AMPLE_SHOP_ID": shop_id}
    log = home / "calipers.log"
    found = [
        Supervised("the link to the calipers", ["-m", "ample.devices.link"], environment, log),
        Supervised("the daily backup", ["-m", "ample.daily_backup"], environment, home / "backups.log"),
    ]
    if _demo_caliper(url) and Database(url).look(lambda t: leads(t, shop_id)):
        port, button = free_port(), free_port()
        Database(url).run(lambda t: calipers.move_caliper(t, DEMO_CALIPER, "127.0.0.1", port))
        (home / BUTTON).write_text(str(button))
        arguments = ["-m", "ample.standins.caliper", str(port), str(button)]
        found.insert(0, Supervised("the stand-in caliper", arguments, environment, log))
    return found


def _demo_caliper(url: str) -> bool:
    """Whether the demo's caliper is on the list."""
    listed = Database(url).run(calipers.all_calipers)
    return any(each.name == DEMO_CALIPER and each.host == "127.0.0.1" for each in listed)


def press_caliper(line: str) -> int:
    """Have the demo's stand-in caliper send a reading, such as `25.02 mm`."""
    file = home_directory() / BUTTON
    if not line.strip():
        raise BadInput("no_reading", "What does it show? For example 25.02 mm, or 0.985 in.")
    try:
        with socket.create_connection(("127.0.0.1", int(file.read_text())), 3) as button:
            button.sendall(f"{line if ' ' in line else f'{line} mm'}\n".encode())
            button.recv(8)
    except (OSError, ValueError) as error:
        raise StartFailed(
            "no_caliper", "No stand-in caliper is running; `./ample start` starts one."
        ) from error
    return 0
