"""Which rubber a ring is of, by evidence: hardness, density, colour, what it stood in, and how it fared."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal, get_args

from ample.core.errors import BadInput
from ample.core.sizes.figures import percent
from ample.core.tables import read_table

Medium = Literal[
    "mineral_oil", "water", "glycol", "brake_fluid", "fuel", "steam", "refrigerant", "refrigerant_with_pag_oil",
    "phosphate_ester", "industrial_phosphate_ester", "alkali", "acid",
]  # fmt: skip
MEDIA: tuple[str, ...] = get_args(Medium)
SWELLING = ("none", "some", "much")
COLOURS = ("black", "brown", "green", "red", "blue", "white", "other")
WATER_G_CM3 = 0.998
WEAK = 0.35
SETTLED = 0.95
_HARDNESS_UNCERTAINTY, _HARDENED = 4.0, 6.0
_TOLD_BY_DENSITY = ("FKM", "PTFE", "PTFE-Bz")
STANDS_WELL, FAILS = 0.7, 0.4  # of a rubber in a medium: above it lasts, below it does not; between, ask
_USUAL_SHARE = 0.01  # rarer materials are not named unasked
_WORDS_OF = {
    "refrigerant": "refrigerant with mineral oil",
    "refrigerant_with_pag_oil": "refrigerant with PAG oil",
    "phosphate_ester": "aviation phosphate ester",
    "alkali": "alkali (lye)",
    "acid": "dilute acid",
}


def medium_words(medium: str) -> str:
    """What a medium is called.

    >>> medium_words("brake_fluid"), medium_words("acid")
    ('brake fluid', 'dilute acid')
    """
    return _WORDS_OF.get(medium, medium.replace("_", " "))


def rubber_for(medium: str) -> str:
    """What is said of rubbers in a medium while nobody knows which the old one was; empty for what is no medium."""
    if medium not in MEDIA:
        return ""
    usual = {name: each for name, each in rubbers().items() if each.share >= _USUAL_SHARE}
    good = [name for name, each in usual.items() if each.stands[medium] >= STANDS_WELL]
    bad = [name for name, each in usual.items() if each.stands[medium] < FAILS]
    fails = f"; {', '.join(bad)} {'fails' if len(bad) == 1 else 'fail'}" if bad else ""
    lasts = "lasts" if len(good) == 1 else "last"
    return f"Its rubber is not known. In {medium_words(medium)} {', '.join(good)} {lasts}{fails}."


@dataclass(frozen=True)
class Rubber:
    """A rubber or plastic: density and hardness it comes in, its colours, the heat and media it withstands."""

    name: str
    words: str
    share: float
    density_g_cm3: tuple[float, float]
    hardness_shore_a: tuple[float, float]
    colours: dict[str, float]
    heat_c: float
    cold_c: float
    stands: dict[str, float]


OTHER = Rubber(
    "other", "none of these", 0.006, (0.85, 2.8), (20.0, 100.0), dict.fromkeys(COLOURS, 1 / len(COLOURS)), 150.0, -20.0,
    dict.fromkeys(MEDIA, 0.5),
)  # fmt: skip


@dataclass(frozen=True)
class Clues:
    """What is known of a ring: all of it may be missing. Weighings in grams, in air and hung in water."""

    hardness_shore_a: float | None = None
    hardened: bool = False
    colour: str = ""
    stood_in: str = ""
    swelling: str = ""
    heat_c: float | None = None
    mass_air_g: float | None = None
    mass_water_g: float | None = None
    scale_g: float = 0.01

    def __post_init__(self) -> None:
        for name, value, known in (
            ("colour", self.colour, COLOURS),
            ("stood_in", self.stood_in, MEDIA),
            ("swelling", self.swelling, SWELLING),
        ):
            if value and value not in known:
                raise BadInput(
                    "no_such_value",
                    f"“{value[:20]}” is not one of the choices.",
                    name,
                    f"One of {', '.join(known)}.",
                )
        if self.hardness_shore_a is not None and not 10 <= self.hardness_shore_a <= 100:
            raise BadInput("bad_hardness", "Shore A lies between 10 and 100.", "hardness_shore_a")
        if (self.mass_air_g is None) != (self.mass_water_g is None):
            raise BadInput(
                "one_weighing", "Density needs two weighings: in air and hung in water.", "mass_water_g"
            )
        air, water = self.mass_air_g, self.mass_water_g
        if air is not None and water is not None and not (0 < air < 100_000 and -100 < water < air):
            raise BadInput("bad_weighing", "In water it must weigh less than in air.", "mass_water_g",
                           "A ring that floats cannot be identified by this test.")  # fmt: skip
        if not 0 < self.scale_g <= 5:
            raise BadInput("bad_scale", "The scale's step lies between 0 and 5 g.", "scale_g")

    @property
    def density(self) -> tuple[float, float] | None:
        """Density and its standard uncertainty, g/cm³; None without weighings."""
        if self.mass_air_g is None or self.mass_water_g is None:
            return None
        lost = self.mass_air_g - self.mass_water_g
        density = self.mass_air_g * WATER_G_CM3 / lost
        u = self.scale_g / math.sqrt(3)
        by_air = WATER_G_CM3 / lost - density / lost
        by_water = density / lost
        return density, math.hypot(by_air * u, by_water * u) + 0.004 * density


@dataclass(frozen=True)
class RubberChance:
    """A rubber and its chance."""

    rubber: str
    words: str
    probability: float


@dataclass(frozen=True)
class RubberAnswer:
    """Chances of each rubber, the density, the words about it, and whether it is settled enough to order by."""

    chances: tuple[RubberChance, ...]
    density_g_cm3: float | None
    density_doubt_g_cm3: float | None
    settled: bool
    words: tuple[str, ...]


@lru_cache
def rubbers() -> dict[str, Rubber]:
    """Every rubber of the table, by name."""
    found = {}
    for row in read_table(Path(__file__).with_name("rubbers.csv")).rows:
        colours = {name: float(share) for name, share in (pair.split(":") for pair in row["colours"].split())}
        found[row["rubber"]] = Rubber(
            row["rubber"], row["words"], float(row["share"]),
            (float(row["density_low"]), float(row["density_high"])),
            (float(row["hardness_low"]), float(row["hardness_high"])), colours, float(row["heat_c"]), float(row["cold_c"]),
            {name: float(row[name]) for name in (*MEDIA, "ozone")},
        )  # fmt: skip
    return found


Stands = Literal["lasts", "ask", "fails"]


def stands_in(rubber: Rubber, medium: str) -> Stands:
    """Whether a rubber lasts in a medium.

    >>> stands_in(rubbers()["EPDM"], "mineral_oil"), stands_in(rubbers()["NBR"], "mineral_oil")
    ('fails', 'lasts')
    """
    share = rubber.stands[medium]
    return "lasts" if share >= STANDS_WELL else "fails" if share < FAILS else "ask"


def rubber_source() -> str:
    """Where the table of rubbers comes from."""
    return read_table(Path(__file__).with_name("rubbers.csv")).source


def rubber_by_evidence(clues: Clues) -> RubberAnswer:
    """Weigh what is known of a ring into chances of the rubbers it can be of.

    Formula: P(rubber | clues) ∝ P(rubber) · Π P(clue | rubber); density ρ = m_air·ρ_water/(m_air − m_water);
    a colour counts only weakly (its share to the power 0.35).

    Args:
        clues: What is known; hardness in Shore A, temperatures in °C, masses in g.

    Returns:
        Chances that add up to 1, the density with its uncertainty, and what it means for the order. It is settled
        only at 95 % with a density that tells, or by a rubber that nothing else looks like.

    Raises:
        BadInput: When a value is none of the choices or cannot be.

    Source: ISO 2781 (density by two weighings); figures from memory; the weights are judgement.

    Example:
        >>> answer = rubber_by_evidence(Clues(mass_air_g=10.0, mass_water_g=4.75))
        >>> answer.chances[0].rubber, round(answer.density_g_cm3, 2)
        ('FKM', 1.9)
    """
    known = rubbers() | {OTHER.name: OTHER}
    weights = {name: rubber.share * _likelihood(rubber, clues) for name, rubber in known.items()}
    total = sum(weights.values())
    chances = sorted(((name, weight / total) for name, weight in weights.items()), key=lambda p: -p[1])
    measured = clues.density
    best, chance = chances[0]
    telling = measured is not None and best in _TOLD_BY_DENSITY
    settled = chance >= SETTLED and telling
    return RubberAnswer(
        tuple(RubberChance(name, known[name].words, share) for name, share in chances),
        measured[0] if measured else None,
        measured[1] if measured else None,
        settled,
        _words(clues, chances, settled),
    )


def _likelihood(rubber: Rubber, clues: Clues) -> float:
    likelihood = 1.0
    measured = clues.density
    if measured:
        likelihood *= _within(measured[0], *rubber.density_g_cm3, max(measured[1], 0.01))
    if clues.hardness_shore_a is not None:
        value = clues.hardness_shore_a - (_HARDENED if clues.hardened else 0.0)
        uncertainty = math.hypot(_HARDNESS_UNCERTAINTY, _HARDENED if clues.hardened else 0.0)
        likelihood *= _within(value, *rubber.hardness_shore_a, uncertainty)
    if clues.colour:
        likelihood *= rubber.colours.get(clues.colour, 0.01) ** WEAK
    if clues.stood_in:
        likelihood *= _fared(rubber.stands[clues.stood_in], clues.swelling)
    if clues.heat_c is not None and not clues.hardened:
        likelihood *= 1 / (1 + math.exp((clues.heat_c - rubber.heat_c - 20) / 15))
    return likelihood


def _within(value: float, low: float, high: float, uncertainty: float) -> float:
    """Density of a value of something that lies evenly between two limits, read with this standard uncertainty."""
    scale = uncertainty * math.sqrt(2)
    return (math.erf((value - low) / scale) - math.erf((value - high) / scale)) / (2 * (high - low)) + 1e-6


def _fared(stands: float, swelling: str) -> float:
    """How likely a rubber of this resistance to a medium has aged as it did; when not said, that it was put there."""
    if not swelling:
        return 0.1 + 0.9 * stands
    none, some = stands, 0.3 + 0.4 * (1 - abs(2 * stands - 1))
    much = 1 - stands
    return {"none": none, "some": some, "much": much}[swelling] + 0.02


def _words(clues: Clues, chances: list[tuple[str, float]], settled: bool) -> tuple[str, ...]:
    known = rubbers() | {OTHER.name: OTHER}
    best, chance = chances[0]
    said = []
    if best == OTHER.name:
        said.append(
            f"None of the usual rubbers and plastics goes with all of this ({percent(chance)}): weigh it again, or ask a "
            "supplier with a sample."
        )
    elif settled:
        said.append(f"Order it in {best} ({known[best].words}): no other material here has its density.")
    else:
        others = ", ".join(
            f"{'none of these' if name == OTHER.name else name} {percent(share)}"
            for name, share in chances[1:4]
            if share > 0.02
        )
        said.append(
            f"Likeliest {best} ({percent(chance)}){'; also ' + others if others else ''}: not confirmed."
        )
    two = {name for name, share in chances if share > 0.03}
    if {"NBR", "EPDM"} <= two:
        said.append(
            "NBR and EPDM cannot be told by density, hardness or colour, and each fails in the other's medium: "
            "order by the medium, or ask the supplier for a certificate."
        )
    if clues.colour:
        said.append("Colour is a weak hint and proves nothing.")
    if clues.swelling == "much" and clues.stood_in:
        medium = medium_words(clues.stood_in)
        good = [name for name, rubber in rubbers().items() if rubber.stands[clues.stood_in] >= 0.9]
        said.append(f"It swelled in {medium}: it was the wrong material there. {', '.join(good)} stand it.")
    elif clues.stood_in:
        medium = medium_words(clues.stood_in)
        bad = [name for name, share in chances if share > 0.1 and known[name].stands[clues.stood_in] < 0.2]
        if bad:
            said.append(
                f"{', '.join(bad)} would not withstand {medium}: do not order it for this application."
            )
    if clues.hardened:
        said.append("It has hardened with age and heat: it was softer when new.")
    said.append(
        "Burnt fluoro rubber leaves an acid that eats skin and bone: do not touch charred rings; ask who may dispose of them."
    )
    return tuple(said)
