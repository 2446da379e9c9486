"""Rolling bearings: what they are sold by, what a caliper touches, how they are made and wear."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.parts.families import ConditionKind, Family, Feature, ToleranceSpec
from ample.core.parts.kinds import CONTRACT_NAMES, PICTURES, bearing_kinds, bearing_questions
from ample.core.parts.limits import WORN, Effect, Measure
from ample.core.standards import limits, nearest_ring_limits_um
from ample.core.tables import read_table

_HERE = Path(__file__).parent


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


@dataclass(frozen=True, slots=True)
class BearingSpec:
    """A bearing as it is ordered: sizes in mm and the attributes that its marking gives.

    `d_mm`, `D_mm` and `B_mm` are what sits on the shaft, what sits in the housing and the width along
    the shaft, whatever the kind calls them; `T_mm` is an assembled width or height, `C_mm` the outer
    ring's width where it is another.
    """

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
    kind: str = "deep_groove"
    T_mm: float | None = None
    C_mm: float | None = None
    angle: str = ""

    @property
    def family(self) -> str:
        """The name of its family."""
        return "bearing"

    @property
    def marked(self) -> dict[str, str]:
        """The attributes that a marking can state, by name."""
        return {"closure": self.closure, "clearance": self.clearance, "class": self.tolerance_class}

    @property
    def size_text(self) -> str:
        """The size in words: `25 × 52 × 15`."""
        return " × ".join(f"{size:g}" for size in self._said() if size)

    def _said(self) -> tuple[float, ...]:
        return (self.d_mm, self.D_mm, self.T_mm or self.B_mm)

    @property
    def dimensions(self) -> dict[str, float]:
        """The dimensions by their contract names."""
        held = {
            "d_mm": self.d_mm,
            "D_mm": self.D_mm,
            "B_mm": self.B_mm,
            "T_mm": self.T_mm or self.B_mm,
            "C_mm": self.C_mm or self.B_mm,
            "Fw_mm": self.d_mm,
        }
        return {name: held[name] for name in bearing_kinds()[self.kind].dimension_names}

    @property
    def make(self) -> ToleranceSpec:
        """What decides how it measures when new."""
        kind = bearing_kinds()[self.kind]
        own = self.dimensions
        own.setdefault("d_mm", own.get("Fw_mm", 0.0))
        return ToleranceSpec(
            kind.scheme,
            kind.tolerance,
            tuple(round(own.get(name, 0.0), 4) for name in DIMENSIONS),
            self.tolerance_class,
        )


DIMENSIONS = ("d_mm", "D_mm", "B_mm", "T_mm", "C_mm")
FEATURES: tuple[Feature, ...] = (
    Feature("bore", "d_mm", "inside", 1.0, "bore", wear_sign=1.0),
    Feature("outside", "D_mm", "outside", 0.9, "outside", wear_sign=-1.0),
    Feature("width", "B_mm", "outside", 0.9, "width"),
    Feature("assembled_width", "T_mm", "outside", 1.0, "assembled width"),
    Feature("inner_ring_width", "B_mm", "outside", 1.0, "inner ring width"),
    Feature("outer_ring_width", "C_mm", "outside", 1.0, "outer ring width"),
    Feature("standout", "S_mm", "depth", 1.4, "standout"),
    Feature("shaft_seat", "d_mm", "outside", 1.5, "shaft seat", on_part=False, wear_sign=-1.0),
    Feature("housing_seat", "D_mm", "inside", 1.5, "housing seat", on_part=False, wear_sign=1.0),
)
_SEAT_ZONES = {"shaft_seat": ("h6", "n6"), "housing_seat": ("K7", "H8")}
_OFFERED = {
    "radial": ("bore", "outside", "width"),
    "taper": ("bore", "outside", "assembled_width", "outer_ring_width", "inner_ring_width"),
    "cone": ("bore", "inner_ring_width"),
    "cup": ("outside", "outer_ring_width"),
    "thrust": ("bore", "outside", "width"),
    "needle": ("bore", "outside", "width"),
    "track": ("bore", "outside", "width", "outer_ring_width"),
    "insert": ("bore", "outside", "width", "outer_ring_width"),
}


@lru_cache
def bearing_conditions() -> tuple[ConditionKind, ...]:
    """The kinds of condition of a bearing with their shares (they add up to 1)."""
    kinds = []
    for row in read_table(_HERE / "bearing_conditions.csv").rows:
        worn = {
            feature
            for feature, column in (("bore", "bore_growth_um"), ("outside", "outside_loss_um"))
            if float(row[column]) > 0
        }
        effects: dict[str, Effect] = dict.fromkeys(sorted(worn), WORN)
        for piece in row["shifts"].split():
            feature, _, value = piece.partition(":")
            moved, _, spread = value.partition("/")
            effects[feature] = Effect(shift_mm=float(moved), residue_mm=float(spread))
        seen, rare = frozenset(row["seen"].split()), row["rare"] == "yes"
        kinds.append(ConditionKind(row["kind"], float(row["weight"]), effects, row["meaning"], seen, rare))
    if abs(sum(kind.weight for kind in kinds) - 1) > 1e-9:
        raise ValueError("the shares of the conditions must add up to 1")
    return tuple(kinds)


@lru_cache
def mean_wear_mm() -> float:
    """The mean amount by which a crept ring wears, mm."""
    rows = read_table(_HERE / "bearing_conditions.csv").rows
    amounts = {float(row[column]) for row in rows for column in ("bore_growth_um", "outside_loss_um")} - {0.0}
    if len(amounts) != 1:
        raise ValueError("the conditions have one mean amount of wear")
    return amounts.pop() / 1000


@lru_cache
def _measure_rows() -> dict[tuple[str, str], tuple[tuple[str, float], ...]]:
    found: dict[tuple[str, str], list[tuple[str, float]]] = {}
    for row in read_table(_HERE / "bearing_measures.csv").rows:
        found.setdefault((row["scheme"], row["feature"]), []).append((row["dimension"], float(row["share"])))
    for (scheme, feature), shares in found.items():
        if abs(sum(share for _, share in shares) - 1) > 1e-9:
            raise ValueError(f"the shares of {feature} of {scheme} must add up to 1")
    return {key: tuple(rows) for key, rows in found.items()}


@lru_cache
def _interval_rules() -> dict[tuple[str, str], dict[str, str]]:
    rows = read_table(_HERE / "bearing_intervals.csv").rows
    return {(row["tolerance"], row["dimension"]): row for row in rows}


@lru_cache(maxsize=65536)
def measures(make: ToleranceSpec, feature: str) -> tuple[Measure, ...]:
    """What a feature of a new bearing stands for, and the limits between which a maker leaves it.

    Formula: nominal + the deviations of the standard; outside a table's sizes its nearest step. A
    seat lies in the usual zones: shaft from h6 to n6, housing from K7 to H8. Standout is T − C.

    Args:
        make: Scheme, kind of tolerance, dimensions (`DIMENSIONS`, mm; 0 where it has none) and class.
        feature: The name of a feature.

    Returns:
        One measure, or several with shares where people measure different things under one name;
        none when the part does not have the feature.

    Raises:
        KeyError: When the kind of tolerance does not hold a dimension that the scheme has.

    Source: ISO 492, ISO 199, ISO 578, ISO 1206, ISO 3245, ISO 286-1; see bearing_intervals.csv.

    Example:
        >>> make = ToleranceSpec("radial", "radial", (25.0, 52.0, 15.0, 0.0, 0.0), "Normal")
        >>> (one,) = measures(make, "outside")
        >>> one.low_mm, one.high_mm
        (51.987, 52.0)
    """
    found = []
    for dimension, share in _measure_rows().get((make.scheme, feature), ()):
        first, _, less = dimension.partition("-")
        nominal, low, high = _limits_mm(make, first, feature)
        if less:
            other, other_low, other_high = _limits_mm(make, less, feature)
            nominal, low, high = nominal - other, low - other_high, high - other_low
        if nominal > 0:
            found.append(Measure(share, nominal, low, high))
    return tuple(found)


def _limits_mm(make: ToleranceSpec, dimension: str, feature: str) -> tuple[float, float, float]:
    """Nominal and limits of one dimension."""
    nominal = make.dimensions_mm[DIMENSIONS.index(dimension)]
    if nominal <= 0:
        return 0.0, 0.0, 0.0
    if feature in _SEAT_ZONES:
        lower, upper = (limits(min(nominal, 500.0), zone) for zone in _SEAT_ZONES[feature])
        return nominal, nominal + lower.lower_um / 1000, nominal + upper.upper_um / 1000
    low, high = _deviations_um(make, dimension, nominal)
    return nominal, nominal + low / 1000, nominal + high / 1000


def _deviations_um(make: ToleranceSpec, dimension: str, nominal_mm: float) -> tuple[float, float]:
    rule = _interval_rules()[make.tolerance, dimension]
    if rule["rule"] == "plain":
        return float(rule["lower_um"]), float(rule["upper_um"])
    bore = make.dimensions_mm[0] or 0.55 * make.dimensions_mm[1]
    size = nominal_mm if dimension in ("d_mm", "D_mm") else bore
    return nearest_ring_limits_um(rule["kind"], rule["ring"], size, make.tolerance_class)


@lru_cache(maxsize=65536)
def unlisted_measure(feature: str, nominal_mm: float, tolerance: str, scheme: str) -> Measure:
    """The limits of a feature of a part of the family that is in no list, when only its nominal is known.

    Formula: as `measures`, every dimension taken as this nominal.

    Args:
        feature: The name of a feature.
        nominal_mm: The nominal of what it stands for, mm, above 0.
        tolerance: The kind of tolerance.
        scheme: The scheme of dimensions.

    Returns:
        The measure; where the kind does not have the feature, that of a radial bearing.

    Raises:
        Nothing.

    Source: as `measures`.

    Example:
        >>> round(unlisted_measure("bore", 25.0, "radial", "radial").low_mm, 3)
        24.99
    """
    if feature == "standout":
        return Measure(1.0, nominal_mm, nominal_mm, nominal_mm + 0.3)
    same = (nominal_mm,) * len(DIMENSIONS)
    found = measures(ToleranceSpec(scheme, tolerance, same, "Normal"), feature)
    if not found:
        plain = {"shaft_seat": feature, "housing_seat": feature, "bore": "bore", "outside": "outside"}
        found = measures(ToleranceSpec("radial", "radial", same, "Normal"), plain.get(feature, "width"))
    return found[0]


def _own_words() -> dict[str, dict[str, str]]:
    """By kind, the words for a feature where they are its own."""
    found: dict[str, dict[str, str]] = {}
    for row in read_table(_HERE / "bearing_kind_features.csv").rows:
        if row["kind"] not in bearing_kinds() or row["feature"] not in {each.name for each in FEATURES}:
            raise ValueError(f"bearing_kind_features.csv: {row['kind']} {row['feature']} does not exist")
        found.setdefault(row["kind"], {})[row["feature"]] = row["words"]
    return found


BEARING = Family(
    "bearing",
    "rolling bearing",
    DIMENSIONS,
    FEATURES,
    bearing_conditions(),
    mean_wear_mm(),
    4.0,
    measures,
    unlisted_measure,
    bearing_kinds(),
    bearing_questions(),
    PICTURES,
    _OFFERED,
    CONTRACT_NAMES,
    ("closure", "clearance", "class"),
    "radial",
    own_words=_own_words(),
)


def clearance_table(spec: BearingSpec) -> str:
    """The clearance table that holds for a bearing: its kind's, with a taper bore its own.

    Args:
        spec: The bearing.

    Returns:
        A kind of `internal_clearance`; empty where the kind has no clearance of its own.

    Raises:
        KeyError: When the kind does not exist.

    Source: ISO 5753-1.

    Example:
        >>> clearance_table(BearingSpec("22215", "222", 75, 130, 31, kind="spherical_roller", bore_shape="taper_1_12"))
        'spherical_taper_bore'
    """
    table = bearing_kinds()[spec.kind].clearance
    taper = spec.bore_shape != "cylindrical" and table in ("spherical", "self_aligning", "cylindrical")
    return f"{table}_taper_bore" if taper else table


def ring_kind(kind: str) -> str:
    """Whose ring tolerances hold for the seats of a kind of bearing.

    Args:
        kind: The kind of bearing.

    Returns:
        `radial`, `taper`, `inch_taper` or `thrust`.

    Raises:
        KeyError: When the kind does not exist.

    Source: bearing_kinds.csv.

    Example:
        >>> ring_kind("taper"), ring_kind("track_roller_yoke")
        ('taper', 'radial')
    """
    tolerance = bearing_kinds()[kind].tolerance
    known = {"taper": "taper", "inch_taper": "inch_taper", "thrust": "thrust", "thrust_double": "thrust"}
    return known.get(tolerance, "radial")
