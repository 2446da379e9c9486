"""Words and sizes mixed, as somebody asks at a counter: 1 1/8 rod u-cup; 62?5 25 bore; oil seal 35 52."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from itertools import pairwise

from ample.core.errors import BadInput
from ample.core.parts import FAMILIES
from ample.core.sizes import parse_length
from ample.core.sizes.lengths import Unit
from ample.core.standards import called_sections_in

_NUMBER = (
    r"(?<![\d/.,?])(?:\d{1,2}[\s\-]+\d+/\d+|\d+/\d+|\d*[.,]\d+|\d+)(?![\d/?])\s?(?:MM|INCHES|INCH|IN|\"|″)?"
)
_WIDE = {"bearing": "width", "lip_seal": "width", "hydraulic_seal": "height", "key": "key_width"}
_HIGH = {"hydraulic_seal": "height", "key": "key_height"}
# what is touched, by the word for it and the family
_TOUCHED: Mapping[str, Mapping[str, str]] = {
    "ROD": {"hydraulic_seal": "rod"},
    "BORE": {"bearing": "bore", "lip_seal": "housing_bore", "hydraulic_seal": "bore", "retaining_ring": "bore",
             "washer": "inside"},
    "SHAFT": {"lip_seal": "shaft", "face_seal": "shaft", "bearing": "shaft_seat", "retaining_ring": "shaft",
              "key": "shaft"},
    "HOUSING": {"bearing": "housing_seat", "lip_seal": "housing_bore"},
    "ID": {"o_ring": "inside", "bearing": "bore", "washer": "inside", "hydraulic_seal": "inside", "lip_seal": "shaft"},
    "INSIDE": {"o_ring": "inside", "bearing": "bore", "washer": "inside", "hydraulic_seal": "inside"},
    "OD": {"o_ring": "outside", "bearing": "outside", "washer": "outside", "hydraulic_seal": "outside",
           "lip_seal": "outside"},
    "OUTSIDE": {"o_ring": "outside", "bearing": "outside", "washer": "outside", "hydraulic_seal": "outside",
                "lip_seal": "outside"},
    "SECTION": {"o_ring": "section_1", "hydraulic_seal": "section"},
    "CS": {"o_ring": "section_1"},
    "WIDE": _WIDE, "WIDTH": _WIDE, "W": _WIDE,
    "HIGH": _HIGH, "HEIGHT": _HIGH,
    "THICK": {"washer": "thickness", "o_ring": "section_1"},
}  # fmt: skip
# inside, outside, width: in which order the trade writes them; a letter by itself is a word only beside others
_PLACE = {
    **dict.fromkeys(("ID", "INSIDE", "BORE", "SHAFT", "ROD"), 0),
    **dict.fromkeys(("OD", "OUTSIDE", "HOUSING"), 1),
    **dict.fromkeys(("SECTION", "CS", "WIDE", "WIDTH", "W", "HIGH", "HEIGHT", "THICK"), 2),
}
_FEATURE = "|".join(sorted(_TOUCHED, key=len, reverse=True))
_SAID = re.compile(
    rf"(?<![A-Z])(?P<size>{_NUMBER})\s*(?P<word>{_FEATURE})\b|\b(?P<word2>{_FEATURE})\s*(?P<size2>{_NUMBER})"
)
_FAMILY_WORDS: tuple[tuple[str, str, str], ...] = (
    (r"LOADED U[\s-]?CUP", "hydraulic_seal", "loaded"), (r"U[\s-]?CUPS?", "hydraulic_seal", "u_cup"),
    (r"(?:ROD )?WIPERS?", "hydraulic_seal", "wiper"), (r"ROD SEALS?|PISTON SEALS?", "hydraulic_seal", ""),
    (r"OIL SEALS?|LIP SEALS?|SHAFT SEALS?", "lip_seal", ""), (r"O[\s-]?RINGS?", "o_ring", "o_ring"),
    (r"CIRCLIPS?|SNAP RINGS?|RETAINING RINGS?", "retaining_ring", ""), (r"FACE SEALS?", "face_seal", ""),
    (r"TAPER(?:ED)?(?: ROLLER)?(?: BEARINGS?)?", "bearing", "taper"), (r"NEEDLE(?: BEARINGS?)?", "bearing", "needle"),
    (r"(?:PILLOW|PLUMMER|FLANGE) BLOCKS?", "bearing", "insert"), (r"(?:BALL |ROLLER )?BEARINGS?|BRG", "bearing", ""), (r"WASHERS?", "washer", ""), (r"KEYS?", "key", ""),
    (r"SEALS?", "lip_seal", ""), (r"RINGS?", "o_ring", ""),
)  # fmt: skip
_FAMILIES = tuple(
    (re.compile(rf"\b(?:{words})(?![A-Z])"), family, kind) for words, family, kind in _FAMILY_WORDS
)
# sizes without a word, in the order that the trade says them
_IN_ORDER: Mapping[str, tuple[str, ...]] = {
    "bearing": ("bore", "outside", "width"), "lip_seal": ("shaft", "housing_bore", "width"),
    "o_ring": ("inside", "section_1"), "washer": ("inside", "outside", "thickness"), "retaining_ring": ("shaft",),
    "key": ("key_width", "key_height", "key_length"), "hydraulic_seal": ("inside", "outside", "height"),
}  # fmt: skip
SIZES_OF_A_NAME: Mapping[str, int] = {family: len(order) for family, order in _IN_ORDER.items()}
# what a part of this name is called by, where one number stands beside it
_CALLED_BY = {
    "OIL SEAL": "shaft",
    "LIP SEAL": "shaft",
    "SHAFT SEAL": "shaft",
    "ROD SEAL": "rod",
    "PISTON SEAL": "bore",
}
# a seal of a rod or a piston is called by what it runs on and its groove
_ON_ITS_GROOVE = {"WIPER": "rod", "ROD WIPER": "rod", "ROD SEAL": "rod", "PISTON SEAL": "bore"}
_TIMES = re.compile(r"(?<=\d)\s*[X×*]\s*(?=[\d.])")


@dataclass(frozen=True)
class SaidSize:
    """A size of a feature: as it was said, in what unit, and in mm."""

    feature: str
    typed: str
    unit: Unit
    mm: float


@dataclass(frozen=True)
class Asked:
    """What somebody asks for: a family, a kind by its picture where it is said, sizes by feature, and the rest of the text,
    which may be a mark. `by_word` says that a feature was named; else the sizes follow in the order of the trade.
    """

    family: str
    kind: str
    sizes: tuple[SaidSize, ...]
    rest: str
    by_word: bool = True


def asked_in_words(typed: str) -> Asked | None:
    """Read words mixed with sizes; None when no size is said of a feature or after the name of a family.

    Formula: a size beside the word of a feature is that feature; sizes without one follow in the trade's order (shaft,
    bore, width of a seal). The section of an inch ring is called by its nominal fraction: 3/16 is 0.210 in.

    Args:
        typed: As typed, at most 60 characters.

    Returns:
        What was understood; None when it is nothing of the sort.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> [(each.feature, each.mm) for each in asked_in_words("1 1/8 rod u-cup").sizes]
        [('rod', 28.575)]
    """
    clean = typed.upper()
    if len(clean) != len(typed):
        return None
    said = _said_in(clean)
    named = next(
        ((found, family, kind) for words, family, kind in _FAMILIES if (found := words.search(clean))), None
    )
    words = {found["word"] or found["word2"] for found in said}
    family = named[1] if named else _family_of(words)
    if not family:
        return None
    sizes: list[SaidSize] = []
    free = list(clean)
    for found in said:
        feature = _TOUCHED[found["word"] or found["word2"]].get(family)
        size = (found["size"] or found["size2"]).strip()
        if feature is None or not _add(sizes, family, feature, size):
            continue
        free[found.start() : found.end()] = " " * (found.end() - found.start())
    if named:
        free[named[0].start() : named[0].end()] = " " * (named[0].end() - named[0].start())
    rest = "".join(free)
    by_word = bool(sizes)
    if named and not any(each.isalnum() for each in re.sub(_NUMBER, "", _TIMES.sub(" ", rest))):
        rest = _in_order(rest, family, sizes, named[0].group())
    if not sizes:
        return None
    return Asked(family, named[2] if named else "", tuple(sizes), re.sub(r"\s+", " ", rest).strip(), by_word)


def written_out(clean: str) -> str | None:
    """Sizes said with their words as the trade writes them, every figure in its place: 25 ID 52 OD as 25 X 52.

    Args:
        clean: A text in capitals.

    Returns:
        The text of the same length; None where fewer than two sizes are said, another order, or with something between.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> written_out("ID 35 OD 52 W 7 OIL SEAL")
        '   35 X  52 X 7 OIL SEAL'
    """
    said = _said_in(clean)
    places = [_PLACE[found["word"] or found["word2"]] for found in said]
    if len(said) < 2 or places != sorted(set(places)) or places[0]:
        return None
    free = list(clean)
    for found in said:
        start, stop = _size_span(found)
        free[found.start() : start] = " " * (start - found.start())
        free[stop : found.end()] = " " * (found.end() - stop)
    for found, after in pairwise(said):
        stop, begins = _size_span(found)[1], _size_span(after)[0]
        if "".join(free[stop:begins]).strip(" ,;X×") or begins - stop < 1:
            return None
        free[stop:begins] = "X" + " " * (begins - stop - 1)
    return "".join(free)


def _size_span(found: re.Match[str]) -> tuple[int, int]:
    return found.span("size") if found["size"] else found.span("size2")


def _said_in(clean: str) -> list[re.Match[str]]:
    """Sizes with the word of a feature; a W by itself is none."""
    said = list(_SAID.finditer(clean))
    return [] if all((found["word"] or found["word2"]) == "W" for found in said) else said


def _family_of(words: set[str]) -> str:
    """The family that every word for a feature is one of; the bearing when several are."""
    open_to = [set(_TOUCHED[word]) for word in words]
    both = set.intersection(*open_to) if open_to else set()
    return "bearing" if "bearing" in both else min(both, default="")


def _in_order(rest: str, family: str, sizes: list[SaidSize], name: str) -> str:
    """Take the sizes without a word, in the order of the trade; what is left of the text."""
    name = name.removesuffix("S")
    runs_on = _ON_ITS_GROOVE.get(name)
    in_order = (runs_on, "groove_diameter", "height") if runs_on else _IN_ORDER.get(family, ())
    given = {each.feature for each in sizes}
    order = [each for each in in_order if each not in given]
    if sizes and family != "o_ring":
        return rest  # one size is named already: an odd number is something else
    numbers = list(re.finditer(_NUMBER, _TIMES.sub(" ", rest)))
    if not sizes and len(numbers) < 2:  # one number after the name of a family is its mark, as a rule
        first = _CALLED_BY.get(name)
        if first is not None:
            order = [first]
        elif not numbers or numbers[0].group().strip().isdigit():
            return rest
    for feature, found in zip(order, numbers, strict=False):
        _add(sizes, family, feature, found.group().strip())
    return re.sub(_NUMBER, " ", _TIMES.sub(" ", rest)) if sizes else rest


def _add(sizes: list[SaidSize], family: str, feature: str, size: str) -> bool:
    unit = _unit(family, feature, size)
    try:
        mm = parse_length(size, unit).mm
    except BadInput:
        return False
    if family == "o_ring" and feature == "section_1" and size in called_sections_in():
        size, unit = f"{called_sections_in()[size]:.3f}", "in"
        mm = parse_length(size, unit).mm
    if feature not in FAMILIES[family].by_name or any(feature == each.feature for each in sizes):
        return False
    sizes.append(SaidSize(feature, size, unit, round(mm, 4)))
    return True


def _unit(family: str, feature: str, size: str) -> Unit:
    """A small whole number of a rod or cylinder is inches: nobody has a cup for a rod of 2 mm."""
    plain = re.fullmatch(r"\d(?:[.,]\d+)?", size)
    return "in" if plain and family == "hydraulic_seal" and feature in ("rod", "bore") else "mm"
