"""Loading the demo into an empty shop."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Callable
from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any

from ample.base import job_queries as jobs
from ample.base.doer import Doer
from ample.base.jobs import add_part
from ample.base.records import NewJob, NewPart
from ample.core.contract import BenchSheet, IdentifyAnswer, IdentifyRequest
from ample.core.operations.bench import request_of
from ample.core.places import SeatSheet
from ample.core.sizes import Instrument
from ample.demo.catalogue import MAKERS, SEAL_MAKER, dialect_rows, items_of, offers, seal_items, seal_offers
from ample.demo.histories import load_history
from ample.demo.seal_trays import load_seal_trays
from ample.demo.second_half import load_second_half
from ample.demo.strip import demo_jobs, load_job, load_models
from ample.sheets import store as sheets
from ample.sheets.kinds.seats import SEATS
from ample.sheets.subjects import part_subject
from ample.shop.bench.actions import bench_of, choose_identity, identify_in_shop, save_bench
from ample.shop.bench.matching import choose_match, matches_of
from ample.shop.bench.records import BenchSave, ChooseRequest, ConfirmRequest
from ample.shop.calipers import queries as calipers
from ample.shop.catalogue import imports, queries
from ample.shop.catalogue.index import ShopIndex, build_index
from ample.shop.facts import HOST
from ample.shop.instruments import queries as instruments
from ample.shop.instruments.actions import instrument_finder, known_instruments
from ample.shop.orders.actions import add_line, override_check, place
from ample.shop.orders.records import AddLine, OverrideCheck, PlaceOrder
from ample.shop.people.keeping import add_demo_person
from ample.shop.takein.actions import acknowledge, open_unit, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.store import Database, Transaction

PEOPLE = (
    ("Wren", "bench", "2580"),
    ("Alder", "counter", "1470"),
    ("Sorrel", "buyer", "3690"),
    ("Marl", "owner", "9173"),
)
InstrumentOf = Callable[[str], Instrument]


def load_demo(database: Database, now: datetime, say: Callable[[str], None]) -> bool:
    """Load the demo when the shop is empty; True when it was loaded."""
    if database.run(lambda t: t.single_value("SELECT COUNT(*) FROM people")):
        return False
    say("loading the demo: people and instruments")

    def all_of_it(t: Transaction) -> None:
        people = _people(t, now)
        owner = people["Marl"]
        _instruments(t, now)
        _caliper(t)
        say("loading the demo: three makers' catalogues")
        _catalogue(t, owner)
        say("loading the demo: seven jobs")
        bench = people["Wren"]
        _jobs(t, bench)
        load_models(t, owner, _items(t))
        for job in demo_jobs():
            load_job(t, bench, owner, job)
        _gearbox(t, replace(bench, now=bench.now - timedelta(days=2)))
        load_history(t, replace(bench, now=bench.now - timedelta(hours=5)))
        load_seal_trays(t, replace(bench, now=bench.now - timedelta(days=1)))
        load_second_half(t, bench, owner, _identify_taper(t, now))
        _trolley(t, replace(bench, now=bench.now - timedelta(days=13)), people["Sorrel"])

    database.run(all_of_it)
    return True


def _identify_taper(t: Transaction, now: datetime) -> Callable[[Transaction, Doer, int, str], None]:
    """Reads a taper's bore, confirms it and measures its seat, for the job that is being put together."""
    index, find = build_index(t), instrument_finder(known_instruments(t, now.date()))

    def identify(t: Transaction, doer: Doer, part_id: int, bore: str) -> None:
        held = bench_of(t, part_id)
        sheet = held.sheet.model_copy(update={"marking": "30205"})
        changed = BenchSheet.model_validate(
            sheet.model_dump() | {"observations": [_read("bore", "caliper 3", *bore.split())]}
        )
        save_bench(t, doer, part_id, BenchSave(version=held.version, sheet=changed))
        _identify(t, doer, part_id, index, find)
        _keep_seats(t, doer, part_id, _seats(
            ["25.008 25.009", "25.009 25.009"], "micrometer 2", "k5", ["52.004 52.006"], "bore gauge 1", "J7",
        ))  # fmt: skip

    return identify


def _items(t: Transaction) -> dict[str, int]:
    """Open bearings of the first maker by designation and clearance."""
    return {
        f"{row['designation']} C{row['clearance']}": row["item_id"]
        for row in queries.items_of_maker(t, next(iter(MAKERS)))
        if row["closure"] == "open"
    }


def _people(t: Transaction, now: datetime) -> dict[str, Doer]:
    return {
        name: Doer(add_demo_person(t, name, role, pin, now), name, role, now) for name, role, pin in PEOPLE
    }


def _instruments(t: Transaction, now: datetime) -> None:
    for name, kind, outside, inside, scatter, days in (
        ("caliper 3", "caliper", 0.03, 0.04, 0.01, 170),
        ("caliper 1", "caliper", 0.04, 0.06, 0.015, 600),
        ("micrometer 2", "micrometer", 0.002, 0.002, 0.0007, 80),
        ("bore gauge 1", "bore_gauge", 0.003, 0.003, 0.001, 80),
    ):
        instruments.keep_instrument(
            t,
            {
                "name": name, "kind": kind, "outside_u_mm": outside, "inside_u_mm": inside,
                "scatter_mm": scatter, "months_valid": 12,
                "calibrated_on": (now - timedelta(days=days)).date(),
            },
        )  # fmt: skip


def _caliper(t: Transaction) -> None:
    """The caliper that sends; `./ample start` puts a stand-in in its place and gives it a port."""
    calipers.add_caliper(t, "caliper 3", "127.0.0.1", 1)


def _catalogue(t: Transaction, owner: Doer) -> None:
    suppliers = {
        "Lowgate Factors": imports.add_supplier(t, owner, "Lowgate Factors", "Lowgate", 2),
        "Quayside Transmission": imports.add_supplier(t, owner, "Quayside Transmission", "Quayside", 7),
        "Fenbank Seals": imports.add_supplier(t, owner, "Fenbank Seals", "Fenbank", 3),
    }
    offered: dict[str, list[dict[str, Any]]] = defaultdict(list)
    for maker in MAKERS:
        rows = items_of(maker)
        seals = seal_items() if maker == SEAL_MAKER else []
        maker_id = imports.add_maker(t, owner, maker, dialect_rows(maker))
        imports.import_items(t, owner, maker_id, rows + seals)
        numbers = {row["marking"]: row["item_id"] for row in queries.items_of_maker(t, maker)}
        for row in rows:
            for supplier, offer in offers(maker, row, numbers[row["marking"]]).items():
                offered[supplier].append(offer)
        for row in seals:
            for supplier, offer in seal_offers(row, numbers[row["marking"]]).items():
                offered[supplier].append(offer)
    for supplier, some in offered.items():
        imports.import_offers(t, owner, suppliers[supplier], some)


def _jobs(t: Transaction, bench: Doer) -> None:
    index = build_index(t)
    find = instrument_finder(known_instruments(t, bench.now.date()))
    _harvester(t, replace(bench, now=bench.now - timedelta(days=3)), index, find)
    _blower(t, replace(bench, now=bench.now - timedelta(days=9)), index, find)


def _job(t: Transaction, doer: Doer, number: str, new: NewJob) -> None:
    job = open_unit(t, doer, new)
    jobs.set_number(t, job.job_id, number)
    taken = take_in_of(t, number)
    said = taken.sheet.model_copy(update={"duties": ["none"]})
    for caution in save_take_in(t, doer, number, TakeInSave(version=taken.version, sheet=said)).cautions:
        if caution.stage == "strip":
            acknowledge(t, doer, number, caution.caution)


def _part(t: Transaction, doer: Doer, number: str, new: NewPart, sheet: dict[str, Any]) -> int:
    part = add_part(t, doer, number, new)
    save_bench(t, doer, part.part_id, BenchSave(version=part.version, sheet=BenchSheet.model_validate(sheet)))
    return part.part_id


def _read(feature: str, instrument: str, *typed: str) -> dict[str, Any]:
    readings = [{"typed": text, "unit": "mm"} for text in typed]
    return {"feature": feature, "instrument": instrument, "readings": readings}


def _harvester(t: Transaction, doer: Doer, index: ShopIndex, find: InstrumentOf) -> None:
    _job(t, doer, "0412", NewJob(
        title="Weed-harvester drum", unit="drum", owner="Upper Marl reach",
        symptom="rumbles and drips rust at the drive end since the spring cut",
    ))  # fmt: skip
    _part(t, doer, "0412", NewPart(
        name="Drive-end bearing", surroundings="between collar and cover, runs in weed and water",
        dirty=True, rpm=180,
    ), {"marking": "62?5 2R", "condition": "worn", "observations": [
        _read("outside", "caliper 3", "52.01", "52.02", "51.99"), _read("bore", "caliper 3", "24.98", "25.00"),
    ]})  # fmt: skip
    _part(t, doer, "0412", NewPart(
        name="Idler-end bearing", surroundings="behind the idler cover, greased", dirty=True, rpm=180,
    ), {"marking": "", "condition": "rusty", "observations": [
        _read("outside", "caliper 3", "61.94"), _read("bore", "caliper 3", "25.03"),
    ]})  # fmt: skip
    _part(t, doer, "0412", NewPart(
        name="Tension roller bearing", surroundings="in the tension arm, splashed", dirty=True, rpm=400,
    ), {"marking": "..03", "condition": "", "observations": []})  # fmt: skip


# Name, what it sits in, marking, kind by its picture, condition, instrument, sizes.
_GEARBOX = (
    ("Drum-side bearing", "between oil and the drum, two rows", "2221? E", "barrel", "worn", "caliper 3",
     {"bore": "50.02 50.01", "outside": "89.95"}),
    ("Free-end bearing", "behind the blind cover", "NU 2?0", "roller", "", "caliper 3",
     {"outside": "90.01", "width": "19.95"}),
    ("Intermediate taper", "against the wheel, set by shims", "..08", "taper", "rusty", "rule",
     {"bore": "40", "outside": "80", "assembled_width": "24.5"}),
    ("Worm thrust bearing", "under the worm, takes its push", "", "thrust", "", "caliper 3",
     {"bore": "40.02", "outside": "67.97", "width": "18.85"}),
    ("Pawl roller", "on the pawl, runs on the ratchet", "NATR ?7", "track", "worn", "caliper 3",
     {"outside": "39.93", "width": "20.90"}),
    ("Idler needle", "pressed into the idler", "", "needle", "", "caliper 3",
     {"shaft_seat": "30.00", "housing_seat": "37.02", "width": "15.88"}),
    ("Governor bearing", "one of a pair, contact angle unknown", "7206 ?", "ball", "", "caliper 3",
     {"bore": "29.99", "outside": "62.00", "width": "15.94"}),
    ("Hand-wheel insert", "in the stay beside the wheel", "UC20?", "insert", "", "caliper 3",
     {"bore": "25.40", "outside": "52.01"}),
)  # fmt: skip


def _gearbox(t: Transaction, doer: Doer) -> None:
    """A tray with one bearing of each picture, some of them poorly read."""
    _job(t, doer, "0414", NewJob(
        title="Slipway winch gearbox", unit="gearbox", owner="Marl Slip",
        symptom="growls under load and the oil is full of glitter",
    ))  # fmt: skip
    for name, surroundings, marking, kind, condition, instrument, sizes in _GEARBOX:
        _part(t, doer, "0414", NewPart(name=name, surroundings=surroundings), {
            "marking": marking, "kind": kind, "condition": condition,
            "observations": [_read(feature, instrument, *text.split()) for feature, text in sizes.items()],
        })  # fmt: skip


def _trolley(t: Transaction, doer: Doer, buyer: Doer) -> None:
    """A job whose part has been ordered."""
    index, find = build_index(t), instrument_finder(known_instruments(t, doer.now.date()))
    _job(t, doer, "0407", NewJob(
        title="Slip trolley axle", unit="other", owner="Marl Slip", symptom="one wheel screams when it is hauled out",
    ))  # fmt: skip
    wheel = _part(t, doer, "0407", NewPart(
        name="Wheel bearing", surroundings="in the wheel hub, under water once a week", dirty=True, rpm=60,
    ), {"marking": "6206 2RS", "condition": "", "observations": [
        _read("outside", "caliper 3", "61.99", "62.00"), _read("bore", "caliper 3", "30.01"),
        _read("width", "caliper 3", "15.98"),
    ]})  # fmt: skip
    _identify(t, doer, wheel, index, find)
    _match(t, doer, wheel, index, "seal_two", "N")
    _keep_seats(t, doer, wheel, SeatSheet.model_validate({
        "turning": "housing", "load": "normal",
        "shaft": {"zone": "h6", "instrument": "micrometer 2", "planes": [["29.994", "29.995"]]},
        "housing": {"zone": "N7", "instrument": "bore gauge 1", "planes": [["61.975", "61.976"]]},
    }))  # fmt: skip
    chosen = next(each for each in matches_of(t, wheel, index).by_rule if each.item.closure == "seal_two")
    dearest = chosen.offers[-1].supplier_id  # not the supplier whose sheet is open
    sheet = add_line(t, doer, AddLine(part_id=wheel, supplier_id=dearest), find)
    assert len(sheet.lines) == 1, "nothing else is placed with it"
    line = sheet.lines[0]
    for check in line.lights:
        if check.state != "holds":
            reason = "Looked at with Alder: the same has run in the other three wheels since 2023."
            asked = OverrideCheck(light=check.light, facts_mark=check.facts_mark, reason=reason)
            sheet = override_check(t, doer, line.line_id, asked, find)
    place(t, buyer, sheet.order_id, PlaceOrder(version=sheet.version), find)


def _blower(t: Transaction, doer: Doer, index: ShopIndex, find: InstrumentOf) -> None:
    _job(t, doer, "0415", NewJob(
        title="Control-room blower", unit="blower", owner="Marl Lock",
        symptom="whines when warm, since about a month",
    ))  # fmt: skip
    fan = _part(t, doer, "0415", NewPart(
        name="Fan-side bearing", surroundings="between fan and motor, clean, warm air", rpm=2900,
    ), {"marking": "6203-GG", "condition": "", "observations": [
        _read("outside", "caliper 3", "39.99", "40.01"), _read("bore", "caliper 3", "17.01"),
        _read("width", "caliper 3", "11.98"),
    ]})  # fmt: skip
    motor = _part(t, doer, "0415", NewPart(
        name="Motor-side bearing", surroundings="behind the motor, clean", rpm=2900,
    ), {"marking": "6202 ZZ", "condition": "", "observations": [
        _read("outside", "caliper 3", "34.99"), _read("bore", "caliper 3", "15.01"),
        _read("width", "caliper 3", "10.97"),
    ]})  # fmt: skip
    for part in (fan, motor):
        _identify(t, doer, part, index, find)
    _cross_reference(t, doer, fan, index)
    _match(t, doer, fan, index, "low_friction_two", "3")
    _match(t, doer, motor, index, "shield_two", "3")
    _keep_seats(t, doer, fan, _seats(
        ["17.007 17.008", "17.006 17.007", "17.005 17.006"], "micrometer 2", "k5",
        ["40.004 40.007", "40.003 40.006", "40.001 40.004"], "caliper 3", "J7",
    ))  # fmt: skip
    _keep_seats(t, doer, motor, _seats(
        ["15.002 15.002", "15.001 15.002", "15.002 15.001"], "micrometer 2", "j6",
        ["35.010 35.012", "35.011 35.009", "35.012 35.010"], "bore gauge 1", "H7",
    ))  # fmt: skip
    line = add_line(t, doer, AddLine(part_id=motor), find).lines[0]
    mark = next(each.facts_mark for each in line.lights if each.light == "interchange")
    override_check(t, doer, line.line_id, OverrideCheck(
        light="interchange", facts_mark=mark,
        reason="Runs warm beside the motor; C3 was fitted to the sister blower and runs quietly.",
    ), find)  # fmt: skip


def _keep_seats(t: Transaction, doer: Doer, part_id: int, sheet: SeatSheet) -> None:
    sheets.save(t, doer, SEATS, part_subject(t, part_id, lock=True), 0, sheet, HOST)


def _seats(
    shaft: list[str], shaft_tool: str, shaft_zone: str,
    housing: list[str], housing_tool: str, housing_zone: str,
) -> SeatSheet:  # fmt: skip
    return SeatSheet.model_validate({
        "turning": "shaft", "load": "light", "warmer_inner_k": 10,
        "shaft": {"zone": shaft_zone, "instrument": shaft_tool, "planes": [row.split() for row in shaft]},
        "housing": {"zone": housing_zone, "instrument": housing_tool, "planes": [row.split() for row in housing]},
    })  # fmt: skip


def _identify(t: Transaction, doer: Doer, part_id: int, index: ShopIndex, find: InstrumentOf) -> None:
    answer: IdentifyAnswer = identify_in_shop(index, _asked(t, part_id), find)
    best = answer.candidates[0].variants[0].key
    choose_identity(t, doer, part_id, ConfirmRequest(item_id=best, version=0), index, find)


def _asked(t: Transaction, part_id: int) -> IdentifyRequest:
    held = bench_of(t, part_id)
    return request_of(held.sheet, family=held.part.family)


def _match(t: Transaction, doer: Doer, part_id: int, index: ShopIndex, closure: str, clearance: str) -> None:
    found = matches_of(t, part_id, index)
    for each in (*found.by_rule, *found.by_record, *found.by_size):
        item = each.item
        if item.closure == closure and item.clearance == clearance and each.offers:
            choose_match(t, doer, part_id, ChooseRequest(item_id=item.item_id, version=0), index)
            return
    raise ValueError(f"the demo's catalogue has no {closure} {clearance} for part {part_id}")


def _cross_reference(t: Transaction, doer: Doer, part_id: int, index: ShopIndex) -> None:
    found = matches_of(t, part_id, index)
    quiet = next(each.item for each in found.by_size if each.item.closure == "low_friction_two")
    imports.add_cross_reference(t, doer, {
        "old_marking": found.chosen.marking, "item_id": quiet.item_id, "said_by": "Sorrel",
        "said_on": (doer.now - timedelta(days=420)).date(), "source": "fitted to the pump-house blower, job 0287",
    })  # fmt: skip
