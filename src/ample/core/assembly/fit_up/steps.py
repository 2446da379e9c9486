"""What is done in each step: with what, how warm, how tight, how it is proved and when to stop."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.assembly.facing import Facing
from ample.core.assembly.fasteners import NM_PER, most_torque_nm, torque_nm
from ample.core.assembly.fit_up.places import BEARINGS, CARRIERS, LIPS, RUBBER, FittedPart, Shaft
from ample.core.assembly.fit_up.rules import LOCKED, Steps, carried_by, driven_by
from ample.core.assembly.kinds import part_kinds
from ample.core.assembly.line import Fastener, LinePart
from ample.core.fits.mounting import Chilling, Driver, Ring, Warming, chilling_for, driver_for, warming_for
from ample.core.parts import bearing_kinds
from ample.core.parts.way_in import HARMLESS
from ample.core.tables import read_table

Does = Literal["free", "warm", "fit", "cool", "grease", "tighten", "lock", "set"]
ORDER: tuple[Does, ...] = ("fit", "free", "warm", "lock", "tighten", "cool", "grease", "set")
WAITING = ("cool", "grease")
PRESS_UP_TO_MM = 30.0  # bores that are pressed or driven unless their fit asks for heat
LEAST_PLAY_UM = 1.0  # under it fitting takes no play that a dial shows
WARM_FROM_UM = 15.0
VERBS = {("push", "warm"): "push_warm", ("push", "chill"): "push_cold"}
GREASE_PER_MM2 = 0.005
STAGES = (0.3, 0.7, 1.0)
EDGED = frozenset(("key", "pin", "circlip", "nut", "lock_washer"))
CLEARS_MM = 1.0  # a lip that is wider than an edge by this does not touch it


@dataclass(frozen=True)
class StepFace:
    """Which face of the part looks at what."""

    side: str
    mark: str
    looks_at: str


@dataclass(frozen=True)
class Amount:
    """A torque in the three units of wrenches."""

    n_m: float
    ft_lb: float
    in_lb: float


@dataclass(frozen=True)
class Torque:
    """A torque in the unit that it was recorded in and in all three, stage by stage; or none, and the most that the thread
    stands. The last stage is the whole of it.
    """

    recorded: float | None
    unit: str
    amount: Amount | None
    stages: tuple[Amount, ...]
    source: str
    most_n_m: float | None
    thread: str
    left_hand: bool
    pattern: str


@dataclass(frozen=True)
class Edge:
    """What a lip or ring passes on its way: an edge of a part of the line, or one that its place sheet names (no part)."""

    part: str
    kind: str
    name: str


@dataclass(frozen=True)
class Detail:
    """All that a step says beside its place in the order."""

    does: Does
    verb: str
    faces: tuple[StepFace, ...]
    driver: Driver | None
    warming: Warming | None
    chilling: Chilling | None
    lubricant: str
    grease_g: float | None
    torque: Torque | None
    passes: tuple[Edge, ...]
    check: str
    stop_if: tuple[str, ...]
    cautions: tuple[str, ...]


@dataclass(frozen=True)
class KindOfStep:
    """A row of by_kind.csv."""

    kind: str
    does: str
    lubricant: str
    check: str
    stop_if: str
    caution: str


@lru_cache(maxsize=1)
def by_kind() -> dict[str, KindOfStep]:
    """How each kind of part is fitted."""
    rows = read_table(Path(__file__).with_name("by_kind.csv")).rows
    return {row["kind"]: KindOfStep(**row) for row in rows}


def steps_of(shaft: Shaft, shop: frozenset[str]) -> Steps:
    """What is done with each part of a line."""
    found: dict[str, tuple[str, ...]] = {}
    for part in shaft.parts.values():
        new = shaft.fitted.get(part.key)
        does: list[Does] = ["fit"]
        if new and new.supplied_with:
            does.append("free")
        if part.kind in BEARINGS:
            if way_of(shaft, part, shop) == "warm":
                does += ["warm", "cool"]
            packed = by_kind()[part.kind].lubricant == "grease_needles"
            if shaft.line.inside == "grease" and not packed and not closed_both(new):
                does.append("grease")
        if part.fastener is not None or part.kind in ("nut", "screw"):
            does.append("tighten")
            if part.fastener and part.fastener.lock in LOCKED:
                does.append("lock")
        if part.settings:
            does.append("set")
        found[part.key] = tuple(does)
    return found


def closed_both(new: FittedPart | None) -> bool:
    """Whether a bearing comes closed and greased on both sides."""
    return new is not None and new.closure.endswith("_two")


def ring_of(shaft: Shaft, part: LinePart) -> Ring:
    """The ring that goes on tight: as its seats say, else the inner one; a cup by its outside."""
    new = shaft.fitted.get(part.key)
    if new and new.tight_ring:
        return new.tight_ring
    return "outer" if part.kind in ("taper_cup", "needle_bearing", "bush") else "inner"


def way_of(shaft: Shaft, part: LinePart, shop: frozenset[str]) -> str:
    """How a bearing goes on: as a person chose, else warm where size or fit call for it and nothing in it forbids."""
    new = shaft.fitted.get(part.key)
    if new and new.way:
        return new.way
    if ring_of(shaft, part) != "inner" or part.kind in ("needle_bearing", "taper_cup", "thrust_bearing"):
        return "press"
    bore = shaft.size(part, "inside")
    if bore is None or "heater" not in shop:
        return "press"
    fit = new.interference_um if new else None
    warm = _warming(shaft, part)
    if fit is not None:
        calls = fit.max >= WARM_FROM_UM or bore > PRESS_UP_TO_MM
        return "warm" if fit.max > 0 and calls and (warm.slides_probability or 0.0) > 0 else "press"
    return "warm" if bore > PRESS_UP_TO_MM and warm.limit_because == "rings" else "press"


def _warming(shaft: Shaft, part: LinePart) -> Warming:
    new = shaft.fitted.get(part.key)
    bore = shaft.size(part, "inside")
    fit = new.interference_um if new else None
    return warming_for(bore, fit.range_um if fit else None, new.closure if new and new.closure else "open")


def _chilling(shaft: Shaft, part: LinePart) -> Chilling | None:
    """How cold the shaft has to be; not said while bore or fit are not known."""
    new, bore = shaft.fitted.get(part.key), shaft.size(part, "inside")
    fit = new.interference_um if new else None
    return chilling_for(bore, fit.range_um) if fit and bore else None


def detail(shaft: Shaft, part: LinePart, does: Does, facing: Facing | None, shop: frozenset[str]) -> Detail:
    """What a step says."""
    if does == "fit":
        return _fit(shaft, part, facing, shop)
    torque = _torque(part) if does == "tighten" else None
    warm = _warming(shaft, part) if does in ("warm", "cool") else None
    check = {
        "free": "off", "warm": "at_heat", "cool": "hand_warm", "grease": "turned_in", "tighten": "torque_reached",
        "lock": "locked", "set": "set_read",
    }[does]  # fmt: skip
    stop = {"tighten": ("torque_fails",), "set": ("settings_move",)}.get(does, ())
    cautions = (
        ("heat",) if does in ("warm", "cool") else ("left_hand",) if torque and torque.left_hand else ()
    )
    grams = _grams(shaft, part) if does == "grease" else None
    lubricant = _thread_state(part) if does == "tighten" else ""
    return Detail(does, does, (), None, warm, None, lubricant, grams, torque, (), check, stop, cautions)


def _fit(shaft: Shaft, part: LinePart, facing: Facing | None, shop: frozenset[str]) -> Detail:
    row = by_kind()[part.kind]
    way = way_of(shaft, part, shop) if part.kind in BEARINGS else ""
    faces = []
    for side in ("left", "right"):
        mark, looks_at = getattr(part, side).mark, getattr(facing, side) if facing else ""
        if mark != "flat" or getattr(facing, f"{side}_said", False):
            faces.append(StepFace(side, mark, looks_at))
    cautions = [row.caution] if row.caution else []
    stop = row.stop_if.split()
    if way == "warm":
        cautions, stop = ["heat"], ["grips", *stop]
    elif way == "chill":
        cautions, stop = ["chill"], ["grips", *stop]
    elif way == "press":
        cautions = ["press"]
    if part.fastener and part.fastener.hand == "left":
        cautions.append("left_hand")
    passes = _passed(shaft, part)
    lubricant = row.lubricant
    new = shaft.fitted.get(part.key)
    if new and new.axial_taken_um and new.axial_taken_um.max >= LEAST_PLAY_UM:
        cautions.append("play_taken")
    if lubricant == "seal_lubricant" and new and new.material == "EPDM":
        lubricant = "silicone"
    if lubricant == "as_recorded":
        lubricant = "clean"
    return Detail(
        "fit", VERBS.get((row.does, way), row.does), tuple(faces), _driver(shaft, part),
        _warming(shaft, part) if way == "warm" else None, _chilling(shaft, part) if way == "chill" else None, lubricant, None, None, passes, row.check, tuple(stop),
        tuple(cautions),
    )  # fmt: skip


def _driver(shaft: Shaft, part: LinePart) -> Driver | None:
    inside, outside = shaft.size(part, "inside"), shaft.size(part, "outside")
    if inside is not None and outside is not None and inside >= outside:
        return None
    if part.kind in BEARINGS - {"thrust_bearing"}:
        new = shaft.fitted.get(part.key)
        kind = bearing_kinds().get(new.kind) if new else None
        rolls = (
            kind.told.get("rolls", "ball") if kind else ("ball" if part.kind == "ball_bearing" else "roller")
        )
        return driver_for(inside, outside, ring_of(shaft, part), rolls, _over(shaft, part))
    if part.kind == "lip_seal":
        middle = round((inside + outside) / 2, 1) if inside is not None and outside is not None else None
        return Driver("outer", middle, outside, None)
    return None


def _over(shaft: Shaft, part: LinePart) -> float | None:
    """How far the shaft stands out beyond a bearing: what will stand on it there; None when a width is not known."""
    widths = [
        shaft.size(each, "width")
        for each in shaft.outward(part)
        if each.kind not in ("housing", "cover", "gland", "key")
    ]
    known = [each for each in widths if each is not None]
    return round(sum(known), 1) if len(known) == len(widths) else None


def _passed(shaft: Shaft, part: LinePart) -> tuple[Edge, ...]:
    """Edges that the lips of a step pass: keyways, grooves and threads further out, those of what hangs beside, and
    what the place sheet of the seal names.

    What is dressed on the bench passes nothing in its own step; its cover or gland takes it past.
    """
    if part.kind in ("cover", "gland"):
        lips = [each for each in carried_by(shaft, part) if each.kind in ("lip_seal", "rod_seal", "wiper")]
    else:
        lips = [part] if part.kind in LIPS and not _carried(shaft, part) else []
    if not lips:
        return ()
    edges = [each for each in shaft.outward(part) if each.kind in EDGED]
    for each in shaft.beside:
        driven = driven_by(shaft, each) if each.kind in ("key", "pin") else None
        if driven is not None and shaft.is_outside(driven, part):
            edges.append(each)
    found = [
        Edge(each.key, each.kind, label(each))
        for each in edges
        if any(_touches(shaft, lip, each) for lip in lips)
    ]
    told = {_SAME_EDGE.get(each.kind, each.kind) for each in found}
    of_place = [own for lip in lips if (new := shaft.fitted.get(lip.key)) for own in new.way_in]
    found += [Edge("", own, "") for own in dict.fromkeys(of_place) if own not in HARMLESS and own not in told]
    return tuple(found)


# what an edge of the line is called on a place sheet
_SAME_EDGE = {
    "key": "keyway",
    "pin": "cross_hole",
    "circlip": "ring_groove",
    "nut": "thread",
    "lock_washer": "keyway",
}


def _carried(shaft: Shaft, part: LinePart) -> bool:
    """Whether a seal sits in the cover or gland, or on the piston, that its row of seals ends at."""
    for way in (shaft.inward(part), shaft.outward(part)):
        for each in way:
            if each.kind in CARRIERS | {"piston"} and any(own is part for own in carried_by(shaft, each)):
                return True
            if each.kind not in RUBBER | {"bush", "taper_cup"}:
                break
    return False


def _touches(shaft: Shaft, lip: LinePart, edge: LinePart) -> bool:
    inside, own = shaft.size(lip, "inside"), shaft.size(edge, "inside")
    return inside is None or own is None or edge.kind in ("key", "pin") or own > inside - CLEARS_MM


def _grams(shaft: Shaft, part: LinePart) -> float | None:
    outside, width = shaft.size(part, "outside"), shaft.size(part, "width")
    return round(GREASE_PER_MM2 * outside * width, 1) if outside and width else None


def _thread_state(part: LinePart) -> str:
    compound = part.fastener.compound if part.fastener else "none"
    return {"none": "as_recorded", "locker": "locker", "anti_seize": "anti_seize", "both": "not_both"}[
        compound
    ]


def _torque(part: LinePart) -> Torque:
    held = part.fastener or Fastener()
    most = most_torque_nm(held.thread, strongest=False)
    limit = round(most, 1) if most is not None else None
    pattern = "cross" if part.quantity > 3 else "turns" if part.quantity > 1 else ""
    more = (held.torque_source, limit, held.thread, held.hand == "left", pattern)
    if held.torque is None:
        return Torque(None, held.torque_unit, None, (), *more)
    whole = torque_nm(held.torque, held.torque_unit)
    stages = tuple(_amount(whole * share) for share in STAGES) if pattern else ()
    return Torque(held.torque, held.torque_unit, _amount(whole), stages, *more)


def _amount(n_m: float) -> Amount:
    return Amount(round(n_m, 2), round(n_m / NM_PER["ft-lb"], 2), round(n_m / NM_PER["in-lb"], 1))


def label(part: LinePart) -> str:
    """What a part is called on the sheet."""
    return part.name or part_kinds()[part.kind].words
