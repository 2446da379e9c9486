"""A newer program over an older shop: what it would migrate is said, backed up first, tried, and can be undone."""

import os
import re
import subprocess
import sys
from functools import partial
from pathlib import Path

import pytest

from ample.core.errors import Conflict
from ample.store import Database, Transaction
from ample.store.database import Address
from ample.store.dump import check_dump
from ample.store.migrate import migrate, of_a_newer_program, pending
from ample.store.restore import fill, restore
from ample.update import before_migrating, is_empty
from tests.template import started

OLDER = Path(__file__).parent / "shops" / "shop-0009.sql.gz"


@pytest.fixture
def shop(tmp_path):
    made = started("empty", tmp_path / "home")
    yield made
    made.stop()


@pytest.fixture
def older(shop):
    """A shop as an earlier version left it."""
    database = Database(shop.url)
    database.run(lambda t: t.change("DROP DATABASE ample"))
    database.close()
    shop._make_user()
    fill(Address.of(shop.url), OLDER, check_dump(OLDER))
    return shop


def held(url):
    database = Database(url)
    try:
        tables = ("people", "jobs", "parts", "readings", "audit", "gate_passes", "photos")
        return {
            name: database.run(partial(Transaction.single_value, sql=f"SELECT COUNT(*) FROM {name}"))
            for name in tables
        }
    finally:
        database.close()


def check(shop):
    done = subprocess.run(
        [sys.executable, "-m", "ample.command_line", "update-check"],
        env=os.environ | {"AMPLE_DATABASE_URL": shop.url, "AMPLE_HOME": str(shop.home)},
        capture_output=True, text=True, timeout=120,
    )  # fmt: skip
    return done.returncode, done.stderr


def test_a_shop_of_today_has_nothing_to_migrate(shop):
    assert pending(shop.url) == []
    assert check(shop) == (0, "ample: nothing to migrate: this checkout opens the shop as it is\n")


@pytest.mark.long
def test_an_older_shop_is_backed_up_tried_and_left_as_it_is(older):
    before, steps = held(older.url), pending(older.url)
    assert steps
    assert all(step.words for step in steps)
    code, said = check(older)
    assert code == 0, said
    for step in steps:
        assert f"would apply {step.name}" in said
    assert re.search(r"tried on a copy: \d+ rows migrated in", said)
    assert (held(older.url), pending(older.url)) == (before, steps)


@pytest.mark.long
def test_and_goes_back_to_what_it_was(older):
    before = held(older.url)
    before_migrating(older.url, older.home)
    migrate(older.url)
    assert pending(older.url) == []
    Database(older.url).run(lambda t: t.change("DELETE FROM readings"))
    (file,) = (older.home / "backups").glob("before-update-*.sql.gz")
    restore(older.url, file, lambda _: None)
    assert held(older.url) == before


def test_data_of_a_newer_program_is_refused_in_words(shop):
    Database(shop.url).run(
        lambda t: t.change(
            """
            INSERT INTO _yoyo_migration (migration_hash, migration_id, applied_at_utc)
            VALUES ('abc', '0999_from_tomorrow', UTC_TIMESTAMP())
            """
        )
    )
    assert of_a_newer_program(shop.url) == ["0999_from_tomorrow"]
    with pytest.raises(Conflict, match="newer Ample"):
        before_migrating(shop.url, shop.home)
    code, said = check(shop)
    assert (code, "newer Ample" in said) == (1, True)


def test_an_empty_shop_needs_no_backup(shop):
    assert is_empty(shop.url)
    before_migrating(shop.url, shop.home)
    assert not list((shop.home / "backups").glob("*"))
