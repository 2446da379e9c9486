"""The fit-up sheet: ticks, torques reached, choices, and when it is together."""

import pytest

from ample.core.assembly import LineSheet
from ample.core.assembly.fit_up import FittedPart
from ample.core.assembly.fit_up.sheet import FitUpFacts, FitUpSheet, check_fit_up, judge_fit_up, may_assemble
from ample.core.errors import BadInput

PARTS = [
    {"key": "axle", "line": "main", "kind": "shaft"},
    {"key": "ball", "line": "main", "kind": "ball_bearing"},
    {"key": "nut1", "line": "main", "kind": "nut", "fastener": {"torque": 90, "torque_source": "manual"}},
]
LINES = LineSheet.model_validate({"lines": [{"key": "main", "name": "shaft"}], "parts": PARTS})
FACTS = FitUpFacts(LINES, (FittedPart(part="ball", title="6205 C3", inside_mm=25, outside_mm=52),))


def sheet(**more):
    return FitUpSheet.model_validate(more)


def test_the_next_step_is_the_first_that_is_not_ticked():
    found = judge_fit_up(sheet(ticks=[{"key": "fit.axle"}, {"key": "fit.gone"}]), FACTS)
    assert (found.next, found.left) == ("fit.ball", ("fit.ball", "fit.nut1", "tighten.nut1"))
    assert found.not_on_plan == ("fit.gone",)
    assert "6205 C3" in found.steps[1].words


@pytest.mark.parametrize(
    ("wrench", "reached", "n_m", "holds"),
    [
        ("N·m", "88", 88, True),
        ("ft-lb", "66,4", 90.03, True),
        ("in-lb", "90", 10.17, False),
        ("N·m", "120", 120, False),
    ],
)
def test_a_torque_is_held_against_what_was_recorded_in_the_unit_of_the_wrench(wrench, reached, n_m, holds):
    ticked = sheet(ticks=[{"key": "tighten.nut1", "reached": reached}], wrench=wrench)
    found = judge_fit_up(ticked, FACTS).reached[0]
    assert found.n_m == pytest.approx(n_m, abs=0.01)
    assert found.holds is holds


def test_what_a_person_chose_stands_above_what_is_advised():
    choices = [
        {"key": "ball", "way": "warm", "supplied_with": "transport ring"},
        {"key": "gone", "way": "press"},
    ]
    keys = [each.key for each in judge_fit_up(sheet(choices=choices), FACTS).steps]
    assert keys[:5] == ["fit.axle", "free.ball", "warm.ball", "fit.ball", "fit.nut1"]
    assert "cool.ball" in keys


def test_nobody_calls_it_together_over_open_steps_without_a_reason():
    with pytest.raises(BadInput) as refused:
        may_assemble(sheet(together=True), FACTS)
    assert (refused.value.code, refused.value.field) == ("steps_open", "sheet.reason")
    may_assemble(sheet(together=True, reason="Put together at the lock."), FACTS)


@pytest.mark.parametrize("text", ["tight", "-3", "0", "1e9"])
def test_a_torque_that_is_none_is_refused_at_its_tick(text):
    with pytest.raises(BadInput) as refused:
        check_fit_up(sheet(ticks=[{"key": "fit.axle"}, {"key": "tighten.nut1", "reached": text}]), FACTS)
    assert refused.value.field == "sheet.ticks[1].reached"


def test_a_step_is_ticked_once():
    with pytest.raises(BadInput):
        check_fit_up(sheet(ticks=[{"key": "fit.axle"}, {"key": "fit.axle"}]), FACTS)
