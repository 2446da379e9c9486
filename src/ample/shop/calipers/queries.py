"""SQL of calipers that send."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from ample.base.numbers import next_number
from ample.shop.calipers.records import Caliper, CaliperReading
from ample.store import Transaction

KEPT = timedelta(hours=12)


def all_calipers(t: Transaction) -> list[Caliper]:
    """Every caliper with its state."""
    rows = t.rows(
        """
        SELECT caliper_id, name, host, port, state, words, battery_percent, version
        FROM calipers
        ORDER BY caliper_id
        """
    )
    return [Caliper(**row) for row in rows]


def add_caliper(t: Transaction, name: str, host: str, port: int) -> int:
    """A new caliper."""
    return t.insert(
        "INSERT INTO calipers (name, host, port) VALUES (%(name)s, %(host)s, %(port)s)",
        {"name": name, "host": host, "port": port},
    )


def caliper_named(t: Transaction, name: str) -> dict[str, Any] | None:
    """A caliper by its instrument's name, locked until the transaction ends."""
    return t.first(
        "SELECT caliper_id, name, host, port, version FROM calipers WHERE name = %(name)s FOR UPDATE",
        {"name": name},
    )


def move_caliper(t: Transaction, name: str, host: str, port: int) -> None:
    """Another address for a caliper that is listed."""
    t.change(
        """
        UPDATE calipers
        SET host = %(host)s, port = %(port)s, version = version + 1
        WHERE name = %(name)s
        """,
        {"name": name, "host": host, "port": port},
    )


def drop_caliper(t: Transaction, caliper_id: int) -> int:
    """Forget a caliper; how many there were."""
    return t.change("DELETE FROM calipers WHERE caliper_id = %(caliper_id)s", {"caliper_id": caliper_id})


def set_state(
    t: Transaction, caliper_id: int, state: str, words: str, battery_percent: int | None, now: datetime
) -> None:
    """What is known of a caliper now; a battery level not reported is kept."""
    t.change(
        """
        UPDATE calipers
        SET
            state = %(state)s,
            words = %(words)s,
            battery_percent = COALESCE(%(battery)s, battery_percent),
            heard_at = %(now)s
        WHERE caliper_id = %(caliper_id)s
        """,
        {"caliper_id": caliper_id, "state": state, "words": words, "battery": battery_percent, "now": now},
    )


def add_reading(t: Transaction, caliper_id: int, typed: str, unit: str, now: datetime) -> None:
    """Keep a reading for the benches that listen, who ask for what came after the last one they have.

    Of two that are sent at once the later number is stored later: nobody who has it can miss the other.
    """
    t.change(
        """
        INSERT INTO caliper_readings (reading_id, caliper_id, typed, unit, received_at)
        VALUES (%(reading_id)s, %(caliper_id)s, %(typed)s, %(unit)s, %(now)s)
        """,
        {
            "reading_id": next_number(t, "caliper_reading"),
            "caliper_id": caliper_id,
            "typed": typed,
            "unit": unit,
            "now": now,
        },
    )


def readings_after(t: Transaction, after: int) -> list[CaliperReading]:
    """What was sent after a reading, in order."""
    rows = t.rows(
        """
        SELECT r.reading_id, c.name, r.typed, r.unit
        FROM caliper_readings r
        JOIN calipers c ON c.caliper_id = r.caliper_id
        WHERE r.reading_id > %(after)s
        ORDER BY r.reading_id
        LIMIT 50
        """,
        {"after": after},
    )
    return [CaliperReading(**row) for row in rows]


def last_reading(t: Transaction) -> int:
    """The number of the last reading that can be seen; 0 before the first."""
    return int(t.single_value("SELECT value FROM counters WHERE name = 'caliper_reading'"))


def drop_old_readings(t: Transaction, now: datetime) -> None:
    """Readings that no bench took are not kept: the sheets hold what was taken."""
    t.change("DELETE FROM caliper_readings WHERE received_at < %(before)s", {"before": now - KEPT})


def networks(t: Transaction) -> list[str]:
    """Where calipers may be, beside this machine."""
    return [str(row["network"]) for row in t.rows("SELECT network FROM caliper_networks ORDER BY network")]


def set_networks(t: Transaction, wanted: list[str]) -> None:
    """Say where calipers may be."""
    t.change("DELETE FROM caliper_networks")
    for network in wanted:
        t.change("INSERT INTO caliper_networks (network) VALUES (%(network)s)", {"network": network})
