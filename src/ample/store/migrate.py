"""Bringing a database to today's shape: plain SQL migrations, each applied once."""

from __future__ import annotations

from pathlib import Path
from urllib.parse import quote

from yoyo import get_backend, read_migrations

from ample.store.database import Address

MIGRATIONS = Path(__file__).with_name("migrations")


def migrate(url: str) -> int:
    """Apply what has not been applied yet; how many steps were."""
    a = Address.of(url)
    backend = get_backend(
        f"mysql://{quote(a.user, safe='')}:{quote(a.password, safe='')}@{a.host}:{a.port}/{a.name}"
    )
    migrations = read_migrations(str(MIGRATIONS))
    with backend.lock():
        wanted = backend.to_apply(migrations)
        backend.apply_migrations(wanted)
    backend.connection.close()
    return len(wanted)
