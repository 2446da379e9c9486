"""Which attributes each kind of part has: what must be known of it before another takes its place."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.parts.kinds import bearing_kinds
from ample.core.tables import read_table

_SNAP_RINGS = ("deep_groove", "cylindrical_n", "cylindrical_nu", "cylindrical_nj")
_TAPER_BORES = ("self_aligning", "spherical_roller", "double_row_cylindrical", "insert")
_BARE = ("angle_ring", "inch_cup", "metric_cup", "thrust_washer", "spherical_plain", "joint_cross")
ANGLED = ("angular_contact",)
HANDED = ("face_conical",)
NEEDED: dict[str, tuple[str, ...]] = {
    "lip_seal": ("material",),
    "o_ring": ("material",),
    "hydraulic_seal": ("material",),
    "face_seal": ("faces", "material"),
}
LOOKED_AT = ("closure", "bore_shape", "angle")  # seen at a glance on the part, so never taken for granted
USUAL = {
    "closure": "open", "clearance": "N", "class": "Normal", "cage": "standard", "snap_ring": "none",
    "bore_shape": "cylindrical",
}  # fmt: skip


@lru_cache
def worth_saying(kind: str) -> tuple[str, ...]:
    """The attributes that are assumed aloud for a kind of bearing; the others go without saying."""
    described = bearing_kinds()[kind]
    said = {
        "closure": described.closable,
        "clearance": bool(described.clearance),
        "class": kind not in _BARE and described.group not in ("needle", "track"),
        "cage": kind not in _BARE,
        "snap_ring": kind in _SNAP_RINGS,
        "bore_shape": kind in _TAPER_BORES,
    }
    return tuple(name for name, worth in said.items() if worth)


@lru_cache
def attributes_of(family: str, kind: str) -> tuple[str, ...]:
    """The attributes that must be known of a part of this family and kind: a requirement names them, known or not.

    Args:
        family: The family of the part.
        kind: The kind within it; empty while it is not known.

    Returns:
        The names of the attributes in the order in which people state them.

    Raises:
        KeyError: When the family or kind does not exist.

    Source: common practice.

    Example:
        >>> attributes_of("o_ring", "o_ring")
        ('material',)
        >>> attributes_of("bearing", "angular_contact")
        ('angle', 'class', 'cage')
    """
    if family == "bearing":
        if not kind:
            return ()
        return (("angle",) if kind in ANGLED else ()) + worth_saying(kind)
    return NEEDED.get(family, ()) + (("hand",) if kind in HANDED else ())


@dataclass(frozen=True)
class AttributeValue:
    """A value that an attribute can have."""

    value: str
    words: str


@dataclass(frozen=True)
class Attribute:
    """An attribute in words, and the values that it can have; none: any short text."""

    name: str
    words: str
    values: tuple[AttributeValue, ...]


@lru_cache
def known_attributes() -> dict[str, Attribute]:
    """Every attribute by its name."""
    words: dict[str, str] = {}
    values: dict[str, list[AttributeValue]] = {}
    for row in read_table(Path(__file__).with_name("attributes.csv")).rows:
        if row["value"]:
            values[row["attribute"]].append(AttributeValue(row["value"], row["words"]))
        else:
            words[row["attribute"]] = row["words"]
            values[row["attribute"]] = []
    return {name: Attribute(name, said, tuple(values[name])) for name, said in words.items()}


def check_said(said: Mapping[str, str], field: str = "said") -> None:
    """Refuse what a person says of an attribute that is none, or is none of its values.

    Raises:
        BadInput: At the attribute, with the values that it can have.
    """
    for name, value in said.items():
        known = known_attributes().get(name)
        if known is None:
            names = ", ".join(known_attributes())
            raise BadInput(
                "no_such_attribute", f"“{name[:30]}” is not an attribute.", field, f"One of {names}."
            )
        values = [each.value for each in known.values]
        if values and value not in values:
            raise BadInput(
                "no_such_value",
                f"“{value[:30]}” is not a {known.words}.",
                f"{field}.{name}",
                f"One of {', '.join(values)}.",
            )
        if name == "hardness_shore_a" and not (value.isdigit() and 10 <= int(value) <= 100):
            raise BadInput("bad_hardness", "Shore A lies between 10 and 100.", f"{field}.{name}")
