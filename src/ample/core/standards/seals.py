"""Sizes and tolerances of seals, rings and small parts: which sizes exist, by list."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import lru_cache
from pathlib import Path

from ample.core.sizes import INCH_MM, parse_length
from ample.core.standards.ring_lists import list_factors, ring_list
from ample.core.tables import read_table

_LISTS = Path(__file__).parent / "seal_lists"


@dataclass(frozen=True, slots=True)
class SealSize:
    """A seal, ring or small part on a list: its kind, sizes in mm in the order of its family, its name.

    `called` is what the trade calls it by where that is not its size (`1/8 × 1 1/2` of an O-ring).
    """

    family: str
    kind: str
    designation: str
    dimensions_mm: tuple[float, ...]
    listed: str
    share: float
    called: str = ""


def press_fit_um(cover: str, bore_mm: float) -> tuple[float, float]:
    """How much larger than its bore a lip seal's outside is made, µm.

    Formula: none; the wider of two standards' limits, by steps of the bore.

    Args:
        cover: `rubber` or `metal`.
        bore_mm: Housing bore, mm; over 500 the last step holds.

    Returns:
        Lower and upper allowance, µm.

    Raises:
        Nothing.

    Source: DIN 3760 and ISO 6194-1, from memory.

    Example:
        >>> press_fit_um("rubber", 52)
        (200.0, 350.0)
    """
    steps = _press_fits()
    low, high = next((row[cover] for top, row in steps if bore_mm <= top), steps[-1][1][cover])
    return low, high


# ± mm of an O-ring's inside: share · inside^power + least
INSIDE_TOLERANCE = (0.009, 0.95, 0.11)


def ring_inside_tolerance_mm(inside_mm: float) -> float:
    """Tolerance of an O-ring's inside diameter, ± mm.

    Formula: 0.009 · d^0.95 + 0.11.

    Args:
        inside_mm: Inside diameter, mm, above 0.

    Returns:
        The tolerance, ± mm.

    Raises:
        Nothing.

    Source: ISO 3601-1, from memory; the tolerances of the dash numbers lie at 0.6 to 1.1 of it.

    Example:
        >>> round(ring_inside_tolerance_mm(37.69), 2)
        0.39
    """
    share, power, least = INSIDE_TOLERANCE
    return float(share * inside_mm**power + least)


def ring_section_tolerance_mm(section_mm: float) -> float:
    """Tolerance of an O-ring's section, ± mm.

    Formula: none; by steps of the section.

    Args:
        section_mm: Section, mm, above 0.

    Returns:
        The tolerance, ± mm.

    Raises:
        Nothing.

    Source: ISO 3601-1 and SAE AS568 (0.003 in to 0.103, 0.004 at 0.139, 0.005 at 0.210, 0.006 at 0.275).

    Example:
        >>> ring_section_tolerance_mm(3.53)
        0.1
    """
    return next((off for top, off in ring_section_steps() if section_mm <= top), 0.02 * section_mm)


@lru_cache
def _press_fits() -> tuple[tuple[float, dict[str, tuple[float, float]]], ...]:
    found = []
    for row in _rows("press_fit.csv"):
        of = {c: (float(row[f"{c}_low_um"]), float(row[f"{c}_high_um"])) for c in ("rubber", "metal")}
        found.append((float(row["up_to_mm"]), of))
    return tuple(found)


@lru_cache
def ring_section_steps() -> tuple[tuple[float, float], ...]:
    """The largest section of each step and its tolerance, ± mm."""
    rows = _rows("o_ring_section_tolerance.csv")
    return tuple((float(row["up_to_mm"]), float(row["tolerance_mm"])) for row in rows)


def _rows(name: str) -> tuple[dict[str, str], ...]:
    return read_table(_LISTS / name).rows


def inch_mm(text: str) -> float:
    """A fraction or decimal of an inch in mm, to a tenth of a micrometre."""
    return round(parse_length(text, "in").mm, 4)


@dataclass(frozen=True, slots=True)
class DashSize:
    """An O-ring by dash number, inches: the actual size, its tolerances, and what the trade calls it."""

    dash: str
    inside_in: float
    inside_tolerance_in: float
    section_in: float
    section_tolerance_in: float
    called_inside: str
    called_section: str


@lru_cache
def dash_sizes() -> dict[str, DashSize]:
    """Every dash number with its actual size."""
    return {
        row["dash"]: DashSize(
            row["dash"], float(row["inside_in"]), float(row["inside_tolerance_in"]), float(row["section_in"]),
            float(row["section_tolerance_in"]), row["called_inside_in"], row["called_section_in"],
        )
        for row in _rows("o_ring_dash.csv")
    }  # fmt: skip


@lru_cache
def called_sections_in() -> dict[str, float]:
    """The sections of inch rings by what they are called, in inches: 1/8 is 0.139; of two called alike the commoner."""
    return {row.called_section: row.section_in for row in dash_sizes().values() if row.called_section}


def _spread(text: str) -> Iterator[float]:
    """The sizes that `1-20x0.5;21;22` names."""
    for piece in text.split(";"):
        span, _, step = piece.partition("x")
        first, _, last = span.partition("-")
        if not last:
            yield float(first)
            continue
        count = round((float(last) - float(first)) / float(step))
        yield from (round(float(first) + i * float(step), 3) for i in range(count + 1))


def _name(*sizes_mm: float) -> str:
    return "x".join(f"{round(size, 3):g}" for size in sizes_mm)


USUAL_RING_MM = 50.0


def _o_rings() -> Iterator[SealSize]:
    """Every listed ring; over the sizes of an assortment box a ring is met less the larger it is.

    The lists weigh against each other as where nobody knows the machine.
    """
    listed = [
        replace(size, share=size.share * min(1.0, USUAL_RING_MM / size.dimensions_mm[0]))
        for size in _listed_rings()
    ]
    of = [ring_list(size.listed) if size.kind == "o_ring" else "" for size in listed]
    factors = list_factors(zip(of, (size.share for size in listed), strict=True))
    for size, name in zip(listed, of, strict=True):
        yield replace(size, share=size.share * factors.get(name, 1.0))


# of a backup ring, by the section of its O-ring in inches (from memory)
_BACKUP_THICK_MM = {0.070: 1.14, 0.103: 1.14, 0.139: 1.14, 0.210: 1.52, 0.275: 2.29}


def _listed_rings() -> Iterator[SealSize]:
    for row in dash_sizes().values():
        inside, section = round(row.inside_in * INCH_MM, 4), round(row.section_in * INCH_MM, 4)
        called = f"{row.called_section} × {row.called_inside} in" if row.called_inside else ""
        common = 1.0 if row.dash[0] in "012" else 0.6 if row.dash[0] in "34" else 0.4
        yield SealSize(
            "o_ring", "o_ring", f"-{row.dash}", (inside, section, 0.0), "SAE AS568", common, called
        )
        thick = _BACKUP_THICK_MM.get(row.section_in)
        if thick and row.called_inside:
            for kind, share in (("backup_solid", 0.1), ("backup_split", 0.1), ("backup_spiral", 0.05)):
                sizes = (round(inside + 0.2, 2), round(0.87 * section, 2), thick)
                yield SealSize("o_ring", kind, f"8-{row.dash}", sizes, "backup for dash numbers", share)
    seen: set[tuple[float, float]] = set()
    for ring in _rows("o_ring_metric.csv"):
        section = float(ring["section_mm"])
        for inside in _spread(ring["insides_mm"]):
            if (inside, section) in seen:
                continue
            seen.add((inside, section))
            name, share = _name(inside, section), float(ring["share"])
            share *= _met(inside) if ring["list"] == "common" else 1.0
            yield SealSize("o_ring", "o_ring", name, (inside, section, 0.0), ring["list"], share)
    yield from _other_rings()


_MET = ((30.0, (0.6, 0.45, 0.1)), (60.0, (0.4, 0.25, 0.04)), (math.inf, (0.12, 0.08, 0.04)))


def _met(inside_mm: float) -> float:
    """How often a metric ring's inside is met: fives before even sizes before odd ones before halves."""
    if inside_mm % 5 == 0:
        return 1.0
    even, odd, half = next(shares for top, shares in _MET if inside_mm < top)
    if inside_mm % 1:
        return half
    return even if inside_mm % 2 == 0 else odd


def _other_rings() -> Iterator[SealSize]:
    """Square rings and X-rings in the sizes of the dash numbers."""
    for row in dash_sizes().values():
        if row.dash[0] in "012" and row.called_inside:
            sizes = (round(row.inside_in * INCH_MM, 4), round(row.section_in * INCH_MM, 4), 0.0)
            yield SealSize("o_ring", "square_ring", f"SQ-{row.dash}", sizes, "square rings", 0.1)
            yield SealSize("o_ring", "x_ring", f"X-{row.dash}", sizes, "X-rings", 0.1)


def _lip_seals() -> Iterator[SealSize]:
    shares = {
        "lip_rubber": 1.0, "lip_rubber_dust": 0.8, "lip_metal": 0.5, "lip_metal_dust": 0.4,
        "lip_metal_cased": 0.2, "lip_metal_cased_dust": 0.12,
    }  # fmt: skip
    for table, convert in (("lip_seal_metric.csv", float), ("lip_seal_inch.csv", inch_mm)):
        unit = "mm" if convert is float else "in"
        for row in _rows(table):
            sizes = tuple(convert(row[f"{name}_{unit}"]) for name in ("shaft", "bore", "width"))
            written = (row[f"{name}_{unit}"] for name in ("shaft", "bore", "width"))
            name = _name(*sizes) if unit == "mm" else " x ".join(written)
            own = dict(shares)
            if sizes[2] >= 8 and sizes[0] >= 60:
                own["lip_split"] = 0.05
            if sizes[2] <= 8:
                own["lip_grease"] = 0.25
            if sizes[2] >= 8:
                own["lip_two"] = 0.08
            for kind, share in own.items():
                yield SealSize("lip_seal", kind, name, sizes, row["list"], share * float(row["share"]))
    for row in _rows("lip_seal_trade.csv"):
        sizes = tuple(float(row[f"{name}_mm"]) for name in ("shaft", "bore", "width"))
        yield SealSize("lip_seal", row["kind"], _name(*sizes), sizes, row["list"], float(row["share"]))
    for row in _rows("lip_seal_cassette.csv"):
        sizes = tuple(float(row[f"{name}_mm"]) for name in ("shaft", "bore", "width"))
        yield SealSize("lip_seal", "cassette", _name(*sizes), sizes, "cassette seals", 0.3)
    for row in _rows("v_ring.csv"):
        sizes = tuple(float(row[f"{name}_mm"]) for name in ("inside", "outside", "width"))
        yield SealSize("lip_seal", "v_ring", f"V-{row['shaft_mm']}A", sizes, "V-rings", 0.5)
    for shaft, bore in ((10, 24), (12, 26), (15, 30), (20, 38), (25, 45), (30, 52), (40, 64), (50, 76)):
        sizes = (float(shaft), float(bore), 5.0)
        yield SealSize("lip_seal", "axial_seal", _name(*sizes), sizes, "axial seals", 0.2)


def _hydraulic() -> Iterator[SealSize]:
    for row in _rows("hydraulic.csv"):
        inside, section, height = (float(row[f"{name}_mm"]) for name in ("inside", "section", "height"))
        base = float(row["base_mm"] or 0)
        sizes = (inside, section, height, base)
        said = [inside, inside + 2 * section, *([base] if base else []), height]
        name = _name(*said)
        called = ""
        if row["list"] == "inch practice":
            called = " x ".join(inch_fraction(size) for size in said)
        yield SealSize("hydraulic_seal", row["kind"], name, sizes, row["list"], float(row["share"]), called)


def inch_fraction(size_mm: float) -> str:
    """A size as the nearest sixty-fourth of an inch is written: `1 1/8`."""
    sixty_fourths = round(size_mm / INCH_MM * 64)
    whole, rest = divmod(sixty_fourths, 64)
    if not rest:
        return f"{whole}"
    bottom = 64
    while rest % 2 == 0:
        rest, bottom = rest // 2, bottom // 2
    return f"{whole} {rest}/{bottom}" if whole else f"{rest}/{bottom}"


def _face_seals() -> Iterator[SealSize]:
    for row in _rows("face_seal.csv"):
        names = ("shaft", "seat_outside", "seat_thickness", "working_length")
        sizes = tuple(float(row[f"{name}_mm"]) for name in names)
        inch = row["list"] == "inch practice"
        shaft = f"{inch_fraction(sizes[0])} in" if inch else f"{sizes[0]:g}"
        name = f"{shaft} x {sizes[3]:g}"
        yield SealSize("face_seal", row["kind"], name, sizes, row["list"], float(row["share"]))


def _retaining() -> Iterator[SealSize]:
    names = ("size", "groove", "slot", "thickness", "free")
    for table, kind in (("din471.csv", "ring_shaft"), ("din472.csv", "ring_bore")):
        number = table[3:6]
        for row in _rows(table):
            sizes = tuple(float(row[f"{name}_mm"]) for name in names)
            name = f"DIN {number} - {sizes[0]:g}x{sizes[3]:g}"
            yield SealSize("retaining_ring", kind, name, sizes, f"DIN {number}", 1.0)
    for row in _rows("retaining_inch.csv"):
        sizes = tuple(inch_mm(row[f"{name}_in"]) for name in names)
        side = "shaft" if row["kind"] == "ring_shaft_inch" else "bore"
        yield SealSize(
            "retaining_ring", row["kind"], f"{row['size_in']} in {side}", sizes, "inch practice", 0.4
        )
    for row in _rows("din6799.csv"):
        sizes = tuple(float(row[f"{name}_mm"]) for name in names)
        yield SealSize("retaining_ring", "e_ring", f"DIN 6799 - {sizes[1]:g}", sizes, "DIN 6799", 0.6)
    for row in _rows("wire_ring.csv"):
        sizes = tuple(float(row[f"{name}_mm"]) for name in names)
        letter = "A" if row["kind"] == "wire_shaft" else "B"
        name = f"DIN 7993 - {letter} {sizes[0]:g}"
        yield SealSize("retaining_ring", row["kind"], name, sizes, "DIN 7993 practice", 0.2)


def e_ring_of_groove(groove_mm: float) -> dict[str, float] | None:
    """The ring pushed on from the side that goes into a groove (DIN 6799): shafts, thickness, slot, free opening, mm."""
    row = next((row for row in _rows("din6799.csv") if float(row["groove_mm"]) == groove_mm), None)
    if row is None:
        return None
    names = {
        "shaft_from_mm": "from_mm", "shaft_to_mm": "to_mm", "thickness_mm": "thickness_mm",
        "groove_width_mm": "slot_mm", "free_opening_mm": "free_mm",
    }  # fmt: skip
    return {name: float(row[column]) for name, column in names.items()}


_WASHER_NAMES = {
    "copper_washer": "DIN 7603 - ", "shim": "DIN 988 - ", "support_washer": "DIN 988 - S ",
    "plain_thrust_washer": "ISO 6525 - ", "felt_ring": "DIN 5419 - ", "tab_washer": "MB ", "wave_washer": "wave ",
}  # fmt: skip


def _washers() -> Iterator[SealSize]:
    for row in _rows("washer.csv"):
        sizes = tuple(float(row[f"{name}_mm"]) for name in ("inside", "outside", "thickness"))
        name = _WASHER_NAMES[row["kind"]] + _name(*sizes)
        if row["kind"] == "tab_washer":
            name = row["list"].split()[-1]
        yield SealSize("washer", row["kind"], name, sizes, row["list"], float(row["share"]))


KEY_LENGTHS_MM = (
    6, 8, 10, 12, 14, 16, 18, 20, 22, 25, 28, 32, 36, 40, 45, 50, 56, 63, 70, 80, 90, 100, 110, 125, 140,
    160, 180, 200, 220, 250, 280, 320, 360,
)  # fmt: skip


KEY_LENGTHS_IN = (
    "3/8", "1/2", "5/8", "3/4", "7/8", "1", "1 1/8", "1 1/4", "1 3/8", "1 1/2", "1 5/8", "1 3/4", "1 7/8", "2",
    "2 1/4", "2 1/2", "2 3/4", "3", "3 1/4", "3 1/2", "3 3/4", "4", "4 1/2", "5", "5 1/2", "6",
)  # fmt: skip


def _keys() -> Iterator[SealSize]:
    for row in _rows("din6885.csv"):
        over, to, width, height, shortest, longest = (
            float(row[f"{name}_mm"]) for name in ("over", "up_to", "width", "height", "shortest", "longest")
        )
        for length in KEY_LENGTHS_MM:
            if shortest <= length <= longest:
                sizes = (width, height, float(length), over, to)
                for kind, letter, share in (("key_round", "A", 1.0), ("key_square", "B", 0.5)):
                    name = f"DIN 6885 - {letter} {_name(width, height, length)}"
                    yield SealSize("key", kind, name, sizes, "DIN 6885-1", share)
    yield from _inch_keys()
    yield from _woodruff_keys()


def _inches(text: str) -> float:
    return parse_length(text, "in").mm


def _inch_keys() -> Iterator[SealSize]:
    for row in _rows("key_inch.csv"):
        over, to, width, height, shortest, longest = (
            _inches(row[f"{name}_in"]) for name in ("over", "up_to", "width", "height", "shortest", "longest")
        )
        for length in KEY_LENGTHS_IN:
            if shortest <= _inches(length) <= longest:
                name = f"ANSI B17.1 - {row['width_in']}x{row['height_in']}x{length} in"
                sizes = (width, height, _inches(length), over, to)
                yield SealSize("key", "key_square", name, sizes, "ANSI B17.1", 0.2)


def _woodruff_keys() -> Iterator[SealSize]:
    for row in _rows("din6888.csv"):
        over, to, width, height, length = (
            float(row[f"{name}_mm"]) for name in ("over", "up_to", "width", "height", "length")
        )
        name = f"DIN 6888 - {_name(width, height)}"
        yield SealSize("key", "key_woodruff", name, (width, height, length, over, to), "DIN 6888", 0.3)
    for row in _rows("woodruff_inch.csv"):
        number = row["number"]
        width, disc = int(number[:-2]) * INCH_MM / 32, int(number[-2:]) * INCH_MM / 8
        height = _inches(row["height_in"])
        length = round(2 * math.sqrt(height * (disc - height)), 2)
        sizes = (round(width, 4), round(height, 4), length, _inches(row["from_in"]), _inches(row["up_to_in"]))
        yield SealSize("key", "key_woodruff", f"ANSI B17.2 - {number}", sizes, "ANSI B17.2", 0.2)


@lru_cache
def seal_sizes() -> tuple[SealSize, ...]:
    """Every size of every seal, ring and small part that is held; a fault of a list is refused."""
    found = (
        *_lip_seals(), *_o_rings(), *_hydraulic(), *_face_seals(), *_retaining(), *_washers(), *_keys(),
    )  # fmt: skip
    seen: set[tuple[str, str, tuple[float, ...]]] = set()
    for size in found:
        key = (size.family, size.kind, size.dimensions_mm)
        if key in seen or min(size.dimensions_mm) < 0 or size.dimensions_mm[0] <= 0:
            raise ValueError(f"{size.kind} {size.designation} stands twice, or its sizes cannot be right")
        seen.add(key)
    return found


@lru_cache
def sizes_of_family(family: str) -> tuple[SealSize, ...]:
    """The sizes of one family, in the order of the lists."""
    return tuple(size for size in seal_sizes() if size.family == family)
