"""How far jobs have come: what each part and job waits for."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime
from typing import Any

from ample.core.parts.ratings import ball_of
from ample.core.sizes import Instrument
from ample.shop.catalogue import queries as catalogue
from ample.shop.jobs import queries
from ample.shop.jobs.records import JobHead, JobState, Light, PartHead, PartState
from ample.shop.orders.lights import lights_of
from ample.shop.times import as_utc
from ample.store import Transaction

STAGES = ("measure", "order", "coming")


def states_of(
    t: Transaction, heads: list[JobHead], now: datetime, instrument_of: Callable[[str], Instrument]
) -> list[JobState]:
    """Jobs with their parts, lights and what they wait for."""
    parts = queries.parts_of_jobs(t, [job.job_id for job in heads])
    part_ids = [part.part_id for part in parts]
    known = queries.decisions(t, part_ids)
    lights = lights_of(t, part_ids, instrument_of)
    states = [_part_state(t, part, known[part.part_id], lights[part.part_id]) for part in parts]
    found = []
    for job in heads:
        own = [state for state in states if state.part.job_id == job.job_id]
        waits = min((state.waits_for for state in own), key=STAGES.index, default="measure")
        days = (as_utc(now) - job.opened_at).days
        found.append(JobState(job=job, parts=own, waits_for=waits, days_open=max(days, 0)))
    return found


def _part_state(t: Transaction, part: PartHead, row: dict[str, Any], lights: list[Light]) -> PartState:
    if row["chosen_id"] is None:
        waits = "measure"
    elif row["order_state"] != "placed":
        waits = "order"
    else:
        waits = "coming"
    chosen = catalogue.item(t, row["chosen_id"]) if row["chosen_id"] else None
    return PartState(
        part=part,
        chosen=chosen,
        ball_mm=ball_of(chosen.d_mm, chosen.D_mm, chosen.B_mm) if chosen else None,
        match=catalogue.item(t, row["match_id"]) if row["match_id"] else None,
        waits_for=waits,
        lights=lights,
        order_number=row["order_number"],
    )
