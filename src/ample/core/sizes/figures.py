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
