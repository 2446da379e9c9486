"""Preparing a machine: what is missing is said in one line; what has not changed is not done again."""

import subprocess
import sys

import pytest

from ample import prepare


def test_help_lists_every_command(capsys):
    assert prepare.main([]) == 0
    said = capsys.readouterr().err
    assert all(f"./ample {name}" in said for name in prepare.COMMANDS)


def test_an_unknown_command_is_refused(capsys):
    assert prepare.main(["dance"]) == 2


def test_the_launcher_runs_with_the_standard_library_alone():
    """Nothing but Python itself is there on a bare machine."""
    done = subprocess.run(
        [sys.executable, "-I", "-S", str(prepare.ROOT / "src" / "ample" / "prepare.py"), "help"],
        capture_output=True, text=True, check=False,
    )  # fmt: skip
    assert done.returncode == 0
    assert "./ample start" in done.stderr


def test_a_failed_step_shows_the_end_of_what_it_said():
    with pytest.raises(prepare.Missing, match=r"building it failed:(?s:.*)line 49"):
        prepare.run(
            [sys.executable, "-c", "[print('line', n, sep=' ') for n in range(50)]; exit(3)"], "building it"
        )


def test_a_missing_package_without_root_is_one_line(monkeypatch):
    monkeypatch.setattr(prepare.os, "geteuid", lambda: 1000)
    with pytest.raises(prepare.Missing, match="As root: apt-get install left-pad"):
        prepare.debian_package("left-pad", "/nonexistent")


def test_a_package_that_is_there_is_left_alone(monkeypatch):
    monkeypatch.setattr(prepare, "run", lambda *_, **__: pytest.fail("nothing is to be installed"))
    prepare.debian_package("coreutils", "/bin/ls")


def test_a_digest_follows_names_and_contents(tmp_path, monkeypatch):
    monkeypatch.setattr(prepare, "ROOT", tmp_path)
    a, b = tmp_path / "a", tmp_path / "b"
    a.write_text("1")
    first = prepare.digest([a])
    b.write_text("1")
    assert prepare.digest([b]) != first
    a.write_text("2")
    assert prepare.digest([a]) != first


def test_every_pinned_package_is_pinned():
    for name in ("requirements.txt", "requirements-dev.txt", "requirements-tables.txt"):
        for line in (prepare.ROOT / name).read_text().split():
            assert "==" in line, line
            assert "http" not in line
