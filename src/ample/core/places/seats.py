"""The seats of a bearing as a sheet: readings as they were typed, judged by the rules of the bearing's kind."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Literal

from pydantic import BaseModel, Field

from ample.core.errors import AmpleError, BadInput
from ample.core.fits import (
    ClearanceAfterFitting,
    Compound,
    Duty,
    Interference,
    MeasuredSeat,
    RunsAs,
    SeatCheck,
    SeenOfSeat,
    Spread,
    ZoneChoice,
    check_seat,
    choose_zone,
    clearance_left,
    seat_interference,
    zone_interference,
    zone_limits,
)
from ample.core.fits.clearance import NO_RING
from ample.core.fits.judging.drive_up import DriveUp, drive_up_of
from ample.core.fits.judging.repair import Sign
from ample.core.fits.judging.rules import (
    TAPER_BORE,
    class_of_rings,
    has_seat,
    no_seat_words,
    seat_rule,
    seat_size_mm,
)
from ample.core.fits.setting import SettingAfterFitting, setting_after_fitting
from ample.core.parts import BearingSpec
from ample.core.sheet import Sheet
from ample.core.sizes import Instrument, parse_length
from ample.core.sizes.materials import Material

SeatName = Literal["shaft", "housing"]
SIDES: tuple[SeatName, ...] = ("shaft", "housing")
MOST_DIRECTIONS = 8
RING_READ_U_UM = 1.0  # standard uncertainty of a ring's own size, read against a setting standard
TAPERED = (
    "The bore is tapered: it is driven up. Enter the size of the shaft under its sleeve to check that seat."
)
SIZE_WHILE_UNKNOWN_MM = 25.0  # a zone is known or not whatever the size


class SeatSide(Sheet):
    """One seat as it was typed: zone asked for (empty: as advised), instrument, planes of readings."""

    zone: str = Field(default="", max_length=16)
    instrument: str = Field(min_length=1, max_length=40)
    material: Material = "steel"
    planes: list[list[str]] = Field(default_factory=list, max_length=6)
    standard_um: float | None = Field(
        default=None, ge=0, le=100, description="U (k = 2) of the setting standard it was zeroed on"
    )
    ring: str = Field(default="", max_length=24, description="the ring's own size as measured")
    hardness_hrc: float | None = Field(default=None, ge=0, le=80)
    roughness_um: float | None = Field(default=None, ge=0, le=1000)
    signs: list[Sign] = Field(default_factory=list, max_length=8)


class SeatSheet(Sheet):
    """What is kept of both seats and the load case."""

    turning: Literal["shaft", "housing", "shaking"] = "shaft"
    load: Literal["light", "normal", "heavy"] = "normal"
    slides: bool = False
    split: bool = False
    radial_n: float | None = Field(default=None, ge=0, le=100_000_000)
    warmer_inner_k: float = Field(default=10.0, ge=-20, le=100)
    running_c: float | None = Field(default=None, ge=-60, le=300, description="how warm the parts run")
    hollow_mm: float = Field(default=0.0, ge=0, le=500, description="hole through the shaft")
    sleeve_bore: str = Field(
        default="", max_length=24, description="the shaft under the sleeve of a taper bore"
    )
    compound_um: float | None = Field(default=None, gt=0, le=5000)
    compound_c: float | None = Field(default=None, ge=0, le=500)
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
class Absent:
    """Why there is nothing to judge on a side: the bearing has no seat there, or it is driven up on a taper."""

    code: Literal["no_seat", "taper_bore"]
    words: str


@dataclass(frozen=True)
class SeatsJudged:
    """Both seats judged by the rules of the bearing's kind, with the clearance that they leave.

    `absent` says by side why there is nothing to judge there; `drive_up` is that of a taper bore, `setting` what fitting takes
    from the axial play of a bearing that is set against another.
    """

    shaft: SeatJudgement | None
    housing: SeatJudgement | None
    clearance: ClearanceAfterFitting | None
    absent: Mapping[SeatName, Absent]
    drive_up: DriveUp | None = None
    setting: SettingAfterFitting | None = None


def judge_seats(sheet: SeatSheet, facts: SeatFacts) -> SeatsJudged | None:
    """Judge both seats as far as they are measured, and the clearance they leave, by the rules of the bearing's kind.

    Args:
        sheet: What was typed.
        facts: The bearing that is to be fitted, and the instruments by name.

    Returns:
        The judgement of both sides; None while no bearing is known.

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
    return _Sheet(sheet, facts.fitted.spec, facts).judged()


class _Sheet:
    """A sheet of seats with the bearing that it is judged for."""

    def __init__(self, sheet: SeatSheet, spec: BearingSpec, facts: SeatFacts):
        self.sheet, self.spec, self.facts = sheet, spec, facts
        self.duty = Duty(sheet.turning, sheet.load, sheet.slides, sheet.split, sheet.radial_n)
        self.taper = spec.bore_shape != "cylindrical"

    def judged(self) -> SeatsJudged:
        """Both sides; each is judged with what is measured of the other."""
        absent = {side: why for side in SIDES if (why := self._absent(side))}
        found: dict[SeatName, SeatJudgement | None] = dict.fromkeys(SIDES)
        taken: dict[SeatName, Interference] = {}
        self.as_zones: list[SeatName] = []
        for side in SIDES:
            if side not in absent:
                taken[side] = self._interference(side)
        for side in SIDES:
            if side not in absent:
                found[side] = self._side(side, taken.get("housing" if side == "shaft" else "shaft"))
        drive_up = drive_up_of(self.spec, self.spec.clearance) if self.taper else None
        setting = setting_after_fitting(
            self.spec, taken.get("shaft", NO_RING), taken.get("housing", NO_RING), self.sheet.hollow_mm,
            self.sheet.housing.material,
        )  # fmt: skip
        left = self._clearance(found, taken)
        return SeatsJudged(found["shaft"], found["housing"], left, absent, drive_up, setting)

    def _absent(self, side: SeatName) -> Absent | None:
        if not has_seat(self.spec, side):
            return Absent("no_seat", no_seat_words(self.spec, side))
        if side == "shaft" and self.taper and not self._sleeve():
            return Absent("taper_bore", TAPERED)
        return None

    def _sleeve(self) -> float | None:
        text = self.sheet.sleeve_bore.strip()
        return _read(text, "sleeve_bore") if text and self.taper else None

    def _measured(self, side: SeatName, other: Interference | None = None) -> MeasuredSeat | None:
        """The seat as it was measured; None while nothing is read."""
        sheet, typed = self.sheet, self.sheet.side(side)
        readings = _readings(typed)
        if not readings:
            return None
        size = seat_size_mm(self.spec, side, seat_rule(self.spec, side, self.duty))
        ring = typed.ring.strip()
        own = Spread((_read(ring, "ring") - size) * 1000, RING_READ_U_UM) if ring else None
        compound = Compound("", sheet.compound_um, sheet.compound_c or 150.0) if sheet.compound_um else None
        return MeasuredSeat(
            part=side,
            bearing=self.spec,
            readings_mm=readings,
            instrument=self.facts.instrument_of(typed.instrument),
            zone=typed.zone or None,
            duty=self.duty,
            part_c=sheet.temperature_c,
            instrument_c=sheet.instrument_temperature_c,
            material=typed.material,
            standard_um=typed.standard_um,
            ring=own,
            other=other,
            running=RunsAs(
                sheet.warmer_inner_k, sheet.running_c, sheet.hollow_mm, None, sheet.housing.material
            ),
            seen=SeenOfSeat(typed.hardness_hrc, typed.roughness_um, tuple(typed.signs), compound),
            sleeve_bore_mm=self._sleeve(),
        )

    def _interference(self, side: SeatName) -> Interference:
        """As measured, else that of the zone: never no interference at all."""
        typed = self.sheet.side(side)
        try:
            measured = self._measured(side)
            found = seat_interference(measured) if measured else None
            if found is not None:
                return found
            self.as_zones.append(side)
            return zone_interference(self.spec, side, self.duty, typed.zone or None, typed.material)
        except BadInput:
            return zone_interference(self.spec, side, self.duty, None, typed.material)

    def _side(self, side: SeatName, other: Interference | None) -> SeatJudgement:
        typed = self.sheet.side(side)
        rule = seat_rule(self.spec, side, self.duty)
        size = (self._sleeve() if rule.rule == TAPER_BORE else None) or seat_size_mm(self.spec, side, rule)
        cls = class_of_rings(self.spec)
        fault: AmpleError | None = None
        try:
            zones = choose_zone(rule, side, size, self.duty, typed.zone or None, cls, typed.material)
        except BadInput as error:
            fault = error
            zones = choose_zone(rule, side, size, self.duty, None, cls, typed.material)
        check = None
        try:
            measured = self._measured(side, other)
            if measured and fault is None:
                check = check_seat(measured)
        except AmpleError as error:
            fault = error
        return SeatJudgement(
            check=check,
            zones=zones,
            fault=fault.message if fault else None,
            fault_field=f"{side}.{fault.field}" if fault else None,
        )

    def _clearance(
        self, found: Mapping[SeatName, SeatJudgement | None], taken: Mapping[SeatName, Interference]
    ) -> ClearanceAfterFitting | None:
        try:
            left = clearance_left(
                self.spec,
                taken.get("shaft", NO_RING),
                taken.get("housing", NO_RING),
                warmer_inner_k=self.sheet.warmer_inner_k,
                hollow_mm=self.sheet.hollow_mm,
                housing_material=self.sheet.housing.material,
            )
        except BadInput:
            return None  # not bought with a radial clearance, or smaller than its table: nothing to show
        as_zones = [
            f"The {side} is {'measured too coarsely' if judged.check else 'not measured'}: taken as {judged.zones.chosen_zone}."
            for side in self.as_zones
            if (judged := found[side]) is not None
        ]
        return replace(left, words=" ".join((left.words, *as_zones)))


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
    if sheet.sleeve_bore.strip():
        _read(sheet.sleeve_bore, "sheet.sleeve_bore")
    for side in SIDES:
        typed = sheet.side(side)
        if typed.zone:
            size = SIZE_WHILE_UNKNOWN_MM
            if facts.fitted:
                size = facts.fitted.d_mm if side == "shaft" else facts.fitted.D_mm
            try:
                zone_limits(size, typed.zone)
            except BadInput as error:
                raise BadInput(error.code, error.message, f"sheet.{side}.zone", error.hint) from error
        if typed.ring.strip():
            _read(typed.ring, f"sheet.{side}.ring")
        for plane, row in enumerate(typed.planes):
            field = f"sheet.{side}.planes[{plane}]"
            if len(row) > MOST_DIRECTIONS:
                raise BadInput("bad_directions", f"At most {MOST_DIRECTIONS} directions a plane.", field)
            for direction, text in enumerate(row):
                if text.strip():
                    _read(text, f"{field}[{direction}]")
