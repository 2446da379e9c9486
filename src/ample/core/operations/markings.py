"""Reading a marking: operations of the register."""

from __future__ import annotations

from collections.abc import Sequence

from ample.core import exchange as x
from ample.core.designation import (
    Dialect,
    decode,
)
from ample.core.parts import (
    MarkingReading,
)


def decode_marking(request: x.DecodeRequest) -> x.DecodeAnswer:
    """Read a marking in every family."""
    return decode_answer(request.text, (), request.family)


def decode_answer(text: str, dialects: Sequence[Dialect] = (), family: str | None = None) -> x.DecodeAnswer:
    """Read a marking with the general dictionary and, first, the dialects given."""
    readings = decode(text, tuple(dialects), family=family)
    return x.DecodeAnswer(
        readings=[reading_answer(reading) for reading in readings],
        unread=list(readings[0].unread) if readings else [text],
    )


def reading_answer(reading: MarkingReading) -> x.ReadingAnswer:
    """Put a reading into its answer."""
    return x.ReadingAnswer(
        family=reading.family,
        designation=reading.designation,
        series=reading.series,
        dimensions=reading.dimensions,
        attributes=reading.attributes,
        spans=[x.SpanAnswer.model_validate(span) for span in reading.spans],
        unread=list(reading.unread),
        score=reading.score,
        dialect=reading.dialect,
    )
