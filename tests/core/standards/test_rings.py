from itertools import pairwise

import pytest

from ample.core.errors import BadInput
from ample.core.standards import internal_clearance, ring_limits
from tests.tables import published

BORES = (3, 8, 15, 25, 40, 60, 100, 150, 220, 300, 380)
CLEARANCE_BORES = (
    5,
    8,
    15,
    22,
    28,
    35,
    45,
    60,
    75,
    90,
    110,
    130,
    150,
    170,
    190,
    220,
    240,
    270,
    300,
    340,
    390,
    440,
    490,
)


@pytest.mark.parametrize("row", published("iso492_rings.csv"), ids=lambda r: " ".join(r.values()))
def test_rings_as_published(row):
    found = ring_limits(row["ring"], float(row["size_mm"]), row["class"])
    assert (found.lower_um, found.upper_um) == (float(row["lower_um"]), 0)


@pytest.mark.parametrize("row", published("iso5753_clearance.csv"), ids=lambda r: " ".join(r.values()))
def test_clearance_as_published(row):
    found = internal_clearance("deep_groove", float(row["bore_mm"]), row["group"])
    assert (found.min_um, found.max_um) == (float(row["min_um"]), float(row["max_um"]))


@pytest.mark.parametrize("ring", ["bore", "outside"])
def test_finer_classes_lie_inside_coarser_ones(ring):
    for size in BORES[:8]:
        lows = [ring_limits(ring, size, cls).lower_um for cls in ("Normal", "6", "5", "4")]
        assert lows == sorted(lows)


@pytest.mark.parametrize("ring", ["bore", "outside", "width"])
@pytest.mark.parametrize("tolerance_class", ["Normal", "6"])
def test_tolerances_grow_with_size(ring, tolerance_class):
    widths = [-ring_limits(ring, size, tolerance_class).lower_um for size in BORES]
    assert widths == sorted(widths)


@pytest.mark.parametrize("bore", CLEARANCE_BORES)
def test_clearance_groups_follow_one_another(bore):
    groups = []
    for group in ("2", "N", "3", "4", "5"):
        try:
            groups.append(internal_clearance("deep_groove", bore, group))
        except BadInput:
            assert bore <= 6
    for less, more in pairwise(groups):
        assert less.min_um < more.min_um < less.max_um < more.max_um


@pytest.mark.parametrize("group", ["2", "N", "3"])
def test_clearance_grows_with_bore(group):
    found = [internal_clearance("deep_groove", bore, group).max_um for bore in CLEARANCE_BORES]
    assert found == sorted(found)


@pytest.mark.parametrize(
    "asked",
    [("bore", 25, "7"), ("nose", 25, "Normal"), ("bore", 0.1, "Normal"), ("bore", 5000, "Normal")],
)
def test_unknown_rings_are_refused(asked):
    with pytest.raises(BadInput):
        ring_limits(*asked)


@pytest.mark.parametrize("asked", [("taper", 25, "N"), ("deep_groove", 25, "9"), ("deep_groove", 1, "N")])
def test_unknown_clearances_are_refused(asked):
    with pytest.raises(BadInput):
        internal_clearance(*asked)
