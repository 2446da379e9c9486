"""The Bench for every kind of bearing: pictures, questions, fields on the drawing, a caliper that sends."""

import re
from datetime import datetime

import pytest
from playwright.sync_api import expect

from ample.shop.calipers import queries
from ample.store import Database
from tests.browser.saving import shortly


def read(page, **sizes):
    for name, typed in sizes.items():
        field = page.locator(f"input[name={name}]")
        field.fill(typed)
        field.press("Enter")
        expect(page.locator(f"#note-{name}")).to_contain_text("±")


def choose(page, number):
    page.get_by_text("Nothing measured yet").wait_for()
    page.locator(":focus").evaluate("field => field.blur()")
    page.keyboard.press(str(number))
    expect(page.locator(".kinds button").nth(number - 1)).to_have_attribute("aria-pressed", "true")


# The picture's key, what is read, and what it is (ISO 15, ISO 355, ISO 104, ISO 9628).
PARTS = [
    (2, {"bore": "25.0", "outside": "52.0", "width": "14.95"}, "25 × 52 × 15", "NU205"),
    (3, {"bore": "25.0", "outside": "52.0", "assembled_width": "16.3"}, "25 × 52 × 16.25", "30205"),
    (4, {"bore": "75.0", "outside": "130.0", "width": "30.95"}, "75 × 130 × 31", "22215"),
    (5, {"bore": "25.0", "outside": "42.0", "width": "10.9"}, "25 × 42 × 11", "51105"),
    (8, {"bore": "25.01", "outside": "52.0", "width": "34.0"}, "25 × 52 × 34.1", "UC205"),
]


@pytest.mark.parametrize(("key", "sizes", "size", "name"), shortly(PARTS, 2), ids=[each[3] for each in PARTS])
def test_a_part_of_each_picture_is_told_by_keys(person, make_part, key, sizes, size, name):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    choose(page, key)
    read(page, **sizes)
    expect(page.locator(".card.chosen .size")).to_have_text(size)
    expect(page.locator(".card.chosen .vars b").first).to_have_text(name)
    expect(page.locator(".drawing svg")).not_to_have_attribute("aria-label", re.compile("proportions only"))


@pytest.mark.long
def test_a_drawn_cup_by_shaft_and_housing(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    choose(page, 6)
    for name, typed in (("shaft_seat", "25.0"), ("housing_seat", "32.01")):
        page.locator(f"input[name={name}]").fill(typed)
        page.locator(f"input[name={name}]").press("Enter")
    read(page, width="15.9")
    expect(page.locator(".card.chosen .vars b").first).to_have_text("HK2516")
    page.get_by_text("loose needles").click()
    page.locator("input[name=needle-pin]").fill("14.7")
    page.locator("input[name=needle-size]").fill("2.5")
    page.locator("input[name=needle-count]").fill("20")
    expect(page.locator(".needles [role=alert]")).to_contain_text("One needle is missing")


@pytest.mark.long
def test_a_question_is_answered_by_keys_and_taken_back(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    choose(page, 2)
    read(page, bore="25.0", outside="52.0", width="14.95")
    page.locator(":focus").evaluate("field => field.blur()")
    expect(page.locator(".choices")).to_be_visible()
    page.keyboard.press("q")
    page.keyboard.press("ArrowRight")
    words = page.locator(":focus").inner_text()
    page.keyboard.press("Enter")
    told = page.locator(".told button")
    expect(told).to_contain_text(words)
    page.reload()
    expect(told).to_contain_text(words)
    told.click()
    expect(told).to_have_count(0)


def test_the_hand_is_led_though_the_tables_come_again_after_the_answer(person, make_part):
    """The frame of the page asks for them as well: whichever comes last, the hand is led to the first field."""
    number, part = make_part()
    page = person().go("/")
    page.evaluate("localStorage.clear()")
    asked = []

    def late(route):
        asked.append(route)
        if len(asked) > 8:
            page.wait_for_timeout(700)
        route.continue_()

    page.route("**/api/calc/kinds", late)
    page.goto(page.url.rstrip("/") + f"/jobs/{number}/parts/{part}/bench")
    page.locator(".bench :focus").wait_for()
    assert len(asked) == 8  # one of each family


def test_nothing_fits_and_the_enquiry_shows_the_sizes(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    choose(page, 1)
    for _ in range(2):
        read(page, bore="26.0", outside="53.0", width="16.0")
    expect(page.locator(".none")).to_contain_text(re.compile(r"9\d|> 99"))
    expect(page.locator(".enquire")).to_contain_text("The closest is")
    page.get_by_role("link", name="Enquiry sheet").click()
    paper = page.locator(".paper")
    expect(paper).to_contain_text("26.00")
    expect(paper.locator("svg")).to_contain_text("53.00")
    expect(paper).to_contain_text("closest in the catalogue")


def test_the_caliper_lands_in_the_field_that_was_entered(person, make_part, own_database):
    database = Database(own_database.url)
    number, part = make_part()
    caliper = database.run(queries.all_calipers)[0]
    now = datetime(2026, 1, 1)
    database.run(lambda t: queries.set_state(t, caliper.caliper_id, "linked", "linked", 80, now))

    def send(typed, unit="mm"):
        stamp = database.run(lambda t: t.single_value("SELECT UTC_TIMESTAMP(6)"))
        database.run(lambda t: queries.add_reading(t, caliper.caliper_id, typed, unit, stamp))

    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    expect(page.locator("footer")).to_contain_text("connected, battery 80 %")
    page.locator("input[name=outside]").focus()
    send("52.02")
    expect(page.locator(".taken button")).to_have_text(["52.02 ×"])
    send("2.048", "in")
    expect(page.locator(".taken button")).to_have_text(["52.02 ×", "2.048 in ×"])
    expect(page.locator("#note-outside")).to_contain_text("2 readings")
    tone = page.get_by_role("button", name="tone")
    tone.click()
    expect(tone).to_contain_text("off")
    database.run(lambda t: queries.set_state(t, caliper.caliper_id, "away", "the link was lost", None, now))
    expect(page.locator("footer")).to_contain_text("the link was lost", timeout=8000)


def test_a_reading_of_a_caliper_stands_beside_another_instruments(person, make_part, own_database):
    database = Database(own_database.url)
    caliper = database.run(queries.all_calipers)[0]
    now = datetime(2026, 1, 1)
    database.run(lambda t: queries.set_state(t, caliper.caliper_id, "linked", "linked", 80, now))
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_text("Nothing measured yet").wait_for()
    read(page, bore="25.0")
    page.locator("input[name=bore]").focus()
    stamp = database.run(lambda t: t.single_value("SELECT UTC_TIMESTAMP(6)"))
    database.run(lambda t: queries.add_reading(t, caliper.caliper_id, "25.04", "mm", stamp))
    expect(page.locator("#note-bore")).to_contain_text("2 readings", timeout=8000)
    expect(page.locator(".taken")).to_contain_text("25.0 caliper")
    expect(page.locator(".taken")).to_contain_text("25.04 caliper 3")
    database.run(lambda t: queries.set_state(t, caliper.caliper_id, "away", "away", None, now))


@pytest.mark.long
def test_codes_and_instruments_are_added_on_the_shop_screen(person):
    page = person("Marl").go("/shop")
    expect(page.get_by_role("region", name="instruments")).to_contain_text("overdue, uncertainty widened")
    page.locator("input[name=dialect-name]").fill("Eastquay")
    codes = page.locator("textarea[name=dialect-codes]")
    codes.fill(
        'QA,suffix,closure,seal_two,"contact seals, both sides",a list,,6205-QAB\nQAB,suffix,closure,seal_one,seal'
    )
    page.get_by_role("button", name="Check and save").click()
    expect(page.get_by_role("alert")).to_contain_text("QAB may hide it")
    codes.fill('QA,suffix,closure,seal_two,"contact seals, both sides",a list')
    page.get_by_role("button", name="Check and save").click()
    expect(page.locator("p[role=status]")).to_contain_text("1 codes of Eastquay saved")
    page.get_by_role("button", name="Add an instrument").click()
    page.locator("input[name=instrument-name]").fill("caliper 5")
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_role("region", name="instruments")).to_contain_text("caliper 5")


def test_one_key_stands_for_what_cannot_be_read_and_the_rest_stays_in_sight(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_text("Nothing measured yet").wait_for()
    field = page.locator("input[name=marking]")
    field.focus()
    page.keyboard.type("62")
    page.keyboard.press("ArrowRight")
    page.keyboard.type("5")
    expect(field).to_have_value("62?5")
    expect(page.locator(".said")).to_contain_text("or 6215")


@pytest.mark.long
def test_the_tray_is_walked_without_leaving_the_keys(person):
    page = person().page
    page.keyboard.type("0414")
    page.get_by_role("option").first.wait_for()
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/jobs/0414"))
    page.keyboard.press("Alt+3")
    expect(page).to_have_url(re.compile("/bench$"))
    expect(page.locator("h1")).to_have_text("Drum-side bearing")
    for name in ("Free-end bearing", "Intermediate taper", "Worm thrust bearing"):
        page.keyboard.press("Alt+.")
        expect(page.locator("h1")).to_have_text(name)
    page.keyboard.press("Alt+,")
    expect(page.locator("h1")).to_have_text("Intermediate taper")


@pytest.mark.long
def test_a_taper_goes_on_to_match_and_seats(person):
    page = person("Marl").page
    page.keyboard.type("30205")
    expect(page.get_by_role("option").first).to_contain_text("25 × 52 × 16.25")
    page.keyboard.press("Enter")
    expect(page.locator(".card.chosen .size")).to_have_text("25 × 52 × 16.25")
    page.keyboard.press("Control+Enter")
    expect(page.locator(".spans.large")).to_contain_text("taper")
    page.keyboard.press("Enter")
    expect(page.locator("aside.right h2").first).to_contain_text("Shaft not measured")
    expect(page.get_by_role("img", name="shaft seat, nominal 25 mm: zone k6")).to_be_visible()
