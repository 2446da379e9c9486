"""A part on the bench: its sheet checked, and what it can be."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ample.core import contract
from ample.core.contract.bench import BenchSheet, TypedReading
from ample.core.errors import AmpleError, BadInput
from ample.core.identify import KindEvidence
from ample.core.parts import FAMILIES
from ample.core.parts.attributes import check_said
from ample.core.sizes import Length, parse_length


@dataclass(frozen=True)
class BenchFacts:
    """As what family a part lies there, and how what is read of it is looked up."""

    lies_as: contract.FamilyName = "bearing"
    identify: Callable[[contract.IdentifyRequest], contract.IdentifyAnswer] | None = None


def settle_bench(sheet: BenchSheet, before: BenchSheet, facts: BenchFacts) -> BenchSheet:
    """The sheet as it is kept: with the family that the part lies there as, where no other is stated."""
    return sheet if sheet.family else sheet.model_copy(update={"family": facts.lies_as})


def check_bench(sheet: BenchSheet, facts: BenchFacts) -> None:
    """Refuse what cannot be read or does not belong to the family, at its field.

    Raises:
        BadInput: For a reading that is no length, a feature given twice or of another family, an unknown kind,
            answer or attribute.
    """
    lengths_of(sheet)
    family = FAMILIES[sheet.family or facts.lies_as]
    KindEvidence.of(sheet.kind or None, sheet.answers, family)
    check_said(sheet.said, "sheet.said")
    for each in sheet.observations:
        family.feature(each.feature)


def lengths_of(sheet: BenchSheet) -> list[tuple[str, TypedReading, str, Length]]:
    """The readings of a sheet in order: feature, as typed, instrument, length.

    Raises:
        BadInput: For a reading that is no length, or a feature given twice with one instrument.
    """
    given = [(each.feature, each.instrument) for each in sheet.observations]
    if len(set(given)) != len(given):
        raise BadInput("feature_twice", "A feature is given twice with one instrument.", "sheet.observations")
    found: list[tuple[str, TypedReading, str, Length]] = []
    for number, each in enumerate(sheet.observations):
        for place, reading in enumerate(each.readings):
            try:
                length = parse_length(reading.typed, reading.unit)
            except BadInput as error:
                field = f"sheet.observations[{number}].readings[{place}].typed"
                raise BadInput(error.code, error.message, field, error.hint) from error
            found.append((each.feature, reading, each.instrument, length))
    return found


def judge_bench(sheet: BenchSheet, facts: BenchFacts) -> contract.BenchJudged:
    """What a part can be; an empty sheet gives no answer."""
    if facts.identify is None or not (sheet.observations or sheet.marking or sheet.kind or sheet.answers):
        return contract.BenchJudged(found=None)
    try:
        return contract.BenchJudged(
            found=facts.identify(request_of(sheet, family=sheet.family or facts.lies_as))
        )
    except AmpleError as error:
        return contract.BenchJudged(found=None, refused=error.message)


def request_of(
    sheet: BenchSheet, limit: int = 10, family: contract.FamilyName = "bearing"
) -> contract.IdentifyRequest:
    """The question to the core that a sheet amounts to."""
    return contract.IdentifyRequest(
        family=family,
        observations=[
            contract.ObservationRequest(
                feature=each.feature,
                values=[_with_unit(reading) for reading in each.readings],
                instrument=each.instrument,
                condition=sheet.condition or None,
            )
            for each in sheet.observations
        ],
        kind=sheet.kind or None,
        answers=sheet.answers,
        condition=sheet.condition,
        said=sheet.said,
        duty=contract.DutyAsked(medium=sheet.medium, temperature_c=sheet.temperature_c),
        marking=sheet.marking or None,
        limit=limit,
    )


def _with_unit(reading: TypedReading) -> str:
    """As it was typed, with the unit of the field where it has none of its own: how finely it was typed is kept."""
    own_unit = parse_length(reading.typed, "mm").exact_mm == parse_length(reading.typed, "in").exact_mm
    return reading.typed if own_unit else f"{reading.typed} {reading.unit}"
