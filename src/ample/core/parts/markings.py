"""What reading a marking gives: spans of text with their meaning, and the part they name."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal

Certainty = Literal["stated", "implied", "assumed", "half_read"]


@dataclass(slots=True, unsafe_hash=True)  # not frozen: that takes four times as long to make
class Span:
    """A piece of a marking: where it is, what it means, which attribute it sets and how surely."""

    start: int
    stop: int
    text: str
    meaning: str
    attribute: str
    value: str
    certainty: Certainty
    basis: str = ""


@dataclass(frozen=True, slots=True)
class MarkingReading:
    """One way to read a marking. Nothing typed is dropped: what has no meaning is in `unread`, what stands beside the mark
    and is none of its codes (a name, a country, a date) in `beside`.
    """

    family: str
    designation: str
    series: str
    dimensions: dict[str, float] = field(default_factory=dict)
    attributes: dict[str, str] = field(default_factory=dict)
    spans: tuple[Span, ...] = ()
    unread: tuple[str, ...] = ()
    score: float = 0.0
    dialect: str = "general"
    beside: tuple[str, ...] = ()

    @property
    def stated(self) -> frozenset[str]:
        """The attributes that the marking itself sets, not those assumed."""
        return frozenset(span.attribute for span in self.spans if span.certainty in ("stated", "half_read"))
