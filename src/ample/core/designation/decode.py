"""Reading a marking, whole or half worn, into what each character means."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import islice, product

from ample.core.designation.alike import as_bearing, as_dash, as_size, as_suffix, with_times
from ample.core.designation.bases import (
    CUT_IN_A_NUMBER,
    NOT_HELD,
    Base,
    exact_bases,
    is_wild,
    pattern_bases,
    unheld_bases,
)
from ample.core.designation.bearing_reading import assembled, by_size
from ample.core.designation.beside import (
    Parted,
    has_letters_alone,
    has_words,
    is_beside,
    names_other_things,
    says_sizes,
    without_dates,
    without_sizes,
    without_words,
)
from ample.core.designation.dialects import Dialect, general_dialect
from ample.core.designation.mixed import written_out
from ample.core.designation.said_kind import as_said
from ample.core.designation.seals import FEW_WORN, MANY_WORN, begins_as_seal, seal_readings
from ample.core.designation.special_bore import bore_first
from ample.core.designation.suffixes import code_spans, skip, suffix_choices
from ample.core.errors import BadInput
from ample.core.parts import MarkingReading, Span, bearing_kinds

LONGEST_MARKING = 60
MOST_READINGS = 24
MOST_HALF_READ = 14
_UNREAD_COST, _SECOND_MEANING, _LOOKS_ALIKE = 0.6, 0.5, 0.85
_WORTH_GIVING = 0.25
_SURE = 0.8
_WITH_SECOND_MEANINGS = 6
_NAMING = ("designation", "series", "family", "kind")


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
            readings = _read_again(clean, text, Parted(clean, text, ()), readings, dialects, limit, family)
        return tuple(readings[:limit])
    readings = _among_words(clean, text, dialects, limit, family)
    if names_other_things(clean):
        readings = [each for each in readings if _is_named(each)]
    return tuple(readings[:limit])


def _among_words(
    clean: str, text: str, dialects: tuple[Dialect, ...], limit: int, family: str | None
) -> list[MarkingReading]:
    """A text with words: without them, then whole."""
    parted = without_words(clean, text, dialects)
    readings = _read(parted.clean, parted.typed, dialects, limit, family) if parted.clean.strip() else []
    readings = [replace(each, beside=parted.beside) for each in readings] if parted.beside else readings
    if parted.beside and not _whole(readings):
        readings = _better(readings, _read(clean, text, dialects, limit, family))
    if not _whole(readings):
        readings = _read_again(clean, text, parted, readings, dialects, limit, family)
    return as_said(readings, parted.beside, clean)


def _is_named(reading: MarkingReading) -> bool:
    """Read from a name, a code or a word of its family, not from sizes alone."""
    if reading.family == "bearing" and len(reading.dimensions) == 1:
        return False
    return any(
        span.attribute in _NAMING and span.certainty in ("stated", "half_read") for span in reading.spans
    )


def _whole(readings: list[MarkingReading]) -> bool:
    """Something is read that is held, and nothing is left over."""
    if not readings or readings[0].unread:
        return False
    best = readings[0]
    return best.score > NOT_HELD or (best.family == "bearing" and len(best.dimensions) > 1)


def _read_again(
    whole: str,
    whole_typed: str,
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
    readings = _better(readings, _written_out(whole, whole_typed, dialects, limit, family))
    bored = bore_first(clean, text)
    if bored:
        again = _read(bored.clean, bored.typed, dialects, limit, family)
        if again and bored.is_read_by(again[0]):
            return [
                replace(each, spans=bored.as_typed(each.spans)) for each in again if bored.is_read_by(each)
            ]
    beside = parted.beside
    if not _whole(readings):
        dated = without_dates(clean, text)
        if dated.beside:
            again = _read(dated.clean, dated.typed, dialects, limit, family)
            beside_too = (*beside, *dated.beside)
            readings = _better(readings, [replace(each, beside=beside_too) for each in again])
    if not _whole(readings):
        readings = _better(readings, _looking_alike(clean, text, readings, beside, dialects, limit, family))
    if not readings and has_letters_alone(clean):
        bare = without_words(clean, text, dialects, known_too=True)
        if bare.beside and bare.clean.strip():
            beside = (*beside, *bare.beside)
            again = _read(bare.clean, bare.typed, dialects, limit, family)
            readings = [replace(each, beside=beside) for each in again]
    return [_with_batches(each, text) for each in readings]


def _written_out(
    clean: str, text: str, dialects: tuple[Dialect, ...], limit: int, family: str | None
) -> list[MarkingReading]:
    """A text whose sizes are said with their words, read as the trade writes them: 25 bore 52 od 15 wide."""
    out = written_out(clean) if says_sizes(clean) else None
    if out is None:
        return []
    typed = "".join(seen if seen in " X" else own for seen, own in zip(out, text, strict=True))
    parted = without_words(out, typed, dialects)
    return [
        replace(
            each,
            beside=parted.beside,
            spans=tuple(_as_typed(span, parted.typed, text) for span in each.spans),
        )
        for each in _read(parted.clean, parted.typed, dialects, limit, family)
    ]


def _as_typed(span: Span, written: str, typed: str) -> Span:
    """A span of a text written out as it was typed, without the blanks before it."""
    if span.start < 0:
        return span
    piece = written[span.start : span.stop]
    start = span.start + len(piece) - len(piece.lstrip())
    return replace(span, start=start, text=typed[start : span.stop])


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
        seen = (as_size(clean, text), as_dash(clean, text), (strokes, ()) if strokes else None)
        ways += [way for way in seen if way]
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
    return _without_repeats(found)


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
    return readings or by_size(clean, text)


def _same_length_upper(text: str) -> str:
    """In capitals; cone & cup are written with a plus as well."""
    upper = text.upper().replace("&", "+")
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
    exact = exact_bases(clean, at)
    if exact and max(base.weight for base in exact) > CUT_IN_A_NUMBER:
        return exact
    return unheld_bases(clean, at) + exact  # NU2364 is no NU236 with a figure left over


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
            readings.append(assembled(base.size, [*prefixes, *base.spans], unread, score, dialect.name))
            continue
        for number, chosen in enumerate(islice(product(*choices), 8 if rank < _WITH_SECOND_MEANINGS else 1)):
            spans = [*prefixes, *base.spans, *(span for group in chosen for span in group)]
            score = base.weight * _UNREAD_COST ** len(unread) * _SECOND_MEANING**number
            readings.append(assembled(base.size, spans, unread, score, dialect.name))
    return readings


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
