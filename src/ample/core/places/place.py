"""The place of a seal or ring as a sheet: what was measured beside it and what it has to bear, judged by its kind."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from pydantic import BaseModel, Field

from ample.core.errors import AmpleError, BadInput
from ample.core.fits.finding import PlaceFinding
from ample.core.parts import SealSpec
from ample.core.parts.requirement import Measured, OperatingConditions, Requirement
from ample.core.parts.rubber import Medium
from ample.core.parts.way_in import WayIn
from ample.core.places.gland import (
    Gland,
    Motion,
    RingDuty,
    Rubbery,
    judge_gland,
)
from ample.core.places.groove_shape import GrooveKind
from ample.core.places.lip_seal import LipCase, LipSeal, judge_lip_seal
from ample.core.places.ring_in_groove import Extent, Groove, PressureFrom, listed_span
from ample.core.sheet import Sheet
from ample.core.sizes import parse_length

Decision = Literal["accept", "cannot_tell", "reject", "not_measured", "not_judged"]
# what has to be measured before a place can be judged, by family; for a ring, of the groove that it lies in
WALLS: dict[GrooveKind, str] = {
    "shaft": "groove_diameter", "bore": "bore_groove_diameter", "face": "face_groove_outside",
    "dovetail": "dovetail_diameter", "tube_thread": "connector_diameter",
}  # fmt: skip
# what stands for its width and its depth; the space under a connector has two legs alike
ACROSS: dict[GrooveKind, tuple[str, str]] = {
    "dovetail": ("dovetail_opening", "groove_depth"), "tube_thread": ("connector_leg", "connector_leg"),
}  # fmt: skip


class PlaceSheet(Sheet):
    """What is known of the place of a seal or ring beside its sizes: empty is not known."""

    rpm: float | None = Field(default=None, ge=0, le=200_000)
    pressure_bar: float | None = Field(default=None, ge=0, le=5000)
    min_c: float | None = Field(default=None, ge=-200, le=500)
    max_c: float | None = Field(default=None, ge=-200, le=500)
    medium: Medium | Literal[""] = ""
    roughness_um: float | None = Field(default=None, ge=0, le=1000)
    hardness_hrc: float | None = Field(default=None, ge=0, le=80)
    runout_mm: float | None = Field(default=None, ge=0, le=50)
    eccentricity_mm: float | None = Field(default=None, ge=0, le=50)
    track_depth: str = Field(default="", max_length=24)
    housing_depth: str = Field(default="", max_length=24)
    lead: bool = False
    dry: bool = False
    way_in: list[WayIn] = Field(default_factory=list, max_length=12)
    motion: Motion = "static"
    pressure_from: PressureFrom = "inside"
    gap: str = Field(default="", max_length=24)
    hardness_shore_a: float | None = Field(default=None, ge=30, le=100)
    swell_percent: float = Field(default=0.0, ge=-30, le=300)


class GoingIn(BaseModel):
    """What goes into the place: the replacement chosen, or what is required; with what was measured beside it."""

    title: str
    chosen: bool
    size_text: str
    family: str
    kind: str
    spec: SealSpec = Field(exclude=True)
    measured: tuple[Measured, ...] = Field(exclude=True)
    duty: OperatingConditions = Field(exclude=True)
    known: Mapping[str, str] = Field(
        default_factory=dict, exclude=True, description="attributes required, by name"
    )

    @classmethod
    def of(cls, spec: SealSpec, title: str, chosen: bool, wanted: Requirement | None) -> GoingIn:
        """A part with what its requirement knows of its place."""
        return cls(
            title=title, chosen=chosen, size_text=spec.size_text, family=spec.family, kind=spec.kind, spec=spec,
            measured=wanted.measured if wanted else (), duty=wanted.duty if wanted else OperatingConditions(),
            known={each.name: each.value for each in wanted.attributes} if wanted else {},
        )  # fmt: skip

    def attribute(self, name: str) -> str:
        """An attribute as the part states it, else as it is required; empty while nobody knows."""
        return self.spec.marked.get(name) or self.known.get(name, "")


@dataclass(frozen=True)
class PlaceFacts:
    """What the judge of a place has to know beside the sheet."""

    going_in: GoingIn | None


@dataclass(frozen=True)
class DrawnRing:
    """A ring in its groove for the drawing, mm: the groove, and the section that the ring keeps there, least to most;
    across what it is squeezed, and how far the floor reaches under each edge; the ring's own inside and section.
    """

    groove: Groove
    section_mm: Extent
    across_mm: float
    under_mm: float
    free_inside_mm: float
    free_section_mm: float


@dataclass(frozen=True)
class PlaceJudged:
    """The place judged by the rules of its kind; `missing` are the features to measure before it can be."""

    decision: Decision
    findings: tuple[PlaceFinding, ...]
    missing: tuple[str, ...]
    gland: Gland | None
    ring: DrawnRing | None
    lip_seal: LipSeal | None
    fault: str | None = None
    fault_field: str | None = None


def judge_place(sheet: PlaceSheet, facts: PlaceFacts) -> PlaceJudged | None:
    """Judge the place of a lip seal or an O-ring; of other kinds it says that there are no rules yet.

    Formula: `judge_lip_seal` and `judge_gland` on the sizes as measured, each with its uncertainty; what the unit runs at
    stands in where the sheet says nothing.

    Args:
        sheet: What was typed.
        facts: What goes in, with what was measured.

    Returns:
        The judgement; None while nobody knows what goes in.

    Raises:
        Nothing.

    Source: as the two judges.

    Example:
        >>> judge_place(PlaceSheet(), PlaceFacts(None)) is None
        True
    """
    going = facts.going_in
    if going is None:
        return None
    try:
        if going.spec.family == "lip_seal" and going.spec.kind.startswith("lip_"):
            return _lip(sheet, going, going.spec)
        if going.spec.family == "o_ring" and going.spec.kind == "o_ring":
            return _ring(sheet, going, going.spec)
    except AmpleError as error:
        return PlaceJudged("not_measured", (), (), None, None, None, error.message, error.field)
    return PlaceJudged("not_judged", (), (), None, None, None)


def _decided(findings: tuple[PlaceFinding, ...]) -> Decision:
    if any(each.severity == "stop" for each in findings):
        return "reject"
    return "cannot_tell" if any(each.severity == "warn" for each in findings) else "accept"


def _lip(sheet: PlaceSheet, going: GoingIn, spec: SealSpec) -> PlaceJudged:
    shaft, bore, width = spec.dimensions_mm[:3]
    read = {each.feature: each for each in going.measured}
    found = judge_lip_seal(
        LipCase(
            shaft,
            sheet.rpm if sheet.rpm is not None else going.duty.rpm,
            sheet.pressure_bar,
            sheet.max_c if sheet.max_c is not None else going.duty.temperature_c,
            sheet.medium or going.duty.medium,
            going.attribute("material"),
            _track_mm(sheet, read),
            sheet.roughness_um,
            sheet.hardness_hrc,
            sheet.runout_mm,
            sheet.eccentricity_mm,
            bore,
            width,
            read["shaft"].mean_mm if "shaft" in read else None,
            read["housing_bore"].mean_mm if "housing_bore" in read else None,
            _length(sheet.housing_depth, "housing_depth"),
            "metal" if "metal" in spec.kind else "rubber",
            tuple(sheet.way_in),
            sheet.lead,
            sheet.dry,
        )
    )
    missing = tuple(name for name in ("shaft", "housing_bore") if name not in read)
    decision = _decided(found.findings)
    if decision == "accept" and missing:
        decision = "not_measured"
    return PlaceJudged(decision, found.findings, missing, None, None, found)


def _track_mm(sheet: PlaceSheet, read: Mapping[str, Measured]) -> float | None:
    """As typed, else half the difference beside and in the track."""
    typed = _length(sheet.track_depth, "track_depth")
    if typed is not None or "shaft" not in read or "shaft_track" not in read:
        return typed
    return round(max(read["shaft"].mean_mm - read["shaft_track"].mean_mm, 0.0) / 2, 4)


def _ring(sheet: PlaceSheet, going: GoingIn, spec: SealSpec) -> PlaceJudged:
    read = {each.feature: each for each in going.measured}
    kind: GrooveKind = next((kind for kind, wall in WALLS.items() if wall in read), "shaft")
    wall = WALLS[kind]
    if kind == "face" and sheet.pressure_from == "outside":
        wall = "face_groove_inside"
    wide, deep = ACROSS.get(kind, ("groove_width", "groove_depth"))
    missing = tuple(name for name in dict.fromkeys((wall, wide, deep)) if name not in read)
    if missing:
        return PlaceJudged("not_measured", (), missing, None, None, None)
    gap = _length(sheet.gap, "gap")
    depth, width = _span(read[deep], gap or 0.0), _span(read[wide])
    at = _span(read[wall], -width.nominal if kind == "dovetail" else 0.0)  # the middle of a dovetail
    groove = Groove(kind, at, depth, width, Extent.of(gap, gap) if gap else None)
    inside, section = listed_span(*spec.dimensions_mm[:2])
    most_c = sheet.max_c if sheet.max_c is not None else going.duty.temperature_c
    hardness = sheet.hardness_shore_a or _number(going.attribute("hardness_shore_a"))
    found = judge_gland(
        inside,
        section,
        groove,
        RingDuty(
            sheet.motion, sheet.pressure_from, sheet.pressure_bar, sheet.min_c, most_c,
            sheet.medium or going.duty.medium, sheet.swell_percent,
        ),
        Rubbery(going.attribute("material"), hardness),
    )  # fmt: skip
    across = groove.across_mm
    kept = Extent(*(left / (1 - squeeze / 100) for left, squeeze in (
        (across.max, found.squeeze_percent.min), (across.nominal, found.squeeze_percent.nominal),
        (across.min, found.squeeze_percent.max),
    )))  # fmt: skip
    under = groove.shape.under_mm(depth.nominal)
    drawn = DrawnRing(groove, kept, across.nominal, under, *spec.dimensions_mm[:2])
    return PlaceJudged(_decided(found.findings), found.findings, (), found, drawn, None)


def _number(text: str) -> float | None:
    return float(text) if text.replace(".", "", 1).isdigit() else None


def _span(read: Measured, more_mm: float = 0.0) -> Extent:
    u = read.expanded_uncertainty_mm
    mean = read.mean_mm + more_mm
    return Extent(max(mean - u, 0.001), mean, mean + u)


def _length(text: str, field: str) -> float | None:
    if not text.strip():
        return None
    try:
        return parse_length(text).mm
    except BadInput as error:
        raise BadInput(error.code, error.message, field, error.hint) from error


def check_place_sheet(sheet: PlaceSheet, facts: PlaceFacts) -> None:
    """Refuse a sheet with a length that cannot be read.

    Args:
        sheet: What was typed.
        facts: What goes in.

    Raises:
        BadInput: At the field of the sheet.

    Example:
        >>> check_place_sheet(PlaceSheet(gap="4 thou"), PlaceFacts(None))
    """
    for field in ("track_depth", "housing_depth", "gap"):
        _length(getattr(sheet, field), f"sheet.{field}")
