"""Comparing two rolling bearings attribute by attribute."""

from __future__ import annotations

from ample.core.errors import BadInput
from ample.core.interchange.bearing_shape import shape_judged
from ample.core.interchange.judgement import (
    RANK,
    AttributeJudgement,
    Interchange,
    Running,
    concluded,
    same,
    worst,
)
from ample.core.parts import CLOSURES, BearingSpec, clearance_table
from ample.core.parts.ratings import Ratings, estimated_ratings
from ample.core.sizes.figures import percent
from ample.core.standards import internal_clearance

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
        *shape_judged(old, new),
        _closure(old, new, known),
        _clearance(old, new),
        _class(old, new),
        _cage(old, new, known),
        _extras(old, new),
        *(_load_and_speed(old, new, known) if old.kind == new.kind == "deep_groove" else ()),
    ]
    return concluded(found, _distance(old, new, worst(found)))


def _distance(old: BearingSpec, new: BearingSpec, verdict: str) -> float:
    """How far apart two parts lie, for putting the nearest first: verdict, then kind by kind."""
    steps = (
        2.0 * abs(CLOSURES[old.closure].dirt - CLOSURES[new.closure].dirt)
        + 1.5 * (CLOSURES[old.closure].sides != CLOSURES[new.closure].sides)
        + abs(CLEARANCE_ORDER.index(old.clearance) - CLEARANCE_ORDER.index(new.clearance))
        + abs(CLASS_ORDER.index(old.tolerance_class) - CLASS_ORDER.index(new.tolerance_class))
        + 0.2 * abs(old.B_mm - new.B_mm)
    )
    return 100.0 * RANK[verdict] + steps


def _closure(old: BearingSpec, new: BearingSpec, duty: Running) -> AttributeJudgement:
    before, after = CLOSURES[old.closure], CLOSURES[new.closure]
    if before == after:
        return same("closure", before.words, "by marking")
    better = after.dirt > before.dirt
    points = []
    if after.sides and not before.sides:
        points.append("It is greased for life: oil or grease from the unit no longer reaches it.")
    if before.sides and not after.sides:
        points.append("Nothing retains its grease and dirt gets in: the unit must lubricate and shield it.")
    if before.sides and after.sides and before.sides != after.sides:
        points.append("Sealed on a different number of sides: check which side needs it.")
    if after.contact and not before.contact:
        points.append("Contact seals drag and run warmer; lower speed rating.")
    if before.contact and not after.contact:
        points.append("Less protection against dirt and water; less drag.")
    if not points:
        points.append("Better protected against dirt." if better else "Less protection against dirt.")
    if duty.dirty and not better:
        points.append("Not enough protection for these dirty surroundings.")
    if after.contact and duty.temperature_c is not None and duty.temperature_c > SEAL_LIMIT_C:
        points.append(f"Standard rubber seals are limited to about {SEAL_LIMIT_C:g} °C.")
    return AttributeJudgement(
        "closure", before.words, after.words, "better" if better else "worse", " ".join(points),
        "fits_with_differences", "by marking",
    )  # fmt: skip


def _clearance_words(group: str) -> str:
    return "normal" if group == "N" else f"C{group}"


def _clearance(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    words = (_clearance_words(old.clearance), _clearance_words(new.clearance))
    if old.clearance == new.clearance:
        return same("clearance", words[0], "by marking")
    wider = CLEARANCE_ORDER.index(new.clearance) > CLEARANCE_ORDER.index(old.clearance)
    change = _clearance_change_um(old, new)
    amount = f" by about {abs(change):.0f} µm" if change is not None else ""
    text = (
        f"{'More' if wider else 'Less'} clearance{amount}: "
        + ("safe with a tight fit or when running warm; noisier and less stiff." if wider
           else "it may have none left once mounted and warm; check the remaining clearance on Seats.")
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
        return same("class", before, "by marking")
    finer = CLASS_ORDER.index(after) > CLASS_ORDER.index(before)
    if finer:
        return AttributeJudgement(
            "class", before, after, "better", "Tighter tolerance class; seats made for the old class still fit.",
            "drop_in", "ISO 492",
        )  # fmt: skip
    return AttributeJudgement(
        "class", before, after, "worse", "Lower running accuracy: not where the old class was specified.",
        "fits_with_differences", "ISO 492",
    )  # fmt: skip


def _cage(old: BearingSpec, new: BearingSpec, duty: Running) -> AttributeJudgement:
    words = (CAGE_WORDS.get(old.cage, old.cage), CAGE_WORDS.get(new.cage, new.cage))
    if old.cage == new.cage:
        return same("cage", words[0], "by marking")
    if "standard" in (old.cage, new.cage):
        text = "One cage is not marked: ask which it is if heat, speed or shocks matter."
        return AttributeJudgement("cage", *words, "unknown", text, "fits_with_differences", "assumed")
    text = "Different cage."
    judgement = "change"
    if new.cage == "polyamide":
        hot = duty.temperature_c is not None and duty.temperature_c > POLYAMIDE_LIMIT_C
        text = f"Polyamide is limited to about {POLYAMIDE_LIMIT_C:g} °C and some oils attack it."
        judgement = "worse" if hot else "change"
    elif old.cage == "polyamide":
        text, judgement = "Withstands more heat than polyamide; heavier, noisier.", "change"
    return AttributeJudgement("cage", *words, judgement, text, "fits_with_differences", "common practice")


def _extras(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    before, after = set(old.extras), set(new.extras)

    def said(extras: set[str]) -> str:
        return ", ".join(sorted(EXTRA_WORDS.get(e, e.replace("_", " ")) for e in extras)) or "none"

    if before == after:
        return same("other marks", said(before), "by marking")
    if "flange" in before ^ after:
        missing = "flange" in before
        text = (
            "Its flange is missing: nothing locates it in the housing."
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
    spread = f"estimated, ±{percent(before[0].spread)}"
    share = after[1] / before[1] - 1
    if abs(share) < 0.02:
        load = same("load", load_words[0], spread)
    else:
        text = f"Carries about {percent(abs(share))} {'more' if share > 0 else 'less'}; rating life varies with the third power."
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
        return same("speed", words[0], basis)
    if over:
        text = f"This runs at {duty.rpm:g} rev/min: probably above its speed rating."
        return AttributeJudgement("speed", *words, "worse", text, "fits_with_differences", basis)
    judgement = "better" if share > 0 else "worse"
    text = "Higher speed rating." if share > 0 else "Lower speed rating."
    severity = "drop_in" if share > 0 else "fits_with_differences"
    return AttributeJudgement("speed", *words, judgement, text, severity, basis)


def _round(value: float) -> str:
    step = 100 if value < 10_000 else 1000
    return f"{round(value / step) * step:,}".replace(",", " ")
