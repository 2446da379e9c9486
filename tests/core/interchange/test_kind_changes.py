"""One kind of seal, ring or small part in the place of another. Cases are common practice, typed apart from the table."""

import pytest

from ample.core.interchange import interchange_seals
from ample.core.interchange.kind_changes import JUDGEMENTS, kind_change, kind_changes
from ample.core.parts import SEALS, SealSpec

PAIRS = [
    (name, one, two)
    for name, family in SEALS.items()
    for one in family.kinds
    for two in family.kinds
    if one != two
]


def judged(family, before, after):
    sizes = (20.0, 30.0, 5.0, 40.0, 44.0)[: len(SEALS[family].dimensions)]
    old, new = (SealSpec(family, "", kind, sizes) for kind in (before, after))
    return next(each for each in interchange_seals(old, new).attributes if each.name == "kind")


def test_every_row_is_of_some_change():
    """A row that others before it hide would never be said."""
    reached = {kind_change(*pair) for pair in PAIRS}
    hidden = [row for row in kind_changes() if row not in reached]
    assert [(row.before, row.after) for row in hidden] == []


def test_no_change_of_kind_is_better_both_ways():
    for family, one, two in PAIRS:
        there, back = kind_change(family, one, two), kind_change(family, two, one)
        if there and back and there is not back and there.judgement == "better":
            assert back.judgement != "better", (one, two)


@pytest.mark.parametrize(("family", "before", "after"), PAIRS, ids=lambda name: name)
def test_every_change_of_kind_is_judged_with_its_consequence(family, before, after):
    found = judged(family, before, after)
    assert found.judgement in JUDGEMENTS
    assert found.old != found.new
    assert found.consequence[0].isupper()
    assert found.consequence.endswith(".")


CASES = [
    # A running sleeve of its own: room, and the groove in the shaft no longer counts.
    ("lip_seal", "lip_rubber", "cassette", "needs_change", "room"),
    ("lip_seal", "cassette", "lip_rubber_dust", "needs_change", "smooth, hard"),
    ("lip_seal", "lip_rubber", "lip_split", "fits_with_differences", "join"),
    ("lip_seal", "lip_grease", "lip_rubber", "fits_with_differences", "oil"),
    ("lip_seal", "lip_rubber", "lip_grease", "needs_change", "not oil"),
    ("lip_seal", "lip_two", "lip_metal", "needs_change", "two fluids"),
    ("lip_seal", "lip_rubber", "v_ring", "needs_change", "does not seal an oil level"),
    ("lip_seal", "lip_metal_dust", "lip_rubber", "fits_with_differences", "Less protection against dirt"),
    ("lip_seal", "lip_metal_dust", "lip_rubber", "fits_with_differences", "light-alloy bore"),
    ("lip_seal", "lip_rubber", "lip_metal_dust", "fits_with_differences", "smooth, round bore"),
    # Units of one model are built with square or round rings, by their date (work.md: which version).
    ("o_ring", "square_ring", "o_ring", "fits_with_differences", "date"),
    ("o_ring", "o_ring", "square_ring", "fits_with_differences", "swell"),
    ("o_ring", "o_ring", "x_ring", "needs_change", "less squeeze"),
    ("o_ring", "o_ring", "backup_split", "not_interchangeable", "seals nothing"),
    ("o_ring", "backup_solid", "backup_split", "fits_with_differences", "cut"),
    ("o_ring", "backup_split", "backup_concave", "fits_with_differences", "hollow side goes to the ring"),
    ("hydraulic_seal", "u_cup_loaded", "u_cup", "fits_with_differences", "weep"),
    ("hydraulic_seal", "wiper", "wiper_cased", "needs_change", "pressed into an open bore"),
    ("hydraulic_seal", "wiper_double", "wiper", "fits_with_differences", "film"),
    ("hydraulic_seal", "piston_seal", "wear_band", "needs_change", "groove or housing must be made"),
    ("face_seal", "face_bellows", "face_conical", "fits_with_differences", "one direction"),
    ("face_seal", "face_conical", "face_bellows", "fits_with_differences", "both directions"),
    ("retaining_ring", "ring_shaft", "wire_shaft", "needs_change", "round groove"),
    ("retaining_ring", "ring_shaft", "ring_bore", "not_interchangeable", "onto a shaft"),
    ("washer", "copper_washer", "support_washer", "not_interchangeable", "soft"),
    ("washer", "wave_washer", "shim", "needs_change", "spring"),
    ("washer", "tab_washer", "shim", "needs_change", "locks"),
    ("key", "key_round", "key_square", "needs_change", "corners"),
    ("key", "key_square", "key_round", "fits_with_differences", "shorter by the key's width"),
]


@pytest.mark.parametrize(
    ("family", "before", "after", "severity", "words"), CASES, ids=[f"{c[1]}-{c[2]}" for c in CASES]
)
def test_a_change_of_kind_as_a_specialist_judges_it(family, before, after, severity, words):
    found = judged(family, before, after)
    assert found.severity == severity
    assert words in found.consequence


def test_a_change_that_no_row_speaks_of_is_none():
    assert kind_change("lip_seal", "lip_rubber", "lip_metal") is None
