"""Fits, measured seats, zones to choose, and the clearance that is left."""

from ample.core.fits.advice import Duty, ZoneAdvice, ZoneChoice, choose_zone, zone_advice
from ample.core.fits.clearance import ClearanceAfterFitting, clearance_after_fitting, clearance_left
from ample.core.fits.fit import Fit, fit
from ample.core.fits.ranges import Range
from ample.core.fits.seat import MeasuredSeat, SeatCheck, check_seat

__all__ = [
    "ClearanceAfterFitting",
    "Duty",
    "Fit",
    "MeasuredSeat",
    "Range",
    "SeatCheck",
    "ZoneAdvice",
    "ZoneChoice",
    "check_seat",
    "choose_zone",
    "clearance_after_fitting",
    "clearance_left",
    "fit",
    "zone_advice",
]
