"""The invented workshops: made by rule, whole, and telling the screens something."""

from collections import Counter
from decimal import Decimal

import pytest
from benchmarks.speed import add_rows

from ample.base import job_queries as jobs
from ample.core.contract.specs import spec_of_reading
from ample.core.designation import decode, general_dialect, read_dialect
from ample.core.identify import KindEvidence, Observation, identify, standard_catalogue
from ample.core.operations.bench import request_of
from ample.core.parts import bearing_kinds
from ample.core.sizes import default_instrument
from ample.core.standards import bearing_sizes, seal_sizes
from ample.demo.catalogue import MAKERS, dialect_rows, items_of, offers, price, specs
from ample.demo.load import PEOPLE, load_demo
from ample.demo.seal_trays import CYLINDER, PUMP
from ample.shop.bench.actions import bench_of, identify_in_shop


def test_there_are_some_fifty_thousand_rows_of_every_kind(database):
    count = database.run(lambda t: t.single_value("SELECT COUNT(*) FROM catalogue_items"))
    assert 47_000 < count < 55_000
    kinds = {
        row["kind"] for row in database.run(lambda t: t.rows("SELECT DISTINCT kind FROM catalogue_items"))
    }
    listed = {size.kind for size in seal_sizes()}
    assert kinds == set(bearing_kinds()) | listed


def test_every_listed_bearing_is_made_by_somebody(database):
    """A size that the lists gained once stood with no maker: the Bench of the demo said that it is on no list."""
    rows = database.run(
        lambda t: t.rows("SELECT DISTINCT designation FROM catalogue_items WHERE family = 'bearing'")
    )
    made = {row["designation"] for row in rows}
    assert sorted({size.designation for size in bearing_sizes()} - made) == []


class Undone(Exception):
    """What was tried is taken back."""


def test_the_bench_can_widen_the_catalogue(database):
    """Its statement follows the tables: once it named columns of before, and nothing but the bench told."""
    found = []

    def work(t):
        held = int(t.single_value("SELECT COUNT(*) FROM catalogue_items"))
        found.append((held, add_rows(t, held + 1)))
        raise Undone

    with pytest.raises(Undone):
        database.run(work)
    assert found[0][1] > found[0][0]


@pytest.mark.parametrize("part", CYLINDER + PUMP, ids=lambda part: part.name)
def test_every_part_of_the_seal_trays_can_be_told(part):
    """What a newcomer reads of it leads to what it is; where it is not the first yet, it is among three."""
    catalogue = standard_catalogue(part.family)
    caliper = default_instrument("caliper")
    read = [
        Observation(
            name, tuple(float(each) for each in text.split()), caliper, part.condition or None, part.family
        )
        for name, text in part.sizes.items()
    ]
    markings = decode(part.marking, (), 400, part.family) if part.marking else ()
    seen = KindEvidence.of(part.kind or None, {}, catalogue.family)
    found = identify(catalogue, read, markings, seen=seen)
    names = [each.variants[0].entry.spec.designation for each in found.candidates[:3]]
    assert part.truth == names[0]


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
        assert spec.B_mm == pytest.approx(row["size_3_mm"], abs=1e-5)


@pytest.mark.parametrize("maker", MAKERS)
def test_a_dialect_writes_its_own_codes(maker):
    own = {(code.code, code.sets) for code in read_dialect(maker, dialect_rows(maker)).codes}
    general = {(code.code, code.sets) for code in general_dialect().codes}
    assert len(own - general) >= 8


@pytest.mark.parametrize("maker", MAKERS)
def test_rows_and_prices_are_the_same_in_every_run(maker):
    first, second = items_of(maker), items_of(maker)
    assert first == second
    assert all(price(maker, row) > Decimal("0.5") for row in first[::50])


def test_finer_wider_and_sealed_cost_more():
    row = {
        "size_1_mm": 25.0,
        "size_2_mm": 52.0,
        "size_3_mm": 15.0,
        "closure": "open",
        "clearance": "N",
        "tolerance_class": "Normal",
        "kind": "deep_groove",
        "size_4_mm": None,
    }
    base = price("Oldwick", row)
    for change in (
        {"closure": "seal_two"},
        {"clearance": "3"},
        {"tolerance_class": "6"},
        {"size_3_mm": 18.0},
    ):
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


# What the parts of the gearbox are: the poorly read taper stays open between two.
GEARBOX = {
    "Drum-side bearing": {"22210"},
    "Free-end bearing": {"NU210"},
    "Intermediate taper": {"32208", "33108", "30208", "33208"},
    "Worm thrust bearing": {"51208"},
    "Pawl roller": {"NATR17"},
    "Idler needle": {"HK3016"},
    "Governor bearing": {"7206"},
    "Hand-wheel insert": {"UC205-16"},
}


def _tray(database, number):
    job = database.run(lambda t: jobs.job_by_number(t, number))
    return database.run(lambda t: jobs.parts_of_jobs(t, [job.job_id]))


def _asked(database, part, index, find):
    sheet = database.run(lambda t: bench_of(t, part.part_id)).sheet
    return sheet, identify_in_shop(index, request_of(sheet), find)


def test_a_newcomer_can_identify_the_tray_of_the_gearbox(database, index, find):
    parts = _tray(database, "0414")
    assert {part.name for part in parts} == set(GEARBOX)
    for part in parts:
        sheet, found = _asked(database, part, index, find)
        assert found.candidates[0].designation in GEARBOX[part.name], part.name
        assert sheet.kind


def test_the_bearings_of_the_lines_came_to_the_bench_with_their_picture_and_readings(database, index, find):
    for number, kind, wanted in (
        ("0409", "taper", "30205"),
        ("0411", "ball", "6205"),
        ("0413", "ball", "6207"),
    ):
        part = next(p for p in _tray(database, number) if p.bench_kind == kind)
        sheet, found = _asked(database, part, index, find)
        assert sheet.observations
        assert found.candidates[0].designation == wanted


def test_a_cup_of_no_list_is_none_of_these(database, index, find):
    """The joint's cup of 28 mm outside and 20 mm width is no standard needle bearing."""
    cup = next(p for p in _tray(database, "0413") if p.bench_kind == "needle")
    _, found = _asked(database, cup, index, find)
    best = found.candidates[0]
    assert found.none_probability > 0.1 or best.probability < 0.9
