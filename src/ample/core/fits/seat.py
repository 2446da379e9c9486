"""A measured seat judged by the rules of its kind: form, chances, decision, what to do next, repair."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
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
from ample.core.fits.duty import LOAD_SHARES
from ample.core.fits.finding import PlaceFinding
from ample.core.fits.form import FormTold, Plane, SeatForm, form_of, tell_form
from ample.core.fits.judging.by_fit import (
    FREE,
    HOLDS,
    ByFit,
    Chances,
    Fitness,
    decide_by_fit,
    fitness,
    with_form,
)
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
from ample.core.fits.judging.raceway import raceway_findings
from ample.core.fits.judging.repair import Happened, RepairWay, Worn, repair_ways, what_happened
from ample.core.fits.judging.rules import (
    PRESSED,
    RINGS,
    TAPER_BORE,
    class_of_rings,
    stands_against,
)
from ample.core.fits.measured_seat import MeasuredSeat, at_reference, check_asked
from ample.core.fits.ranges import Range
from ample.core.handbook.fitting import effective_interference
from ample.core.handbook.measuring import conformance_probability
from ample.core.parts.roller_ratings import dynamic_rating_n
from ample.core.sizes import Instrument
from ample.core.sizes.materials import expansion_of
from ample.core.standards import DeviationLimits, standard_tolerance_um

TIGHTER = {"shaft": ("k5", "k6", "m5", "m6", "n6", "p6", "r6"), "housing": ("K7", "M7", "N7", "P7", "R7")}


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
    findings: tuple[PlaceFinding, ...]
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
        >>> from ample.core.parts import BearingSpec
        >>> from ample.core.sizes import default_instrument
        >>> bearing = BearingSpec("6205", "62", 25, 52, 15)
        >>> check_seat(MeasuredSeat("shaft", bearing, [[25.0065, 25.0065]] * 3, default_instrument("micrometer"))).decision
        'accept'
    """
    return _Judge(seat).judged()


def seat_interference(seat: MeasuredSeat) -> Interference | None:
    """The interference of a measured seat with the ring that stands against it.

    None where no ring stands against it, and where the instrument is so coarse that the zone says more.

    Formula: as `check_seat`; too coarse is u over half of the zone with the mean within 2u of it; what a warm housing of another metal gives away is taken off.

    Args:
        seat: The seat with its readings.

    Returns:
        From the worst to the best case, and equally likely values, µm.

    Raises:
        BadInput: When readings are missing or cannot be of this seat.

    Source: as `check_seat`.

    Example:
        >>> from ample.core.parts import BearingSpec
        >>> from ample.core.sizes import default_instrument
        >>> bearing = BearingSpec("6205", "62", 25, 52, 15)
        >>> seat = MeasuredSeat("shaft", bearing, [[25.004]], default_instrument("micrometer"))
        >>> seat_interference(seat).range.likely
        9.0
    """
    judge = _Judge(seat)
    return None if judge.too_coarse else judge.interference()


class _Judge:
    """One seat with all that its judgement rests on."""

    def __init__(self, seat: MeasuredSeat):
        check_asked(seat)
        self.seat = seat
        self.rule = seat.rule
        self.nominal = seat.nominal_mm
        self.form = form_of(at_reference(seat), self.nominal)
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
        return needed_um(self.nominal, self.width_mm, self.load_n, heat, self.seat.finish)

    @property
    def width_mm(self) -> float:
        """Width of the ring on this seat, mm: an outer ring can be narrower than the inner one."""
        bearing = self.seat.bearing
        return bearing.C_mm if self.seat.part == "housing" and bearing.C_mm else bearing.B_mm

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

    @property
    def too_coarse(self) -> bool:
        """Whether the readings say less of the seat than its zone does: u over half of the zone, and not out of it."""
        u, mean = self.uncertainty().u_um, self.form.mean_um
        inside = self.zone.lower_um - 2 * u <= mean <= self.zone.upper_um + 2 * u
        return inside and u > (self.zone.upper_um - self.zone.lower_um) / 2

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
            housing = seat.material if seat.part == "housing" else seat.running.housing
            inside = Internals(
                seat.bearing.d_mm, seat.bearing.D_mm, rolls, seat.finish, seat.running.hollow_mm, housing
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
                seat.instrument, seat.reach, self.readings, self.nominal, seat.standard_um,
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
        ways = self._repairs(found) if found.decision == "reject" else ()
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

    def _repairs(self, found: ByFit) -> tuple[RepairWay, ...]:
        seat = self.seat
        if found.because == "raceway_bad":
            return ()
        gap = 0.0
        if self.against is not None:
            near = self.against.upper_um if seat.part == "shaft" else self.against.lower_um
            gap = near - self.form.mean_um if seat.part == "shaft" else self.form.mean_um - near
        inside = self.zone.lower_um <= self.form.mean_um <= self.zone.upper_um
        return repair_ways(
            Worn(
                seat.part, self.nominal, self.form.mean_um, (self.zone.lower_um, self.zone.upper_um), gap,
                self.pressed, seat.duty.load, seat.running.running_c, found.because == "form_bad",
                self._tighter() if found.because == "will_creep" and inside else None, self._tightest_holds(),
            ),
            seat.seen.compound,
        )  # fmt: skip

    def _tightest_holds(self) -> bool:
        """Whether the tightest ring within its limits would hold on this seat."""
        if self.against is None or self.needed is None or self.seat.ring is not None:
            return False
        tightest = self.against.lower_um if self.seat.part == "shaft" else self.against.upper_um
        here = Spread(self.form.mean_um, self.uncertainty().u_um)
        return holds(here, Spread(tightest), self.needed, self.seat.part, self.looser_um) >= HOLDS

    def _tighter(self) -> tuple[str, float, float] | None:
        """The least tight usual zone whose middle would hold, where a seat creeps though it lies in its zone."""
        if self.ring is None or self.needed is None:
            return None
        for name in TIGHTER[self.seat.part]:
            zone = zone_limits(self.nominal, name)
            middle = Spread((zone.lower_um + zone.upper_um) / 2, self.uncertainty().u_um)
            if holds(middle, self.ring, self.needed, self.seat.part, self.looser_um) >= HOLDS:
                return name, zone.lower_um, zone.upper_um
        return None


def _interference(
    part: str, form: SeatForm, against: DeviationLimits | None, read: Spread | None
) -> Range | None:
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
