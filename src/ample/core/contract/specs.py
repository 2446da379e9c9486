"""From what was asked to a part's spec: a marking, a designation with changes, or bare sizes."""

from __future__ import annotations

from dataclasses import replace
from functools import lru_cache
from typing import Any

from ample.core.contract.interchange import SpecRequest
from ample.core.designation import decode
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, BearingSpec, MarkingReading, PartSpec, SealSpec, bearing_kinds
from ample.core.parts.specifying import specified
from ample.core.standards import seal_sizes


def spec_of(request: str | SpecRequest, field: str) -> BearingSpec:
    """The bearing that a designation, or sizes with attributes, stand for."""
    asked = SpecRequest(designation=request) if isinstance(request, str) else request
    spec = _spec_of_marking(asked.designation, field) if asked.designation else _spec_of_sizes(asked, field)
    given = {
        "closure": asked.closure,
        "clearance": asked.clearance,
        "tolerance_class": asked.tolerance_class,
        "cage": asked.cage,
        "snap_ring": asked.snap_ring,
        "d_mm": asked.d_mm,
        "D_mm": asked.D_mm,
        "B_mm": asked.B_mm,
        "T_mm": asked.T_mm,
        "C_mm": asked.C_mm,
        "kind": asked.kind,
    }
    changes: dict[str, Any] = {name: value for name, value in given.items() if value is not None}
    _check_attributes(changes, field)
    return replace(spec, **changes)


def _check_attributes(changes: dict[str, Any], field: str) -> None:
    for name, known in (
        ("closure", tuple(CLOSURES)),
        ("clearance", ("1", "2", "N", "3", "4", "5")),
        ("tolerance_class", ("Normal", "6", "6X", "5", "SP", "4", "UP", "2")),
        ("kind", tuple(bearing_kinds())),
    ):
        if name in changes and changes[name] not in known:
            raise BadInput(
                "no_such_value",
                f"Unknown {name.replace('_', ' ')} “{str(changes[name])[:20]}”.",
                f"{field}.{name.replace('tolerance_', '')}",
                f"One of {', '.join(known)}.",
            )


def _spec_of_marking(text: str, field: str) -> BearingSpec:
    try:
        readings = decode(text, family="bearing")
    except BadInput as error:
        raise BadInput(error.code, error.message, field, error.hint) from error
    readings = tuple(each for each in readings if len(each.dimensions) > 1)
    if not readings:
        raise BadInput(
            "not_a_designation",
            f"No size available for bearing “{text[:30]}”.",
            field,
            "Give bore, outside and width instead.",
        )
    return spec_of_reading(readings[0])


def spec_of_reading(reading: MarkingReading) -> BearingSpec:
    """The specification that a reading of a bearing's marking amounts to."""
    found = part_of_reading(reading)
    assert isinstance(found, BearingSpec)
    return found


def seal_of_reading(reading: MarkingReading) -> SealSpec:
    """The seal, ring or small part that a reading of a marking amounts to."""
    found = part_of_reading(reading)
    assert isinstance(found, SealSpec)
    return found


def part_of_reading(reading: MarkingReading) -> PartSpec:
    """The part of whatever family that a reading of a marking amounts to."""
    return specified(
        reading.family, reading.attributes["kind"], reading.designation, reading.series, reading.dimensions,
        reading.attributes,
    )  # fmt: skip


def part_of(request: str | SpecRequest, field: str) -> PartSpec:
    """The part of whatever family that a designation, or sizes with attributes, stand for."""
    text = request if isinstance(request, str) else request.designation
    if text:
        try:
            readings = decode(text)
        except BadInput as error:
            raise BadInput(error.code, error.message, field, error.hint) from error
        if readings and readings[0].family != "bearing":
            return part_of_reading(readings[0])
    return spec_of(request, field)


def _spec_of_sizes(asked: SpecRequest, field: str) -> BearingSpec:
    if asked.d_mm is None or asked.D_mm is None or asked.B_mm is None:
        raise BadInput(
            "no_size", "Give a designation, or bore, outside and width.", field, "d_mm, D_mm, B_mm"
        )
    if asked.D_mm <= asked.d_mm:
        raise BadInput("bad_sizes", "The outside diameter must be larger than the bore.", f"{field}.D_mm")
    name = f"{asked.d_mm:g}x{asked.D_mm:g}x{asked.B_mm:g}"
    return BearingSpec(name, "", asked.d_mm, asked.D_mm, asked.B_mm)


@lru_cache
def _called() -> dict[tuple[str, str], str]:
    return {(size.family, size.designation): size.called for size in seal_sizes() if size.called}


def called(spec: PartSpec) -> str:
    """What the trade calls a part where that is not its size: `1/8 × 1 1/2 in` of the O-ring -222."""
    return _called().get((spec.family, spec.designation), "")
