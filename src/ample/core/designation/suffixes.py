"""Reading what follows a basic designation: codes, half-legible codes, and what has no meaning."""

from __future__ import annotations

from dataclasses import replace
from functools import lru_cache

from ample.core.designation.bases import is_wild, reads_as
from ample.core.designation.dialects import Code, Dialect
from ample.core.parts import Kind, Span

SEPARATORS = " -_/.,;:+()[]×'\""
MOST_HALF_READ = 4


def skip(clean: str, at: int) -> int:
    """The next place that is no separator; an unread gap is none."""
    while at < len(clean) and (
        (clean[at] in SEPARATORS and clean[at : at + 2] != "..") or clean[at].isspace()
    ):
        at += 1
    return at


def suffix_choices(
    clean: str, typed: str, dialect: Dialect, at: int, kind: Kind
) -> tuple[list[list[tuple[Span, ...]]], tuple[str, ...]]:
    """For each suffix, the spans of each of its meanings for this kind; and the pieces that have none."""
    choices: list[list[tuple[Span, ...]]] = []
    unread: list[str] = []
    gap_start: int | None = None
    worn = is_wild(clean)
    while True:
        at = at if gap_start is not None else skip(clean, at)
        at_end = at >= len(clean)
        boundary = at_end or gap_start is None or clean[at] in SEPARATORS
        if gap_start is not None and boundary:
            piece = typed[gap_start:at]
            half = _half_read(dialect, clean[gap_start:at], gap_start, piece, kind)
            if half:
                choices.append(half)
            else:
                unread.append(piece)
            gap_start = None
            continue
        if at_end:
            return choices, tuple(unread)
        found = _code_at(dialect, clean, at, kind, worn) if gap_start is None else None
        if found:
            code, meanings = found
            stop = at + len(code)
            choices.append([code_spans(each, at, typed[at:stop]) for each in meanings])
            at = stop
            continue
        gap_start = at if gap_start is None else gap_start
        at += 1


def _code_at(
    dialect: Dialect, clean: str, at: int, kind: Kind, worn: bool
) -> tuple[str, tuple[Code, ...]] | None:
    """The longest code at a place that means something for this kind and ends well."""
    held = dialect.suffixes_of(kind.name, kind.group)
    for length in range(min(dialect.longest_suffix, len(clean) - at), 0, -1):
        name = clean[at : at + length]
        meanings = held.get(name)
        if meanings and (worn or _ends_well(dialect, held, clean, at + length)):
            return name, meanings
    return None


def _ends_well(dialect: Dialect, held: dict[str, tuple[Code, ...]], clean: str, at: int) -> bool:
    """A code ends at a separator, at the end, or where another code begins."""
    if at >= len(clean) or clean[at] in SEPARATORS:
        return True
    return any(clean[at : at + length] in held for length in range(1, dialect.longest_suffix + 1))


def _half_read(dialect: Dialect, piece: str, start: int, typed: str, kind: Kind) -> list[tuple[Span, ...]]:
    """A suffix of which only the beginning, or all but some characters, could be read."""
    if not (1 < len(piece) <= 5) or not any(c.isalnum() for c in piece):
        return []
    return [
        tuple(replace(span, start=start, stop=start + len(typed), text=typed) for span in spans)
        for spans in _half_meanings(dialect, piece, kind.name, kind.group)
    ]


@lru_cache(maxsize=2048)
def _half_meanings(dialect: Dialect, piece: str, kind: str, group: str) -> tuple[tuple[Span, ...], ...]:
    like = piece.replace("…", "?").replace("*", "?")
    seen: dict[tuple[tuple[str, str], ...], tuple[Span, ...]] = {}
    held = dialect.suffixes_of(kind, group)
    first = like[0]
    for name in held:
        if first in ("?", name[0]) and name != piece and reads_as(like, name, 0):
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
