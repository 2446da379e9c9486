"""A legible mark beside readings: what leads, and whether the two are said to clash."""

import pytest

from ample.core.operations import ask
from tests.tables import published

ROWS = published("marks_and_readings.csv")


def asked(row):
    pairs = (each.split("=") for each in row["readings"].split())
    observations = [{"feature": name, "values": [value], "instrument": "caliper"} for name, value in pairs]
    return {"family": row["family"], "marking": row["mark"], "observations": observations, "limit": 5}


@pytest.mark.parametrize("row", ROWS, ids=[f"{row['mark']} {row['readings']}" for row in ROWS])
def test_mark_and_readings_are_held_against_each_other(row):
    found = ask("identify", asked(row))
    assert (found["clash"] is not None) == (row["clash"] == "yes"), row["basis"]
    if row["leads"]:
        assert found["candidates"][0]["designation"] == row["leads"], row["basis"]
    for each in found["candidates"]:
        assert each["probability"] < 0.9 or (each["misfit"]["sigmas"] or 0) <= 4


@pytest.mark.parametrize(
    ("mark", "readings", "said"),
    [
        ("6204 2RS", "bore=19.05", "6204 is the beginning of 6204-3/4: look for the rest of it on the part"),
        ("LM11949", "bore=19.05 assembled_width=15.5", "look for the rest of it on its cup"),
        ("6204 2RS", "bore=20.00", ""),
    ],
)
def test_where_a_name_goes_on_it_is_said(mark, readings, said):
    advice = " ".join(
        ask("identify", asked({"family": "bearing", "mark": mark, "readings": readings}))["advice"]
    )
    assert said in advice
    assert bool(advice) == bool(said)
