"""Set and prove: what is right, what is open, and when a job can be closed."""

from datetime import date

import pytest

from ample.core.assembly import LineSheet
from ample.core.assembly.proof import (
    OpenTorque,
    ProofFacts,
    ProofSheet,
    check_proof,
    judge_proof,
    may_close,
)
from ample.core.assembly.proof.checks import asked_checks, check_kinds
from ample.core.errors import BadInput

TODAY = date(2026, 11, 27)
EMPTY = ProofFacts(LineSheet(), (), TODAY)


def judged(facts=EMPTY, **sheet):
    return judge_proof(ProofSheet.model_validate(sheet), facts)


def line(*kinds):
    parts = [{"key": f"part{n}", "line": "main", "kind": kind} for n, kind in enumerate(kinds)]
    return LineSheet.model_validate({"lines": [{"key": "main", "name": "shaft"}], "parts": parts})


@pytest.mark.parametrize(
    ("readings", "doubt", "state"),
    [
        (("0.50",), 0.02, "right"),
        (("0,45", "0.55"), 0.0, "unsure"),  # the mean is right, its scatter is not: 2·s/√2 = 0.1
        (("0.39",), 0.0, "low"),
        (("0.39",), 0.05, "unsure"),
        (("0.7",), 0.05, "high"),
        (("0.4",), 0.0, "right"),  # a limit belongs to what is right
        ((" ",), 0.0, "open"),
    ],
)
def test_a_set_point_is_judged_by_its_mean_with_its_doubt(readings, doubt, state):
    point = {
        "key": "aaaa",
        "least": 0.46 if readings[0] == "0,45" else 0.4,
        "most": 0.6,
        "readings": readings,
        "doubt": doubt,
    }
    found = judged(set_points=[point])
    assert found.set_points[0].state == state
    assert bool(found.open) == (state != "right")


def test_what_was_left_loose_says_so_while_it_is_open():
    found = judged(set_points=[{"key": "aaaa", "what": "Air gap", "least": 1, "most": 2, "left_loose": True}])
    assert found.open[0].words == "Air gap is not set. Left loose until then."


def test_end_play_says_the_turn_and_the_leaves():
    play = {
        "key": "aaaa", "what": "Worm", "least_mm": 0.05, "most_mm": 0.1, "pitch_mm": 1.5, "leaves": "0,05 0.1",
        "pairs": [{"pushed": "0", "pulled": "0.16"}, {"pushed": "0.01", "pulled": "0,16"}],
    }  # fmt: skip
    found = judged(plays=[play])
    assert (found.plays[0].play.decision, found.plays[0].play.turn_deg) == ("loose", -19.2)
    assert found.plays[0].play.leaves == (0.1,)
    assert [each.words for each in found.open] == ["End play of Worm is loose."]


@pytest.mark.parametrize(
    ("fills", "states"),
    [
        ([{"filled_l": "0.6"}], ["open"]),
        ([{"filled_l": "0.6", "level": "right"}], ["right"]),
        ([{"filled_l": "0.6", "level": "low"}], ["low"]),
        ([{"filled_l": "0,4", "level": "right", "wanted_l": 0.6}], ["unsure"]),
        (
            [
                {"filled_l": "0.6", "level": "right", "side": "left"},
                {"filled_l": "0.45", "level": "right", "side": "right"},
            ],
            ["unsure", "unsure"],
        ),
        (
            [
                {"filled_l": "0.6", "level": "right", "side": "left"},
                {"filled_l": "0.58", "level": "right", "side": "right"},
            ],
            ["right", "right"],
        ),
    ],
)
def test_a_fill_is_right_by_volume_and_level_and_against_its_other_side(fills, states):
    rows = [{"key": f"fill{n}", "what": "leg", **each} for n, each in enumerate(fills)]
    assert [each.state for each in judged(fills=rows).fills] == states


def test_a_run_is_drawn_to_where_it_settles_and_stops_over_its_limit():
    readings = [
        {"minute": str(m), "temperature_c": f"{20 + 70 * (1 - 2.718 ** (-m / 20)):.1f}"}
        for m in (5, 10, 20, 30)
    ]
    run = {
        "key": "aaaa",
        "what": "Slow",
        "ambient_c": 20,
        "limit_c": 80,
        "readings": list(reversed(readings)),
    }
    found = judged(runs=[run]).runs[0]
    assert found.run.decision == "stop"
    assert found.run.settles_at_c.likely == pytest.approx(90, abs=4)
    assert found.curve[0].temperature_c == 20
    assert found.curve[-1].minute >= 30
    assert found.rise_c_min == pytest.approx(
        (float(readings[3]["temperature_c"]) - float(readings[2]["temperature_c"])) / 10, abs=0.01
    )


def test_each_check_is_asked_by_some_line_and_not_by_an_empty_one():
    assert list(asked_checks(line("other"))) == []
    for kind in check_kinds():
        for asked_by in kind.asked_by:
            assert kind.code in {each.code for each, _, _ in asked_checks(line(asked_by))}


def test_a_reading_that_does_not_pass_fails_its_check_whoever_says_that_it_holds():
    facts = ProofFacts(line("lip_seal"), (), TODAY)
    held = {"key": "no_leak.main", "result": "holds"}
    assert judged(facts, checks=[held | {"reading": "4"}]).checks[0].state == "fails"
    passed = judged(facts, checks=[held | {"reading": "12"}])
    assert (passed.checks[0].state, passed.open) == ("holds", ())
    assert judged(facts).open[0].words == "No leak (shaft) is not checked."


def test_which_change_helped_is_known_of_one_only():
    row = {"key": "aaaa", "what": "vibration", "before": "7.1", "after": "2.4"}
    one = judged(compared=[row], changes=[{"key": "bbbb", "what": "bearing"}])
    two = judged(
        compared=[row], changes=[{"key": "bbbb", "what": "bearing"}, {"key": "cccc", "what": "belt"}]
    )
    assert (one.which_helped, two.which_helped, judged(compared=[row]).which_helped) == (
        "known",
        "not_known",
        "",
    )
    assert (one.compared[0].change, one.compared[0].change_percent) == (-4.7, -66.2)


def test_a_task_with_a_day_may_wait_and_one_without_stands_open():
    later = {"key": "aaaa", "what": "torque again", "due": "2026-12-11"}
    passed = later | {"key": "bbbb", "due": "2026-11-01"}
    none = {"key": "cccc", "what": "look again"}
    found = judged(tasks=[later, passed, none, none | {"key": "dddd", "done": True}])
    assert found.late == ("bbbb",)
    assert [each.key for each in found.open] == ["cccc"]


def test_nobody_closes_over_an_open_point_without_a_reason():
    facts = ProofFacts(LineSheet(), (OpenTorque("tighten.nut1", "Tighten the nut."),), TODAY)
    with pytest.raises(BadInput) as refused:
        may_close(ProofSheet(closed=True), facts)
    assert (refused.value.code, refused.value.field) == ("points_open", "sheet.reason")
    may_close(ProofSheet(closed=True, reason="The lock-keeper has the wrench."), facts)
    may_close(ProofSheet(closed=True), EMPTY)
    may_close(ProofSheet(), facts)


@pytest.mark.parametrize(
    ("sheet", "field"),
    [
        ({"set_points": [{"key": "aaaa", "least": 2, "most": 1}]}, "sheet.set_points[0].least"),
        ({"set_points": [{"key": "aaaa", "readings": ["about 3"]}]}, "sheet.set_points[0].readings[0]"),
        ({"plays": [{"key": "aaaa", "pairs": [{"pushed": "x"}]}]}, "sheet.plays[0].pairs[0].pushed"),
        ({"plays": [{"key": "aaaa", "least_mm": 0, "most_mm": 1, "pairs": [{"pushed": "0", "pulled": "99"}]}]}, "sheet.plays[0].pairs"),
        ({"fills": [{"key": "aaaa", "filled_l": "half"}]}, "sheet.fills[0].filled_l"),
        ({"runs": [{"key": "aaaa", "readings": [{"minute": "-3", "temperature_c": "30"}]}]}, "sheet.runs[0].readings[0].minute"),
        ({"compared": [{"key": "aaaa", "before": "loud"}]}, "sheet.compared[0].before"),
        ({"tasks": [{"key": "aaaa"}, {"key": "aaaa"}]}, "sheet.tasks"),
    ],
)  # fmt: skip
def test_what_cannot_be_read_is_refused_at_its_field(sheet, field):
    with pytest.raises(BadInput) as refused:
        check_proof(ProofSheet.model_validate(sheet), EMPTY)
    assert refused.value.field == field


def test_what_the_strip_down_knows_is_proposed_until_it_is_on_the_sheet():
    parts = [
        {"key": "gap1", "line": "main", "kind": "gear", "name": "wheel",
         "settings": [{"key": "gapp", "what": "gap", "first": "0,40 mm", "second": "0.4 mm"}]},
        {"key": "one1", "line": "main", "kind": "taper_bearing"}, {"key": "two2", "line": "main", "kind": "taper_bearing"},
        {"key": "gask", "line": "main", "kind": "gasket"},
        {"key": "scr1", "line": "main", "kind": "screw", "fastener": {"torque": 22}},
    ]  # fmt: skip
    lines = LineSheet.model_validate({"lines": [{"key": "main", "name": "worm shaft"}], "parts": parts})
    facts = ProofFacts(lines, (), TODAY)
    found = judged(facts).proposed
    assert [(each.rows, each.what, each.value, each.unit) for each in found] == [
        ("set_points", "wheel: gap", 0.4, "mm"),
        ("plays", "worm shaft", None, "mm"),
        ("tasks", "screw or stud: torque again", None, ""),
    ]
    taken = judged(facts, set_points=[{"key": found[0].key}], plays=[{"key": found[1].key}])
    assert [each.rows for each in taken.proposed] == ["tasks"]


def test_a_setting_in_words_is_proposed_without_a_figure():
    part = {
        "key": "nut1",
        "line": "main",
        "kind": "nut",
        "settings": [{"key": "mark", "what": "notch", "first": "third from the mark"}],
    }
    lines = LineSheet.model_validate({"lines": [{"key": "main", "name": "shaft"}], "parts": [part]})
    [one] = judged(ProofFacts(lines, (), TODAY)).proposed
    assert (one.value, one.unit, one.because) == (None, "", "Read as third from the mark at strip-down.")
