from itertools import pairwise

import pytest

from ample.core.errors import BadInput
from ample.core.standards import internal_clearance, limits, ring_limits
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


@pytest.mark.parametrize("row", published("bearing_limits.csv"), ids=lambda r: " ".join(r.values()))
def test_tapers_thrust_and_needles_as_published(row):
    found = ring_limits(row["ring"], float(row["size_mm"]), row["class"], row["kind"])
    assert (found.lower_um, found.upper_um) == (float(row["lower_um"]), float(row["upper_um"]))


@pytest.mark.parametrize("row", published("bearing_clearances.csv"), ids=lambda r: " ".join(r.values()))
def test_clearance_of_every_kind_as_published(row):
    found = internal_clearance(row["kind"], float(row["bore_mm"]), row["group"])
    assert (found.min_um, found.max_um) == (float(row["min_um"]), float(row["max_um"]))


@pytest.mark.parametrize(("kind", "coarse", "fine"), [
    ("taper", "Normal", "5"), ("taper", "5", "4"), ("inch_taper", "4", "3"), ("inch_taper", "3", "00"),
    ("thrust", "Normal", "4"),
])  # fmt: skip
@pytest.mark.parametrize("ring", ["bore", "outside"])
def test_a_finer_class_lies_inside_a_coarser_one(kind, coarse, fine, ring):
    for size in (15, 25, 40, 60, 100, 150):
        wide, narrow = (
            ring_limits(ring, max(size, 18.5 if ring == "outside" else 0), c, kind) for c in (coarse, fine)
        )
        assert wide.lower_um <= narrow.lower_um <= narrow.upper_um <= wide.upper_um


@pytest.mark.parametrize("tolerance_class", ["4", "2", "3", "0", "00"])
@pytest.mark.parametrize("ring", ["bore", "outside"])
def test_an_inch_taper_is_never_under_its_nominal(tolerance_class, ring):
    """The trap: plus tolerances, and class 4 is the ordinary one (ANSI/ABMA 19.2)."""
    for size in (12.7, 25.4, 76.2, 88.9, 200):
        found = ring_limits(ring, size, tolerance_class, "inch_taper")
        assert found.lower_um == 0 < found.upper_um


@pytest.mark.parametrize("size", [5, 8, 15, 25, 40, 60, 100, 150])
def test_machined_needle_bearings_have_f6_under_their_needles(size):
    """ISO 1206 gives F6: the same numbers from ISO 286 at that size."""
    found, zone = ring_limits("under_needles", size, kind="needle"), limits(size, "F6")
    assert (found.lower_um, found.upper_um) == (zone.lower_um, zone.upper_um)


OTHER_KINDS = ("cylindrical", "cylindrical_taper_bore", "spherical", "spherical_taper_bore", "self_aligning",
               "self_aligning_taper_bore", "four_point", "double_row_angular")  # fmt: skip


@pytest.mark.parametrize("kind", OTHER_KINDS)
def test_groups_of_every_kind_follow_one_another_and_grow(kind):
    earlier = {}
    for bore in CLEARANCE_BORES:
        found = []
        for group in ("2", "N", "3", "4", "5"):
            try:
                found.append(internal_clearance(kind, bore, group))
            except BadInput:
                continue
        for less, more in pairwise(found):
            assert less.min_um <= more.min_um
            assert less.max_um <= more.max_um
            assert more.min_um <= less.max_um or more.group in ("5", "4")
        for each in found:
            assert earlier.get(each.group, 0) <= each.max_um
            earlier[each.group] = each.max_um
    assert earlier


def test_axial_clearances_say_so():
    assert internal_clearance("four_point", 50).direction == "axial"
    assert internal_clearance("spherical", 50).direction == "radial"


@pytest.mark.parametrize("asked", [("bore", 25, "6X", "radial"), ("bore", 25, "6", "taper"), ("bore", 25, "Normal", "inch_taper"),
                                   ("height", 25, "Normal", "radial"), ("bore", 25, "Normal", "gear")])  # fmt: skip
def test_a_class_or_ring_that_a_kind_does_not_have_is_refused(asked):
    with pytest.raises(BadInput):
        ring_limits(*asked)


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
