"""The requirement: nothing of the evidence is lost on its way into it, and each thing keeps how it is known."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from ample.core.designation import decode
from ample.core.designation.dialects import general_dialect
from ample.core.identify import standard_catalogue
from ample.core.parts import FAMILIES
from ample.core.parts.requirement import (
    BASES,
    PAIRS,
    Evidence,
    Measured,
    OperatingConditions,
    WhereItGoes,
    requirement_of,
)


def of(marking, family=None, **more):
    readings = decode(marking, family=family)
    return requirement_of(Evidence(family or readings[0].family, marking, readings, **more))


def known(requirement):
    return {each.name: (each.value, each.basis) for each in requirement.attributes}


# Marking; family; kind; attributes that it states; what is not understood; arrangement. Facts of the trade.
MARKS = [
    ("TC 35x62x7 FKM", "lip_seal", "lip_rubber_dust", {"material": "FKM"}, (), ""),
    ("22310 K C3", "bearing", "spherical_roller", {"bore_shape": "taper_1_12", "clearance": "3"}, (), ""),
    ("6205 C4", "bearing", "deep_groove", {"clearance": "4"}, (), ""),
    ("7206 B", "bearing", "angular_contact", {"angle": "40"}, (), ""),
    ("6308 NR", "bearing", "deep_groove", {"snap_ring": "groove_and_ring"}, (), ""),
    ("6205 VL0241", "bearing", "deep_groove", {}, ("VL0241",), ""),
    ("7008 C P4 DB", "bearing", "angular_contact", {"angle": "15", "class": "4"}, (), "back_to_back"),
    ("8-222 cut", "o_ring", "backup_split", {}, (), ""),
    ("U-CUP 1870-1125-375 PU", "hydraulic_seal", "u_cup", {"material": "PU"}, (), ""),
    ("square cut 20x2.5 NBR 70", "o_ring", "square_ring", {"material": "NBR", "hardness_shore_a": "70"}, (), ""),
]  # fmt: skip


@pytest.mark.parametrize(("marking", "family", "kind", "stated", "unread", "arrangement"), MARKS)
def test_what_a_mark_states(marking, family, kind, stated, unread, arrangement):
    found = of(marking)
    assert (found.family, found.kind, found.unread, found.arrangement) == (family, kind, unread, arrangement)
    assert {name: value for name, (value, basis) in known(found).items() if basis == "stated"} == stated
    assert found.spec.dimensions.keys() == {each.name for each in found.dimensions}


def test_of_a_part_without_marks_what_can_be_seen_is_unknown_and_the_rest_is_taken_as_usual():
    spec = standard_catalogue("bearing").entries[0].spec
    found = requirement_of(Evidence("bearing", size_of=spec))
    own = known(found)
    assert own["closure"] == ("", "unknown")
    assert own["clearance"] == ("N", "assumed")
    assert requirement_of(Evidence("o_ring")).known("material").basis == "unknown"


def test_what_a_person_says_is_seen_and_against_the_mark_a_clash():
    found = of("TC 35x62x7", said=(("material", "FKM"),))
    assert known(found)["material"] == ("FKM", "seen")
    found = of("TC 35x62x7 NBR", said=(("material", "FKM"),))
    assert known(found)["material"] == ("NBR", "stated")
    assert [(each.name, each.marked, each.confirmed) for each in found.clashes] == [
        ("material", "NBR", "FKM")
    ]


def test_a_marking_of_another_size_is_a_clash_and_keeps_what_it_states():
    other = decode("6305")[0]
    spec = next(e.spec for e in standard_catalogue("bearing").entries if e.spec.designation == "6305")
    found = of("6205 C3", size_of=spec)
    assert found.designation == other.designation
    assert [(each.name, each.marked, each.confirmed) for each in found.clashes] == [("size", "6205", "6305")]
    assert known(found)["clearance"] == ("3", "stated")
    assert {each.basis for each in found.dimensions} == {"assumed"}


def test_codes_that_contradict_each_other_are_a_clash():
    found = of("6205 C3 CNL")
    assert [(each.name, each.marked, each.confirmed) for each in found.clashes] == [("clearance", "3", "N")]
    found = of("8-222", answers=(("cut", "yes"),))
    assert [(each.name, each.marked, each.confirmed) for each in found.clashes] == [("cut", "no", "yes")]


def _sizes(family):
    entries = standard_catalogue(family).entries
    return [entries[n].spec for n in range(0, len(entries), max(1, len(entries) // 150))]


SPECS = {family: _sizes(family) for family in FAMILIES}
CODES = sorted({code for code in general_dialect().suffixes if code.isalnum()})
WORDS = ["NBR", "FKM", "EPDM", "PU", "PTFE", "70", "VL0241", "MADE IN", "JAPAN", "XQ7", "cut", "TC", "DB"]


@st.composite
def evidences(draw):
    family = draw(st.sampled_from(sorted(FAMILIES)))
    spec = draw(st.sampled_from(SPECS[family]))
    words = draw(st.lists(st.sampled_from(CODES if family == "bearing" else WORDS), max_size=3))
    junk = draw(st.lists(st.from_regex(r"[A-Z]{2}[0-9]{3,4}", fullmatch=True), max_size=1))
    marking = draw(st.sampled_from(["", " ".join([spec.designation, *words, *junk])[:60]]))
    described = FAMILIES[family]
    features = draw(
        st.lists(st.sampled_from([each.name for each in described.features]), max_size=3, unique=True)
    )
    questions = (
        draw(st.lists(st.sampled_from(described.questions), max_size=2, unique=True))
        if described.questions
        else []
    )
    return Evidence(
        family, marking, decode(marking, family=family) if marking else (),
        tuple(Measured(name, draw(st.floats(1, 200)), 0.04, 1, "caliper") for name in features),
        draw(st.sampled_from(["", spec.kind])),
        tuple((each.name, draw(st.sampled_from(each.answers))[0]) for each in questions),
        draw(st.sampled_from(["", "worn", "swollen"])),
        draw(st.sampled_from([(), (("material", "FKM"),), (("closure", "open"),)])),
        draw(st.sampled_from([None, spec])),
        draw(st.integers(1, 8)),
        WhereItGoes("pump", "0412", "drive end bearing", "main shaft", ("spacer",)),
        draw(st.builds(OperatingConditions, rpm=st.sampled_from([None, 1450.0]), medium=st.sampled_from(["", "water"]))),
    )  # fmt: skip


@settings(max_examples=400, deadline=None)
@given(evidences())
def test_no_evidence_is_dropped(evidence):
    found = requirement_of(evidence)
    same = ("family", "marking", "measured", "condition", "count", "place", "duty")
    assert {name: getattr(found, name) for name in same} == {name: getattr(evidence, name) for name in same}
    assert found.kind_seen == evidence.kind
    assert tuple((each.question, each.answer) for each in found.answers) == evidence.answers
    values = {(each.name, each.value) for each in found.attributes if each.value}
    clashes = {(each.name, value) for each in found.clashes for value in (each.marked, each.confirmed)}
    for name, value in evidence.said:
        assert (name, value) in values | clashes
    own = [each for each in evidence.readings if each.family == evidence.family]
    if own:
        held = values | clashes | {("kind", found.kind)}
        held |= {("extra", extra) for extra, way in PAIRS.items() if way == found.arrangement}
        assert any(each.unread == found.unread and _holds(found, each, held) for each in own)
    else:
        assert found.unread == ((evidence.marking,) if evidence.marking else ())
    assert {each.basis for each in found.attributes} | {each.basis for each in found.dimensions} <= set(BASES)
    assert all(each.value or each.basis == "unknown" for each in found.attributes)


def _holds(found, reading, held):
    """Everything that a reading of the marking says has become something of the requirement (`decode` holds that
    what it does not understand is among the unread).
    """
    size = {each.name for each in found.dimensions} | {"designation", "series", "family", "called"}
    return all(
        (span.attribute, span.value) in held
        or span.text in found.notes
        or span.attribute in size
        or span.attribute.endswith("_mm")
        or span.certainty == "assumed"
        for span in reading.spans
    )
