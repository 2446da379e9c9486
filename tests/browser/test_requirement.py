"""From a mark to the order paper: every attribute of it is there, and nothing else gets an order ready."""

import csv
import io
import re

import pytest
from playwright.sync_api import expect

from tests.browser.saving import SAVED, shortly

# Family, mark, what is read, what the Bench shows of it, what the paper says, what makes the order wait (common practice).
MARKS = [
    ("lip_seal", "TC 35x62x7 FKM", {"shaft": "34.97", "width": "7.0"}, ["rubber FKM marked"], "rubber FKM", True),
    (
        "bearing", "22310 K C3", {"bore": "50.0", "outside": "110.0"},
        ["bore taper 1:12 marked", "clearance C3 marked"], "clearance C3, bore taper 1:12", False,
    ),
    ("bearing", "6205 C4", {"bore": "25.0", "outside": "52.0"}, ["clearance C4 marked"], "clearance C4", True),
    ("bearing", "7206 B", {"bore": "30.0", "outside": "62.0"}, ["contact angle 40° marked"], "contact angle 40°", False),
    (
        "bearing", "6308 NR", {"bore": "40.0", "outside": "90.0"},
        ["snap ring groove with ring marked"], "snap ring groove with ring", True,
    ),
    (
        "bearing", "6205 VL0241", {"bore": "25.0", "outside": "52.0"},
        ["also marked VL0241 not understood"], "also marked VL0241", True,
    ),
    (
        "bearing", "7008 C P4 DB", {"bore": "40.0", "outside": "68.0"},
        ["pieces matched pair, back to back marked", "contact angle 15° marked", "class 4 marked"],
        "matched pair, back to back, contact angle 15°, class 4", True,
    ),
    ("o_ring", "8-222 cut backup ring", {"inside": "37.9"}, ["rubber not known"], "backup ring, cut once", True),
    ("hydraulic_seal", "U-CUP 1870-1125-375 PU", {"rod": "28.54"}, ["rubber PU marked"], "rubber PU", False),
]  # fmt: skip


def words_of(locator):
    return " ".join(locator.inner_text().split())


def confirmed(page, number, part, reads):
    page.locator("input[name=marking]").wait_for()
    for name, typed in reads.items():
        field = page.locator(f"input[name={name}]")
        field.fill(typed)
        field.press("Enter")
        expect(field).to_have_value(re.compile(r"\d"))
    expect(page.get_by_role("status")).to_contain_text(SAVED)


@pytest.mark.parametrize(
    ("family", "mark", "reads", "shown", "printed", "waits"),
    shortly(MARKS, 1),
    ids=[each[1] for each in MARKS],
)
def test_from_the_mark_to_the_order_paper(person, make_part, family, mark, reads, shown, printed, waits):
    number, part = make_part(marking=mark, family=family)
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")
    confirmed(page, number, part, reads)
    expect(page.locator(".go")).to_contain_text(f"Confirm {mark}")
    bench = words_of(page.locator("dl.requirement"))
    assert [each for each in shown if each not in bench] == []
    page.keyboard.press("Control+Enter")
    page.locator(".row.now").wait_for()
    match = words_of(page.locator("dl.requirement"))
    assert [each for each in shown if each not in match] == []
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/seats$"))
    page.locator(".go").wait_for()
    page.keyboard.press("Control+Enter")
    line = page.locator(".line.now")
    expect(line).to_contain_text(f"replaces {mark}")
    expect(line).to_contain_text(printed)
    expect(page.locator("aside .go")).to_contain_text("On hold")
    own = next(each for each in lines(page) if each["part_id"] == part)
    state = {light["light"]: light["state"] for light in own["lights"]}
    assert (state["interchange"] != "holds") is waits
    row = in_csv(page, part)
    assert row["required"] == mark
    assert row["job"] == number
    if own["requirement"]["unread"]:
        assert row["not_understood"] == "VL0241"
    for each in own["requirement"]["attributes"]:
        assert f"{each['name']}={each['value'] or '?'} ({each['basis']})" in row["required_attributes"]
    for name, mm in own["item"]["dimensions"].items():
        assert float(row[name]) == pytest.approx(mm, rel=1e-4)


def lines(page):
    sheets = page.evaluate("async () => (await (await fetch('/api/orders')).json()).sheets")
    return [line | {"order_id": sheet["order_id"]} for sheet in sheets for line in sheet["lines"]]


def in_csv(page, part):
    line = next(each for each in lines(page) if each["part_id"] == part)
    path = f"/api/orders/{line['order_id']}/sheet.csv"
    text = page.evaluate("async (path) => await (await fetch(path)).text()", path)
    rows = list(csv.DictReader(io.StringIO(text)))
    return next(row for row in rows if row["job"] == line["job_number"] and row["part"] == line["part_name"])


def test_what_is_unlikely_is_asked_once_more_in_words(person, make_part):
    number, part = make_part(marking="6205 C3")
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")
    confirmed(page, number, part, {"bore": "30.0", "outside": "72.0", "width": "19.0"})
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("alert").last).to_contain_text("6205")
    expect(page.locator(".go")).to_contain_text("anyway")
    page.keyboard.press("Control+Enter")
    page.locator(".row.now").wait_for()


@pytest.mark.long
def test_what_a_supplier_offers_is_held_against_what_must_be_had(person, make_part):
    number, part = make_part(marking="TC 35x62x7 FKM", family="lip_seal")
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")
    confirmed(page, number, part, {"shaft": "34.97", "width": "7.0"})
    page.keyboard.press("Control+Enter")
    page.locator(".row.now").wait_for()
    page.locator(".offered input").wait_for()
    page.keyboard.press("o")
    page.keyboard.type("TC 35x62x7 NBR")
    said = page.locator(".offered [role=status]")
    expect(said).to_contain_text("rubber: FKM → NBR")
    page.locator(".offered input").fill("TC 35x62x7 FKM")
    expect(said).to_contain_text("Drop-in")
    page.locator(".offered input").fill("no seal at all")
    expect(page.locator(".offered [role=alert]")).to_contain_text("cannot be read")


@pytest.mark.long
def test_what_can_be_seen_is_said_and_goes_with_the_part(person, make_part):
    number, part = make_part()
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")
    confirmed(page, number, part, {"bore": "25.0", "outside": "52.0", "width": "15.0"})
    expect(page.locator("dl.requirement")).to_contain_text("not known")
    with page.expect_response(
        lambda answer: answer.request.method == "PUT" and answer.url.endswith("/bench")
    ):
        page.get_by_label("closure, as seen on the part").select_option("seal_two")
    expect(page.locator("dl.requirement")).to_contain_text("contact seals, both sides")
    page.keyboard.press("Control+Enter")
    page.locator(".row.now").wait_for()
    expect(page.locator("dl.requirement")).to_contain_text("contact seals, both sides seen")


def test_a_fact_that_changes_after_ordering_says_so_on_the_order(person, make_part):
    number, part = make_part(marking="TC 35x62x7 NBR", family="lip_seal")
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")
    confirmed(page, number, part, {"shaft": "34.97", "width": "7.0"})
    page.keyboard.press("Control+Enter")
    page.locator(".row.now").wait_for()
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/seats$"))
    page.locator(".go").wait_for()
    page.keyboard.press("Control+Enter")
    expect(page.locator(".line.now")).to_contain_text("replaces TC 35x62x7 NBR")
    page.goto(page.url.split("/orders")[0] + f"/jobs/{number}/parts/{part}/bench")
    expect(page.locator("input[name=marking]")).to_have_value("TC 35x62x7 NBR")  # it has come
    with page.expect_response(
        lambda answer: answer.request.method == "PUT" and answer.url.endswith("/bench")
    ):
        page.locator("input[name=marking]").fill("TC 35x62x7 FKM")
    page.goto(page.url.split("/jobs")[0] + f"/orders?part={part}")
    line = page.locator(".line.now")
    expect(line).to_contain_text("Changed since it was ordered: rubber NBR → FKM")
    line.get_by_role("button", name="take it off").click()
    expect(page.locator(".line", has_text="Browser test unit").filter(has_text=number)).to_have_count(0)


def test_a_mark_on_no_list_says_so_first(person, make_part):
    """And nothing that is listed stands under it as an answer; what is needed can still be said, and the way on is the enquiry."""
    number, part = make_part(marking="22392")
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    odd = page.get_by_label("what would explain the readings")
    expect(odd).to_contain_text("22392 is in none of the lists held here.")
    expect(page.locator(".candidates").get_by_label("quantity needed")).to_be_visible()
    expect(page.locator(".candidates")).not_to_contain_text("catalogue items in this size")
    page.get_by_role("button", name="Ask a supplier for 22392").click()
    expect(page).to_have_url(re.compile("/enquiry$"))
    expect(page.locator("main")).to_contain_text("22392")
    page.go_back()
    page.locator("input[name=bore]").fill("120")
    page.keyboard.press("Tab")
    expect(
        page.get_by_text("The marking says 22392, which is on no list here, bore 460 mm; it reads 120.00 mm.")
    ).to_be_visible()
