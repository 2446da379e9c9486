"""Rolling bearings: life, loads, speeds, what a run of them sounds like, grease and oil, loose needles."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise

from ample.core.errors import BadInput
from ample.core.parts.needles import full_row

Answers = dict[str, float]
_EXPONENT = {"ball": 3.0, "roller": 10 / 3}
# f0·Fa/C0, e, Y of ISO 281:2007, deep groove, normal clearance (from memory)
_DEEP_GROOVE = (
    (0.172, 0.19, 2.30), (0.345, 0.22, 1.99), (0.689, 0.26, 1.71), (1.03, 0.28, 1.55), (1.38, 0.30, 1.45),
    (2.07, 0.34, 1.31), (3.45, 0.38, 1.15), (5.17, 0.42, 1.04), (6.89, 0.44, 1.00),
)  # fmt: skip
_RELIABILITY = {90.0: 1.0, 95.0: 0.64, 96.0: 0.55, 97.0: 0.47, 98.0: 0.37, 99.0: 0.25}
_STEEL_G_CM3 = 7.8


def basic_life(elements: str, dynamic_kn: float, equivalent_kn: float, rpm: float) -> Answers:
    """The life that nine in ten bearings reach.

    Formula: L10 = (C/P)^p million revolutions, p = 3 ball, 10/3 roller; hours = 10⁶·L10/(60·n)
    Worked: L10 = ({dynamic_kn}/{equivalent_kn})^p = {l10_mrev} million; 10⁶·{l10_mrev}/(60·{rpm}) = {l10_h} h
    Valid: P up to about half of C; clean, well lubricated, no misalignment.
    Source: ISO 281:2007
    Example:
        >>> basic_life("ball", 14, 1.4, 1000)["l10_mrev"]
        1000.0
    """
    life = (dynamic_kn / equivalent_kn) ** _EXPONENT[elements]
    return {"l10_mrev": round(life, 9), "l10_h": 1e6 * life / (60 * rpm)}


def needed_rating(elements: str, equivalent_kn: float, rpm: float, hours: float) -> Answers:
    """The rating that a life asks for.

    Formula: C = P·(60·n·h/10⁶)^(1/p)
    Worked: C = {equivalent_kn}·(60·{rpm}·{hours}/10⁶)^(1/p) = {dynamic_kn} kN
    Valid: as the basic life.
    Source: ISO 281:2007
    Example:
        >>> round(needed_rating("ball", 2, 1000, 20000)["dynamic_kn"], 2)
        21.25
    """
    return {"dynamic_kn": equivalent_kn * (60 * rpm * hours / 1e6) ** (1 / _EXPONENT[elements])}


def mean_load(shares_and_loads_kn: Sequence[tuple[float, float]], exponent: float) -> Answers:
    """One load that wears as much as several in turn, at one speed.

    Formula: P = (Σ q_i·P_i^p)^(1/p)
    Worked: P = (Σ q·P^{exponent})^(1/{exponent}) = {equivalent_kn} kN
    Valid: shares of revolutions that add to 1.
    Source: bearing handbooks; linear damage
    Example:
        >>> round(mean_load([(0.3, 10), (0.7, 5)], 3)["equivalent_kn"], 2)
        7.29
    """
    _whole(shares_and_loads_kn, "shares_and_loads_kn")
    return {"equivalent_kn": sum(q * load**exponent for q, load in shares_and_loads_kn) ** (1 / exponent)}


def life_of_changing_load(shares_and_lives_mrev: Sequence[tuple[float, float]]) -> Answers:
    """The life under several loads in turn.

    Formula: L = 1/Σ(share_i/L_i)
    Worked: L = 1/Σ(share/L) = {life_mrev} million
    Valid: shares of revolutions that add to 1.
    Source: linear damage (Palmgren, Miner)

    Example:
        >>> round(life_of_changing_load([(0.5, 100), (0.5, 200)])["life_mrev"], 1)
        133.3
    """
    _whole(shares_and_lives_mrev, "shares_and_lives_mrev")
    return {"life_mrev": 1 / sum(share / life for share, life in shares_and_lives_mrev)}


def life_of_set(lives_h: Sequence[float], weibull_slope: float) -> Answers:
    """The life of a set of bearings: until the first of them fails.

    Formula: L^-e = Σ L_i^-e
    Worked: L = (Σ L^-{weibull_slope})^(-1/{weibull_slope}) = {life_h} h
    Valid: e = 1.5 balls, 9/8 rollers, as ISO 281 has it.
    Source: product of reliabilities of Weibull lives
    Example:
        >>> round(life_of_set([10000, 10000], 1.5)["life_h"])
        6300
    """
    return {"life_h": sum(life**-weibull_slope for life in lives_h) ** (-1 / weibull_slope)}


def life_reliability_factor(reliability_percent: float) -> Answers:
    """What of the basic life more than nine in ten bearings reach.

    Formula: a1 as tabulated for 90, 95, 96, 97, 98 and 99 %
    Worked: at {reliability_percent} %: a1 = {a1}
    Valid: those reliabilities only.
    Source: ISO 281:2007, from memory
    Example:
        >>> life_reliability_factor(95)
        {'a1': 0.64}
    """
    if reliability_percent not in _RELIABILITY:
        raise BadInput(
            "not_in_the_table", "The table has 90, 95, 96, 97, 98 and 99 %.", "reliability_percent"
        )
    return {"a1": _RELIABILITY[reliability_percent]}


def equivalent_load_deep_groove(radial_kn: float, axial_kn: float, static_kn: float, f0: float) -> Answers:
    """The equivalent load of a deep groove ball bearing.

    Formula: at f0·Fa/C0 e and Y as tabulated, straight between; P = 0.56·Fr + Y·Fa when Fa/Fr > e, else Fr
    Worked: {f0}·{axial_kn}/{static_kn} = {relative_axial}: e = {e}, Y = {y}; P = {equivalent_kn} kN
    Valid: normal clearance; f0·Fa/C0 from 0.172 to 6.89 (below it as at 0.172).
    Source: ISO 281:2007, table of X and Y, from memory
    Example:
        >>> round(equivalent_load_deep_groove(1, 0.689, 13, 13)["equivalent_kn"], 3)
        1.738
    """
    relative = f0 * axial_kn / static_kn
    if relative > _DEEP_GROOVE[-1][0] + 1e-9:
        raise BadInput(
            "over_the_table",
            "The axial load is too high for this bearing: the table ends at 6.89.",
            "axial_kn",
        )
    e, y = _between(relative)
    if radial_kn > 0 and axial_kn / radial_kn <= e:
        return {"relative_axial": relative, "e": e, "y": y, "x": 1.0, "equivalent_kn": radial_kn}
    return {
        "relative_axial": relative, "e": e, "y": y, "x": 0.56, "equivalent_kn": 0.56 * radial_kn + y * axial_kn,
    }  # fmt: skip


def _between(relative: float) -> tuple[float, float]:
    if relative <= _DEEP_GROOVE[0][0]:
        return _DEEP_GROOVE[0][1:]
    for (x0, e0, y0), (x1, e1, y1) in pairwise(_DEEP_GROOVE):
        if relative <= x1 + 1e-9:
            share = (relative - x0) / (x1 - x0)
            return e0 + share * (e1 - e0), y0 + share * (y1 - y0)
    return _DEEP_GROOVE[-1][1:]


def equivalent_load_angular_40(radial_kn: float, axial_kn: float) -> Answers:
    """The equivalent load of a single angular contact ball bearing of 40°.

    Formula: Fa/Fr ≤ 1.14: P = Fr; else P = 0.35·Fr + 0.57·Fa
    Worked: {axial_kn}/{radial_kn} against 1.14; P = {equivalent_kn} kN
    Valid: one bearing, or two in tandem as one.
    Source: ISO 281:2007
    Example:
        >>> equivalent_load_angular_40(2, 5)
        {'equivalent_kn': 3.55}
    """
    if axial_kn <= 1.14 * radial_kn + 1e-9:
        return {"equivalent_kn": radial_kn}
    return {"equivalent_kn": round(0.35 * radial_kn + 0.57 * axial_kn, 9)}


def equivalent_load_angular_40_pair(radial_kn: float, axial_kn: float) -> Answers:
    """The equivalent load of a pair of angular contact ball bearings of 40°, back to back or face to face.

    Formula: Fa/Fr ≤ 1.14: P = Fr + 0.55·Fa; else P = 0.57·Fr + 0.93·Fa
    Worked: {axial_kn}/{radial_kn} against 1.14; P = {equivalent_kn} kN
    Valid: the pair as one bearing.
    Source: ISO 281:2007
    Example:
        >>> equivalent_load_angular_40_pair(5, 3)
        {'equivalent_kn': 6.65}
    """
    if axial_kn <= 1.14 * radial_kn + 1e-9:
        return {"equivalent_kn": round(radial_kn + 0.55 * axial_kn, 9)}
    return {"equivalent_kn": round(0.57 * radial_kn + 0.93 * axial_kn, 9)}


def equivalent_load_spherical_thrust(radial_kn: float, axial_kn: float) -> Answers:
    """The equivalent load of a spherical roller thrust bearing.

    Formula: P = Fa + 1.2·Fr
    Worked: P = {axial_kn} + 1.2·{radial_kn} = {equivalent_kn} kN
    Valid: Fr ≤ 0.55·Fa.
    Source: ISO 281:2007
    Example:
        >>> equivalent_load_spherical_thrust(10, 50)
        {'equivalent_kn': 62.0}
    """
    if radial_kn > 0.55 * axial_kn + 1e-9:
        raise BadInput(
            "radial_too_high", "The radial load may be at most 0.55 of the axial load.", "radial_kn"
        )
    return {"equivalent_kn": axial_kn + 1.2 * radial_kn}


def equivalent_load_taper(radial_kn: float, axial_kn: float, e: float, y: float) -> Answers:
    """The equivalent load of a tapered roller bearing.

    Formula: Fa/Fr ≤ e: P = Fr; else P = 0.4·Fr + Y·Fa
    Worked: {axial_kn}/{radial_kn} against {e}; P = {equivalent_kn} kN
    Valid: one bearing; its own thrust is part of the axial load.
    Source: ISO 281:2007
    Example:
        >>> equivalent_load_taper(5, 5, 0.37, 1.6)
        {'equivalent_kn': 10.0}
    """
    if axial_kn <= e * radial_kn + 1e-9:
        return {"equivalent_kn": radial_kn}
    return {"equivalent_kn": 0.4 * radial_kn + y * axial_kn}


def taper_factors_from_angle(contact_angle_deg: float) -> Answers:
    """The factors of a tapered roller bearing from its contact angle.

    Formula: e = 1.5·tan α, Y = 0.4·cot α
    Worked: e = 1.5·tan {contact_angle_deg}° = {e}; Y = 0.4·cot {contact_angle_deg}° = {y}
    Valid: single row.
    Source: ISO 281:2007
    Example:
        >>> round(taper_factors_from_angle(12)["e"], 4)
        0.3188
    """
    tangent = math.tan(math.radians(contact_angle_deg))
    return {"e": 1.5 * tangent, "y": 0.4 / tangent}


def own_thrust_taper(radial_kn: float, y: float) -> Answers:
    """The thrust that a tapered roller bearing makes by itself under a radial load.

    Formula: Fa = Fr/(2·Y)
    Worked: Fa = {radial_kn}/(2·{y}) = {own_thrust_kn} kN
    Valid: half of its rollers under load.
    Source: bearing handbooks
    Example:
        >>> own_thrust_taper(10, 1.6)
        {'own_thrust_kn': 3.125}
    """
    return {"own_thrust_kn": radial_kn / (2 * y)}


def static_load_deep_groove(radial_kn: float, axial_kn: float, static_kn: float) -> Answers:
    """The static load of a deep groove ball bearing and its safety.

    Formula: P0 = 0.6·Fr + 0.5·Fa, not less than Fr; s0 = C0/P0
    Worked: 0.6·{radial_kn} + 0.5·{axial_kn}: P0 = {static_equivalent_kn} kN; s0 =
        {static_kn}/{static_equivalent_kn} = {safety}
    Valid: deep groove ball bearings.
    Source: ISO 76:2006
    Example:
        >>> static_load_deep_groove(5, 2, 10)
        {'static_equivalent_kn': 5, 'safety': 2.0}
    """
    load = max(0.6 * radial_kn + 0.5 * axial_kn, radial_kn)
    if load <= 0:
        raise BadInput("no_load", "There is no load.", "radial_kn")
    return {"static_equivalent_kn": load, "safety": static_kn / load}


def n_dm(bore_mm: float, outside_mm: float, rpm: float) -> Answers:
    """The speed of a bearing as speed times mean diameter.

    Formula: n·dm = n·(d + D)/2
    Worked: {rpm}·({bore_mm} + {outside_mm})/2 = {n_dm}
    Valid: the outside larger than the bore.
    Source: common practice
    Example:
        >>> n_dm(25, 52, 10000)
        {'n_dm': 385000.0}
    """
    return {"n_dm": rpm * _mean_mm(bore_mm, outside_mm)}


def rpm_for_n_dm(bore_mm: float, outside_mm: float, n_dm_limit: float) -> Answers:
    """The speed at which a bearing reaches a limit of n·dm.

    Formula: n = (n·dm)/dm
    Worked: n = 2·{n_dm_limit}/({bore_mm} + {outside_mm}) = {rpm} 1/min
    Valid: the outside larger than the bore.
    Source: common practice
    Example:
        >>> round(rpm_for_n_dm(25, 52, 500000)["rpm"])
        12987
    """
    return {"rpm": n_dm_limit / _mean_mm(bore_mm, outside_mm)}


def bearing_frequencies(
    balls: int, contact_angle_deg: float, ball_mm: float | None = None, pitch_mm: float | None = None,
    ball_in: float | None = None, pitch_in: float | None = None,
) -> Answers:  # fmt: skip
    """How often a shaft's turn passes a fault of the rings or the cage.

    Formula: cage = ½(1 - Dw/Dp·cos α); outer = Z·cage; inner = Z·(1 - cage)
    Worked: cage {cage_per_rev}; outer {balls}·{cage_per_rev} = {outer_ring_per_rev}; inner {inner_ring_per_rev} a
        turn
    Valid: the outer ring stands; no slip; ball and pitch both in mm or both in inches.
    Source: geometry of rolling
    Example:
        >>> round(bearing_frequencies(9, 0, ball_in=0.3126, pitch_in=1.537)["outer_ring_per_rev"], 3)
        3.585
    """
    metric, inch = (ball_mm, pitch_mm), (ball_in, pitch_in)
    if None in metric and None in inch:
        of_inch = ball_in is not None or pitch_in is not None
        ball_missing = ball_in is None if of_inch else ball_mm is None
        missing = f"{'ball' if ball_missing else 'pitch'}_{'in' if of_inch else 'mm'}"
        raise BadInput(
            "missing", "Ball and pitch diameter are needed, both in mm or both in inches.", missing
        )
    if None not in metric and (ball_in is not None or pitch_in is not None):
        raise BadInput("two_units", "Give ball and pitch in mm or in inches, not in both.", "ball_in")
    ball, pitch = metric if None not in metric else inch
    assert ball is not None
    assert pitch is not None
    if ball >= pitch:
        raise BadInput(
            "too_large", "The balls are smaller than their pitch circle.", "ball_mm" if ball_mm else "ball_in"
        )
    cage = 0.5 * (1 - ball / pitch * math.cos(math.radians(contact_angle_deg)))
    return {
        "outer_ring_per_rev": balls * cage, "inner_ring_per_rev": balls * (1 - cage), "cage_per_rev": cage,
    }  # fmt: skip


def free_space(bore_mm: float, outside_mm: float, width_mm: float, mass_kg: float) -> Answers:
    """The room for grease in a bearing.

    Formula: V = π/4·B·(D² - d²) - mass/7.8 g/cm³
    Worked: π/4·{width_mm}·({outside_mm}² - {bore_mm}²) - {mass_kg} kg/7.8 = {free_cm3} cm³
    Valid: about; steel cage.
    Source: bearing handbooks
    Example:
        >>> round(free_space(25, 52, 15, 0.13)["free_cm3"], 1)
        7.8
    """
    _mean_mm(bore_mm, outside_mm)
    whole = math.pi / 4 * width_mm * (outside_mm**2 - bore_mm**2) / 1000
    free = whole - 1000 * mass_kg / _STEEL_G_CM3
    if free <= 0:
        raise BadInput("too_heavy", "A bearing of this size cannot have that mass.", "mass_kg")
    return {"free_cm3": free}


def grease_refill(outside_mm: float, width_mm: float) -> Answers:
    """How much grease to add at relubrication.

    Formula: G = 0.005·D·B grams
    Worked: G = 0.005·{outside_mm}·{width_mm} = {grams} g
    Valid: from the side; another rule through the outer ring.
    Source: bearing handbooks
    Example:
        >>> grease_refill(52, 15)
        {'grams': 3.9}
    """
    return {"grams": round(0.005 * outside_mm * width_mm, 9)}


def oil_level_under_shaft_centre(pitch_mm: float, element_mm: float) -> Answers:
    """Where the oil of a bath stands: about the centre of the lowest rolling element.

    Formula: centre = Dp/2 under the shaft's centre; lowest point = Dp/2 + Dw/2
    Worked: {pitch_mm}/2 = {centre_of_lowest_mm} mm under the centre; lowest point {lowest_point_mm} mm
    Valid: horizontal shaft, standing still.
    Source: bearing handbooks
    Example:
        >>> oil_level_under_shaft_centre(80, 14)
        {'centre_of_lowest_mm': 40.0, 'lowest_point_mm': 47.0}
    """
    return {"centre_of_lowest_mm": pitch_mm / 2, "lowest_point_mm": (pitch_mm + element_mm) / 2}


def needles_full_complement(inside_mm: float, needle_mm: float, outside_mm: float) -> Answers:
    """How many loose needles fill a row, and the gap that is left.

    Formula: N = ⌊π/asin(Dw/Dp)⌋, Dp = inside + Dw; gap = N·(Dp·sin(π/N) - Dw)
    Worked: Dp = {inside_mm} + {needle_mm}; N = {needles}, gap {gap_mm} mm
    Valid: the room between pin and cup is one needle, within a tenth.
    Source: equal circles on a pitch circle
    Example:
        >>> needles_full_complement(20, 2.5, 25)["needles"]
        28
    """
    if abs((outside_mm - inside_mm) / 2 - needle_mm) > 0.1 * needle_mm:
        raise BadInput("no_row", "Between pin and cup there is not the room of one needle.", "outside_mm")
    count, gap = full_row(inside_mm, needle_mm)
    return {"needles": count, "gap_mm": max(round(gap, 9), 0.0)}


def needles_radial_play(outside_mm: float, inside_mm: float, needle_mm: float) -> Answers:
    """The play of a row of loose needles, over the diameter.

    Formula: play = outside - inside - 2·Dw
    Worked: {outside_mm} - {inside_mm} - 2·{needle_mm} = {diametral_play_mm} mm
    Valid: round pin and cup.
    Source: geometry
    Example:
        >>> round(needles_radial_play(25.05, 20, 2.5)["diametral_play_mm"], 3)
        0.05
    """
    return {"diametral_play_mm": round(outside_mm - inside_mm - 2 * needle_mm, 9)}


def _whole(shares: Sequence[tuple[float, float]], field: str) -> None:
    if abs(sum(share for share, _ in shares) - 1) > 1e-6:
        raise BadInput("shares", "The shares must add up to 1.", field)


def _mean_mm(bore_mm: float, outside_mm: float) -> float:
    if outside_mm <= bore_mm:
        raise BadInput("bad_sizes", "The outside diameter must be larger than the bore.", "outside_mm")
    return (bore_mm + outside_mm) / 2
