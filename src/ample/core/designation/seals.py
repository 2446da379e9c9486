"""Reading what stands on seals, rings and small parts, or how their sizes are written, whole or half worn."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from functools import lru_cache

from ample.core.designation.bases import is_wild
from ample.core.designation.seal_words import Word, spans_of, words_in
from ample.core.errors import BadInput
from ample.core.parts import SEALS, MarkingReading, SealSpec, Span
from ample.core.sizes import parse_length
from ample.core.standards import SealSize, dash_sizes, seal_sizes, sizes_of_family
from ample.core.standards.seals import inch_fraction

NEAR_MM = 0.06
MOST_WIDE_MM = 60.0
FEW_WORN, MANY_WORN = 10, 60
_NUMBER = re.compile(
    r"(?<![A-Z0-9.,])(?:Ø|⌀|DIA\.?\s*)?(\d{1,4}(?:\s+|-)\d{1,2}/(?:2|4|8|16|32|64)(?!\d)"
    r"|\d{1,3}/(?:2|4|8|16|32|64)(?!\d)|\d{0,5}[.,]\d{1,6}|\d{1,5})\s*(MM\b|\"|″|IN\b|INCH\b)?"
)
_DASH = re.compile(
    r"(?:(?:AS\s?568\s?[AB]?|BS\s?1806|ARP\s?568|ISO\s?3601(?:-1)?|O[\s-]?RING|OR)[\s-]+|(?<![A-Z0-9.,/])2-|#\s?|(?:^|(?<=\s))-|^)"
    r"([0-9?]{3})(?![0-9A-Z.,/?]|\s*[X×*]|-\d|\s+\d)(?P<grade>)"
)
_DASH_GRADE = re.compile(r"ISO\s?3601-1-(\d{3})([AB]?)")
_BACKUP = re.compile(r"(?<![A-Z0-9.,/])8-(\d{3})(?![0-9])")
_FAR_EAST = re.compile(r"(?<![A-Z0-9])([PG])[\s-]?(\d{1,3})(A?)(?![0-9A-Z.])")
_V_RING = re.compile(r"(?<![A-Z0-9])V(?:[\s-]?RING|R|A)?[\s-]?(\d{2,3})\s?A?(?![0-9A-Z.])")
_TAB = re.compile(r"(?<![A-Z0-9])MB\s?(\d{1,2})(?![0-9])")
_COMPOSED = re.compile(
    r"(?<![0-9.])(\d{4})[\s-]?(\d{3,5})[\s-](\d{3,4})(?![0-9.])|(?<![0-9.])(\d{4})(\d{4})(\d{3})(?![0-9.])"
)
_NAMED = re.compile(r"(?<![A-Z])(ID|OD|CS|AD)\s*[=:]?\s*([\d.,]+)|([\d.,]+)\s*(?:MM)?\s*(ID|OD|CS)(?![A-Z])")
_BASE_AND_HEIGHT = re.compile(r"(?<=\d;)\d{1,2}(?:[.,]\d+)?/\d{1,2}(?:[.,]\d+)?\s*$")
_DIGIT = re.compile(r"[0-9]")
_TIMES = re.compile(r"(?<=\d)\*(?=\d)")
_SEPARATORS = re.compile(r"[\s\-_/.,;:+()\[\]×X*'\"#=Ø⌀]+")
_WORN = re.compile(r"[0-9?][0-9?.,]*(?:\s*[X×*/ -]\s*[0-9?][0-9?.,]*)*")
_BARE_SCORE = {3: {"lip_seal": 0.65, "hydraulic_seal": 0.18, "washer": 0.14, "key": 0.08},
               2: {"o_ring": 0.65, "retaining_ring": 0.1}}  # fmt: skip
_UNREAD_COST = 0.6
_LISTED, _NOT_LISTED = 1.0, 0.45
_FAR_EAST_MM = {"P": ((10, 1.9, 0.2), (22, 2.4, 0.2), (50, 3.5, 0.3), (150, 5.7, 0.4), (400, 8.4, 0.5)),
                "G": ((145, 3.1, 0.6), (300, 5.7, 0.7))}  # fmt: skip


@dataclass
class _Text:
    """A text taken apart: numbers with their places, words with their meanings, and what each family is told."""

    typed: str
    clean: str
    numbers: list[tuple[int, int, float, bool]] = field(default_factory=list)
    words: list[tuple[int, int, tuple[Word, ...]]] = field(default_factory=list)

    def told(self) -> dict[str, float]:
        """Families that a word names."""
        found: dict[str, float] = {}
        for _, _, meanings in self.words:
            for word in meanings:
                if word.names_family:
                    for family in word.families:
                        found[family] = 1.0
        return found

    def fitting(self) -> frozenset[str]:
        """Families for which every word has a meaning; all of them when there is none."""
        fits = set(SEALS)
        for _, _, meanings in self.words:
            fits &= {family for word in meanings for family in word.families}
        return frozenset(fits)

    def spans(self, family: str) -> list[Span]:
        """What the words say of a part of a family, the first meaning of each."""
        found = []
        for start, stop, meanings in self.words:
            own = [word for word in meanings if family in word.families]
            if own:
                found += spans_of(start, stop, self.typed, own[0])
        return found

    def unread(self, spans: Sequence[Span]) -> tuple[str, ...]:
        """What no span covers and is more than a separator."""
        free = list(self.clean)
        for span in spans:
            for at in range(max(span.start, 0), max(span.stop, 0)):
                free[at] = " "
        found = []
        text = "".join(free)
        for piece in re.finditer(r"[^\s]+", text):
            left = _SEPARATORS.sub("", piece.group())
            if left:
                found.append(self.typed[piece.start() : piece.end()].strip())
        return tuple(found)


def seal_readings(clean: str, typed: str, most_worn: int = FEW_WORN) -> list[MarkingReading]:
    """Read a text as a seal, ring or small part of every family it can be of.

    Formula: sizes that stand on a list score 1, others 0.45; a family named by a word 1, guessed from the
    count of bare sizes less; each unread piece multiplies by 0.6.

    Args:
        clean: The text in capitals.
        typed: The same as it was typed.
        most_worn: How many names a half-read text gives in each family.

    Returns:
        The readings, best first; none when it is no such text.

    Raises:
        Nothing.

    Source: DIN 3760, SAE AS568, ISO 3601-1, DIN 471; codes in common use (`seal_codes.csv`).

    Example:
        >>> seal_readings("35X52X7 TC", "35x52x7 TC")[0].attributes["kind"]
        'lip_rubber_dust'
    """
    clean = _TIMES.sub("X", clean)
    text = _Text(typed, clean)
    if not _DIGIT.search(clean):
        return []
    text.words = words_in(clean)
    found = list(_special(text))
    if is_wild(clean):
        found += _worn(text, most_worn)
    else:
        _read_numbers(text)
        found += _by_sizes(text)
    found.sort(key=lambda reading: -reading.score)
    return found


# what stands for a size by a code ------------------------------------------------------------


def _special(text: _Text) -> Iterator[MarkingReading]:
    clean = text.clean
    match = _DASH_GRADE.search(clean) or _DASH.search(clean)
    if match and "?" not in match.group(1):
        yield from _dash(text, match, match.group(1))
    for match in _BACKUP.finditer(clean):
        named = _all_named("o_ring", f"8-{match.group(1)}")
        told = _kind_told(text, "o_ring")
        size = next((s for s in named if s.kind == told), named[0] if named else None)
        if size:
            span = Span(match.start(), match.end(), text.typed[match.start() : match.end()],
                        f"backup ring for the O-ring -{match.group(1)}", "designation", size.designation,
                        "stated", "common practice")  # fmt: skip
            yield _assembled(text, size.family, size.dimensions_mm, [span], 0.9, listed=size)
    for match in _FAR_EAST.finditer(clean):
        yield from _far_east(text, match)
    for match in _V_RING.finditer(clean):
        size = _named("lip_seal", f"V-{match.group(1)}A")
        if size:
            yield _assembled(
                text,
                "lip_seal",
                size.dimensions_mm,
                [_code_span(text, match, size, f"V-ring for a shaft of {match.group(1)} mm")],
                0.8,
                size,
            )
    for match in _TAB.finditer(clean):
        size = _named("washer", f"MB{match.group(1)}")
        if size:
            yield _assembled(
                text,
                "washer",
                size.dimensions_mm,
                [
                    _code_span(
                        text,
                        match,
                        size,
                        f"lock washer for a shaft nut of {5 * int(match.group(1)) if int(match.group(1)) > 3 else (10, 12, 15, 17)[int(match.group(1))]} mm",
                    )
                ],
                0.95,
                size,
            )
    for match in _COMPOSED.finditer(clean):
        yield from _composed(text, match)
    yield from _named_sizes(text)
    yield from _sixteenths(text)


def _code_span(text: _Text, match: re.Match[str], size: SealSize, meaning: str) -> Span:
    start, stop = match.span()
    return Span(
        start, stop, text.typed[start:stop], meaning, "designation", size.designation, "stated", size.listed
    )


@lru_cache
def _by_name() -> dict[tuple[str, str], list[SealSize]]:
    found: dict[tuple[str, str], list[SealSize]] = {}
    for size in seal_sizes():
        found.setdefault((size.family, size.designation), []).append(size)
    return found


def _all_named(family: str, designation: str) -> list[SealSize]:
    return _by_name().get((family, designation), [])


def _named(family: str, designation: str) -> SealSize | None:
    return next(iter(_all_named(family, designation)), None)


def _dash(text: _Text, match: re.Match[str], dash: str) -> Iterator[MarkingReading]:
    """A dash number; one that does not exist is no O-ring."""
    row = dash_sizes().get(dash)
    size = _named("o_ring", f"-{dash}")
    if row is None or size is None:
        return
    start, stop = match.span()
    plain = match.group().strip() == dash
    said = f"; called {row.called_section} × {row.called_inside} in" if row.called_inside else ""
    spans = [
        Span(start, stop, text.typed[start:stop], f"dash number {dash}{said}", "designation", f"-{dash}", "stated", "SAE AS568"),
        Span(-1, -1, "", f"inside {row.inside_in:.3f} in", "inside_mm", f"{size.dimensions_mm[0]:g}", "implied", "SAE AS568"),
        Span(-1, -1, "", f"section {row.section_in:.3f} in, which is not {row.called_section or 'a fraction'}", "section_mm",
             f"{size.dimensions_mm[1]:g}", "implied", "SAE AS568"),
    ]  # fmt: skip
    told = bool(text.words) and "o_ring" in text.fitting()
    kind = next(
        (value for s in text.spans("o_ring") for name, value in [(s.attribute, s.value)] if name == "kind"),
        "o_ring",
    )
    if kind in ("square_ring", "x_ring"):
        other = _named("o_ring", f"{'SQ' if kind == 'square_ring' else 'X'}-{dash}")
        size = other or size
    yield _assembled(
        text, "o_ring", size.dimensions_mm, spans, (0.6 if told else 0.3) if plain else 0.995, size
    )


def _far_east(text: _Text, match: re.Match[str]) -> Iterator[MarkingReading]:
    """P22, G45: an O-ring by the size it seals."""
    letter, number = match.group(1), int(match.group(2))
    row = next((row for row in _FAR_EAST_MM[letter] if number <= row[0]), None)
    if row is None or number < 3:
        return
    section, less = row[1], row[2]
    if match.group(3):
        after = [each for each in _FAR_EAST_MM[letter] if each[0] > row[0]]
        if not after or number != row[0]:
            return
        section, less = after[0][1], after[0][2]
    listed = _listed("o_ring", (round(number - less, 2), section, 0.0))
    if not listed:
        return
    start, stop = match.span()
    place = "a shaft of" if letter == "P" else "a static seat of"
    span = Span(start, stop, text.typed[start:stop], f"{letter} list, for {place} {number} mm", "designation",
                listed[0].designation, "stated", "JIS B 2401 (from memory)")  # fmt: skip
    told = "o_ring" in text.told()
    yield _assembled(text, "o_ring", listed[0].dimensions_mm, [span], 0.9 if told else 0.55, listed[0])


def _composed(text: _Text, match: re.Match[str]) -> Iterator[MarkingReading]:
    """`1870 1125 375`: section in ten-thousandths, then inside and height in thousandths of an inch."""
    parts = [piece for piece in match.groups() if piece]
    values = (int(parts[0]) / 10000, int(parts[1]) / 1000, int(parts[2]) / 1000)
    snapped = [_sixteenth(value) for value in values]
    if any(each is None for each in snapped):
        return
    section, inside, height = (each or 0.0 for each in snapped)
    if not (section < inside and 0.06 < section <= 1.01 and height <= 3):
        return
    start = match.start()
    spans = []
    for piece, name, said, size in zip(
        parts,
        ("section_mm", "inside_mm", "height_mm"),
        ("section", "inside", "height"),
        (section, inside, height),
        strict=True,
    ):
        at = text.clean.index(piece, start)
        spans.append(Span(at, at + len(piece), text.typed[at : at + len(piece)], f"{said} {inch_fraction(size * 25.4)} in",
                          name, f"{size * 25.4:.4f}".rstrip("0"), "stated", "common practice"))  # fmt: skip
        start = at + len(piece)
    yield _assembled(text, "hydraulic_seal", (inside * 25.4, section * 25.4, height * 25.4, 0.0), spans, 0.85)


def _sixteenth(value_in: float) -> float | None:
    """The sixteenth of an inch that a figure cut to thousandths stands for; None when it is none."""
    near = round(value_in * 16) / 16
    return near if near > 0 and -0.0011 < value_in - near < 0.0006 else None


def _named_sizes(text: _Text) -> Iterator[MarkingReading]:
    """`ID 20 CS 2.5`, `20 ID 25 OD`: the sizes of a ring by their names."""
    sizes: dict[str, float] = {}
    spans = []
    for match in _NAMED.finditer(text.clean):
        name = match.group(1) or match.group(4)
        number = (match.group(2) or match.group(3)).strip(",.").replace(",", ".")
        if number.count(".") > 1 or not number or not 0 < float(number) < 3000:
            continue
        sizes["OD" if name == "AD" else name] = float(number)
        words = {"ID": ("inside", "inside_mm"), "OD": ("outside", "outside_mm"), "AD": ("outside", "outside_mm"),
                 "CS": ("section", "section_mm")}[name]  # fmt: skip
        spans.append(Span(match.start(), match.end(), text.typed[match.start() : match.end()],
                          f"{words[0]} {float(number):g} mm", words[1], number, "stated", "common practice"))  # fmt: skip
    if len(sizes) < 2:
        return
    section = sizes.get("CS") or (sizes["OD"] - sizes["ID"]) / 2
    inside = sizes.get("ID") or sizes["OD"] - 2 * section
    if inside > 0 and section > 0:
        yield _assembled(text, "o_ring", (round(inside, 3), round(section, 3), 0.0), spans, 0.9)


def _sixteenths(text: _Text) -> Iterator[MarkingReading]:
    """A piston seal with one bare whole number: the bore in sixteenths of an inch."""
    said = [(start, stop) for start, stop, words in text.words
            if any(("kind", "piston_seal") in word.sets for word in words)]  # fmt: skip
    if not said:
        return
    rest = text.clean[: said[0][0]] + " " * (said[0][1] - said[0][0]) + text.clean[said[0][1] :]
    numbers = list(re.finditer(r"(?<![0-9.,/])(\d{1,3})(?![0-9.,/])", rest))
    if len(numbers) != 1 or re.search(r"\d\s*[X×*]\s*\d", rest):
        return
    bore = int(numbers[0].group()) / 16
    if not 0.4 < bore <= 16:
        return
    sizes = [s for s in sizes_of_family("hydraulic_seal") if s.kind == "piston_seal"
             and abs(s.dimensions_mm[0] + 2 * s.dimensions_mm[1] - bore * 25.4) < NEAR_MM]  # fmt: skip
    start, stop = numbers[0].span()
    span = Span(start, stop, text.typed[start:stop], f"bore {numbers[0].group()} sixteenths: {inch_fraction(bore * 25.4)} in",
                "outside_mm", f"{bore * 25.4:g}", "stated", "common practice")  # fmt: skip
    for size in sizes[:2]:
        yield _assembled(text, "hydraulic_seal", size.dimensions_mm, [span], 0.8, size)


# sizes as they are written -----------------------------------------------------------------


def _read_numbers(text: _Text) -> None:
    taken = [False] * len(text.clean)
    for start, stop, _ in text.words:
        taken[start:stop] = [True] * (stop - start)
    free = "".join(" " if used else c for used, c in zip(taken, text.clean, strict=True))
    free = re.sub(r"(?<=\d)\s*[X×*]\s*(?=[\d.,Ø])", lambda m: ";" * len(m.group()), free)
    if any(
        value.startswith("wiper") for _, _, words in text.words for word in words for _, value in word.sets
    ):
        free = _BASE_AND_HEIGHT.sub(lambda m: m.group().replace("/", " "), free)  # base / height, no fraction
    for match in _NUMBER.finditer(free):
        piece, unit = match.group(1), (match.group(2) or "").strip()
        inch = "/" in piece or unit in ('"', "″", "IN", "INCH")
        try:
            length = parse_length(piece, "in" if inch else "mm")
        except BadInput:
            continue
        text.numbers.append((match.start(), match.end(), length.mm, inch))
    if any(inch for _, _, _, inch in text.numbers):
        # one inch size makes a whole number or decimal beside it inches too
        text.numbers = [
            (start, stop, mm if inch else mm * 25.4 if "MM" not in free[start:stop] else mm, True)
            for start, stop, mm, inch in text.numbers
        ]
    elif text.numbers and all(
        re.search(r"[.,]\d{3}", free[start:stop]) and mm < 12 for start, stop, mm, _ in text.numbers
    ):
        text.numbers = [(start, stop, mm * 25.4, True) for start, stop, mm, _ in text.numbers]


def _by_sizes(text: _Text) -> list[MarkingReading]:
    count = len(text.numbers)
    told, fitting = text.told(), text.fitting()
    if not 1 <= count <= 4 or (count == 1 and not told):
        return []
    bare = _BARE_SCORE.get(count, {})
    found = []
    for family in SEALS:
        if family not in fitting or (told and family not in told):
            continue
        weight = told.get(family) or bare.get(family, 0.0)
        if text.words and not told and family in bare:
            weight = min(weight + 0.3, 0.8)
        if weight <= 0:
            continue
        for sizes, names, listed, factor in _SHAPED[family](text):
            spans = [
                Span(
                    start,
                    stop,
                    text.typed[start:stop],
                    _said(name, mm, inch),
                    name,
                    f"{round(mm, 4):g}",
                    "stated",
                    "the size",
                )
                for (start, stop, mm, inch), name in zip(text.numbers, names, strict=False)
            ]
            found.append(_assembled(text, family, sizes, spans, weight * factor, listed))
    return found


def _said(name: str, mm: float, inch: bool) -> str:
    words = name.removesuffix("_mm").replace("_", " ")
    return (
        f"{words} {round(mm / 25.4, 4):g} in ({round(mm, 3):g} mm)"
        if inch
        else f"{words} {round(mm, 3):g} mm"
    )


Shaped = Iterator[tuple[tuple[float, ...], tuple[str, ...], SealSize | None, float]]


def _kind_told(text: _Text, family: str) -> str:
    return next((span.value for span in text.spans(family) if span.attribute == "kind"), "")


def _mm(text: _Text) -> list[float]:
    return [round(mm, 4) for _, _, mm, _ in text.numbers]


def _first(family: str, sizes: Sequence[float], kind: str) -> SealSize | None:
    """The most met listed part of these sizes, of the kind told if there is one."""
    listed = _listed(family, sizes)
    own = [size for size in listed if size.kind == kind] or listed
    return max(own, key=lambda size: (-round(_apart(size, sizes), 2), size.share), default=None)


def _apart(size: SealSize, sizes_mm: Sequence[float]) -> float:
    return max(abs(a - b) for a, b in zip(size.dimensions_mm, sizes_mm, strict=False))


def _lip(text: _Text) -> Shaped:
    sizes = _mm(text)
    kind = _kind_told(text, "lip_seal")
    if len(sizes) == 3:
        d, D, b = sizes
        names = ("shaft_mm", "bore_mm", "width_mm")
        if d > D:
            d, D, names = D, d, ("bore_mm", "shaft_mm", "width_mm")
        if 2 <= d < D <= 4 * d + 20 and b < min(D, MOST_WIDE_MM):
            listed = _first("lip_seal", (d, D, b), kind)
            yield (d, D, b), names, listed, _LISTED if listed else _NOT_LISTED
    elif len(sizes) == 2 and sizes[0] < sizes[1]:
        d, D = sizes
        near = [s for s in _listed("lip_seal", (d, D)) if not kind or s.kind == kind]
        for width in sorted({s.dimensions_mm[2] for s in near})[:4]:
            one = _first("lip_seal", (d, D, width), kind)
            yield (d, D, width), ("shaft_mm", "bore_mm"), one, 0.8


def _ring(text: _Text) -> Shaped:
    sizes = _mm(text)
    inch = text.numbers[0][3]
    kind = _kind_told(text, "o_ring")
    if kind.startswith("backup") and len(sizes) == 3:
        inside, outside, thick = sizes
        yield (
            (inside, round((outside - inside) / 2, 4), thick),
            ("inside_mm", "outside_mm", "thickness_mm"),
            None,
            0.9,
        )
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
        called = _called(inside / 25.4, section / 25.4)
        if called:
            yield called.dimensions_mm, tuple(f"called_{name}" for name in names), called, 1.0
    listed = _first("o_ring", (inside, section, 0.0), kind or "o_ring")
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
    return _named("o_ring", name) if name else None


def _hydraulic(text: _Text) -> Shaped:
    sizes = _mm(text)
    kind = _kind_told(text, "hydraulic_seal")
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
        listed = [s for s in _listed("hydraulic_seal", (inside, section)) if s.kind.startswith("wiper")
                  and min(abs(s.dimensions_mm[2] - height), abs(s.dimensions_mm[3] - height)) < NEAR_MM]  # fmt: skip
        best = max([s for s in listed if s.kind == kind] or listed, key=lambda size: size.share, default=None)
        if best:
            yield best.dimensions_mm, names, best, 0.9
            return
    found = _first("hydraulic_seal", (inside, section, height, base), kind)
    yield (inside, section, height, base), names, found, _LISTED if found else _NOT_LISTED


def _face(text: _Text) -> Shaped:
    sizes = _mm(text)
    kind = _kind_told(text, "face_seal")
    long = next((span.value for span in text.spans("face_seal") if span.attribute == "length"), "")
    near = [s for s in _listed("face_seal", sizes[:1])
            if (not kind or s.kind == kind) and (not long or long in s.listed)
            and (len(sizes) < 2 or abs(s.dimensions_mm[3] - sizes[-1]) < 0.3)]  # fmt: skip
    for size in sorted(near, key=lambda size: -size.share)[:3]:
        yield size.dimensions_mm, ("shaft_mm", "working_length_mm"), size, 0.9


def _retaining(text: _Text) -> Shaped:
    sizes = _mm(text)
    kind = _kind_told(text, "retaining_ring")
    inch = text.numbers[0][3]
    near = [
        *_listed("retaining_ring", sizes[:1]),
        *(s for s in _e_rings() if abs(s.dimensions_mm[1] - sizes[0]) < NEAR_MM),
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


def _washer(text: _Text) -> Shaped:
    sizes = _mm(text)
    kind = _kind_told(text, "washer")
    of_copper = any(span.attribute == "material" for span in text.spans("washer"))
    if len(sizes) == 3 and sizes[0] < sizes[1]:
        sized = (sizes[0], sizes[1], sizes[2])
        listed = _first("washer", sized, kind or ("copper_washer" if of_copper else ""))
        yield sized, ("inside_mm", "outside_mm", "thickness_mm"), listed, _LISTED if listed else 0.2
    elif len(sizes) in (1, 2) and kind:
        near = [s for s in _listed("washer", sizes) if s.kind == kind]
        for size in near[:3]:
            yield size.dimensions_mm, ("inside_mm", "outside_mm"), size, 0.8


def _key(text: _Text) -> Shaped:
    sizes = _mm(text)
    if len(sizes) != 3 or sizes[0] < sizes[1]:
        return
    kind = _kind_told(text, "key") or "key_round"
    own = [s for s in _listed("key", sizes) if s.kind == kind]
    if own:
        yield own[0].dimensions_mm, ("width_mm", "height_mm", "length_mm"), own[0], 1.0


_SHAPED = {
    "lip_seal": _lip, "o_ring": _ring, "hydraulic_seal": _hydraulic, "face_seal": _face,
    "retaining_ring": _retaining, "washer": _washer, "key": _key,
}  # fmt: skip


@lru_cache
def _index() -> dict[tuple[str, int], list[SealSize]]:
    """Listed sizes by family and whole millimetre of their first dimension."""
    found: dict[tuple[str, int], list[SealSize]] = {}
    for size in seal_sizes():
        first = size.dimensions_mm[0]
        for whole in {int(first - NEAR_MM), int(first + NEAR_MM)}:
            found.setdefault((size.family, whole), []).append(size)
    return found


@lru_cache
def _e_rings() -> tuple[SealSize, ...]:
    return tuple(size for size in sizes_of_family("retaining_ring") if size.kind == "e_ring")


def _listed(family: str, sizes_mm: Sequence[float]) -> list[SealSize]:
    """Listed parts of these sizes."""
    near: Sequence[SealSize] = _index().get((family, int(sizes_mm[0])), ())
    if len(sizes_mm) > 1:
        near = [s for s in near if abs(s.dimensions_mm[1] - sizes_mm[1]) <= NEAR_MM]
    return [
        s for s in near if all(abs(a - b) <= NEAR_MM for a, b in zip(s.dimensions_mm, sizes_mm, strict=False))
    ]


# half worn -----------------------------------------------------------------------------------


@lru_cache
def _names(family: str) -> tuple[str, dict[str, SealSize]]:
    """Names of a family a line each, and the most met part of each name."""
    found: dict[str, SealSize] = {}
    for size in sizes_of_family(family):
        held = found.get(size.designation)
        if held is None or size.share > held.share:
            found[size.designation] = size
    return "\n" + "\n".join(found) + "\n", found


@lru_cache
def _composed_codes() -> tuple[str, dict[str, SealSize]]:
    """Every listed inch U-cup as its composed code, a line each."""
    found: dict[str, SealSize] = {}
    for size in sizes_of_family("hydraulic_seal"):
        if size.listed == "inch practice" and size.kind.startswith("u_cup"):
            inside, section, height = (each / 25.4 for each in size.dimensions_mm[:3])
            code = f"{int(section * 1000 + 1e-6):03d}0 {int(inside * 1000 + 1e-6):03d} {int(height * 1000 + 1e-6):03d}"
            found.setdefault(code, size)
    return "\n" + "\n".join(found) + "\n", found


_WORN_CODE = re.compile(r"(?<![0-9?.X])([0-9?]{1,4})[\s-]([0-9?]{1,5})[\s-]([0-9?]{1,4})(?![0-9?.X])")


def _worn_codes(text: _Text, most: int) -> list[MarkingReading]:
    """A composed U-cup code with unread figures; a lone `?` is a whole unread group."""
    match = _WORN_CODE.search(text.clean)
    if match is None or not any(len(piece) == 4 and piece.endswith("0") for piece in match.groups()[:1]):
        return []
    groups = ["[0-9]+" if piece == "?" else piece.replace("?", "[0-9]") for piece in match.groups()]
    lines, sizes = _composed_codes()
    found = []
    for named in list(re.finditer(rf"\n({' '.join(groups)})(?=\n)", lines))[:most]:
        size = sizes[named.group(1)]
        span = Span(match.start(), match.end(), text.typed[match.start() : match.end()],
                    f"can be {named.group(1)}: {size.called}", "designation", size.designation, "half_read",
                    "common practice")  # fmt: skip
        found.append(_assembled(text, "hydraulic_seal", size.dimensions_mm, [span], 0.6, size))
    return found


def _worn(text: _Text, most: int) -> list[MarkingReading]:
    """Unread characters stand for any; names of the lists that fit, the most met first."""
    codes = _worn_codes(text, most)
    if codes:
        return codes
    taken = list(text.clean)
    for start, stop, _ in text.words:
        taken[start:stop] = " " * (stop - start)
    pieces = [m for m in _WORN.finditer("".join(taken)) if "?" in m.group() or ".." in m.group()]
    if not pieces:
        return []
    piece = max(pieces, key=lambda match: len(match.group()))
    body = re.sub(r"\s*[X×*/ -]\s*", "x", piece.group().strip().replace(",", "."))
    parts = body.split("x")
    told, fitting = text.told(), text.fitting()
    found = []
    for family in ("lip_seal", "o_ring", "hydraulic_seal"):
        if family not in fitting or (told and family not in told):
            continue
        if len(parts) == 1 and len(body) == 3 and family == "o_ring":
            pattern = "-" + body.replace("?", "[0-9]")
        elif len(parts) >= 2:
            pattern = "x".join(
                re.escape(part).replace(r"\.\.", "[0-9.]*").replace(r"\?", "[0-9]") for part in parts
            )
        else:
            continue
        lines, sizes = _names(family)
        named = [m.group(1) for m in re.finditer(rf"\n({pattern})(?=\n)", lines)]
        named.sort(key=lambda name: -sizes[name].share)
        guess = _BARE_SCORE.get(len(parts), {}).get(family, 0.3) if not told else 0.9
        for rank, name in enumerate(named[:most]):
            size = sizes[name]
            span = Span(piece.start(), piece.end(), text.typed[piece.start() : piece.end()], f"can be {name}",
                        "designation", name, "half_read", size.listed)  # fmt: skip
            score = guess * 0.8 * min(size.share, 1.0) * 0.995**rank
            found.append(_assembled(text, family, size.dimensions_mm, [span], score, size))
    return found


# putting a reading together ------------------------------------------------------------------


def _assembled(
    text: _Text,
    family: str,
    sizes_mm: tuple[float, ...],
    own: list[Span],
    score: float,
    listed: SealSize | None = None,
) -> MarkingReading:
    """The spans together; the kind told, or the most met kind of the size assumed."""
    listed = listed or _first(family, sizes_mm, _kind_told(text, family))
    spans = [*own, *text.spans(family)]
    attributes: dict[str, str] = {}
    for span in spans:
        if span.attribute in ("note", "designation", "family") or span.attribute.endswith("_mm"):
            continue
        if span.value and attributes.setdefault(span.attribute, span.value) != span.value:
            score *= 0.4
    kind = attributes.get("kind")
    if kind and listed and kind != listed.kind and family != "lip_seal":
        score *= 0.4
    if kind is None or (listed and kind != listed.kind and family != "lip_seal"):
        kind = listed.kind if listed else kind or SEALS[family].usual_kind
    if "kind" not in attributes:
        spans.append(
            Span(
                -1,
                -1,
                "",
                f"no type marked: {SEALS[family].kinds[kind].words}",
                "kind",
                kind,
                "assumed",
                "common practice",
            )
        )
    attributes["kind"] = kind
    if (
        "material" in SEALS[family].marked
        and "material" not in attributes
        and family in ("lip_seal", "o_ring", "hydraulic_seal")
    ):
        usual = "PU" if family == "hydraulic_seal" and kind in ("u_cup", "wiper") else "NBR"
        spans.append(
            Span(
                -1,
                -1,
                "",
                f"no rubber marked: often {usual}, not proven",
                "material",
                "",
                "assumed",
                "common practice",
            )
        )
    sizes = listed.dimensions_mm if listed else sizes_mm
    spec = SealSpec(family, listed.designation if listed else canonical(family, kind, sizes), kind, sizes)
    unread = text.unread(spans)
    attributes["series"] = listed.listed if listed else "on no list held here"
    if listed and listed.called:
        attributes["called"] = listed.called
    return MarkingReading(
        family, spec.designation, attributes["series"], spec.dimensions, attributes, tuple(spans), unread,
        round(score * _UNREAD_COST ** len(unread), 4),
    )  # fmt: skip


def canonical(family: str, kind: str, sizes_mm: tuple[float, ...]) -> str:
    """The name of a part of a size that no list holds, in the way of the lists."""
    spec = SealSpec(family, "", kind, tuple(round(size, 4) for size in sizes_mm))
    return spec.size_text.replace(" × ", "x")
