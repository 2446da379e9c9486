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
PROOF: dict[str, Any] = {
    "set_points": [{"key": "aaaa", "what": "sensor", "least": 0.4, "most": 0.6, "unit": "V", "readings": ["0,52", "0.50"], "doubt": 0.02, "left_loose": True, "note": "=lid off"}],
    "plays": [{"key": "bbbb", "what": "worm", "least_mm": 0.05, "most_mm": 0.1, "pairs": [{"pushed": "0", "pulled": "0.16"}, {"pushed": "-0.01", "pulled": "6 thou"}], "dial_mm": 0.01, "pitch_mm": 1.5, "leaves": "0.05 0,1"}],
    "fills": [
        {"key": "cccc", "what": "leg", "side": "left", "wanted_l": 0.6, "filled_l": "0,6", "level": "right", "bled": True},
        {"key": "dddd", "what": "Leg", "side": "right", "wanted_l": None, "filled_l": "0.45", "level": "right", "bled": False},
    ],
    "runs": [{"key": "eeee", "what": "slow", "rpm": 100.0, "minutes": 15.0, "ambient_c": 19.0, "limit_c": 70.0, "readings": [{"minute": "5", "temperature_c": "31"}, {"minute": "10", "temperature_c": "38,5"}, {"minute": "15", "temperature_c": "43"}]}],
    "checks": [{"key": "turns.line0", "result": "holds", "reading": "", "note": ""}],
    "tasks": [{"key": "ffff", "what": "torque again", "due": "2026-12-11", "done": False, "reading": ""}],
    "compared": [{"key": "gggg", "what": "vibration", "before": "7.1", "after": "2,4", "unit": "mm/s"}],
    "changes": [{"key": "hhhh", "what": "both bearings"}],
    "note_next": "The breather was painted over.", "closed": False, "reason": "",
}  # fmt: skip
SAMPLES = {
    "seats": (SEATS, SEATS | {"load": "light"}),
    "leak_log": (LOG, LOG | {"lead_days": 7}),
    "fit_up": (FIT_UP, FIT_UP | {"wrench": "N·m"}),
    "proof": (PROOF, PROOF | {"note_next": "Mind the breather."}),
}
# What of a sample must be refused, and at which field.
BAD = {
    "proof": (PROOF | {"runs": [PROOF["runs"][0] | {"limit_c": 10.0}]}, "sheet.runs[0].limit_c"),
    "fit_up": (FIT_UP | {"ticks": [FIT_UP["ticks"][1] | {"reached": "tight"}]}, "sheet.ticks[0].reached"),
    "seats": (SEATS | {"shaft": SEATS["shaft"] | {"planes": [["25.0", "wide"]]}}, "sheet.shaft.planes[0][1]"),
    "leak_log": (LOG | {"entries": [LOG["entries"][0] | {"on": "2199-01-01"}]}, "sheet.entries[0].on"),
}
