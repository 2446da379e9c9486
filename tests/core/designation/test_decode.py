import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from ample.core.contract.specs import spec_of_reading
from ample.core.designation import (
    bore_of_code,
    code_of_bore,
    decode,
    encode,
    general_dialect,
    known_names,
    read_dialect,
)
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, FAMILIES, BearingSpec, bearing_kinds
from ample.core.standards import ball_bearing_sizes, bearing_sizes
from ample.demo.catalogue import MAKERS, dialect_rows
from tests.tables import published

# Marking, size, what it states. Sizes: ISO 15; suffixes: DIN 623-1 or common practice.
MARKINGS = [
    ("6205", (25, 52, 15), {"closure": "open", "clearance": "N", "class": "Normal"}),
    ("6205-2RS C3", (25, 52, 15), {"closure": "seal_two", "clearance": "3"}),
    ("6205 2RS1/C3", (25, 52, 15), {"closure": "seal_two", "clearance": "3"}),
    ("6205DDUCM", (25, 52, 15), {"closure": "seal_two", "clearance": "N"}),
    ("6203LLU/2A", (17, 40, 12), {"closure": "seal_two"}),
    ("6202ZZC3", (15, 35, 11), {"closure": "shield_two", "clearance": "3"}),
    ("608-2Z", (8, 22, 7), {"closure": "shield_two"}),
    ("608 RS", (8, 22, 7), {"closure": "seal_one"}),
    ("62/22-2Z", (22, 50, 14), {"closure": "shield_two"}),
    ("60/28", (28, 52, 12), {"closure": "open"}),
    ("618/8", (8, 16, 4), {"closure": "open"}),
    ("688ZZ", (8, 16, 5), {"closure": "shield_two"}),
    ("61805", (25, 37, 7), {"closure": "open"}),
    ("6805 VV", (25, 37, 7), {"closure": "low_friction_two"}),
    ("6905 2RS", (25, 42, 9), {"closure": "seal_two"}),
    ("16005", (25, 47, 8), {"closure": "open"}),
    ("62205-2RS1", (25, 52, 18), {"closure": "seal_two"}),
    ("63005-2RS", (25, 47, 16), {"closure": "seal_two"}),
    ("6300", (10, 35, 11), {"closure": "open"}),
    ("63000", (10, 26, 12), {}),
    ("6200", (10, 30, 9), {}),
    ("6201", (12, 32, 10), {}),
    ("6202", (15, 35, 11), {}),
    ("6203", (17, 40, 12), {}),
    ("6204", (20, 47, 14), {}),
    ("R8-2RS", (12.7, 28.575, 7.9375), {"closure": "seal_two"}),
    ("R8", (12.7, 28.575, 6.35), {"closure": "open"}),
    ("R1-5ZZ", (2.38125, 7.9375, 3.571875), {"closure": "shield_two"}),
    ("R188", (6.35, 12.7, 3.175), {}),
    ("681X", (1.5, 4, 1.2), {}),
    ("60/2.5", (2.5, 8, 2.8), {}),
    ("6205 P63", (25, 52, 15), {"class": "6", "clearance": "3"}),
    ("6205-P5", (25, 52, 15), {"class": "5"}),
    ("6205 ABEC5", (25, 52, 15), {"class": "5"}),
    ("6205 ZNR", (25, 52, 15), {"closure": "shield_one", "snap_ring": "groove_and_ring"}),
    ("6205 TN9/C4", (25, 52, 15), {"cage": "polyamide", "clearance": "4"}),
    ("6205 M", (25, 52, 15), {"cage": "brass_machined"}),
    ("S6205-2RS", (25, 52, 15), {"extra": "stainless", "closure": "seal_two"}),
    ("F688ZZ", (8, 16, 5), {"extra": "flange"}),
    ("6205 S1", (25, 52, 15), {"extra": "stable_200"}),
    ("6205.2RSR.C3", (25, 52, 15), {"closure": "seal_two", "clearance": "3"}),
    ("6205 2rs c3", (25, 52, 15), {"closure": "seal_two", "clearance": "3"}),
    ("25x52x15", (25, 52, 15), {}),
    ("1/2 x 1 1/8 x 1/4", (12.7, 28.575, 6.35), {}),
]


@pytest.mark.parametrize(("text", "size", "states"), MARKINGS, ids=lambda value: str(value)[:24])
def test_reads_markings(text, size, states):
    best = decode(text, family="bearing")[0]
    assert tuple(best.dimensions[k] for k in ("d_mm", "D_mm", "B_mm")) == pytest.approx(size)
    assert {name: best.attributes.get(name) for name in states} == states


def _states(text):
    return dict(pair.split("=") for pair in text.split(";") if pair)


@pytest.mark.parametrize("row", published("bearing_markings.csv"), ids=lambda row: row["marking"])
def test_reads_markings_of_every_kind(row):
    """Each row says its standard, or common practice."""
    best = decode(row["marking"])[0]
    size = best.dimensions
    width = size.get("T_mm") or size.get("B_mm") or size.get("C_mm")
    found = (size.get("d_mm") or size.get("Fw_mm"), size.get("D_mm"), width)
    wanted = tuple(float(row[name]) if row[name] else None for name in ("d_mm", "D_mm", "width_mm"))
    assert best.designation == row["designation"]
    assert [v is None for v in found] == [v is None for v in wanted]
    assert [v for v in found if v] == pytest.approx([v for v in wanted if v], abs=0.002)
    states = _states(row["states"])
    extras = set(best.attributes.get("extra", "").split())
    assert set(states.pop("extra", "").split()) <= extras
    assert {name: best.attributes.get(name) for name in states} == states


def test_every_kind_has_markings():
    marked = {decode(row["marking"])[0].attributes["kind"] for row in published("bearing_markings.csv")}
    assert marked == set(bearing_kinds())


@pytest.mark.parametrize("row", published("half_worn_markings.csv"), ids=lambda row: row["marking"])
def test_reads_what_half_worn_markings_can_be(row):
    found = [reading.designation for reading in decode(row["marking"], limit=400)]
    assert set(row["among"].split()) <= set(found)


@pytest.mark.parametrize(
    ("text", "among"),
    [
        ("62?5 2R", {"6205", "6215"}),
        ("6?05", {"6005", "6205", "6305", "6405"}),
        ("..05 2RS", {"6005", "6205", "6305", "16005", "61805", "62205"}),
    ],
)
def test_reads_half_worn_markings(text, among):
    readings = decode(text, limit=400)
    assert among <= {reading.designation for reading in readings}
    assert readings[0].designation == "6205"


def test_a_gap_at_the_end_keeps_the_whole_series():
    found = {reading.designation for reading in decode("62..", limit=400)}
    assert {"6200", "6205", "62/22", "62205"} <= found
    assert not any(name.startswith(("60", "63")) for name in found)


def test_a_half_read_suffix_keeps_its_meanings():
    closures = {r.attributes["closure"] for r in decode("62?5 2R") if r.designation == "6205"}
    assert {"seal_two", "low_friction_two"} <= closures
    spans = [span for span in decode("62?5 2R")[0].spans if span.attribute == "closure"]
    assert spans[0].certainty == "half_read"


def test_every_span_says_how_sure_it_is():
    reading = decode("6205-2RS")[0]
    certain = {span.attribute: span.certainty for span in reading.spans}
    assert certain["closure"] == "stated"
    assert certain["clearance"] == "assumed"


def test_spans_point_at_the_text():
    text = " 6205-2RS C3"
    for span in decode(text)[0].spans:
        if span.start >= 0:
            assert text[span.start : span.stop] == span.text


def test_nothing_is_dropped():
    reading = decode("6205 QX7 C3 ~9")[0]
    assert reading.unread == ("QX7", "~9")
    assert reading.score < decode("6205 C3")[0].score


def test_a_code_of_two_markets_keeps_both_meanings():
    readings = decode("6205 V")
    assert {r.attributes["closure"] for r in readings} == {"low_friction_one", "open"}
    assert any("full_complement" in r.attributes.get("extra", "") for r in readings)


def test_a_size_that_is_not_held_still_gives_its_bore():
    reading = decode("60/500")[0]
    assert reading.dimensions == {"d_mm": 500.0}


@pytest.mark.parametrize(
    ("code", "bore"),
    [
        ("00", 10),
        ("01", 12),
        ("02", 15),
        ("03", 17),
        ("04", 20),
        ("96", 480),
        ("8", 8),
        ("/22", 22),
        ("/500", 500),
        ("/2.5", 2.5),
    ],
)
def test_bore_codes(code, bore):
    """ISO 15 and DIN 623-1."""
    assert bore_of_code(code) == bore


@pytest.mark.parametrize("code", ["97", "", "x", "0", "/0", "/", "²", "123456789"])
def test_no_bore_codes(code):
    with pytest.raises(BadInput):
        bore_of_code(code)


@given(st.sampled_from([s.d_mm for s in ball_bearing_sizes() if s.d_mm >= 10 and s.series != "R"]))
def test_bore_codes_go_both_ways(bore):
    assert bore_of_code(code_of_bore(bore)) == bore


@pytest.mark.parametrize("text", ["", "   ", "x" * 61])
def test_refuses_what_cannot_be_a_marking(text):
    with pytest.raises(BadInput):
        decode(text)


@given(st.text(max_size=60))
def test_any_text_is_read_or_left(text):
    if text.strip():
        for reading in decode(text):
            assert 0 <= reading.score <= 1


@given(st.text(alphabet="0123456789R?*.ZRSCNLUPKMTVXDB-/ '\"×", min_size=1, max_size=30))
def test_marking_like_text_is_read_or_left(text):
    if text.strip():
        for reading in decode(text, limit=400):
            assert reading.family in FAMILIES
            assert max(reading.dimensions.values()) > 0


DIALECTS = [None, *(read_dialect(maker, dialect_rows(maker)) for maker in MAKERS)]


@st.composite
def specs(draw):
    """A bearing of any kind with attributes that the general dictionary can write for it."""
    size = draw(st.sampled_from(bearing_sizes()))
    kind = bearing_kinds()[size.kind]
    held = list(general_dialect().writing(kind.name, kind.group))
    said = {"closure": "open", "clearance": "N", "class": "Normal", "cage": "standard", "bore_shape": "cylindrical",
            "snap_ring": "none", "angle": ""}  # fmt: skip
    for name in draw(st.sets(st.sampled_from(sorted(said)), max_size=3)):
        values = sorted({sets[0][1] for sets in held if len(sets) == 1 and sets[0][0] == name})
        if values:
            said[name] = draw(st.sampled_from(values))
    extras = sorted({sets[0][1] for sets in held if len(sets) == 1 and sets[0][0] == "extra"})
    chosen = draw(st.lists(st.sampled_from(extras), max_size=1, unique=True)) if extras else []
    closed = CLOSURES[said["closure"]].sides > 0
    width = size.width_mm(closed) or size.width_mm(not closed)
    return BearingSpec(
        size.designation, size.series, size.d_mm, size.D_mm, width, said["closure"], said["clearance"],
        said["class"], said["cage"], said["snap_ring"], said["bore_shape"], tuple(chosen), size.kind,
        size.T_mm, size.C_mm, said["angle"],
    )  # fmt: skip


@settings(max_examples=600)
@given(specs())
def test_writing_and_reading_give_the_spec_back(spec):
    assert _same(spec_of_reading(decode(encode(spec))[0]), spec)


@given(specs(), st.sampled_from(DIALECTS[1:]))
def test_every_dialect_gives_the_spec_back(spec, dialect):
    try:
        marking = encode(spec, dialect)
    except BadInput as refused:
        assert refused.code == "no_code"
        return
    assert _same(spec_of_reading(decode(marking, (dialect,))[0]), spec)


def _same(read, spec):
    """Equal in all that is marked; the sizes by the names they are sold by."""
    assert read.dimensions == pytest.approx(spec.dimensions)
    names = ("designation", "series", "closure", "clearance", "tolerance_class", "cage", "snap_ring", "bore_shape",
             "extras", "kind", "angle")  # fmt: skip
    assert [getattr(read, name) for name in names] == [getattr(spec, name) for name in names]
    return True


_OF_KIND = {size.kind: size.designation for size in reversed(bearing_sizes())}


@pytest.mark.parametrize(
    "code", general_dialect().codes, ids=lambda c: f"{c.code} {c.sets} {sorted(c.kinds)[:1]}"
)
def test_every_code_of_the_dictionary_is_reached(code):
    """On a bearing of every kind that the code is for."""
    kinds = [k for k in bearing_kinds().values() if code.is_of(k.name, k.group)]
    assert kinds
    for kind in kinds:
        name = _OF_KIND[kind.name] if kind.name != "deep_groove" else "6205"
        text = f"{code.code} {name}" if code.place == "prefix" else f"{name}-{code.code}"
        readings = decode(text)
        spans = [(s.attribute, s.value) for r in readings for s in r.spans if s.text == code.code]
        assert set(code.sets) <= set(spans), text


@pytest.mark.parametrize("maker", MAKERS)
def test_every_code_of_the_demo_dialects_is_reached(maker):
    dialect = read_dialect(maker, dialect_rows(maker))
    for code in dialect.codes:
        first = decode(f"6205-{code.code}", (dialect,))[0]
        assert first.dialect == maker
        assert all(first.attributes[name] == value for name, value in code.sets)


@pytest.mark.parametrize("row", [
    {"code": "2rs", "place": "suffix", "attribute": "closure", "value": "open", "meaning": "x", "basis": ""},
    {"code": "AB", "place": "middle", "attribute": "closure", "value": "open", "meaning": "x", "basis": ""},
    {"code": "AB", "place": "suffix", "attribute": "colour", "value": "red", "meaning": "x", "basis": ""},
    {"code": "AB", "place": "suffix", "attribute": "class+clearance", "value": "6", "meaning": "x", "basis": ""},
])  # fmt: skip
def test_a_bad_dialect_is_refused(row):
    with pytest.raises(BadInput, match="Row 1"):
        read_dialect("bad", [row])


def test_every_known_name_is_read_as_its_size():
    for text, name in known_names().items():
        assert decode(text)[0].designation == name.size.designation, text
