"""A special bore written after the closure: 6203-2RS-5/8."""

from __future__ import annotations

import re
from collections.abc import Callable

from ample.core.parts import Span

_CLOSURE = r"[\s-]?(?:2RS|ZZ|2Z|RS|Z|LLU|DDU|2RSR|2RS1)"
_BORE = r"[\s-](?:\d[\s-])?\d{1,2}(?:/\d{1,2})?"
_BORE_LAST = re.compile(
    rf"\s*6[23]\d\d(?P<closure>{_CLOSURE}|(?=\s[\d\s-]+/))(?P<bore>{_BORE})(?:\s*IN)?(?:\s*BORE)?\s*"
)


def bore_first(clean: str, text: str) -> tuple[str, str, Callable[[Span], Span]] | None:
    """6203-2RS-5/8 with its special bore before the closure, as names have it (6203-5/8); and its spans put back."""
    found = _BORE_LAST.fullmatch(clean)
    if found is None:
        return None
    (a, b), (_, c) = found.span("closure"), found.span("bore")
    shift, back = b - a, c - b

    def turned(one: str) -> str:
        return one[:a] + one[b:c] + one[a:b] + " " * (len(one) - c)

    def put_back(span: Span) -> Span:
        if span.start < a:
            return span
        moved = shift if span.start < a + back else -back
        start, stop = span.start + moved, span.stop + moved
        return span._replace(start=start, stop=stop, text=text[start:stop])

    dashes = re.sub(r"\s", "-", found["bore"])
    return turned(clean[:b] + dashes + clean[c:]), turned(text), put_back
