"""What shafts and housings are made of: their expansion."""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.errors import BadInput
from ample.core.tables import read_table

Material = Literal[
    "steel", "stainless_martensitic", "stainless_austenitic", "grey_iron", "aluminium", "bronze"
]  # fmt: skip


@lru_cache
def _expansions() -> dict[str, float]:
    rows = read_table(Path(__file__).with_name("materials.csv")).rows
    return {row["material"]: float(row["expansion_per_k"]) for row in rows}


def expansion_of(material: str) -> float:
    """How much a material grows.

    Formula: none; tabulated.

    Args:
        material: Its name.

    Returns:
        The expansion, 1/K.

    Raises:
        BadInput: When the material is not known.

    Source: handbook figures, from memory (`materials.csv`).

    Example:
        >>> expansion_of("aluminium")
        2.3e-05
    """
    known = _expansions()
    if material not in known:
        raise BadInput(
            "no_such_material",
            f"Unknown material “{material[:20]}”.",
            "material",
            f"One of {', '.join(known)}.",
        )
    return known[material]
