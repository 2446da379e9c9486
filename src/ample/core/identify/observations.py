"""What was read of a feature, and the error that all readings of one instrument share."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from ample.core.errors import BadInput
from ample.core.identify.gross_errors import rough_density
from ample.core.identify.values import ranking_value
from ample.core.parts import BEARING, FAMILIES, Family, Feature
from ample.core.sizes import Instrument, Reading, combine, rounding_mm
from ample.core.sizes.lengths import LONGEST_MM

if TYPE_CHECKING:
    from ample.core.sizes.instruments import Reach

Floats = NDArray[np.float64]

SHARED_PART = ranking_value("shared_part")
ZERO_DEVIATION_MM = ranking_value("zero_deviation")
ZERO_TAIL_SHARE, ZERO_TAIL_SCALE_U = ranking_value("zero_tail_share"), ranking_value("zero_tail_scale")
# quadrature: nodes of the normal part, steps of the tail to each side, and their length in u
FINE, COARSE = (5, 7, 1.5), (1, 4, 2.6)
CHECKED_TAIL = 0.1
MOST_REPEATS = 12
CONDITIONS = (
    "new", "sound", "worn", "spun", "rusty", "used", "stretched", "swollen", "shrunk", "flattened", "hard",
)  # fmt: skip


@dataclass(frozen=True)
class Observation:
    """One feature of the part in hand: repeats in mm, the instrument, what is seen of it, and to what step it was typed.

    A reading typed coarser than the instrument shows (16 of a caliper) is worth what was typed.
    """

    feature: str
    values_mm: tuple[float, ...]
    instrument: Instrument
    condition: str | None = None
    family: str = BEARING.name
    typed_to_mm: float = 0.0

    def __post_init__(self) -> None:
        FAMILIES[self.family].feature(self.feature)
        if not 1 <= len(self.values_mm) <= MOST_REPEATS:
            raise BadInput("bad_reading_count", f"Give 1 to {MOST_REPEATS} readings of a feature.", "values")
        if not all(math.isfinite(value) and 0 < value < LONGEST_MM for value in self.values_mm):
            raise BadInput("not_above_zero", "A reading must be above zero.", "values")
        if self.condition is not None and self.condition not in CONDITIONS:
            raise BadInput(
                "no_such_condition",
                f"Unknown condition “{self.condition[:20]}”.",
                "condition",
                f"One of {', '.join(CONDITIONS)}.",
            )

    @property
    def described(self) -> Feature:
        """The feature as its family describes it."""
        return FAMILIES[self.family].by_name[self.feature]

    @property
    def rounding_mm(self) -> float:
        """Standard deviation of what typing it coarser than the instrument shows has lost, mm."""
        return rounding_mm(self.instrument, self.typed_to_mm)

    @property
    def reading(self) -> Reading:
        """Its mean with its uncertainty."""
        return combine(self.values_mm, self.instrument, self.reach, self.typed_to_mm)

    @property
    def reach(self) -> Reach:
        """How the instrument reaches the feature."""
        return self.described.reach


@dataclass(frozen=True, eq=False)
class InstrumentError:
    """The part of an instrument's error that all its readings share, as quadrature nodes, mm."""

    shifts_mm: Floats
    weights: Floats
    deviation_mm: float
    sound: int  # the first so many are those of an instrument whose zero is not off


@dataclass(frozen=True)
class ZeroTail:
    """How often a zero is off by more than its scatter, the scale of that (Student's t, ν = 2) and how far it is followed."""

    share: float
    scale_mm: float
    farthest_mm: float


def zero_tail(instrument: Instrument) -> ZeroTail:
    """The tail of an instrument's zero error (`shared_error`), followed finely."""
    smallest = min(instrument.outside_u_mm, instrument.inside_u_mm) / 2
    share = ZERO_TAIL_SHARE * (CHECKED_TAIL if instrument.zero_checked else 1.0)
    return ZeroTail(share, ZERO_TAIL_SCALE_U * smallest, FINE[1] * FINE[2] * smallest)


@lru_cache(maxsize=64)
def shared_error(instrument: Instrument, tail: bool = False, fine: bool = True) -> InstrumentError:
    """The error that all readings of an instrument share, above all its zero, as quadrature nodes.

    Formula: z ~ (1 − t) N(0, σ_s²) + t·T, σ_s = min(√ρ·u, `zero_deviation`), u = min(U_outside, U_inside)/2,
    ρ = `shared_part`; T is Student's t with two degrees of freedom and scale `zero_tail_scale`·u, t = `zero_tail_share`.
    Gauss–Hermite nodes for the normal part; the tail in even steps of 1.5 u (coarse: 2.6 u) to both sides. Where the zero
    was checked today, t is a tenth. Coarse, the normal part is left with each reading's own error.

    Args:
        instrument: The instrument with its U (k = 2), mm.
        tail: Whether the nodes of the tail are given too; without them the weights sum to 1 − t.
        fine: Whether the normal part is followed; coarse where what is soft scatters far more than a zero.

    Returns:
        Shifts z_i in mm, weights w_i, and σ_s in mm.

    Raises:
        Nothing.

    Source: Gauss–Hermite quadrature (Abramowitz and Stegun 25.4.46); numbers: ranking_values.csv.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> float(shared_error(default_instrument("caliper"), tail=True).weights.sum().round(6))
        1.0
    """
    smallest = min(instrument.outside_u_mm, instrument.inside_u_mm) / 2
    count, steps, step_u = FINE if fine else COARSE
    deviation = min(math.sqrt(SHARED_PART) * smallest, ZERO_DEVIATION_MM) if fine else 0.0
    nodes, weights = np.polynomial.hermite_e.hermegauss(count)
    off = zero_tail(instrument)
    shifts, weights = nodes * deviation, (1 - off.share) * weights / weights.sum()
    if tail:
        places = np.arange(1, steps + 1) * step_u * smallest
        far = np.concatenate([-places[::-1], places])
        chance = rough_density(far, off.scale_mm)
        shifts = np.concatenate([shifts, far])
        weights = np.concatenate([weights, off.share * chance / chance.sum()])
    return InstrumentError(shifts, weights, deviation, count)


def followed_finely(family: Family) -> bool:
    """Whether the shared error is followed finely: not where what is measured is soft."""
    return not family.grid
