"""Words, countries, dates and batch numbers that stand beside a mark and are none of its codes."""

from __future__ import annotations

import re
from functools import lru_cache
from pathlib import Path
from typing import NamedTuple

from ample.core.designation.dialects import Dialect, general_dialect
from ample.core.designation.names import known_names
from ample.core.designation.seals import seal_words
from ample.core.designation.seals.words import words_in
from ample.core.tables import read_table

_TOKEN = re.compile(r"\S+")
_WORD = re.compile(r"[^\W\d_]{3,}\.?")
_FEW = re.compile(r"(?<![\d.,/])(?:\d|1[0-2])\s+$")
_SHORT = frozenset(("IN", "OF", "BY", "TO"))
# the housing of an insert named after it
_HOUSING = re.compile(
    r"(?<!\S)(?:P[AH]?|F[LC]?|T|C)[23]\d\d(?:\s+HOUSING)?(?=\s.*\b(?:UC|UK|SA|SB|HC)\s?[23]\d\d)"
)
_READ_OF = re.compile(r"\b(?:ROD|BORE|SHAFT|HOUSING)\s+[\d.,/]+(?:\s*MM)?(?=\s.*\d\s*[X×*]\s*\d)")
# a word that says what the next piece is
_NAMES_NEXT = frozenset(
    ("DATE", "LOT", "BATCH", "QTY", "QUANTITY", "CHARGE", "LOS", "SERIAL", "SER", "NO", "NO.")
)
_STANDARDS = ("DIN", "ISO", "SAE", "DASH", "INCH", "CONE", "CUP")
_CAPITALS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"
_COUNT = re.compile(
    r"\s*(\d{1,2})\s*(?:(?:OFF|PCS|PC|ST)\s+|(?:X|×)\s+(?=(?!RING)[A-Z]{3}|[A-Z]{0,4}\d{3,5}(?!\d*\s*[X×]\s*\d)))"
)
_COUNT_LAST = re.compile(
    r"(?:\d[\d.,]*(?:[X×*]\d[\d.,]*){2}|(?<!\S)(?=\S*[A-WYZ])(?=\S*\d)\S{3,})(?P<count>\s+[X×*]\s?[1-9]\d?)(?![\dA-Z.,/?]|\s*[X×*]|\s+\d)"
)
_TIMES_LAST = re.compile(r"\s[X×*]\s?[1-9]")  # a quick look for it
_DATE = re.compile(
    r"(?:19|20)\d\d[/.\-](?:0?[1-9]|1[0-2])|(?:0?[1-9]|1[0-2])[/.\-](?:19|20)?\d\d"
    r"|(?:0[1-9]|[1-4]\d|5[0-3])[0-3]\d"
)
_SOME_WORD = re.compile(
    r"(?:^|\s)(?!(?:CONE|CUP)(?:\s|$))(?:[^\W\d_]{3,}|NO|\d{1,2}\s*(?:[X×]|OFF|PCS?|ST))(?=[\s.]|$)"
)
_ANY_WORD = re.compile(r"(?:^|\s)(?:\d{0,2}[^\W\d_]{2,}\.?|\d{1,2}\s*[X×])(?=\s|$)")
_OTHER_THINGS = re.compile(
    r"\b(?:(?:SPLIT|COTTER|ROLL|DOWEL|GREASE)\s?(?:PINS?|NIPPLES?)|SCREWS?|BOLTS?|STUDS?|BELTS?|CHAINS?|HOSES?|RIVETS?|DRILLS?)\b"
)
_SIZE_SAID = re.compile(r"(?<![\w/.,?])\d+(?:[.,]\d+)?\s*(?:MM\s*)?(?:BORE|SHAFT|ROD|OD|ID)\b")
_MORE_FIGURES = re.compile(r"\s\d")
_BATCH = re.compile(r"[A-Z]?\d{1,4}")


class Parted(NamedTuple):
    """A text with blanks where something stands that is no code, and what stood there."""

    clean: str
    typed: str
    beside: tuple[str, ...]


def without_words(
    clean: str, typed: str, dialects: tuple[Dialect, ...] = (), known_too: bool = False
) -> Parted:
    """The text without its words: what is letters alone and means nothing in any dictionary.

    Args:
        clean: The text in capitals.
        typed: The same as it was typed.
        dialects: Makers' or markets' codes that are no plain words.
        known_too: Whether words that a dictionary knows are taken out as well: they may be meant otherwise.

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
    places += [found.span() for seen in (_READ_OF, _HOUSING) for found in seen.finditer(clean)]
    if _TIMES_LAST.search(clean):
        places += [found.span("count") for found in _COUNT_LAST.finditer(clean)]
    known = [(start, stop) for start, stop, _ in words_in(clean)]
    takes_next = False
    capitals = typed != typed.lower()  # then what is written small is no code
    for token in _TOKEN.finditer(clean, at):
        piece = token.group()
        if not (takes_next or piece[0].isalpha()):  # begins as no word
            continue
        at = token.start()
        if _covered(places, at) or (not (takes_next or known_too) and _covered(known, at)):
            continue
        inches = piece == "IN" and _FEW.search(clean[: token.start()])  # 3 in, not 45 in
        plain = _WORD.fullmatch(piece) is not None or (piece in _SHORT and not inches)
        small = capitals and typed[token.start() : token.end()].islower()
        if (
            takes_next
            or (plain and small and piece not in _codes())
            or piece in plain_words()
            or (plain and (known_too or not _means(piece, dialects)))
        ):
            places.append(token.span())
        takes_next = piece in _NAMES_NEXT
        if takes_next and places[-1:] != [token.span()]:
            places.append(token.span())
    return _parted(clean, typed, sorted(places))


def _covered(places: list[tuple[int, int]], at: int) -> bool:
    return any(start <= at < stop for start, stop in places) if places else False


def has_words(clean: str) -> bool:
    """Whether a text in capitals can have words beside its mark."""
    if _SOME_WORD.search(clean):
        return True
    return _TIMES_LAST.search(clean) is not None and _COUNT_LAST.search(clean) is not None


def has_letters_alone(clean: str) -> bool:
    """Whether a text in capitals has a piece of letters alone, which a dictionary may know and may be meant otherwise."""
    return _ANY_WORD.search(clean) is not None


def names_other_things(clean: str) -> bool:
    """Whether a text names what is of no family held here: bare sizes beside it are not of one.

    Args:
        clean: The text in capitals.

    Returns:
        True for split pins, screws, bolts, studs, rivets, belts, chains, hoses, drills.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> names_other_things("SPLIT PIN 4X40")
        True
    """
    return _OTHER_THINGS.search(clean) is not None


def says_sizes(clean: str) -> bool:
    """Whether a text in capitals can have sizes that are said in words: a quick look."""
    return "OD" in clean or "ID" in clean or "BORE" in clean or "SHAFT" in clean  # ROD has OD in it


def without_sizes(clean: str, typed: str) -> Parted:
    """The text without sizes that are said in words (25 bore): those are readings, not codes."""
    if not says_sizes(clean):
        return Parted(clean, typed, ())
    return _parted(clean, typed, [found.span() for found in _SIZE_SAID.finditer(clean)])


def without_dates(clean: str, typed: str) -> Parted:
    """The text without what looks like a date and stands after the first piece."""
    if _MORE_FIGURES.search(clean) is None:
        return Parted(clean, typed, ())
    tokens = list(_TOKEN.finditer(clean))
    places = [token.span() for token in tokens[1:] if _DATE.fullmatch(token.group())]
    return _parted(clean, typed, places)


def is_beside(piece: str, typed: str) -> bool:
    """Whether a piece that means nothing looks like a date or a batch number, and stands by itself."""
    if not piece[-1:].isdigit():
        return False
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
    """Whether a word of letters is a code, begins a name, or is put together of codes, in any dictionary."""
    codes = _codes()
    if word in codes or any(word in each.prefixes or word in each.suffixes for each in dialects):
        return True
    return _fewest_codes(word, codes) <= (len(word) + 1) // 2


def _fewest_codes(word: str, codes: frozenset[str]) -> int:
    """Into how few codes a word can be taken apart; more than it has letters when it cannot."""
    fewest = [0] + [len(word) + 1] * len(word)
    for stop in range(1, len(word) + 1):
        for start in range(max(stop - 4, 0), stop):
            if word[start:stop] in codes:
                fewest[stop] = min(fewest[stop], fewest[start] + 1)
    return fewest[-1]


@lru_cache
def plain_words() -> frozenset[str]:
    """Countries, words of the trade, machines and talk: they stand beside a mark, though some are like codes put together."""
    return frozenset(row["word"] for row in read_table(Path(__file__).with_name("plain_words.csv")).rows)


@lru_cache
def _codes() -> frozenset[str]:
    """Every code of letters alone, and the letters that known names begin with."""
    general = general_dialect()
    names = {name[: len(name) - len(name.lstrip(_CAPITALS))] for name in known_names()}
    return frozenset({*general.suffixes, *general.prefixes, *names, *seal_words(), *_STANDARDS} - {""})
