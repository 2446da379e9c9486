"""The bench's records for seals, rings and small parts: kept, told, matched, ordered, as a bearing is."""

import pytest

from ample.core.parts import SEALS
from tests.conftest import NOTHING_SAID

# Of each family what is read, the kind pointed at, and what it is (ISO 6194-1, AS568, ISO 5597, EN 12756 practice, DIN 471, DIN 7603, DIN 6885).
TOLD = {
    "lip_seal": ("rubber_dust", {"shaft": "35.0", "outside": "52.25", "width": "7.0"}, "35x52x7"),
    "o_ring": ("round", {"inside": "37.7", "section_1": "3.53", "section_2": "3.52"}, "-222"),
    "hydraulic_seal": ("u_cup", {"rod": "39.97", "section": "5.05", "height": "8.0"}, "40x50x8"),
    "face_seal": ("bellows", {"shaft": "15.87", "seat_outside": "31.7"}, "5/8 in x 22.225"),
    "retaining_ring": ("shaft_ring", {"groove_diameter": "28.6", "thickness": "1.47"}, "DIN 471 - 30x1.5"),
    "washer": ("copper", {"inside": "14.1", "outside": "17.9", "thickness": "1.45"}, "DIN 7603 - 14x18x1.5"),
    "key": ("key_round", {"key_width": "7.98", "key_height": "6.97", "key_length": "32"}, "DIN 6885 - A 8x7x32"),
}  # fmt: skip


def sheet_of(family):
    kind, sizes, _ = TOLD[family]
    return {
        "family": family,
        "marking": "",
        "condition": "worn",
        "kind": kind,
        "answers": {},
        "observations": [
            {"feature": name, "instrument": "caliper 3", "readings": [{"typed": typed, "unit": "mm"}]}
            for name, typed in sizes.items()
        ],
    }


def by_feature(sheet):
    """A sheet with its readings in one order: that of the features is not kept."""
    return sheet | {"observations": sorted(sheet["observations"], key=lambda each: each["feature"])}


def asked_of(family):
    kind, sizes, _ = TOLD[family]
    read = [{"feature": name, "values": [typed]} for name, typed in sizes.items()]
    return {"family": family, "kind": kind, "observations": read}


def told(client, part, family):
    """Keep the readings and say that the likeliest is it."""
    saved = client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet_of(family)})
    assert saved.status_code == 200, saved.get_json()
    found = client.post("/api/bench/identify", asked_of(family)).get_json()
    key = found["candidates"][0]["variants"][0]["key"]
    return client.post(f"/api/parts/{part}/identification", {"item_id": key, "version": 0})


def test_every_family_of_seals_is_told_here():
    assert set(TOLD) == set(SEALS)


@pytest.mark.parametrize("family", list(TOLD))
def test_a_sheet_of_every_family_comes_back_as_it_was_typed(as_role, a_part, family):
    _, part = a_part()
    client, sheet = as_role("bench"), sheet_of(family)
    assert client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet}).status_code == 200
    assert by_feature(client.get(f"/api/parts/{part}/bench").get_json()["sheet"]) == by_feature(
        sheet | NOTHING_SAID
    )


@pytest.mark.parametrize("family", list(TOLD))
def test_what_is_told_is_kept_with_how_sure_it_is(as_role, a_part, family):
    _, part = a_part()
    answer = told(as_role("bench"), part, family)
    assert answer.status_code == 200, answer.get_json()
    chosen = answer.get_json()["identification"]
    assert chosen["item"]["designation"] == TOLD[family][2]
    assert chosen["item"]["family"] == family
    assert chosen["probability"] > 0.4


@pytest.mark.parametrize("family", list(TOLD))
def test_what_replaces_it_is_of_its_family_and_the_nearest_stands_first(as_role, a_part, family):
    _, part = a_part()
    client = as_role("bench")
    told(client, part, family)
    match = client.get(f"/api/parts/{part}/match").get_json()
    offered = [*match["by_rule"], *match["by_record"], *match["by_size"]]
    assert offered
    assert {each["item"]["family"] for each in offered} == {family}
    distances = [each["interchange"]["distance"] for each in match["by_size"]]
    assert distances == sorted(distances)


def test_a_feature_of_another_family_is_refused_and_the_sheet_stays(as_role, a_part):
    _, part = a_part()
    client, sheet = as_role("bench"), sheet_of("o_ring")
    assert client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet}).status_code == 200
    wrong = sheet | {"family": "key"}
    refused = client.put(f"/api/parts/{part}/bench", {"version": 2, "sheet": wrong})
    assert refused.status_code == 422
    assert client.get(f"/api/parts/{part}/bench").get_json()["sheet"] == sheet | NOTHING_SAID


@pytest.mark.parametrize(("field", "value"), [("kind", "hexagon"), ("family", "bolt")])
def test_a_kind_or_family_that_does_not_exist_is_refused(as_role, a_part, field, value):
    _, part = a_part()
    sheet = sheet_of("o_ring") | {field: value}
    refused = as_role("bench").put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet})
    assert refused.status_code == 422
    assert refused.get_json()["error"]["message"]


def test_the_family_can_be_changed_while_nothing_is_read_of_the_old_one(as_role, a_part):
    _, part = a_part(family="lip_seal")
    client = as_role("bench")
    assert client.get(f"/api/parts/{part}/bench").get_json()["part"]["family"] == "lip_seal"
    sheet = sheet_of("o_ring")
    assert client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet}).status_code == 200
    assert client.get(f"/api/parts/{part}/bench").get_json()["sheet"]["family"] == "o_ring"


def test_a_reading_in_inches_tells_the_same_ring(as_role):
    client = as_role("bench")
    inches = {"inside": "1.484 in", "section_1": "0.139 in", "section_2": "9/64"}
    asked = asked_of("o_ring") | {
        "observations": [{"feature": name, "values": [typed]} for name, typed in inches.items()]
    }
    found = client.post("/api/bench/identify", asked).get_json()
    assert found["candidates"][0]["designation"] == "-222"


def test_the_trades_name_of_a_ring_is_never_ordered_as_its_size(as_role):
    """Common practice: a "1/8 × 1 1/2" ring is 0.139 × 1.484 in, -222."""
    found = as_role("bench").post("/api/bench/identify", asked_of("o_ring")).get_json()
    assert any("its section is 0.139 in" in words for words in found["advice"])
    assert found["candidates"][0]["variants"][0]["marking"].startswith("-222")


@pytest.mark.parametrize(
    ("text", "family", "designation"),
    [
        ("TC 35x52x7 NBR", "lip_seal", "35x52x7"),
        ("AS568-214 N70", "o_ring", "-214"),
        ("DIN 471 30x1.5", "retaining_ring", "DIN 471 - 30x1.5"),
        ("Passfeder 8x7x32", "key", "DIN 6885 - A 8x7x32"),
    ],
)
def test_the_counter_knows_them_by_their_markings(as_role, text, family, designation):
    first = as_role("counter").get(f"/api/counter?text={text}").get_json()["readings"][0]["reading"]
    assert (first["family"], first["designation"]) == (family, designation)


def test_a_part_goes_from_bench_to_order(as_role, a_part):
    number, part = a_part(family="o_ring")
    client = as_role("bench")
    told(client, part, "o_ring")
    chosen = client.get(f"/api/parts/{part}/match").get_json()["chosen"]
    assert chosen["designation"] == "-222"
    version = client.get(f"/api/parts/{part}/match").get_json().get("version", 0)
    kept = client.post(f"/api/parts/{part}/match", {"item_id": chosen["item_id"], "version": version})
    assert kept.status_code == 200, kept.get_json()
    state = client.get(f"/api/jobs/{number}").get_json()
    assert state["parts"][0]["waits_for"] != "measure"
