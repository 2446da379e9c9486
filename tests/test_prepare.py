"""Preparing a machine: what is missing is said in one line; what has not changed is not done again."""

import os
import pwd
import re
import shutil
import subprocess
import sys
import tempfile
import tomllib
from pathlib import Path

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
    monkeypatch.setattr(os, "geteuid", lambda: 1000)
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


@pytest.mark.parametrize("name", ["requirements.txt", "requirements-dev.txt", "requirements-tables.txt"])
def test_every_package_is_pinned_with_its_hashes(name):
    lines = [
        line for line in (prepare.ROOT / name).read_text().splitlines() if not line.lstrip().startswith("#")
    ]
    packages = re.split(r"\n(?=\S)", "\n".join(lines).strip())
    assert len(packages) > 1
    for package in packages:
        assert re.match(r"[A-Za-z0-9._-]+(\[\w+\])?==\S+ ", package), package
        assert "--hash=sha256:" in package
        assert "http" not in package


def test_what_is_used_directly_is_locked():
    project = tomllib.loads((prepare.ROOT / "pyproject.toml").read_text())["project"]
    for name, wanted in (
        ("requirements.txt", project["dependencies"]),
        ("requirements-dev.txt", project["optional-dependencies"]["dev"]),
    ):
        locked = re.sub(r"[-_.]+", "-", (prepare.ROOT / name).read_text().lower())
        assert [each for each in wanted if f"\n{re.sub('[-_.]+', '-', each.lower())}==" not in locked] == []


# not as root -----------------------------------------------------------------------------------------------

PYTHON = "/usr/bin/python3"
AS_ROOT = pytest.mark.skipif(
    os.geteuid() != 0 or not Path(PYTHON).exists(), reason="only root can hand the shop to another user"
)


@pytest.mark.parametrize(
    ("environment", "given"),
    [
        ({"AMPLE_USER": "nobody"}, "nobody"),
        ({"AMPLE_USER": "root"}, None),
        ({"SUDO_UID": str(pwd.getpwnam("nobody").pw_uid)}, "nobody"),
        ({}, None),
    ],
)
def test_a_start_by_root_goes_on_as_whom_it_is_given_to(monkeypatch, tmp_path, environment, given):
    monkeypatch.setattr(prepare, "ROOT", tmp_path)
    for name in ("AMPLE_USER", "SUDO_UID"):
        monkeypatch.delenv(name, raising=False)
    for name, value in environment.items():
        monkeypatch.setenv(name, value)
    if tmp_path.stat().st_uid and given is None:
        given = pwd.getpwuid(tmp_path.stat().st_uid).pw_name if "AMPLE_USER" not in environment else None
    assert prepare.whom_to_give(tmp_path) == given


def test_a_user_that_is_not_there_is_said(monkeypatch, tmp_path):
    monkeypatch.setenv("AMPLE_USER", "nobody-of-that-name")
    with pytest.raises(prepare.Missing, match="no such user"):
        prepare.whom_to_give(tmp_path)


@pytest.fixture
def open_folder():
    """A folder that other users can reach, as pytest's own is not."""
    with tempfile.TemporaryDirectory(prefix="ample-open-") as folder:
        Path(folder).chmod(0o755)
        yield Path(folder)


@AS_ROOT
def test_root_really_becomes_that_user_and_the_data_are_theirs(open_folder):
    source = open_folder / "src" / "ample"
    source.mkdir(parents=True)
    shutil.copy(prepare.__file__, source)
    home = open_folder / "home"
    (home / "mariadb").mkdir(parents=True)
    (home / "secret-key").write_text("x")
    said = subprocess.run(
        [
            PYTHON, "-c",
            f"import sys, os; sys.path.insert(0, {str(source.parent)!r}); from ample import prepare;"
            f"prepare.hand_over({PYTHON!r}); print(os.getuid(), os.geteuid(), os.getgroups());"
            "open(os.environ['AMPLE_HOME'] + '/secret-key', 'a').write('y')",
        ],
        env=os.environ | {"AMPLE_USER": "nobody", "AMPLE_HOME": str(home)}, capture_output=True, text=True,
    )  # fmt: skip
    nobody = pwd.getpwnam("nobody")
    assert said.stdout.split()[:2] == [str(nobody.pw_uid)] * 2, said.stderr
    assert "0" not in said.stdout.split()[2].strip("[],")
    assert {path.stat().st_uid for path in (home, *home.rglob("*"))} == {nobody.pw_uid}


@AS_ROOT
def test_a_folder_that_is_not_a_shops_is_left_alone(open_folder, monkeypatch):
    (open_folder / "letters").write_text("somebody else's")
    monkeypatch.setenv("AMPLE_USER", "nobody")
    monkeypatch.setenv("AMPLE_HOME", str(open_folder))
    monkeypatch.setattr(prepare, "can_run", lambda *_: True)
    with pytest.raises(prepare.Missing, match="holds no shop"):
        prepare.hand_over(PYTHON)
    assert (open_folder / "letters").stat().st_uid == 0


@AS_ROOT
def test_a_python_that_user_cannot_reach_is_said_before_anything_is_changed(tmp_path, monkeypatch):
    closed = tmp_path / "closed"
    closed.mkdir(mode=0o700)
    python = closed / "python"
    shutil.copy(PYTHON, python)
    monkeypatch.setenv("AMPLE_USER", "nobody")
    monkeypatch.setenv("AMPLE_HOME", str(tmp_path / "home"))
    with pytest.raises(prepare.Missing, match="nobody cannot run"):
        prepare.hand_over(str(python))
    assert not (tmp_path / "home").exists()
