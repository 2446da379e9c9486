"""Markings and sizes of seals, rings and small parts, read and written."""

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample.core.designation import composed_code, decode, encode_seal, listed_specs, seal_words
from ample.core.parts import SEALS, SealSpec
from tests.tables import published

MARKINGS = published("seal_markings.csv")


def test_there_are_at_least_250_markings_of_every_family():
    assert len(MARKINGS) >= 250
    assert {row["family"] for row in MARKINGS} == set(SEALS)
    assert all(row["basis"] for row in MARKINGS)


@pytest.mark.parametrize("row", MARKINGS, ids=lambda row: row["marking"])
def test_reads_markings(row):
    """Each row says its standard, or common practice."""
    best = decode(row["marking"])[0]
    assert best.family == row["family"]
    assert best.designation == row["designation"]
    if row["kind"]:
        assert best.attributes["kind"] == row["kind"]
    for pair in filter(None, row["states"].split(";")):
        name, value = pair.split("=")
        assert best.attributes[name] == value
    assert not best.unread


@pytest.mark.parametrize(
    ("text", "first", "also"),
    [("30x42x7", "lip_seal", "bearing"), ("35 52 7", "lip_seal", None), ("20x2.5", "o_ring", None),
     ("1-1/8 x 1-1/2 x 3/8", "lip_seal", "hydraulic_seal"), ("25x52x15", "bearing", None), ("6205-2RS", "bearing", None),
     ("608", "bearing", None), ("40x50x8", "lip_seal", "hydraulic_seal")],
)  # fmt: skip
def test_what_can_be_of_several_families_is_given_in_several(text, first, also):
    """The contract: three bare sizes read first as a lip seal, two as an O-ring; a listed bearing of just that size first."""
    found = [reading.family for reading in decode(text)]
    assert found[0] == first
    assert also is None or also in found


@pytest.mark.parametrize(
    ("text", "family", "among"),
    [("35x?2x7", "lip_seal", {"35x52x7", "35x62x7"}), ("2?4 N70", "o_ring", {"-204", "-214", "-224"}),
     ("?5x52x7", "lip_seal", {"25x52x7", "35x52x7"}), ("20x?.5", "o_ring", {"20x2.5", "20x1.5"}),
     ("1870 1125 ?", "hydraulic_seal", {"28.575x38.1x9.525"}), ("18?0 1125 375", "hydraulic_seal", {"28.575x38.1x9.525"})],
)  # fmt: skip
def test_reads_what_half_worn_markings_can_be(text, family, among):
    found = {reading.designation for reading in decode(text, limit=400) if reading.family == family}
    assert among <= found


# Facts of the trade (common practice) ---------------------------------------------------------


@pytest.mark.parametrize(
    ("code", "section", "inside", "height"),
    [
        ("1870 1125 375", 3 / 16, 1.125, 3 / 8),
        ("3120 2000 625", 5 / 16, 2.0, 5 / 8),
        ("2500 1187 375", 1 / 4, 1.1875, 3 / 8),
    ],
)
def test_composed_codes_of_u_cups(code, section, inside, height):
    """Inches cut to thousandths, the section with a trailing zero; snapped to sixteenths."""
    sizes = decode(code, family="hydraulic_seal")[0].dimensions
    assert sizes["section_mm"] == pytest.approx(section * 25.4, abs=0.002)
    assert sizes["inside_mm"] == pytest.approx(inside * 25.4, abs=0.002)
    assert sizes["height_mm"] == pytest.approx(height * 25.4, abs=0.002)


@pytest.mark.parametrize("code", ["1870 1125 375", "3120 2000 625", "2500 1187 375", "1250 750 125"])
def test_composed_codes_are_written_as_they_are_read(code):
    sizes = decode(code, family="hydraulic_seal")[0].dimensions
    own = (sizes["inside_mm"], sizes["section_mm"], sizes["height_mm"], 0.0)
    assert composed_code(SealSpec("hydraulic_seal", "", "u_cup", own)) == code


def test_metric_seals_have_no_composed_code():
    assert composed_code(SealSpec("hydraulic_seal", "", "u_cup", (40.0, 5.0, 8.0, 0.0))) == ""
    assert (
        composed_code(SealSpec("hydraulic_seal", "", "piston_seal", (34.925, 4.7625, 3.175, 0.0)))
        == "PISTON SEAL 28"
    )


def test_piston_seals_count_sixteenths_of_the_bore():
    assert decode("piston seal 28")[0].dimensions["outside_mm"] == pytest.approx(1.75 * 25.4)


def test_an_eighth_ring_in_a_gland_of_one_and_three_quarters_is_one_and_a_half_inside():
    best = decode("1 1/2 x 1 3/4 x 1/8 o-ring")[0]
    assert best.designation == "-222"
    assert best.dimensions["section_mm"] == pytest.approx(0.139 * 25.4, abs=1e-3)
    assert best.attributes["called"] == "1/8 × 1 1/2 in"


# Round trips and whatever is typed ------------------------------------------------------------

RUBBERS = [("material", "NBR"), ("material", "FKM"), ("material", "EPDM"), ("material", "HNBR")]


@pytest.mark.parametrize("family", sorted({spec.family for spec in listed_specs()}))
def test_every_listed_text_is_read_back_to_the_same_spec(family):
    """All of them, as the lists write them; the first reading, with and without the family named."""
    own = [spec for spec in listed_specs() if spec.family == family]
    lost = []
    for spec in own:
        text = encode_seal(spec, "words")
        for readings in (decode(text), decode(text, (), 8, family)):
            found = readings[0] if readings else None
            if found is None or (
                found.family,
                found.designation,
                found.attributes["kind"],
                found.dimensions,
            ) != (
                family,
                spec.designation,
                spec.kind,
                spec.dimensions,
            ):
                lost.append(text)
    assert not lost


@given(st.sampled_from(listed_specs()), st.sampled_from(["standard", "market", "words"]), st.sampled_from([None, *RUBBERS]),
       st.sampled_from([None, "70", "75", "90"]))  # fmt: skip
def test_what_is_written_is_read_again(spec, habit, rubber, hard):
    marked: tuple[tuple[str, str], ...] = ()
    if rubber and spec.family in ("lip_seal", "o_ring", "hydraulic_seal"):
        marked = (rubber,)
        if hard and "hardness_shore_a" in SEALS[spec.family].marked:
            marked = (rubber, ("hardness_shore_a", hard))
    own = SealSpec(spec.family, spec.designation, spec.kind, spec.dimensions_mm, marked, spec.series)
    best = decode(encode_seal(own, habit))[0]
    assert best.family == spec.family
    assert best.attributes["kind"] == spec.kind
    assert best.dimensions == pytest.approx(spec.dimensions, abs=1e-3)
    assert {name: best.attributes.get(name) for name, _ in marked} == dict(marked)
    assert not best.unread


@given(st.text(alphabet="0123456789?x×X*./-, ACSTBVNRDIØ\"'", min_size=1, max_size=40))
def test_whatever_looks_like_a_size_is_read_or_left(text):
    if text.strip():
        for reading in decode(text):
            assert reading.score >= 0
            assert all(size > 0 for size in reading.dimensions.values())
            for span in reading.spans:
                if span.start >= 0 and reading.family != "bearing":
                    assert text[span.start : span.stop] == span.text


@pytest.mark.parametrize("code", sorted({word.code for words in seal_words().values() for word in words}))
def test_every_word_is_reached(code):
    words = [w for held in seal_words().values() for w in held if w.code == code]
    for word in words:
        family = sorted(word.families)[0]
        samples = {"lip_seal": "35x52x7", "o_ring": "20x2.5", "hydraulic_seal": "40x50x8", "face_seal": "25", "key": "8x7x32",
                   "retaining_ring": "25", "washer": "20x28x0.5"}  # fmt: skip
        lead = (
            "MECHANICAL SEAL " if family == "face_seal" else "CIRCLIP " if family == "retaining_ring" else ""
        )
        lead = (
            "SHIM "
            if family == "washer" and word.sets[0][0] != "kind"
            else "KEY "
            if family == "key"
            else lead
        )
        texts = (f"{code} {samples[family]}", f"{lead}{samples[family]} {code}", f"{code} 40", f"{code} 8", f"{code} 40x48x5x8",
                 f"{code} 12x16x1.5", f"{code} 28", f"{lead}{code} {samples[family]}", f"{code} 5x6.5")  # fmt: skip
        spans = {
            (span.attribute, span.value)
            for text in texts
            for reading in decode(text, limit=400, family=family)
            for span in reading.spans
        }
        assert set(word.sets) <= spans, word


@pytest.mark.parametrize(
    ("text", "usual"),
    [
        ("8-222", "PTFE"),
        ("PISTON SEAL 52x63x4.2", "PTFE"),
        ("U-CUP 40x50x8", "PU"),
        ("WIPER 40x48x5x8", "PU"),
        ("35x52x7 TC", "NBR"),
        ("-214", "NBR"),
    ],
)
def test_what_a_part_is_often_made_of_is_said_as_unproven(text, usual):
    """Common practice; never taken for read."""
    reading = decode(text)[0]
    assumed = [span.meaning for span in reading.spans if span.attribute == "material"]
    assert len(assumed) == 1
    assert f"often {usual}, not confirmed" in assumed[0]
    assert "material" not in reading.attributes


@pytest.mark.parametrize("habit", ["standard", "market", "words"])
def test_no_character_is_read_twice(habit):
    """What a span says stands under its own characters; a size does not reach over the word behind it."""
    for spec in listed_specs()[::41]:
        text = encode_seal(spec, habit)
        for reading in decode(text)[:2]:
            places = sorted({(span.start, span.stop) for span in reading.spans if span.start >= 0})
            assert all(one[1] <= other[0] for one, other in pairwise(places)), text
            assert all(span.text == text[span.start : span.stop] for span in reading.spans if span.start >= 0)


def test_a_size_is_read_with_its_unit_and_no_further():
    spans = decode("35 x 52 x 7 mm NBR")[0].spans
    assert [span.text for span in spans if span.attribute.endswith("_mm")] == ["35", "52", "7 mm"]


@pytest.mark.parametrize("text", ["6205-2", "6205x2", "30205 2"])
def test_what_no_ring_is_as_large_as_is_no_ring(text):
    """A bearing's number beside a figure: 6205 mm is no O-ring's inside (common practice)."""
    assert {reading.family for reading in decode(text)} == {"bearing"}
