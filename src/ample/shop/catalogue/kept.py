"""The index of the catalogue in a file: laying it out takes seconds, reading it back one.

The file lies in the shop's own data directory and belongs to a catalogue and to the program that laid it out:
where either is another, it is laid out anew.
"""

from __future__ import annotations

import gc
import hashlib
import os
import pickle
import sys
import time
from functools import lru_cache
from pathlib import Path

import numpy as np

from ample.prepare import ROOT
from ample.shop.catalogue import queries
from ample.shop.catalogue.index import ShopIndex, build_index, with_dialects
from ample.store import Database

FILE = "catalogue-index.pickle"
SOURCES = ("core", "shop/catalogue")
KINDS = {".py", ".csv"}
LONGEST_SECONDS = 24 * 3600.0  # how often each item was confirmed is looked at anew after a day


def index_of(database: Database, home: Path | None) -> ShopIndex:
    """The index of today's catalogue, from the file where it is of just this catalogue."""
    if home is None:
        return database.read(build_index)
    revision = database.look(queries.revision)
    mark = _mark(database)
    held = _read(home / FILE, mark)
    if held is None:
        held = database.read(build_index)
        if _mark(database) == mark:  # nobody changed the items meanwhile
            _write(home / FILE, mark, held)
        return held
    return database.read(lambda t: with_dialects(t, held, revision))


def _mark(database: Database) -> str:
    """What the file must be of: the items to the last figure, and the code that lays them out."""
    return f"{_program()} {database.look(queries.items_checksum)}"


@lru_cache
def _program() -> str:
    total = hashlib.sha256(f"{sys.version} {np.__version__}".encode())
    for folder in SOURCES:
        for file in sorted((ROOT / "src" / "ample" / folder).rglob("*")):
            if file.suffix in KINDS:
                total.update(file.read_bytes())
    return total.hexdigest()


def _read(file: Path, mark: str) -> ShopIndex | None:
    """The index in the file, when it is of this mark; a file that others could have written is not read."""
    try:
        with file.open("rb") as held:
            owner = os.fstat(held.fileno())
            if owner.st_uid != os.getuid() or owner.st_mode & 0o022:
                return None
            if time.time() - owner.st_mtime > LONGEST_SECONDS:
                return None
            if held.readline().strip().decode(errors="replace") != mark:
                return None
            gc.disable()  # millions of things come at once and none of them is to go
            found: ShopIndex = pickle.load(held)
            return found
    except (OSError, pickle.UnpicklingError, EOFError, AttributeError, ImportError, IndexError):
        return None
    finally:
        gc.enable()


def _write(file: Path, mark: str, index: ShopIndex) -> None:
    part = file.with_name(f".{file.name}.{os.getpid()}")
    try:
        handle = os.open(part, os.O_CREAT | os.O_WRONLY | os.O_TRUNC, 0o600)
        with os.fdopen(handle, "wb") as out:
            out.write(f"{mark}\n".encode())
            pickle.dump(index, out, protocol=5)
        part.replace(file)
    except OSError:
        part.unlink(missing_ok=True)  # a full disk: it is laid out anew the next time
