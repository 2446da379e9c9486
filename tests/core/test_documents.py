"""Public functions of the core say what they take, give, refuse and rest on."""

import importlib
import inspect
import pkgutil

import pytest

import ample.core

ROOMS = (
    "sizes",
    "standards",
    "parts",
    "designation",
    "identify",
    "fits",
    "interchange",
    "kits",
    "condition",
    "assembly",
    "handbook",
)


def _functions():
    for room in ROOMS:
        module = importlib.import_module(f"ample.core.{room}")
        for name in module.__all__:
            thing = getattr(module, name)
            if inspect.isfunction(thing) and len(inspect.signature(thing).parameters) > 0:
                yield pytest.param(thing, id=f"{room}.{name}")


LONG = [
    param
    for param in _functions()
    if param.values[0].__name__ not in ("read_dialect", "feature_named", "canonical_name", "zone_names")
]


@pytest.mark.parametrize("function", LONG)
def test_docstrings_have_every_part(function):
    text = inspect.getdoc(function) or ""
    for part in ("Args:", "Returns:", "Raises:", "Source:", "Example:"):
        assert part in text, part
    listed = text.split("Args:")[1].split("Returns:")[0]
    for parameter in inspect.signature(function).parameters:
        assert f"{parameter}:" in listed, parameter


def test_every_module_of_the_core_says_what_it_is():
    for found in pkgutil.walk_packages(ample.core.__path__, "ample.core."):
        assert importlib.import_module(found.name).__doc__, found.name
