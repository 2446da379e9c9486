import pytest

from ample.core.errors import BadInput
from ample.core.parts import (
    BEARING,
    DIMENSIONS,
    FEATURES,
    BearingSpec,
    bearing_kinds,
    bearing_questions,
    clearance_table,
)
from ample.core.parts.needles import needle_count
from ample.core.parts.ratings import element_mm
from ample.core.standards import bearing_sizes, internal_clearance

ONE_OF = {size.kind: size for size in reversed(bearing_sizes())}


def spec_of(size):
    width = size.B_open_mm or size.B_closed_mm
    return BearingSpec(
        size.designation,
        size.series,
        size.d_mm,
        size.D_mm,
        width,
        kind=size.kind,
        T_mm=size.T_mm,
        C_mm=size.C_mm,
    )


@pytest.mark.parametrize("kind", list(bearing_kinds()))
def test_every_kind_has_sizes_and_limits_for_all_that_is_measured(kind):
    spec = spec_of(ONE_OF[kind])
    described = bearing_kinds()[kind]
    for name in BEARING.offered(frozenset({described.scheme})):
        found = BEARING.measures(spec.make, name)
        assert found, name
        assert sum(each.share for each in found) == pytest.approx(1)
        for each in found:
            assert each.low_mm < each.high_mm
            assert abs(each.low_mm - each.nominal_mm) < 0.7


@pytest.mark.parametrize("kind", list(bearing_kinds()))
def test_every_kind_is_sold_by_its_own_dimensions(kind):
    spec = spec_of(ONE_OF[kind])
    assert tuple(spec.dimensions) == bearing_kinds()[kind].dimension_names
    assert all(size > 0 for size in spec.dimensions.values())
    assert len(spec.make.dimensions_mm) == len(DIMENSIONS)


@pytest.mark.parametrize("size", bearing_sizes()[::7], ids=lambda size: size.designation)
def test_what_rolls_has_room(size):
    element = element_mm(size.kind, size.d_mm, size.D_mm, size.T_mm or size.B_open_mm or size.B_closed_mm)
    assert element >= 0
    if size.d_mm and size.D_mm and dict(bearing_kinds()[size.kind].seen).get("lies") != "flat":
        assert element <= (size.D_mm - size.d_mm) / 2 + 1e-3


def test_every_answer_is_that_of_some_kind_and_every_kind_answers_within_the_questions():
    given = {pair for kind in bearing_kinds().values() for pair in kind.seen}
    asked = {(question.name, value) for question in bearing_questions() for value, _ in question.answers}
    assert given == asked


def test_no_two_kinds_of_one_group_look_alike_in_everything():
    """But for the parts that a marking, a seal or a stud tells: those are told by their own drawing."""
    seen = {}
    for kind in bearing_kinds().values():
        seen.setdefault((kind.group, kind.scheme, kind.seen), []).append(kind.name)
    alike = {name for names in seen.values() if len(names) > 1 for name in names}
    assert alike <= ALIKE


# What eye and hand cannot tell without the drawing or the sizes (common practice).
ALIKE = {
    "deep_groove", "angular_contact", "thin_section", "taper", "inch_taper", "drawn_cup", "drawn_cup_closed",
    "needle_cage", "track_roller_yoke", "track_roller_stud", "deep_groove_double", "double_row_angular", "hub_unit",
    "inch_cone", "inch_cup", "metric_cone", "metric_cup",
}  # fmt: skip


@pytest.mark.parametrize("kind", [k for k in bearing_kinds().values() if k.clearance], ids=lambda k: k.name)
def test_every_clearance_table_that_is_named_is_held(kind):
    assert internal_clearance(kind.clearance, 50, "N").max_um > 0


def test_a_taper_bore_has_its_own_clearance():
    straight = BearingSpec("22215", "222", 75, 130, 31, kind="spherical_roller")
    assert clearance_table(straight) == "spherical"
    assert clearance_table(BearingSpec("6205", "62", 25, 52, 15, bore_shape="taper_1_12")) == "deep_groove"


def test_groups_hold_their_kinds():
    assert {
        "taper",
        "inch_taper",
        "inch_cone",
        "inch_cup",
        "metric_cone",
        "metric_cup",
    } == BEARING.kinds_meant("taper")
    assert BEARING.kinds_meant("cylindrical_nu") == {"cylindrical_nu"}
    with pytest.raises(BadInput, match="not a kind"):
        BEARING.kinds_meant("gear")


def test_features_are_named_once():
    names = [feature.name for feature in FEATURES]
    assert len(set(names)) == len(names)


# Needles -----------------------------------------------------------------------------------


def test_six_equal_circles_stand_about_a_seventh():
    """Geometry: six fill the ring about an equal one, without a gap."""
    found = needle_count(5.0, 5.0)
    assert (found.count, found.gap_mm) == (6, 0)


@pytest.mark.parametrize(("pin", "needle", "count"), [(10.0, 2.0, 18), (14.7, 2.5, 21), (22.0, 3.0, 26)])
def test_needles_of_usual_joints(pin, needle, count):
    """The most circles of one size on a pitch circle: pi over the arc sine of Dw / Dp, whole ones only."""
    assert needle_count(pin, needle).count == count


def test_a_lost_needle_is_an_alarm():
    assert "One needle is missing" in needle_count(14.7, 2.5, counted=20).alarm
    assert needle_count(14.7, 2.5, counted=21).alarm == ""
    assert "another row" in needle_count(14.7, 2.5, counted=23).alarm


def test_pin_and_cup_must_agree():
    assert needle_count(None, 2.5, outside_mm=19.7).count == needle_count(14.7, 2.5).count
    with pytest.raises(BadInput, match="Measure all three"):
        raise_hint(needle_count, 14.7, 2.5, 25.0)


def raise_hint(function, *asked):
    try:
        function(*asked)
    except BadInput as error:
        raise BadInput(error.code, f"{error.message} {error.hint}") from error


@pytest.mark.parametrize("asked", [(None, 2.5), (14.7, 0.1), (14.7, 30.0)])
def test_impossible_needles_are_refused(asked):
    with pytest.raises(BadInput):
        needle_count(*asked)


def test_a_kind_calls_its_bore_by_what_the_caliper_touches():
    """Common practice: a drawn cup is read under its needles, a stud roller at its stud."""
    words = BEARING.own_words
    assert words["drawn_cup"]["bore"] == "under the needles"
    assert words["track_roller_stud"]["bore"] == "stud"
    assert all(set(each) <= set(BEARING.measured_of(kind)) for kind, each in words.items())
