"""Lip seals against cases written before the code; limits that fall or grow as they should."""

import re

import pytest

from ample.core.errors import BadInput
from ample.core.operations import ask
from ample.core.places.lip_seal import lip_limits
from tests.tables import published

CASES = published("lip_seals_judged.csv")


def request_of(row):
    pairs = re.findall(r"(\w+)=(\S+)", row["inputs"])
    return {name: text if name in ("material", "medium") else float(text) for name, text in pairs}


@pytest.mark.parametrize("row", CASES, ids=lambda row: row["inputs"])
def test_a_case_written_before_the_code(row):
    answer = ask("lip-seal", request_of(row))
    if row["speed_m_s"]:
        assert answer["speed_m_s"] == pytest.approx(float(row["speed_m_s"]), abs=1e-3)
    else:
        assert answer["speed_m_s"] is None
    assert {each["code"] for each in answer["findings"]} == set(row["codes"].split())
    assert answer["suitable"] is (row["suitable"] == "yes")
    assert answer["repair"] == row["repair"].split()


def test_pressure_and_run_out_fall_with_speed_and_eccentricity_grows_with_the_shaft():
    for limit, sign in (("pressure", -1), ("runout", -1), ("eccentricity", 1)):
        rows = lip_limits()[limit]
        assert [float(of) for of, _ in rows] == sorted(float(of) for of, _ in rows)
        values = [sign * value for _, value in rows]
        assert values == sorted(values)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"material": "cheese"}, "material"),
        ({"medium": "custard"}, "medium"),
        ({"shaft_mm": 0}, "shaft_mm"),
        ({"rpm": -1}, "rpm"),
        ({"bore_mm": 30}, "bore_mm"),
        ({"track_depth_mm": -0.1}, "track_depth_mm"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(change, field):
    with pytest.raises(BadInput) as refused:
        ask("lip-seal", {"shaft_mm": 35} | change)
    assert refused.value.field == field


def test_every_finding_has_words_and_a_repair():
    for row in CASES:
        for each in ask("lip-seal", request_of(row))["findings"]:
            assert each["words"].endswith(".")
            assert each["repair"].endswith(".")
