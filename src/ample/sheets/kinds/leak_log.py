"""The leak log of a unit."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from ample.base.units import UnitJob
from ample.core.condition.leak_log import LeakLog, LogFacts, LogJudged, check_log, judge_log
from ample.sheets.kind import SheetKind, Table


@dataclass(frozen=True)
class UnitLogFacts(LogFacts):
    """The same, with the unit's jobs for the axis of time."""

    unit_jobs: tuple[UnitJob, ...]


def tables(sheet: LeakLog, judged: LogJudged | None) -> tuple[Table, ...]:
    """Entries by day, and the dates that follow."""
    entries = sorted(sheet.entries, key=lambda each: each.on)
    rows = tuple(
        (each.on.isoformat(), each.what.replace("_", " "), each.amount, each.note) for each in entries
    )
    dates = []
    for each in judged.series if judged else ():
        if each.trend:
            told = each.trend.forecast
            for name, band in (("plan", told.plan_on), ("order by", told.order_by), ("limit", told.limit_on)):
                days = [day.isoformat() if day else "" for day in (band.low, band.likely, band.high)]
                dates.append(
                    (each.what.replace("_", " "), each.trend.confidence.replace("_", " "), name, *days)
                )
    return (
        Table("log", ("day", "what", "amount", "note"), rows),
        Table("forecast", ("of", "trend", "date", "10 %", "likely", "90 %"), tuple(dates)),
    )


LEAK_LOG = SheetKind(
    name="leak_log",
    title="Leak log",
    subject="unit",
    sheet=LeakLog,
    facts=UnitLogFacts,
    judged=LogJudged,
    judge=judge_log,
    tables=tables,
    check=check_log,
    shown={"unit_jobs": list[UnitJob], "today": date},
)
