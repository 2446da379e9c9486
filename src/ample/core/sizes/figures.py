"""A plain figure as people type it."""

from __future__ import annotations

import re

from ample.core.errors import BadInput

_FIGURE = re.compile(r"\s*([-+−]?)(\d{1,9}(?:[.,]\d{1,9})?)\s*")


def plain_figure(text: str, field: str, hint: str = "For example 0.4 or 62.") -> float | None:
    """Read a plain figure, without a unit.

    Args:
        text: As typed, with a comma or a point, a hyphen or a minus.
        field: Where it is, for the refusal.
        hint: A hint beside the refusal.

    Returns:
        The figure; None of an empty field.

    Raises:
        BadInput: At the field, when it is none.

    Source: common practice.

    Example:
        >>> plain_figure(" −0,4 ", "reading")
        -0.4
    """
    if not text.strip():
        return None
    found = _FIGURE.fullmatch(text)
    if found is None:
        raise BadInput("no_figure", f"“{text.strip()[:20]}” is not a number.", field, hint)
    value = float(found[2].replace(",", "."))
    return -value if found[1] in ("-", "−") else value


def leading_figure(text: str) -> tuple[float | None, str]:
    """The figure that a text begins with, and the rest of it.

    Args:
        text: As typed: "0,4 mm", "2 turns".

    Returns:
        The figure, None when it begins with none, and what follows.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> leading_figure("0,4 mm")
        (0.4, 'mm')
    """
    found = _FIGURE.match(text)
    if found is None:
        return None, text.strip()
    return plain_figure(found.group(), ""), text[found.end() :].strip()


def percent(share: float, digits: int = 0) -> str:
    """A share in hundredths, as it is written in words.

    Args:
        share: The share, 0 to 1.
        digits: Digits after the point, 0 or 1.

    Returns:
        The percentage; a chance too small or too near to one for its digits is not written as 0 or as 100.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> percent(0.081), percent(0.0004), percent(0.99997, 1), percent(1.0)
        ('8 %', 'under 1 %', 'over 99.9 %', '100 %')
    """
    least = 10.0**-digits
    figure = round(100 * share, digits)
    if share > 0 and figure < least:
        return f"under {least:.{digits}f} %"
    if share < 1 and figure > 100 - least:
        return f"over {100 - least:.{digits}f} %"
    return f"{figure:.{digits}f} %"
