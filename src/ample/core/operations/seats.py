"""Seats, zones advised and the clearance left: operations of the register."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from ample.core import contract
from ample.core.contract.specs import spec_of
from ample.core.errors import BadInput
from ample.core.fits import (
    Compound,
    Duty,
    Interference,
    MeasuredSeat,
    RunsAs,
    SeenOfSeat,
    Spread,
    check_seat,
    choose_zone,
    clearance_left,
    seat_interference,
    zone_interference,
)
from ample.core.fits.judging.rules import class_of_rings, seat_rule, seat_size_mm
from ample.core.parts import BearingSpec
from ample.core.sizes import (
    Instrument,
    default_instrument,
)

InstrumentOf = Callable[[str], Instrument]


def _asked_spec(request: contract.SeatRequest | contract.FittedClearanceRequest) -> BearingSpec:
    return spec_of(
        contract.SpecRequest(
            designation=request.designation, d_mm=request.d_mm, D_mm=request.D_mm, B_mm=request.B_mm
        ),
        "designation",
    )


def _instrument(asked: str | contract.InstrumentRequest, instrument_of: InstrumentOf) -> Instrument:
    if isinstance(asked, str):
        return instrument_of(asked)
    base = default_instrument(asked.kind)
    u = asked.expanded_uncertainty_mm
    return replace(base, outside_u_mm=u, inside_u_mm=u, depth_u_mm=u, scatter_mm=min(base.scatter_mm, u / 2))


def seat(request: contract.SeatRequest) -> contract.SeatCheck:
    """Judge a seat by its measured planes."""
    return seat_answer(request)


def seat_answer(
    request: contract.SeatRequest, instrument_of: InstrumentOf = default_instrument
) -> contract.SeatCheck:
    """Judge a seat from a request, with the shop's own instruments."""
    return seat_of(_asked_spec(request), request, instrument_of)


def seat_of(
    spec: BearingSpec, request: contract.SeatRequest, instrument_of: InstrumentOf = default_instrument
) -> contract.SeatCheck:
    """Judge a seat of a bearing that is known; what the request says of its sizes is not looked at."""
    duty = _duty(request.duty)
    size = seat_size_mm(spec, request.part, seat_rule(spec, request.part, duty))
    ring = request.ring
    compound = request.compound
    measured = MeasuredSeat(
        part=request.part,
        bearing=spec,
        readings_mm=request.readings_mm,
        instrument=_instrument(request.instrument, instrument_of),
        zone=request.zone,
        duty=duty,
        tolerance_class=request.tolerance_class,
        part_c=request.temperature_c,
        instrument_c=request.instrument_temperature_c,
        edition=request.edition,
        finish=request.finish,
        material=request.material,
        standard_um=request.zeroed_on.expanded_uncertainty_um if request.zeroed_on else None,
        ring=Spread((ring.mean_mm - size) * 1000, ring.expanded_uncertainty_um / 2) if ring else None,
        running=RunsAs(request.warmer_inner_k, request.running_c, request.hollow_mm, request.group),
        seen=SeenOfSeat(
            request.hardness_hrc,
            request.roughness_um,
            tuple(request.signs),
            Compound("", compound.gap_um, compound.max_c) if compound else None,
        ),
        sleeve_bore_mm=request.sleeve_bore_mm,
    )
    if request.other_readings_mm:
        other = "housing" if request.part == "shaft" else "shaft"
        tool = default_instrument("bore_gauge" if other == "housing" else "micrometer")
        there = replace(
            measured, part=other, readings_mm=request.other_readings_mm, instrument=tool, zone=None, ring=None
        )
        measured = replace(measured, other=_other(there, "other_readings_mm"))
    return check_seat(measured)


def _other(seat: MeasuredSeat, field: str) -> Interference | None:
    """The interference of the other seat; what is wrong with it is said at its own field."""
    try:
        return seat_interference(seat)
    except BadInput as error:
        own = (error.field or "").replace("readings_mm", field) or field
        raise BadInput(error.code, error.message, own, error.hint) from error


def _duty(request: contract.DutyRequest | None) -> Duty:
    return Duty(**request.model_dump()) if request else Duty()


def advised_zones(request: contract.ZoneAdviceRequest) -> contract.ZoneChoice:
    """Advise a zone for a seat by the rules of the bearing's kind."""
    size = request.size_mm
    spec = BearingSpec("", "", size, 2 * size, size / 2)
    if request.designation is not None:
        spec = spec_of(contract.SpecRequest(designation=request.designation), "designation")
    duty = _duty(request.duty)
    return choose_zone(
        seat_rule(spec, request.part, duty),
        request.part,
        size,
        duty,
        request.zone,
        class_of_rings(spec, request.tolerance_class),
        request.material,
    )


def fitted_clearance(request: contract.FittedClearanceRequest) -> contract.ClearanceAfterFitting:
    """Work out the clearance that fitting leaves."""
    spec, duty = _asked_spec(request), _duty(request.duty)
    shaft, housing = (
        Interference.of(given) if given else zone_interference(spec, part, duty)
        for part, given in (("shaft", request.shaft), ("housing", request.housing))
    )
    return clearance_left(
        spec,
        shaft,
        housing,
        group=request.group,
        warmer_inner_k=request.warmer_inner_k,
        hollow_mm=request.hollow_mm,
        housing_material=request.housing_material,
    )
