"""Times are UTC: stored without a zone, given with one."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Annotated

from pydantic import AfterValidator


def as_utc(moment: datetime) -> datetime:
    """The moment with its zone, which is UTC when none is stated."""
    return moment if moment.tzinfo else moment.replace(tzinfo=UTC)


UtcTime = Annotated[datetime, AfterValidator(as_utc)]
