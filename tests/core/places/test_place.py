"""The place of a part of any family: one question, judged by the rules of its kind."""

import pytest

from ample.core.errors import BadInput
from ample.core.operations import ask
from ample.core.parts import SealSpec
from ample.core.parts.requirement import Measured, OperatingConditions
from ample.core.places.place import GoingIn, PlaceFacts, PlaceSheet, judge_place


def read(feature, *values, instrument="caliper"):
    return {"feature": feature, "values": list(values), "instrument": instrument}


def place(family, designation, *observations, **more):
    asked = {"family": family, "designation": designation, "observations": list(observations)}
    return ask("place", asked | more)


SHAFT, BORE = (
    read("shaft_seat", *[25.0065] * 4, instrument="micrometer"),
    read("housing_seat", *[52.003] * 4, instrument="bore_gauge"),
)


def test_both_seats_of_a_bearing():
    found = place("bearing", "6205", SHAFT, BORE)
    assert (found["decision"], found["missing"]) == ("accept", [])
    assert found["seats"]["shaft"]["holds_probability"] > 0.95


def test_a_seat_that_is_not_read_is_missing():
    assert place("bearing", "6205", SHAFT)["missing"] == ["housing_seat"]
    assert place("bearing", "6205", SHAFT)["decision"] == "not_measured"


def test_a_side_without_a_seat_is_not_missing():
    pin = read("shaft_seat", *[24.9865] * 6, instrument="micrometer")
    assert place("bearing", "NATR25", pin)["missing"] == []


def test_a_worn_seat_is_a_finding():
    worn = read("shaft_seat", *[24.98] * 4, instrument="micrometer")
    [finding] = place("bearing", "6205", worn, BORE)["findings"]
    assert (finding["code"], finding["severity"]) == ("shaft_will_creep", "stop")


def test_a_lip_seal_by_its_track_and_bore():
    """Half of 34.98 - 34.50 is 0.24 mm; a bore of 52.15 leaves a rubber cover 0.05 mm (DIN 3760: +200 over 52)."""
    found = place(
        "lip_seal", "35x52x7", read("shaft", 34.98), read("shaft_track", 34.5), read("housing_bore", 52.15)
    )
    assert found["decision"] == "reject"
    assert {each["code"] for each in found["findings"]} == {"track_groove", "bore_large"}
    assert found["lip_seal"]["press_fit"]["least_mm"] == pytest.approx(0.05, abs=0.002)


GROOVE = (read("groove_diameter", 38.5), read("groove_width", 4.7), read("groove_depth", 2.8))


def test_a_ring_by_its_groove_and_gap():
    assert place("o_ring", "-222", *GROOVE)["decision"] == "accept"
    under = place("o_ring", "-222", *GROOVE, gap_mm=0.1, duty={"pressure_bar": 70})
    assert [each["code"] for each in under["findings"]] == ["gap_high"]


def test_the_gap_is_part_of_the_depth():
    """The gland is from the bottom of the groove to the mating surface: groove depth and gap."""
    bare, gapped = place("o_ring", "-222", *GROOVE), place("o_ring", "-222", *GROOVE, gap_mm=0.3)
    assert bare["gland"]["squeeze_percent"]["nominal"] > gapped["gland"]["squeeze_percent"]["nominal"] + 5


def test_what_is_not_measured_is_named():
    assert place("o_ring", "-222", read("groove_width", 4.7))["missing"] == [
        "groove_diameter",
        "groove_depth",
    ]


@pytest.mark.parametrize(("family", "name"), [("hydraulic_seal", "40x50x8"), ("retaining_ring", "25x1.2")])
def test_kinds_without_rules_say_so(family, name):
    assert place(family, name)["decision"] == "not_judged"


def test_nonsense_is_refused_at_its_field():
    with pytest.raises(BadInput) as refused:
        place("lip_seal", "qqq")
    assert refused.value.field == "designation"


def going(kind="lip_rubber", measured=(), **duty):
    family = "lip_seal" if kind.startswith("lip") else "o_ring"
    spec = SealSpec(family, "x", kind, (35.0, 52.0, 7.0))
    return PlaceFacts(
        GoingIn(
            title="x", chosen=True, size_text="", family=family, kind=kind, spec=spec,
            measured=tuple(Measured(name, mm, 0.01, 1, "caliper") for name, mm in measured),
            duty=OperatingConditions(**duty),
        )
    )  # fmt: skip


SIZES = (("shaft", 34.98), ("housing_bore", 52.02))


def test_the_sheet_says_what_calipers_cannot():
    sheet = PlaceSheet(way_in=["no_chamfer", "keyway"], lead=True, roughness_um=1.6)
    found = judge_place(sheet, going(measured=SIZES))
    assert [each.code for each in found.findings] == [
        "too_rough",
        "lead",
        "edge_on_the_way",
        "edge_on_the_way",
    ]
    assert found.decision == "reject"


def test_what_the_unit_runs_at_stands_in():
    assert judge_place(PlaceSheet(), going(measured=SIZES, rpm=1000.0)).lip_seal.speed_m_s == pytest.approx(
        1.833, abs=0.001
    )
    assert judge_place(
        PlaceSheet(rpm=3000), going(measured=SIZES, rpm=1000.0)
    ).lip_seal.speed_m_s == pytest.approx(5.498, abs=0.001)


def test_a_track_as_typed_wins_over_half_the_difference():
    sizes = (*SIZES, ("shaft_track", 34.88))
    assert "track_groove" in {each.code for each in judge_place(PlaceSheet(), going(measured=sizes)).findings}
    typed = judge_place(PlaceSheet(track_depth="12 thou"), going(measured=sizes))
    assert any("0.3048" in each.words or "0.305" in each.words for each in typed.findings)


def test_a_length_that_cannot_be_read_is_said_at_its_field():
    found = judge_place(PlaceSheet(housing_depth="deep"), going(measured=SIZES))
    assert (found.fault_field, found.decision) == ("housing_depth", "not_measured")


RING = SealSpec("o_ring", "-222", "o_ring", (37.6936, 3.5306))


def in_groove(*measured):
    return PlaceFacts(
        GoingIn(
            title="-222", chosen=True, size_text="", family="o_ring", kind="o_ring", spec=RING,
            measured=tuple(Measured(name, mm, 0.01, 1, "caliper") for name, mm in measured),
            duty=OperatingConditions(),
        )
    )  # fmt: skip


def test_a_dovetail_is_judged_about_the_middle_of_its_opening():
    """The usual dovetail of a 3.53 ring; its outer edge is the middle, 41.22, and one opening."""
    facts = in_groove(("dovetail_diameter", 44.19), ("dovetail_opening", 2.97), ("groove_depth", 2.82))
    found = judge_place(PlaceSheet(), facts)
    assert (found.decision, found.ring.groove.kind) == ("accept", "dovetail")
    assert found.ring.groove.wall_mm.nominal == pytest.approx(41.22)
    asked = {"kind": "dovetail", "groove_diameter_mm": 41.22, "width_mm": 2.97, "depth_mm": 2.82}
    same = ask("gland", {"ring": {"designation": "-222"}, "groove": asked})
    assert found.gland.squeeze_percent.nominal == pytest.approx(same["squeeze_percent"]["nominal"], abs=0.01)


def test_the_space_under_a_connector_is_a_triangle():
    found = judge_place(PlaceSheet(), in_groove(("connector_diameter", 38.1), ("connector_leg", 4.7)))
    across = 4.7 * (2 - 2**0.5)  # the circle that a triangle of two equal legs holds
    assert found.ring.groove.kind == "tube_thread"
    assert found.gland.squeeze_percent.nominal == pytest.approx(100 * (1 - across / 3.51), abs=1)
    assert judge_place(PlaceSheet(), in_groove(("connector_diameter", 38.1))).missing == ("connector_leg",)
