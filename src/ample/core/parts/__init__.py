"""The part families: dimensions, features, attributes, manufacture and wear."""

from ample.core.parts.bearing import (
    BEARING,
    CLOSURES,
    DIMENSIONS,
    FEATURES,
    BearingSpec,
    Closure,
    bearing_conditions,
    clearance_table,
    mean_wear_mm,
    measures,
    ring_kind,
    unlisted_measure,
)
from ample.core.parts.every_family import FAMILIES
from ample.core.parts.families import ConditionKind, Family, Feature, PartSpec, ToleranceSpec
from ample.core.parts.kinds import (
    GROUPS,
    PICTURES,
    Kind,
    Question,
    bearing_kinds,
    bearing_questions,
    seal_kinds,
)
from ample.core.parts.limits import NO_EFFECT, WORN, Effect, EffectTable, Limits, Measure
from ample.core.parts.markings import MarkingReading, Span
from ample.core.parts.seals import SEALS, SealSpec, said_size

__all__ = [
    "BEARING",
    "CLOSURES",
    "DIMENSIONS",
    "FAMILIES",
    "FEATURES",
    "GROUPS",
    "NO_EFFECT",
    "PICTURES",
    "SEALS",
    "WORN",
    "BearingSpec",
    "Closure",
    "ConditionKind",
    "Effect",
    "EffectTable",
    "Family",
    "Feature",
    "Kind",
    "Limits",
    "MarkingReading",
    "Measure",
    "PartSpec",
    "Question",
    "SealSpec",
    "Span",
    "ToleranceSpec",
    "bearing_conditions",
    "bearing_kinds",
    "bearing_questions",
    "clearance_table",
    "mean_wear_mm",
    "measures",
    "ring_kind",
    "said_size",
    "seal_kinds",
    "unlisted_measure",
]
