"""Seats kept and judged."""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal

from ample.base import job_queries as jobs
from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_part
from ample.base.records import PartHead
from ample.core.designation import title_of
from ample.core.errors import AmpleError, BadInput, Conflict
from ample.core.fits import (
    ClearanceAfterFitting,
    Duty,
    MeasuredSeat,
    check_seat,
    choose_zone,
    clearance_left,
)
from ample.core.fits.rules import not_judged, not_judged_words
from ample.core.parts import BearingSpec, bearing_kinds, ring_kind
from ample.core.sizes import Instrument, parse_length
from ample.core.standards import limits
from ample.shop.bench import queries as bench
from ample.shop.bench.actions import known_item
from ample.shop.bench.requirements import requirements_of
from ample.shop.seats import queries
from ample.shop.seats.records import (
    FittedPart,
    SeatJudgement,
    SeatsAnswer,
    SeatSave,
    SeatSheet,
    SeatSide,
    SeatsJudged,
)
from ample.store import Transaction

InstrumentOf = Callable[[str], Instrument]
SeatName = Literal["shaft", "housing"]
SIDES: tuple[SeatName, ...] = ("shaft", "housing")


def fitted_part(t: Transaction, part: PartHead) -> FittedPart | None:
    """The bearing that would be fitted: the chosen replacement, else what must be had.

    A seal, ring or small part is not pressed to a zone and has no seats here.
    """
    row = bench.match(t, part.part_id)
    if row is not None:
        item = known_item(t, row["item_id"])
        spec, title, chosen = item.spec, item.marking, True
    else:
        wanted = requirements_of(t, [part]).get(part.part_id)
        if wanted is None or wanted.spec is None:
            return None
        spec, title, chosen = wanted.spec, title_of(wanted), False
    return as_fitted(spec, title, chosen) if isinstance(spec, BearingSpec) else None


def as_fitted(spec: BearingSpec, title: str, chosen: bool) -> FittedPart:
    """A bearing as Seats asks for it."""
    return FittedPart(
        title=title, chosen=chosen, size_text=spec.size_text, kind=spec.kind,
        kind_words=bearing_kinds()[spec.kind].words, dimensions=spec.dimensions, d_mm=spec.d_mm, D_mm=spec.D_mm,
        tolerance_class=spec.tolerance_class, spec=spec,
    )  # fmt: skip


def sheet_of(t: Transaction, part_id: int) -> tuple[SeatSheet, int]:
    """The seat sheet of a part and its version; an empty one when none is kept."""
    row = queries.sheet(t, part_id)
    if row is None:
        return SeatSheet(), 0
    planes: dict[str, list[list[str]]] = {side: [] for side in SIDES}
    for reading in queries.readings(t, part_id):
        held = planes[reading["side"]]
        while len(held) <= reading["plane"]:
            held.append([])
        while len(held[reading["plane"]]) < reading["direction"]:
            held[reading["plane"]].append("")
        held[reading["plane"]].append(reading["typed"])
    sides = {
        side: SeatSide(zone=row[f"{side}_zone"], instrument=row[f"{side}_instrument"], planes=planes[side])
        for side in SIDES
    }
    sheet = SeatSheet(
        turning=row["turning"],
        load=row["load_level"],
        slides=bool(row["slides"]),
        split=bool(row["split"]),
        warmer_inner_k=float(row["warmer_inner_k"]),
        temperature_c=float(row["temperature_c"]),
        **sides,
    )
    return sheet, row["version"]


def seats_of(t: Transaction, part_id: int, instrument_of: InstrumentOf) -> SeatsAnswer:
    """The seats of a part with their judgement."""
    part = known_part(t, part_id)
    job = jobs.job_by_id(t, part.job_id)
    assert job is not None
    fitted = fitted_part(t, part)
    sheet, version = sheet_of(t, part_id)
    judged = judge(fitted.spec, sheet, instrument_of) if fitted else None
    return SeatsAnswer(job=job, part=part, fitted=fitted, sheet=sheet, version=version, judged=judged)


def judge(spec: BearingSpec, sheet: SeatSheet, instrument_of: InstrumentOf) -> SeatsJudged:
    """Judge both seats as far as they are measured, and the clearance they leave; by the rules of the bearing's
    kind, or not at all.
    """
    why = not_judged(spec)
    if why is not None:
        return SeatsJudged(
            shaft=None, housing=None, clearance=None, not_judged=why, words=not_judged_words(spec)
        )
    shaft = _side("shaft", spec, sheet, instrument_of)
    housing = _side("housing", spec, sheet, instrument_of)
    return SeatsJudged(shaft=shaft, housing=housing, clearance=_clearance(spec, sheet, shaft, housing))


def _side(side: SeatName, spec: BearingSpec, sheet: SeatSheet, instrument_of: InstrumentOf) -> SeatJudgement:
    typed: SeatSide = getattr(sheet, side)
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
                instrument=instrument_of(typed.instrument),
                zone=typed.zone or zones.zone,
                duty=duty,
                tolerance_class=spec.tolerance_class,
                ring_kind=rings,
                part_c=sheet.temperature_c,
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
    """Readings that were typed, by plane; empty fields are not yet read."""
    planes = []
    for plane, row in enumerate(side.planes):
        values = []
        for direction, text in enumerate(row):
            if text.strip():
                try:
                    values.append(parse_length(text).mm)
                except BadInput as error:
                    place = f"planes[{plane}][{direction}]"
                    raise BadInput(error.code, error.message, place, error.hint) from error
        if values:
            planes.append(values)
    return planes


def _clearance(
    spec: BearingSpec, sheet: SeatSheet, shaft: SeatJudgement, housing: SeatJudgement
) -> ClearanceAfterFitting | None:
    on, within = (side.check.interference_um if side.check else None for side in (shaft, housing))
    try:
        return clearance_left(spec, on, within, warmer_inner_k=sheet.warmer_inner_k)
    except BadInput:
        return None  # not bought with a radial clearance, or smaller than its table: nothing to show


def save_seats(
    t: Transaction, doer: Doer, part_id: int, save: SeatSave, instrument_of: InstrumentOf
) -> SeatsAnswer:
    """Keep a seat sheet; one made from an older version is refused with the newer one beside it."""
    part = known_part(t, part_id, lock=True)
    row = queries.sheet(t, part_id, lock=True)
    before, version = sheet_of(t, part_id)
    values = _checked(save.sheet, fitted_part(t, part))
    if (row["version"] if row else 0) != save.version:
        raise Conflict(
            "changed_meanwhile",
            "Someone else changed these seats meanwhile.",
            None,
            "Both are shown; nothing is lost.",
            {"version": version, "sheet": before.model_dump()},
        )
    sheet = save.sheet
    queries.set_sheet(
        t,
        sheet.model_dump(exclude={"shaft", "housing"})
        | {
            "part_id": part_id,
            "shaft_zone": sheet.shaft.zone,
            "housing_zone": sheet.housing.zone,
            "shaft_instrument": sheet.shaft.instrument,
            "housing_instrument": sheet.housing.instrument,
        },
    )
    queries.replace_readings(t, part_id, values)
    record(t, doer, "part", part_id, "seats", before, sheet)
    return seats_of(t, part_id, instrument_of)


def _checked(sheet: SeatSheet, fitted: FittedPart | None) -> list[dict[str, object]]:
    """The readings as rows; one that cannot be read, or a zone that does not exist, is refused."""
    rows: list[dict[str, object]] = []
    for side in SIDES:
        typed: SeatSide = getattr(sheet, side)
        if typed.zone:
            try:
                size = (fitted.d_mm if side == "shaft" else fitted.D_mm) if fitted else 25.0
                limits(size, typed.zone)
            except BadInput as error:
                raise BadInput(error.code, error.message, f"sheet.{side}.zone", error.hint) from error
        for plane, row in enumerate(typed.planes):
            if len(row) > 8:
                raise BadInput(
                    "bad_directions", "At most 8 directions a plane.", f"sheet.{side}.planes[{plane}]"
                )
            for direction, text in enumerate(row):
                if not text.strip():
                    continue
                try:
                    value = parse_length(text).mm
                except BadInput as error:
                    field = f"sheet.{side}.planes[{plane}][{direction}]"
                    raise BadInput(error.code, error.message, field, error.hint) from error
                rows.append({
                    "side": side, "plane": plane, "direction": direction,
                    "typed": text, "value_mm": round(value, 7),
                })  # fmt: skip
    return rows
