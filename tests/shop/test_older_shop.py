"""A shop that was opened by an earlier version keeps its jobs, and has the new sheets beside them."""

from datetime import datetime

import pytest

from ample.shop.doer import Doer
from ample.shop.line.actions import line_of, save_line
from ample.shop.line.records import LineSave
from ample.shop.takein.actions import open_cautions, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.store import Database
from ample.store.migrate import MIGRATIONS, migrate
from ample.store.private_server import PrivateServer

BEFORE = ("0001_people.sql", "0002_catalogue.sql", "0003_jobs.sql", "0004_seats_orders.sql")
WREN = Doer(1, "Wren", "bench", datetime(2026, 11, 2, 8, 0))


@pytest.fixture
def older(tmp_path):
    server = PrivateServer(tmp_path / "older")
    server.start()
    database = Database(server.url)

    def first_version(t):
        for name in BEFORE:
            for statement in (MIGRATIONS / name).read_text(encoding="utf-8").split(";\n"):
                if statement.strip():
                    t.change(statement)
        t.insert("INSERT INTO people (name, role, secret_hash) VALUES ('Wren', 'bench', 'x')")
        t.insert(
            "INSERT INTO jobs (number, title, opened_at) VALUES ('0007', 'Old drum', '2026-10-01 08:00:00')"
        )
        t.insert("INSERT INTO parts (job_id, position, name) VALUES (1, 1, 'Idler bearing')")

    database.run(first_version)
    yield server, database
    database.close()
    server.stop()


def test_a_job_of_an_earlier_version_is_taken_in_and_stripped_now(older):
    server, database = older
    assert migrate(server.url) > 0
    taken = database.run(lambda t: take_in_of(t, "0007"))
    assert (taken.version, taken.sheet.title, taken.sheet.unit) == (0, "Old drum", "other")
    assert database.run(lambda t: open_cautions(t, [1])) == {1: 2}
    sheet = taken.sheet.model_copy(update={"owner": "Upper Marl"})
    saved = database.run(lambda t: save_take_in(t, WREN, "0007", TakeInSave(version=0, sheet=sheet)))
    assert (saved.version, saved.job.owner) == (1, "Upper Marl")
    line = LineSave.model_validate({
        "version": 0,
        "sheet": {"lines": [{"key": "main", "name": "drum shaft"}], "parts": [{"key": "ball", "line": "main", "kind": "ball_bearing"}]},
    })  # fmt: skip
    assert database.run(lambda t: save_line(t, WREN, "0007", line)).version == 1
    held = database.run(lambda t: line_of(t, "0007"))
    assert [part.key for part in held.sheet.parts] == ["ball"]
    assert database.run(lambda t: t.single_value("SELECT name FROM parts")) == "Idler bearing"


def test_bringing_a_shop_up_to_date_twice_is_doing_it_once(older):
    server, _ = older
    assert migrate(server.url) > 0
    assert migrate(server.url) == 0
