"""The facts that sheets ask for, from the subjects of the shop."""

from __future__ import annotations

from typing import Any

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


PROVIDERS: Providers = {"fitted": _fitted, "instrument_of": _instrument_of}
