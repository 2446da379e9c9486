"""Raceways of a bearing where they are not known."""

from __future__ import annotations

from ample.core.errors import BadInput


def raceway_mm(inside_mm: float, outside_mm: float, ring: str, rolls: str = "ball") -> float:
    """The raceway's diameter where it is not known.

    Formula: ball F = (4d + D)/5, E = (4D + d)/5; roller F = (3d + D)/4, E = (3D + d)/4.

    Args:
        inside_mm: Bore d, mm.
        outside_mm: Outside D, mm.
        ring: "inner" (F) or "outer" (E).
        rolls: "ball" or another element.

    Returns:
        The diameter in mm.

    Raises:
        BadInput: When the outside is not above the bore.

    Source: common practice.

    Example:
        >>> raceway_mm(25, 52, "inner")
        30.4
    """
    if not 0 < inside_mm < outside_mm:
        raise BadInput("bad_sizes", "The outside diameter must be larger than the bore.", "D_mm")
    share = 4 if rolls == "ball" else 3
    own, other = (inside_mm, outside_mm) if ring == "inner" else (outside_mm, inside_mm)
    return (share * own + other) / (share + 1)
