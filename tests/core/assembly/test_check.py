"""Contradictions in a line: each kind of slip, and the same line without it."""

import pytest

from ample.core.assembly import LineSheet, check_line, facing_of, known_of, signs_on_line

LINE = {"key": "main", "name": "worm shaft", "inside": "oil", "left_end": "air", "right_end": "water"}


def part(key, kind, left="flat", right="flat", left_at="", right_at="", **more):
    faces = {"left": {"mark": left, "looks_at": left_at}, "right": {"mark": right, "looks_at": right_at}}
    return {"key": key, "line": "main", "kind": kind, **faces, **more}


def sheet(*parts, line=LINE, **more):
    return LineSheet.model_validate({"lines": [line], "parts": list(parts), **more})


def mm(value):
    return {"typed": str(value), "unit": "mm", "mm": value}


def codes(found):
    return [each.code for each in check_line(found)]


BALL = part("ball", "ball_bearing")
HELD = {"thread": "M8", "torque": 22, "torque_source": "manual"}

# facts of the trade (common practice): the slip, its code, its level, and how it is put right
SLIPS = [
    ("lip_away", "wrong", [part("seal", "lip_seal", left="lip"), BALL], [part("seal", "lip_seal", right="lip"), BALL]),
    ("lip_away", "wrong", [BALL, part("seal", "lip_seal", right="spring", right_at="air")], [BALL, part("seal", "lip_seal", left="spring")]),
    ("lip_away", "wrong", [part("cup1", "rod_seal", left="lip", left_at="air", right_at="pressure")], [part("cup1", "rod_seal", right="lip", left_at="air", right_at="pressure")]),
    ("two_springs", "ask", [part("seal", "lip_seal", left="spring", right="spring"), BALL], [part("seal", "lip_seal", right="lip"), BALL]),
    ("one_lip_for_two", "ask", [BALL, part("seal", "lip_seal", right="lip")], [BALL, part("oily", "lip_seal", left="lip"), part("seal", "lip_seal", right="lip")]),
    ("wiper_inward", "wrong", [part("wipe", "wiper", right="lip", right_at="pressure")], [part("wipe", "wiper", left="lip", right_at="pressure")]),
    ("backup_on_pressure", "wrong", [part("ring", "o_ring"), part("back", "backup_ring", right_at="pressure")], [part("back", "backup_ring", right_at="pressure"), part("ring", "o_ring")]),
    ("cup_inward", "wrong", [part("cupp", "taper_cup", left="wide", right="narrow", left_at="shoulder")], [part("cupp", "taper_cup", left="narrow", right="wide", left_at="shoulder")]),
    ("cup_inward", "wrong", [part("cupp", "taper_cup", left="wide", right="narrow"), part("cone", "taper_cone")], [part("cupp", "taper_cup", left="narrow", right="wide"), part("cone", "taper_cone")]),
    ("tapers_same_way", "wrong", [part("tap1", "taper_bearing", left="wide", right="narrow"), part("tap2", "taper_bearing", left="wide", right="narrow")], [part("tap1", "taper_bearing", left="wide", right="narrow"), part("tap2", "taper_bearing", left="narrow", right="wide")]),
    ("rounded_on_load", "wrong", [part("clip", "circlip", left="rounded", right="sharp", left_at="load")], [part("clip", "circlip", left="sharp", right="rounded", left_at="load")]),
    ("rounded_on_load", "ask", [part("clip", "circlip", left="rounded", right="sharp"), BALL], [part("clip", "circlip", left="sharp", right="rounded"), BALL]),
    ("bevel_off_load", "wrong", [part("clip", "circlip", left="flat", right="bevelled", left_at="load")], [part("clip", "circlip", left="bevelled", right="flat", left_at="load")]),
    ("left_hand", "loud", [part("nutt", "nut", fastener={"hand": "left"})], [part("nutt", "nut", fastener={"hand": "right"})]),
    ("locker_and_anti_seize", "wrong", [part("bolt", "screw", fastener={"compound": "both"})], [part("bolt", "screw", fastener={"compound": "locker"})]),
    ("torque_too_much", "wrong", [part("bolt", "screw", fastener=HELD | {"thread": "1/4-20", "torque": 95, "torque_unit": "ft-lb"})], [part("bolt", "screw", fastener=HELD | {"thread": "1/4-20", "torque": 8, "torque_unit": "ft-lb"})]),
    ("torque_over_usual", "ask", [part("bolt", "screw", fastener=HELD | {"thread": "M6", "torque": 23})], [part("bolt", "screw", fastener=HELD | {"thread": "M6", "torque": 10})]),
    ("cone_outward", "wrong", [part("cupp", "taper_cup", right="wide"), part("cone", "taper_cone", left="wide")], [part("cupp", "taper_cup", right="wide"), part("cone", "taper_cone", right="wide")]),
    ("torque_too_much", "wrong", [part("bolt", "screw", fastener=HELD | {"torque": 90})], [part("bolt", "screw", fastener=HELD)]),
    ("torque_too_much", "wrong", [part("bolt", "screw", fastener=HELD | {"torque": 50, "torque_unit": "ft-lb"})], [part("bolt", "screw", fastener=HELD | {"torque": 200, "torque_unit": "in-lb"})]),
    ("torque_without_source", "ask", [part("bolt", "screw", fastener=HELD | {"torque_source": ""})], [part("bolt", "screw", fastener=HELD)]),
    ("settings_differ", "wrong", [part("spri", "spring", settings=[{"key": "turn", "what": "spring_turns", "first": "2,5", "second": "3"}])], [part("spri", "spring", settings=[{"key": "turn", "what": "spring_turns", "first": "2,5", "second": "2.50"}])]),
    ("setting_once", "ask", [part("wire", "wire", settings=[{"key": "mark", "what": "wire", "first": "brown 1"}])], [part("wire", "wire", settings=[{"key": "mark", "what": "wire", "first": "brown 1", "second": "Brown  1"}])]),
]  # fmt: skip


@pytest.mark.parametrize(
    ("code", "level", "slip", "right"), SLIPS, ids=lambda each: each if isinstance(each, str) else ""
)
def test_a_slip_is_pointed_out_and_the_same_line_put_right_is_not(code, level, slip, right):
    found = [each for each in check_line(sheet(*slip)) if each.code == code]
    assert [each.level for each in found] == [level]
    assert found[0].reason
    assert code not in codes(sheet(*right))


def tied(*parts, end="left", of=("shim", "bear"), **more):
    tie = {"key": "tie1", "line": "main", "end": end, "parts": list(of), "words": "shim stays here", **more}
    return sheet(*parts, ties=[tie])


SHIM, BEARING = (
    part("shim", "shim", width=mm(0.35)),
    part("bear", "taper_bearing", right="wide", left="narrow"),
)
OTHERS = [part(f"oth{n}", "spacer") for n in range(3)]


def test_what_is_tied_stays_at_its_end_and_together():
    assert codes(tied(SHIM, BEARING, *OTHERS)) == []
    assert codes(tied(*OTHERS, SHIM, BEARING)) == ["tie_end"]
    assert codes(tied(SHIM, OTHERS[0], BEARING, *OTHERS[1:])) == ["tie_apart"]


def test_what_is_tied_may_not_leave_its_shaft():
    two = LineSheet.model_validate({
        "lines": [LINE, LINE | {"key": "othr", "name": "wheel shaft"}],
        "parts": [part("bear", "ball_bearing"), part("shim", "shim") | {"line": "othr"}],
        "ties": [{"key": "tie1", "line": "main", "end": "left", "parts": ["bear", "shim"]}],
    })  # fmt: skip
    assert codes(two) == ["tie_left"]


@pytest.mark.parametrize(("tag", "wrong"), [(0.35, False), (0.355, False), (0.40, True)])
def test_a_shim_that_differs_from_its_tag_is_pointed_out(tag, wrong):
    assert ("shim_differs" in codes(tied(SHIM, BEARING, *OTHERS, thickness=mm(tag)))) == wrong


def test_sixty_thou_is_not_one_and_a_half_millimetres():
    # common practice: 1.5 mm is 0.059 in
    thick = part("shim", "shim", width={"typed": "60 thou", "unit": "in", "mm": 1.524})
    assert "shim_differs" in codes(tied(thick, BEARING, *OTHERS, thickness=mm(1.5)))


def test_an_answer_stays_with_what_it_answers():
    slip = part("seal", "lip_seal", left="lip", answers={"lip_away": "as_found"})
    found = check_line(sheet(slip, BALL))
    assert [(each.code, each.answer) for each in found] == [("lip_away", "as_found")]
    assert signs_on_line(sheet(slip, BALL)) == ("seal_reversed",)


def test_inside_and_outside_are_worked_out_from_the_seals():
    parts = sheet(part("aaaa", "cover"), part("bbbb", "lip_seal"), part("cccc", "shim"), part("dddd", "ball_bearing"),
                  part("eeee", "lip_seal"), part("ffff", "lip_seal"), part("gggg", "nut")).parts  # fmt: skip
    found = facing_of(sheet().lines[0], parts)
    faces = {key: (each.left, each.right) for key, each in found.items()}
    assert faces == {
        "aaaa": ("air", "air"), "bbbb": ("air", "oil"), "cccc": ("oil", "oil"), "dddd": ("oil", "oil"),
        "eeee": ("oil", ""), "ffff": ("", "water"), "gggg": ("water", "water"),
    }  # fmt: skip


def test_what_a_person_said_stands_above_what_is_worked_out():
    found = facing_of(sheet().lines[0], sheet(part("seal", "lip_seal", left_at="dirt"), BALL).parts)["seal"]
    assert (found.left, found.left_said, found.right, found.right_said) == ("dirt", True, "oil", False)


def test_the_seat_goes_with_a_part_to_the_bench():
    line = sheet(part("step", "shaft", outside=mm(25.01)), part("ball", "ball_bearing", inside=mm(25), marking="6?05"),
                 part("wall", "housing", inside=mm(52.02)))  # fmt: skip
    known = known_of(line, "ball")
    assert known.family == "bearing"
    assert known.marking == "6?05"
    assert {name: size.mm for name, size in known.features} == {
        "bore": 25, "shaft_seat": 25.01, "housing_seat": 52.02,
    }  # fmt: skip


def test_a_step_that_cannot_be_its_seat_does_not_go_with_it():
    line = sheet(part("step", "shaft", outside=mm(32)), part("ball", "ball_bearing", inside=mm(25)))
    assert [name for name, _ in known_of(line, "ball").features] == ["bore"]


# common practice: the seal stands in what its lip looks at; oils and greases of machines are mostly mineral
@pytest.mark.parametrize(
    ("own", "line", "medium"),
    [
        (part("ring", "lip_seal", left="lip", left_at="oil", right_at="water"), LINE, "mineral_oil"),
        (part("ring", "lip_seal", right="lip", left_at="oil", right_at="water"), LINE, "water"),
        (part("ring", "lip_seal", right="spring", left_at="air", right_at="grease"), LINE, "mineral_oil"),
        (part("ring", "lip_seal", left="lip", left_at="air", right_at="water"), LINE, "water"),
        (part("ring", "o_ring"), LINE, "mineral_oil"),
        (part("ring", "o_ring", left_at="pressure", right_at="air"), LINE | {"inside": ""}, ""),
        (part("ring", "ball_bearing"), LINE, ""),
    ],
)
def test_what_a_seal_stands_in_goes_with_it_to_the_bench(own, line, medium):
    assert known_of(sheet(own, BALL, line=line), "ring").medium == medium


@pytest.mark.parametrize(
    "wrong",
    [
        {"lines": [LINE, LINE]},
        {"lines": [LINE], "parts": [BALL, BALL]},
        {"lines": [LINE], "parts": [BALL | {"line": "nowhere"}]},
        {"lines": [], "parts": [BALL]},
        {"lines": [LINE], "ties": [{"key": "tie1", "line": "gone", "end": "left", "parts": ["ball"]}]},
        {"lines": [LINE], "parts": [BALL | {"kind": "Not A Kind"}]},
        {"lines": [LINE], "parts": [BALL | {"quantity": 0}]},
        {"lines": [LINE], "parts": [BALL | {"colour": "red"}]},
    ],
)
def test_a_line_that_is_not_whole_is_refused(wrong):
    with pytest.raises(ValueError, match=r".+"):
        LineSheet.model_validate(wrong)


def test_a_backup_ring_with_faces_unsaid_is_left_alone_where_pressure_is_on_both_sides():
    line = LINE | {"inside": "pressure", "left_end": "pressure", "right_end": "pressure"}
    rings = [part("back", "backup_ring"), part("ring", "o_ring")]
    assert "backup_on_pressure" not in codes(sheet(*rings, line=line))
    assert "backup_on_pressure" not in codes(sheet(*reversed(rings), line=line))


def test_depths_are_taken_as_they_are_said():
    from ample.core.assembly.findings import findings_mm
    from ample.core.condition import inspect_part
    from ample.core.errors import BadInput

    for typed in ("10 thou", "0.25", "0,25 mm", "0.01 in"):
        found = findings_mm("shaft", {"track": "felt", "depth_mm": typed, "room": "yes"})
        assert float(found["depth_mm"]) == pytest.approx(0.25, abs=0.005)
        assert inspect_part("shaft", found).verdict == "move_lip"
    with pytest.raises(BadInput) as refused:
        findings_mm("shaft", {"depth_mm": "rather deep"})
    assert refused.value.field == "findings.depth_mm"
