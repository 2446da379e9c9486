"""A measured seat judged by the rules of its kind: form, chances, decision, what to do next, repair."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ample.core.fits import words
from ample.core.fits.advice import ZoneAdvice
from ample.core.fits.clearance import (
    Interference,
)
from ample.core.fits.decision import GUARD, Decided, Measured, decide
from ample.core.fits.finding import PlaceFinding
from ample.core.fits.form import FormTold, Plane
from ample.core.fits.judging.by_fit import (
    ByFit,
    Fitness,
    LeastChances,
    fitness,
    wanted_of,
)
from ample.core.fits.judging.drive_up import DriveUp, drive_up_of
from ample.core.fits.judging.next_steps import NextStep
from ample.core.fits.judging.raceway import raceway_findings
from ample.core.fits.judging.repair import Happened, RepairWay
from ample.core.fits.judging.rules import (
    TAPER_BORE,
)
from ample.core.fits.measured_seat import MeasuredSeat, check_asked
from ample.core.fits.ranges import Range
from ample.core.fits.seat_case import SeatCase

TIGHTER = {"shaft": ("k5", "k6", "m5", "m6", "n6", "p6", "r6"), "housing": ("K7", "M7", "N7", "P7", "R7")}


@dataclass(frozen=True)
class LoadOnSeat:
    """What a ring has to hold against: its width, mm, the radial load, N, how much warmer it runs, K."""

    ring_width_mm: float
    radial_n: float
    warmer_k: float


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
    wanted: LeastChances
    suits_group: str | None
    steps: tuple[NextStep, ...]
    step_words: tuple[str, ...]
    better_instrument: str | None
    interference_um: Range | None
    needed_um: float | None
    needed_for: LoadOnSeat | None
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
    check_asked(seat)
    case = SeatCase(seat)
    seat, form, zone = case.seat, case.form, case.zone
    known = case.uncertainty()
    u = known.u_um
    chances, by_group = case.chances(u, case.ring)
    found = case.decided(u, case.ring)
    findings = (
        raceway_findings(seat.seen.hardness_hrc, seat.seen.roughness_um)
        if case.rule.rule == "raceway"
        else ()
    )
    if found.decision != "reject" and any(each.severity == "stop" for each in findings):
        found = ByFit("reject", "raceway_bad")
    suits = case.suits(by_group)
    steps = case.steps() if found.decision == "cannot_tell" else ()
    guard = GUARD[seat.edition]
    u_local = (u**2 + (seat.instrument.scatter_mm * 1000) ** 2 * (1 - 1 / case.readings)) ** 0.5
    measured = Measured(form.mean_um, tuple(form.local_um), u, u_local)
    interference = case.extremes()
    ways = case.repairs(found) if found.decision == "reject" else ()
    happened = case.happened(found)
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
        rule=case.rule.rule,
        nominal_mm=case.nominal,
        zone=zone.zone,
        zone_lower_um=zone.lower_um,
        zone_upper_um=zone.upper_um,
        ring_lower_um=case.against.lower_um if case.against else None,
        ring_upper_um=case.against.upper_um if case.against else None,
        mean_mm=round(case.nominal + form.mean_um / 1000, 6),
        planes=form.planes,
        out_of_round_um=round(form.out_of_round_um, 3),
        taper_um=round(form.taper_um, 3),
        form=words.form(case.told),
                form_told=case.told,
        cylindricity_um=round(form.cylindricity_um, 3),
        cylindricity_limit_um=case.form_limit_um,
        standard_uncertainty_um=round(u, 3),
        expanded_uncertainty_um=round(2 * u, 2),
        uncertainty_parts_um={name: round(part, 3) for name, part in known.parts_um.items()},
        fitness=fitness(zone.upper_um - zone.lower_um, u),
        decision=found.decision,
        because=found.because,
        reason=words.reason(found, case.rule.rule, zone, form.mean_um, chances, case.told, case.form_limit_um),
        risks=words.risks(found, zone, chances) if found.decision == "cannot_tell" else (),
        conformity=decide(measured, zone.lower_um, zone.upper_um, guard),
        guard_um=round(guard * u_local, 2),
        conformance_probability=round(chances.zone, 4),
        holds_probability=None if held is None else round(held, 4),
        clearance_probability=None if chances.free is None else round(chances.free, 4),
        wanted=wanted_of(case.rule.rule, held is not None),
        clearance_by_group={name: round(chance, 4) for name, chance in by_group.items()},
        suits_group=suits,
        steps=steps,
        step_words=tuple(words.step(each, seat.part) for each in steps),
        better_instrument=better,
        interference_um=interference,
        needed_um=None if case.needed is None else round(case.needed, 2),
        needed_for=None if case.needed is None else LoadOnSeat(case.width_mm, round(case.load_n, 1), case.warmer_k),
        creep_probability=None if held is None else round(1 - held, 4),
        creep_reason=words.creep_reason(case.rule.rule, case.needed, case.load_n if case.pressed else 0.0, seat.duty),
        findings=findings,
        happened=happened,
        repair_ways=ways,
        repairs=words.repairs(seat.part, happened, ways, zone.zone),
        drive_up=drive_up_of(seat.bearing, case.own_group) if case.rule.rule == TAPER_BORE else None,
        notes=words.notes(case.told, seat.instrument, fitness(zone.upper_um - zone.lower_um, u), zone, seat.material, seat.running.running_c, seat.part),
        sources=tuple(text for text in (zone.source, case.against.source if case.against else "", f"ISO 14253-1:{seat.edition}") if text),
        advice=case.advice,
    )  # fmt: skip


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
    check_asked(seat)
    case = SeatCase(seat)
    return None if case.too_coarse else case.interference()
