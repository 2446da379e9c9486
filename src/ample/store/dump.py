"""The whole database as one file, and back again."""

from __future__ import annotations

import gzip
import os
import shutil
import subprocess
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from ample.core.errors import AmpleError, BadInput
from ample.store.database import Address, Database

HEAD = b"-- ample backup 1\n"
TAIL = b"-- Dump completed"
BLOCK = 1 << 20


class DumpFailed(AmpleError):
    """The database's own tool said no."""


@contextmanager
def _credentials(url: str) -> Iterator[tuple[str, str]]:
    """An option file that only we can read, so that the password is on no command line."""
    a = Address.of(url)
    with tempfile.NamedTemporaryFile("w", prefix="ample-", suffix=".cnf") as file:
        os.chmod(file.name, 0o600)
        quoted = a.password.replace("\\", "\\\\").replace('"', '\\"')
        file.write(
            f'[client]\nhost={a.host}\nport={a.port}\nuser={a.user}\npassword="{quoted}"\nprotocol=tcp\n'
        )
        file.flush()
        yield file.name, a.name


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
    try:
        with _credentials(url) as (options, name), gzip.open(part, "wb", compresslevel=6) as out:
            out.write(HEAD)
            command = [
                _tool("mariadb-dump"), f"--defaults-file={options}", "--single-transaction", "--hex-blob",
                "--skip-lock-tables", "--default-character-set=utf8mb4", "--no-tablespaces", name,
            ]  # fmt: skip
            with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.PIPE) as dump:
                assert dump.stdout is not None
                assert dump.stderr is not None
                shutil.copyfileobj(dump.stdout, out, BLOCK)
                said = dump.stderr.read().decode(errors="replace").strip()
            if dump.returncode:
                raise DumpFailed("dump_failed", f"The backup failed: {said[-300:]}")
        os.chmod(part, 0o600)
        part.replace(target)
    except OSError as error:
        raise DumpFailed("cannot_write", f"{target} cannot be written: {error.strerror}.") from error
    finally:
        part.unlink(missing_ok=True)
    return target.stat().st_size


def check_dump(source: Path) -> None:
    """Refuse what is no complete backup of ours, before anything is touched."""
    last = b""
    try:
        with gzip.open(source, "rb") as file:
            if file.read(len(HEAD)) != HEAD:
                raise BadInput("no_backup", f"{source} is no backup of Ample.")
            while block := file.read(BLOCK):
                last = (last + block)[-400:]
    except FileNotFoundError as error:
        raise BadInput("no_file", f"There is no file {source}.") from error
    except (OSError, EOFError) as error:
        raise BadInput("no_backup", f"{source} is no backup of Ample, or it is broken.") from error
    if TAIL not in last:
        raise BadInput("cut_off", f"{source} is cut off: the end of the backup is missing.")


def read_dump(url: str, source: Path) -> None:
    """Put a backup in the place of all that the database holds."""
    check_dump(source)
    database = Database(url)
    tables = database.run(lambda t: [str(next(iter(row.values()))) for row in t.rows("SHOW TABLES")])
    with _credentials(url) as (options, name), gzip.open(source, "rb") as file:
        command = [_tool("mariadb"), f"--defaults-file={options}", "--default-character-set=utf8mb4", name]
        with subprocess.Popen(command, stdin=subprocess.PIPE, stderr=subprocess.PIPE) as load:
            assert load.stdin is not None
            assert load.stderr is not None
            load.stdin.write(b"SET FOREIGN_KEY_CHECKS = 0;\n")
            for table in tables:
                load.stdin.write(b"DROP TABLE IF EXISTS `" + table.encode() + b"`;\n")
            shutil.copyfileobj(file, load.stdin, BLOCK)
            load.stdin.close()
            said = load.stderr.read().decode(errors="replace").strip()
        if load.returncode:
            raise DumpFailed("restore_failed", f"The restore failed: {said[-300:]}")
    database.run(lambda t: t.change("UPDATE catalogue_state SET revision = UNIX_TIMESTAMP()"))
    database.close()
