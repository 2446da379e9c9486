"""Lengths, limits, fits and clearances: operations of the register."""

from __future__ import annotations

from ample.core import exchange as x
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


def length(request: x.LengthRequest) -> x.LengthAnswer:
    """Read a length or a whole size."""
    lengths = parse_size(request.text, request.unit)
    first = lengths[0] if len(lengths) > 1 else parse_length(request.text, request.unit)
    return x.LengthAnswer(
        mm=first.mm,
        inch=first.inch,
        unit=first.unit,
        written=first.written,
        fraction=format_inch(first.exact_mm),
        nearest=nearest(first.mm),
        sizes_mm=[length.mm for length in lengths],
    )


def nearest(mm: float) -> list[x.Nearest]:
    """Give the nearest sizes of a length in both units."""
    return list(nearest_sizes(mm))


def limits_of_size(request: x.LimitsRequest) -> x.LimitsAnswer:
    """Give the limits of a size in a zone."""
    return x.LimitsAnswer.model_validate(limits(request.size_mm, request.zone))


def fit_of_seat(request: x.FitRequest) -> x.FitAnswer:
    """Give the fit of a hole and a shaft."""
    return x.FitAnswer.model_validate(fit(request.size_mm, request.hole, request.shaft))


def limits_of_ring(request: x.RingLimitsRequest) -> x.LimitsAnswer:
    """Give the limits of a bearing ring."""
    found = ring_limits(request.ring, request.size_mm, request.tolerance_class, request.kind)
    return x.LimitsAnswer.model_validate(found)


def clearance_of_ring(request: x.InternalClearanceRequest) -> x.InternalClearanceAnswer:
    """Give the internal clearance of a group."""
    found = internal_clearance(request.kind, request.bore_mm, request.group)
    return x.InternalClearanceAnswer.model_validate(found)
