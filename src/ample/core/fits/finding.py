"""What is wrong with a part at its place."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal


@dataclass(frozen=True)
class PlaceFinding:
    """What lies outside its aim, how bad it is, in words, and what to do."""

    code: str
    severity: Literal["stop", "warn", "note"]
    words: str
    repair: str
