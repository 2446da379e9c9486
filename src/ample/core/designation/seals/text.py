"""A text taken apart: its words, its numbers, and what they say for each family."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from decimal import Decimal
from functools import lru_cache
from itertools import pairwise
from typing import NamedTuple

from ample.core.designation.seals.words import Words, behind_a_size, spans_of, words_in
from ample.core.errors import BadInput
from ample.core.parts import SEALS, Span
from ample.core.sizes import INCH_MM, parse_length
from ample.core.standards import called_sections_in

_TIMES_BETWEEN = re.compile(r"(?<=\d)\s*[X×*]\s*(?=[\d.,Ø])")
_THOUSANDTHS = re.compile(r"[.,]\d{3}")
_BASE_AND_HEIGHT = re.compile(r"(?<=\d;)\d{1,2}(?:[.,]\d+)?/\d{1,2}(?:[.,]\d+)?\s*$")
_SEPARATORS = re.compile(r"[\s\-_/.,;:+()\[\]×X*'\"#=Ø⌀]+")
_PIECE = re.compile(r"[^\s]+")
_BEFORE = r"(?=[0-9.,ØD⌀])(?<![A-Z0-9.,])(?:Ø|⌀|DIA\.?\s*)?"
_AFTER = r"\s*(MM\b|\"|″|IN\b|INCH\b)?"
_PLAIN = r"\d{0,5}[.,]\d{1,6}|\d{1,5}"
_FRACTION = r"\d{1,4}(?:\s+|-)\d{1,2}/(?:2|4|8|16|32|64)(?!\d)|\d{1,3}/(?:2|4|8|16|32|64)(?!\d)"
_NUMBER = re.compile(f"{_BEFORE}({_FRACTION}|{_PLAIN}){_AFTER}")
_WITHOUT_FRACTIONS = re.compile(f"{_BEFORE}({_PLAIN}){_AFTER}")
_EVERY_FAMILY = frozenset(SEALS)
_NO_FAMILY: frozenset[str] = frozenset()
_INCH_SIGNS = ('"', "″", "IN", "INCH")
LARGEST_MM = 2500.0  # estimated: no seal, ring or small part that a rebuild shop meets is larger
_OF_A_SIZE = 3  # numbers
_SHORT_NUMBER, _INCH = 8, Decimal("25.4")
_LARGEST_IN_MM = 12.0  # three decimals of a size under this are inches
_NEVER_UNDER_ONE_MM = frozenset(("lip_seal", "hydraulic_seal"))
_OF_A_64TH = 0.04  # 5/16 is written .312 or .313


class Number(NamedTuple):
    """A size as it appears in the text."""

    start: int
    stop: int
    mm: float
    inch: bool


class Text:
    """A text taken apart: numbers with their places, words with their meanings, and what that says for each family."""

    __slots__ = ("_sizes_mm", "_spans", "clean", "numbers", "told", "typed", "words")

    def __init__(self, typed: str, clean: str) -> None:
        self.typed, self.clean = typed, clean
        self.words = words_in(clean)
        self.told = _told(self.words)  # families that a word names
        self.numbers: list[Number] = []
        self._sizes_mm: list[float] = []
        self._spans: dict[str, tuple[Span, ...]] = {}

    def fitting(self) -> frozenset[str]:
        """Families for which every word has a meaning, and those that a word names; all of them when there is none.

        A letter by itself behind a size may be anything: it takes away no family.
        """
        if not self.words:
            return _EVERY_FAMILY
        fits = set(SEALS)
        for start, stop, meanings in self.words:
            if stop - start > 1 or not behind_a_size(self.clean, start):
                fits &= {family for word in meanings for family in word.families}
        return frozenset(fits | self.told)

    def says_kind(self, kind: str) -> bool:
        """Whether a word means this kind, or one whose name begins so."""
        return any(
            attribute == "kind" and value.startswith(kind)
            for _, _, meanings in self.words
            for word in meanings
            for attribute, value in word.sets
        )

    def spans(self, family: str) -> tuple[Span, ...]:
        """What the words say of a part of a family, the first meaning of each."""
        if not self.words:
            return ()
        if family not in self._spans:
            found: list[Span] = []
            for start, stop, meanings in self.words:
                own = next((word for word in meanings if family in word.families), None)
                if own:
                    found += spans_of(start, stop, self.typed, own)
            self._spans[family] = tuple(found)
        return self._spans[family]

    def value(self, family: str, attribute: str) -> str:
        """What the words set an attribute to for a family; empty when nothing."""
        for span in self.spans(family):
            if span.attribute == attribute:
                return span.value
        return ""

    def kind(self, family: str) -> str:
        """The kind that a word names for a family; empty when none does."""
        return self.value(family, "kind")

    def sizes_mm(self) -> list[float]:
        """The numbers as sizes, in the order written."""
        return list(self._sizes_mm)

    def without_words(self) -> str:
        """The text with a space for each character of a word."""
        if not self.words:
            return self.clean
        return blanked(self.clean, ((start, stop) for start, stop, _ in self.words))

    def unread(self, spans: Sequence[Span]) -> tuple[str, ...]:
        """What no span covers and is more than a separator."""
        free = blanked(self.clean, [(span.start, span.stop) for span in spans if span.start >= 0])
        if free.isspace():
            return ()
        return tuple(
            self.typed[piece.start() : piece.end()].strip()
            for piece in _PIECE.finditer(free)
            if _SEPARATORS.sub("", piece.group())
        )

    def read_numbers(self) -> None:
        """Take the sizes that stand between the words; one in inches makes the others inches too."""
        free = self.without_words()
        for _, stop, _ in self.words:
            if self.clean[stop : stop + 1].isdigit() and behind_a_size(self.clean, stop):
                free = f"{free[: stop - 1]}A{free[stop:]}"  # SH70: a figure of a code is no size
        free = _TIMES_BETWEEN.sub(_semicolons, free)
        if "/" in free and self.says_kind("wiper"):  # base / height, no fraction
            free = _BASE_AND_HEIGHT.sub(lambda found: found.group().replace("/", ";"), free)
        read = _of_one_size(_numbers(free), free)
        if any(number.inch for number, _ in read):
            self.numbers = [
                number if number.inch or unit == "MM" else _as_inch(number) for number, unit in read
            ]
        elif read and self._in_decimal_inches(free, read):
            self.numbers = [_as_inch(number) for number, _ in read]
        else:
            self.numbers = [number for number, _ in read]
        self._sizes_mm = [round(number.mm, 4) for number in self.numbers]

    def _in_decimal_inches(self, free: str, read: list[tuple[Number, str]]) -> bool:
        """Every size in thousandths; or one that is a fraction or a section in them, or that no part has in mm."""
        if any(number.mm >= _LARGEST_IN_MM or unit == "MM" for number, unit in read):
            return False
        thousandths = [number for number, _ in read if _THOUSANDTHS.search(free, number.start, number.stop)]
        if len(thousandths) == len(read):
            return True
        if any(number.mm < 1 and _is_of_an_inch(number.mm) for number in thousandths):
            return True
        return any(number.mm < 1 for number, _ in read) and not self.told.isdisjoint(_NEVER_UNDER_ONE_MM)


def _told(words: Words) -> frozenset[str]:
    found = [word.families for _, _, meanings in words for word in meanings if word.names_family]
    return frozenset().union(*found) if found else _NO_FAMILY


def _is_of_an_inch(size: float) -> bool:
    """Whether a decimal is so many 64ths, or the section of an inch ring."""
    return abs(64 * size - round(64 * size)) < _OF_A_64TH or size in called_sections_in().values()


def blanked(text: str, places: Iterable[tuple[int, int]]) -> str:
    """The text with spaces at these places."""
    for start, stop in places:
        if start < stop:
            text = f"{text[:start]}{' ' * (stop - start)}{text[stop:]}"
    return text


def _of_one_size(read: list[tuple[Number, str]], free: str) -> list[tuple[Number, str]]:
    """Of three numbers or more with times signs between them, those: what stands apart (a hardness) is no size."""
    if len(read) <= _OF_A_SIZE:
        return read
    runs: list[list[tuple[Number, str]]] = [[read[0]]]
    for before, each in pairwise(read):
        joined = free[before[0].stop : each[0].start]
        if joined and not joined.strip(";"):
            runs[-1].append(each)
        else:
            runs.append([each])
    longest = max(runs, key=len)
    return longest if len(longest) >= _OF_A_SIZE else read


def _semicolons(found: re.Match[str]) -> str:
    return ";" * len(found.group())


def _as_inch(number: Number) -> Number:
    return Number(number.start, number.stop, number.mm * INCH_MM, True)


def _numbers(free: str) -> list[tuple[Number, str]]:
    """Every number with the unit written after it."""
    found = []
    for match in (_NUMBER if "/" in free else _WITHOUT_FRACTIONS).finditer(free):
        piece, unit = match.groups("")
        inch = unit in _INCH_SIGNS or "/" in piece
        mm = _length_mm(piece, inch)
        if mm is not None:
            found.append((Number(match.start(), match.end(2 if unit else 1), mm, inch), unit))
    return found


@lru_cache(maxsize=8192)
def _length_mm(piece: str, inch: bool) -> float | None:
    """A number as a length; None when it is no size of a part."""
    if len(piece) <= _SHORT_NUMBER and "/" not in piece:  # a plain decimal, as nearly all are
        mm = float(Decimal(piece.replace(",", ".")) * (_INCH if inch else 1))
        return mm if 0 < mm <= LARGEST_MM else None
    try:
        mm = parse_length(piece, "in" if inch else "mm").mm
    except BadInput:
        return None
    return mm if mm <= LARGEST_MM else None
