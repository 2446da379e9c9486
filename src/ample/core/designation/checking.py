"""Whether a dialect can be used: no code hides another, and each is reached by its example."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ample.core.designation.decode import decode
from ample.core.designation.dialects import Code, Dialect, read_dialect
from ample.core.errors import BadInput
from ample.core.parts import bearing_kinds
from ample.core.standards import BoundarySize, bearing_sizes

MOST_CODES = 400


def checked_dialect(name: str, rows: Sequence[Mapping[str, str]]) -> Dialect:
    """Read a dialect and try each of its codes on an example.

    Formula: the example (its own, or a common bearing of a kind that the code is for) must read with
    the code as a span of its own in this dialect.

    Args:
        name: The dialect's name.
        rows: Codes: code, place, attribute, value, meaning, basis; kinds and example where given.

    Returns:
        The dialect.

    Raises:
        BadInput: When a row cannot be used, a code appears twice with the same meaning, or a code is not
            reached because another hides it.

    Source: the project's contract; docs/dialects.md.

    Example:
        >>> row = {"code": "QQ", "place": "suffix", "attribute": "closure", "value": "shield_two"}
        >>> checked_dialect("trial", [row | {"meaning": "shields", "basis": "a list"}]).codes[0].code
        'QQ'
    """
    if not 1 <= len(rows) <= MOST_CODES:
        raise BadInput("bad_codes", f"A dialect has 1 to {MOST_CODES} codes.", "codes")
    dialect = read_dialect(name, rows)
    for number, (code, row) in enumerate(zip(dialect.codes, rows, strict=True), start=1):
        example = row.get("example") or _example(code)
        if not _reached(dialect, code, example):
            raise BadInput(
                "not_reached",
                f"Row {number}: {code.code} is not read in its example “{example[:40]}”{_hidden_by(dialect, code)}.",
                f"codes[{number - 1}]",
                "Give another example, or another code.",
            )
    return dialect


def _example(code: Code) -> str:
    """A common bearing that takes the code."""
    kinds = [kind.name for kind in bearing_kinds().values() if code.is_of(kind.name, kind.group)]
    name = next((size.designation for size in _common() if size.kind in kinds), "6205")
    return f"{code.code} {name}" if code.place == "prefix" else f"{name}-{code.code}"


def _common() -> list[BoundarySize]:
    """Sizes with those of 25 mm bore first, as an example is best understood."""
    return sorted(bearing_sizes(), key=lambda size: size.d_mm != 25.0)


def _reached(dialect: Dialect, code: Code, example: str) -> bool:
    for reading in decode(example, (dialect,)):
        if reading.dialect != dialect.name:
            continue
        spans = {(span.attribute, span.value) for span in reading.spans if span.text.upper() == code.code}
        if set(code.sets) <= spans:
            return True
    return False


def _hidden_by(dialect: Dialect, code: Code) -> str:
    longer = [
        other.code
        for other in dialect.codes
        if other.code != code.code and other.place == code.place and other.code.startswith(code.code)
    ]
    return f": {longer[0]} may hide it" if longer else ""
