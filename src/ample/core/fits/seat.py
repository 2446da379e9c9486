"""A measured seat: form, decision with guard band, fit against the actual bearing, creep."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from statistics import fmean

from scipy.special import ndtr

from ample.core.errors import BadInput
from ample.core.fits.advice import LOAD_SHARES, Duty, ZoneAdvice
from ample.core.fits.ranges import Range
from ample.core.parts.ratings import estimated_ratings
from ample.core.sizes import Instrument, default_instrument, to_reference_temperature
from ample.core.sizes.instruments import Reach
from ample.core.standards import DeviationLimits, limits, ring_limits, standard_tolerance_um

MOST_PLANES, MOST_DIRECTIONS = 6, 8
GUARD = {"2017": 1.65, "2013": 2.0}
SMOOTHING_MM = {"ground": 2.0, "turned": 3.0}
FARTHEST_SHARE = 0.1
CREEP_STEPS = 64


@dataclass(frozen=True)
class Plane:
    """One plane of a seat: its mean and its out of round (half of max − min), µm about nominal."""

    mean_um: float
    out_of_round_um: float
    readings_um: tuple[float, ...]


@dataclass(frozen=True)
class SeatCheck:
    """What a measured seat is worth: form, decision, interference, creep and what to do."""

    part: str
    nominal_mm: float
    zone: str
    zone_lower_um: float
    zone_upper_um: float
    ring_lower_um: float
    ring_upper_um: float
    mean_mm: float
    planes: tuple[Plane, ...]
    out_of_round_um: float
    taper_um: float
    form: str
    cylindricity_um: float
    cylindricity_limit_um: float
    expanded_uncertainty_um: float
    guard_um: float
    decision: str
    reason: str
    better_instrument: str | None
    interference_um: Range
    creep_probability: float
    creep_reason: str
    repairs: tuple[str, ...]
    notes: tuple[str, ...]
    sources: tuple[str, ...]
    advice: ZoneAdvice | None = None


def check_seat(  # noqa: PLR0913 - each is a fact that is measured apart
    part: str,
    nominal_mm: float,
    readings_mm: Sequence[Sequence[float]],
    instrument: Instrument,
    zone: str,
    bearing_mm: tuple[float, float, float],
    tolerance_class: str = "Normal",
    duty: Duty | None = None,
    part_c: float = 20.0,
    instrument_c: float | None = None,
    edition: str = "2017",
    finish: str = "ground",
    ring_kind: str = "radial",
) -> SeatCheck:
    """Judge a shaft or housing seat from readings in planes and directions.

    Formula: mean of plane means; out of round = (max − min)/2 in a plane; taper = difference of
    the end planes' means; cylindricity ≈ (max − min)/2 over all, against IT5/2. Accept when
    mean and extreme local sizes lie inside the zone by g, reject when one lies outside by g;
    g = 1.65·u (ISO 14253-1:2017, 95 %) or U = 2·u (2013). Range = shaft − bore, or
    outside − housing. Creep: effective interference i·d/(d+2) less 0.08·√(d·Fr/B) µm below 0.

    Args:
        part: `shaft` or `housing`.
        nominal_mm: Nominal size of the seat, mm, above 0 to 500.
        readings_mm: Readings by plane, then direction, mm; 1 to 6 planes of 1 to 8.
        instrument: The instrument with its U in mm.
        zone: The zone asked of the seat, such as `k5` or `H7`.
        bearing_mm: Bore, outside and width of the bearing, mm.
        tolerance_class: Class of the bearing's rings.
        duty: The load case; shaft turning under normal load when not given.
        part_c: Temperature of the part, °C, −60 to 200.
        instrument_c: Temperature of the instrument, °C; as the part when not given.
        edition: `2017` or `2013` of ISO 14253-1.
        finish: `ground` or `turned` seat.
        ring_kind: Whose ring tolerances hold: `radial`, `taper`, `inch_taper` or `thrust`.

    Returns:
        The whole judgement.

    Raises:
        BadInput: When readings are missing or cannot be of this seat, or the zone does not exist.

    Source: ISO 286-1, ISO 492, ISO 14253-1; smoothing and loosening as in bearing handbooks.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> seat = check_seat("shaft", 25, [[25.006, 25.007], [25.005, 25.006]],
        ...                   default_instrument("micrometer"), "k5", (25, 52, 15))
        >>> (seat.decision, seat.interference_um.max)
        ('cannot_tell', 17.0)
    """
    load_case = duty or Duty()
    _check_part(part, zone, edition, finish)
    at_20 = _at_reference(readings_mm, nominal_mm, part_c, instrument_c)
    wanted = limits(nominal_mm, zone)
    ring = ring_limits("bore" if part == "shaft" else "outside", nominal_mm, tolerance_class, ring_kind)
    planes = tuple(_plane(row, nominal_mm) for row in at_20)
    local = [value for plane in planes for value in plane.readings_um]
    mean_um = fmean(plane.mean_um for plane in planes)
    reach: Reach = "outside" if part == "shaft" else "inside"
    u_instrument = instrument.expanded_uncertainty_mm(reach) / 2 * 1000
    scatter = instrument.scatter_mm * 1000
    u_mean = math.hypot(u_instrument, scatter / math.sqrt(len(local)))
    u_local = math.hypot(u_instrument, scatter)
    guard = GUARD[edition]
    tests = ((mean_um, u_mean), (min(local), u_local), (max(local), u_local))
    decision = _decide(tests, wanted.lower_um, wanted.upper_um, guard)
    interference = _interference(part, local, mean_um, ring.lower_um, ring.upper_um)
    creep, creep_reason = _creep(
        part, nominal_mm, mean_um, u_mean, (ring.lower_um, ring.upper_um), bearing_mm, load_case, finish
    )
    taper = abs(planes[-1].mean_um - planes[0].mean_um)
    cylindricity = (max(local) - min(local)) / 2
    limit = standard_tolerance_um(nominal_mm, 5) / 2
    better = None if decision != "cannot_tell" else _better_instrument(
        instrument, reach, mean_um, local, wanted.lower_um, wanted.upper_um, guard
    )  # fmt: skip
    return SeatCheck(
        part, nominal_mm, zone, wanted.lower_um, wanted.upper_um, ring.lower_um, ring.upper_um,
        round(nominal_mm + mean_um / 1000, 6), planes,
        round(max(plane.out_of_round_um for plane in planes), 3), round(taper, 3),
        _form(planes), round(cylindricity, 3), limit, round(2 * u_local, 2),
        round(guard * u_local, 2), decision,
        _reason(decision, zone, wanted.lower_um, wanted.upper_um, local, better, guard),
        better, interference, creep, creep_reason,
        _repairs(part, decision, interference, local, wanted.lower_um, wanted.upper_um, load_case),
        _notes(planes, cylindricity, limit, instrument, guard * u_local, wanted),
        (wanted.source, ring.source, f"ISO 14253-1:{edition}"),
    )  # fmt: skip


def _check_part(part: str, zone: str, edition: str, finish: str) -> None:
    if part not in ("shaft", "housing"):
        raise BadInput("no_such_part", f"“{part[:20]}” is no seat.", "part", "shaft or housing")
    if edition not in GUARD:
        raise BadInput("no_such_edition", "ISO 14253-1 is held as 2013 and 2017.", "edition")
    if finish not in SMOOTHING_MM:
        raise BadInput("no_such_finish", "A seat is ground or turned.", "finish")
    if zone[:1].isalpha() and zone[:1].isupper() is not (part == "housing"):
        raise BadInput(
            "hole_and_shaft",
            f"A {part} seat has a {'capital' if part == 'housing' else 'small'} letter; "
            f"“{zone[:12]}” has not.",
            "zone",
        )


def _at_reference(
    readings_mm: Sequence[Sequence[float]],
    nominal_mm: float,
    part_c: float,
    instrument_c: float | None,
) -> list[list[float]]:
    if not 1 <= len(readings_mm) <= MOST_PLANES:
        raise BadInput("bad_planes", f"Measure in 1 to {MOST_PLANES} planes.", "readings_mm")
    if not all(1 <= len(row) <= MOST_DIRECTIONS for row in readings_mm):
        raise BadInput(
            "bad_directions", f"Measure in 1 to {MOST_DIRECTIONS} directions a plane.", "readings_mm"
        )
    scale_c = part_c if instrument_c is None else instrument_c
    for plane, row in enumerate(readings_mm):
        for direction, value in enumerate(row):
            if not abs(value - nominal_mm) <= FARTHEST_SHARE * nominal_mm:
                raise BadInput(
                    "not_this_seat",
                    f"{value:g} mm cannot be a reading of a {nominal_mm:g} mm seat.",
                    f"readings_mm[{plane}][{direction}]",
                    "Look at the decimal point, the unit and the nominal size.",
                )
    return [[to_reference_temperature(value, part_c, scale_c) for value in row] for row in readings_mm]


def _plane(row: Sequence[float], nominal_mm: float) -> Plane:
    about = tuple(round((value - nominal_mm) * 1000, 4) for value in row)
    return Plane(fmean(about), (max(about) - min(about)) / 2, about)


def _decide(tests: Sequence[tuple[float, float]], lower: float, upper: float, guard: float) -> str:
    if any(value < lower - guard * u or value > upper + guard * u for value, u in tests):
        return "reject"
    if all(lower + guard * u <= value <= upper - guard * u for value, u in tests):
        return "accept"
    return "cannot_tell"


def _better_instrument(
    instrument: Instrument, reach: Reach, mean_um: float, local: Sequence[float],
    lower: float, upper: float, guard: float,
) -> str | None:  # fmt: skip
    """The least fine instrument that would settle it if it read the same."""
    for kind in ("pi_tape", "caliper", "micrometer", "bore_gauge") if reach == "outside" else (
        "caliper", "bore_gauge",
    ):  # fmt: skip
        other = default_instrument(kind)
        if kind == "bore_gauge" and reach == "outside":
            continue
        own = instrument.expanded_uncertainty_mm(reach)
        if other.expanded_uncertainty_mm(reach) >= own:
            continue
        u = math.hypot(other.expanded_uncertainty_mm(reach) * 500, other.scatter_mm * 1000)
        tests = ((mean_um, u), (min(local), u), (max(local), u))
        if _decide(tests, lower, upper, guard) != "cannot_tell":
            return other.name
    return None


def _interference(
    part: str, local: Sequence[float], mean_um: float, ring_low: float, ring_high: float
) -> Range:
    middle = (ring_low + ring_high) / 2
    if part == "shaft":
        values = (min(local) - ring_high, mean_um - middle, max(local) - ring_low)
    else:
        values = (ring_low - max(local), middle - mean_um, ring_high - min(local))
    return Range(*(round(value, 2) for value in values))


def _creep(
    part: str, nominal_mm: float, mean_um: float, u_um: float, ring: tuple[float, float],
    bearing_mm: tuple[float, float, float], duty: Duty, finish: str,
) -> tuple[float, str]:  # fmt: skip
    """Chance that the ring turns on its seat under the load case, and why."""
    if not duty.load_turns_about(part):
        return 0.0, "The load stands still on this ring: loose is by intent, and it does not creep."
    d, D, B = bearing_mm
    load_n = LOAD_SHARES[duty.load] * estimated_ratings(d, D, B).dynamic_n
    loosening = 0.08 * math.sqrt(nominal_mm * load_n / B)
    needed = loosening * (nominal_mm + SMOOTHING_MM[finish]) / nominal_mm
    low, high = ring
    total = 0.0
    for step in range(CREEP_STEPS):
        made = low + (high - low) * (step + 0.5) / CREEP_STEPS
        interference = mean_um - made if part == "shaft" else made - mean_um
        total += float(ndtr((needed - interference) / u_um))
    words = (
        f"It needs {needed:.1f} µm to hold under {load_n:.0f} N ({LOAD_SHARES[duty.load]:.0%} of an "
        "estimated rating)."
    )
    return round(total / CREEP_STEPS, 6), words


def _form(planes: Sequence[Plane]) -> str:
    if len(planes) < 3:
        return "straight" if len(planes) == 1 else "taper not told from barrel: two planes only"
    ends = (planes[0].mean_um + planes[-1].mean_um) / 2
    middle = fmean(plane.mean_um for plane in planes[1:-1])
    if abs(middle - ends) <= 1.0:
        steps = [b.mean_um - a.mean_um for a, b in pairwise(planes)]
        return "straight" if all(abs(step) <= 1.0 for step in steps) else "taper"
    return "barrel" if middle > ends else "waist"


def _reason(
    decision: str, zone: str, lower: float, upper: float, local: Sequence[float],
    better: str | None, guard: float,
) -> str:  # fmt: skip
    zone_words = f"{zone} runs from {_signed(lower)} to {_signed(upper)} µm"
    read = f"readings from {_signed(min(local))} to {_signed(max(local))}"
    if decision == "accept":
        return f"{zone_words}; {read}: inside by more than the doubt."
    if decision == "reject":
        side = "above" if max(local) - upper > lower - min(local) else "below"
        return f"{zone_words}; {read}: {side} it by more than the doubt."
    where = f"{zone_words}; {read}: {_beside_limits(lower, upper, local)}"
    if better:
        return f"{where}. A {better} would settle it."
    gap = min(abs(value - limit) for value in (min(local), max(local)) for limit in (lower, upper))
    needed = max(2 * gap / guard, 0.1)
    return f"{where}. It takes ±{needed:.1f} µm or better to settle it."


def _beside_limits(lower: float, upper: float, local: Sequence[float]) -> str:
    """Where readings that decide nothing lie: in the zone, on both sides of a limit, or out of it."""
    inside = [lower <= value <= upper for value in local]
    if all(inside):
        return "they lie in the zone, but nearer to a limit than the doubt"
    if any(inside):
        return "they lie on both sides of a limit, by less than the doubt"
    return "they lie outside the zone, but by less than the doubt"


def _signed(um: float) -> str:
    """Micrometres with their sign, to a tenth where it matters."""
    text = f"{abs(um):.1f}".removesuffix(".0")
    return text if text == "0" else f"+{text}" if um > 0 else f"−{text}"


def _repairs(
    part: str, decision: str, interference: Range, local: Sequence[float],
    lower: float, upper: float, duty: Duty,
) -> tuple[str, ...]:  # fmt: skip
    """Ways back for a rejected seat, by how far it is out; the machine shop decides."""
    if decision != "reject":
        return ()
    worn_um = lower - min(local) if part == "shaft" else max(local) - upper
    if worn_um <= 0:
        return (
            "Too tight: grind or hone it back into the zone, or take a wider clearance group after a look at the clearance left.",
            "The machine shop decides.",
        )
    ways = []
    if worn_um <= 50 and not duty.load_turns_about(part):
        ways.append(
            f"Retaining compound fills {worn_um:.0f} µm where the load stands still; mind its temperature limit and that it must come off again."
        )
    if worn_um <= 20 and interference.likely > 0:
        ways.append(
            "Still tight in the mean: a bearing chosen for a small bore may hold; say so on the sheet."
        )
    if worn_um > 20:
        ways.append("Sleeve it: turn down or bore out, press a ring, finish to the zone.")
    ways.append("Build up (plate, spray or weld) and grind to the zone.")
    if part == "shaft" and worn_um > 100:
        ways.append("A new shaft may be the cheaper way.")
    ways.append("The machine shop decides.")
    return tuple(ways)


def _notes(
    planes: Sequence[Plane], cylindricity: float, limit: float, instrument: Instrument,
    guard_um: float, zone: DeviationLimits,
) -> tuple[str, ...]:  # fmt: skip
    notes = []
    if 2 * guard_um >= zone.upper_um - zone.lower_um:
        notes.append(
            f"Nothing can be accepted in {zone.zone} with this {instrument.name}: its doubt fills the zone."
        )
    if cylindricity > limit:
        notes.append(
            f"Form {cylindricity:.1f} µm is more than half of IT5 ({limit:g} µm): the ring will take the seat's shape."
        )
    if any(len(plane.readings_um) < 2 for plane in planes):
        notes.append("One direction in a plane does not show whether it is round.")
    if len(planes) < 2:
        notes.append("One plane does not show taper.")
    notes.append("Two-point readings do not see a three-lobed seat.")
    if instrument.note:
        notes.append(instrument.note)
    return tuple(notes)
