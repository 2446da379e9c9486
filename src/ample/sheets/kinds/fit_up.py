"""Fitting up."""

from __future__ import annotations

from ample.core.assembly import LineSheet
from ample.core.assembly.fit_up.plan import FitUpStep
from ample.core.assembly.fit_up.sheet import (
    FitUpFacts,
    FitUpJudged,
    FitUpSheet,
    check_fit_up,
    judge_fit_up,
    may_assemble,
)
from ample.sheets.kind import Columns, SheetKind, Table

HEADINGS = ("no.", "step", "orientation", "driver", "lubricant", "torque", "check", "done", "reached", "note")


def tables(sheet: FitUpSheet, judged: FitUpJudged | None) -> tuple[Table, ...]:
    """What was ticked; with the plan its steps in order, what could not be kept and what is on no step."""
    ticks = {each.key: each for each in sheet.ticks}
    rows = [(each.key.replace(".", " "), each.reached, each.note) for each in sheet.ticks]
    ticked = Table("ticked", ("step", "reached", "note"), tuple(rows))
    if judged is None:
        return (ticked,)
    steps = []
    for number, step in enumerate(judged.steps, 1):
        tick = ticks.get(step.key)
        steps.append((
            str(number), step.words, _faces(step), _driver(step), step.lubricant.words if step.lubricant else "",
            _torque(step), step.check.words, "done" if tick else "", tick.reached if tick else "",
            tick.note if tick else "",
        ))  # fmt: skip
    given_up = [(each.words,) for each in judged.conflicts]
    left = [(each.what, str(each.count)) for each in judged.on_no_step]
    return (
        ticked,
        Table("fit-up", HEADINGS, tuple(steps)),
        Table("cannot be kept", ("what", ), tuple(given_up)),
        Table("in no step", ("what", "removed"), tuple(left)),
    )  # fmt: skip


def _faces(step: FitUpStep) -> str:
    return "; ".join(
        f"{each.mark.replace('_', ' ')} {each.side}"
        + (f" to {each.looks_at.replace('_', ' ')}" if each.looks_at else "")
        for each in step.faces
    )


def _driver(step: FitUpStep) -> str:
    tool = step.tool
    if tool is None:
        return ""
    inside = f"inside over {tool.inside_over_mm:g}" if tool.inside_over_mm is not None else ""
    outside = f"outside under {tool.outside_under_mm:g}" if tool.outside_under_mm is not None else ""
    return f"{tool.ring}: {inside} {outside} mm".replace("  ", " ")


def _torque(step: FitUpStep) -> str:
    if step.torque is None:
        return ""
    return f"{step.torque.recorded:g} {step.torque.unit}" if step.torque.recorded else "no value known"


def columns(sheet: FitUpSheet) -> Columns:
    """How many steps are ticked, and whether it is together."""
    return {"ticked": (float(len(sheet.ticks)),), "together": (float(sheet.together),)}


FIT_UP = SheetKind(
    name="fit_up",
    title="Fit-up",
    subject="job",
    sheet=FitUpSheet,
    facts=FitUpFacts,
    judged=FitUpJudged,
    judge=judge_fit_up,
    tables=tables,
    check=check_fit_up,
    may_save=may_assemble,
    columns=columns,
    shown={"strip_down": LineSheet},
)
