"""The fit-up sheet: which steps are done, what was reached, how a person chose to do them."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field

from ample.core.assembly.fasteners import torque_nm
from ample.core.assembly.fit_up.places import FittedPart, Way
from ample.core.assembly.fit_up.plan import FitUpConflict, FitUpPlan, FitUpStep, OnNoStep, fit_up_plan
from ample.core.assembly.line import Key, LineSheet
from ample.core.errors import BadInput
from ample.core.sheet import Sheet
from ample.core.sizes.figures import plain_figure

StepKey = Annotated[str, Field(pattern=r"^[a-z]{3,8}\.[a-z0-9]{4,24}$")]
TorqueUnit = Literal["N·m", "ft-lb", "in-lb"]
ShopTool = Literal["heater", "press", "freezer"]
MOST_TICKS = 4000
REACHED_SHARE = 0.1  # a torque further off than this was not reached
FEWEST_WORDS = 4
MOST_TORQUE = 1e6


class Tick(Sheet):
    """A step that is done, with the torque that was reached as it was typed, in the wrench's unit."""

    key: StepKey
    reached: str = Field(default="", max_length=20)
    note: str = Field(default="", max_length=200)


class PartChoice(Sheet):
    """How a person chose to fit a part, and what came with it that is not fitted."""

    key: Key
    way: Way = ""
    supplied_with: str = Field(default="", max_length=60)


class FitUpSheet(Sheet):
    """What is kept of fitting up."""

    ticks: tuple[Tick, ...] = Field(default=(), max_length=MOST_TICKS)
    choices: tuple[PartChoice, ...] = Field(default=(), max_length=400)
    shop: tuple[ShopTool, ...] = Field(default=("heater", "press", "freezer"), max_length=3)
    wrench: TorqueUnit = "N·m"
    worked_s: int = Field(default=0, ge=0, le=10_000_000)
    running_since: datetime | None = None
    together: bool = False
    reason: str = Field(default="", max_length=300)


@dataclass(frozen=True)
class FitUpFacts:
    """What the judge of fitting up has to know beside the sheet; `off_line` are parts of the tray that no line holds."""

    strip_down: LineSheet
    to_fit: tuple[FittedPart, ...]
    off_line: tuple[str, ...] = ()


@dataclass(frozen=True)
class TorqueReached:
    """What the wrench said, in N·m, against what was recorded; None where nothing was."""

    key: str
    n_m: float
    off_percent: float | None
    holds: bool | None


@dataclass(frozen=True)
class FitUpJudged:
    """The plan with how far it has come."""

    steps: tuple[FitUpStep, ...]
    conflicts: tuple[FitUpConflict, ...]
    on_no_step: tuple[OnNoStep, ...]
    off_line: tuple[str, ...]
    next: str
    left: tuple[str, ...]
    reached: tuple[TorqueReached, ...]
    not_on_plan: tuple[str, ...]


def judge_fit_up(sheet: FitUpSheet, facts: FitUpFacts) -> FitUpJudged:
    """The steps of fitting up with what is done, what comes next, and torques against what was recorded.

    Args:
        sheet: What was ticked, typed and chosen.
        facts: The strip-down, and what goes in the place of its parts.

    Returns:
        The plan of `fit_up_plan` with the choices of the sheet; the first step that is not ticked; ticks of steps that
        are on the plan no longer.

    Raises:
        BadInput: At a torque that cannot be read.

    Source: common practice; a torque within 10 % of the recorded one counts as reached.

    Example:
        >>> judge_fit_up(FitUpSheet(), FitUpFacts(LineSheet(), ())).next
        ''
    """
    plan = _plan(sheet, facts)
    keys = [each.key for each in plan.steps]
    ticked = {each.key for each in sheet.ticks}
    left = tuple(key for key in keys if key not in ticked)
    asked = {each.key: each.torque for each in plan.steps if each.torque}
    reached = []
    for number, tick in enumerate(sheet.ticks):
        if tick.reached.strip() and tick.key in asked:
            n_m = torque_nm(read_torque(tick.reached, f"sheet.ticks[{number}].reached"), sheet.wrench)
            wanted = asked[tick.key].amount
            off = None if wanted is None else round(100 * (n_m / wanted.n_m - 1), 1)
            holds = None if off is None else abs(off) <= 100 * REACHED_SHARE
            reached.append(TorqueReached(tick.key, round(n_m, 2), off, holds))
    gone = tuple(each.key for each in sheet.ticks if each.key not in set(keys))
    return FitUpJudged(
        plan.steps,
        plan.conflicts,
        plan.on_no_step,
        facts.off_line,
        next(iter(left), ""),
        left,
        tuple(reached),
        gone,
    )


def _plan(sheet: FitUpSheet, facts: FitUpFacts) -> FitUpPlan:
    """The plan with what a person chose; choices for parts that have left the strip-down say nothing."""
    known = {each.part: each for each in facts.to_fit}
    on_line = {each.key for each in facts.strip_down.parts}
    for choice in sheet.choices:
        if choice.key in on_line:
            own = known.get(choice.key, FittedPart(part=choice.key))
            changed = {"supplied_with": choice.supplied_with} | ({"way": choice.way} if choice.way else {})
            known[choice.key] = own.model_copy(update=changed)
    return fit_up_plan(
        facts.strip_down, [each for each in known.values() if each.part in on_line], sheet.shop
    )


def read_torque(text: str, field: str) -> float:
    """A torque as it was typed.

    Args:
        text: A figure, with a comma or a point.
        field: Where it is.

    Returns:
        The figure, above 0.

    Raises:
        BadInput: At the field.

    Source: common practice.

    Example:
        >>> read_torque("22,5", "reached")
        22.5
    """
    found = plain_figure(text, field, "Enter the number only, in the wrench's unit.")
    if found is None or not 0 < found <= MOST_TORQUE:
        raise BadInput(
            "no_torque",
            f"“{text[:20]}” is not a torque value.",
            field,
            "Enter the number only, in the wrench's unit.",
        )
    return found


def check_fit_up(sheet: FitUpSheet, facts: FitUpFacts) -> None:
    """Refuse a torque that cannot be read, or a step that is ticked twice.

    Args:
        sheet: What was ticked and typed.
        facts: The strip-down, and what goes in the place of its parts.

    Raises:
        BadInput: At the field of the sheet.

    Example:
        >>> check_fit_up(FitUpSheet(), FitUpFacts(LineSheet(), ()))
    """
    for name, rows in (("ticks", sheet.ticks), ("choices", sheet.choices)):
        keys = [each.key for each in rows]
        if len(set(keys)) != len(keys):
            raise BadInput("same_key", "Two entries are for the same step or part.", f"sheet.{name}")
    for number, tick in enumerate(sheet.ticks):
        if tick.reached.strip():
            read_torque(tick.reached, f"sheet.ticks[{number}].reached")


def may_assemble(sheet: FitUpSheet, facts: FitUpFacts) -> None:
    """Refuse a unit that is called together over open steps without a reason.

    Args:
        sheet: What was ticked.
        facts: The strip-down, and what goes in the place of its parts.

    Raises:
        BadInput: At `sheet.reason`.

    Example:
        >>> may_assemble(FitUpSheet(together=True), FitUpFacts(LineSheet(), ()))
    """
    if sheet.together and len(sheet.reason.strip()) < FEWEST_WORDS:
        left = judge_fit_up(sheet, facts).left
        if left:
            steps = "step is" if len(left) == 1 else "steps are"
            raise BadInput(
                "steps_open",
                f"{len(left)} {steps} not ticked.",
                "sheet.reason",
                "Tick them, or give a reason for completing with them open.",
            )
