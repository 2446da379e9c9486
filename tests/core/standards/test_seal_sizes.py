"""Sizes of seals, rings and small parts against open tables and rows typed apart from the lists."""

import itertools
import math

import pytest

from ample.core.parts import SEALS
from ample.core.standards import dash_sizes, limits, seal_sizes, sizes_of_family
from ample.core.standards.seals import (
    press_fit_um,
    ring_inside_tolerance_mm,
    ring_section_tolerance_mm,
)
from ample.core.tables import read_table
from tests.tables import bd_warehouse, published

DASHES = {row["Size"]: row for row in bd_warehouse("o-ring_parameters.csv")}


def test_every_dash_number_of_the_open_table_is_held():
    assert set(DASHES) <= set(dash_sizes())


@pytest.mark.parametrize("dash", sorted(DASHES))
def test_dash_sizes_are_those_of_the_open_table(dash):
    """bd-warehouse (from SAE AS568): inside and section to a hundredth of a millimetre, with their tolerances."""
    row, held = DASHES[dash], dash_sizes()[dash]
    assert held.inside_in * 25.4 == pytest.approx(float(row["iso3601:id"]), abs=0.011)
    assert held.section_in * 25.4 == pytest.approx(float(row["iso3601:w"]), abs=0.011)
    assert held.inside_tolerance_in * 25.4 == pytest.approx(float(row["iso3601:id_tol"]), abs=0.013)
    assert held.section_tolerance_in * 25.4 == pytest.approx(float(row["iso3601:w_tol"]), abs=0.013)


def test_inside_tolerances_follow_the_formula_of_iso_3601_1():
    """The tolerance of a dash number lies at 0.6 to 1.1 of the formula, all of them."""
    shares = [
        row.inside_tolerance_in * 25.4 / ring_inside_tolerance_mm(row.inside_in * 25.4)
        for row in dash_sizes().values()
    ]
    assert min(shares) > 0.58
    assert max(shares) < 1.1


@pytest.mark.parametrize(
    ("section_mm", "off_mm"),
    [(1.78, 0.08), (2.2, 0.08), (2.62, 0.09), (3.53, 0.10), (5.33, 0.13), (6.99, 0.15)],
)
def test_section_tolerances(section_mm, off_mm):
    """ISO 3601-1."""
    assert ring_section_tolerance_mm(section_mm) == off_mm


def test_the_gaps_between_dash_numbers_are_no_sizes():
    for gap in ("051", "101", "179", "200", "285", "308", "396", "424", "476", "915", "933"):
        assert gap not in dash_sizes()


@pytest.mark.parametrize(
    ("nominal", "actual"), [("1/16", 0.070), ("3/32", 0.103), ("1/8", 0.139), ("3/16", 0.210), ("1/4", 0.275)]
)
def test_a_ring_is_not_as_thick_as_it_is_called(nominal, actual):
    """Common practice: the trade's fraction is not the section."""
    called = {row.section_in for row in dash_sizes().values() if row.called_section == nominal}
    assert actual in called
    assert called <= {actual, 0.060} if nominal == "1/16" else called == {actual}


# faults of the open table: a ring cannot be thicker than its groove is wide
THICKER_THAN_THEIR_GROOVE = {("din471", 48.0): 1.75, ("din472", 82.0): 2.5}


@pytest.mark.parametrize("table", ["din471", "din472"])
def test_retaining_rings_are_those_of_the_open_table(table):
    kind = "ring_shaft" if table == "din471" else "ring_bore"
    held = {size.dimensions_mm[0]: size for size in sizes_of_family("retaining_ring") if size.kind == kind}
    for row in bd_warehouse(f"{table}.csv"):
        size = held[float(row["d1"])]
        groove, slot, thickness = float(row["d2"]), float(row["m"]), float(row["s"])
        right = THICKER_THAN_THEIR_GROOVE.get((table, size.dimensions_mm[0]))
        assert (thickness > slot) == (right is not None)
        assert size.dimensions_mm[1:4] == (groove, slot, right or thickness)


@pytest.mark.parametrize("kind", ["ring_shaft", "ring_bore", "e_ring"])
def test_a_ring_goes_into_its_groove(kind):
    """Common practice: a ring is thinner than its groove is wide; thickness steps up with the size."""
    own = sorted(
        (size.dimensions_mm for size in sizes_of_family("retaining_ring") if size.kind == kind),
        key=lambda each: each[0],
    )
    for _, _, slot, thickness, *_ in own:
        assert slot - 0.2 <= thickness < slot
    if kind != "e_ring":
        assert all(one[3] <= other[3] for one, other in itertools.pairwise(own) if other[0] <= 100)


def test_a_ring_pushed_on_from_the_side_holds_on_to_its_groove():
    """Common practice: its lugs are closer together than the groove is thick, and it stands out over the shaft."""
    rows = [size.dimensions_mm for size in sizes_of_family("retaining_ring") if size.kind == "e_ring"]
    assert (rows[0][1], rows[-1][1]) == (0.8, 30.0)
    for size in rows:
        _, groove, _, _, free = size[:5]
        assert 0.7 * groove < free < 0.95 * groove


@pytest.mark.parametrize(
    "row",
    published("retaining_rings.csv"),
    ids=lambda row: f"{row['standard']} {row['size_mm'] or row['groove_mm']}",
)
def test_retaining_rings_typed_again(row):
    """DIN 471, 472 and 6799, from memory, typed apart."""
    own = [size for size in sizes_of_family("retaining_ring") if size.kind == row["kind"]]
    found = [
        size
        for size in own
        if size.dimensions_mm[1] == float(row["groove_mm"])
        and (not row["size_mm"] or size.dimensions_mm[0] == float(row["size_mm"]))
    ]
    assert [size.dimensions_mm[3] for size in found] == [float(row["thickness_mm"])]


def test_keys_are_those_of_the_open_table():
    """bd-warehouse (from DIN 6885) for shafts from 6 to 50 mm."""
    keys = [size for size in sizes_of_family("key") if size.listed == "DIN 6885-1"]
    for row in bd_warehouse("shaft_key_parameters.csv"):
        shaft = float(row["Size"])
        fitting = {
            size.dimensions_mm[:2] for size in keys if size.dimensions_mm[3] < shaft <= size.dimensions_mm[4]
        }
        if shaft > 6:
            assert fitting == {(float(row["din6885:b"]), float(row["din6885:h"]))}


@pytest.mark.parametrize(
    "row", published("seal_sizes.csv"), ids=lambda row: f"{row['kind']} {row['sizes_mm']}"
)
def test_sizes_typed_again(row):
    """The standards of the lists, from memory, typed apart from them."""
    wanted = [None if text == "*" else float(text) for text in row["sizes_mm"].split()]
    found = [
        size
        for size in sizes_of_family(row["family"])
        if size.kind == row["kind"]
        and all(
            want is None or abs(own - want) < 1e-3
            for own, want in zip(size.dimensions_mm, wanted, strict=False)
        )
    ]
    assert found


def test_gland_tables_leave_the_usual_squeeze():
    """bd-warehouse's gland tables: the groove depths for a section are those that groove features stand for."""
    for table in ("o-ring_static_gland_parameters.csv", "o-ring_dynamic_gland_parameters.csv"):
        for row in bd_warehouse(table):
            section = float(row["w"])
            depths = [float(row[name]) for name in ("d_min", "d_max", "d_r_min", "d_r_max") if row.get(name)]
            for depth in depths:
                assert 0.66 * section < depth < 0.92 * section
            width = float(row["g_w_0"])
            assert 1.2 * section < width < 1.65 * section


@pytest.mark.parametrize(
    ("cover", "bore_mm", "allowance"),
    [("rubber", 35, (150, 300)), ("metal", 35, (80, 200)), ("rubber", 52, (200, 350)), ("metal", 100, (100, 250)),
     ("rubber", 160, (250, 450)), ("metal", 250, (150, 300)), ("rubber", 420, (300, 550))],
)  # fmt: skip
def test_press_fit_of_lip_seals(cover, bore_mm, allowance):
    """DIN 3760 with the lower minima of ISO 6194-1, from memory."""
    assert press_fit_um(cover, bore_mm) == allowance


def test_lists_grow_as_they_should():
    """Lip seals: bore over shaft; the standard's width never falls as the shaft grows; washers: inside under outside."""
    for size in seal_sizes():
        inside, outside = size.dimensions_mm[0], size.dimensions_mm[1]
        if size.family in ("lip_seal", "washer", "face_seal"):
            assert inside < outside
        if size.family == "retaining_ring":
            assert (outside < inside) == (
                SEALS["retaining_ring"].kinds[size.kind].scheme in ("external", "e_ring", "wire_external")
            )
    steps: dict[float, float] = {}
    for size in sizes_of_family("lip_seal"):
        if size.kind == "lip_rubber" and size.listed.startswith("ISO"):
            steps[size.dimensions_mm[0]] = max(steps.get(size.dimensions_mm[0], 0), size.dimensions_mm[2])
    widths = [steps[shaft] for shaft in sorted(steps)]
    assert widths == sorted(widths)


@pytest.mark.parametrize("rod", [20, 25, 28, 32, 36, 40, 45, 50, 56, 63, 70, 80, 90, 100, 110, 125, 140, 160])
def test_rods_of_iso_3320_have_seals(rod):
    kinds = {size.kind for size in sizes_of_family("hydraulic_seal") if size.dimensions_mm[0] == rod}
    assert {"u_cup", "u_cup_loaded", "wiper"} <= kinds


def test_every_list_says_where_it_comes_from_and_is_read_whole():
    from ample.core.standards.seals import _LISTS

    rows = sum(len(read_table(path).rows) for path in _LISTS.glob("*.csv"))
    assert rows > 4000
    assert len(seal_sizes()) > 11_000


def test_housing_bores_of_lip_seals_are_h8():
    """ISO 286-2: H8 at 52 mm is 0 to +46 µm."""
    assert (limits(52, "H8").lower_um, limits(52, "H8").upper_um) == (0, 46)


DISCS_MM = (4, 7, 10, 13, 16, 19, 22, 28, 32, 45)  # of DIN 6888
WOODRUFF = [size for size in sizes_of_family("key") if size.kind == "key_woodruff"]


@pytest.mark.parametrize("size", [s for s in WOODRUFF if s.listed == "DIN 6888"], ids=lambda s: s.designation)
def test_the_flat_side_of_a_woodruff_key_is_a_chord_of_a_disc_of_the_standard(size):
    height, length = size.dimensions_mm[1:3]
    assert any(
        abs(2 * math.sqrt(height * (disc - height)) - length) < 0.01 for disc in DISCS_MM if disc > height
    )


@pytest.mark.parametrize(
    "size", [s for s in WOODRUFF if s.listed == "ANSI B17.2"], ids=lambda s: s.designation
)
def test_an_inch_woodruff_key_is_a_little_less_than_half_its_disc(size):
    """ANSI B17.2: the flat lies 3/64 to 7/64 in under the middle of the disc; the number says disc and width."""
    number = size.designation.split()[-1]
    disc, width = int(number[-2:]) / 8, int(number[:-2]) / 32
    assert size.dimensions_mm[0] == pytest.approx(width * 25.4, abs=1e-3)
    under = disc / 2 - size.dimensions_mm[1] / 25.4
    assert 3 / 64 - 0.001 <= under <= 7 / 64 + 0.001
    over, up_to = size.dimensions_mm[3:]
    assert 1 / 7 < size.dimensions_mm[0] / ((over + up_to) / 2) < 1 / 3


def test_inch_keys_leave_no_shaft_out_and_are_a_quarter_of_it():
    keys = [size for size in sizes_of_family("key") if size.listed == "ANSI B17.1"]
    steps = sorted({size.dimensions_mm[3:] for size in keys})
    for (_, up_to), (over, _) in itertools.pairwise(steps):
        assert up_to == over
    for size in keys:
        width, height, length, over, up_to = size.dimensions_mm
        assert 0.2 < width / ((over + up_to) / 2) < 0.3
        assert height <= width
        assert length >= 2 * width
