"""An O-ring in its groove, a lip seal on its shaft: operations of the register."""

from __future__ import annotations

from ample.core import contract
from ample.core.contract.glands import SizeRange
from ample.core.designation import decode
from ample.core.errors import BadInput
from ample.core.parts.rubber import rubbers
from ample.core.places.gland import Gland, RingDuty, Rubbery, judge_gland
from ample.core.places.lip_seal import LipCase, LipSeal, judge_lip_seal
from ample.core.places.ring_in_groove import Extent, Groove, listed_span, ring_span
from ample.core.sizes import parse_length


def gland(request: contract.GlandRequest) -> Gland:
    """Judge an O-ring in a groove."""
    asked = request.groove
    face_wall = "inside_mm" if request.duty.pressure_from == "outside" else "outside_mm"
    name = face_wall if asked.kind == "face" else "groove_diameter_mm"
    wall = getattr(asked, name)
    if wall is None:
        raise BadInput("missing", "The wall that the ring stands against is missing.", f"groove.{name}")
    groove = Groove(
        asked.kind, _span(wall), _span(asked.depth_mm), _span(asked.width_mm),
        _span(asked.gap_mm) if asked.gap_mm is not None else None,
    )  # fmt: skip
    _known_rubber(request.ring.material, "ring.material")
    inside, section = _ring(request.ring)
    duty = request.duty
    return judge_gland(
        inside,
        section,
        groove,
        RingDuty(
            duty.motion, duty.pressure_from, duty.pressure_bar, duty.min_c, duty.max_c, duty.medium or "",
            duty.swell_percent,
        ),
        Rubbery(request.ring.material or "", request.ring.hardness_shore_a),
    )  # fmt: skip


def lip_seal(request: contract.LipSealRequest) -> LipSeal:
    """Judge a lip seal on its shaft."""
    _known_rubber(request.material, "material")
    if request.bore_mm is not None and request.bore_mm <= request.shaft_mm:
        raise BadInput("bad_sizes", "The housing bore must be larger than the shaft.", "bore_mm")
    return judge_lip_seal(
        LipCase(
            request.shaft_mm, request.rpm, request.pressure_bar, request.temperature_c, request.medium or "",
            request.material or "", _depth_mm(request.track_depth_mm), request.roughness_um, request.hardness_hrc,
            request.runout_mm, request.eccentricity_mm, request.bore_mm, request.width_mm, request.measured_shaft_mm,
            request.housing_bore_mm, request.housing_depth_mm, request.cover, tuple(request.way_in), request.lead,
            request.dry,
        )
    )  # fmt: skip


def _depth_mm(given: float | str | None) -> float | None:
    """The depth of a track in any unit."""
    if isinstance(given, str):
        try:
            given = parse_length(given).mm
        except BadInput as error:
            raise BadInput(error.code, error.message, "track_depth_mm", error.hint) from error
    if given is not None and not 0 <= given <= 50:
        raise BadInput("out_of_range", "A track is 0 to 50 mm deep.", "track_depth_mm")
    return given


def _known_rubber(material: str | None, field: str) -> None:
    if material is not None and material not in rubbers():
        raise BadInput(
            "no_such_rubber", f"Unknown rubber “{material[:20]}”.", field, f"One of {', '.join(rubbers())}."
        )


def _span(size: float | SizeRange) -> Extent:
    return Extent.of(size.min, size.max) if isinstance(size, SizeRange) else Extent(size, size, size)


def _ring(asked: contract.GlandRing) -> tuple[Extent, Extent]:
    """Inside and section; a plain number takes the tolerance of the standard, a designation that of its row."""
    inside, section = asked.inside_mm, asked.section_mm
    if asked.designation is not None and (inside is None or section is None):
        readings = decode(asked.designation, family="o_ring")
        if not readings:
            raise BadInput(
                "not_a_designation", f"“{asked.designation[:30]}” cannot be read.", "ring.designation"
            )
        sizes = readings[0].dimensions
        inside, section = inside or sizes["inside_mm"], section or sizes["section_mm"]
    for name, size in (("inside_mm", inside), ("section_mm", section)):
        if size is None:
            raise BadInput(
                "missing", "A ring is given by its inside and section, or by its designation.", f"ring.{name}"
            )
    assert inside is not None
    assert section is not None
    span = ring_span if asked.designation is None else listed_span
    by_standard = span(_span(inside).nominal, _span(section).nominal)
    given = (_span(inside), _span(section))
    plain = (not isinstance(inside, SizeRange), not isinstance(section, SizeRange))
    first, second = (
        own if is_plain else one for own, one, is_plain in zip(by_standard, given, plain, strict=True)
    )
    return first, second
