"""A backup a day, proved by restoring it beside the shop's data, kept by days and weeks.

A process of its own beside the server: it looks every minute whether today's is due.
"""

from __future__ import annotations

import os
import shutil
import signal
import sys
import threading
from collections.abc import Iterable
from dataclasses import replace
from datetime import datetime
from pathlib import Path
from types import FrameType

from ample.core.errors import AmpleError
from ample.store.dump import write_dump
from ample.store.last_backup import FOLDER, LastBackup, keep
from ample.store.restore import prove

DAYS_KEPT, WEEKS_KEPT = 7, 8
HOUR = 2
LOOK_SECONDS, FIRST_SECONDS, AGAIN_SECONDS = 60.0, 600.0, 3600.0
LEAST_FREE_BYTES = 200 * 1024 * 1024
_PATTERN = "shop-%Y%m%d-%H%M%S.sql.gz"


def made_at(file: Path) -> datetime | None:
    """When a backup was made, by its name; None when it is not one of ours."""
    try:
        return datetime.strptime(file.name, _PATTERN)
    except ValueError:
        return None


def is_due(made: Iterable[datetime], now: datetime, hour: int = HOUR) -> bool:
    """Whether today's backup is still to be made: one a day, not before the hour."""
    return now.hour >= hour and all(moment.date() != now.date() for moment in made)


def to_keep(made: Iterable[datetime], now: datetime) -> set[datetime]:
    """The newest of each of the last days and of each of the last weeks, and always the newest of all."""
    newest_first = sorted(made, reverse=True)
    kept = set(newest_first[:1])
    for limit, period in ((DAYS_KEPT, _day), (WEEKS_KEPT, _week)):
        seen: dict[object, datetime] = {}
        for moment in newest_first:
            seen.setdefault(period(moment), moment)
        kept |= set(list(seen.values())[:limit])
    return kept


def _day(moment: datetime) -> object:
    return moment.date()


def _week(moment: datetime) -> object:
    return moment.isocalendar()[:2]


def make_one(url: str, home: Path, now: datetime) -> LastBackup:
    """Make, prove and keep today's backup; what became of it, also written beside the backups."""
    folder = home / FOLDER
    folder.mkdir(mode=0o700, exist_ok=True)
    target = folder / now.strftime(_PATTERN)
    last = LastBackup(now.isoformat(timespec="seconds"), target.name, False, "")
    try:
        free = shutil.disk_usage(folder).free
        if free < LEAST_FREE_BYTES:
            raise AmpleError("full", f"Only {free // 2**20} MiB are free: no backup was made.")
        size = write_dump(url, target)
        rows = prove(url, target)
        words = f"restored beside the shop's data: {rows} rows, all there"
        last = replace(last, proved=True, size_bytes=size, rows=rows, words=words)
        _prune(folder, now)
    except AmpleError as error:
        if target.exists():
            target.replace(target.with_name(f"{target.name}.unproved"))
        last = replace(last, words=error.message)
    keep(home, last)
    return last


def _prune(folder: Path, now: datetime) -> None:
    made = {moment: file for file in folder.iterdir() if (moment := made_at(file)) is not None}
    for moment in set(made) - to_keep(made, now):
        made[moment].unlink()


def main() -> int:
    """Look every minute whether today's backup is due, until asked to stop."""
    ended = threading.Event()

    def stop(number: int, frame: FrameType | None) -> None:
        ended.set()

    for number in (signal.SIGTERM, signal.SIGINT):
        signal.signal(number, stop)
    url, home = os.environ["AMPLE_DATABASE_URL"], Path(os.environ["AMPLE_HOME"])
    hour = int(os.environ.get("AMPLE_BACKUP_HOUR", HOUR))
    wait = FIRST_SECONDS  # a shop that is just being opened has other things to do
    while not ended.wait(wait):
        wait = LOOK_SECONDS
        made = [moment for file in (home / FOLDER).glob("*") if (moment := made_at(file)) is not None]
        now = datetime.now()
        if is_due(made, now, hour):
            last = make_one(url, home, now)
            print(f"{last.at} {last.file}: {last.words}", file=sys.stderr, flush=True)
            wait = LOOK_SECONDS if last.proved else AGAIN_SECONDS
    return 0


if __name__ == "__main__":
    sys.exit(main())
