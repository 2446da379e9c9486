"""The line of a unit with many parts: how long a save takes the server, and a change the screen."""

from __future__ import annotations

import time
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import numpy as np
from flask.testing import FlaskClient
from playwright.sync_api import Page, sync_playwright

from ample.core.assembly import part_kinds
from ample.demo.load import PEOPLE
from benchmarks.measure import percentile, with_key

PARTS, ROUNDS = 200, 40
# what changes the drawing: a part moved on, another chosen, the move taken back
KEYS = ("Alt+ArrowRight", "ArrowRight", "u")
WARM_UP = 4
CHROMIUM = "/usr/bin/chromium"
ARGUMENTS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-sync"]
# one key that changes the sheet, then until the page is laid out again
ONE_KEY = """async (key) => {
    const altKey = key.startsWith('Alt+')
    const began = performance.now()
    window.dispatchEvent(new KeyboardEvent('keydown', { key: key.replace('Alt+', ''), altKey, cancelable: true }))
    await Promise.resolve()
    await new Promise((done) => { const c = new MessageChannel(); c.port1.onmessage = done; c.port2.postMessage(0) })
    document.body.getBoundingClientRect()
    return performance.now() - began
}"""


def long_line(parts: int = PARTS) -> dict[str, Any]:
    """A line of many parts of every kind, some with sizes and findings."""
    kinds = list(part_kinds())
    return {
        "lines": [{"key": "main", "name": "long shaft", "inside": "oil"}],
        "parts": [
            {
                "key": f"part{n:04d}", "line": "main", "kind": kinds[n % len(kinds)], "name": f"part {n}",
                "inside": {"typed": "25", "unit": "mm"}, "outside": {"typed": str(40 + n % 30), "unit": "mm"},
                "width": {"typed": str(5 + n % 12), "unit": "mm"}, "note": "as it came off",
            }
            for n in range(parts)
        ],
        "ties": [{"key": f"tie{n:03d}", "line": "main", "end": "left", "parts": [f"part{n:04d}"]} for n in range(10)],
    }  # fmt: skip


def save_times(client: FlaskClient, headers: dict[str, str], number: str) -> dict[str, float]:
    """Server time of saving a line of 200 parts of which one has changed, JSON in to JSON out."""
    sheet = long_line()
    took = []
    for version in range(ROUNDS + 3):
        sheet["parts"][version % PARTS]["name"] = f"renamed {version}"
        body, own = {"version": version, "sheet": sheet}, with_key(headers)
        began = time.perf_counter()
        answer = client.put(f"/api/jobs/{number}/line", json=body, headers=own)
        if version >= 3:
            took.append(1000 * (time.perf_counter() - began))
        if answer.status_code != 200:
            raise RuntimeError(answer.get_data(as_text=True))
    return {"save_p50_ms": percentile(took, 0.5), "save_p95_ms": percentile(took, 0.95)}


@contextmanager
def signed_in_page(address: str) -> Iterator[Page]:
    """A page of Chromium at which a person of the demo has signed in."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.get_by_role("button", name=PEOPLE[0][0]).click()
        page.get_by_role("combobox").first.wait_for()
        yield page
        browser.close()


def redraw_times(address: str, number: str) -> dict[str, float]:
    """From a key that changes the line until it is drawn and laid out again, in Chromium."""
    with signed_in_page(address) as page:
        page.goto(f"{address}/jobs/{number}/line")
        page.wait_for_function(
            "n => document.querySelectorAll('[role=listbox] [role=option]').length === n", arg=PARTS
        )
        page.wait_for_load_state("networkidle")
        took = [page.evaluate(ONE_KEY, key) for _ in range(ROUNDS + WARM_UP) for key in KEYS]
    took = took[WARM_UP * len(KEYS) :]
    return {"redraw_p50_ms": float(np.percentile(took, 50)), "redraw_p95_ms": float(np.percentile(took, 95))}
