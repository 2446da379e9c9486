"""Orders of fitting up against those written by hand beforehand, and against each rule taken out."""

import re
from pathlib import Path

import pytest

from ample.core.assembly.fit_up.places import FittedPart, Shaft
from ample.core.assembly.fit_up.plan import USUAL_SHOP, fit_up_plan, order_of
from ample.core.assembly.fit_up.rules import RULES, fit_up_rules
from ample.core.assembly.fit_up.steps import steps_of
from ample.core.assembly.line import LineSheet
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
    extra = dict(
        each.split("=") if "=" in each else (each, "yes") for each in (more or "").split(";") if each
    )
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
