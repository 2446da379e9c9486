"""`./ample backup FILE` and `./ample restore FILE`: the whole shop's data."""

from __future__ import annotations

from pathlib import Path

from ample.core.errors import BadInput
from ample.home import home_directory, open_database
from ample.prepare import say
from ample.store.dump import check_dump, write_dump
from ample.store.restore import change_back
from ample.store.restore import restore as put_in_place


def backup(arguments: list[str]) -> int:
    """Write the shop's data into a new file; the shop may be open meanwhile."""
    target = _file(arguments, "backup")
    home = home_directory()
    with open_database(home, may_run=True) as url:
        size = write_dump(url, target)
    say(f"{target}: {size / 1e6:.1f} MB")
    return 0


def restore(arguments: list[str]) -> int:
    """Put a backup in the place of the shop's data; what was there before is kept and named."""
    if arguments[:1] == ["--kept"]:
        return _kept(arguments[1:])
    source = _file(arguments, "restore")
    check_dump(source)
    home = home_directory()
    with open_database(home, may_run=False) as url:
        kept = put_in_place(url, source, say)
    if kept is None:
        say(f"restored from {source}; there was nothing before")
        return 0
    say(f"restored from {source}; what was there before is kept in the database as {kept}")
    say(f"to go back to it: ./ample restore --kept {kept}")
    return 0


def _kept(arguments: list[str]) -> int:
    if len(arguments) != 1:
        raise BadInput("one_name", "./ample restore --kept NAME: give the name that an earlier restore told.")
    with open_database(home_directory(), may_run=False) as url:
        other = change_back(url, arguments[0])
    say(f"{arguments[0]} is the shop's data again; what was there before is kept as {other}")
    return 0


def _file(arguments: list[str], command: str) -> Path:
    if len(arguments) != 1:
        raise BadInput("one_file", f"./ample {command} FILE: give one file.")
    return Path(arguments[0]).resolve()
