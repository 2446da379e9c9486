"""A sheet of each kind as somebody would fill it in, and the same after a change."""

from typing import Any

SEATS: dict[str, Any] = {
    "turning": "housing", "load": "heavy", "slides": False, "split": True, "warmer_inner_k": 15.0,
    "temperature_c": 21.5,
    "shaft": {"zone": "k5", "instrument": "micrometer 2", "planes": [["25,004", "25.006"], ["", "0.9844 in"]]},
    "housing": {"zone": "", "instrument": "bore_gauge", "planes": [["52.01"]]},
}  # fmt: skip
SAMPLES = {"seats": (SEATS, SEATS | {"load": "light"})}
# What of a sample must be refused, and at which field.
BAD = {
    "seats": (SEATS | {"shaft": SEATS["shaft"] | {"planes": [["25.0", "wide"]]}}, "sheet.shaft.planes[0][1]")
}
