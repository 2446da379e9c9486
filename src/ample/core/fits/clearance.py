"""Radial clearance before fitting, after it, and running warm."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ample.core.errors import BadInput
from ample.core.fits.raceways import raceway_mm
from ample.core.fits.ranges import Range
from ample.core.fits.words import signed
from ample.core.handbook.fitting import effective_interference, raceway_growth
from ample.core.parts import BearingSpec, bearing_kinds, clearance_table
from ample.core.standards import internal_clearance
from ample.core.standards.rings import CLEARANCE_GROUPS

RING_PER_K = 11.5e-6
NOT_RADIAL = ("four_point", "double_row_angular")
ROLLERS = ("cylindrical", "spherical")
HOUSING_OVER_OUTSIDE = 1.5
LEAST_RUNNING_UM = 3.0


@dataclass(frozen=True)
class ClearanceAfterFitting:
    """Clearance as bought, once fitted, and running; the group that suits, and what to do: `ok`, `take_group`,
    `wider_is_safer` or `no_group`.
    """

    group: str
    before: Range
    mounted: Range
    running: Range
    running_warm_balls: Range
    suits: str | None
    advice: str
    words: str
    source: str


def clearance_after_fitting(
    bearing_mm: tuple[float, float, float],
    group: str,
    shaft: Range | None,
    housing: Range | None,
    warmer_inner_k: float = 10.0,
    hollow_mm: float = 0.0,
    finish: str = "ground",
    kind: str = "deep_groove",
) -> ClearanceAfterFitting:
    """The radial clearance that fitting and running heat leave.

    Formula: inner raceway grows by i·k·(1 − k0²)/(1 − k²·k0²), k = d/F, F = (4d + D)/5, k0 = d0/d;
    outer shrinks by i·h·(1 − h0²)/(1 − h²·h0²), h = E/D, E = (4D + d)/5 (rollers (3d + D)/4, (3D + d)/4), h0 = D/D0 with D0 = 1.5·D
    assumed; i is the effective interference i·d/(d+2) where tight, else 0. Running:
    −α·ΔT·(E + F)/2 with balls midway, −α·ΔT·E with balls as warm as the inner ring.

    Args:
        bearing_mm: Bore, outside and width, mm.
        group: Clearance group `2`, `N`, `3`, `4` or `5`.
        shaft: Range on the shaft, µm; None when not measured (no change assumed).
        housing: Range in the housing, µm; None when not measured.
        warmer_inner_k: How much warmer the inner ring runs than the outer, K, −20 to 100.
        hollow_mm: Bore of a hollow shaft, mm; 0 for a solid one.
        finish: `ground` or `turned` seats.
        kind: Whose clearance table holds: `deep_groove`, `self_aligning`, `cylindrical`, `spherical` (radial).

    Returns:
        The three ranges, µm, and the narrowest group likely to run with 3 µm or more (common practice).

    Raises:
        BadInput: When the group or a size is outside its table.

    Source: ISO 5753-1:2009; thick-walled rings on one material (Lamé) as in bearing handbooks.

    Example:
        >>> tight = Range(3, 10.3, 17)
        >>> clearance_after_fitting((25, 52, 15), "N", tight, None).mounted.likely
        4.7
    """
    d, D, _ = bearing_mm
    if not -20 <= warmer_inner_k <= 100:
        raise BadInput("temperature_out_of_range", "−20 to 100 K.", "warmer_inner_k")
    if not 0 <= hollow_mm < d:
        raise BadInput(
            "bad_hollow", "The bore of a hollow shaft must be smaller than the shaft.", "hollow_mm"
        )
    rolls = "roller" if kind in ROLLERS else "ball"
    inner, outer = raceway_mm(d, D, "inner", rolls), raceway_mm(d, D, "outer", rolls)
    h, h0 = outer / D, 1 / HOUSING_OVER_OUTSIDE
    grows = raceway_growth(d, inner, hollow_mm, effective_interference(d, 1.0, finish)["effective_um"])[
        "growth_um"
    ]
    shrinks = h * (1 - h0**2) / (1 - h**2 * h0**2) * effective_interference(D, 1.0, finish)["effective_um"]
    midway = RING_PER_K * warmer_inner_k * (outer + inner) / 2 * 1000
    warm = RING_PER_K * warmer_inner_k * outer * 1000
    taken = _taken(shaft, grows, housing, shrinks)

    def after(group_name: str, heat_um: float) -> Range:
        before = internal_clearance(kind, d, group_name)
        middle = (before.min_um + before.max_um) / 2
        return _range(
            before.min_um - taken.max - heat_um,
            middle - taken.likely - heat_um,
            before.max_um - taken.min - heat_um,
        )

    bought = internal_clearance(kind, d, group)
    before = _range(bought.min_um, (bought.min_um + bought.max_um) / 2, bought.max_um)
    suits = _suiting(after, midway)
    return ClearanceAfterFitting(
        group, before, after(group, 0.0), after(group, midway), after(group, warm), suits,
        _advice(after(group, midway), suits),
        _words(group, after(group, midway), suits, after(suits, midway) if suits else None),
        bought.source,
    )  # fmt: skip


def clearance_left(
    spec: BearingSpec,
    shaft: Range | None,
    housing: Range | None,
    group: str | None = None,
    warmer_inner_k: float = 10.0,
    hollow_mm: float = 0.0,
) -> ClearanceAfterFitting:
    """The radial clearance that fitting and running heat leave a bearing that is known.

    Args:
        spec: The bearing.
        shaft: Range on the shaft, µm; None when not measured.
        housing: Range in the housing, µm; None when not measured.
        group: Clearance group; the bearing's own when None.
        warmer_inner_k: How much warmer the inner ring runs than the outer, K, −20 to 100.
        hollow_mm: Bore of a hollow shaft, mm; 0 for a solid one.

    Returns:
        The three ranges, µm, and the group that suits, as `clearance_after_fitting`.

    Raises:
        BadInput: When the bearing is not bought with a radial clearance on a straight seat, or its size or group lies
            outside its table.

    Source: as `clearance_after_fitting`; which table holds by kind: bearing_kinds.csv.

    Example:
        >>> spec = BearingSpec("6205", "62", 25, 52, 15)
        >>> clearance_left(spec, Range(3, 10.3, 17), None).mounted.likely
        4.7
    """
    table = clearance_table(spec)
    if not table or table.endswith("_taper_bore") or table in NOT_RADIAL:
        raise BadInput(
            "no_radial_clearance",
            f"A {bearing_kinds()[spec.kind].words} has no radial clearance group for a cylindrical seat.",
            "designation",
            "Its setting or axial clearance is checked when fitted.",
        )
    sizes = (spec.d_mm, spec.D_mm, spec.B_mm)
    return clearance_after_fitting(
        sizes, group or spec.clearance, shaft, housing, warmer_inner_k, hollow_mm, kind=table
    )


def _taken(shaft: Range | None, grows: float, housing: Range | None, shrinks: float) -> Range:
    """Clearance taken by fitting, least, likely, most, µm; a loose ring takes none."""
    parts = [
        (max(getattr(i, name), 0.0) * factor if i else 0.0)
        for name in ("min", "likely", "max")
        for i, factor in ((shaft, grows), (housing, shrinks))
    ]
    return Range(parts[0] + parts[1], parts[2] + parts[3], parts[4] + parts[5])


def _range(low: float, likely: float, high: float) -> Range:
    return Range(round(low, 1), round(likely, 1), round(high, 1))


def _suiting(after: Callable[[str, float], Range], heat_um: float) -> str | None:
    """The narrowest group whose likely running clearance is enough."""
    for group in CLEARANCE_GROUPS:
        try:
            if after(group, heat_um).likely >= LEAST_RUNNING_UM:
                return group
        except BadInput:
            continue
    return None


def _name(group: str) -> str:
    return "normal clearance" if group == "N" else f"C{group}"


def _advice(running: Range, suits: str | None) -> str:
    if running.likely >= LEAST_RUNNING_UM and running.min > -5:
        return "ok"
    if suits is None:
        return "no_group"
    return "take_group" if running.likely < LEAST_RUNNING_UM else "wider_is_safer"


def _words(group: str, running: Range, suits: str | None, suited: Range | None) -> str:
    advice = _advice(running, suits)
    if advice == "ok":
        return f"With {_name(group)} it is likely to run with {signed(round(running.likely))} µm."
    if suits is None or suited is None:
        return "No clearance group leaves clearance: the seat is too tight."
    if advice == "take_group":
        return (
            f"With {_name(group)} it is likely to run with {signed(round(running.likely))} µm; {_name(suits)} "
            f"at {signed(round(suited.likely))} µm: take {_name(suits)} here."
        )
    return (
        f"With {_name(group)} it is likely to run with {signed(round(running.likely))} µm, at the tightest "
        f"{signed(round(running.min))}: a larger group is safer where it runs warm."
    )
