"""`./ample test`: every check beside every test; what failed is named.

The tests run in as many processes as there are processors, a file at a time, each with a server of its own; the
checks run beside them. Long cases are left out unless `--all` is given; with other arguments only pytest runs, with them.
Without `--all`, a check of the front end that held is not made again until the front end has changed.
"""

from __future__ import annotations

import hashlib
import os
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from functools import partial
from pathlib import Path

from ample.prepare import FRONT, ROOT, say

PATHS = ("src", "tests", "benchmarks")
BESIDE = 1  # checks at a time, while the tests run
REPORT = ROOT / "var" / "tests.xml"
HELD = ROOT / "var" / "checks"  # what the front end was when a check of it last held


def run_all(arguments: list[str]) -> int:
    """Run the checks and pytest beside them; 0 when all hold."""
    python = sys.executable
    os.environ["PYTHONPYCACHEPREFIX"] = str(
        ROOT / "var" / "pycache"
    )  # compiled once, also where it is not wanted
    os.environ.pop("PYTHONDONTWRITEBYTECODE", None)  # beside the sources: a run starts some forty processes
    whole = not arguments or arguments == ["--all"]
    if not whole:
        return subprocess.run([python, "-m", "pytest", *_asked(arguments)], cwd=ROOT, check=False).returncode
    began = time.monotonic()
    with ThreadPoolExecutor(BESIDE) as beside:
        told = [
            (name, beside.submit(check))
            for name, check in _checks(python, again="--all" in arguments).items()
        ]
        REPORT.parent.mkdir(exist_ok=True)
        tests = subprocess.run(
            [python, "-m", "pytest", "-n", str(max(os.cpu_count() or 2, 2)), "--dist=loadfile", "--no-loadscope-reorder",
             "--durations=15", f"--junit-xml={REPORT}", *_asked(arguments)],
            cwd=ROOT, check=False,
        ).returncode  # fmt: skip
        failed = [name for name, check in told if not check.result()]
    for name in failed:
        say(f"FAILED: {name}")
    say(f"checks and tests took {(time.monotonic() - began) / 60:.1f} min")
    return 1 if failed or tests else 0


def _asked(arguments: list[str]) -> list[str]:
    return ["--long" if each == "--all" else each for each in arguments]


def _checks(python: str, again: bool) -> dict[str, Callable[[], bool]]:
    where = Path(python).parent
    commands: tuple[tuple[str, list[str], Path], ...] = (
        ("ruff check", [str(where / "ruff"), "check", *PATHS], ROOT),
        ("ruff format", [str(where / "ruff"), "format", "--check", "--quiet", *PATHS], ROOT),
        ("mypy", [python, "-m", "mypy"], ROOT),
        ("the floors", [str(where / "lint-imports")], ROOT),
        ("front end: types", ["npm", "run", "--silent", "check"], FRONT),
        ("front end: lint", ["npm", "run", "--silent", "lint"], FRONT),
        ("front end: tests", ["npm", "run", "--silent", "test"], FRONT),
    )
    found: dict[str, Callable[[], bool]] = {
        name: partial(_holds, name, command, folder, again or folder != FRONT)
        for name, command, folder in commands
    }
    return found | {"generated types": _types_fresh}


def front_end_mark(front: Path = FRONT) -> str:
    """A hash of all that the checks of the front end look at: sources, tests, settings and pinned packages."""
    found = hashlib.sha256()
    files = [*front.glob("*.*"), *(each for part in ("src", "tests") for each in (front / part).rglob("*"))]
    for each in sorted(each for each in files if each.is_file()):
        found.update(f"{each.relative_to(front)}\0".encode() + each.read_bytes() + b"\0")
    return found.hexdigest()


def _holds(name: str, command: list[str], folder: Path, again: bool) -> bool:
    held = HELD / f"{name.replace(': ', '-').replace(' ', '-')}.txt"
    mark = "" if again else front_end_mark()
    if mark and held.exists() and held.read_text(encoding="utf-8") == mark:
        say(f"{name}: held, unchanged since")
        return True
    began = time.monotonic()
    environment = os.environ | {"PYTHONPATH": str(ROOT / "src")}
    done = subprocess.run(command, cwd=folder, env=environment, check=False, capture_output=True, text=True)
    say(f"{name}: {'holds' if done.returncode == 0 else 'FAILED'} ({time.monotonic() - began:.0f} s)")
    if done.returncode:
        print(done.stdout + done.stderr, flush=True)
    elif mark:
        held.parent.mkdir(parents=True, exist_ok=True)
        held.write_text(mark, encoding="utf-8")
    return done.returncode == 0


def _types_fresh() -> bool:
    """The OpenAPI document and the TypeScript types made from it are today's."""
    from ample.web.document import document

    kept = FRONT / "openapi.json"
    fresh = kept.exists() and kept.read_text(encoding="utf-8") == document()
    with tempfile.TemporaryDirectory() as folder:
        made = Path(folder) / "types.ts"
        done = subprocess.run(
            ["npx", "--no-install", "openapi-typescript", str(kept), "-o", str(made)],
            cwd=FRONT, check=False, capture_output=True, text=True,
        )  # fmt: skip
        types = FRONT / "src" / "api" / "types.ts"
        fresh = fresh and done.returncode == 0 and made.read_text() == types.read_text()
    say(f"generated types: {'fresh' if fresh else 'STALE: run npm run types in frontend/'}")
    return fresh
