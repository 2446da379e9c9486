"""A part's specification from its dimensions by name and its attributes: of bearings and of all other families."""

from __future__ import annotations

from collections.abc import Mapping

from ample.core.parts.bearing import BearingSpec
from ample.core.parts.families import PartSpec
from ample.core.parts.seals import SEALS, SealSpec
from ample.core.standards import sizes_of_family


def specified(
    family: str,
    kind: str,
    designation: str,
    series: str,
    dimensions: Mapping[str, float],
    attributes: Mapping[str, str],
) -> PartSpec:
    """The specification that a family, a kind, dimensions in mm by the contract's names and attributes amount to.

    Raises:
        KeyError: When a bearing has no width among its dimensions, or the family does not exist.

    Source: the contract's names.

    Example:
        >>> specified("o_ring", "o_ring", "20x2.5", "", {"inside_mm": 20.0, "section_mm": 2.5}, {}).size_text
        '20 × 2.5'
    """
    make = _bearing if family == "bearing" else _seal
    return make(family, kind, designation, series, dimensions, attributes)


def _bearing(
    family: str, kind: str, designation: str, series: str, size: Mapping[str, float], a: Mapping[str, str]
) -> BearingSpec:
    width = size.get("B_mm") or size.get("T_mm") or size["C_mm"]
    return BearingSpec(
        designation, series, size.get("d_mm") or size.get("Fw_mm") or 0.0, size.get("D_mm", 0.0), width,
        a.get("closure", "open"), a.get("clearance", "N"), a.get("class", "Normal"), a.get("cage", "standard"),
        a.get("snap_ring", "none"), a.get("bore_shape", "cylindrical"), tuple(a.get("extra", "").split()),
        kind=kind, T_mm=size.get("T_mm"), C_mm=size.get("C_mm"), angle=a.get("angle", ""),
    )  # fmt: skip


def _seal(
    family: str, kind: str, designation: str, series: str, size: Mapping[str, float], a: Mapping[str, str]
) -> SealSpec:
    described, own = SEALS[family], dict(size)
    if "outside_mm" in own and family == "hydraulic_seal":
        own["section_mm"] = round((own["outside_mm"] - own["inside_mm"]) / 2, 4)
    sizes = tuple(own.get(name, 0.0) for name in described.dimensions)
    if family == "key":
        listed = next((s for s in sizes_of_family("key") if s.dimensions_mm[:3] == sizes[:3]), None)
        sizes = listed.dimensions_mm if listed else sizes
    marked = tuple((name, a[name]) for name in described.marked if a.get(name))
    return SealSpec(family, designation, kind, sizes, marked, series)


def attribute_values(spec: PartSpec) -> dict[str, str]:
    """The attributes of a specification by name, as `specified` takes them; what it does not have is left out.

    Source: the contract's names.

    Example:
        >>> attribute_values(BearingSpec("6205", "62", 25, 52, 15, clearance="3"))["clearance"]
        '3'
    """
    if not isinstance(spec, BearingSpec):
        return {name: value for name, value in spec.marked.items() if value}
    own = {
        "closure": spec.closure, "clearance": spec.clearance, "class": spec.tolerance_class, "cage": spec.cage,
        "snap_ring": spec.snap_ring, "bore_shape": spec.bore_shape, "angle": spec.angle,
        "extra": " ".join(spec.extras),
    }  # fmt: skip
    return {name: value for name, value in own.items() if value}
