"""Words, countries, dates and batch numbers that stand beside a mark and are none of its codes."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache

from ample.core.designation.dialects import Dialect, general_dialect
from ample.core.designation.names import known_names
from ample.core.designation.seals import seal_words

_TOKEN = re.compile(r"\S+")
_WORD = re.compile(r"[^\W\d_]{3,}\.?")
_SHORT = frozenset(("IN", "OF", "BY", "TO"))
# a word that says what the next piece is
_NAMES_NEXT = frozenset(
    ("DATE", "LOT", "BATCH", "QTY", "QUANTITY", "CHARGE", "LOS", "SERIAL", "SER", "NO", "NO.")
)
_STANDARDS = ("DIN", "ISO", "SAE", "DASH", "INCH")
_COUNT = re.compile(r"\s*(\d{1,2})\s*(?:X|×|OFF|PCS|ST)\s+(?=[A-Z]{0,4}\d{3,5}(?!\d*\s*[X×]\s*\d))")
_DATE = re.compile(
    r"(?:19|20)\d\d[/.\-](?:0?[1-9]|1[0-2])|(?:0?[1-9]|1[0-2])[/.\-](?:19|20)?\d\d"
    r"|(?:0[1-9]|[1-4]\d|5[0-3])[0-3]\d"
)
_BATCH = re.compile(r"[A-Z]?\d{1,4}")


@dataclass(frozen=True, slots=True)
class Parted:
    """A text with blanks where something stands that is no code, and what stood there."""

    clean: str
    typed: str
    beside: tuple[str, ...]


def without_words(clean: str, typed: str, dialects: tuple[Dialect, ...] = ()) -> Parted:
    """The text without its words: what is letters alone and means nothing in any dictionary.

    Args:
        clean: The text in capitals.
        typed: The same as it was typed.
        dialects: Makers' or markets' codes that are no plain words.

    Returns:
        The text with blanks, and the words in the order written; a word that names what follows takes it along.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> without_words("6205-2RS JAPAN", "6205-2RS Japan").beside
        ('Japan',)
    """
    places: list[tuple[int, int]] = []
    count = _COUNT.match(clean)
    at = 0
    if count:
        places.append((count.start(1), count.end()))
        at = count.end()
    takes_next = False
    for token in _TOKEN.finditer(clean, at):
        piece = token.group()
        plain = _WORD.fullmatch(piece) is not None or piece in _SHORT
        if takes_next or (plain and not _means(piece, dialects)):
            places.append(token.span())
        takes_next = piece in _NAMES_NEXT
        if takes_next and places[-1:] != [token.span()]:
            places.append(token.span())
    return _parted(clean, typed, places)


def without_dates(clean: str, typed: str) -> Parted:
    """The text without what looks like a date and stands after the first piece."""
    tokens = list(_TOKEN.finditer(clean))
    places = [token.span() for token in tokens[1:] if _DATE.fullmatch(token.group())]
    return _parted(clean, typed, places)


def is_beside(piece: str, typed: str) -> bool:
    """Whether a piece that means nothing looks like a date or a batch number, and stands by itself."""
    seen = piece.upper()
    if _DATE.fullmatch(seen) is None and _BATCH.fullmatch(seen) is None:
        return False
    return piece in typed.split()


def _parted(clean: str, typed: str, places: list[tuple[int, int]]) -> Parted:
    if not places:
        return Parted(clean, typed, ())
    seen, read = list(clean), list(typed)
    for start, stop in places:
        seen[start:stop] = read[start:stop] = " " * (stop - start)
    beside: list[str] = []
    last = -2
    for start, stop in places:  # words that stand together are kept together
        if start - last <= 1 and beside:
            beside[-1] += " " + typed[start:stop].strip()
        else:
            beside.append(typed[start:stop].strip())
        last = stop
    return Parted("".join(seen), "".join(read), tuple(beside))


def _means(word: str, dialects: tuple[Dialect, ...]) -> bool:
    """Whether a word of letters is a code, or begins one, in any dictionary."""
    return word in _codes() or any(word in each.prefixes or word in each.suffixes for each in dialects)


@lru_cache
def _codes() -> frozenset[str]:
    """Every code of letters alone, and the letters that known names begin with."""
    general = general_dialect()
    names = {re.match(r"[A-Z]*", name).group() for name in known_names()}  # type: ignore[union-attr]
    words = {piece for code in seal_words() for piece in (code,)}
    words |= {
        piece
        for meanings in seal_words().values()
        for word in meanings
        for piece in re.split(r"[\s\-]+", word.code)
    }
    return frozenset({*general.suffixes, *general.prefixes, *names, *words, *_STANDARDS})
