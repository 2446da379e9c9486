"""Whether another part will do: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.contract.specs import part_of
from ample.core.designation import decode
from ample.core.interchange import Running, interchange_of, meets
from ample.core.parts import MarkingReading
from ample.core.parts.requirement import Evidence, requirement_of


def judge_interchange(request: contract.InterchangeRequest) -> contract.Interchange:
    """Judge whether one part takes the place of another; a marking to be replaced is a requirement."""
    duty = request.duty
    running = Running(duty.rpm, duty.temperature_c, duty.dirty) if duty else None
    old, new = part_of(request.old, "from"), part_of(request.new, "to")
    readings = _readings(request.old)
    if readings and old.family == new.family:
        wanted = requirement_of(Evidence(old.family, str(_marking(request.old)), readings, size_of=old))
        offered = _readings(request.new)
        return meets(wanted, new, offered[0].unread if offered else (), running)
    return interchange_of(old, new, running)


def _marking(asked: str | contract.SpecRequest) -> str | None:
    return asked if isinstance(asked, str) else None


def _readings(asked: str | contract.SpecRequest) -> tuple[MarkingReading, ...]:
    marking = _marking(asked)
    return decode(marking) if marking else ()
