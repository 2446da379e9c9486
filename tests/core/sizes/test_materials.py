"""Expansion of what seats are made of, against the trade page."""

from typing import get_args

import pytest

from ample.core.errors import BadInput
from ample.core.sizes.materials import Material, expansion_of


@pytest.mark.parametrize(
    ("material", "least", "most"),
    [
        ("steel", 11.5e-6, 11.5e-6), ("stainless_martensitic", 10.3e-6, 10.3e-6), ("stainless_austenitic", 16e-6, 17e-6),
        ("bronze", 17.5e-6, 17.5e-6), ("aluminium", 23e-6, 23e-6), ("grey_iron", 10.5e-6, 10.5e-6),
    ],
)  # fmt: skip
def test_expansion_is_that_of_the_trade_page(material, least, most):
    assert least <= expansion_of(material) <= most


def test_every_material_can_be_said():
    assert all(expansion_of(material) > 0 for material in get_args(Material))


def test_an_unknown_material_is_refused():
    with pytest.raises(BadInput, match="Unknown material"):
        expansion_of("cheese")
