"""The line: the parts along a shaft in the order they came off, and what contradicts itself in it."""

from ample.core.assembly.check import Contradiction, check_line
from ample.core.assembly.facing import facing_of
from ample.core.assembly.fasteners import most_torque_nm, torque_nm
from ample.core.assembly.found_signs import signs_on_line
from ample.core.assembly.kinds import PartKind, part_kind, part_kinds
from ample.core.assembly.line import Line, LinePart, LineSheet, LooseItem, Tie
from ample.core.assembly.loose import LooseCount, count_loose, needles_per_cup
from ample.core.assembly.placing import KnownOfPart, known_of

__all__ = [
    "Contradiction",
    "KnownOfPart",
    "Line",
    "LinePart",
    "LineSheet",
    "LooseCount",
    "LooseItem",
    "PartKind",
    "Tie",
    "check_line",
    "count_loose",
    "facing_of",
    "known_of",
    "most_torque_nm",
    "needles_per_cup",
    "part_kind",
    "part_kinds",
    "signs_on_line",
    "torque_nm",
]
