"""Figures and letters that look alike on a worn mark: O and 0, S and 5, I and 1, B and 8, Z and 2, G and 6."""

from __future__ import annotations

import re
from collections.abc import Container, Iterator
from itertools import combinations

from ample.core.designation.bases import exact_bases
from ample.core.designation.suffixes import skip
from ample.core.standards import dash_sizes

FIGURES = {"O": "0", "Q": "0", "D": "0", "S": "5", "I": "1", "L": "1", "B": "8", "Z": "2", "G": "6"}
LETTERS = {"0": "O", "5": "S", "1": "I", "8": "B", "2": "Z"}
MOST_ALIKE = 5
_HEAD = re.compile(r"[A-Z0-9]{3,9}|[A-Z0-9]{1,3} [A-Z0-9]{1,7}")
_SIZE = re.compile(r"[0-9OQSIBZL.,/]{1,8}(?:\s*[X×*\-]\s*[0-9OQSIBZL.,/]{1,8})+")
_NO_FIGURE, _TIMES = frozenset("OQSIBZL"), frozenset("X×*-")
_DASH = re.compile(r"(?<![^\s\-#])[0-9OQSIBZL]{3}(?![0-9A-Z.,/?]|\s*[X×*])")
_SUFFIX = re.compile(r"[A-Z0-9]{2,4}(?![A-Z0-9])")


def as_bearing(clean: str) -> Iterator[tuple[str, tuple[int, ...]]]:
    """The text with letters of its first piece read as figures so that it is a known designation, fewest first."""
    start = skip(clean, 0)
    head = _HEAD.match(clean, start)
    if head is None or not any(map(str.isdigit, head.group())):
        return
    places = [at for at in range(start, head.end()) if clean[at] in FIGURES][:MOST_ALIKE]
    for count in range(1, len(places) + 1):
        found = False
        for chosen in combinations(places, count):
            read = _with(clean, chosen, FIGURES)
            bases = exact_bases(read, start)
            if any(base.stop > chosen[-1] and base.weight > 0.4 for base in bases):
                found = True
                yield read, chosen
        if found:
            return


def as_size(clean: str, typed: str) -> tuple[str, tuple[int, ...]] | None:
    """The text with the letters within its size read as figures; None where there is no such letter.

    A large L is a code; a small one is a 1.
    """
    if _NO_FIGURE.isdisjoint(clean) or _TIMES.isdisjoint(clean):
        return None
    places = [place for found in _SIZE.finditer(clean) for place in _letters(found, typed)]
    return (_with(clean, tuple(places), FIGURES), tuple(places)) if places else None


def as_dash(clean: str, typed: str) -> tuple[str, tuple[int, ...]] | None:
    """The text with the letters of a dash number read as figures: -2l4; None where no listed one stands there."""
    if _NO_FIGURE.isdisjoint(clean):
        return None
    for found in _DASH.finditer(clean):
        places = _letters(found, typed)
        if places and len(places) < found.end() - found.start() - 1:
            read = _with(clean, tuple(places), FIGURES)
            if read[found.start() : found.end()] in dash_sizes():
                return read, tuple(places)
    return None


def _letters(found: re.Match[str], typed: str) -> list[int]:
    """Where in a piece of figures letters stand that look like figures."""
    if not any(map(str.isdigit, found.group())):
        return []
    return [
        place
        for place, seen in enumerate(found.group(), found.start())
        if seen in FIGURES and (seen != "L" or typed[place] == "l")
    ]


_STROKES = re.compile(r"(?<![\d/.,])(\d{2,3})/(\d{2,3})/(\d{1,2})(?![\d/.,])")


def with_times(clean: str) -> str | None:
    """45/62/8 as 45X62X8; None where no three sizes stand between strokes."""
    found = _STROKES.search(clean) if "/" in clean else None
    return None if found is None else _STROKES.sub(r"\1X\2X\3", clean, count=1)


def as_suffix(
    clean: str, unread: tuple[str, ...], codes: Container[str]
) -> tuple[str, tuple[int, ...]] | None:
    """The text with the figures of an unread piece read as letters so that it is a known code."""
    for piece in unread:
        seen = piece.upper()
        at = clean.rfind(seen)
        places = [number for number, each in enumerate(seen) if each in LETTERS][:MOST_ALIKE]
        for count in range(1, len(places) + 1):
            for chosen in combinations(places, count):
                read = _with(seen, chosen, LETTERS)
                if read in codes and at >= 0:
                    return clean[:at] + read + clean[at + len(seen) :], tuple(at + each for each in chosen)
    return None


def _with(text: str, places: tuple[int, ...], alike: dict[str, str]) -> str:
    read = list(text)
    for place in places:
        read[place] = alike[read[place]]
    return "".join(read)
