"""The families of seals, rings and small parts: every kind measured, told and drawn from data."""

import math

import pytest

from ample.core.parts import FAMILIES, SEALS, EffectTable, SealSpec, ToleranceSpec, said_size
from ample.core.parts.seals import USED_COVER_MM, condition_rows, effects_of, standings
from ample.core.standards import seal_sizes, sizes_of_family
from ample.core.standards.iso286 import limits

KINDS = [(family.name, kind) for family in SEALS.values() for kind in family.kinds]


def spec(size):
    return SealSpec(size.family, size.designation, size.kind, size.dimensions_mm)


@pytest.mark.parametrize(("family", "kind"), KINDS)
def test_every_kind_has_a_picture_questions_and_all_that_is_measured(family, kind):
    described = SEALS[family]
    own = described.kinds[kind]
    assert own.group in described.groups
    sizes = [size for size in sizes_of_family(family) if size.kind == kind]
    if kind == "backup_concave":
        assert not sizes  # sold by drawing only
        return
    assert sizes
    for name in described.offered(frozenset({own.scheme})):
        found = described.measures(spec(sizes[0]).make, name)
        assert found, name
        for one in found:
            assert one.low_mm < one.high_mm


@pytest.mark.parametrize("family", list(SEALS))
def test_answers_are_those_of_some_kind_and_all_are_listed(family):
    described = SEALS[family]
    for question in described.questions:
        given = {kind.told[question.name] for kind in described.kinds.values() if question.name in kind.told}
        assert given == {value for value, _ in question.answers}


def test_kinds_and_families_have_names_of_their_own():
    names = [kind for family in FAMILIES.values() for kind in family.kinds]
    assert len(set(names)) == len(names)


@pytest.mark.parametrize("family", list(SEALS))
def test_shares_of_conditions_add_up(family):
    assert sum(kind.weight for kind in SEALS[family].conditions) == pytest.approx(1)
    assert sum(kind.weight for kind in SEALS[family].shapes) == pytest.approx(1)


def test_a_stretched_ring_is_larger_inside_and_thinner():
    """The trade pages: inside up by s, section down by about s/2; outside and cut length follow."""
    row = next(row for row in condition_rows("o_ring", "size") if row["condition"] == "stretched")
    effect = effects_of("o_ring", row, 0.04)
    make = spec(next(s for s in sizes_of_family("o_ring") if s.designation == "-222")).make
    moved = {
        name: sum(share * dict(made.of).get(axis, 0) for axis, share in effect[name].grows)
        for name in ("inside", "section_1", "outside", "length")
        for made in SEALS["o_ring"].measures(make, name)
    }
    inside, section = 1.484 * 25.4, 0.139 * 25.4
    assert moved["inside"] == pytest.approx(0.04 * inside, abs=1e-3)
    assert moved["section_1"] == pytest.approx(-0.02 * section, abs=1e-3)
    assert moved["outside"] == pytest.approx(0.04 * inside - 0.04 * section, abs=1e-3)
    assert moved["length"] == pytest.approx(math.pi * (0.04 * inside - 0.02 * section), abs=1e-3)


def test_a_used_cover_has_lost_some_of_its_allowance():
    """The trade pages: −0.05 ± 0.08 of rubber, −0.02 ± 0.05 of metal, after removal."""
    assert USED_COVER_MM == {"rubber": (-0.05, 0.08), "metal": (-0.02, 0.05)}
    for kind, shift in (("lip_rubber", -0.05), ("lip_metal", -0.02)):
        size = next(s for s in sizes_of_family("lip_seal") if s.kind == kind)
        (outside,) = SEALS["lip_seal"].measures(spec(size).make, "outside")
        assert outside.used_shift_mm == shift


def test_every_scheme_says_what_its_features_stand_for():
    for (family, scheme), features in standings().items():
        for feature in SEALS[family].offered_in[scheme]:
            assert feature in features, (scheme, feature)


def test_sizes_are_said_as_the_trade_says_them():
    assert said_size("lip_seal", "lip_rubber", (35.0, 52.0, 7.0)) == "35 × 52 × 7"
    assert said_size("o_ring", "o_ring", (20.0, 2.5, 0.0)) == "20 × 2.5"
    assert said_size("hydraulic_seal", "wiper", (40.0, 4.0, 8.0, 5.0)) == "40 × 48 × 5 × 8"
    assert said_size("retaining_ring", "ring_shaft", (25.0, 23.9, 1.3, 1.2, 23.2)) == "25 × 1.2"


def test_no_two_listed_parts_of_a_kind_are_of_one_size():
    seen = {(size.family, size.kind, size.dimensions_mm) for size in seal_sizes()}
    assert len(seen) == len(seal_sizes())


# the tables that describe the families -------------------------------------------------------


@pytest.mark.parametrize("family", list(SEALS))
def test_a_picture_shows_a_kind_of_its_own_group(family):
    described = SEALS[family]
    for group, _, pictured in described.pictures:
        assert described.kinds[pictured].group == group


@pytest.mark.parametrize("family", list(SEALS))
def test_what_is_asked_can_be_measured_of_the_scheme(family):
    described = SEALS[family]
    for scheme in {kind.scheme for kind in described.kinds.values()}:
        offered = described.offered(frozenset({scheme}))
        assert 2 <= len(offered) <= 4
        assert set(offered) <= set(standings()[family, scheme])


@pytest.mark.parametrize("family", list(SEALS))
def test_an_unlisted_part_has_a_grid_for_every_dimension_and_readable_usual_sizes(family):
    described = SEALS[family]
    assert set(described.grid.steps) == set(described.dimensions)
    for name, usual in described.grid.usual_mm.items():
        assert name in described.dimensions
        assert list(usual) == sorted(usual)


@pytest.mark.parametrize("family", list(SEALS))
def test_many_effects_at_once_move_a_feature_as_each_does_alone(family):
    """The columns of `EffectTable` against the single effects, over listed parts of every scheme."""
    described = SEALS[family]
    for size in sizes_of_family(family)[::97]:
        make = spec(size).make
        for feature, effects in described.effects_on.items():
            for meant in described.measures(make, feature):
                moved, residue = EffectTable.of(effects).moved_mm(meant)
                of = dict(meant.of)
                for number, effect in enumerate(effects):
                    alone = effect.shift_mm + effect.share * meant.nominal_mm
                    alone += sum(share * of.get(axis, 0.0) for axis, share in effect.grows)
                    alone += meant.used_shift_mm if effect.used else 0.0
                    assert moved[number] == pytest.approx(alone, abs=1e-12)
                    spread = sum(share * of.get(axis, 0.0) for axis, share in effect.grows_spread)
                    used = meant.used_residue_mm if effect.used else 0.0
                    own = effect.share_spread * meant.nominal_mm
                    assert residue[number] == pytest.approx(math.hypot(effect.residue_mm, used, spread, own))


def test_the_allowance_of_a_cover_is_lost_by_use():
    """The trade pages: −0.05 ± 0.08 mm for rubber, −0.02 ± 0.05 mm for a metal case after removal."""
    for kind, shift in (("lip_rubber", -0.05), ("lip_metal", -0.02)):
        make = SealSpec("lip_seal", "", kind, (35.0, 52.0, 7.0)).make
        (outside,) = SEALS["lip_seal"].measures(make, "outside")
        assert outside.used_shift_mm == shift
        (width,) = SEALS["lip_seal"].measures(make, "width")
        assert width.used_shift_mm == 0


@pytest.mark.parametrize(
    ("tolerance", "features"),
    [  # common practice: a shim is made thin rather than thick; a copper washer goes over its screw
        ("shim", {"inside": (0, 0.2), "outside": (-0.25, 0), "thickness": (-0.06, 0)}),
        ("copper_washer", {"inside": (0, 0.35), "outside": (-0.4, 0), "thickness": (-0.12, 0.12)}),
    ],
)
def test_washers_are_made_between_their_limits(tolerance, features):
    make = SealSpec("washer", "", tolerance, (14.0, 20.0, 1.0)).make
    for name, (low, high) in features.items():
        (one,) = SEALS["washer"].measures(make, name)
        assert (one.low_mm - one.nominal_mm, one.high_mm - one.nominal_mm) == pytest.approx(
            (low, high), abs=1e-4
        )


@pytest.mark.parametrize(
    ("size_mm", "zone"),
    [(9.5, "h10"), (9.6, "h10"), (15.0, "h11"), (22.0, "h11"), (23.9, "h12"), (100.0, "h12")],
)
def test_the_groove_of_a_shaft_ring_is_turned_to_its_zone(size_mm, zone):
    """DIN 471: h10 to 9.6, h11 to 22, h12 above."""
    make = SealSpec("retaining_ring", "", "ring_shaft", (size_mm * 1.05, size_mm, 1.3, 1.2, size_mm)).make
    (groove,) = SEALS["retaining_ring"].measures(make, "groove_diameter")
    found = limits(size_mm, zone)
    assert groove.low_mm == pytest.approx(size_mm + found.lower_um / 1000)
    assert groove.high_mm == pytest.approx(size_mm + found.upper_um / 1000, abs=1e-4)


@pytest.mark.parametrize(
    ("kind", "measured", "not_measured"),
    [  # common practice: a V-ring has no spring and runs in no track; a cassette's lip is shut in
        ("v_ring", {"shaft", "free_lip", "outside", "width"}, {"shaft_track", "free_lip_no_spring"}),
        ("lip_grease", {"shaft", "free_lip_no_spring"}, {"free_lip"}),
        (
            "cassette",
            {"shaft", "housing_bore", "outside", "width"},
            {"free_lip", "free_lip_no_spring", "shaft_track"},
        ),
        ("lip_rubber", {"free_lip", "free_lip_no_spring", "shaft_track"}, set()),
    ],
)
def test_only_what_a_kind_has_is_measured_on_it(kind, measured, not_measured):
    own = set(SEALS["lip_seal"].measured_of(kind))
    assert measured <= own
    assert not own & not_measured


def test_words_of_a_kinds_own_are_of_what_is_measured_on_it():
    for family in SEALS.values():
        for kind, words in family.own_words.items():
            called = {feature for feature, each in words.items() if each}
            assert called <= set(family.measured_of(kind)), kind
            assert all(words[feature] != family.feature(feature).words for feature in called)


@pytest.mark.parametrize(
    ("width", "height", "zone"), [(2, 2, "h9"), (5, 5, "h9"), (6, 6, "h9"), (8, 7, "h11"), (10, 8, "h11")]
)
def test_a_square_key_is_made_closer_in_height_than_a_flat_one(width, height, zone):
    """DIN 6885: square keys, to 6 × 6, are h9 both ways; flat ones h11 in height."""
    family = FAMILIES["key"]
    kind = family.kinds["key_round"]
    spec = ToleranceSpec(kind.scheme, kind.tolerance, (float(width), float(height), 20.0, 0.0, 0.0), "")
    (made,) = family.measures(spec, "key_height")
    of = limits(height, zone)
    assert made.low_mm == pytest.approx(height + of.lower_um / 1000, abs=1e-9)
    assert made.high_mm == pytest.approx(height + of.upper_um / 1000, abs=1e-9)
