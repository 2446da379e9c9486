"""Ball bearings: what they are sold by, what a caliper touches, how they are made and wear."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.sizes.instruments import Reach
from ample.core.standards import limits, ring_limits
from ample.core.tables import read_table


@dataclass(frozen=True)
class Closure:
    """A way of closing a bearing: sides closed, whether it touches, and what it costs in speed."""

    name: str
    words: str
    sides: int
    contact: bool
    dirt: int
    speed_factor: float


CLOSURES: dict[str, Closure] = {
    closure.name: closure
    for closure in (
        Closure("open", "open", 0, False, 0, 1.0),
        Closure("shield_one", "shield, one side", 1, False, 1, 1.0),
        Closure("shield_two", "shields, both sides", 2, False, 2, 1.0),
        Closure("low_friction_one", "low-friction seal, one side", 1, False, 2, 1.0),
        Closure("low_friction_two", "low-friction seals, both sides", 2, False, 3, 1.0),
        Closure("seal_one", "contact seal, one side", 1, True, 3, 0.65),
        Closure("seal_two", "contact seals, both sides", 2, True, 4, 0.65),
    )
}


@dataclass(frozen=True)
class BearingSpec:
    """A ball bearing as it is ordered: sizes in mm and the attributes that its marking sets."""

    designation: str
    series: str
    d_mm: float
    D_mm: float
    B_mm: float
    closure: str = "open"
    clearance: str = "N"
    tolerance_class: str = "Normal"
    cage: str = "standard"
    snap_ring: str = "none"
    bore_shape: str = "cylindrical"
    extras: tuple[str, ...] = ()

    @property
    def size_text(self) -> str:
        """`25 × 52 × 15`, as a size is said."""
        return f"{self.d_mm:g} × {self.D_mm:g} × {self.B_mm:g}"


@dataclass(frozen=True)
class Feature:
    """Something to measure on the part, or beside it, the dimension it stands for and how it is reached."""

    name: str
    dimension: str
    reach: Reach
    trouble: float
    words: str
    on_part: bool = True


FEATURES: tuple[Feature, ...] = (
    Feature("bore", "d_mm", "inside", 1.0, "bore"),
    Feature("outside", "D_mm", "outside", 0.9, "outside"),
    Feature("width", "B_mm", "outside", 0.9, "width"),
    Feature("shaft_seat", "d_mm", "outside", 1.5, "shaft seat", on_part=False),
    Feature("housing_seat", "D_mm", "inside", 1.5, "housing seat", on_part=False),
)
PART_FEATURES = tuple(feature for feature in FEATURES if feature.on_part)
_SEAT_ZONES = {"shaft_seat": ("h6", "n6"), "housing_seat": ("K7", "H8")}


@dataclass(frozen=True)
class ConditionKind:
    """A kind of condition: its share, and the mean growth of the bore and loss of the outside, mm."""

    name: str
    weight: float
    bore_growth_mm: float
    outside_loss_mm: float
    meaning: str


@lru_cache
def bearing_conditions() -> tuple[ConditionKind, ...]:
    """The kinds of condition of a ball bearing with their shares (they add up to 1)."""
    rows = read_table(Path(__file__).with_name("bearing_conditions.csv")).rows
    kinds = tuple(
        ConditionKind(
            row["kind"],
            float(row["weight"]),
            float(row["bore_growth_um"]) / 1000,
            float(row["outside_loss_um"]) / 1000,
            row["meaning"],
        )
        for row in rows
    )
    if abs(sum(kind.weight for kind in kinds) - 1) > 1e-9:
        raise ValueError("the shares of the conditions must add up to 1")
    if len({amount for kind in kinds for amount in (kind.bore_growth_mm, kind.outside_loss_mm)} - {0.0}) != 1:
        raise ValueError("the conditions have one mean amount of wear")
    return kinds


def mean_wear_mm() -> float:
    """The mean amount by which a crept ring wears, mm."""
    return max(kind.bore_growth_mm for kind in bearing_conditions())


def feature_named(name: str) -> Feature:
    """The feature of a bearing with this name."""
    for feature in FEATURES:
        if feature.name == name:
            return feature
    raise BadInput(
        "no_such_feature",
        f"“{name[:30]}” is not measured on a ball bearing.",
        "feature",
        f"One of {', '.join(feature.name for feature in FEATURES)}.",
    )


@lru_cache(maxsize=8192)
def manufacturing_interval_mm(
    feature: str, nominal_mm: float, bore_mm: float, tolerance_class: str
) -> tuple[float, float]:
    """The limits between which a maker leaves a feature of a new bearing.

    Formula: nominal + ISO 492 deviations; outside the table's sizes the nearest step is taken. A seat
    lies in the usual zones: shaft from h6 to n6, housing from K7 to H8.

    Args:
        feature: `bore`, `outside`, `width`, `shaft_seat` or `housing_seat`.
        nominal_mm: The nominal of the feature, mm, above 0.
        bore_mm: The nominal bore, mm (the width's tolerance goes by it).
        tolerance_class: `Normal`, `6`, `5` or `4`.

    Returns:
        Lower and upper limit, mm.

    Raises:
        BadInput: When the class does not exist.

    Source: ISO 492:2014; seats ISO 286-1:2010 and common practice. Below 0.6 mm bore or 2.5 mm outside, and above 500 mm bore, the
    nearest step stands in (assumed).

    Example:
        >>> manufacturing_interval_mm("outside", 52.0, 25.0, "Normal")
        (51.987, 52.0)
    """
    if feature in _SEAT_ZONES:
        lower, upper = (limits(min(nominal_mm, 500.0), zone) for zone in _SEAT_ZONES[feature])
        return (nominal_mm + lower.lower_um / 1000, nominal_mm + upper.upper_um / 1000)
    size = nominal_mm if feature != "width" else bore_mm
    lowest, highest = (2.5, 800.0) if feature == "outside" else (0.6, 500.0)
    found = ring_limits(feature, min(max(size, lowest), highest), _held(tolerance_class, size))
    return (nominal_mm + found.lower_um / 1000, nominal_mm + found.upper_um / 1000)


def _held(tolerance_class: str, size_mm: float) -> str:
    """Finer classes end at smaller sizes; beyond them the next coarser class stands in."""
    ends = {"4": 180.0, "5": 400.0}
    return "6" if size_mm > ends.get(tolerance_class, 1e9) else tolerance_class
