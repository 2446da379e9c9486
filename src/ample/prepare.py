"""Preparing a bare machine: Debian packages, virtual environment, front end. Standard library only."""

from __future__ import annotations

import hashlib
import os
import pwd
import shutil
import subprocess
import sys
from collections.abc import Iterable
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]
VENV = Path(os.environ.get("AMPLE_VENV", ROOT / ".venv"))
FRONT = ROOT / "frontend"
BUILT = ROOT / "src" / "ample" / "web" / "built"
COMMANDS = {
    "start": "set up, start everything, serve the pages",
    "test": "set up and run the checks and tests; --all: the long ones too",
    "dev": "set up and start everything with reload of both halves",
    "calc": "one question to the core: calc OPERATION [JSON], or calc --lines",
    "bench": "run the benchmarks",
    "backup": "the whole shop's data into a new file: backup FILE",
    "restore": "the whole shop's data from a file: restore FILE",
    "person": "the shop's people: person list, add, role, secret, end, rest, back",
    "update-check": "what this checkout would migrate, tried on a copy; changes nothing",
    "caliper": "press the button of the demo's stand-in caliper: caliper 25.02 mm",
}


OF_THE_SHOP = frozenset({"start", "dev", "backup", "restore", "person", "update-check", "caliper"})


class Missing(Exception):
    """Something is missing that cannot be got here; one clear line."""


def say(text: str) -> None:
    """A line of progress, on standard error so that answers stay clean."""
    print(f"ample: {text}", file=sys.stderr, flush=True)


def main(arguments: list[str]) -> int:
    """Prepare what the command needs, then become it."""
    command = arguments[0] if arguments else ""
    if command not in COMMANDS:
        for name, words in COMMANDS.items():
            say(f"./ample {name:12} {words}")
        return 0 if command in ("", "help", "--help", "-h") else 2
    try:
        prepare(command, whole="--all" in arguments)
    except Missing as missing:
        say(str(missing))
        return 1
    except OSError as error:
        say(f"cannot write {error.filename or ROOT}: {error.strerror}. Ample needs to write there.")
        return 1
    python = str(VENV / "bin" / "python")
    if os.geteuid() == 0 and command in OF_THE_SHOP:
        try:
            hand_over(python)
        except Missing as missing:
            say(str(missing))
            return 1
    environment = os.environ | {"PYTHONPATH": str(ROOT / "src"), "PYTHONUNBUFFERED": "1"}
    return os.execve(python, [python, "-m", "ample.command_line", *arguments], environment)


def prepare(command: str, whole: bool = False) -> None:
    """Get what the command needs and does not have yet; `whole` is asked of the tests with every long case."""
    virtual_environment(with_checks=command in ("test", "bench"))
    needs_database = command in ("test", "bench") or (
        command in ("start", "dev", "backup", "restore", "person", "update-check")
        and not os.environ.get("AMPLE_DATABASE_URL")
    )
    if needs_database:
        debian_package("mariadb-server", "/usr/sbin/mariadbd", "mariadbd")
    if command == "bench" or (command == "test" and whole):
        debian_package("chromium", "/usr/bin/chromium", "chromium")
    elif command == "test":
        # without windows it takes a quarter less of the processor; where it cannot be installed, the whole one serves
        others = () if os.geteuid() == 0 else ("/usr/bin/chromium",)
        debian_package("chromium-headless-shell", "/usr/bin/chromium-headless-shell", *others)
    if command in ("start", "dev", "test", "bench"):
        # what sets the papers of the shop (PDF) draws its text with this library
        debian_package(
            "libpangoft2-1.0-0", *(str(path) for path in Path("/usr/lib").glob("*/libpangoft2-1.0.so.0"))
        )
    if command in ("start", "test", "bench"):
        front_end(for_checks=command == "test")
    if command == "dev":
        node_modules()


def hand_over(python: str) -> None:
    """Started by root: go on as the user that the machine has for it; without one, say so and go on."""
    home = Path(os.environ.get("AMPLE_HOME", ROOT / "var")).resolve()
    name = whom_to_give(home)
    if name is None:
        say("running as root: AMPLE_USER=name hands the shop and its database to another user")
        return
    user = pwd.getpwnam(name)
    if not can_run(python, user):
        raise Missing(
            f"{name} cannot run {Path(python).resolve()}: put Python and Ample where that user can read them"
        )
    home.mkdir(parents=True, exist_ok=True)
    if home.stat().st_uid != user.pw_uid:
        if any(home.iterdir()) and not (home / "secret-key").exists():
            raise Missing(f"{home} is not empty and holds no shop of Ample's: give it to {name} yourself")
        for path in (home, *home.rglob("*")):
            os.chown(path, user.pw_uid, user.pw_gid, follow_symlinks=False)
    say(f"running as {name}")
    os.initgroups(name, user.pw_gid)
    os.setgid(user.pw_gid)
    os.setuid(user.pw_uid)
    os.environ["HOME"] = user.pw_dir


def whom_to_give(home: Path) -> str | None:
    """AMPLE_USER; else whoever owns the data or this checkout, or called sudo; never root."""
    asked = os.environ.get("AMPLE_USER", "")
    if asked:
        try:
            return None if pwd.getpwnam(asked).pw_uid == 0 else asked
        except KeyError:
            raise Missing(f"AMPLE_USER is {asked}: this machine has no such user") from None
    owners = [path.stat().st_uid for path in (home, ROOT) if path.exists()]
    for uid in (*owners, int(os.environ.get("SUDO_UID", 0))):
        if uid:
            try:
                return pwd.getpwuid(uid).pw_name
            except KeyError:
                continue  # an owner from elsewhere, as in a mounted folder
    return None


def can_run(python: str, user: pwd.struct_passwd) -> bool:
    """Whether this user can start our Python and read our sources."""
    try:
        done = subprocess.run(
            [python, "-c", f"open({str(ROOT / 'src' / 'ample' / 'prepare.py')!r}).close()"],
            user=user.pw_uid, group=user.pw_gid, extra_groups=[], cwd="/", check=False, capture_output=True,
        )  # fmt: skip
    except OSError:
        return False
    return done.returncode == 0


def run(command: list[str], why: str, where: Path = ROOT, environment: dict[str, str] | None = None) -> None:
    """Run a step quietly; when it fails, show the end of what it said."""
    done = subprocess.run(command, cwd=where, env=environment, check=False, capture_output=True, text=True)
    if done.returncode:
        tail = "\n".join((done.stdout + done.stderr).strip().splitlines()[-12:])
        raise Missing(f"{why} failed:\n{tail}")


def debian_package(package: str, *programs: str) -> None:
    """Install a Debian package when none of its programs is there."""
    if any(Path(program).exists() or shutil.which(program) for program in programs):
        return
    if os.geteuid() != 0 or not shutil.which("apt-get"):
        raise Missing(f"{package} is missing. As root: apt-get install {package}")
    say(f"installing {package} from Debian's packages")
    quiet = os.environ | {"DEBIAN_FRONTEND": "noninteractive"}
    install = ["apt-get", "install", "-y", "--no-install-recommends", package]
    try:
        run(install, f"installing {package}", environment=quiet)
    except Missing:
        run(["apt-get", "update"], "apt-get update", environment=quiet)
        run(install, f"installing {package}", environment=quiet)


def virtual_environment(with_checks: bool) -> None:
    """Make the virtual environment and install the pinned packages when they have changed."""
    python = VENV / "bin" / "python"
    if not python.exists():
        say("making the virtual environment")
        VENV.parent.mkdir(parents=True, exist_ok=True)
        try:
            run([sys.executable, "-m", "venv", str(VENV)], "making the virtual environment")
        except Missing:
            shutil.rmtree(VENV, ignore_errors=True)
            debian_package("python3-venv", "/nonexistent")
            run([sys.executable, "-m", "venv", str(VENV)], "making the virtual environment")
    install(python, "requirements.txt", [])
    if with_checks:
        install(python, "requirements-dev.txt", [])
        install(python, "requirements-tables.txt", ["--no-deps"])


def install(python: Path, name: str, options: list[str]) -> None:
    """Install a requirements file unless just these lines are installed already."""
    file = ROOT / name
    stamp = VENV / f"{name}.installed"
    wanted = hashlib.sha256(file.read_bytes()).hexdigest()
    if stamp.exists() and stamp.read_text() == wanted:
        return
    say(f"installing Python packages ({name})")
    pip = [
        str(python),
        "-m",
        "pip",
        "install",
        "--quiet",
        "--disable-pip-version-check",
        "--require-hashes",
        *options,
        "-r",
        str(file),
    ]
    run(pip, "installing Python packages")
    stamp.write_text(wanted)


def front_end(for_checks: bool) -> None:
    """Install the front end's packages and build it when its sources have changed."""
    built = BUILT / ".built-from"
    wanted = digest(source_files())
    current = built.exists() and built.read_text() == wanted
    if current and not for_checks:
        return
    node_modules()
    if not current:
        say("building the front end")
        run(["npm", "run", "build", "--silent"], "building the front end", FRONT)
        built.write_text(wanted)


def node_modules() -> None:
    """Install the front end's packages unless just these are installed already."""
    if not shutil.which("node") or not shutil.which("npm"):
        raise Missing("Node 20 or newer with npm is missing; it builds the front end")
    version = subprocess.run(["node", "--version"], capture_output=True, text=True, check=False).stdout
    if int(version.strip().lstrip("v").split(".")[0] or 0) < 20:
        raise Missing(f"Node 20 or newer is needed; this is {version.strip()}")
    lock = FRONT / "package-lock.json"
    stamp = FRONT / "node_modules" / ".installed-from"
    wanted = digest([lock, FRONT / "package.json"])
    if not (stamp.exists() and stamp.read_text() == wanted):
        say("installing the front end's packages")
        run(["npm", "ci", "--no-audit", "--no-fund"], "installing the front end's packages", FRONT)
        stamp.write_text(wanted)


def source_files() -> list[Path]:
    """Everything that the built front end is made from."""
    own = [path for path in FRONT.iterdir() if path.is_file()]
    return sorted(own + [path for path in (FRONT / "src").rglob("*") if path.is_file()])


def digest(files: Iterable[Path]) -> str:
    """One hash over names and contents."""
    total = hashlib.sha256()
    for file in files:
        total.update(str(file.relative_to(ROOT)).encode() + b"\0" + file.read_bytes())
    return total.hexdigest()


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
