"""Radial clearance before fitting, after it, and running warm: extremes, and what 90 of 100 bearings have."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from operator import attrgetter

import numpy as np

from ample.core.errors import BadInput
from ample.core.fits.advice import zone_advice, zone_limits
from ample.core.fits.duty import Duty
from ample.core.fits.judging.by_fit import FREE
from ample.core.fits.judging.chances import (
    LEAST_UM,
    QUANTILES,
    Floats,
    Internals,
    Spread,
    interferences,
    leaves,
    left_um,
    taken_um,
)
from ample.core.fits.judging.rules import (
    TAPER_BORE,
    class_of_rings,
    has_seat,
    seat_rule,
    seat_size_mm,
    stands_against,
)
from ample.core.fits.ranges import Range
from ample.core.fits.words import signed
from ample.core.parts import BearingSpec, bearing_kinds, clearance_table
from ample.core.sizes.figures import percent
from ample.core.sizes.materials import expansion_of
from ample.core.standards import internal_clearance
from ample.core.standards.rings import CLEARANCE_GROUPS

NOT_RADIAL = ("four_point", "double_row_angular")
ROLLERS = ("cylindrical", "spherical")
LOOSE_UM = -1000.0


@dataclass(frozen=True)
class ClearanceAfterFitting:
    """Clearance as bought, once fitted, and running; the group that suits, and what to do: `ok`, `take_group` or
    `no_group`.

    `before`, `mounted`, `running` and `running_warm_balls` go from the worst to the best case; `mounted_usual` and
    `running_usual` are the 5 %, 50 % and 95 % points. `enough` is the chance of each group to leave at least `least_um`, `wanted` how large it has to be.
    """

    group: str
    before: Range
    mounted: Range
    running: Range
    running_warm_balls: Range
    mounted_usual: Range
    running_usual: Range
    least_um: float
    enough: Mapping[str, float]
    wanted: float
    suits: str | None
    advice: str
    words: str
    source: str


@dataclass(frozen=True, eq=False)
class Interference:
    """The interference of a seat, µm: from the worst to the best case, and equally likely values."""

    range: Range
    values: Floats

    @classmethod
    def of(cls, given: Range) -> Interference:
        """A range with half of the chance on each side of its likely value."""
        at = (np.arange(QUANTILES) + 0.5) / QUANTILES
        return cls(given, np.asarray(np.interp(at, (0.0, 0.5, 1.0), (given.min, given.likely, given.max))))


NO_RING = Interference.of(Range(LOOSE_UM, LOOSE_UM, LOOSE_UM))


def kind_of_clearance(spec: BearingSpec) -> str:
    """The table of radial clearance on straight seats that holds for a bearing; empty where there is none.

    Args:
        spec: The bearing.

    Returns:
        A kind of `internal_clearance`.

    Raises:
        KeyError: When the kind does not exist.

    Source: ISO 5753-1.

    Example:
        >>> kind_of_clearance(BearingSpec("6205", "62", 25, 52, 15))
        'deep_groove'
    """
    table = clearance_table(spec)
    return "" if not table or table.endswith("_taper_bore") or table in NOT_RADIAL else table


def rolls_of(table: str) -> str:
    """Whether balls or rollers roll in the bearings of a table of clearance.

    Args:
        table: A kind of `internal_clearance`.

    Returns:
        `ball` or `roller`.

    Raises:
        Nothing.

    Example:
        >>> rolls_of("spherical")
        'roller'
    """
    return "roller" if table in ROLLERS else "ball"


def clearance_groups(spec: BearingSpec) -> dict[str, tuple[float, float]]:
    """Radial clearance of a bearing by group, µm; empty where it is not bought with one.

    Args:
        spec: The bearing.

    Returns:
        Least and most by group, narrowest first.

    Raises:
        KeyError: When the kind does not exist.

    Source: ISO 5753-1.

    Example:
        >>> clearance_groups(BearingSpec("6205", "62", 25, 52, 15))["N"]
        (5.0, 20.0)
    """
    table = kind_of_clearance(spec)
    found: dict[str, tuple[float, float]] = {}
    for group in CLEARANCE_GROUPS if table else ():
        try:
            held = internal_clearance(table, spec.d_mm, group)
        except BadInput:
            continue
        found[group] = (held.min_um, held.max_um)
    return found


def zone_interference(
    spec: BearingSpec, part: str, duty: Duty, zone: str | None = None, material: str = "steel"
) -> Interference:
    """The interference of a seat that is not measured: that of its zone against what stands in or on it.

    Formula: shaft: ei − upper limit of the bore … es − lower limit; housing: lower limit of the outside − ES … upper − EI.

    Args:
        spec: The bearing.
        part: `shaft` or `housing`.
        duty: The load case.
        zone: The zone; as advised when None.
        material: What the part is of.

    Returns:
        The interference, µm; far loose where the bearing has no ring there.

    Raises:
        BadInput: When the zone does not exist.

    Source: zones.csv; ISO 286-1; ISO 492.

    Example:
        >>> zone_interference(BearingSpec("6205", "62", 25, 52, 15), "shaft", Duty()).range
        Range(min=2.0, likely=11.5, max=21.0)
    """
    if not has_seat(spec, part):
        return NO_RING
    rule = seat_rule(spec, part, duty)
    if rule.rule == TAPER_BORE:
        return NO_RING
    size = seat_size_mm(spec, part, rule)
    against = stands_against(rule, part, size, class_of_rings(spec))
    if against is None:
        return NO_RING
    wanted = zone_limits(size, zone or zone_advice(part, size, duty, rule.zones, material).zone)
    if part == "shaft":
        least, most = wanted.lower_um - against.upper_um, wanted.upper_um - against.lower_um
    else:
        least, most = against.lower_um - wanted.upper_um, against.upper_um - wanted.lower_um
    seat, ring = (Spread.between(each.lower_um, each.upper_um) for each in (wanted, against))
    return Interference(Range(least, (least + most) / 2, most), interferences(seat, ring, part))


def clearance_left(
    spec: BearingSpec,
    shaft: Interference,
    housing: Interference,
    group: str | None = None,
    warmer_inner_k: float = 10.0,
    hollow_mm: float = 0.0,
    finish: str = "ground",
    housing_material: str = "steel",
) -> ClearanceAfterFitting:
    """The radial clearance that fitting and running heat leave a bearing that is known.

    Formula: inner raceway grows by i·k·(1 − k0²)/(1 − k²·k0²), k = d/F, F = (4d + D)/5, k0 = d0/d; outer shrinks by
    i·h·(1 − h0²)/(1 − h²·h0²), h = E/D, E = (4D + d)/5 (rollers (3d + D)/4, (3D + d)/4), h0 = D/D0 with D0 = 1.5·D
    assumed, of another metal by Lamé with both moduli; i is the effective interference i·d/(d+2) where tight, else 0. Running: −α·ΔT·(E + F)/2 with the elements
    midway, −α·ΔT·E with elements as warm as the inner ring. A group suits that leaves −3 µm (balls) or 0 (rollers) in 90
    of 100 bearings.

    Args:
        spec: The bearing.
        shaft: Interference on the shaft, µm.
        housing: Interference in the housing, µm.
        group: Clearance group; the bearing's own when None.
        warmer_inner_k: How much warmer the inner ring runs than the outer, K, −20 to 100.
        hollow_mm: Bore of a hollow shaft, mm; 0 for a solid one.
        finish: `ground` or `turned` seats.
        housing_material: What the housing is of; light metal takes less.

    Returns:
        The ranges, µm, and the narrowest group that suits.

    Raises:
        BadInput: When the bearing is not bought with a radial clearance on a straight seat, or its size or group lies
            outside its table.

    Source: ISO 5753-1:2009; thick-walled rings on one material (Lamé) as in bearing handbooks.

    Example:
        >>> spec = BearingSpec("6205", "62", 25, 52, 15)
        >>> clearance_left(spec, Interference.of(Range(3, 10.3, 17)), NO_RING).mounted.likely
        4.7
    """
    table = kind_of_clearance(spec)
    if not table:
        raise BadInput(
            "no_radial_clearance",
            f"A {bearing_kinds()[spec.kind].words} has no radial clearance group for a cylindrical seat.",
            "designation",
            "Its setting or axial clearance is checked when fitted.",
        )
    if not -20 <= warmer_inner_k <= 100:
        raise BadInput("temperature_out_of_range", "−20 to 100 K.", "warmer_inner_k")
    if not 0 <= hollow_mm < spec.d_mm:
        raise BadInput(
            "bad_hollow", "The bore of a hollow shaft must be smaller than the shaft.", "hollow_mm"
        )
    own = group or spec.clearance
    rolls = rolls_of(table)
    bought = internal_clearance(table, spec.d_mm, own)
    inside = Internals(spec.d_mm, spec.D_mm, rolls, finish, hollow_mm, housing_material)
    limits = (bought.min_um, bought.max_um)
    midway = inside.heat_um(warmer_inner_k)
    warm = expansion_of("steel") * warmer_inner_k * inside.raceways_mm[1] * 1000
    likely = {heat: taken_um(inside, shaft.values, housing.values, heat) for heat in (0.0, warmer_inner_k)}
    enough = {
        name: round(leaves(likely[warmer_inner_k], held, LEAST_UM[rolls]), 4)
        for name, held in clearance_groups(spec).items()
    }
    suits = next((name for name, chance in enough.items() if chance >= FREE), None)
    mounted_usual, running_usual = (Range(*left_um(likely[heat], limits)) for heat in (0.0, warmer_inner_k))
    advice = "ok" if enough[own] >= FREE else "no_group" if suits is None else "take_group"
    return ClearanceAfterFitting(
        own, _extremes(limits, inside, shaft, housing, None), _extremes(limits, inside, shaft, housing, 0.0),
        _extremes(limits, inside, shaft, housing, midway), _extremes(limits, inside, shaft, housing, warm),
        mounted_usual, running_usual, LEAST_UM[rolls], enough, FREE, suits, advice,
        _words(own, running_usual, suits, enough), bought.source,
    )  # fmt: skip


_LEAST, _LIKELY, _MOST = attrgetter("min"), attrgetter("likely"), attrgetter("max")


def _extremes(
    limits: tuple[float, float],
    inside: Internals,
    shaft: Interference,
    housing: Interference,
    heat_um: float | None,
) -> Range:
    """Worst, likely and best clearance; as bought when the heat is None."""
    low, high = limits
    if heat_um is None:
        return _range(low, (low + high) / 2, high)
    on, within = inside.takes

    def taken(case: Callable[[Range], float]) -> float:
        return on * max(case(shaft.range), 0.0) + within * max(case(housing.range), 0.0) + heat_um

    return _range(low - taken(_MOST), (low + high) / 2 - taken(_LIKELY), high - taken(_LEAST))


def _range(low: float, likely: float, high: float) -> Range:
    return Range(round(low, 1), round(likely, 1), round(high, 1))


def _name(group: str) -> str:
    return "normal clearance" if group == "N" else f"C{group}"


def _words(group: str, running: Range, suits: str | None, enough: Mapping[str, float]) -> str:
    usual = f"With {_name(group)}, 9 of 10 run with {signed(round(running.min))} to {signed(round(running.max))} µm"
    if enough[group] >= FREE:
        return f"{usual}."
    short = f"{usual}; {percent(1 - enough[group])} run without clearance"
    if suits is None:
        return f"{short}. No clearance group leaves enough: the seat is too tight."
    return f"{short}. Take {_name(suits)}."
