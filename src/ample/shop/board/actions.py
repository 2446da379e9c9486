"""How far jobs have come: what each part and job waits for."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, datetime
from functools import lru_cache
from typing import Any

from ample.base import job_queries as queries
from ample.base.records import JobHead, PartHead
from ample.base.times import as_utc
from ample.core.assembly import part_kinds
from ample.core.assembly.proof import ProofSheet
from ample.core.condition.leak_log import LeakLog, LogFacts, judge_log
from ample.core.condition.trend import Trend
from ample.core.sizes import Instrument
from ample.sheets import store as sheets
from ample.sheets.kinds.fit_up import FIT_UP
from ample.sheets.kinds.proof import PROOF
from ample.sheets.store import values_of
from ample.sheets.subjects import job_subject
from ample.shop.board.queries import logged_units, proofs_with_tasks
from ample.shop.board.records import DueTask, DueUnit, JobState, LineState, OutlinePart, PartState
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.records import Item
from ample.shop.facts import HOST
from ample.shop.line import queries as lines
from ample.shop.orders import queries as orders
from ample.shop.orders.checks import checks_of
from ample.shop.orders.records import CheckAnswer
from ample.shop.takein.actions import open_cautions
from ample.shop.takein.queries import unit_kinds
from ample.store import Transaction

STAGES = ("strip", "measure", "order", "coming")
DUE_DAYS, TASK_DAYS = 45, 7


def states_of(
    t: Transaction, heads: list[JobHead], now: datetime, instrument_of: Callable[[str], Instrument]
) -> list[JobState]:
    """Jobs with their parts, checks and what they wait for."""
    parts = queries.parts_of_jobs(t, [job.job_id for job in heads])
    part_ids = [part.part_id for part in parts]
    job_ids = [job.job_id for job in heads]
    units, cautions, of_lines = unit_kinds(t, job_ids), open_cautions(t, job_ids), _lines(t, job_ids)
    known = orders.decisions(t, part_ids)
    checks = checks_of(t, part_ids, instrument_of)
    wanted = {row[name] for row in known.values() for name in ("chosen_id", "match_id") if row[name]}
    items = catalogue.items(t, sorted(wanted))
    fits = values_of(t, FIT_UP, job_ids)
    closed = {each for each, row in values_of(t, PROOF, job_ids).items() if row["closed"] == [1.0]}
    states = [_part_state(part, known[part.part_id], checks[part.part_id], items) for part in parts]
    found = []
    for job in heads:
        own = [state for state in states if state.part.job_id == job.job_id]
        line = of_lines[job.job_id]
        waits = min((state.waits_for for state in own), key=STAGES.index, default="strip")
        if line.open or line.ask:
            waits = "strip"
        fitted = fits.get(job.job_id)
        together = fitted is not None and fitted["together"] == [1.0]
        if job.job_id in closed:
            waits = "closed"
        elif fitted is not None:
            waits = "prove" if together else "fit"
        days = (as_utc(now) - job.opened_at).days
        found.append(
            JobState(
                job=job, unit=units.get(job.job_id, "other"), cautions_open=cautions[job.job_id], line=line,
                parts=own, waits_for=waits, days_open=max(days, 0),
                fit_up_left=_left(t, job) if waits == "fit" else None, together=together,
                closed=job.job_id in closed,
            )
        )  # fmt: skip
    return found


def _left(t: Transaction, job: JobHead) -> int:
    """Steps of fitting up that are not ticked."""
    now = sheets.held(t, FIT_UP, job.job_id)
    subject = job_subject(t, job.number)
    return len(sheets.judged(t, FIT_UP, subject, now.sheet, HOST).left)


def due_units(t: Transaction, today: date) -> list[DueUnit]:
    """Units whose log asks for something within the next weeks, the most pressing first."""
    found = []
    for unit, body in logged_units(t):
        for what, each in forecasts(body, today):
            told = each.forecast
            order, plan = told.order_by.likely, told.plan_on.likely
            first = min((day for day in (order, plan) if day is not None), default=None)
            if each.already_passed is None and (first is None or (first - today).days > DUE_DAYS):
                continue
            found.append(
                DueUnit(
                    unit_id=unit.unit_id, title=unit.title, place=unit.place, what=what, order_by=order, plan_on=plan,
                    limit_on=told.limit_on.likely, already_passed=each.already_passed,
                )
            )  # fmt: skip
    return sorted(found, key=lambda each: each.order_by or each.plan_on or today)


@lru_cache(maxsize=512)
def forecasts(body: str, today: date) -> tuple[tuple[str, Trend], ...]:
    """What a log foretells; kept for the day, as the log is only read."""
    judged = judge_log(LeakLog.model_validate_json(body), LogFacts(today))
    return tuple((each.what, each.trend) for each in judged.series if each.trend is not None)


def due_tasks(t: Transaction, today: date) -> list[DueTask]:
    """Tasks of proofs whose day is near or has passed, the earliest first."""
    found = []
    for job, body in proofs_with_tasks(t):
        found += [
            DueTask(job=job.number, title=job.title, what=each.what, due=each.due)
            for each in ProofSheet.model_validate_json(body).tasks
            if each.due is not None and not each.done and (each.due - today).days <= TASK_DAYS
        ]
    return sorted(found, key=lambda each: each.due)


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
    part: PartHead, row: dict[str, Any], checks: list[CheckAnswer], items: dict[int, Item]
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
        lights=checks,
        order_number=row["order_number"],
    )
