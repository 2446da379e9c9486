"""Published tables as CSV with their look-ups."""

from ample.core.standards.boundary import (
    ALONE,
    BoundarySize,
    Series,
    ball_bearing_sizes,
    bearing_series,
    bearing_sizes,
)
from ample.core.standards.iso286 import (
    DeviationLimits,
    limits,
    standard_tolerance_um,
    zone_names,
)
from ample.core.standards.rings import (
    ClearanceLimits,
    RingLimits,
    internal_clearance,
    nearest_ring_limits_um,
    ring_limits,
)

__all__ = [
    "ALONE",
    "BoundarySize",
    "ClearanceLimits",
    "DeviationLimits",
    "RingLimits",
    "Series",
    "ball_bearing_sizes",
    "bearing_series",
    "bearing_sizes",
    "internal_clearance",
    "limits",
    "nearest_ring_limits_um",
    "ring_limits",
    "standard_tolerance_um",
    "zone_names",
]
