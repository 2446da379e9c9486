"""What the line already knows of a part: where it stood, what its faces looked at, what it sat on."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.assembly.facing import facing_of
from ample.core.assembly.kinds import part_kind
from ample.core.assembly.line import LineSheet, Size
from ample.core.errors import NotKnown


@dataclass(frozen=True)
class KnownOfPart:
    """What goes with a part to the Bench: its family, name, surroundings, and sizes already read."""

    family: str
    name: str
    surroundings: str
    marking: str
    features: tuple[tuple[str, Size], ...]
    medium: str = ""


FEATURES = {
    "bearing": {"inside": "bore", "outside": "outside", "width": "width"},
    "lip_seal": {"inside": "free_lip", "outside": "outside", "width": "width"},
    "o_ring": {"inside": "inside", "outside": "outside", "width": "section_1"},
    "hydraulic_seal": {"inside": "inside", "outside": "outside", "width": "height"},
    "face_seal": {"outside": "seat_outside", "width": "free_length"},
    "retaining_ring": {"inside": "free_inside", "width": "thickness"},
    "washer": {"inside": "inside", "outside": "outside", "width": "thickness"},
    "key": {"width": "key_length"},
}
# What rubber of a seal stands in, by what a face looks at: greases and oils of machines are mostly mineral.
MEDIA = {"oil": "mineral_oil", "grease": "mineral_oil", "water": "water"}
RUBBERY = ("lip_seal", "o_ring", "hydraulic_seal", "face_seal")
SEATS = {
    "bearing": ("shaft_seat", "housing_seat"),
    "lip_seal": ("shaft", "housing_bore"),
    "hydraulic_seal": ("rod", "bore"),
}


def known_of(sheet: LineSheet, key: str) -> KnownOfPart:
    """Gather what the line knows of a part that must be identified.

    Args:
        sheet: The lines of the unit.
        key: The part's key.

    Returns:
        Family, name, where it is, what its faces look at, sizes by feature (its own and those of the shaft step
        or housing beside it), and of a seal what it stands in.

    Raises:
        NotKnown: When the part is not on the sheet.

    Source: common practice: the seat often says more than the old part.

    Example:
        >>> sheet = LineSheet.model_validate({"lines": [{"key": "main", "name": "worm shaft"}],
        ...     "parts": [{"key": "ball", "line": "main", "kind": "ball_bearing"}]})
        >>> known_of(sheet, "ball").surroundings
        'worm shaft, place 1 of 1'
    """
    part = next((each for each in sheet.parts if each.key == key), None)
    if part is None:
        raise NotKnown("no_such_part", "That part is not on the strip-down.", "key")
    line = next(each for each in sheet.lines if each.key == part.line)
    kind = part_kind(part.kind)
    along = sheet.on(line.key)
    words = [line.name]
    faces: list[str] = []
    if not part.beside:
        at = [each.key for each in along].index(key)
        words[0] += f", place {at + 1} of {len(along)}"
        face = facing_of(line, along)[key]
        words += [
            f"{side} face ({getattr(part, side).mark.replace('_', ' ')}) to {looks_at.replace('_', ' ')}"
            for side, looks_at in (("left", face.left), ("right", face.right))
            if looks_at
        ]
        faces = [face.left, face.right]
        if kind.telling and part.right.mark in _telling_marks(kind.telling):
            faces.reverse()
    features = [
        (feature, getattr(part, side))
        for side, feature in FEATURES.get(kind.family, {}).items()
        if getattr(part, side).mm
    ]
    if not part.beside and kind.family in SEATS:
        features += _seats(sheet, part.key, line.key, SEATS[kind.family])
    return KnownOfPart(
        kind.family,
        part.name or kind.words.capitalize(),
        "; ".join(words)[:160],
        part.marking,
        tuple(features),
        _medium(line.inside, faces) if kind.family in RUBBERY else "",
    )


def _medium(inside: str, faces: list[str]) -> str:
    """The medium of a seal: what its sealing face looks at, else its other face, else what is inside the unit."""
    return next((MEDIA[each] for each in (*faces, inside) if each in MEDIA), "")


def _telling_marks(telling: str) -> tuple[str, ...]:
    return ("lip", "spring") if telling == "lip" else (telling,)


def _seats(sheet: LineSheet, key: str, line: str, names: tuple[str, str]) -> list[tuple[str, Size]]:
    """The nearest shaft step's outside and housing's inside that can be its seats."""
    along = sheet.on(line)
    at = [each.key for each in along].index(key)
    by_distance = sorted(range(len(along)), key=lambda i: abs(i - at))
    own = along[at]
    found = []
    for name, kinds, side, own_mm in (
        (names[0], ("shaft", "collar"), "outside", own.inside.mm),
        (names[1], ("housing", "cover", "gland"), "inside", own.outside.mm),
    ):
        for i in by_distance:
            size: Size = getattr(along[i], side)
            if along[i].kind in kinds and size.mm and abs(i - at) <= 2:
                if own_mm is None or abs(size.mm - own_mm) < 0.03 * own_mm:
                    found.append((name, size))
                break
    return found
