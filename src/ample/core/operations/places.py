"""The place of a part of any family, judged by the rules of its kind: operation of the register."""

from __future__ import annotations

from dataclasses import dataclass, field

from ample.core import contract
from ample.core.contract.specs import part_of_reading, spec_of
from ample.core.designation import decode
from ample.core.errors import BadInput
from ample.core.fits import SeatCheck
from ample.core.fits.finding import PlaceFinding
from ample.core.fits.judging.rules import has_seat
from ample.core.operations.identify import requirement_for
from ample.core.operations.seats import seat_of
from ample.core.parts import SealSpec
from ample.core.places.gland import Gland
from ample.core.places.lip_seal import LipSeal
from ample.core.places.place import GoingIn, PlaceFacts, PlaceSheet, judge_place

SEATS = {"shaft_seat": "shaft", "housing_seat": "housing"}
WORST = ("accept", "not_measured", "cannot_tell", "reject")


@dataclass(frozen=True)
class Place:
    """The decision about a place, its findings, what is still to be measured, and the numbers of its kind."""

    decision: str
    findings: tuple[PlaceFinding, ...]
    missing: tuple[str, ...]
    seats: dict[str, SeatCheck] = field(default_factory=dict)
    gland: Gland | None = None
    lip_seal: LipSeal | None = None


def place(request: contract.PlaceRequest) -> Place:
    """Judge the place that a part goes into."""
    if request.family == "bearing":
        return _of_bearing(request)
    asked = contract.IdentifyRequest(
        family=request.family, marking=request.designation, observations=request.observations
    )
    readings = decode(request.designation, family=request.family)
    if not readings:
        raise BadInput("not_a_designation", f"“{request.designation[:30]}” cannot be read.", "designation")
    spec = part_of_reading(readings[0])
    assert isinstance(spec, SealSpec)
    duty = request.duty
    sheet = PlaceSheet(
        rpm=duty.rpm, pressure_bar=duty.pressure_bar, min_c=duty.min_c, max_c=duty.max_c, medium=duty.medium or "",
        motion=duty.motion, pressure_from=duty.pressure_from, gap=f"{request.gap_mm} mm" if request.gap_mm else "",
    )  # fmt: skip
    going = GoingIn.of(spec, request.designation, False, requirement_for(asked, None))
    judged = judge_place(sheet, PlaceFacts(going))
    assert judged is not None, "what goes in is known"
    if judged.fault:
        raise BadInput("bad_place", judged.fault, judged.fault_field)
    return Place(judged.decision, judged.findings, judged.missing, {}, judged.gland, judged.lip_seal)


def _of_bearing(request: contract.PlaceRequest) -> Place:
    """Both seats, each from the readings of its feature in one plane."""
    spec = spec_of(request.designation, "designation")
    duty = contract.DutyRequest(
        turning=request.duty.turning, load=request.duty.load, slides=request.duty.slides, split=request.duty.split,
        radial_n=request.duty.radial_n,
    )  # fmt: skip
    asked = contract.IdentifyRequest(family="bearing", observations=request.observations)
    means = {each.feature: each for each in requirement_for(asked, None).measured}
    seats: dict[str, SeatCheck] = {}
    for feature, part in SEATS.items():
        if feature in means and has_seat(spec, part):
            tool = next(each.instrument for each in request.observations if each.feature == feature)
            readings = contract.SeatRequest.model_validate(
                {
                    "part": part, "readings_mm": [[means[feature].mean_mm] * means[feature].count], "instrument": tool,
                    "duty": duty,
                }
            )  # fmt: skip
            seats[part] = seat_of(spec, readings)
    missing = tuple(feature for feature, part in SEATS.items() if has_seat(spec, part) and part not in seats)
    findings = tuple(
        PlaceFinding(
            f"{part}_{check.because}",
            "stop" if check.decision == "reject" else "warn",
            check.reason,
            " ".join(check.repairs or check.step_words),
        )
        for part, check in seats.items()
        if check.decision != "accept"
    )
    decisions = [check.decision for check in seats.values()] + (["not_measured"] if missing else [])
    return Place(max(decisions, key=WORST.index, default="not_measured"), findings, missing, seats)
