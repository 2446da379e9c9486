"""Seats, zones advised and the clearance left: operations of the register."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from ample.core import contract
from ample.core.contract.specs import spec_of
from ample.core.fits import (
    Duty,
    MeasuredSeat,
    check_seat,
    choose_zone,
    clearance_left,
    zone_advice,
)
from ample.core.parts import (
    BearingSpec,
    ring_kind,
)
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


def _sizes(spec: BearingSpec) -> tuple[float, float, float]:
    return spec.d_mm, spec.D_mm, spec.B_mm


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
    advice = zone_advice(request.part, spec.d_mm if request.part == "shaft" else spec.D_mm, duty)
    measured = MeasuredSeat(
        part=request.part,
        bearing_mm=_sizes(spec),
        readings_mm=request.readings_mm,
        instrument=_instrument(request.instrument, instrument_of),
        zone=request.zone or advice.zone,
        duty=duty,
        tolerance_class=request.tolerance_class,
        ring_kind=ring_kind(spec.kind),
        part_c=request.temperature_c,
        instrument_c=request.instrument_temperature_c,
        edition=request.edition,
        finish=request.finish,
        material=request.material,
    )
    return replace(check_seat(measured), advice=advice)


def _duty(request: contract.DutyRequest | None) -> Duty:
    return Duty(**request.model_dump()) if request else Duty()


def advised_zones(request: contract.ZoneAdviceRequest) -> contract.ZoneChoice:
    """Advise a zone for a seat."""
    return choose_zone(
        request.part, request.size_mm, _duty(request.duty), request.zone, request.tolerance_class
    )


def fitted_clearance(request: contract.FittedClearanceRequest) -> contract.ClearanceAfterFitting:
    """Work out the clearance that fitting leaves."""
    return clearance_left(
        _asked_spec(request),
        request.shaft,
        request.housing,
        group=request.group,
        warmer_inner_k=request.warmer_inner_k,
        hollow_mm=request.hollow_mm,
    )
