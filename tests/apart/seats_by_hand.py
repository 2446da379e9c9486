"""Whole seats with their answers, worked from the trade page and typed tables alone: imports nothing of the product.

Run it to write `seats.json` anew: `python tests/apart/seats_by_hand.py`. Every chance is counted over 400,000 draws.
"""

import json
from pathlib import Path

import numpy as np

DRAWS = 400_000
RANDOM = np.random.default_rng(20261128)
U_UM = {"micrometer": (5.0, 1.5), "bore_gauge": (6.0, 2.0)}  # U (k = 2) and scatter of one reading
# radial clearance, µm, typed from ISO 5753-1 as common lists give it
BALL_24_30 = {"2": (1, 11), "N": (5, 20), "3": (13, 28), "4": (23, 41), "5": (30, 53)}
BALL_40_50 = {"2": (1, 11), "N": (6, 23), "3": (18, 36), "4": (30, 51), "5": (45, 73)}
CYL_40_50 = {"2": (5, 30), "N": (30, 60), "3": (50, 80), "4": (70, 100), "5": (95, 125)}
SPH_40_50 = {"2": (20, 35), "N": (35, 55), "3": (55, 75), "4": (75, 100), "5": (100, 125)}
SELF_24_30 = {"2": (5, 16), "N": (11, 24), "3": (19, 35), "4": (29, 46), "5": (40, 58)}


def uniform(limits):
    return RANDOM.uniform(limits[0], limits[1], DRAWS)


def seat(  # noqa: PLR0913 - one case, all that it rests on
    readings, nominal, zone, ring, *, part="shaft", tool="micrometer", standard=None, alpha=11.5e-6, warm=20.0,
    turns=True, load_n=0.0, width=1.0, heat_k=10.0, groups=None, own="N", raceways=None, other=None, sizes=None,
    ring_read=None, least=-3.0,
):  # fmt: skip
    """What the page says of a seat: `other` is (zone, ring) of the other side, `sizes` are d and D, mm."""
    whole, scatter = U_UM[tool]
    n = sum(len(row) for row in readings)
    u_tool = whole / 2 if standard is None else np.hypot(standard / 2, 1.0 / np.sqrt(12))
    terms = [
        u_tool, scatter / np.sqrt(n), nominal * alpha * 0.5 * 1000, nominal * 11.5e-6 * 0.5 * 1000,
        nominal * abs(warm - 20) * 1e-6 * 1000,
    ]  # fmt: skip
    u = float(np.sqrt(sum(term**2 for term in terms)))
    mean = float(np.mean([np.mean(row) for row in readings]))
    y = (mean * (1 - alpha * (warm - 20)) - nominal) * 1000
    true = y + u * RANDOM.standard_normal(DRAWS)
    bore = (
        uniform(ring)
        if ring_read is None
        else ring_read[0] + ring_read[1] / 2 * RANDOM.standard_normal(DRAWS)
    )
    tight = true - bore if part == "shaft" else bore - true
    found = {"y": y, "u": u, "zone": float(np.mean((true > zone[0]) & (true < zone[1])))}
    found["interference"] = float(y - np.mean(ring if ring_read is None else ring_read[:1]))
    if part == "housing":
        found["interference"] *= -1
    if turns:
        need = 0.08 * np.sqrt(nominal * load_n / width)
        need += 0.0015 * heat_k * nominal if part == "shaft" else 0.0
        found["holds"] = float(np.mean(tight * nominal / (nominal + 2) >= need))
    if groups:
        d, D = sizes
        F, E = raceways
        away = uniform(other[0])
        away_ring = uniform(other[1])
        elsewhere = away_ring - away if part == "shaft" else away - away_ring
        inner, outer = (tight, elsewhere) if part == "shaft" else (elsewhere, tight)
        h, h0 = E / D, 1 / 1.5
        taken = np.maximum(inner, 0) * d / (d + 2) * d / F
        taken = taken + np.maximum(outer, 0) * D / (D + 2) * h * (1 - h0**2) / (1 - h**2 * h0**2)
        taken = taken + 11.5e-6 * heat_k * (E + F) / 2 * 1000
        chance = {name: float(np.mean(uniform(limits) - taken >= least)) for name, limits in groups.items()}
        found["clearance"] = chance[own]
        wider = [name for name in groups if list(groups).index(name) >= list(groups).index(own)]
        found["suits"] = next((name for name in wider if chance[name] >= 0.9), None)
    found["decision"] = decided(found, turns)
    return found


def decided(found, turns):
    free = "clearance" not in found or found["suits"] is not None
    if not turns:
        if found["zone"] < 0.05:
            return "reject"
        return "accept" if found["zone"] >= 0.95 and free else "cannot_tell"
    if found["holds"] < 0.5 or (found["zone"] < 0.05 and found["holds"] < 0.95):
        return "reject"
    good = found["holds"] >= 0.95 and found["zone"] >= 0.5 and free
    return "accept" if good else "cannot_tell"


def ball(d, D):
    return (4 * d + D) / 5, (4 * D + d) / 5


def roller(d, D):
    return (3 * d + D) / 4, (3 * D + d) / 4


J7_52, H7_52, OUTSIDE_52 = (-12, 18), (0, 30), (-13, 0)
B6205 = {
    "sizes": (25, 52),
    "raceways": ball(25, 52),
    "groups": BALL_24_30,
    "other": (J7_52, OUTSIDE_52),
    "width": 15,
    "load_n": 1400,
}
FLAT = [[25.0065, 25.0065], [25.0065, 25.0065], [25.0065, 25.0065]]
CASES = []


def case(name, request, expect, source):
    CASES.append({"name": name, "operation": "seat", "request": request, "expect": expect, "source": source})


def told(found, **more):
    expect = {"decision": found["decision"], "conformance_probability": [round(found["zone"], 3), 0.03]}
    if "holds" in found:
        expect["holds_probability"] = [round(found["holds"], 3), 0.03]
    if "clearance" in found:
        expect["clearance_probability"] = [round(found["clearance"], 3), 0.03]
        if found["suits"] is not None:
            expect["suits_group"] = found["suits"]
    expect["interference_um.likely"] = [round(found["interference"], 2), 0.3]
    return expect | more


DECIDE = "fits.md, decide by the fit"


def same(value, planes=3, directions=2):
    return [[value] * directions for _ in range(planes)]


def shaft_6205(name, value, *, standard=None, ring_read=None, duty=None, more=None, readings=None, **expect):
    readings = readings or same(value)
    found = seat(readings, 25, (2, 11), (-10, 0), standard=standard, ring_read=ring_read, **B6205)
    request = {
        "part": "shaft",
        "designation": "6205",
        "zone": "k5",
        "readings_mm": readings,
        "duty": {"radial_n": 1400} | (duty or {}),
    }
    if standard is not None:
        request["zeroed_on"] = {"expanded_uncertainty_um": standard}
    if ring_read is not None:
        request["ring"] = {"mean_mm": 25 + ring_read[0] / 1000, "expanded_uncertainty_um": ring_read[1]}
    case(name, request | (more or {}), told(found, rule="pressed_ring", **expect), DECIDE)


shaft_6205("a good 25 k5 shaft with an ordinary micrometer", 25.0065)
shaft_6205("the same, the micrometer zeroed on a setting ring", 25.0065, standard=1.6)
shaft_6205("near the lower limit with an ordinary micrometer", 25.003)
shaft_6205("near the lower limit, zeroed", 25.003, standard=1.6)
shaft_6205("two under the zone", 25.000)
shaft_6205("two under the zone, zeroed", 25.000, standard=1.6)
shaft_6205("two under, and the ring's own bore is read small", 25.000, standard=1.6, ring_read=(-9.5, 1.0))
shaft_6205(
    "two under, and the ring's own bore is read at nominal", 25.000, standard=1.6, ring_read=(0.0, 1.0)
)
shaft_6205("worn ten under", 24.990)
shaft_6205("far too large: no group leaves clearance", 25.060, decision="reject")
shaft_6205(
    "0.065 mm gap: a 25 µm compound is refused",
    24.935,
    more={"compound": {"gap_um": 25, "max_c": 150}},
    **{"repair_ways[compound].suits": False, "repair_ways[compound].because": "gap_over"},
)
shaft_6205(
    "0.065 mm gap: a 100 µm compound is too hot",
    24.935,
    more={"compound": {"gap_um": 100, "max_c": 80}, "running_c": 95},
    **{"repair_ways[compound].suits": False, "repair_ways[compound].because": "heat_over"},
)
shaft_6205(
    "0.015 mm gap: a 50 µm compound at 60 °C",
    24.985,
    more={"compound": {"gap_um": 50, "max_c": 150}, "running_c": 60},
    **{"repair_ways[compound].suits": True},
)
shaft_6205(
    "a taper of 8 µm",
    0,
    readings=[[25.0105, 25.0105], [25.0065, 25.0065], [25.0025, 25.0025]],
    **{"form_told.kind": "taper"},
    taper_um=[8.0, 0.3],
)
shaft_6205(
    "a barrel",
    0,
    readings=[[25.002, 25.002], [25.0105, 25.0105], [25.002, 25.002]],
    **{"form_told.kind": "barrel"},
)
shaft_6205(
    "a waist",
    0,
    readings=[[25.010, 25.010], [25.002, 25.002], [25.010, 25.010]],
    **{"form_told.kind": "waist"},
)
shaft_6205(
    "oval by 8 µm",
    0,
    readings=[[25.0105, 25.0025, 25.0105, 25.0025]] * 3,
    **{"form_told.kind": "oval"},
    out_of_round_um=[4.0, 0.1],
)
shaft_6205(
    "oval by 30 µm: never accepted",
    0,
    readings=[[25.0215, 24.9915, 25.0215, 24.9915]] * 3,
    **{"form_told.kind": "oval"},
    decision="reject",
)
shaft_6205("straight", 25.0066, **{"form_told.kind": "straight"})


def one(  # noqa: PLR0913 - as `seat`
    name,
    designation,
    nominal,
    value,
    zone,
    zone_name,
    ring,
    *,
    part="shaft",
    tool="micrometer",
    duty=None,
    more=None,
    rule="pressed_ring",
    planes=3,
    expect=None,
    source=DECIDE,
    **world,
):
    readings = same(value, planes)
    found = seat(readings, nominal, zone, ring, part=part, tool=tool, **world)
    request = {"part": part, "designation": designation, "readings_mm": readings, "instrument": tool}
    if zone_name:
        request["zone"] = zone_name
    if duty:
        request["duty"] = duty
    case(name, request | (more or {}), told(found, rule=rule, **(expect or {})), source)


b6210 = {
    "sizes": (50, 90),
    "raceways": ball(50, 90),
    "groups": BALL_40_50,
    "other": ((-13, 22), (-15, 0)),
    "width": 20,
    "load_n": 3500,
}
one(
    "6210 at 35 °C against an instrument at 20",
    "6210",
    50,
    50.0150,
    (2, 13),
    "k5",
    (-12, 0),
    warm=35.0,
    duty={"radial_n": 3500},
    more={"temperature_c": 35},
    expect={"mean_mm": [50.006375, 0.0003]},
    **b6210,
)
one(
    "6210 with both at 20: two over the zone",
    "6210",
    50,
    50.0150,
    (2, 13),
    "k5",
    (-12, 0),
    duty={"radial_n": 3500},
    **b6210,
)
one("6210 in the middle", "6210", 50, 50.0075, (2, 13), "k5", (-12, 0), duty={"radial_n": 3500}, **b6210)
one(
    "6210 m5 under heavy load",
    "6210",
    50,
    50.0145,
    (9, 20),
    "m5",
    (-12, 0),
    duty={"load": "heavy", "radial_n": 5250},
    **(b6210 | {"load_n": 5250}),
)
one(
    "6210 C3 in the middle",
    "6210/C3",
    50,
    50.0075,
    (2, 13),
    "k5",
    (-12, 0),
    duty={"radial_n": 3500},
    own="3",
    more={"group": "3"},
    **b6210,
)
b6206 = {
    "sizes": (30, 62),
    "raceways": ball(30, 62),
    "groups": BALL_24_30,
    "other": ((-12, 18), (-13, 0)),
    "width": 16,
    "load_n": 1950,
}
one(
    "6206 k6 high in the zone", "6206", 30, 30.0135, (2, 15), "k6", (-10, 0), duty={"radial_n": 1950}, **b6206
)
one(
    "1206 self-aligning k5",
    "1206",
    30,
    30.0065,
    (2, 11),
    "k5",
    (-10, 0),
    duty={"radial_n": 1560},
    **(b6206 | {"groups": SELF_24_30, "load_n": 1560}),
)
one(
    "7206 angular: no radial clearance is asked",
    "7206",
    30,
    30.0065,
    (2, 11),
    "k5",
    (-10, 0),
    duty={"radial_n": 2000},
    load_n=2000,
    width=16,
    expect={"clearance_probability": None},
)
one(
    "61810 thin ring, light load",
    "61810",
    50,
    50.003,
    (-5, 11),
    "j6",
    (-12, 0),
    duty={"load": "light", "radial_n": 300},
    sizes=(50, 65),
    raceways=ball(50, 65),
    groups=BALL_40_50,
    other=((-12, 18), (-13, 0)),
    width=7,
    load_n=300,
)
bnu = {
    "sizes": (50, 90),
    "raceways": roller(50, 90),
    "groups": CYL_40_50,
    "other": ((-13, 22), (-15, 0)),
    "width": 20,
    "load_n": 6400,
    "least": 0.0,
}
one("NU210 m6 in the middle", "NU210", 50, 50.017, (9, 25), "m6", (-12, 0), duty={"radial_n": 6400}, **bnu)
one("NU210 worn to nominal", "NU210", 50, 50.000, (9, 25), "m6", (-12, 0), duty={"radial_n": 6400}, **bnu)
one("NU210 worn five under", "NU210", 50, 49.995, (9, 25), "m6", (-12, 0), duty={"radial_n": 6400}, **bnu)
bsph = {
    "sizes": (50, 110),
    "raceways": roller(50, 110),
    "groups": SPH_40_50,
    "other": ((-13, 22), (-15, 0)),
    "width": 40,
    "load_n": 20000,
    "least": 0.0,
}
one(
    "22310 with its own clearance",
    "22310",
    50,
    50.017,
    (9, 25),
    "m6",
    (-12, 0),
    duty={"radial_n": 20000},
    **bsph,
)
one(
    "22310 high in n6",
    "22310",
    50,
    50.030,
    (17, 33),
    "n6",
    (-12, 0),
    duty={"load": "heavy", "radial_n": 33000},
    **(bsph | {"load_n": 33000}),
)
one(
    "NA4905 needle with its ring",
    "NA4905",
    25,
    25.0085,
    (2, 15),
    "k6",
    (-10, 0),
    duty={"radial_n": 2400},
    sizes=(25, 42),
    raceways=roller(25, 42),
    groups={"2": (0, 25), "N": (20, 45), "3": (35, 60), "4": (50, 75)},
    other=((-11, 14), (-11, 0)),
    width=17,
    load_n=2400,
    least=0.0,
)
one(
    "30206: the setting of the pair stands for radial clearance",
    "30206",
    30,
    30.0085,
    (2, 15),
    "k6",
    (-12, 0),
    duty={"radial_n": 4000},
    load_n=4000,
    width=16,
    expect={"clearance_probability": None},
)
one(
    "32210 m6",
    "32210",
    50,
    50.017,
    (9, 25),
    "m6",
    (-12, 0),
    duty={"radial_n": 8000},
    load_n=8000,
    width=23,
    expect={"clearance_probability": None},
)
one(
    "an inch taper, the cone turns",
    "LM48548/LM48510",
    34.925,
    34.956,
    (25, 38),
    None,
    (0, 13),
    duty={"radial_n": 4500},
    load_n=4500,
    width=18.288,
    expect={"clearance_probability": None},
    source="inch fits common to handbooks: cone turning, to 76.2 mm, +25 to +38 µm over the least bore",
)
one(
    "an inch taper on a shaft ground k6: the cone turns on it",
    "LM48548/LM48510",
    34.925,
    34.934,
    (25, 38),
    None,
    (0, 13),
    duty={"radial_n": 4500},
    load_n=4500,
    width=18.288,
    source="as before",
)
case(
    "an inch class that tapers do not have",
    {"part": "shaft", "designation": "LM48548/LM48510", "class": "Normal6", "readings_mm": same(34.956)},
    {"error.field": "class"},
    "contract: a class that a kind does not have is refused",
)
# housings
h52 = {"part": "housing", "tool": "bore_gauge", "turns": False}
b52 = {"sizes": (25, 52), "raceways": ball(25, 52), "groups": BALL_24_30, "other": ((2, 11), (-10, 0))}
one("52 J7 in the middle", "6205", 52, 52.003, (-12, 18), "J7", (-13, 0), rule="standing_ring", **h52, **b52)
one(
    "52 H7 near its upper limit",
    "6205",
    52,
    52.028,
    (0, 30),
    "H7",
    (-13, 0),
    rule="standing_ring",
    **h52,
    **b52,
)
one("52 H7 worn to +45", "6205", 52, 52.045, (0, 30), "H7", (-13, 0), rule="standing_ring", **h52, **b52)
one(
    "an aluminium housing read warm",
    "6205",
    52,
    52.0300,
    (0, 30),
    "H7",
    (-13, 0),
    rule="standing_ring",
    more={"material": "aluminium", "temperature_c": 35},
    alpha=23e-6,
    warm=35.0,
    expect={"mean_mm": [52.01206, 0.0005]},
    **h52,
    **b52,
)
one(
    "a grey iron housing read warm",
    "6205",
    52,
    52.0220,
    (0, 30),
    "H7",
    (-13, 0),
    rule="standing_ring",
    more={"material": "grey_iron", "temperature_c": 35},
    alpha=10.5e-6,
    warm=35.0,
    expect={"mean_mm": [52.01381, 0.0005]},
    **h52,
    **b52,
)
one(
    "a wheel: the outer ring turns in N7",
    "6205",
    52,
    51.976,
    (-39, -9),
    "N7",
    (-13, 0),
    part="housing",
    tool="bore_gauge",
    duty={"turning": "housing", "radial_n": 1400},
    sizes=(25, 52),
    raceways=ball(25, 52),
    groups=BALL_24_30,
    other=((-13, 0), (-10, 0)),
    width=15,
    load_n=1400,
)
one(
    "a wheel worn to J7 size: the outer ring turns",
    "6205",
    52,
    52.006,
    (-39, -9),
    "N7",
    (-13, 0),
    part="housing",
    tool="bore_gauge",
    duty={"turning": "housing", "radial_n": 1400},
    sizes=(25, 52),
    raceways=ball(25, 52),
    groups=BALL_24_30,
    other=((-13, 0), (-10, 0)),
    width=15,
    load_n=1400,
)
one(
    "a shaft that stands still, h6",
    "6205",
    25,
    24.9935,
    (-13, 0),
    "h6",
    (-10, 0),
    rule="standing_ring",
    turns=False,
    duty={"turning": "housing"},
    sizes=(25, 52),
    raceways=ball(25, 52),
    groups=BALL_24_30,
    other=((-39, -9), (-13, 0)),
)
one(
    "a shaft that stands still, worn to -30",
    "6205",
    25,
    24.970,
    (-13, 0),
    "h6",
    (-10, 0),
    rule="standing_ring",
    turns=False,
    duty={"turning": "housing"},
    sizes=(25, 52),
    raceways=ball(25, 52),
    groups=BALL_24_30,
    other=((-39, -9), (-13, 0)),
)
one(
    "90 H7 of a roller bearing",
    "NU210",
    90,
    90.015,
    (0, 35),
    "H7",
    (-15, 0),
    rule="standing_ring",
    **h52,
    sizes=(50, 90),
    raceways=roller(50, 90),
    groups=CYL_40_50,
    other=((9, 25), (-12, 0)),
    least=0.0,
)
one(
    "a metric taper's cup in J7, standing",
    "30206",
    62,
    62.003,
    (-12, 18),
    "J7",
    (-16, 0),
    rule="standing_ring",
    **h52,
    expect={"clearance_probability": None},
)


def plain(name, request, expect, source):
    case(name, request, expect, source)


# kinds that are not pressed on
plain(
    "a UC insert on h6",
    {"part": "shaft", "designation": "UC205", "readings_mm": same(24.9935), "zone": "h6"},
    {"decision": "accept", "rule": "slip_fit", "holds_probability": None},
    "audit 2.1-4: bores are plus, set screws hold; h6 as it should be",
)
plain(
    "a UC insert, the shaft worn 60 under",
    {"part": "shaft", "designation": "UC205", "readings_mm": same(24.940), "zone": "h6"},
    {"decision": "reject", "rule": "slip_fit"},
    "as before",
)
plain(
    "a UC insert on a slow shaft h8",
    {"part": "shaft", "designation": "UC206", "readings_mm": same(29.985), "zone": "h8"},
    {"decision": "accept", "rule": "slip_fit"},
    "common practice: h7 to h9 where it turns slowly",
)
plain(
    "a UC insert that does not go on",
    {"part": "shaft", "designation": "UC205", "readings_mm": same(25.030), "zone": "h6"},
    {"decision": "reject", "rule": "slip_fit"},
    "a slip fit has to slip",
)
plain(
    "an insert's housing",
    {
        "part": "housing",
        "designation": "UC205",
        "readings_mm": same(52.015),
        "instrument": "bore_gauge",
        "zone": "H7",
    },
    {"decision": "accept", "rule": "standing_ring"},
    "a spherical seat is bought whole; a plain bore as any standing ring",
)
plain(
    "a thrust washer on its shaft j6",
    {"part": "shaft", "designation": "51105", "readings_mm": same(25.0025), "zone": "j6"},
    {
        "decision": "accept",
        "rule": "thrust_shaft_washer",
        "holds_probability": None,
        "clearance_probability": None,
    },
    "handbooks: shaft washer of a thrust ball bearing j6",
)
plain(
    "a thrust washer on a worn shaft",
    {"part": "shaft", "designation": "51105", "readings_mm": same(24.960), "zone": "j6"},
    {"decision": "reject", "rule": "thrust_shaft_washer"},
    "as before",
)
plain(
    "a housing washer with its radial gap",
    {"part": "housing", "designation": "51105", "readings_mm": same(42.070), "instrument": "bore_gauge"},
    {"decision": "accept", "rule": "thrust_housing_washer", "zone": "E8"},
    "handbooks: the housing washer stands free, E8",
)
plain(
    "a housing washer held tight",
    {"part": "housing", "designation": "51105", "readings_mm": same(41.995), "instrument": "bore_gauge"},
    {"decision": "reject", "rule": "thrust_housing_washer"},
    "as before: no radial gap, two bearings locate",
)
plain(
    "a drawn cup on a pin of 19.995",
    {"part": "shaft", "designation": "HK2016", "readings_mm": same(19.995)},
    {
        "decision": "accept",
        "rule": "raceway",
        "zone": "h6",
        "holds_probability": None,
        "interference_um.likely": [-35.5, 1.0],
    },
    "the pin is the raceway: h6 in a cup of +20 to +41 under the needles (ISO 3245 as common lists give it)",
)
plain(
    "a drawn cup on a pin worn to 19.975",
    {"part": "shaft", "designation": "HK2016", "readings_mm": same(19.975)},
    {"decision": "reject", "rule": "raceway"},
    "as before",
)
plain(
    "a drawn cup on a soft pin",
    {"part": "shaft", "designation": "HK2016", "readings_mm": same(19.995), "hardness_hrc": 40},
    {"decision": "reject", "rule": "raceway", "findings[].code": "raceway_soft"},
    "handbooks: a raceway wants 58 HRC or more",
)
plain(
    "a drawn cup on a rough pin",
    {"part": "shaft", "designation": "HK2016", "readings_mm": same(19.995), "roughness_um": 0.8},
    {"decision": "reject", "rule": "raceway", "findings[].code": "raceway_rough"},
    "handbooks: a raceway wants Ra 0.2; more than twice that is a turned shaft",
)
plain(
    "a drawn cup pressed into N6",
    {"part": "housing", "designation": "HK2016", "readings_mm": same(25.982), "instrument": "bore_gauge"},
    {"decision": "accept", "rule": "drawn_cup_bore", "zone": "N6"},
    "common lists: N6 in steel",
)
plain(
    "a drawn cup in aluminium: R6",
    {
        "part": "housing",
        "designation": "HK2016",
        "readings_mm": same(25.9695),
        "instrument": "bore_gauge",
        "material": "aluminium",
    },
    {"decision": "accept", "rule": "drawn_cup_bore", "zone": "R6"},
    "common lists: R6 in light metal",
)
plain(
    "a drawn cup in a bore gone to +10",
    {"part": "housing", "designation": "HK2016", "readings_mm": same(26.010), "instrument": "bore_gauge"},
    {"decision": "reject", "rule": "drawn_cup_bore"},
    "common lists",
)
plain(
    "needles without inner ring on g6",
    {"part": "shaft", "designation": "NK20/16", "readings_mm": same(19.9865)},
    {"decision": "accept", "rule": "raceway", "zone": "g6"},
    "common lists: F6 under the needles, shaft g6 for normal clearance",
)
plain(
    "needles without inner ring on a shaft ground k6",
    {"part": "shaft", "designation": "NK20/16", "readings_mm": same(20.0085)},
    {"decision": "reject", "rule": "raceway"},
    "as before: that is a seat, not a raceway",
)
plain(
    "a needle cage on its shaft",
    {"part": "shaft", "designation": "K25x30x20", "readings_mm": same(24.9945)},
    {"rule": "raceway", "zone": "h5", "holds_probability": None},
    "common lists: h5 and G6",
)
plain(
    "a needle cage in its bore",
    {"part": "housing", "designation": "K25x30x20", "readings_mm": same(30.0135), "instrument": "bore_gauge"},
    {"rule": "raceway", "zone": "G6"},
    "as before",
)
plain(
    "a yoke type track roller stands still on g6",
    {"part": "shaft", "designation": "NATR25", "readings_mm": same(24.9865)},
    {"decision": "accept", "rule": "standing_ring", "zone": "g6"},
    "the inner ring stands still: g6, h6",
)
plain(
    "the stud of a track roller in H7",
    {"part": "housing", "designation": "KR30", "readings_mm": same(12.009), "instrument": "bore_gauge"},
    {"decision": "accept", "rule": "stud_bore", "zone": "H7"},
    "common lists",
)
plain(
    "the stud's bore worn to +60",
    {"part": "housing", "designation": "KR30", "readings_mm": same(12.060), "instrument": "bore_gauge"},
    {"decision": "reject", "rule": "stud_bore"},
    "common lists",
)
plain(
    "a taper bore on its sleeve",
    {"part": "shaft", "designation": "22210K", "readings_mm": same(44.980), "sleeve_bore_mm": 45},
    {
        "decision": "accept",
        "rule": "taper_bore",
        "zone": "h9",
        "drive_up.reduction_um.min": [25, 0.5],
        "drive_up.reduction_um.max": [30, 0.5],
    },
    "handbooks: shaft under an adapter sleeve h9 with IT5/2; bore 50: 25 to 30 µm",
)
plain(
    "a taper bore without a sleeve",
    {"part": "shaft", "designation": "22210K", "readings_mm": same(49.990)},
    {"error.code": "taper_bore"},
    "a straight seat says nothing of a taper bore",
)


# glands and lip seals
def other(operation, name, request, expect, source):
    CASES.append(
        {"name": name, "operation": operation, "request": request, "expect": expect, "source": source}
    )


ROD = {"kind": "bore", "groove_diameter_mm": 45.0, "width_mm": 4.7, "depth_mm": 2.85}
other(
    "gland",
    "a ring in a bore groove",
    {"ring": {"designation": "-222"}, "groove": ROD, "duty": {"motion": "static"}},
    {
        "stretch_percent.nominal": [100 * (45.0 - (37.69 + 2 * 3.53)) / (37.69 + 2 * 3.53), 0.05],
        "squeeze_percent.nominal": [100 * (3.53 - 2.85) / 3.53, 0.05],
    },
    "contract notes, gland: bore",
)
SHAFT_GROOVE = {"kind": "shaft", "groove_diameter_mm": 38.5, "width_mm": 4.7, "depth_mm": 2.85}
RING = {"inside_mm": 37.7, "section_mm": 3.53}
other(
    "gland",
    "70 Shore at 70 bar with a gap of 0.15",
    {
        "ring": RING | {"hardness_shore_a": 70},
        "groove": SHAFT_GROOVE | {"gap_mm": 0.15},
        "duty": {"pressure_bar": 70},
    },
    {"findings[].code": "gap_high", "backup.sides": 1},
    "gap tables common to handbooks: 0.08 mm at 70 bar for 70 Shore, section 3 to 5",
)
other(
    "gland",
    "90 Shore at 70 bar with a gap of 0.12",
    {
        "ring": RING | {"hardness_shore_a": 90},
        "groove": SHAFT_GROOVE | {"gap_mm": 0.12},
        "duty": {"pressure_bar": 70},
    },
    {"findings[].code": None, "backup": None},
    "as before: 0.15 mm",
)
other(
    "gland",
    "70 Shore at 70 bar with a gap of 0.05",
    {
        "ring": RING | {"hardness_shore_a": 70},
        "groove": SHAFT_GROOVE | {"gap_mm": 0.05},
        "duty": {"pressure_bar": 70},
    },
    {"findings[].code": None, "backup": None},
    "as before",
)
other(
    "gland",
    "90 Shore at 250 bar whatever the gap",
    {
        "ring": RING | {"hardness_shore_a": 90},
        "groove": SHAFT_GROOVE | {"gap_mm": 0.06},
        "duty": {"pressure_bar": 250},
    },
    {"findings[].code": "gap_high", "backup.sides": 1},
    "as before: 0.03 mm at 350 bar",
)
other(
    "gland",
    "pressure from both sides",
    {
        "ring": RING | {"hardness_shore_a": 70},
        "groove": SHAFT_GROOVE | {"gap_mm": 0.15},
        "duty": {"pressure_bar": 100, "pressure_from": "both"},
    },
    {"findings[].code": "gap_high", "backup.sides": 2},
    "a backup ring on each side",
)
other(
    "gland",
    "NBR at 40 below",
    {"ring": RING | {"material": "NBR"}, "groove": SHAFT_GROOVE, "duty": {"min_c": -45}},
    {"findings[].code": "cold_low"},
    "handbooks: NBR to about -30 °C",
)
other(
    "gland",
    "swollen until it fills the groove",
    {"ring": RING, "groove": SHAFT_GROOVE | {"width_mm": 3.9}, "duty": {"swell_percent": 25}},
    {"findings[].code": "fill_when_hot"},
    "fill 88 % dry, over 100 % with a quarter more",
)
other(
    "lip-seal",
    "a track 0.25 mm deep",
    {"shaft_mm": 35, "track_depth_mm": 0.25},
    {"suitable": False, "repair[0]": "move_lip"},
    "common practice: felt with a nail",
)
other(
    "lip-seal",
    "a track of 10 thou",
    {"shaft_mm": 35, "track_depth_mm": "10 thou"},
    {"suitable": False, "repair[0]": "move_lip"},
    "10 thou is 0.254 mm",
)
other(
    "lip-seal",
    "a bore 0.15 over, metal case",
    {"shaft_mm": 35, "bore_mm": 52, "width_mm": 7, "cover": "metal", "housing_bore_mm": 52.15},
    {"suitable": False, "findings[].code": "bore_large"},
    "DIN 3760: metal case 130 to 230 µm over the bore: 0.02 mm loose to 0.08 tight, where 0.084 is the least that a bore at H8 leaves",
)
other(
    "lip-seal",
    "a bore 0.15 over, rubber cover",
    {"shaft_mm": 35, "bore_mm": 52, "width_mm": 7, "cover": "rubber", "housing_bore_mm": 52.15},
    {"suitable": True, "findings[].code": "bore_large"},
    "rubber cover 200 to 350 µm: 0.05 tight at least, less than the 0.154 that H8 leaves",
)
other(
    "lip-seal",
    "a bore in H8",
    {"shaft_mm": 35, "bore_mm": 52, "width_mm": 7, "cover": "metal", "housing_bore_mm": 52.03},
    {"suitable": True, "findings[].code": None},
    "H8 at 52: 0 to 46 µm",
)
other(
    "lip-seal",
    "a bore too shallow",
    {"shaft_mm": 35, "bore_mm": 52, "width_mm": 7, "housing_depth_mm": 7.0},
    {"findings[].code": "depth_short"},
    "DIN 3760: depth b + 0.3",
)
other(
    "lip-seal",
    "a shaft over h11",
    {"shaft_mm": 35, "measured_shaft_mm": 35.12},
    {"findings[].code": "shaft_size"},
    "h11 at 35: 0 to -160 µm",
)
other(
    "lip-seal",
    "a keyway on the way in",
    {"shaft_mm": 35, "way_in": ["chamfer", "keyway", "shoulder"]},
    {"findings[].code": "edge_on_the_way"},
    "features.md 40",
)
other(
    "lip-seal",
    "no chamfer on the shaft",
    {"shaft_mm": 35, "way_in": ["no_chamfer"]},
    {"findings[].code": "edge_on_the_way"},
    "features.md 40",
)
other(
    "lip-seal",
    "lead on the ground shaft",
    {"shaft_mm": 35, "lead": True},
    {"findings[].code": "lead"},
    "sealing.md: without lead",
)
other(
    "lip-seal",
    "it runs dry",
    {"shaft_mm": 35, "rpm": 3000, "dry": True},
    {"findings[].code": "runs_dry"},
    "sealing.md: dry running",
)
Path(__file__).with_name("seats.json").write_text(json.dumps(CASES, indent=1, ensure_ascii=False) + "\n")
if __name__ == "__main__":
    for each in CASES:
        print(each["operation"], "|", each["name"], "|", json.dumps(each["expect"], ensure_ascii=False))
    print(len(CASES))
