"""A world apart: worn parts, and people who measure them; knows nothing of how the ranking thinks.

Only the lists of sizes and the tolerances of the standards come from the core. What people meet most, how parts wear
and how readings go wrong is written here from the trade's pages, not from the ranking's tables:

- **Shares**: bearings by series and bore, rings by where the machine was built, seals by shaft.
- **Wear, joined**: a ring's size state (as made, stretched, swollen, shrunk) and its shape state (round, flattened, worn on
  one side) come together and share their amounts; lip seals swell or shrink at the outside; rings of bearings rust, creep.
- **Measuring**: one zero error of the caliper for all readings of a part, jaws that tilt, inside jaws that read low, rubber
  that gives way, chamfers, and slips: a figure changed or swapped, ±0.5, ±1, ±5 or ±10 mm, another feature touched.

A mishap can be asked for; without one everything happens as often as it does. Estimated throughout, common practice.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from ample.core.standards import bearing_sizes, limits, nearest_ring_limits_um, sizes_of_family
from ample.core.standards.seals import press_fit_um, ring_inside_tolerance_mm, ring_section_tolerance_mm

CALIPER_U_MM = 0.04  # a digital caliper, k = 2, as its certificate says
RESOLUTION_MM = 0.01
FAMILIES = ("bearing", "o_ring", "lip_seal", "hydraulic_seal")
MISHAPS = ("none", "clean", "zero", "rust", "slip")
SLIPS_MM = (0.5, 1.0, 5.0, 10.0)
FEATURES: Mapping[str, tuple[str, ...]] = {
    "bearing": ("bore", "outside", "width"),
    "o_ring": ("inside", "section_1", "section_2"),
    "lip_seal": ("shaft", "outside", "width"),
    "hydraulic_seal": ("inside", "section", "height"),
}
# where a machine was built, and which list of rings its maker bought from
ORIGINS: Mapping[str, float] = {"inch": 0.35, "metric": 0.35, "far_east": 0.2, "mixed": 0.1}
# by how much a list is bought for machines of an origin; the rest goes to the others
OF_ORIGIN: Mapping[str, Mapping[str, float]] = {
    "inch": {"SAE AS568": 0.92},
    "metric": {"metric": 0.72, "older metric": 0.2},
    "far_east": {"far east": 0.85},
    "mixed": {},
}


@dataclass(frozen=True)
class Reading:
    """What somebody wrote down for a feature: one value or repeats, mm."""

    feature: str
    values_mm: tuple[float, ...]


@dataclass(frozen=True)
class Found:
    """A part as it came to the bench: what it is, what was read, and what went wrong on the way."""

    family: str
    kind: str
    designation: str
    sizes_mm: tuple[float, ...]
    readings: tuple[Reading, ...]
    mishap: str
    state: str
    origin: str = ""


@dataclass(frozen=True)
class Listed:
    """A size on a list, with how often it is met in this world."""

    kind: str
    designation: str
    sizes_mm: tuple[float, ...]
    share: float
    listed: str = ""


@dataclass(frozen=True)
class Habits:
    """How this shop differs from the usual: wear halved or doubled, another list leading."""

    wear: float = 1.0
    leading: str = ""


USUAL = Habits()


class World:
    """Draws parts of one family and has them measured."""

    def __init__(self, family: str, seed: int, mishap: str = "none", habits: Habits = USUAL):
        self.family, self.mishap, self.habits = family, mishap, habits
        self.random = np.random.default_rng(seed)
        self.ring_words = ""
        self._wear: Callable[[Listed], tuple[dict[str, float], str]] = {
            "bearing": self._bearing, "o_ring": self._ring, "lip_seal": self._lip, "hydraulic_seal": self._cup,
        }[family]  # fmt: skip
        self.listed = listed_of(family)
        self._share = np.array([each.share for each in self.listed])
        self._share /= self._share.sum()

    def draws(self, count: int, repeats: int = 1) -> Iterator[Found]:
        """Parts one after another."""
        for _ in range(count):
            yield self.draw(repeats)

    def draw(self, repeats: int = 1, features: Sequence[str] | None = None) -> Found:
        """A part of this world, worn and read."""
        origin, share = self._origin()
        part = self.listed[int(self.random.choice(len(self.listed), p=share))]
        true, state = self._wear(part)
        wanted = [name for name in features or FEATURES[self.family] if name in true]
        readings, mishap = self._measured({name: true[name] for name in wanted}, repeats)
        return Found(self.family, part.kind, part.designation, part.sizes_mm, readings, mishap, state, origin)

    # which part it is

    def _origin(self) -> tuple[str, np.ndarray]:
        """Where the machine was built, and how often each size is met in it."""
        if self.family != "o_ring":
            return "", self._share
        origin = self.habits.leading or self._one_of(ORIGINS)
        return origin, ring_shares(origin)

    def _one_of(self, shares: Mapping[str, float]) -> str:
        names = list(shares)
        weights = np.array([shares[name] for name in names])
        return names[int(self.random.choice(len(names), p=weights / weights.sum()))]

    # how it is worn

    def worn(self, part: Listed) -> dict[str, float]:
        """A part as use leaves it: its features, mm."""
        return self._wear(part)[0]

    def _within(self, low: float, high: float) -> float:
        """A maker aims at the middle of a tolerance: few parts lie at its ends."""
        return low + (high - low) * float(self.random.beta(2.2, 2.2))

    def _amount(self, mean: float, shape: float = 1.5) -> float:
        """An amount of wear: skewed, often small."""
        return float(self.random.gamma(shape, mean * self.habits.wear / shape))

    def _bearing(self, part: Listed) -> tuple[dict[str, float], str]:
        d, D, B = part.sizes_mm
        bore = d + self._within(*_ring_um(part.kind, "bore", d)) / 1000
        outside = D + self._within(*_ring_um(part.kind, "outside", D)) / 1000
        width = B - self._within(0.0, 0.12)
        rusty = self.mishap == "rust" or (self.mishap == "none" and self.random.random() < 0.07)
        state = "rusty" if rusty else self._one_of(
            {"sound": 0.62, "handled": 0.2, "bore crept": 0.09, "outside crept": 0.07, "both crept": 0.02}
        )  # fmt: skip
        if self.mishap == "clean":
            state = "sound"
        if state == "rusty":  # scale stands on what it grows on; what was cleaned is eaten away
            scaled = self.random.random() < 0.7
            sign = 1.0 if scaled else -1.0
            outside += sign * self._amount(0.08)
            bore -= sign * self._amount(0.06)
            width += sign * self._amount(0.04)
        if state == "handled":  # burrs of a drift and a puller
            width += self._amount(0.03)
            outside += self._amount(0.01)
        if state in ("bore crept", "both crept"):
            bore += self._amount(0.03)
        if state in ("outside crept", "both crept"):
            outside -= self._amount(0.03)
        return {"bore": bore, "outside": outside, "width": width}, state

    def _ring(self, part: Listed) -> tuple[dict[str, float], str]:
        inside, section = part.sizes_mm[:2]
        tolerance = ring_inside_tolerance_mm(inside)
        inside += self._within(-tolerance, tolerance)
        spread = ring_section_tolerance_mm(section)
        section += self._within(-spread, spread)
        size, shape = self._of_ring()
        inside, section = inside * (1 + size[0]), section * size[1]
        across, along = section * shape[0], section * shape[1]
        if self.random.random() < 0.5:  # nobody knows which way round it lay in its groove
            across, along = along, across
        true = {
            "inside": inside, "section_1": across, "section_2": along,
            "outside": inside + 2 * max(across, along), "length": math.pi * (inside + section),
        }  # fmt: skip
        return true, self.ring_words

    def ring_state(self) -> tuple[tuple[float, float], float, float]:
        """How use changes a ring: share of the inside and factor of the section; factors of the section one way and the other."""
        size, shape = self._of_ring()
        across, along = shape if self.random.random() < 0.5 else (shape[1], shape[0])
        return size, across, along

    def _of_ring(self) -> tuple[tuple[float, float], tuple[float, float]]:
        """Its size: share of the inside, factor of the section; its shape: factor of the section across and along."""
        size = self._one_of({"as made": 0.34, "stretched": 0.33, "swollen": 0.22, "shrunk": 0.11})
        shape = self._one_of({"round": 0.38, "flattened": 0.47, "worn": 0.15})
        if self.mishap == "clean":
            size, shape = "as made", "round"
        self.ring_words = f"{size}, {shape}"
        grown, factor, across, along = 0.0, 1.0, 1.0, 1.0
        if size == "stretched":
            grown = min(self._amount(0.025), 0.12)
            factor = 1 / math.sqrt(1 + 1.3 * grown)
        elif size in ("swollen", "shrunk"):
            change = min(self._amount(0.022 if size == "swollen" else 0.015), 0.15)
            grown = change if size == "swollen" else -change
            factor = 1 + grown
        if shape == "flattened":  # the area is nearly kept: what is lost across comes out along
            flat = min(self._amount(0.09), 0.4)
            across, along = 1 - flat, 1 + 0.75 * flat
        elif shape == "worn":
            across = 1 - min(self._amount(0.06), 0.35)
        return (grown, factor), (across, along)

    def _lip(self, part: Listed) -> tuple[dict[str, float], str]:
        d, D, b = part.sizes_mm[:3]
        cover = _cover(part.kind)
        low, high = press_fit_um(cover, D)
        outside = D + self._within(low, high) / 1000
        width = b + self._within(-0.2, 0.2) * (1.0 if b <= 10 else 1.5)
        states = {"as it came out": 0.55, "swollen": 0.18, "shrunk": 0.12, "bent": 0.15}
        state = "as made" if self.mishap == "clean" else self._one_of(states)
        if state != "as made":  # it has been pressed in once
            outside -= self._amount(0.06 if cover == "rubber" else 0.025)
        if cover == "rubber" and state in ("swollen", "shrunk"):
            change = min(self._amount(0.004), 0.03) * (1 if state == "swollen" else -1)
            outside, width = outside * (1 + change), width * (1 + 3 * change)
        if state == "bent":
            width += self._amount(0.12)
        shaft = d + limits(d, "h11").lower_um / 1000 * float(self.random.beta(2.0, 3.0))
        groove = 0.0 if self.mishap == "clean" or self.random.random() < 0.4 else self._amount(0.08)
        lip = d - max(0.6, 0.8 + 0.012 * d) * float(self.random.uniform(0.7, 1.6)) + self._amount(0.35)
        found = {
            "shaft": shaft,
            "shaft_track": shaft - groove,
            "outside": outside,
            "width": width,
            "free_lip": lip,
        }
        return found, state

    def _cup(self, part: Listed) -> tuple[dict[str, float], str]:
        inside, section, height = part.sizes_mm[:3]
        inside += self._within(-0.012, 0.012) * inside**0.5 * 2
        section += self._within(-0.12, 0.12)
        height += self._within(-0.2, 0.2)
        size = self._one_of({"as made": 0.55, "swollen": 0.25, "shrunk": 0.2})
        shape = self._one_of({"open": 0.45, "flattened": 0.4, "torn at the heel": 0.15})
        if self.mishap == "clean":
            size, shape = "as made", "open"
        if size != "as made":
            change = min(self._amount(0.02), 0.12) * (1 if size == "swollen" else -1)
            inside, section, height = (each * (1 + change) for each in (inside, section, height))
        lips = section * (1 + float(self.random.uniform(0.02, 0.07)))  # free lips stand wider than the groove
        if shape == "flattened":
            lips = section * (1 - min(self._amount(0.04), 0.2))
            height -= min(self._amount(0.02), 0.1) * height
        if shape == "torn at the heel":
            height -= min(self._amount(0.05), 0.25) * height
        return {
            "inside": inside,
            "section": lips,
            "height": height,
            "rod": part.sizes_mm[0] - self._amount(0.03),
        }, (f"{size}, {shape}")

    # how it is measured

    def _measured(self, true: dict[str, float], repeats: int) -> tuple[tuple[Reading, ...], str]:
        zero, mishap = self._zero()
        seen = {
            name: [self._touched(name, value, zero) for _ in range(repeats)] for name, value in true.items()
        }
        if self.mishap == "slip" or (self.mishap == "none" and self.random.random() < 0.03):
            name = list(seen)[int(self.random.integers(len(seen)))]
            place = int(self.random.integers(repeats))
            seen[name][place] = self._slip(seen[name][place], name, true)
            mishap = f"slip at {name}"
        readings = tuple(
            Reading(name, tuple(_rounded(each) for each in values)) for name, values in seen.items()
        )
        return readings, mishap

    def _zero(self) -> tuple[float, str]:
        """The same for all readings of a part: a caliper closed on dirt, or knocked."""
        if self.mishap == "zero":
            sign = 1 if self.random.random() < 0.7 else -1
            return sign * float(self.random.uniform(0.05, 0.2)), "zero error"
        own = float(self.random.normal(0, 0.008))
        if self.mishap == "none" and self.random.random() < 0.03:
            return own + float(self.random.standard_t(2)) * 0.05, "zero error"
        return own, "none"

    def _touched(self, name: str, value: float, zero: float) -> float:
        """One closing of the jaws."""
        hand = float(self.random.normal(0, 0.012))
        soft = self.family != "bearing" and name not in ("shaft", "shaft_track", "rod")
        inside = name in ("bore", "inside", "free_lip")
        tilt = abs(float(self.random.normal(0, 0.012)))
        if self.mishap == "clean":
            tilt /= 3
        given = value + hand + zero - (1.6 * tilt if inside else 0.0) + (0.0 if inside else 0.6 * tilt)
        if soft and not inside:  # it gives way
            given -= abs(float(self.random.normal(0, 0.02))) + 0.004 * min(value, 8.0)
        if soft and inside:  # laid on a scale or over a cone, not quite round
            given += float(self.random.normal(0, 0.03 + 0.0025 * value))
        return max(given, 0.05)

    def _slip(self, value: float, name: str, true: Mapping[str, float]) -> float:
        """What goes wrong once."""
        how = self._one_of({"step": 0.45, "figure": 0.2, "swapped": 0.1, "feature": 0.25})
        if self.mishap == "slip":
            how = "step"
        if how == "step":
            step = float(self.random.choice(SLIPS_MM)) * (1 if self.random.random() < 0.5 else -1)
            return value + step if value + step > 0.3 else value + abs(step)
        if how == "feature":
            others = [each for other, each in true.items() if other != name]
            shoulder = value * float(
                self.random.uniform(1.03, 1.25)
            )  # a chamfer, a shoulder, the ring beside it
            return float(self.random.choice(others)) if others and self.random.random() < 0.3 else shoulder
        figures = list(f"{value:.2f}")
        places = [n for n, each in enumerate(figures) if each.isdigit()]
        if how == "figure":
            place = int(self.random.choice(places))
            figures[place] = str((int(figures[place]) + int(self.random.integers(1, 10))) % 10)
        else:
            at = int(self.random.integers(len(places) - 1))
            one, two = places[at], places[at + 1]
            figures[one], figures[two] = figures[two], figures[one]
        return max(float("".join(figures)), 0.05)


def _rounded(value_mm: float) -> float:
    return round(round(value_mm / RESOLUTION_MM) * RESOLUTION_MM, 2)


def _ring_um(kind: str, ring: str, size_mm: float) -> tuple[float, float]:
    table = "taper" if kind == "taper" else "radial"
    return nearest_ring_limits_um(table, ring, size_mm, "Normal")


# What is met: by judgement of the trade, not by the ranking's own shares.

_SERIES = {
    "62": 30.0,
    "63": 18.0,
    "60": 22.0,
    "64": 0.6,
    "68": 3.0,
    "69": 5.0,
    "160": 2.0,
    "622": 1.0,
    "623": 0.6,
}
# bearings of two rings, measured at bore, outside and width
_KINDS = {
    "deep_groove": 1.0, "angular_contact": 0.18, "self_aligning": 0.1, "cylindrical_n": 0.05, "cylindrical_nu": 0.2,
    "cylindrical_nj": 0.12, "spherical_roller": 0.22, "double_row_angular": 0.12, "needle_ring": 0.08, "four_point": 0.02,
}  # fmt: skip


def _met_bore(d_mm: float) -> float:
    """Bores about 25 mm are met most, very small and very large ones seldom."""
    return math.exp(-(math.log(d_mm / 27.0) ** 2) / (2 * 0.75**2))


def _met_ring(inside_mm: float) -> float:
    """Rings about 20 mm are met most."""
    return math.exp(-(math.log(max(inside_mm, 1.0) / 20.0) ** 2) / (2 * 0.95**2))


@lru_cache
def listed_of(family: str) -> tuple[Listed, ...]:
    """The sizes of a family, each with its share."""
    if family == "bearing":
        found = []
        for size in bearing_sizes():
            width = size.B_open_mm or size.B_closed_mm
            if size.kind not in _KINDS or not width:
                continue
            share = _KINDS[size.kind] * _SERIES.get(size.series, 0.7) * _met_bore(size.d_mm)
            found.append(Listed(size.kind, size.designation, (size.d_mm, size.D_mm, width), share))
        return tuple(found)
    rows = sizes_of_family(family)
    if family == "o_ring":
        return tuple(
            Listed(
                each.kind,
                each.designation,
                each.dimensions_mm[:2],
                _met_ring(each.dimensions_mm[0]),
                each.listed,
            )
            for each in rows
            if each.kind == "o_ring"
        )
    if family == "lip_seal":
        kinds = {
            "lip_rubber": 0.4,
            "lip_rubber_dust": 0.3,
            "lip_metal": 0.16,
            "lip_metal_dust": 0.1,
            "lip_metal_cased": 0.04,
        }
        usual = 32.0
    else:
        kinds = {"u_cup": 0.6, "u_cup_loaded": 0.4}
        usual = 38.0
    return tuple(
        Listed(
            each.kind, each.designation, each.dimensions_mm,
            kinds[each.kind] * math.exp(-(math.log(each.dimensions_mm[0] / usual) ** 2) / (2 * 0.7**2)), each.listed,
        )
        for each in rows
        if each.kind in kinds
    )  # fmt: skip


@lru_cache
def list_of_ring(listed: str) -> str:
    """Which of the trade's lists a row of the table is of."""
    if "AS568" in listed:
        return "SAE AS568"
    if "far-east" in listed:
        return "far east"
    return "older metric" if "older" in listed else "metric"


@lru_cache
def ring_shares(origin: str) -> np.ndarray:
    """How often each ring is met in machines of an origin; sums to 1."""
    rings = listed_of("o_ring")
    lists = np.array([list_of_ring(each.listed) for each in rings])
    names = sorted(set(lists))
    own = {name: OF_ORIGIN[origin].get(name, 0.0) for name in names}
    rest = (1.0 - sum(own.values())) / len(names)
    share = np.array([each.share for each in rings])
    found = np.zeros(len(rings))
    for name in names:
        inside = lists == name
        found[inside] = (own[name] + rest) * share[inside] / share[inside].sum()
    return np.asarray(found / found.sum())


@lru_cache
def made_between(family: str) -> tuple[np.ndarray, dict[str, tuple[np.ndarray, np.ndarray]]]:
    """Sizes of every listed part, also of those that this world does not draw, and by feature between what limits each is
    made, mm.
    """
    parts = listed_of(family) if family != "bearing" else _every_bearing()
    rows: dict[str, list[tuple[float, float]]] = {name: [] for name in FEATURES[family]}
    for part in parts:
        for name, limits_mm in _made(family, part).items():
            rows[name].append(limits_mm)
    limits_by = {name: (np.array(made)[:, 0], np.array(made)[:, 1]) for name, made in rows.items()}
    return np.array([each.sizes_mm[:3] for each in parts]), limits_by


def _every_bearing() -> tuple[Listed, ...]:
    """Every listed bearing of a bore and an outside, once for each width that it can be measured by."""
    return tuple(
        Listed(size.kind, size.designation, (size.d_mm, size.D_mm, width), 0.0)
        for size in bearing_sizes()
        if size.d_mm and size.D_mm
        for width in dict.fromkeys((size.B_open_mm, size.B_closed_mm, size.T_mm, size.C_mm))
        if width
    )


def _made(family: str, part: Listed) -> dict[str, tuple[float, float]]:
    one, two, three = (*part.sizes_mm, 0.0)[:3]
    if family == "bearing":
        bore, outside = (_ring_um(part.kind, ring, size) for ring, size in (("bore", one), ("outside", two)))
        return {
            "bore": (one + bore[0] / 1000, one + bore[1] / 1000),
            "outside": (two + outside[0] / 1000, two + outside[1] / 1000),
            "width": (three - 0.12, three + (0.2 if "taper" in part.kind else 0.0)),
        }
    if family == "o_ring":
        tolerance, spread = ring_inside_tolerance_mm(one), ring_section_tolerance_mm(two)
        section = (two - spread, two + spread)
        return {"inside": (one - tolerance, one + tolerance), "section_1": section, "section_2": section}
    if family == "lip_seal":
        low, high = press_fit_um(_cover(part.kind), two)
        wide = 0.2 if three <= 10 else 0.3
        return {
            "shaft": (one + limits(one, "h11").lower_um / 1000, one),
            "outside": (two + low / 1000, two + high / 1000),
            "width": (three - wide, three + wide),
        }
    about = 0.024 * one**0.5
    return {
        "inside": (one - about, one + about),
        "section": ((two - 0.12) * 1.02, (two + 0.12) * 1.07),
        "height": (three - 0.2, three + 0.2),
    }


# what use does to nineteen in twenty of them, share of the size and mm: lower, upper
_USED: Mapping[str, Mapping[str, tuple[float, float, float, float]]] = {
    "o_ring": {
        "inside": (-0.035, 0.055, -0.1, 0.1), "section_1": (-0.2, 0.15, -0.07, 0.02), "section_2": (-0.2, 0.15, -0.07, 0.02),
    },
    "lip_seal": {"outside": (-0.008, 0.01, -0.15, 0.0), "width": (-0.03, 0.03, -0.05, 0.3)},
    "hydraulic_seal": {
        "inside": (-0.035, 0.05, -0.1, 0.1), "section": (-0.13, 0.05, -0.05, 0.0), "height": (-0.1, 0.05, -0.05, 0.0),
    },
}  # fmt: skip


def _cover(kind: str) -> str:
    return "rubber" if "rubber" in kind or kind in ("lip_two", "lip_grease") else "metal"


def others_that_fit(found: Found, used: bool = False, within_mm: float = CALIPER_U_MM * 2) -> tuple[str, ...]:
    """Other listed sizes that all readings fit within 2 U, as they are made or as use leaves them.

    Of a misread part nobody could know better.
    """
    sizes, made = made_between(found.family)
    near = np.ones(len(sizes), dtype=bool)
    for reading in found.readings:
        if reading.feature in made:
            low, high = made[reading.feature]
            allowed = _USED.get(found.family, {}).get(reading.feature, (0.0,) * 4) if used else (0.0,) * 4
            low, high = low + allowed[0] * low + allowed[2], high + allowed[1] * high + allowed[3]
            mean = float(np.mean(reading.values_mm))
            near &= (mean > low - within_mm) & (mean < high + within_mm)
    others = sizes[near][(np.abs(sizes[near] - np.array(found.sizes_mm[:3])) > 0.25).any(axis=1)]
    return tuple(sorted({" x ".join(f"{size:g}" for size in each) for each in others.tolist()}))
