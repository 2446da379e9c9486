"""Orders of fitting up against those written by hand beforehand, and against each rule taken out."""

import re
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.assembly import LineSheet, part_kinds
from ample.core.assembly.fit_up.places import FittedPart, Shaft
from ample.core.assembly.fit_up.plan import fit_up_plan, order_of
from ample.core.assembly.fit_up.rules import RULES, fit_up_rules
from ample.core.assembly.fit_up.steps import by_kind, steps_of
from ample.core.assembly.fit_up.words import caution_words, texts
from ample.core.errors import BadInput
from ample.core.operations import ask
from ample.core.tables import read_table

CASES = read_table(Path(__file__).parents[2] / "published" / "fit_up_orders.csv").rows
ORDERED_BY_HAND = 40


def _key(short):
    return f"key{short.lower()}{'upper' if short.isupper() else ''}"


def _part(token, beside):
    found = re.fullmatch(r"(\w+):(\w+):([^\[]*)(?:\[(.*)\])?", token)
    assert found is not None, token
    short, kind, sizes, more = found.groups()
    part = {"key": _key(short), "line": "main", "kind": kind, "beside": beside}
    for side, size in zip(("inside", "outside", "width"), sizes.split("x"), strict=False):
        if size and size != "-":
            part[side] = {"typed": size, "mm": float(size)}
    extra = {
        name: value or "yes"
        for name, _, value in (each.partition("=") for each in (more or "").split(";") if each)
    }
    fastener = {}
    if "holds" in extra:
        fastener["also_holds"] = extra["holds"]
    if "lock" in extra:
        fastener["lock"] = extra["lock"]
    if "torque" in extra:
        fastener |= {"torque": float(extra["torque"]), "torque_source": "plate"}
    if fastener:
        part["fastener"] = fastener
    if "set" in extra:
        part["settings"] = [{"key": "set1", "what": extra["set"], "first": "1", "second": "1"}]
    part["name"] = extra.get("name", "")
    fitted = FittedPart(
        part=_key(short), way="warm" if "hot" in extra else "", supplied_with=extra.get("freed", "")
    )
    return part, fitted, extra.get("tie")


def made(case):
    """The strip-down of a case and what is fitted."""
    parts, fitted, ties = [], [], []
    for row, beside in ((case["parts"], False), (case["beside"], True)):
        for token in re.findall(r"\w+:\w+:[^\[\s]*(?:\[[^\]]*\])?", row):
            part, new, tie = _part(token, beside)
            parts.append(part)
            fitted.append(new)
            if tie:
                bound = [part["key"], _key(tie)]
                ties.append({"key": f"tie{len(ties)}0", "line": "main", "end": "left", "parts": bound})
    sheet = {
        "lines": [{"key": "main", "name": "shaft", "inside": case["inside"]}],
        "parts": parts,
        "ties": ties,
    }
    return LineSheet.model_validate(sheet), fitted


def order(case, left_out=frozenset()):
    """The order of a case, and its clashes."""
    sheet, fitted = made(case)
    shaft = Shaft(sheet, sheet.lines[0], {each.part: each for each in fitted})
    keys, _, clashes = order_of(shaft, steps_of(shaft, frozenset()), left_out)
    return keys, clashes


def broken(case, keys):
    """The chains of a case that an order does not keep."""
    found = []
    for chain in case["order"].split():
        steps = [each if "." in each else f"fit.{each}" for each in chain.split("<")]
        places = [keys.index(f"{step.split('.')[0]}.{_key(step.split('.')[1])}") for step in steps]
        if places != sorted(places):
            found.append(chain)
    return found


@pytest.mark.parametrize("case", CASES, ids=lambda case: case["case"])
def test_the_order_is_the_one_written_by_hand(case):
    keys, clashes = order(case)
    assert broken(case, keys) == [], keys
    assert clashes == []


def test_there_are_forty_of_them_and_each_rule_decides_one():
    assert len(CASES) >= ORDERED_BY_HAND
    assert set(RULES) == set(fit_up_rules())


@pytest.mark.parametrize("code", [code for code in fit_up_rules() if code != "own_steps"])
def test_without_a_rule_an_order_that_names_it_fails(code):
    named = [case for case in CASES if case["decided_by"] == code]
    assert named, "no order written by hand names this rule"
    assert any(broken(case, order(case, frozenset((code,)))[0]) for case in named)


# what cannot be had, what is left, random lines --------------------------------------------


def _sheet(*parts, **more):
    made_parts = [
        {"key": key, "line": "main", "kind": kind, **dict(rest)}
        for key, kind, *rest in parts
        for rest in [rest[0] if rest else {}]
    ]
    line = {"key": "main", "name": "shaft", "inside": more.pop("inside", "oil")}
    return LineSheet.model_validate({"lines": [line], "parts": made_parts, **more})


def test_a_hot_bearing_over_a_seal_that_is_there_first_is_told_with_what_gives_way():
    sheet = _sheet(("wall", "housing"), ("seal", "lip_seal"), ("ball", "ball_bearing"), ("axle", "shaft"))
    plan = fit_up_plan(sheet, [FittedPart(part="ball", way="warm")])
    [clash] = plan.conflicts
    assert (clash.code, clash.before, clash.after) == ("cool_first", "cool.ball", "fit.seal")
    assert "seal_before_bearing" in clash.against
    assert "chill the shaft or press" in clash.words
    cold = fit_up_plan(sheet, [FittedPart(part="ball", way="press")])
    assert cold.conflicts == ()


def test_two_screws_that_hold_each_other_are_told():
    held = {"fastener": {"also_holds": "other"}}
    sheet = _sheet(
        ("axle", "shaft"), ("one1", "screw", {**held, "name": "flange"}),
        ("two2", "screw", {"fastener": {"also_holds": "flange"}, "name": "other"}),
    )  # fmt: skip
    plan = fit_up_plan(sheet)
    assert [each.code for each in plan.conflicts] == ["held_before_screw"]
    assert {each.part for each in plan.steps if each.does == "fit"} == {"axle", "one1", "two2"}


def test_torque_is_given_in_all_units_or_not_at_all():
    known = {"fastener": {"thread": "M8", "torque": 22, "torque_source": "plate"}, "quantity": 4}
    left = {"fastener": {"thread": "M25x1.5", "hand": "left"}}
    plan = fit_up_plan(_sheet(("axle", "shaft"), ("nut1", "nut", left), ("scr1", "screw", known)))
    steps = {each.key: each for each in plan.steps}
    said = steps["tighten.scr1"].torque
    assert (said.recorded, said.unit, said.amount.ft_lb, said.amount.in_lb) == (22, "N·m", 16.23, 194.7)
    assert said.pattern == "cross"
    assert [each.n_m for each in said.stages] == [6.6, 15.4, 22]
    nothing = steps["tighten.nut1"].torque
    assert (nothing.recorded, nothing.amount, nothing.left_hand) == (None, None, True)
    assert nothing.most_n_m > 100
    assert [each.code for each in steps["tighten.nut1"].cautions] == ["left_hand"]


def test_a_lip_goes_over_a_sleeve_where_its_way_crosses_an_edge_that_it_touches():
    def passed(thread_mm):
        nut = {"inside": {"typed": str(thread_mm), "mm": thread_mm}}
        seal = {"inside": {"typed": "30", "mm": 30.0}, "outside": {"typed": "47", "mm": 47.0}}
        plan = fit_up_plan(_sheet(("axle", "shaft"), ("seal", "lip_seal", seal), ("nut1", "nut", nut)))
        return next(each for each in plan.steps if each.key == "fit.seal")

    assert [each.kind for each in passed(30.0).passes] == ["nut"]
    assert "the thread of the nut" in passed(30.0).words
    assert passed(16.0).passes == ()


def test_what_the_place_sheet_says_of_the_way_in_arrives_at_the_step():
    """A spline that only the place sheet knows; a thread that the line has is said once; a chamfer harms nothing."""
    nut = {"inside": {"typed": "30", "mm": 30.0}}
    seal = {"inside": {"typed": "30", "mm": 30.0}, "outside": {"typed": "47", "mm": 47.0}}
    sheet = _sheet(("axle", "shaft"), ("seal", "lip_seal", seal), ("nut1", "nut", nut))
    new = FittedPart(part="seal", title="30x47x7", kind="lip_rubber", way_in=["chamfer", "spline", "thread"])
    step = next(each for each in fit_up_plan(sheet, [new]).steps if each.key == "fit.seal")
    assert [each.kind for each in step.passes] == ["nut", "spline"]
    assert step.words.count("thread") == 1
    assert "a spline" in step.words
    assert "chamfer" not in step.words


def test_what_fitting_takes_from_a_set_bearing_is_minded_at_its_step():
    sheet = _sheet(("axle", "shaft"), ("cone", "taper_cone", {}))

    def minded(most_um):
        new = FittedPart(part="cone", title="30206", kind="taper", axial_taken_um={"min": 0, "max": most_um})
        step = next(each for each in fit_up_plan(sheet, [new]).steps if each.key == "fit.cone")
        return {each.code: each.words for each in step.cautions}

    assert "0 to 34 µm" in minded(34)["play_taken"]
    assert "play_taken" not in minded(0.4)


def test_the_driver_bears_on_the_tight_ring_only():
    sizes = {"inside": {"typed": "25", "mm": 25.0}, "outside": {"typed": "52", "mm": 52.0}}
    nut = {"width": {"typed": "8", "mm": 8.0}}
    sheet = _sheet(("axle", "shaft"), ("ball", "ball_bearing", sizes), ("nut1", "nut", nut))
    tool = next(each for each in fit_up_plan(sheet).steps if each.key == "fit.ball").tool
    assert (tool.ring, tool.inside_over_mm, tool.outside_under_mm, tool.length_over_mm) == (
        "inner",
        25,
        30.4,
        8,
    )
    housing = fit_up_plan(sheet, [FittedPart(part="ball", tight_ring="outer")])
    tool = next(each for each in housing.steps if each.key == "fit.ball").tool
    assert (tool.ring, tool.inside_over_mm, tool.outside_under_mm) == ("outer", 46.6, 52)


def test_what_came_out_and_is_on_no_step_is_said():
    loose = [
        {"key": f"loo{n}", "what": what, "came_out": 2}
        for n, what in enumerate(("nuts", "split pins", "felt rings"))
    ]
    plan = fit_up_plan(_sheet(("axle", "shaft"), ("nut1", "nut"), loose=loose))
    assert [each.what for each in plan.on_no_step] == ["split pins", "felt rings"]


def test_a_part_that_is_not_there_is_refused_at_its_place():
    with pytest.raises(BadInput) as refused:
        fit_up_plan(_sheet(("axle", "shaft")), [FittedPart(part="nose")])
    assert refused.value.field == "requirements[0].part"


def test_every_kind_has_its_row_and_every_code_its_text():
    assert set(by_kind()) == set(part_kinds())
    used = {("does", row.does) for row in by_kind().values()}
    used |= {("check", row.check) for row in by_kind().values()}
    used |= {("stop", code) for row in by_kind().values() for code in row.stop_if.split()}
    for row in by_kind().values():
        assert not row.caution or caution_words(row.caution)
    used |= {("lubricant", row.lubricant) for row in by_kind().values()}
    assert used <= set(texts())


@st.composite
def _lines(draw):
    kinds = draw(st.lists(st.sampled_from(sorted(part_kinds())), min_size=1, max_size=16))
    hang = draw(st.lists(st.booleans(), min_size=len(kinds), max_size=len(kinds)))
    size = st.one_of(st.none(), st.floats(5, 120))
    parts = []
    for number, (kind, beside) in enumerate(zip(kinds, hang, strict=True)):
        part = {"key": f"part{number}", "line": "main", "kind": kind, "beside": beside}
        for side in ("inside", "outside", "width"):
            mm = draw(size)
            part[side] = {"typed": "", "mm": mm}
        if draw(st.booleans()):
            part["fastener"] = {
                "lock": draw(st.sampled_from(("none", "tab"))),
                "also_holds": draw(st.sampled_from(("", "cover"))),
            }
        if draw(st.integers(0, 5)) == 0:
            part["settings"] = [{"key": "set1", "what": "gap", "first": "1"}]
        parts.append(part)
    inside = draw(st.sampled_from(("oil", "grease", "pressure", "")))
    fitted = [
        FittedPart(
            part=each["key"],
            way=draw(st.sampled_from(("", "warm", "press"))),
            supplied_with=draw(st.sampled_from(("", "plug"))),
        )
        for each in parts
    ]
    sheet = {"lines": [{"key": "main", "name": "shaft", "inside": inside}], "parts": parts}
    return LineSheet.model_validate(sheet), fitted


@given(_lines())
def test_on_any_line_every_part_is_fitted_once_and_no_rule_that_was_kept_is_broken(given_line):
    sheet, fitted = given_line
    plan = fit_up_plan(sheet, fitted)
    assert sorted(each.part for each in plan.steps if each.does == "fit") == sorted(
        each.key for each in sheet.parts
    )
    keys = [each.key for each in plan.steps]
    assert len(set(keys)) == len(keys)
    shaft = Shaft(sheet, sheet.lines[0], {each.part: each for each in fitted})
    given_up = {(each.code, each.before, each.after) for each in plan.conflicts}
    place = {key: number for number, key in enumerate(keys)}
    steps = steps_of(shaft, frozenset(("heater", "press", "freezer")))
    for code in fit_up_rules():
        if code in ("line_reversed", "before_closing"):
            continue
        for before, after in RULES[code](shaft, steps):
            assert place[before] < place[after] or (code, before, after) in given_up, (code, before, after)


def test_a_part_of_an_unknown_kind_is_refused_at_its_place():
    """Found by senseless questions: it had been an unforeseen error."""
    part = {"key": "ball", "line": "main", "kind": "ball_bearing"}
    sheet = {
        "lines": [{"key": "main", "name": "shaft"}],
        "parts": [part, part | {"key": "odd1", "kind": "__"}],
    }
    with pytest.raises(BadInput) as refused:
        ask("fit-up-plan", {"sheet": sheet})
    assert refused.value.field == "sheet.parts[1].kind"
