"""Whole seats, grooves and lip seals against answers that were worked apart, before the code."""

import json
import re
from pathlib import Path

import pytest

from ample.core.errors import AmpleError
from ample.core.operations import ask

APART = json.loads((Path(__file__).parents[2] / "apart" / "seats.json").read_text())


def found_at(answer, path):
    """`a.b`, `ways[compound].suits` (the item whose way or code is that), `repair[0]`, `findings[].code` (all of them)."""
    here = answer
    for step in re.findall(r"[^.\[\]]+|\[[^\]]*\]", path):
        if here is None:
            return None
        if step == "[]":
            continue
        if isinstance(here, list) and not step.startswith("["):
            here = [each[step] for each in here]
        elif step.startswith("["):
            name = step[1:-1]
            here = here[int(name)] if name.isdigit() else next(each for each in here if each["way"] == name)
        else:
            here = here[step]
    return here


@pytest.mark.parametrize("case", APART, ids=lambda case: case["name"])
def test_a_whole_case(case):
    try:
        answer = ask(case["operation"], case["request"])
    except AmpleError as error:
        answer = {"error": {"code": error.code, "field": error.field}}
    for path, wanted in case["expect"].items():
        found = found_at(answer, path)
        if isinstance(wanted, list):
            assert found == pytest.approx(wanted[0], abs=wanted[1]), path
        elif "[]" in path:
            assert (wanted in found) if wanted else not found, path
        else:
            assert found == wanted, path


def test_there_are_eighty_and_more():
    assert len(APART) >= 80
