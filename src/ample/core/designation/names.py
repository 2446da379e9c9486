"""Basic designations as they are written in different markets, and the sizes they stand for."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache

from ample.core.standards import BoundarySize, ball_bearing_sizes

SERIES_WORDS = {
    "60": "deep groove, extra light",
    "62": "deep groove, light",
    "63": "deep groove, medium",
    "64": "deep groove, heavy",
    "160": "deep groove, extra light, narrow",
    "161": "deep groove, narrow",
    "618": "deep groove, thin section 18",
    "619": "deep groove, thin section 19",
    "622": "deep groove, light, wide",
    "623": "deep groove, medium, wide",
    "630": "deep groove, extra light, wide",
    "68": "miniature deep groove, thin section 18",
    "69": "miniature deep groove, thin section 19",
    "R": "inch deep groove, R series",
}
_THIN = re.compile(r"6(18|19)(\d\d)")
_THIN_MINI = re.compile(r"6([89])(\d)")


@dataclass(frozen=True, slots=True)
class KnownName:
    """A way of writing a basic designation, where its series ends, and the size it stands for."""

    text: str
    series_length: int
    size: BoundarySize


@lru_cache
def known_names() -> dict[str, KnownName]:
    """Every way of writing a basic designation that is held, canonical and other markets' forms."""
    names: dict[str, KnownName] = {}
    for size in ball_bearing_sizes():
        names[size.designation] = KnownName(size.designation, _series_length(size), size)
    for size in ball_bearing_sizes():
        for text, length in _other_forms(size):
            names.setdefault(text, KnownName(text, length, size))
    return names


def _series_length(size: BoundarySize) -> int:
    return 1 if size.series == "R" else len(size.series)


def _other_forms(size: BoundarySize) -> list[tuple[str, int]]:
    """6805 for 61805, 619/8 for 698, 60/2.5 for 602X."""
    name = size.designation
    thin = _THIN.fullmatch(name)
    if thin:
        return [(f"6{thin.group(1)[1]}{thin.group(2)}", 2)]
    if _THIN_MINI.match(name):
        return [(f"61{name[1]}/{size.d_mm:g}", 3)]
    if name.endswith("X"):
        return [(f"{size.series}/{size.d_mm:g}", len(size.series))]
    return []
