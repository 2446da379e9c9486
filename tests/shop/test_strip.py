"""Take in, line, photos and job files against a real MariaDB."""

import io
import json
import secrets
from pathlib import Path

import pytest
from PIL import Image

from ample.shop.jobfile.records import JobFile
from ample.shop.photos.pictures import MOST_BYTES, keep_picture, take_in_picture

LINES = [{"key": "main", "name": "worm shaft", "inside": "oil"}]


@pytest.fixture
def a_job(as_role):
    def make(**more):
        client = as_role("bench")
        body = {"title": f"Test unit {secrets.token_hex(3)}", **more}
        return client, client.post("/api/jobs", body).get_json()["number"]

    return make


def part(key, kind, **more):
    return {"key": key, "line": "main", "kind": kind, **more}


def put_line(client, number, parts, version=0, **more):
    sheet = {"lines": LINES, "parts": parts, **more}
    return client.put(f"/api/jobs/{number}/line", {"version": version, "sheet": sheet})


def code(answer):
    return answer.status_code, answer.get_json()["error"]["code"]


# take in -----------------------------------------------------------------------------------


def test_a_unit_brings_its_usual_energies_and_cautions(a_job):
    client, number = a_job(unit="cylinder", lie_open_days=5)
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()
    assert taken["sheet"]["energies"] == ["pressure", "raised_load"]
    assert {"isolate", "pressure", "depends"} <= {each["caution"] for each in taken["cautions"]}
    sheet = taken["sheet"] | {"duties": ["gate"]}
    saved = client.put(
        f"/api/jobs/{number}/take-in", {"version": taken["version"], "sheet": sheet}
    ).get_json()
    found = {each["caution"] for each in saved["cautions"]}
    assert "over_water" in found
    assert "depends" not in found


def test_spares_that_are_typed_are_looked_up_in_stock_and_lead_time(a_job):
    client, number = a_job(lie_open_days=14)
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()
    spares = [{"name": "6205", "quantity": 2}, {"name": "no such thing", "quantity": 1}]
    sheet = taken["sheet"] | {"spares": spares, "units_alike": 2}
    saved = client.put(
        f"/api/jobs/{number}/take-in", {"version": taken["version"], "sheet": sheet}
    ).get_json()
    assert saved["sheet"]["spares"] == spares
    known = {each["name"]: each for each in saved["spares"]}
    assert (known["6205"]["quantity"], known["6205"]["known_from"]) == (4, "typed here")
    assert known["6205"]["state"] in ("on_shelf", "in_time")
    assert known["no such thing"]["state"] == "not_known"


def test_an_unknown_unit_or_sign_is_refused_and_nothing_changes(a_job):
    client, number = a_job()
    assert code(client.post("/api/jobs", {"title": "Odd unit", "unit": "spaceship"})) == (422, "no_such_unit")
    before = client.get(f"/api/jobs/{number}/take-in").get_json()
    sheet = before["sheet"] | {"signs": ["no_such_sign"], "owner": "lost?"}
    answer = client.put(f"/api/jobs/{number}/take-in", {"version": before["version"], "sheet": sheet})
    assert code(answer) == (422, "no_such_sign")
    assert answer.get_json()["error"]["field"] == "sheet.signs"
    assert client.get(f"/api/jobs/{number}/take-in").get_json()["sheet"] == before["sheet"]


def test_the_second_saver_gets_what_the_first_saved(a_job, as_role):
    client, number = a_job()
    held = client.get(f"/api/jobs/{number}/take-in").get_json()
    body = {"version": held["version"], "sheet": held["sheet"] | {"owner": "Marl Basin"}}
    assert client.put(f"/api/jobs/{number}/take-in", body).status_code == 200
    late = as_role("counter").put(f"/api/jobs/{number}/take-in", body)
    assert code(late) == (409, "changed_meanwhile")
    assert late.get_json()["error"]["current"]["sheet"]["owner"] == "Marl Basin"


def test_a_caution_is_acknowledged_once_by_the_first_who_read_it(a_job, as_role):
    client, number = a_job(unit="winch")
    client.post(f"/api/jobs/{number}/cautions/isolate")
    again = as_role("counter").post(f"/api/jobs/{number}/cautions/isolate").get_json()
    assert [each["person"] for each in again["acknowledged"]] == ["Wren"]
    assert code(client.post(f"/api/jobs/{number}/cautions/refrigerant")) == (422, "no_such_caution")


def test_what_is_planned_dangerously_is_refused_in_words_and_kept_as_text(a_job):
    client, number = a_job()
    held = client.get(f"/api/jobs/{number}/take-in").get_json()
    sheet = held["sheet"] | {"planned": "Wash it out with petrol."}
    saved = client.put(f"/api/jobs/{number}/take-in", {"version": held["version"], "sheet": sheet}).get_json()
    assert [each["practice"] for each in saved["refused"]] == ["wash_petrol"]
    assert saved["sheet"]["planned"] == "Wash it out with petrol."


def test_evidence_on_the_line_moves_the_causes(a_job):
    client, number = a_job()
    put_line(client, number, [part("ring", "o_ring", findings={"state": "cut"})])
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()
    assert taken["found_on_line"] == ["ring_cut"]
    assert taken["causes"]["causes"][0]["cause"] == "lip_hurt_on_fitting"


def test_builds_and_spares_of_a_known_model(a_job):
    client, number = a_job(model="PW 12 paddle winch", unit="winch", lie_open_days=5)
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()
    assert [each["build"] for each in taken["model"]["builds"]] == ["A", "B"]
    states = {each["name"]: each["state"] for each in taken["spares"]}
    assert states["taper bearing 25 x 52 x 16.25"] == "too_late"
    assert states["cover gasket"] == "not_known"


def a_model(name, **more):
    builds = [
        {"build": "old", "answer": "one lip", "picture": "one_lip"},
        {"build": "new", "answer": "two lips", "picture": "two_lips"},
    ]
    return {"name": name, "unit": "pump", "question": "How many lips has the seal?", "builds": builds, **more}


def test_how_builds_are_told_apart_is_kept_and_asked_at_the_next_job(a_job):
    client, _ = a_job()
    name = f"FP {secrets.token_hex(3)}"
    spare = {"name": "face seal 5/8 in", "quantity": 1, "build": "new", "lead_days": 30}
    assert client.post("/api/unit-models", a_model(name, spares=[spare])).status_code == 201
    assert code(client.post("/api/unit-models", a_model(name))) == (409, "known_already")
    number = client.post("/api/jobs", {"title": "Fire pump", "model": name, "lie_open_days": 3}).get_json()[
        "number"
    ]
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()
    assert taken["model"]["question"] == "How many lips has the seal?"
    assert [(each["name"], each["state"]) for each in taken["spares"]] == [("face seal 5/8 in", "too_late")]


@pytest.mark.parametrize(
    "spoil",
    [{"builds": []}, {"question": ""}, {"unit": "spaceship"}, {"builds": [a_model("x")["builds"][0]] * 2}],
)
def test_a_model_that_tells_nothing_apart_is_refused(a_job, spoil):
    client, _ = a_job()
    assert client.post("/api/unit-models", a_model(f"X {secrets.token_hex(3)}", **spoil)).status_code == 422


@pytest.mark.parametrize("again", ["long", "LONG", "Löng", "Lo\x01ng"])
def test_builds_that_only_capitals_or_accents_tell_apart_are_refused(a_job, again):
    client, _ = a_job()
    name = f"X {secrets.token_hex(3)}"
    builds = [{"build": build, "answer": build, "picture": "one_lip"} for build in ("Long", again)]
    refused = client.post("/api/unit-models", a_model(name, builds=builds))
    assert refused.status_code == 422
    error = refused.get_json()["error"]
    assert (error["code"], error["field"]) == ("build_twice", "builds[1].build")
    assert client.post("/api/unit-models", a_model(name)).status_code == 201, "nothing of it was kept"


def test_what_an_earlier_job_renewed_is_looked_for_first(a_job):
    model = f"GB {secrets.token_hex(3)}"
    client, number = a_job(model=model)
    sizes = {"inside": {"typed": "28"}, "outside": {"typed": "52"}, "width": {"typed": "7"}}
    put_line(client, number, [part("seal", "lip_seal", **sizes), part("step", "shaft")])
    later = client.post("/api/jobs", {"title": "Same gearbox", "model": model}).get_json()["number"]
    spares = client.get(f"/api/jobs/{later}/take-in").get_json()["spares"]
    assert [(each["name"], each["known_from"]) for each in spares] == [
        ("lip seal 28 x 52 x 7", f"job {number}")
    ]


# the line ----------------------------------------------------------------------------------


def test_sizes_are_read_as_people_write_them_and_unread_text_is_kept(a_job):
    client, number = a_job()
    sizes = {"inside": {"typed": "1 1/8", "unit": "in"}, "width": {"typed": "seven", "unit": "mm", "mm": 7}}
    assert put_line(client, number, [part("seal", "lip_seal", **sizes)]).status_code == 200
    kept = client.get(f"/api/jobs/{number}/line").get_json()["sheet"]["parts"][0]
    assert kept["inside"]["mm"] == pytest.approx(28.575)
    assert (kept["width"]["typed"], kept["width"]["mm"]) == ("seven", None)


@pytest.mark.parametrize(
    ("bad", "field"),
    [
        (part("ball", "teapot"), "sheet.parts[1].kind"),
        (part("ball", "ball_bearing", findings={"feel": "purple"}), "sheet.parts[1].findings.feel"),
        (part("ball", "ball_bearing", line="gone"), "sheet"),
        (part("seal", "ball_bearing"), "sheet"),
        (part("ball", "ball_bearing", quantity=-1), "sheet.parts[1].quantity"),
    ],
)
def test_bad_parts_are_refused_at_their_place_and_nothing_is_lost(a_job, bad, field):
    client, number = a_job()
    put_line(client, number, [part("seal", "lip_seal")])
    answer = put_line(client, number, [part("seal", "lip_seal"), bad], version=1)
    assert (answer.status_code, answer.get_json()["error"]["field"]) == (422, field)
    held = client.get(f"/api/jobs/{number}/line").get_json()
    assert (held["version"], [each["key"] for each in held["sheet"]["parts"]]) == (1, ["seal"])


def test_a_line_from_an_older_version_is_refused_with_the_newer_beside_it(a_job):
    client, number = a_job()
    put_line(client, number, [part("seal", "lip_seal")])
    answer = put_line(client, number, [part("ball", "ball_bearing")])
    assert code(answer) == (409, "changed_meanwhile")
    assert answer.get_json()["error"]["current"]["sheet"]["parts"][0]["key"] == "seal"


def test_a_doubtful_part_is_decided_by_a_second_person_only(a_job, as_role):
    client, number = a_job()
    held = client.get(f"/api/jobs/{number}/take-in").get_json()
    client.put(
        f"/api/jobs/{number}/take-in",
        {"version": held["version"], "sheet": held["sheet"] | {"access": "costly"}},
    )
    doubtful = part("ball", "ball_bearing", findings={"feel": "smooth", "tracks": "not_seen"})
    put_line(client, number, [doubtful])
    path = f"/api/jobs/{number}/line/ball/decision"
    said = {"findings": doubtful["findings"], "verdict": "replace", "reason": "costly to reach"}
    assert code(client.post(path, said)) == (403, "same_person")
    second = as_role("owner").post(path, said).get_json()
    assert [(each["person"], each["verdict"], each["stands"]) for each in second["decisions"]] == [
        ("Marl", "replace", True)
    ]
    state = client.get(f"/api/jobs/{number}").get_json()
    assert (state["line"]["ask"], state["line"]["to_bench"]) == (0, 1)
    put_line(client, number, [doubtful | {"findings": {"feel": "lumpy"}}], version=1)
    assert client.get(f"/api/jobs/{number}/line").get_json()["decisions"][0]["stands"] is False


def test_nobody_decides_what_nobody_looked_at(a_job, as_role):
    client, number = a_job()
    put_line(client, number, [part("ball", "ball_bearing")])
    said = {"findings": {}, "verdict": "reuse", "reason": "looks all right"}
    answer = as_role("owner").post(f"/api/jobs/{number}/line/ball/decision", said)
    assert code(answer) == (422, "not_judged")


def test_a_part_goes_to_the_bench_with_what_is_known_and_only_once(a_job):
    client, number = a_job()
    parts = [
        part("step", "shaft", outside={"typed": "25.01"}),
        part("ball", "ball_bearing", inside={"typed": "25"}, marking="6?05", findings={"feel": "lumpy"}),
    ]
    put_line(client, number, parts)
    sent = client.post(f"/api/jobs/{number}/line/ball/bench").get_json()
    assert client.post(f"/api/jobs/{number}/line/ball/bench").get_json() == sent
    bench = client.get(f"/api/parts/{sent['part_id']}/bench").get_json()
    assert "place 2 of 2" in bench["part"]["surroundings"]
    assert {each["feature"] for each in bench["sheet"]["observations"]} == {"bore", "shaft_seat"}
    assert code(client.post(f"/api/jobs/{number}/line/step/bench")) == (422, "not_bought_by_size")


def test_which_build_it_is_must_be_said_before_anything_is_chosen(a_job):
    client, number = a_job(model="SC 50 sluice cylinder", unit="cylinder")
    put_line(client, number, [part("seal", "rod_seal")])
    refused = client.post(f"/api/jobs/{number}/line/seal/bench")
    assert code(refused) == (422, "build_not_said")
    assert "square or round" in refused.get_json()["error"]["message"]
    held = client.get(f"/api/jobs/{number}/take-in").get_json()
    client.put(
        f"/api/jobs/{number}/take-in", {"version": held["version"], "sheet": held["sheet"] | {"build": "2"}}
    )
    assert client.post(f"/api/jobs/{number}/line/seal/bench").status_code == 200


def test_the_seat_is_evidence_for_the_bearing(as_role):
    client = as_role("bench")
    asked = {
        "observations": [
            {"feature": "shaft_seat", "values": [25.01]},
            {"feature": "outside", "values": [51.99]},
        ]
    }
    best = client.post("/api/bench/identify", asked).get_json()["candidates"][0]
    assert (best["dimensions"]["d_mm"], best["dimensions"]["D_mm"]) == (25, 52)


def test_a_seal_is_not_said_to_be_a_bearing(a_job):
    client, number = a_job()
    put_line(client, number, [part("seal", "lip_seal", inside={"typed": "28"})])
    sent = client.post(f"/api/jobs/{number}/line/seal/bench").get_json()
    answer = client.post(f"/api/parts/{sent['part_id']}/identification", {"item_id": 1, "version": 0})
    assert code(answer) == (422, "other_family")


def on_the_line(client, number, parts, key, marking, family):
    """A job whose line has a part that is identified by its marking; its row, and what its step of fit-up says."""
    for each in client.get(f"/api/jobs/{number}/take-in").get_json()["cautions"]:
        client.post(f"/api/jobs/{number}/cautions/{each['caution']}")
    assert put_line(client, number, parts).status_code == 200
    part_id = client.post(f"/api/jobs/{number}/line/{key}/bench").get_json()["part_id"]
    bench = client.get(f"/api/parts/{part_id}/bench").get_json()
    body = {"version": bench["version"], "sheet": bench["sheet"] | {"marking": marking}}
    assert client.put(f"/api/parts/{part_id}/bench", body).status_code == 200
    found = client.post("/api/bench/identify", {"family": family, "marking": marking}).get_json()
    body = {"item_id": found["candidates"][0]["variants"][0]["key"], "version": 0, "sure": True}
    assert client.post(f"/api/parts/{part_id}/identification", body).status_code == 200

    def step():
        plan = client.get(f"/api/jobs/{number}/sheets/fit_up").get_json()["judged"]
        return next(each for each in plan["steps"] if each["key"] == f"fit.{key}")

    return part_id, step


def test_what_the_place_of_a_seal_says_of_the_way_in_arrives_at_fit_up(a_job):
    """Known on Seats, it is told at the step that pushes the lip over it."""
    client, number = a_job()
    parts = [part("axle", "shaft"), part("seal", "lip_seal"), part("nut1", "nut")]
    part_id, step = on_the_line(client, number, parts, "seal", "30x47x7 TC", "lip_seal")
    assert "spline" not in step()["words"]
    place = {"version": 0, "sheet": {"way_in": ["chamfer", "spline"]}}
    assert client.put(f"/api/parts/{part_id}/sheets/place", place).status_code == 200
    assert "a spline" in step()["words"]


def test_what_fitting_takes_from_a_set_bearing_arrives_at_fit_up(a_job):
    """Worked out on Seats, it is minded at the step that fits the bearing."""
    client, number = a_job()
    parts = [part("axle", "shaft"), part("cone", "taper_cone")]
    part_id, step = on_the_line(client, number, parts, "cone", "30206", "bearing")
    assert "play_taken" not in [each["code"] for each in step()["cautions"]]
    sheet = client.get(f"/api/parts/{part_id}/sheets/seats").get_json()["sheet"]
    sheet["shaft"] |= {"planes": [["30.0100", "30.0110"], ["30.0110", "30.0105"], ["30.0100", "30.0105"]]}
    saved = client.put(f"/api/parts/{part_id}/sheets/seats", {"version": 0, "sheet": sheet})
    assert saved.status_code == 200, saved.get_json()
    usual = saved.get_json()["judged"]["setting"]["taken_usual"]
    words = next(each["words"] for each in step()["cautions"] if each["code"] == "play_taken")
    assert f"{usual['min']:.0f} to {usual['max']:.0f} µm" in words


def test_what_a_seal_stands_in_and_how_many_go_with_it_to_the_bench(a_job):
    client, number = a_job()
    put_line(client, number, [part("seal", "lip_seal", quantity=2, right={"mark": "lip", "looks_at": "oil"})])
    sent = client.post(f"/api/jobs/{number}/line/seal/bench").get_json()
    bench = client.get(f"/api/parts/{sent['part_id']}/bench").get_json()
    assert bench["sheet"]["medium"] == "mineral_oil"
    assert (bench["place"]["needed"], bench["place"]["line"]) == (2, "worm shaft")


def test_changing_the_cost_of_coming_back_judges_again(a_job):
    client, number = a_job()
    put_line(
        client,
        number,
        [part("seal", "lip_seal", keep="if_good", findings={"lip": "sharp", "out": "in_place"})],
    )
    assert client.get(f"/api/jobs/{number}").get_json()["line"]["ask"] == 0
    held = client.get(f"/api/jobs/{number}/take-in").get_json()
    client.put(
        f"/api/jobs/{number}/take-in",
        {"version": held["version"], "sheet": held["sheet"] | {"access": "costly"}},
    )
    assert client.get(f"/api/jobs/{number}").get_json()["line"]["ask"] == 1


def test_the_longest_line_with_all_that_can_be_said_is_kept(a_job):
    client, number = a_job()
    held = {"drive": "x" * 40, "also_holds": "y" * 80, "torque_source": "z" * 80, "thread": "M8"}
    full: dict[str, object] = {"name": "n" * 80, "note": "o" * 200, "marking": "m" * 60, "fastener": held}
    full["settings"] = [{"key": f"set{n}", "first": "1" * 40, "second": "1" * 40} for n in range(3)]
    parts = [part(f"part{n:03d}", "screw", **full) for n in range(400)]
    assert len(json.dumps(parts)) > 250_000
    assert put_line(client, number, parts).status_code == 200
    sheet = client.get(f"/api/jobs/{number}/line").get_json()["sheet"]
    assert len(json.dumps(sheet)) > 512 * 1024
    assert client.put(f"/api/jobs/{number}/line", {"version": 1, "sheet": sheet}).status_code == 200
    assert client.post("/api/calc/line-check", {"sheet": sheet}).status_code == 200
    too_many = [*parts, part("onemore", "screw")]
    assert put_line(client, number, too_many, version=2).status_code == 422


def test_the_audit_holds_only_what_changed(a_job, database):
    client, number = a_job()
    put_line(client, number, [part("seal", "lip_seal"), part("ball", "ball_bearing")])
    put_line(
        client, number, [part("seal", "lip_seal", note="nicked"), part("ball", "ball_bearing")], version=1
    )
    row = database.run(
        lambda t: t.first("SELECT after_json FROM audit WHERE action = 'line' ORDER BY audit_id DESC LIMIT 1")
    )
    assert list(json.loads(row["after_json"])["parts"]) == ["seal"]


# photos ------------------------------------------------------------------------------------


def jpeg(size=(1200, 800), **more):
    out = io.BytesIO()
    Image.new("RGB", size, (120, 90, 60)).save(out, "JPEG", **more)
    return out.getvalue()


def with_place():
    exif = Image.Exif()
    exif[0x0110] = "camera"
    exif.get_ifd(0x8825)[2] = (52.0, 30.0, 0.0)
    return jpeg(exif=exif.tobytes(), comment=b"secret remark")


def send(client, number, data, content_type="image/jpeg", query="part=seal&caption=worn", key=None):
    return client.http.post(
        f"/api/jobs/{number}/photos?{query}", data=data,
        headers={"X-CSRF-Token": client.token, "Idempotency-Key": key or secrets.token_hex(12), "Content-Type": content_type},
    )  # fmt: skip


def test_a_photo_is_stored_without_where_and_with_what_it_was_taken(a_job):
    client, number = a_job()
    head = send(client, number, with_place()).get_json()
    picture = client.get(f"/api/photos/{head['photo_id']}/picture").data
    opened = Image.open(io.BytesIO(picture))
    assert not opened.getexif()
    assert b"secret" not in picture
    assert (head["person"], head["part"], opened.size) == ("Wren", "seal", (1200, 800))
    assert len(client.get(f"/api/photos/{head['photo_id']}/thumbnail").data) < len(picture)


def test_a_large_photo_becomes_smaller(a_job):
    client, number = a_job()
    head = send(client, number, jpeg((4000, 1000))).get_json()
    assert (head["width_px"], head["height_px"]) == (2000, 500)


def test_a_photo_of_several_megabytes_is_taken(a_job):
    client, number = a_job()
    out = io.BytesIO()
    Image.effect_noise((1600, 1200), 90).save(out, "PNG")
    assert len(out.getvalue()) > 1_500_000
    assert send(client, number, out.getvalue(), "image/png").status_code == 201


SVG = b'<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'


@pytest.mark.parametrize(
    ("data", "content_type", "status", "error"),
    [
        (SVG, "image/svg+xml", 422, "no_picture"),
        (SVG, "image/jpeg", 422, "no_picture"),
        (b"GIF89a" + bytes(40), "image/jpeg", 422, "no_picture"),
        (b"%PDF-1.7 not a picture", "image/png", 422, "no_picture"),
        (jpeg()[:900], "image/jpeg", 422, "broken_picture"),
        (b"", "image/jpeg", 422, "empty_picture"),
        (b"\xff\xd8\xff" + bytes(80_000_000), "image/jpeg", 413, "request_entity_too_large"),
        (jpeg() + bytes(MOST_BYTES), "image/jpeg", 413, "picture_too_large"),
    ],
    ids=["svg", "svg named jpeg", "gif", "pdf", "broken", "empty", "80 MB", "over 8 MB"],
)
def test_bad_photos_are_refused_in_words_and_nothing_is_stored(a_job, data, content_type, status, error):
    client, number = a_job()
    assert code(send(client, number, data, content_type)) == (status, error)
    assert client.get(f"/api/jobs/{number}/line").get_json()["photos"] == []


def test_a_picture_that_unpacks_to_too_much_is_refused(a_job):
    client, number = a_job()
    out = io.BytesIO()
    Image.new("1", (30_000, 30_000)).save(out, "PNG")
    assert send(client, number, out.getvalue(), "image/png").status_code in (413, 422)


def test_a_photo_sent_again_with_its_key_is_one_photo(a_job):
    client, number = a_job()
    first, again = (send(client, number, jpeg(), key="photo-key-0001").get_json() for _ in range(2))
    assert first == again
    assert len(client.get(f"/api/jobs/{number}/line").get_json()["photos"]) == 1


def test_a_photo_is_placed_and_taken_out(a_job):
    client, number = a_job()
    head = send(client, number, jpeg()).get_json()
    place = {"version": 1, "part": "seal", "place_x": 0.25, "place_y": 0.5, "caption": "the split"}
    placed = client.put(f"/api/photos/{head['photo_id']}", place).get_json()
    assert (placed["place_x"], placed["caption"], placed["version"]) == (0.25, "the split", 2)
    assert code(client.put(f"/api/photos/{head['photo_id']}", place)) == (409, "changed_meanwhile")
    assert code(client.delete(f"/api/photos/{head['photo_id']}?version=1")) == (409, "changed_meanwhile")
    assert client.delete(f"/api/photos/{head['photo_id']}?version=2").status_code == 200
    assert client.get(f"/api/photos/{head['photo_id']}/picture").status_code == 404


def test_a_stored_picture_is_kept_to_the_byte_and_another_is_made_new():
    stored = take_in_picture(jpeg()).image
    assert keep_picture(stored).image == stored
    assert keep_picture(stored + b"hidden").image != stored + b"hidden"
    assert b"secret" not in keep_picture(with_place()).image


# job files ---------------------------------------------------------------------------------


@pytest.mark.parametrize("number", ["0409", "0410", "0411", "0413", "0415", "0412"])
def test_a_job_goes_out_and_in_again_without_loss(as_role, number):
    client = as_role("owner")
    file = client.get(f"/api/jobs/{number}/file").get_json()
    answer = client.post("/api/job-files", file)
    assert answer.status_code == 201, answer.get_json()
    made = answer.get_json()
    assert [note for note in made["notes"] if "catalogue" in note] == []
    again = client.get(f"/api/jobs/{made['job']['number']}/file").get_json()
    assert again.pop("number") == made["job"]["number"] != file.pop("number")
    for held in (
        again,
        file,
    ):  # how sure an identification is, is worked out here and not taken from the file
        for part in held["tray"]:
            for name in ("probability", "worst_sigmas", "clash", "features_read", "marking_read"):
                (part["identification"] or {}).pop(name, None)
    assert again == file


def test_a_part_that_this_shop_does_not_list_is_said_so(as_role):
    client = as_role("owner")
    file = client.get("/api/jobs/0415/file").get_json()
    file["tray"][0]["identification"]["item"]["maker"] = "Nowhere"
    notes = client.post("/api/job-files", file).get_json()["notes"]
    assert any("Nowhere" in note for note in notes)


@pytest.mark.parametrize(
    "spoil",
    [
        lambda file: file.update(format="other"),
        lambda file: file.update(surprise=1),
        lambda file: file["line"]["parts"][0].update(kind="teapot"),
        lambda file: file["line"]["parts"][0].update(line="gone"),
        lambda file: file["photos"][0].update(picture="bm90IGEgcGljdHVyZQ=="),
        lambda file: file["take_in"].update(signs=["no_such"]),
        lambda file: file.update(number="x" * 40),
    ],
)
def test_a_spoilt_job_file_is_refused_and_makes_no_job(as_role, spoil):
    client = as_role("owner")
    file = client.get("/api/jobs/0409/file").get_json()
    before = len(client.get("/api/jobs").get_json()["jobs"])
    spoil(file)
    assert client.post("/api/job-files", file).status_code == 422
    assert len(client.get("/api/jobs").get_json()["jobs"]) == before


def test_the_schema_of_the_job_file_is_todays():
    kept = Path(__file__).parents[2] / "docs" / "job-file.schema.json"
    assert json.loads(kept.read_text(encoding="utf-8")) == JobFile.model_json_schema()
