"""Set and prove, judged: what is open, what is right, and whether the job can be closed."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from statistics import fmean, stdev
from typing import Literal

from ample.core.assembly.end_play import end_play
from ample.core.assembly.proof.checks import checks_of, proposed_by
from ample.core.assembly.proof.judged import (
    ComparedJudged,
    CurvePoint,
    FillJudged,
    OpenPoint,
    PlayJudged,
    ProofCheck,
    ProofFacts,
    ProofJudged,
    RunJudged,
    SetJudged,
    State,
)
from ample.core.assembly.proof.sheet import Fill, PlaySet, ProofSheet, RunStep, SetPoint
from ample.core.assembly.run_in import FEWEST, RunIn, run_in
from ample.core.errors import BadInput
from ample.core.sizes import parse_length
from ample.core.sizes.figures import plain_figure

SIDES_DIFFER = 0.1  # two sides filled further apart than this are looked at again
CURVE_POINTS = 40
CURVE_TAUS = 3.5
FEWEST_WORDS = 4


def judge_proof(sheet: ProofSheet, facts: ProofFacts) -> ProofJudged:
    """Judge what was set and proved, and gather what prevents closing.

    Formula: a set point is the mean of its readings with U = 2·√((U₁/2)² + s²/n); it is right when it lies within its limits,
    unsure when its uncertainty reaches over one. Plays by `end_play`, runs by `run_in`.

    Args:
        sheet: What was typed.
        facts: The strip-down, what fitting up left open, and today.

    Returns:
        Each judged, and what is open: readings, checks, torques, tasks without a day.

    Raises:
        BadInput: At a figure that cannot be read.

    Source: JCGM 100 (GUM) for U; common practice.

    Example:
        >>> from datetime import date
        >>> from ample.core.assembly.line import LineSheet
        >>> judge_proof(ProofSheet(), ProofFacts(LineSheet(), (), date(2026, 1, 1))).open
        ()
    """
    points = tuple(_point(f"sheet.set_points[{n}]", each) for n, each in enumerate(sheet.set_points))
    plays = tuple(_play(f"sheet.plays[{n}]", each) for n, each in enumerate(sheet.plays))
    fills = _fills(sheet.fills)
    runs = tuple(_run(f"sheet.runs[{n}]", each) for n, each in enumerate(sheet.runs))
    checks = tuple(checks_of(sheet, facts.strip_down))
    compared = tuple(
        ComparedJudged(each.key, *_changed(f"sheet.compared[{n}]", each.before, each.after))
        for n, each in enumerate(sheet.compared)
    )
    changes = [each for each in sheet.changes if each.what.strip()]
    helped: Literal["", "known", "not_known"] = ""
    if changes and any(each.change for each in compared):
        helped = "known" if len(changes) == 1 else "not_known"
    late = tuple(
        each.key for each in sheet.tasks if not each.done and each.due is not None and each.due < facts.today
    )
    found = (points, plays, fills, runs, checks)
    there = {each.key for rows in (sheet.set_points, sheet.plays, sheet.tasks) for each in rows}
    proposed = tuple(each for each in proposed_by(facts.strip_down) if each.key not in there)
    return ProofJudged(*found, compared, helped, tuple(_open(sheet, facts, *found)), late, proposed)


def set_values(sheet: ProofSheet) -> Iterator[str]:
    """What was set, in words: set points and end plays that were read.

    Args:
        sheet: What was typed.

    Returns:
        One saying each.

    Raises:
        BadInput: At a figure that cannot be read.

    Example:
        >>> list(set_values(ProofSheet.model_validate({"set_points": [{"key": "aaaa", "what": "gap", "readings": ["0,4"]}]})))
        ['gap 0.4 mm']
    """
    for number, point in enumerate(sheet.set_points):
        value = _point(f"sheet.set_points[{number}]", point).value
        if value is not None:
            yield f"{point.what} {value:g} {point.unit}".strip()
    for number, placed in enumerate(sheet.plays):
        play = _play(f"sheet.plays[{number}]", placed).play
        if play is not None:
            yield f"end play of {placed.what} {play.play_mm:.3f} mm"


# figures -----------------------------------------------------------------------------------


def _mm(text: str, field: str) -> float | None:
    """A dial: a plain figure is mm and may be below zero; else a length as people write it."""
    try:
        return plain_figure(text, field)
    except BadInput:
        try:
            return parse_length(text).mm
        except BadInput as error:
            raise BadInput(error.code, error.message, field, error.hint) from error


def _state(value: float, expanded: float, least: float | None, most: float | None) -> State:
    near = 1e-9
    if least is None and most is None:
        return "open"
    sides = [
        -1
        if least is not None and each < least - near
        else 1
        if most is not None and each > most + near
        else 0
        for each in (value - expanded, value, value + expanded)
    ]
    if len(set(sides)) > 1:
        return "unsure"
    return {-1: "low", 0: "right", 1: "high"}[sides[1]]  # type: ignore[return-value]


def _point(field: str, each: SetPoint) -> SetJudged:
    if each.least is not None and each.most is not None and each.least > each.most:
        raise BadInput("bad_range", "The minimum is above the maximum.", f"{field}.least")
    read = [plain_figure(text, f"{field}.readings[{n}]") for n, text in enumerate(each.readings)]
    values = [value for value in read if value is not None]
    if not values:
        return SetJudged(each.key, "open", None, None)
    mean = fmean(values)
    scatter = stdev(values) / math.sqrt(len(values)) if len(values) > 1 else 0.0
    expanded = 2 * math.hypot(each.doubt / 2, scatter)
    return SetJudged(
        each.key, _state(mean, expanded, each.least, each.most), round(mean, 4), round(expanded, 4)
    )


def _play(field: str, each: PlaySet) -> PlayJudged:
    pairs = []
    for n, pair in enumerate(each.pairs):
        pushed = _mm(pair.pushed, f"{field}.pairs[{n}].pushed")
        pulled = _mm(pair.pulled, f"{field}.pairs[{n}].pulled")
        if pushed is not None and pulled is not None:
            pairs.append((pushed, pulled))
    leaves = [plain_figure(text, f"{field}.leaves") or 0.0 for text in each.leaves.replace(";", " ").split()]
    if each.least_mm is not None and each.most_mm is not None and each.least_mm > each.most_mm:
        raise BadInput("bad_range", "The minimum is above the maximum.", f"{field}.least_mm")
    if not pairs or each.least_mm is None or each.most_mm is None:
        return PlayJudged(each.key, None)
    try:
        return PlayJudged(
            each.key, end_play(pairs, each.least_mm, each.most_mm, each.dial_mm, each.pitch_mm, leaves)
        )
    except BadInput as error:
        name = "leaves" if error.field == "leaves_mm" else "pairs"
        raise BadInput(error.code, error.message, f"{field}.{name}", error.hint) from error


def _fills(fills: Sequence[Fill]) -> tuple[FillJudged, ...]:
    read = [plain_figure(each.filled_l, f"sheet.fills[{n}].filled_l") for n, each in enumerate(fills)]
    found = []
    for each, litres in zip(fills, read, strict=True):
        other = next(
            (
                value
                for one, value in zip(fills, read, strict=True)
                if each.side and one.side and one.side != each.side
                and one.what.strip().casefold() == each.what.strip().casefold()
            ),
            None,
        )  # fmt: skip
        found.append(_fill(each, litres, other))
    return tuple(found)


def _fill(each: Fill, litres: float | None, other: float | None) -> FillJudged:
    if litres is None or not each.level:
        missing = "by volume" if litres is None else "by level"
        return FillJudged(each.key, "open", f"Not measured yet: {missing}.")
    if each.level != "right":
        words = "too low" if each.level == "low" else "too high"
        return FillJudged(each.key, each.level, f"The level is {words}, whatever was filled.")
    if each.wanted_l is not None and abs(litres / each.wanted_l - 1) > SIDES_DIFFER:
        less = "less" if litres < each.wanted_l else "more"
        words = f"The level is right with {litres:g} l, {less} than the {each.wanted_l:g} l wanted: trapped air, or old oil left in?"
        return FillJudged(each.key, "unsure", words)
    if other is not None and abs(litres - other) > SIDES_DIFFER * max(litres, other):
        words = f"The sides took {litres:g} and {other:g} l: check the smaller one for air or a leak."
        return FillJudged(each.key, "unsure", words)
    return FillJudged(each.key, "right", "Right by volume and by level.")


def _run(field: str, each: RunStep) -> RunJudged:
    if each.limit_c <= each.ambient_c:
        raise BadInput(
            "bad_limit", "The limit must be above the temperature at the start.", f"{field}.limit_c"
        )
    read = []
    for n, reading in enumerate(each.readings):
        minute = plain_figure(reading.minute, f"{field}.readings[{n}].minute")
        temperature = plain_figure(reading.temperature_c, f"{field}.readings[{n}].temperature_c")
        if minute is not None and temperature is not None:
            if not 0 <= minute <= 100_000:
                raise BadInput("bad_minute", "Minutes count from the start.", f"{field}.readings[{n}].minute")
            read.append((minute, temperature))
    if not read:
        return RunJudged(each.key, None, (), None, FEWEST)
    read.sort()
    found = run_in(read, each.ambient_c, each.limit_c)
    rise = None
    if len(read) > 1 and read[-1][0] > read[-2][0]:
        rise = round((read[-1][1] - read[-2][1]) / (read[-1][0] - read[-2][0]), 2)
    more = max(0, FEWEST - sum(minute > 0 for minute, _ in read))
    return RunJudged(each.key, found, tuple(_curve(found, each.ambient_c, read[-1][0])), rise, more)


def _curve(found: RunIn, ambient_c: float, last_minute: float) -> Iterator[CurvePoint]:
    if found.settles_at_c is None or found.time_constant_min is None:
        return
    rise = found.settles_at_c.likely - ambient_c
    until = max(last_minute, CURVE_TAUS * found.time_constant_min)
    for step in range(CURVE_POINTS + 1):
        minute = until * step / CURVE_POINTS
        share = 1 - math.exp(-minute / found.time_constant_min)
        yield CurvePoint(round(minute, 2), round(ambient_c + rise * share, 2))


def _changed(field: str, before: str, after: str) -> tuple[float | None, float | None]:
    one, two = plain_figure(before, f"{field}.before"), plain_figure(after, f"{field}.after")
    if one is None or two is None:
        return None, None
    return round(two - one, 4), round(100 * (two / one - 1), 1) if one else None


# what is open ------------------------------------------------------------------------------


def _open(
    sheet: ProofSheet, facts: ProofFacts, points: Sequence[SetJudged], plays: Sequence[PlayJudged],
    fills: Sequence[FillJudged], runs: Sequence[RunJudged], checks: Sequence[ProofCheck],
) -> Iterator[OpenPoint]:  # fmt: skip
    yield from (OpenPoint("torque", each.key, each.words) for each in facts.fit_up_open)
    for typed, point in zip(sheet.set_points, points, strict=True):
        if point.state != "right":
            loose = " Left loose until then." if typed.left_loose else ""
            words = {"open": "is not set", "unsure": "cannot be decided"}.get(
                point.state, "is outside its limits"
            )
            yield OpenPoint("set_point", point.key, f"{typed.what or 'A set point'} {words}.{loose}")
    for placed, play in zip(sheet.plays, plays, strict=True):
        if play.play is None or play.play.decision != "right":
            words = "is not measured" if play.play is None else f"is {play.play.decision}"
            yield OpenPoint(
                "play", play.key, f"End play{f' of {placed.what}' if placed.what else ''} {words}."
            )
    for poured, fill in zip(sheet.fills, fills, strict=True):
        if fill.state != "right":
            yield OpenPoint("fill", fill.key, f"{poured.what or 'A fill'}: {fill.words}")
    for stepped, run in zip(sheet.runs, runs, strict=True):
        if run.run is None or run.run.decision != "continue":
            words = (
                "has no reading"
                if run.run is None
                else {"stop": "must stop", "watch": "has not settled"}[run.run.decision]
            )
            yield OpenPoint("run", run.key, f"{stepped.what or 'A run'} {words}.")
    for check in checks:
        if check.state != "holds":
            words = "failed" if check.state == "fails" else "is not checked"
            yield OpenPoint("check", check.key, f"{check.words} ({check.of}) {words}. {check.why}".strip())
    for task in sheet.tasks:
        if not task.done and task.due is None:
            yield OpenPoint("task", task.key, f"{task.what or 'A task'} has no due date.")


def check_proof(sheet: ProofSheet, facts: ProofFacts) -> None:
    """Refuse a sheet with a figure that cannot be read, or two rows of one key.

    Args:
        sheet: What was typed.
        facts: The strip-down, what fitting up left open, and today.

    Raises:
        BadInput: At the field of the sheet.

    Example:
        >>> from datetime import date
        >>> from ample.core.assembly.line import LineSheet
        >>> check_proof(ProofSheet(), ProofFacts(LineSheet(), (), date(2026, 1, 1)))
    """
    for name in ("set_points", "plays", "fills", "runs", "checks", "tasks", "compared", "changes"):
        keys = [each.key for each in getattr(sheet, name)]
        if len(set(keys)) != len(keys):
            raise BadInput("same_key", "Two rows have the same key.", f"sheet.{name}")
    judge_proof(sheet, facts)


def may_close(sheet: ProofSheet, facts: ProofFacts) -> None:
    """Refuse a job that is closed over open points without a reason.

    Args:
        sheet: What was typed.
        facts: The strip-down, what fitting up left open, and today.

    Raises:
        BadInput: At `sheet.reason`.

    Example:
        >>> from datetime import date
        >>> from ample.core.assembly.line import LineSheet
        >>> may_close(ProofSheet(closed=True), ProofFacts(LineSheet(), (), date(2026, 1, 1)))
    """
    if not sheet.closed or len(sheet.reason.strip()) >= FEWEST_WORDS:
        return
    found = judge_proof(sheet, facts).open
    if found:
        points = "1 point is" if len(found) == 1 else f"{len(found)} points are"
        raise BadInput(
            "points_open",
            f"{points} open.",
            "sheet.reason",
            "Settle them, or give a reason for closing anyway.",
        )
