"""The requirement of a part: as the Bench confirmed it, with where it goes and what it bears today."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from pydantic import TypeAdapter

from ample.base.places import places_of
from ample.base.records import PartHead, PlaceOfPart
from ample.core.parts.requirement import OperatingConditions, Requirement, WhereItGoes
from ample.sheets.kind import Value
from ample.sheets.kinds.seats import SEATS
from ample.sheets.store import values_of
from ample.shop.bench import queries
from ample.store import Transaction

_REQUIREMENT = TypeAdapter(Requirement)


def as_json(requirement: Requirement) -> str:
    """A requirement as it is kept."""
    return _REQUIREMENT.dump_json(requirement).decode()


def from_json(text: str) -> Requirement:
    """A kept requirement."""
    return _REQUIREMENT.validate_json(text)


def requirements_of(t: Transaction, parts: Sequence[PartHead]) -> dict[int, Requirement]:
    """The requirements of parts that are identified."""
    kept = queries.requirements(t, [part.part_id for part in parts])
    places = places_of(t, list(kept))
    seats = values_of(t, SEATS, list(kept))
    return {
        part.part_id: of_today(
            from_json(kept[part.part_id]), part, places[part.part_id], seats.get(part.part_id, {})
        )
        for part in parts
        if part.part_id in kept
    }


def of_today(
    requirement: Requirement, part: PartHead, place: PlaceOfPart, seats: dict[str, list[Value]]
) -> Requirement:
    """A requirement with what other sheets know of the part: where it goes, how many, what it has to bear."""
    return replace(
        requirement,
        count=place.needed,
        place=WhereItGoes(
            place.job_title, place.job_number, place.part_name, place.line, tuple(place.neighbours)
        ),
        duty=OperatingConditions(
            rpm=part.rpm,
            temperature_c=part.temperature_c,
            medium=part.medium,
            dirty=part.dirty or None,
            rotating_ring=_said(seats, "turning"),
            load=_said(seats, "load"),
        ),
    )


def _said(seats: dict[str, list[Value]], name: str) -> str:
    """What the seats say; nothing while nobody has looked at them."""
    return str(next(iter(seats.get(name, ())), ""))
