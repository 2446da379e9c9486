"""`./ample test`: every check in order, then every test; the first failing one is named."""

from __future__ import annotations

import os
import subprocess
import sys
import tempfile
import time
from pathlib import Path

from ample.prepare import FRONT, ROOT, say

PATHS = ("src", "tests", "benchmarks")


def run_all(arguments: list[str]) -> int:
    """Run the checks, then pytest; with arguments only pytest with them. 0 when all hold."""
    python = sys.executable
    where = Path(python).parent
    checks: tuple[tuple[str, list[str], Path], ...] = (
        ("ruff check", [str(where / "ruff"), "check", *PATHS], ROOT),
        ("ruff format", [str(where / "ruff"), "format", "--check", "--quiet", *PATHS], ROOT),
        ("mypy", [python, "-m", "mypy"], ROOT),
        ("the floors", [str(where / "lint-imports")], ROOT),
        ("front end: types", ["npm", "run", "--silent", "check"], FRONT),
        ("front end: lint", ["npm", "run", "--silent", "lint"], FRONT),
        ("front end: tests", ["npm", "run", "--silent", "test"], FRONT),
    )
    failed: list[str] = []
    if not arguments:
        failed = [name for name, command, folder in checks if not _holds(name, command, folder)]
        if not _types_fresh():
            failed.append("generated types")
    tests = subprocess.run([python, "-m", "pytest", *arguments], cwd=ROOT, check=False).returncode
    for name in failed:
        say(f"FAILED: {name}")
    return 1 if failed or tests else 0


def _holds(name: str, command: list[str], folder: Path) -> bool:
    began = time.monotonic()
    environment = os.environ | {"PYTHONPATH": str(ROOT / "src")}
    done = subprocess.run(command, cwd=folder, env=environment, check=False, capture_output=True, text=True)
    say(f"{name}: {'holds' if done.returncode == 0 else 'FAILED'} ({time.monotonic() - began:.0f} s)")
    if done.returncode:
        print(done.stdout + done.stderr, flush=True)
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
