"""Families by picture, kind, question and feature: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.parts import (
    FAMILIES,
)
from ample.core.parts.attributes import known_attributes

SHOWN_CONDITIONS = ("new", "used", "worn", "stretched", "swollen", "shrunk", "flattened", "hard")
BEARING_CONDITIONS = ("new", "worn", "spun", "rusty")


def kinds_of_family(request: contract.KindsRequest) -> contract.KindsAnswer:
    """Describe a family by pictures, kinds, questions and features."""
    family = FAMILIES[request.family]
    return contract.KindsAnswer(
        family=family.name,
        words=family.words,
        groups=[
            contract.FamilyGroup(group=name, words=words, pictured=kind)
            for name, words, kind in family.pictures
        ],
        kinds=[
            contract.FamilyKindAnswer(
                kind=kind.name,
                group=kind.group,
                words=kind.words,
                scheme=kind.scheme,
                dimensions=list(kind.dimension_names),
                offered=list(family.offered(frozenset({kind.scheme}))),
                measured=list(family.measured_of(kind.name)),
                called={name: words for name, words in family.own_words.get(kind.name, {}).items() if words},
                seen=dict(kind.seen),
            )
            for kind in family.kinds.values()
        ],
        questions=[
            contract.EyeQuestion(
                question=each.name,
                words=each.words,
                answers=[contract.EyeAnswer(value=value, words=words) for value, words in each.answers],
            )
            for each in family.questions
        ],
        features=[
            contract.FamilyFeature(
                feature=each.name, words=each.words, on_part=each.on_part, shows=each.shows
            )
            for each in family.features
        ],
        conditions=[word for word in SHOWN_CONDITIONS if word in family.seen_words]
        or list(BEARING_CONDITIONS),
        attributes=list(known_attributes().values()),
    )
