"""From a worn bearing in the hand to a checked order line, by keyboard, in the browser."""

import csv
import io
import json
import re

from playwright.sync_api import expect

from tests.browser.saving import SAVED


def saved(page):
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=8000)


def test_the_whole_way_by_keyboard_alone(person):
    bench = person("Marl")
    page = bench.page
    keys = page.keyboard
    keys.type("6204 2R")
    expect(page.get_by_role("option").first).to_contain_text("6204")
    keys.press("Enter")
    expect(page).to_have_url(re.compile("/bench$"))
    page.get_by_label("outside", exact=False).first.wait_for()
    expect(page.locator(".card.chosen .size")).to_have_text("20 × 47 × 14")
    keys.press("Alt+o")
    keys.type("46.99")
    keys.press("Enter")
    keys.press("Alt+b")
    keys.type("20,01")
    keys.press("Enter")
    saved(page)
    keys.press("Control+Enter")
    page.get_by_text("same part, other makers’ codes").wait_for()
    expect(page.locator(".spans.large")).to_contain_text("contact seals, both sides")
    keys.press("Enter")
    page.get_by_role("img", name="shaft seat, nominal 20 mm").wait_for()
    for value in ("20.006", "20.007", "20.006", "20.006", "20.005", "20.006"):
        keys.type(value)
        keys.press("Enter")
    expect(page.locator(".verdict h2").first).to_contain_text("Shaft")
    saved(page)
    keys.press("Control+Enter")
    page.get_by_text("On hold").wait_for()
    expect(page.locator(".panel h2")).to_contain_text("6204")
    expect(page.locator(".panel")).to_contain_text("The housing has not been measured.")


def test_the_ladder_moves_while_one_types_and_focus_goes_where_it_is_worth_most(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_text("Nothing measured yet").wait_for()
    page.locator(":focus").evaluate("field => field.blur()")
    page.keyboard.press("1")
    expect(page.locator(".kinds button").first).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Alt+b")
    page.keyboard.type("25.0")
    expect(page.locator(".card.chosen .size")).to_contain_text("25 ×")
    page.keyboard.press("Enter")
    expect(page.locator(":focus")).to_have_attribute("name", "width")
    page.keyboard.press("Alt+o")
    page.keyboard.type("52.02")
    expect(page.locator(".card.chosen .size")).to_have_text("25 × 52 × 15")
    page.keyboard.press("Enter")
    expect(page.locator(":focus")).to_have_attribute("name", "width")
    expect(page.locator(".do")).to_contain_text("Measure the width")
    page.keyboard.type("17.96")
    expect(page.locator(".card.chosen .size")).to_have_text("25 × 52 × 18")
    page.keyboard.press("Enter")
    expect(page.locator(":focus")).to_contain_text("Confirm")


def test_a_bad_reading_is_said_at_its_field_and_the_rest_is_ranked(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.keyboard.press("Alt+b")
    page.locator("input[name=bore]").fill("25.0")
    page.keyboard.press("Enter")
    page.locator("input[name=outside]").fill("52..x")
    expect(page.locator("#note-outside")).to_contain_text("cannot be read")
    expect(page.locator(".card.chosen .size")).to_contain_text("25 ×")
    page.locator("input[name=outside]").press("Enter")
    expect(page.locator("input[name=outside]")).to_have_value("52..x")


def test_inches_are_asked_about(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=bore]").fill("0.984")
    page.locator("input[name=outside]").fill("2.047")
    expect(page.locator(".ranking .note")).to_contain_text("Are these inches?")


def test_what_is_typed_survives_a_reload(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=marking]").fill("62?5 2R")
    page.locator("input[name=bore]").fill("24.98")
    page.locator("input[name=bore]").press("Enter")
    page.locator("input[name=outside]").fill("52.0")
    saved(page)
    page.reload()
    expect(page.locator("input[name=marking]")).to_have_value("62?5 2R")
    expect(page.locator("input[name=bore]")).to_have_value("24.98")
    expect(page.locator("input[name=outside]")).to_have_value("52.0")


def test_the_counter_answers_as_one_types(person):
    page = person().page
    page.keyboard.type("62?5 2R")
    expect(page.get_by_role("option").first).to_contain_text("25 × 52 × 15")
    page.get_by_role("combobox").fill("25x47x8")
    expect(page.get_by_role("option").first).to_contain_text("16005")
    page.get_by_role("combobox").fill("0412")
    expect(page.get_by_role("option").first).to_contain_text("Weed-harvester drum")
    page.keyboard.press("Enter")
    expect(page.locator("h1")).to_have_text("Drive-end bearing")


def test_a_job_is_opened_from_the_counter(person):
    page = person().page
    page.keyboard.press("Alt+j")
    page.locator("input[name=title]").fill("Bilge pump")
    page.keyboard.press("Enter")
    page.wait_for_url("**/take-in")
    page.keyboard.press("Alt+0")
    expect(page.get_by_role("link", name="Bilge pump")).to_be_visible()


def test_seats_show_zone_band_and_points_in_micrometres(person):
    page = person().go("/jobs/0415/parts/4/seats")
    shaft = page.get_by_role("img", name="shaft seat")
    expect(shaft).to_have_attribute(
        "aria-label",
        "shaft seat, nominal 17 mm: zone k5 from +1 to +9 micrometres, bearing bore from −8 to 0, 6 readings",
    )
    expect(page.locator(".verdict h2").nth(1)).to_contain_text("Housing cannot be decided")
    page.get_by_role("button", name="housing rotates").click()
    expect(page.locator(".schools")).to_contain_text("housing M7 or K7?")
    page.get_by_role("button", name="shaft rotates").click()
    page.locator("input.seat-field").first.fill("17.5.1")
    expect(page.locator("[role=alert]").first).to_contain_text("cannot be read")
    page.locator("input.seat-field").first.fill("17.007")


def test_a_light_is_passed_with_a_reason_and_the_sheet_comes_out(person):
    bench = person("Sorrel")
    page = bench.go("/orders")
    page.get_by_text("Motor-side bearing", exact=False).first.click()
    before = page.get_by_role("button", name="override with a reason").count()
    assert before > 0
    page.get_by_role("button", name="override with a reason").first.click()
    page.get_by_label("reason").fill("The seat was reground last year and is on record.")
    page.keyboard.press("Control+Enter")
    expect(page.locator(".panel")).to_contain_text("Sorrel: The seat was reground last year")
    orders = json.loads(page.request.get(f"{bench.address}/api/orders").text())
    sheet = next(each for each in reversed(orders["sheets"]) if each["state"] == "open")
    rows = list(
        csv.DictReader(
            io.StringIO(page.request.get(f"{bench.address}/api/orders/{sheet['order_id']}/sheet.csv").text())
        )
    )
    assert any("reground last year" in row["unproven_and_passed"] for row in rows)
    page.emulate_media(media="print")
    expect(page.locator("header.top, footer").first).to_be_hidden()
    expect(page.locator(".paper").first).to_be_visible()


def test_everything_needs_signing_in_and_signing_out_ends_it(stranger):
    page = stranger.go("/jobs/0412/parts/1/bench")
    page.get_by_text("Who is at the bench?").wait_for()
    stranger.page.get_by_role("button", name="Wren").click()
    expect(page.locator("h1")).to_have_text("Drive-end bearing")
    page.get_by_role("button", name="sign out").click()
    page.get_by_role("button", name="Sign out", exact=True).click()
    page.get_by_text("Who is at the bench?").wait_for()


def test_a_wrong_pin_is_said_at_the_door(stranger):
    page = stranger.go("/")
    page.locator("input[name=name]").fill("Wren")
    page.locator("input[name=secret]").fill("0000")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Wrong name or PIN.")
    expect(page.locator("input[name=name]")).to_have_value("Wren")


def test_a_tablet_held_upright_has_everything(person):
    bench = person()
    bench.page.set_viewport_size({"width": 820, "height": 1180})
    page = bench.go("/jobs/0412/parts/2/bench")
    expect(page.locator(".card.chosen")).to_be_visible()
    width = page.evaluate("document.documentElement.scrollWidth")
    assert width <= 820
