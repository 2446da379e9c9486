"""Reading a marking: operations of the register."""

from __future__ import annotations

from collections.abc import Sequence

from ample.core import exchange as x
from ample.core.designation import (
    Dialect,
    decode,
)


def decode_marking(request: x.DecodeRequest) -> x.DecodeAnswer:
    """Read a marking in every family."""
    return decode_answer(request.text, (), request.family)


def decode_answer(text: str, dialects: Sequence[Dialect] = (), family: str | None = None) -> x.DecodeAnswer:
    """Read a marking with the general dictionary and, first, the dialects given."""
    readings = decode(text, tuple(dialects), family=family)
    return x.DecodeAnswer(
        readings=list(readings),
        unread=list(readings[0].unread) if readings else [text],
    )
