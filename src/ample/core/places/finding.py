"""What is wrong with a part at its place, and what its rubber does not stand."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ample.core.parts.rubber import FAILS, medium_words, rubbers


@dataclass(frozen=True)
class PlaceFinding:
    """What lies outside its aim, how bad it is, in words, and what to do."""

    code: str
    severity: Literal["stop", "warn", "note"]
    words: str
    repair: str


def rubber_findings(
    named: str, material: str, medium: str, at_c: float | None, least_c: float | None = None
) -> tuple[PlaceFinding, ...]:
    """What a known rubber does not stand where it runs: its heat, its cold, its medium; nothing for one that is not known."""
    rubber = rubbers().get(material)
    if rubber is None:
        return ()
    found = []
    if at_c is not None and at_c > rubber.heat_c:
        found.append(
            ("heat_high", f"{named} runs at about {at_c:.0f} °C: {material} bears {rubber.heat_c:g}.")
        )
    if least_c is not None and least_c < rubber.cold_c:
        found.append(
            ("cold_low", f"{named} stands at {least_c:.0f} °C: {material} goes hard below {rubber.cold_c:g}.")
        )
    if medium and rubber.stands[medium] < FAILS:
        found.append(("medium_bad", f"{material} does not withstand {medium_words(medium)}."))
    return tuple(PlaceFinding(code, "stop", words, "Another rubber.") for code, words in found)
