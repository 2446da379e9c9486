"""The shop's own: instruments with certificates, dialects added on the Shop screen."""

from datetime import UTC, datetime, timedelta

import pytest

from ample.shop.catalogue.columns import columns_of
from ample.shop.catalogue.imports import import_items
from ample.shop.catalogue.queries import all_items, bump_items

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
    seen = {"version": named(old, "caliper 9")["version"]}
    assert not named(client.put("/api/instruments", TOOL | seen), "caliper 9")["overdue"]
    stale = client.put("/api/instruments", TOOL | seen)
    assert (stale.status_code, stale.get_json()["error"]["code"]) == (409, "changed_meanwhile")


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


def test_a_dialect_leaves_the_items_laid_out_as_they_are(app, as_role):
    """Laying out the items takes seconds in every worker; a maker's codes have nothing to do with them."""
    keeper = app.extensions["ample-index"]
    before = keeper.current()
    as_role("counter").put("/api/dialects", {"name": "Millquay", "codes": [CODE | {"code": "QM"}]})
    after = keeper.current()
    assert after.catalogues is before.catalogues
    assert {"Millquay"} == {each.name for each in after.dialects} - {each.name for each in before.dialects}
    assert keeper.at(before.revision) is after, (
        "a question that began earlier does not bring the old one back"
    )


@pytest.mark.long
def test_new_items_are_laid_out_anew(app, database, doer):
    keeper = app.extensions["ample-index"]
    before = keeper.current()
    maker = database.run(lambda t: t.first("SELECT maker_id FROM makers"))["maker_id"]
    held = next(iter(database.run(all_items)))
    new = columns_of(held.spec) | {"marking": "NEW 1", "stock_quantity": 0, "stock_place": ""}
    database.run(lambda t: import_items(t, doer("counter"), maker, [new]))
    after = keeper.current()
    database.run(lambda t: t.change("DELETE FROM catalogue_items WHERE marking = 'NEW 1'"))
    database.run(bump_items)
    assert after.catalogues is not before.catalogues
    assert len(after.catalogues["bearing"].entries) == len(before.catalogues["bearing"].entries) + 1


def test_a_dialect_is_changed_as_a_whole(as_role):
    client = as_role("counter")
    client.put("/api/dialects", {"name": "Westquay", "codes": [CODE, CODE | {"code": "QX"}]})
    other = {"name": "Westquay", "codes": [CODE | {"code": "QZ"}]}
    assert client.put("/api/dialects", other).status_code == 409, "one of this name that was not seen"
    assert client.put("/api/dialects", other | {"version": 1}).status_code == 200
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
