"""What became of the last daily backup: written by the process that makes it, read by the Shop screen."""

from __future__ import annotations

import json
from dataclasses import asdict, dataclass
from pathlib import Path

FOLDER, FILE = "backups", "last.json"


@dataclass(frozen=True)
class LastBackup:
    """One daily backup: when it was made, its file, and whether restoring it proved that it is whole."""

    at: str
    file: str
    proved: bool
    words: str
    size_bytes: int = 0
    rows: int = 0


def keep(home: Path, last: LastBackup) -> None:
    """Write it down, whole or not at all."""
    part = home / FOLDER / f".{FILE}"
    part.write_text(json.dumps(asdict(last)))
    part.replace(home / FOLDER / FILE)


def last_backup(home: Path) -> LastBackup | None:
    """What became of the last one; None before the first, or when it cannot be read."""
    try:
        return LastBackup(**json.loads((home / FOLDER / FILE).read_text()))
    except (OSError, ValueError, TypeError):
        return None
