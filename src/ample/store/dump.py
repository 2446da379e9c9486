"""The whole database as one file, and what such a file may hold.

The file is made by MariaDB's own dump tool. Nothing in it is ever run: the tables are made by our own
migrations, and of the file only rows of plain values are taken, each looked at first.
"""

from __future__ import annotations

import gzip
import os
import re
import shutil
import subprocess
import tempfile
import zlib
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from pathlib import Path

from ample.core.errors import AmpleError, BadInput
from ample.store.database import Address

HEAD = "-- ample backup 1\n"
TAIL = "-- Dump completed"
BLOCK = 1 << 20
NOT_DATA = ("open_shops", "restore_journal")  # who has the shop open, how far a restore is: of the moment
STEPS_TABLE = "_yoyo_migration"

_NAME = r"`([A-Za-z0-9_]{1,64})`"
_SKIPPED = re.compile(
    rf"\s*|--.*|/\*[!M].*\*/;?\s*|DROP TABLE IF EXISTS {_NAME};|LOCK TABLES {_NAME} WRITE;|UNLOCK TABLES;"
)
_CREATE = re.compile(rf"CREATE TABLE {_NAME} \(")
_COLUMN = re.compile(rf"  {_NAME} .*,?")
_KEY = re.compile(r"  (PRIMARY KEY|UNIQUE KEY|KEY|CONSTRAINT|FULLTEXT KEY) .*")
_CREATED = re.compile(r"\) ENGINE=InnoDB[ A-Za-z0-9_=]*;")
_INSERT = re.compile(rf"INSERT INTO {_NAME} VALUES(.*)", re.DOTALL)
_VALUE = re.compile(r"(NULL|0x[0-9A-F]+|-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?|'(?:[^'\\]|\\.|'')*')", re.DOTALL)


class DumpFailed(AmpleError):
    """The database's own tool said no."""


@dataclass
class Contents:
    """What a backup contains, table by table: columns and how many rows; and the steps its shop had."""

    columns: dict[str, list[str]] = field(default_factory=dict)
    counts: dict[str, int] = field(default_factory=dict)
    steps: set[str] = field(default_factory=set)


@contextmanager
def _credentials(a: Address) -> Iterator[str]:
    """An option file that only we can read, so that the password is on no command line."""
    with tempfile.NamedTemporaryFile("w", prefix="ample-", suffix=".cnf") as file:
        os.chmod(file.name, 0o600)
        quoted = a.password.replace("\\", "\\\\").replace('"', '\\"')
        file.write(
            f'[client]\nhost={a.host}\nport={a.port}\nuser={a.user}\npassword="{quoted}"\nprotocol=tcp\n'
        )
        file.flush()
        yield file.name


def _tool(name: str) -> str:
    found = shutil.which(name)
    if not found:
        raise DumpFailed("no_tool", f"{name} is missing: apt-get install mariadb-client.")
    return found


def write_dump(url: str, target: Path) -> int:
    """Write the whole database into a new file; the file appears only when it is complete.

    Returns the size of the file in bytes.
    """
    if target.exists():
        raise BadInput("exists", f"{target} exists already.", None, "Give another name.")
    part = target.with_name(f".{target.name}.part")
    a = Address.of(url)
    try:
        with _credentials(a) as options, gzip.open(part, "wb", compresslevel=6) as out:
            out.write(HEAD.encode())
            command = [
                _tool("mariadb-dump"), f"--defaults-file={options}", "--single-transaction", "--hex-blob",
                "--skip-lock-tables", "--default-character-set=utf8mb4", "--no-tablespaces",
                *(f"--ignore-table={a.name}.{name}" for name in NOT_DATA), a.name,
            ]  # fmt: skip
            with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.PIPE) as dump:
                assert dump.stdout is not None
                assert dump.stderr is not None
                shutil.copyfileobj(dump.stdout, out, BLOCK)
                said = dump.stderr.read().decode(errors="replace").strip()
            if dump.returncode:
                raise DumpFailed("dump_failed", f"The backup failed: {said[-300:]}")
        os.chmod(part, 0o600)
        with part.open("rb") as written:
            os.fsync(written.fileno())
        part.replace(target)
    except OSError as error:
        raise DumpFailed("cannot_write", f"{target} cannot be written: {error.strerror}.") from error
    finally:
        part.unlink(missing_ok=True)
    return target.stat().st_size


def check_dump(source: Path) -> Contents:
    """Read a backup from end to end; what is no complete backup of ours is refused before anything is touched."""
    found = Contents()
    for table, row in rows_of(source, found):
        found.counts[table] = found.counts.get(table, 0) + 1
        if table == STEPS_TABLE:
            found.steps.add(row.split(",")[1].strip("'"))
    if not found.steps:
        raise BadInput(
            "no_backup", f"{source} is not a backup of Ample: it does not say of which version it is."
        )
    return found


def rows_of(source: Path, contents: Contents | None = None) -> Iterator[tuple[str, str]]:
    """Every row as table and its values as they are written there, each a plain value.

    Refuses whatever else stands in the file, and a file that is cut off.
    """
    held = contents if contents is not None else Contents()
    try:
        with gzip.open(source, "rt", encoding="utf-8", newline="\n") as file:
            if file.readline(len(HEAD) + 1) != HEAD:
                raise BadInput("no_backup", f"{source} is not a backup of Ample.")
            yield from _Reader(source, held).rows(file)
    except FileNotFoundError as error:
        raise BadInput("no_file", f"There is no file {source}.") from error
    except (OSError, EOFError, UnicodeDecodeError, zlib.error) as error:
        raise BadInput("no_backup", f"{source} is not a backup of Ample, or it is damaged.") from error


class _Reader:
    """Reads the lines of a backup; a row never reaches over a line's end."""

    def __init__(self, source: Path, contents: Contents) -> None:
        self._source = source
        self._contents = contents
        self._number = 1
        self._creating: str | None = None
        self._filling: str | None = None
        self._complete = False

    def rows(self, file: Iterator[str]) -> Iterator[tuple[str, str]]:
        for line in file:
            self._number += 1
            if self._complete:
                raise self._refused()
            text = line.rstrip("\n")
            if self._creating:
                self._in_table(text)
            elif self._filling:
                yield from self._values(text)
            else:
                yield from self._statement(text)
        if not self._complete:
            raise BadInput("cut_off", f"{self._source} is cut off: the end of the backup is missing.")

    def _statement(self, text: str) -> Iterator[tuple[str, str]]:
        created, insert = _CREATE.fullmatch(text), _INSERT.fullmatch(text)
        if created:
            self._creating = created[1]
            self._contents.columns[created[1]] = []
        elif insert:
            if insert[1] not in self._contents.columns:
                raise self._refused()
            self._filling = insert[1]
            if insert[2].strip():
                yield from self._values(insert[2].strip())
        elif text.startswith(TAIL):
            self._complete = True
        elif not _SKIPPED.fullmatch(text):
            raise self._refused()

    def _in_table(self, text: str) -> None:
        assert self._creating is not None
        column = _COLUMN.fullmatch(text)
        if column:
            self._contents.columns[self._creating].append(column[1])
        elif _CREATED.fullmatch(text):
            self._creating = None
        elif not _KEY.fullmatch(text):
            raise self._refused()

    def _values(self, text: str) -> Iterator[tuple[str, str]]:
        """One line of an insert: rows in brackets, the last one of all ended by a semicolon."""
        assert self._filling is not None
        table, at = self._filling, 0
        width = len(self._contents.columns[table])
        while at < len(text):
            end, count = self._row(text, at)
            if count != width:
                raise self._refused()
            yield table, text[at + 1 : end - 1]
            after = text[end : end + 1]
            if after == ";" and end + 1 == len(text):
                self._filling = None
            elif after != ",":
                raise self._refused()
            at = end + 1

    def _row(self, text: str, at: int) -> tuple[int, int]:
        """Where a row's bracket closes, and how many values it has."""
        if text[at : at + 1] != "(":
            raise self._refused()
        count = 0
        while True:
            value = _VALUE.match(text, at + 1)
            if value is None:
                raise self._refused()
            count += 1
            at = value.end()
            mark = text[at : at + 1]
            if mark == ")":
                return at + 1, count
            if mark != ",":
                raise self._refused()

    def _refused(self) -> BadInput:
        return BadInput(
            "foreign_backup",
            f"{self._source}, line {self._number}: this does not belong in a backup of Ample. Nothing was touched.",
        )
