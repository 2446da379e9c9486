"""A shop that was opened by an earlier version keeps all that it holds, and has today's rules for it."""

import gzip
from datetime import datetime
from functools import partial
from pathlib import Path

import pytest

from ample.base.doer import Doer
from ample.sheets import store
from ample.sheets.kinds.seats import SEATS
from ample.shop.instruments.actions import instrument_finder, known_instruments
from ample.shop.line.actions import line_of, save_line
from ample.shop.line.records import LineSave
from ample.shop.orders.actions import orders_of
from ample.shop.orders.export import sheet_csv
from ample.shop.takein.actions import open_cautions, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.shop.upgrade import bring_up_to_date
from ample.store import Database, Transaction
from ample.store.dump import check_dump, rows_of
from ample.store.migrate import EARLIER, migrate
from ample.store.restore import restore
from tests.template import started

BEFORE = ("0001_people.sql", "0002_catalogue.sql", "0003_jobs.sql", "0004_seats_orders.sql")
WREN = Doer(1, "Wren", "bench", datetime(2026, 11, 2, 8, 0))
NINTH_STEP = Path(__file__).parents[1] / "shops" / "shop-0009.sql.gz"
# The demo as the version before the requirement kept it, a fortieth of its catalogue.
BEFORE_REQUIREMENTS = NINTH_STEP.with_name("shop-0106.sql.gz")
HELD = ("jobs", "parts", "readings", "gate_passes", "photos", "part_decisions", "line_parts",
        "audit", "identifications", "matches", "order_lines", "people", "caution_acknowledgements")  # fmt: skip


@pytest.fixture
def own_server(tmp_path):
    made = started("empty", tmp_path / "older")
    yield made
    made.stop()


@pytest.fixture
def older(own_server):
    """The shop as its first version left it."""
    server = own_server
    database = Database(server.url)
    database.run(lambda t: t.change("DROP DATABASE ample"))
    database.close()
    server._make_user()
    database = Database(server.url)

    def first_version(t):
        for name in BEFORE:
            for statement in (EARLIER / name).read_text(encoding="utf-8").split(";\n"):
                if statement.strip():
                    t.change(statement)
        t.insert("INSERT INTO people (name, role, secret_hash) VALUES ('Wren', 'bench', 'x')")
        t.insert(
            "INSERT INTO jobs (number, title, opened_at) VALUES ('0007', 'Old drum', '2026-10-01 08:00:00')"
        )
        t.insert("INSERT INTO parts (job_id, position, name) VALUES (1, 1, 'Idler bearing')")

    database.run(first_version)
    mark_as_applied(server.url, BEFORE)
    yield server, database
    database.close()


def mark_as_applied(url, names):
    from yoyo import read_migrations

    from ample.store.migrate import backend_of

    backend = backend_of(url)
    backend.ensure_internal_schema_updated()
    steps = read_migrations(str(EARLIER)).filter(lambda step: f"{step.id}.sql" in names)
    with backend.lock():
        backend.mark_migrations(steps)
    backend.connection.close()


def schema_of(database):
    """Every table as the database itself writes it, without the next free number."""
    found = {}
    for row in database.run(lambda t: t.rows("SHOW TABLES")):
        name = next(iter(row.values()))
        if name.startswith(("_yoyo", "yoyo")) or name in ("open_shops", "restore_journal"):
            continue
        text = database.run(lambda t, n=name: t.first(f"SHOW CREATE TABLE `{n}`"))["Create Table"]
        found[name] = sorted(line.strip(" ,") for line in text.splitlines() if not line.startswith(")"))
    return found


@pytest.mark.long
def test_a_job_of_an_earlier_version_is_taken_in_and_stripped_now(older):
    server, database = older
    assert migrate(server.url) > 0
    taken = database.run(lambda t: take_in_of(t, "0007"))
    assert (taken.version, taken.sheet.title, taken.sheet.unit) == (0, "Old drum", "other")
    assert database.run(lambda t: open_cautions(t, [1])) == {
        1: 3
    }  # isolate, manual first, and: what depends on it?
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


def test_an_older_shop_brought_up_to_date_is_like_a_new_one(older, database):
    """The first steps one after another, or the baseline at once: the same tables, column by column."""
    older_server, older_database = older
    assert migrate(older_server.url) > 0
    assert migrate(older_server.url) == 0
    assert schema_of(older_database) == schema_of(database)


@pytest.mark.long
def test_a_shop_of_the_ninth_step_opens_with_all_it_holds(own_server):
    """A dump of a whole shop as the version before the baseline kept it."""
    database = Database(own_server.url)
    contents = check_dump(NINTH_STEP)
    restore(own_server.url, NINTH_STEP, lambda _: None)
    assert bring_up_to_date(database) > 0
    assert bring_up_to_date(database) == 0
    for table in HELD:
        assert (
            database.run(partial(Transaction.single_value, sql=f"SELECT COUNT(*) FROM {table}"))
            == contents.counts[table]
        )
    typed = [row.split(",")[3].strip("'") for table, row in rows_of(NINTH_STEP) if table == "readings"]
    assert sorted(typed) == sorted(
        row["typed"] for row in database.run(lambda t: t.rows("SELECT typed FROM readings"))
    )
    pictures = [row.split(",0x")[1] for table, row in rows_of(NINTH_STEP) if table == "photos"]
    held = database.run(lambda t: t.rows("SELECT HEX(image) AS image FROM photos ORDER BY photo_id"))
    assert [row["image"] for row in held] == pictures
    find = database.run(lambda t: instrument_finder(known_instruments(t, datetime(2026, 11, 27).date())))
    checks = [
        check
        for s in database.run(lambda t: orders_of(t, find)).sheets
        for li in s.lines
        for check in li.lights
    ]
    assert [check.light for check in checks if check.passed_reason] == ["interchange"], "the override stands"
    marks = database.run(lambda t: t.rows("SELECT facts_mark <=> judged_mark AS same FROM identifications"))
    assert all(row["same"] for row in marks)
    database.close()


@pytest.mark.long
def test_a_shop_that_was_changed_after_it_was_confirmed_is_judged_again(own_server):
    """An earlier version let an identification stand whatever became of its readings."""
    database = Database(own_server.url)
    restore(own_server.url, NINTH_STEP, lambda _: None)

    def change(t):
        part = t.single_value("SELECT MIN(part_id) FROM identifications")
        t.change("UPDATE readings SET typed = '77.7', value_mm = 77.7 WHERE part_id = %(p)s", {"p": part})
        person = t.single_value("SELECT MIN(person_id) FROM people")
        t.insert(
            "INSERT INTO audit (happened_at, person_id, subject, subject_id, action) "
            "VALUES (UTC_TIMESTAMP(6), %(w)s, 'part', %(p)s, 'bench')", {"w": person, "p": part},
        )  # fmt: skip
        return part

    part = database.run(change)
    bring_up_to_date(database)
    row = database.run(
        lambda t: t.first(
            "SELECT probability, facts_mark FROM identifications WHERE part_id = %(p)s", {"p": part}
        )
    )
    assert float(row["probability"]) < 0.01
    database.close()


def test_seats_of_before_the_sheets_stand_on_them_as_they_were(own_server):
    """With the version they had, whoever changed them last, and what SQL may ask of them."""
    database = Database(own_server.url)
    restore(own_server.url, BEFORE_REQUIREMENTS, lambda _: None)
    read = [row.split(",") for table, row in rows_of(BEFORE_REQUIREMENTS) if table == "seat_readings"]
    bring_up_to_date(database)
    parts = sorted({int(row[0]) for row in read})
    held = {part: database.run(partial(store.held, kind=SEATS, subject_id=part)) for part in parts}
    for part, side, plane, direction, typed, _ in read:
        row = held[int(part)].sheet.side(side.strip("'")).planes[int(plane)]
        assert row[int(direction)] == typed.strip("'")
    count = sum(
        len(row)
        for each in held.values()
        for side in ("shaft", "housing")
        for row in each.sheet.side(side).planes
    )
    assert count == len(read)
    assert {each.version for each in held.values()} == {1}
    values = database.run(lambda t: store.values_of(t, SEATS, parts))
    assert all(values[part]["turning"] == ["shaft"] for part in parts)
    assert database.run(lambda t: t.single_value("SELECT COUNT(*) FROM seat_sheets")) == 0
    database.close()


def test_a_shop_of_before_the_requirement_opens_whole(own_server):
    """Every row is there, sizes lie in the neutral columns, what was confirmed has its requirement, papers print."""
    database = Database(own_server.url)
    contents = check_dump(BEFORE_REQUIREMENTS)
    restore(own_server.url, BEFORE_REQUIREMENTS, lambda _: None)
    bring_up_to_date(database)
    for table in (*HELD, "catalogue_items", "offers", "orders", "take_ins", "unit_spares"):
        found = database.run(partial(Transaction.single_value, sql=f"SELECT COUNT(*) FROM {table}"))
        assert found == contents.counts[table], table
    items = {
        row.split(",")[0]: row for table, row in rows_of(BEFORE_REQUIREMENTS) if table == "catalogue_items"
    }
    held = database.run(
        lambda t: t.rows("SELECT item_id, size_1_mm, size_2_mm, size_3_mm FROM catalogue_items")
    )
    for row in held:
        assert all(str(row[f"size_{n}_mm"]) in items[str(row["item_id"])] for n in (1, 2, 3))
    parts = database.run(lambda t: t.rows("SELECT part_id FROM identifications WHERE requirement IS NULL"))
    assert parts == []
    find = database.run(lambda t: instrument_finder(known_instruments(t, datetime(2026, 11, 27).date())))
    sheets = database.run(lambda t: orders_of(t, find)).sheets
    (line,) = [line for sheet in sheets for line in sheet.lines]
    assert line.requirement.spec.size_text == "15 × 35 × 11"
    assert line.replaces
    interchange = next(check for check in line.lights if check.light == "interchange")
    assert (interchange.state, interchange.passed_reason) == ("not_proven", None), "more is asked: look again"
    assert line.changes == []
    assert "required_attributes" in sheet_csv(sheets[0])
    database.close()


def test_the_stored_dumps_are_of_the_versions_that_they_are_named_for():
    steps = check_dump(BEFORE_REQUIREMENTS).steps
    assert "0106_from_file" in steps
    assert "0107_requirement" not in steps


def test_the_stored_dump_is_of_the_version_that_it_is_named_for():
    assert check_dump(NINTH_STEP).steps == {path.stem for path in EARLIER.glob("*.sql")}
    with gzip.open(NINTH_STEP, "rt", encoding="utf-8") as file:
        assert file.readline() == "-- ample backup 1\n"
