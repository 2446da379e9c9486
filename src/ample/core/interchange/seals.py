"""Comparing two seals, rings or small parts of one family attribute by attribute."""

from __future__ import annotations

from ample.core.errors import BadInput
from ample.core.interchange.bearings import interchange
from ample.core.interchange.judgement import RANK, AttributeJudgement, Interchange, Running, concluded, same
from ample.core.interchange.kind_changes import kind_change
from ample.core.parts import SEALS, BearingSpec, Kind, PartSpec, SealSpec
from ample.core.parts.rubber import medium_words, rubbers

SAME_MM = 0.02
_WIDE_MM = {"lip_seal": ("width_mm",), "hydraulic_seal": ("height_mm", "base_mm"), "key": ("length_mm",),
            "washer": ("thickness_mm",), "face_seal": ("working_length_mm",)}  # fmt: skip
_PLAIN_LIPS = frozenset(
    (
        "lip_rubber",
        "lip_rubber_dust",
        "lip_metal",
        "lip_metal_dust",
        "lip_metal_cased",
        "lip_metal_cased_dust",
    )
)


def interchange_of(old: PartSpec, new: PartSpec, duty: Running | None = None) -> Interchange:
    """Judge whether a part can take the place of another of its family.

    Formula: bearings as `interchange`, all others as `interchange_seals`.

    Args:
        old: The part to be replaced.
        new: The one offered.
        duty: Speed, temperature and dirt where they are known.

    Returns:
        The verdict with every attribute.

    Raises:
        BadInput: When the parts are of different families.

    Source: common practice.

    Example:
        >>> a = SealSpec("lip_seal", "35x52x7", "lip_rubber", (35.0, 52.0, 7.0))
        >>> interchange_of(a, SealSpec("lip_seal", "35x52x8", "lip_rubber", (35.0, 52.0, 8.0))).verdict
        'needs_change'
    """
    if old.family != new.family:
        words = {True: "rolling bearing", False: SEALS[old.family].words if old.family in SEALS else ""}
        raise BadInput(
            "different_families",
            f"A {words[old.family == 'bearing']} is not compared with a part of another family.",
            "to",
            "Choose a part of the same family.",
        )
    if isinstance(old, BearingSpec) and isinstance(new, BearingSpec):
        return interchange(old, new, duty)
    assert isinstance(old, SealSpec)
    assert isinstance(new, SealSpec)
    return interchange_seals(old, new, duty)


def interchange_seals(old: SealSpec, new: SealSpec, duty: Running | None = None) -> Interchange:
    """Judge whether a seal, ring or small part can take the place of another of its family.

    Formula: sizes within 0.02 mm are the same; another width or height needs a change of the unit, any other
    size is not interchangeable; kind, rubber, hardness, and of face seals hand and faces are compared.

    Args:
        old: The part to be replaced, sizes in mm.
        new: The one offered.
        duty: Speed, temperature and dirt where they are known.

    Returns:
        `drop_in`, `fits_with_differences`, `needs_change` or `not_interchangeable`, with every judgement.

    Raises:
        Nothing.

    Source: common practice; heat and media of the rubbers from memory (`rubbers.csv`).

    Example:
        >>> a = SealSpec("o_ring", "20x2.5", "o_ring", (20.0, 2.5, 0.0), (("material", "NBR"),))
        >>> interchange_seals(a, SealSpec("o_ring", "20x2.5", "o_ring", (20.0, 2.5, 0.0), (("material", "FKM"),))).verdict
        'fits_with_differences'
    """
    found = [*_sizes(old, new), _kind(old, new), *_rubber(old, new, duty or Running()), *_face_seal(old, new)]
    return concluded(found, float(sum(10 ** RANK[e.severity] for e in found if e.judgement != "same")))


def _sizes(old: SealSpec, new: SealSpec) -> list[AttributeJudgement]:
    found = []
    before, after = old.dimensions, new.dimensions
    for name in before.keys() | after.keys():
        words = name.removesuffix("_mm").replace("_", " ")
        one, two = before.get(name, 0.0), after.get(name, 0.0)
        said = (f"{one:g} mm", f"{two:g} mm")
        if abs(one - two) <= SAME_MM:
            found.append(same(words, said[0]))
        elif name in _WIDE_MM.get(old.family, ()):
            more = "wider" if two > one else "narrower"
            text = f"{abs(two - one):g} mm {more}: check the depth of its housing before ordering."
            found.append(AttributeJudgement(words, *said, "change", text, "needs_change", "by size"))
        else:
            text = f"{abs(two - one):.2f} mm {'larger' if two > one else 'smaller'}: a different size."
            found.append(AttributeJudgement(words, *said, "change", text, "not_interchangeable", "by size"))
    return sorted(found, key=lambda each: each.name)


def _kind(old: SealSpec, new: SealSpec) -> AttributeJudgement:
    kinds = SEALS[old.family].kinds
    words = kinds[old.kind].words, kinds[new.kind].words
    if old.kind == new.kind:
        return same("kind", words[0], "by marking")
    told = kind_change(old.family, old.kind, new.kind)
    if told:
        return AttributeJudgement(
            "kind", *words, told.judgement, told.words, told.severity, "common practice"
        )
    if {old.kind, new.kind} <= _PLAIN_LIPS:
        judgement, text = _lip(kinds[old.kind], kinds[new.kind])
        return AttributeJudgement("kind", *words, judgement, text, "fits_with_differences", "by marking")
    text = "A different kind of part: its groove or housing must be made for it."
    return AttributeJudgement("kind", *words, "change", text, "needs_change", "by marking")


def _lip(old: Kind, new: Kind) -> tuple[str, str]:
    """Plain lip seals of another cover, or with and without a dust lip."""
    judgement, points = "change", []
    if new.told["dust"] != old.told["dust"]:
        judgement = "better" if new.told["dust"] == "yes" else "worse"
        points.append(
            "Better protected against dirt; the second lip needs space and grease, and adds a little drag."
            if judgement == "better"
            else "Less protection against dirt: no second lip."
        )
    if new.told["cover"] != old.told["cover"]:
        points.append(
            "A metal case needs a smooth, round bore."
            if new.told["cover"] == "metal"
            else "A rubber-covered case also seals in a scored or light-alloy bore."
        )
    if not points:
        points.append("A different metal case: check its depth and where it is pressed.")
    return judgement, " ".join(points)


def _rubber(old: SealSpec, new: SealSpec, duty: Running) -> list[AttributeJudgement]:
    if "material" not in SEALS[old.family].marked:
        return []
    known = rubbers()
    one, two = old.marked.get("material", ""), new.marked.get("material", "")
    said = one or "not known", two or "not known"
    found = []
    if one == two and one:
        found.append(same("rubber", one, "by marking"))
    elif not one or not two:
        text = "The material is not known: decide by the medium, a marking or the supplier's certificate."
        found.append(
            AttributeJudgement("rubber", *said, "unknown", text, "fits_with_differences", "by marking")
        )
    elif one in known and two in known:
        lost = [
            medium_words(m)
            for m, well in known[one].stands.items()
            if well >= 0.9 and known[two].stands[m] < 0.5
        ]
        heat = known[two].heat_c - known[one].heat_c
        text = f"{'Stands' if heat >= 0 else 'Limited to'} {known[two].heat_c:g} °C instead of {known[one].heat_c:g} °C."
        if lost:
            text += f" It does not withstand {', '.join(lost)} as the old one did: find out the medium first."
        hot = duty.temperature_c is not None and duty.temperature_c > known[two].heat_c
        worse = bool(lost) or heat < 0
        severity = "not_interchangeable" if hot else "needs_change" if lost else "fits_with_differences"
        found.append(
            AttributeJudgement("rubber", *said, "worse" if worse else "better", text, severity, "from memory")
        )
    hard = old.marked.get("hardness_shore_a", ""), new.marked.get("hardness_shore_a", "")
    if all(hard):
        found.append(_hardness(f"{hard[0]} Shore A", f"{hard[1]} Shore A"))
    return found


def _hardness(old: str, new: str) -> AttributeJudgement:
    if old == new:
        return same("hardness", old, "by marking")
    text = "Harder bridges larger gaps and more pressure; softer seals on rougher surfaces."
    return AttributeJudgement("hardness", old, new, "change", text, "fits_with_differences", "by marking")


_TURNS = {"left": "to the left", "right": "to the right"}


def _face_seal(old: SealSpec, new: SealSpec) -> list[AttributeJudgement]:
    """The hand of a conical spring, which drives one way only, and the pair of faces."""
    if old.family != "face_seal":
        return []
    found = []
    if "face_conical" in (old.kind, new.kind):
        found.append(_hand(old.marked.get("hand", ""), new.marked.get("hand", "")))
    one, two = old.marked.get("faces", ""), new.marked.get("faces", "")
    if one and one == two:
        found.append(same("faces", one, "by marking"))
    elif one and two:
        text = "Different face materials: change both halves together; the medium decides."
        found.append(
            AttributeJudgement("faces", one, two, "change", text, "fits_with_differences", "by marking")
        )
    return found


def _hand(old: str, new: str) -> AttributeJudgement:
    said = _TURNS.get(old, "not known"), _TURNS.get(new, "not known")
    if old and old == new:
        return same("hand", said[0], "by marking")
    if old and new:
        text = "A conical spring drives in one direction only: in the other it slips on the shaft."
        return AttributeJudgement("hand", *said, "change", text, "not_interchangeable", "by marking")
    text = "A conical spring drives in one direction only: state the direction of rotation, seen from the drive, before ordering."
    return AttributeJudgement("hand", *said, "unknown", text, "fits_with_differences", "by marking")
