"""The requirement: what has to be met in place of a part, and how each value is known.

It is made from the evidence of the Bench by `requirement_of` and nothing else, and is the one thing that a
replacement is compared with, that the order checks ask and that every paper prints.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal

from ample.core.parts.attributes import LOOKED_AT, USUAL, attributes_of
from ample.core.parts.every_family import FAMILIES
from ample.core.parts.families import PartSpec
from ample.core.parts.markings import MarkingReading
from ample.core.parts.specifying import specified

Basis = Literal["stated", "measured", "seen", "implied", "assumed", "unknown"]
Arrangement = Literal["", "back_to_back", "face_to_face", "tandem"]
BASES: tuple[Basis, ...] = ("stated", "measured", "seen", "implied", "assumed", "unknown")
SURE: frozenset[Basis] = frozenset(("stated", "measured", "seen"))
PAIRS: dict[str, Arrangement] = {
    "pair_back_to_back": "back_to_back",
    "pair_face_to_face": "face_to_face",
    "pair_tandem": "tandem",
}
SAME_SIZE_MM = 0.05
_SAYS_NO_ATTRIBUTE = ("designation", "series", "family", "note", "extra", "kind", "called")


@dataclass(frozen=True)
class KnownSize:
    """One dimension, mm, by the contract's name, and how it is known."""

    name: str
    mm: float
    basis: Basis
    told_by: str = ""


@dataclass(frozen=True)
class KnownAttribute:
    """One attribute by its code, and how it is known; the value is empty while it is unknown."""

    name: str
    value: str
    basis: Basis
    told_by: str = ""


@dataclass(frozen=True)
class Measured:
    """What was measured of the part or beside it: the mean and its expanded uncertainty, mm (k = 2)."""

    feature: str
    mean_mm: float
    expanded_uncertainty_mm: float
    count: int
    instrument: str


@dataclass(frozen=True)
class Answered:
    """A question to eye and hand with its answer."""

    question: str
    answer: str


@dataclass(frozen=True)
class Clash:
    """Two things that are known of the part and cannot both be true."""

    name: str
    marked: str
    confirmed: str


@dataclass(frozen=True)
class WhereItGoes:
    """The place of the part: the unit and job, the line, what it is called there and what lies beside it."""

    unit: str = ""
    job: str = ""
    part: str = ""
    line: str = ""
    neighbours: tuple[str, ...] = ()


@dataclass(frozen=True)
class OperatingConditions:
    """What the part has to bear; None or empty where nobody has said it."""

    rpm: float | None = None
    temperature_c: float | None = None
    medium: str = ""
    dirty: bool | None = None
    rotating_ring: str = ""  # shaft, housing or shaking, as fits.Duty has it
    load: str = ""


@dataclass(frozen=True)
class Evidence:
    """All that is known of a part: its marking and the ways to read it (best first), what was measured and seen,
    what a person said of an attribute, and the listed part whose size the readings lead to.
    """

    family: str
    marking: str = ""
    readings: tuple[MarkingReading, ...] = ()
    measured: tuple[Measured, ...] = ()
    kind: str = ""
    answers: tuple[tuple[str, str], ...] = ()
    condition: str = ""
    said: tuple[tuple[str, str], ...] = ()
    size_of: PartSpec | None = None
    count: int = 1
    place: WhereItGoes = WhereItGoes()
    duty: OperatingConditions = OperatingConditions()


@dataclass(frozen=True)
class Requirement:
    """All that a replacement has to meet; see the module."""

    family: str
    kind: str
    kind_basis: Basis
    designation: str
    series: str
    dimensions: tuple[KnownSize, ...]
    attributes: tuple[KnownAttribute, ...]
    arrangement: Arrangement = ""
    marking: str = ""
    unread: tuple[str, ...] = ()
    notes: tuple[str, ...] = ()
    measured: tuple[Measured, ...] = ()
    kind_seen: str = ""
    answers: tuple[Answered, ...] = ()
    condition: str = ""
    clashes: tuple[Clash, ...] = ()
    count: int = 1
    place: WhereItGoes = field(default_factory=WhereItGoes)
    duty: OperatingConditions = field(default_factory=OperatingConditions)

    @property
    def pieces(self) -> int:
        """How many single parts one of it is: a matched pair is two."""
        return 2 if self.arrangement else 1

    @property
    def attribute_values(self) -> dict[str, str]:
        """Attributes that are known, as a specification takes them; extras parted by blanks."""
        found: dict[str, list[str]] = {}
        for each in self.attributes:
            if each.value:
                found.setdefault(each.name, []).append(each.value)
        return {name: " ".join(values) for name, values in found.items()}

    @property
    def spec(self) -> PartSpec | None:
        """The specification of a part that meets it; None while its size is not known."""
        sizes = {each.name: each.mm for each in self.dimensions}
        if not self.kind or len(sizes) < 2:
            return None
        return specified(self.family, self.kind, self.designation, self.series, sizes, self.attribute_values)

    def known(self, name: str) -> KnownAttribute | None:
        """An attribute by its code; None where this kind of part does not have it."""
        return next((each for each in self.attributes if each.name == name), None)


def requirement_of(evidence: Evidence) -> Requirement:
    """The requirement that the evidence of a part amounts to. Nothing of the evidence is dropped.

    Formula: an attribute is what the marking states; else what a person saw or said; else what the marking
    implies; else what is usual where a marking was read; else unknown. The size is that of the part confirmed;
    a marking of another size stays as a clash.

    Args:
        evidence: What is known of the part.

    Returns:
        The requirement, each value with its basis.

    Raises:
        KeyError: When the family or kind does not exist.

    Source: common practice.

    Example:
        >>> found = requirement_of(Evidence("o_ring"))
        >>> found.dimensions, found.attributes[0].basis
        ((), 'unknown')
    """
    reading = _reading_of(evidence)
    kind, kind_basis = _kind(evidence, reading)
    clashes = _clashes(evidence, reading, kind)
    extras = _spans(reading, "extra")
    return Requirement(
        evidence.family,
        kind,
        kind_basis,
        *_named(evidence, reading),
        dimensions=_sizes(evidence, reading),
        attributes=_attributes(evidence, reading, kind),
        arrangement=next((PAIRS[value] for value, _, _ in extras if value in PAIRS), ""),
        marking=evidence.marking,
        unread=_unread(evidence, reading),
        notes=tuple(span.text for span in reading.spans if span.attribute == "note") if reading else (),
        measured=evidence.measured,
        kind_seen=evidence.kind,
        answers=tuple(Answered(*each) for each in evidence.answers),
        condition=evidence.condition,
        clashes=clashes,
        count=evidence.count,
        place=evidence.place,
        duty=evidence.duty,
    )


def _reading_of(evidence: Evidence) -> MarkingReading | None:
    """The reading of the marking that is meant: of those that suit the confirmed size the best, else the best."""
    own = [each for each in evidence.readings if each.family == evidence.family]
    if evidence.size_of is not None:
        fitting = [each for each in own if _same_size(each, evidence.size_of)]
        same_kind = [each for each in fitting if each.attributes["kind"] == evidence.size_of.kind]
        own = same_kind or fitting or own
    return own[0] if own else None


def _same_size(reading: MarkingReading, spec: PartSpec) -> bool:
    if reading.designation == spec.designation:
        return True
    size = spec.dimensions
    shared = reading.dimensions.keys() & size.keys()
    return len(shared) > 1 and all(
        abs(reading.dimensions[name] - size[name]) <= SAME_SIZE_MM for name in shared
    )


def _fits_size(evidence: Evidence, reading: MarkingReading | None) -> bool:
    return reading is not None and (evidence.size_of is None or _same_size(reading, evidence.size_of))


def _named(evidence: Evidence, reading: MarkingReading | None) -> tuple[str, str]:
    """Designation and series."""
    if reading is not None and _fits_size(evidence, reading):
        return reading.designation, reading.series
    if evidence.size_of is not None:
        return evidence.size_of.designation, evidence.size_of.series
    return ("", "")


def _kind(evidence: Evidence, reading: MarkingReading | None) -> tuple[str, Basis]:
    if reading is not None and _fits_size(evidence, reading):
        marked = _marked_kinds(reading)
        if marked:
            return marked[-1], "stated"
        if any(each.attribute == "series" and each.certainty == "stated" for each in reading.spans):
            return reading.attributes["kind"], "stated"
    seen = bool(evidence.kind or evidence.answers)
    if evidence.size_of is not None:
        return evidence.size_of.kind, "seen" if seen else "implied"
    if reading is not None:
        return reading.attributes["kind"], "assumed"
    return "", "unknown"


def _marked_kinds(reading: MarkingReading) -> list[str]:
    """The kinds that words of the marking name; of two of one group the later is the narrower."""
    return [value for value, basis, _ in _spans(reading, "kind") if basis == "stated"]


def _sizes(evidence: Evidence, reading: MarkingReading | None) -> tuple[KnownSize, ...]:
    fits = _fits_size(evidence, reading)
    stated = {}
    if reading is not None and fits:
        stated = {s.attribute: s.text for s in reading.spans if s.attribute.endswith("_mm") and s.text}
    if evidence.size_of is not None:
        sizes = dict(evidence.size_of.dimensions)
    else:
        sizes = dict(reading.dimensions) if reading is not None else {}
    found = []
    for name, mm in sizes.items():
        if name in stated:
            found.append(KnownSize(name, mm, "stated", stated[name]))
        elif reading is not None and fits:
            found.append(KnownSize(name, mm, "implied", reading.designation))
        else:
            found.append(KnownSize(name, mm, "measured" if evidence.measured else "assumed"))
    return tuple(found)


def _spans(reading: MarkingReading | None, name: str) -> list[tuple[str, Basis, str]]:
    """Values that the marking itself gives an attribute, with how surely and by which letters."""
    if reading is None:
        return []
    return [
        (span.value, "stated" if span.certainty == "stated" else "implied", span.text)
        for span in reading.spans
        if span.attribute == name and span.certainty != "assumed" and span.value
    ]


def _attributes(evidence: Evidence, reading: MarkingReading | None, kind: str) -> tuple[KnownAttribute, ...]:
    said = dict(evidence.said)
    marked = {s.attribute for s in reading.spans if not s.attribute.endswith("_mm")} if reading else set()
    names = dict.fromkeys((*attributes_of(evidence.family, kind), *sorted(marked), *said))
    found = [
        _attribute(name, reading, said.get(name, ""))
        for name in names
        if name not in _SAYS_NO_ATTRIBUTE and "+" not in name
    ]
    extras = [
        KnownAttribute("extra", value, basis, text)
        for value, basis, text in _spans(reading, "extra")
        if value not in PAIRS
    ]
    return (*found, *extras)


def _attribute(name: str, reading: MarkingReading | None, said: str) -> KnownAttribute:
    for value, basis, text in _spans(reading, name):
        if basis == "stated":
            return KnownAttribute(name, value, basis, text)
    if said:
        return KnownAttribute(name, said, "seen")
    for value, basis, text in _spans(reading, name):
        return KnownAttribute(name, value, basis, text)
    if reading is not None:
        usual = reading.attributes.get(name, "")
    else:
        usual = "" if name in LOOKED_AT else USUAL.get(name, "")
    return KnownAttribute(name, usual, "assumed" if usual else "unknown")


def _unread(evidence: Evidence, reading: MarkingReading | None) -> tuple[str, ...]:
    if reading is not None:
        return reading.unread
    return (evidence.marking.strip(),) if evidence.marking.strip() else ()


def _clashes(evidence: Evidence, reading: MarkingReading | None, kind: str) -> tuple[Clash, ...]:
    """What the marking says and the confirmed size, a person, or the marking itself says otherwise."""
    found = []
    if reading is not None and evidence.size_of is not None and not _same_size(reading, evidence.size_of):
        found.append(Clash("size", reading.designation, evidence.size_of.designation))
    said = dict(evidence.said)
    marked = {each.attribute for each in reading.spans} - set(_SAYS_NO_ATTRIBUTE) if reading else set()
    for name in sorted(marked | said.keys()):
        stated = dict.fromkeys(value for value, basis, _ in _spans(reading, name) if basis == "stated")
        first, *others = stated or ("",)
        found += [Clash(name, first, other) for other in (*others, said.get(name, "")) if other and first]
    told = FAMILIES[evidence.family].kinds[kind].told if kind else {}
    found += [
        Clash(question, told[question], answer)
        for question, answer in evidence.answers
        if told.get(question) and told[question] != answer
    ]
    found += _kinds_apart(reading)
    return tuple(each for each in found if each.marked != each.confirmed)


def _kinds_apart(reading: MarkingReading | None) -> list[Clash]:
    """Words that name kinds of different groups."""
    marked = _marked_kinds(reading) if reading is not None else []
    if reading is None or len({FAMILIES[reading.family].kinds[kind].group for kind in marked}) < 2:
        return []
    return [Clash("kind", kind, marked[-1]) for kind in marked[:-1]]


@dataclass(frozen=True)
class Change:
    """One thing of a requirement that is another now; empty where it was, or is, not known."""

    name: str
    before: str
    after: str


def changes_between(before: Requirement, after: Requirement) -> tuple[Change, ...]:
    """What of a requirement is another than it was, so that what was ordered for it may be wrong now.

    Formula: sizes, kind, attributes, arrangement, what is not understood, the count and the medium are compared; how
    something is known, and readings that change none of these, are not.

    Args:
        before: The requirement that was ordered for.
        after: The requirement of now.

    Returns:
        The changes, by name.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> ring = requirement_of(Evidence("o_ring", said=(("material", "NBR"),)))
        >>> changes_between(ring, requirement_of(Evidence("o_ring", said=(("material", "FKM"),))))
        (Change(name='material', before='NBR', after='FKM'),)
    """
    old, new = facts_of(before), facts_of(after)
    names = sorted(old.keys() | new.keys())
    return tuple(
        Change(name, old.get(name, ""), new.get(name, ""))
        for name in names
        if old.get(name, "") != new.get(name, "")
    )


def facts_of(requirement: Requirement) -> dict[str, str]:
    """What a part offered is held against, by name; where the part goes, and how a thing is known, is left out.

    Args:
        requirement: The requirement.

    Returns:
        Names and values as text; empty where a thing is not known.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> facts_of(requirement_of(Evidence("o_ring", said=(("material", "FKM"),))))["material"]
        'FKM'
    """
    return {
        "kind": requirement.kind,
        **{each.name: f"{each.mm:g}" for each in requirement.dimensions},
        **requirement.attribute_values,
        "arrangement": requirement.arrangement,
        "not understood": " ".join(requirement.unread),
        "count": str(requirement.count),
        "medium": requirement.duty.medium,
    }
