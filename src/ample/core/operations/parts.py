"""Writing a marking, telling a rubber, counting needles: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.contract.specs import seal_of_reading, spec_of_reading
from ample.core.designation import (
    Habit,
    composed_code,
    decode,
    encode,
    encode_seal,
    general_dialect,
)
from ample.core.errors import BadInput
from ample.core.parts.needles import needle_count
from ample.core.parts.rubber import Clues, rubber_by_evidence

HABITS: tuple[Habit, ...] = ("standard", "market", "words")


def rubber(request: contract.RubberRequest) -> contract.RubberAnswer:
    """Tell a rubber by its evidence."""
    return rubber_by_evidence(Clues(**request.model_dump()))


def encode_part(request: contract.EncodeRequest) -> contract.EncodeAnswer:
    """Write what is read in every habit."""
    readings = decode(request.text, family=request.family)
    if not readings:
        raise BadInput("not_a_designation", f"“{request.text[:30]}” cannot be read.", "text")
    reading = readings[0]
    if reading.family == "bearing":
        return contract.EncodeAnswer(
            family="bearing", texts={"general": encode(spec_of_reading(reading), general_dialect())}
        )
    spec = seal_of_reading(reading)
    texts: dict[str, str] = {habit: encode_seal(spec, habit) for habit in HABITS}
    if code := composed_code(spec):
        texts["composed"] = code
    return contract.EncodeAnswer(family=reading.family, texts=texts)


def needles(request: contract.NeedlesRequest) -> contract.NeedleCount:
    """Count how many needles fit."""
    return needle_count(request.inside_mm, request.needle_mm, request.outside_mm, request.counted)
