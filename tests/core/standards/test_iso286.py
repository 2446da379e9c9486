import math
from itertools import pairwise

import pytest

from ample.core.errors import BadInput
from ample.core.standards import limits, standard_tolerance_um, zone_names
from tests.tables import published

STEPS = (0, 3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500)
MULTIPLES = {5: 7, 6: 10, 7: 16, 8: 25, 9: 40, 10: 64, 11: 100, 12: 160, 13: 250}


@pytest.mark.parametrize("row", published("iso286_limits.csv"), ids=lambda r: f"{r['size_mm']} {r['zone']}")
def test_limits_as_published(row):
    """ISO 286-2:2010, typed apart; tolerance zero: these are table values."""
    found = limits(float(row["size_mm"]), row["zone"])
    assert (found.lower_um, found.upper_um) == (float(row["lower_um"]), float(row["upper_um"]))


@pytest.mark.parametrize(("low", "high"), list(pairwise(STEPS[2:])))
@pytest.mark.parametrize("grade", sorted(MULTIPLES))
def test_tolerances_follow_the_basic_formula(low, high, grade):
    """i = 0.45·∛D + 0.001·D, D the geometric mean of the step; above 6 mm within 5 % and 1 µm of rounding."""
    d = math.sqrt(low * high)
    formula = MULTIPLES[grade] * (0.45 * d ** (1 / 3) + 0.001 * d)
    assert standard_tolerance_um(high, grade) == pytest.approx(formula, rel=0.05, abs=1.0)


FORMULAS = {
    "d": lambda d: -16 * d**0.44,
    "e": lambda d: -11 * d**0.41,
    "f": lambda d: -5.5 * d**0.41,
    "g": lambda d: -2.5 * d**0.34,
    "n": lambda d: 5 * d**0.34,
}


@pytest.mark.parametrize(("low", "high"), list(pairwise(STEPS[2:])))
@pytest.mark.parametrize("letter", sorted(FORMULAS))
def test_fundamental_deviations_follow_their_formulas(low, high, letter):
    """ISO 286-1 annex: d 16·D^0.44, e 11·D^0.41, f 5.5·D^0.41, g 2.5·D^0.34, n 5·D^0.34 (rounded)."""
    d = math.sqrt(low * high)
    found = limits(high, f"{letter}6")
    value = found.lower_um if letter == "n" else found.upper_um
    assert value == pytest.approx(FORMULAS[letter](d), rel=0.05, abs=1.0)


@pytest.mark.parametrize("size", [5, 8, 14, 22, 45, 70, 110, 170, 240, 310, 390, 490])
def test_p_and_m_follow_the_grades(size):
    """ISO 286-1 annex: m = IT7 − IT6, p = IT7 + 0 to 5 µm, r between p and s."""
    it6, it7 = standard_tolerance_um(size, 6), standard_tolerance_um(size, 7)
    m, p, r, s = (limits(size, f"{letter}6").lower_um for letter in "mprs")
    assert m == pytest.approx(it7 - it6, abs=2)
    assert 0 <= p - it7 <= 5
    assert r == pytest.approx(math.sqrt(p * s), rel=0.08, abs=1.5)


@pytest.mark.parametrize("size", [2, 5, 10, 25, 52, 130, 300, 500])
@pytest.mark.parametrize("grade", range(5, 12))
def test_every_zone_is_as_wide_as_its_grade(size, grade):
    for zone in zone_names((grade,)):
        try:
            found = limits(size, zone)
        except BadInput:
            continue
        assert found.upper_um - found.lower_um == pytest.approx(standard_tolerance_um(size, grade))


@pytest.mark.parametrize("letter", ["f", "g", "h"])
def test_holes_mirror_shafts_where_the_standard_says_so(letter):
    hole, shaft = limits(40, f"{letter.upper()}8"), limits(40, f"{letter}8")
    assert (hole.lower_um, hole.upper_um) == (-shaft.upper_um, -shaft.lower_um)


def test_a_step_holds_its_upper_limit():
    assert standard_tolerance_um(30, 6) == 13
    assert standard_tolerance_um(30.0001, 6) == 16


@pytest.mark.parametrize(
    ("size", "zone"),
    [(25, "q6"), (25, "H99"), (25, ""), (25, "7H"), (0, "H7"), (-3, "H7"), (501, "H7"), (25, "K9"), (25, "j9"),
     (20, "t6"), (25, "Hh7"), (25, "H7; DROP TABLE jobs"), (25, "H" * 500), (25, "ｈ６")],
)  # fmt: skip
def test_what_does_not_exist_is_refused_in_words(size, zone):
    with pytest.raises(BadInput) as refusal:
        limits(size, zone)
    assert refusal.value.field in ("zone", "size_mm")
