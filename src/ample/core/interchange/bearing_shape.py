"""What two rolling bearings are of shape: sizes, kind, angle, ring groove, shape of the bore."""

from __future__ import annotations

from ample.core.interchange.judgement import AttributeJudgement, same
from ample.core.parts import BearingSpec, bearing_kinds

SAME_MM = 0.01
SNAP_WORDS = {"none": "none", "groove": "groove", "groove_and_ring": "groove with ring"}


def shape_judged(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """Every attribute of shape, in order."""
    return [
        _diameter("bore", old.d_mm, new.d_mm),
        _diameter("outside", old.D_mm, new.D_mm),
        *_widths(old, new),
        *_kind(old, new),
        _snap_ring(old, new),
        _bore_shape(old, new),
        *_angle(old, new),
    ]


def _diameter(name: str, old: float, new: float) -> AttributeJudgement:
    words = (f"{old:g} mm", f"{new:g} mm")
    if abs(old - new) <= SAME_MM:
        return same(name, words[0])
    seat = "shaft" if name == "bore" else "housing"
    change = abs(new - old)
    bigger = new > old
    if name == "bore":
        need = "sleeved up" if bigger else "turned down"
    else:
        need = "bored out" if bigger else "sleeved down"
    return AttributeJudgement(
        name, *words, "change",
        f"{change:.3g} mm {'larger' if bigger else 'smaller'}: the {seat} would have to be {need}.",
        "not_interchangeable", "by size",
    )  # fmt: skip


def _widths(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """The width that the unit feels, and of tapers the two rings' own widths."""
    found = [_width("width", old.T_mm or old.B_mm, new.T_mm or new.B_mm)]
    if old.T_mm and new.T_mm and old.C_mm and new.C_mm:
        found.append(_ring_width("cone width", old.B_mm, new.B_mm))
        found.append(_ring_width("cup width", old.C_mm, new.C_mm))
    elif old.C_mm and new.C_mm and old.C_mm != old.B_mm:
        found.append(_ring_width("outer ring width", old.C_mm, new.C_mm))
    return found


def _ring_width(name: str, old: float, new: float) -> AttributeJudgement:
    if abs(old - new) <= SAME_MM:
        return same(name, f"{old:g} mm")
    text = "One ring has a different width: check the shoulder, the spacer and the standout."
    return AttributeJudgement(
        name, f"{old:g} mm", f"{new:g} mm", "change", text, "fits_with_differences", "by size"
    )


_AXIAL = {
    "deep_groove": "some, both ways", "angular_contact": "one way", "double_row_angular": "both ways",
    "four_point": "both ways", "self_aligning": "little", "spherical_roller": "both ways", "taper": "one way",
    "inch_taper": "one way", "cylindrical_nu": "none", "cylindrical_n": "none", "cylindrical_nj": "one way, little",
    "cylindrical_nup": "both ways, little", "cylindrical_nf": "one way, little", "needle_ring": "none",
    "needle_angular": "one way", "needle_thrust": "one way", "spherical_plain": "little",
    "needle_no_ring": "none", "drawn_cup": "none", "drawn_cup_closed": "none",
}  # fmt: skip


def _kind(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """Another kind of bearing: what it does with load along the shaft, with tilt, and with its own setting."""
    kinds = bearing_kinds()
    before, after = kinds[old.kind], kinds[new.kind]
    if before == after:
        return []
    seen, then = dict(before.seen), dict(after.seen)
    points = []
    if old.kind in _AXIAL and new.kind in _AXIAL and _AXIAL[old.kind] != _AXIAL[new.kind]:
        points.append(f"Load along the shaft: {_AXIAL[new.kind]}; the old one {_AXIAL[old.kind]}.")
    if seen.get("tilts") == "yes" and then.get("tilts") == "no":
        points.append("It does not accommodate misalignment.")
    if after.group == "taper" or new.kind == "angular_contact":
        points.append("It must be adjusted against a second bearing.")
    if before.scheme != after.scheme:
        points.append("It is located differently; check every face it touches.")
    text = " ".join(points) or "Check load, speed and lubrication again."
    severity = "not_interchangeable" if seen.get("lies") != then.get("lies") else "needs_change"
    return [
        AttributeJudgement("kind", before.words, after.words, "change", text, severity, "common practice")
    ]


def _angle(old: BearingSpec, new: BearingSpec) -> list[AttributeJudgement]:
    """The contact angle where one is marked."""
    if not (old.angle or new.angle):
        return []
    before, after = (f"{a}°" if a.isdigit() else a or "not marked" for a in (old.angle, new.angle))
    if old.angle == new.angle:
        return [same("contact angle", before, "by marking")]
    text = "Another contact angle shares radial and axial load differently and changes stiffness. Never mix in a pair."
    return [AttributeJudgement("contact angle", before, after, "change", text, "needs_change", "by marking")]


def _width(name: str, old: float, new: float) -> AttributeJudgement:
    words = (f"{old:g} mm", f"{new:g} mm")
    if abs(old - new) <= SAME_MM:
        return same(name, words[0])
    change = abs(new - old)
    if new > old:
        text = f"{change:.3g} mm wider: trim a spacer or shoulder by that much, or it protrudes. Check the stack and the circlip."
    else:
        text = f"{change:.3g} mm narrower: shim by that much, or it can move axially."
    return AttributeJudgement(name, *words, "change", text, "needs_change", "by size")


def _snap_ring(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    words = (SNAP_WORDS.get(old.snap_ring, old.snap_ring), SNAP_WORDS.get(new.snap_ring, new.snap_ring))
    if old.snap_ring == new.snap_ring:
        return same("ring groove", words[0], "by marking")
    if old.snap_ring == "none":
        text = "It has a snap ring groove that is not needed: leave the ring off."
        severity = "fits_with_differences"
    elif new.snap_ring == "none":
        text = "The groove that located the old one is missing: the housing must locate it some other way."
        severity = "needs_change"
    else:
        text = "Order the snap ring with it, or leave it off."
        severity = "fits_with_differences"
    return AttributeJudgement("ring groove", *words, "change", text, severity, "by marking")


def _bore_shape(old: BearingSpec, new: BearingSpec) -> AttributeJudgement:
    if old.bore_shape == new.bore_shape:
        return same("bore shape", old.bore_shape.replace("_", " "), "by marking")
    return AttributeJudgement(
        "bore shape", old.bore_shape.replace("_", " "), new.bore_shape.replace("_", " "), "change",
        "A taper bore needs its sleeve or a taper seat.", "not_interchangeable", "by marking",
    )  # fmt: skip
