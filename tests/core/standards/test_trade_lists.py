"""Lists that the trade keeps: a rule a list, that a typing error would break; rows typed again."""

import pytest

from ample.core.standards import sizes_of_family
from tests.tables import published

LIPS = sizes_of_family("lip_seal")
RINGS = [size for size in sizes_of_family("o_ring") if size.kind == "o_ring"]


def of(listed):
    return [size.dimensions_mm for size in LIPS if size.listed == listed]


@pytest.mark.parametrize(
    "row", published("trade_sizes.csv"), ids=lambda row: f"{row['kind']} {row['sizes_mm']}"
)
def test_sizes_typed_again(row):
    wanted = tuple(float(text) for text in row["sizes_mm"].split())
    assert any(
        size.kind == row["kind"] and size.dimensions_mm == pytest.approx(wanted)
        for size in sizes_of_family(row["family"])
    )


def test_a_small_seal_is_thin_and_its_width_goes_by_its_shaft():
    """The needle bearing beside it leaves 2 mm up to a shaft of 7, 3 to 18, then 4 and 5."""
    found = of("small seals beside needles")
    assert len(found) > 50
    for shaft, bore, width in found:
        assert 1.5 <= (bore - shaft) / 2 <= 6.5
        assert width in ((2,) if shaft < 8 else (3,) if shaft < 18 else (3, 4, 5))


def test_a_seal_of_a_fork_leg_has_a_thin_wall_and_is_deep():
    found = of("fork legs")
    assert len(found) > 35
    for shaft, bore, width in found:
        assert 4.9 <= (bore - shaft) / 2 <= 7
        assert 8 <= width <= 12.5
        assert 26 <= shaft <= 50


def test_a_wiper_of_a_fork_leg_stands_over_a_seal_of_its_tube():
    """Pressed into the same bore, widened for it by up to 2.4 mm."""
    seals = of("fork legs")
    wipers = [s.dimensions_mm for s in sizes_of_family("hydraulic_seal") if s.listed == "fork legs"]
    assert len(wipers) >= 12
    for inside, section, height, base in wipers:
        assert any(shaft == inside and -1 <= inside + 2 * section - bore <= 2.4 for shaft, bore, _ in seals)
        assert base < height


def test_further_sizes_are_as_wide_as_their_shaft_asks():
    for shaft, bore, width in of("kept by the trade"):
        assert 2 <= (bore - shaft) / 2 <= 27.5
        assert width in (4, 5, 6, 7, 7.5, 8, 10, 11, 12, 13)
        assert not (shaft >= 75 and width < 10)


def insides(listed, section):
    return sorted(
        size.dimensions_mm[0]
        for size in RINGS
        if size.listed == listed and size.dimensions_mm[1] == pytest.approx(section)
    )


@pytest.mark.parametrize(
    ("section", "off"), [(1.9, 0.2), (2.4, 0.2), (3.5, 0.3), (5.7, 0.4), (8.4, 0.5)], ids=str
)
def test_a_far_east_ring_for_moving_parts_is_its_shaft_less_a_step(section, off):
    """The number of a P ring is its shaft, in halves and wholes (and 11.2 and 22.4): the inside is a fixed step less."""
    for inside in insides("far-east metric P", section):
        shaft = round(inside + off, 2)
        assert shaft * 2 == pytest.approx(round(shaft * 2)) or shaft in (11.2, 22.4)


def test_the_older_metric_list_of_three_grows_by_the_shaft_less_08_then_05():
    for inside in insides("older metric", 3.0):
        step = 0.8 if inside < 45 else 0.5
        assert inside + step == pytest.approx(round(inside + step))


def test_a_far_east_ring_for_covers_is_a_half_or_a_whole():
    """But for that of 22.4, which is 21.9."""
    for inside in insides("far-east metric S", 2.0):
        assert inside == 21.9 or inside * 2 == pytest.approx(round(inside * 2))


def test_a_dash_size_has_the_tolerances_of_its_row():
    """AS568: −222 is 1.484 ±0.015 by 0.139 ±0.004 in; ISO 3601-1 would give 37.69 ±0.39."""
    from ample.core.parts import FAMILIES
    from ample.core.parts.families import ToleranceSpec

    def off(inside, section, feature):
        make = ToleranceSpec("ring", "o_ring", (inside, section, 0.0), "")
        [limits] = FAMILIES["o_ring"].measures(make, feature)
        return (limits.high_mm - limits.low_mm) / 2

    assert off(37.6936, 3.5306, "inside") == pytest.approx(0.381, abs=1e-4)
    assert off(37.6936, 3.5306, "section_1") == pytest.approx(0.1016, abs=1e-4)
    assert off(37.69, 3.53, "inside") == pytest.approx(0.009 * 37.69**0.95 + 0.11, abs=1e-4)
