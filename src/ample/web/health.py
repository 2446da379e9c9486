"""Whether the shop is well: the database answers, stores, and has room."""

from __future__ import annotations

import shutil
import threading
import time
from pathlib import Path

from pydantic import BaseModel

from ample.store import Database, DatabaseAway
from ample.store.last_backup import FOLDER, LastBackup, last_backup

LOOKED_SECONDS = 1.0  # whoever asks more often gets the last answer
FULL_BYTES = 32 * 1024 * 1024  # a database that died of it gives its temporary files back


class Health(BaseModel):
    """Whether the server, its database and its disk do what they should, and in words what does not."""

    ok: bool
    database: bool
    stores: bool
    words: str


class Backup(BaseModel):
    """The last daily backup and how many are kept; nothing before the first."""

    last: LastBackup | None
    kept: int


def backup_of(home: Path) -> Backup:
    """What became of the last daily backup."""
    return Backup(last=last_backup(home), kept=len(list((home / FOLDER).glob("shop-*.sql.gz"))))


class HealthKeeper:
    """Looks by really storing something, at most once a second."""

    def __init__(self, database: Database, home: Path) -> None:
        self._database = database
        self._home = home
        self._lock = threading.Lock()
        self._seen: tuple[float, Health] | None = None

    def look(self) -> Health:
        """The health of a moment ago."""
        with self._lock:
            if self._seen is None or time.monotonic() > self._seen[0]:
                found = self._looked()
                self._seen = (time.monotonic() + LOOKED_SECONDS, found)
            return self._seen[1]

    def _looked(self) -> Health:
        try:
            self._database.run(
                lambda t: t.change("UPDATE counters SET value = value + 1 WHERE name = 'health'")
            )
        except DatabaseAway as error:
            told = why_away(error, self._home)
            answers = told.code != "database_away" and self._database.reachable()
            return Health(ok=False, database=answers, stores=False, words=f"{told.message} {told.hint or ''}")
        return Health(ok=True, database=True, stores=True, words="")


def why_away(error: DatabaseAway, home: Path) -> DatabaseAway:
    """The same trouble; a full disk is named when there is one."""
    try:
        free = shutil.disk_usage(home).free
    except OSError:
        return error
    return DatabaseAway.full() if free < FULL_BYTES else error
