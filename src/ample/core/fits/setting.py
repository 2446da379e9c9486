"""What both seats take from the axial play of a bearing that is set against another, in place of a radial clearance."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.fits.clearance import Interference
from ample.core.fits.judging.chances import Internals, left_um, taken_um
from ample.core.fits.ranges import Range
from ample.core.parts import BearingSpec
from ample.core.tables import read_table

TAPERS = frozenset(("taper", "inch_taper"))
USUAL_ANGLE_DEG = 40.0  # of a single-row angular contact ball bearing whose angle is not marked
PAIRED = "pair_"
_OTHER = "other"


@dataclass(frozen=True)
class ContactAngle:
    """The angle at which the elements stand to the raceway, degrees: least, usual, most; and whether it is marked."""

    least_deg: float
    usual_deg: float
    most_deg: float
    known: Literal["marked", "by_series", "assumed"]


@dataclass(frozen=True)
class SettingAfterFitting:
    """Axial play that the two seats take from one bearing, µm: worst to best, and the 5 %, 50 % and 95 % points.

    `matched` says that it is one of a pair set by its faces, which loses it on both bearings.
    """

    angle_deg: float
    angle_known: Literal["marked", "by_series", "assumed"]
    taken: Range
    taken_usual: Range
    matched: bool
    words: str
    source: str


def contact_angle(spec: BearingSpec) -> ContactAngle | None:
    """The contact angle of a bearing that is set against another; None for any other.

    Formula: tapers: tan α = e/1.5.

    Args:
        spec: The bearing.

    Returns:
        Degrees.

    Raises:
        Nothing.

    Source: ISO 281 (e = 1.5·tan α); e by series: `taper_angles.csv`, from memory.

    Example:
        >>> round(contact_angle(BearingSpec("30206", "302", 30, 62, 16, kind="taper")).usual_deg, 1)
        14.9
    """
    if spec.kind == "angular_contact":
        if spec.angle.isdigit():
            return ContactAngle(*(3 * (float(spec.angle),)), known="marked")
        return ContactAngle(*(3 * (USUAL_ANGLE_DEG,)), known="assumed")
    if spec.kind not in TAPERS:
        return None
    steep = spec.angle == "steep"
    held = _angles().get(_OTHER if steep else spec.series)
    angles = held or _angles()[_OTHER]
    return ContactAngle(*angles, known="by_series" if held and not steep else "assumed")


@lru_cache
def _angles() -> dict[str, tuple[float, float, float]]:
    rows = read_table(Path(__file__).with_name("taper_angles.csv")).rows
    return {
        row["series"]: tuple(  # type: ignore[misc]
            math.degrees(math.atan(float(row[name]) / 1.5)) for name in ("least_e", "usual_e", "most_e")
        )
        for row in rows
    }


def setting_after_fitting(
    spec: BearingSpec,
    shaft: Interference,
    housing: Interference,
    hollow_mm: float = 0.0,
    housing_material: str = "steel",
) -> SettingAfterFitting | None:
    """What the fits of both rings take from the axial play of one bearing of a set pair.

    Formula: (k_i·i⁺ + k_o·j⁺)/(2·tan α): both raceways grow and shrink as in `clearance_left`, half of it is radial, and a
    ring slides along its raceway by the radial part over tan α.

    Args:
        spec: The bearing.
        shaft: Interference on the shaft, µm.
        housing: Interference in the housing, µm.
        hollow_mm: Bore of a hollow shaft, mm.
        housing_material: What the housing is of.

    Returns:
        µm of one bearing; None where it is not set against another.

    Raises:
        Nothing.

    Source: geometry of the raceways; Lamé as `clearance_left`.

    Example:
        >>> spec = BearingSpec("30206", "302", 30, 62, 16, kind="taper")
        >>> tight = Interference.of(Range(14.5, 14.5, 14.5))
        >>> setting_after_fitting(spec, tight, Interference.of(Range(-9, -9, -9))).taken.likely
        20.1
    """
    angle = contact_angle(spec)
    if angle is None or not (spec.d_mm and spec.D_mm):
        return None
    rolls = "ball" if spec.kind == "angular_contact" else "roller"
    inside = Internals(spec.d_mm, spec.D_mm, rolls, "ground", hollow_mm, housing_material)
    on, within = inside.takes

    def axial(of_shaft: float, of_housing: float, degrees: float) -> float:
        radial = (on * max(of_shaft, 0.0) + within * max(of_housing, 0.0)) / 2
        return round(radial / math.tan(math.radians(degrees)), 1)

    i, j = shaft.range, housing.range
    taken = Range(
        axial(i.min, j.min, angle.most_deg), axial(i.likely, j.likely, angle.usual_deg), axial(i.max, j.max, angle.least_deg)
    )  # fmt: skip
    share = 1 / (2 * math.tan(math.radians(angle.usual_deg)))
    # left_um tells points of a clearance less what is taken: of a clearance of none, in reverse
    least, middle, most = left_um(taken_um(inside, shaft.values, housing.values, 0.0) * share, (0.0, 0.0))
    usual = Range(-most, -middle, -least)
    matched = any(each.startswith(PAIRED) for each in spec.extras)
    return SettingAfterFitting(
        round(angle.usual_deg, 1), angle.known, taken, usual, matched, _words(usual, matched),
        "e = 1.5·tan α (ISO 281); e by series from memory of bearing lists" if spec.kind in TAPERS else "contact angle as marked; 40° where it is not",
    )  # fmt: skip


def _words(usual: Range, matched: bool) -> str:
    if usual.max < 1:
        return "Its rings are not fitted tightly: fitting takes no axial play."
    if matched:
        return "Each bearing of the matched pair loses so much: its clearance becomes smaller, or its preload higher. With preload, ask for the maker's fit."
    return "Set the pair after both rings are seated, never before: each bearing loses so much."
