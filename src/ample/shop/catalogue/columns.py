"""A part's specification as the catalogue's columns hold it, and back.

The five sizes are the dimensions of its family in their order; of a bearing d, D, B, T and C. What few parts
have (of a bearing snap ring and extras; of all others what a marking can state) is in `attributes`.
"""

from __future__ import annotations

import json
import sys
from collections.abc import Mapping
from typing import Any

from ample.core.parts import SEALS, BearingSpec, PartSpec, SealSpec

SIZES = ("size_1_mm", "size_2_mm", "size_3_mm", "size_4_mm", "size_5_mm")
_WORDS = (
    "designation", "series", "closure", "clearance", "tolerance_class", "cage", "bore_shape", "kind", "angle",
)  # fmt: skip


def columns_of(spec: PartSpec) -> dict[str, Any]:
    """What the catalogue keeps of a part; `spec_of` reads it back."""
    found = _bearing_columns(spec) if isinstance(spec, BearingSpec) else _seal_columns(spec)
    return {
        "family": spec.family, "designation": spec.designation[:40], "series": spec.series[:40],
        "kind": spec.kind, "closure": "open", "clearance": "N", "tolerance_class": "Normal",
        "bore_shape": "cylindrical", "angle": "", "cage": "standard",
    } | found  # fmt: skip


def _bearing_columns(spec: BearingSpec) -> dict[str, Any]:
    lengths = (spec.d_mm, spec.D_mm, spec.B_mm, spec.T_mm, spec.C_mm)
    own = {"snap_ring": spec.snap_ring if spec.snap_ring != "none" else "", "extra": " ".join(spec.extras)}
    few = {name: value for name, value in own.items() if value}
    return {
        **{name: None if mm is None else round(mm, 6) for name, mm in zip(SIZES, lengths, strict=True)},
        "closure": spec.closure, "clearance": spec.clearance, "tolerance_class": spec.tolerance_class,
        "bore_shape": spec.bore_shape, "angle": spec.angle, "cage": spec.cage,
        "attributes": json.dumps(few) if few else None,
    }  # fmt: skip


def _seal_columns(spec: PartSpec) -> dict[str, Any]:
    assert isinstance(spec, SealSpec)
    lengths = (*spec.dimensions_mm, 0.0, 0.0)[:5]
    return {
        **dict(zip(SIZES, (*lengths[:3], lengths[3] or None, lengths[4] or None), strict=True)),
        "attributes": json.dumps(dict(spec.attributes)),
    }


def spec_of(row: Mapping[str, Any]) -> PartSpec:
    """The specification that a row of the catalogue holds; `attributes` as JSON or as they are."""
    held = row["attributes"]
    attributes: dict[str, str] = json.loads(held) if isinstance(held, str) else held or {}
    return _bearing(row, attributes) if row["family"] == "bearing" else _seal(row, attributes)


def _bearing(row: Mapping[str, Any], attributes: dict[str, str]) -> BearingSpec:
    d, D, B, T, C = (None if row[name] is None else float(row[name]) for name in SIZES)
    words = [sys.intern(row[name]) for name in _WORDS]
    designation, series, closure, clearance, tolerance_class, cage, bore_shape, kind, angle = words
    return BearingSpec(
        designation, series, d or 0.0, D or 0.0, B or 0.0, closure, clearance, tolerance_class, cage,
        attributes.get("snap_ring", "none"), bore_shape, tuple(attributes.get("extra", "").split()),
        kind, T, C, angle,
    )  # fmt: skip


def _seal(row: Mapping[str, Any], attributes: dict[str, str]) -> SealSpec:
    lengths = [round(float(row[name] or 0), 4) for name in SIZES]
    family = sys.intern(row["family"])
    return SealSpec(
        family, row["designation"], sys.intern(row["kind"]), tuple(lengths[: len(SEALS[family].dimensions)]),
        tuple(attributes.items()), sys.intern(row["series"]),
    )  # fmt: skip
