"""Reading a marking, whole or half worn, into what each character means."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace
from functools import cache, lru_cache
from itertools import islice, product

from ample.core.designation.alike import as_bearing, as_size, as_suffix, with_times
from ample.core.designation.bases import NOT_HELD, Base, exact_bases, is_wild, pattern_bases, unheld_bases
from ample.core.designation.beside import (
    Parted,
    has_words,
    is_beside,
    without_dates,
    without_sizes,
    without_words,
)
from ample.core.designation.dialects import Dialect, general_dialect
from ample.core.designation.seals import FEW_WORN, MANY_WORN, begins_as_seal, seal_readings
from ample.core.designation.special_bore import bore_first
from ample.core.designation.suffixes import code_spans, skip, suffix_choices
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, MarkingReading, Span, bearing_kinds
from ample.core.parts.attributes import worth_saying
from ample.core.sizes import parse_size
from ample.core.standards import BoundarySize, bearing_series, bearing_sizes

LONGEST_MARKING = 60
MOST_READINGS = 24
MOST_HALF_READ = 14
MOST_OF_A_SIZE = 12
_UNREAD_COST, _CONTRADICTS, _SECOND_MEANING, _LOOKS_ALIKE = 0.6, 0.3, 0.5, 0.85
_NEARLY_MM = 0.05
_THREE_NUMBERS = re.compile(r"\d[^\s×*xX]*[\s×*xX]+[^\s×*xX]*\d[^\s×*xX]*[\s×*xX]+[^\s×*xX]*\d")
_NO_SIZE = re.compile(r"[bfgjkpqrvwyz]", re.IGNORECASE)  # letters of no unit, nor of "dia" or the times sign
_WORTH_GIVING = 0.25
_SURE = 0.8
_WITH_SECOND_MEANINGS = 6


def decode(
    text: str, dialects: tuple[Dialect, ...] = (), limit: int = MOST_READINGS, family: str | None = None
) -> tuple[MarkingReading, ...]:
    """Read a marking: every span with its meaning, and whether it is stated, implied or assumed.

    Formula: the bore code gives the bore (`bore_of_code`); `?` stands for one unread character,
    `..` or `*` for several; each unread piece multiplies the score by 0.6.

    Args:
        text: What is read on the part, at most 60 characters.
        dialects: Makers' or markets' codes to try as well as the general dictionary.
        limit: How many readings to give at most, 1 to 400.
        family: Only readings of this family; all families when not given.

    Returns:
        The readings, best first; none when nothing in the text is a known designation.

    Raises:
        BadInput: When the text is empty or too long.

    Source: ISO 15, ISO 355, DIN 623-1, and codes in common use (`codes.csv`).

    Example:
        >>> decode("6205-2RS C3")[0].attributes["closure"]
        'seal_two'
        >>> decode("NU?06 E")[0].designation
        'NU206'
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
    if not has_words(clean):
        readings = _read(clean, text, dialects, limit, family)
        if not _whole(readings):
            readings = _read_again(clean, Parted(clean, text, ()), readings, dialects, limit, family)
        return tuple(readings[:limit])
    parted = without_words(clean, text, dialects)
    readings = _read(parted.clean, parted.typed, dialects, limit, family) if parted.clean.strip() else []
    readings = [replace(each, beside=parted.beside) for each in readings] if parted.beside else readings
    if parted.beside and not _whole(readings):
        readings = _better(readings, _read(clean, text, dialects, limit, family))
    if not _whole(readings):
        readings = _read_again(clean, parted, readings, dialects, limit, family)
    return tuple(readings[:limit])


def _whole(readings: list[MarkingReading]) -> bool:
    """Something is read that is held, and nothing is left over."""
    if not readings or readings[0].unread:
        return False
    best = readings[0]
    return best.score > NOT_HELD or (best.family == "bearing" and len(best.dimensions) > 1)


def _read_again(
    whole: str,
    parted: Parted,
    readings: list[MarkingReading],
    dialects: tuple[Dialect, ...],
    limit: int,
    family: str | None,
) -> list[MarkingReading]:
    """Without sizes that are said in words, without dates, with figures that look alike; the best of them."""
    clean, text = (parted.clean, parted.typed) if parted.clean.strip() else (whole, parted.typed)
    said = without_sizes(whole, text)
    if said.beside and any(each.isdigit() for each in said.clean):
        again = _read(said.clean, said.typed, dialects, limit, family)
        readings = _better(readings, [replace(each, beside=said.beside) for each in again])
    if is_wild(clean):
        return readings
    bored = bore_first(clean, text)
    if bored:
        again = _read(bored[0], bored[1], dialects, limit, family)
        if again and again[0].attributes.get("bore") == "special":
            return [replace(each, spans=tuple(map(bored[2], each.spans))) for each in again]
    beside = parted.beside
    if not _whole(readings):
        dated = without_dates(clean, text)
        if dated.beside:
            again = _read(dated.clean, dated.typed, dialects, limit, family)
            beside_too = (*beside, *dated.beside)
            readings = _better(readings, [replace(each, beside=beside_too) for each in again])
    if not _whole(readings):
        readings = _better(readings, _looking_alike(clean, text, readings, beside, dialects, limit, family))
    if not readings:
        bare = without_words(clean, text, dialects, known_too=True)
        if bare.beside and bare.clean.strip():
            beside = (*beside, *bare.beside)
            again = _read(bare.clean, bare.typed, dialects, limit, family)
            readings = [replace(each, beside=beside) for each in again]
    return [_with_batches(each, text) for each in readings]


def _better(one: list[MarkingReading], other: list[MarkingReading]) -> list[MarkingReading]:
    """Of two ways to read a text the one that leaves less unread; the first when they are alike."""
    if not one or not other:
        return one or other
    left = [sum(map(len, each[0].unread)) for each in (one, other)]
    return other if (left[1], -other[0].score) < (left[0], -one[0].score) else one


def _looking_alike(
    clean: str,
    text: str,
    readings: list[MarkingReading],
    beside: tuple[str, ...],
    dialects: tuple[Dialect, ...],
    limit: int,
    family: str | None,
) -> list[MarkingReading]:
    """The text with letters read as the figures that they look like, or the other way; all of it half legible."""
    ways: list[tuple[str, tuple[int, ...]]] = []
    of_bearings = 0
    if family in (None, "bearing"):
        held = bool(readings) and readings[0].family == "bearing" and len(readings[0].dimensions) > 1
        ways += [] if held else list(islice(as_bearing(clean), 4))
        if readings and readings[0].unread:
            way = as_suffix(clean, readings[0].unread, general_dialect().suffixes)
            ways += [way] if way else []
        of_bearings = len(ways)
    if family != "bearing":
        strokes = with_times(clean)
        ways += [way for way in (as_size(clean), (strokes, ()) if strokes else None) if way]
    found: list[MarkingReading] = []
    for number, (read, places) in enumerate(ways):
        for each in _read(read, text, dialects, limit, "bearing" if number < of_bearings else family):
            spans = tuple(
                replace(span, certainty="half_read")
                if any(span.start <= place < span.stop for place in places)
                else span
                for span in each.spans
            )
            score = round(each.score * _LOOKS_ALIKE ** len(places), 4)
            found.append(replace(each, spans=spans, score=score, beside=beside))
    found.sort(key=lambda reading: (len(reading.unread), -reading.score))
    return found


def _with_batches(reading: MarkingReading, typed: str) -> MarkingReading:
    """Unread pieces that look like a date or a batch number stand beside the mark."""
    batches = tuple(piece for piece in reading.unread if is_beside(piece, typed))
    if not batches or reading.family != "bearing":
        return reading
    unread = tuple(piece for piece in reading.unread if piece not in batches)
    score = round(reading.score / _UNREAD_COST ** len(batches), 4)
    return replace(reading, unread=unread, beside=(*reading.beside, *batches), score=score)


def _read(
    clean: str, text: str, dialects: tuple[Dialect, ...], limit: int, family: str | None
) -> list[MarkingReading]:
    """One text, as it stands."""
    readings: list[MarkingReading] = []
    if family == "bearing" or (family is None and not begins_as_seal(clean)):
        readings = _bearing_readings(clean, text, dialects, limit)
    if family != "bearing" and not _surely_a_bearing(readings, clean):
        most = MANY_WORN if limit > MOST_READINGS else FEW_WORN
        readings += [each for each in seal_readings(clean, text, most) if family in (None, each.family)]
    if len(readings) < 2:
        return readings
    readings.sort(key=lambda reading: -reading.score)
    if not readings[0].unread and not is_wild(clean):
        least = _WORTH_GIVING * readings[0].score
        readings = [reading for reading in readings if reading.score >= least]
    return _without_repeats(readings)


def _surely_a_bearing(readings: list[MarkingReading], clean: str) -> bool:
    """Read whole as a bearing, and not written as an O-ring's dash number is: other families need no look."""
    for each in readings:
        if each.score > _SURE:
            break
    else:
        return False
    text = clean.strip()
    return text[:1] not in "-#" and not (len(text) == 3 and text.isdigit())


def _bearing_readings(
    clean: str, text: str, dialects: tuple[Dialect, ...], limit: int
) -> list[MarkingReading]:
    """The text as a rolling bearing's marking, or as the size of one."""
    readings: list[MarkingReading] = []
    for dialect in dialects:
        readings += _readings_in(clean, text, dialect.over_general, limit)
    readings += _readings_in(clean, text, general_dialect(), limit)
    return readings or _by_size(text)


def _same_length_upper(text: str) -> str:
    upper = text.upper()
    if len(upper) == len(text):
        return upper
    return "".join(c.upper() if len(c.upper()) == 1 else c for c in text)


def _readings_in(clean: str, typed: str, dialect: Dialect, limit: int) -> list[MarkingReading]:
    start = skip(clean, 0)
    for prefixes, at in _beginnings(clean, typed, dialect, start):
        bases = _bases_at(clean, at, dialect, limit)
        if bases:
            return _with_suffixes(clean, typed, dialect, prefixes, bases)
    return []


def _bases_at(clean: str, at: int, dialect: Dialect, limit: int) -> list[Base]:
    if is_wild(clean):
        most = limit if limit > MOST_READINGS else min(limit, MOST_HALF_READ)
        found = pattern_bases(clean, at, dialect.suffix_pattern, most)
        if found:
            return found
    return exact_bases(clean, at) or unheld_bases(clean, at)


def _beginnings(
    clean: str, typed: str, dialect: Dialect, start: int
) -> Iterator[tuple[tuple[Span, ...], int]]:
    """Without a prefix, then with one."""
    yield (), start
    longest = dialect.prefix_pattern.match(clean, start)
    if longest:
        for stop in range(longest.end(), start, -1):
            for code in dialect.prefixes.get(clean[start:stop], ())[:1]:
                yield code_spans(code, start, typed[start:stop]), skip(clean, stop)


def _with_suffixes(
    clean: str, typed: str, dialect: Dialect, prefixes: tuple[Span, ...], bases: list[Base]
) -> list[MarkingReading]:
    """Every base with what follows it; of many bases only the first few with second meanings."""
    read: dict[tuple[str, int], tuple[list[list[tuple[Span, ...]]], tuple[str, ...]]] = {}
    readings = []
    for rank, base in enumerate(bases):
        key = (base.size.kind, base.stop)
        known = read.get(key)
        if known is None:
            known = suffix_choices(clean, typed, dialect, base.stop, bearing_kinds()[base.size.kind])
            read[key] = known
        choices, unread = known
        if not choices:
            score = base.weight * _UNREAD_COST ** len(unread)
            readings.append(_assembled(base.size, [*prefixes, *base.spans], unread, score, dialect.name))
            continue
        for number, chosen in enumerate(islice(product(*choices), 8 if rank < _WITH_SECOND_MEANINGS else 1)):
            spans = [*prefixes, *base.spans, *(span for group in chosen for span in group)]
            score = base.weight * _UNREAD_COST ** len(unread) * _SECOND_MEANING**number
            readings.append(_assembled(base.size, spans, unread, score, dialect.name))
    return readings


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


@lru_cache
def _assumed(kind: str) -> tuple[tuple[str, str, Span | None], ...]:
    """What goes without saying for a kind, with the span where it is written out."""
    said = worth_saying(kind)
    return tuple((name, value, _ASSUMED_SPANS[name] if name in said else None) for name, value, _ in _ASSUMED)


_SAYS_NO_KIND = ("note", "designation")


def _assembled(
    size: BoundarySize, spans: list[Span], unread: tuple[str, ...], score: float, dialect: str
) -> MarkingReading:
    """Put the spans together; two codes that set one attribute differently cost score."""
    attributes: dict[str, str] = {}
    extras: list[str] = []
    for span in spans:
        attribute = span.attribute
        if attribute == "extra":
            extras.append(span.value)
        elif attribute in _SAYS_NO_KIND or attribute.endswith("_mm"):
            continue
        elif attributes.setdefault(attribute, span.value) != span.value:
            score *= _CONTRADICTS
    for attribute, value, aloud in _assumed(size.kind):
        if attribute not in attributes:
            attributes[attribute] = value
            if aloud is not None:
                spans.append(aloud)
    attributes["series"] = size.series
    attributes["kind"] = size.kind
    if extras:
        attributes["extra"] = " ".join(extras)
    return MarkingReading(
        "bearing", size.designation, size.series, dict(_dimensions(size, CLOSURES[attributes["closure"]].sides > 0)), attributes,
        tuple(spans), unread, round(score, 4), dialect,
    )  # fmt: skip


@cache
def _dimensions(size: BoundarySize, closed: bool) -> dict[str, float]:
    """The sizes by the contract's names; only the bore when the size is not held."""
    width = size.width_mm(closed) or size.width_mm(not closed)
    if not width:
        return {"d_mm": size.d_mm}
    found = {}
    for name in bearing_kinds()[size.kind].dimension_names:
        if name in ("d_mm", "Fw_mm"):
            found[name] = size.d_mm
        elif name == "D_mm":
            found[name] = size.D_mm
        else:
            own = size.T_mm if name == "T_mm" else size.C_mm if name == "C_mm" else None
            found[name] = own or width
    return found


@lru_cache
def _sizes_by_bore() -> dict[int, list[BoundarySize]]:
    found: dict[int, list[BoundarySize]] = {}
    for size in bearing_sizes():
        if size.d_mm and size.D_mm:
            for whole in {int(size.d_mm - _NEARLY_MM), int(size.d_mm + _NEARLY_MM)}:
                found.setdefault(whole, []).append(size)
    return found


def _by_size(text: str) -> list[MarkingReading]:
    """Three dimensions that are those of a known bearing."""
    if _NO_SIZE.search(text) or not _THREE_NUMBERS.search(text):
        return []
    try:
        lengths = [each.mm for each in parse_size(text)]
    except BadInput:
        return []
    if len(lengths) != 3:
        return []
    found = []
    for size in _sizes_by_bore().get(int(lengths[0]), ()):
        for width in dict.fromkeys((size.B_open_mm, size.B_closed_mm, size.T_mm)):
            sizes = (size.d_mm, size.D_mm, width or 0.0)
            if all(abs(a - b) <= _NEARLY_MM for a, b in zip(lengths, sizes, strict=True)):
                span = Span(0, len(text), text, f"the size of {size.designation}", "designation",
                            size.designation, "implied", "ISO 15")  # fmt: skip
                share = _share(size)
                found.append(_assembled(size, [span], (), 0.3 + 0.1 * share / (1 + share), "general"))
                break
    found.sort(key=lambda reading: -reading.score)
    return found[:MOST_OF_A_SIZE]


def _share(size: BoundarySize) -> float:
    """How often a size's series is met."""
    return bearing_series()[size.series].share


def _without_repeats(readings: list[MarkingReading]) -> list[MarkingReading]:
    """Of readings that say the same, the best."""
    if len(readings) < 2:
        return readings
    seen: set[tuple[object, ...]] = set()
    kept = []
    for reading in readings:
        key = (reading.family, reading.designation, tuple(sorted(reading.attributes.items())))
        if key not in seen:
            seen.add(key)
            kept.append(reading)
    return kept
