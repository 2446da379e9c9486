"""The catalogue laid out for identification, kept in memory until it changes."""

from __future__ import annotations

import gc
import threading
from dataclasses import dataclass

from ample.core.designation import Dialect, read_dialect
from ample.core.identify import Catalogue, Entry
from ample.core.identify.catalogue import usual_weight
from ample.shop.catalogue import queries
from ample.shop.catalogue.records import Item
from ample.store import Database, Transaction

MET_BEFORE, ON_THE_SHELF = 0.5, 0.3


@dataclass(frozen=True)
class ShopIndex:
    """What identification needs of the shop: catalogue and dialects, of one revision."""

    revision: int
    catalogue: Catalogue | None
    dialects: tuple[Dialect, ...]


class ShopIndexKeeper:
    """Holds the index of each worker; made anew when the catalogue's revision has moved."""

    def __init__(self, database: Database) -> None:
        self._database = database
        self._lock = threading.Lock()
        self._index: ShopIndex | None = None

    def prime(self, database: Database) -> None:
        """Make the index with another connection, before worker processes part."""
        self._index = _kept(database.run(build_index))

    def current(self) -> ShopIndex:
        """The index of today's catalogue."""
        return self.at(self._database.look(queries.revision))

    def at(self, revision: int) -> ShopIndex:
        """The index of this revision of the catalogue."""
        index = self._index
        if index is None or index.revision != revision:
            with self._lock:
                if self._index is None or self._index.revision != revision:
                    self._index = _kept(self._database.run(build_index))
                index = self._index
        return index


def _kept(index: ShopIndex) -> ShopIndex:
    """The index lives as long as its worker: the collector need not walk it again and again."""
    gc.collect()
    gc.freeze()
    return index


def build_index(t: Transaction) -> ShopIndex:
    """Read the whole catalogue and lay it out."""
    items = queries.all_items(t)
    entries = [Entry(item.spec, item.marking, _weight(item), item.item_id) for item in items]
    catalogue = Catalogue.of(entries) if entries else None
    return ShopIndex(queries.revision(t), catalogue, tuple(dialects(t).values()))


def _weight(item: Item) -> float:
    """How often a part is met: its series, then what the shop stocks and has confirmed."""
    usual = usual_weight(item.spec)
    return usual * (1 + MET_BEFORE * item.confirmed_count + ON_THE_SHELF * (item.stock_quantity > 0))


def dialects(t: Transaction) -> dict[str, Dialect]:
    """Every maker's dialect by the maker's name."""
    rows: dict[str, list[dict[str, str]]] = {}
    for row in queries.dialect_codes(t):
        rows.setdefault(row.pop("maker"), []).append(row)
    return {maker: read_dialect(maker, codes) for maker, codes in rows.items()}
