"""How far a bearing with a taper bore is driven up, and the clearance that must be left."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.errors import BadInput
from ample.core.fits.ranges import Range
from ample.core.handbook.fitting import clearance_reduction_spherical_roller_taper_bore as reduction
from ample.core.parts import BearingSpec, clearance_table
from ample.core.standards import internal_clearance

SMOOTHED = 0.8  # of the diametral growth of the taper that reaches the raceway, with the sleeve's own give
SLOPES = {"taper_1_12": 12.0, "taper_1_30": 30.0}


@dataclass(frozen=True)
class DriveUp:
    """Reduction of radial clearance and axial drive-up; clearance before and after, at least."""

    taper_one_in: float
    reduction_um: Range
    axial_mm: Range
    before_um: Range
    left_um: Range


def drive_up_of(spec: BearingSpec, group: str = "N") -> DriveUp | None:
    """How far to drive up a spherical roller bearing on its taper.

    Formula: reduction as tabulated by bore; axial = reduction·k/0.8 for a taper 1:k; left = before − reduction.

    Args:
        spec: The bearing, with a taper bore.
        group: Its clearance group.

    Returns:
        The drive-up, or None where no table is held (other kinds, other bores).

    Raises:
        Nothing.

    Source: table common to bearing handbooks, from memory; 0.8 is set so that the tabulated axial drive-ups are met.

    Example:
        >>> spec = BearingSpec("22210", "222", 50, 90, 23, kind="spherical_roller", bore_shape="taper_1_12")
        >>> drive_up_of(spec).axial_mm.min
        0.38
    """
    if spec.kind != "spherical_roller" or spec.bore_shape not in SLOPES:
        return None
    slope = SLOPES[spec.bore_shape]
    try:
        by_bore = reduction(spec.d_mm)
        before = internal_clearance(clearance_table(spec), spec.d_mm, group)
    except BadInput:
        return None
    low, high = by_bore["reduction_min_um"], by_bore["reduction_max_um"]
    axial = [round(each * slope / SMOOTHED / 1000, 2) for each in (low, (low + high) / 2, high)]
    return DriveUp(
        slope,
        Range(low, (low + high) / 2, high),
        Range(*axial),
        Range(before.min_um, (before.min_um + before.max_um) / 2, before.max_um),
        Range(before.min_um - high, (before.min_um + before.max_um - low - high) / 2, before.max_um - low),
    )
