"""What a shaft or bore that is itself the raceway of needles has to be."""

from __future__ import annotations

from typing import Literal

from ample.core.fits.finding import PlaceFinding

HARD_HRC, SOFT_HRC = 58.0, 55.0
SMOOTH_RA_UM, ROUGH_RA_UM = 0.2, 0.4


def raceway_findings(hardness_hrc: float | None, roughness_um: float | None) -> tuple[PlaceFinding, ...]:
    """Judge hardness and finish of a raceway.

    Formula: 58 HRC and more is good, under 55 HRC it must not run; Ra 0.2 µm is good, over 0.4 µm it must not run.

    Args:
        hardness_hrc: Hardness, HRC; None when not tested.
        roughness_um: Ra, µm; None when not measured.

    Returns:
        The findings.

    Raises:
        Nothing.

    Source: bearing handbooks, from memory.

    Example:
        >>> [each.code for each in raceway_findings(40, 0.1)]
        ['raceway_soft']
    """
    found = []
    if hardness_hrc is not None and hardness_hrc < HARD_HRC:
        stops: Literal["stop", "warn"] = "stop" if hardness_hrc < SOFT_HRC else "warn"
        found.append(PlaceFinding("raceway_soft", stops, f"{hardness_hrc:g} HRC: needles need {HARD_HRC:g} HRC or more on their raceway.", "Fit an inner ring, or harden and grind it."))  # fmt: skip
    if roughness_um is not None and roughness_um > SMOOTH_RA_UM:
        stops = "stop" if roughness_um > ROUGH_RA_UM else "warn"
        found.append(PlaceFinding("raceway_rough", stops, f"Ra {roughness_um:g} µm: needles need Ra {SMOOTH_RA_UM:g} µm or less on their raceway.", "Grind and polish it, or fit an inner ring."))  # fmt: skip
    return tuple(found)
