"""No module imports itself by way of others, and no subject of the shop another that imports it."""

from collections import defaultdict
from graphlib import CycleError, TopologicalSorter

import grimp
import pytest

PACKAGES = ("ample", "benchmarks")


def imports():
    graph = grimp.build_graph(*PACKAGES)
    return {module: graph.find_modules_directly_imported_by(module) for module in graph.modules}


@pytest.fixture(scope="module")
def known():
    return imports()


def circle_in(known):
    try:
        tuple(TopologicalSorter(known).static_order())
    except CycleError as error:
        return error.args[1]
    return []


def test_a_circle_is_found():
    assert set(circle_in({"a": {"b"}, "b": {"c"}, "c": {"a"}})) == {"a", "b", "c"}


def test_no_module_imports_itself_by_way_of_others(known):
    assert len(known) > 250
    assert circle_in(known) == []


def test_no_two_subjects_of_the_shop_import_each_other(known):
    rooms = defaultdict(set)
    for module, used in known.items():
        for other in used:
            ours, theirs = module.split("."), other.split(".")
            if (
                ours[:2] == theirs[:2] == ["ample", "shop"]
                and len(ours) > 2 < len(theirs)
                and ours[2] != theirs[2]
            ):
                rooms[ours[2]].add(theirs[2])
    assert len(rooms) > 8
    assert circle_in(rooms) == []
