"""What the words beside a mark say of the part: that it is a bearing, and what rolls in it."""

from __future__ import annotations

from ample.core.designation.seals.words import words_in
from ample.core.parts import MarkingReading, bearing_kinds

_BEARING = frozenset(("BEARING", "BEARINGS", "BRG"))
_GROUPS = {
    "BALL": ("ball",),
    "CYLINDRICAL": ("roller",),
    "SPHERICAL": ("barrel",),
    "NEEDLE": ("needle",),
    "TAPER": ("taper",),
    "TAPERED": ("taper",),
    "THRUST": ("thrust",),
}


def as_said(readings: list[MarkingReading], beside: tuple[str, ...], clean: str) -> list[MarkingReading]:
    """Of several readings those that agree with the words: a bearing, of balls, of needles; all of them where none does.

    Args:
        readings: Readings of a text, best first.
        beside: The words that stand beside the mark.
        clean: The whole text in capitals: where it names a seal too, the words are not of one part.

    Returns:
        The readings, best first.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> from ample.core.designation import decode
        >>> [each.designation for each in decode("taper bearing 25x52x16.25")]
        ['30205']
    """
    words = {word.strip(".,") for piece in beside for word in piece.upper().split()}
    groups = {group for word in words & _GROUPS.keys() for group in _GROUPS[word]}
    if len(readings) < 2 or not (groups or words & _BEARING):
        return readings
    if any(word.names_family for _, _, meanings in words_in(clean) for word in meanings):
        return readings
    bearings = [each for each in readings if each.family == "bearing"]
    kinds = bearing_kinds()
    of_kind = [each for each in bearings if kinds[each.attributes["kind"]].group in groups]
    return of_kind or (bearings if words & _BEARING else []) or readings
