"""Estimated ratings of roller bearings, and of any kind by its own formula."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

import numpy as np

from ample.core.parts.bearing import BearingSpec
from ample.core.parts.kinds import bearing_kinds
from ample.core.parts.ratings import estimated_ratings
from ample.core.tables import read_table

_HERE = Path(__file__).parent
TWO_ROWS = 2**0.7  # rows of balls that share a load (ISO 281)
OUTER_OVER_INNER = 1.9  # of tapers, in the middle of the lists
PLAIN_N_PER_MM2, SPHERE_OVER_MEAN = (
    85.0,
    1.05,
)  # spherical plain bearings, steel on steel: from memory of list ratings
SELF_ALIGNING = 0.8  # two rows of small balls on a round outer raceway, of one deep row: from list ratings
_GROUPS = {
    "double_row_cylindrical": "double_cylindrical", "full_complement": "full",
    "full_complement_double": "double_cylindrical", "spherical_roller": "spherical", "needle_ring": "needle_ring",
    "needle_angular": "needle_ring", "needle_thrust": "needle",
    "needle_no_ring": "needle", "drawn_cup": "drawn_cup", "drawn_cup_closed": "drawn_cup", "needle_cage": "cage",
    "track_roller_yoke": "needle_ring", "track_roller_stud": "needle_ring",
}  # fmt: skip


@dataclass(frozen=True)
class _Proportions:
    roller_share: float
    length_share: float
    rows: int
    filled: float
    angle_deg: float
    b_m: float


@lru_cache
def _proportions() -> dict[str, _Proportions]:
    rows = read_table(_HERE / "roller_proportions.csv").rows
    return {
        row["group"]: _Proportions(
            float(row["roller_share"]), float(row["length_share"]), int(row["rows"]), float(row["filled"]),
            float(row["angle_deg"]), float(row["b_m"]),
        )
        for row in rows
    }  # fmt: skip


@lru_cache
def _factors() -> tuple[tuple[float, float], ...]:
    return tuple(
        (float(row["gamma"]), float(row["f_c"])) for row in read_table(_HERE / "roller_factors.csv").rows
    )


def _group(kind: str) -> str:
    rolls = dict(bearing_kinds()[kind].seen).get("rolls", "ball")
    return _GROUPS.get(kind) or ("taper" if rolls == "taper" else "cylindrical" if rolls != "ball" else "")


def dynamic_rating_n(spec: BearingSpec) -> float:
    """Estimate the basic dynamic radial load rating of a bearing of any kind that carries radial load.

    Formula: balls as `estimated_ratings`, with two rows 2^0.7 times, self-aligning 0.8 times; rollers
    C = b_m·f_c·(i·L·cos α)^(7/9)·Z^(3/4)·Dw^(29/27), with the usual proportions of the kind; spherical plain bearings 85 N/mm²
    of the sphere's diameter, 1.05·(d + D)/2, times the width of the outer ring.

    Args:
        spec: The bearing.

    Returns:
        C in N, within about a quarter.

    Raises:
        BadInput: When the sizes cannot be those of a bearing.

    Source: ISO 281:2007 (factors from memory); usual proportions as in `roller_proportions.csv`.

    Example:
        >>> round(dynamic_rating_n(BearingSpec("NU210", "NU2", 50, 90, 20, kind="cylindrical_nu")), -3)
        65000.0
    """
    if spec.kind == "spherical_plain":
        sphere = SPHERE_OVER_MEAN * (spec.d_mm + spec.D_mm) / 2
        return PLAIN_N_PER_MM2 * sphere * (spec.C_mm or spec.B_mm)
    group = _group(spec.kind)
    if not group:
        rows = dict(bearing_kinds()[spec.kind].seen).get("rows")
        more = SELF_ALIGNING if spec.kind == "self_aligning" else TWO_ROWS if rows == "2" else 1.0
        return estimated_ratings(spec.d_mm, spec.D_mm, spec.B_mm).dynamic_n * more
    own = _proportions()[group]
    inner = spec.d_mm or spec.D_mm / OUTER_OVER_INNER  # a cup or cone alone has one of the two
    outer = spec.D_mm or spec.d_mm * OUTER_OVER_INNER
    roller, pitch = own.roller_share * (outer - inner), (inner + outer) / 2
    cosine = math.cos(math.radians(own.angle_deg))
    count = math.floor(own.filled * math.pi / math.asin(min(roller / pitch, 1.0)))
    length = own.rows * own.length_share * spec.B_mm * cosine
    gammas, factors = zip(*_factors(), strict=True)
    f_c = float(np.interp(roller * cosine / pitch, gammas, factors))
    return float(own.b_m * f_c * length ** (7 / 9) * count**0.75 * roller ** (29 / 27))
