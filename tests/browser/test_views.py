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


@pytest.mark.parametrize("view", VIEWS)
def test_a_view_is_in_plain_words_and_seen_by_all(person, view):
    assert judged(person("Marl").go(VIEWS[view])) == []


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


@pytest.mark.parametrize("path", ["/", f"{JOB}/take-in", "/jobs/0409/line", f"{PART}/bench", f"{PART}/seats"])
def test_the_night_colours_can_be_read(person, path):
    page = person("Marl").go(path)
    page.locator("main").wait_for()
    page.keyboard.press("Alt+n")
    assert judged(page) == []
    page.keyboard.press("Alt+n")
