"""Texts in a CSV that a spreadsheet opens."""

from __future__ import annotations

import re

_BREAK = re.compile(r"[\x00-\x1f\x7f\x85\u2028\u2029]+")
# also where a spreadsheet that parts at semicolons or tabs would begin a cell
_FORMULA = re.compile(r"(^\s*|[;|]\s*)([=+\-@＝＋－＠])")


def harmless(value: object) -> object:
    """A text on one line, and one that a spreadsheet would run as a formula is quoted."""
    if not isinstance(value, str):
        return value
    return _FORMULA.sub(r"\1'\2", _BREAK.sub(" ", value).strip())
