"""One measured seat with all that its judgement rests on: zone, ring, form, chances, ways back."""

from __future__ import annotations

from collections.abc import Mapping
from functools import cached_property

from ample.core.errors import BadInput
from ample.core.fits.advice import zone_advice, zone_limits
from ample.core.fits.clearance import (
    Interference,
    clearance_groups,
    kind_of_clearance,
    rolls_of,
    zone_interference,
)
from ample.core.fits.duty import LOAD_SHARES
from ample.core.fits.form import FormTold, form_of, tell_form
from ample.core.fits.judging.by_fit import (
    FREE,
    HOLDS,
    ByFit,
    Chances,
    decide_by_fit,
    with_form,
)
from ample.core.fits.judging.chances import (
    LEAST_UM,
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
from ample.core.fits.judging.next_steps import NextStep, StepFacts, next_steps
from ample.core.fits.judging.repair import Happened, RepairWay, Worn, repair_ways, what_happened
from ample.core.fits.judging.rules import (
    PRESSED,
    RINGS,
    TAPER_BORE,
    class_of_rings,
    stands_against,
)
from ample.core.fits.measured_seat import MeasuredSeat, at_reference
from ample.core.fits.ranges import Range
from ample.core.handbook.fitting import effective_interference, housing_looser_when_warm
from ample.core.handbook.measuring import conformance_probability
from ample.core.parts.roller_ratings import dynamic_rating_n
from ample.core.sizes import Instrument
from ample.core.sizes.materials import expansion_of
from ample.core.standards import standard_tolerance_um

TIGHTER = {"shaft": ("k5", "k6", "m5", "m6", "n6", "p6", "r6"), "housing": ("K7", "M7", "N7", "P7", "R7")}


class SeatCase:
    """One seat with all that its judgement rests on."""

    def __init__(self, seat: MeasuredSeat):
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
        found = housing_looser_when_warm(
            self.nominal, expansion_of(seat.material), expansion_of("steel"), seat.running.running_c
        )
        return found["looser_um"] if seat.part == "housing" else -found["looser_um"]

    @cached_property
    def needed(self) -> float | None:
        """Interference that the ring needs, µm; None where no load turns about it."""
        if not self.pressed:
            return None
        return needed_um(self.nominal, self.width_mm, self.load_n, self.warmer_k, self.seat.finish)

    @property
    def warmer_k(self) -> float:
        """How much warmer than its surroundings the ring on this seat runs, K."""
        return self.seat.running.warmer_inner_k if self.seat.part == "shaft" else 0.0

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

    def extremes(self) -> Range | None:
        """Interference of every reading with the ring's limits: worst, likely, best, µm; None where no ring stands there."""
        if self.against is None:
            return None
        local, mean, read = self.form.local_um, self.form.mean_um, self.seat.ring
        low, high = self.against.lower_um, self.against.upper_um
        if read is not None:
            low, high = read.middle_um - 2 * read.u_um, read.middle_um + 2 * read.u_um
        middle = (low + high) / 2
        if self.seat.part == "shaft":
            values = (min(local) - high, mean - middle, max(local) - low)
        else:
            values = (low - max(local), middle - mean, high - min(local))
        return Range(*(round(value, 2) for value in values))

    def interference(self) -> Interference | None:
        """The interference as it runs, µm."""
        held = self.extremes()
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

    def suits(self, by_group: Mapping[str, float]) -> str | None:
        """The bearing's own group when it leaves clearance, else the next wider that does."""
        names = list(by_group)
        start = names.index(self.own_group) if self.own_group in names else 0
        return next((name for name in names[start:] if by_group[name] >= FREE), None)

    def happened(self, found: ByFit) -> Happened:
        """What happened to a rejected seat, or to one with signs."""
        under, over = self.zone.lower_um - self.form.mean_um, self.form.mean_um - self.zone.upper_um
        worn, tight = (under, over) if self.seat.part == "shaft" else (over, under)
        if found.decision != "reject" and not self.seat.seen.signs:
            return ""
        return what_happened(self.seat.seen.signs, worn, tight)

    def repairs(self, found: ByFit) -> tuple[RepairWay, ...]:
        """The ways back, by what is wrong."""
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
