"""What a rubber does not withstand at its place."""

from __future__ import annotations

from ample.core.fits.finding import PlaceFinding
from ample.core.parts.rubber import medium_words, rubbers, stands_in


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
    if medium and stands_in(rubber, medium) == "fails":
        found.append(("medium_bad", f"{material} does not withstand {medium_words(medium)}."))
    return tuple(PlaceFinding(code, "stop", words, "Another rubber.") for code, words in found)
