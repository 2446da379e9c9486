"""The catalogue's index of each worker, kept in memory until the catalogue changes."""

from __future__ import annotations

import gc
import threading
from pathlib import Path

from flask import current_app

from ample.shop.catalogue import queries
from ample.shop.catalogue.index import ShopIndex, with_dialects
from ample.shop.catalogue.kept import index_of
from ample.shop.catalogue.queries import Revision
from ample.store import Database


class ShopIndexKeeper:
    """Holds the index of each worker; made anew when items have changed, and only read differently when a
    dialect has: laying out the items takes seconds, reading the codes milliseconds.
    """

    def __init__(self, database: Database, home: Path | None = None) -> None:
        self._database = database
        self._home = home
        self._lock = threading.Lock()
        self._index: ShopIndex | None = None

    def prime(self, database: Database) -> None:
        """Make the index with another connection, before worker processes part."""
        self._index = _kept(index_of(database, self._home))

    def current(self) -> ShopIndex:
        """The index of today's catalogue."""
        return self.at(self._database.look(queries.revision))

    def at(self, revision: Revision) -> ShopIndex:
        """The index of this revision of the catalogue."""
        index = self._index
        if index is None or index.revision != revision:
            with self._lock:
                index = self._index = self._brought_to(revision)
        return index

    def _brought_to(self, revision: Revision) -> ShopIndex:
        held = self._index
        if held is None or held.revision.items < revision.items:
            return _kept(index_of(self._database, self._home))
        if held.revision.dialects < revision.dialects:
            return self._database.read(lambda t: with_dialects(t, held))
        return held


def _kept(index: ShopIndex) -> ShopIndex:
    """The index lives as long as its worker: the collector need not walk it again and again."""
    gc.collect()
    gc.freeze()
    return index


def index_keeper() -> ShopIndexKeeper:
    """The keeper of this application."""
    found: ShopIndexKeeper = current_app.extensions["ample-index"]
    return found


def current_index() -> ShopIndex:
    """The index of today's catalogue."""
    return index_keeper().current()
