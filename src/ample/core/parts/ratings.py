"""Estimated ratings of a ball bearing when no maker's value is given."""

from __future__ import annotations

import math
from bisect import bisect_left
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.parts.bearing import CLOSURES
from ample.core.parts.kinds import bearing_kinds
from ample.core.tables import read_table

SPREAD, MINIATURE_SPREAD, MINIATURE_MM = 0.2, 0.55, 10.0
BALL_SHARE, LARGE_BALL_SHARE = 0.294, 0.315
BALL_WIDTH, LARGE_BALL_WIDTH = 0.63, 0.82  # at most this share of the width
LARGE_BALL_BORE_MM, LARGE_BALL_RATIO = 45.0, 1.7  # diameter series 2 to 4: D / d from here on
FILLING_ANGLE_RAD = math.radians(186)
MATERIAL_FACTOR = 1.3
GREASE_SPEED_LIMIT = 500_000.0


@dataclass(frozen=True)
class Ratings:
    """Estimated dynamic and static rating, N, with their relative spread, and the balls assumed."""

    dynamic_n: float
    static_n: float
    spread: float
    ball_mm: float
    balls: int
    speed_rpm: float
    source: str


@lru_cache
def _factors() -> tuple[tuple[float, ...], tuple[float, ...], tuple[float, ...], str]:
    table = read_table(Path(__file__).with_name("rating_factors.csv"))
    columns = tuple(tuple(float(row[name]) for row in table.rows) for name in ("gamma", "f_c", "f_0"))
    return columns[0], columns[1], columns[2], table.source


@lru_cache(maxsize=4096)
def estimated_ratings(d_mm: float, D_mm: float, B_mm: float, closure: str = "open") -> Ratings:
    """Estimate C and C0 of a single-row deep groove ball bearing from its boundary sizes.

    Formula: C = 1.3·f_c·Z^(2/3)·Dw^1.8, C0 = f_0·Z·Dw², Dw ≈ 0.294·(D − d), 0.315 from a bore of 45 mm in the
    diameter series 2 to 4 (at most 0.63·B, there 0.82·B),
    Z from a filling angle of 186°; grease speed n·dm = 500 000 mm/min, less with contact seals.

    Args:
        d_mm: Bore, mm, above 0.
        D_mm: Outside, mm, above the bore.
        B_mm: Width, mm, above 0.
        closure: One of the closures of a bearing.

    Returns:
        The estimate with its spread (±20 %, under 10 mm bore ±55 %: lists differ), the balls assumed, and a grease speed.

    Raises:
        BadInput: When the sizes cannot be those of a ball bearing.

    Source: ISO 281:2007 and ISO 76:2006 with typical internal geometry (common practice).

    Example:
        >>> round(estimated_ratings(25, 52, 15).dynamic_n, -2)
        14000.0
    """
    if not (0 < d_mm < D_mm and B_mm > 0):
        raise BadInput("bad_sizes", "The outside diameter must be larger than the bore.", "D_mm")
    large = d_mm >= LARGE_BALL_BORE_MM and D_mm / d_mm >= LARGE_BALL_RATIO
    share, of_width = (LARGE_BALL_SHARE, LARGE_BALL_WIDTH) if large else (BALL_SHARE, BALL_WIDTH)
    ball = min(share * (D_mm - d_mm), of_width * B_mm)
    pitch = (D_mm + d_mm) / 2
    gamma = min(ball / pitch, 0.4)
    balls = max(3, round(1 + FILLING_ANGLE_RAD / (2 * math.asin(min(ball / pitch, 1.0)))))
    gammas, f_c, f_0, source = _factors()
    power = ball**1.8 if ball <= 25.4 else 3.647 * ball**1.4
    dynamic = MATERIAL_FACTOR * _between(gammas, f_c, gamma) * balls ** (2 / 3) * power
    static = _between(gammas, f_0, gamma) * balls * ball**2
    speed = GREASE_SPEED_LIMIT * CLOSURES[closure].speed_factor / pitch
    spread = SPREAD if d_mm >= MINIATURE_MM else MINIATURE_SPREAD
    return Ratings(dynamic, static, spread, ball, balls, speed, source)


_NEEDLE_OF_CAP = 0.09
_ELEMENT_SHARES = {"roller": 0.25, "taper": 0.24, "barrel": 0.24, "needle": 0.5, "none": 0.0}
_NEEDLES_IN_RINGS = {"drawn_cup": 0.36, "drawn_cup_closed": 0.36, "needle_no_ring": 0.25, "needle_ring": 0.13,
                     "needle_angular": 0.13, "needle_thrust": 0.25,
                     "needle_cage": 0.5, "track_roller_yoke": 0.08, "track_roller_stud": 0.13}  # fmt: skip


def element_mm(kind: str, d_mm: float, D_mm: float, width_mm: float) -> float:
    """The diameter of what rolls, mm, in usual proportion: for drawings only.

    Formula: a share of D − d by kind, not more than the width lets in; flat bearings 0.6 of the height.

    Args:
        kind: The kind of bearing.
        d_mm: What sits on the shaft, mm; 0 for a cup alone.
        D_mm: What sits in the housing, mm; 0 for a cone alone.
        width_mm: Width along the shaft, or height, mm, above 0.

    Returns:
        The diameter, mm; 0 where nothing rolls.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> element_mm("deep_groove", 25, 52, 15), element_mm("angle_ring", 30, 41.4, 4)
        (7.938, 0.0)
    """
    seen = dict(bearing_kinds()[kind].seen)
    rolls, flat = seen.get("rolls", "ball"), seen.get("lies") == "flat"
    if rolls == "none":
        return 0.0
    if kind == "joint_cross":
        return round(_NEEDLE_OF_CAP * D_mm, 3)
    if not d_mm or not D_mm:
        return round(0.5 * width_mm, 3)
    room = D_mm - d_mm
    if flat:
        return round(width_mm if kind == "thrust_needle" else min(0.55 * width_mm, 0.3 * room), 3)
    if kind in _NEEDLES_IN_RINGS:
        return round(_NEEDLES_IN_RINGS[kind] * room, 3)
    if rolls == "ball":
        rows = 2 if seen.get("rows") == "2" else 1
        return round(min(BALL_SHARE * room, BALL_WIDTH * width_mm / rows), 3)
    return round(_ELEMENT_SHARES[rolls] * room, 3)


def _between(xs: tuple[float, ...], ys: tuple[float, ...], x: float) -> float:
    if x <= xs[0]:
        return ys[0]
    if x >= xs[-1]:
        return ys[-1]
    right = bisect_left(xs, x)
    share = (x - xs[right - 1]) / (xs[right] - xs[right - 1])
    return ys[right - 1] + share * (ys[right] - ys[right - 1])
