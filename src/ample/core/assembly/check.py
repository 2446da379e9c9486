"""Contradictions in a line: what cannot be as it is recorded, and why."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from ample.core.assembly.facing import Facing, facing_of
from ample.core.assembly.fasteners import most_torque_nm, torque_nm
from ample.core.assembly.kinds import part_kinds
from ample.core.assembly.line import Line, LinePart, LineSheet, Tie

HELD_BACK = ("oil", "grease", "pressure", "water")
SAME_MM = 0.01


@dataclass(frozen=True)
class Contradiction:
    """What contradicts itself: at which part or tie, how grave (wrong, ask, loud), why, what it is based on.

    `answer` is what a person said to it: as_found (it came off so) or put_right.
    """

    code: str
    level: str
    part: str
    words: str
    reason: str
    source: str = "common practice"
    answer: str = ""


@dataclass(frozen=True)
class _Place:
    """A part at its place."""

    line: Line
    part: LinePart
    facing: Facing
    left: LinePart | None
    right: LinePart | None
    parts: tuple[LinePart, ...]

    def side_with(self, *marks: str) -> str:
        """The side whose face carries one of the marks; empty when both do or none does."""
        sides = [side for side in ("left", "right") if getattr(self.part, side).mark in marks]
        return sides[0] if len(sides) == 1 else ""

    def sees(self, side: str) -> str:
        """What that side looks at."""
        return str(getattr(self.facing, side))

    def beside(self, side: str) -> LinePart | None:
        """The neighbour on that side."""
        return self.left if side == "left" else self.right


def check_line(sheet: LineSheet) -> tuple[Contradiction, ...]:
    """Find what contradicts itself in the record of a strip-down.

    A lip that faces away from what it should hold back, a taper cup with its wide end inward,
    a ring with its rounded edge on the loaded side, a shim on the wrong end, two readings of a
    setting that differ, a torque no such thread stands; and, loudly, every left-hand thread.

    Args:
        sheet: The lines of a unit.

    Returns:
        The contradictions in the order of the parts, the grave ones of a part first.

    Raises:
        Nothing.

    Source: common practice; ISO 898-1 for threads.

    Example:
        >>> sheet = LineSheet.model_validate({"lines": [{"key": "main", "name": "shaft", "inside": "oil"}],
        ...     "parts": [{"key": "seal", "line": "main", "kind": "lip_seal", "left": {"mark": "lip"}},
        ...               {"key": "ball", "line": "main", "kind": "ball_bearing"}]})
        >>> [each.code for each in check_line(sheet)]
        ['lip_away']
    """
    found: list[Contradiction] = []
    for line in sheet.lines:
        parts = sheet.on(line.key)
        facing = facing_of(line, parts)
        for i, part in enumerate(parts):
            place = _Place(
                line, part, facing[part.key],
                parts[i - 1] if i else None, parts[i + 1] if i + 1 < len(parts) else None, parts,
            )  # fmt: skip
            for rule in PLACE_RULES:
                found.extend(rule(place))
    for part in sheet.parts:
        found.extend(_held(part))
        found.extend(_set(part))
    for tie in sheet.ties:
        found.extend(_tied(sheet, tie))
    return tuple(sorted((_answered(sheet, each) for each in found), key=_order(sheet)))


def _answered(sheet: LineSheet, found: Contradiction) -> Contradiction:
    part = next((each for each in sheet.parts if each.key == found.part), None)
    answer = part.answers.get(found.code, "") if part else ""
    return Contradiction(found.code, found.level, found.part, found.words, found.reason, found.source, answer)


def _order(sheet: LineSheet) -> Callable[[Contradiction], tuple[int, int]]:
    places = {part.key: i for i, part in enumerate(sheet.parts)}
    levels = {"wrong": 0, "ask": 1, "loud": 2}
    return lambda each: (places.get(each.part, len(places)), levels[each.level])


# way round ---------------------------------------------------------------------------------


def _lip(place: _Place) -> Iterator[Contradiction]:
    """A lip, or the lips of a U-cup, toward what it holds back."""
    if place.part.kind not in ("lip_seal", "rod_seal"):
        return
    side = place.side_with("lip", "spring")
    if not side:
        if place.part.left.mark == place.part.right.mark == "spring":
            yield Contradiction(
                "two_springs", "ask", place.part.key, "A spring on both sides: which is the deeper one?",
                "A seal with two springs is told by its deeper, double-lipped side.",
            )  # fmt: skip
        return
    other = "right" if side == "left" else "left"
    front, back = place.sees(side), place.sees(other)
    if place.part.kind == "rod_seal":
        if back == "pressure" and front != "pressure":
            yield Contradiction(
                "lip_away", "wrong", place.part.key, "Its lips face away from the pressure.",
                "Pressure has to spread the lips; from behind it folds them.",
            )  # fmt: skip
        return
    if front in ("air", "dirt") and back in HELD_BACK and not (front == "dirt" and back == "grease"):
        yield Contradiction(
            "lip_away", "wrong", place.part.key, f"Its lip faces the {front}; the {back} is on the other side.",
            "The lip faces what it seals in; the spring side faces the oil.",
        )  # fmt: skip
    elif front == "water" and back == "oil" and not _second_border(place, other):
        yield Contradiction(
            "one_lip_for_two", "ask", place.part.key, "It seals out the water; nothing seals in the oil.",
            "Between oil and water there must be two lips, one facing each way.",
        )  # fmt: skip


def _second_border(place: _Place, side: str) -> bool:
    """Whether another lip is within two places on that side."""
    at = place.parts.index(place.part)
    near = place.parts[max(0, at - 2) : at] if side == "left" else place.parts[at + 1 : at + 3]
    return any(each.kind == "lip_seal" for each in near)


def _wiper(place: _Place) -> Iterator[Contradiction]:
    side = place.side_with("lip") if place.part.kind == "wiper" else ""
    if side and place.sees(side) in ("pressure", "oil"):
        yield Contradiction(
            "wiper_inward", "wrong", place.part.key, "Its lip faces the pressure.",
            "A wiper keeps dirt out: its lip faces the open end.",
        )  # fmt: skip


def _backup(place: _Place) -> Iterator[Contradiction]:
    if place.part.kind != "backup_ring":
        return
    for side, other in (("left", "right"), ("right", "left")):
        ring = place.beside(other)
        if ring is not None and ring.kind in ("o_ring", "piston_seal") and _only_there(place, side, other):
            yield Contradiction(
                "backup_on_pressure", "wrong", place.part.key,
                "The backup ring is on the pressure side of the O-ring.",
                "It closes the gap behind the ring, on the side away from the pressure.",
            )  # fmt: skip


def _only_there(place: _Place, side: str, other: str) -> bool:
    """Whether the pressure is known to be on that side: stated, or worked out."""
    said = {name: getattr(place.part, name).looks_at for name in (side, other)}
    if any(said.values()):
        return bool(said[side] == "pressure")
    return place.sees(side) == "pressure" and place.sees(other) != "pressure"


def _cup(place: _Place) -> Iterator[Contradiction]:
    """A taper's cup takes its cone from the wide end, and the cone goes in with its narrow end."""
    if place.part.kind not in ("taper_cup", "taper_cone"):
        return
    side = place.side_with("wide")
    if place.part.kind == "taper_cone" and side:
        mate = place.beside(side)
        if mate is not None and mate.kind == "taper_cup":
            yield Contradiction(
                "cone_outward", "wrong", place.part.key, "The cone's wide end faces its cup.",
                "A cone enters its cup narrow end first.",
            )  # fmt: skip
    if place.part.kind == "taper_cup" and side:
        other = "right" if side == "left" else "left"
        mate = place.beside(other)
        if place.sees(side) == "shoulder" or (mate is not None and mate.kind == "taper_cone"):
            yield Contradiction(
                "cup_inward", "wrong", place.part.key, "The cup's wide end faces inward, away from its cone.",
                "The cone enters at the wide end; the narrow end seats against the shoulder.",
            )  # fmt: skip


def _pair(place: _Place) -> Iterator[Contradiction]:
    if place.part.kind != "taper_bearing":
        return
    tapers = [each for each in place.parts if each.kind == "taper_bearing"]
    if len(tapers) == 2 and place.part is tapers[1]:
        wide = [("left" if each.left.mark == "wide" else "right") for each in tapers]
        if wide[0] == wide[1]:
            yield Contradiction(
                "tapers_same_way", "wrong", place.part.key,
                "Both taper bearings face the same way: nothing takes thrust the other way.",
                "Two taper bearings on a shaft oppose each other, face to face or back to back.",
            )  # fmt: skip


def _circlip(place: _Place) -> Iterator[Contradiction]:
    if place.part.kind != "circlip":
        return
    loaded, guessed = _loaded_side(place)
    if not loaded:
        return
    mark = getattr(place.part, loaded).mark
    other = getattr(place.part, "right" if loaded == "left" else "left").mark
    if mark == "rounded":
        yield Contradiction(
            "rounded_on_load", "ask" if guessed else "wrong", place.part.key,
            "Its rounded edge is on the loaded side.",
            "The sharp edge goes to the loaded wall, away from the part it retains; a rounded edge climbs out.",
        )  # fmt: skip
    elif other == "bevelled":
        yield Contradiction(
            "bevel_off_load", "ask" if guessed else "wrong", place.part.key,
            "Its bevel is on the side without load.", "A bevelled ring wedges itself on the loaded wall.",
        )  # fmt: skip


def _loaded_side(place: _Place) -> tuple[str, bool]:
    """The side of the groove wall that takes the load; the second says that it is only worked out."""
    for side, other in (("left", "right"), ("right", "left")):
        if place.sees(side) == "load" or place.sees(other) == "part":
            return side, False
    kinds = part_kinds()
    holds = []
    for side in ("left", "right"):
        neighbour = place.beside(side)
        kind = kinds.get(neighbour.kind) if neighbour else None
        if kind is not None and kind.inner:
            holds.append(side)
    if len(holds) != 1:
        return "", True
    return ("right" if holds[0] == "left" else "left"), True


PLACE_RULES: tuple[Callable[[_Place], Iterator[Contradiction]], ...] = (
    _lip, _wiper, _backup, _cup, _pair, _circlip,
)  # fmt: skip


# held, set, tied ---------------------------------------------------------------------------


def _held(part: LinePart) -> Iterator[Contradiction]:
    held = part.fastener
    if held is None:
        return
    if held.hand == "left":
        yield Contradiction(
            "left_hand", "loud", part.key, "LEFT-HAND thread: undo it clockwise.",
            "Forced the wrong way it shears. Note it on the sheet and mark it with paint.",
        )  # fmt: skip
    if held.compound == "both":
        yield Contradiction(
            "locker_and_anti_seize", "wrong", part.key, "Thread-locker and anti-seize on one thread.",
            "They work against each other: thread-locker for vibration, anti-seize for corrosion.",
        )  # fmt: skip
    if held.torque is not None:
        most, asked = most_torque_nm(held.thread), torque_nm(held.torque, held.torque_unit)
        usual = most_torque_nm(held.thread, strongest=False)
        if most is not None and asked > most:
            yield Contradiction(
                "torque_too_much", "wrong", part.key,
                f"{asked:.0f} N·m on {held.thread}: even the strongest common screw yields at about {most:.0f} N·m.",
                "Torque is often confused between in-lb, ft-lb and N·m. Check the source again.",
                "ISO 898-1:2013, SAE J429 (from memory), nut factor 0.2",
            )  # fmt: skip
        elif usual is not None and asked > usual:
            yield Contradiction(
                "torque_over_usual", "ask", part.key,
                f"{asked:.0f} N·m on {held.thread}: a common screw (8.8, grade 5) yields at about {usual:.0f} N·m.",
                "Read the head marking before tightening that far.",
                "ISO 898-1:2013, SAE J429 (from memory), nut factor 0.2",
            )  # fmt: skip
        elif not held.torque_source:
            yield Contradiction(
                "torque_without_source", "ask", part.key, "Torque without a source.",
                "State the source: plate, manual, table or practice.",
            )  # fmt: skip


def _set(part: LinePart) -> Iterator[Contradiction]:
    for each in part.settings:
        if each.first and each.second and not same_reading(each.first, each.second):
            yield Contradiction(
                "settings_differ", "wrong", part.key,
                f"Two readings of the {each.what.replace('_', ' ')} differ: {each.first} and {each.second}.",
                "Take a third reading before it is moved.",
            )  # fmt: skip
        elif each.first and not each.second:
            yield Contradiction(
                "setting_once", "ask", part.key,
                f"The {each.what.replace('_', ' ')} was read only once.", "A second reading catches an error in the first.",
            )  # fmt: skip


def same_reading(first: str, second: str) -> bool:
    """Whether two readings of a setting say the same.

    Args:
        first: As it was typed.
        second: As it was typed the second time.

    Returns:
        True when they differ in spaces, case, comma or trailing zeros only.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> same_reading("2,50 turns", "2.5turns")
        True
    """
    return _plain(first) == _plain(second)


def _plain(text: str) -> str:
    """Spaces, case and a comma for a point make no difference; nor does 2.50 for 2.5."""
    squeezed = re.sub(r"\s+", "", text.casefold()).replace(",", ".")
    return re.sub(r"(\.\d*?)0+(?!\d)", r"\1", squeezed).replace(".", ".").rstrip(".")


def _tied(sheet: LineSheet, tie: Tie) -> Iterator[Contradiction]:
    parts = [each for each in sheet.parts if each.key in tie.parts]
    if not parts:
        return
    first = parts[0]
    along = [each.key for each in sheet.on(tie.line)]
    places = [along.index(each.key) for each in parts if each.key in along]
    words = tie.words or "Tied parts"
    if len(places) < len(parts):
        yield Contradiction(
            "tie_left", "wrong", first.key, f"{words}: not on its shaft any more.",
            "A shim or spacer belongs to one shaft and one end: the stack was set with it.",
        )  # fmt: skip
    elif max(places) - min(places) + 1 > len(places):
        yield Contradiction(
            "tie_apart", "wrong", first.key, f"{words}: something is between them now.",
            "Tied parts were next to each other when removed.",
        )  # fmt: skip
    elif len(along) > 2 and _end(places, len(along)) not in ("", tie.end):
        yield Contradiction(
            "tie_end", "wrong", first.key, f"{words}: now at the {_end(places, len(along))} end now.",
            "A shim or spacer belongs to one shaft and one end: the stack was set with it.",
        )  # fmt: skip
    yield from _thickness(tie, parts)


def _end(places: list[int], count: int) -> str:
    middle = sum(places) / len(places) - (count - 1) / 2
    return "" if abs(middle) < 0.26 else ("left" if middle < 0 else "right")


def _thickness(tie: Tie, parts: list[LinePart]) -> Iterator[Contradiction]:
    for part in parts:
        if part.kind == "shim" and part.width.mm and tie.thickness.mm:
            off = part.width.mm - tie.thickness.mm
            if abs(off) > SAME_MM:
                yield Contradiction(
                    "shim_differs", "wrong", part.key,
                    f"The shim measures {part.width.mm:.3f} mm; the tag says {tie.thickness.mm:.3f} mm.",
                    "Measure again: 1.5 mm is 0.059 in, not 60 thou.",
                )  # fmt: skip
