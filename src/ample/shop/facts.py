"""The facts that sheets ask for, from the subjects of the shop."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

from ample.base.units import jobs_of_unit
from ample.sheets.facts import Providers
from ample.sheets.subjects import Subject
from ample.shop.bench.fitted import fitted_bearing
from ample.shop.instruments.today import todays_instruments
from ample.store import Transaction


def _fitted(t: Transaction, subject: Subject) -> Any:
    assert subject.part is not None, "only a part is fitted"
    return fitted_bearing(t, subject.part)


def _instrument_of(t: Transaction, subject: Subject) -> Any:
    return todays_instruments(t)


def _today(t: Transaction, subject: Subject) -> Any:
    return datetime.now(UTC).date()


def _unit_jobs(t: Transaction, subject: Subject) -> Any:
    return jobs_of_unit(t, subject.id)


PROVIDERS: Providers = {
    "fitted": _fitted,
    "instrument_of": _instrument_of,
    "today": _today,
    "unit_jobs": _unit_jobs,
}
