"""Setting and proving."""

from __future__ import annotations

from ample.core.assembly.proof import (
    ProofFacts,
    ProofJudged,
    ProofSheet,
    check_proof,
    judge_proof,
    may_close,
)
from ample.sheets.kind import Columns, SheetKind, Table


def tables(sheet: ProofSheet, judged: ProofJudged | None) -> tuple[Table, ...]:
    """What was set, filled, run and checked; tasks, before and after; and its verdict."""
    own = (
        Table("set points", ("what", "from", "to", "unit", "read", "left loose until then"), tuple(
            (each.what, _said(each.least), _said(each.most), each.unit, " | ".join(each.readings),
             "yes" if each.left_loose else "") for each in sheet.set_points)),
        Table("end play", ("what", "from mm", "to mm", "pushed and pulled"), tuple(
            (each.what, _said(each.least_mm), _said(each.most_mm),
             " | ".join(f"pushed {pair.pushed} pulled {pair.pulled}" for pair in each.pairs)) for each in sheet.plays)),
        Table("fills", ("what", "side", "specified l", "filled l", "level", "bled"), tuple(
            (each.what, each.side, _said(each.wanted_l), each.filled_l, each.level, "yes" if each.bled else "")
            for each in sheet.fills)),
        Table("runs", ("what", "rpm", "minutes", "at start °C", "limit °C", "read °C"), tuple(
            (each.what, _said(each.rpm), _said(each.minutes), _said(each.ambient_c), _said(each.limit_c),
             " | ".join(f"{one.minute} min {one.temperature_c}" for one in each.readings)) for each in sheet.runs)),
        Table("checks", ("check", "result", "reading", "note"), tuple(
            (each.key.replace("_", " "), each.result, each.reading, each.note) for each in sheet.checks)),
        Table("tasks", ("what", "day", "done", "reading"), tuple(
            (each.what, each.due.isoformat() if each.due else "", "done" if each.done else "", each.reading)
            for each in sheet.tasks)),
        Table("before and after", ("what", "before", "after", "unit"), tuple(
            (each.what, each.before, each.after, each.unit) for each in sheet.compared)),
        Table("changed", ("what",), tuple((each.what,) for each in sheet.changes)),
        Table("for the next person", ("note", "closed", "reason"), (
            (sheet.note_next, "closed" if sheet.closed else "", sheet.reason),)),
    )  # fmt: skip
    return own if judged is None else (*own, _judged(sheet, judged))


def _judged(sheet: ProofSheet, judged: ProofJudged) -> Table:
    """What each is worth, and what is open."""
    names = {
        each.key: each.what
        for rows in (sheet.set_points, sheet.plays, sheet.fills, sheet.runs, sheet.compared)
        for each in rows
    }
    rows: list[tuple[str, str, str]] = [
        ("set point", names[each.key], each.state) for each in judged.set_points
    ]
    rows += [("end play", names[each.key], each.play.decision) for each in judged.plays if each.play]
    rows += [("fill", names[each.key], f"{each.state}: {each.words}") for each in judged.fills]
    rows += [
        ("run", names[each.key], f"settles at {each.run.settles_at_c.likely:g} °C, {each.run.decision}")
        for each in judged.runs
        if each.run and each.run.settles_at_c
    ]
    rows += [("check", f"{each.words}, {each.of}", each.state) for each in judged.checks]
    rows += [("open", "", each.words) for each in judged.open]
    return Table("judged", ("of", "what", "is"), tuple(rows))


def _said(value: float | None) -> str:
    return "" if value is None else f"{value:g}"


def columns(sheet: ProofSheet) -> Columns:
    """Whether it is closed, and the days to come back on."""
    days = [each.due.isoformat() for each in sheet.tasks if each.due and not each.done]
    return {"closed": (float(sheet.closed),), "due": days}


PROOF = SheetKind(
    name="proof",
    title="Proof",
    subject="job",
    sheet=ProofSheet,
    facts=ProofFacts,
    judged=ProofJudged,
    judge=judge_proof,
    tables=tables,
    check=check_proof,
    may_save=may_close,
    columns=columns,
    signs="signed_in",
)
