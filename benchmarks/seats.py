"""Both seats of a part: how long judging takes the server, and how long until the screen has drawn the answer."""

from __future__ import annotations

import time
from typing import Any

import numpy as np
from flask.testing import FlaskClient

from benchmarks.line import signed_in_page
from benchmarks.measure import percentile

JOB, PART = "0415", 4  # of the demo: a bearing that is confirmed
ROUNDS, WARM_UP = 150, 10
# from when a judgement is read until the page that shows it is laid out, ms
WATCH = """(() => {
    window.drawn = []
    let answered = 0
    const asked = window.fetch
    window.fetch = async (...what) => {
        const answer = await asked(...what)
        if (!answer.url.endsWith('/seats/judge')) return answer
        for (const way of ['json', 'text']) {
            const read = answer[way].bind(answer)
            answer[way] = async () => {
                const found = await read()
                answered = performance.now()
                return found
            }
        }
        return answer
    }
    new MutationObserver(() => {
        const channel = new MessageChannel()
        channel.port1.onmessage = () => {
            document.body.getBoundingClientRect()
            if (answered) window.drawn.push(performance.now() - answered)
            answered = 0
        }
        channel.port2.postMessage(0)
    }).observe(document, { subtree: true, childList: true, characterData: true, attributes: true })
})()"""


def judge_times(client: FlaskClient, headers: dict[str, str]) -> dict[str, float]:
    """Server time of judging both seats, JSON in to JSON out; many of them undecided, with all that would decide them."""
    at = f"/api/parts/{PART}/sheets/seats"
    sheet: dict[str, Any] = client.get(at, headers=headers).get_json()["sheet"]
    random = np.random.default_rng(17)
    took = []
    for turn in range(ROUNDS + WARM_UP):
        for side, nominal in (("shaft", 25.0), ("housing", 52.0)):
            middle = nominal + float(random.uniform(-0.015, 0.025))
            read = middle + random.normal(0, 0.001, (3, 2))
            sheet[side] = sheet[side] | {"planes": [[f"{value:.4f}" for value in row] for row in read]}
        began = time.perf_counter()
        answer = client.post(f"{at}/judge", json=sheet, headers=headers)
        if turn >= WARM_UP:
            took.append(1000 * (time.perf_counter() - began))
        if answer.status_code != 200 or answer.get_json()["judged"] is None:
            raise RuntimeError(answer.get_data(as_text=True))
    return {"seats_p50_ms": percentile(took, 0.5), "seats_p95_ms": percentile(took, 0.95)}


def seats_redraw_times(address: str) -> dict[str, float]:
    """From when a judgement is read until it is drawn and laid out, in Chromium; a reading changed by a key each time."""
    with signed_in_page(address) as page:
        page.add_init_script(WATCH)
        page.goto(f"{address}/jobs/{JOB}/parts/{PART}/seats")
        field = page.locator(".seat-field").first
        field.wait_for()
        page.wait_for_load_state("networkidle")
        page.evaluate("window.drawn = []")
        for turn in range(60):
            field.fill(f"25.0{turn % 20:02d}")
            page.wait_for_function("n => window.drawn.length > n", arg=turn, timeout=15_000)
        took = page.evaluate("window.drawn")[5:]
    return {"judged_p50_ms": float(np.percentile(took, 50)), "judged_p95_ms": float(np.percentile(took, 95))}
