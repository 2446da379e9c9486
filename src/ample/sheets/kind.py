"""What a kind of sheet is: its type, its judge, the facts that it asks for, what SQL may ask of it, who may sign it."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from ample.base.rights import RightName
from ample.core.sheet import Sheet

SubjectName = Literal["job", "part", "unit"]
Value = str | float | None
Columns = Mapping[str, Iterable[Value]]
Needed = RightName | Literal["signed_in"]


@dataclass(frozen=True)
class Table:
    """A table of a sheet as it is exported and printed: headings, and rows of text."""

    title: str
    headings: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]


def _nothing(sheet: Any, facts: Any) -> None:
    """Nothing more to refuse than its type does."""


def _no_columns(sheet: Any) -> Columns:
    return {}


@dataclass(frozen=True)
class SheetKind:
    """A kind of sheet.

    `facts` is a dataclass whose fields name the facts that judge and check ask for; who runs the sheets gives a
    provider for each name. `shown` names those of them that go out with the sheet. `alias` is an address of before, `unjudged` what is said where there is
    no judgement. `columns` gives what SQL may ask of a sheet: values by name, in order. `check` refuses what cannot be
    kept; `gate` what a person may not do as things stand, and is not asked of a sheet that comes with a file.
    """

    name: str
    title: str
    subject: SubjectName
    sheet: type[Sheet]
    facts: type[Any]
    judged: Any
    judge: Callable[[Any, Any], Any]
    tables: Callable[[Any, Any], tuple[Table, ...]]
    check: Callable[[Any, Any], None] = _nothing
    gate: Callable[[Any, Any], None] = _nothing
    columns: Callable[[Any], Columns] = _no_columns
    shown: dict[str, Any] = field(default_factory=dict)
    writes: Needed = "signed_in"
    signs: Needed | None = None
    alias: str = ""
    unjudged: tuple[str, str] = ("not_judged", "There is nothing to judge yet.")

    @property
    def fact_names(self) -> tuple[str, ...]:
        """The facts that it asks for."""
        return tuple(self.facts.__dataclass_fields__)
