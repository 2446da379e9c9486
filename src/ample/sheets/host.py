"""Who runs the sheets: gives the facts that they ask for, and keeps those of them that lie in tables of their own."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any, NamedTuple

from ample.base.doer import Doer
from ample.core.sheet import Sheet
from ample.sheets.kind import SheetKind
from ample.sheets.subjects import Subject
from ample.store import Transaction

Provider = Callable[[Transaction, Subject], Any]


@dataclass(frozen=True)
class Change:
    """A sheet that is to be kept: by whom, on what, what was there, what is there now and as which version.

    `rows` is what the sheet that stood there was read from, as the tables gave it; `prepared` what was looked up
    before the transaction.
    """

    doer: Doer
    subject: Subject
    before: Any
    sheet: Any
    version: int
    from_file: bool
    rows: Any = None
    prepared: Any = None


class InTables(NamedTuple):
    """A sheet as tables of its own hold it: what stands there, as which version, and the rows that it was read from."""

    sheet: Sheet
    version: int
    rows: Any = None


@dataclass(frozen=True)
class Tables:
    """How a kind of sheet is kept whose columns are tables of their own: read with its version, and written.

    `prepare` looks up, before the transaction, what writing needs and takes long to find.
    """

    held: Callable[[Transaction, Subject], InTables]
    write: Callable[[Transaction, Change], None]
    prepare: Callable[[], Any] | None = None


@dataclass(frozen=True)
class Host:
    """Providers of facts by their names, and tables by kind of sheet."""

    facts: Mapping[str, Provider] = field(default_factory=dict)
    tables: Mapping[str, Tables] = field(default_factory=dict)

    def with_(self, *others: Host) -> Host:
        """This and others as one."""
        facts, tables = dict(self.facts), dict(self.tables)
        for each in others:
            facts |= each.facts
            tables |= each.tables
        return Host(facts, tables)


def facts_for(t: Transaction, kind: SheetKind, subject: Subject, host: Host) -> Any:
    """The facts that a kind asks for, of one subject.

    Raises:
        KeyError: When nobody provides a fact; the register's test holds that somebody does.
    """
    return kind.facts(**{name: host.facts[name](t, subject) for name in kind.fact_names})
