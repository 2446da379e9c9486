"""Reading and writing the markings of seals, rings and small parts."""

from __future__ import annotations

import re

from ample.core.designation.bases import is_wild
from ample.core.designation.seals.named import by_code
from ample.core.designation.seals.reading import ON_NO_LIST, canonical
from ample.core.designation.seals.sizes import by_sizes
from ample.core.designation.seals.text import Text
from ample.core.designation.seals.words import Word, begins_as_seal, seal_words
from ample.core.designation.seals.worn import half_read
from ample.core.designation.seals.writing import Habit, composed_code, encode_seal, listed_specs
from ample.core.parts import MarkingReading

__all__ = [
    "FEW_WORN",
    "MANY_WORN",
    "ON_NO_LIST",
    "Habit",
    "Word",
    "begins_as_seal",
    "canonical",
    "composed_code",
    "encode_seal",
    "listed_specs",
    "seal_readings",
    "seal_words",
]

FEW_WORN, MANY_WORN = 10, 60
_DIGIT = re.compile(r"[0-9]")
_A_NUMBER = r"(?:(?<![A-Z0-9.,])|(?<=[0-9\s]X))(?:Ø|⌀|DIA\.?\s*)?[0-9.,]"
_TWO_NUMBERS = re.compile(f"{_A_NUMBER}.*?{_A_NUMBER}", re.DOTALL)
_TIMES = re.compile(r"(?<=\d)\*(?=\d)")


def seal_readings(clean: str, typed: str, most_worn: int = FEW_WORN) -> list[MarkingReading]:
    """Read a text as a seal, ring or small part of every family it can be of.

    Formula: sizes that stand on a list score 1, others 0.45; a family named by a word 1, guessed from the
    count of bare sizes less; each unread piece multiplies by 0.6.

    Args:
        clean: The text in capitals.
        typed: The same as it was typed.
        most_worn: How many names a half-legible text gives in each family.

    Returns:
        The readings, best first; none when it is no such text.

    Raises:
        Nothing.

    Source: DIN 3760, SAE AS568, ISO 3601-1, DIN 471; codes in common use (`codes.csv`).

    Example:
        >>> seal_readings("35X52X7 TC", "35x52x7 TC")[0].attributes["kind"]
        'lip_rubber_dust'
    """
    clean = _TIMES.sub("X", clean) if "*" in clean else clean
    if not _DIGIT.search(clean):
        return []
    text = Text(typed, clean)
    found = list(by_code(text))
    if is_wild(clean):
        found += half_read(text, most_worn)
    elif text.words or _TWO_NUMBERS.search(clean):  # one number without a word is the size of nothing
        text.read_numbers()
        found += by_sizes(text)
    found.sort(key=lambda reading: -reading.score)
    return found
