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
from ample.core.standards.seals import (
    DashSize,
    SealSize,
    called_sections_in,
    dash_sizes,
    seal_sizes,
    sizes_of_family,
)

__all__ = [
    "ALONE",
    "BoundarySize",
    "ClearanceLimits",
    "DashSize",
    "DeviationLimits",
    "RingLimits",
    "SealSize",
    "Series",
    "ball_bearing_sizes",
    "bearing_series",
    "bearing_sizes",
    "called_sections_in",
    "dash_sizes",
    "internal_clearance",
    "limits",
    "nearest_ring_limits_um",
    "ring_limits",
    "seal_sizes",
    "sizes_of_family",
    "standard_tolerance_um",
    "zone_names",
]
