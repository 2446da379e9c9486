"""The shop's instruments as of today."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime

from ample.core.sizes import Instrument
from ample.shop.instruments.actions import instrument_finder, known_instruments
from ample.store import Transaction


def todays_instruments(t: Transaction) -> Callable[[str], Instrument]:
    """The look-up of the shop's instruments as of today."""
    return instrument_finder(known_instruments(t, datetime.now(UTC).date()))
