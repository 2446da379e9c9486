"""Fits, measured seats, zones to choose, and the clearance that is left."""

from ample.core.fits.advice import Duty, ZoneAdvice, zone_advice
from ample.core.fits.clearance import ClearanceAfterFitting, clearance_after_fitting
from ample.core.fits.fit import Fit, fit
from ample.core.fits.ranges import Range
from ample.core.fits.seat import SeatCheck, check_seat

__all__ = [
    "ClearanceAfterFitting",
    "Duty",
    "Fit",
    "Range",
    "SeatCheck",
    "ZoneAdvice",
    "check_seat",
    "clearance_after_fitting",
    "fit",
    "zone_advice",
]
