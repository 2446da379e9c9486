"""The fit of a hole zone and a shaft zone."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.errors import BadInput
from ample.core.standards import limits


@dataclass(frozen=True)
class Fit:
    """Least and most clearance of a pair of zones, µm (negative is interference), and its kind."""

    size_mm: float
    hole: str
    shaft: str
    min_clearance_um: float
    max_clearance_um: float
    kind: str
    source: str


def fit(size_mm: float, hole: str, shaft: str) -> Fit:
    """The clearance that a hole zone and a shaft zone leave at a nominal size.

    Formula: least = EI − es, most = ES − ei; most ≤ 0 is interference, least ≥ 0 clearance,
    anything else transition.

    Args:
        size_mm: Nominal size, above 0 to 500 mm.
        hole: Zone of the hole, capital letter, such as `H7`.
        shaft: Zone of the shaft, small letter, such as `k6`.

    Returns:
        Least and most clearance, µm, and the kind.

    Raises:
        BadInput: When a zone does not exist, or hole and shaft are mixed up.

    Source: ISO 286-1:2010, clauses 3.3 and 4.

    Example:
        >>> fit(25, "H7", "k6").kind
        'transition'
    """
    for name, zone, is_hole in (("hole", hole, True), ("shaft", shaft, False)):
        if zone[:1].isalpha() and zone[:1].isupper() is not is_hole:
            word = "capital" if is_hole else "small"
            raise BadInput("hole_and_shaft", f"A {name} has a {word} letter; “{zone[:12]}” has not.", name)
    try:
        inside = limits(size_mm, hole)
    except BadInput as error:
        raise _placed(error, "hole") from error
    try:
        outside = limits(size_mm, shaft)
    except BadInput as error:
        raise _placed(error, "shaft") from error
    least = inside.lower_um - outside.upper_um
    most = inside.upper_um - outside.lower_um
    kind = "interference" if most <= 0 else "clearance" if least >= 0 else "transition"
    return Fit(size_mm, hole, shaft, least, most, kind, inside.source)


def _placed(error: BadInput, field: str) -> BadInput:
    return BadInput(error.code, error.message, field if error.field == "zone" else error.field, error.hint)
