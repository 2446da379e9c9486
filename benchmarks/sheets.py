"""Sheets with much on them: how long the server takes to keep a long line, a long fit-up, and to open a long log."""

from __future__ import annotations

import time
from collections.abc import Callable
from datetime import date, timedelta
from typing import Any

from flask.testing import FlaskClient

from benchmarks.line import long_line
from benchmarks.measure import percentile, with_key

PARTS, READINGS, ROUNDS, WARM_UP = 400, 500, 30, 3
Ask = Callable[[int], Any]


def timed(name: str, ask: Ask) -> dict[str, float]:
    """Server time of asking again and again, JSON in to JSON out."""
    took = []
    for turn in range(ROUNDS + WARM_UP):
        began = time.perf_counter()
        answer = ask(turn)
        if turn >= WARM_UP:
            took.append(1000 * (time.perf_counter() - began))
        if answer.status_code != 200:
            raise RuntimeError(answer.get_data(as_text=True))
    return {f"{name}_p50_ms": percentile(took, 0.5), f"{name}_p95_ms": percentile(took, 0.95)}


def sheet_times(client: FlaskClient, headers: dict[str, str]) -> dict[str, float]:
    """A line of 400 parts, its fit-up, and a unit with 500 readings."""
    number = client.post("/api/jobs", json={"title": "400 parts"}, headers=with_key(headers)).get_json()[
        "number"
    ]
    sheet = long_line(PARTS)

    def line(turn: int) -> Any:
        sheet["parts"][turn % PARTS]["name"] = f"renamed {turn}"
        body = {"version": turn, "sheet": sheet}
        return client.put(f"/api/jobs/{number}/line", json=body, headers=with_key(headers))

    found = timed("line400", line)
    at = f"/api/jobs/{number}/sheets/fit_up"
    ticks: list[dict[str, str]] = []

    def fit_up(turn: int) -> Any:
        ticks.append({"key": f"fit.part{turn:04d}"})
        return client.put(at, json={"version": turn, "sheet": {"ticks": ticks}}, headers=with_key(headers))

    found |= timed("fit400", fit_up)
    unit = client.put(f"/api/jobs/{number}/unit", json={"unit_id": None}, headers=with_key(headers))
    log = f"/api/units/{unit.get_json()['unit']['unit_id']}/sheets/leak_log"
    kept = client.put(log, json={"version": 0, "sheet": {"entries": _entries()}}, headers=with_key(headers))
    if kept.status_code != 200:
        raise RuntimeError(kept.get_data(as_text=True))
    return found | timed("log500", lambda _: client.get(log, headers=headers))


def _entries() -> list[dict[str, Any]]:
    today = date.today()
    return [
        {"key": f"entry{n:04d}", "on": (today - timedelta(days=3 * n)).isoformat(), "what": "emptied"}
        for n in range(READINGS)
    ]
