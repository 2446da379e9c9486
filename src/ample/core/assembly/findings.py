"""What was found on a part, with lengths as people write them brought to mm."""

from __future__ import annotations

from collections.abc import Mapping

from ample.core.condition import card_of
from ample.core.errors import BadInput
from ample.core.sizes import parse_length


def findings_mm(card: str, findings: Mapping[str, str]) -> dict[str, str]:
    """Findings of a condition card with every measured answer in mm, as its rules read it.

    Args:
        card: The card's name.
        findings: Answers by question; a length as typed: `0.25`, `10 thou`, `0.01 in`.

    Returns:
        The same findings, lengths as plain figures in mm.

    Raises:
        BadInput: When there is no such card, or a length cannot be read.

    Source: definition of the inch.

    Example:
        >>> findings_mm("shaft", {"track": "felt", "depth_mm": "10 thou"})
        {'track': 'felt', 'depth_mm': '0.254'}
    """
    own = card_of(card)
    found = dict(findings)
    for name, typed in findings.items():
        question = own.question(name)
        if question is not None and question.measured and typed.strip() not in ("", "0"):
            try:
                found[name] = f"{parse_length(typed).mm:.6g}"
            except BadInput as error:
                raise BadInput(error.code, error.message, f"findings.{name}", error.hint) from error
    return found
