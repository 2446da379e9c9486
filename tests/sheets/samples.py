"""A sheet of each kind as somebody would fill it in, and the same after a change."""

from typing import Any

SEATS: dict[str, Any] = {
    "turning": "housing", "load": "heavy", "slides": False, "split": True, "warmer_inner_k": 15.0,
    "temperature_c": 21.5,
    "shaft": {"zone": "k5", "instrument": "micrometer 2", "planes": [["25,004", "25.006"], ["", "0.9844 in"]]},
    "housing": {"zone": "", "instrument": "bore_gauge", "planes": [["52.01"]]},
}  # fmt: skip
WATCH: dict[str, Any] = {"early": None, "limit": None}
LOG: dict[str, Any] = {
    "entries": [
        {"key": "aaaa", "on": "2026-03-04", "what": "emptied", "amount": "", "note": ""},
        {"key": "bbbb", "on": "2025-12-28", "what": "emptied", "amount": "", "note": "=2+2"},
        {"key": "cccc", "on": "2026-03-04", "what": "topped_up", "amount": "0,4 l", "note": ""},
        {"key": "dddd", "on": "2026-01-02", "what": "topped_up", "amount": "0.3", "note": ""},
        {"key": "eeee", "on": "2026-03-04", "what": "play", "amount": "4 thou", "note": "dial, pushed and pulled"},
        {"key": "ffff", "on": "2026-03-04", "what": "temperature", "amount": "61 °C", "note": ""},
    ],
    "emptied": {"early": 75.0, "limit": 14.0}, "topped_up": WATCH, "temperature": WATCH, "play": WATCH,
    "lead_days": 21, "approval_days": 14,
}  # fmt: skip
FIT_UP: dict[str, Any] = {
    "ticks": [{"key": "fit.aaaa", "reached": "", "note": "=went on by hand"}, {"key": "tighten.aaaa", "reached": "22,5", "note": ""}],
    "choices": [{"key": "bbbb", "way": "warm", "supplied_with": "transport ring"}],
    "shop": ["heater", "press"], "wrench": "ft-lb", "worked_s": 754, "running_since": "2026-11-27T14:03:00Z",
    "together": False, "reason": "",
}  # fmt: skip
SAMPLES = {
    "seats": (SEATS, SEATS | {"load": "light"}),
    "leak_log": (LOG, LOG | {"lead_days": 7}),
    "fit_up": (FIT_UP, FIT_UP | {"wrench": "N·m"}),
}
# What of a sample must be refused, and at which field.
BAD = {
    "fit_up": (FIT_UP | {"ticks": [FIT_UP["ticks"][1] | {"reached": "tight"}]}, "sheet.ticks[0].reached"),
    "seats": (SEATS | {"shaft": SEATS["shaft"] | {"planes": [["25.0", "wide"]]}}, "sheet.shaft.planes[0][1]"),
    "leak_log": (LOG | {"entries": [LOG["entries"][0] | {"on": "2199-01-01"}]}, "sheet.entries[0].on"),
}
