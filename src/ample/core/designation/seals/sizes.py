"""Sizes of seals, rings and small parts as they are written, in every family that they can be of."""

from __future__ import annotations

from collections.abc import Iterator
from functools import lru_cache

from ample.core.designation.seals.listed import NEAR_MM, e_rings, listed_near, most_met, named
from ample.core.designation.seals.reading import assembled
from ample.core.designation.seals.text import Number, Text
from ample.core.parts import SEALS, MarkingReading, Span
from ample.core.sizes import INCH_MM, parse_length
from ample.core.standards import SealSize, dash_sizes

BARE_SCORE = {3: {"lip_seal": 0.65, "hydraulic_seal": 0.18, "washer": 0.14, "key": 0.08},
              2: {"o_ring": 0.65, "retaining_ring": 0.1}, 4: {"hydraulic_seal": 0.5}}  # fmt: skip
_LISTED, _NOT_LISTED = 1.0, 0.45
_WIDEST_MM = 60.0
_DISC_NEAR_MM = 0.4
_THINNEST_CUP_MM, _HIGHEST_CUP = 1.5, 4.0  # of three bare sizes; heights are 1.3 to 3 sections in the lists
Shaped = Iterator[tuple[tuple[float, ...], tuple[str, ...], SealSize | None, float]]


def by_sizes(text: Text) -> list[MarkingReading]:
    """The numbers as the sizes of a part, in every family whose sizes they can be."""
    count = len(text.numbers)
    told, fitting = text.told, text.fitting()
    if not 1 <= count <= 4 or (count == 1 and not told):
        return []
    found = []
    for family in SEALS if told else BARE_SCORE.get(count, ()):
        if family not in fitting or (told and family not in told):
            continue
        weight = _weight(text, family, count, bool(told))
        if weight <= 0:
            continue
        for sizes, names, size, factor in _SHAPED[family](text):
            spans = [_span(text, number, name) for number, name in zip(text.numbers, names, strict=False)]
            found.append(assembled(text, family, sizes, spans, weight * factor, size))
    return found


def _weight(text: Text, family: str, count: int, told: bool) -> float:
    """How likely a text with so many sizes is of a family: as a word says, or by the count alone."""
    if told:
        return 1.0
    bare = BARE_SCORE.get(count, {}).get(family, 0.0)
    return min(bare + 0.3, 0.8) if bare and text.words else bare


def _span(text: Text, number: Number, name: str) -> Span:
    start, stop = number.start, number.stop
    meaning, value = _said(number.mm, number.inch, name)
    return Span(start, stop, text.typed[start:stop], meaning, name, value, "stated", "the size")


@lru_cache(maxsize=8192)
def _said(mm: float, inch: bool, name: str) -> tuple[str, str]:
    """A size in words, and as a value in mm."""
    words = name.removesuffix("_mm").replace("_", " ")
    size = f"{round(mm, 3):g} mm"
    said = f"{round(mm / INCH_MM, 4):g} in ({size})" if inch else size
    return f"{words} {said}", f"{round(mm, 4):g}"


def _lip(text: Text) -> Shaped:
    sizes = text.sizes_mm()
    kind = text.kind("lip_seal")
    if len(sizes) == 3:
        d, D, b = sizes
        names = ("shaft_mm", "bore_mm", "width_mm")
        if d > D:
            d, D, names = D, d, ("bore_mm", "shaft_mm", "width_mm")
        if 2 <= d < D <= 4 * d + 20 and b < min(D, _WIDEST_MM):
            listed = most_met("lip_seal", (d, D, b), kind)
            yield (d, D, b), names, listed, _LISTED if listed else _NOT_LISTED
    elif len(sizes) == 2 and sizes[0] < sizes[1]:
        d, D = sizes
        near = [s for s in listed_near("lip_seal", (d, D)) if not kind or s.kind == kind]
        for width in sorted({s.dimensions_mm[2] for s in near})[:4]:
            one = most_met("lip_seal", (d, D, width), kind)
            yield (d, D, width), ("shaft_mm", "bore_mm"), one, 0.8


def _ring(text: Text) -> Shaped:
    sizes = text.sizes_mm()
    inch = text.numbers[0].inch
    kind = text.kind("o_ring")
    if kind.startswith("backup") and len(sizes) == 3:
        inside, outside, thick = sizes
        sized = (inside, round((outside - inside) / 2, 4), thick)
        yield sized, ("inside_mm", "outside_mm", "thickness_mm"), most_met("o_ring", sized, kind), 0.9
        return
    names: tuple[str, ...] = ("inside_mm", "section_mm")
    if len(sizes) == 3:
        inside, outside, section = sizes
        names = ("inside_mm", "outside_mm", "section_mm")
        if not inside < outside or abs(outside - inside - 2 * section) > 0.15 * section + 0.2:
            return
    elif len(sizes) == 2:
        inside, section = max(sizes), min(sizes)
        if sizes[0] < sizes[1]:
            names = ("section_mm", "inside_mm")
    else:
        return
    if not 0.3 <= section <= 12 or inside <= 0 or section > 1.2 * inside + 1:
        return
    if inch:
        called = _called(inside / INCH_MM, section / INCH_MM)
        if called:
            yield called.dimensions_mm, tuple(f"called_{name}" for name in names), called, 1.0
    listed = most_met("o_ring", (inside, section, 0.0), kind or "o_ring")
    yield (inside, section, 0.0), names, listed, (_LISTED if listed else _NOT_LISTED) * (0.7 if inch else 1.0)


@lru_cache
def _called_rings() -> dict[tuple[float, float], str]:
    found = {}
    for row in dash_sizes().values():
        if row.called_inside:
            inside, section = (
                parse_length(row.called_inside, "in").inch,
                parse_length(row.called_section, "in").inch,
            )
            found[round(inside, 4), round(section, 4)] = f"-{row.dash}"
    return found


def _called(inside_in: float, section_in: float) -> SealSize | None:
    """The dash number that the trade calls by these fractions."""
    name = _called_rings().get((round(inside_in, 4), round(section_in, 4)))
    return named("o_ring", name) if name else None


def _hydraulic(text: Text) -> Shaped:
    sizes = text.sizes_mm()
    kind = text.kind("hydraulic_seal")
    if len(sizes) not in (3, 4):
        return
    inside, outside = sizes[0], sizes[1]
    names = (
        ("inside_mm", "outside_mm", "height_mm")
        if len(sizes) == 3
        else ("inside_mm", "outside_mm", "base_mm", "height_mm")
    )
    if inside > outside:
        inside, outside = outside, inside
        names = ("outside_mm", "inside_mm", *names[2:])
    if not inside < outside <= 2.5 * inside + 20:
        return
    section = round((outside - inside) / 2, 4)
    height, base = sizes[-1], sizes[2] if len(sizes) == 4 else 0.0
    if kind.startswith("wiper") and len(sizes) == 3:
        listed = [s for s in listed_near("hydraulic_seal", (inside, section)) if s.kind.startswith("wiper")
                  and min(abs(s.dimensions_mm[2] - height), abs(s.dimensions_mm[3] - height)) < NEAR_MM]  # fmt: skip
        best = max([s for s in listed if s.kind == kind] or listed, key=lambda size: size.share, default=None)
        if best:
            yield best.dimensions_mm, names, best, 0.9
            return
    found = most_met("hydraulic_seal", (inside, section, height, base), kind)
    likely = section >= _THINNEST_CUP_MM and height <= _HIGHEST_CUP * section
    if found is None and not likely and not text.told:
        return
    yield (inside, section, height, base), names, found, _LISTED if found else _NOT_LISTED


def _face(text: Text) -> Shaped:
    sizes = text.sizes_mm()
    kind = text.kind("face_seal")
    long = text.value("face_seal", "length")
    near = [s for s in listed_near("face_seal", sizes[:1])
            if (not kind or s.kind == kind) and (not long or long in s.listed)
            and (len(sizes) < 2 or abs(s.dimensions_mm[3] - sizes[-1]) < 0.3)]  # fmt: skip
    for size in sorted(near, key=lambda size: -size.share)[:3]:
        yield size.dimensions_mm, ("shaft_mm", "working_length_mm"), size, 0.9


def _retaining(text: Text) -> Shaped:
    sizes = text.sizes_mm()
    kind = text.kind("retaining_ring")
    inch = text.numbers[0].inch
    near = [
        *listed_near("retaining_ring", sizes[:1]),
        *(s for s in e_rings() if abs(s.dimensions_mm[1] - sizes[0]) < NEAR_MM),
    ]
    kinds = {
        kind,
        f"{kind}_inch",
        "wire_bore" if kind == "wire_shaft" and "B" in text.clean.split() else kind,
    }
    near = [s for s in near if (not kind or s.kind in kinds) and s.kind.endswith("_inch") == inch
            and (len(sizes) < 2 or abs(s.dimensions_mm[3] - sizes[1]) < NEAR_MM)]  # fmt: skip
    if kind == "e_ring":
        near = [s for s in near if abs(s.dimensions_mm[1] - sizes[0]) < NEAR_MM]
    for size in sorted(near, key=lambda size: -size.share)[:3]:
        yield size.dimensions_mm, ("size_mm", "thickness_mm"), size, 1.0


def _washer(text: Text) -> Shaped:
    sizes = text.sizes_mm()
    kind = text.kind("washer")
    of_copper = bool(text.value("washer", "material"))
    if len(sizes) == 3 and sizes[0] < sizes[1]:
        sized = (sizes[0], sizes[1], sizes[2])
        listed = most_met("washer", sized, kind or ("copper_washer" if of_copper else ""))
        yield sized, ("inside_mm", "outside_mm", "thickness_mm"), listed, _LISTED if listed else 0.2
    elif len(sizes) in (1, 2) and kind:
        near = [s for s in listed_near("washer", sizes) if s.kind == kind]
        for size in near[:3]:
            yield size.dimensions_mm, ("inside_mm", "outside_mm"), size, 0.8


def _key(text: Text) -> Shaped:
    sizes, told = text.sizes_mm(), text.kind("key")
    if told == "key_woodruff" or (len(sizes) == 3 and sizes[0] < sizes[1] and not told):
        yield from _woodruff(sizes)
    elif len(sizes) == 2:  # the length is not said: all there are
        near = [size for size in listed_near("key", sizes) if size.kind == (told or "key_round")]
        for size in sorted(near, key=lambda size: -size.share):
            yield size.dimensions_mm, ("width_mm", "height_mm"), size, 0.8
    elif len(sizes) == 3 and sizes[0] >= sizes[1]:
        near = listed_near("key", sizes)
        own = [s for s in near if s.kind == (told or "key_round")] or ([] if told else near)
        if own:
            yield own[0].dimensions_mm, ("width_mm", "height_mm", "length_mm"), own[0], 1.0


def _woodruff(sizes_mm: list[float]) -> Shaped:
    """Width and height, and the disc it is cut from or its flat side where one is written."""
    if len(sizes_mm) not in (2, 3):
        return
    for size in listed_near("key", sizes_mm[:2]):
        height, length = size.dimensions_mm[1:3]
        disc = height + (length / 2) ** 2 / height
        if size.kind == "key_woodruff" and all(
            min(abs(each - length), abs(each - disc)) < _DISC_NEAR_MM for each in sizes_mm[2:]
        ):
            yield size.dimensions_mm, ("width_mm", "height_mm", "length_mm"), size, 1.0
            return


_SHAPED = {
    "lip_seal": _lip, "o_ring": _ring, "hydraulic_seal": _hydraulic, "face_seal": _face,
    "retaining_ring": _retaining, "washer": _washer, "key": _key,
}  # fmt: skip
