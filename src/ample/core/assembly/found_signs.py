"""What the parts on the line say to the cause finder."""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path

from ample.core.assembly.check import check_line
from ample.core.assembly.kinds import part_kind
from ample.core.assembly.line import LineSheet
from ample.core.condition import card_of, known_signs
from ample.core.tables import read_table

WRONG_WAY = ("lip_away", "cup_inward", "wiper_inward", "backup_on_pressure")


@lru_cache(maxsize=1)
def _table() -> dict[tuple[str, str, str], str]:
    found = {}
    for row in read_table(Path(__file__).with_name("found_signs.csv")).rows:
        question = card_of(row["card"]).question(row["question"])
        if (
            question is None
            or row["answer"] not in {each.name for each in question.answers}
            or row["sign"] not in known_signs()
        ):
            raise ValueError(f"found_signs.csv: {row} is not known")
        found[row["card"], row["question"], row["answer"]] = row["sign"]
    return found


def signs_on_line(sheet: LineSheet) -> tuple[str, ...]:
    """Gather the evidence that the condition cards and the way round of a line hold.

    Args:
        sheet: The lines of a unit.

    Returns:
        Names of signs, each once, in the order of the parts; a lip that was confirmed to have come
        off the wrong way round counts as evidence too.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> sheet = LineSheet.model_validate({"lines": [{"key": "main", "name": "shaft"}], "parts": [
        ...     {"key": "ring", "line": "main", "kind": "o_ring", "findings": {"state": "nibbled"}}]})
        >>> signs_on_line(sheet)
        ('ring_nibbled',)
    """
    found = [
        _table()[part_kind(part.kind).card, question, answer]
        for part in sheet.parts
        for question, answer in part.findings.items()
        if (part_kind(part.kind).card, question, answer) in _table()
    ]
    if any(each.code in WRONG_WAY and each.answer == "as_found" for each in check_line(sheet)):
        found.append("seal_reversed")
    return tuple(dict.fromkeys(found))
