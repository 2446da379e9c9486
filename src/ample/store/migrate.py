"""Bringing a database to today's shape: plain SQL migrations, each applied once.

A new shop gets the baseline and what follows it. A shop that was opened before the baseline was written first
gets what it lacks of the `earlier/` steps; the baseline then finds all of it there.
"""

from __future__ import annotations

import os
from dataclasses import dataclass
from pathlib import Path
from urllib.parse import quote

from yoyo import get_backend, read_migrations
from yoyo.backends import DatabaseBackend
from yoyo.exceptions import LockTimeout

from ample.core.errors import Conflict
from ample.store.database import Address

MIGRATIONS = Path(__file__).with_name("migrations")
EARLIER = MIGRATIONS / "earlier"


def migrate(url: str) -> int:
    """Apply what has not been applied yet; how many steps were."""
    backend = backend_of(url)
    try:
        _forget_dead_lock(backend)
        with backend.lock():
            applied = set(backend.get_applied_migration_hashes())
            begun = any(each.hash in applied for each in read_migrations(str(EARLIER)))
            done = _apply(backend, EARLIER) if begun else 0
            return done + _apply(backend, MIGRATIONS)
    except LockTimeout as error:
        raise Conflict(
            "migrating",
            "Another process is bringing this database up to date.",
            None,
            "Try again in a minute.",
        ) from error
    finally:
        backend.connection.close()


@dataclass(frozen=True)
class Step:
    """One step of the migrations: its name, and what it is for in words."""

    name: str
    words: str


def pending(url: str) -> list[Step]:
    """What `migrate` would apply to this database, in order; an empty database gets all of it."""
    backend = backend_of(url)
    try:
        backend.ensure_internal_schema_updated()
        applied = set(backend.get_applied_migration_hashes())
        folders = [MIGRATIONS]
        if any(each.hash in applied for each in read_migrations(str(EARLIER))):
            folders.insert(0, EARLIER)
        steps = [each for folder in folders for each in backend.to_apply(read_migrations(str(folder)))]
        return [Step(each.id, _words(Path(each.path))) for each in steps]
    finally:
        backend.connection.close()


def of_a_newer_program(url: str) -> list[str]:
    """Steps that were applied to this database and that this program does not know."""
    backend = backend_of(url)
    try:
        backend.ensure_internal_schema_updated()
        known = {each.id for folder in (EARLIER, MIGRATIONS) for each in read_migrations(str(folder))}
        rows = backend.execute(f"SELECT migration_id FROM {backend.migration_table_quoted}").fetchall()
        backend.rollback()
        return sorted(str(row[0]) for row in rows if row[0] not in known)
    finally:
        backend.connection.close()


def _words(file: Path) -> str:
    """The comment that a step begins with."""
    lines = []
    for line in file.read_text(encoding="utf-8").splitlines():
        if not line.startswith("--"):
            break
        lines.append(line[2:].strip())
    return " ".join(lines)


def backend_of(url: str) -> DatabaseBackend:
    """What applies the steps to the database at this address."""
    a = Address.of(url)
    return get_backend(
        f"mysql://{quote(a.user, safe='')}:{quote(a.password, safe='')}@{a.host}:{a.port}/{a.name}"
    )


def _apply(backend: DatabaseBackend, folder: Path) -> int:
    wanted = backend.to_apply(read_migrations(str(folder)))
    backend.apply_migrations(wanted)
    return len(wanted)


def _forget_dead_lock(backend: DatabaseBackend) -> None:
    """A process that was killed while it migrated left its lock; each step may be done twice."""
    backend.ensure_internal_schema_updated()
    row = backend.execute(f"SELECT pid FROM {backend.lock_table_quoted}").fetchone()
    backend.rollback()
    if row and not _lives(int(row[0])):
        backend.break_lock()


def _lives(pid: int) -> bool:
    try:
        os.kill(pid, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    return True
