"""Reading the record of changes."""

from __future__ import annotations

import json
from datetime import datetime, time, timedelta
from typing import Any

from ample.core.errors import NotKnown
from ample.shop.history import queries
from ample.shop.history.records import PAGE, AuditAnswer, AuditQuery, AuditRow
from ample.shop.history.words import words_of
from ample.store import Transaction

TERMINAL = "terminal"


def changes(t: Transaction, asked: AuditQuery) -> AuditAnswer:
    """Changes, newest first, by person, job and day."""
    job_id = None
    if asked.job:
        job_id = queries.job_numbered(t, asked.job)
        if job_id is None:
            raise NotKnown("no_such_job", f"There is no job {asked.job}.", "job")
    people = queries.people_with_changes(t)
    if asked.person and asked.person not in (*people, TERMINAL):
        raise NotKnown("no_such_person", f"Nobody called {asked.person} has changed anything.", "person")
    begin = datetime.combine(asked.day, time()) if asked.day else None
    rows = queries.changes(
        t,
        {
            "person": asked.person if asked.person != TERMINAL else "",
            "terminal": asked.person == TERMINAL,
            "job_id": job_id,
            "begin": begin,
            "end": begin + timedelta(days=1) if begin else None,
            "before": asked.before,
            "most": PAGE + 1,
        },
    )
    shown = [_row(row) for row in rows[:PAGE]]
    more = len(rows) > PAGE
    return AuditAnswer(changes=shown, next_before=shown[-1].audit_id if more else None, people=people)


def _row(row: dict[str, Any]) -> AuditRow:
    before, after = _kept(row.pop("before_json")), _kept(row.pop("after_json"))
    words = words_of(row["subject"], row["action"], before, after, row.pop("of_name"))
    return AuditRow(**row, words=words, before=before, after=after)


def _kept(text: str | None) -> dict[str, Any] | None:
    found = json.loads(text) if text else None
    return found if isinstance(found, dict) else None
