"""A backup a day: proved by restoring it beside the shop's data, kept by days and weeks."""

from datetime import datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.daily_backup import DAYS_KEPT, WEEKS_KEPT, is_due, made_at, make_one, to_keep
from ample.store import Database
from ample.store.last_backup import last_backup
from tests.template import started

NOW = datetime(2026, 11, 27, 3, 0)


def test_one_a_day_and_not_before_its_hour():
    assert is_due([], NOW)
    assert not is_due([NOW - timedelta(minutes=5)], NOW)
    assert is_due([NOW - timedelta(hours=23)], NOW)
    assert not is_due([], NOW.replace(hour=1))
    assert is_due([], NOW.replace(hour=1), hour=0)


def test_a_year_of_backups_leaves_a_week_of_days_and_two_months_of_weeks():
    made = [NOW - timedelta(days=n) for n in range(365)]
    kept = sorted(to_keep(made, NOW), reverse=True)
    assert kept[:DAYS_KEPT] == made[:DAYS_KEPT]
    assert len({moment.isocalendar()[:2] for moment in kept}) == WEEKS_KEPT
    assert len(kept) < DAYS_KEPT + WEEKS_KEPT
    assert kept[-1] >= NOW - timedelta(weeks=WEEKS_KEPT)


@given(st.lists(st.datetimes(datetime(2025, 1, 1), datetime(2026, 12, 31)), min_size=1, max_size=60))
def test_the_newest_is_always_kept_and_keeping_twice_is_keeping_once(made):
    kept = to_keep(made, NOW)
    assert max(made) in kept
    assert kept <= set(made)
    assert to_keep(kept, NOW) == kept


@pytest.mark.parametrize(
    "name", ["shop-20261127-030000.sql.gz.unproved", "last.json", "mine.sql.gz", "shop-2026.sql.gz"]
)
def test_a_file_that_is_not_ours_is_left_alone(tmp_path, name):
    assert made_at(tmp_path / name) is None


def test_a_backup_is_proved_and_the_proof_leaves_nothing_behind(tmp_path):
    shop = started("empty", tmp_path / "home")
    try:
        state = make_one(shop.url, tmp_path, NOW)
        assert state.proved is True, state
        assert (tmp_path / "backups" / state.file).stat().st_mode & 0o077 == 0
        names = Database(shop.url).run(lambda t: t.rows("SHOW DATABASES LIKE 'ample%%'", {}))
        assert [next(iter(row.values())) for row in names] == ["ample"]
    finally:
        shop.stop()


def test_a_backup_that_cannot_be_restored_is_said_so_and_counts_for_nothing(tmp_path):
    """Someone has put a table of their own into the shop's schema: the file is set apart, the earlier ones stay."""
    folder = tmp_path / "backups"
    folder.mkdir()
    earlier = folder / "shop-20260101-030000.sql.gz"
    earlier.write_bytes(b"x")
    shop = started("empty", tmp_path / "home")
    try:
        Database(shop.url).run(lambda t: t.change("CREATE TABLE stowaways (name VARCHAR(9))"))
        state = make_one(shop.url, tmp_path, NOW)
    finally:
        shop.stop()
    assert state.proved is False
    assert "stowaways" in state.words
    assert sorted(file.name for file in folder.glob("shop-*")) == [earlier.name, f"{state.file}.unproved"]
    assert last_backup(tmp_path) == state


def test_a_database_that_is_away_is_said_so(tmp_path):
    state = make_one("mysql://u:p@127.0.0.1:1/ample", tmp_path, NOW)
    assert state.proved is False
    assert "The backup failed" in state.words
    assert list((tmp_path / "backups").glob("shop-*")) == []


def test_before_the_first_backup_there_is_nothing_to_tell(tmp_path):
    assert last_backup(tmp_path) is None
