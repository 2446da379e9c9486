"""A seat that is not measured counts as its zone (fits: never as no interference)."""

import pytest

from ample.core.parts import BearingSpec
from ample.core.places.seats import FittedBearing, SeatFacts, SeatSheet, SeatSide, judge_seats
from ample.core.sizes import default_instrument


def facts(designation, sizes):
    spec = BearingSpec(designation, designation[:2], *sizes)
    fitted = FittedBearing(
        title=designation, chosen=True, size_text="", kind="deep_groove", kind_words="", dimensions={},
        d_mm=spec.d_mm, D_mm=spec.D_mm, tolerance_class="Normal", spec=spec,
    )  # fmt: skip
    return SeatFacts(fitted, default_instrument)


def judged(sheet, designation="6220", sizes=(100.0, 180.0, 34.0)):
    return judge_seats(sheet, facts(designation, sizes))


def test_with_nothing_measured_the_zones_take_clearance():
    """6220 on k5 (+3 to +18, ring 0 to -20): 3 to 38 um of interference, about four fifths of it off the clearance."""
    found = judged(SeatSheet(warmer_inner_k=3))
    assert found.clearance.before.likely > found.clearance.mounted.likely + 12
    assert found.clearance.suits != "2"
    assert "The shaft is not measured: taken as" in found.clearance.words
    assert "The housing is not measured: taken as" in found.clearance.words


def test_a_measured_seat_counts_as_measured():
    loose = SeatSide(instrument="micrometer", planes=[["99.990", "99.990"]])
    found = judged(SeatSheet(warmer_inner_k=3, shaft=loose))
    assert "shaft is not measured" not in found.clearance.words
    assert found.clearance.mounted.likely > judged(SeatSheet(warmer_inner_k=3)).clearance.mounted.likely + 10


@pytest.mark.parametrize("zone", ["m6", "h6"])
def test_the_zone_that_is_asked_for_is_the_one_that_counts(zone):
    found = judged(SeatSheet(shaft=SeatSide(instrument="micrometer", zone=zone)))
    assert f"taken as {zone}." in found.clearance.words
