import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.errors import BadInput
from ample.core.fits import (
    Duty,
    Interference,
    MeasuredSeat,
    Range,
    check_seat,
    clearance_left,
    fit,
    zone_advice,
)
from ample.core.fits.clearance import NO_RING
from ample.core.parts import BearingSpec
from ample.core.sizes import Instrument, default_instrument

BEARING = BearingSpec("6205", "62", 25.0, 52.0, 15.0)
FINE = Instrument("micrometer", "fine micrometer", 0.0001, 0.0008, 0.0008, 0.0008, 0.0002)
GOOD = [[25.0055, 25.006], [25.006, 25.0065], [25.006, 25.006]]


def shaft(readings, zone="k5", instrument=FINE, **more):
    return check_seat(MeasuredSeat("shaft", BEARING, readings, instrument, zone, **more))


@pytest.mark.parametrize(
    ("size", "hole", "shaft_zone", "least", "most", "kind"),
    [
        (25, "H7", "k6", -15, 19, "transition"),
        (25, "H7", "p6", -35, -1, "interference"),
        (40, "H7", "g6", 9, 50, "clearance"),
        (25, "H7", "h6", 0, 34, "clearance"),
        (2, "H7", "p6", -12, 4, "transition"),
    ],
)
def test_fits_as_in_the_handbooks(size, hole, shaft_zone, least, most, kind):
    """From the limits of ISO 286-2: least = EI − es, most = ES − ei."""
    found = fit(size, hole, shaft_zone)
    assert (found.min_clearance_um, found.max_clearance_um, found.kind) == (least, most, kind)


@pytest.mark.parametrize("asked", [("h7", "k6"), ("H7", "K6"), ("H7", ""), ("", "k6"), ("X9", "k6")])
def test_mixed_up_or_unknown_zones_are_refused(asked):
    with pytest.raises(BadInput):
        fit(25, *asked)


def test_form_of_a_seat():
    """Out of round is half of max − min in a plane; taper the difference of the end planes' means."""
    seat = shaft([[25.010, 25.006], [25.004, 25.004], [25.002, 25.002]])
    assert seat.out_of_round_um == pytest.approx(2.0)
    assert seat.taper_um == pytest.approx(6.0)
    assert seat.cylindricity_um == pytest.approx(4.0)
    assert seat.mean_mm == pytest.approx(25.0046667, abs=1e-6)


def test_barrel_and_waist_are_told_apart():
    assert shaft([[25.004], [25.009], [25.004]]).form_told.kind == "barrel"
    assert shaft([[25.009], [25.004], [25.009]]).form_told.kind == "waist"


def test_interference_against_the_actual_bore():
    """Bore of a 6205 of Normal class: 0/−10 µm (ISO 492). Shaft 25.0055–25.0065: 5.5 to 16.5 µm tight."""
    found = shaft(GOOD).interference_um
    assert (found.min, found.max) == (5.5, 16.5)
    assert found.likely == pytest.approx(11, abs=0.1)


def test_a_housing_is_loose_as_the_outside_is_smaller():
    """Outside of a 6205: 0/−13 µm. Housing 52.010–52.020: 10 to 33 µm loose."""
    seat = check_seat(MeasuredSeat("housing", BEARING, [[52.010, 52.020]], FINE, "H7"))
    assert (seat.interference_um.min, seat.interference_um.max) == (-33.0, -10.0)


def test_conformity_with_guard_band():
    """k5 at 25 runs from +2 to +11 µm."""
    assert shaft(GOOD).conformity == "accept"
    assert shaft([[25.0112, 25.006]]).conformity == "cannot_tell"
    assert shaft([[25.014, 25.006]]).conformity == "reject"
    assert shaft([[24.990, 24.991]]).conformity == "reject"


def test_a_coarse_instrument_cannot_tell_and_a_better_one_is_named():
    seat = check_seat(
        MeasuredSeat("housing", BEARING, [[52.014, 52.016]], default_instrument("caliper"), "H7")
    )
    assert seat.decision == "cannot_tell"
    assert seat.fitness == "unfit"
    assert seat.better_instrument == "bore gauge"
    assert any("too coarse for H7" in note for note in seat.notes)


def test_the_older_edition_guards_more():
    assert shaft(GOOD, edition="2013").guard_um > shaft(GOOD, edition="2017").guard_um


@given(st.floats(-0.012, 0.02), st.floats(0.0001, 0.01))
def test_a_wider_doubt_never_decides_more(off, u):
    narrow = Instrument("m", "m", 0.0001, u, u, u, u / 4)
    wide = Instrument("m", "m", 0.0001, 2 * u, 2 * u, 2 * u, u / 2)
    reading = [[25.0 + off]]
    if shaft(reading, instrument=narrow).conformity == "cannot_tell":
        assert shaft(reading, instrument=wide).conformity == "cannot_tell"


def test_creep_falls_as_the_fit_tightens():
    chances = [shaft([[25.0 + i / 1000] * 2]).creep_probability for i in (-2, 1, 4, 7, 10)]
    assert chances == sorted(chances, reverse=True)
    assert chances[0] > 0.5
    assert chances[-1] < 0.01


def test_a_still_ring_is_loose_by_intent():
    seat = check_seat(MeasuredSeat("housing", BEARING, [[52.02, 52.02]], FINE, "H7", duty=Duty("shaft")))
    assert seat.creep_probability is None
    assert "is intended; it seldom creeps" in seat.creep_reason
    turning = check_seat(MeasuredSeat("housing", BEARING, [[52.02, 52.02]], FINE, "H7", duty=Duty("housing")))
    assert turning.creep_probability > 0.9


def test_heavier_load_asks_for_more():
    light, heavy = (shaft(GOOD, duty=Duty(load=load)).creep_probability for load in ("light", "heavy"))
    assert light < heavy


def test_a_warm_shaft_is_brought_to_20_degrees():
    """25 mm of steel over 10 K: 25·11.5e-6·10 = 2.9 µm, less when the instrument is as warm."""
    cold = shaft(GOOD).mean_mm
    assert cold - shaft(GOOD, part_c=30.0, instrument_c=20.0).mean_mm == pytest.approx(0.002875, abs=1e-5)
    assert shaft(GOOD, part_c=30.0, instrument_c=30.0).mean_mm == pytest.approx(cold)


def test_a_worn_seat_gets_ways_of_repair():
    seat = shaft([[24.96, 24.97]])
    assert seat.decision == "reject"
    assert any("Sleeve" in way for way in seat.repairs)
    assert [way.way for way in seat.repair_ways if way.suits] == ["compound", "sleeve", "build_up", "replace"]
    assert any("machine shop" in way for way in seat.repairs)
    assert shaft(GOOD).repairs == ()


@pytest.mark.parametrize(
    "bad",
    [{"readings": []}, {"readings": [[]]}, {"readings": [[250.06]]}, {"zone": "K7"}, {"edition": "1999"}, {"finish": "rough"}],
)  # fmt: skip
def test_bad_seats_are_refused(bad):
    with pytest.raises(BadInput):
        shaft(bad.pop("readings", GOOD), **bad)


@pytest.mark.parametrize("size", [8, 25, 60, 120, 180, 300])
def test_interference_grows_with_load(size):
    """Selection tables: more load, more interference."""
    from ample.core.standards import limits

    means = []
    for load in ("light", "normal", "heavy"):
        zone = limits(size, zone_advice("shaft", size, Duty(load=load)).zone)
        means.append((zone.lower_um + zone.upper_um) / 2)
    assert means == sorted(means)


@pytest.mark.parametrize("turning", ["shaft", "housing", "shaking"])
@pytest.mark.parametrize("load", ["light", "normal", "heavy"])
@pytest.mark.parametrize("slides", [True, False])
@pytest.mark.parametrize("split", [True, False])
def test_a_split_housing_is_never_tighter_than_j(turning, load, slides, split):
    for part, size in (("shaft", 25), ("housing", 52), ("shaft", 400), ("housing", 500)):
        advice = zone_advice(part, size, Duty(turning, load, slides, split))
        assert advice.reason
        if part == "housing" and split:
            assert advice.zone in ("H7", "J7", "G7")


def test_which_ring_may_be_loose_depends_on_what_turns():
    assert zone_advice("shaft", 25, Duty("shaft")).zone == "k5"
    assert zone_advice("shaft", 25, Duty("housing", slides=True)).zone == "g6"
    assert zone_advice("housing", 52, Duty("shaft", slides=True)).zone == "H7"
    assert zone_advice("housing", 52, Duty("housing")).zone == "N7"


@pytest.mark.parametrize("duty", [{"turning": "moon"}, {"load": "crushing"}])
def test_unknown_load_cases_are_refused(duty):
    with pytest.raises(BadInput):
        Duty(**duty)


def left(shaft_range=None, housing_range=None, group="N", **more):
    on, within = (Interference.of(each) if each else NO_RING for each in (shaft_range, housing_range))
    return clearance_left(BEARING, on, within, group, **more)


def test_clearance_lost_on_a_solid_shaft():
    """i·k with k = d/F, F = (4d + D)/5: for 6205 k = 125/152; i effective = i·d/(d+2)."""
    found = left(Range(10, 10, 10), warmer_inner_k=0)
    assert found.before.min - found.mounted.min == pytest.approx(10 * 125 / 152 * 25 / 27, abs=0.06)
    assert found.running == found.mounted


def test_heat_takes_clearance_as_the_expansion_says():
    """−α·ΔT·(E + F)/2 = 11.5e-6·10·38.5 mm = 4.4 µm for a 6205."""
    found = left(warmer_inner_k=10)
    assert found.mounted.likely - found.running.likely == pytest.approx(4.43, abs=0.06)


def test_a_tight_warm_seat_asks_for_c3():
    found = left(Range(3, 10.3, 17))
    assert found.suits == "3"
    assert found.words.endswith("Take C3.")


def test_a_loose_ring_takes_no_clearance():
    found = left(Range(-20, -10, -2), Range(-40, -30, -20))
    assert found.mounted == found.before


def test_a_hollow_shaft_gives_way():
    solid, hollow = (left(Range(10, 10, 10), hollow_mm=h).mounted.likely for h in (0, 20))
    assert hollow > solid


@pytest.mark.parametrize(
    "bad", [{"hollow_mm": 30.0}, {"warmer_inner_k": 500.0}, {"group": "9"}, {"hollow_mm": -1.0}]
)
def test_impossible_clearance_questions_are_refused(bad):
    with pytest.raises(BadInput):
        left(**bad)


@pytest.mark.parametrize(
    ("group", "on", "advice"),
    [
        ("3", Range(0, 2, 4), "ok"),
        ("N", Range(3, 10.3, 17), "take_group"),
        ("2", Range(60, 80, 90), "no_group"),
    ],
)
def test_what_to_do_about_the_clearance_is_a_code(group, on, advice):
    assert left(on, group=group).advice == advice


def test_what_nine_of_ten_have_lies_within_the_extremes():
    """6205 on k5: 5 % and 95 % points by 300,000 draws of bore, shaft and group (typed in here)."""
    found = left(Range(2, 11.5, 21), warmer_inner_k=0)
    assert found.mounted.min < found.mounted_usual.min < found.mounted_usual.max < found.mounted.max
    rng = np.random.default_rng(5)
    i = np.maximum(np.interp(rng.random(300_000), (0, 0.5, 1), (2, 11.5, 21)), 0)
    drawn = rng.uniform(5, 20, 300_000) - i * 25 / 27 * 125 / 152
    assert found.mounted_usual.min == pytest.approx(np.percentile(drawn, 5), abs=0.15)
    assert found.mounted_usual.max == pytest.approx(np.percentile(drawn, 95), abs=0.15)


def test_a_housing_of_steel_is_the_handbooks_formula_and_light_metal_takes_less():
    """h(1 - h0²)/(1 - h²h0²) with h = 46.6/52, h0 = 1/1.5, times 52/54 for smoothing."""
    h, h0 = 46.6 / 52, 1 / 1.5
    wanted = 10 * 52 / 54 * h * (1 - h0**2) / (1 - h**2 * h0**2)
    steel, light = (
        left(None, Range(10, 10, 10), warmer_inner_k=0, housing_material=name)
        for name in ("steel", "aluminium")
    )
    assert steel.before.likely - steel.mounted.likely == pytest.approx(wanted, abs=0.06)
    assert 0.3 * wanted < light.before.likely - light.mounted.likely < 0.8 * wanted
