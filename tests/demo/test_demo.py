"""The invented workshops: made by rule, whole, and telling the screens something."""

from collections import Counter
from decimal import Decimal

import pytest

from ample.core.designation import decode, general_dialect, read_dialect
from ample.core.specs import spec_of_reading
from ample.demo.catalogue import MAKERS, dialect_rows, items_of, offers, price, specs
from ample.demo.load import PEOPLE, load_demo


def test_there_are_some_fifteen_thousand_rows(database):
    count = database.run(lambda t: t.single_value("SELECT COUNT(*) FROM catalogue_items"))
    assert 14_000 < count < 17_000


@pytest.mark.parametrize("maker", MAKERS)
def test_every_row_reads_back_as_its_specification(maker):
    dialect = read_dialect(maker, dialect_rows(maker))
    by_marking = {row["marking"]: row for row in items_of(maker)}
    assert len(by_marking) > 4000
    for marking, row in list(by_marking.items())[::23]:
        spec = spec_of_reading(decode(marking, (dialect,))[0])
        assert (spec.designation, spec.closure, spec.clearance, spec.tolerance_class) == (
            row["designation"],
            row["closure"],
            row["clearance"],
            row["tolerance_class"],
        )
        assert spec.B_mm == pytest.approx(row["B_mm"], abs=1e-5)


@pytest.mark.parametrize("maker", MAKERS)
def test_a_dialect_writes_its_own_codes(maker):
    own = {code.code for code in read_dialect(maker, dialect_rows(maker)).codes}
    general = {code.code for code in general_dialect().codes}
    assert len(own - general) >= 8


@pytest.mark.parametrize("maker", MAKERS)
def test_rows_and_prices_are_the_same_in_every_run(maker):
    first, second = items_of(maker), items_of(maker)
    assert first == second
    assert all(price(maker, row) > Decimal("0.5") for row in first[::50])


def test_finer_wider_and_sealed_cost_more():
    row = {
        "d_mm": 25.0,
        "D_mm": 52.0,
        "B_mm": 15.0,
        "closure": "open",
        "clearance": "N",
        "tolerance_class": "Normal",
    }
    base = price("Oldwick", row)
    for change in ({"closure": "seal_two"}, {"clearance": "3"}, {"tolerance_class": "6"}, {"B_mm": 18.0}):
        assert price("Oldwick", row | change) > base


def test_every_row_has_somebody_who_offers_it():
    for maker in MAKERS:
        for number, row in enumerate(items_of(maker)[::97]):
            found = offers(maker, row, number + 1)
            assert found
            assert all(offer["lead_days"] > 0 for offer in found.values())


def test_specs_differ():
    seen = Counter(specs())
    assert max(seen.values()) == 1


def test_loading_again_changes_nothing(database):
    from tests.conftest import now

    assert load_demo(database, now(), lambda _: None) is False


def test_people_cover_every_role():
    assert {role for _, role, _ in PEOPLE} == {"counter", "bench", "buyer", "owner"}


def test_dates_are_relative_to_the_day_of_loading(database):
    from tests.conftest import now

    rows = database.run(
        lambda t: t.rows("SELECT opened_at FROM jobs WHERE number IN ('0412', '0415') ORDER BY number")
    )
    assert [(now() - row["opened_at"]).days for row in rows] == [3, 9]


def test_the_two_jobs_show_something_open_and_something_passed(as_role):
    client = as_role("bench")
    drum = client.get("/api/jobs/0412").get_json()
    blower = client.get("/api/jobs/0415").get_json()
    assert drum["waits_for"] == "measure"
    assert blower["waits_for"] == "order"
    passed = [light for part in blower["parts"] for light in part["lights"] if light["passed_reason"]]
    assert passed


def test_all_that_was_loaded_is_on_the_audit(database):
    actions = {row["action"] for row in database.run(lambda t: t.rows("SELECT DISTINCT action FROM audit"))}
    assert {"opened", "added", "bench", "identified", "matched", "seats", "passed", "imported"} <= actions


STRIPPED = ("0409", "0410", "0411", "0413")


@pytest.mark.parametrize("number", STRIPPED)
def test_a_stripped_job_shows_what_the_trade_stumbles_over(as_role, number):
    client = as_role("bench")
    line = client.get(f"/api/jobs/{number}/line").get_json()
    taken = client.get(f"/api/jobs/{number}/take-in").get_json()
    found = client.post("/api/calc/line-check", {"sheet": line["sheet"], "access": line["access"]}).get_json()
    assert any(each["level"] == "wrong" for each in found["contradictions"])
    assert line["sheet"]["ties"]
    assert any(each["stands"] for each in line["decisions"])
    assert any(each["lies"] == "outside" for each in taken["causes"]["causes"][:3])
    assert any(each["licence"] for each in taken["cautions"])
    assert line["photos"]
    assert taken["sheet"]["note_next"]


def test_the_four_lines_use_most_kinds_of_part(as_role):
    client = as_role("bench")
    kinds = {
        part["kind"]
        for number in STRIPPED
        for part in client.get(f"/api/jobs/{number}/line").get_json()["sheet"]["parts"]
    }
    assert len(kinds) >= 20


def test_a_dangerous_plan_in_the_demo_is_refused_in_words(as_role):
    taken = as_role("bench").get("/api/jobs/0411/take-in").get_json()
    assert [each["practice"] for each in taken["refused"]] == ["wash_petrol"]
