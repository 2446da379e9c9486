"""The strip-down judged as a sheet: sizes read, kinds and findings known, the lines checked."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ample.core import contract
from ample.core.assembly import LinePart, LineSheet, part_kind
from ample.core.assembly.line import Size
from ample.core.condition import inspect_part
from ample.core.errors import AmpleError, BadInput
from ample.core.operations import job
from ample.core.sizes import parse_length


@dataclass(frozen=True)
class StripDownFacts:
    """What opening the unit again would cost."""

    access: Literal["cheap", "costly"] = "cheap"


def judge_strip_down(sheet: LineSheet, facts: StripDownFacts) -> contract.LineCheckAnswer:
    """Contradictions, what faces look at, verdicts, counts."""
    return job.line_check(contract.LineCheckRequest.model_construct(sheet=sheet, access=facts.access))


def settle_strip_down(sheet: LineSheet, before: LineSheet, facts: StripDownFacts) -> LineSheet:
    """The sheet with its sizes read; an unknown kind or finding is refused at its part.

    A part that is kept already was checked when it was.
    """
    known = {part.key: part for part in before.parts}
    parts = []
    for number, sent in enumerate(sheet.parts):
        earlier = known.get(sent.key)
        part = _with_sizes(sent, earlier)
        if part != earlier:
            field = f"sheet.parts[{number}]"
            try:
                inspect_part(part_kind(part.kind).card, part.findings)
            except AmpleError as error:
                raise BadInput(error.code, error.message, f"{field}.{error.field}", error.hint) from error
        parts.append(part)
    ties = tuple(tie.model_copy(update={"thickness": read_size(tie.thickness)}) for tie in sheet.ties)
    return sheet.model_copy(update={"parts": tuple(parts), "ties": ties})


def _with_sizes(part: LinePart, earlier: LinePart | None) -> LinePart:
    """The part with its sizes read; what is typed as before was read before."""
    found = {}
    for side in ("inside", "outside", "width"):
        size: Size = getattr(part, side)
        kept: Size | None = getattr(earlier, side) if earlier else None
        same = kept is not None and (kept.typed, kept.unit) == (size.typed, size.unit)
        read = kept if same and kept is not None else read_size(size)
        if read.mm != size.mm:
            found[side] = read
    return part.model_copy(update=found) if found else part


def read_size(size: Size) -> Size:
    """What was typed, read; text that cannot be read stays as text, without a length."""
    if not size.typed.strip():
        return Size(unit=size.unit)
    try:
        mm: float | None = round(parse_length(size.typed, size.unit).mm, 7)
    except BadInput:
        mm = None
    return size.model_copy(update={"mm": mm if mm and 0 < mm <= 20_000 else None})


def changes_of_line(
    before: LineSheet | None, after: LineSheet
) -> tuple[dict[str, object], dict[str, object]]:
    """What of the sheet changed, before and after: by part, and the rest as a whole."""
    before = before or LineSheet()
    old, new = ({part.key: part for part in sheet.parts} for sheet in (before, after))
    keys = [key for key in {**old, **new} if old.get(key) != new.get(key)]
    told: list[dict[str, object]] = []
    for sheet, parts in ((before, old), (after, new)):
        rest = {
            name: [each.model_dump(mode="json") for each in getattr(sheet, name)]
            for name in ("lines", "ties", "loose")
            if getattr(before, name) != getattr(after, name)
        }
        order = [part.key for part in sheet.parts]
        changed = {key: parts[key].model_dump(mode="json") if key in parts else None for key in keys}
        told.append({**rest, "parts": changed, "order": order})
    return told[0], told[1]
