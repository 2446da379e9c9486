"""Lengths, limits, fits and clearances: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.fits import (
    fit,
)
from ample.core.sizes import (
    format_inch,
    nearest_sizes,
    parse_length,
    parse_size,
)
from ample.core.standards import internal_clearance, limits, ring_limits


def length(request: contract.LengthRequest) -> contract.LengthAnswer:
    """Read a length or a whole size."""
    lengths = parse_size(request.text, request.unit)
    first = lengths[0] if len(lengths) > 1 else parse_length(request.text, request.unit)
    return contract.LengthAnswer(
        mm=first.mm,
        inch=first.inch,
        unit=first.unit,
        written=first.written,
        fraction=format_inch(first.exact_mm),
        nearest=nearest(first.mm),
        sizes_mm=[length.mm for length in lengths],
    )


def nearest(mm: float) -> list[contract.Nearest]:
    """Give the nearest sizes of a length in both units."""
    return list(nearest_sizes(mm))


def limits_of_size(request: contract.LimitsRequest) -> contract.ZoneLimitsAnswer:
    """Give the limits of a size in a zone."""
    return contract.ZoneLimitsAnswer.model_validate(limits(request.size_mm, request.zone))


def fit_of_seat(request: contract.FitRequest) -> contract.FitAnswer:
    """Give the fit of a hole and a shaft."""
    return contract.FitAnswer.model_validate(fit(request.size_mm, request.hole, request.shaft))


def limits_of_ring(request: contract.RingLimitsRequest) -> contract.LimitsAnswer:
    """Give the limits of a bearing ring."""
    found = ring_limits(request.ring, request.size_mm, request.tolerance_class, request.kind)
    return contract.LimitsAnswer.model_validate(found)


def clearance_of_ring(request: contract.InternalClearanceRequest) -> contract.InternalClearanceAnswer:
    """Give the internal clearance of a group."""
    found = internal_clearance(request.kind, request.bore_mm, request.group)
    return contract.InternalClearanceAnswer.model_validate(found)
