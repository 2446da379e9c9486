"""Lengths as people write them: mm, inches, fractions, thou, comma or point, whole sizes."""

from __future__ import annotations

import re
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction
from typing import Literal

from ample.core.errors import BadInput

Unit = Literal["mm", "in"]

MM_PER_INCH = Fraction(254, 10)
INCH_MM = float(MM_PER_INCH)
LONGEST_MM = 20_000
LONGEST_TEXT = 80
MOST_DIGITS = 12
READING_ERROR_MM = 0.05

_UNITS: dict[str, tuple[Unit, Fraction]] = {
    "mm": ("mm", Fraction(1)),
    "cm": ("mm", Fraction(10)),
    "um": ("mm", Fraction(1, 1000)),
    "µm": ("mm", Fraction(1, 1000)),
    "in": ("in", MM_PER_INCH),
    "inch": ("in", MM_PER_INCH),
    "inches": ("in", MM_PER_INCH),
    '"': ("in", MM_PER_INCH),
    "''": ("in", MM_PER_INCH),
    "thou": ("in", MM_PER_INCH / 1000),
    "mil": ("in", MM_PER_INCH / 1000),
}
_GLYPHS = {
    "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
}  # fmt: skip
_SPACES = dict.fromkeys("\u00a0\u2007\u2009\u202f\u3000", " ")
_SAME = str.maketrans({"″": '"', "”": '"', "“": '"', "⁄": "/", "–": "-", "μ": "µ", **_SPACES})
_DIAMETER = re.compile(r"(?:[Ø⌀ø]|dia\.?)\s*", re.IGNORECASE)
_MIXED = re.compile(r"(?:(\d+)(?:\s*-\s*|\s+))?(\d+)\s*/\s*(\d+)")
_DECIMAL = re.compile(r"(\d*)(?:([.,])(\d*))?")
_UNIT = re.compile(r"\s*(mm|cm|um|µm|inches|inch|in\.?|thou|mil|''|\")", re.IGNORECASE | re.ASCII)
_LAST_UNIT = re.compile(_UNIT.pattern + r"\s*$", re.IGNORECASE | re.ASCII)
_BETWEEN = re.compile(r"\s*[x×*]\s*", re.IGNORECASE)


@dataclass(frozen=True)
class Length:
    """A length with the unit it was written in. `exact_mm` loses nothing of what was typed; `step_mm` is how finely it was
    typed: a whole millimetre of 16, a hundredth of 16.02, a sixty-fourth of an inch of a fraction.
    """

    exact_mm: Fraction
    unit: Unit
    text: str
    step_mm: float = 0.0

    @property
    def mm(self) -> float:
        """Millimetres as a float."""
        return float(self.exact_mm)

    @property
    def inch(self) -> float:
        """Inches as a float."""
        return float(self.exact_mm / MM_PER_INCH)

    @property
    def written(self) -> str:
        """The shortest exact writing in the unit it was typed in; reading it gives it back."""
        value = self.exact_mm if self.unit == "mm" else self.exact_mm / MM_PER_INCH
        return f"{_exact_decimal(value)} {self.unit}"


@dataclass(frozen=True)
class Nearest:
    """A standard size near a length: how it is written, and how far the length lies from it."""

    text: str
    unit: Unit
    mm: float
    off_mm: float
    within_reading_error: bool


def parse_length(text: str, unit: Unit = "mm") -> Length:
    """Read one length as a person writes it.

    Formula: 1 in = 25.4 mm exactly; 1 thou = 1/1000 in.

    Args:
        text: What was typed, at most 80 characters: `35`, `35,02`, `1 1/8`, `.187"`, `12 thou`, `Ø40`.
        unit: The unit of the field, `mm` or `in`; a typed unit wins, and a fraction without
            a unit is inches even in a mm field.

    Returns:
        The exact length, above 0 and at most 20 m, and the unit it was written in.

    Raises:
        BadInput: When a character cannot be read (it says which) or the length is not above zero.

    Source: the inch is 25.4 mm by definition (ISO 31-1); ways of writing are common practice.

    Example:
        >>> parse_length("1-1/8").mm
        28.575
        >>> parse_length("35,02").mm
        35.02
    """
    _check_text(text)
    clean = _tidy(text)
    length, end = _read_one(clean, 0, unit, text)
    if end < len(clean):
        raise _unread(text, clean, end)
    return length


def parse_size(text: str, unit: Unit = "mm") -> tuple[Length, ...]:
    """Read a whole size such as `35x52x7` or `1 1/8 x 1 1/2 x 3/8`: one to four lengths.

    Formula: each length as in `parse_length`; a unit written after the last holds for all.

    Args:
        text: What was typed, at most 80 characters; the lengths parted by x, × or *.
        unit: The unit of the field, `mm` or `in`.

    Returns:
        The lengths in the order written.

    Raises:
        BadInput: When a character cannot be read, or more than four lengths are given.

    Source: common practice.

    Example:
        >>> [each.mm for each in parse_size("6x19x6")]
        [6.0, 19.0, 6.0]
    """
    _check_text(text)
    clean = _tidy(text)
    spans = _pieces(clean)
    if len(spans) > 4:
        raise BadInput("too_many_sizes", "A size has at most four dimensions.", "text", "Write d x D x B.")
    last_unit = _trailing_unit(clean, spans[-1][0])
    lengths: list[Length] = []
    for start, stop in spans:
        field_unit = last_unit or unit
        length, end = _read_one(clean[:stop], start, field_unit, text)
        if end < stop:
            raise _unread(text, clean, end)
        lengths.append(length)
    return tuple(lengths)


def nearest_sizes(mm: float, reading_error_mm: float = READING_ERROR_MM) -> tuple[Nearest, ...]:
    """The nearest inch fraction (to 1/64) and the nearest metric size (to 0.5 mm), nearest first.

    Formula: round(mm / step)·step with step 25.4/64 mm and 0.5 mm.

    Args:
        mm: A length above 0 mm.
        reading_error_mm: How far off a reading may be and still mean the size, mm; above 0.

    Returns:
        One or two sizes with their distance (length minus size, mm).

    Raises:
        BadInput: When the length is not above zero.

    Source: fractions of the inch to 1/64 and whole or half millimetres are common practice.

    Example:
        >>> nearest_sizes(28.6)[0].text
        '1 1/8 in'
    """
    if not mm > 0:
        raise BadInput("not_above_zero", "A length must be above zero.", "mm")
    found: list[tuple[str, Unit, float]] = []
    sixty_fourths = round(mm / float(MM_PER_INCH / 64))
    if 0 < sixty_fourths <= 64 * 40:
        exact = Fraction(sixty_fourths, 64) * MM_PER_INCH
        found.append((f"{format_inch(exact)} in", "in", float(exact)))
    halves = round(mm * 2)
    if halves > 0:
        found.append((f"{halves / 2:g} mm", "mm", halves / 2))
    near = [
        Nearest(text, unit, size, round(mm - size, 6), abs(mm - size) <= reading_error_mm + 1e-9)
        for text, unit, size in found
    ]
    return tuple(sorted(near, key=lambda each: abs(each.off_mm)))


def format_inch(exact_mm: Fraction) -> str:
    """Write a length as a mixed inch fraction, or as decimals when it is not a 128th.

    Formula: mm / 25.4, whole part and rest reduced.

    Args:
        exact_mm: A length in mm, above 0.

    Returns:
        `1 1/8`, `3/16`, `2`, or `1.123`.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> format_inch(Fraction(28575, 1000))
        '1 1/8'
    """
    inches = exact_mm / MM_PER_INCH
    if 128 % inches.denominator:
        return f"{float(inches):.4f}".rstrip("0").rstrip(".")
    whole, rest = divmod(inches, 1)
    parts = [str(whole)] if whole else []
    if rest:
        parts.append(f"{rest.numerator}/{rest.denominator}")
    return " ".join(parts)


def _check_text(text: str) -> None:
    if len(text) > LONGEST_TEXT:
        raise BadInput(
            "too_long",
            f"A size has at most {LONGEST_TEXT} characters; this has {len(text)}.",
            "text",
        )


def _tidy(text: str) -> str:
    """Same length as what was typed where possible, so that places can be pointed at."""
    clean = text.translate(_SAME)
    for glyph, written in _GLYPHS.items():
        clean = clean.replace(glyph, f" {written}")
    return clean


def _pieces(clean: str) -> list[tuple[int, int]]:
    """Start and stop of each length between the separators."""
    spans = []
    start = 0
    for found in _BETWEEN.finditer(clean):
        spans.append((start, found.start()))
        start = found.end()
    spans.append((start, len(clean)))
    return spans


def _trailing_unit(clean: str, start: int) -> Unit | None:
    found = _LAST_UNIT.search(clean, start)
    return _unit_of(found.group(1))[0] if found else None


def _unit_of(word: str) -> tuple[Unit, Fraction]:
    return _UNITS[word.lower().rstrip(".")]


def _read_one(clean: str, start: int, unit: Unit, typed: str) -> tuple[Length, int]:
    at = _skip_space(clean, start)
    diameter = _DIAMETER.match(clean, at)
    if diameter:
        at = diameter.end()
    if at < len(clean) and clean[at] in "+-":
        raise BadInput("not_above_zero", "A size must be above zero, without a sign.", "text")
    value, end, is_fraction = _read_number(clean, at, typed)
    decimals = _decimals(clean[at:end])
    factor = _UNITS["in" if is_fraction else unit][1]
    written_unit: Unit = "in" if is_fraction else unit
    unit_found = _UNIT.match(clean, end)
    if unit_found:
        written_unit, factor = _unit_of(unit_found.group(1))
        end = unit_found.end()
    exact = value * factor
    if exact <= 0:
        raise BadInput("not_above_zero", "A size must be above zero.", "text")
    if exact > LONGEST_MM:
        raise BadInput(
            "too_large",
            "More than 20 m is not a part size.",
            "text",
            "Check the decimal point.",
        )
    coarse = is_fraction or (factor == MM_PER_INCH and not decimals)
    step = MM_PER_INCH / 64 if coarse else factor / 10**decimals
    return Length(exact, written_unit, typed, float(step)), _skip_space(clean, end)


def _decimals(number: str) -> int:
    """How many places after the comma or point."""
    _, _, rest = number.replace(",", ".").partition(".")
    return len(rest)


def _read_number(clean: str, at: int, typed: str) -> tuple[Fraction, int, bool]:
    mixed = _MIXED.match(clean, at)
    if mixed:
        whole, top, bottom = mixed.groups()
        _check_digits("".join(filter(None, mixed.groups())))
        below = int(bottom)
        if below == 0 or 128 % below:
            raise BadInput(
                "not_a_fraction",
                f"“{top}/{bottom}” is not a workshop fraction: use halves down to 1/128.",
                "text",
                "Write it as a decimal.",
            )
        return Fraction(int(whole or 0)) + Fraction(int(top), below), mixed.end(), True
    found = _DECIMAL.match(clean, at)
    whole, mark, rest = found.groups() if found else ("", None, None)
    if not (whole or rest):
        raise _unread(typed, clean, at)
    _check_digits(whole + (rest or ""))
    end = found.end() if found else at
    number = f"{whole or 0}.{rest or 0}" if mark else whole
    return Fraction(Decimal(number)), end, False


def _check_digits(digits: str) -> None:
    if len(digits.lstrip("0")) > MOST_DIGITS or len(digits) > 2 * MOST_DIGITS:
        raise BadInput(
            "too_many_digits",
            f"A number here has at most {MOST_DIGITS} digits.",
            "text",
            "No instrument reads that finely.",
        )


def _skip_space(clean: str, at: int) -> int:
    while at < len(clean) and clean[at] == " ":
        at += 1
    return at


def _unread(typed: str, clean: str, at: int) -> BadInput:
    if at >= len(clean) or not clean.strip():
        return BadInput(
            "nothing_read", "A number is missing at the end.", "text", "Write 35, 35.02 or 1 1/8."
        )
    sign = clean[at]
    name = sign if sign.isprintable() else f"U+{ord(sign):04X}"
    place = min(at, len(typed) - 1) + 1
    return BadInput(
        "cannot_read",
        f"Character {place}, “{name}”, cannot be read as part of a size.",
        "text",
        "Write 35, 35.02, 1 1/8 or 12 thou.",
    )


def _exact_decimal(value: Fraction) -> str:
    """All digits of a finite decimal; a ratio `a/b` never arises from what can be typed."""
    digits = 0
    while (value * 10**digits).denominator != 1 and digits < 40:
        digits += 1
    whole = value * 10**digits
    text = str(whole.numerator).rjust(digits + 1, "0")
    return f"{text[:-digits]}.{text[-digits:]}" if digits else text
