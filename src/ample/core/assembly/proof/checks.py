"""What has to be checked, set and revisited on a unit, by what is on its lines."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Literal

from ample.core.assembly.fit_up.steps import label
from ample.core.assembly.line import LineSheet
from ample.core.assembly.proof.judged import ProofCheck, Proposed
from ample.core.assembly.proof.sheet import ProofSheet
from ample.core.sizes.figures import leading_figure, plain_figure
from ample.core.tables import read_table

SET = "set"
TAPERS = frozenset(("taper_bearing", "taper_cone"))
SOFT = frozenset(("gasket", "o_ring"))


@dataclass(frozen=True)
class CheckKind:
    """A row of checks.csv."""

    code: str
    per: str
    asked_by: tuple[str, ...]
    words: str
    passes: str
    unit: str
    least: float | None
    most: float | None


@lru_cache(maxsize=1)
def check_kinds() -> tuple[CheckKind, ...]:
    """Every check that a unit can ask for."""
    rows = read_table(Path(__file__).with_name("checks.csv")).rows
    return tuple(
        CheckKind(
            row["code"], row["per"], tuple(row["asked_by"].split()), row["words"], row["passes"], row["unit"],
            float(row["least"]) if row["least"] else None, float(row["most"]) if row["most"] else None,
        )
        for row in rows
    )  # fmt: skip


def checks_of(sheet: ProofSheet, lines: LineSheet) -> Iterator[ProofCheck]:
    """The checks of a unit with what they showed; a reading outside its pass value fails, whoever ticked it."""
    given = {each.key: (n, each) for n, each in enumerate(sheet.checks)}
    for kind, key, of in asked_checks(lines):
        number, result = given.get(key, (0, None))
        state: Literal["open", "holds", "fails"] = "open"
        why = ""
        if result is not None and result.result:
            state = result.result
            value = plain_figure(result.reading, f"sheet.checks[{number}].reading")
            if value is not None and state == "holds" and kind.unit:
                wrong = (kind.least is not None and value < kind.least) or (
                    kind.most is not None and value > kind.most
                )
                if wrong:
                    state, why = "fails", f"{value:g} {kind.unit} failed."
        yield ProofCheck(key, kind.code, of, kind.words, kind.passes, kind.unit, state, why)


def asked_checks(lines: LineSheet) -> Iterator[tuple[CheckKind, str, str]]:
    """The checks that a unit's lines ask for, each with its key and what it is of."""
    for kind in check_kinds():
        for line in lines.lines if kind.per == "line" else ():
            if any(each.kind in kind.asked_by for each in lines.parts if each.line == line.key):
                yield kind, f"{kind.code}.{line.key}", line.name
        for part in lines.parts if kind.per == "part" else ():
            if part.kind in kind.asked_by:
                yield kind, f"{kind.code}.{part.key}", label(part)


def proposed_by(lines: LineSheet) -> Iterator[Proposed]:
    """Settings that were read when it came apart, the end play of tapers, and joints that settle."""
    for part in lines.parts:
        for each in part.settings:
            what = f"{label(part)}: {each.what.replace('_', ' ')}"
            read = each.second or each.first
            value, rest = leading_figure(read)
            unit = rest[:12] if value is not None else ""
            because = f"Read as {read} at strip-down." if read else "Noted at strip-down."
            yield Proposed("set_points", f"{SET}{part.key[:14]}{each.key[:7]}", what, value, unit, because)
    for line in lines.lines:
        tapers = [each for each in lines.parts if each.line == line.key and each.kind in TAPERS]
        if len(tapers) > 1:
            yield Proposed(
                "plays",
                f"{SET}{line.key[:20]}",
                line.name,
                None,
                "mm",
                "Two taper bearings oppose each other.",
            )
    for part in lines.parts:
        soft = any(each.kind in SOFT and each.line == part.line for each in lines.parts)
        if part.kind == "screw" and part.fastener is not None and part.fastener.torque is not None and soft:
            because = "A gasket or O-ring settles in the joint."
            yield Proposed(
                "tasks", f"{SET}{part.key[:20]}", f"{label(part)}: torque again", None, "", because
            )
