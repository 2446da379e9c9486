"""A special bore said or written apart, words that say the kind, sizes with blanks, and codes that end in the air."""

import pytest

from ample.core.designation import decode

# common practice: names of bearings with a special bore, and how people say them
BORED = [
    ("6204 2RS 3/4 bore", "6204-3/4", 19.05, "seal_two"),
    ("6203 5/8 bore ZZ", "6203-5/8", 15.875, "shield_two"),
    ("6205 2RS with 1 inch bore", "6205-1", 25.4, "seal_two"),
    ("6206-2RS-1-1/4", "6206-1-1/4", 31.75, "seal_two"),
    ("6205-2RS-16", "6205-1", 25.4, "seal_two"),
    ("6203 16 bore", "6203-16", 16.0, "open"),
    ("UC204 3/4 bore", "UC204-12", 19.05, "open"),
    ("UCP205 1 inch bore", "UC205-16", 25.4, "open"),
]


@pytest.mark.parametrize(("text", "name", "bore_mm", "closure"), BORED, ids=[each[0] for each in BORED])
def test_a_special_bore_is_read_wherever_it_is_said(text, name, bore_mm, closure):
    best = decode(text)[0]
    assert (best.designation, best.attributes["closure"], best.unread) == (name, closure, ())
    assert best.dimensions["d_mm"] == pytest.approx(bore_mm)
    written = [span for span in best.spans if span.start >= 0]
    assert [span.text for span in written] == [text[span.start : span.stop] for span in written]
    assert [span.start for span in written] == sorted(span.start for span in written)
    assert max(span.stop for span in written) == len(text)


@pytest.mark.parametrize(
    "text", ["6205 16 bore", "6205 3/8 bore", "6204 19.05 bore", "6204 3/0 bore", "6204 00 bore"]
)
def test_a_bore_that_is_not_made_is_no_special_bore(text):
    assert all(each.attributes.get("bore") != "special" for each in decode(text))


# what an audit found to be read wrong: a letter is no code when what follows it means nothing
@pytest.mark.parametrize(
    ("text", "closure", "unread"),
    [
        ("6205/VA201", "open", ("VA201",)),
        ("6205-2RS VA201", "seal_two", ("VA201",)),
        ("6205-2RSR C3VT162", "seal_two", ("VT162",)),
        ("6205 QX7", "open", ("QX7",)),
        ("6205-ZNR", "shield_one", ()),
    ],
)
def test_a_letter_ends_well_only_before_what_means_something(text, closure, unread):
    best = decode(text)[0]
    assert (best.designation, best.attributes["closure"], best.unread) == ("6205", closure, unread)


@pytest.mark.parametrize(
    ("text", "family", "leads"),
    [
        ("SR 24x47x7", "lip_seal", "24x47x7"),
        ("108x3", "o_ring", "108x3"),
        ("135x8 NR", "o_ring", "135x8"),
        ("25 52 15", "bearing", "6205"),
        ("17-40-12", "bearing", "6203"),
        ("1 x 2 x 1/2", "bearing", "R16"),
        ("35 52 7", "lip_seal", "35x52x7"),
        ("thrust bearing 25x42x11", "bearing", "51105"),
        ("cylindrical roller bearing 25x52x15", "bearing", "NU205"),
        ("ball bearing NU205", "bearing", "NU205"),
        ("wheel bearing seal 35x52x7", "lip_seal", "35x52x7"),
    ],
)
def test_a_size_is_not_cut_and_words_say_the_kind(text, family, leads):
    best = decode(text)[0]
    assert (best.family, best.designation) == (family, leads)
