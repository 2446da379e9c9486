"""What a specialist would say beside the ranking: what to measure instead, and names that mislead."""

from __future__ import annotations

from collections.abc import Sequence
from statistics import median

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.observations import Observation
from ample.core.parts import SEALS, MarkingReading
from ample.core.parts.seals import GROOVE_WALLS
from ample.core.sizes import INCH_MM
from ample.core.standards import dash_sizes
from ample.core.standards.seals import inch_fraction

NEAR_MM, FAR_MM, CLEARLY = 0.1, 0.85, 2.5
_SERIES_MM = (4, 5, 6, 8, 10, 12, 14, 16, 18, 20, 22, 25, 28, 30, 32, 35, 36, 40, 45, 50, 56, 63, 70, 80, 90, 100, 110, 125,
              140, 160, 180, 200, 220, 250, 280, 320, 360)  # fmt: skip


_RING_ITSELF = {"inside", "outside", "length", "section_1", "section_2"}
_GROOVES = {*GROOVE_WALLS, "groove_depth"}
_RIVAL = 0.15  # of the chance of the first: from here on the second is named beside it
_ONE_SECTION_MM = 0.09
_STEP = 0.06  # neighbours differ by less than this share of their inside


def neighbours(
    observations: Sequence[Observation], likeliest: Sequence[tuple[str, tuple[float, ...], float]]
) -> str:
    """What is said of two rings of one section that use brings to the same size; empty when they can be told apart.

    Args:
        observations: What was read.
        likeliest: The two likeliest O-rings: designation, inside and section in mm, chance.
    """
    read = {each.feature for each in observations}
    if len(likeliest) < 2 or read & _GROOVES or not read & _RING_ITSELF:
        return ""
    (one, own, chance), (other, its, rival) = likeliest[:2]
    apart = abs(own[0] - its[0]) / max(own[0], its[0])
    if rival < _RIVAL * chance or abs(own[1] - its[1]) > _ONE_SECTION_MM or not 0.004 < apart < _STEP:
        return ""
    return (
        f"A used {one} and a used {other} measure alike: no reading of the ring tells them apart. Measure the bottom of "
        "the groove, or try both in it."
    )


def of_the_mark(catalogue: Catalogue, markings: Sequence[MarkingReading], likeliest: str) -> str:
    """What is said where the likeliest part's name goes on from the one that is marked; empty where it does not.

    Args:
        catalogue: What is listed.
        markings: Readings of the marking, best first.
        likeliest: The name of the likeliest part.
    """
    if not markings:
        return ""
    marked = markings[0].designation
    if likeliest not in catalogue.names_beyond.get(marked, ()):
        return ""
    where = "on its cup" if "/" in likeliest[len(marked) :][:1] else "on the part"
    return f"The mark {marked} is the beginning of {likeliest}: look for the rest of it {where}."


def advice(
    catalogue: Catalogue, observations: Sequence[Observation], likeliest: str, kind: str
) -> tuple[str, ...]:
    """Sentences for what was read; none for what needs none."""
    if catalogue.family.name not in SEALS:
        return ()
    read = {each.feature: median(each.values_mm) for each in observations}
    name = catalogue.family.name
    found: list[str] = []
    if name == "lip_seal":
        found += _of_v_ring(read) if kind == "v_ring" else _of_lip_seal(read)
    elif name == "o_ring":
        found += [] if kind.startswith("backup") else _of_ring(read, likeliest)
    for feature, words in (("rod", "rod"), ("bore", "bore"), ("shaft", "shaft")):
        if name in ("hydraulic_seal", "face_seal") and feature in read:
            found += _between(words, read[feature])
    if name == "retaining_ring":
        found += _of_retaining(read)
    if name == "face_seal" and observations and kind == "face_conical":
        found.append(
            "A conical spring drives in one direction only: order it by the direction of rotation, seen from the drive."
        )
    if name == "washer" and "thickness" in read:
        found += _of_shim(read["thickness"])
    return tuple(found)


def _of_lip_seal(read: dict[str, float]) -> list[str]:
    found = []
    if "outside" in read and "housing_bore" not in read:
        found.append(
            "A seal is made 0.1 to 0.35 mm larger than its bore and loses some of it in use: measure the housing bore."
        )
    if ("free_lip" in read or "free_lip_no_spring" in read) and not {"shaft", "shaft_track"} & read.keys():
        found.append(
            "A free lip is undersize when new and opens with wear: measure the shaft beside the sealing track, not the lip."
        )
    if {"shaft", "shaft_track"} <= read.keys():
        groove = (read["shaft"] - read["shaft_track"]) / 2
        if groove > 0.01:
            found.append(
                f"The sealing track is {groove:.2f} mm deep; kept for the seat check. If a fingernail catches in it: move the lip, sleeve or regrind."
            )
    elif "shaft_track" in read:
        found.append("In the sealing track a shaft is worn undersize: measure beside the track as well.")
    return found


def _of_v_ring(read: dict[str, float]) -> list[str]:
    if "shaft" in read:
        return [
            "A V-ring rotates with the shaft and seals on a face: check that face, and set the ring to its fitted width."
        ]
    return [
        "A V-ring is stretched on: its free inside diameter is about 10 % under the shaft. Measure the shaft if you have it."
    ]


def _of_ring(read: dict[str, float], likeliest: str) -> list[str]:
    found = []
    row = dash_sizes().get(likeliest.removeprefix("-")) if likeliest.startswith("-") else None
    if row and row.called_inside:
        found.append(
            f"The trade calls {likeliest} a {row.called_section} ring of {row.called_inside} in inside; its section is "
            f"{row.section_in:.3f} in, its inside {row.inside_in:.3f} in. Order it by the dash number."
        )
    one, other = read.get("section_1"), read.get("section_2")
    if one and other and abs(one - other) > 0.06 * max(one, other):
        found.append(
            f"Flattened: {max(one, other):.2f} by {min(one, other):.2f} mm is about {(one * other) ** 0.5:.2f} mm round."
        )
    elif one and not other:
        found.append("Measure the section in the other direction too: a ring with set is flat.")
    if "inside" in read and not _GROOVES & read.keys():
        found.append("A used ring has stretched or shrunk: if you have the groove, measure that.")
    return found


def _between(words: str, value_mm: float) -> list[str]:
    """A reading between a metric and an inch size: both are named, none is taken silently."""
    metric = min(_SERIES_MM, key=lambda size: abs(size - value_mm))
    sixteenths = round(value_mm / INCH_MM * 16)
    inch = sixteenths * INCH_MM / 16
    if abs(metric - inch) < 0.02 or abs(metric - value_mm) > 1.0 or abs(inch - value_mm) > 0.8:
        return []
    near, far = sorted((abs(metric - value_mm), abs(inch - value_mm)))
    if far > FAR_MM:
        return []
    said = inch_fraction(inch)
    if near <= NEAR_MM and far >= CLEARLY * near and far - near > NEAR_MM:
        sure = f"{said} in" if abs(inch - value_mm) < abs(metric - value_mm) else f"{metric} mm"
        other = f"{metric} mm" if sure.endswith("in") else f"{said} in ({inch:.2f} mm)"
        return [f"The {words} reads as {sure}; the nearest in the other measure is {other}."]
    return [
        f"The {words} lies between {metric} mm and {said} in ({inch:.2f} mm): measure it again in another place before ordering."
    ]


def _of_retaining(read: dict[str, float]) -> list[str]:
    found = []
    if "groove_diameter" not in read and ("shaft" in read or "bore" in read):
        found.append(
            "Measure the groove as well: a ring is ordered by its groove and thickness, not by the shaft alone."
        )
    found.append(
        "One made up in its place must match groove, thickness and spring; where it takes a load or turns fast it is "
        "never made up."
    )
    return found


def _of_shim(thickness_mm: float) -> list[str]:
    """1.5 mm is 59 thou and 3 mm is 118: not 60 thou, not an eighth."""
    for metric, thou, said in ((1.5, 59, "60 thou"), (3.0, 118, "1/8 in")):
        if abs(thickness_mm - metric) < 0.03:
            return [f"{metric:g} mm is 0.{thou:03d} in: as a shim {said} is a different thickness."]
    return []
