"""The machine-shop sheet: sizes to work to, drawn where they are."""

import pytest

from ample.core.errors import BadInput
from ample.core.fits import MeasuredSeat, check_seat
from ample.core.parts import BearingSpec
from ample.core.places.shop_sheet import shop_sheet
from ample.core.sizes import default_instrument

BEARING = BearingSpec("6205", "62", 25, 52, 15)


def seat(part, mm):
    tool = default_instrument("micrometer" if part == "shaft" else "bore_gauge")
    return check_seat(MeasuredSeat(part, BEARING, [[mm] * 2] * 3, tool))


@pytest.mark.parametrize(
    ("part", "mm", "way", "texts"),
    [
        ("shaft", 24.935, "sleeve", {"Ø21.00", "Ø25.002 / 25.011"}),
        ("shaft", 24.935, "build_up", {"Ø23.93", "Ø25.002 / 25.011"}),
        ("shaft", 25.060, "grind", {"Ø25.002 / 25.011"}),
        ("housing", 52.080, "sleeve", {"Ø57.20", "Ø51.988 / 52.018"}),
    ],
)
def test_the_sizes_to_work_to_stand_on_the_drawing(part, mm, way, texts):
    """k5 at 25: +2 to +11; J7 at 52: -12 to +18; a sleeve of 5 % (2 mm at least) a side; 0.5 mm a side undercut."""
    sheet = shop_sheet(seat(part, mm), 15, "Drive end", way)
    assert texts <= {each.text for each in sheet.letterings}
    assert "15" in {each.text for each in sheet.letterings}


@pytest.mark.parametrize(("part", "mm"), [("shaft", 24.935), ("housing", 52.08)])
def test_everything_lies_in_its_box(part, mm):
    sheet = shop_sheet(seat(part, mm), 15, "x")
    left, bottom, right, top = sheet.box
    points = [point for stroke in sheet.strokes for point in stroke.points] + [
        each.at for each in sheet.letterings
    ]
    assert all(left <= x <= right and bottom <= y <= top for x, y in points)


def test_the_seat_is_drawn_to_its_size():
    sheet = shop_sheet(seat("shaft", 24.935), 15, "x")
    outline = sheet.strokes[0].points
    assert (0.0, 12.5) in [(round(x, 6), y) for x, y in outline]
    assert (15, 12.5) in outline


def test_a_good_seat_has_nothing_to_machine():
    with pytest.raises(BadInput) as refused:
        shop_sheet(seat("shaft", 25.0065), 15, "x")
    assert refused.value.code == "nothing_to_repair"


def test_a_way_that_is_not_open_is_refused():
    with pytest.raises(BadInput) as refused:
        shop_sheet(seat("shaft", 24.935), 15, "x", "grind")
    assert refused.value.field == "way"
