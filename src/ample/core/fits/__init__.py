"""Fits, measured seats, zones to choose, and the clearance that is left."""

from ample.core.fits.advice import ZoneAdvice, ZoneChoice, choose_zone, zone_advice, zone_limits
from ample.core.fits.clearance import ClearanceAfterFitting, Interference, clearance_left, zone_interference
from ample.core.fits.duty import Duty
from ample.core.fits.fit import Fit, fit
from ample.core.fits.judging.chances import Spread
from ample.core.fits.judging.repair import Compound
from ample.core.fits.measured_seat import MeasuredSeat, RunsAs, SeenOfSeat
from ample.core.fits.ranges import Range
from ample.core.fits.seat import SeatCheck, check_seat, seat_interference

__all__ = [
    "ClearanceAfterFitting",
    "Compound",
    "Duty",
    "Fit",
    "Interference",
    "MeasuredSeat",
    "Range",
    "RunsAs",
    "SeatCheck",
    "SeenOfSeat",
    "Spread",
    "ZoneAdvice",
    "ZoneChoice",
    "check_seat",
    "choose_zone",
    "clearance_left",
    "fit",
    "seat_interference",
    "zone_advice",
    "zone_interference",
    "zone_limits",
]
