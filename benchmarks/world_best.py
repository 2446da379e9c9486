"""The best that anybody could do in the world apart: its own wear and readings, and what is met how often."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from ample.core.identify import Catalogue, Entry
from ample.core.identify.catalogue import seal_catalogue
from ample.core.standards.seals import ring_inside_tolerance_mm, ring_section_tolerance_mm
from benchmarks.world import FEATURES, ORIGINS, SLIPS_MM, Found, Listed, World, listed_of, ring_shares

STATES = 6000
NEAR_INSIDE, NEAR_SECTION = 0.2, 0.45  # share of the reading; nothing farther is thought of
WRONG = 0.012  # a reading of something else
KERNEL_MM = 0.019  # hand, tilt and what gives way, of a section


def shares_met() -> np.ndarray:
    """How often each ring is met when nobody knows where the machine was built; sums to 1."""
    total = sum(ORIGINS.values())
    return np.asarray(sum(share / total * ring_shares(origin) for origin, share in ORIGINS.items()))


def catalogue_met(shares: np.ndarray) -> Catalogue:
    """The product's list of O-rings with these shares instead of its own; what this world does not draw keeps next to none."""
    by_size: dict[tuple[float, ...], float] = {}
    for part, share in zip(listed_of("o_ring"), shares, strict=True):
        by_size[part.sizes_mm] = by_size.get(part.sizes_mm, 0.0) + float(share)
    least = min(share for share in by_size.values() if share > 0) / 100
    return Catalogue.of(
        [
            Entry(each.spec, each.marking, by_size.get(each.spec.make.dimensions_mm[:2], least))
            for each in seal_catalogue("o_ring").entries
        ]
    )


class BestPossible:
    """Chances of each listed ring by the world's own rules, its states drawn at random: as good as can be known."""

    def __init__(self, shares: np.ndarray, seed: int = 3):
        rings = listed_of("o_ring")
        self.inside = np.array([each.sizes_mm[0] for each in rings])
        self.section = np.array([each.sizes_mm[1] for each in rings])
        self.tolerance = np.array([ring_inside_tolerance_mm(size) for size in self.inside])
        self.shares = shares
        self.states(seed)

    def states(self, seed: int) -> None:
        """What wear does, by a World that wears a ring of inside 1000 and section 1: shares of both."""
        world = World("o_ring", seed)
        grown, one, two = [], [], []
        for _ in range(STATES):
            size, across, along = world.ring_state()
            grown.append(size[0])
            one.append(size[1] * across)
            two.append(size[1] * along)
        self.grown, self.one, self.two = np.array(grown), np.array(one), np.array(two)
        random = np.random.default_rng(seed + 1)
        self.within = 2 * random.beta(2.2, 2.2, STATES) - 1
        self.zero = random.normal(0, 0.008, STATES)

    def order(self, found: Found) -> list[tuple[float, tuple[float, float]]]:
        """Sizes with their chances, likeliest first."""
        read = {each.feature: float(np.mean(each.values_mm)) for each in found.readings}
        inside, one, two = read["inside"], read["section_1"], read["section_2"]
        mean = (one * two) ** 0.5
        rows = np.flatnonzero(
            (np.abs(self.inside - inside) < NEAR_INSIDE * inside + 0.5)
            & (np.abs(self.section - mean) < NEAR_SECTION * mean)
            & (self.shares > 0)
        )
        if not len(rows):
            return []
        flat = 1 / (8 * np.array([inside, one, two]))
        density = np.zeros(len(rows))
        sections = {}
        for size in np.unique(self.section[rows]):
            true = size + self.within * ring_section_tolerance_mm(float(size))
            kernels = []
            for value, state in ((one, self.one), (two, self.two)):
                seen = true * state
                off = value - (seen + 0.006 - 0.016 - 0.004 * np.minimum(seen, 8.0) + self.zero)
                kernels.append(_kernel(off, KERNEL_MM))
            sections[float(size)] = kernels
        # made a little large or small inside, and the scale or cone that it is read on, as one spread
        for place, row in enumerate(rows):
            seen = self.inside[row] * (1 + self.grown)
            spread = np.sqrt((0.03 + 0.0025 * seen) ** 2 + 0.02**2 + (0.42 * self.tolerance[row]) ** 2)
            first = (1 - WRONG) * _kernel(inside - seen + 0.015, spread) + WRONG * flat[0]
            second, third = sections[float(self.section[row])]
            density[place] = np.mean(
                first * ((1 - WRONG) * second + WRONG * flat[1]) * ((1 - WRONG) * third + WRONG * flat[2])
            )
        chance = self.shares[rows] * density
        by_size: dict[tuple[float, float], float] = {}
        for row, own in zip(rows, chance / chance.sum(), strict=True):
            size_of = (float(self.inside[row]), float(self.section[row]))
            by_size[size_of] = by_size.get(size_of, 0.0) + float(own)
        return sorted(((p, size) for size, p in by_size.items()), reverse=True)[:6]


SEAL_STATES = 2000
SLIPPED = 0.03 / 3  # of one reading of three
STEP = 0.45  # of what slipped
TAILED = 0.03  # calipers whose zero is off
STEPS_MM = np.array([way * step for step in SLIPS_MM for way in (-1, 1)])
FARTHEST = 12.0  # a slip and what use does; nothing farther is thought of, mm
HARD = ("shaft", "shaft_track", "rod")


class BestSeal:
    """Chances of each listed seal by the world's own rules: worn by it a few thousand times, and read with its slips."""

    def __init__(self, family: str, seed: int = 3):
        self.family, self.names = family, FEATURES[family]
        self.world = World(family, seed)
        self.random = np.random.default_rng(seed + 1)
        # one of each sort that wears alike, with the share of all of it
        alike: dict[tuple[object, ...], Listed] = {}
        for each in listed_of(family):
            sort = (each.sizes_mm, "rubber" in each.kind)
            before = alike[sort].share if sort in alike else 0.0
            alike[sort] = replace(each, share=each.share + before)
        self.listed = list(alike.values())
        self.meant = np.array([each.sizes_mm[:3] for each in self.listed])
        self.worn: dict[int, np.ndarray] = {}

    def states(self, row: int) -> np.ndarray:
        """The features of a part as use leaves it (rows) and the caliper's zero shows it, mm."""
        if row not in self.worn:
            rows = [self.world.worn(self.listed[row]) for _ in range(SEAL_STATES)]
            zero = self.random.normal(0, 0.008, SEAL_STATES)
            off = self.random.random(SEAL_STATES) < TAILED
            zero += off * self.random.standard_t(2, SEAL_STATES) * 0.05
            self.worn[row] = np.array([[each[name] for name in self.names] for each in rows]) + zero[:, None]
        return self.worn[row]

    def order(self, found: Found) -> list[tuple[float, tuple[float, ...]]]:
        """Sizes with their chances, likeliest first."""
        read = np.array([float(np.mean(each.values_mm)) for each in found.readings])
        off = np.abs(self.meant - read)
        two_near = np.sort(off / (1.2 + 0.06 * read), axis=1)[:, 1] < 1
        by_size: dict[tuple[float, ...], float] = {}
        for row in np.flatnonzero(two_near & (off < FARTHEST + 0.1 * read).all(axis=1)).tolist():
            part = self.listed[row]
            size = part.sizes_mm[:3]
            by_size[size] = by_size.get(size, 0.0) + part.share * self._density(self.states(row), read)
        total = sum(by_size.values())
        return sorted(((own / total, size) for size, own in by_size.items() if total > 0), reverse=True)[:6]

    def _density(self, seen: np.ndarray, read: np.ndarray) -> float:
        """Mean over the states of the density of the readings, at most one of them slipped."""
        right, wrong = [], []
        for place, name in enumerate(self.names):
            true, value = seen[:, place], float(read[place])
            if name in HARD:
                bias, spread = np.full(len(true), 0.006), 0.015
            elif name == "inside":
                bias, spread = np.full(len(true), -0.015), float(np.hypot(0.03 + 0.0025 * value, 0.02))
            else:
                bias, spread = 0.006 - 0.016 - 0.004 * np.minimum(true, 8.0), KERNEL_MM
            off = value - true - bias
            right.append(_kernel(off, spread))
            nearest = np.abs(off[:, None] - STEPS_MM).min(axis=1)
            steps = _kernel(nearest, spread) / len(STEPS_MM)
            wrong.append(STEP * steps + (1 - STEP) / (8 * value))
        found = (1 - SLIPPED * len(right)) * np.prod(right, axis=0)
        for place in range(len(right)):
            others = np.prod([each for at, each in enumerate(right) if at != place], axis=0)
            found = found + SLIPPED * wrong[place] * others
        return float(found.mean())


def _kernel(off: np.ndarray, spread: np.ndarray | float) -> np.ndarray:
    return np.asarray(np.exp(-0.5 * (off / spread) ** 2) / (spread * np.sqrt(2 * np.pi)))
