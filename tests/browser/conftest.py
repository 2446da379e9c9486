"""The real interface in Debian's Chromium, against the real server and a database of its own."""

import os
import re
import signal
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

import pytest
from playwright.sync_api import expect, sync_playwright

from ample.store import Database
from ample.store.private_server import free_port
from tests.template import now, started

expect.set_options(timeout=15_000)  # a busy machine is slow; how fast it is, `./ample bench` says
AWAY = re.compile("status of|net::ERR_FAILED")  # what a test does to the server on purpose
ARGUMENTS = [
    "--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-component-update", "--disable-sync",
]  # fmt: skip


CHROMIUM = Path("/usr/bin/chromium")
HEADLESS = Path("/usr/bin/chromium-headless-shell")  # the same without its windows: quicker
SCREEN = {"width": 1280, "height": 800}


@pytest.fixture(scope="session")
def own_database(tmp_path_factory):
    made = started("demo", tmp_path_factory.mktemp("browser"))
    yield made
    made.stop()


@pytest.fixture(scope="session")
def address(own_database):
    port = free_port()
    environment = os.environ | {"AMPLE_DATABASE_URL": own_database.url, "AMPLE_HOME": str(own_database.home)}
    server = subprocess.Popen(
        [sys.executable, "-m", "ample.web.workers", f"--port={port}", "--workers=2"],
        env=environment, stdin=subprocess.DEVNULL,
    )  # fmt: skip
    until = time.monotonic() + 180
    while True:
        try:
            urllib.request.urlopen(f"http://127.0.0.1:{port}/api/health", timeout=5).close()
            break
        except OSError:
            if server.poll() is not None or time.monotonic() > until:
                raise
            time.sleep(0.1)
    yield f"http://127.0.0.1:{port}"
    server.send_signal(signal.SIGTERM)
    server.wait(15)


@pytest.fixture(scope="session")
def signed_in(browser, address):
    """What a browser holds of each person once signed in: signing in by hand is tested once, not in every test."""
    held = {}

    def of(name):
        if name not in held:
            context = browser.new_context()
            page = context.new_page()
            page.goto(address)
            page.get_by_role("button", name=name).click()
            page.get_by_role("combobox", name="Marking, size or job number").wait_for()
            held[name] = context.storage_state()
            context.close()
        return held[name]

    return of


@pytest.fixture(scope="session")
def browser(pytestconfig):
    """Debian's Chromium: all of it in the long run, its headless part in the short one."""
    whole = pytestconfig.getoption("--long") and CHROMIUM.exists()
    program = CHROMIUM if whole or not HEADLESS.exists() else HEADLESS
    with sync_playwright() as playwright:
        made = playwright.chromium.launch(executable_path=program, args=ARGUMENTS)
        yield made
        made.close()


CLEAN = """async () => {
  localStorage.clear()
  for (const { name } of await indexedDB.databases()) indexedDB.deleteDatabase(name)
}"""


@pytest.fixture(scope="session")
def machines(browser, signed_in):
    """One machine of each person, as it stands in the shop: signed in, the pages in its cache."""
    made = {}

    def of(name):
        if name not in made:
            made[name] = browser.new_context(viewport=SCREEN, storage_state=signed_in(name))
        return made[name]

    yield of
    for context in made.values():
        context.close()


class Bench:
    """A page of one person; what the console complains about fails the test."""

    def __init__(self, context, address, faults, known):
        self.context = context
        self._page = context.new_page()
        self._known, self._opened = known, False
        self.address = address
        self._page.on("pageerror", lambda error: faults.append(str(error)))
        self._page.on(
            "console",
            lambda m: faults.append(m.text) if m.type == "error" and not AWAY.search(m.text) else None,
        )

    @property
    def page(self):
        """The page; whoever has gone nowhere yet stands at the Counter."""
        if self._known and not self._opened:
            self.go("/").get_by_role("combobox", name="Marking, size or job number").wait_for()
        return self._page

    def sign_in(self, name="Wren"):
        """By hand, as whoever comes for the first time."""
        page = self.go("/")
        page.get_by_role("button", name=name).click()
        page.get_by_role("combobox", name="Marking, size or job number").wait_for()

    def go(self, path):
        self._opened = True
        self._page.goto(self.address + path)
        return self._page

    def leave(self):
        """Close all pages, and leave nothing of this test on the machine."""
        for page in self.context.pages:
            page.close()
        page = self.context.new_page()
        page.goto(f"{self.address}/api/session")
        page.evaluate(CLEAN)
        page.close()


@pytest.fixture
def person(browser, address, signed_in, machines):
    faults, shared, apart = [], {}, []

    def make(name="Wren"):
        """A person at their machine; the same person a second time in a test is at another one."""
        if name not in shared:
            shared[name] = Bench(machines(name), address, faults, True)
            return shared[name]
        context = browser.new_context(viewport=SCREEN, storage_state=signed_in(name))
        apart.append(Bench(context, address, faults, True))
        return apart[-1]

    yield make
    for bench in shared.values():
        bench.leave()
    for bench in apart:
        bench.context.close()
    assert faults == []


@pytest.fixture
def stranger(browser, address):
    bench = Bench(browser.new_context(viewport=SCREEN), address, [], False)
    yield bench
    bench.context.close()


@pytest.fixture
def make_part(own_database):
    """A fresh job with one part, made in the database through the same actions."""
    from ample.base.doer import Doer
    from ample.base.jobs import add_part, open_job
    from ample.base.records import NewJob, NewPart

    def make(**more):
        def work(t):
            wren = t.single_value("SELECT person_id FROM people WHERE name = 'Wren'")
            doer = Doer(wren, "Wren", "bench", now())
            job = open_job(t, doer, NewJob(title="Browser test unit"))
            return job.number, add_part(t, doer, job.number, NewPart(name="Test bearing", **more)).part_id

        return Database(own_database.url).run(work)

    return make
