"""What is kept of a unit: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.condition.trend import Reading, Trend
from ample.core.condition.trend import trend as trend_of


def trend(request: contract.TrendRequest) -> Trend:
    """Tell a trend of a log from noise, and when it reaches its limit."""
    return trend_of(
        [Reading(each.on, each.value) for each in request.readings],
        request.limit,
        request.today,
        request.early,
        request.lead_days,
        request.approval_days,
    )
