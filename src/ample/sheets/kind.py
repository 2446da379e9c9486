"""What a kind of sheet is: its type, its judge, the facts that it asks for, what SQL may ask of it, who may sign it."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from ample.base.rights import RightName
from ample.core.kits import OrderCheckResult, OrderFacts
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


def _no_checks(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """It says nothing of a part that is to be ordered."""
    return ()


def _as_it_is(sheet: Any, before: Any, facts: Any) -> Any:
    """It is kept as it was sent."""
    return sheet


def _whole(before: Any, after: Any) -> tuple[Any, Any]:
    """The record keeps both as they are."""
    return before, after


@dataclass(frozen=True)
class SheetKind:
    """A kind of sheet.

    `facts` is a dataclass whose fields name the facts that judge and check ask for; who runs the sheets gives a
    provider for each name. `shown` names those of them that go out with the sheet. `alias` is an address of before,
    `unjudged` the words where there is no judgement. `columns` gives what SQL may ask of a sheet: values by name,
    in order; a kind whose columns are tables of their own has them kept by who runs the sheets. `check` refuses what
    cannot be kept; `may_save` what a person may not do as things stand, and is not asked of a sheet that comes with a
    file. `settle` makes of what was sent what is kept, knowing what was there before; `told` makes of both what the
    record keeps. `order_checks` says what is known of a part that is to be ordered. `action` is the record's name of a change. Job files carry a kind that is not `in_files` in a place
    of its own.
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
    may_save: Callable[[Any, Any], None] = _nothing
    settle: Callable[[Any, Any, Any], Any] = _as_it_is
    told: Callable[[Any, Any], tuple[Any, Any]] = _whole
    order_checks: Callable[[OrderFacts], tuple[OrderCheckResult, ...]] = _no_checks
    columns: Callable[[Any], Columns] = _no_columns
    shown: dict[str, Any] = field(default_factory=dict)
    writes: Needed = "signed_in"
    signs: Needed | None = None
    alias: str = ""
    action: str = ""
    in_files: bool = True
    unjudged: tuple[str, str] = ("not_judged", "Nothing to check yet.")

    @property
    def recorded_as(self) -> str:
        """The record's name of a change."""
        return self.action or self.name

    @property
    def fact_names(self) -> tuple[str, ...]:
        """The facts that it asks for."""
        return tuple(self.facts.__dataclass_fields__)
