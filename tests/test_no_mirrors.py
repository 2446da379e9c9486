"""One description per thing: no class repeats four fifths of another's fields, but for a reviewed list."""

import dataclasses
import importlib
import inspect
import itertools
import pkgutil

from pydantic import BaseModel

import ample

STARTS = (
    "ample.web.wsgi",
    "ample.prepare",
    "ample.standins",
    "ample.command_line",
)  # importing them does something
FEWEST = 3  # two fields in common say nothing
# A request may be a type of its own where it is looser, or refuses more, than what it becomes.
REVIEWED = {
    frozenset(
        ("FillJudged", "LooseCount")
    ): "what is told of a row by its key: a fill, and a count of loose items",
    ("DutyRequest", "Duty"): "a request: unknown fields and values are refused at their field",
    ("RunningRequest", "Running"): "a request: its numbers are limited at their field",
    ("CautionsRequest", "Situation"): "a request: with what is planned in words",
    ("RubberRequest", "Clues"): "a request: its numbers are limited at their field",
    ("LipSealRequest", "LipCase"): "a request: its numbers are limited at their field",
    ("GlandDuty", "RingDuty"): "a request: its numbers are limited at their field",
    ("NewDialect", "DialectRecord"): "a request: with the version that was seen",
    ("SetRight", "Change"): "a request: with the version that was seen",
    ("NewBuild", "Build"): "a request: only known pictures",
    ("NewModel", "UnitModel"): "a request: with its spares",
    ("NewSpare", "Spare"): "a request: of one build",
    ("DateBand", "TemperatureBand"): "days that may never come, and degrees",
    ("KindAnswer", "PartKind"): "with the advice whether it is kept",
}


def described():
    found: dict[str, tuple[type, frozenset[str]]] = {}
    for module in pkgutil.walk_packages(ample.__path__, "ample."):
        if module.name.startswith(STARTS):
            continue
        for name, each in vars(importlib.import_module(module.name)).items():
            if not inspect.isclass(each) or each.__module__ != module.name:
                continue
            if issubclass(each, BaseModel):
                found[f"{module.name}.{name}"] = (each, frozenset(each.model_fields))
            elif dataclasses.is_dataclass(each):
                found[f"{module.name}.{name}"] = (each, frozenset(f.name for f in dataclasses.fields(each)))
    return found


def mirrors(found):
    for (_, (one, ours)), (_, (other, theirs)) in itertools.combinations(found.items(), 2):
        if issubclass(one, other) or issubclass(other, one) or min(len(ours), len(theirs)) < FEWEST:
            continue
        if len(ours & theirs) >= 0.8 * max(len(ours), len(theirs)):
            yield frozenset((one.__name__, other.__name__))


def test_a_mirror_is_found():
    one = dataclasses.make_dataclass("One", ["a", "b", "c", "d"])
    other = dataclasses.make_dataclass("Other", ["a", "b", "c", "d", "e"])
    own = {
        each.__name__: (each, frozenset(f.name for f in dataclasses.fields(each))) for each in (one, other)
    }
    assert list(mirrors(own)) == [frozenset(("One", "Other"))]


def test_no_class_repeats_another_but_for_the_reviewed_list():
    found = described()
    assert len(found) > 300
    assert set(mirrors(found)) == {frozenset(pair) for pair in REVIEWED}
