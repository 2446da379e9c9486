"""The part families: dimensions, features, attributes, manufacture and wear."""

from ample.core.parts.bearing import (
    CLOSURES,
    FEATURES,
    PART_FEATURES,
    BearingSpec,
    Closure,
    ConditionKind,
    Feature,
    bearing_conditions,
    feature_named,
    manufacturing_interval_mm,
    mean_wear_mm,
)
from ample.core.parts.markings import MarkingReading, Span

__all__ = [
    "CLOSURES",
    "FEATURES",
    "PART_FEATURES",
    "BearingSpec",
    "Closure",
    "ConditionKind",
    "Feature",
    "MarkingReading",
    "Span",
    "bearing_conditions",
    "feature_named",
    "manufacturing_interval_mm",
    "mean_wear_mm",
]
