"""Putting a backup in the place of a shop's data: whole or not at all.

The backup is read into a schema of its own beside the shop's. When it is whole, all tables change places; what
was there before is kept in another schema, which is named. How far it has come stands in the shop's database:
the next start finishes or undoes what was interrupted.
"""

from __future__ import annotations

import json
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from dataclasses import replace
from datetime import UTC, datetime
from functools import partial
from pathlib import Path
from urllib.parse import quote

import pymysql
from yoyo import read_migrations

from ample.core.errors import AmpleError, BadInput, Conflict
from ample.store.database import Address, Database, DatabaseAway, NameTaken, Transaction
from ample.store.dump import NOT_DATA, Contents, check_dump, rows_of
from ample.store.migrate import EARLIER, MIGRATIONS, backend_of, migrate
from ample.store.presence import FRESH_SECONDS, who_has_it_open

PATIENT_SECONDS = 600.0  # a large table takes its time
LOT_BYTES = 1 << 20
OWN_TABLES = ("_yoyo_log", "_yoyo_migration", "_yoyo_version", "yoyo_lock")
NOT_PERMITTED = {1044, 1045, 1142, 1227}
_JOURNAL = """
    CREATE TABLE IF NOT EXISTS restore_journal (
        only_row TINYINT UNSIGNED NOT NULL PRIMARY KEY,
        phase VARCHAR(10) NOT NULL,
        fresh VARCHAR(64) NOT NULL,
        kept VARCHAR(64) NOT NULL,
        tables_json LONGTEXT NOT NULL,
        alive_at DATETIME(6) NOT NULL
    ) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci
"""


class NotPermitted(AmpleError):
    """The database user lacks a right that a restore needs."""

    status = 403


def url_of(a: Address) -> str:
    """The address as one line."""
    return f"mysql://{quote(a.user, safe='')}:{quote(a.password, safe='')}@{a.host}:{a.port}/{a.name}"


def restore(url: str, source: Path, say: Callable[[str], None]) -> str | None:
    """Put a backup in the place of the shop's data; the schema in which the old data is kept, if there was any.

    Refused while the shop is open anywhere, when the file is not a whole backup, or when the database user may
    not make a schema of its own; until all is read nothing of the shop has changed.
    """
    contents = check_dump(source)
    unknown = contents.steps - _all_steps()
    if unknown:
        raise BadInput(
            "newer_backup", f"{source} was made by a newer Ample ({', '.join(sorted(unknown))}).", None,
            "Restore it with that version.",
        )  # fmt: skip
    a = Address.of(url)
    fresh, kept = _named(a, "new"), _named(a, "before")
    settled = settle_interrupted(url)
    if settled:
        say(settled)
    with _patient(url) as database:
        database.run(lambda t: _may_begin(t, a, fresh, kept))
        with _alive(url):
            try:
                say(f"reading {source}")
                fill(replace(a, name=fresh), source, contents)
                migrate(url_of(replace(a, name=fresh)))
                database.run(lambda t: _is_whole(t, a.name, fresh))
            except BaseException:
                database.run(lambda t: _undo(t, fresh, kept))
                raise
            say("the backup is whole: changing places")
            any_kept = database.run(lambda t: _change_places(t, a.name))
    return kept if any_kept else None


def change_back(url: str, kept: str) -> str:
    """Put the data kept by an earlier restore back in its place; where today's data is kept instead."""
    a = Address.of(url)
    other = _named(a, "before")
    settle_interrupted(url)
    with _patient(url) as database:
        if not database.run(lambda t: kept.startswith(f"{a.name[:40]}_before_") and _tables(t, kept)):
            raise BadInput("no_such_schema", f"The database holds no {kept[:64]} with a shop's data in it.")
        database.run(lambda t: _may_begin(t, a, None, other))
        with _alive(url):
            database.run(lambda t: _is_whole(t, a.name, kept))
            database.run(lambda t: _change_places(t, a.name))
    migrate(url)
    return other


def settle_interrupted(url: str) -> str | None:
    """Finish or undo a restore that was interrupted; what was done, in words. Refused while one is under way."""
    a = Address.of(url)
    with _patient(url) as database:
        return database.run(lambda t: _settled(t, a.name))


def prove(url: str, source: Path) -> int:
    """Read a backup into a schema of its own, count it, and drop it again; how many rows it holds."""
    contents = check_dump(source)
    a = Address.of(url)
    name = _named(a, "proof")
    with _patient(url) as database:
        database.run(lambda t: _make_schemas(t, a, name))
        try:
            fill(replace(a, name=name), source, contents)
            migrate(url_of(replace(a, name=name)))
        finally:
            database.run(lambda t: _drop_schema(t, name))
    return sum(count for table, count in contents.counts.items() if table not in OWN_TABLES)


def _named(a: Address, what: str) -> str:
    return f"{a.name[:40]}_{what}_{datetime.now(UTC):%Y%m%d_%H%M%S}"


@contextmanager
def _patient(url: str) -> Iterator[Database]:
    database = Database(url, answer_seconds=PATIENT_SECONDS)
    try:
        yield database
    finally:
        database.close()


def _under_way() -> Conflict:
    return Conflict("restoring", "A restore of this shop's data is under way.", None,
                    f"If it was interrupted, try again in {FRESH_SECONDS} seconds.")  # fmt: skip


@contextmanager
def _alive(url: str) -> Iterator[None]:
    """While this lasts, the journal says every few seconds that the restore goes on."""
    ended = threading.Event()

    def show() -> None:
        with _patient(url) as database:
            while not ended.wait(FRESH_SECONDS / 4):
                with suppress(DatabaseAway):  # the restore itself says so
                    database.run(lambda t: t.change("UPDATE restore_journal SET alive_at = UTC_TIMESTAMP(6)"))

    thread = threading.Thread(target=show, daemon=True)
    thread.start()
    try:
        yield
    finally:
        ended.set()
        thread.join()


def fill(a: Address, source: Path, contents: Contents) -> None:
    """Make the tables by our own steps, as far as the backup's shop had them, and put its rows in."""
    url = url_of(a)
    _steps_of(url, contents.steps)
    with _patient(url) as database:
        known = {name: _columns(database, name) for name in database.run(lambda t: _tables(t, a.name))}
        wrong = [
            name for name, columns in contents.columns.items()
            if name not in OWN_TABLES and not set(columns) <= known.get(name, set())
        ]  # fmt: skip
        if wrong:
            raise BadInput("foreign_backup", f"{source} holds tables that Ample has not: {', '.join(wrong)}.")
        database.run(lambda t: _empty(t, [name for name in known if name not in OWN_TABLES]))
        for table, rows in _lots(source):
            if table not in OWN_TABLES:
                columns = ", ".join(f"`{name}`" for name in contents.columns[table])
                insert = f"INSERT INTO `{table}` ({columns}) VALUES {rows}"
                database.run(partial(_unchecked, insert=insert))
        database.run(lambda t: _counted(t, source, contents))


def _lots(source: Path) -> Iterator[tuple[str, str]]:
    """Rows of one table at a time, some at once."""
    table, size = "", 0
    rows: list[str] = []
    for name, row in rows_of(source):
        if rows and (name != table or size + len(row) > LOT_BYTES):
            yield table, ",".join(rows)
            rows, size = [], 0
        table = name
        rows.append(f"({row})")
        size += len(row)
    if rows:
        yield table, ",".join(rows)


def _all_steps() -> set[str]:
    return {step.id for folder in (EARLIER, MIGRATIONS) for step in read_migrations(str(folder))}


def _steps_of(url: str, wanted: set[str]) -> None:
    backend = backend_of(url)
    try:
        for folder in (EARLIER, MIGRATIONS):
            steps = read_migrations(str(folder)).filter(lambda step: step.id in wanted)
            backend.apply_migrations(backend.to_apply(steps))
    finally:
        backend.connection.close()


def _unchecked(t: Transaction, insert: str) -> None:
    """Rows in the order of the file: what they belong to may come later."""
    t.change("SET SESSION foreign_key_checks = 0, sql_mode = CONCAT(@@sql_mode, ',NO_AUTO_VALUE_ON_ZERO')")
    t.change_text(insert)


def _empty(t: Transaction, tables: list[str]) -> None:
    t.change("SET SESSION foreign_key_checks = 0")
    for name in tables:
        t.change_text(f"DELETE FROM `{name}`")


def _counted(t: Transaction, source: Path, contents: Contents) -> None:
    t.change("DELETE FROM sessions")  # a session that was ended since does not live again
    contents.counts.pop("sessions", None)
    for name in contents.columns:
        if name in OWN_TABLES or name == "sessions":
            continue
        held = t.single_value(f"SELECT COUNT(*) FROM `{name}`")
        if held != contents.counts.get(name, 0):
            raise BadInput(
                "not_whole", f"{source}: {name} has {held} rows of {contents.counts.get(name, 0)}."
            )


def _schemas(t: Transaction) -> set[str]:
    return {str(row["name"]) for row in t.rows("SELECT SCHEMA_NAME AS name FROM information_schema.SCHEMATA")}


def _tables(t: Transaction, schema: str) -> list[str]:
    rows = t.rows(
        """
        SELECT TABLE_NAME AS name
        FROM information_schema.TABLES
        WHERE TABLE_SCHEMA = %(schema)s AND TABLE_TYPE = 'BASE TABLE'
        ORDER BY TABLE_NAME
        """,
        {"schema": schema},
    )
    return [str(row["name"]) for row in rows if row["name"] not in NOT_DATA]


def _columns(database: Database, table: str) -> set[str]:
    return {str(row["Field"]) for row in database.run(lambda t: t.rows(f"SHOW COLUMNS FROM `{table}`"))}


def _may_begin(t: Transaction, a: Address, fresh: str | None, kept: str) -> None:
    """Make the journal and the schemas; refused when the shop is open, or the rights are lacking."""
    _refuse_open(t)
    try:
        t.insert(
            """
            INSERT INTO restore_journal (only_row, phase, fresh, kept, tables_json, alive_at)
            VALUES (1, 'loading', %(fresh)s, %(kept)s, '[]', UTC_TIMESTAMP(6))
            """,
            {"fresh": fresh or "", "kept": kept},
        )
    except NameTaken as error:
        raise _under_way() from error
    try:
        _make_schemas(t, a, *[name for name in (fresh, kept) if name])
    except AmpleError:
        t.change("DELETE FROM restore_journal")
        t.commit()
        raise
    _refuse_open(t, lambda: _undo(t, fresh or "", kept))


def _refuse_open(t: Transaction, first: Callable[[], None] = lambda: None) -> None:
    who = who_has_it_open(t)
    if who:
        first()
        raise Conflict(
            "shop_open", f"The shop with this database is open ({who}): stop it first.", None,
            f"If it was killed, wait {FRESH_SECONDS} seconds.",
        )  # fmt: skip


def _make_schemas(t: Transaction, a: Address, *names: str) -> None:
    try:
        for name in names:
            t.change_text(f"CREATE DATABASE `{name}` CHARACTER SET utf8mb4")
    except pymysql.err.OperationalError as error:
        if error.args[0] not in NOT_PERMITTED:
            raise
        pattern = a.name.replace("_", "\\_") + "\\_%"
        raise NotPermitted(
            "no_right", f"The database user {a.user} may not make a schema beside {a.name}. Nothing was touched.",
            None, f"As the database's administrator: GRANT ALL ON `{pattern}`.* TO {a.user}.",
        ) from error  # fmt: skip


def _is_whole(t: Transaction, main: str, fresh: str) -> None:
    """From here on it is finished, whatever happens: which tables change places is written down."""
    t.change(
        """
        UPDATE restore_journal
        SET phase = 'whole', fresh = %(fresh)s, tables_json = %(tables)s, alive_at = UTC_TIMESTAMP(6)
        """,
        {"fresh": fresh, "tables": json.dumps({"old": _tables(t, main), "new": _tables(t, fresh)})},
    )


def _change_places(t: Transaction, main: str) -> bool:
    """Old tables out, new ones in, in one statement, from any point at which it was interrupted; whether there
    was anything to be kept.
    """
    row = t.first("SELECT fresh, kept, tables_json FROM restore_journal")
    assert row is not None
    fresh, kept, listed = row["fresh"], row["kept"], json.loads(row["tables_json"])
    out = [name for name in listed["old"] if name not in _tables(t, kept)]
    into = [name for name in listed["new"] if name in _tables(t, fresh)]
    moves = [f"`{main}`.`{name}` TO `{kept}`.`{name}`" for name in out]
    moves += [f"`{fresh}`.`{name}` TO `{main}`.`{name}`" for name in into]
    t.change("SET SESSION foreign_key_checks = 0")
    if moves:
        t.change_text("RENAME TABLE " + ", ".join(moves))
    t.change("UPDATE catalogue_state SET revision = UNIX_TIMESTAMP()")  # an index of the old data is stale
    _drop_schema(t, fresh)
    if not listed["old"]:
        _drop_schema(t, kept)
    t.change("DELETE FROM restore_journal")
    return bool(listed["old"])


def _undo(t: Transaction, fresh: str, kept: str) -> None:
    for name in (fresh, kept):
        if name and not (name == kept and _tables(t, kept)):
            _drop_schema(t, name)
    t.change("DELETE FROM restore_journal")


def _drop_schema(t: Transaction, name: str) -> None:
    t.change_text(f"DROP DATABASE IF EXISTS `{name}`")


def _settled(t: Transaction, main: str) -> str | None:
    t.change(_JOURNAL)
    row = t.first(
        """
        SELECT phase, fresh, kept, alive_at > UTC_TIMESTAMP(6) - INTERVAL %(fresh)s SECOND AS under_way
        FROM restore_journal
        """,
        {"fresh": FRESH_SECONDS},
    )
    if row is None:
        for name in _schemas(t):
            if name.startswith(f"{main[:40]}_proof_"):
                _drop_schema(t, name)  # of a backup that was being tried when everything stopped
        return None
    if row["under_way"]:
        raise _under_way()
    if row["phase"] == "whole":
        _change_places(t, main)
        return f"an interrupted restore was finished; what was there before is kept in {row['kept']}"
    _undo(t, row["fresh"], row["kept"])
    return "an interrupted restore was undone: the data is as it was before it"
