"""The fit-up plan: the strip-down reversed into steps, each where its constraints put it."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import Literal, cast

from ample.core.assembly.facing import Facing, facing_of
from ample.core.assembly.fit_up.order import Clash, OrderedPair, ordered
from ample.core.assembly.fit_up.places import CASTINGS, SHAFTS, FittedPart, Shaft, every_word, name_words
from ample.core.assembly.fit_up.rules import RULES, Steps, chains, fit_up_rules
from ample.core.assembly.fit_up.steps import (
    ORDER,
    WAITING,
    Does,
    Edge,
    StepFace,
    Torque,
    detail,
    label,
    steps_of,
)
from ample.core.assembly.fit_up.words import caution_words, lubricant_words, said, text, title
from ample.core.assembly.kinds import part_kinds
from ample.core.assembly.line import LineSheet, LooseItem
from ample.core.errors import BadInput
from ample.core.fits.mounting import Chilling, Driver, Warming

MOST_REASONS = 3
USUAL_SHOP = frozenset(("heater", "press", "freezer"))


@dataclass(frozen=True)
class Note:
    """A code with its words."""

    code: str
    words: str


@dataclass(frozen=True)
class Because:
    """Why a step is where it is: the rule, and the step that it comes before or after."""

    code: str
    words: str
    before: str
    after: str


@dataclass(frozen=True)
class FitUpStep:
    """One step of the sheet."""

    key: str
    does: Does
    verb: str
    part: str
    line: str
    title: str
    words: str
    faces: tuple[StepFace, ...]
    tool: Driver | None
    warming: Warming | None
    chilling: Chilling | None
    lubricant: Note | None
    grease_g: float | None
    torque: Torque | None
    passes: tuple[Edge, ...]
    check: Note
    stop_if: tuple[Note, ...]
    cautions: tuple[Note, ...]
    because: tuple[Because, ...]
    same_on: int
    comes_from: Literal["", "left", "right"]


@dataclass(frozen=True)
class FitUpConflict:
    """Two rules that cannot both be kept: the steps, the rule given up, those it conflicts with, and what it means."""

    code: str
    before: str
    after: str
    against: tuple[str, ...]
    parts: tuple[str, ...]
    words: str


@dataclass(frozen=True)
class OnNoStep:
    """What came out loose and is on no step."""

    key: str
    what: str
    count: int


@dataclass(frozen=True)
class FitUpPlan:
    """The steps in order, what could not be kept, and what is on no step."""

    steps: tuple[FitUpStep, ...]
    conflicts: tuple[FitUpConflict, ...]
    on_no_step: tuple[OnNoStep, ...]


def fit_up_plan(
    sheet: LineSheet, fitted: Iterable[FittedPart] = (), shop: Iterable[str] = USUAL_SHOP
) -> FitUpPlan:
    """Reverse a strip-down into the steps of fitting up.

    Formula: a partial order of what must come before what (rules.csv, the firmest first; what contradicts a firmer rule
    gives way and is told), sorted so that free steps come in the order of the line reversed, waiting as late as it can.

    Args:
        sheet: The strip-down.
        fitted: What goes in the place of its parts, as far as it is known.
        shop: What there is: "heater", "press", "freezer".

    Returns:
        Every part of the strip-down on exactly one step `fit`, with the steps that belong to it.

    Raises:
        BadInput: At `requirements` when one names a part that is not on the sheet, or twice; at a part of an unknown kind.

    Source: common practice; topological sorting.

    Example:
        >>> sheet = LineSheet.model_validate({"lines": [{"key": "main", "name": "shaft", "inside": "oil"}], "parts": [
        ...     {"key": "nut1", "line": "main", "kind": "nut"}, {"key": "ball", "line": "main", "kind": "ball_bearing"},
        ...     {"key": "axle", "line": "main", "kind": "shaft"}]})
        >>> [each.key for each in fit_up_plan(sheet).steps]
        ['fit.axle', 'fit.ball', 'fit.nut1', 'tighten.nut1']
    """
    known = _known(sheet, fitted)
    for place, part in enumerate(sheet.parts):
        if part.kind not in part_kinds():
            words = f"Unknown kind of part “{part.kind[:30]}”."
            raise BadInput("no_such_kind", words, f"sheet.parts[{place}].kind")
    have = frozenset(shop)
    steps: list[FitUpStep] = []
    conflicts: list[FitUpConflict] = []
    for line in sheet.lines:
        shaft = Shaft(sheet, line, known)
        does = steps_of(shaft, have)
        keys, held, clashes = order_of(shaft, does)
        facing = facing_of(line, shaft.along)
        steps += _described(shaft, keys, held, facing, have)
        conflicts += [_told(shaft, each) for each in clashes]
    return FitUpPlan(tuple(steps), tuple(conflicts), on_no_step(sheet))


def _known(sheet: LineSheet, fitted: Iterable[FittedPart]) -> dict[str, FittedPart]:
    keys = {each.key for each in sheet.parts}
    found: dict[str, FittedPart] = {}
    for number, each in enumerate(fitted):
        if each.part not in keys or each.part in found:
            raise BadInput(
                "no_such_part",
                "That part is not on the strip-down, or is named twice.",
                f"requirements[{number}].part",
            )
        found[each.part] = each
    return found


def order_of(
    shaft: Shaft, does: Steps, left_out: frozenset[str] = frozenset()
) -> tuple[list[str], list[OrderedPair], list[Clash]]:
    """The steps of one line in order; `left_out` names rules that are not asked (how a rule is shown to matter)."""
    places = {
        f"{each}.{key}": _place(shaft, key, each, "line_reversed" in left_out)
        for key, row in does.items()
        for each in row
    }
    quiet = frozenset(("line_reversed", "before_closing"))
    rows = () if "line_reversed" in left_out else chains(shaft)
    return ordered(places, _pairs(shaft, does, left_out), quiet, rows)


def _pairs(shaft: Shaft, does: Steps, left_out: frozenset[str]) -> Iterator[tuple[str, str, str]]:
    for code in fit_up_rules():
        if code not in left_out:
            yield from ((before, after, code) for before, after in RULES[code](shaft, does))


def _place(shaft: Shaft, key: str, does: str, as_noted: bool) -> tuple[float, ...]:
    """Where a step comes when nothing decides: the shaft and castings, left end, right end, tray; what waits."""
    part = shaft.parts[key]
    step = ORDER.index(does)
    phase = 2 if does in WAITING else 0
    if as_noted:
        noted = list(shaft.parts).index(key)
        return (phase, 0, noted, step)
    at = shaft.standing.get(key)
    if at is not None:
        return (phase, 1 + at.side, at.out, step)
    if part.kind in CASTINGS | SHAFTS:
        return (phase, -1, list(shaft.parts).index(key), step)
    return (max(phase, 1), 0, list(shaft.parts).index(key), step)


def _described(
    shaft: Shaft, keys: list[str], held: list[OrderedPair], facing: dict[str, Facing], shop: frozenset[str]
) -> Iterator[FitUpStep]:
    rules = fit_up_rules()
    why: dict[str, list[Because]] = {}
    for each in held:
        if each.code not in ("own_steps", "line_reversed"):
            told = Because(each.code, rules[each.code].words, each.before, each.after)
            for key in (each.after,) if each.code == "set_last" else (each.before, each.after):
                why.setdefault(key, []).append(told)
    for key in keys:
        does, _, part_key = key.partition(".")
        part, new = shaft.parts[part_key], shaft.fitted.get(part_key)
        step = detail(shaft, part, cast(Does, does), facing.get(part_key), shop)
        reasons = {each.code: each for each in reversed(why.get(key, []))}
        yield FitUpStep(
            key=key, does=step.does, verb=step.verb, part=part_key, line=shaft.line.key, title=title(part, new),
            words=said(part, new, step), faces=step.faces, tool=step.driver, warming=step.warming, chilling=step.chilling,
            lubricant=Note(step.lubricant, lubricant_words(step, new)) if step.lubricant else None,
            grease_g=step.grease_g, torque=step.torque, passes=step.passes,
            check=Note(step.check, text("check", step.check)),
            stop_if=tuple(Note(code, text("stop", code)) for code in step.stop_if),
            cautions=tuple(Note(code, caution_words(code, new)) for code in step.cautions),
            because=tuple(reversed(list(reasons.values())))[:MOST_REASONS], same_on=shaft.line.count,
            comes_from=_side(shaft, part_key),
        )  # fmt: skip


def _side(shaft: Shaft, key: str) -> Literal["", "left", "right"]:
    at = shaft.standing.get(key)
    return "" if at is None or at.side < 0 else "right" if at.side else "left"


def _told(shaft: Shaft, clash: Clash) -> FitUpConflict:
    rules = fit_up_rules()
    keys = [each.partition(".")[2] for each in (clash.before, clash.after)]
    names = [label(shaft.parts[key]) for key in keys]
    against = " ".join(rules[code].words for code in clash.against if code != "own_steps")
    words = f"The {names[0]} and the {names[1]}: {rules[clash.code].words} But: {against} {rules[clash.code].if_given_up}"
    return FitUpConflict(
        clash.code,
        clash.before,
        clash.after,
        clash.against,
        tuple(dict.fromkeys(keys)),
        re.sub(r"\s+", " ", words).strip(),
    )


def on_no_step(sheet: LineSheet) -> tuple[OnNoStep, ...]:
    """Loose items that no part of the lines answers to: by kind or name.

    Args:
        sheet: The strip-down.

    Returns:
        What lies in the tray and is on no step.

    Raises:
        Nothing.

    Source: common practice: what is left over was left out.

    Example:
        >>> sheet = LineSheet.model_validate({"loose": [{"key": "pins", "what": "split pins", "came_out": 2}]})
        >>> on_no_step(sheet)[0].count
        2
    """
    return tuple(
        OnNoStep(each.key, each.what, each.came_out)
        for each in sheet.loose
        if each.came_out and not _has_step(sheet, each)
    )


def _has_step(sheet: LineSheet, item: LooseItem) -> bool:
    """By the words that tell parts apart, all of them; else by any word of the kind."""
    telling, plain = name_words(item.what), every_word(item.what)
    for part in sheet.parts:
        own = every_word(f"{part.name} {part_kinds()[part.kind].words} {part.kind}")
        if telling <= own if telling else bool(plain & own):
            return True
    return False
