"""Lengths as people write them, instruments, and what a reading is worth."""

from ample.core.sizes.instruments import Instrument, default_instrument
from ample.core.sizes.lengths import (
    INCH_MM,
    Length,
    Nearest,
    format_inch,
    nearest_sizes,
    parse_length,
    parse_size,
)
from ample.core.sizes.readings import Reading, combine, rounding_mm, to_reference_temperature, together

__all__ = [
    "INCH_MM",
    "Instrument",
    "Length",
    "Nearest",
    "Reading",
    "combine",
    "default_instrument",
    "format_inch",
    "nearest_sizes",
    "parse_length",
    "parse_size",
    "rounding_mm",
    "to_reference_temperature",
    "together",
]
