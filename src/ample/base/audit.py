"""Recording what was changed, by whom and when."""

from __future__ import annotations

import json
from datetime import datetime

from pydantic import BaseModel

from ample.base import audit_queries as queries
from ample.base.doer import Doer
from ample.store import Transaction

Audited = BaseModel | dict[str, object] | None


def record(
    t: Transaction, doer: Doer, subject: str, subject_id: int, action: str, before: Audited, after: Audited
) -> None:
    """Write the audit row of one change, in the transaction of the change itself."""
    note(t, doer.person_id, doer.now, subject, subject_id, action, before, after)


def note(
    t: Transaction,
    person_id: int | None,
    now: datetime,
    subject: str,
    subject_id: int,
    action: str,
    before: Audited,
    after: Audited,
) -> None:
    """The same for whoever acts: no person is the machine's own terminal."""
    queries.add_audit(
        t,
        {
            "now": now,
            "person_id": person_id,
            "subject": subject,
            "subject_id": subject_id,
            "action": action,
            "job_id": queries.job_of(t, subject, subject_id),
            "before": _as_json(before),
            "after": _as_json(after),
        },
    )


def _as_json(kept: Audited) -> str | None:
    if kept is None:
        return None
    if isinstance(kept, BaseModel):
        return kept.model_dump_json()
    return json.dumps(kept, default=str)
