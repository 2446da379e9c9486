"""The place of a seal, ring or small part: do the sizes measured beside it suit the part that is to go in?"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ample.core.parts import FAMILIES, PartSpec
from ample.core.parts.requirement import Measured
from ample.core.parts.seals import GROOVE_WALLS

TRACK_DEPTH_MM = 0.05  # half the difference of shaft and track: over it no polishing helps
_ROUNDING_MM = 0.0005

# What stands for shaft and housing of a part that is not pressed on: features read beside it, and in words.
PLACES = {
    "lip_seal": ((("shaft", "shaft_track"), "shaft under the lip"), (("housing_bore",), "housing bore")),
    "o_ring": (
        (GROOVE_WALLS, "bottom of the groove"),
        (("groove_width", "groove_depth", "dovetail_opening", "connector_leg"), "width of the groove"),
    ),
    "hydraulic_seal": ((("rod", "bore"), "rod or bore"), (("groove_diameter", "groove_width"), "groove")),
    "face_seal": ((("shaft",), "shaft or sleeve"), (("seat_outside",), "seat")),
    "retaining_ring": ((("groove_diameter",), "groove"), (("groove_width",), "width of the groove")),
    "key": ((("shaft", "key_width"), "keyway"), (("key_height", "key_width"), "keyway")),
}


@dataclass(frozen=True)
class PlaceFact:
    """What is known of a place: its state, and why in words."""

    state: str
    words: str


def place_of(spec: PartSpec, side: str, measured: Mapping[str, Measured]) -> PlaceFact:
    """Judge whether the place of a part suits it.

    Formula: a size of the place suits when its mean lies within the limits that the part wants; outside by no more
    than its uncertainty it cannot be told, further out it does not. A worn track deeper than 0.05 mm does not.

    Args:
        spec: The part that is to go in.
        side: `shaft` or `housing`, as the order checks call the inner and the outer place.
        measured: What was measured, by feature.

    Returns:
        `holds`, `not_proven`, `does_not_hold` or `not_looked_at`, with the reason.

    Raises:
        KeyError: When the family does not exist.

    Source: the limits of `Family.measures`; the track by common practice.

    Example:
        >>> from ample.core.parts import SealSpec
        >>> seal = SealSpec("lip_seal", "35x62x7", "lip_rubber", (35.0, 62.0, 7.0))
        >>> place_of(seal, "housing", {"housing_bore": Measured("housing_bore", 62.15, 0.04, 1, "bore gauge")}).state
        'does_not_hold'
    """
    places = PLACES.get(spec.family)
    if places is None:
        return PlaceFact("holds", "Nothing to measure there.")
    features, words = places[0 if side == "shaft" else 1]
    found = (_feature(spec, measured[name], measured) for name in features if name in measured)
    judged = [each for each in found if each is not None]
    if not judged:
        return PlaceFact("not_looked_at", f"The {words} has not been measured.")
    worst = max(judged, key=lambda each: _WORST.index(each.state))
    return worst if worst.state != "holds" else PlaceFact("holds", " ".join(each.words for each in judged))


_WORST = ("holds", "not_proven", "does_not_hold")


def _feature(spec: PartSpec, read: Measured, measured: Mapping[str, Measured]) -> PlaceFact | None:
    family = FAMILIES[spec.family]
    if read.feature == "shaft_track" and "shaft" in measured:
        return _track(measured["shaft"], read)
    limits = family.measures(spec.make, read.feature)
    if not limits:
        return None
    low, high = min(each.low_mm for each in limits), max(each.high_mm for each in limits)
    words = family.feature(read.feature).words
    size = f"{words} {read.mean_mm:.2f} ±{read.expanded_uncertainty_mm:.2f} mm"
    asked = f"{low:.2f} to {high:.2f} mm"
    out = max(low - read.mean_mm, read.mean_mm - high, 0.0)
    if out <= _ROUNDING_MM:
        return PlaceFact("holds", f"The {size} is within range ({asked}).")
    if out <= read.expanded_uncertainty_mm:
        return PlaceFact("not_proven", f"The {size} is at the limit of {asked}: measure it more accurately.")
    return PlaceFact("does_not_hold", f"The {size} is out of range for {spec.size_text}: it needs {asked}.")


def _track(shaft: Measured, track: Measured) -> PlaceFact:
    """The groove that the old lip has worn: half the difference beside and in it."""
    depth = (shaft.mean_mm - track.mean_mm) / 2
    expanded_mm = max(shaft.expanded_uncertainty_mm, track.expanded_uncertainty_mm) / 2
    if depth <= TRACK_DEPTH_MM:
        return PlaceFact("holds", f"The sealing track is {max(depth, 0.0):.2f} mm deep.")
    if depth - expanded_mm <= TRACK_DEPTH_MM:
        return PlaceFact(
            "not_proven",
            f"The sealing track is {depth:.2f} ±{expanded_mm:.2f} mm deep: draw a fingernail across it.",
        )
    return PlaceFact(
        "does_not_hold",
        f"The sealing track is {depth:.2f} mm deep: a new lip would leak. Move the lip, or sleeve the shaft.",
    )
