"""Reading what follows a basic designation: codes, half-legible codes, and what has no meaning."""

from __future__ import annotations

import re
from collections.abc import Container
from dataclasses import replace
from functools import lru_cache

from ample.core.designation.bases import is_wild, reads_as
from ample.core.designation.dialects import Code, Dialect
from ample.core.parts import Kind, Span

# closures as they stand behind a size or before a special bore, where a letter by itself may be of another family
CLOSURE_CODES = "2RSR|2RS1|2?RS|2?RZ|ZZ|2?Z|LLU|DDU"
SEPARATORS = frozenset(" -_/.,;:+()[]×'\"")
MOST_HALF_READ = 4
_SKIPPED = re.compile(r"(?:(?!\.\.)[\s\-_/.,;:+()\[\]×'\"])*")
_SEPARATOR = re.compile(r"[ \-_/.,;:+()\[\]×'\"]|\Z")


def skip(clean: str, at: int) -> int:
    """The next place that is no separator; an unread gap is none."""
    found = _SKIPPED.match(clean, at)
    return found.end() if found else at


def suffix_choices(
    clean: str, typed: str, dialect: Dialect, at: int, kind: Kind
) -> tuple[list[list[tuple[Span, ...]]], tuple[str, ...]]:
    """For each suffix, the spans of each of its meanings for this kind; and the pieces that have none."""
    choices: list[list[tuple[Span, ...]]] = []
    unread: list[str] = []
    held = dialect.suffixes_of(kind.name, kind.group)
    worn = is_wild(clean)
    while (at := skip(clean, at)) < len(clean):
        name = _code_at(held, dialect.longest_suffix, clean, at, worn)
        if name:
            stop = at + len(name)
            choices.append([code_spans(each, at, typed[at:stop]) for each in held[name]])
        else:
            stop = _stop_of_piece(clean, at)
            half = _half_read(dialect, clean[at:stop], at, typed[at:stop], kind)
            if half:
                choices.append(half)
            else:
                unread.append(typed[at:stop])
        at = stop
    return choices, tuple(unread)


def _stop_of_piece(clean: str, at: int) -> int:
    """Where what begins at a place ends: at the next separator."""
    found = _SEPARATOR.search(clean, at + 1)
    return found.start() if found else len(clean)


def _code_at(held: Container[str], longest: int, clean: str, at: int, worn: bool) -> str | None:
    """The longest code at a place that means something for this kind and ends well."""
    for length in range(min(longest, len(clean) - at), 0, -1):
        name = clean[at : at + length]
        if name in held and (worn or _ends_well(held, longest, clean, at, at + length)):
            return name
    return None


def _ends_well(held: Container[str], longest: int, clean: str, start: int, stop: int) -> bool:
    """A code ends at a separator, at the end, or where another code begins; a letter only where that one ends well too."""
    if stop >= len(clean) or clean[stop] in SEPARATORS:
        return True
    by_itself = stop - start == 1
    return any(
        clean[stop : stop + length] in held
        and (not by_itself or _ends_well(held, longest, clean, stop, stop + length))
        for length in range(1, longest + 1)
    )


def _half_read(dialect: Dialect, piece: str, start: int, typed: str, kind: Kind) -> list[tuple[Span, ...]]:
    """A suffix of which only the beginning, or all but some characters, could be read."""
    if not (1 < len(piece) <= 5) or not any(map(str.isalnum, piece)):
        return []
    return [
        tuple(replace(span, start=start, stop=start + len(typed), text=typed) for span in spans)
        for spans in _half_meanings(dialect, piece, kind.name, kind.group)
    ]


@lru_cache(maxsize=128)
def _by_first(dialect: Dialect, kind: str, group: str) -> dict[str, list[str]]:
    """A kind's suffixes by their first character; all of them under `?`."""
    found: dict[str, list[str]] = {"?": []}
    for name in dialect.suffixes_of(kind, group):
        found["?"].append(name)
        found.setdefault(name[0], []).append(name)
    return found


@lru_cache(maxsize=2048)
def _half_meanings(dialect: Dialect, piece: str, kind: str, group: str) -> tuple[tuple[Span, ...], ...]:
    like = piece.replace("…", "?").replace("*", "?")
    seen: dict[tuple[tuple[str, str], ...], tuple[Span, ...]] = {}
    held = dialect.suffixes_of(kind, group)
    for name in _by_first(dialect, kind, group).get(like[0], ()):
        if name != piece and reads_as(like, name, 0):
            for code in held[name]:
                spans = tuple(
                    replace(span, certainty="half_read", meaning=f"{span.meaning}? ({name})")
                    for span in code_spans(code, 0, piece)
                )
                seen.setdefault(code.sets, spans)
    return tuple(seen.values())[:MOST_HALF_READ]


@lru_cache(maxsize=8192)
def code_spans(code: Code, start: int, text: str) -> tuple[Span, ...]:
    """A code as it appears in the text: one span for each attribute it sets."""
    return tuple(
        Span(start, start + len(text), text, code.meaning, attribute, value, "stated", code.basis)
        for attribute, value in code.sets
    )
