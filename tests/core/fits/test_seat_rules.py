"""By which rules a seat is judged: every kind of bearing by its own."""

import pytest

from ample.core.errors import BadInput
from ample.core.fits import Duty, MeasuredSeat, check_seat, zone_advice
from ample.core.fits.judging.rules import SeatRule, has_seat, no_seat_words, seat_rule, stands_against
from ample.core.operations import ask
from ample.core.parts import BearingSpec, bearing_kinds
from ample.core.sizes import default_instrument

ROTATING = Duty("shaft")
NOT_JUDGED = {"joint_cross"}


def spec_of(kind, bore_shape="cylindrical"):
    return BearingSpec("x", "x", 20, 47, 14, kind=kind, bore_shape=bore_shape)


@pytest.mark.parametrize("kind", bearing_kinds())
def test_every_kind_has_a_seat_somewhere_and_a_zone_for_it(kind):
    spec = spec_of(kind)
    sides = [side for side in ("shaft", "housing") if has_seat(spec, side)]
    if kind in NOT_JUDGED:
        assert not sides
        assert "not judged yet" in no_seat_words(spec, "housing")
        return
    assert sides
    for side in sides:
        for turning in ("shaft", "housing", "shaking"):
            for load in ("light", "normal", "heavy"):
                duty = Duty(turning, load)
                rule = seat_rule(spec, side, duty)
                assert zone_advice(side, 20 if side == "shaft" else 47, duty, rule.zones).zone


@pytest.mark.parametrize(
    ("kind", "side", "rule"),
    [
        ("deep_groove", "shaft", "pressed_ring"),
        ("deep_groove", "housing", "standing_ring"),
        ("spherical_roller", "shaft", "pressed_ring"),
        ("inch_taper", "shaft", "pressed_ring"),
        ("drawn_cup", "shaft", "raceway"),
        ("drawn_cup", "housing", "drawn_cup_bore"),
        ("thrust_ball", "housing", "thrust_housing_washer"),
        ("insert", "shaft", "slip_fit"),
        ("track_roller_yoke", "shaft", "standing_ring"),
        ("track_roller_stud", "housing", "stud_bore"),
    ],
)
def test_a_seat_is_judged_by_the_rule_of_its_kind(kind, side, rule):
    assert seat_rule(spec_of(kind), side, ROTATING).rule == rule


def test_which_ring_is_pressed_depends_on_what_turns():
    assert seat_rule(spec_of("deep_groove"), "housing", Duty("housing")).rule == "pressed_ring"
    assert seat_rule(spec_of("deep_groove"), "shaft", Duty("housing")).rule == "standing_ring"
    assert seat_rule(spec_of("deep_groove"), "housing", Duty("shaking")).rule == "pressed_ring"


def test_a_taper_bore_has_its_own_rule():
    assert seat_rule(spec_of("spherical_roller", "taper_1_12"), "shaft", ROTATING).rule == "taper_bore"
    assert seat_rule(spec_of("spherical_roller", "taper_1_12"), "housing", ROTATING).rule == "standing_ring"


def test_a_side_without_a_seat_is_refused_in_words():
    with pytest.raises(BadInput) as refused:
        seat_rule(spec_of("track_roller_yoke"), "housing", ROTATING)
    assert refused.value.field == "part"
    assert no_seat_words(spec_of("inch_cup"), "shaft").endswith("there is nothing to check.")


@pytest.mark.parametrize("ring", ["insert", "under_cup"])
def test_inside_sizes_grow_and_lie_over_nominal(ring):
    """Common lists: an insert of 25 mm 0 to +18; a cup over 20 mm +20 to +41 when pressed in."""
    sizes = [12, 17, 20, 25, 40, 60]
    held = [stands_against(SeatRule("", ring, ""), "shaft", size) for size in sizes]
    assert all(each.lower_um >= 0 and each.upper_um > each.lower_um for each in held)
    assert [each.upper_um for each in held] == sorted(each.upper_um for each in held)
    assert held[3].upper_um == {"insert": 18, "under_cup": 41}[ring]


@pytest.mark.parametrize(
    ("family", "load", "size", "zone"),
    [("roller", "normal", 30, "k6"), ("roller", "normal", 60, "m6"), ("roller", "normal", 120, "n6"),
     ("roller", "normal", 160, "p6"), ("roller", "heavy", 100, "n6"), ("roller", "heavy", 160, "p6"),
     ("inch_taper", "normal", 34.925, "+25/+38")],
)  # fmt: skip
def test_zones_of_rollers_and_inch_tapers(family, load, size, zone):
    """Handbook selection tables for roller bearings, inner ring rotating (common to handbooks)."""
    assert zone_advice("shaft", size, Duty(load=load), family).zone == zone


def test_a_drawing_gives_its_own_deviations():
    answer = ask(
        "seat", {"part": "shaft", "designation": "6205", "readings_mm": [[25.0065]], "zone": "+2/+11"}
    )
    assert (answer["zone_lower_um"], answer["zone_upper_um"]) == (2, 11)
    with pytest.raises(BadInput):
        ask("seat", {"part": "shaft", "designation": "6205", "readings_mm": [[25.0065]], "zone": "+2/+2"})


def test_an_inch_taper_without_a_class_is_of_the_ordinary_one():
    answer = ask("seat", {"part": "shaft", "designation": "LM48548/LM48510", "readings_mm": [[34.956]]})
    assert (answer["ring_lower_um"], answer["ring_upper_um"]) == (0, 13)


def test_the_load_is_a_share_of_the_kinds_own_rating():
    """Needed interference of a roller bearing over that of a ball bearing of the same size: √(64.4/35.1) = 1.35."""
    ball, roller = (
        ask(
            "seat",
            {
                "part": "shaft",
                "designation": name,
                "readings_mm": [[50.01]],
                "zone": "k6",
                "warmer_inner_k": 0,
            },
        )
        for name in ("6210", "NU210")
    )
    assert roller["needed_um"] / ball["needed_um"] == pytest.approx(1.35, abs=0.1)


def ask_seat(designation, mm, part="shaft", **more):
    return ask("seat", {"part": part, "designation": designation, "readings_mm": [[mm] * 2] * 3} | more)


def test_a_seat_in_its_zone_that_creeps_is_told_a_tighter_one():
    """A thin ring on j6 under 2 kN: what it needs is more than j6 gives."""
    found = ask_seat("61810", 50.002, zone="j6", duty={"radial_n": 2000})
    assert (found["decision"], found["because"]) == ("reject", "will_creep")
    way = found["repair_ways"][0]
    assert way["way"] == "next_zone"
    assert way["zone"] in ("k5", "k6", "m5", "m6", "n6", "p6", "r6")


def test_a_soft_raceway_is_not_told_to_be_ground():
    found = ask_seat("HK2016", 19.995, hardness_hrc=40)
    assert found["repair_ways"] == []
    assert "inner ring" in found["findings"][0]["repair"]


def test_a_bad_form_is_not_ground_away():
    readings = [[25.0215, 24.9915, 25.0215, 24.9915]] * 3
    found = ask("seat", {"part": "shaft", "designation": "6205", "readings_mm": readings})
    assert "grind" not in [way["way"] for way in found["repair_ways"]]
    assert found["repair_ways"][0]["suits"]


@pytest.mark.parametrize(
    ("name", "part", "mm"), [("LM48548", "shaft", 34.956), ("LM48510", "housing", 65.10)]
)
def test_a_cone_or_a_cup_alone_has_its_own_seat(name, part, mm):
    kind = "inch_cone" if part == "shaft" else "inch_cup"
    sizes = (34.925, 0.0, 18.288) if part == "shaft" else (0.0, 65.088, 13.97)
    spec = BearingSpec(name, "x", *sizes, kind=kind)
    tool = default_instrument("micrometer" if part == "shaft" else "bore_gauge")
    found = check_seat(MeasuredSeat(part, spec, [[mm] * 2] * 3, tool))
    assert found.decision in ("accept", "cannot_tell", "reject")
    assert found.interference_um is not None


def test_an_outer_ring_narrower_than_the_inner_needs_more():
    """32210: the cup is 19 mm wide, the cone 23: √(23/19) = 1.10 times as much for one load."""
    cone = ask_seat("32210", 50.0, duty={"radial_n": 8000}, warmer_inner_k=0)["needed_um"]
    cup = ask_seat(
        "32210", 90.0, "housing", duty={"turning": "housing", "radial_n": 8000}, instrument="bore_gauge"
    )["needed_um"]
    wanted = (90 * 8000 / 19) ** 0.5 * 92 / 90 / ((50 * 8000 / 23) ** 0.5 * 52 / 50)
    assert cup / cone == pytest.approx(wanted, rel=0.01)


@pytest.mark.parametrize(("mm", "offered"), [(24.9995, True), (24.990, False)])
def test_a_ring_is_picked_only_where_the_tightest_would_hold(mm, offered):
    """6205 under 1400 N needs 4.6 um; the smallest bore is 10 um under: 9.5 tight on 24.9995, nothing on 24.990."""
    ways = ask_seat("6205", mm, duty={"radial_n": 1400}, zeroed_on={"expanded_uncertainty_um": 1.6})[
        "repair_ways"
    ]
    assert ("ring_to_suit" in [way["way"] for way in ways]) is offered
