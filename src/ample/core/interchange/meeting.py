"""Does an offered part meet the requirement? The comparison of two parts, held to how each thing is known."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ample.core.errors import BadInput
from ample.core.interchange.judgement import (
    RANK,
    AttributeJudgement,
    Interchange,
    Running,
    concluded,
    deciding_first,
    same,
    worst,
)
from ample.core.interchange.seals import interchange_of
from ample.core.parts import BearingSpec, PartSpec
from ample.core.parts.requirement import PAIRS, SURE, Arrangement, Basis, Requirement
from ample.core.parts.rubber import FAILS, MEDIA, STANDS_WELL, medium_words, rubbers

# The attribute of the requirement that a judgement of the comparison is about.
ATTRIBUTE_OF = {
    "closure": "closure", "clearance": "clearance", "class": "class", "cage": "cage", "ring groove": "snap_ring",
    "bore shape": "bore_shape", "contact angle": "angle", "rubber": "material", "hardness": "hardness_shore_a",
    "faces": "faces", "hand": "hand",
}  # fmt: skip
PAIR_WORDS = {
    "": "single",
    "back_to_back": "matched pair, back to back",
    "face_to_face": "matched pair, face to face",
    "tandem": "matched pair, in tandem",
}


def meets(
    wanted: Requirement, offered: PartSpec, unread: Sequence[str] = (), duty: Running | None = None
) -> Interchange:
    """Judge whether an offered part meets a requirement.

    Formula: the two parts compared as `interchange_of`; an attribute of the old part that nobody knows stays open;
    what was read and not understood must stand on the offered part too; a matched pair is met by a pair of the
    same arrangement; a rubber is also held against the medium. Whatever is stated, measured or seen and is neither
    the same nor better is a contradiction.

    Args:
        wanted: The requirement; its size must be known.
        offered: The part offered.
        unread: What of the offered part's marking has no meaning here.
        duty: Speed, temperature and dirt where they are known; else those of the requirement.

    Returns:
        The verdict with every attribute, its basis, and the names of those that contradict or are open.

    Raises:
        BadInput: When the size of the requirement is not known, or the families differ.

    Source: common practice; rubber and media from memory (`rubbers.csv`).

    Example:
        >>> from ample.core.parts import SealSpec
        >>> from ample.core.parts.requirement import Evidence, KnownAttribute, requirement_of
        >>> ring = SealSpec("o_ring", "20x2.5", "o_ring", (20.0, 2.5, 0.0), (("material", "NBR"),))
        >>> asked = requirement_of(Evidence("o_ring", size_of=ring, said=(("material", "FKM"),)))
        >>> meets(asked, ring).contradictions
        ('rubber',)
    """
    base, found = _judged(wanted, offered, unread, duty)
    told = concluded(found, base.distance + 100.0 * (RANK[worst(found)] - RANK[base.verdict]))
    return replace(
        told,
        contradictions=tuple(each.name for each in told.attributes if _contradicts(each)),
        open=tuple(each.name for each in told.attributes if each.judgement == "unknown"),
    )


def against(wanted: Requirement, offered: PartSpec) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The names of what contradicts a requirement and of what is open: those of `meets`, without its verdict in words.

    Formula: as `meets`.

    Args:
        wanted: The requirement; its size must be known.
        offered: The part offered.

    Returns:
        The names of attributes that contradict, and of those that are open; the severest first.

    Raises:
        BadInput: When the size of the requirement is not known, or the families differ.

    Source: as `meets`.

    Example:
        >>> from ample.core.parts import SealSpec
        >>> from ample.core.parts.requirement import Evidence, requirement_of
        >>> ring = SealSpec("o_ring", "20x2.5", "o_ring", (20.0, 2.5, 0.0), (("material", "NBR"),))
        >>> against(requirement_of(Evidence("o_ring", size_of=ring, said=(("material", "FKM"),))), ring)[0]
        ('rubber',)
    """
    found = _judged(wanted, offered, (), None)[1]
    return (
        tuple(each.name for each in deciding_first(each for each in found if _contradicts(each))),
        tuple(each.name for each in deciding_first(each for each in found if each.judgement == "unknown")),
    )


def _judged(
    wanted: Requirement, offered: PartSpec, unread: Sequence[str], duty: Running | None
) -> tuple[Interchange, list[AttributeJudgement]]:
    """The two parts compared, and every judgement with how the old part's attribute is known."""
    old = wanted.spec
    if old is None:
        raise BadInput("size_not_known", "The size of the part is not known yet.", "from")
    single, arrangement = _taken_apart(offered)
    running = duty or Running(wanted.duty.rpm, wanted.duty.temperature_c, wanted.duty.dirty)
    base = interchange_of(old, single, running)
    found = [_with_basis(wanted, each) for each in base.attributes]
    found += _pieces(wanted.arrangement, arrangement)
    found += _unread(wanted.unread, unread)
    medium = _medium(wanted.duty.medium, single)
    if medium and medium[0].judgement == "same":
        found = [_settled_by_medium(each, medium[0]) for each in found]
    return base, found + medium


def _taken_apart(offered: PartSpec) -> tuple[PartSpec, Arrangement]:
    """One piece of what is offered, and how the pieces are arranged."""
    if not isinstance(offered, BearingSpec) or not offered.extras:
        return offered, ""
    arrangement = next((PAIRS[extra] for extra in offered.extras if extra in PAIRS), "")
    return replace(offered, extras=tuple(e for e in offered.extras if e not in PAIRS)), arrangement  # type: ignore[return-value]


def _with_basis(wanted: Requirement, judged: AttributeJudgement) -> AttributeJudgement:
    """The judgement with how the old part's attribute is known; one that is not known is open."""
    name = ATTRIBUTE_OF.get(judged.name)
    if judged.name == "kind":
        return judged.known_as(wanted.kind_basis)
    if judged.name == "other marks":
        bases = [each.basis for each in wanted.attributes if each.name == "extra"]
        return judged.known_as(bases[0] if bases else "assumed")
    if name is None:
        return judged.known_as(_size_basis(wanted, judged.name))
    known = wanted.known(name)
    if known is None:
        return judged.known_as("assumed")
    if known.basis == "unknown" and name != "material":
        text = "Not known for the old one: check it before ordering."
        return replace(
            judged, old="not known", judgement="unknown", consequence=text, known="unknown",
            severity="fits_with_differences",
        )  # fmt: skip
    return judged.known_as(known.basis)


_SIZE_NAMES = {
    "bore": ("d_mm", "Fw_mm", "bore_mm"), "outside": ("D_mm", "outside_mm"), "width": ("T_mm", "B_mm", "width_mm"),
    "cone width": ("B_mm",), "cup width": ("C_mm",), "outer ring width": ("C_mm",),
}  # fmt: skip


def _size_basis(wanted: Requirement, name: str) -> Basis:
    names = (*_SIZE_NAMES.get(name, ()), f"{name.replace(' ', '_')}_mm")
    return next((each.basis for each in wanted.dimensions if each.name in names), "implied")


def _pieces(wanted: Arrangement, offered: Arrangement) -> list[AttributeJudgement]:
    if not wanted and not offered:
        return []
    words = PAIR_WORDS[wanted], PAIR_WORDS[offered]
    if wanted == offered:
        return [replace(same("pieces", words[0], "by marking"), known="stated")]
    if wanted and not offered:
        text = "A matched pair is ground together: two singles do not make one."
    elif offered and not wanted:
        text = "A matched pair is offered in place of a single: twice the width."
    else:
        text = "In the other arrangement it carries load and preload in the other direction."
    return [
        AttributeJudgement("pieces", *words, "change", text, "needs_change", "by marking", known="stated")
    ]


def _unread(wanted: Sequence[str], offered: Sequence[str]) -> list[AttributeJudgement]:
    """What was read and has no meaning here must be on the offered part as well."""
    there = {each.upper() for each in offered}
    found = []
    for text in wanted:
        if text.upper() in there:
            found.append(replace(same(f"“{text}”", "on both", "by marking"), known="stated"))
        else:
            words = f"“{text}” is marked on the old part and not understood: ask the supplier what it means."
            found.append(AttributeJudgement(
                f"“{text}”", "with it", "without it", "unknown", words, "fits_with_differences", "by marking",
                known="stated",
            ))  # fmt: skip
    for text in offered:
        if text.upper() not in {each.upper() for each in wanted}:
            words = f"“{text}” is marked on the offered part and not understood: ask what it means."
            found.append(AttributeJudgement(
                f"“{text}”", "without it", "with it", "unknown", words, "fits_with_differences", "by marking",
                known="stated",
            ))  # fmt: skip
    return found


def _medium(medium: str, offered: PartSpec) -> list[AttributeJudgement]:
    """A rubber against its medium."""
    rubber = offered.marked.get("material", "")
    if medium not in MEDIA or rubber not in rubbers():
        return []
    words, stands = medium_words(medium), rubbers()[rubber].stands[medium]
    if stands >= STANDS_WELL:
        return [
            replace(
                same("medium", words, "from memory"),
                consequence=f"{rubber} is suitable for {words}.",
                known="seen",
            )
        ]
    if stands < FAILS:
        text, severity, judgement = f"{rubber} does not withstand {words}.", "not_interchangeable", "worse"
    else:
        text, severity, judgement = (
            f"{rubber} in {words}: ask the supplier.",
            "fits_with_differences",
            "unknown",
        )
    return [
        AttributeJudgement("medium", words, rubber, judgement, text, severity, "from memory", known="seen")
    ]


def _settled_by_medium(judged: AttributeJudgement, medium: AttributeJudgement) -> AttributeJudgement:
    """Which rubber the old one was need not be known where the one offered resists the medium."""
    if judged.name != "rubber" or judged.known != "unknown":
        return judged
    text = f"The old material is not known. {medium.consequence}"
    return replace(judged, judgement="change", severity="drop_in", consequence=text)


def _contradicts(judged: AttributeJudgement) -> bool:
    """Known for sure of the old part, and neither the same nor merely better."""
    worse = judged.judgement in ("worse", "change") or (
        judged.judgement == "better" and judged.severity != "drop_in"
    )
    return worse and judged.known in SURE
