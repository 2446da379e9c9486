"""The strip-down."""

from __future__ import annotations

from ample.core.assembly.fit_up.steps import label
from ample.core.assembly.line import LinePart, LineSheet, Size
from ample.core.contract import LineCheckAnswer
from ample.core.kits.order_checks import strip_down
from ample.core.operations.strip_down import (
    StripDownFacts,
    changes_of_line,
    judge_strip_down,
    settle_strip_down,
)
from ample.sheets.kind import SheetKind, Table


def tables(sheet: LineSheet, judged: LineCheckAnswer | None) -> tuple[Table, ...]:
    """Parts by shaft in the order that they came off, what was found, what is tied together, loose items; and its verdict."""
    parts = [(line.name, part) for line in sheet.lines for part in sheet.parts if part.line == line.key]
    found = [
        (label(part), what.replace("_", " "), value.replace("_", " "))
        for _, part in parts
        for what, value in part.findings.items()
    ]
    headings = ("shaft", "part", "how many", "inside", "outside", "width", "left face", "right face", "note")
    own = (
        Table("parts", headings, tuple(_row(shaft, part) for shaft, part in parts)),
        Table("found", ("part", "looked at", "found"), tuple(found)),
        Table("ties", ("words", "end"), tuple((each.words, each.end) for each in sheet.ties)),
    )
    if judged is None:
        return own
    names = {part.key: label(part) for part in sheet.parts}
    verdicts = tuple((names[key], each.words) for key, each in judged.verdicts.items())
    wrong = tuple((each.level, each.words, each.answer) for each in judged.contradictions)
    return (
        *own,
        Table("verdicts", ("part", "verdict"), verdicts),
        Table("contradictions", ("level", "what", "answer"), wrong),
    )


def _row(shaft: str, part: LinePart) -> tuple[str, ...]:
    faces = (
        f"{'' if face.mark == 'flat' else face.mark} {face.looks_at}".strip().replace("_", " ")
        for face in (part.left, part.right)
    )
    sizes = (_size(each) for each in (part.inside, part.outside, part.width))
    return (shaft, label(part), str(part.quantity), *sizes, *faces, part.note)


def _size(size: Size) -> str:
    return f"{size.typed} in" if size.typed and size.unit == "in" else size.typed


STRIP_DOWN = SheetKind(
    name="strip_down",
    title="Strip-down",
    subject="job",
    sheet=LineSheet,
    facts=StripDownFacts,
    judged=LineCheckAnswer,
    judge=judge_strip_down,
    tables=tables,
    settle=settle_strip_down,
    told=changes_of_line,
    action="line",
    order_checks=strip_down,
    in_files=False,
)
