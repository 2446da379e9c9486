"""Seats, zones advised and the clearance left: operations of the register."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict, replace

from ample.core import exchange as x
from ample.core.errors import BadInput
from ample.core.fits import (
    Duty,
    check_seat,
    clearance_after_fitting,
    zone_advice,
)
from ample.core.parts import (
    BearingSpec,
    bearing_kinds,
    clearance_table,
    ring_kind,
)
from ample.core.sizes import (
    Instrument,
    default_instrument,
)
from ample.core.specs import spec_of
from ample.core.standards import limits, ring_limits

InstrumentOf = Callable[[str], Instrument]


def _asked_spec(request: x.SeatRequest | x.FittedClearanceRequest) -> BearingSpec:
    return spec_of(
        x.SpecRequest(
            designation=request.designation, d_mm=request.d_mm, D_mm=request.D_mm, B_mm=request.B_mm
        ),
        "designation",
    )


def _sizes(spec: BearingSpec) -> tuple[float, float, float]:
    return spec.d_mm, spec.D_mm, spec.B_mm


def _instrument(asked: str | x.InstrumentRequest, instrument_of: InstrumentOf) -> Instrument:
    if isinstance(asked, str):
        return instrument_of(asked)
    base = default_instrument(asked.kind)
    u = asked.expanded_uncertainty_mm
    return replace(base, outside_u_mm=u, inside_u_mm=u, depth_u_mm=u, scatter_mm=min(base.scatter_mm, u / 2))


def seat(request: x.SeatRequest) -> x.SeatCheck:
    """Judge a seat by its measured planes."""
    return seat_answer(request)


def seat_answer(request: x.SeatRequest, instrument_of: InstrumentOf = default_instrument) -> x.SeatCheck:
    """Judge a seat from a request, with the shop's own instruments."""
    return seat_of(_asked_spec(request), request, instrument_of)


def seat_of(
    spec: BearingSpec, request: x.SeatRequest, instrument_of: InstrumentOf = default_instrument
) -> x.SeatCheck:
    """Judge a seat of a bearing that is known; what the request says of its sizes is not looked at."""
    sizes = _sizes(spec)
    duty = _duty(request.duty)
    nominal = sizes[0] if request.part == "shaft" else sizes[1]
    advice = zone_advice(request.part, nominal, duty)
    found = check_seat(
        request.part,
        nominal,
        request.readings_mm,
        _instrument(request.instrument, instrument_of),
        request.zone or advice.zone,
        sizes,
        request.tolerance_class,
        duty,
        request.temperature_c,
        request.instrument_temperature_c,
        request.edition,
        request.finish,
        ring_kind(spec.kind),
    )
    return replace(found, advice=advice)


def _duty(request: x.DutyRequest | None) -> Duty:
    return Duty(**request.model_dump()) if request else Duty()


def advised_zones(request: x.ZoneAdviceRequest) -> x.ZoneAdviceAnswer:
    """Advise a zone for a seat."""
    advice = zone_advice(request.part, request.size_mm, _duty(request.duty))
    zone = limits(request.size_mm, request.zone or advice.zone)
    ring = ring_limits(
        "bore" if request.part == "shaft" else "outside", request.size_mm, request.tolerance_class
    )
    return x.ZoneAdviceAnswer(
        **asdict(advice),
        chosen_zone=zone.zone,
        zone_lower_um=zone.lower_um,
        zone_upper_um=zone.upper_um,
        ring_lower_um=ring.lower_um,
        ring_upper_um=ring.upper_um,
    )


def fitted_clearance(request: x.FittedClearanceRequest) -> x.ClearanceAfterFitting:
    """Work out the clearance that fitting leaves."""
    return clearance_left(_asked_spec(request), request)


def clearance_left(spec: BearingSpec, request: x.FittedClearanceRequest) -> x.ClearanceAfterFitting:
    """Work out the clearance that fitting leaves a bearing that is known."""
    table = clearance_table(spec)
    if not table or table.endswith("_taper_bore") or table in ("four_point", "double_row_angular"):
        raise BadInput(
            "no_radial_clearance",
            f"A {bearing_kinds()[spec.kind].words} is not bought with a radial clearance on a straight seat.",
            "designation",
            "Its setting or its axial clearance is looked at when it is fitted.",
        )
    return clearance_after_fitting(
        _sizes(spec),
        request.group,
        request.shaft,
        request.housing,
        request.warmer_inner_k,
        request.hollow_mm,
        kind=table,
    )
