"""What shafts and housings are made of: their expansion, and how they give."""

from __future__ import annotations

from dataclasses import dataclass
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


@dataclass(frozen=True)
class Elastic:
    """Modulus of elasticity, MPa, and Poisson's ratio of a material."""

    modulus_mpa: float
    poisson: float


@lru_cache
def elastic(material: str) -> Elastic:
    """How a material gives.

    Formula: none; tabulated.

    Args:
        material: Its name.

    Returns:
        Modulus and Poisson's ratio.

    Raises:
        KeyError: When the material is not known.

    Source: handbook figures, from memory (`materials.csv`).

    Example:
        >>> elastic("aluminium").modulus_mpa
        70000.0
    """
    rows = read_table(Path(__file__).with_name("materials.csv")).rows
    held = {row["material"]: Elastic(float(row["modulus_mpa"]), float(row["poisson"])) for row in rows}
    return held[material]


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
