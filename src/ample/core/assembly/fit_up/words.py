"""The sentences of the fitting-up sheet, made last from codes and numbers."""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path

from ample.core.assembly.check import same_reading
from ample.core.assembly.fit_up.places import FittedPart
from ample.core.assembly.fit_up.steps import Detail, label
from ample.core.assembly.line import LinePart, Setting
from ample.core.condition.cautions import known_cautions
from ample.core.tables import read_table


@lru_cache(maxsize=1)
def texts() -> dict[tuple[str, str], str]:
    """Every text by its group and code."""
    rows = read_table(Path(__file__).with_name("texts.csv")).rows
    return {(row["group"], row["code"]): row["words"] for row in rows}


def text(group: str, code: str, **filled: object) -> str:
    """One text with what it names filled in."""
    return texts()[group, code].format(**filled)


def caution_words(code: str, new: FittedPart | None = None) -> str:
    """What can hurt someone at a step: as the cards of the job say it, or of the step alone."""
    card = next((each for each in known_cautions() if each.caution == code), None)
    taken = new.axial_taken_um if new else None
    span = f"{taken.min:.0f} to {taken.max:.0f}" if taken else ""
    return card.do if card else text("caution", code, taken=span)


def title(part: LinePart, new: FittedPart | None) -> str:
    """A part as the sheet names it: how many, what it is called, what is fitted."""
    count = f"{part.quantity} × " if part.quantity > 1 else ""
    bought = f" {new.title}" if new and new.title else ""
    return f"{count}{label(part)}{bought}"


def said(part: LinePart, new: FittedPart | None, step: Detail) -> str:
    """What a step tells one to do."""
    lock = part.fastener.lock if part.fastener else "none"
    settings = "; ".join(_setting(each) for each in part.settings)
    warm = step.warming
    return text(
        "does", step.verb,
        part=f"the {title(part, new)}" if part.quantity == 1 else title(part, new),
        ring=step.driver.ring if step.driver else "inner",
        protect=f" over a thin sleeve: its way crosses {_edges(step)}" if step.passes else "",
        supplied=new.supplied_with if new else "",
        to=f"{warm.to_c:g}" if warm else "",
        grams=f"{step.grease_g:g} g, half of it worked in between the elements" if step.grease_g else "amount from its free space",
        pattern=_pattern(step),
        lock=text("lock", lock) if ("lock", lock) in texts() else "",
        settings=settings,
    )  # fmt: skip


def _pattern(step: Detail) -> str:
    pattern = step.torque.pattern if step.torque else ""
    if pattern == "cross":
        return " crosswise, in three stages"
    return " in turns, in three stages" if pattern == "turns" else ""


def _edges(step: Detail) -> str:
    words = [text("edge", each.kind, part=each.name) for each in step.passes]
    return " and ".join(([", ".join(words[:-1])] if len(words) > 1 else []) + words[-1:])


def _setting(each: Setting) -> str:
    what = each.what.replace("_", " ")
    if each.first and each.second and not same_reading(each.first, each.second):
        return f"{what}, read as {each.first} and as {each.second}: find out which before setting it"
    return f"{what} {each.second or each.first}".strip()


def lubricant_words(step: Detail, new: FittedPart | None) -> str:
    """What goes on it."""
    if not step.lubricant:
        return ""
    rubber = new.material if new and new.material else "its rubber"
    return text("lubricant", step.lubricant, rubber=rubber)
