"""All part families by name."""

from __future__ import annotations

from ample.core.parts.bearing import BEARING
from ample.core.parts.families import Family
from ample.core.parts.seals import SEALS

FAMILIES: dict[str, Family] = {BEARING.name: BEARING, **SEALS}
