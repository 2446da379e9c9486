"""What a job tells of the lists that its O-rings are of: where the machine was built, and the rings confirmed on it."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel, Field

from ample.core.contract import BenchSheet, ConfirmedReadings, IdentifyRequest
from ample.core.operations.bench import request_of
from ample.core.standards.ring_lists import UNKNOWN
from ample.shop.bench import queries
from ample.shop.bench.readings import observations_of
from ample.store import Transaction


class RingLists(BaseModel):
    """Where the machine was built, who knows it, and the O-rings confirmed on it, but for this part."""

    built_in: str = Field(description="empty: nobody has said")
    known_from: Literal["", "job", "unit"]
    confirmed: list[str]
    read: list[ConfirmedReadings] = Field(
        description="those that were read, latest first, with their readings"
    )

    def asked(self, request: IdentifyRequest) -> IdentifyRequest:
        """A question that does not say so itself, with what the job tells."""
        if request.family != "o_ring":
            return request
        return request.model_copy(
            update={
                "origin": self.built_in or UNKNOWN,
                "confirmed": list(self.confirmed),
                "read_before": list(self.read),
            }
        )


def ring_lists_of(t: Transaction, part_id: int) -> RingLists:
    """What is known for a part: said on its own job first, else on the latest other job of the same unit."""
    said = queries.built_in(t, part_id)
    return RingLists(
        built_in=said["built_in"] if said else "",
        known_from=("job" if said["own"] else "unit") if said else "",
        confirmed=queries.rings_confirmed(t, part_id),
        read=rings_read(t, part_id),
    )


def rings_read(t: Transaction, part_id: int) -> list[ConfirmedReadings]:
    """The O-rings that people confirmed on the unit of a part, but for this one, with what was read of them."""
    by_part: dict[int, list[dict[str, Any]]] = {}
    for row in queries.rings_read(t, part_id):
        by_part.setdefault(row["part_id"], []).append(row)
    found = []
    for rows in by_part.values():
        sheet = BenchSheet(
            family="o_ring", condition=rows[0]["condition_seen"], observations=observations_of(rows)
        )
        asked = request_of(sheet, family="o_ring").observations
        found.append(ConfirmedReadings(designation=rows[0]["designation"], observations=asked))
    return found
