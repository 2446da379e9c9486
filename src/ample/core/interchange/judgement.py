"""What a comparison of two parts says: attribute by attribute, and the verdict."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated

from pydantic import Field

from ample.core.errors import BadInput

RANK = {"drop_in": 0, "fits_with_differences": 1, "needs_change": 2, "not_interchangeable": 3}


@dataclass(frozen=True)
class Running:
    """What is known of the duty; what is not known is not judged."""

    rpm: float | None = None
    temperature_c: float | None = None
    dirty: bool | None = None

    def __post_init__(self) -> None:
        if self.rpm is not None and not 0 <= self.rpm <= 200_000:
            raise BadInput("bad_speed", "0 to 200 000 rev/min.", "duty.rpm")
        if self.temperature_c is not None and not -100 <= self.temperature_c <= 400:
            raise BadInput("temperature_out_of_range", "−100 to 400 °C.", "duty.temperature_c")


@dataclass(frozen=True)
class AttributeJudgement:
    """One attribute of both parts: same, better, worse, change or unknown, and what follows."""

    name: str
    old: Annotated[str, Field(alias="from")]
    new: Annotated[str, Field(alias="to")]
    judgement: str
    consequence: str
    severity: str
    basis: str
    known: str = ""  # how the old part's is known: stated, measured, seen, implied, assumed, unknown

    def known_as(self, known: str) -> AttributeJudgement:
        """The same, with how the old part's is known."""
        if self.known == known:
            return self
        return AttributeJudgement(
            self.name, self.old, self.new, self.judgement, self.consequence, self.severity, self.basis, known
        )


@dataclass(frozen=True)
class Interchange:
    """The verdict with every attribute, differences first; which contradict what is known for sure, which are open."""

    verdict: str
    words: str
    attributes: tuple[AttributeJudgement, ...]
    distance: float
    contradictions: tuple[str, ...] = ()
    open: tuple[str, ...] = ()


def same(name: str, value: str, basis: str = "by size") -> AttributeJudgement:
    """An attribute that both parts share."""
    return AttributeJudgement(name, value, value, "same", "", "drop_in", basis)


def worst(found: Iterable[AttributeJudgement]) -> str:
    """The severest verdict of all attributes."""
    return max({each.severity for each in found}, key=RANK.__getitem__)


def deciding_first(found: Iterable[AttributeJudgement]) -> list[AttributeJudgement]:
    """The severest first, and what is the same last."""
    return sorted(found, key=lambda each: (-RANK[each.severity], each.judgement == "same"))


def concluded(found: Iterable[AttributeJudgement], distance: float) -> Interchange:
    """The verdict in words, with what decides it first."""
    order = deciding_first(found)
    verdict = worst(order)
    return Interchange(verdict, _verdict_words(verdict, order), tuple(order), distance)


def _verdict_words(verdict: str, attributes: list[AttributeJudgement]) -> str:
    names = [each.name for each in attributes if each.severity == verdict and each.judgement != "same"]
    listed = ", ".join(names)
    return {
        "drop_in": "Drop-in: same size, nothing worse." if not names else f"Drop-in; better in {listed}.",
        "fits_with_differences": f"Fits, with differences: {listed}.",
        "needs_change": f"Fits only if the unit is changed: {listed}.",
        "not_interchangeable": f"Not interchangeable: {listed}.",
    }[verdict]
