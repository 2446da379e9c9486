"""Reading a marking: operations of the register."""

from __future__ import annotations

from collections.abc import Sequence

from ample.core import contract
from ample.core.designation import (
    Dialect,
    decode,
)


def decode_marking(request: contract.DecodeRequest) -> contract.DecodeAnswer:
    """Read a marking in every family."""
    return decode_answer(request.text, (), request.family)


def decode_answer(
    text: str, dialects: Sequence[Dialect] = (), family: str | None = None
) -> contract.DecodeAnswer:
    """Read a marking with the general dictionary and, first, the dialects given."""
    readings = decode(text, tuple(dialects), family=family)
    return contract.DecodeAnswer(
        readings=list(readings),
        unread=list(readings[0].unread) if readings else [text],
    )
