"""What a job tells of the lists that its O-rings are of: where the machine was built, and the rings confirmed on it."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, Field

from ample.core.contract import IdentifyRequest
from ample.core.standards.ring_lists import UNKNOWN
from ample.shop.bench import queries
from ample.store import Transaction


class RingLists(BaseModel):
    """Where the machine was built, who knows it, and the O-rings confirmed on it, but for this part."""

    built_in: str = Field(description="empty: nobody has said")
    known_from: Literal["", "job", "unit"]
    confirmed: list[str]

    def asked(self, request: IdentifyRequest) -> IdentifyRequest:
        """A question that does not say so itself, with what the job tells."""
        if request.family != "o_ring":
            return request
        return request.model_copy(
            update={"origin": self.built_in or UNKNOWN, "confirmed": list(self.confirmed)}
        )


def ring_lists_of(t: Transaction, part_id: int) -> RingLists:
    """What is known for a part: said on its own job first, else on the latest other job of the same unit."""
    said = queries.built_in(t, part_id)
    return RingLists(
        built_in=said["built_in"] if said else "",
        known_from=("job" if said["own"] else "unit") if said else "",
        confirmed=queries.rings_confirmed(t, part_id),
    )
