"""Data directories made once and copied by every test that needs one: a bare server, an empty shop, the demo.

They are kept under `.test-cache/`, named by a hash of all that they are made from.
"""

import fcntl
import hashlib
import shutil
from datetime import UTC, datetime

from ample.demo.load import load_demo
from ample.prepare import ROOT
from ample.shop.catalogue.kept import index_of
from ample.store import Database
from ample.store.migrate import migrate
from ample.store.private_server import PrivateServer

CACHE = ROOT / ".test-cache"
SOURCES = ROOT / "src" / "ample"
MADE_FROM = {
    "empty": ("store",),
    "demo": ("store", "base", "sheets", "demo", "core", "shop"),
}
LINES = {".py", ".sql", ".csv", ".json"}


def now():
    return datetime.now(UTC).replace(tzinfo=None)


def mark_of(kind):
    """A hash of the sources, and of the day: the demo's dates are relative to it."""
    total = hashlib.sha256(str(now().date()).encode() if kind == "demo" else b"")
    for floor in MADE_FROM[kind]:
        for file in sorted((SOURCES / floor).rglob("*")):
            if file.suffix in LINES:
                total.update(str(file.relative_to(SOURCES)).encode() + b"\0" + file.read_bytes())
    return f"{kind}-{total.hexdigest()[:16]}"


def template(kind):
    """The directory of this kind, made when it is not there; two test processes make it once."""
    CACHE.mkdir(exist_ok=True)
    with (CACHE / f"{kind}.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        wanted = CACHE / mark_of(kind)
        if not wanted.exists():
            for old in CACHE.glob(f"{kind}-*"):
                shutil.rmtree(old)
            _make(kind, wanted)
    return wanted


def _make(kind, wanted):
    unfinished = CACHE / f"unfinished-{kind}"
    shutil.rmtree(unfinished, ignore_errors=True)
    if kind == "demo":
        copy_of("empty", unfinished)
    server = PrivateServer(unfinished)
    server.start()
    try:
        migrate(server.url)
        if kind == "demo":
            database = Database(server.url)
            load_demo(database, now(), lambda _: None)
            index_of(database, unfinished)
    finally:
        server.stop()
    unfinished.rename(wanted)


def copy_of(kind, home):
    """A fresh data directory of this kind."""
    shutil.copytree(template(kind), home, dirs_exist_ok=True, ignore=shutil.ignore_patterns("run", "*.log"))
    return home


def started(kind, home):
    """A private server over a fresh copy."""
    server = PrivateServer(copy_of(kind, home))
    server.start()
    return server
