"""Published tables as CSV with their look-ups."""

from ample.core.standards.boundary import BoundarySize, ball_bearing_sizes
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
    ring_limits,
)

__all__ = [
    "BoundarySize",
    "ClearanceLimits",
    "DeviationLimits",
    "RingLimits",
    "ball_bearing_sizes",
    "internal_clearance",
    "limits",
    "ring_limits",
    "standard_tolerance_um",
    "zone_names",
]
