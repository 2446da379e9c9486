from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.errors import BadInput
from ample.core.sizes import format_inch, nearest_sizes, parse_length, parse_size

# Ways of writing: common practice. The inch is 25.4 mm by definition.
WRITTEN = [
    ("35", "mm", 35.0),
    ("35.02", "mm", 35.02),
    ("35,02", "mm", 35.02),
    ("1 1/8", "mm", 28.575),
    ('1-1/8"', "mm", 28.575),
    ("1.125 in", "mm", 28.575),
    ('.187"', "mm", 4.7498),
    ("12 thou", "mm", 0.3048),
    ("3/16", "mm", 4.7625),
    ("28.6mm", "in", 28.6),
    ("Ø40", "mm", 40.0),
    ("dia 40", "mm", 40.0),
    ("1½", "mm", 38.1),
    ("2", "in", 50.8),
    ("250 µm", "mm", 0.25),
    ("1/64", "mm", 0.396875),
]


@pytest.mark.parametrize(("text", "unit", "mm"), WRITTEN)
def test_reads_what_people_write(text, unit, mm):
    assert parse_length(text, unit).mm == pytest.approx(mm, abs=1e-9)


@pytest.mark.parametrize(
    ("text", "sizes"),
    [
        ("35x52x7", [35, 52, 7]),
        ("35*52*7", [35, 52, 7]),
        ("6 × 19 × 6", [6, 19, 6]),
        ("1 1/8 x 1 1/2 x 3/8", [28.575, 38.1, 9.525]),
        (".5x1x.25 in", [12.7, 25.4, 6.35]),
        ("25", [25]),
    ],
)
def test_reads_whole_sizes(text, sizes):
    assert [length.mm for length in parse_size(text)] == pytest.approx(sizes)


@pytest.mark.parametrize(
    ("text", "place"),
    [("3.5.2", "Character 4"), ("25.4k", "Character 5"), ("abc", "Character 1"), ("35 52", "Character 4")],
)
def test_a_reading_error_is_located(text, place):
    with pytest.raises(BadInput, match=place):
        parse_length(text)


@pytest.mark.parametrize(
    "text", ["", " ", "0", "-4", "0/2", "1/3", "1/0", "9" * 60, "1e5", "\x00", "5x", "1" * 400]
)
def test_refuses_nonsense_in_words(text):
    with pytest.raises(BadInput) as refusal:
        parse_length(text)
    assert refusal.value.field == "text"
    assert refusal.value.message


@given(st.integers(1, 700), st.sampled_from([1, 2, 4, 8, 16, 32, 64, 128]))
def test_fractions_round_trip_exactly(top, bottom):
    exact = Fraction(top, bottom) * Fraction(254, 10)
    again = parse_length(format_inch(exact) + " in")
    assert again.exact_mm == exact
    assert parse_length(again.written).exact_mm == exact


@given(st.decimals(min_value="0.0001", max_value=700, places=4), st.sampled_from(["mm", "in", "thou"]))
def test_decimals_round_trip_exactly(value, unit):
    length = parse_length(f"{value:f} {unit}")
    assert parse_length(length.written).exact_mm == length.exact_mm


@given(st.decimals(min_value="0.01", max_value=9999, places=2))
def test_comma_and_point_say_the_same(value):
    text = f"{value:f}"
    assert parse_length(text).exact_mm == parse_length(text.replace(".", ",")).exact_mm


@given(st.text(max_size=90))
def test_any_text_gives_a_length_or_a_refusal(text):
    try:
        assert parse_length(text).exact_mm > 0
    except BadInput as refusal:
        assert refusal.message


@pytest.mark.parametrize("reading_in", [1.122, 1.125, 1.128])
def test_a_rod_read_about_an_inch_and_an_eighth_is_that_size(reading_in):
    """Common practice: 1.122 to 1.128 in are all read on one 1 1/8 in rod."""
    assert "1 1/8 in" in [near.text for near in nearest_sizes(reading_in * 25.4)]


def test_nearest_says_what_is_within_reading_error():
    near = {each.text: each.within_reading_error for each in nearest_sizes(28.6)}
    assert near == {"1 1/8 in": True, "28.5 mm": False}
