"""A text taken apart: its words, its numbers, and what they say for each family."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from decimal import Decimal
from functools import cached_property, lru_cache

from ample.core.designation.seals.words import Word, spans_of, words_in
from ample.core.errors import BadInput
from ample.core.parts import SEALS, Span
from ample.core.sizes import INCH_MM, parse_length

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
_INCH_SIGNS = ('"', "″", "IN", "INCH")
LARGEST_MM = 2500.0  # estimated: no seal, ring or small part that a rebuild shop meets is larger
_SHORT_NUMBER, _INCH = 8, Decimal("25.4")
_LARGEST_IN_MM = 12.0  # three decimals of a size under this are inches


@dataclass(frozen=True, slots=True)
class Number:
    """A size as it appears in the text."""

    start: int
    stop: int
    mm: float
    inch: bool


@dataclass
class Text:
    """A text taken apart: numbers with their places, words with their meanings, and what that says for each family."""

    typed: str
    clean: str
    words: tuple[tuple[int, int, tuple[Word, ...]], ...] = ()
    numbers: list[Number] = field(default_factory=list)
    _spans: dict[str, tuple[Span, ...]] = field(default_factory=dict)

    def __post_init__(self) -> None:
        self.words = words_in(self.clean)

    def told(self) -> frozenset[str]:
        """Families that a word names."""
        if not self.words:
            return frozenset()
        return frozenset(
            family
            for _, _, meanings in self.words
            for word in meanings
            if word.names_family
            for family in word.families
        )

    def fitting(self) -> frozenset[str]:
        """Families for which every word has a meaning; all of them when there is none."""
        if not self.words:
            return _EVERY_FAMILY
        fits = set(SEALS)
        for _, _, meanings in self.words:
            fits &= {family for word in meanings for family in word.families}
        return frozenset(fits)

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
        return next((span.value for span in self.spans(family) if span.attribute == attribute), "")

    def kind(self, family: str) -> str:
        """The kind that a word names for a family; empty when none does."""
        return self.value(family, "kind")

    def sizes_mm(self) -> list[float]:
        """The numbers as sizes, in the order written."""
        return list(self._sizes_mm)

    @cached_property
    def _sizes_mm(self) -> list[float]:
        return [round(number.mm, 4) for number in self.numbers]

    def without_words(self) -> str:
        """The text with a space for each character of a word."""
        if not self.words:
            return self.clean
        return blanked(self.clean, ((start, stop) for start, stop, _ in self.words))

    def unread(self, spans: Sequence[Span]) -> tuple[str, ...]:
        """What no span covers and is more than a separator."""
        free = blanked(self.clean, ((max(span.start, 0), max(span.stop, 0)) for span in spans))
        if free.isspace():
            return ()
        return tuple(
            self.typed[piece.start() : piece.end()].strip()
            for piece in _PIECE.finditer(free)
            if _SEPARATORS.sub("", piece.group())
        )

    def read_numbers(self) -> None:
        """Take the sizes that stand between the words; one in inches makes the others inches too."""
        free = _TIMES_BETWEEN.sub(lambda found: ";" * len(found.group()), self.without_words())
        if "/" in free and self.says_kind("wiper"):  # base / height, no fraction
            free = _BASE_AND_HEIGHT.sub(lambda found: found.group().replace("/", " "), free)
        read = list(_numbers(free))
        if any(number.inch for number, _ in read):
            self.numbers = [
                number if number.inch or unit == "MM" else _as_inch(number) for number, unit in read
            ]
        elif read and all(
            number.mm < _LARGEST_IN_MM and _THOUSANDTHS.search(free, number.start, number.stop)
            for number, _ in read
        ):
            self.numbers = [_as_inch(number) for number, _ in read]
        else:
            self.numbers = [number for number, _ in read]


def blanked(text: str, places: Iterable[tuple[int, int]]) -> str:
    """The text with spaces at these places."""
    for start, stop in places:
        if start < stop:
            text = f"{text[:start]}{' ' * (stop - start)}{text[stop:]}"
    return text


def _as_inch(number: Number) -> Number:
    return Number(number.start, number.stop, number.mm * INCH_MM, True)


def _numbers(free: str) -> list[tuple[Number, str]]:
    """Every number with the unit written after it."""
    found = []
    for match in (_NUMBER if "/" in free else _WITHOUT_FRACTIONS).finditer(free):
        piece, unit = match.group(1), (match.group(2) or "").strip()
        inch = "/" in piece or unit in _INCH_SIGNS
        mm = _length_mm(piece, inch)
        if mm is not None:
            stop = match.end(2) if unit else match.end(1)
            found.append((Number(match.start(), stop, mm, inch), unit))
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
