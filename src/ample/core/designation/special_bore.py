"""A special bore written after the closure: 6203-2RS-5/8."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import replace

from ample.core.parts import Span

_BORE_LAST = re.compile(
    r"\s*6[23]\d\d(?P<closure>[\s-]?(?:2RS|ZZ|2Z|RS|Z|LLU|DDU|2RSR|2RS1))(?P<bore>[\s-](?:\d[\s-])?\d{1,2}(?:/\d{1,2})?)\s*"
)


def bore_first(clean: str, text: str) -> tuple[str, str, Callable[[Span], Span]] | None:
    """6203-2RS-5/8 with its special bore before the closure, where names have it; and its spans put back."""
    found = _BORE_LAST.fullmatch(clean)
    if found is None:
        return None
    (a, b), (_, c) = found.span("closure"), found.span("bore")
    shift, back = b - a, c - b

    def turned(one: str) -> str:
        return one[:a] + one[b:c] + one[a:b] + one[c:]

    def put_back(span: Span) -> Span:
        if span.start < a:
            return span
        moved = shift if span.start < a + back else -back
        return replace(span, start=span.start + moved, stop=span.stop + moved)

    return turned(clean), turned(text), put_back
