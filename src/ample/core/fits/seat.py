"""A measured seat: form, decision with guard band, fit against the actual bearing, creep."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

from ample.core.errors import BadInput
from ample.core.fits import words
from ample.core.fits.advice import Duty, ZoneAdvice
from ample.core.fits.creep import creep_of
from ample.core.fits.decision import GUARD, better_instrument, decide, measured_with
from ample.core.fits.form import Plane, SeatForm, form_of
from ample.core.fits.ranges import Range
from ample.core.handbook.fitting import SMOOTHING_MM
from ample.core.sizes import Instrument, to_reference_temperature
from ample.core.sizes.instruments import Reach
from ample.core.sizes.materials import expansion_of
from ample.core.standards import DeviationLimits, limits, ring_limits, standard_tolerance_um

MOST_PLANES, MOST_DIRECTIONS = 6, 8
FARTHEST_SHARE = 0.1


@dataclass(frozen=True)
class MeasuredSeat:
    """A seat of a bearing as it was measured, with what is required of it.

    Args:
        part: `shaft` or `housing`.
        bearing_mm: Bore, outside and width of the bearing, mm; the seat's nominal size is its bore or its outside.
        readings_mm: Readings by plane, then direction, mm; 1 to 6 planes of 1 to 8.
        instrument: The instrument with its U in mm.
        zone: The zone asked of the seat, such as `k5` or `H7`.
        duty: The load case; shaft turning under normal load when not given.
        tolerance_class: Class of the bearing's rings (ISO 492).
        ring_kind: Whose ring tolerances hold: `radial`, `taper`, `inch_taper` or `thrust`.
        part_c: Temperature of the part, °C, −60 to 200.
        instrument_c: Temperature of the instrument, °C; the shop's 20 unless it is said.
        edition: `2017` or `2013` of ISO 14253-1.
        finish: `ground` or `turned` seat.
        material: What the seat is of, by its name in `materials.csv`.
    """

    part: str
    bearing_mm: tuple[float, float, float]
    readings_mm: Sequence[Sequence[float]]
    instrument: Instrument
    zone: str
    duty: Duty = field(default_factory=Duty)
    tolerance_class: str = "Normal"
    ring_kind: str = "radial"
    part_c: float = 20.0
    instrument_c: float = 20.0
    edition: str = "2017"
    finish: str = "ground"
    material: str = "steel"

    @property
    def nominal_mm(self) -> float:
        """Nominal size of the seat, mm: the bearing's bore or its outside."""
        return self.bearing_mm[0] if self.part == "shaft" else self.bearing_mm[1]

    @property
    def reach(self) -> Reach:
        """How an instrument touches it: a shaft from outside, a housing from inside."""
        return "outside" if self.part == "shaft" else "inside"


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


def check_seat(seat: MeasuredSeat) -> SeatCheck:
    """Judge a shaft or housing seat from readings in planes and directions.

    Formula: sizes at 20 °C; mean m of the planes' means, extreme local sizes l; g = k·u with k = 1.65
    (ISO 14253-1:2017, 95 %) or 2 (2013). Accept when m and l lie inside the zone by g, reject when one lies outside
    by g, else it cannot be told (`decision.decide`). Interference = shaft − bore, or outside − housing, over the ring's
    limits. Cylindricity is held against IT5/2 (`form.form_of`). Chance of creep: `creep.creep_of`.

    Args:
        seat: The seat with its readings (mm), instrument, zone, bearing and load case.

    Returns:
        The whole judgement.

    Raises:
        BadInput: When readings are missing or cannot be of this seat, or the zone does not exist.

    Source: ISO 286-1, ISO 492, ISO 14253-1; smoothing and loosening as in bearing handbooks.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> found = check_seat(MeasuredSeat("shaft", (25, 52, 15), [[25.006, 25.007], [25.005, 25.006]],
        ...                                 default_instrument("micrometer"), "k5"))
        >>> (found.decision, found.interference_um.max)
        ('cannot_tell', 17.0)
    """
    _check_asked(seat)
    nominal, guard = seat.nominal_mm, GUARD[seat.edition]
    form = form_of(_at_reference(seat), nominal)
    zone = limits(nominal, seat.zone)
    side = "bore" if seat.part == "shaft" else "outside"
    ring = ring_limits(side, nominal, seat.tolerance_class, seat.ring_kind)
    measured = measured_with(seat.instrument, seat.reach, form.mean_um, form.local_um)
    decision = decide(measured, zone.lower_um, zone.upper_um, guard)
    better = (
        better_instrument(seat.instrument, seat.reach, measured, zone.lower_um, zone.upper_um, guard)
        if decision == "cannot_tell"
        else None
    )
    interference = _interference(seat.part, form, ring.lower_um, ring.upper_um)
    creep = creep_of(
        seat.part, (form.mean_um, measured.u_mean_um), (ring.lower_um, ring.upper_um), seat.bearing_mm,
        seat.duty, seat.finish,
    )  # fmt: skip
    limit = standard_tolerance_um(nominal, 5) / 2
    guard_um = guard * measured.u_local_um
    return SeatCheck(
        part=seat.part,
        nominal_mm=nominal,
        zone=seat.zone,
        zone_lower_um=zone.lower_um,
        zone_upper_um=zone.upper_um,
        ring_lower_um=ring.lower_um,
        ring_upper_um=ring.upper_um,
        mean_mm=round(nominal + form.mean_um / 1000, 6),
        planes=form.planes,
        out_of_round_um=round(form.out_of_round_um, 3),
        taper_um=round(form.taper_um, 3),
        form=form.words,
        cylindricity_um=round(form.cylindricity_um, 3),
        cylindricity_limit_um=limit,
        expanded_uncertainty_um=round(2 * measured.u_local_um, 2),
        guard_um=round(guard_um, 2),
        decision=decision,
        reason=words.reason(decision, zone, form.local_um, better, guard),
        better_instrument=better.name if better else None,
        interference_um=interference,
        creep_probability=creep.probability if creep else 0.0,
        creep_reason=words.creep_reason(creep),
        repairs=_repairs(seat, form, zone, interference) if decision == "reject" else (),
        notes=words.notes(form, limit, seat.instrument, guard_um, zone),
        sources=(zone.source, ring.source, f"ISO 14253-1:{seat.edition}"),
    )


def _check_asked(seat: MeasuredSeat) -> None:
    part, zone = seat.part, seat.zone
    if part not in ("shaft", "housing"):
        raise BadInput("no_such_part", f"Unknown seat “{part[:20]}”.", "part", "shaft or housing")
    if seat.edition not in GUARD:
        raise BadInput("no_such_edition", "Use ISO 14253-1:2013 or 2017.", "edition")
    if seat.finish not in SMOOTHING_MM:
        raise BadInput("no_such_finish", "A seat is either ground or turned.", "finish")
    if zone[:1].isalpha() and zone[:1].isupper() is not (part == "housing"):
        letter = "capital" if part == "housing" else "small"
        raise BadInput(
            "hole_and_shaft", f"A {part} seat has a {letter} letter; “{zone[:12]}” has not.", "zone"
        )


def _at_reference(seat: MeasuredSeat) -> list[list[float]]:
    """The readings at 20 °C, mm; refused when they cannot be of this seat."""
    rows, nominal = seat.readings_mm, seat.nominal_mm
    if not 1 <= len(rows) <= MOST_PLANES:
        raise BadInput("bad_planes", f"Measure in 1 to {MOST_PLANES} planes.", "readings_mm")
    if not all(1 <= len(row) <= MOST_DIRECTIONS for row in rows):
        raise BadInput(
            "bad_directions", f"Measure in 1 to {MOST_DIRECTIONS} directions a plane.", "readings_mm"
        )
    grows = expansion_of(seat.material)
    for plane, row in enumerate(rows):
        for direction, value in enumerate(row):
            if not abs(value - nominal) <= FARTHEST_SHARE * nominal:
                raise BadInput(
                    "not_this_seat",
                    f"{value:g} mm is not plausible for a {nominal:g} mm seat.",
                    f"readings_mm[{plane}][{direction}]",
                    "Check the decimal point, the unit and the nominal size.",
                )
    return [
        [to_reference_temperature(value, seat.part_c, seat.instrument_c, grows) for value in row]
        for row in rows
    ]


def _interference(part: str, form: SeatForm, ring_low: float, ring_high: float) -> Range:
    local, middle = form.local_um, (ring_low + ring_high) / 2
    if part == "shaft":
        values = (min(local) - ring_high, form.mean_um - middle, max(local) - ring_low)
    else:
        values = (ring_low - max(local), middle - form.mean_um, ring_high - min(local))
    return Range(*(round(value, 2) for value in values))


def _repairs(
    seat: MeasuredSeat, form: SeatForm, zone: DeviationLimits, interference: Range
) -> tuple[str, ...]:
    local = form.local_um
    worn = zone.lower_um - min(local) if seat.part == "shaft" else max(local) - zone.upper_um
    return words.repairs(seat.part, worn, interference.likely, not seat.duty.load_turns_about(seat.part))
