"""`./ample test` makes a check of the front end again when it has changed, or did not hold."""

import sys

import pytest

from ample import checks


@pytest.fixture
def front(tmp_path, monkeypatch):
    folder = tmp_path / "frontend"
    (folder / "src").mkdir(parents=True)
    (folder / "package.json").write_text("{}")
    (folder / "src" / "main.ts").write_text("export const one = 1")
    monkeypatch.setattr(checks, "FRONT", folder)
    monkeypatch.setattr(checks, "HELD", tmp_path / "held")
    monkeypatch.setattr(checks.front_end_mark, "__defaults__", (folder,))
    return folder


def made(front, tmp_path, code, again=False):
    """Whether the check holds, and whether it was made."""
    trace = tmp_path / "trace"
    trace.unlink(missing_ok=True)
    command = [sys.executable, "-c", f"open({str(trace)!r}, 'w').close(); raise SystemExit({code})"]
    return checks._holds("front end: lint", command, front, again), trace.exists()


def test_what_held_is_made_again_only_when_something_has_changed(front, tmp_path):
    assert made(front, tmp_path, 0) == (True, True)
    assert made(front, tmp_path, 0) == (True, False)
    (front / "src" / "main.ts").write_text("export const one = 2")
    assert made(front, tmp_path, 0) == (True, True)
    (front / "src" / "new.vue").write_text("<template />")
    assert made(front, tmp_path, 0) == (True, True)
    (front / "package.json").write_text('{"name": "other"}')
    assert made(front, tmp_path, 0) == (True, True)
    assert made(front, tmp_path, 0, again=True) == (True, True), "what CI runs is always made"


def test_what_did_not_hold_is_made_again(front, tmp_path):
    assert made(front, tmp_path, 1) == (False, True)
    assert made(front, tmp_path, 1) == (False, True)
    assert made(front, tmp_path, 0) == (True, True)
