"""What happened to a rejected seat, and the ways back for it: each judged by gap, heat and load, with sizes to work to."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field
from functools import cache
from pathlib import Path
from typing import Literal

from ample.core.tables import read_table

Way = Literal[
    "ring_to_suit", "next_zone", "compound", "sleeve", "build_up", "grind", "replace", "shim_or_tape",
]  # fmt: skip
Because = Literal[
    "", "gap_over", "heat_over", "load_turns", "load_heavy", "never", "section_thin",
]  # fmt: skip
Sign = Literal["polished", "scored", "blued", "fretted", "ring_polished"]
Happened = Literal["spun", "fretting", "spun_hot", "undersize", "oversize", "not_spun", ""]
SIGNS: tuple[Sign, ...] = ("polished", "scored", "blued", "fretted", "ring_polished")

COMPOUND_UNDER_TURNING_UM = 50
RING_PICKED_UM = 8
UNDERCUT_MM = 0.5
SLEEVE_WALL_SHARE, THINNEST_SLEEVE_MM = 0.05, 2.0


@dataclass(frozen=True)
class Compound:
    """A retaining compound: what it bridges on the diameter, µm, and the heat that it stands, °C."""

    name: str
    gap_um: float
    max_c: float


@dataclass(frozen=True)
class RepairWay:
    """A way back: whether it suits, why not, the compound or zone that is meant, and the sizes to work to, mm."""

    way: Way
    suits: bool
    because: Because
    compound: str = ""
    zone: str = ""
    sizes_mm: Mapping[str, float] = field(default_factory=dict)


@dataclass(frozen=True)
class Worn:
    """A seat that is to be repaired: side, size, mean and zone (µm about nominal), gap to the ring, load and heat.

    `form_bad` when its form is what is wrong; `tighter` is a zone, with its limits, that would hold where this one does not;
    `tightest_holds` when the tightest ring within its limits would hold here.
    """

    part: str
    nominal_mm: float
    mean_um: float
    zone_um: tuple[float, float]
    gap_um: float
    turns: bool
    load: str = "normal"
    running_c: float | None = None
    form_bad: bool = False
    tighter: tuple[str, float, float] | None = None
    tightest_holds: bool = False


@cache
def compounds() -> tuple[Compound, ...]:
    """The classes of retaining compounds, from memory."""
    rows = read_table(Path(__file__).with_name("compounds.csv")).rows
    return tuple(Compound(row["compound"], float(row["gap_um"]), float(row["max_c"])) for row in rows)


def what_happened(signs: Collection[str], worn_um: float, tight_um: float) -> Happened:
    """What happened to a seat, by what is seen of it and how far it is out of its zone.

    Formula: a loose seat that is polished or scored has been spun on; blued as well, spun hot; brown or red powder
    without loss of size is fretting; worn without any sign is undersize; tight is oversize.

    Args:
        signs: What is seen: `polished`, `scored`, `blued`, `fretted`, `ring_polished`.
        worn_um: How far the seat is out of its zone on the loose side, µm; 0 or less when it is not.
        tight_um: How far it is out on the tight side, µm.

    Returns:
        `spun`, `spun_hot`, `fretting`, `undersize`, `oversize`, `not_spun`; empty when nothing is known.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> what_happened(["scored", "blued"], 40, 0), what_happened(["fretted"], 0, 0)
        ('spun_hot', 'fretting')
    """
    seen = set(signs)
    if tight_um > 0:
        return "oversize"
    if worn_um > 0:
        if seen & {"polished", "scored", "ring_polished", "blued"}:
            return "spun_hot" if "blued" in seen else "spun"
        return "fretting" if "fretted" in seen else "undersize"
    if "fretted" in seen:
        return "fretting"
    return "not_spun" if seen else ""


def repair_ways(worn: Worn, compound: Compound | None = None) -> tuple[RepairWay, ...]:
    """The ways back for a seat, best first, those that do not suit last.

    Formula: a compound suits where its gap is at least the gap on the diameter and it stands the heat; under a load that
    turns about the ring only to 50 µm and not when heavy. A sleeve is 5 % of the size thick, 2 mm at least. Built up from
    0.5 mm under the seat, then ground to the zone.

    Args:
        worn: The seat.
        compound: The compound in hand; else the classes of the table, the least that bridges the gap first.

    Returns:
        The ways with sizes to work to.

    Raises:
        Nothing.

    Source: common practice; the machine shop decides.

    Example:
        >>> repair_ways(Worn("shaft", 25, -65, (2, 11), 60, True), Compound("", 25, 150))[0].way
        'sleeve'
    """
    sign = 1 if worn.part == "shaft" else -1
    finished = {
        name: worn.nominal_mm + um / 1000 for name, um in zip(("from", "to"), worn.zone_um, strict=True)
    }
    loose = worn.zone_um[0] - worn.mean_um if worn.part == "shaft" else worn.mean_um - worn.zone_um[1]
    tighter: tuple[RepairWay, ...] = ()
    named = worn.tighter[0] if worn.tighter else ""
    if worn.tighter is not None:
        name, low, high = worn.tighter
        finished = {"from": worn.nominal_mm + low / 1000, "to": worn.nominal_mm + high / 1000}
        tighter = (RepairWay("next_zone", True, "", zone=name, sizes_mm=_rounded(finished)),)
    elif loose <= 0 and not worn.form_bad:
        return (
            RepairWay("grind", True, "", sizes_mm=_rounded(finished)),
            RepairWay("compound", False, "never"),
        )
    wall = max(THINNEST_SLEEVE_MM, SLEEVE_WALL_SHARE * worn.nominal_mm)
    under_sleeve = worn.nominal_mm - sign * 2 * wall
    sleeve_fits = worn.part == "housing" or under_sleeve > worn.nominal_mm / 2
    ways = [
        *tighter,
        *((RepairWay("ring_to_suit", True, ""),) if worn.tightest_holds and 0 < loose <= RING_PICKED_UM else ()),
        *((_compound(worn, compound),) if worn.gap_um > 0 else ()),
        RepairWay(
            "sleeve", sleeve_fits, "" if sleeve_fits else "section_thin",
            zone=named, sizes_mm=_rounded({"machine_to": under_sleeve, "wall": wall} | finished),
        ),
        RepairWay(
            "build_up", True, "",
            zone=named, sizes_mm=_rounded({"machine_to": worn.nominal_mm + worn.mean_um / 1000 - sign * 2 * UNDERCUT_MM} | finished),
        ),
        RepairWay("replace", True, "", zone=named, sizes_mm=_rounded(finished)),
        RepairWay("shim_or_tape", False, "never"),
    ]  # fmt: skip
    return tuple(sorted(ways, key=lambda way: not way.suits))


def _rounded(sizes: Mapping[str, float]) -> dict[str, float]:
    return {name: round(value, 4) for name, value in sizes.items()}


def _compound(worn: Worn, own: Compound | None) -> RepairWay:
    bridges = own or next((each for each in compounds() if each.gap_um >= worn.gap_um), compounds()[-1])
    because: Because = ""
    if worn.gap_um > bridges.gap_um:
        because = "gap_over"
    elif worn.running_c is not None and worn.running_c > bridges.max_c:
        because = "heat_over"
    elif worn.turns and worn.load == "heavy":
        because = "load_heavy"
    elif worn.turns and worn.gap_um > COMPOUND_UNDER_TURNING_UM:
        because = "load_turns"
    return RepairWay(
        "compound", not because, because, bridges.name, "",
        {"gap": round(worn.gap_um / 1000, 4), "bridges": bridges.gap_um / 1000},
    )  # fmt: skip
