"""The handbook in the browser: found by a word, worked by the keys, wrong figures said at their field, nothing lost."""

import re

import pytest
from playwright.sync_api import expect


def opened(person, question="lip_speed"):
    page = person().go(f"/reference/{question}")
    page.locator(".worked h2").wait_for()
    return page


def found_by_the_keys(page):
    page.keyboard.press("Alt+r")
    expect(page.locator("input[name=search]")).to_be_focused()
    page.keyboard.type("lip speed limit")
    page.keyboard.press("Enter")
    expect(page.locator(".worked h2")).to_contain_text("lip reaches its limit")
    expect(page.locator("input[name=shaft_mm]")).to_be_focused()


def test_a_page_is_found_and_worked_by_the_keys_alone(person):
    page = person().go("/")
    found_by_the_keys(page)
    page.keyboard.type("50")
    page.keyboard.press("Tab")
    page.keyboard.type("14")
    expect(page.get_by_role("status").locator("strong").first).to_have_text("5 347.6")
    expect(page.locator(".numbers")).to_have_text("n = 60 000·14/(π·50) = 5 347.6 1/min")


def test_enter_pressed_before_the_book_is_there_is_carried_out(person):
    page = person().go("/")
    page.route("**/api/calc/handbook", lambda route: (page.wait_for_timeout(900), route.continue_()))
    found_by_the_keys(page)


def test_enter_leads_into_what_is_looked_up_and_a_click_takes_no_hand_away(person):
    page = opened(person)
    page.locator("input[name=search]").fill("newton foot pound")
    page.keyboard.press("Enter")
    expect(page.locator("input[name=look-thread]")).to_be_focused()
    page.locator("input[name=search]").fill("marmalade")
    page.keyboard.press("Enter")
    page.locator("input[name=search]").fill("belt")
    page.locator(".pages button").first.click()
    expect(page.locator(".worked h2")).to_be_visible()
    expect(page.locator(".worked input").first).not_to_be_focused()


def test_a_page_is_drawn_with_its_own_numbers(person):
    """The length in hand stands out; an answer is written in too; figures that cannot be leave the bare drawing."""
    page = opened(person, "groove_for_piston")
    drawing = page.locator(".sketch")
    expect(drawing.locator("text")).to_have_text(["bore", "gland depth"])
    page.locator("input[name=bore_mm]").fill("50")
    page.keyboard.press("Tab")
    page.keyboard.type("2.8")
    expect(drawing.locator("text")).to_have_text(
        ["bore 50 mm", "groove diameter 44.4 mm", "gland depth 2.8 mm"]
    )
    expect(drawing.locator("text.next")).to_have_text("gland depth 2.8 mm")
    page.locator("input[name=gland_depth_mm]").fill("-3")
    expect(page.locator(".worked .fields").get_by_role("alert")).to_be_visible()
    expect(drawing.locator("text")).to_have_text(["bore", "gland depth"])


def test_what_cannot_be_is_said_at_its_field_and_kept(person):
    page = opened(person, "raceway_growth")
    for name, typed in (
        ("bore_mm", "50"),
        ("raceway_mm", "40"),
        ("hollow_mm", "0"),
        ("effective_interference_um", "20"),
    ):
        page.locator(f"input[name={name}]").fill(typed)
    expect(
        page.locator("label", has=page.locator("input[name=raceway_mm]")).get_by_role("alert")
    ).to_contain_text("The raceway is larger than the bore")
    expect(page.locator(".answer")).to_have_count(0)
    page.locator("input[name=raceway_mm]").fill("60")
    expect(page.locator(".answer strong").first).to_have_text("16.7")
    page.reload()
    expect(page.locator("input[name=raceway_mm]")).to_have_value("60")
    expect(page.locator(".answer strong").first).to_have_text("16.7")


def test_words_typed_for_a_figure_are_refused_at_their_field(person):
    page = opened(person, "belt_sag")
    page.locator("input[name=span_mm]").fill("a metre")
    expect(page.get_by_role("alert")).to_contain_text("Free span is a number")
    page.locator("input[name=span_mm]").fill("1000")
    expect(page.locator(".answer strong").first).to_have_text("16")


@pytest.mark.long
def test_every_page_can_be_opened_and_says_what_it_rests_on(person):
    page = opened(person)
    pages = page.locator(".pages button")
    count = pages.count()
    assert count == 86 + 6  # the formulas, and what is looked up before them
    for place in range(6, count, 7):
        pages.nth(place).click()
        expect(page.locator(".worked h2")).to_have_text(re.compile(re.escape(pages.nth(place).inner_text())))
        expect(page.locator(".rests")).to_contain_text("source")
        assert page.locator(".worked input, .worked select").count() >= 1


def test_a_word_that_stands_nowhere_is_said_so(person):
    page = opened(person)
    page.locator("input[name=search]").fill("marmalade")
    expect(page.get_by_text("No page has all these words.")).to_be_visible()


def test_what_is_looked_up_stands_before_the_formulas(person):
    page = person().go("/reference/look-fits")
    page.locator("input[name=fit-shaft]").fill("p6")
    expect(page.get_by_role("status").first).to_contain_text("1 … 35 µm tight")
    expect(page.get_by_role("img", name="zones H7 and p6 at 25 mm")).to_be_visible()
    page.locator("input[name=fit-shaft]").fill("q66")
    expect(page.get_by_role("alert")).to_be_visible()


def test_codes_media_rings_and_lengths(person):
    page = person().go("/reference/look-codes")
    page.locator("input[name=code-search]").fill("2RS")
    expect(page.get_by_role("article")).to_contain_text("both sides")
    page.goto(page.url.replace("look-codes", "look-media"))
    page.locator("select[name=look-medium]").select_option("brake_fluid")
    expect(page.locator("tbody tr").first).to_contain_text("lasts")
    page.goto(page.url.replace("look-media", "look-rings"))
    expect(page.get_by_role("article")).to_contain_text("13 … 28")
    page.goto(page.url.replace("look-rings", "look-length"))
    page.locator("input[name=look-length]").fill("1 1/8")
    expect(page.get_by_role("status").first).to_contain_text("28.575 mm")


def test_a_screw_is_tightened_by_its_grade_and_a_torque_read_in_every_unit(person):
    page = person().go("/reference/look-torque")
    page.locator("input[name=look-thread]").fill("M12")
    expect(page.get_by_role("status").first).to_contain_text("M12")
    expect(page.locator("tbody tr").nth(1)).to_contain_text("126 N·m")  # 10.9: charts of the trade have 123
    page.locator("input[name=look-thread]").fill("G 1/2")
    expect(page.get_by_role("alert")).to_contain_text("no torque of its own")
    page.locator("input[name=look-torque]").fill("100")
    page.locator("select[name=look-torque-unit]").select_option("in-lb")
    expect(page.locator(".look").get_by_role("status").last).to_contain_text("11.3 N·m")


def test_a_step_opens_the_page_with_its_own_thread(person):
    page = person().go("/reference/look-torque?thread=M16x1.5")
    expect(page.locator("input[name=look-thread]")).to_have_value("M16x1.5")
    expect(page.get_by_role("status").first).to_contain_text("M16 × 1.5")
