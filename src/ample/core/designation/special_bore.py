"""A special bore written apart from the number, or said: 6203-2RS-5/8, 6204 2RS 3/4 bore, UC204 with 3/4 in bore."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass, replace

from ample.core.designation.names import SIXTEENTH_MM
from ample.core.designation.suffixes import CLOSURE_CODES
from ample.core.parts import MarkingReading, Span
from ample.core.sizes import parse_length

_CLOSURE = rf"[\s-]?(?:{CLOSURE_CODES})(?![A-Z0-9])"
_BORE = r"(?:[1-9]\d?[\s-]+)?[1-9]\d?/(?:2|4|8|16|32|64)|[1-9]\d?"
_BORED = re.compile(
    rf"\s*(?P<mark>6[23]\d\d|(?P<insert>(?:UC|SB|SA|HC)[A-Z]{{0,2}}2\d\d))(?P<before>{_CLOSURE})?"
    rf"[\s-]+(?:WITH\s+)?(?P<bore>{_BORE})(?P<inch>\s*(?:INCH|IN\b|\"|″))?(?P<said>\s*BORE)?(?P<after>{_CLOSURE})?\s*"
)
_NEAR_MM = 0.05


@dataclass(frozen=True, slots=True)
class Bored:
    """A text with its special bore where names have it (6203-5/8, UC204-12), and where each character was typed."""

    clean: str
    typed: str
    whole: str
    places: tuple[tuple[int, int], ...]
    bore_mm: float | None

    def is_read_by(self, reading: MarkingReading) -> bool:
        """Whether a reading of the text is of a part with this bore, and leaves nothing over."""
        d_mm = reading.dimensions.get("d_mm")
        if d_mm is None or reading.unread or len(reading.dimensions) == 1:
            return False
        return self.bore_mm is None or abs(d_mm - self.bore_mm) <= _NEAR_MM

    def as_typed(self, spans: Iterable[Span]) -> tuple[Span, ...]:
        """Spans of the text where they were typed, in that order; what is not written stands last."""
        return tuple(sorted(map(self._as_typed, spans), key=lambda span: (span.start < 0, span.start)))

    def _as_typed(self, span: Span) -> Span:
        if span.start < 0 or span.stop <= span.start:
            return span
        start, stop = self.places[span.start][0], self.places[span.stop - 1][1]
        return replace(span, start=start, stop=stop, text=self.whole[start:stop])


def bore_first(clean: str, typed: str) -> Bored | None:
    """6203-2RS-5/8 with its special bore before the closure, as names have it (6203-5/8); None where none is written.

    Formula: a fraction, or a figure with its unit, is inches; a whole figure that is called a bore is mm; one behind a
    closure is the code that the name has. An insert's bore is written in sixteenths.
    """
    found = _BORED.fullmatch(clean)
    if found is None or (found["before"] and found["after"]):
        return None
    bore, inches = found["bore"], bool(found["inch"]) or "/" in found["bore"]
    if not (inches or found["said"] or found["before"]):
        return None
    bore_mm = parse_length(bore, "in" if inches else "mm").mm if inches or found["said"] else None
    start, stop = found.span("bore")
    last = found.end("said") if found["said"] else found.end("inch") if found["inch"] else stop
    name = re.sub(r"[\s-]+", "-", bore)
    if found["insert"] and bore_mm is not None:
        name = f"{bore_mm / SIXTEENTH_MM:g}"
    closure = "before" if found["before"] else "after"
    written = f"{found['mark']}-{name}{found[closure] or ''}"
    places = [
        *_each(found.span("mark")), (start - 1, start), *[(start, stop)] * (len(name) - 1), (start, last),
        *_each(found.span(closure)),
    ]  # fmt: skip
    own = "".join(
        typed[a] if clean[a] == seen and b == a + 1 else seen
        for seen, (a, b) in zip(written, places, strict=True)
    )
    return Bored(written, own, typed, tuple(places), bore_mm)


def _each(span: tuple[int, int]) -> list[tuple[int, int]]:
    """The places of the characters of a piece, one by one."""
    return [(place, place + 1) for place in range(*span)]
