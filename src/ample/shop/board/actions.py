"""How far jobs have come: what each part and job waits for."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime
from typing import Any

from ample.base import job_queries as queries
from ample.base.records import JobHead, PartHead
from ample.base.times import as_utc
from ample.core.assembly import part_kinds
from ample.core.sizes import Instrument
from ample.shop.board.records import JobState, LineState, OutlinePart, PartState
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.records import Item
from ample.shop.line import queries as lines
from ample.shop.orders import queries as orders
from ample.shop.orders.lights import lights_of
from ample.shop.orders.records import Light
from ample.shop.takein.actions import open_cautions
from ample.shop.takein.queries import unit_kinds
from ample.store import Transaction

STAGES = ("strip", "measure", "order", "coming")


def states_of(
    t: Transaction, heads: list[JobHead], now: datetime, instrument_of: Callable[[str], Instrument]
) -> list[JobState]:
    """Jobs with their parts, lights and what they wait for."""
    parts = queries.parts_of_jobs(t, [job.job_id for job in heads])
    part_ids = [part.part_id for part in parts]
    job_ids = [job.job_id for job in heads]
    units, cautions, of_lines = unit_kinds(t, job_ids), open_cautions(t, job_ids), _lines(t, job_ids)
    known = orders.decisions(t, part_ids)
    lights = lights_of(t, part_ids, instrument_of)
    wanted = {row[name] for row in known.values() for name in ("chosen_id", "match_id") if row[name]}
    items = catalogue.items(t, sorted(wanted))
    states = [_part_state(part, known[part.part_id], lights[part.part_id], items) for part in parts]
    found = []
    for job in heads:
        own = [state for state in states if state.part.job_id == job.job_id]
        line = of_lines[job.job_id]
        waits = min((state.waits_for for state in own), key=STAGES.index, default="strip")
        if line.open or line.ask:
            waits = "strip"
        days = (as_utc(now) - job.opened_at).days
        found.append(
            JobState(
                job=job, unit=units.get(job.job_id, "other"), cautions_open=cautions[job.job_id], line=line,
                parts=own, waits_for=waits, days_open=max(days, 0),
            )
        )  # fmt: skip
    return found


def _lines(t: Transaction, job_ids: list[int]) -> dict[int, LineState]:
    rows = lines.outlines(t, job_ids)
    wrong = lines.contradictions(t, job_ids)
    on_bench = lines.on_bench(t, job_ids)
    found = {}
    for job_id in job_ids:
        own = [row for row in rows if row["job_id"] == job_id]
        verdicts = [row["verdict"] for row in own]
        to_bench = [
            row for row in own
            if row["verdict"] == "replace" and part_kinds()[row["kind"]].family
            and row["part_key"] not in on_bench.get(job_id, set())
        ]  # fmt: skip
        found[job_id] = LineState(
            parts=[OutlinePart(key=row["part_key"], line=row["line_key"], **row) for row in own],
            open=verdicts.count("open"),
            ask=verdicts.count("ask") + verdicts.count("ask_supplier"),
            to_bench=len(to_bench),
            contradictions=wrong.get(job_id, 0),
        )
    return found


def _part_state(
    part: PartHead, row: dict[str, Any], lights: list[Light], items: dict[int, Item]
) -> PartState:
    if row["chosen_id"] is None:
        waits = "measure"
    elif row["order_state"] != "placed":
        waits = "order"
    else:
        waits = "coming"
    chosen = items.get(row["chosen_id"] or 0)
    return PartState(
        part=part,
        chosen=chosen,
        ball_mm=chosen.element_mm if chosen else None,
        match=items.get(row["match_id"] or 0),
        waits_for=waits,
        lights=lights,
        order_number=row["order_number"],
    )
