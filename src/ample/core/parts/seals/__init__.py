"""Seals, rings and small parts: what they are sold by, what a caliper touches, how they are made and wear."""

from ample.core.parts.seals.conditions import condition_rows, conditions_of, effects_of
from ample.core.parts.seals.family import GROOVE_WALLS, SEALS
from ample.core.parts.seals.spec import SealSpec, said_size
from ample.core.parts.seals.standing import USED_COVER_MM, standing, standings

__all__ = [
    "GROOVE_WALLS",
    "SEALS",
    "USED_COVER_MM",
    "SealSpec",
    "condition_rows",
    "conditions_of",
    "effects_of",
    "said_size",
    "standing",
    "standings",
]
