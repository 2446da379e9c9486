"""Uncertainty of a seat's mean size, and the chances that it lies in its zone, that its ring holds, that clearance is left."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtr, ndtri

from ample.core.fits.raceways import raceway_mm
from ample.core.handbook.fitting import (
    SMOOTHING_MM,
    effective_interference,
    interference_lost,
    raceway_growth,
)
from ample.core.handbook.measuring import combined_uncertainty
from ample.core.sizes.materials import elastic, expansion_of

Floats = NDArray[np.float64]

STEPS = 48
QUANTILES = 64
TEMPERATURE_KNOWN_K = 0.5  # standard uncertainty of a temperature taken in the shop
EXPANSION_KNOWN_PER_K = 1e-6  # standard uncertainty of a coefficient
HOUSING_OVER_OUTSIDE = 1.5
LEAST_UM = {"ball": -3.0, "roller": 0.0}  # operating clearance that still runs: a house setting


@dataclass(frozen=True)
class SeatUncertainty:
    """Standard uncertainty of a seat's mean, µm, and its parts by name."""

    parts_um: Mapping[str, float]

    @property
    def u_um(self) -> float:
        """All of them together, µm."""
        return math.sqrt(math.fsum(part**2 for part in self.parts_um.values()))


@dataclass(frozen=True)
class Spread:
    """What is known of a size: normal about a mean with a standard uncertainty, or anywhere between two limits, µm."""

    middle_um: float
    u_um: float = 0.0
    half_width_um: float = 0.0

    @classmethod
    def between(cls, lower_um: float, upper_um: float) -> Spread:
        """Anywhere between two limits."""
        return cls((lower_um + upper_um) / 2, 0.0, (upper_um - lower_um) / 2)

    def values(self, count: int) -> Floats:
        """Equally likely values, µm."""
        at = (np.arange(count) + 0.5) / count
        if self.u_um:
            return np.asarray(self.middle_um + self.u_um * ndtri(at))
        return np.asarray(self.middle_um + self.half_width_um * (2 * at - 1))


def seat_uncertainty(
    tool_um: float,
    resolution_um: float,
    scatter_um: float,
    readings: int,
    size_mm: float,
    material: str = "steel",
    part_c: float = 20.0,
    standard_um: float | None = None,
) -> SeatUncertainty:
    """The standard uncertainty of a seat's mean size, by its parts.

    Formula: u² = u_tool² + s²/n + (L·α_p·u_t)² + (L·α_i·u_t)² + (L·(t − 20)·u_α)²; u_tool = U/2, or U_standard/2 with
    resolution/√12 when zeroed on a setting standard; u_t = 0.5 K, u_α = 1e-6/K.

    Args:
        tool_um: Expanded uncertainty U (k = 2) of the instrument, µm, above 0.
        resolution_um: Its resolution, µm.
        scatter_um: Scatter s of one reading, µm.
        readings: Readings in all, n.
        size_mm: Nominal size L, mm.
        material: What the part is of.
        part_c: Temperature of the part, °C.
        standard_um: U (k = 2) of the setting standard that it was zeroed on, µm; None when it was not.

    Returns:
        The parts, µm.

    Raises:
        BadInput: When the material is not known.

    Source: JCGM 100 (GUM); u_t and u_α: common practice.

    Example:
        >>> round(seat_uncertainty(5, 1, 1.5, 12, 25, standard_um=1.6).u_um, 1)
        1.0
    """
    tool = tool_um / 2 if standard_um is None else math.hypot(standard_um / 2, resolution_um / math.sqrt(12))
    own, steel = expansion_of(material), expansion_of("steel")

    def alone(
        zero: float = 0.0, scatter: float = 0.0, known_k: float = 0.0, at_c: float = 20.0, per_k: float = own
    ) -> float:
        """One contribution by the handbook's formula, the others left out."""
        u_per_k = EXPANSION_KNOWN_PER_K if at_c != 20.0 else 0.0
        found = combined_uncertainty(zero, scatter, readings, size_mm, known_k, at_c, u_per_k, per_k)
        return found["standard_uncertainty_um"]

    return SeatUncertainty(
        {
            "instrument" if standard_um is None else "standard": alone(zero=tool),
            "repeats": alone(scatter=scatter_um),
            "part_temperature": alone(known_k=TEMPERATURE_KNOWN_K),
            "instrument_temperature": alone(known_k=TEMPERATURE_KNOWN_K, per_k=steel),
            "expansion": alone(at_c=part_c),
        }
    )


def needed_um(seat_mm: float, width_mm: float, load_n: float, warmer_k: float, finish: str) -> float:
    """The measured interference that a ring needs, so that it does not creep.

    Formula: (0.08·√(d·Fr/B) + 0.0015·ΔT·d)·(d + x)/d µm; x = 2 mm ground, 3 mm turned.

    Args:
        seat_mm: Size of the seat d, mm.
        width_mm: Width of the ring, mm.
        load_n: Radial load, N, 0 or more.
        warmer_k: How much warmer than its surroundings the ring runs, K; 0 for an outer ring.
        finish: `ground` or `turned`.

    Returns:
        µm.

    Raises:
        Nothing.

    Source: bearing handbooks.

    Example:
        >>> round(needed_um(25, 15, 1400, 10, "ground"), 2)
        4.58
    """
    lost = interference_lost(seat_mm, width_mm, load_n, max(warmer_k, 0.0))
    return (lost["by_load_um"] + lost["by_heat_um"]) * (seat_mm + SMOOTHING_MM[finish]) / seat_mm


def holds(seat: Spread, ring: Spread, needed: float, part: str, looser_um: float = 0.0) -> float:
    """The chance that a ring holds on its seat.

    Formula: P(i − looser ≥ needed), i = seat − ring on a shaft, ring − seat in a housing.

    Args:
        seat: What is known of the seat's mean, µm, normal.
        ring: What is known of the ring, µm.
        needed: Interference needed, µm.
        part: `shaft` or `housing`.
        looser_um: What a warm housing of another metal gives away, µm.

    Returns:
        A chance.

    Raises:
        Nothing.

    Source: bearing handbooks; Φ: the normal distribution.

    Example:
        >>> round(holds(Spread(6.5, 2.92), Spread.between(-10, 0), 4.58, "shaft"), 3)
        0.955
    """
    rings = ring.values(STEPS)
    tight = seat.middle_um - rings if part == "shaft" else rings - seat.middle_um
    return float(np.mean(ndtr((tight - looser_um - needed) / seat.u_um)))


def interferences(seat: Spread, ring: Spread, part: str) -> Floats:
    """Equally likely interferences of a seat with its ring, µm, in order.

    Formula: normal with u² = u_seat² + u_ring² for a ring that was measured; else over all pairs of both.

    Args:
        seat: What is known of the seat, µm.
        ring: What is known of the ring, µm.
        part: `shaft` or `housing`.

    Returns:
        64 values.

    Raises:
        Nothing.

    Example:
        >>> float(interferences(Spread(6.5, 1), Spread.between(-10, 0), "shaft").mean().round(2))
        11.5
    """
    if not ring.half_width_um:
        apart = seat.middle_um - ring.middle_um
        both = Spread(apart if part == "shaft" else -apart, math.hypot(seat.u_um, ring.u_um))
        return both.values(QUANTILES)
    pairs = np.subtract.outer(seat.values(STEPS), ring.values(STEPS)).ravel()
    tight = np.sort(pairs if part == "shaft" else -pairs)
    return np.asarray(tight.reshape(QUANTILES, -1).mean(axis=1))


@dataclass(frozen=True)
class Internals:
    """What fitting does to the clearance of a bearing: raceways and bore, outside (mm), finish, hollow shaft, what the housing is of."""

    d_mm: float
    D_mm: float
    rolls: str
    finish: str = "ground"
    hollow_mm: float = 0.0
    housing: str = "steel"

    @property
    def raceways_mm(self) -> tuple[float, float]:
        """Inner and outer raceway, mm."""
        return raceway_mm(self.d_mm, self.D_mm, "inner", self.rolls), raceway_mm(
            self.d_mm, self.D_mm, "outer", self.rolls
        )

    @property
    def takes(self) -> tuple[float, float]:
        """Clearance taken by each µm of interference on the shaft, and in the housing."""
        inner, _ = self.raceways_mm
        on = effective_interference(self.d_mm, 1.0, self.finish)["effective_um"]
        within = effective_interference(self.D_mm, 1.0, self.finish)["effective_um"]
        grows = raceway_growth(self.d_mm, inner, self.hollow_mm, on)["growth_um"]
        return grows, within * self._shrinks()

    def _shrinks(self) -> float:
        """How much the outer raceway shrinks by each µm of effective interference in its housing (Lamé, both moduli)."""
        outer, ring, holds = self.raceways_mm[1], elastic("steel"), elastic(self.housing)
        h2, h02 = (outer / self.D_mm) ** 2, HOUSING_OVER_OUTSIDE**-2
        gives = ((1 + h02) / (1 - h02) + holds.poisson) / holds.modulus_mpa
        gives += ((1 + h2) / (1 - h2) - ring.poisson) / ring.modulus_mpa
        return 2 * (outer / self.D_mm) / (1 - h2) / ring.modulus_mpa / gives

    def heat_um(self, warmer_inner_k: float) -> float:
        """Clearance that a warmer inner ring takes with the elements midway, µm."""
        inner, outer = self.raceways_mm
        return expansion_of("steel") * warmer_inner_k * (inner + outer) / 2 * 1000


def taken_um(inside: Internals, shaft: Floats, housing: Floats, warmer_inner_k: float) -> Floats:
    """Equally likely amounts of clearance that the two seats and the heat take, µm.

    Formula: k_i·i⁺ + k_o·j⁺ + α·ΔT·(E + F)/2, i and j smoothed.

    Args:
        inside: The bearing's inside.
        shaft: Equally likely interferences on the shaft, µm.
        housing: Equally likely interferences in the housing, µm.
        warmer_inner_k: How much warmer the inner ring runs, K.

    Returns:
        Values in no order.

    Raises:
        Nothing.

    Source: Lamé; bearing handbooks.

    Example:
        >>> loose = np.zeros(64)
        >>> float(taken_um(Internals(25, 52, "ball"), loose, loose, 10).mean().round(2))
        4.43
    """
    on, within = inside.takes
    pairs = np.add.outer(on * np.maximum(shaft, 0.0), within * np.maximum(housing, 0.0)).ravel()
    return np.asarray(pairs + inside.heat_um(warmer_inner_k))


def leaves(taken: Floats, group_um: tuple[float, float], least_um: float) -> float:
    """The chance that a clearance group leaves at least so much in operation.

    Formula: P(G0 − taken ≥ least), G0 anywhere in the group.

    Args:
        taken: Equally likely amounts taken, µm.
        group_um: Least and most clearance of the group, µm.
        least_um: What must be left, µm.

    Returns:
        A chance.

    Raises:
        Nothing.

    Source: fits by chance, as published clearance calculations convolve them.

    Example:
        >>> leaves(np.array([10.0]), (5, 20), -3)
        0.8666666666666667
    """
    low, high = group_um
    return float(np.mean(np.clip((high - taken - least_um) / (high - low), 0.0, 1.0)))


def left_um(taken: Floats, group_um: tuple[float, float]) -> tuple[float, float, float]:
    """Clearance left: its 5 % point, its median and its 95 % point, µm.

    Args:
        taken: Equally likely amounts taken, µm.
        group_um: Least and most clearance of the group, µm.

    Returns:
        Three values.

    Raises:
        Nothing.

    Example:
        >>> left_um(np.array([0.0]), (0, 100))
        (5.2, 50.0, 94.8)
    """
    coarse = np.sort(taken).reshape(min(QUANTILES, len(taken)), -1).mean(axis=1)
    bought = Spread.between(*group_um).values(200)
    found = np.percentile(np.subtract.outer(bought, coarse), (5, 50, 95))
    return tuple(round(float(each), 1) for each in found)  # type: ignore[return-value]
