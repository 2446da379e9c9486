"""Words and sizes mixed that say less than a part: what each size is of; and sizes with their words, written out."""

import pytest

from ample.core.designation import decode
from ample.core.designation.mixed import asked_in_words, written_out

ASKED = [
    # common practice: a lip seal is called by its shaft, a rod seal by its rod, a piston's by its bore
    ("oil seal 35", "lip_seal", {"shaft": 35}),
    ("shaft seals 1 1/8", "lip_seal", {"shaft": 28.575}),
    ('1 1/2" shaft seal', "lip_seal", {"shaft": 38.1}),
    ("rod seal 40", "hydraulic_seal", {"rod": 40}),
    ("piston seal 80", "hydraulic_seal", {"bore": 80}),
    ("rod wiper 40x48", "hydraulic_seal", {"rod": 40, "groove_diameter": 48}),
    ("rod seal 40 x 50", "hydraulic_seal", {"rod": 40, "groove_diameter": 50}),
    ("piston seal 80 x 65", "hydraulic_seal", {"bore": 80, "groove_diameter": 65}),
    ("u-cup 40 50", "hydraulic_seal", {"inside": 40, "outside": 50}),
    ("25mm bearing", "bearing", {"bore": 25}),
    ("20 mm o-ring", "o_ring", {"inside": 20}),
    ("bearing width 15 bore 25", "bearing", {"width": 15, "bore": 25}),
    ("bearing bore 25 w 15", "bearing", {"bore": 25, "width": 15}),
]
MARKS = ["bearing 6205", "o-ring 214", "seal 214", "6205 w", "W 6205", "circlip 25", "u-cup 40"]


@pytest.mark.parametrize(("typed", "family", "sizes"), ASKED, ids=[each[0] for each in ASKED])
def test_what_is_said_of_which_feature(typed, family, sizes):
    found = asked_in_words(typed)
    assert found is not None
    assert found.family == family
    assert {each.feature: each.mm for each in found.sizes} == pytest.approx(sizes, abs=0.001)


@pytest.mark.parametrize("typed", MARKS)
def test_one_number_is_a_mark_where_such_parts_are_called_by_marks(typed):
    assert asked_in_words(typed) is None


@pytest.mark.parametrize(
    ("typed", "out"),
    [
        ("25 ID 52 OD", "25X52"),
        ("25MM BORE, 52 OD, 15 WIDE", "25MMX52X15"),
        ("ID 20 X CS 2.5", "20X2.5"),
        ("OD 52 ID 25", None),  # not in the order of the trade
        ("25 BORE 6205 52 OD", None),  # something else between
        ("25 BORE", None),
        ("W 7 W 8", None),
    ],
)
def test_sizes_are_written_out_in_their_places(typed, out):
    found = written_out(typed)
    assert (found and found.replace(" ", "")) == out
    assert found is None or [each.isdigit() for each in found] == [each.isdigit() for each in typed]


@pytest.mark.parametrize(
    "text", ["id 35 od 52 w 7 oil seal", "brg id 25 od 52 w 15", "6204 2RS 3/4 bore", "6203-2RS-5/8"]
)
def test_every_span_is_where_it_was_typed_and_says_what_was(text):
    best = decode(text)[0]
    for span in best.spans:
        if span.start >= 0:
            assert text[span.start : span.stop].casefold() == span.text.casefold()
            assert not any(each in span.text for each in best.beside)


def test_the_family_named_stays_beside_a_text_written_out():
    assert decode("bearing 25mm bore 52 od 15 wide")[0].beside == ("bearing",)


def test_plain_words_are_no_names_and_no_codes():
    from ample.core.designation import general_dialect, known_names, seal_words
    from ample.core.designation.beside import plain_words

    codes = {*known_names(), *general_dialect().suffixes, *general_dialect().prefixes, *seal_words()}
    assert plain_words() & codes == {"SHAFT"}  # of a retaining ring, and where a part sits
    assert [each.beside for each in decode("6205 for pump")[:1]] == [("for pump",)]
