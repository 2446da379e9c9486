"""A seal, ring or small part as it is ordered."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.parts.families import ToleranceSpec
from ample.core.parts.kinds import seal_kinds
from ample.core.parts.seals.family import SEALS


@dataclass(frozen=True, slots=True)
class SealSpec:
    """A seal, ring or small part as it is ordered: sizes in the order of its family, and attributes."""

    family: str
    designation: str
    kind: str
    dimensions_mm: tuple[float, ...]
    attributes: tuple[tuple[str, str], ...] = ()
    series: str = ""

    @property
    def make(self) -> ToleranceSpec:
        """What decides how it measures when new."""
        kind = seal_kinds()[self.family][self.kind]
        return ToleranceSpec(kind.scheme, kind.tolerance, self.dimensions_mm, "")

    @property
    def marked(self) -> dict[str, str]:
        """The attributes that a marking can state, by name."""
        return dict(self.attributes)

    @property
    def dimensions(self) -> dict[str, float]:
        """The dimensions by their contract names."""
        return SEALS[self.family].contract_dimensions(self.kind, self.dimensions_mm)

    @property
    def size_text(self) -> str:
        """Its size in words: `35 × 52 × 7`, `20 × 2.5`."""
        return said_size(self.family, self.kind, self.dimensions_mm)


def said_size(family: str, kind: str, dimensions_mm: tuple[float, ...]) -> str:
    """A size as the trade says it.

    Args:
        family: The family.
        kind: The kind within it.
        dimensions_mm: Sizes in the order of its family, mm.

    Returns:
        The size in mm, parts with ×; a retaining ring with its thickness, a key with its length.

    Raises:
        KeyError: When the family or kind does not exist.

    Source: common practice.

    Example:
        >>> said_size("hydraulic_seal", "u_cup", (40.0, 5.0, 8.0, 0.0))
        '40 × 50 × 8'
    """
    own = SEALS[family].contract_dimensions(kind, dimensions_mm)
    if family == "hydraulic_seal":
        names = ["inside_mm", "outside_mm", *(("base_mm",) if "base_mm" in own else ()), "height_mm"]
    elif family == "retaining_ring":
        names = ["size_mm", "thickness_mm"]
    else:
        names = list(own)
    return " × ".join(f"{_tidy(own[name])}" for name in names if own[name])


def _tidy(size_mm: float) -> str:
    return f"{round(size_mm, 3):g}"
