"""The words about a seat, made from its codes and numbers."""

from __future__ import annotations

from collections.abc import Sequence

from ample.core.fits.duty import LOAD_SHARES, Duty
from ample.core.fits.form import FormTold
from ample.core.fits.judging.by_fit import FREE, ByFit, Chances, Fitness
from ample.core.fits.judging.next_steps import NextStep
from ample.core.fits.judging.repair import RepairWay
from ample.core.fits.judging.rules import PRESSED, STANDING
from ample.core.sizes import Instrument
from ample.core.sizes.figures import percent
from ample.core.standards import DeviationLimits

MACHINE_SHOP = "The machine shop decides."
_FORM = {
    "straight": "straight", "taper": "tapered", "barrel": "barrel-shaped",
    "waist": "waisted", "oval": "oval",
}  # fmt: skip
_UNSEEN = {
    "oval": "One direction per plane does not show out-of-roundness.",
    "taper": "One plane does not show taper.",
    "barrel": "Two planes do not tell a taper from a barrel or a waist.",
}
_SEAT = {
    PRESSED: "ring", STANDING: "ring", "slip_fit": "insert", "raceway": "needles", "drawn_cup_bore": "cup",
    "thrust_shaft_washer": "shaft washer", "thrust_housing_washer": "housing washer", "stud_bore": "stud",
    "taper_bore": "sleeve",
}  # fmt: skip
_HAPPENED = {
    "spun": "The ring has turned on this seat.",
    "spun_hot": "The ring has turned on this seat and run hot: check the ring, and the shaft for softening.",
    "fretting": "Fretting: the ring has moved a little under load, without turning.",
    "undersize": "Worn or machined out of its zone.",
    "oversize": "Too tight.",
    "not_spun": "The marks are there, but the size is not lost: the ring has not turned.",
}
_NOT = {
    "gap_over": "the gap is more than it bridges", "heat_over": "it runs hotter than it withstands",
    "load_turns": "the load rotates about the ring and the gap is over 0.05 mm",
    "load_heavy": "the load is heavy and rotates about the ring", "never": "not on a bearing seat",
    "section_thin": "too little of the shaft would be left",
}  # fmt: skip


def signed(um: float) -> str:
    """Micrometres with their sign, to a tenth where it matters.

    Args:
        um: µm.

    Returns:
        Text such as “+5.5”, “−3” or “0”.

    Raises:
        Nothing.

    Example:
        >>> signed(-3.04), signed(5.5), signed(0.01)
        ('−3', '+5.5', '0')
    """
    text = f"{abs(um):.1f}".removesuffix(".0")
    return text if text == "0" else f"+{text}" if um > 0 else f"−{text}"


def form(told: FormTold) -> str:
    """The form of a seat."""
    if told.kind == "straight":
        return _FORM["straight"]
    return f"{_FORM[told.kind]}, {told.form_um:.1f} µm on the radius"


def reason(
    found: ByFit,
    rule: str,
    zone: DeviationLimits,
    mean_um: float,
    chances: Chances,
    told: FormTold,
    limit_um: float,
) -> str:
    """Why a seat is accepted, rejected or neither."""
    where = f"{zone.zone} runs from {signed(zone.lower_um)} to {signed(zone.upper_um)} µm; the mean is {signed(mean_um)}"
    if found.because == "form_bad":
        return f"It is {form(told)}: {limit_um:g} µm is allowed."
    if found.because == "form_doubtful":
        return f"The fit is good, but it is {form(told)} where {limit_um:g} µm is allowed. More readings would decide it."
    if found.because == "raceway_bad":
        return f"{where}, but it cannot run as a raceway."
    if found.because == "no_clearance":
        return f"{where}: so tight that no clearance group leaves any clearance."
    if found.because == "too_tight":
        return f"{where}: so tight that the ring may split."
    if found.because == "will_creep":
        return f"{where}: {percent(1 - (chances.holds or 0))} chance that the ring creeps under this load."
    if found.because == "out_of_zone":
        return f"{where}: {percent(1 - chances.zone)} chance that it is outside."
    if found.because == "in_zone":
        return f"{where}: {percent(chances.zone)} chance that it is inside."
    held = f"The ring holds ({percent(chances.holds)})" if chances.holds is not None else ""
    inside = f"{percent(chances.zone)} chance that the seat is in {zone.zone}"
    if found.because == "fit_good":
        return f"{held}; {inside}."
    if chances.freest is not None and chances.freest < FREE:
        return f"{where}. No clearance group leaves enough in 9 of 10: it cannot be decided."
    return f"{where}: it cannot be decided."


def risks(found: ByFit, zone: DeviationLimits, chances: Chances) -> tuple[str, ...]:
    """The risk of each way while it cannot be decided."""
    if found.because == "form_doubtful":
        return ()
    if chances.holds is None:
        fitted = f"If you fit it: {percent(1 - chances.zone)} chance that the seat is outside {zone.zone}."
    else:
        fitted = f"If you fit it: {percent(1 - chances.holds)} chance that the ring creeps."
    return (
        fitted,
        f"If you reject it: {percent(chances.zone)} chance that the seat is in {zone.zone} and the repair is wasted.",
    )


def step(each: NextStep, part: str) -> str:
    """A further step with what it buys."""
    ring = "bore" if part == "shaft" else "outside"
    does = {
        "zero_on_standard": "Zero it on a setting standard of this size",
        "more_readings": "Take 12 readings",
        "measure_ring": f"Measure the ring’s own {ring} on the setting standard",
        "finer_instrument": f"Measure it with a {each.instrument}",
    }[each.step]
    if each.step == "measure_ring":
        if each.ring_from_um is None or each.ring_to_um is None:
            return f"{does}: no ring within its limits would make this seat good."
        return f"{does}: good with a ring from {signed(each.ring_from_um)} to {signed(each.ring_to_um)} µm."
    buys = {"accept": "then good", "reject": "then rejected", "cannot_tell": "still not decided"}[
        each.decides
    ]
    return f"{does}: ±{each.expanded_um:.1f} µm, {buys} if it reads the same."


def creep_reason(rule: str, needed: float | None, load_n: float, duty: Duty) -> str:
    """What the chance of creep rests on."""
    if rule == STANDING:
        return "Stationary load on this ring: a loose fit is intended; it seldom creeps."
    if needed is None:
        return ""
    load = f"{load_n:.0f} N"
    if duty.radial_n is None:
        load = f"{load} ({percent(LOAD_SHARES[duty.load])} of an estimated rating)"
    return f"It needs {needed:.1f} µm to hold under {load}."


def repairs(part: str, happened: str, ways: Sequence[RepairWay], zone: str) -> tuple[str, ...]:
    """What happened to a rejected seat, and the ways back."""
    if not ways:
        return ()
    said = [_HAPPENED[happened]] if happened else []
    return (*said, *(_way(each, part, zone) for each in ways), MACHINE_SHOP)


def _way(each: RepairWay, part: str, zone: str) -> str:
    sizes = each.sizes_mm
    onto = f"{sizes.get('from', 0):.3f} to {sizes.get('to', 0):.3f} mm ({each.zone or zone})"
    turn, finish = ("turn down to", "grind to") if part == "shaft" else ("bore out to", "finish to")
    if each.way == "compound":
        name = {"": "this retaining compound"}.get(
            each.compound, f"retaining compound, {each.compound.replace('_', ' ')}"
        )
        if not sizes:
            return f"Not {name}: {_NOT[each.because]}."
        gap = f"{max(sizes['gap'], 0):.3f} mm gap on the diameter, it bridges {sizes['bridges']:.3f}"
        return (
            f"Not {name} ({gap}): {_NOT[each.because]}."
            if each.because
            else f"{name[0].upper()}{name[1:]}: {gap}. Heat releases it again."
        )
    if each.way == "next_zone":
        return f"A tighter zone for this load: build up and {finish} {sizes['from']:.3f} to {sizes['to']:.3f} mm ({each.zone})."
    if each.way == "ring_to_suit":
        return "Pick a ring to suit: measure rings, one near its tightest limit holds here. Note it on the sheet."
    if each.way == "sleeve":
        said = f"Sleeve it: {turn} {sizes['machine_to']:.2f} mm, press on a sleeve, {finish} {onto}."
        return f"No sleeve: {_NOT[each.because]}." if each.because else said
    if each.way == "build_up":
        return f"Build up (plate, spray or weld): undercut to {sizes['machine_to']:.2f} mm, then {finish} {onto}."
    if each.way == "grind":
        return f"{'Grind' if part == 'shaft' else 'Hone'} it to {onto}."
    if each.way == "replace":
        return f"New part, seat {onto}."
    return "No centre-punching, shim or tape under a ring: it gives way and the ring spins again."


def notes(
    told: FormTold, instrument: Instrument, fit: Fitness, zone: DeviationLimits, material: str,
    running_c: float | None, part: str,
) -> tuple[str, ...]:  # fmt: skip
    """What the readings cannot show, and what the instrument is good for."""
    said = []
    if fit == "unfit":
        said.append(
            f"The {instrument.name} is too coarse for {zone.zone}: its uncertainty is about as wide as the zone."
        )
    elif fit == "only_zeroed":
        said.append(
            f"The {instrument.name} is fair for {zone.zone}: zero it on a setting standard for a close call."
        )
    said += [_UNSEEN[each] for each in told.unseen]
    if material == "aluminium" and part == "housing" and running_c is None:
        said.append("An aluminium housing loosens as it warms: give the running temperature.")
    said.append("Two-point readings do not show a three-lobed seat: use a V-block or a roundness tester.")
    if instrument.note:
        said.append(instrument.note)
    return tuple(said)
