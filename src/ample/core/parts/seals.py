"""Seals, rings and small parts: what they are sold by, what a caliper touches, how they are made and wear."""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

import numpy as np
from numpy.typing import NDArray
from scipy.special import gammaincinv

from ample.core.parts.families import (
    NO_EFFECT,
    ConditionKind,
    Effect,
    Family,
    Feature,
    Grid,
    Limits,
    Make,
    Measure,
)
from ample.core.parts.kinds import SEAL_NAMES, Kind, seal_kinds, seal_questions
from ample.core.standards.iso286 import limits
from ample.core.standards.seals import press_fit_um, ring_section_tolerance_mm
from ample.core.tables import read_table

Floats = NDArray[np.float64]
_HERE = Path(__file__).parent
SIXTEENTH_MM = 25.4 / 16
DIMENSIONS = {
    "lip_seal": ("shaft_mm", "bore_mm", "width_mm"),
    "o_ring": ("inside_mm", "section_mm", "thickness_mm"),
    "hydraulic_seal": ("inside_mm", "section_mm", "height_mm", "base_mm"),
    "face_seal": ("shaft_mm", "seat_outside_mm", "seat_thickness_mm", "working_length_mm"),
    "retaining_ring": ("size_mm", "groove_mm", "slot_mm", "thickness_mm", "free_mm"),
    "washer": ("inside_mm", "outside_mm", "thickness_mm"),
    "key": ("width_mm", "height_mm", "length_mm", "shaft_mm", "shaft_to_mm"),
}
WORDS = {
    "lip_seal": "lip seal",
    "o_ring": "O-ring",
    "hydraulic_seal": "hydraulic seal",
    "face_seal": "face seal",
    "retaining_ring": "retaining ring",
    "washer": "washer",
    "key": "key",
}
_WEAR = {"lip_seal": (0.075, 1.5), "hydraulic_seal": (0.04, 2.0), "face_seal": (0.04, 2.0)}
_WIDE = ((1.0, 0.0, 0.75), (1.0, 0.5, 0.10), (SIXTEENTH_MM, 0.0, 0.15))
_FINE = ((0.5, 0.0, 0.7), (SIXTEENTH_MM, 0.0, 0.3))
_GRIDS = {
    "lip_seal": {"shaft_mm": _WIDE, "bore_mm": _WIDE, "width_mm": _FINE},
    "o_ring": {
        "inside_mm": ((1.0, 0.0, 0.6), (1.0, 0.5, 0.2), (SIXTEENTH_MM, 0.0, 0.2)),
        "section_mm": ((0.5, 0.0, 0.75), (0.5, 0.25, 0.25)),
        "thickness_mm": _FINE,
    },
    "hydraulic_seal": {
        "inside_mm": _WIDE, "section_mm": ((0.5, 0.0, 0.8), (SIXTEENTH_MM, 0.0, 0.2)),
        "height_mm": _FINE, "base_mm": _FINE,
    },
    "face_seal": {"shaft_mm": _WIDE, "seat_outside_mm": _FINE, "seat_thickness_mm": _FINE, "working_length_mm": _FINE},
    "retaining_ring": {
        "size_mm": _WIDE, "groove_mm": ((0.25, 0.0, 1.0),), "slot_mm": ((0.1, 0.0, 1.0),),
        "thickness_mm": ((0.25, 0.0, 1.0),), "free_mm": ((0.25, 0.0, 1.0),),
    },
    "washer": {"inside_mm": _WIDE, "outside_mm": _WIDE, "thickness_mm": ((0.5, 0.0, 0.6), (0.1, 0.0, 0.4))},
    "key": {
        "width_mm": ((1.0, 0.0, 0.7), (SIXTEENTH_MM, 0.0, 0.3)),
        "height_mm": ((1.0, 0.0, 0.7), (SIXTEENTH_MM, 0.0, 0.3)), "length_mm": _WIDE,
        "shaft_mm": _WIDE, "shaft_to_mm": _WIDE,
    },
}  # fmt: skip
_SECTIONS = (1.0, 1.5, 1.6, 1.8, 2.0, 2.4, 2.5, 2.6, 3.0, 3.5, 4.0, 5.0, 5.3, 5.7, 6.0, 7.0, 8.0)
_USUAL = {
    "o_ring": {"section_mm": _SECTIONS, "inside_mm": ()},
    "hydraulic_seal": {"section_mm": (3.0, 4.0, 5.0, 6.0, 7.5, 8.0, 10.0, 12.5, 15.0), "inside_mm": ()},
}


@dataclass(frozen=True, slots=True)
class SealSpec:
    """A seal, ring or small part as it is ordered: sizes in the order of its family, and attributes."""

    family: str
    designation: str
    kind: str
    dimensions_mm: tuple[float, ...]
    attributes: tuple[tuple[str, str], ...] = ()
    series: str = ""

    @property
    def make(self) -> Make:
        """What decides how it measures when new."""
        kind = seal_kinds()[self.family][self.kind]
        return Make(kind.scheme, kind.tolerance, self.dimensions_mm, "")

    @property
    def marked(self) -> dict[str, str]:
        """The attributes that a marking can state, by name."""
        return dict(self.attributes)

    @property
    def dimensions(self) -> dict[str, float]:
        """The dimensions by their contract names."""
        return SEALS[self.family].contract_dimensions(self.kind, self.dimensions_mm)

    @property
    def size_text(self) -> str:
        """Its size as it is said: `35 × 52 × 7`, `20 × 2.5`."""
        return said_size(self.family, self.kind, self.dimensions_mm)


def said_size(family: str, kind: str, dimensions_mm: tuple[float, ...]) -> str:
    """A size as the trade says it.

    Args:
        family: The family.
        kind: The kind within it.
        dimensions_mm: Sizes in the order of `DIMENSIONS`, mm.

    Returns:
        The size in mm, parts with ×; a retaining ring with its thickness, a key with its length.

    Raises:
        KeyError: When the family or kind does not exist.

    Source: common practice.

    Example:
        >>> said_size("hydraulic_seal", "u_cup", (40.0, 5.0, 8.0, 0.0))
        '40 × 50 × 8'
    """
    own = SEALS[family].contract_dimensions(kind, dimensions_mm)
    if family == "hydraulic_seal":
        names = ["inside_mm", "outside_mm", *(("base_mm",) if "base_mm" in own else ()), "height_mm"]
    elif family == "retaining_ring":
        names = ["size_mm", "thickness_mm"]
    else:
        names = list(own)
    return " × ".join(f"{_tidy(own[name])}" for name in names if own[name])


def _tidy(size_mm: float) -> str:
    return f"{round(size_mm, 3):g}"


# limits of manufacture ---------------------------------------------------------------------

Limit = tuple[Floats, Floats]
Rule = Callable[["_Asked"], Limit]


@dataclass(frozen=True, eq=False)
class _Asked:
    """What a rule is asked, for many parts at once: nominals, tolerance, dimensions by name, its own words."""

    nominal_mm: Floats
    tolerance: str
    sizes_mm: Mapping[str, Floats]
    words: tuple[str, ...]

    def about(self, low: Floats | float, high: Floats | float) -> Limit:
        """The nominal with these deviations, mm."""
        return self.nominal_mm + low, self.nominal_mm + high

    def number(self, place: int) -> float:
        """One of its own figures."""
        return float(self.words[place])


def _plain(a: _Asked) -> Limit:
    return a.about(a.number(0), a.number(1))


def _share(a: _Asked) -> Limit:
    return a.about(a.nominal_mm * a.number(0), a.nominal_mm * a.number(1))


@lru_cache(maxsize=65536)
def _zone_mm(nominal_mm: float, zone: str) -> tuple[float, float]:
    found = limits(min(max(nominal_mm, 1.0), 500.0), zone)
    return found.lower_um / 1000, found.upper_um / 1000


def _by_size(of: Callable[[float], tuple[float, float]], nominal_mm: Floats) -> Limit:
    """Deviations that a table gives by size, each size looked up once."""
    sizes, place = np.unique(nominal_mm, return_inverse=True)
    found = np.array([of(float(size)) for size in sizes]).reshape(-1, 2)[place.reshape(-1)]
    return nominal_mm + found[:, 0], nominal_mm + found[:, 1]


def _zone(a: _Asked) -> Limit:
    return _by_size(lambda size: _zone_mm(size, a.words[0]), a.nominal_mm)


def _press_fit(a: _Asked) -> Limit:
    def of(size: float) -> tuple[float, float]:
        low, high = press_fit_um("metal" if a.tolerance == "metal" else "rubber", size)
        return low / 1000, high / 1000

    return _by_size(of, a.nominal_mm)


def _lip_sprung(a: _Asked) -> Limit:
    """With its spring a free lip is under size by about 0.8 to 2 mm, to 3 mm on large ones."""
    return a.about(-2.0 - np.clip((a.nominal_mm - 60) / 140, 0, 1), -0.8)


def _lip_bare(a: _Asked) -> Limit:
    """Without its spring the lip stands wider open."""
    return a.about(-1.3 - np.clip((a.nominal_mm - 60) / 200, 0, 0.7), -0.3)


def _seal_width(a: _Asked) -> Limit:
    off = np.where(a.nominal_mm <= 10, 0.2, 0.3)
    return a.about(-off, off)


def _inside_off(a: _Asked) -> Floats:
    return 0.009 * np.asarray(a.sizes_mm["inside_mm"]) ** 0.95 + 0.11


def _section_off(a: _Asked) -> Floats:
    section = np.asarray(a.sizes_mm["section_mm"])
    sizes, place = np.unique(section, return_inverse=True)
    return np.array([ring_section_tolerance_mm(float(size)) for size in sizes])[place.reshape(-1)]


def _ring_inside(a: _Asked) -> Limit:
    return a.about(-_inside_off(a), _inside_off(a))


def _ring_section(a: _Asked) -> Limit:
    return a.about(-_section_off(a), _section_off(a))


def _ring_outside(a: _Asked) -> Limit:
    off = np.hypot(_inside_off(a), 2 * _section_off(a))
    return a.about(-off, off)


def _ring_length(a: _Asked) -> Limit:
    return a.about(-math.pi * _inside_off(a), math.pi * _inside_off(a))


def _to(a: _Asked) -> Limit:
    """From one size to another; where the other is not known, a quarter more."""
    to = np.asarray(a.sizes_mm[a.words[0]])
    return a.nominal_mm, np.where(to > a.nominal_mm, to, 1.25 * a.nominal_mm)


def _groove_shaft(a: _Asked) -> Limit:
    """The groove of a shaft ring: h10, h11 or h12 by its diameter."""
    return _by_size(
        lambda size: _zone_mm(size, "h10" if size <= 9.6 else "h11" if size <= 22 else "h12"), a.nominal_mm
    )


def _groove_bore(a: _Asked) -> Limit:
    """The groove of a bore ring: H11 or H12 by its diameter."""
    return _by_size(lambda size: _zone_mm(size, "H11" if size <= 23 else "H12"), a.nominal_mm)


def _ring_thickness(a: _Asked) -> Limit:
    steps = [a.nominal_mm < 1, a.nominal_mm < 2, a.nominal_mm < 3]
    return a.about(-np.select(steps, [0.05, 0.06, 0.07], 0.1), 0.0)


_WASHERS = {
    # tolerance: inside low, high, outside low, high, thickness low, high (mm)
    "flat": (0.0, 0.35, -0.4, 0.0, -0.12, 0.12),
    "shim": (0.0, 0.2, -0.25, 0.0, -0.03, 0.0),
    "thrust_washer": (0.0, 0.25, -0.25, 0.0, -0.05, 0.0),
    "felt": (-0.5, 0.5, -0.8, 0.8, -0.4, 0.4),
}


def _washer(place: int) -> Rule:
    def rule(a: _Asked) -> Limit:
        low, high = _WASHERS[a.tolerance][2 * place : 2 * place + 2]
        if place == 2 and a.tolerance == "shim":
            return a.about(-0.03 - 0.03 * np.minimum(a.nominal_mm, 2.0), high)
        return a.about(low, high)

    return rule


_RULES: dict[str, Rule] = {
    "plain": _plain, "share": _share, "zone": _zone, "press_fit": _press_fit, "lip_sprung": _lip_sprung,
    "lip_bare": _lip_bare, "seal_width": _seal_width, "ring_inside": _ring_inside,
    "ring_section": _ring_section, "ring_outside": _ring_outside, "ring_length": _ring_length, "gap": _plain,
    "flare": _share, "to": _to, "groove_shaft": _groove_shaft, "groove_bore": _groove_bore,
    "ring_thickness": _ring_thickness, "washer_inside": _washer(0), "washer_outside": _washer(1),
    "washer_thickness": _washer(2),
}  # fmt: skip
USED_COVER_MM = {"metal": (-0.02, 0.05), "rubber": (-0.05, 0.08)}


@dataclass(frozen=True)
class Standing:
    """One thing that a feature stands for in a scheme: how much of each dimension, the rule, the share."""

    terms: tuple[tuple[str, float], ...]
    rule: str
    words: tuple[str, ...]
    share: float

    @property
    def dimensions(self) -> tuple[str, ...]:
        """The dimensions that decide its limits."""
        own = tuple(name for name, _ in self.terms)
        return (*own, self.words[0]) if self.rule == "to" else own

    def used_mm(self, tolerance: str) -> tuple[float, float]:
        """Shift and residue of a used part: a cover that was pressed in has lost some of its allowance."""
        if self.rule != "press_fit":
            return 0.0, 0.0
        return USED_COVER_MM["metal" if tolerance == "metal" else "rubber"]

    def limits(self, sizes_mm: Mapping[str, Floats], tolerance: str) -> Limits:
        """What it is on parts of these sizes; not a number where a dimension is missing."""
        of = {name: times * np.asarray(sizes_mm[name], dtype=np.float64) for name, times in self.terms}
        nominal = np.sum(list(of.values()), axis=0)
        there = np.all([values > 0 for values in of.values()], axis=0)
        low, high = _RULES[self.rule](_Asked(nominal, tolerance, sizes_mm, self.words))
        narrow = high - low < 1e-4
        shift, residue = self.used_mm(tolerance)
        return Limits(
            np.where(there, nominal, np.nan),
            np.where(there, low - 5e-5 * narrow, np.nan),
            np.where(there, high + 5e-5 * narrow, np.nan),
            of,
            np.full(len(nominal), shift),
            np.full(len(nominal), residue),
        )


_TERM = re.compile(r"(?:([\d.]+)\*)?([a-z_]+)")


@lru_cache
def standings() -> dict[tuple[str, str], dict[str, tuple[Standing, ...]]]:
    """By family and scheme, what each feature stands for; a fault of the table is refused on loading."""
    found: dict[tuple[str, str], dict[str, list[Standing]]] = {}
    for row in read_table(_HERE / "seal_measures.csv").rows:
        rule, *words = row["rule"].split()
        terms = tuple((name, float(times or 1)) for times, name in _TERM.findall(row["terms"]))
        unknown = {name for name, _ in terms} - set(DIMENSIONS[row["family"]])
        if rule not in _RULES or unknown:
            raise ValueError(f"seal_measures.csv: {row['scheme']} {row['feature']} cannot be read")
        own = found.setdefault((row["family"], row["scheme"]), {})
        own.setdefault(row["feature"], []).append(Standing(terms, rule, tuple(words), float(row["share"])))
    for features in found.values():
        for name, made in features.items():
            if abs(sum(one.share for one in made) - 1) > 1e-9:
                raise ValueError(f"the shares of {name} must add up to 1")
    return {key: {name: tuple(made) for name, made in features.items()} for key, features in found.items()}


@lru_cache
def standing(family: str, feature: str, scheme: str) -> Standing:
    """The first thing that a feature stands for in a scheme; where it has none, in the family's first that has."""
    own = standings()[family, scheme].get(feature)
    if own is None:
        own = next(
            found[feature] for (of, _), found in standings().items() if of == family and feature in found
        )
    return own[0]


@dataclass(frozen=True)
class SealMeasures:
    """The limits of manufacture of one family, as its description needs them."""

    family: str

    def __call__(self, make: Make, feature: str) -> tuple[Measure, ...]:
        """What a feature of a new part stands for, and the limits between which it is made or turned."""
        return _measures(self.family, make, feature)

    def features_of(self, scheme: str) -> frozenset[str]:
        """What can be measured of a part of a scheme."""
        return frozenset(standings()[self.family, scheme])

    def many(self, feature: str, sizes_mm: Mapping[str, Floats], scheme: str, tolerance: str) -> Limits:
        """The same for many sizes at once, of the first thing that the feature stands for.

        A kind without the feature takes it from the family's usual kind.
        """
        return standing(self.family, feature, scheme).limits(sizes_mm, tolerance)

    def unlisted(self, feature: str, nominal_mm: float, tolerance: str, scheme: str) -> Measure:
        """The limits of a feature when only what it stands for is known: every dimension of that size."""
        same = (nominal_mm,) * len(DIMENSIONS[self.family])
        return _measures(self.family, Make(scheme, tolerance, same, ""), feature)[0]


@lru_cache(maxsize=131072)
def _measures(family: str, make: Make, feature: str) -> tuple[Measure, ...]:
    sizes = {
        name: np.array([size]) for name, size in zip(DIMENSIONS[family], make.dimensions_mm, strict=True)
    }
    found = []
    for one in standings()[family, make.scheme].get(feature, ()):
        made = one.limits(sizes, make.tolerance)
        if not math.isnan(made.low_mm[0]):
            of = tuple((name, float(values[0])) for name, values in made.of.items())
            found.append(
                Measure(
                    one.share, float(made.nominal_mm[0]), float(made.low_mm[0]), float(made.high_mm[0]), of,
                    *one.used_mm(make.tolerance),
                )
            )  # fmt: skip
    return tuple(found)


# conditions --------------------------------------------------------------------------------


def _conditions(family: str, dimensions: tuple[str, ...]) -> tuple[ConditionKind, ...]:
    """Every kind of condition, one with a graded amount spread over equally likely amounts of it."""
    found = []
    features = {name for scheme in standings().items() if scheme[0][0] == family for name in scheme[1]}
    for row in read_table(_HERE / "seal_conditions.csv").rows:
        if row["family"] != family:
            continue
        nodes = int(row["nodes"])
        amounts = amounts_of(float(row["mean"]), float(row["shape"]), nodes)
        for amount in amounts:
            effects = _effects(row, amount, dimensions, features)
            found.append(
                ConditionKind(
                    row["condition"], float(row["weight"]) / nodes, effects, row["meaning"],
                    frozenset(row["seen"].split()),
                )
            )  # fmt: skip
    if abs(sum(kind.weight for kind in found) - 1) > 1e-9:
        raise ValueError(f"the shares of the conditions of {family} must add up to 1")
    return tuple(found)


@lru_cache
def condition_rows(family: str) -> tuple[dict[str, str], ...]:
    """The kinds of condition of a family as their table has them."""
    return tuple(_rows("seal_conditions.csv", family))


def effects_of(family: str, row: Mapping[str, str], amount: float) -> dict[str, Effect]:
    """What one amount of a kind of condition does to each feature of a family."""
    features = {name for (of, _), made in standings().items() if of == family for name in made}
    return _effects(row, amount, DIMENSIONS[family], features)


def amounts_of(mean: float, shape: float, nodes: int) -> tuple[float, ...]:
    """Equally likely amounts of a gamma distribution; one nothing when there is no amount."""
    if mean <= 0:
        return (0.0,)
    chances = (np.arange(nodes) + 0.5) / nodes
    return tuple(float(each) for each in gammaincinv(shape, chances) * mean / shape)


def _effects(
    row: Mapping[str, str], amount: float, dimensions: tuple[str, ...], features: set[str]
) -> dict[str, Effect]:
    """What one amount of a condition does to each feature."""
    grows: list[tuple[str, float]] = []
    own: dict[str, float] = {}
    for piece in row["grows"].split():
        name, _, times = piece.partition(":")
        if name in dimensions:
            grows.append((name, float(times) * amount))
        elif name in features:
            own[name] = float(times) * amount
        else:
            raise ValueError(f"seal_conditions.csv: {name} is neither a dimension nor a feature")
    shifts: dict[str, tuple[float, float]] = {}
    used: set[str] = set()
    for piece in row["shifts"].split():
        name, _, value = piece.partition(":")
        if value == "used":
            used.add(name)
        else:
            moved, _, spread = value.partition("/")
            shifts[name] = (float(moved), float(spread))
    found = {}
    for name in sorted(features):
        on_part = name not in BESIDE
        shift, residue = shifts.get(name, (0.0, 0.0))
        effect = Effect(tuple(grows) if on_part else (), own.get(name, 0.0), shift, residue, name in used)
        if effect != NO_EFFECT:
            found[name] = effect
    return found


def _rows(table: str, family: str) -> list[dict[str, str]]:
    return [row for row in read_table(_HERE / table).rows if row["family"] == family]


BESIDE = frozenset(
    row["feature"] for row in read_table(_HERE / "seal_features.csv").rows if row["place"] == "beside"
)


def _features(family: str) -> tuple[Feature, ...]:
    axes: dict[str, str] = {}
    for (of, _), features in standings().items():
        if of == family:
            for name, made in features.items():
                axes.setdefault(name, made[0].terms[0][0])
    return tuple(
        Feature(
            row["feature"], axes[row["feature"]], row["reach"], float(row["trouble"]), row["words"],  # type: ignore[arg-type]
            row["place"] == "part", float(row["wear_sign"]), float(row["worn_share"]),
            float(row["far_share"]), float(row["far_mm"]),
        )
        for row in _rows("seal_features.csv", family)
    )  # fmt: skip


_OFFERED: dict[str, tuple[str, ...]] = {
    "lip": ("shaft", "housing_bore", "outside", "width"),
    "v_ring": ("shaft", "free_lip", "outside", "width"),
    "ring": ("inside", "outside", "section_1", "section_2"),
    "backup": ("inside", "outside", "section_1", "thickness"),
    "rod_cup": ("rod", "section", "height", "groove_diameter"),
    "wiper": ("rod", "section", "height", "base_height"),
    "piston": ("bore", "section", "height", "groove_diameter"),
    "band": ("rod", "section", "height", "groove_width"),
    "face": ("shaft", "seat_outside", "seat_thickness", "working_length"),
    "external": ("shaft", "groove_diameter", "groove_width", "thickness"),
    "internal": ("bore", "groove_diameter", "groove_width", "thickness"),
    "e_ring": ("groove_diameter", "groove_width", "thickness", "free_inside"),
    "wire_external": ("shaft", "groove_diameter", "thickness", "free_inside"),
    "wire_internal": ("bore", "groove_diameter", "thickness", "free_inside"),
    "washer": ("inside", "outside", "thickness"),
    "key": ("shaft", "key_width", "key_height", "key_length"),
}
_PICTURES: dict[str, tuple[tuple[str, str, str], ...]] = {
    "lip_seal": (
        ("rubber", "rubber", "lip_rubber"), ("rubber_dust", "dust lip", "lip_rubber_dust"),
        ("metal", "metal", "lip_metal"), ("two_lips", "two springs", "lip_two"),
        ("grease", "no spring", "lip_grease"), ("cassette", "cassette", "cassette"),
        ("v_ring", "V-ring", "v_ring"), ("axial", "axial", "axial_seal"), ("split", "split", "lip_split"),
    ),
    "o_ring": (
        ("round", "round", "o_ring"), ("square", "square", "square_ring"), ("x_ring", "four lips", "x_ring"),
        ("backup", "backup ring", "backup_split"),
    ),
    "hydraulic_seal": (
        ("u_cup", "U-cup", "u_cup"), ("loaded", "loaded cup", "u_cup_loaded"), ("wiper", "wiper", "wiper"),
        ("wiper_double", "two lips", "wiper_double"), ("wiper_cased", "cased wiper", "wiper_cased"),
        ("piston", "piston seal", "piston_seal"), ("buffer", "buffer", "buffer"), ("band", "wear band", "wear_band"),
    ),
    "face_seal": (
        ("conical", "conical spring", "face_conical"), ("bellows", "bellows", "face_bellows"),
        ("many", "many springs", "face_many"), ("wave", "wave spring", "face_wave"),
    ),
    "retaining_ring": (
        ("shaft_ring", "on a shaft", "ring_shaft"), ("bore_ring", "in a bore", "ring_bore"),
        ("e_ring", "from the side", "e_ring"), ("wire", "round wire", "wire_shaft"),
    ),
    "washer": (
        ("copper", "copper", "copper_washer"), ("shim", "shim", "shim"), ("thrust", "thrust", "plain_thrust_washer"),
        ("wave_washer", "wave", "wave_washer"), ("felt", "felt", "felt_ring"), ("tab", "tabs", "tab_washer"),
    ),
    "key": (("key_round", "round ends", "key_round"), ("key_square", "square ends", "key_square")),
}  # fmt: skip
_MARKED = {
    "lip_seal": ("material", "lips", "cover"),
    "o_ring": ("material", "hardness_shore_a"),
    "hydraulic_seal": ("material", "hardness_shore_a"),
    "face_seal": ("faces", "material", "hand"),
    "retaining_ring": ("material",),
    "washer": ("material",),
    "key": ("material",),
}
_SCHEME = {
    "lip_seal": "lip", "o_ring": "ring", "hydraulic_seal": "rod_cup", "face_seal": "face",
    "retaining_ring": "external", "washer": "washer", "key": "key",
}  # fmt: skip


def _family(name: str) -> Family:
    made = SealMeasures(name)
    wear = _WEAR.get(name, (0.05, 2.0))
    kinds: dict[str, Kind] = seal_kinds()[name]
    return Family(
        name, WORDS[name], DIMENSIONS[name], _features(name), _conditions(name, DIMENSIONS[name]), wear[0], wear[1],
        made, made.unlisted, kinds, seal_questions(name), _PICTURES[name],
        {scheme: _OFFERED[scheme] for scheme in dict.fromkeys(kind.scheme for kind in kinds.values())},
        SEAL_NAMES, _MARKED[name], _SCHEME[name], Grid(_GRIDS[name], _USUAL.get(name, {})), made.many,
        made.features_of,
    )  # fmt: skip


SEALS: dict[str, Family] = {name: _family(name) for name in DIMENSIONS}
