"""What each face looks at: as said, or worked out from where the part stands."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.assembly.kinds import part_kinds
from ample.core.assembly.line import Line, LinePart


@dataclass(frozen=True)
class Facing:
    """What the left and right face of a part look at; `said` says that a person stated it."""

    left: str
    right: str
    left_said: bool
    right_said: bool


def facing_of(line: Line, parts: tuple[LinePart, ...]) -> dict[str, Facing]:
    """Work out what each face on a line looks at.

    Seals part the inside from the outside. Left of the first inner part (bearing, gear, piston)
    the nearest seal has the inside at its right and what lies at the left end at its left; and
    the other way round at the right end. Between two seals at one end nothing is known. What a
    person said stands above it.

    Args:
        line: The line with what is inside and at its ends.
        parts: Its parts from left to right.

    Returns:
        What each part's faces look at, by the part's key.

    Raises:
        Nothing: a kind that is not known is taken to part nothing.

    Source: common practice.

    Example:
        >>> line = Line(key="main", name="shaft", inside="oil")
        >>> seal = LinePart(key="seal", line="main", kind="lip_seal")
        >>> ball = LinePart(key="ball", line="main", kind="ball_bearing")
        >>> found = facing_of(line, (seal, ball))["seal"]
        >>> found.left, found.right
        ('air', 'oil')
    """
    kinds = [part_kinds().get(each.kind) for each in parts]
    inner = [i for i, kind in enumerate(kinds) if kind and kind.inner]
    borders = [i for i, kind in enumerate(kinds) if kind and kind.border]
    found = {}
    for i, part in enumerate(parts):
        left, right = _worked_out(line, i, inner, borders)
        found[part.key] = Facing(
            part.left.looks_at or left,
            part.right.looks_at or right,
            bool(part.left.looks_at),
            bool(part.right.looks_at),
        )
    return found


def _worked_out(line: Line, i: int, inner: list[int], borders: list[int]) -> tuple[str, str]:
    if not inner:
        return "", ""
    if inner[0] <= i <= inner[-1]:
        return line.inside, line.inside
    at_left = i < inner[0]
    own = [b for b in borders if (b < inner[0] if at_left else b > inner[-1])]
    outside = line.left_end if at_left else line.right_end
    if i not in own:
        beyond = [b for b in own if (b > i if at_left else b < i)]
        between = [b for b in own if (b < i if at_left else b > i)]
        medium = line.inside if not beyond else ("" if between else outside)
        return medium, medium
    nearest, farthest = (own[-1], own[0]) if at_left else (own[0], own[-1])
    inwards = line.inside if i == nearest else ""
    outwards = outside if i == farthest else ""
    return (outwards, inwards) if at_left else (inwards, outwards)
