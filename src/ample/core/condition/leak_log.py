"""A log of a unit: emptyings, top-ups, temperatures, play; typed in any order, judged by their trend."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Annotated, Literal

from pydantic import Field

from ample.core.condition.trend import FIRST_DAY, LAST_DAY, Reading, Trend, trend
from ample.core.errors import BadInput
from ample.core.sheet import Sheet
from ample.core.sizes import parse_length
from ample.core.sizes.figures import plain_figure

What = Literal["emptied", "topped_up", "temperature", "play", "note"]
WATCHED: tuple[What, ...] = ("emptied", "topped_up", "temperature", "play")
# How each is read: in which unit, and whether it gets worse by rising.
UNITS: dict[str, tuple[str, bool]] = {
    "emptied": ("days", False),
    "topped_up": ("l in 100 days", True),
    "temperature": ("°C", True),
    "play": ("mm", True),
}
MOST_ENTRIES, MOST_JUDGED = 1000, 400
Figure = Annotated[str, Field(max_length=20)]


class LogEntry(Sheet):
    """What was done or read on a day; the amount as it was typed."""

    key: str = Field(pattern=r"^[a-z0-9]{4,24}$")
    on: date = Field(ge=FIRST_DAY, le=LAST_DAY)
    what: What
    amount: Figure = ""
    note: str = Field(default="", max_length=200)


class Watch(Sheet):
    """Where one plans and where it must not go; empty where nobody has said it."""

    early: float | None = None
    limit: float | None = None


class LeakLog(Sheet):
    """The log of a unit, with what is watched and how long parts take to come."""

    entries: tuple[LogEntry, ...] = Field(default=(), max_length=MOST_ENTRIES)
    emptied: Watch = Watch(early=75, limit=14)
    topped_up: Watch = Watch()
    temperature: Watch = Watch()
    play: Watch = Watch()
    lead_days: int = Field(default=0, ge=0, le=3650)
    approval_days: int = Field(default=0, ge=0, le=3650)


@dataclass(frozen=True)
class LogFacts:
    """What the judge of a log has to know beside it."""

    today: date


@dataclass(frozen=True)
class Point:
    """One reading of a series: the entry it comes from, its day and value."""

    key: str
    on: date
    value: float


@dataclass(frozen=True)
class Series:
    """What is read of one thing over time, and where it goes; no trend while nobody has said a limit."""

    what: What
    unit: str
    rises: bool
    points: tuple[Point, ...]
    trend: Trend | None


@dataclass(frozen=True)
class LogJudged:
    """Every series of the log that has a reading."""

    series: tuple[Series, ...]


def judge_log(sheet: LeakLog, facts: LogFacts) -> LogJudged:
    """What a log says, series by series.

    Formula: an emptying counts as the days since the last one, a top-up as its litres over the days since the last one
    (times 100), temperature and play as they are read; each is judged by `trend`. Entries of one day count once.

    Args:
        sheet: The log, typed in any order.
        facts: Today.

    Returns:
        A series for each thing that was read: its points in order of days, and its trend where a limit is stated.

    Raises:
        BadInput: At an entry whose amount cannot be read, or a limit that cannot be one.

    Source: common practice; `trend`.

    Example:
        >>> one = LogEntry(key="aaaa", on=date(2026, 3, 1), what="emptied")
        >>> two = LogEntry(key="bbbb", on=date(2026, 1, 1), what="emptied")
        >>> judge_log(LeakLog(entries=(one, two)), LogFacts(date(2026, 3, 2))).series[0].points[0].value
        59.0
    """
    found = []
    for what in WATCHED:
        own = [(number, each) for number, each in enumerate(sheet.entries) if each.what == what]
        if not own:
            continue
        unit, rises = UNITS[what]
        points = _points(what, own)[-MOST_JUDGED:]
        found.append(Series(what, unit, rises, points, _trend(what, points, sheet, facts.today)))
    return LogJudged(tuple(found))


def _points(what: What, own: Sequence[tuple[int, LogEntry]]) -> tuple[Point, ...]:
    ordered = sorted(own, key=lambda each: each[1].on)
    if what in ("temperature", "play"):
        return tuple(Point(each.key, each.on, _amount(number, each)) for number, each in ordered)
    found = []
    last: date | None = None
    poured = 0.0
    for number, each in ordered:
        poured += _amount(number, each) if what == "topped_up" else 0.0
        if last is not None and each.on > last:
            days = (each.on - last).days
            found.append(
                Point(each.key, each.on, 100 * poured / days if what == "topped_up" else float(days))
            )
        if last is None or each.on > last:
            last, poured = each.on, 0.0
    return tuple(found)


def _amount(number: int, entry: LogEntry) -> float:
    """The figure of an entry in the unit of its series."""
    field = f"sheet.entries[{number}].amount"
    text = entry.amount.strip()
    if entry.what == "play":
        try:
            return parse_length(text).mm
        except BadInput as error:
            raise BadInput(error.code, error.message, field, error.hint) from error
    bare = text.lower().removesuffix("°c").removesuffix("c").removesuffix("l")
    value = plain_figure(bare, field)
    if value is None:
        raise BadInput("no_figure", f"“{text[:20]}” is not a number.", field, "For example 0.4 or 62.")
    least = 0.0 if entry.what == "topped_up" else -100.0
    if not least <= value <= 100_000:
        raise BadInput("figure_outside", f"“{text[:20]}” cannot be.", field)
    return value


def _trend(what: What, points: tuple[Point, ...], sheet: LeakLog, today: date) -> Trend | None:
    watch: Watch = getattr(sheet, what)
    if watch.limit is None:
        return None
    readings = [Reading(each.on, each.value) for each in points]
    try:
        return trend(readings, watch.limit, today, watch.early, sheet.lead_days, sheet.approval_days)
    except BadInput as error:
        field = error.field if error.field in ("early", "limit") else "limit"
        raise BadInput(error.code, error.message, f"sheet.{what}.{field}", error.hint) from error


def check_log(sheet: LeakLog, facts: LogFacts) -> None:
    """Refuse a log with an amount or limit that cannot be read, two entries of one key, or a day still to come.

    Args:
        sheet: The log.
        facts: Today.

    Raises:
        BadInput: At the field of the sheet.

    Example:
        >>> check_log(LeakLog(), LogFacts(date(2026, 1, 1)))
    """
    keys = set()
    for number, each in enumerate(sheet.entries):
        if each.key in keys:
            raise BadInput("same_key", "Two entries have the same key.", f"sheet.entries[{number}].key")
        keys.add(each.key)
        if each.on > facts.today:
            raise BadInput("to_come", "That date is in the future.", f"sheet.entries[{number}].on")
    judge_log(sheet, facts)
