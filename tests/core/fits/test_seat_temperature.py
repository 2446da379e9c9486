"""A seat read warm: what the instrument shows is brought to 20 °C by the part's material and the instrument's own warmth.

Cases of the audit, worked by hand: 6210 on k6, 50.0150 read at 35 °C; a 52 mm bore at 35 °C in aluminium and in iron.
"""

import pytest

from ample.core import contract
from ample.core.operations.seats import seat


def asked(part, designation, reading_mm, **more):
    body = {
        "part": part,
        "designation": designation,
        "readings_mm": [[reading_mm]],
        "instrument": "micrometer" if part == "shaft" else "bore_gauge",
        **more,
    }
    return seat(contract.SeatRequest.model_validate(body))


def mean_um(found):
    return 1000 * (found.mean_mm - found.nominal_mm)


@pytest.mark.parametrize(
    ("more", "mean"),
    [
        ({}, 15.0),
        # 50·11.5e-6·15 K = 8.6 µm: the instrument stands at the shop's 20 °C unless it is said
        ({"temperature_c": 35}, 6.4),
        ({"temperature_c": 35, "instrument_temperature_c": 20}, 6.4),
        ({"temperature_c": 35, "instrument_temperature_c": 35}, 15.0),
    ],
)
def test_the_instrument_stands_at_twenty_unless_it_is_said(more, mean):
    assert mean_um(asked("shaft", "6210", 50.015, **more)) == pytest.approx(mean, abs=0.05)


@pytest.mark.parametrize(
    ("material", "off"),
    # 52 mm, 15 K, expansion of the part less 11.5e-6 of the instrument, as warm as it
    [("steel", 0.0), ("aluminium", -8.97), ("grey_iron", 0.78), ("stainless_austenitic", -3.9)],
)
def test_a_housing_grows_by_its_own_material(material, off):
    warm = {"temperature_c": 35, "instrument_temperature_c": 35, "material": material}
    assert mean_um(asked("housing", "6205", 52.0, **warm)) == pytest.approx(off, abs=0.05)


def test_a_good_looking_shaft_is_found_too_small_once_it_is_cold():
    warm, cold = (asked("shaft", "6210", 50.015, zone="k6", temperature_c=degrees) for degrees in (35, 20))
    assert warm.creep_probability > 5 * cold.creep_probability
