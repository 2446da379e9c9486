import secrets
from typing import Any

import pytest

from tests.conftest import NOTHING_SAID

SHEET: dict[str, Any] = {
    "marking": "62?5 2R",
    "condition": "worn",
    "kind": "ball",
    "answers": {"rows": "1"},
    "observations": [
        {"feature": "bore", "instrument": "caliper 3", "readings": [{"typed": "24,99", "unit": "mm"}, {"typed": "0.984 in", "unit": "mm"}]},
        {"feature": "outside", "instrument": "caliper 3", "readings": [{"typed": "52.02", "unit": "mm"}]},
    ],
}  # fmt: skip


def audit(database, part_id):
    return database.run(
        lambda t: t.rows("SELECT action FROM audit WHERE subject = 'part' AND subject_id = %(id)s ORDER BY audit_id", {"id": part_id})
    )  # fmt: skip


def test_a_sheet_comes_back_as_it_was_typed(as_role, a_part):
    _, part = a_part()
    client = as_role("bench")
    saved = client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": SHEET})
    assert saved.status_code == 200
    again = client.get(f"/api/parts/{part}/bench").get_json()
    assert again["sheet"] == SHEET | NOTHING_SAID | {"family": "bearing"}
    assert again["version"] == 2


def test_what_was_read_comes_back_in_the_order_it_was_read(as_role, a_part):
    _, part = a_part()
    client = as_role("bench")
    bore, outside = SHEET["observations"]
    width = outside | {"feature": "width", "readings": [{"typed": "15.00", "unit": "mm"}] * 3}
    for order in ([width, bore, outside], [outside, width, bore]):
        version = client.get(f"/api/parts/{part}/bench").get_json()["version"]
        client.put(f"/api/parts/{part}/bench", {"version": version, "sheet": SHEET | {"observations": order}})
        assert client.get(f"/api/parts/{part}/bench").get_json()["sheet"]["observations"] == order


def test_readings_kept_by_an_earlier_version_are_still_those_of_their_feature(as_role, a_part, database):
    """It numbered the repeats of each feature from nought."""
    _, part = a_part()
    row = {"part_id": part, "unit": "mm", "value_mm": 25, "instrument": "caliper"}
    database.run(
        lambda t: t.change_many(
            """
            INSERT INTO readings (part_id, feature, position, typed, unit, value_mm, instrument)
            VALUES (%(part_id)s, %(feature)s, %(position)s, %(typed)s, %(unit)s, %(value_mm)s, %(instrument)s)
            """,
            [
                row | {"feature": name, "position": i, "typed": f"{name[0]}{i}"}
                for name in ("outside", "bore")
                for i in (1, 0)
            ],
        )
    )
    sheet = as_role("bench").get(f"/api/parts/{part}/bench").get_json()["sheet"]
    found = {each["feature"]: [one["typed"] for one in each["readings"]] for each in sheet["observations"]}
    assert found == {"bore": ["b0", "b1"], "outside": ["o0", "o1"]}


def test_the_second_saver_sees_what_changed_and_nothing_is_lost(as_role, a_part, database):
    _, part = a_part()
    first, second = as_role("bench"), as_role("counter")
    assert first.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": SHEET}).status_code == 200
    other = SHEET | {"marking": "6205"}
    refused = second.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": other})
    assert refused.status_code == 409
    error = refused.get_json()["error"]
    assert error["current"]["sheet"]["marking"] == "62?5 2R"
    assert (
        second.put(
            f"/api/parts/{part}/bench", {"version": error["current"]["version"], "sheet": other}
        ).status_code
        == 200
    )
    assert [row["action"] for row in audit(database, part)] == ["added", "bench", "bench"]


def test_doing_it_twice_is_doing_it_once(as_role, a_part, database):
    number, _ = a_part()
    client, key = as_role("bench"), secrets.token_hex(8)
    body = {"name": "Once only"}
    one = client.post(f"/api/jobs/{number}/parts", body, key)
    two = client.post(f"/api/jobs/{number}/parts", body, key)
    assert (one.status_code, one.get_json()) == (two.status_code, two.get_json())
    assert len(client.get(f"/api/jobs/{number}").get_json()["parts"]) == 2


def test_a_key_used_for_something_else_is_refused(as_role, a_part):
    number, _ = a_part()
    client, key = as_role("bench"), secrets.token_hex(8)
    client.post(f"/api/jobs/{number}/parts", {"name": "One"}, key)
    assert client.post(f"/api/jobs/{number}/parts", {"name": "Other"}, key).status_code == 422


def test_a_refused_write_can_be_tried_again_with_its_key(as_role, a_part):
    _, part = a_part()
    client, key = as_role("bench"), secrets.token_hex(8)
    assert client.put(f"/api/parts/{part}/bench", {"version": 9, "sheet": SHEET}, key).status_code == 409
    assert client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": SHEET}, key).status_code == 200


@pytest.mark.parametrize(
    ("typed", "place"),
    [("nonsense", "sheet.observations[0].readings[0].typed"), ("0", "sheet.observations[0].readings[0].typed"), ("-3", "sheet.observations[0].readings[0].typed")],
)  # fmt: skip
def test_a_reading_that_cannot_be_read_is_refused_at_its_field_and_nothing_stored(
    as_role, a_part, typed, place
):
    _, part = a_part()
    client = as_role("bench")
    sheet = {"observations": [{"feature": "bore", "instrument": "caliper", "readings": [{"typed": typed}]}]}
    refused = client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet})
    assert (refused.status_code, refused.get_json()["error"]["field"]) == (422, place)
    assert client.get(f"/api/parts/{part}/bench").get_json()["sheet"]["observations"] == []


def _identified(client, part, index_in_list=0):
    client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": SHEET})
    asked = {
        "observations": [
            {"feature": "bore", "values": ["24.99"]},
            {"feature": "outside", "values": ["52.02"]},
        ],
        "marking": "62?5 2R",
    }
    found = client.post("/api/bench/identify", asked).get_json()
    key = found["candidates"][0]["variants"][index_in_list]["key"]
    return client.post(f"/api/parts/{part}/identification", {"item_id": key, "version": 0})


def test_how_sure_it_is_comes_from_the_readings_kept(as_role, a_part):
    _, part = a_part()
    chosen = _identified(as_role("bench"), part).get_json()["identification"]
    assert chosen["item"]["designation"] == "6205"
    assert chosen["item"]["closure"] == "seal_two"
    assert chosen["probability"] > 0.95


def test_a_part_that_fits_nothing_read_is_kept_as_unlikely(as_role, a_part, database):
    _, part = a_part()
    client = as_role("bench")
    client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": SHEET})
    wrong = database.run(
        lambda t: t.single_value("SELECT MIN(item_id) FROM catalogue_items WHERE designation = '6310'")
    )
    asked = client.post(f"/api/parts/{part}/identification", {"item_id": wrong, "version": 0})
    assert (asked.status_code, asked.get_json()["error"]["code"]) == (409, "be_sure")
    assert "By the readings its chance is under 1 %" in asked.get_json()["error"]["message"]
    sure = {"item_id": wrong, "version": 0, "sure": True}
    chosen = client.post(f"/api/parts/{part}/identification", sure).get_json()
    assert chosen["identification"]["probability"] < 0.001


def test_two_who_choose_at_once_do_not_overwrite(as_role, a_part):
    _, part = a_part()
    assert _identified(as_role("bench"), part).status_code == 200
    again = _identified(as_role("counter"), part, 1)
    assert again.status_code == 409


def test_equivalents_by_rule_record_and_size(as_role, a_part):
    _, part = a_part()
    client = as_role("bench")
    _identified(client, part)
    match = client.get(f"/api/parts/{part}/match").get_json()
    markings = {each["item"]["marking"] for each in match["by_rule"]}
    assert {"6205-D2", "6205-GG", "6205-2N"} & markings
    assert all(each["interchange"]["verdict"] == "drop_in" for each in match["by_rule"])
    distances = [
        (bool(each["interchange"]["contradictions"]), each["interchange"]["distance"])
        for each in match["by_size"]
    ]
    assert distances == sorted(distances)
    assert {"needs_change"} <= {each["interchange"]["verdict"] for each in match["by_size"]}


def test_the_demo_has_a_record_of_what_was_fitted(as_role):
    match = as_role("bench").get("/api/parts/4/match").get_json()
    assert match["by_record"][0]["record"]["said_by"] == "Sorrel"


def test_the_counter_answers_markings_sizes_and_jobs(as_role):
    client = as_role("counter")
    ask = lambda text: client.get(f"/api/counter?text={text}").get_json()  # noqa: E731
    assert ask("62%3F5 2R")["readings"][0]["reading"]["designation"] == "6205"
    assert ask("25x52x15")["readings"][0]["reading"]["designation"] == "6205"
    assert ask("24.98 52.03")["by_size"]["candidates"][0]["designation"] == "6205"
    assert ask("0412")["jobs"][0]["title"] == "Weed-harvester drum"
    assert ask("6203-GG")["readings"][0]["reading"]["dialect"] == "Tarnfell"
    assert ask("%F0%9F%92%A9")["not_read"]
    assert "on no list here" in ask("split pin 4x40")["not_read"]
    assert ask("chain tensioner 6203")["readings"][0]["reading"]["designation"] == "6203"


# Asked in words, and what it then can be (common practice).
MIXED = [
    ("1 1/8 rod u-cup", "hydraulic_seal", {"rod": "1 1/8"}, "", {"inside_mm": 28.575}),
    ("62%3F5 25 bore", "bearing", {"bore": "25"}, "62?5", {"d_mm": 25.0}),
    (
        "oil seal 35 52",
        "lip_seal",
        {"shaft": "35", "housing_bore": "52"},
        "",
        {"shaft_mm": 35.0, "bore_mm": 52.0},
    ),
    ("o-ring 20 id", "o_ring", {"inside": "20"}, "", {}),
    ("key 10x8", "key", {"key_width": "10", "key_height": "8"}, "", {"width_mm": 10.0, "height_mm": 8.0}),
]


@pytest.mark.parametrize(("text", "family", "sizes", "marking", "dimensions"), MIXED)
def test_the_counter_reads_words_and_sizes_mixed(as_role, text, family, sizes, marking, dimensions):
    """What it understood stands in its answer: it goes to the Bench as evidence."""
    answer = as_role("counter").get(f"/api/counter?text={text}").get_json()
    asked = answer["asked"]
    assert (asked["family"], asked["marking"]) == (family, marking)
    assert {each["feature"]: each["typed"] for each in asked["sizes"]} == sizes
    first = answer["by_size"]["candidates"][0]
    assert {name: first["dimensions"][name] for name in dimensions} == pytest.approx(dimensions, abs=0.02)


@pytest.mark.parametrize("text", ["bearing 6205", "oil seal 35x52x7", "ring -214", "25x52x15"])
def test_what_names_a_part_whole_is_no_question_in_words(as_role, text):
    answer = as_role("counter").get(f"/api/counter?text={text}").get_json()
    assert answer["asked"] is None
    assert answer["readings"]


def test_the_zero_of_an_instrument_is_checked_for_today(as_role, find):
    assert not find("caliper 3").zero_checked
    client = as_role("bench")
    answer = client.post("/api/instruments/zero", {"name": "caliper 3"})
    assert answer.status_code == 200
    held = {each["name"]: each["zero_checked"] for each in answer.get_json()["instruments"]}
    assert held["caliper 3"] is True
    assert client.post("/api/instruments/zero", {"name": "caliper 9"}).status_code == 404


def test_an_overdue_instrument_widens_its_doubt(find):
    overdue, fresh = find("caliper 1"), find("caliper 3")
    assert overdue.outside_u_mm == pytest.approx(0.06)
    assert "overdue" in overdue.note
    assert fresh.note == ""
