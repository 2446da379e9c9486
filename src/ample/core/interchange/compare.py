"""Comparing two rolling bearings attribute by attribute."""

from __future__ import annotations

from dataclasses import dataclass

from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, BearingSpec, bearing_kinds, clearance_table
from ample.core.parts.ratings import Ratings, estimated_ratings
from ample.core.standards import internal_clearance

SAME_MM = 0.01
CLASS_ORDER = ("Normal", "6", "6X", "5", "SP", "4", "UP", "2")
CLEARANCE_ORDER = ("1", "2", "N", "3", "4", "5")
STAINLESS_LOAD_SHARE = 0.8
CAGE_WORDS = {
    "standard": "the maker's standard cage",
    "brass_machined": "machined brass cage",
    "brass_pressed": "pressed brass cage",
    "steel_pressed": "pressed steel cage",
    "steel_machined": "machined steel cage",
    "polyamide": "polyamide cage",
    "polymer_hot": "heat-proof polymer cage",
    "phenolic": "phenolic cage",
}
POLYAMIDE_LIMIT_C = 120.0
SEAL_LIMIT_C = 110.0
EXTRA_WORDS = {
    "stainless": "stainless steel",
    "flange": "flange on the outer ring",
    "full_complement": "full complement of balls",
    "lubrication_groove": "lubrication groove in the outer ring",
    "motor_quality": "quiet, motor quality",
    "reinforced": "reinforced inside",
}
SNAP_WORDS = {"none": "none", "groove": "groove", "groove_and_ring": "groove with ring"}
_RANK = {"drop_in": 0, "fits_with_differences": 1, "needs_change": 2, "not_interchangeable": 3}


@dataclass(frozen=True)
class Running:
    """What is known of the duty; what is not known is not judged."""

    rpm: float | None = None
    temperature_c: float | None = None
    dirty: bool | None = None

    def __post_init__(self) -> None:
        if self.rpm is not None and not 0 <= self.rpm <= 200_000:
            raise BadInput("bad_speed", "0 to 200 000 rev/min.", "duty.rpm")
        if self.temperature_c is not None and not -100 <= self.temperature_c <= 400:
            raise BadInput("temperature_out_of_range", "−100 to 400 °C.", "duty.temperature_c")


@dataclass(frozen=True)
class AttributeJudgement:
    """One attribute of both parts: same, better, worse, change or unknown, and what follows."""

    name: str
    old: str
    new: str
    judgement: str
    consequence: str
    severity: str
    basis: str


@dataclass(frozen=True)
class Interchange:
    """The verdict with every attribute, differences first."""

    verdict: str
    words: str
    attributes: tuple[AttributeJudgement, ...]
    distance: float


def interchange(old: BearingSpec, new: BearingSpec, duty: Running | None = None) -> Interchange:
    """Judge whether a rolling bearing can take the place of another.

    Formula: bore and outside within 0.01 mm or not interchangeable; another width needs a change
    of the unit; closure, clearance, class, cage, ring groove, load and speed are compared.

    Args:
        old: The bearing to be replaced, sizes in mm.
        new: The one offered.
        duty: Speed, temperature and dirt where they are known.

    Returns:
        `drop_in`, `fits_with_differences`, `needs_change` or `not_interchangeable`, with every
        attribute's judgement and its consequence in words.

    Raises:
        BadInput: When a size cannot be that of a bearing.

    Source: common practice; clearance from ISO 5753-1, ratings estimated (ISO 281, ISO 76).

    Example:
        >>> a = BearingSpec("6205", "62", 25, 52, 15, closure="seal_two")
        >>> interchange(a, BearingSpec("62205", "622", 25, 52, 18, closure="seal_two")).verdict
        'needs_change'
    """
    known = duty or Running()
    found = [
        _diameter("bore", old.d_mm, new.d_mm),
        _diameter("outside", old.D_mm, new.D_mm),
        *_widths(old, new),
        *_kind(old, new),
        _closure(old, new, known),
        _clearance(old, new),
        _class(old, new),
        _cage(old, new, known),
        _snap_ring(old, new),
        _bore_shape(old, new),
        _extras(old, new),
        *_angle(old, new),
        *(_load_and_speed(old, new, known) if old.kind == new.kind == "deep_groove" else ()),
    ]
    verdict = max((each.severity for each in found), key=lambda name: _RANK[name])
    order = sorted(found, key=lambda each: (-_RANK[each.severity], each.judgement == "same"))
    return Interchange(verdict, _verdict_words(verdict, order), tuple(order), _distance(old, new, verdict))


def _distance(old: BearingSpec, new: BearingSpec, verdict: str) -> float:
    """How far apart two parts lie, for putting the nearest first: verdict, then kind by kind."""
    steps = (
        2.0 * abs(CLOSURES[old.closure].dirt - CLOSURES[new.closure].dirt)
        + 1.5 * (CLOSURES[old.closure].sides != CLOSURES[new.closure].sides)
        + abs(CLEARANCE_ORDER.index(old.clearance) - CLEARANCE_ORDER.index(new.clearance))
        + abs(CLASS_ORDER.index(old.tolerance_class) - CLASS_ORDER.index(new.tolerance_class))
        + 0.2 * abs(old.B_mm - new.B_mm)
    )
    return 100.0 * _RANK[verdict] + steps


def _same(name: str, value: str, basis: str = "by size") -> AttributeJudgement:
    return AttributeJudgement(name, value, value, "same", "", "drop_in", basis)


def _diameter(name: str, old: float, new: float) -> AttributeJudgement:
    words = (f"{old:g} mm", f"{new:g} mm")
    if abs(old - new) <= SAME_MM:
        return _same(name, words[0])
    seat = "shaft" if name == "bore" else "housing"
    change = abs(new - old)
    bigger = new > old
    if name == "bore":
        need = "sleeved up" if bigger else "turned down"
    else:
        need = "bored out" if bigger else "sleeved down"
    return AttributeJudgement(
        name, *words, "change",
        f"{change:.3g} mm {'larger' if bigger else 'smaller'}: the {seat} would have to be {need}.",
        "not_interchangeable", "by size",
    )  # fmt: skip


def _widths(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """The width that the unit feels, and of tapers the two rings' own widths."""
    found = [_width("width", old.T_mm or old.B_mm, new.T_mm or new.B_mm)]
    if old.T_mm and new.T_mm and old.C_mm and new.C_mm:
        found.append(_ring_width("cone width", old.B_mm, new.B_mm))
        found.append(_ring_width("cup width", old.C_mm, new.C_mm))
    elif old.C_mm and new.C_mm and old.C_mm != old.B_mm:
        found.append(_ring_width("outer ring width", old.C_mm, new.C_mm))
    return found


def _ring_width(name: str, old: float, new: float) -> AttributeJudgement:
    if abs(old - new) <= SAME_MM:
        return _same(name, f"{old:g} mm")
    text = "One ring is of another width: look at the shoulder, the spacer and the standout it meets."
    return AttributeJudgement(
        name, f"{old:g} mm", f"{new:g} mm", "change", text, "fits_with_differences", "by size"
    )


_AXIAL = {
    "deep_groove": "some, both ways", "angular_contact": "one way", "double_row_angular": "both ways",
    "four_point": "both ways", "self_aligning": "little", "spherical_roller": "both ways", "taper": "one way",
    "inch_taper": "one way", "cylindrical_nu": "none", "cylindrical_n": "none", "cylindrical_nj": "one way, little",
    "cylindrical_nup": "both ways, little", "cylindrical_nf": "one way, little", "needle_ring": "none",
    "needle_no_ring": "none", "drawn_cup": "none", "drawn_cup_closed": "none",
}  # fmt: skip


def _kind(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """Another kind of bearing: what it does with load along the shaft, with tilt, and with its own setting."""
    kinds = bearing_kinds()
    before, after = kinds[old.kind], kinds[new.kind]
    if before == after:
        return []
    seen, then = dict(before.seen), dict(after.seen)
    points = []
    if old.kind in _AXIAL and new.kind in _AXIAL and _AXIAL[old.kind] != _AXIAL[new.kind]:
        points.append(f"Load along the shaft: {_AXIAL[new.kind]}; the old one {_AXIAL[old.kind]}.")
    if seen.get("tilts") == "yes" and then.get("tilts") == "no":
        points.append("It does not give way to a tilted shaft.")
    if after.group == "taper" or new.kind == "angular_contact":
        points.append("It must be set against a second one.")
    if before.scheme != after.scheme:
        points.append("It is held in another way; look at every face it touches.")
    text = " ".join(points) or "Judge load, speed and lubrication anew."
    severity = "not_interchangeable" if seen.get("lies") != then.get("lies") else "needs_change"
    return [
        AttributeJudgement("kind", before.words, after.words, "change", text, severity, "common practice")
    ]


def _angle(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """The contact angle where one is marked."""
    if not (old.angle or new.angle):
        return []
    before, after = (f"{a}°" if a.isdigit() else a or "not marked" for a in (old.angle, new.angle))
    if old.angle == new.angle:
        return [_same("contact angle", before, "by marking")]
    text = (
        "Another angle shares radial and axial load differently and changes stiffness; never mix in a pair."
    )
    return [AttributeJudgement("contact angle", before, after, "change", text, "needs_change", "by marking")]


def _width(name: str, old: float, new: float) -> AttributeJudgement:
    words = (f"{old:g} mm", f"{new:g} mm")
    if abs(old - new) <= SAME_MM:
        return _same(name, words[0])
    change = abs(new - old)
    if new > old:
        text = f"{change:.3g} mm wider: trim a spacer or shoulder by that much, or it stands proud; look at the stack and the circlip."
    else:
        text = f"{change:.3g} mm narrower: shim that much, or it can move endways."
    return AttributeJudgement(name, *words, "change", text, "needs_change", "by size")


def _closure(old: BearingSpec, new: BearingSpec, duty: Running) -> AttributeJudgement:
    before, after = CLOSURES[old.closure], CLOSURES[new.closure]
    if before == after:
        return _same("closure", before.words, "by marking")
    better = after.dirt > before.dirt
    points = []
    if after.sides and not before.sides:
        points.append("It holds its own grease: oil or grease of the unit no longer reaches it.")
    if before.sides and not after.sides:
        points.append("Nothing holds its grease and dirt gets in: the unit must lubricate and shield it.")
    if before.sides and after.sides and before.sides != after.sides:
        points.append("Closed on another number of sides: look which side needs it.")
    if after.contact and not before.contact:
        points.append("Contact seals drag and run warmer; its speed is less.")
    if before.contact and not after.contact:
        points.append("Shuts out less dirt and water; less drag.")
    if not points:
        points.append("Shuts out more dirt." if better else "Shuts out less dirt.")
    if duty.dirty and not better:
        points.append("In this dirt that is the wrong way.")
    if after.contact and duty.temperature_c is not None and duty.temperature_c > SEAL_LIMIT_C:
        points.append(f"Ordinary rubber seals end at about {SEAL_LIMIT_C:g} °C.")
    return AttributeJudgement(
        "closure", before.words, after.words, "better" if better else "worse", " ".join(points),
        "fits_with_differences", "by marking",
    )  # fmt: skip


def _clearance_words(group: str) -> str:
    return "normal" if group == "N" else f"C{group}"


def _clearance(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    words = (_clearance_words(old.clearance), _clearance_words(new.clearance))
    if old.clearance == new.clearance:
        return _same("clearance", words[0], "by marking")
    wider = CLEARANCE_ORDER.index(new.clearance) > CLEARANCE_ORDER.index(old.clearance)
    change = _clearance_change_um(old, new)
    amount = f" by about {abs(change):.0f} µm" if change is not None else ""
    text = (
        f"{'More' if wider else 'Less'} clearance{amount}: "
        + ("safe where it is fitted tight or runs warm; noisier and less stiff." if wider
           else "it may run without any once fitted and warm; work out what is left on Seats.")
    )  # fmt: skip
    judgement = "change" if wider else "worse"
    return AttributeJudgement("clearance", *words, judgement, text, "fits_with_differences", "ISO 5753-1")


def _clearance_change_um(old: BearingSpec, new: BearingSpec) -> float | None:
    try:
        before, after = (
            internal_clearance(clearance_table(spec), spec.d_mm, spec.clearance) for spec in (old, new)
        )
    except BadInput:
        return None
    return (after.min_um + after.max_um - before.min_um - before.max_um) / 2


def _class(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    before, after = old.tolerance_class, new.tolerance_class
    if before == after:
        return _same("class", before, "by marking")
    finer = CLASS_ORDER.index(after) > CLASS_ORDER.index(before)
    if finer:
        return AttributeJudgement(
            "class", before, after, "better", "Closer made; seats worked to the old class still suit it.",
            "drop_in", "ISO 492",
        )  # fmt: skip
    return AttributeJudgement(
        "class", before, after, "worse", "Runs less true: not where the old class was asked for.",
        "fits_with_differences", "ISO 492",
    )  # fmt: skip


def _cage(old: BearingSpec, new: BearingSpec, duty: Running) -> AttributeJudgement:
    words = (CAGE_WORDS.get(old.cage, old.cage), CAGE_WORDS.get(new.cage, new.cage))
    if old.cage == new.cage:
        return _same("cage", words[0], "by marking")
    if "standard" in (old.cage, new.cage):
        text = "One cage is not marked: ask which it is where heat, speed or shocks matter."
        return AttributeJudgement("cage", *words, "unknown", text, "fits_with_differences", "assumed")
    text = "Another cage."
    judgement = "change"
    if new.cage == "polyamide":
        hot = duty.temperature_c is not None and duty.temperature_c > POLYAMIDE_LIMIT_C
        text = f"Polyamide ends at about {POLYAMIDE_LIMIT_C:g} °C and some oils attack it."
        judgement = "worse" if hot else "change"
    elif old.cage == "polyamide":
        text, judgement = "Stands more heat than polyamide; heavier, less quiet.", "change"
    return AttributeJudgement("cage", *words, judgement, text, "fits_with_differences", "common practice")


def _snap_ring(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    words = (SNAP_WORDS.get(old.snap_ring, old.snap_ring), SNAP_WORDS.get(new.snap_ring, new.snap_ring))
    if old.snap_ring == new.snap_ring:
        return _same("ring groove", words[0], "by marking")
    if old.snap_ring == "none":
        text = "It has a ring groove that nothing needs: leave its ring off."
        severity = "fits_with_differences"
    elif new.snap_ring == "none":
        text = "The groove that located the old one is missing: the housing must hold it another way."
        severity = "needs_change"
    else:
        text = "Order the snap ring with it, or leave it off."
        severity = "fits_with_differences"
    return AttributeJudgement("ring groove", *words, "change", text, severity, "by marking")


def _bore_shape(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    if old.bore_shape == new.bore_shape:
        return _same("bore shape", old.bore_shape.replace("_", " "), "by marking")
    return AttributeJudgement(
        "bore shape", old.bore_shape.replace("_", " "), new.bore_shape.replace("_", " "), "change",
        "A taper bore needs its sleeve or a taper seat.", "not_interchangeable", "by marking",
    )  # fmt: skip


def _extras(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    before, after = set(old.extras), set(new.extras)

    def said(extras: set[str]) -> str:
        return ", ".join(sorted(EXTRA_WORDS.get(e, e.replace("_", " ")) for e in extras)) or "none"

    if before == after:
        return _same("other marks", said(before), "by marking")
    if "flange" in before ^ after:
        missing = "flange" in before
        text = (
            "Its flange is missing: nothing stops it in the housing."
            if missing
            else "It has a flange: the housing must be faced or counterbored for it."
        )
        return AttributeJudgement(
            "other marks", said(before), said(after), "change", text, "needs_change", "by marking"
        )
    lost, won = said(before - after), said(after - before)
    text = " ".join(
        part
        for part in (
            f"Without: {lost}." if before - after else "",
            f"With: {won}." if after - before else "",
        )
        if part
    )
    return AttributeJudgement(
        "other marks", said(before), said(after), "worse" if before - after else "change", text,
        "fits_with_differences", "by marking",
    )  # fmt: skip


def _load_and_speed(
    old: BearingSpec, new: BearingSpec, duty: Running
) -> tuple[AttributeJudgement, AttributeJudgement]:
    before, after = _ratings(old), _ratings(new)
    load_words = (f"C {before[1] / 1000:.1f} kN", f"C {after[1] / 1000:.1f} kN")
    spread = f"estimated, ±{before[0].spread:.0%}"
    share = after[1] / before[1] - 1
    if abs(share) < 0.02:
        load = _same("load", load_words[0], spread)
    else:
        text = f"Carries about {abs(share):.0%} {'more' if share > 0 else 'less'}; life goes with the third power."
        load = AttributeJudgement(
            "load", *load_words, "better" if share > 0 else "worse", text,
            "drop_in" if share > 0 else "fits_with_differences", spread,
        )  # fmt: skip
    return load, _speed(before[0], after[0], duty)


def _ratings(spec: BearingSpec) -> tuple[Ratings, float]:
    ratings = estimated_ratings(spec.d_mm, spec.D_mm, spec.B_mm, spec.closure)
    share = STAINLESS_LOAD_SHARE if "stainless" in spec.extras else 1.0
    return ratings, ratings.dynamic_n * share


def _speed(before: Ratings, after: Ratings, duty: Running) -> AttributeJudgement:
    words = (f"{_round(before.speed_rpm)} rev/min", f"{_round(after.speed_rpm)} rev/min")
    basis = "estimated, grease, ±20%"
    over = duty.rpm is not None and duty.rpm > after.speed_rpm
    share = after.speed_rpm / before.speed_rpm - 1
    if abs(share) < 0.02 and not over:
        return _same("speed", words[0], basis)
    if over:
        text = f"This runs at {duty.rpm:g} rev/min: more than it is likely to stand."
        return AttributeJudgement("speed", *words, "worse", text, "fits_with_differences", basis)
    judgement = "better" if share > 0 else "worse"
    text = "Stands more speed." if share > 0 else "Stands less speed."
    severity = "drop_in" if share > 0 else "fits_with_differences"
    return AttributeJudgement("speed", *words, judgement, text, severity, basis)


def _round(value: float) -> str:
    step = 100 if value < 10_000 else 1000
    return f"{round(value / step) * step:,}".replace(",", " ")


def _verdict_words(verdict: str, attributes: list[AttributeJudgement]) -> str:
    names = [each.name for each in attributes if each.severity == verdict and each.judgement != "same"]
    listed = ", ".join(names)
    return {
        "drop_in": "Drop-in: same size, nothing worse." if not names else f"Drop-in; better in {listed}.",
        "fits_with_differences": f"Fits, with differences: {listed}.",
        "needs_change": f"Fits only if the unit is changed: {listed}.",
        "not_interchangeable": f"Not interchangeable: {listed}.",
    }[verdict]
