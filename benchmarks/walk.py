"""A part from the Counter to the order with keys only: how many keys, and how long the machine kept one waiting."""

from __future__ import annotations

import time

from playwright.sync_api import Locator, Page

from benchmarks.line import signed_in_page

ROUNDS = 5
SHAFT = ("20.006", "20.007", "20.006", "20.006", "20.005", "20.006")
HOUSING = ("47.004", "47.005", "47.004", "47.006", "47.005", "47.004")
REASON = "old housing measured on site"


class Hand:
    """Presses keys and counts them; waits only for what the next key needs, and adds up that waiting."""

    def __init__(self, page: Page) -> None:
        self.page, self.keys, self.waited_s = page, 0, 0.0

    def type(self, text: str) -> None:
        """A text, a key a character."""
        self.keys += len(text)
        self.page.keyboard.type(text)

    def press(self, *names: str) -> None:
        """Keys one after another; a key held with another counts as one."""
        for name in names:
            self.keys += 1
            self.page.keyboard.press(name)

    def see(self, what: Locator, gone: bool = False) -> None:
        """Wait until it is there, or gone."""
        began = time.perf_counter()
        what.first.wait_for(state="detached" if gone else "visible")
        self.waited_s += time.perf_counter() - began


def walk(page: Page, address: str) -> tuple[int, float, int]:
    """Keys, seconds waited for the machine, and checks overridden, from the Counter to an item whose checks are all met or overridden."""
    hand = Hand(page)
    page.goto(address)
    page.get_by_role("combobox").first.wait_for()
    hand.type("6204 2R")
    hand.press("Enter")  # at once: it waits for the answer
    hand.see(page.locator(".card.chosen .size", has_text="20 × 47 × 14"))
    hand.press("Alt+o")
    hand.type("46.99")
    hand.press("Enter", "Alt+b")
    hand.type("20.01")
    hand.press("Enter", "Control+Enter")  # at once: it waits for what the bore says
    hand.see(page.get_by_text("same part, other makers’ codes"))
    hand.press("Enter")
    hand.see(page.get_by_role("img", name="shaft seat, nominal 20 mm"))
    for values in (SHAFT, HOUSING):
        for value in values:
            hand.type(value)
            hand.press("Enter")
    hand.press("Control+Enter")
    hand.see(page.locator(".panel h2", has_text="6204"))
    overridden = 0
    while page.get_by_role("button", name="override with a reason").count():
        hand.press("o")
        hand.see(page.locator(".reason textarea"))
        hand.type(REASON)
        hand.press("Control+Enter")
        hand.see(page.locator(".reason textarea"), gone=True)
        overridden += 1
    return hand.keys, hand.waited_s, overridden


def walk_times(address: str) -> dict[str, float]:
    """The median of some walks on a demo."""
    with signed_in_page(address) as page:
        walks = [walk(page, address) for _ in range(ROUNDS)]
    keys, waited, overridden = zip(*sorted(walks, key=lambda each: each[1]), strict=True)
    middle = ROUNDS // 2
    return {
        "walk_keys": float(keys[middle]),
        "walk_waited_s": waited[middle],
        "walk_overridden": float(overridden[middle]),
    }
