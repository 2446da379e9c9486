"""The shop's own: instruments with certificates, dialects added on the Shop screen."""

from datetime import UTC, datetime, timedelta

import pytest

TODAY = datetime.now(UTC).date()
TOOL = {
    "name": "caliper 9", "kind": "caliper", "outside_u_mm": 0.02, "inside_u_mm": 0.03, "scatter_mm": 0.01,
    "calibrated_on": str(TODAY - timedelta(days=10)), "months_valid": 12,
}  # fmt: skip
CODE = {
    "code": "QQ",
    "place": "suffix",
    "attribute": "closure",
    "value": "seal_two",
    "meaning": "contact seals, both sides",
}


def named(answer, name):
    return next(each for each in answer.get_json()["instruments"] if each["name"] == name)


def test_an_instrument_is_added_and_its_certificate_renewed(as_role):
    client = as_role("bench")
    old = client.put("/api/instruments", TOOL | {"calibrated_on": str(TODAY - timedelta(days=500))})
    assert named(old, "caliper 9")["overdue"]
    assert not named(client.put("/api/instruments", TOOL), "caliper 9")["overdue"]


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"calibrated_on": str(TODAY + timedelta(days=2))}, "calibrated_on"),
        ({"name": "caliper"}, "name"),
        ({"outside_u_mm": 0}, "outside_u_mm"),
        ({"kind": "eye"}, "kind"),
        ({"months_valid": 0}, "months_valid"),
    ],
)
def test_a_certificate_that_cannot_be_is_refused_at_its_field(as_role, change, field):
    refused = as_role("bench").put("/api/instruments", TOOL | {"name": "caliper 8"} | change)
    assert refused.status_code == 422
    assert refused.get_json()["error"]["field"] == field


def test_a_dialect_is_added_and_read_at_once(as_role):
    client = as_role("counter")
    kept = client.put("/api/dialects", {"name": "Eastquay", "codes": [CODE]})
    assert kept.status_code == 200
    assert any(each["name"] == "Eastquay" for each in kept.get_json()["dialects"])
    found = client.post("/api/bench/identify", {"marking": "6204-QQ"}).get_json()
    assert any(
        reading["dialect"] == "Eastquay" and reading["attributes"]["closure"] == "seal_two"
        for reading in found["marking"]
    )


def test_a_dialect_is_changed_as_a_whole(as_role):
    client = as_role("counter")
    client.put("/api/dialects", {"name": "Westquay", "codes": [CODE, CODE | {"code": "QX"}]})
    client.put("/api/dialects", {"name": "Westquay", "codes": [CODE | {"code": "QZ"}]})
    held = next(d for d in client.get("/api/dialects").get_json()["dialects"] if d["name"] == "Westquay")
    assert [each["code"] for each in held["codes"]] == ["QZ"]


def test_a_bad_code_is_refused_in_words_and_nothing_is_kept(as_role):
    client = as_role("counter")
    refused = client.put(
        "/api/dialects", {"name": "Northquay", "codes": [CODE, CODE | {"attribute": "colour"}]}
    )
    assert refused.status_code == 422
    assert "Row 2" in refused.get_json()["error"]["message"]
    names = [each["name"] for each in client.get("/api/dialects").get_json()["dialects"]]
    assert "Northquay" not in names
