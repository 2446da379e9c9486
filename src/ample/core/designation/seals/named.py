"""Codes that name a seal, ring or small part without writing its sizes plainly."""

from __future__ import annotations

import re
from collections.abc import Iterator

from ample.core.designation.seals.listed import NEAR_MM, all_named, listed_near, most_met, named
from ample.core.designation.seals.reading import assembled, stated
from ample.core.designation.seals.text import Text
from ample.core.parts import MarkingReading, Span
from ample.core.sizes import INCH_MM
from ample.core.standards import SealSize, dash_sizes, sizes_of_family
from ample.core.standards.seals import inch_fraction

_DASH = re.compile(
    r"(?:(?:(?:AS\s?)?568\s?[AB]?|BS\s?1806|ARP\s?568|ISO\s?3601(?:-1)?|O[\s-]?RING|OR|DASH)[\s-]+"
    r"|(?P<own>(?:X|SQUARE|BACKUP)[\s-]?RING|BACKUP|(?<![A-Z0-9])(?:[NVESC]|NBR|FKM|EPDM|VMQ|FVMQ|HNBR|CR|FFKM)[\s-]?[4-9][05]"
    r"|(?<![A-Z0-9])(?:NBR|FKM|EPDM|VMQ|FVMQ|HNBR|FFKM|NITRILE|SILICONE))[\s-]+"
    r"|(?<![A-Z0-9.,/])2-|#\s?|(?:^|(?<=\s))-|^)(?P<dash>[0-9?]{3})(?![0-9A-Z.,/?]|\s*[X×*]|-\d|\s+\d)(?:\s+O?-?RING)?"
)
_THREE_FIGURES = re.compile(r"[\s\-#][0-9?]{3}(?![0-9A-Z.,/?])")
_FIGURES = frozenset("0123456789?")
_DASH_GRADE = re.compile(r"(?P<own>)ISO\s?3601-1-(?P<dash>\d{3})([AB]?)")
_BACKUP = re.compile(r"(?<![A-Z0-9.,/])8-(\d{3})(?![0-9])")
_PROFILED = re.compile(r"(?<![A-Z0-9])(SQ|X)-(\d{3})(?![0-9])")
_FAR_EAST = re.compile(r"(?<![A-Z0-9])([PG])[\s-]?(\d{1,3})(A?)(?![0-9A-Z.])")
_V_RING = re.compile(r"(?<![A-Z0-9])V(?:[\s-]?RING|R|A)?[\s-]?(\d{2,3})\s?A?(?![0-9A-Z.])")
_TAB = re.compile(r"(?<![A-Z0-9])MB\s?(\d{1,2})(?![0-9])")
_COMPOSED = re.compile(
    r"(?<![0-9.])(\d{4})[\s-]?(\d{3,5})[\s-](\d{3,4})(?![0-9.])|(?<![0-9.])(\d{4})(\d{4})(\d{3})(?![0-9.])"
)
_SHORTEST_COMPOSED = 11
_NAMED = re.compile(r"(?<![A-Z])(ID|OD|CS|AD)\s*[=:]?\s*([\d.,]+)|([\d.,]+)\s*(?:MM)?\s*(ID|OD|CS)(?![A-Z])")
_WHOLE_NUMBER = re.compile(r"(?<![0-9.,/])(\d{1,3})(?![0-9.,/])")
_A_SIZE = re.compile(r"\d\s*[X×*]\s*\d")
_FAR_EAST_MM = {"P": ((10, 1.9, 0.2), (22, 2.4, 0.2), (50, 3.5, 0.3), (150, 5.7, 0.4), (400, 8.4, 0.5)),
                "G": ((145, 3.1, 0.6), (300, 5.7, 0.7))}  # fmt: skip
_SMALLEST_FAR_EAST_MM = 3
_LEAST_SIXTEENTHS, _MOST_SIXTEENTHS = 7, 256
_WOODRUFF = re.compile(
    r"(?:(?<=WOODRUFF)|(?<=B17\.2))\s*(?:KEY\s*)?(?:(?:-|NO\.?|#)\s*)?(\d{3,4})(?![\d.,]|\s*[X×])"
)
_SMALL_NUTS_MM = (10, 12, 15, 17)
_RING_WORDS = {"ID": ("inside", "inside_mm"), "OD": ("outside", "outside_mm"), "AD": ("outside", "outside_mm"),
               "CS": ("section", "section_mm")}  # fmt: skip
_LARGEST_RING_MM = 3000


def by_code(text: Text) -> Iterator[MarkingReading]:
    """Every reading of the text as a code."""
    clean = text.clean
    dash = _DASH_GRADE.search(clean) if "3601" in clean else None
    if dash is None and (clean[:1] in _FIGURES or _THREE_FIGURES.search(clean)):
        dash = _DASH.search(clean)
    if dash and "?" not in dash["dash"]:
        yield from _dash(text, dash, dash["dash"])
    if "8-" in clean:
        for match in _BACKUP.finditer(clean):
            yield from _backup(text, match)
    if "X-" in clean or "SQ-" in clean:
        for match in _PROFILED.finditer(clean):
            size = named("o_ring", match.group())
            if size:
                words = "square ring" if match.group(1) == "SQ" else "X-ring"
                span = _called(match, text, size, f"{words} of dash size {match.group(2)}")
                yield assembled(text, "o_ring", size.dimensions_mm, [span], 0.9, size)
    if "P" in clean or "G" in clean:
        for match in _FAR_EAST.finditer(clean):
            yield from _far_east(text, match)
    if "V" in clean:
        for match in _V_RING.finditer(clean):
            size = named("lip_seal", f"V-{match.group(1)}A")
            if size:
                span = _called(match, text, size, f"V-ring for a shaft of {match.group(1)} mm")
                yield assembled(text, "lip_seal", size.dimensions_mm, [span], 0.8, size)
    if "MB" in clean:
        for match in _TAB.finditer(clean):
            size = named("washer", f"MB{match.group(1)}")
            if size:
                span = _called(match, text, size, f"lock washer for a shaft nut of {_nut_mm(match)} mm")
                yield assembled(text, "washer", size.dimensions_mm, [span], 0.95, size)
    if "WOODRUFF" in clean or "B17" in clean:
        for match in _WOODRUFF.finditer(clean):
            size = named("key", f"ANSI B17.2 - {match.group(1)}")
            if size:
                width, disc = int(match.group(1)[:-2]), int(match.group(1)[-2:])
                meaning = f"Woodruff key {width}/32 in wide, of a disc of {disc}/8 in"
                yield assembled(
                    text, "key", size.dimensions_mm, [_called(match, text, size, meaning)], 0.95, size
                )
    if len(clean) >= _SHORTEST_COMPOSED:
        for match in _COMPOSED.finditer(clean):
            yield from _composed(text, match)
    if "ID" in clean or "OD" in clean or "CS" in clean or "AD" in clean:
        yield from _named_sizes(text)
    if text.words:
        yield from _sixteenths(text)


def _nut_mm(match: re.Match[str]) -> int:
    """The thread of a shaft nut by its number: five times it from 4 on."""
    number = int(match.group(1))
    return 5 * number if number > 3 else _SMALL_NUTS_MM[number]


def _called(match: re.Match[str], text: Text, size: SealSize, meaning: str) -> Span:
    return stated(text, match, meaning, "designation", size.designation, size.listed)


def _backup(text: Text, match: re.Match[str]) -> Iterator[MarkingReading]:
    """`8-214`: the backup ring that goes with an O-ring's dash number."""
    found = all_named("o_ring", match.group())
    told = text.kind("o_ring")
    size = next((each for each in found if each.kind == told), found[0] if found else None)
    if size:
        meaning = f"backup ring for the O-ring -{match.group(1)}"
        span = stated(text, match, meaning, "designation", size.designation)
        yield assembled(text, size.family, size.dimensions_mm, [span], 0.9, size)


def _dash(text: Text, match: re.Match[str], dash: str) -> Iterator[MarkingReading]:
    """A dash number; one that does not exist is no O-ring."""
    row = dash_sizes().get(dash)
    size = named("o_ring", f"-{dash}")
    if row is None or size is None:
        return
    said = f"; called {row.called_section} × {row.called_inside} in" if row.called_inside else ""
    inside, section = (f"{each:g}" for each in size.dimensions_mm[:2])
    nominal = row.called_section or "a fraction"
    start, stop = match.span()
    start = match.end("own") if match["own"] else start  # a rubber or a profile has its own span
    start += len(text.clean[start:stop]) - len(text.clean[start:stop].lstrip())
    spans = [
        Span(start, stop, text.typed[start:stop], f"dash number {dash}{said}", "designation", f"-{dash}", "stated", "SAE AS568"),
        Span(-1, -1, "", f"inside {row.inside_in:.3f} in", "inside_mm", inside, "implied", "SAE AS568"),
        Span(-1, -1, "", f"section {row.section_in:.3f} in, which is not {nominal}", "section_mm", section,
             "implied", "SAE AS568"),
    ]  # fmt: skip
    score = 0.995
    if match.group().strip() == dash:  # three figures and nothing else: another family is as likely
        score = 0.6 if text.words and "o_ring" in text.fitting() else 0.3
    kind = text.kind("o_ring")
    profile = "8" if kind.startswith("backup") else {"square_ring": "SQ", "x_ring": "X"}.get(kind)
    if profile:
        own = all_named("o_ring", f"{profile}-{dash}")
        size = next((each for each in own if each.kind == kind), own[0] if own else size)
    yield assembled(text, "o_ring", size.dimensions_mm, spans, score, size)


def _far_east(text: Text, match: re.Match[str]) -> Iterator[MarkingReading]:
    """P22, G45: an O-ring by the size it seals."""
    letter, number = match.group(1), int(match.group(2))
    rows = [row for row in _FAR_EAST_MM[letter] if number <= row[0]]
    if match.group(3):  # P22A is of the next section
        rows = rows[1:] if rows and number == rows[0][0] else []
    if not rows or number < _SMALLEST_FAR_EAST_MM:
        return
    _, section, less = rows[0]
    found = listed_near("o_ring", (round(number - less, 2), section, 0.0))
    if found:
        place = "a shaft of" if letter == "P" else "a static seat of"
        meaning = f"{letter} list, for {place} {number} mm"
        span = stated(text, match, meaning, "designation", found[0].designation, "JIS B 2401 (from memory)")
        score = 0.9 if "o_ring" in text.told else 0.55
        yield assembled(text, "o_ring", found[0].dimensions_mm, [span], score, found[0])


def _composed(text: Text, match: re.Match[str]) -> Iterator[MarkingReading]:
    """`1870 1125 375`: section in ten-thousandths, then inside and height in thousandths of an inch."""
    parts = [piece for piece in match.groups() if piece]
    values = (int(parts[0]) / 10000, int(parts[1]) / 1000, int(parts[2]) / 1000)
    snapped = [_sixteenth_in(value) for value in values]
    if not all(snapped):
        return
    section, inside, height = (each or 0.0 for each in snapped)
    if not (section < inside and 0.06 < section <= 1.01 and height <= 3):
        return
    start, spans = match.start(), []
    for piece, said, size_in in zip(
        parts, ("section", "inside", "height"), (section, inside, height), strict=True
    ):
        at = text.clean.index(piece, start)
        start = at + len(piece)
        size_mm = size_in * INCH_MM
        spans.append(Span(at, start, text.typed[at:start], f"{said} {inch_fraction(size_mm)} in", f"{said}_mm",
                          f"{size_mm:.4f}".rstrip("0"), "stated", "common practice"))  # fmt: skip
    sizes = (inside * INCH_MM, section * INCH_MM, height * INCH_MM, 0.0)
    listed = most_met("hydraulic_seal", sizes, text.kind("hydraulic_seal"))
    yield assembled(text, "hydraulic_seal", sizes, spans, 0.85, listed)


def _sixteenth_in(value_in: float) -> float | None:
    """The sixteenth of an inch that a figure cut to thousandths stands for; None when it is none."""
    near = round(value_in * 16) / 16
    return near if near > 0 and -0.0011 < value_in - near < 0.0006 else None


def _named_sizes(text: Text) -> Iterator[MarkingReading]:
    """`ID 20 CS 2.5`, `20 ID 25 OD`: the sizes of a ring by their names."""
    sizes: dict[str, float] = {}
    spans = []
    for match in _NAMED.finditer(text.clean):
        name = match.group(1) or match.group(4)
        number = (match.group(2) or match.group(3)).strip(",.").replace(",", ".")
        if number.count(".") > 1 or not number or not 0 < float(number) < _LARGEST_RING_MM:
            continue
        sizes["OD" if name == "AD" else name] = float(number)
        said, attribute = _RING_WORDS[name]
        spans.append(stated(text, match, f"{said} {float(number):g} mm", attribute, number))
    if len(sizes) < 2:
        return
    section = sizes.get("CS") or (sizes["OD"] - sizes["ID"]) / 2
    inside = sizes.get("ID") or sizes["OD"] - 2 * section
    if inside > 0 and section > 0:
        sized = (round(inside, 3), round(section, 3), 0.0)
        yield assembled(text, "o_ring", sized, spans, 0.9, most_met("o_ring", sized, text.kind("o_ring")))


def _sixteenths(text: Text) -> Iterator[MarkingReading]:
    """A piston seal with one bare whole number: the bore in sixteenths of an inch, or in mm where one is listed."""
    said = next(
        (
            (start, stop)
            for start, stop, words in text.words
            if any(("kind", "piston_seal") in word.sets for word in words)
        ),
        None,
    )
    if said is None:
        return
    rest = text.clean[: said[0]] + " " * (said[1] - said[0]) + text.clean[said[1] :]
    numbers = list(_WHOLE_NUMBER.finditer(rest))
    if len(numbers) != 1 or _A_SIZE.search(rest):
        return
    number = int(numbers[0].group())
    sixteenths_mm = number / 16 * INCH_MM
    ways = [(float(number), f"bore {number} mm", 0.7)]
    if _LEAST_SIXTEENTHS <= number <= _MOST_SIXTEENTHS:
        ways.insert(0, (sixteenths_mm, f"bore {number} sixteenths: {inch_fraction(sixteenths_mm)} in", 0.8))
    for bore_mm, words, score in ways:
        span = stated(text, numbers[0], words, "outside_mm", f"{bore_mm:g}")
        sizes = [s for s in sizes_of_family("hydraulic_seal") if s.kind == "piston_seal"
                 and abs(s.dimensions_mm[0] + 2 * s.dimensions_mm[1] - bore_mm) < NEAR_MM]  # fmt: skip
        for size in sizes[:2]:
            yield assembled(text, "hydraulic_seal", size.dimensions_mm, [span], score, size)
