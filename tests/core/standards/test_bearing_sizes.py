"""Sizes of every kind of bearing: typed again, beside an open table, and against the plans they follow."""

import math
import re
from itertools import pairwise
from pathlib import Path

import pytest

import ample.core.standards
from ample.core.standards import ball_bearing_sizes, bearing_series, bearing_sizes
from ample.core.tables import read_table
from tests.tables import bd_warehouse, published

SIZES = {size.designation: size for size in bearing_sizes()}
LISTS = Path(ample.core.standards.__file__).parent / "bearings"
DIAMETER_SERIES = {"0": "60", "2": "62", "3": "63", "8": "618", "9": "619"}
OUTSIDES = {(size.series, size.d_mm): size.D_mm for size in ball_bearing_sizes()}


def width(size):
    return size.T_mm or size.B_open_mm or size.B_closed_mm


@pytest.mark.parametrize("row", published("bearing_sizes.csv"), ids=lambda row: row["designation"])
def test_sizes_as_typed_again(row):
    size = SIZES[row["designation"]]
    assert (size.d_mm, size.D_mm, width(size)) == tuple(float(row[n]) for n in ("d_mm", "D_mm", "width_mm"))


# That table lists 32205 only as the steep B design, whose cup is 15 mm; the standard one has 16 (ISO 355).
STEEP_ONLY = {"32205"}


def _tapers():
    for row in bd_warehouse("single_row_tapered_roller_bearing_parameters.csv"):
        name = re.match(r"[\d/]+", row["SKT:Designation"].strip())
        if name and name.group() in SIZES:
            yield name.group(), row


@pytest.mark.parametrize(("name", "row"), list(_tapers()), ids=lambda value: str(value)[:20])
def test_tapers_as_in_the_open_table(name, row):
    size = SIZES[name]
    found = (size.d_mm, size.D_mm, size.T_mm, size.B_open_mm)
    assert found == tuple(float(row[f"SKT:{letter}"]) for letter in "dDTB")
    if name not in STEEP_ONLY:
        assert size.C_mm == float(row["SKT:C"])


def _others(table):
    for row in bd_warehouse(table):
        name = re.match(r"\*? ?(N[A-Z]* ?\d+|7\d+)", row["SKT:Designation"].strip())
        if name:
            yield name.group(1).replace(" ", ""), row


@pytest.mark.parametrize(
    ("name", "row"),
    [
        *_others("single_row_cylindrical_roller_bearing_parameters.csv"),
        *_others("single_row_angular_contact_ball_bearing_parameters.csv"),
    ],
    ids=lambda value: str(value)[:20],
)
def test_cylindrical_and_angular_as_in_the_open_table(name, row):
    size = SIZES[name]
    assert (size.d_mm, size.D_mm, size.B_open_mm) == tuple(float(row[f"SKT:{letter}"]) for letter in "dDB")


@pytest.mark.parametrize(
    "row", read_table(LISTS / "iso15_plan.csv").rows, ids=lambda r: f"{r['dimension_series']} {r['d_mm']}"
)
def test_the_outside_of_a_dimension_series_is_that_of_its_diameter_series(row):
    """ISO 15: the second figure of a dimension series is the diameter series."""
    diameter = DIAMETER_SERIES.get(row["dimension_series"][1])
    outside = OUTSIDES.get((diameter, float(row["d_mm"])))
    if outside is None:
        assert diameter is None or float(row["d_mm"]) > 240 or row["dimension_series"][1] == "1"
    else:
        assert float(row["D_mm"]) == outside


@pytest.mark.parametrize("bore", [50, 100, 150, 200])
def test_widths_grow_from_a_narrow_series_to_a_wider_one(bore):
    plan = {
        (r["dimension_series"], float(r["d_mm"])): float(r["B_mm"])
        for r in read_table(LISTS / "iso15_plan.csv").rows
    }
    for narrow, wide in (("22", "32"), ("30", "40"), ("31", "41"), ("30", "50")):
        if (narrow, bore) in plan and (wide, bore) in plan:
            assert plan[narrow, bore] < plan[wide, bore]


# Lists of sizes, not steps of a plan.
LISTS_ONLY = {
    "R", "inch_taper", "inch_cone", "inch_cup", "metric_cone", "metric_cup", "T", "K", "SCE", "thin", "NUTR", "UC2", "HK", "MR", "16", "62sb", "DAC", "UJ",
}  # fmt: skip


@pytest.mark.parametrize("series", sorted(set(bearing_series()) - LISTS_ONLY))
def test_no_size_shrinks_as_the_bore_of_a_series_grows(series):
    own = sorted((s for s in bearing_sizes() if s.series == series), key=lambda s: (s.d_mm, s.D_mm))
    assert own
    for small, large in pairwise(own):
        assert small.D_mm <= large.D_mm


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.kind in ("taper", "inch_taper")], ids=lambda s: s.designation
)
def test_the_widths_of_a_taper_go_together(size):
    """The cup is narrower than the assembly; a cone stands out by a little at most."""
    assert size.C_mm < size.T_mm
    assert size.B_open_mm <= 1.2 * size.T_mm


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if re.fullmatch(r"T\d[A-G][A-E]\d{3}", s.also)], ids=lambda s: s.also
)
def test_the_iso_355_designation_ends_in_the_bore(size):
    assert int(size.also[-3:]) == size.d_mm


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.series == "DAC"], ids=lambda s: s.designation
)
def test_the_code_of_a_wheel_bearing_says_its_sizes(size):
    bore, outside, width = re.fullmatch(r"DAC(\d\d)(\d\d)(\d{4})", size.designation).groups()
    assert (float(bore), float(outside), float(width)) == (size.d_mm, size.D_mm, size.B_closed_mm)
    assert 1.5 < size.D_mm / size.d_mm < 2.3


@pytest.mark.parametrize("size", [s for s in bearing_sizes() if s.series in ("532", "533", "542")],
                         ids=lambda s: s.designation)  # fmt: skip
def test_a_sphered_housing_washer_changes_the_height_alone(size):
    """ISO 104: 532, 533 and 542 have the diameters of 512, 513 and 522; two washers add twice what one adds."""
    flat = SIZES[f"51{size.designation[2:]}" if size.series != "542" else f"522{size.designation[3:]}"]
    assert (size.d_mm, size.D_mm) == (flat.d_mm, flat.D_mm)
    if size.series == "542":
        one, bare = (SIZES[f"{series}{size.designation[3:]}"] for series in ("532", "512"))
        assert size.T_mm - flat.T_mm == pytest.approx(2 * (one.T_mm - bare.T_mm))
    else:
        assert 0.5 < size.T_mm - flat.T_mm < 5


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.kind == "needle_angular"], ids=lambda s: s.designation
)
def test_needles_with_balls_have_the_diameters_of_their_number(size):
    plain = SIZES[f"NA49{size.designation[6:]}"]
    assert (size.d_mm, size.D_mm) == (plain.d_mm, plain.D_mm)
    assert size.C_mm >= plain.B_open_mm + 3
    assert size.B_open_mm == size.C_mm if size.series == "NKIA59" else size.B_open_mm > size.C_mm


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.kind == "spherical_plain"], ids=lambda s: s.designation
)
def test_the_sphere_of_a_plain_bearing_stands_above_its_bore(size):
    """At the faces of the inner ring something of it is left: the sphere is about 1.05 times the mean diameter."""
    sphere = 1.05 * (size.d_mm + size.D_mm) / 2
    assert sphere**2 - size.B_open_mm**2 > size.d_mm**2
    assert size.C_mm < size.B_open_mm
    assert size.D_mm / 2 - math.sqrt(sphere**2 - size.C_mm**2) / 2 > 0.9


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.series == "UJ"], ids=lambda s: s.designation
)
def test_a_cross_spans_two_to_four_caps(size):
    assert 2 < size.C_mm / size.D_mm < 4.1
    if size.also:  # the numbered series of drive shafts: inches
        for each in (size.D_mm, size.C_mm):
            assert abs(each / 25.4 * 64 - round(each / 25.4 * 64)) < 0.02


def test_an_inch_cone_has_one_size_whatever_its_cup():
    cones, cups = {}, {}
    for row in read_table(LISTS / "taper_inch.csv").rows:
        assert cones.setdefault(row["cone"], (row["d_mm"], row["B_mm"])) == (row["d_mm"], row["B_mm"])
        if row["cup"] not in ("LM501310", "LM501314"):
            assert cups.setdefault(row["cup"], (row["D_mm"], row["C_mm"])) == (row["D_mm"], row["C_mm"])


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.series in ("HK", "BK")], ids=lambda s: s.designation
)
def test_a_drawn_cup_says_its_sizes(size):
    """Two figures under the needles, two of width (ISO 3245 practice)."""
    assert (int(size.designation[2:4]), int(size.designation[4:])) == (size.d_mm, size.C_mm)


@pytest.mark.parametrize(
    "size", [s for s in bearing_sizes() if s.series == "SCE"], ids=lambda s: s.designation
)
def test_an_inch_drawn_cup_says_its_sizes_in_sixteenths(size):
    bore, length = size.d_mm / 25.4 * 16, size.C_mm / 25.4 * 16
    assert size.designation == f"SCE{bore:.0f}{length:.0f}"


def test_a_needle_bearing_and_the_same_without_its_ring_share_outside_and_width():
    for size in bearing_sizes():
        if size.series in ("NA48", "NA49", "NA69"):
            bare = SIZES[f"R{size.designation}"]
            assert (bare.D_mm, bare.C_mm) == (size.D_mm, size.B_open_mm)
            assert bare.d_mm > size.d_mm


def test_cylindrical_roller_thrust_bearings_have_the_sizes_of_the_ball_ones():
    for size in bearing_sizes():
        if size.series in ("811", "812"):
            other = SIZES[f"51{size.designation[2:]}"]
            assert (size.d_mm, size.D_mm, size.T_mm) == (other.d_mm, other.D_mm, other.T_mm)


def test_a_thin_section_is_square():
    for size in bearing_sizes():
        if size.kind == "thin_section":
            assert (size.D_mm - size.d_mm) / 2 == pytest.approx(size.B_open_mm, abs=1e-3)


def test_an_insert_has_the_outside_of_its_ball_bearing():
    """UC2 stands on diameter series 2, UC3 on 3; the numbers 201 to 203 share the body of 204."""
    for size in bearing_sizes():
        if size.series in ("UC2", "UC3"):
            number = int(size.designation[3:5])
            bore = max(number, 4 if size.series == "UC2" else 0) * 5.0
            assert size.D_mm == OUTSIDES["62" if size.series == "UC2" else "63", bore]


def test_every_series_has_sizes_and_every_size_a_series():
    assert {size.series for size in bearing_sizes()} == set(bearing_series())


LISTED = {
    series: [s for s in bearing_sizes() if s.series == series]
    for series in ("MR", "62sb", "67", "628w", "638w")
}


@pytest.mark.parametrize("size", LISTED["MR"], ids=lambda s: s.designation)
def test_a_miniatures_name_says_both_diameters(size):
    assert size.designation == f"MR{size.D_mm:g}{size.d_mm:g}"


@pytest.mark.parametrize("size", LISTED["62sb"], ids=lambda s: s.designation)
def test_a_special_bore_has_outside_and_width_of_its_metric_bearing(size):
    metric = next(s for s in bearing_sizes() if s.designation == size.designation.partition("-")[0])
    assert (size.D_mm, size.B_open_mm) == (metric.D_mm, metric.B_open_mm)
    assert size.d_mm != metric.d_mm
    assert size.d_mm / size.D_mm < 0.62


@pytest.mark.parametrize("series", ["628w", "638w"])
def test_wide_thin_ones_have_the_outside_of_series_618(series):
    """ISO 15: diameter series 8, whatever the width."""
    thin = {s.d_mm: s for s in bearing_sizes() if s.series == "618"}
    for size in LISTED[series]:
        assert size.D_mm == thin[size.d_mm].D_mm
        assert size.B_closed_mm > thin[size.d_mm].B_open_mm


def test_series_67_lies_inside_series_68():
    thin = {s.d_mm: s for s in bearing_sizes() if s.series == "618"}
    for size in LISTED["67"]:
        assert size.D_mm < thin[size.d_mm].D_mm


@pytest.mark.parametrize("series", ["16", "RLS", "RMS"])
def test_inch_ball_bearings_are_sixteenths_and_thirty_seconds(series):
    for size in (s for s in bearing_sizes() if s.series == series):
        for length in (size.d_mm, size.D_mm, size.B_open_mm):
            assert (length / 25.4 * 32) == pytest.approx(round(length / 25.4 * 32), abs=1e-6)
