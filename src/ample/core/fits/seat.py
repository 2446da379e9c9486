"""A measured seat judged by the rules of its kind: form, chances, decision, what to do next, repair."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property

from ample.core.errors import BadInput
from ample.core.fits import words
from ample.core.fits.advice import ZoneAdvice, zone_advice, zone_limits
from ample.core.fits.clearance import (
    Interference,
    clearance_groups,
    kind_of_clearance,
    rolls_of,
    zone_interference,
)
from ample.core.fits.decision import GUARD, Decided, Measured, decide
from ample.core.fits.duty import LOAD_SHARES, Duty
from ample.core.fits.form import FormTold, Plane, SeatForm, form_of, tell_form
from ample.core.fits.judging.by_fit import FREE, ByFit, Chances, Fitness, decide_by_fit, fitness, with_form
from ample.core.fits.judging.chances import (
    LEAST_UM,
    RING_PER_K,
    Floats,
    Internals,
    SeatUncertainty,
    Spread,
    holds,
    interferences,
    leaves,
    needed_um,
    seat_uncertainty,
    taken_um,
)
from ample.core.fits.judging.drive_up import DriveUp, drive_up_of
from ample.core.fits.judging.next_steps import NextStep, StepFacts, next_steps
from ample.core.fits.judging.raceway import SeatFinding, raceway_findings
from ample.core.fits.judging.repair import Compound, Happened, RepairWay, Worn, repair_ways, what_happened
from ample.core.fits.judging.rules import (
    PRESSED,
    RINGS,
    TAPER_BORE,
    Against,
    SeatRule,
    class_of_rings,
    seat_rule,
    seat_size_mm,
    stands_against,
)
from ample.core.fits.ranges import Range
from ample.core.handbook.fitting import SMOOTHING_MM, effective_interference
from ample.core.handbook.measuring import conformance_probability
from ample.core.parts import BearingSpec
from ample.core.parts.roller_ratings import dynamic_rating_n
from ample.core.sizes import Instrument, to_reference_temperature
from ample.core.sizes.instruments import Reach
from ample.core.sizes.materials import expansion_of
from ample.core.standards import standard_tolerance_um

MOST_PLANES, MOST_DIRECTIONS = 6, 8
FARTHEST_SHARE = 0.1


@dataclass(frozen=True)
class Running:
    """What the bearing has to bear where it runs: heat of the inner ring over the outer, K; of all, °C; hollow shaft, mm."""

    warmer_inner_k: float = 10.0
    running_c: float | None = None
    hollow_mm: float = 0.0
    group: str | None = None


@dataclass(frozen=True)
class SeenOfSeat:
    """What is seen or tested of a seat beside its size."""

    hardness_hrc: float | None = None
    roughness_um: float | None = None
    signs: tuple[str, ...] = ()
    compound: Compound | None = None


@dataclass(frozen=True)
class MeasuredSeat:
    """A seat of a bearing as it was measured, with what is required of it.

    Args:
        part: `shaft` or `housing`.
        bearing: The bearing; the seat's nominal size is its bore (or what it runs on) or its outside.
        readings_mm: Readings by plane, then direction, mm; 1 to 6 planes of 1 to 8.
        instrument: The instrument with its U in mm.
        zone: The zone asked of the seat, such as `k5`, `H7` or `+25/+38`; as advised when None.
        duty: The load case; shaft turning under normal load when not given.
        tolerance_class: Class of the bearing's rings; the ordinary one of its kind when None.
        part_c: Temperature of the part, °C, −60 to 200.
        instrument_c: Temperature of the instrument, °C; the shop's 20 unless it is said.
        edition: `2017` or `2013` of ISO 14253-1.
        finish: `ground` or `turned` seat.
        material: What the seat is of, by its name in `materials.csv`.
        standard_um: U (k = 2) of the setting standard that the instrument was zeroed on, µm.
        ring: The ring's own size about nominal as measured, µm.
        other: The interference of the other seat as measured; that of its advised zone when None.
        running: Heat, hollow shaft, clearance group.
        seen: Hardness, finish, signs, the compound in hand.
        sleeve_bore_mm: Size of the shaft under the sleeve of a taper bore, mm.
    """

    part: str
    bearing: BearingSpec
    readings_mm: Sequence[Sequence[float]]
    instrument: Instrument
    zone: str | None = None
    duty: Duty = field(default_factory=Duty)
    tolerance_class: str | None = None
    part_c: float = 20.0
    instrument_c: float = 20.0
    edition: str = "2017"
    finish: str = "ground"
    material: str = "steel"
    standard_um: float | None = None
    ring: Spread | None = None
    other: Interference | None = None
    running: Running = field(default_factory=Running)
    seen: SeenOfSeat = field(default_factory=SeenOfSeat)
    sleeve_bore_mm: float | None = None

    @cached_property
    def rule(self) -> SeatRule:
        """The rule of its kind."""
        return seat_rule(self.bearing, self.part, self.duty)

    @property
    def nominal_mm(self) -> float:
        """Nominal size of the seat, mm: the bearing's bore or its outside, the bore of its sleeve."""
        if self.rule.rule == TAPER_BORE:
            if self.sleeve_bore_mm is None:
                raise BadInput(
                    "taper_bore",
                    "A taper bore is fitted by drive-up, not to a tolerance zone.",
                    "sleeve_bore_mm",
                    "Give the size of the shaft under its sleeve; without a sleeve, check the taper with a gauge.",
                )
            return self.sleeve_bore_mm
        return seat_size_mm(self.bearing, self.part, self.rule)

    @property
    def reach(self) -> Reach:
        """How an instrument touches it: a shaft from outside, a housing from inside."""
        return "outside" if self.part == "shaft" else "inside"


@dataclass(frozen=True)
class SeatCheck:
    """What a measured seat is worth: form, chances, decision, interference, next steps and repair.

    `decision` is by what the fit will do, `conformity` by ISO 14253-1 beside it. `holds_probability`,
    `creep_probability` and `clearance_probability` are None where that is not asked of the kind or load case.
    """

    part: str
    rule: str
    nominal_mm: float
    zone: str
    zone_lower_um: float
    zone_upper_um: float
    ring_lower_um: float | None
    ring_upper_um: float | None
    mean_mm: float
    planes: tuple[Plane, ...]
    out_of_round_um: float
    taper_um: float
    form: str
    form_kind: str
    form_told: FormTold
    cylindricity_um: float
    cylindricity_limit_um: float
    standard_uncertainty_um: float
    expanded_uncertainty_um: float
    uncertainty_parts_um: Mapping[str, float]
    fitness: Fitness
    decision: Decided
    because: str
    reason: str
    risks: tuple[str, ...]
    conformity: Decided
    guard_um: float
    conformance_probability: float
    holds_probability: float | None
    clearance_probability: float | None
    clearance_by_group: Mapping[str, float]
    suits_group: str | None
    steps: tuple[NextStep, ...]
    step_words: tuple[str, ...]
    better_instrument: str | None
    interference_um: Range | None
    needed_um: float | None
    creep_probability: float | None
    creep_reason: str
    findings: tuple[SeatFinding, ...]
    happened: Happened
    repair_ways: tuple[RepairWay, ...]
    repairs: tuple[str, ...]
    drive_up: DriveUp | None
    notes: tuple[str, ...]
    sources: tuple[str, ...]
    advice: ZoneAdvice


def check_seat(seat: MeasuredSeat) -> SeatCheck:
    """Judge a shaft or housing seat from readings in planes and directions by the rules of the bearing's kind.

    Formula: sizes at 20 °C; mean y of the planes' means with u (`chances.seat_uncertainty`); chances that y lies in the
    zone, that the ring holds, that clearance is left (`chances`); decided by what the fit will do (`by_fit`), form apart.
    Interference = shaft − bore, or outside − housing, over the ring's limits.

    Args:
        seat: The seat with its readings (mm), instrument, zone, bearing and load case.

    Returns:
        The whole judgement.

    Raises:
        BadInput: When readings are missing or cannot be of this seat, or the zone does not exist.

    Source: ISO 286-1, ISO 492, JCGM 106; smoothing and loosening as in bearing handbooks.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> bearing = BearingSpec("6205", "62", 25, 52, 15)
        >>> check_seat(MeasuredSeat("shaft", bearing, [[25.0065, 25.0065]] * 3, default_instrument("micrometer"))).decision
        'accept'
    """
    return _Judge(seat).judged()


def seat_interference(seat: MeasuredSeat) -> Interference | None:
    """The interference of a measured seat with the ring that stands against it; None where there is none.

    Formula: as `check_seat`; what a warm housing of another metal gives away is taken off.

    Args:
        seat: The seat with its readings.

    Returns:
        From the worst to the best case, and equally likely values, µm.

    Raises:
        BadInput: When readings are missing or cannot be of this seat.

    Source: as `check_seat`.

    Example:
        >>> from ample.core.sizes import default_instrument
        >>> bearing = BearingSpec("6205", "62", 25, 52, 15)
        >>> seat = MeasuredSeat("shaft", bearing, [[25.004]], default_instrument("micrometer"))
        >>> seat_interference(seat).range.likely
        9.0
    """
    return _Judge(seat).interference()


class _Judge:
    """One seat with all that its judgement rests on."""

    def __init__(self, seat: MeasuredSeat):
        _check_asked(seat)
        self.seat = seat
        self.rule = seat.rule
        self.nominal = seat.nominal_mm
        self.form = form_of(_at_reference(seat), self.nominal)
        self.readings = len(self.form.local_um)
        self.advice = zone_advice(seat.part, self.nominal, seat.duty, self.rule.zones, seat.material)
        self.zone = zone_limits(self.nominal, seat.zone or self.advice.zone)
        cls = class_of_rings(seat.bearing, seat.tolerance_class)
        self.against = stands_against(self.rule, seat.part, self.nominal, cls)
        self.pressed = self.rule.rule == PRESSED

    def uncertainty(
        self, tool: Instrument | None = None, readings: int | None = None, standard_um: float | None = None
    ) -> SeatUncertainty:
        """U of the mean with an instrument; as measured when nothing is said."""
        seat = self.seat
        standard = seat.standard_um if tool is None else standard_um
        used = tool or seat.instrument
        return seat_uncertainty(
            used.expanded_uncertainty_mm(seat.reach) * 1000, used.resolution_mm * 1000, used.scatter_mm * 1000,
            readings or self.readings, self.nominal, seat.material, seat.part_c, standard,
        )  # fmt: skip

    @property
    def looser_um(self) -> float:
        """What a seat of another metal gives away where it runs warm, µm."""
        seat = self.seat
        if seat.running.running_c is None:
            return 0.0
        apart = (
            (expansion_of(seat.material) - RING_PER_K) * (seat.running.running_c - 20) * self.nominal * 1000
        )
        return apart if seat.part == "housing" else -apart

    @cached_property
    def needed(self) -> float | None:
        """Interference that the ring needs, µm; None where no load turns about it."""
        if not self.pressed:
            return None
        heat = self.seat.running.warmer_inner_k if self.seat.part == "shaft" else 0.0
        return needed_um(self.nominal, self.seat.bearing.B_mm, self.load_n, heat, self.seat.finish)

    @cached_property
    def load_n(self) -> float:
        """The radial load, N: as given, else a share of the kind's rating."""
        duty = self.seat.duty
        if duty.radial_n is not None:
            return duty.radial_n
        return LOAD_SHARES[duty.load] * dynamic_rating_n(self.seat.bearing)

    @cached_property
    def ring(self) -> Spread | None:
        """What is known of the ring that stands against the seat."""
        if self.seat.ring is not None:
            return self.seat.ring
        return Spread.between(self.against.lower_um, self.against.upper_um) if self.against else None

    @cached_property
    def groups(self) -> Mapping[str, tuple[float, float]]:
        """Radial clearance by group, where it is asked of this kind."""
        held = clearance_groups(self.seat.bearing) if self.rule.rule in RINGS else {}
        asked = self.seat.running.group
        if held and asked is not None and asked not in held:
            raise BadInput(
                "no_such_group",
                f"There is no clearance group “{asked[:20]}” here.",
                "group",
                f"One of {', '.join(held)}.",
            )
        return held

    @cached_property
    def own_group(self) -> str:
        """The group that is to be fitted."""
        return self.seat.running.group or self.seat.bearing.clearance

    @cached_property
    def _elsewhere(self) -> Floats:
        """Interferences of the other seat: as measured, else over its advised zone."""
        seat = self.seat
        if seat.other is not None:
            return seat.other.values
        part = "housing" if seat.part == "shaft" else "shaft"
        return zone_interference(seat.bearing, part, seat.duty).values

    def interference(self) -> Interference | None:
        """The interference as it runs, µm."""
        held = _interference(self.seat.part, self.form, self.against, self.seat.ring)
        if held is None or self.ring is None:
            return None
        here = Spread(self.form.mean_um, self.uncertainty().u_um)
        away = self.looser_um
        values = interferences(here, self.ring, self.seat.part) - away
        return Interference(Range(held.min - away, held.likely - away, held.max - away), values)

    def chances(self, u_um: float, ring: Spread | None) -> tuple[Chances, dict[str, float]]:
        """Chances of zone, hold and clearance with an uncertainty and what is known of the ring."""
        seat, mean = self.seat, self.form.mean_um
        here = Spread(mean, u_um)
        zone = conformance_probability(self.zone.lower_um, self.zone.upper_um, mean, u_um)["probability"]
        held = None
        if self.needed is not None and ring is not None:
            held = holds(here, ring, self.needed, seat.part, self.looser_um)
        free: dict[str, float] = {}
        if self.groups and ring is not None:
            tight = interferences(here, ring, seat.part) - self.looser_um
            pair = (tight, self._elsewhere) if seat.part == "shaft" else (self._elsewhere, tight)
            rolls = rolls_of(kind_of_clearance(seat.bearing))
            inside = Internals(
                seat.bearing.d_mm, seat.bearing.D_mm, rolls, seat.finish, seat.running.hollow_mm
            )
            taken = taken_um(inside, *pair, seat.running.warmer_inner_k)
            free = {name: leaves(taken, limits, LEAST_UM[rolls]) for name, limits in self.groups.items()}
        own = free.get(self.own_group) if free else None
        likely = 0.0 if ring is None else abs(mean - ring.middle_um)
        burst = effective_interference(self.nominal, likely, seat.finish)["effective_um"] / self.nominal
        return Chances(zone, held, own, max(free.values()) if free else None, burst), free

    def decided(self, u_um: float, ring: Spread | None) -> ByFit:
        """The decision by the fit, form included."""
        middle = (self.zone.lower_um + self.zone.upper_um) / 2
        tight = (self.form.mean_um > middle) is (self.seat.part == "shaft")
        found = decide_by_fit(self.rule.rule, self.chances(u_um, ring)[0], tight)
        return with_form(found, self.told.form_um, self.told.u_um, self.form_limit_um)

    @cached_property
    def told(self) -> FormTold:
        """The form of the seat."""
        return tell_form(self.form, self.seat.instrument.scatter_mm * 1000)

    @cached_property
    def form_limit_um(self) -> float:
        """What form may be, on the radius, µm."""
        turning = self.pressed or self.rule.rule in ("raceway", TAPER_BORE)
        return standard_tolerance_um(self.nominal, 5 if turning else 6) / 2

    def steps(self) -> tuple[NextStep, ...]:
        """What would decide it."""
        seat = self.seat
        return next_steps(
            StepFacts(
                seat.instrument, seat.reach, self.readings, self.nominal, seat.standard_um is not None,
                seat.ring is not None, self.ring, self.pressed, seat.part,
                lambda tool, readings, standard: self.uncertainty(tool, readings, standard).u_um, self.decided,
            )
        )  # fmt: skip

    def judged(self) -> SeatCheck:
        """All of it."""
        seat, form, zone = self.seat, self.form, self.zone
        known = self.uncertainty()
        u = known.u_um
        chances, by_group = self.chances(u, self.ring)
        found = self.decided(u, self.ring)
        findings = (
            raceway_findings(seat.seen.hardness_hrc, seat.seen.roughness_um)
            if self.rule.rule == "raceway"
            else ()
        )
        if found.decision != "reject" and any(each.severity == "stop" for each in findings):
            found = ByFit("reject", "raceway_bad")
        suits = self._suits(by_group)
        steps = self.steps() if found.decision == "cannot_tell" else ()
        guard = GUARD[seat.edition]
        u_local = (u**2 + (seat.instrument.scatter_mm * 1000) ** 2 * (1 - 1 / self.readings)) ** 0.5
        measured = Measured(form.mean_um, tuple(form.local_um), u, u_local)
        interference = _interference(seat.part, form, self.against, seat.ring)
        ways = self._repairs() if found.decision == "reject" else ()
        happened = self._happened(found)
        better = next(
            (
                each.instrument
                for each in steps
                if each.step == "finer_instrument" and each.decides != "cannot_tell"
            ),
            None,
        )
        held = chances.holds
        return SeatCheck(
            part=seat.part,
            rule=self.rule.rule,
            nominal_mm=self.nominal,
            zone=zone.zone,
            zone_lower_um=zone.lower_um,
            zone_upper_um=zone.upper_um,
            ring_lower_um=self.against.lower_um if self.against else None,
            ring_upper_um=self.against.upper_um if self.against else None,
            mean_mm=round(self.nominal + form.mean_um / 1000, 6),
            planes=form.planes,
            out_of_round_um=round(form.out_of_round_um, 3),
            taper_um=round(form.taper_um, 3),
            form=words.form(self.told),
            form_kind=self.told.kind,
            form_told=self.told,
            cylindricity_um=round(form.cylindricity_um, 3),
            cylindricity_limit_um=self.form_limit_um,
            standard_uncertainty_um=round(u, 3),
            expanded_uncertainty_um=round(2 * u, 2),
            uncertainty_parts_um={name: round(part, 3) for name, part in known.parts_um.items()},
            fitness=fitness(zone.upper_um - zone.lower_um, u),
            decision=found.decision,
            because=found.because,
            reason=words.reason(found, self.rule.rule, zone, form.mean_um, chances, self.told, self.form_limit_um),
            risks=words.risks(found, zone, chances) if found.decision == "cannot_tell" else (),
            conformity=decide(measured, zone.lower_um, zone.upper_um, guard),
            guard_um=round(guard * u_local, 2),
            conformance_probability=round(chances.zone, 4),
            holds_probability=None if held is None else round(held, 4),
            clearance_probability=None if chances.free is None else round(chances.free, 4),
            clearance_by_group={name: round(chance, 4) for name, chance in by_group.items()},
            suits_group=suits,
            steps=steps,
            step_words=tuple(words.step(each, seat.part) for each in steps),
            better_instrument=better,
            interference_um=interference,
            needed_um=None if self.needed is None else round(self.needed, 2),
            creep_probability=None if held is None else round(1 - held, 4),
            creep_reason=words.creep_reason(self.rule.rule, self.needed, self.load_n if self.pressed else 0.0, seat.duty),
            findings=findings,
            happened=happened,
            repair_ways=ways,
            repairs=words.repairs(seat.part, happened, ways, zone.zone),
            drive_up=drive_up_of(seat.bearing, self.own_group) if self.rule.rule == TAPER_BORE else None,
            notes=words.notes(self.told, seat.instrument, fitness(zone.upper_um - zone.lower_um, u), zone, seat.material, seat.running.running_c, seat.part),
            sources=tuple(text for text in (zone.source, self.against.source if self.against else "", f"ISO 14253-1:{seat.edition}") if text),
            advice=self.advice,
        )  # fmt: skip

    def _suits(self, by_group: Mapping[str, float]) -> str | None:
        """The bearing's own group when it leaves clearance, else the next wider that does."""
        names = list(by_group)
        start = names.index(self.own_group) if self.own_group in names else 0
        return next((name for name in names[start:] if by_group[name] >= FREE), None)

    def _happened(self, found: ByFit) -> Happened:
        worn = (
            self.zone.lower_um - self.form.mean_um
            if self.seat.part == "shaft"
            else self.form.mean_um - self.zone.upper_um
        )
        tight = (
            self.form.mean_um - self.zone.upper_um
            if self.seat.part == "shaft"
            else self.zone.lower_um - self.form.mean_um
        )
        if found.decision != "reject" and not self.seat.seen.signs:
            return ""
        return what_happened(self.seat.seen.signs, worn, tight)

    def _repairs(self) -> tuple[RepairWay, ...]:
        seat = self.seat
        if self.against is None:
            gap = 0.0
        else:
            near = self.against.upper_um if seat.part == "shaft" else self.against.lower_um
            gap = near - self.form.mean_um if seat.part == "shaft" else self.form.mean_um - near
        return repair_ways(
            Worn(
                seat.part, self.nominal, self.form.mean_um, (self.zone.lower_um, self.zone.upper_um), gap,
                self.pressed, seat.duty.load, seat.running.running_c, seat.bearing.B_mm,
            ),
            seat.seen.compound,
        )  # fmt: skip


def _check_asked(seat: MeasuredSeat) -> None:
    part, zone = seat.part, seat.zone
    if part not in ("shaft", "housing"):
        raise BadInput("no_such_part", f"Unknown seat “{part[:20]}”.", "part", "shaft or housing")
    if seat.edition not in GUARD:
        raise BadInput("no_such_edition", "Use ISO 14253-1:2013 or 2017.", "edition")
    if seat.finish not in SMOOTHING_MM:
        raise BadInput("no_such_finish", "A seat is either ground or turned.", "finish")
    if zone and zone[:1].isalpha() and zone[:1].isupper() is not (part == "housing"):
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


def _interference(part: str, form: SeatForm, against: Against | None, read: Spread | None) -> Range | None:
    if against is None:
        return None
    local = form.local_um
    low, high = against.lower_um, against.upper_um
    if read is not None:
        low, high = read.middle_um - 2 * read.u_um, read.middle_um + 2 * read.u_um
    middle = (low + high) / 2
    if part == "shaft":
        values = (min(local) - high, form.mean_um - middle, max(local) - low)
    else:
        values = (low - max(local), middle - form.mean_um, high - min(local))
    return Range(*(round(value, 2) for value in values))
