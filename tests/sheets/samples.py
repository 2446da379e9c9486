"""A sheet of each kind as somebody would fill it in, and the same after a change."""

from typing import Any

from ample.core.assembly import LineSheet

SEATS: dict[str, Any] = {
    "turning": "housing", "load": "heavy", "slides": False, "split": True, "warmer_inner_k": 15.0,
    "temperature_c": 21.5, "instrument_temperature_c": 19.5, "radial_n": 1800.0, "running_c": 65.0, "hollow_mm": 8.0,
    "sleeve_bore": "", "compound_um": 50.0, "compound_c": 150.0,
    "shaft": {
        "zone": "k5", "instrument": "micrometer 2", "material": "stainless_austenitic",
        "planes": [["25,004", "25.006"], ["", "0.9844 in"]], "standard_um": 1.6, "ring": "24.996", "hardness_hrc": None,
        "roughness_um": None, "signs": ["polished", "fretted"],
    },
    "housing": {
        "zone": "-5/+20", "instrument": "bore_gauge", "material": "aluminium", "planes": [["52.01"]], "standard_um": None,
        "ring": "", "hardness_hrc": 60.0, "roughness_um": 0.2, "signs": [],
    },
}  # fmt: skip
PLACE: dict[str, Any] = {
    "rpm": 1450.0, "pressure_bar": 0.2, "min_c": -10.0, "max_c": 80.0, "medium": "mineral_oil", "roughness_um": 0.4,
    "hardness_hrc": 50.0, "runout_mm": 0.05, "eccentricity_mm": 0.1, "track_depth": "4 thou", "housing_depth": "8,5",
    "lead": False, "dry": False, "way_in": ["chamfer", "keyway", "shoulder"], "motion": "reciprocating",
    "pressure_from": "both", "gap": "0.08", "hardness_shore_a": 80.0, "swell_percent": 10.0,
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
TAKE_IN: dict[str, Any] = {
    "title": "Sump pump 3", "owner": "Marl Water", "symptom": "leaks = drips", "unit": "pump", "plate": "no. half worn",
    "model": "SP 40", "build": "", "serial": "", "built_in": "far_east", "since": "last week", "lie_open_days": 3, "access": "costly",
    "units_alike": 2, "planned": "Warm the bearing in oil.", "note_next": "Breather painted over.", "signs": ["noise_rumble"],
    "energies": ["electricity"], "fluids": ["water"], "works": ["press"], "duties": ["fire"],
    "spares": [{"name": "=lip seal 25x40x7", "quantity": 2}], "checked": {"controls": "cleared"},
}  # fmt: skip
SIZE: dict[str, Any] = {"typed": "", "unit": "mm", "mm": None}
FACE: dict[str, Any] = {"mark": "flat", "looks_at": ""}
STRIP_DOWN: dict[str, Any] = LineSheet.model_validate({
    "lines": [{"key": "line0", "name": "shaft"}],
    "parts": [
        {"key": "nut1", "line": "line0", "kind": "nut", "inside": {"typed": "3/4 in", "mm": 19.05}, "findings": {}},
        {"key": "ball", "line": "line0", "kind": "ball_bearing", "inside": {"typed": "25", "mm": 25.0},
         "outside": {"typed": "52,0", "mm": 52.0}, "note": "=came off by hand"},
    ],
}).model_dump(mode="json")  # fmt: skip
BENCH: dict[str, Any] = {
    "marking": "62?5", "family": "bearing", "condition": "worn", "kind": "", "answers": {}, "said": {}, "medium": "water",
    "temperature_c": 61.0, "needed": 4,
    "rubber": {"hardness_shore_a": 71.5, "hardened": True, "colour": "black", "swelling": "some", "mass_air_g": 10.2, "mass_water_g": 4.75},
    "observations": [
        {"feature": "bore", "instrument": "caliper", "readings": [{"typed": "25,01", "unit": "mm"}, {"typed": "0.984", "unit": "in"}]},
        {"feature": "width", "instrument": "caliper", "readings": [{"typed": "15", "unit": "mm"}]},
    ],
}  # fmt: skip
# A job is taken in, and a part lies on the bench, from its first moment on.
BEGUN = {"take_in": 1, "bench": 1}
SAMPLES = {
    "take_in": (TAKE_IN, TAKE_IN | {"note_next": "Mind the breather."}),
    "strip_down": (STRIP_DOWN, STRIP_DOWN | {"parts": STRIP_DOWN["parts"][::-1]}),
    "bench": (BENCH, BENCH | {"needed": 3}),
    "seats": (SEATS, SEATS | {"load": "light"}),
    "place": (PLACE, PLACE | {"rpm": 900.0}),
    "leak_log": (LOG, LOG | {"lead_days": 7}),
    "fit_up": (FIT_UP, FIT_UP | {"wrench": "N·m"}),
    "proof": (PROOF, PROOF | {"note_next": "Mind the breather."}),
}
# What of a sample must be refused, and at which field.
BAD = {
    "take_in": (TAKE_IN | {"signs": ["hums_a_tune"]}, "sheet.signs"),
    "strip_down": (
        STRIP_DOWN | {"parts": [STRIP_DOWN["parts"][0] | {"kind": "flywheel_of_joy"}]},
        "sheet.parts[0].kind",
    ),
    "bench": (
        BENCH
        | {
            "observations": [
                {"feature": "bore", "instrument": "caliper", "readings": [{"typed": "wide", "unit": "mm"}]}
            ]
        },
        "sheet.observations[0].readings[0].typed",
    ),
    "proof": (PROOF | {"runs": [PROOF["runs"][0] | {"limit_c": 10.0}]}, "sheet.runs[0].limit_c"),
    "fit_up": (FIT_UP | {"ticks": [FIT_UP["ticks"][1] | {"reached": "tight"}]}, "sheet.ticks[0].reached"),
    "seats": (SEATS | {"shaft": SEATS["shaft"] | {"planes": [["25.0", "wide"]]}}, "sheet.shaft.planes[0][1]"),
    "place": (PLACE | {"gap": "wide"}, "sheet.gap"),
    "leak_log": (LOG | {"entries": [LOG["entries"][0] | {"on": "2199-01-01"}]}, "sheet.entries[0].on"),
}
