"""The words about a seat, made from its numbers."""

from __future__ import annotations

from collections.abc import Sequence

from ample.core.fits.creep import Creep
from ample.core.fits.form import SeatForm
from ample.core.sizes import Instrument
from ample.core.sizes.figures import percent
from ample.core.standards import DeviationLimits

COMPOUND_FILLS_UM = 50
TIGHT_IN_THE_MEAN_UM = 20
NEW_SHAFT_OVER_UM = 100
MACHINE_SHOP = "The machine shop decides."


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


def reason(
    decision: str, zone: DeviationLimits, local: Sequence[float], better: Instrument | None, guard: float
) -> str:
    """Why a seat is accepted, rejected or neither."""
    said = (
        f"{zone.zone} runs from {signed(zone.lower_um)} to {signed(zone.upper_um)} µm; "
        f"readings from {signed(min(local))} to {signed(max(local))}"
    )
    if decision == "accept":
        return f"{said}: conforms, guard band included."
    if decision == "reject":
        side = "above" if max(local) - zone.upper_um > zone.lower_um - min(local) else "below"
        return f"{said}: {side} it by more than the measurement uncertainty."
    where = f"{said}: {_beside_limits(zone.lower_um, zone.upper_um, local)}"
    if better:
        return f"{where}. A {better.name} would decide it."
    ends = (min(local), max(local))
    gap = min(abs(value - limit) for value in ends for limit in (zone.lower_um, zone.upper_um))
    return f"{where}. It takes ±{max(2 * gap / guard, 0.1):.1f} µm or better to decide."


def _beside_limits(lower: float, upper: float, local: Sequence[float]) -> str:
    """Where readings that decide nothing lie: in the zone, on both sides of a limit, or out of it."""
    inside = [lower <= value <= upper for value in local]
    if all(inside):
        return "they are in the zone but within the measurement uncertainty of a limit"
    if any(inside):
        return "they are within the measurement uncertainty of a limit, on both sides"
    return "they are outside the zone but within the measurement uncertainty of a limit"


def creep_reason(creep: Creep | None) -> str:
    """What the chance of creep rests on."""
    if creep is None:
        return "Stationary load on this ring: a loose fit is intended, and it does not creep."
    return (
        f"It needs {creep.needed_um:.1f} µm to hold under {creep.load_n:.0f} N ({percent(creep.load_share)} of an "
        "estimated rating)."
    )


def repairs(part: str, worn_um: float, likely_um: float, still: bool) -> tuple[str, ...]:
    """Ways back for a rejected seat, by how far it is out; `still` when the load does not turn about its ring."""
    if worn_um <= 0:
        tight = "grind or hone it into the zone, or use a larger clearance group after checking the remaining clearance"
        return (f"Too tight: {tight}.", MACHINE_SHOP)
    ways = []
    if worn_um <= COMPOUND_FILLS_UM and still:
        ways.append(
            f"Retaining compound fills {worn_um:.0f} µm where the load stands still; mind its temperature limit "
            "and that it must come off again."
        )
    if worn_um <= TIGHT_IN_THE_MEAN_UM and likely_um > 0:
        ways.append(
            "Still tight on average: a bearing selected for a small bore may be enough. Note it on the sheet."
        )
    if worn_um > TIGHT_IN_THE_MEAN_UM:
        ways.append("Sleeve it: turn down or bore out, press a ring, finish to the zone.")
    ways.append("Build up (plate, spray or weld) and grind to the zone.")
    if part == "shaft" and worn_um > NEW_SHAFT_OVER_UM:
        ways.append("A new shaft may cost less.")
    return (*ways, MACHINE_SHOP)


def notes(
    form: SeatForm, limit_um: float, instrument: Instrument, guard_um: float, zone: DeviationLimits
) -> tuple[str, ...]:
    """What the readings cannot show, and what their form means."""
    said = []
    if 2 * guard_um >= zone.upper_um - zone.lower_um:
        said.append(
            f"Nothing can be accepted in {zone.zone} with this {instrument.name}: its measurement uncertainty is as wide as the zone."
        )
    if form.cylindricity_um > limit_um:
        said.append(
            f"Form {form.cylindricity_um:.1f} µm is more than half of IT5 ({limit_um:g} µm): the ring will take "
            "the seat's shape."
        )
    if any(len(plane.readings_um) < 2 for plane in form.planes):
        said.append("One direction per plane does not show out-of-roundness.")
    if len(form.planes) < 2:
        said.append("One plane does not show taper.")
    said.append("Two-point readings do not show a three-lobed seat.")
    if instrument.note:
        said.append(instrument.note)
    return tuple(said)
