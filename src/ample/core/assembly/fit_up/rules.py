"""What has to come before what, and why: one function a rule, each giving pairs of steps."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from pathlib import Path

from ample.core.assembly.fit_up.places import (
    BEARINGS,
    CARRIERS,
    CASTINGS,
    DRIVEN,
    LIPS,
    RUBBER,
    SHAFTS,
    THIN,
    WHEELS,
    Shaft,
)
from ample.core.assembly.line import LinePart
from ample.core.tables import read_table

Pair = tuple[str, str]
Steps = dict[str, tuple[str, ...]]  # by part: what is done with it
HIDES = 0.7  # a wheel of at least this share of the cover's outside hides its screws
SITS_MM = 0.5
RING_SHARE = 0.85  # a free ring is at least this share of its shaft
UNDER_A_SPRING = frozenset(("bottom", "centre", "center", "lower", "base", "inner"))
THREADED = frozenset(("nut", "screw"))
LOCKED = frozenset(("tab", "pin", "wire", "staked"))
IN_A_GLAND = LIPS | {"bush", "wear_band"}
IN_A_COVER = frozenset(("lip_seal", "taper_cup", "bush"))
ON_A_PISTON = LIPS | {"wear_band"}
CLOSERS = frozenset(("lip_seal", "face_seal", "cover", "gland"))
SHUT_IN = frozenset(("other", "spring", "wire", "o_ring", "key", "pin", "washer", "bush", "collar"))


@dataclass(frozen=True)
class Rule:
    """A rule of the table: its code, why, and what it means to give it up."""

    code: str
    words: str
    if_given_up: str
    rank: int


@lru_cache(maxsize=1)
def fit_up_rules() -> dict[str, Rule]:
    """The rules, the firmest first."""
    rows = read_table(Path(__file__).with_name("rules.csv")).rows
    return {
        row["code"]: Rule(row["code"], row["words"], row["if_given_up"], rank)
        for rank, row in enumerate(rows)
    }


def fit(part: LinePart) -> str:
    """The step that puts a part in its place."""
    return f"fit.{part.key}"


def _with_tighten(part: LinePart, steps: Steps) -> list[str]:
    return [fit(part)] + [f"tighten.{part.key}"] * ("tighten" in steps[part.key])


def own_steps(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """Warm, fit, tighten; fit, cool, grease."""
    order = ("warm", "fit", "tighten")
    after = ("fit", "cool", "grease")
    for key, does in steps.items():
        for wanted in (order, after):
            held = [each for each in wanted if each in does]
            yield from ((f"{a}.{key}", f"{b}.{key}") for a, b in pairwise(held))
        if "set" in does:
            yield f"fit.{key}", f"set.{key}"
        if "lock" in does:
            yield f"fit.{key}", f"lock.{key}"


def freed_first(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A transport ring or plug comes off before the part goes in."""
    for key, does in steps.items():
        if "free" in does:
            yield f"free.{key}", ("warm" if "warm" in does else "fit") + f".{key}"


# what a fastener holds ---------------------------------------------------------------------


def under_a_spring(shaft: Shaft, part: LinePart) -> bool:
    """Whether a fastener is the one that lies under the spring."""
    named = set(part.name.lower().split()) & UNDER_A_SPRING
    return bool(named) and any(each.kind == "spring" for each in shaft.parts.values())


def held_by(shaft: Shaft, part: LinePart) -> LinePart | None:
    """What a screw, or a fastener that hangs beside, holds: as stated, by its name, else the only cover."""
    said = part.fastener.also_holds if part.fastener else ""
    if part.kind != "screw" and not said and not (part.beside and part.kind == "nut"):
        return None
    if under_a_spring(shaft, part):
        return None
    others = [each for each in shaft.parts.values() if each is not part]
    if said:
        return shaft.meant(part, [each for each in others if each.kind not in SHAFTS], said)
    return shaft.meant(part, [each for each in others if each.kind in CARRIERS])


def held_before_screw(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """What it holds is in place before a fastener."""
    for part in shaft.parts.values():
        held = held_by(shaft, part)
        if held is not None:
            yield fit(held), fit(part)


def screws_before_wheel(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """Screws that a wheel hides are tight before it goes on."""
    for part in shaft.parts.values():
        held = held_by(shaft, part)
        if held is None:
            continue
        reach = shaft.size(held, "outside")
        for wheel in shaft.outward(held):
            over = shaft.size(wheel, "outside")
            if wheel.kind in WHEELS and (over is None or reach is None or over >= HIDES * reach):
                yield from ((step, fit(wheel)) for step in _with_tighten(part, steps))


def bolt_before_spring(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """The bolt under a spring is tight before the spring loads it."""
    springs = [each for each in shaft.parts.values() if each.kind == "spring"]
    for part in shaft.parts.values():
        if part.kind in ("screw", "nut") and under_a_spring(shaft, part):
            yield from ((step, fit(spring)) for spring in springs for step in _with_tighten(part, steps))


# what sits in what -------------------------------------------------------------------------


def _sits_in(shaft: Shaft, part: LinePart, cover: LinePart) -> bool:
    """Whether a ring has its seat in a cover: its outside is the cover's bore, or the cover's bore is not known."""
    outside, bore, rim = (
        shaft.size(part, "outside"),
        shaft.size(cover, "inside"),
        shaft.size(cover, "outside"),
    )
    if bore is not None and outside is not None:
        return abs(bore - outside) <= 0.02 * outside + SITS_MM
    return outside is None or rim is None or outside < rim


def _beside_each_other(shaft: Shaft, carrier: LinePart, kinds: frozenset[str]) -> Iterator[LinePart]:
    """The unbroken row of such parts on either side of a carrier."""
    for way in (shaft.inward(carrier), shaft.outward(carrier)):
        for each in way:
            if each.kind not in kinds:
                break
            yield each


def carried_by(shaft: Shaft, carrier: LinePart) -> tuple[LinePart, ...]:
    """What sits in a cover or gland, or on a piston."""
    if carrier.kind == "gland":
        return tuple(_beside_each_other(shaft, carrier, IN_A_GLAND))
    if carrier.kind == "piston":
        return tuple(_beside_each_other(shaft, carrier, ON_A_PISTON))
    if carrier.kind != "cover":
        return ()
    return tuple(
        each for each in _beside_each_other(shaft, carrier, IN_A_COVER) if _sits_in(shaft, each, carrier)
    )


def into_cover_first(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """Seals and cups are pressed into their cover or gland on the bench."""
    for carrier in shaft.along:
        if carrier.kind in CARRIERS:
            yield from ((fit(each), fit(carrier)) for each in carried_by(shaft, carrier))


def _tube(shaft: Shaft) -> LinePart | None:
    return next((each for each in shaft.parts.values() if each.kind == "tube"), None)


def dress_piston(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """Piston seals and wear bands go on the piston, and with it into the tube."""
    tube = _tube(shaft)
    for piston in shaft.along:
        if piston.kind == "piston":
            for each in carried_by(shaft, piston):
                yield fit(piston), fit(each)
                if tube is not None:
                    yield fit(each), fit(tube)


def closes_tube(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """All that is on the piston's end is tight before the tube closes round it."""
    tube = _tube(shaft)
    piston = next((each for each in shaft.along if each.kind == "piston"), None)
    if tube is None or piston is None:
        return
    for each in (piston, *shaft.outward(piston)):
        if each is not tube:
            yield from ((step, fit(tube)) for step in _with_tighten(each, steps))


def gland_before_piston(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """With an eye on the rod's other end the gland can only go on before the piston."""
    for gland in shaft.along:
        if gland.kind == "gland" and not any(each.kind == "nut" for each in shaft.outward(gland)):
            yield from ((fit(gland), fit(each)) for each in shaft.along if each.kind == "piston")


def _walled(shaft: Shaft, part: LinePart) -> LinePart | None:
    """The wall outside a ring that it cannot be put in through."""
    outside = shaft.size(part, "outside")
    for each in shaft.outward(part):
        if each.kind in CARRIERS:
            return None
        if each.kind == "housing":
            bore = shaft.size(each, "inside")
            return each if bore is None or outside is None or bore < outside - SITS_MM else None
    return None


def seal_before_bearing(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A seal behind a wall is seated before the bearing that closes its way; so is everything between."""
    for seal in shaft.along:
        wall = _walled(shaft, seal) if seal.kind in ("lip_seal", "face_seal") else None
        if wall is None:
            continue
        row = [seal]
        for each in shaft.inward(seal):
            row.append(each)
            if each.kind not in THIN:
                break
        if row[-1].kind in BEARINGS:
            yield fit(wall), fit(seal)
            yield from ((fit(a), fit(b)) for a, b in pairwise(row))


def cup_before_cone(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A cup in a casting is seated before its cone is in the way."""
    for cup in shaft.along:
        near = shaft.outward(cup)[:1]
        if cup.kind == "taper_cup" and near and near[0].kind in CASTINGS:
            yield fit(near[0]), fit(cup)
            for cone in shaft.inward(cup)[:1]:
                if cone.kind == "taper_cone":
                    yield fit(cup), fit(cone)


# what drives, and what a lip passes --------------------------------------------------------


def driven_by(shaft: Shaft, key: LinePart) -> LinePart | None:
    """What a key or pin drives: the wheel next to it, else the next one outward; from the bag by tag, name or as the only one."""
    if key.beside:
        choice = [each for each in shaft.along if each.kind in DRIVEN]
        tied = [each for each in shaft.tied_to(key) if each.kind in DRIVEN]
        return tied[0] if tied else shaft.meant(key, choice)
    near = [each for each in shaft.neighbours(key) if each.kind in DRIVEN]
    far = [each for each in shaft.outward(key) if each.kind in DRIVEN]
    return next(iter(near or far), None)


def key_before_driven(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """Keys and pins lie under what they drive."""
    for key in shaft.parts.values():
        driven = driven_by(shaft, key) if key.kind in ("key", "pin") else None
        if driven is not None:
            yield fit(key), fit(driven)


def before_edge(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A lip or ring passes an empty keyway, not a key."""
    for key in shaft.parts.values():
        driven = driven_by(shaft, key) if key.kind in ("key", "pin") else None
        if driven is None:
            continue
        for each in shaft.inward(driven):
            if each.kind in LIPS and (key.beside or shaft.is_outside(each, key)):
                yield fit(each), fit(key)


# small parts -------------------------------------------------------------------------------


def spacer_before_bearing(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A spacer from the tray goes behind the bearing that it is bound to."""
    for part in shaft.beside:
        if part.kind == "spacer":
            yield from ((fit(part), fit(each)) for each in shaft.tied_to(part) if each.kind in BEARINGS)


def shim_before_set(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A shim from its bag lies behind what it sets: what it is bound to, else the cover that its name says."""
    for part in shaft.beside:
        if part.kind == "shim":
            tied = [each for each in shaft.tied_to(part) if each.kind != "shim"]
            meant = shaft.meant(part, [each for each in shaft.along if each.kind in CARRIERS])
            yield from ((fit(part), fit(each)) for each in tied or ([meant] if meant else []))


def gasket_first(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A gasket lies under its cover."""
    covers = [each for each in shaft.along if each.kind in CARRIERS]
    for part in shaft.parts.values():
        if part.kind == "gasket":
            near = [each for each in shaft.neighbours(part) if each.kind in CARRIERS]
            cover = near[0] if near else shaft.meant(part, covers)
            if cover is not None:
                yield fit(part), fit(cover)


def washer_before_nut(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A washer lies under its nut or screw, outside what the nut holds."""
    nuts = [each for each in shaft.along if each.kind in THREADED]
    for part in shaft.parts.values():
        if part.kind not in ("washer", "lock_washer"):
            continue
        if part.beside:
            nut = shaft.meant(part, nuts)
        else:
            nut = next((each for each in reversed(shaft.neighbours(part)) if each.kind in THREADED), None)
        if nut is not None:
            yield fit(part), fit(nut)
            if part.beside:
                yield from ((fit(each), fit(part)) for each in shaft.inward(nut)[:1])


def ring_after_held(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A ring from the bag goes in behind the bearing whose shaft or bore it fits, before what lies outside."""
    for ring in shaft.beside:
        held = next((each for each in shaft.along if _ring_fits(shaft, ring, each)), None)
        if held is not None:
            yield fit(held), fit(ring)
            yield from ((fit(ring), fit(other)) for other in shaft.outward(held)[:1])


def _ring_fits(shaft: Shaft, ring: LinePart, bearing: LinePart) -> bool:
    """Whether a ring has the size to lie behind a bearing: in the shaft's groove or in the bore's."""
    inside, outside = shaft.size(ring, "inside"), shaft.size(ring, "outside")
    bore, rim = shaft.size(bearing, "inside"), shaft.size(bearing, "outside")
    if ring.kind != "circlip" or bearing.kind not in BEARINGS or inside is None or outside is None:
        return False
    on_shaft = bore is not None and RING_SHARE * bore <= inside < bore
    in_bore = rim is not None and rim < outside <= (2 - RING_SHARE) * rim
    return on_shaft or in_bore


def holds_on_shaft(shaft: Shaft, part: LinePart) -> bool:
    """Whether a nut or a ring of the shaft holds a bearing on it."""
    own = shaft.size(part, "inside")
    for each in shaft.outward(part):
        if each.kind in CLOSERS | CASTINGS:
            return False
        bore = shaft.size(each, "inside")
        if each.kind == "nut":
            return True
        if each.kind == "circlip":
            return own is None or bore is None or bore < own
    return False


def retained_end_first(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """The end whose bearing is held on the shaft is built first, when the other is held in its casting only."""
    rows = [[each for each in end if each.kind in BEARINGS] for end in shaft.ends]
    held = [any(holds_on_shaft(shaft, each) for each in row) for row in rows]
    if not all(rows) or held[0] == held[1]:
        return
    first, second = (0, 1) if held[0] else (1, 0)
    ring = next(each for each in shaft.ends[first] if each.kind in ("nut", "circlip"))
    yield from ((fit(ring), fit(each)) for each in rows[second])


def before_closing(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """What lies in the casing is there before the last cover."""
    covers = [each for each in shaft.along if each.kind in CARRIERS]
    last = shaft.last(lambda each: each.kind in CARRIERS)
    for part in shaft.beside:
        if part.kind in SHUT_IN and last is not None:
            yield fit(part), fit(shaft.meant(part, covers) or last)


# heat, grease, settings --------------------------------------------------------------------


def cool_first(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A warm bearing has cooled before rubber comes near it: the next outward, and what lies behind it."""
    for key, does in steps.items():
        if "cool" not in does:
            continue
        part = shaft.parts[key]
        for way in (shaft.outward(part), shaft.inward(part)):
            for each in way:
                if each.kind in RUBBER and (way is not shaft.inward(part) or _walled(shaft, each)):
                    yield f"cool.{key}", fit(each)
                if each.kind in WHEELS | SHAFTS:
                    break


def grease_before_closing(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A bearing is greased before what closes it."""
    behind = {before for before, _ in seal_before_bearing(shaft, steps)}
    for key, does in steps.items():
        if "grease" in does:
            for each in shaft.outward(shaft.parts[key]):
                if each.kind in CLOSERS and fit(each) not in behind:
                    yield f"grease.{key}", fit(each)


def set_last(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """Settings come when everything on the line is in and tight."""
    for key, does in steps.items():
        if "set" in does:
            for other in shaft.parts.values():
                yield from ((step, f"set.{key}") for step in _with_tighten(other, steps))


def lock_after_torque(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """A tab, pin or wire locks what is tight and set."""
    for key, does in steps.items():
        if "lock" in does:
            yield from ((f"{each}.{key}", f"lock.{key}") for each in ("tighten", "set") if each in does)


def line_reversed(shaft: Shaft, steps: Steps) -> Iterator[Pair]:
    """From the shaft outward; where a neighbour gave way, `chains` hold the order of what lies beyond."""
    for chain in chains(shaft):
        yield from pairwise(chain)


def chains(shaft: Shaft) -> list[list[str]]:
    """The steps of each end from the shaft outward."""
    middle = [shaft.middle] if shaft.middle else []
    return [[fit(each) for each in (*middle, *end)] for end in shaft.ends]


RULES: dict[str, Callable[[Shaft, Steps], Iterator[Pair]]] = {
    rule.__name__: rule
    for rule in (
        own_steps, freed_first, held_before_screw, into_cover_first, dress_piston, closes_tube, gland_before_piston,
        seal_before_bearing, cup_before_cone, key_before_driven, before_edge, bolt_before_spring, spacer_before_bearing,
        shim_before_set, gasket_first, washer_before_nut, ring_after_held, screws_before_wheel, retained_end_first,
        before_closing, cool_first, grease_before_closing, set_last, lock_after_torque, line_reversed,
    )
}  # fmt: skip
