"""Worlds of seats, apart from the judge: true size, form and instrument are known here, and nowhere else.

They import nothing of the product: limits, formulas and what a shop's seats are like are typed in, from the trade page and
from common practice. `worn` draws seats over a wide range with the instrument as its certificate says; `mishaps` the same with
a part warmer than was said, ovals, lobes and tapers, a drifting zero; `stiff` the mishaps with rings that do not follow the
lobes; `shop` good, worn and oversize seats as a shop meets them, with the mishaps. `mishaps` was added after the first run, to
tell the mishaps from what is met.

**Changed later, with its reason**: three lobes took half of their height off every reading of `mishaps`, as if the ring rode
on their tops. That was wrong twice. A curve of constant width w has the perimeter π·w (Barbier), so what two points read is
the mean diameter; and a ring follows the lobes: to bend one of 25 x 31 x 15 mm by 0.5 µm takes
E·I·(n² − 1)²·δ/(B·R⁴) = 0.4 MPa, and 5 µm of interference press with 9. So lobes leave reading and ring as they are in
`mishaps`; `stiff` keeps the old rule, to compare.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

LEAST_BALL_UM = -3.0
GROUPS = {
    "6205": {"N": (5.0, 20.0), "3": (13.0, 28.0), "4": (23.0, 41.0)},
    "6210": {"N": (6.0, 23.0), "3": (18.0, 36.0), "4": (30.0, 51.0)},
}  # over 24 to 30 and over 40 to 50 mm, µm (ISO 5753-1 as common lists give it)


@dataclass(frozen=True)
class Place:
    """A seat that is asked about: bearing, sizes (mm), zone, limits of its ring and of the housing's pair (µm), load, N."""

    bearing: str
    d_mm: float
    D_mm: float
    B_mm: float
    zone: str
    zone_um: tuple[float, float]
    ring_um: tuple[float, float]
    housing_um: tuple[float, float]
    outside_um: tuple[float, float]
    load_n: float


PLACES = (
    Place("6205", 25, 52, 15, "k5", (2, 11), (-10, 0), (-12, 18), (-13, 0), 1400),
    Place("6205", 25, 52, 15, "j6", (-4, 9), (-10, 0), (-12, 18), (-13, 0), 700),
    Place("6210", 50, 90, 20, "k6", (2, 18), (-12, 0), (-13, 22), (-15, 0), 2500),
)


@dataclass(frozen=True)
class Seat:
    """A seat as it is, and what was read of it."""

    place: Place
    readings_mm: list[list[float]]
    in_zone: bool
    holds: bool
    clears: bool


class SeatWorld:
    """Draws seats; the same seed draws the same."""

    def __init__(self, name: str, seed: int):
        self.name = name
        self.random = np.random.default_rng(seed)

    def draws(self, count: int) -> Iterator[Seat]:
        """So many seats."""
        for _ in range(count):
            yield self._one()

    def _one(self) -> Seat:
        place = PLACES[int(self.random.integers(len(PLACES)))]
        mean_um = self._mean_um(place)
        bore, outside, housing = (
            float(self.random.uniform(*limits))
            for limits in (place.ring_um, place.outside_um, place.housing_um)
        )
        tight = mean_um - bore
        return Seat(
            place,
            self._read(place, mean_um),
            place.zone_um[0] <= mean_um <= place.zone_um[1],
            tight * place.d_mm / (place.d_mm + 2) >= _needed_um(place),
            self._clears(place, tight, outside - housing),
        )

    def _mean_um(self, place: Place) -> float:
        """The true mean diameter about nominal, µm."""
        low, high = place.zone_um
        middle, half = (low + high) / 2, (high - low) / 2
        if self.name != "shop":
            return float(self.random.uniform(low - 20, high + 20))
        kind = self.random.random()
        if kind < 0.5:
            return float(self.random.normal(middle, 0.8 * half))
        if kind < 0.9:
            return float(middle - self.random.gamma(1.5, 6.0))
        return float(self.random.uniform(high, high + 25))

    def _read(self, place: Place, mean_um: float) -> list[list[float]]:
        """Three planes of two directions with a micrometer of U = 5 µm (k = 2) and a scatter of 1.5 µm."""
        random = self.random
        instrument = float(random.normal(0, 2.5))
        taper = oval = lobes = warmth = 0.0
        if self.name != "worn":
            taper, oval, lobes = (
                float(random.normal(0, 1.5)),
                float(random.exponential(1.0)),
                float(random.exponential(1.0)),
            )
            warmth = place.d_mm * 11.5e-3 * float(random.normal(0, 0.7))
            instrument += float(random.normal(0, 0.7))
        turned = float(random.uniform(0, math.pi))
        rows = []
        for plane in (-1, 0, 1):
            row = []
            for quarter in (0, 1):
                off = taper * plane + oval * math.cos(2 * (turned + quarter * math.pi / 2))
                # such a ring rides on the tops of the lobes, which two points do not see
                if self.name == "stiff":
                    off -= 0.5 * lobes
                read = mean_um + off + instrument + warmth + float(random.normal(0, 1.5))
                row.append(round(place.d_mm + read / 1000, 4))
            rows.append(row)
        return rows

    def _clears(self, place: Place, tight_um: float, outer_um: float) -> bool:
        """Whether normal clearance leaves a ball bearing enough, 10 K warmer inside."""
        inner, outer = (4 * place.d_mm + place.D_mm) / 5, (4 * place.D_mm + place.d_mm) / 5
        h, h0 = outer / place.D_mm, 1 / 1.5
        taken = max(tight_um, 0) * place.d_mm / (place.d_mm + 2) * place.d_mm / inner
        taken += max(outer_um, 0) * place.D_mm / (place.D_mm + 2) * h * (1 - h0**2) / (1 - h**2 * h0**2)
        taken += 11.5e-3 * 10 * (inner + outer) / 2
        return float(self.random.uniform(*GROUPS[place.bearing]["N"])) - taken >= LEAST_BALL_UM


def _needed_um(place: Place) -> float:
    """What the load and 10 K take, µm."""
    return 0.08 * math.sqrt(place.d_mm * place.load_n / place.B_mm) + 0.0015 * 10 * place.d_mm
