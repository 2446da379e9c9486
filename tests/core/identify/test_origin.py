"""Which list the O-rings of a machine come from: asked once, and learned from what was confirmed on the job."""

from pathlib import Path

import numpy as np
import pytest

from ample.core import contract, standards
from ample.core.errors import BadInput
from ample.core.identify import standard_catalogue
from ample.core.identify.origin import for_job, list_shares, lists_confirmed, of_job
from ample.core.operations.identify import identify_part
from ample.core.standards.ring_lists import RING_LISTS, ring_list, ring_origins
from ample.core.tables import read_table

RINGS = standard_catalogue("o_ring")
TABLE = read_table(Path(standards.__file__).with_name("seal_lists") / "ring_origins.csv").rows
LISTS = RING_LISTS


@pytest.mark.parametrize("row", TABLE, ids=lambda row: row["origin"])
def test_the_lists_of_an_origin_add_up_to_three(row):
    assert sum(float(row[name]) for name in LISTS) == pytest.approx(3.0)


@pytest.mark.parametrize("origin", list(ring_origins()))
def test_shares_add_up_and_a_confirmed_ring_speaks_for_its_list(origin):
    before, after = list_shares(origin), list_shares(origin, ["far_east"])
    assert sum(before.values()) == pytest.approx(1)
    assert after["far_east"] > before["far_east"]
    assert after["dash"] < before["dash"]


def test_every_listed_ring_is_of_a_list():
    assert {ring_list(entry.spec.series) for entry in RINGS.entries if entry.spec.kind == "o_ring"} == set(
        LISTS
    )


def test_the_catalogue_of_a_job_has_the_shares_of_its_lists():
    shares = list_shares("metric", ["common", "common"])
    weighed = of_job(RINGS, shares)
    assert weighed.entry_prior.sum() == pytest.approx(1)
    assert weighed.unit_prior.sum() == pytest.approx(1)
    lists = np.array([ring_list(e.spec.series) if e.spec.kind == "o_ring" else "" for e in RINGS.entries])
    rings = weighed.entry_prior[lists != ""].sum()
    for name, share in shares.items():
        assert weighed.entry_prior[lists == name].sum() / rings == pytest.approx(share)


def test_confirmed_rings_name_their_lists():
    assert lists_confirmed(RINGS, ["-214", "20x2.5", "24.7x3.5", "nothing"]) == ["dash", "common", "far_east"]


def asked(**more):
    """A ring of 24.8 by 3.5 read: -214 (24.99 x 3.53), 24.7 x 3.5 of the far-east list, or 25 x 3.5."""
    readings = [("inside", "24.80"), ("section_1", "3.50"), ("section_2", "3.48")]
    body = {
        "family": "o_ring",
        "kind": "o_ring",
        "observations": [{"feature": name, "values": [f"{text} mm"]} for name, text in readings],
        **more,
    }
    found = identify_part(contract.IdentifyRequest.model_validate(body))
    return {each.designation: each.probability for each in found.candidates}


def test_the_origin_of_the_machine_moves_neighbours_of_two_lists():
    unknown, inch, far_east = asked(), asked(origin="inch"), asked(origin="far_east")
    assert max(inch, key=inch.get) == "-214"
    assert max(far_east, key=far_east.get) == "24.7x3.5"
    assert inch["-214"] > unknown["-214"] > far_east.get("-214", 0.0)


def test_what_was_confirmed_on_the_job_teaches_it():
    learned = asked(confirmed=["29.7x3.5", "34.7x3.5", "24.4x3.1", "39.7x3.5", "44.7x3.5", "22.1x3.5"])
    assert learned["24.7x3.5"] > 2 * asked()["24.7x3.5"]


def test_an_unknown_origin_is_refused():
    with pytest.raises(BadInput, match="not a known origin"):
        asked(origin="moon")


def test_where_nothing_is_known_of_the_job_the_shop_stays_as_it_has_learned():
    assert for_job(RINGS, "unknown", []) is RINGS
    shop = of_job(RINGS, {"dash": 0.1, "common": 0.1, "older_metric": 0.1, "far_east": 0.6, "older_iso": 0.1})
    held = np.array([ring_list(e.spec.series) if e.spec.kind == "o_ring" else "" for e in shop.entries])
    after = for_job(shop, "unknown", ["-214"])
    rings = after.entry_prior[held != ""].sum()
    assert after.entry_prior[held == "far_east"].sum() / rings == pytest.approx((0.6 * 3) / 4)
    assert after.entry_prior[held == "dash"].sum() / rings == pytest.approx((0.1 * 3 + 1) / 4)


def test_the_lists_as_they_come_weigh_as_where_nobody_knows_the_machine():
    held = np.array([ring_list(e.spec.series) if e.spec.kind == "o_ring" else "" for e in RINGS.entries])
    rings = RINGS.entry_prior[held != ""].sum()
    for name, share in list_shares().items():
        assert RINGS.entry_prior[held == name].sum() / rings == pytest.approx(share, abs=0.01)
