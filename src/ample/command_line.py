"""The launcher's commands: one thin function each."""

from __future__ import annotations

import json
import os
import sys
from collections.abc import Callable, Iterable
from typing import Any, TextIO

from ample.core.errors import AmpleError, BadInput
from ample.prepare import ROOT, say

LONGEST_LINE = 512 * 1024


def main(arguments: list[str]) -> int:
    """Run a command; a refusal is one clear line and exit code 1."""
    commands: dict[str, Callable[[list[str]], int]] = {
        "start": start,
        "serve": serve,
        "dev": dev,
        "test": test,
        "calc": calc,
        "bench": bench,
        "backup": backup,
        "restore": restore,
        "caliper": caliper,
        "person": person,
        "update-check": update_check,
    }
    try:
        return commands[arguments[0]](arguments[1:])
    except AmpleError as error:
        hint = f" {error.hint}" if error.hint else ""
        say(f"{error.message}{hint}")
        return 1
    except BrokenPipeError:  # whoever was to read it has gone
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        say("what was to be printed could not be: its reader has gone")
        return 1


def start(_: list[str]) -> int:
    """Keep a shop open: a small parent that begins the launcher again when it dies."""
    from ample.parent import Parent

    return Parent().run()


def serve(_: list[str]) -> int:
    """The launcher itself, below `start`."""
    from ample.serve import serve as run

    return run()


def person(arguments: list[str]) -> int:
    """The shop's people, from the machine's terminal."""
    from ample.person import person as run

    return run(arguments)


def update_check(arguments: list[str]) -> int:
    """What this checkout would migrate, tried on a copy."""
    from ample.update import update_check as run

    return run(arguments)


def dev(_: list[str]) -> int:
    """Both halves with reload, for whoever changes them."""
    from ample.dev import run

    return run()


def test(arguments: list[str]) -> int:
    """Every check and test."""
    from ample.checks import run_all

    return run_all(arguments)


def bench(arguments: list[str]) -> int:
    """The benchmarks."""
    sys.path.insert(0, str(ROOT))
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")  # as `start` sets it for its workers
    from benchmarks.run import run_benchmarks

    return run_benchmarks(arguments)


def backup(arguments: list[str]) -> int:
    """The whole shop's data into a file."""
    from ample.backup import backup as write

    return write(arguments)


def restore(arguments: list[str]) -> int:
    """The whole shop's data from a file."""
    from ample.backup import restore as read

    return read(arguments)


def caliper(arguments: list[str]) -> int:
    """Press the button of the demo's stand-in caliper: `./ample caliper 25.02 mm`."""
    from ample.serve import press_caliper

    return press_caliper(" ".join(arguments))


def calc(arguments: list[str]) -> int:
    """One question to the core, or many as JSON lines."""
    if arguments[:1] == ["--lines"]:
        return _calc_lines(sys.stdin, sys.stdout)
    if not arguments or len(arguments) > 2:
        say("calc OPERATION [JSON], or calc --lines")
        return 2
    text = arguments[1] if len(arguments) == 2 else sys.stdin.read()
    answer, refused = _answer(arguments[0], text)
    print(json.dumps(answer, ensure_ascii=False))
    return 1 if refused else 0


def _calc_lines(lines: Iterable[str], out: TextIO) -> int:
    """One answer line for each request line; a refused line does not stop the others."""
    for line in lines:
        if not line.strip():
            continue
        try:
            asked = _parsed(line)
            if not isinstance(asked, dict) or not isinstance(asked.get("operation"), str):
                raise BadInput("bad_line", 'A line is {"operation": …, "request": …}.', None)
            answer = _ask(asked["operation"], asked.get("request", {}))
        except AmpleError as error:
            answer = {"error": error.as_dict()}
        out.write(json.dumps(answer, ensure_ascii=False) + "\n")
        out.flush()
    return 0


def _answer(name: str, text: str) -> tuple[dict[str, Any], bool]:
    try:
        return _ask(name, _parsed(text)), False
    except AmpleError as error:
        return {"error": error.as_dict()}, True


def _ask(name: str, request: object) -> dict[str, Any]:
    from ample.core.operations import ask

    return ask(name, request)


def _parsed(text: str) -> object:
    if len(text) > LONGEST_LINE:
        raise BadInput("too_long", "A request has at most 512 KiB.", None)
    try:
        return json.loads(text or "{}")
    except (ValueError, RecursionError) as error:
        raise BadInput("bad_json", f"This is not valid JSON: {str(error)[:120]}.", None) from error


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
