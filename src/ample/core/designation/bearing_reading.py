"""Putting a reading of a bearing's marking together; and a size that is written in place of a name."""

from __future__ import annotations

import re
from functools import cache, lru_cache

from ample.core.designation.dialects import general_dialect
from ample.core.designation.suffixes import CLOSURE_CODES, suffix_choices
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, MarkingReading, Span, bearing_kinds
from ample.core.parts.attributes import worth_saying
from ample.core.sizes import parse_size
from ample.core.standards import BoundarySize, bearing_series, bearing_sizes

MOST_OF_A_SIZE = 12
_CONTRADICTS = 0.3
_NEARLY_MM = 0.05
_THREE_NUMBERS = re.compile(r"\d[^\s×*xX]*[\s×*xX]+[^\s×*xX]*\d[^\s×*xX]*[\s×*xX]+[^\s×*xX]*\d")
_PLAIN = r"(\d{1,3}(?:[.,]\d{1,3})?)"
_THREE_PLAIN = re.compile(rf"\s*{_PLAIN}[\s/-]+{_PLAIN}[\s/-]+{_PLAIN}\s*(?:mm|MM)?\s*")
_NUMBER_X = r"\d[\d.,]*\s*[X×*]\s*"
_SIZE_AND_CODES = re.compile(
    rf"\s*{_NUMBER_X}{_NUMBER_X}\d[\d.,]*(?:\s?MM)?(?P<gap>[\s-]+)(?:{CLOSURE_CODES}|C[2-5])(?:[\s/-]|$)"
)
_NO_SIZE = re.compile(r"[bfgjkpqrvwyz]", re.IGNORECASE)  # letters of no unit, nor of "dia" or the times sign

_ASSUMED = (
    ("closure", "open", "no closure marked: open"),
    ("clearance", "N", "no clearance marked: normal"),
    ("class", "Normal", "no class marked: normal"),
    ("cage", "standard", "no cage marked: the maker's standard"),
    ("snap_ring", "none", "no snap-ring groove marked"),
    ("bore_shape", "cylindrical", "no taper marked: cylindrical"),
)
_ASSUMED_SPANS = {
    attribute: Span(-1, -1, "", words, attribute, value, "assumed", "common practice")
    for attribute, value, words in _ASSUMED
}


@lru_cache
def _assumed(kind: str) -> tuple[tuple[str, str, Span | None], ...]:
    """What goes without saying for a kind, with the span where it is written out."""
    said = worth_saying(kind)
    return tuple((name, value, _ASSUMED_SPANS[name] if name in said else None) for name, value, _ in _ASSUMED)


_SAYS_NO_KIND = ("note", "designation")


def assembled(
    size: BoundarySize, spans: list[Span], unread: tuple[str, ...], score: float, dialect: str
) -> MarkingReading:
    """Put the spans together; two codes that set one attribute differently cost score."""
    attributes: dict[str, str] = {}
    extras: list[str] = []
    for span in spans:
        attribute = span.attribute
        if attribute == "extra":
            extras.append(span.value)
        elif attribute in _SAYS_NO_KIND or attribute.endswith("_mm"):
            continue
        elif attributes.setdefault(attribute, span.value) != span.value:
            score *= _CONTRADICTS
    for attribute, value, aloud in _assumed(size.kind):
        if attribute not in attributes:
            attributes[attribute] = value
            if aloud is not None:
                spans.append(aloud)
    attributes["series"] = size.series
    attributes["kind"] = size.kind
    if extras:
        attributes["extra"] = " ".join(extras)
    return MarkingReading(
        "bearing", size.designation, size.series, dict(_dimensions(size, CLOSURES[attributes["closure"]].sides > 0)), attributes,
        tuple(spans), unread, round(score, 4), dialect,
    )  # fmt: skip


@cache
def _dimensions(size: BoundarySize, closed: bool) -> dict[str, float]:
    """The sizes by the contract's names; only the bore when the size is not held."""
    width = size.width_mm(closed) or size.width_mm(not closed)
    if not width:
        return {"d_mm": size.d_mm}
    found = {}
    for name in bearing_kinds()[size.kind].dimension_names:
        if name in ("d_mm", "Fw_mm"):
            found[name] = size.d_mm
        elif name == "D_mm":
            found[name] = size.D_mm
        else:
            own = size.T_mm if name == "T_mm" else size.C_mm if name == "C_mm" else None
            found[name] = own or width
    return found


def _three_lengths(text: str) -> list[float]:
    """The lengths of a size in mm: with times signs, or plain numbers with blanks, dashes or strokes; a fraction is inches."""
    plain = _THREE_PLAIN.fullmatch(text)
    if plain:
        return [float(each.replace(",", ".")) for each in plain.groups()]
    if not _THREE_NUMBERS.search(text):
        return []
    inches = "/" in text and "mm" not in text.lower()
    try:
        return [each.mm for each in parse_size(text, "in" if inches else "mm")]
    except BadInput:
        return []


@lru_cache
def _sizes_by_bore() -> dict[int, list[BoundarySize]]:
    found: dict[int, list[BoundarySize]] = {}
    for size in bearing_sizes():
        if size.d_mm and size.D_mm:
            for whole in {int(size.d_mm - _NEARLY_MM), int(size.d_mm + _NEARLY_MM)}:
                found.setdefault(whole, []).append(size)
    return found


def by_size(clean: str, typed: str) -> list[MarkingReading]:
    """Three dimensions that are those of a known bearing, and the codes of one behind them: 25x47x12 2RS."""
    codes = _SIZE_AND_CODES.match(clean)
    text = typed[: codes.start("gap")] if codes else typed
    lengths = [] if _NO_SIZE.search(text) else _three_lengths(text)
    if len(lengths) != 3:
        return []
    found = []
    for size in _sizes_by_bore().get(int(lengths[0]), ()):
        if not _is_of_size(size, lengths):
            continue
        at = codes.end("gap") if codes else len(clean)
        choices, unread = suffix_choices(clean, typed, general_dialect(), at, bearing_kinds()[size.kind])
        if unread:
            continue
        span = Span(0, len(text), text, f"the size of {size.designation}", "designation",
                    size.designation, "implied", "ISO 15")  # fmt: skip
        said = [each for meanings in choices for each in meanings[0]]
        share = _share(size)
        found.append(assembled(size, [span, *said], (), 0.3 + 0.1 * share / (1 + share), "general"))
    found.sort(key=lambda reading: -reading.score)
    return found[:MOST_OF_A_SIZE]


def _is_of_size(size: BoundarySize, lengths_mm: list[float]) -> bool:
    """Whether a bearing has these dimensions, open or closed or assembled."""
    d_mm, D_mm, width_mm = lengths_mm
    if abs(size.d_mm - d_mm) > _NEARLY_MM or abs(size.D_mm - D_mm) > _NEARLY_MM:
        return False
    widths = (size.B_open_mm, size.B_closed_mm, size.T_mm)
    return any(each and abs(each - width_mm) <= _NEARLY_MM for each in widths)


def _share(size: BoundarySize) -> float:
    """How often a size's series is met."""
    return bearing_series()[size.series].share
