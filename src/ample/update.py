"""Bringing a shop to a newer program: what it would migrate, a backup before it, and the way back.

`./ample update-check`, run in the newer checkout, changes nothing; `start` asks the same before it migrates.
"""

from __future__ import annotations

import os
import time
from datetime import datetime
from pathlib import Path

from ample.core.errors import Conflict
from ample.home import home_directory, open_database
from ample.prepare import ROOT, say
from ample.store import Database
from ample.store.dump import write_dump
from ample.store.last_backup import FOLDER
from ample.store.migrate import Step, of_a_newer_program, pending
from ample.store.restore import prove


def update_check(arguments: list[str]) -> int:
    """Say what this checkout would migrate, back up, try it on a copy, and say how to go back."""
    if arguments:
        say("update-check: run it in the newer checkout, with AMPLE_HOME as the shop has it")
        return 2
    home = home_directory()
    with open_database(home, may_run=True) as url:
        refuse_newer(url)
        steps = pending(url)
        if not steps:
            say("nothing to migrate: this checkout opens the shop as it is")
            return 0
        for step in steps:
            say(f"would apply {step.name}: {step.words}")
        if is_empty(url):
            say("the shop is empty: nothing needs to be backed up")
            return 0
        file = back_up_before(url, home)
        begun = time.monotonic()
        rows = prove(url, file)
        say(
            f"tried on a copy: {rows} rows migrated in {time.monotonic() - begun:.1f} s; the shop is unchanged"
        )
        say(f"`{ROOT}/ample start` migrates the shop itself")
        _way_back(file, home)
    return 0


def before_migrating(url: str, home: Path) -> list[Step]:
    """Refuse data of a newer program; back up a shop that is about to be migrated."""
    refuse_newer(url)
    steps = pending(url)
    if steps and not is_empty(url):
        say(f"this program is newer than the data: {len(steps)} steps to apply")
        file = back_up_before(url, home)
        _way_back(file, home)
    return steps


def refuse_newer(url: str) -> None:
    """Refuse data that a newer program has migrated: an older one would read it wrongly."""
    newer = of_a_newer_program(url)
    if newer:
        raise Conflict(
            "newer_data",
            f"A newer Ample has opened this shop (its steps {', '.join(newer[:3])}): this one cannot.",
            None,
            "Start the newer checkout; or go back with ./ample restore and the backup made before the update.",
        )


def back_up_before(url: str, home: Path) -> Path:
    """The shop as it is, beside the daily backups; it is not deleted with them."""
    folder = home / FOLDER
    folder.mkdir(mode=0o700, exist_ok=True)
    file = folder / f"before-update-{datetime.now():%Y%m%d-%H%M%S}.sql.gz"
    size = write_dump(url, file)
    say(f"backed up first: {file} ({size / 1e6:.1f} MB)")
    return file


def is_empty(url: str) -> bool:
    """Whether nobody has ever used this shop."""
    database = Database(url, most=1)
    try:
        return not database.look(
            lambda t: (
                t.single_value(
                    """
                SELECT EXISTS (
                    SELECT 1
                    FROM information_schema.tables
                    WHERE table_schema = DATABASE() AND table_name = 'people'
                )
                """
                )
                and t.single_value("SELECT EXISTS (SELECT 1 FROM people)")
            )
        )
    finally:
        database.close()


def _way_back(file: Path, home: Path) -> None:
    ours = os.environ.get("AMPLE_HOME")
    where = f"AMPLE_HOME={home} " if ours else ""
    say(f"to go back: stop the shop, and in the older checkout: {where}./ample restore {file}")
    say("what was typed after the update is not in that backup")
