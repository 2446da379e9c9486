"""What can be said of a part by hand holds every value that a marking can state."""

import csv
from pathlib import Path

import pytest

from ample.core import designation, parts
from ample.core.errors import BadInput
from ample.core.parts import bearing_kinds
from ample.core.parts.attributes import USUAL, attributes_of, check_said, known_attributes, worth_saying
from ample.core.standards import ring_limits
from ample.core.standards.rings import CLEARANCE_GROUPS

CODES = Path(designation.__file__).with_name("codes.csv")
RUBBERS = Path(parts.__file__).with_name("rubbers.csv")
BY_HAND = ("closure", "clearance", "class", "cage", "snap_ring", "bore_shape", "angle")


def values(attribute):
    return {each.value for each in known_attributes()[attribute].values}


def rows(path):
    lines = [line for line in path.read_text(encoding="utf-8").splitlines() if not line.startswith("#")]
    return list(csv.DictReader(lines))


@pytest.mark.parametrize("attribute", BY_HAND)
def test_every_value_that_a_code_sets_can_be_said(attribute):
    set_by_codes = {row["value"] for row in rows(CODES) if row["attribute"] == attribute}
    assert set_by_codes <= values(attribute)


def test_every_rubber_can_be_said():
    assert {row["rubber"] for row in rows(RUBBERS)} <= values("material")


def test_clearances_are_the_groups_of_iso_5753_and_c1():
    assert values("clearance") == {*CLEARANCE_GROUPS, "1"}


@pytest.mark.parametrize("tolerance_class", ["Normal", "6", "6X", "5", "4"])
def test_classes_have_rings_of_iso_492(tolerance_class):
    assert tolerance_class in values("class")
    kind = "taper" if tolerance_class == "6X" else "radial"
    assert ring_limits("bore", 25, tolerance_class, kind).lower_um < 0


def test_what_goes_without_saying_can_be_said():
    assert all(value in values(name) for name, value in USUAL.items())


@pytest.mark.parametrize("kind", sorted(bearing_kinds()))
def test_attributes_of_a_bearing_are_known_by_name(kind):
    named = attributes_of("bearing", kind)
    assert set(worth_saying(kind)) <= set(named)
    assert set(named) <= set(known_attributes())


def test_a_value_that_is_none_is_refused_with_the_choice():
    with pytest.raises(BadInput) as told:
        check_said({"closure": "sideways"})
    assert told.value.field == "said.closure"
    assert "shield_two" in told.value.hint
