import pymysql
import pytest

from ample.core.errors import BadInput
from ample.store import Database, DatabaseAway, NameTaken
from ample.store.database import Address
from ample.store.migrate import migrate


def test_migrating_again_changes_nothing(server):
    assert migrate(server.url) == 0


@pytest.mark.parametrize(
    "url", ["", "postgres://a:b@c/d", "mysql://127.0.0.1/ample", "mysql://u:p@h:notaport/x", "mysql://u:p@h"]
)
def test_a_wrong_address_is_one_clear_line(url):
    with pytest.raises(BadInput, match="AMPLE_DATABASE_URL"):
        Address.of(url)


def test_an_address_unquotes_its_password():
    assert Address.of("mysql://u:p%40ss%2F@h:3307/shop") == Address("h", 3307, "u", "p@ss/", "shop")


def test_a_failed_transaction_leaves_nothing(database):
    def work(t):
        t.insert("INSERT INTO makers (name) VALUES ('half done')")
        raise RuntimeError("stop")

    with pytest.raises(RuntimeError):
        database.run(work)
    assert database.run(lambda t: t.rows("SELECT 1 FROM makers WHERE name = 'half done'")) == []


@pytest.mark.parametrize("again", ["Oldgate", "OLDGATE", "Öldgate", "Old\x01gate"])
def test_a_name_that_is_there_already_is_refused_in_words(database, again):
    """The tables compare without regard to capitals, accents and signs that are not printed."""

    def work(t):
        for name in ("Oldgate", again):
            t.insert("INSERT INTO makers (name) VALUES (%(name)s)", {"name": name})

    with pytest.raises(NameTaken, match="name exists already"):
        database.run(work)
    assert database.run(lambda t: t.rows("SELECT 1 FROM makers WHERE name = 'Oldgate'")) == []


def test_what_belongs_to_nothing_is_a_fault_and_no_taken_name(database):
    with pytest.raises(pymysql.err.IntegrityError):
        database.run(
            lambda t: t.insert(
                "INSERT INTO unit_builds (model_id, position, build, answer, picture, serial_range, differs) "
                "VALUES (999999, 0, 'A', '', '', '', '')"
            )
        )


def test_checks_of_the_tables_hold(database):
    with pytest.raises(pymysql.err.OperationalError) as refusal:
        database.run(lambda t: t.change("UPDATE people SET role = 'king' WHERE person_id = 1"))
    assert refusal.value.args[0] == 4025


def test_single_value_wants_just_one(database):
    with pytest.raises(ValueError, match="single value"):
        database.run(lambda t: t.single_value("SELECT name FROM people"))


def test_values_are_bound_never_pasted(database):
    nasty = "x'; DROP TABLE jobs; --"
    found = database.run(lambda t: t.rows("SELECT %(text)s AS text", {"text": nasty}))
    assert found == [{"text": nasty}]


def test_a_lost_server_is_said_so():
    away = Database("mysql://u:p@127.0.0.1:1/nothing")
    with pytest.raises(DatabaseAway):
        away.run(lambda t: t.rows("SELECT 1"))
    assert not away.reachable()


@pytest.mark.parametrize(
    "table",
    [
        "jobs",
        "parts",
        "identifications",
        "matches",
        "seat_sheets",
        "orders",
        "order_lines",
        "instruments",
        "people",
        "catalogue_items",
    ],
)
def test_every_table_that_people_change_has_a_version(database, table):
    columns = {row["Field"] for row in database.run(lambda t: t.rows(f"SHOW COLUMNS FROM {table}"))}
    assert "version" in columns


def test_sizes_and_money_are_decimal(database):
    rows = database.run(
        lambda t: t.rows(
            """
            SELECT COLUMN_NAME, DATA_TYPE
            FROM information_schema.COLUMNS
            WHERE TABLE_SCHEMA = DATABASE() AND (COLUMN_NAME LIKE '%%_mm' OR COLUMN_NAME = 'price')
            """
        )
    )
    assert rows
    assert {row["DATA_TYPE"] for row in rows} == {"decimal"}


def test_sixty_fourths_of_an_inch_are_kept_exactly(database):
    found = database.run(
        lambda t: t.single_value("SELECT size_1_mm FROM catalogue_items WHERE designation = 'R1-4' LIMIT 1")
    )
    assert str(found) == "1.984375"
