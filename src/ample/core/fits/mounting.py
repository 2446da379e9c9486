"""Putting a bearing on: which ring to push and with what, how warm it has to be and may be."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from ample.core.errors import BadInput
from ample.core.fits.raceways import raceway_mm
from ample.core.fits.ranges import Range
from ample.core.handbook.fitting import heating_for_interference

Ring = Literal["inner", "outer", "both"]
Because = Literal["rings", "seal", "shield", "grease"]
ALPHA_PER_K = 12e-6
EASE_SHARE = 1 / 2000
AMBIENT_C = 20.0
OPEN_LIMIT_C, CLOSED_LIMIT_C = 110.0, 80.0
ALPHA_COLD_PER_K = 10.7e-6  # mean, from shop temperature down to dry ice
FREEZER_C, DRY_ICE_C = -18.0, -78.0


@dataclass(frozen=True)
class Driver:
    """A tube that bears on the ring being pressed and nothing else; mm, None where a size is not known."""

    ring: Ring
    inside_over_mm: float | None
    outside_under_mm: float | None
    length_over_mm: float | None = None


@dataclass(frozen=True)
class Warming:
    """How warm: what slides on (never capped), what it may have and why, and the chance that it slides at the lower."""

    needed_c: float | None
    limit_c: float
    limit_because: Because
    to_c: float
    slides_probability: float | None
    left_um: float


def driver_for(
    inside_mm: float | None,
    outside_mm: float | None,
    ring: Ring,
    rolls: str = "ball",
    over_mm: float | None = None,
) -> Driver:
    """The window of a driver's diameters for a bearing.

    On a shaft it passes over the bore and stays under the inner ring's raceway; in a housing it stays over the outer ring's
    raceway and under the outside. A plate on both rings passes the bore and stays under the outside.

    Args:
        inside_mm: Bore, mm; None while it is not known.
        outside_mm: Outside, mm.
        ring: The ring that goes on tight: "inner", "outer" or "both".
        rolls: "ball" or another element.
        over_mm: How far the shaft stands out beyond the bearing's place, mm.

    Returns:
        The window; a bound is None where a size is not known.

    Raises:
        BadInput: When the outside is not above the bore.

    Source: common practice: force never goes through the balls.

    Example:
        >>> driver_for(25, 52, "inner")
        Driver(ring='inner', inside_over_mm=25, outside_under_mm=30.4, length_over_mm=None)
    """
    track = None
    if inside_mm is not None and outside_mm is not None:
        track = round(raceway_mm(inside_mm, outside_mm, "inner" if ring != "outer" else "outer", rolls), 2)
    if ring == "inner":
        return Driver(ring, inside_mm, track, over_mm)
    if ring == "outer":
        return Driver(ring, track, outside_mm, None)
    return Driver(ring, inside_mm, outside_mm, over_mm)


def warming_for(
    inside_mm: float | None, interference_um: Range | None, closure: str = "open", greased: bool = False,
    ambient_c: float = AMBIENT_C,
) -> Warming:  # fmt: skip
    """How warm a bearing is made for its shaft.

    Formula: T = T_a + (i_max + d/2000)/(12e-6·d). At the lower of that and the limit the growth is 12e-6·d·(T − T_a); the
    chance that it slides is the share of interferences, even between least and most, below it.

    Args:
        inside_mm: Bore, mm, above 0; None while it is not known.
        interference_um: Least to most interference, µm, positive tight; None while it is not known.
        closure: As a bearing's attribute says: "open", "shield_two", "seal_two", …
        greased: Whether it comes filled with grease.
        ambient_c: Temperature of the shaft, °C, −60 to 60.

    Returns:
        What is needed (None without interference), the limit with its reason, the temperature to warm to, the chance
        that it slides there, and the interference that is left at most, µm.

    Raises:
        BadInput: At `inside_mm` or `ambient_c`.

    Source: common practice; 12e-6/K for bearing rings.

    Example:
        >>> found = warming_for(25, Range(3, 12, 21))
        >>> round(found.needed_c), found.limit_c, found.limit_because
        (132, 110.0, 'rings')
    """
    if inside_mm is not None and not 0 < inside_mm <= 2000:
        raise BadInput("bad_size", "A bore must be above 0 mm.", "inside_mm")
    if not -60 <= ambient_c <= 60:
        raise BadInput("bad_temperature", "−60 to 60 °C.", "ambient_c")
    limit, because = _limit(closure, greased)
    if interference_um is None or inside_mm is None:
        return Warming(None, limit, because, limit, None, 0.0)
    warmed = heating_for_interference(
        inside_mm, max(interference_um.max, 0.0), 1000 * inside_mm * EASE_SHARE, ambient_c, ALPHA_PER_K
    )
    needed = warmed["ring_temperature_c"]
    to = min(needed, limit)
    growth = ALPHA_PER_K * inside_mm * (to - ambient_c) * 1000
    least, most = interference_um.min, interference_um.max
    if most - least < 1e-9:
        slides = 1.0 if growth > most else 0.0
    else:
        slides = min(1.0, max(0.0, (growth - least) / (most - least)))
    return Warming(
        round(needed, 1), limit, because, math.floor(to), round(slides, 3), round(max(0.0, most - growth), 1)
    )


@dataclass(frozen=True)
class Chilling:
    """How cold the shaft alone has to be to slip in, and what gets it there: "freezer", "dry_ice" or nothing."""

    needed_c: float
    by: Literal["freezer", "dry_ice", ""]


def chilling_for(inside_mm: float, interference_um: Range, ambient_c: float = AMBIENT_C) -> Chilling:
    """How cold the shaft is made for a bearing that is not heated.

    Formula: T = T_a − (i_max + d/2000)/(α·d), α of steel at that cold: 12e-6 at ambient falling to 10.7e-6 at −78 °C.

    Args:
        inside_mm: Bore, mm, above 0.
        interference_um: Least to most interference, µm, positive tight.
        ambient_c: Temperature of bearing and shaft before, °C.

    Returns:
        The temperature, °C, and the first of freezer (−18 °C) and dry ice (−78 °C) that reaches it.

    Raises:
        BadInput: At `inside_mm`.

    Source: common practice; mean expansion of steel 10.7e-6/K down to −78 °C.

    Example:
        >>> chilling_for(25, Range(3, 12, 21)).by
        ''
    """
    if not 0 < inside_mm <= 2000:
        raise BadInput("bad_size", "A bore must be above 0 mm.", "inside_mm")
    strain = (max(interference_um.max, 0.0) / 1000 + inside_mm * EASE_SHARE) / inside_mm
    needed = ambient_c - strain / ALPHA_COLD_PER_K
    if needed > DRY_ICE_C:
        share = (ambient_c - needed) / (ambient_c - DRY_ICE_C)
        needed = ambient_c - strain / (ALPHA_PER_K + (ALPHA_COLD_PER_K - ALPHA_PER_K) * share)
    by: Literal["freezer", "dry_ice", ""] = (
        "freezer" if needed >= FREEZER_C else "dry_ice" if needed >= DRY_ICE_C else ""
    )
    return Chilling(round(needed, 1), by)


def _limit(closure: str, greased: bool) -> tuple[float, Because]:
    if closure.startswith(("seal", "low_friction")):
        return CLOSED_LIMIT_C, "seal"
    if closure.startswith("shield"):
        return CLOSED_LIMIT_C, "shield"
    return (CLOSED_LIMIT_C, "grease") if greased else (OPEN_LIMIT_C, "rings")
