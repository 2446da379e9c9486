import math

import pytest

from ample.core.errors import BadInput
from ample.core.sizes import combine, default_instrument, to_reference_temperature


def test_repeats_shrink_the_scatter_but_never_the_instrument():
    caliper = default_instrument("caliper")
    one = combine((52.0,), caliper, "outside")
    many = combine((52.0,) * 100, caliper, "outside")
    assert one.standard_uncertainty_mm == pytest.approx(math.hypot(0.02, caliper.scatter_mm))
    assert many.standard_uncertainty_mm == pytest.approx(0.02, abs=0.0002)
    assert many.standard_uncertainty_mm > 0.02


def test_inside_jaws_doubt_more_than_outside():
    caliper = default_instrument("caliper")
    assert caliper.expanded_uncertainty_mm("inside") > caliper.expanded_uncertainty_mm("outside")


def test_repeats_that_disagree_are_pointed_out():
    caliper = default_instrument("caliper")
    assert combine((52.0, 52.2), caliper, "outside").repeats_disagree
    assert not combine((52.0, 52.02), caliper, "outside").repeats_disagree


def test_temperature_as_a_steel_bar_expands():
    """100 mm of steel over 10 K grow by 11.5 µm (α = 11.5e-6/K, handbook value)."""
    assert to_reference_temperature(100.0115, 30, 20) == pytest.approx(100.0, abs=2e-6)


def test_an_equally_warm_steel_instrument_needs_no_correction():
    assert to_reference_temperature(52.013, 35, 35) == pytest.approx(52.013)


@pytest.mark.parametrize("degrees", [-61, 201])
def test_impossible_temperatures_are_refused(degrees):
    with pytest.raises(BadInput, match="between"):
        to_reference_temperature(10, degrees, 20)


def test_no_reading_is_refused():
    with pytest.raises(BadInput):
        combine((), default_instrument("rule"), "outside")


def test_unknown_instrument_is_refused():
    with pytest.raises(BadInput, match="Unknown instrument"):
        default_instrument("guess")
