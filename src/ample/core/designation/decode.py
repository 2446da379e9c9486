"""Reading a marking, whole or half worn, into what each character means."""

from __future__ import annotations

import re
from dataclasses import replace
from functools import lru_cache
from itertools import islice, product

from ample.core.designation.bore_code import bore_of_code
from ample.core.designation.dialects import Code, Dialect, general_dialect
from ample.core.designation.names import SERIES_WORDS, KnownName, known_names
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, MarkingReading, Span
from ample.core.sizes import parse_size
from ample.core.standards import BoundarySize, ball_bearing_sizes

LONGEST_MARKING = 60
MOST_READINGS = 24
_SEPARATORS = " -_/.,;:+()[]×'\""
_BASE = re.compile(
    r"(?P<series>61[89]|16[01]|62[23](?=\d\d)|630(?=\d\d)|6[0-489]|R)"
    r"(?P<gap>[ -]?)(?P<bore>/ ?\d{1,3}(?:\.\d)?|\d{1,4}(?:-\d)?[AX]?)"
)
_HEAD = re.compile(r"[0-9R?*.…/]+(?:-\d(?!\w))?X?")
_WILD = re.compile(r"[?*…]|\.\.")
_COMMON = {"62": 1.0, "60": 0.9, "63": 0.8}
_UNREAD_COST = 0.6


def decode(
    text: str, dialects: tuple[Dialect, ...] = (), limit: int = MOST_READINGS
) -> tuple[MarkingReading, ...]:
    """Read a marking: every span with its meaning, and whether it is stated, implied or assumed.

    Formula: the bore code gives the bore (`bore_of_code`); `?` stands for one unread character,
    `..` or `*` for several; each unread piece multiplies the score by 0.6.

    Args:
        text: What is read on the part, at most 60 characters.
        dialects: Makers' or markets' codes to try as well as the general dictionary.
        limit: How many readings to give at most, 1 to 24.

    Returns:
        The readings, best first; none when nothing in the text is a known designation.

    Raises:
        BadInput: When the text is empty or too long.

    Source: ISO 15, DIN 623-1, and codes in common use (`codes.csv`).

    Example:
        >>> decode("6205-2RS C3")[0].attributes["closure"]
        'seal_two'
    """
    if len(text) > LONGEST_MARKING:
        raise BadInput(
            "too_long",
            f"A marking has at most {LONGEST_MARKING} characters; this has {len(text)}.",
            "text",
        )
    if not text.strip():
        raise BadInput("nothing_read", "There is no marking to read.", "text")
    clean = _same_length_upper(text)
    readings: list[MarkingReading] = []
    for dialect in (*(each.over_general for each in dialects), general_dialect()):
        readings += _readings_in(clean, text, dialect)
    if not readings:
        readings = _by_size(text)
    readings.sort(key=lambda reading: -reading.score)
    return tuple(_without_repeats(readings)[:limit])


def _same_length_upper(text: str) -> str:
    upper = text.upper()
    if len(upper) == len(text):
        return upper
    return "".join(c.upper() if len(c.upper()) == 1 else c for c in text)


def _readings_in(clean: str, typed: str, dialect: Dialect) -> list[MarkingReading]:
    start = _skip(clean, 0)
    prefixes: list[Span] = []
    found = dialect.prefix_pattern.match(clean, start)
    if found and not _HEAD.match(clean, start):
        code = dialect.prefixes[found.group()][0]
        after = _skip(clean, found.end())
        if _HEAD.match(clean, after):
            prefixes = _spans_of(code, start, found.end(), typed)
            start = after
    bases = _exact_base(clean, start) or _pattern_bases(clean, start)
    readings = []
    for name, spans, stop, weight in bases:
        readings += _with_suffixes(clean, typed, dialect, name, prefixes, spans, stop, weight)
    return readings


_Base = tuple[KnownName | BoundarySize, list[Span], int, float]


def _exact_base(clean: str, start: int) -> list[_Base]:
    found = _BASE.match(clean, start)
    if not found or _WILD.search(clean):
        return []
    series, bore = found.group("series"), found.group("bore").replace(" ", "")
    after = found.end()
    name = known_names().get(series + bore)
    while name is None and len(bore) > 1 and bore[-1].isalnum() and not bore.startswith("/"):
        bore, after = bore[:-1], after - 1
        bore, after = (bore[:-1], after - 1) if bore.endswith("-") else (bore, after)
        name = known_names().get(series + bore)
    if name is not None:
        token = clean[found.start() : after]
        split = found.start("bore") - found.start()
        spans = [*_base_spans(token, found.start(), split, name.text)]
        return [(name, spans, after, 1.0)]
    return _unlisted_base(clean, found)


def _unlisted_base(clean: str, found: re.Match[str]) -> list[_Base]:
    """A designation of a known series in a size that is not held: the bore is still said."""
    series = found.group("series")
    bore = found.group("bore").replace(" ", "")
    usable = series != "R" and series in SERIES_WORDS and (bore.startswith("/") or len(bore) == 2)
    try:
        d_mm = bore_of_code(bore) if usable else 0.0
    except BadInput:
        return []
    if not d_mm:
        return []
    size = BoundarySize(series + bore, series, d_mm, 0.0, None, None)
    spans = [
        _span(
            found.group("series") + found.group("gap"), found.start(), SERIES_WORDS[series], "series", series
        ),
        _span(found.group("bore"), found.start("bore"), f"bore {d_mm:g} mm", "d_mm", f"{d_mm:g}"),
    ]
    return [(size, spans, found.end(), 0.5)]


@lru_cache(maxsize=8192)
def _base_spans(token: str, start: int, split: int, name: str) -> tuple[Span, ...]:
    """Series and bore of a known name that stands at a place; the same pieces come again and again."""
    size = known_names()[name].size
    return (
        _span(token[:split], start, SERIES_WORDS[size.series], "series", size.series),
        _span(token[split:], start + split, f"bore {size.d_mm:g} mm", "d_mm", f"{size.d_mm:g}"),
    )


def _span(text: str, start: int, meaning: str, attribute: str, value: str) -> Span:
    return Span(start, start + len(text), text, meaning, attribute, value, "stated", "ISO 15")


def _pattern_bases(clean: str, start: int) -> list[_Base]:
    found = _HEAD.match(clean, start)
    if not found or not _WILD.search(found.group()):
        return []
    token = found.group()
    pattern = _pattern_of(token)
    if pattern is None:
        return []
    read = sum(character.isalnum() for character in token)
    names = _names_like(pattern)
    weights = [_COMMON.get(name.size.series, 0.5) for name in names]
    total = sum(weights) or 1.0
    certainty = 0.9 * min(1.0, read / 4)
    bases: list[_Base] = []
    for name, weight in zip(names, weights, strict=True):
        spans = _pattern_spans(clean, start, found.end(), name)
        bases.append((name, spans, found.end(), certainty * (0.2 + 0.8 * weight / total)))
    return bases


def _pattern_of(token: str) -> str | None:
    if not any(character.isalnum() for character in token):
        return None
    pieces = re.split(r"(\.{2,}|[?*…])", token)
    return "".join(
        "."
        if piece == "?"
        else ".*"
        if piece and (piece[0] in "*…" or piece[:2] == "..")
        else re.escape(piece)
        for piece in pieces
    )


@lru_cache(maxsize=512)
def _names_like(pattern: str) -> tuple[KnownName, ...]:
    like = re.compile(pattern)
    by_size: dict[str, KnownName] = {}
    for text, name in known_names().items():
        if like.fullmatch(text):
            by_size.setdefault(name.size.designation, name)
    return tuple(by_size.values())


def _pattern_spans(clean: str, start: int, stop: int, name: KnownName) -> list[Span]:
    """What was read is stated, what fills the gap is implied by the sizes that exist."""
    token = clean[start:stop]
    spans = [
        Span(start, stop, token, f"{name.text}, {SERIES_WORDS[name.size.series]}", "designation",
             name.size.designation, "half_read", "the sizes that exist"),
    ]  # fmt: skip
    spans.append(
        Span(stop, stop, "", f"bore {name.size.d_mm:g} mm", "d_mm", f"{name.size.d_mm:g}",
             "implied", "ISO 15")
    )  # fmt: skip
    return spans


def _with_suffixes(
    clean: str, typed: str, dialect: Dialect, name: KnownName | BoundarySize,
    prefixes: list[Span], base: list[Span], stop: int, weight: float,
) -> list[MarkingReading]:  # fmt: skip
    choices, unread = _suffix_choices(clean, typed, dialect, stop)
    size = name.size if isinstance(name, KnownName) else name
    readings = []
    for number, chosen in enumerate(islice(product(*choices), 8)):
        spans = [*prefixes, *base, *(span for group in chosen for span in group)]
        score = weight * _UNREAD_COST ** len(unread) * 0.5**number
        reading = _assembled(size, spans, unread, score, dialect.name)
        if reading is not None:
            readings.append(reading)
    return readings


def _suffix_choices(
    clean: str, typed: str, dialect: Dialect, at: int
) -> tuple[list[list[list[Span]]], tuple[str, ...]]:
    """For each suffix, the spans of each of its meanings; and the pieces that have none."""
    choices: list[list[list[Span]]] = []
    unread: list[str] = []
    gap_start: int | None = None
    worn = bool(_WILD.search(clean))
    while True:
        at = at if gap_start is not None else _skip(clean, at)
        at_end = at >= len(clean)
        boundary = at_end or gap_start is None or clean[at] in _SEPARATORS
        if gap_start is not None and boundary:
            piece = typed[gap_start:at]
            half = _half_read(dialect, clean[gap_start:at], gap_start, piece)
            if half:
                choices.append(half)
            else:
                unread.append(piece)
            gap_start = None
            continue
        if at_end:
            return choices, tuple(unread)
        found = dialect.suffix_pattern.match(clean, at) if gap_start is None else None
        if found and (worn or _ends_well(dialect, clean, found.end())):
            meanings = dialect.suffixes[found.group()]
            choices.append([_spans_of(code, at, found.end(), typed) for code in meanings])
            at = found.end()
            continue
        gap_start = at if gap_start is None else gap_start
        at += 1


def _ends_well(dialect: Dialect, clean: str, at: int) -> bool:
    """A code ends at a separator, at the end, or where another code begins."""
    return at >= len(clean) or clean[at] in _SEPARATORS or bool(dialect.suffix_pattern.match(clean, at))


def _half_read(dialect: Dialect, piece: str, start: int, typed: str) -> list[list[Span]]:
    """A suffix of which only the beginning, or all but some characters, could be read."""
    if not (1 < len(piece) <= 5) or not any(c.isalnum() for c in piece):
        return []
    like = re.compile("".join("." if c in "?…*" else re.escape(c) for c in piece))
    seen: dict[tuple[tuple[str, str], ...], list[Span]] = {}
    for name, codes in dialect.suffixes.items():
        if like.match(name) and name != piece:
            for code in codes:
                spans = [
                    replace(span, text=typed, certainty="half_read", meaning=f"{span.meaning}? ({name})")
                    for span in _spans_of(code, start, start + len(piece), typed)
                ]
                seen.setdefault(code.sets, spans)
    return list(seen.values())[:4]


def _spans_of(code: Code, start: int, stop: int, typed: str) -> list[Span]:
    return [*_code_spans(code, start, typed[start:stop])]


@lru_cache(maxsize=8192)
def _code_spans(code: Code, start: int, text: str) -> tuple[Span, ...]:
    return tuple(
        Span(start, start + len(text), text, code.meaning, attribute, value, "stated", code.basis)
        for attribute, value in code.sets
    )


_ASSUMED = (
    ("closure", "open", "no closure marked: open"),
    ("clearance", "N", "no clearance marked: normal"),
    ("class", "Normal", "no class marked: normal"),
    ("cage", "standard", "no cage marked: the maker's standard"),
    ("snap_ring", "none", "no snap-ring groove marked"),
    ("bore_shape", "cylindrical", "no taper marked: cylindrical"),
)
_ASSUMED_SPANS = {
    attribute: Span(-1, -1, "", words, attribute, value, "assumed", "common practice")
    for attribute, value, words in _ASSUMED
}


def _assembled(
    size: BoundarySize, spans: list[Span], unread: tuple[str, ...], score: float, dialect: str
) -> MarkingReading | None:
    """Put the spans together; two codes that set one attribute differently cost score."""
    attributes: dict[str, str] = {}
    extras: list[str] = []
    for span in spans:
        if span.attribute == "extra":
            extras.append(span.value)
        elif attributes.setdefault(span.attribute, span.value) != span.value:
            score *= 0.3
    for attribute, value, _ in _ASSUMED:
        if attribute not in attributes:
            attributes[attribute] = value
            spans.append(_ASSUMED_SPANS[attribute])
    attributes.pop("d_mm", None)
    attributes.pop("designation", None)
    attributes["series"] = size.series
    if extras:
        attributes["extra"] = " ".join(extras)
    dimensions = {"d_mm": size.d_mm}
    closed = CLOSURES[attributes["closure"]].sides > 0
    width = size.width_mm(closed) or size.width_mm(not closed)
    if size.D_mm and width:
        dimensions |= {"D_mm": size.D_mm, "B_mm": width}
    return MarkingReading(
        "bearing", size.designation, size.series, dimensions, attributes, tuple(spans), unread,
        round(score, 4), dialect,
    )  # fmt: skip


def _by_size(text: str) -> list[MarkingReading]:
    """Three dimensions that are those of a known bearing."""
    try:
        lengths = [each.mm for each in parse_size(text)]
    except BadInput:
        return []
    if len(lengths) != 3:
        return []
    found = []
    for size in ball_bearing_sizes():
        for closed in (False, True):
            width = size.width_mm(closed)
            sizes = (size.d_mm, size.D_mm, width or 0.0)
            if all(abs(a - b) <= 0.05 for a, b in zip(lengths, sizes, strict=True)):
                span = Span(0, len(text), text, f"the size of {size.designation}", "designation",
                            size.designation, "implied", "ISO 15")  # fmt: skip
                reading = _assembled(size, [span], (), 0.4, "general")
                if reading:
                    found.append(reading)
                break
    return found


def _skip(clean: str, at: int) -> int:
    while at < len(clean) and (
        (clean[at] in _SEPARATORS and clean[at : at + 2] != "..") or clean[at].isspace()
    ):
        at += 1
    return at


def _without_repeats(readings: list[MarkingReading]) -> list[MarkingReading]:
    """Of readings that say the same, the best."""
    if len(readings) < 2:
        return readings
    seen: set[tuple[object, ...]] = set()
    kept = []
    for reading in readings:
        key = (reading.designation, tuple(sorted(reading.attributes.items())))
        if key not in seen:
            seen.add(key)
            kept.append(reading)
    return kept
