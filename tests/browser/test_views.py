"""Every view and state: no phrase that the guide to words replaces, and nothing that an axe-core scan finds."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import expect

from ample.core.tables import read_table

ROOT = Path(__file__).parents[2]
AXE = ROOT / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
NOT_SAID = [
    (re.compile(row["phrase"]), row["instead"])
    for row in read_table(ROOT / "tests" / "words" / "not_said.csv").rows
]
WORDS = """() => [document.body.innerText, ...[...document.querySelectorAll('*')].flatMap((each) =>
  ['aria-label', 'title', 'placeholder', 'alt'].map((name) => each.getAttribute(name)).filter(Boolean))].join('\\n')"""
SETTLED = """() => {
  const now = document.body.innerText.length, same = window.lengthBefore === now
  window.lengthBefore = now
  return same
}"""
SCAN = """async () => (await axe.run(document, { resultTypes: ['violations'] })).violations.map(
  (each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).slice(0, 4).join(' | ')}`)"""
JOB, PART = "/jobs/0415", "/jobs/0415/parts/4"
VIEWS = {
    "counter": "/",
    "take-in": f"{JOB}/take-in",
    "take-in with causes": "/jobs/0409/take-in",
    "strip-down": "/jobs/0409/line",
    "strip-down, empty": "/jobs/0412/line",
    "strip-down sheet": "/jobs/0409/strip-sheet",
    "bench": f"{PART}/bench",
    "bench, nothing read": "/jobs/0414/parts/1/bench",
    "enquiry": f"{PART}/enquiry",
    "match": f"{PART}/match",
    "seats": f"{PART}/seats",
    "orders": "/orders",
    "fit-up": "/jobs/0406/fit-up",
    "fit-up, nothing yet": "/jobs/0412/fit-up",
    "fit-up sheet": "/jobs/0406/fit-up-sheet",
    "proof": "/jobs/0405/proof",
    "proof, nothing yet": "/jobs/0412/proof",
    "history": "/jobs/0405/history",
    "shop": "/shop",
    "people": "/shop/people",
    "record": "/shop/record",
    "nowhere": "/there/is/no/such/page",
}
NARROW = (
    "counter",
    "take-in",
    "strip-down",
    "bench",
    "match",
    "seats",
    "fit-up",
    "proof",
    "history",
    "shop",
    "people",
)
OPENED = {
    "keys": ("/jobs/0412/line", "?"),
    "earlier versions": (f"{JOB}/take-in", "v"),
    "why a candidate": (f"{PART}/bench", "w"),
    "a unit taken in": ("/", "Alt+j"),
    "loose items": ("/jobs/0409/line", "#"),
    "a part added by name": ("/jobs/0409/line", "+"),
}


def judged(page):
    """What is wrong with the view: phrases that are not said, and what the scan finds."""
    page.locator("h1").first.wait_for(state="attached")
    expect(page.locator("main")).not_to_be_empty()
    page.wait_for_function(SETTLED, polling=300)
    words = page.evaluate(WORDS)
    found = [
        f"{phrase.search(words)[0]!r} -> {instead}" for phrase, instead in NOT_SAID if phrase.search(words)
    ]
    page.evaluate(AXE.read_text(encoding="utf-8"))
    return found + page.evaluate(SCAN)


SHORT = ("counter", "bench", "orders")  # the others in the long run


@pytest.mark.parametrize(
    "view", [view if view in SHORT else pytest.param(view, marks=pytest.mark.long) for view in VIEWS]
)
def test_a_view_is_in_plain_words_and_seen_by_all(person, view):
    assert judged(person("Marl").go(VIEWS[view])) == []


@pytest.mark.long
@pytest.mark.parametrize("state", OPENED)
def test_what_a_key_opens_is_in_plain_words_and_seen_by_all(person, state):
    path, key = OPENED[state]
    page = person("Marl").go(path)
    page.locator("h1").first.wait_for(state="attached")
    page.keyboard.press("Escape")
    page.keyboard.press(key)
    assert judged(page) == []


def test_signing_in_is_in_plain_words_and_seen_by_all(stranger):
    page = stranger.go("/")
    page.get_by_role("button", name="Wren").wait_for()
    assert judged(page) == []


@pytest.mark.long
@pytest.mark.parametrize(("width", "height"), [(820, 1180), (390, 844)])
def test_a_narrow_view_is_in_plain_words_and_seen_by_all(person, width, height):
    bench = person("Marl")
    found = {}
    for view in NARROW:
        page = bench.go(VIEWS[view])
        page.set_viewport_size({"width": width, "height": height})
        found[view] = judged(page)
    bench.page.set_viewport_size({"width": 1280, "height": 800})
    assert {view: each for view, each in found.items() if each} == {}


@pytest.mark.long
@pytest.mark.parametrize(
    "view", ["strip-down sheet", "fit-up sheet", "orders", "enquiry", "proof", "history", "record"]
)
def test_a_print_is_in_plain_words(person, view):
    page = person("Marl").go(VIEWS[view])
    page.emulate_media(media="print")
    found = judged(page)
    page.emulate_media(media="screen")
    assert found == []


def refused_reading(page):
    page.locator("input[name=bore]").fill("2S.0x")
    page.locator("input[name=bore]").press("Enter")


def refused_marking(page):
    page.locator("input[name=marking]").fill("~" * 90)
    page.keyboard.press("Tab")


def away(page):
    page.route("**/api/**", lambda route: route.abort())
    page.locator("input[name=bore]").fill("25.0")
    page.locator("input[name=bore]").press("Enter")


def refused_seat(page):
    page.locator("input[name=shaft-zone]").fill("k99")
    page.keyboard.press("Tab")


def confirmed_against_its_mark(page):
    for name, figure in (("bore", "17.0"), ("outside", "47.0"), ("width", "14.0")):
        page.locator(f"input[name={name}]").fill(figure)
        page.locator(f"input[name={name}]").press("Enter")
    page.locator("input[name=marking]").fill("6205")
    page.keyboard.press("Tab")
    page.locator(".card.chosen").wait_for()
    page.keyboard.press("Control+Enter")
    page.get_by_role("alert").first.wait_for()  # where the last reading changes what stands first, two


REFUSED = {
    "a reading that is none": ("bench", refused_reading),
    "a marking that is none": ("bench", refused_marking),
    "the server is away": ("bench", away),
    "a zone that is none": ("seats", refused_seat),
    "a part against its mark": ("bench", confirmed_against_its_mark),
}


@pytest.mark.long
@pytest.mark.parametrize("state", REFUSED)
def test_a_refusal_is_in_plain_words_and_seen_by_all(person, make_part, state):
    view, refuse = REFUSED[state]
    number, part = make_part()
    bench = person("Marl")
    page = bench.go(f"/jobs/{number}/parts/{part}/{view}" if view == "bench" else VIEWS[view])
    page.locator("main input").first.wait_for()
    refuse(page)
    page.wait_for_timeout(600)
    found = judged(page)
    page.unroute_all(behavior="ignoreErrors")
    assert found == []


@pytest.mark.long
@pytest.mark.parametrize("path", ["/", f"{JOB}/take-in", "/jobs/0409/line", f"{PART}/bench", f"{PART}/seats"])
def test_the_night_colours_can_be_read(person, path):
    page = person("Marl").go(path)
    page.locator("main").wait_for()
    page.keyboard.press("Alt+n")
    assert judged(page) == []
    page.keyboard.press("Alt+n")


FIELDS_OVER_FIELDS = """() => {
  const shown = [...document.querySelectorAll('main input, main select, main textarea, main button')].filter(
    (each) => each.getBoundingClientRect().width && !each.closest('[role=dialog]'))
  const over = []
  for (const [i, one] of shown.entries()) for (const other of shown.slice(i + 1)) {
    if (one.contains(other) || other.contains(one)) continue
    const a = one.getBoundingClientRect(), b = other.getBoundingClientRect()
    if (Math.min(a.right, b.right) - Math.max(a.left, b.left) > 3 &&
        Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 3)
      over.push(`${one.name || one.textContent.trim()} / ${other.name || other.textContent.trim()}`)
  }
  return over
}"""


@pytest.mark.long
@pytest.mark.parametrize(("width", "height"), [(820, 1180), (390, 844)])
def test_on_a_narrow_screen_no_field_lies_over_another(person, width, height):
    bench = person("Marl")
    for view in NARROW:
        page = bench.go(VIEWS[view])
        page.set_viewport_size({"width": width, "height": height})
        page.locator("h1").first.wait_for(state="attached")
        page.wait_for_function(SETTLED, polling=300)
        assert page.evaluate(FIELDS_OVER_FIELDS) == [], view
        assert page.evaluate("document.documentElement.scrollWidth") <= width, view
    bench.page.set_viewport_size({"width": 1280, "height": 800})


WIDER = """() => [...document.querySelectorAll('.two > .left > *')].filter((each) =>
  each.getBoundingClientRect().right > each.parentElement.getBoundingClientRect().right + 1).map((each) => each.className)"""


@pytest.mark.long
@pytest.mark.parametrize("part", [30, 33, 4])
def test_a_long_head_pushes_nothing_over_the_candidates(person, part):
    """Ten parts in the tray and a place in many words: the drawing stays beside what it could be."""
    page = person("Marl").go(
        f"/jobs/{'0415' if part == 4 else '0416' if part == 30 else '0417'}/parts/{part}/bench"
    )
    page.locator(".card.chosen").wait_for()
    assert page.evaluate(WIDER) == []


def test_upright_the_drawing_is_not_scrolled_away(person):
    page = person("Marl").go(f"{PART}/bench")
    page.set_viewport_size({"width": 820, "height": 1180})
    expect(page.locator(".go")).to_be_focused()
    drawing = page.locator(".drawing").first.bounding_box()
    assert drawing["y"] >= 0
    assert drawing["y"] + drawing["height"] <= 1180
    page.set_viewport_size({"width": 1280, "height": 800})


def test_a_stage_without_a_part_says_what_is_missing_and_leads_there(person):
    page = person("Marl").go("/")
    page.get_by_role("combobox").wait_for()
    page.keyboard.press("Alt+3")
    expect(page.get_by_role("heading", name="No job selected")).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="What’s in your hand?")).to_be_visible()


def test_enter_at_the_counter_waits_for_the_answer(person):
    page = person("Marl").go("/")
    field = page.get_by_role("combobox", name="Marking, size or job number")
    field.press_sequentially("0409")
    page.keyboard.press("Enter")  # at once: nothing has been answered yet
    page.wait_for_url("**/jobs/0409/**")


def test_a_figure_typed_on_the_button_goes_into_the_next_field(person, make_part):
    number, part = make_part()
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")
    bore, outside = page.locator("input[name=bore]"), page.locator("input[name=outside]")
    bore.fill("25.0")
    bore.press("Enter")
    button = page.get_by_role("button", name="Confirm")
    expect(button).to_be_enabled()
    button.focus()
    page.keyboard.type("52.0")
    expect(outside).to_have_value("52.0")
    page.keyboard.press("Enter")
    expect(outside).to_have_value("52.00")


def test_confirming_waits_for_the_answer_and_confirms_only_what_was_seen(person, make_part):
    number, part = make_part()
    page = person("Marl").go(f"/jobs/{number}/parts/{part}/bench")

    def fill(name, figure):
        page.locator(f"input[name={name}]").fill(figure)
        page.locator(f"input[name={name}]").press("Enter")

    fill("bore", "25.0")
    fill("outside", "52.0")
    expect(page.locator(".card.chosen")).to_contain_text("6205")
    held = []
    page.route("**/api/bench/identify", lambda route: held.append(route))
    fill("width", "18.0")
    page.keyboard.press("Control+Enter")  # at once: what the width says has not come yet
    page.wait_for_timeout(1000)
    assert page.url.endswith("/bench")
    held[-1].continue_()
    page.unroute_all(behavior="ignoreErrors")
    expect(page.get_by_role("alert")).to_contain_text("Confirm again if you agree.")
    expect(page.locator(".card.chosen")).not_to_contain_text("6205")
    page.keyboard.press("Control+Enter")
    page.wait_for_url("**/match")
