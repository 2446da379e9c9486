"""Where every part is when a unit is put together: from the shaft outward, end by end."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from functools import cached_property
from typing import Annotated, Literal

from pydantic import Field, model_validator

from ample.core.assembly.kinds import part_kinds
from ample.core.assembly.line import Key, Line, LinePart, LineSheet, Size
from ample.core.fits import Range
from ample.core.parts.way_in import WayIn
from ample.core.sheet import Sheet

Way = Literal["", "warm", "press", "chill"]

BEARINGS = frozenset(kind.kind for kind in part_kinds().values() if kind.family == "bearing")
LIPS = frozenset(("lip_seal", "rod_seal", "wiper", "piston_seal", "o_ring", "backup_ring"))
RUBBER = LIPS | {"face_seal", "wear_band"}
WHEELS = frozenset(("gear", "pulley"))
DRIVEN = WHEELS | {"piston"}
CARRIERS = frozenset(("cover", "gland"))
SHAFTS = frozenset(("shaft", "rod"))
CASTINGS = frozenset(("housing", "tube"))
THIN = frozenset(("shim", "spacer", "washer", "lock_washer", "circlip", "o_ring", "lip_seal"))
LOOSE_WORDS = frozenset(
    ("screw", "bolt", "stud", "gasket", "shim", "nut", "washer", "ring", "key", "pin", "the", "of")
)


class Tightness(Sheet):
    """Least and most interference, µm, positive tight."""

    min: float = Field(ge=-5000, le=5000)
    max: float = Field(ge=-5000, le=5000)

    @model_validator(mode="after")
    def _ordered(self) -> Tightness:
        if self.min > self.max:
            raise ValueError("the least interference is over the most")
        return self

    @property
    def range_um(self) -> Range:
        """The same with the middle as the likely one."""
        return Range(self.min, (self.min + self.max) / 2, self.max)


class FittedPart(Sheet):
    """What goes in the place of a part, as far as it is known; empty or None where it is not.

    `interference_um` is of the ring that goes on tight, `way` what a person chose, `supplied_with` a transport ring or plug
    that is not fitted.
    """

    part: Key
    title: str = Field(default="", max_length=120)
    kind: str = Field(default="", max_length=40)
    inside_mm: float | None = Field(default=None, gt=0, le=20_000)
    outside_mm: float | None = Field(default=None, gt=0, le=20_000)
    width_mm: float | None = Field(default=None, gt=0, le=20_000)
    closure: str = Field(default="", max_length=30)
    material: str = Field(default="", max_length=20)
    tight_ring: Literal["", "inner", "outer", "both"] = ""
    interference_um: Tightness | None = None
    axial_taken_um: Tightness | None = Field(
        default=None, description="axial play that fitting takes from a bearing that is set, nine of ten"
    )
    way: Way = ""
    supplied_with: Annotated[str, Field(max_length=60)] = ""
    way_in: list[WayIn] = Field(
        default_factory=list, max_length=12, description="what its lip passes, as its place sheet says"
    )


@dataclass(frozen=True)
class Standing:
    """A part with its place: side −1 for the shaft itself, 0 left, 1 right; `out` counts outward from the shaft."""

    part: LinePart
    side: int
    out: int

    @property
    def key(self) -> str:
        """The part's key."""
        return self.part.key


class Shaft:
    """One line of a unit, seen from the shaft outward."""

    def __init__(self, sheet: LineSheet, line: Line, fitted: dict[str, FittedPart]) -> None:
        self.line = line
        self.along = sheet.on(line.key)
        self.beside = tuple(each for each in sheet.parts if each.line == line.key and each.beside)
        self.parts = {each.key: each for each in (*self.along, *self.beside)}
        self.fitted = fitted
        self.ties = [set(tie.parts) for tie in sheet.ties if tie.line == line.key]
        middle = self._middle()
        self.ends: tuple[tuple[LinePart, ...], tuple[LinePart, ...]] = (
            tuple(reversed(self.along[:middle])),
            self.along[middle + 1 :] if self.along else (),
        )
        self.middle = self.along[middle] if self.along else None

    def _middle(self) -> int:
        """The thickest step of the shaft, else the wheel in the middle, else the middle."""
        steps = [i for i, each in enumerate(self.along) if each.kind in SHAFTS]
        if steps:
            return max(steps, key=lambda i: (self.along[i].outside.mm or 0.0, -i))
        inner = [i for i, each in enumerate(self.along) if each.kind in WHEELS | {"piston"}]
        wanted = inner or list(range(len(self.along)))
        centre = (len(self.along) - 1) / 2
        return min(wanted, key=lambda i: (abs(i - centre), i), default=0)

    @cached_property
    def standing(self) -> dict[str, Standing]:
        """Where each part along the line is, by key."""
        found = {self.middle.key: Standing(self.middle, -1, 0)} if self.middle else {}
        for side, end in enumerate(self.ends):
            found |= {each.key: Standing(each, side, out) for out, each in enumerate(end)}
        return found

    def is_outside(self, part: LinePart, other: LinePart) -> bool:
        """Whether a part lies further out than another on the same end."""
        at, base = self.standing.get(part.key), self.standing.get(other.key)
        return at is not None and base is not None and at.side == base.side >= 0 and at.out > base.out

    def size(self, part: LinePart, name: str) -> float | None:
        """A size of what will be fitted, mm; else as it was read off the old part."""
        new = self.fitted.get(part.key)
        chosen: float | None = getattr(new, f"{name}_mm") if new else None
        read: Size = getattr(part, name)
        return chosen if chosen is not None else read.mm

    def outward(self, part: LinePart) -> tuple[LinePart, ...]:
        """What lies outside a part on its end, nearest first; nothing for what hangs beside."""
        at = self.standing.get(part.key)
        return self.ends[at.side][at.out + 1 :] if at and at.side >= 0 else ()

    def inward(self, part: LinePart) -> tuple[LinePart, ...]:
        """What lies further in on its end, nearest first, to the shaft."""
        at = self.standing.get(part.key)
        if at is None or at.side < 0:
            return ()
        own = tuple(reversed(self.ends[at.side][: at.out]))
        return (*own, self.middle) if self.middle else own

    def neighbours(self, part: LinePart) -> tuple[LinePart, ...]:
        """The parts next to it, the inner one first."""
        return (*self.inward(part)[:1], *self.outward(part)[:1])

    def tied_to(self, part: LinePart) -> tuple[LinePart, ...]:
        """What a tag binds it to."""
        keys = {key for tie in self.ties if part.key in tie for key in tie} - {part.key}
        return tuple(each for key, each in self.parts.items() if key in keys)

    def meant(self, part: LinePart, of: Iterable[LinePart], said: str = "") -> LinePart | None:
        """Which of some parts a name means: by the words that they share; without any, the only one there is."""
        choice = list(of)
        words = name_words(said) or name_words(part.name)
        scores = [(len(words & (name_words(each.name) | {each.kind})), each) for each in choice]
        best = max((score for score, _ in scores), default=0)
        named = [each for score, each in scores if score == best]
        if best and len(named) == 1:
            return named[0]
        return choice[0] if len(choice) == 1 else None

    def last(self, wanted: Callable[[LinePart], bool]) -> LinePart | None:
        """The outermost such part of the end that is built last (the right one), else of the left."""
        for end in reversed(self.ends):
            for each in reversed(end):
                if wanted(each):
                    return each
        return None


def every_word(text: str) -> set[str]:
    """The words of a text, in the singular."""
    return {re.sub(r"(?<=[a-z]{3})s$", "", word) for word in re.findall(r"[a-z]{3,}", text.lower())}


def name_words(name: str) -> set[str]:
    """The words of a name that tell parts apart."""
    return every_word(name) - LOOSE_WORDS
