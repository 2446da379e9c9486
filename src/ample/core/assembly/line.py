"""The strip-down record as data: lines, parts with their way round, ties, settings, loose items."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from ample.core.sheet import Sheet

Medium = Literal["", "oil", "grease", "pressure", "water", "air", "dirt"]
LooksAt = Literal[
    "", "oil", "grease", "pressure", "water", "air", "dirt", "shoulder", "thread_end", "gland", "driver",
    "load", "part",
]  # fmt: skip
Mark = Literal[
    "flat", "raised", "rounded", "sharp", "bevelled", "chamfered", "tabbed", "lip", "spring", "wide", "narrow",
    "deep_groove", "shallow_groove", "lettering",
]  # fmt: skip
Key = Annotated[str, Field(pattern=r"^[a-z0-9]{4,24}$")]
Words = Annotated[str, Field(max_length=200)]
Kind = Annotated[str, Field(pattern=r"^[a-z_]{2,24}$")]
Code = Annotated[str, Field(max_length=30)]
Count = Annotated[int, Field(ge=0, le=9999)]
MOST_PARTS, MOST_LINES = 400, 12


class Size(Sheet):
    """A size as it was typed, its unit, and what that is in mm (none while unread)."""

    typed: str = Field(default="", max_length=40)
    unit: Literal["mm", "in"] = "mm"
    mm: float | None = Field(default=None, gt=0, le=20_000)


class Face(Sheet):
    """One face: what marks it, and what it looks at (empty: worked out from the line)."""

    mark: Mark = "flat"
    looks_at: LooksAt = ""


class Fastener(Sheet):
    """How it is fastened: drive, thread, hand, lock, torque with its source, what else it retains."""

    drive: str = Field(default="", max_length=40)
    thread: str = Field(default="", max_length=30)
    length: Size = Size()
    hand: Literal["right", "left"] = "right"
    lock: Literal["none", "tab", "spring_washer", "nylon", "pin", "wire", "staked"] = "none"
    compound: Literal["none", "locker", "anti_seize", "both"] = "none"
    torque: float | None = Field(default=None, gt=0, le=50_000)
    torque_unit: Literal["N·m", "ft-lb", "in-lb"] = "N·m"
    torque_source: str = Field(default="", max_length=80)
    also_holds: str = Field(default="", max_length=80)


class Setting(Sheet):
    """A set position, read twice: spring turns, notch, match marks, wire, gap."""

    key: Key
    what: Literal["spring_turns", "notch", "match_mark", "wire", "angle", "gap"] = "match_mark"
    first: str = Field(default="", max_length=40)
    second: str = Field(default="", max_length=40)


class LinePart(Sheet):
    """A part on a line, or beside it."""

    key: Key
    line: Key
    kind: Kind
    name: str = Field(default="", max_length=80)
    beside: bool = False
    quantity: int = Field(default=1, ge=1, le=999)
    inside: Size = Size()
    outside: Size = Size()
    width: Size = Size()
    left: Face = Face()
    right: Face = Face()
    marking: str = Field(default="", max_length=60)
    note: Words = ""
    keep: Literal["", "always_new", "if_good", "keep"] = ""
    obtainable: bool = True
    fastener: Fastener | None = None
    settings: tuple[Setting, ...] = Field(default=(), max_length=12)
    findings: dict[Code, Annotated[str, Field(max_length=30)]] = Field(default_factory=dict, max_length=16)
    answers: dict[Code, Literal["as_found", "put_right"]] = Field(default_factory=dict, max_length=16)


class Tie(Sheet):
    """What stays together: parts bound to a line and an end of it, a shim with its thickness."""

    key: Key
    line: Key
    end: Literal["left", "right"]
    parts: tuple[Key, ...] = Field(min_length=1, max_length=8)
    thickness: Size = Size()
    words: Words = ""


class LooseItem(Sheet):
    """Loose items counted: how many were removed, are in the tray, and are left over at reassembly."""

    key: Key
    what: str = Field(min_length=1, max_length=60)
    came_out: Count = 0
    tray: Count | None = None
    left_over: Count | None = None


class Line(Sheet):
    """One shaft, from left to right as it is on the bench: what is inside, what at either end."""

    key: Key
    name: str = Field(min_length=1, max_length=60)
    inside: Medium = ""
    left_end: Medium = "air"
    right_end: Medium = "air"
    count: int = Field(default=1, ge=1, le=20, description="how many lines of the unit are like this one")


class LineSheet(Sheet):
    """All lines of a unit. Parts are in order from left to right."""

    lines: tuple[Line, ...] = Field(default=(), max_length=MOST_LINES)
    parts: tuple[LinePart, ...] = Field(default=(), max_length=MOST_PARTS)
    ties: tuple[Tie, ...] = Field(default=(), max_length=100)
    loose: tuple[LooseItem, ...] = Field(default=(), max_length=60)

    @model_validator(mode="after")
    def _whole(self) -> LineSheet:
        keys_of = {
            "lines": [each.key for each in self.lines],
            "parts": [each.key for each in self.parts],
            "ties": [each.key for each in self.ties],
            "loose items": [each.key for each in self.loose],
        }
        for name, keys in keys_of.items():
            if len(set(keys)) != len(keys):
                raise ValueError(f"two {name} have the same key")
        known = set(keys_of["lines"])
        lies_on = [each.line for each in self.parts] + [each.line for each in self.ties]
        if not known.issuperset(lies_on):
            raise ValueError("a part or tie lies on a line that is not there")
        return self

    def on(self, line: str) -> tuple[LinePart, ...]:
        """The parts along one line, without those that hang beside it."""
        return tuple(each for each in self.parts if each.line == line and not each.beside)
