"""Recording what was changed, by whom and when."""

from __future__ import annotations

import json

from pydantic import BaseModel

from ample.shop.doer import Doer
from ample.shop.history import queries
from ample.store import Transaction

Kept = BaseModel | dict[str, object] | None


def record(
    t: Transaction, doer: Doer, subject: str, subject_id: int, action: str, before: Kept, after: Kept
) -> None:
    """Write the audit row of one change, in the transaction of the change itself."""
    queries.add_audit(
        t,
        {
            "now": doer.now,
            "person_id": doer.person_id,
            "subject": subject,
            "subject_id": subject_id,
            "action": action,
            "before": _as_json(before),
            "after": _as_json(after),
        },
    )


def _as_json(kept: Kept) -> str | None:
    if kept is None:
        return None
    if isinstance(kept, BaseModel):
        return kept.model_dump_json()
    return json.dumps(kept, default=str)
