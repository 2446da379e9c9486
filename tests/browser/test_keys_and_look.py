"""Keys, units, the night shift, comparing side by side."""

import pytest
from playwright.sync_api import expect

PATHS = (
    "/", "/jobs/0409/take-in", "/jobs/0409/line", "/jobs/0413/line", "/jobs/0411/line", "/jobs/0409/strip-sheet",
    "/jobs/0412/parts/1/bench", "/jobs/0415/parts/4/match", "/jobs/0415/parts/4/seats", "/orders",
)  # fmt: skip


def test_the_keys_of_a_screen_are_listed(person):
    page = person().go("/jobs/0412/parts/1/bench")
    page.locator("h1").wait_for()
    page.get_by_role("button", name="keys").click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("confirm, then Match")
    expect(dialog).to_contain_text("next part in the tray")
    page.keyboard.press("Escape")
    expect(dialog).to_be_hidden()


def test_stages_are_reached_by_keys(person):
    page = person().go("/jobs/0415/parts/4/bench")
    page.locator("h1").wait_for()
    for key, name in (
        ("Alt+1", "take-in"),
        ("Alt+2", "line"),
        ("Alt+3", "bench"),
        ("Alt+4", "match"),
        ("Alt+5", "seats"),
        ("Alt+6", "orders"),
        ("Alt+0", ""),
    ):
        page.keyboard.press(key)
        page.wait_for_url(f"**/{name}" if name else "**/")


@pytest.mark.long
def test_the_tray_is_walked_with_n_and_p(person):
    page = person().go("/jobs/0412/parts/1/bench")
    expect(page.locator("h1")).to_have_text("Drive-end bearing")
    page.keyboard.press("Escape")
    page.locator("h1").click()
    page.keyboard.press("n")
    expect(page.locator("h1")).to_have_text("Idler-end bearing")
    page.locator("h1").click()
    page.keyboard.press("p")
    expect(page.locator("h1")).to_have_text("Drive-end bearing")


@pytest.mark.long
def test_inches_are_shown_and_typed_when_switched(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=bore]").wait_for()
    page.keyboard.press("Alt+u")
    page.locator("input[name=bore]").fill("1/2")
    page.locator("input[name=bore]").press("Enter")
    page.locator("input[name=outside]").fill("1.125")
    page.locator("input[name=outside]").press("Enter")
    expect(page.locator(".card.chosen .size")).to_contain_text("12.7 × 28.575")
    page.locator("h1").click()
    expect(page.locator("input[name=bore]")).to_have_value("0.5000")
    page.keyboard.press("Alt+u")
    expect(page.locator("input[name=bore]")).to_have_value("12.70")


def test_a_reading_is_taken_back_with_backspace(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    field = page.locator("input[name=bore]")
    field.fill("24.9")
    field.press("Enter")
    expect(field).not_to_be_focused()  # on to what is to be measured next
    field.focus()
    field.press("Backspace")
    expect(field).to_have_value("24.9")


def test_the_night_shift_stays_after_a_reload(person):
    page = person().page
    page.keyboard.press("Alt+n")
    assert page.evaluate("document.documentElement.dataset.night") == "on"
    page.reload()
    page.get_by_role("combobox").wait_for()
    assert page.evaluate("document.documentElement.dataset.night") == "on"


@pytest.mark.long
def test_up_to_three_stand_beside_the_original(person):
    page = person().go("/jobs/0415/parts/4/match")
    page.locator(".row.now").wait_for()
    for _ in range(3):
        page.keyboard.press("Space")
        page.keyboard.press("ArrowDown")
    expect(page.locator(".compare thead th")).to_have_count(4)
    page.get_by_role("button", name="identical").click()
    expect(page.locator(".compare tr.same").first).to_be_visible()


@pytest.mark.long
def test_quantity_by_keys_moves_its_light(person):
    page = person("Sorrel").go("/orders")
    page.locator(".line.now").wait_for()
    before = page.locator(".line.now .amount b").inner_text()
    page.locator(".line.now .what").click()
    page.keyboard.press("+")
    expect(page.locator(".line.now .amount b")).to_have_text(str(int(before) + 1))
    expect(page.locator(".panel")).to_contain_text("more than needed")
    page.keyboard.press("-")
    expect(page.locator(".line.now .amount b")).to_have_text(before)
    for key in "+++-":  # faster than it is answered: each counts, none is refused
        page.keyboard.press(key)
    expect(page.locator(".line.now .amount b")).to_have_text(str(int(before) + 2))
    expect(page.get_by_role("alert")).to_have_count(0)
    for _ in range(2):
        page.keyboard.press("-")
    expect(page.locator(".line.now .amount b")).to_have_text(before)


NAMELESS = """() => [...document.querySelectorAll('input, textarea, button, [role=img], [role=combobox]')]
    .filter((e) => !(e.getAttribute('aria-label') || e.getAttribute('aria-labelledby') || e.textContent.trim()
        || e.title || (e.labels && e.labels.length) || e.closest('[aria-hidden=true]')))
    .map((e) => e.outerHTML.slice(0, 120))"""
SMALL = """() => [...document.querySelectorAll('body *')]
    .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim()))
    .filter((e) => e.offsetParent && parseFloat(getComputedStyle(e).fontSize) < 13)
    .map((e) => e.outerHTML.slice(0, 120))"""


@pytest.mark.long
def test_every_field_and_drawing_has_a_name_and_no_text_is_smaller_than_thirteen_pixels(person):
    bench = person()
    for path in PATHS:
        page = bench.go(path)
        page.locator("main").wait_for()
        page.wait_for_load_state("networkidle")
        assert page.evaluate(NAMELESS) == [], path
        assert page.evaluate(SMALL) == [], path


@pytest.mark.long
def test_escape_leaves_a_field_on_every_screen_so_that_letters_are_keys(person):
    page = person().go("/jobs/0415/parts/4/seats")
    field = page.locator(".fields input.fig").nth(1)
    field.focus()
    before = field.input_value()
    page.keyboard.press("Escape")
    page.keyboard.press("w")
    expect(field).to_have_value(before)
    expect(field).not_to_be_focused()
