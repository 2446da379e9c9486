"""Whether another part will do: operations of the register."""

from __future__ import annotations

from ample.core import exchange as x
from ample.core.interchange import Running, interchange_of
from ample.core.specs import part_of


def judge_interchange(request: x.InterchangeRequest) -> x.InterchangeAnswer:
    """Judge whether one part takes the place of another."""
    duty = request.duty
    running = Running(duty.rpm, duty.temperature_c, duty.dirty) if duty else None
    old, new = part_of(request.old, "from"), part_of(request.new, "to")
    found = interchange_of(old, new, running)
    return x.InterchangeAnswer.model_validate(found)
