"""Finding the basic designation in a marking: whole, in a size that is not held, or with gaps."""

from __future__ import annotations

import re
from collections.abc import Container, Iterator, Sequence
from functools import lru_cache
from itertools import islice
from typing import NamedTuple

from ample.core.designation.names import (
    KnownName,
    bore_after,
    known_names,
    lengths_by_beginning,
    longest_by_first,
    names_by_first,
    pieces_of,
    series_by_beginning,
)
from ample.core.parts import Span
from ample.core.standards import ALONE, BoundarySize, bearing_series

_HEAD = re.compile(r"[0-9A-Z?*…./\-]+")
_WILD = re.compile(r"[?*…]|\.\.")
_WILDS = re.compile(r"[?*]")
_GAP = re.compile(r"(\.{2,}|[?*…])")
STANDS_WELL = 0.9
ACROSS_A_SPACE, CUT_IN_A_NUMBER, NOT_HELD = 0.5, 0.3, 0.5
MOST_PATTERN_NAMES = 400
MOST_CUTS = 3
MOST_GAPS = 6
FEWEST_READ = 2


class Base(NamedTuple):
    """A basic designation found: its size, spans, where it ends in the text, and how well it fits."""

    size: BoundarySize
    spans: tuple[Span, ...]
    stop: int
    weight: float


class Squeezed:
    """A marking from a place on, without its spaces, that still knows where each character was typed."""

    __slots__ = ("_clean", "_dropped", "_start", "_whole", "text")

    def __init__(self, clean: str, start: int, dashes: bool) -> None:
        longest = longest_by_first().get(clean[start : start + 1], 0)
        self._clean, self._start = clean, start
        self._dropped = _SPACES if dashes else _SPACES_AND_DASHES
        table = _KEEP_DASHES if dashes else _DROP_DASHES
        piece = clean[start : start + longest + MOST_GAPS]
        kept = piece.translate(table)
        self.text = kept[: longest + 1]
        self._whole = len(piece) if len(kept) == len(piece) else 0

    def places(self, length: int) -> Sequence[int]:
        """Where the first `length` characters are in what was typed."""
        start = self._start
        if length <= self._whole or not self._dropped.intersection(self._clean[start : start + length]):
            return range(start, start + length)
        found: list[int] = []
        for place in range(start, len(self._clean)):
            if len(found) == length:
                break
            if self._clean[place] not in self._dropped:
                found.append(place)
        return tuple(found)


_SPACES = frozenset(" \t\n\r\f\v_'\"")
_SPACES_AND_DASHES = _SPACES | {"-"}
_TYPED = {"×": "X", "✕": "X", ",": "."}
_KEEP_DASHES = str.maketrans(_TYPED | dict.fromkeys(_SPACES, ""))
_DROP_DASHES = str.maketrans(_TYPED | dict.fromkeys(_SPACES_AND_DASHES, ""))


@lru_cache(maxsize=16)  # one text is gone over several times
def _squeezed(clean: str, start: int, dashes: bool) -> Squeezed:
    return Squeezed(clean, start, dashes)


def exact_bases(clean: str, start: int) -> list[Base]:
    """Every known name that begins at this place, the longest first, and how well each fits there.

    Beside a name that stands well, one that is cut off within a number is not given.
    """
    if not _may_begin(lengths_by_beginning(), clean, start, 3):
        return []
    found = _standing_names(clean, start, dashes=True)
    whole = bool(found) and found[0].weight > STANDS_WELL and found[0].size.kind not in ALONE
    if (
        not whole
        and "-" in clean
        and _squeezed(clean, start, False).text != _squeezed(clean, start, True).text
    ):
        held = {(base.size.designation, base.stop) for base in found}
        for base in _standing_names(clean, start, dashes=False):
            if (base.size.designation, base.stop) not in held:
                found.append(base)
    if len(found) < 2:
        return found
    best = max(base.weight for base in found)
    return [base for base in found if base.weight > 0.35 * best]


def _may_begin(beginnings: Container[str], clean: str, start: int, length: int) -> bool:
    """Whether something that begins so is known: a quick no, before spaces and dashes are looked at."""
    first = clean[start : start + length]
    return not first.isalnum() or first in beginnings or first[:-1] in beginnings


def _standing_names(clean: str, start: int, dashes: bool) -> list[Base]:
    names = known_names()
    squeeze = _squeezed(clean, start, dashes)
    text = squeeze.text
    found: list[Base] = []
    lengths = lengths_by_beginning()
    for length in lengths.get(text[:3]) or lengths.get(text[:2], ()):
        if length > len(text):
            continue
        name = names.get(text[:length])
        if name is None:
            continue
        places = squeeze.places(length)
        weight = _standing(clean, text, places)
        if found and weight < 0.35 * found[0].weight:
            continue
        spans = _spans_at(name.text, text[:length], places)
        found.append(Base(name.size, spans, places[-1] + 1, weight * _usual(name)))
    return found


def _usual(name: KnownName) -> float:
    """Of two equally good readings, the part that is commoner."""
    return 0.97 + 0.03 * name.share / (1 + name.share)


def _standing(clean: str, text: str, places: Sequence[int]) -> float:
    """A number is not written across a space, nor cut off before its last digit."""
    weight = 1.0
    length, last = len(places), places[-1]
    if last - places[0] >= length:
        for i in range(1, length):
            apart = places[i] > places[i - 1] + 1
            weight *= ACROSS_A_SPACE if apart and text[i - 1].isdigit() and text[i].isdigit() else 1.0
    after = clean[last + 1 : last + 3]
    if after[:1].isdigit() and text[length - 1].isdigit() and after not in _TWO:
        weight *= CUT_IN_A_NUMBER
    if after[:1] in _STROKE_OR_TIMES and after[1:].isdigit() and (length < 4 or after[0] != "/"):
        weight *= CUT_IN_A_NUMBER  # 62/22 is no 62, 127X4 no 127
    return weight


_STROKE_OR_TIMES = frozenset("/X×")
_TWO = frozenset(("2R", "2Z", "2H", "2L", "2N", "2D", "2T", "2K"))


@lru_cache(maxsize=8192)
def _spans_at(name: str, text: str, places: Sequence[int]) -> tuple[Span, ...]:
    spans = []
    at = 0
    for length, meaning, attribute, value in pieces_of(name):
        first, last = places[at], places[at + length - 1] + 1
        spans.append(Span(first, last, text[at : at + length], meaning, attribute, value, "stated", "ISO 15"))
        at += length
    return tuple(spans)


def unheld_bases(clean: str, start: int) -> list[Base]:
    """A known series in a size that is not held: the bore is still said."""
    begins = series_by_beginning()
    if not _may_begin(begins, clean, start, 2):
        return []
    squeeze = _squeezed(clean, start, "-" not in clean)  # without a dash both ways are one
    typed = squeeze.text
    for text, series in (*begins.get(typed[:2], ()), *begins.get(typed[:1], ())):
        if not typed.startswith(text):
            continue
        bore = bore_after(typed, len(text))
        if bore is None:
            continue
        d_mm, end = bore
        if d_mm < 10 or typed[end : end + 1].isdigit():
            continue
        size = BoundarySize(typed[:end], series.name, d_mm, 0.0, None, None, series.kind)
        places = squeeze.places(end)
        spans = (
            _plain(places[0], places[len(text) - 1] + 1, text, series.words, "series", series.name),
            _plain(places[len(text)], places[end - 1] + 1, typed[len(text) : end],
                   f"bore {d_mm:g} mm", "d_mm", f"{d_mm:g}"),
        )  # fmt: skip
        return [Base(size, spans, places[-1] + 1, NOT_HELD)]
    return []


def _plain(start: int, stop: int, text: str, meaning: str, attribute: str, value: str) -> Span:
    return Span(start, stop, text, meaning, attribute, value, "stated", "ISO 15")


def is_wild(clean: str) -> bool:
    """Whether something in the marking could not be read."""
    return "?" in clean or "*" in clean or ".." in clean or "…" in clean


def pattern_bases(clean: str, start: int, suffix_begins: re.Pattern[str], limit: int) -> list[Base]:
    """Names that a half-legible designation can be; `?` is one character, `..` or `*` are several."""
    token = _head(clean, start)
    if token is None:
        return []
    for stop in _cuts(clean, start, token, suffix_begins):
        piece = clean[start:stop].replace(" ", "")
        for seen in (piece, piece.replace("-", "")) if "-" in piece else (piece,):
            pattern = _pattern_of(seen)
            names = _names_like(pattern) if pattern else ()
            if names:
                return _ranked(clean, start, stop, seen, names[:limit])
    return []


def _head(clean: str, start: int) -> int | None:
    """Where the half-legible designation ends; letters alone go on over a space."""
    found = _HEAD.match(clean, start)
    if not found:
        return None
    stop = found.end()
    if found.group().isalpha():
        more = _HEAD.match(clean, stop + 1)
        stop = more.end() if more else stop
    return stop if _WILD.search(clean, start, stop) else None


def _cuts(clean: str, start: int, stop: int, suffix_begins: re.Pattern[str]) -> Iterator[int]:
    """The whole, then what stands before a dash or a stroke, then before the beginning of a suffix; the longest first."""
    yield stop
    places = range(stop - 1, start + 2, -1)
    yield from islice((at for at in places if clean[at] in "-/"), MOST_CUTS)
    begins = (at for at in places if _may_be_a_suffix(clean, at) and suffix_begins.match(clean, at))
    yield from islice(begins, MOST_CUTS)


def _may_be_a_suffix(clean: str, at: int) -> bool:
    """The first of some letters behind figures, or the 2 of 2RS."""
    if clean[at].isalpha():
        return not clean[at - 1].isalpha()
    return clean[at] == "2" and clean[at + 1 : at + 2].isalpha()


def _pattern_of(token: str) -> str | None:
    """The pattern of a name: `?` for one character, `*` for a gap; at most two gaps, so that it stays quick."""
    if sum(map(str.isalnum, token)) < FEWEST_READ:
        return None
    pieces = [piece for piece in _GAP.split(token) if piece]
    gaps = [number for number, piece in enumerate(pieces) if piece[0] in "*…" or piece[:2] == ".."]
    if len(gaps) > 2:
        pieces = pieces[: gaps[0] + 1] + pieces[gaps[-1] + 1 :]
    return "".join("*" if piece[0] in "*…" or piece[:2] == ".." else piece for piece in pieces)


def reads_as(seen: str, text: str, at: int) -> bool:
    """Whether what is seen, `?` for any character, stands in a text at a place."""
    if "?" not in seen:
        return text.startswith(seen, at)
    here = text[at : at + len(seen)]
    if len(here) != len(seen):
        return False
    for a, b in zip(seen, here, strict=True):  # noqa: SIM110
        if a not in ("?", b):
            return False
    return True


def _fits(pattern: str, name: str) -> bool:
    first, *more = pattern.split("*")
    if not more:
        return len(name) == len(first) and reads_as(first, name, 0)
    last = more[-1]
    end = len(name) - len(last)
    if end < len(first) or not reads_as(first, name, 0) or not reads_as(last, name, end):
        return False
    middle = more[0] if len(more) == 2 else ""
    return any(reads_as(middle, name, at) for at in range(len(first), end - len(middle) + 1))


@lru_cache(maxsize=512)
def _names_like(pattern: str) -> tuple[KnownName, ...]:
    """The sizes that a pattern can name, commonest first."""
    first = pattern[0] if pattern[0].isalnum() else ""
    literals = [piece for piece in _WILDS.split(f"\n{pattern}\n") if piece.strip("\n")]
    held = names_by_first().get(first)
    read = len(pattern) - pattern.count("?") - pattern.count("*")
    if held is None or not literals or read < FEWEST_READ + (pattern.count("*") > 1):
        return ()
    by_size: dict[str, KnownName] = {}
    for line in _lines_with(held, min(literals, key=held.count)):
        if _fits(pattern, line) or ("-" in line and _fits(pattern, line.partition("-")[0])):
            name = known_names()[line]
            by_size.setdefault(name.size.designation, name)
    return tuple(sorted(by_size.values(), key=lambda name: -name.share)[:MOST_PATTERN_NAMES])


def _lines_with(held: str, literal: str) -> Iterator[str]:
    """The lines of a text that hold a literal piece."""
    before = literal.startswith("\n")
    at = held.find(literal)
    while at >= 0:
        begin = at + 1 if before else held.rindex("\n", 0, at) + 1
        end = held.index("\n", max(begin, at + 1))
        yield held[begin:end]
        at = held.find(literal, end)


def _ranked(clean: str, start: int, stop: int, piece: str, names: tuple[KnownName, ...]) -> list[Base]:
    read = sum(map(str.isalnum, piece))
    certainty = 0.9 * min(1.0, read / 4)
    total = sum(name.share for name in names) or 1.0
    return [
        Base(name.size, _half_spans(clean[start:stop], start, name), stop,
             certainty * (0.2 + 0.8 * name.share / total))
        for name in names
    ]  # fmt: skip


@lru_cache(maxsize=8192)
def _half_spans(token: str, start: int, name: KnownName) -> tuple[Span, ...]:
    """What was read is stated, what fills the gap is implied by the sizes that exist."""
    words = bearing_series()[name.size.series].words
    stop = start + len(token)
    return (
        Span(start, stop, token, f"{name.text}, {words}", "designation", name.size.designation,
             "half_read", "the sizes that exist"),
        Span(stop, stop, "", f"bore {name.size.d_mm:g} mm", "d_mm", f"{name.size.d_mm:g}", "implied", "ISO 15"),
    )  # fmt: skip
