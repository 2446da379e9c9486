import math

import numpy as np
import pytest
from scipy.integrate import quad

from ample.core.designation import decode
from ample.core.errors import BadInput
from ample.core.identify import KindEvidence, Observation, identify, standard_catalogue
from ample.core.identify.conditions import conditions_given
from ample.core.identify.gross_errors import (
    LARGEST_MM,
    SMALLEST_MM,
    anywhere_density,
    rough_density,
    slip_at,
    slip_density,
)
from ample.core.identify.model import interval_density, profile, wear_amounts_mm
from ample.core.identify.observations import shared_error
from ample.core.identify.posterior import condition_posterior, measure
from ample.core.identify.unlisted import GRIDS, grid_near
from ample.core.parts import BEARING, BearingSpec, Limits
from ample.core.sizes import default_instrument

CALIPER = default_instrument("caliper")
MICROMETER = default_instrument("micrometer")
CATALOGUE = standard_catalogue()
BALL = KindEvidence.of("deep_groove", {})


def seen(**features):
    return [
        Observation(name, values if isinstance(values, tuple) else (values,), CALIPER)
        for name, values in features.items()
    ]


def best(told=BALL, **features):
    return identify(CATALOGUE, seen(**features), seen=told)


def size(candidate):
    """Bore, outside and width of a candidate."""
    return tuple(candidate.dimensions.get(name, 0.0) for name in ("d_mm", "D_mm", "B_mm"))


def test_three_readings_settle_a_bearing():
    found = best(bore=24.99, outside=52.02, width=14.96)
    assert size(found.candidates[0]) == (25, 52, 15)
    assert found.candidates[0].probability > 0.99
    assert found.next_measurement is None


def test_all_chances_and_none_add_up_to_one():
    found = identify(CATALOGUE, seen(bore=24.99), limit=100)
    assert sum(c.probability for c in found.candidates) + found.none_probability == pytest.approx(1, abs=1e-3)


def test_the_next_measurement_is_the_one_that_separates():
    found = best(bore=25.0, outside=52.0)
    assert found.next_measurement.feature == "width"
    assert "15" in found.next_measurement.reason
    assert "18" in found.next_measurement.reason
    assert 0.3 < found.next_measurement.gain_bits < 1.2


def test_the_gain_of_a_certain_split_is_its_entropy():
    """Two candidates 5:1 by series weight, 3 mm apart: the gain is H(1/6) = 0.650 bit, less a little."""
    gain = best(bore=25.0, outside=52.0).next_measurement.gains["width"]
    assert gain == pytest.approx(-(5 / 6 * math.log2(5 / 6) + 1 / 6 * math.log2(1 / 6)), abs=0.05)


def test_an_unlisted_part_is_none_of_these():
    found = best(bore=(26.0, 26.01, 26.0), outside=(53.0, 53.01, 52.99), width=(16.0, 16.01, 16.0))
    assert found.none_probability > 0.9
    assert found.candidates[0].misfit.agreement == "disagrees"


def test_one_slip_does_not_hide_the_right_part():
    found = best(bore=(25.0, 25.01, 27.0), outside=(52.0, 52.01), width=(15.0, 14.98))
    assert size(found.candidates[0])[1] == 52
    assert found.candidates[0].probability > 0.9


def test_a_crept_bore_is_still_its_size():
    found = best(bore=(25.05, 25.06), outside=(51.99, 52.0), width=(14.97,))
    assert size(found.candidates[0]) == (25, 52, 15)
    assert found.candidates[0].probability > 0.95


def test_inches_typed_as_millimetres_are_asked_about():
    hint = best(bore=0.984, outside=2.047, width=0.591).unit_hint
    assert (hint.unit, hint.designation) == ("in", "6205")


def test_no_hint_where_the_unit_is_right():
    assert best(bore=25.0, outside=52.0, width=15.0).unit_hint is None


def test_a_half_worn_marking_narrows_the_sizes():
    found = identify(CATALOGUE, seen(bore=24.99, outside=52.02), decode("62?5 2R"))
    assert found.candidates[0].probability > 0.99
    first = found.candidates[0].variants[0].entry.spec
    assert isinstance(first, BearingSpec)
    assert first.closure == "seal_two"


def test_a_marking_alone_ranks_its_readings():
    found = identify(CATALOGUE, [], decode("..05 2RS", limit=400))
    top = {c.variants[0].entry.spec.designation for c in found.candidates[:5]}
    assert {"6205", "6005", "6305"} <= top


def test_marking_and_size_that_clash_are_both_said():
    found = identify(CATALOGUE, seen(bore=30.0, outside=62.02), decode("6205"), seen=BALL)
    assert "6205" in found.clash
    assert "6206" in found.clash
    assert size(found.candidates[0])[0] == 30


def test_more_readings_never_make_the_ranking_vaguer_on_the_average():
    some, more = best(bore=25.0).entropy_bits, best(bore=25.0, outside=52.0).entropy_bits
    assert more < some


def test_a_finer_instrument_tells_what_a_rule_cannot():
    rule = default_instrument("rule")

    def share(instrument):
        read = [Observation("bore", (9.525,), instrument), Observation("outside", (22.225,), instrument)]
        found = identify(CATALOGUE, read)
        return sum(c.probability for c in found.candidates if size(c)[1] == 22.225)

    assert share(MICROMETER) > share(rule)


def test_stated_condition_counts():
    bent = (Observation("bore", (25.04,), MICROMETER, "spun"),)
    fresh = (Observation("bore", (25.04,), MICROMETER, "new"),)
    assert worn_bore(bent) > 0.7
    assert worn_bore(fresh) < 0.01


@pytest.mark.parametrize("condition", ["drowned", "NEW"])
def test_unknown_conditions_are_refused(condition):
    with pytest.raises(BadInput, match="Unknown condition"):
        Observation("bore", (25.0,), CALIPER, condition)


@pytest.mark.parametrize("values", [(), (0.0,), (-1.0,), (float("nan"),), (1.0,) * 13])
def test_impossible_readings_are_refused(values):
    with pytest.raises(BadInput):
        Observation("bore", values, CALIPER)


def test_a_feature_given_twice_is_refused():
    with pytest.raises(BadInput, match="twice"):
        identify(CATALOGUE, [*seen(bore=25.0), *seen(bore=25.0)])


def worn_bore(observations):
    """The chance that the bore has worn."""
    given = conditions_given(BEARING, tuple(observations))
    return sum(p for p, kind in zip(given.size, BEARING.conditions, strict=True) if "bore" in kind.worn)


def test_a_reading_of_something_else_lies_anywhere():
    total, _ = quad(lambda m: float(anywhere_density(m)), SMALLEST_MM, LARGEST_MM, limit=200)
    assert total == pytest.approx(1, abs=1e-6)


@pytest.mark.parametrize("meant", [12.0, 52.0, 140.0])
def test_the_slip_density_integrates_to_one(meant):
    """Over all readings; of a small size some slips would land below nothing."""
    grid = np.concatenate([np.arange(SMALLEST_MM, 300, 0.02), np.arange(300, LARGEST_MM, 0.5)])
    values = np.array([slip_density(float(each), np.array([meant]))[0] for each in grid])
    assert np.trapezoid(values, grid) == pytest.approx(1, abs=0.06 if meant < 50 else 0.02)


def test_a_rough_spot_integrates_to_one_and_a_small_miss_is_far_likelier_than_a_large_one():
    total, _ = quad(lambda off: float(rough_density(off)), -80, 80, points=[0], limit=400)
    assert total == pytest.approx(1, abs=1e-3)
    both = [
        0.005 * float(rough_density(off) + slip_density(25 + off, np.array([25.0]))[0])
        for off in (0.15, 15.0)
    ]
    assert both[0] > 300 * both[1]


@pytest.mark.parametrize("sigma", [0.001, 0.02, 0.3])
def test_the_interval_density_integrates_to_one(sigma):
    low, high = np.array(24.99), np.array(25.0)
    total, _ = quad(
        lambda m: float(interval_density(m, low, high, 0.0, sigma)),
        24.99 - 9 * sigma,
        25 + 9 * sigma,
        points=[24.99, 25.0],
        limit=200,
    )
    assert total == pytest.approx(1, abs=1e-6)


def test_repeats_give_a_proper_density():
    """Over all pairs of readings the density of two repeats integrates to one (slips and scatter in it)."""
    shared = shared_error(CALIPER, tail=True)
    limits = Limits(np.array([25.0]), np.array([24.99]), np.array([25.0]))
    grid = np.linspace(24.7, 25.3, 61)
    step = grid[1] - grid[0]
    total = 0.0
    for a in grid:
        for b in grid:
            made = profile(
                Observation("bore", (float(a), float(b)), CALIPER), limits, shared, BEARING.effects_on["bore"]
            )
            total += float(made.at(np.array([0]))[0, 0] @ shared.weights) * step * step
    assert total == pytest.approx(0.99**2, abs=0.02)


def test_wear_is_one_sided_with_the_stated_mean():
    amounts = wear_amounts_mm(200, BEARING.wear_mean_mm, BEARING.wear_shape)
    assert amounts.min() > 0
    assert amounts.mean() == pytest.approx(0.025, rel=0.02)


def test_the_grid_holds_whole_half_and_sixteenth_sizes():
    sizes = {round(size, 4) for size, _ in grid_near(GRIDS["any"], 25.4, 0.6)}
    assert {25.0, 25.5, 25.4, 26.0} <= sizes


def _learnt(**features):
    """Chance of a worn outside, and the mean of the caliper's shared error, after some readings."""
    observations = tuple(seen(**features))
    posterior = measure(CATALOGUE, observations)
    chance = CATALOGUE.unit_prior * posterior.unit_density
    known = condition_posterior(CATALOGUE, posterior, chance / chance.sum())
    worn = sum(
        row.sum() for row, kind in zip(known, BEARING.conditions, strict=True) if "outside" in kind.worn
    )
    return worn, float(known.sum(axis=(0, 1)) @ posterior.shared.shifts_mm)


def test_readings_teach_the_instruments_own_error():
    """Two features over size by the same amount say that the caliper reads over."""
    _, none = _learnt(bore=(24.995,) * 3, width=(14.94,) * 3)
    _, over = _learnt(bore=(25.03,) * 3, width=(15.03,) * 3)
    assert over > none + 0.004


def test_a_crept_bore_makes_a_crept_outside_likelier_to_expect():
    sound, _ = _learnt(bore=(24.995,) * 3)
    crept, _ = _learnt(bore=(25.06,) * 3)
    assert crept > sound


def test_before_any_reading_only_the_shares_are_known():
    posterior = measure(CATALOGUE, ())
    known = condition_posterior(CATALOGUE, posterior, CATALOGUE.unit_prior)
    shares = [kind.weight for kind in BEARING.conditions]
    usual = [0.0 if kind.rare else kind.weight for kind in BEARING.conditions]
    assert sum(shares) == pytest.approx(1)
    assert known[:, 0].sum(axis=1) == pytest.approx(np.array(usual) / sum(usual))


def test_seats_stand_for_the_sizes_of_a_bearing_that_is_gone():
    """A shaft of 25 k5 and a housing of 52 H7 were made for 25 x 52."""
    found = best(shaft_seat=25.006, housing_seat=52.015)
    assert size(found.candidates[0])[0] == 25
    assert size(found.candidates[0])[1] == 52
    assert found.next_measurement.feature in ("width", "marking")


def test_a_worn_shaft_still_points_to_its_bearing():
    read = [Observation("shaft_seat", (24.95,), MICROMETER), Observation("width", (14.95,), CALIPER)]
    found = identify(CATALOGUE, read, seen=BALL)
    assert size(found.candidates[0]) == (25, 52, 15)


def test_bore_and_shaft_together_say_more_than_one():
    one = best(bore=25.2).candidates[0]
    both = best(bore=25.2, shaft_seat=25.0)
    assert {each.feature for each in both.candidates[0].features} == {
        "bore",
        "outside",
        "width",
        "shaft_seat",
    }
    assert size(both.candidates[0])[0] == 25
    assert size(one)[0] == 25


def test_an_unlisted_bore_with_its_shaft_is_none_of_these():
    found = best(bore=(43.0,) * 2, shaft_seat=(43.0,) * 2, outside=(81.0,) * 2, width=(17.0,) * 2)
    assert found.none_probability > 0.95


# Kinds, told and not told ------------------------------------------------------------------

# Size as measured and what it is by kind: the same envelope is several parts (ISO 15, ISO 355, ISO 104).
SAME_SIZE = [
    ("deep_groove", "6205"),
    ("angular_contact", "7205"),
    ("self_aligning", "1205"),
    ("cylindrical_nu", "NU205"),
    ("cylindrical_nj", "NJ205"),
]


@pytest.mark.parametrize(("kind", "name"), SAME_SIZE)
def test_the_picture_tells_parts_of_one_size_apart(kind, name):
    found = best(KindEvidence.of(kind, {}), bore=24.99, outside=52.0, width=14.95)
    assert found.candidates[0].variants[0].entry.spec.designation == name
    assert found.candidates[0].probability > 0.95


# Answers to eye and hand, and the kind that alone gives them all (common practice).
ANSWERS = [
    ({"rolls": "ball", "tilts": "yes", "lies": "around"}, "1205"),
    ({"rolls": "roller", "slides": "inner_both"}, "NU205"),
    ({"rolls": "roller", "slides": "inner_one", "inner_flanges": "1"}, "NJ205"),
    ({"rolls": "roller", "slides": "inner_one", "inner_flanges": "2"}, "NUP205"),
    ({"rolls": "roller", "slides": "outer_both", "rows": "1"}, "N205"),
    ({"rolls": "ball", "apart": "yes", "lies": "around"}, "QJ205"),
]


@pytest.mark.parametrize(("answers", "name"), ANSWERS)
def test_answers_tell_the_kind(answers, name):
    found = best(KindEvidence.of(None, answers), bore=24.99, outside=52.0, width=14.95)
    assert found.candidates[0].variants[0].entry.spec.designation == name


def test_without_a_kind_all_kinds_of_a_size_stay_and_the_question_is_asked():
    found = best(None, bore=24.99, outside=52.0, width=14.95)
    kinds = dict(found.candidates[0].kinds)
    assert {"deep_groove", "angular_contact", "cylindrical_nu"} <= set(kinds)
    assert size(found.candidates[0]) == (25, 52, 15)
    assert found.next_question.gain_bits > 1


def test_a_wrong_picture_does_not_hide_what_the_sizes_say():
    """A thrust bearing was pointed at, but nothing of that kind has the size."""
    found = best(KindEvidence.of("spherical_thrust", {}), bore=24.99, outside=52.0, width=14.95)
    assert size(found.candidates[0])[:2] == (25, 52)


def test_a_taper_is_offered_its_own_widths():
    found = best(KindEvidence.of("taper", {}), bore=25.0, outside=52.0)
    assert "assembled_width" in found.offered
    assert "width" not in found.offered
    assert found.next_measurement.feature == "assembled_width"


@pytest.mark.parametrize(("T", "name"), [(16.3, "30205"), (19.3, "32205"), (22.1, "33205")])
def test_the_assembled_width_tells_tapers_apart(T, name):
    """ISO 355: 25 x 52 in three series."""
    found = best(KindEvidence.of("taper", {}), bore=25.0, outside=52.0, assembled_width=T)
    assert found.candidates[0].variants[0].entry.spec.designation == name


def test_the_cup_width_tells_the_steep_taper():
    """30305 and 31305 share bore, outside, assembled and cone width; the cups are 15 and 13 mm (ISO 355)."""
    read = {"bore": 25.0, "outside": 62.0, "assembled_width": 18.35}
    assert best(KindEvidence.of("taper", {}), **read).next_measurement.feature == "outer_ring_width"
    steep = best(KindEvidence.of("taper", {}), **read, outer_ring_width=12.95)
    assert steep.candidates[0].variants[0].entry.spec.designation == "31305"


def test_a_standout_leaves_the_tapers_that_have_it():
    """T - C is 5.25 mm for 31305 and for 32305, 3.25 for 30305 (ISO 355)."""
    found = best(KindEvidence.of("taper", {}), bore=25.0, outside=62.0, standout=5.35)
    names = [each.variants[0].entry.spec.designation for each in found.candidates[:2]]
    assert sorted(names) == ["31305", "32305"]
    assert sum(each.probability for each in found.candidates[:2]) > 0.98


def test_an_inch_taper_lies_above_its_nominal():
    """Bore 19.05 +0.013, outside 45.237 +0.025: plus tolerances (ANSI/ABMA 19.2)."""
    found = best(KindEvidence.of("inch_taper", {}), bore=19.06, outside=45.25, assembled_width=15.6)
    assert found.candidates[0].variants[0].entry.spec.designation == "LM11949/LM11910"


def test_a_cone_alone_is_told_by_bore_and_width():
    found = best(KindEvidence.of("inch_cone", {}), bore=25.41, inner_ring_width=14.70)
    assert found.candidates[0].variants[0].entry.spec.designation == "L44643"
    assert found.candidates[0].dimensions.keys() == {"d_mm", "B_mm"}


def test_a_drawn_cup_is_told_by_shaft_housing_and_width():
    found = best(KindEvidence.of("needle", {}), shaft_seat=25.0, housing_seat=32.01, width=15.9)
    assert found.candidates[0].variants[0].entry.spec.designation == "HK2516"
    assert found.candidates[0].dimensions == {"Fw_mm": 25, "D_mm": 32, "C_mm": 16}


@pytest.mark.parametrize("asked", [("gearbox", {}), (None, {"mood": "good"}), (None, {"rows": "9"})])
def test_unknown_kinds_and_answers_are_refused(asked):
    with pytest.raises(BadInput):
        KindEvidence.of(*asked)


@pytest.mark.parametrize("meant", [1.2, 20.0, 25.0, 25.3, 26.0, 30.0, 35.0, 120.0, 635.0])
def test_one_slip_worked_without_arrays_is_that_of_many(meant):
    for value in (24.5, 25.0, 25.04, 26.0, 35.0, 98.4):
        assert slip_at(value, meant) == pytest.approx(
            float(slip_density(value, np.array([meant]))[0]), rel=1e-3
        )
