"""Who has a shop open: written by whoever serves it, read by whoever would replace its data.

It stands in the shop's own database, so it is seen from every machine, whoever owns the database.
"""

from __future__ import annotations

import os
import secrets
import socket
import time

from ample.store.database import Database, Transaction

FRESH_SECONDS = 12
_TABLE = """
    CREATE TABLE IF NOT EXISTS open_shops (
        shop_id CHAR(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
        who VARCHAR(120) NOT NULL,
        alive_at DATETIME(6) NOT NULL
    ) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci
"""


class Presence:
    """One open shop's own sign; `show` it every few seconds, `leave` when it closes."""

    def __init__(self, url: str) -> None:
        self._database = Database(url, most=1)
        self.shop_id = f"{int(time.time()):08x}{secrets.token_hex(4)}"  # the oldest sorts first
        self._made = False
        self._who = f"process {os.getpid()} on {socket.gethostname()}"[:120]

    def show(self) -> None:
        """It is open now; signs of shops that ended without a word are forgotten after a while."""
        self._database.run(self._shown, repeatable=True)

    def _shown(self, t: Transaction) -> None:
        if not self._made:
            t.change(_TABLE)
            self._made = True
        t.change("DELETE FROM open_shops WHERE alive_at < UTC_TIMESTAMP(6) - INTERVAL 1 DAY")
        t.change(
            """
            INSERT INTO open_shops (shop_id, who, alive_at)
            VALUES (%(shop_id)s, %(who)s, UTC_TIMESTAMP(6))
            ON DUPLICATE KEY UPDATE alive_at = VALUES(alive_at)
            """,
            {"shop_id": self.shop_id, "who": self._who},
        )

    def leave(self) -> None:
        """It is closed."""
        self._database.run(
            lambda t: t.change("DELETE FROM open_shops WHERE shop_id = %(id)s", {"id": self.shop_id})
        )
        self._database.close()


def who_has_it_open(t: Transaction) -> str | None:
    """One who has shown that the shop is open within the last seconds."""
    t.change(_TABLE)
    row = t.first(
        """
        SELECT who
        FROM open_shops
        WHERE alive_at > UTC_TIMESTAMP(6) - INTERVAL %(fresh)s SECOND
        ORDER BY alive_at DESC
        """,
        {"fresh": FRESH_SECONDS},
    )
    return str(row["who"]) if row else None


def leads(t: Transaction, shop_id: str) -> bool:
    """Whether this shop is the one that does what only one may do: of several on one database, the oldest."""
    return bool(
        t.single_value(
            """
            SELECT COALESCE(MIN(shop_id), '') = %(shop_id)s
            FROM open_shops
            WHERE alive_at > UTC_TIMESTAMP(6) - INTERVAL %(fresh)s SECOND
            """,
            {"shop_id": shop_id, "fresh": FRESH_SECONDS},
        )
    )
