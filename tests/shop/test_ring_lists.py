"""Where the machine was built: asked once of a job, known on every O-ring of it and on the unit's next job."""

import secrets

import pytest

INSIDE_24_8 = {
    "inside": "24.80",
    "section_1": "3.50",
    "section_2": "3.48",
}  # -214, 25x3.5, or 24.7x3.5 of the far east


def ring(**readings):
    return {
        "family": "o_ring",
        "kind": "round",
        "observations": [
            {"feature": name, "instrument": "caliper 3", "readings": [{"typed": typed, "unit": "mm"}]}
            for name, typed in readings.items()
        ],
    }


def bench(client, part):
    return client.get(f"/api/parts/{part}/bench").get_json()


def confirmed_as(client, part, readings, designation):
    held = bench(client, part)
    saved = client.put(f"/api/parts/{part}/bench", {"version": held["version"], "sheet": ring(**readings)})
    assert saved.status_code == 200, saved.get_json()
    asked = {"family": "o_ring", "kind": "round", "marking": designation, "observations": []}
    found = client.post("/api/bench/identify", asked).get_json()
    key = next(
        variant["key"]
        for each in found["candidates"]
        for variant in each["variants"]
        if variant["designation"] == designation
    )
    answer = client.post(f"/api/parts/{part}/identification", {"item_id": key, "version": 0, "sure": True})
    assert answer.status_code == 200, answer.get_json()
    return answer.get_json()["identification"]["probability"]


def beside(client, number):
    return client.post(f"/api/jobs/{number}/parts", {"name": "another ring", "family": "o_ring"}).get_json()[
        "part_id"
    ]


def say(client, number, built):
    return client.put(f"/api/jobs/{number}/built-in", {"built_in": built})


def test_it_is_said_once_and_known_at_every_part_and_at_take_in(as_role, a_part):
    number, part = a_part()
    client = as_role("bench")
    assert bench(client, part)["ring_lists"] == {
        "built_in": "",
        "known_from": "",
        "confirmed": [],
        "read": [],
    }
    said = say(client, number, "metric")
    assert said.status_code == 200
    assert said.get_json()["sheet"]["built_in"] == "metric"
    for each in (part, beside(client, number)):
        assert bench(client, each)["ring_lists"] == {
            "built_in": "metric",
            "known_from": "job",
            "confirmed": [],
            "read": [],
        }


def test_saying_it_changes_nothing_else_and_twice_is_once(as_role, a_part):
    number, _ = a_part()
    client = as_role("bench")
    before = client.get(f"/api/jobs/{number}/take-in").get_json()
    say(client, number, "inch")
    after = say(client, number, "inch").get_json()
    assert after["sheet"] == before["sheet"] | {"built_in": "inch"}
    assert after["version"] == before["version"] + 1
    assert say(client, number, "").get_json()["sheet"] == before["sheet"]


def test_what_is_no_origin_is_refused(as_role, a_part):
    number, _ = a_part()
    assert say(as_role("bench"), number, "moon").status_code == 422


def test_a_ring_is_ranked_by_it_and_what_was_confirmed_is_judged_again(as_role, a_part):
    number, part = a_part()
    client = as_role("bench")
    unknown = confirmed_as(client, part, INSIDE_24_8, "-214")
    say(client, number, "inch")
    inch = bench(client, part)["identification"]["probability"]
    say(client, number, "far_east")
    far_east = bench(client, part)["identification"]["probability"]
    assert inch > unknown > far_east


@pytest.mark.parametrize("same_unit", [True, False])
def test_the_next_job_of_the_unit_knows_it_with_the_rings_confirmed(as_role, a_part, same_unit):
    first, part = a_part()
    client = as_role("bench")
    serial = secrets.token_hex(4)
    say(client, first, "far_east")
    confirmed_as(client, part, INSIDE_24_8, "24.7x3.5")
    number, other = a_part()
    for each in (first, number) if same_unit else (first,):
        held = client.get(f"/api/jobs/{each}/take-in").get_json()
        body = {"version": held["version"], "sheet": held["sheet"] | {"serial": serial}}
        assert client.put(f"/api/jobs/{each}/take-in", body).status_code == 200
        if each == first:
            client.put(f"/api/jobs/{first}/unit", {"unit_id": None})
    read = [
        {
            "feature": name,
            "values": [f"{typed} mm"],
            "unit": "mm",
            "instrument": "caliper 3",
            "condition": None,
        }
        for name, typed in INSIDE_24_8.items()
    ]
    wanted = {
        "built_in": "far_east",
        "known_from": "unit",
        "confirmed": ["24.7x3.5"],
        "read": [{"designation": "24.7x3.5", "observations": read}],
    }
    nothing = {"built_in": "", "known_from": "", "confirmed": [], "read": []}
    assert bench(client, other)["ring_lists"] == (wanted if same_unit else nothing)
    say(client, number, "metric")
    assert bench(client, other)["ring_lists"]["built_in"] == "metric"
    assert bench(client, part)["ring_lists"] == {
        "built_in": "far_east",
        "known_from": "job",
        "confirmed": [],
        "read": [],
    }


def test_the_sheet_that_is_kept_is_judged_by_it_too(as_role, a_part):
    """The register's judgement of a Bench sheet knows the job, as the Bench does."""
    number, part = a_part()
    client = as_role("bench")
    client.put(
        f"/api/parts/{part}/bench", {"version": bench(client, part)["version"], "sheet": ring(**INSIDE_24_8)}
    )

    def likeliest():
        found = client.get(f"/api/parts/{part}/sheets/bench").get_json()["judged"]["found"]
        return found["candidates"][0]["designation"]

    say(client, number, "far_east")
    assert likeliest() == "24.7x3.5"
    say(client, number, "inch")
    assert likeliest() == "-214"


def test_how_hard_a_machine_was_used_is_learned_from_its_rings(as_role, a_part):
    """Rings far from their sizes were confirmed: the next of the job may lie farther from its own, and it is said why."""
    number, part = a_part()
    client = as_role("bench")
    much = {"inside": "26.60", "section_1": "4.05", "section_2": "2.86"}
    for each in (part, *(beside(client, number) for _ in range(3))):
        confirmed_as(client, each, much, "-214")
    asked = {
        "family": "o_ring",
        "observations": [
            {"feature": "inside", "values": ["48.0"]},
            {"feature": "section_1", "values": ["3.6"]},
        ],
    }
    lists = bench(client, beside(client, number))["ring_lists"]
    assert len(lists["read"]) == 4
    plain = client.post("/api/bench/identify", asked).get_json()
    known = client.post("/api/bench/identify", asked | {"read_before": lists["read"]}).get_json()
    assert known["entropy_bits"] > plain["entropy_bits"]
    assert [each for each in known["advice"] if each.startswith("The 4 rings confirmed")]
    assert not [each for each in plain["advice"] if "rings confirmed" in each]
