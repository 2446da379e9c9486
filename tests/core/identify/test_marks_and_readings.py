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
