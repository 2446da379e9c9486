"""What is set, proved and kept of a unit: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.assembly.end_play import EndPlay
from ample.core.assembly.end_play import end_play as play_of
from ample.core.assembly.run_in import RunIn
from ample.core.assembly.run_in import run_in as run_of
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


def end_play(request: contract.EndPlayRequest) -> EndPlay:
    """Judge an end play and work out the shim or turn that sets it."""
    return play_of(
        request.readings_mm,
        request.wanted_mm.min,
        request.wanted_mm.max,
        request.dial_uncertainty_mm,
        request.pitch_mm,
        request.leaves_mm,
    )


def run_in(request: contract.RunInRequest) -> RunIn:
    """Predict where a temperature settles."""
    readings = [(each.minute, each.temperature_c) for each in request.readings]
    return run_of(readings, request.ambient_c, request.limit_c)
