"""The seats of a bearing as a sheet: readings as they were typed, judged by the rules of the bearing's kind."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Literal

from pydantic import BaseModel, Field

from ample.core.errors import AmpleError, BadInput
from ample.core.fits import (
    ClearanceAfterFitting,
    Duty,
    MeasuredSeat,
    SeatCheck,
    ZoneChoice,
    check_seat,
    choose_zone,
    clearance_left,
)
from ample.core.fits.ranges import Range
from ample.core.fits.rules import NotJudged, not_judged, not_judged_words
from ample.core.parts import BearingSpec, ring_kind
from ample.core.sheet import Sheet
from ample.core.sizes import Instrument, parse_length
from ample.core.sizes.materials import Material
from ample.core.standards import limits

SeatName = Literal["shaft", "housing"]
SIDES: tuple[SeatName, ...] = ("shaft", "housing")
MOST_DIRECTIONS = 8
SIZE_WHILE_UNKNOWN_MM = 25.0  # a zone is known or not whatever the size


class SeatSide(Sheet):
    """One seat as it was typed: zone asked for (empty: as advised), instrument, planes of readings."""

    zone: str = Field(default="", max_length=6)
    instrument: str = Field(min_length=1, max_length=40)
    material: Material = "steel"
    planes: list[list[str]] = Field(default_factory=list, max_length=6)


class SeatSheet(Sheet):
    """What is kept of both seats and the load case."""

    turning: Literal["shaft", "housing", "shaking"] = "shaft"
    load: Literal["light", "normal", "heavy"] = "normal"
    slides: bool = False
    split: bool = False
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    temperature_c: float = Field(default=20.0, ge=-60, le=200)
    instrument_temperature_c: float = Field(
        default=20.0, ge=-60, le=200, description="the shop's unless it is said"
    )
    shaft: SeatSide = Field(default_factory=lambda: SeatSide(instrument="micrometer"))
    housing: SeatSide = Field(default_factory=lambda: SeatSide(instrument="bore_gauge"))

    def side(self, name: SeatName) -> SeatSide:
        """One of the two."""
        return self.shaft if name == "shaft" else self.housing


class FittedBearing(BaseModel):
    """The bearing that the seats are judged for: the replacement chosen, or what is required."""

    title: str
    chosen: bool = Field(description="a replacement has been chosen; else what must be had")
    size_text: str
    kind: str
    kind_words: str
    dimensions: dict[str, float]
    d_mm: float
    D_mm: float
    tolerance_class: str
    spec: BearingSpec = Field(exclude=True)


@dataclass(frozen=True)
class SeatFacts:
    """What the judge of seats has to know beside the sheet."""

    fitted: FittedBearing | None
    instrument_of: Callable[[str], Instrument]


@dataclass(frozen=True)
class SeatJudgement:
    """One side judged: the check when it is measured, the zones in any case, or what is wrong."""

    check: SeatCheck | None
    zones: ZoneChoice
    fault: str | None
    fault_field: str | None


@dataclass(frozen=True)
class SeatsJudged:
    """Both seats judged with the clearance that they leave; or why a bearing of this kind is not judged."""

    shaft: SeatJudgement | None
    housing: SeatJudgement | None
    clearance: ClearanceAfterFitting | None
    not_judged: NotJudged | None = None
    words: str = ""


def judge_seats(sheet: SeatSheet, facts: SeatFacts) -> SeatsJudged | None:
    """Judge both seats as far as they are measured, and the clearance they leave, by the rules of the bearing's kind.

    Args:
        sheet: What was typed.
        facts: The bearing that is to be fitted, and the instruments by name.

    Returns:
        The judgement of both sides; why there is none for a bearing without rules; None while no bearing is known.

    Raises:
        NotKnown: When an instrument of the sheet does not exist.

    Source: ISO 286-1, ISO 492, ISO 5753-1, ISO 14253-1 by `fits`.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> judge_seats(SeatSheet(), SeatFacts(None, default_instrument)) is None
        True
    """
    if facts.fitted is None:
        return None
    spec = facts.fitted.spec
    why = not_judged(spec)
    if why is not None:
        return SeatsJudged(None, None, None, why, not_judged_words(spec))
    shaft, housing = (_side(side, spec, sheet, facts) for side in SIDES)
    return SeatsJudged(shaft, housing, _clearance(spec, sheet, shaft, housing))


def _side(side: SeatName, spec: BearingSpec, sheet: SeatSheet, facts: SeatFacts) -> SeatJudgement:
    typed = sheet.side(side)
    duty = Duty(sheet.turning, sheet.load, sheet.slides, sheet.split)
    rings = ring_kind(spec.kind)
    size = spec.d_mm if side == "shaft" else spec.D_mm
    fault: AmpleError | None = None
    try:
        zones = choose_zone(side, size, duty, typed.zone or None, spec.tolerance_class, rings)
    except BadInput as error:
        fault = error
        zones = choose_zone(side, size, duty, None, spec.tolerance_class, rings)
    check = None
    try:
        readings = _readings(typed)
        if readings and fault is None:
            measured = MeasuredSeat(
                part=side,
                bearing_mm=(spec.d_mm, spec.D_mm, spec.B_mm),
                readings_mm=readings,
                instrument=facts.instrument_of(typed.instrument),
                zone=typed.zone or zones.zone,
                duty=duty,
                tolerance_class=spec.tolerance_class,
                ring_kind=rings,
                part_c=sheet.temperature_c,
                instrument_c=sheet.instrument_temperature_c,
                material=typed.material,
            )
            check = check_seat(measured)
    except AmpleError as error:
        fault = error
    return SeatJudgement(
        check=check,
        zones=zones,
        fault=fault.message if fault else None,
        fault_field=f"{side}.{fault.field}" if fault else None,
    )


def _readings(side: SeatSide) -> list[list[float]]:
    """Readings that were typed, by plane, mm; empty fields are not yet read."""
    planes = []
    for plane, row in enumerate(side.planes):
        values = [
            _read(text, f"planes[{plane}][{direction}]") for direction, text in enumerate(row) if text.strip()
        ]
        if values:
            planes.append(values)
    return planes


def _read(text: str, field: str) -> float:
    try:
        return parse_length(text).mm
    except BadInput as error:
        raise BadInput(error.code, error.message, field, error.hint) from error


def _clearance(
    spec: BearingSpec, sheet: SeatSheet, shaft: SeatJudgement, housing: SeatJudgement
) -> ClearanceAfterFitting | None:
    """A seat that is not measured counts as its zone, never as no interference at all."""
    on, within = (_taken_as(side, judged) for side, judged in zip(SIDES, (shaft, housing), strict=True))
    try:
        found = clearance_left(spec, on, within, warmer_inner_k=sheet.warmer_inner_k)
    except BadInput:
        return None  # not bought with a radial clearance, or smaller than its table: nothing to show
    as_zones = [
        f"The {side} is not measured: taken as {judged.zones.chosen_zone}."
        for side, judged in zip(SIDES, (shaft, housing), strict=True)
        if judged.check is None
    ]
    return replace(found, words=" ".join((found.words, *as_zones)))


def _taken_as(side: SeatName, judged: SeatJudgement) -> Range:
    """The interference of a seat, µm: as measured, else that of its zone against the bearing's ring."""
    if judged.check is not None:
        return judged.check.interference_um
    zone = judged.zones
    if side == "shaft":
        least, most = zone.zone_lower_um - zone.ring_upper_um, zone.zone_upper_um - zone.ring_lower_um
    else:
        least, most = zone.ring_lower_um - zone.zone_upper_um, zone.ring_upper_um - zone.zone_lower_um
    return Range(least, (least + most) / 2, most)


def check_seat_sheet(sheet: SeatSheet, facts: SeatFacts) -> None:
    """Refuse a sheet with a reading that cannot be read, or a zone that does not exist.

    Args:
        sheet: What was typed.
        facts: The bearing that is to be fitted, if it is known.

    Raises:
        BadInput: At the field of the sheet.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> check_seat_sheet(SeatSheet(), SeatFacts(None, default_instrument))
    """
    for side in SIDES:
        typed = sheet.side(side)
        if typed.zone:
            size = SIZE_WHILE_UNKNOWN_MM
            if facts.fitted:
                size = facts.fitted.d_mm if side == "shaft" else facts.fitted.D_mm
            try:
                limits(size, typed.zone)
            except BadInput as error:
                raise BadInput(error.code, error.message, f"sheet.{side}.zone", error.hint) from error
        for plane, row in enumerate(typed.planes):
            field = f"sheet.{side}.planes[{plane}]"
            if len(row) > MOST_DIRECTIONS:
                raise BadInput("bad_directions", f"At most {MOST_DIRECTIONS} directions a plane.", field)
            for direction, text in enumerate(row):
                if text.strip():
                    _read(text, f"{field}[{direction}]")
