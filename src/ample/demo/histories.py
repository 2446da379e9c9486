"""A unit with years of log behind it, for the demo."""

from __future__ import annotations

import math
from datetime import timedelta

from ample.base import job_queries as jobs
from ample.base.doer import Doer
from ample.base.jobs import add_part, known_job
from ample.base.records import NewJob, NewPart
from ample.core.condition.leak_log import LeakLog, LogEntry, Watch
from ample.sheets import store
from ample.sheets.kinds.leak_log import LEAK_LOG
from ample.sheets.subjects import unit_subject
from ample.shop.facts import HOST
from ample.shop.takein.actions import open_unit, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.shop.units.histories import TieRequest, tie
from ample.store import Transaction

NUMBER = "0408"
YEARS = 3
# How much earlier or later than it would have had to be somebody went down to empty it, by turns.
CARE = (0.02, -0.07, 0.05, 0.11, -0.04, -0.1, 0.03, 0.08, -0.02, -0.06, 0.06, 0.01)


def load_history(t: Transaction, doer: Doer) -> None:
    """A stern tube whose drip bottle lasts ever shorter, with the job that is open on it now."""
    job = open_unit(
        t, doer, NewJob(title="Stern tube, workboat Marl 3", symptom="the drip bottle fills faster")
    )
    jobs.set_number(t, job.job_id, NUMBER)
    taken = take_in_of(t, NUMBER)
    sheet = taken.sheet.model_copy(
        update={"serial": "ST-4471", "model": "ST 70", "signs": ["bottle_faster"], "duties": ["none"]}
    )
    save_take_in(t, doer, NUMBER, TakeInSave(version=taken.version, sheet=sheet))
    unit = tie(t, doer, NUMBER, TieRequest()).unit
    assert unit is not None, "it was just begun"
    add_part(t, doer, known_job(t, NUMBER).number, NewPart(
        name="Stern tube seal, aft", family="lip_seal", surroundings="shaft 70, water outside", marking="70x90x10 NBR",
    ))  # fmt: skip
    store.save(t, doer, LEAK_LOG, unit_subject(t, unit.unit_id, lock=True), 0, _log(doer), HOST)


def _log(doer: Doer) -> LeakLog:
    today = doer.now.date()
    on, entries = today - timedelta(days=365 * YEARS), []
    for turn in range(200):
        gone = (on - (today - timedelta(days=365 * YEARS))).days
        lasts = 96 * math.exp(-gone / 760) * (1 + CARE[turn % len(CARE)])
        entries.append(
            LogEntry(key=f"empty{turn}", on=on, what="emptied", note="" if turn else "new seal run in")
        )
        on += timedelta(days=max(1, round(lasts)))
        if on > today:
            break
    for number, (back, typed) in enumerate(((1000, "0.12"), (640, "0.13"), (290, "0.15"), (40, "0.16"))):
        day = today - timedelta(days=back)
        entries.append(
            LogEntry(key=f"play{number}", on=day, what="play", amount=typed, note="dial at the gland")
        )
    return LeakLog(
        entries=tuple(entries), emptied=Watch(early=60, limit=14), play=Watch(limit=0.3), lead_days=21,
        approval_days=10,
    )  # fmt: skip
