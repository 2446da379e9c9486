"""How tight a screw is made, against charts of the trade."""

import pytest

from ample.core.assembly.fasteners import thread_of, tightening, torque_nm
from ample.core.errors import BadInput
from tests.tables import published

CHARTS_AGREE = 0.11


@pytest.mark.parametrize(
    "row", published("tightening.csv"), ids=lambda row: f"{row['thread']}-{row['grade']}-{row['state']}"
)
def test_torques_are_those_of_the_charts(row):
    grade = next(each for each in tightening(row["thread"]).grades if each.grade == row["grade"])
    found = grade.dry_nm if row["state"] == "dry" else grade.oiled_nm
    assert found == pytest.approx(torque_nm(float(row["torque"]), row["unit"]), rel=CHARTS_AGREE)


@pytest.mark.parametrize(
    ("text", "words", "turns"),
    [
        ("m10", "M10", None),
        ("M10x1.25", "M10 × 1.25", None),
        (" M12 x 1,75 ", "M12", None),
        ("1/2-13 UNC", "1/2 in - 13", 13),
        ("#10-32", "#10 - 32", 32),
        ("1 1/8-7", "1 1/8 in - 7", 7),
    ],
)
def test_a_thread_is_read_as_it_is_written(text, words, turns):
    read = thread_of(text)
    assert read.words == words
    assert read.turns_per_inch == turns


@pytest.mark.parametrize("text", ["", "G 1/2", "1/2 NPT", "Tr 20x4", "M10x6", "R 3/4", "10"])
def test_what_is_no_screw_thread_is_refused(text):
    with pytest.raises(BadInput) as refused:
        tightening(text)
    assert refused.value.field == "thread"


def test_what_is_recommended_is_three_quarters_of_what_it_bears_and_less_with_oil():
    for grade in tightening("M20x1.5").grades:
        assert grade.dry_nm == pytest.approx(0.75 * grade.most_nm)
        assert grade.oiled_nm < grade.dry_nm
        assert grade.preload_n < grade.proof_load_n
