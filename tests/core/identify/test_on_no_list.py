"""Sixty sizes of the trade that stand on no list here, written before they were ranked: that they are on none must lead."""

from ample.core import contract
from ample.core.operations.identify import identify_part
from ample.core.parts import FAMILIES
from ample.core.standards import sizes_of_family
from ample.core.standards.boundary import bearing_sizes
from tests.tables import published

ROWS = published("on_no_list.csv")
AT_LEAST = 54


def size_of(row):
    return tuple(float(text) for text in row["size"].split("x"))


def listed(family):
    if family == "bearing":
        return {
            (size.d_mm, size.D_mm, width)
            for size in bearing_sizes()
            for width in (size.B_open_mm, size.B_closed_mm)
            if width and size.kind == "deep_groove"
        }
    if family == "hydraulic_seal":
        return {
            (size.dimensions_mm[0], size.dimensions_mm[0] + 2 * size.dimensions_mm[1], size.dimensions_mm[2])
            for size in sizes_of_family(family)
            if size.kind.startswith("u_cup")
        }
    kinds = FAMILIES[family].kinds_meant("copper") if family == "washer" else FAMILIES[family].kinds
    return {size.dimensions_mm[:3] for size in sizes_of_family(family) if size.kind in kinds}


def found_of(row):
    read = [pair.split(":") for pair in row["readings"].split()]
    return identify_part(
        contract.IdentifyRequest.model_validate(
            {
                "family": row["family"],
                "kind": row["kind"],
                "observations": [
                    {"feature": name, "values": [f"{each} mm" for each in values.split("/")]}
                    for name, values in read
                ],
            }
        )
    )


def test_there_are_sixty_on_no_list_each_near_one():
    assert len({(row["family"], row["size"]) for row in ROWS}) == 60
    for row in ROWS:
        off = min(
            max(abs(a - b) for a, b in zip(size_of(row), own, strict=True)) for own in listed(row["family"])
        )
        assert 0.2 < off <= 3, row["size"]


def test_that_it_is_in_no_list_leads():
    led, not_led = 0, []
    for row in ROWS:
        found = found_of(row)
        first = found.candidates[0] if found.candidates else None
        if first is None or found.none_probability > first.probability:
            led += 1
        else:
            not_led.append((row["size"], first.designation, round(first.probability, 3)))
    assert led >= AT_LEAST, not_led
