"""A seat as it was measured, with what is required of it and seen of it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cached_property

from ample.core.errors import BadInput
from ample.core.fits.clearance import Interference
from ample.core.fits.decision import GUARD
from ample.core.fits.duty import Duty
from ample.core.fits.judging.chances import Spread
from ample.core.fits.judging.repair import Compound
from ample.core.fits.judging.rules import TAPER_BORE, SeatRule, seat_rule, seat_size_mm
from ample.core.handbook.fitting import SMOOTHING_MM
from ample.core.parts import BearingSpec
from ample.core.sizes import Instrument, to_reference_temperature
from ample.core.sizes.instruments import Reach
from ample.core.sizes.materials import expansion_of

MOST_PLANES, MOST_DIRECTIONS = 6, 8
FARTHEST_SHARE = 0.1


@dataclass(frozen=True)
class RunsAs:
    """What the bearing has to bear where it runs: heat of the inner ring over the outer, K; of all, °C; hollow shaft, mm; what the housing is of."""

    warmer_inner_k: float = 10.0
    running_c: float | None = None
    hollow_mm: float = 0.0
    group: str | None = None
    housing: str = "steel"


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
    running: RunsAs = field(default_factory=RunsAs)
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


def check_asked(seat: MeasuredSeat) -> None:
    """Refuse a seat whose part, zone, edition or finish does not exist."""
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


def at_reference(seat: MeasuredSeat) -> list[list[float]]:
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
