"""The place of a seal or ring."""

from __future__ import annotations

from ample.core.places.place import (
    GoingIn,
    PlaceFacts,
    PlaceJudged,
    PlaceSheet,
    check_place_sheet,
    judge_place,
)
from ample.sheets.kind import SheetKind, Table


def tables(sheet: PlaceSheet, judged: PlaceJudged | None) -> tuple[Table, ...]:
    """What was said of the place, and what it is worth."""
    empty = PlaceSheet()
    said = tuple(
        (name.replace("_", " "), ", ".join(value) if isinstance(value, list) else str(value))
        for name, value in sheet.model_dump(mode="json").items()
        if value != getattr(empty, name)
    )
    found = (
        tuple((each.code, each.severity, each.words, each.repair) for each in judged.findings)
        if judged
        else ()
    )
    return (
        Table("place", ("of", "said"), said),
        Table("judged", ("what", "how bad", "why", "what to do"), found),
    )


PLACE = SheetKind(
    name="place",
    title="Place",
    subject="part",
    sheet=PlaceSheet,
    facts=PlaceFacts,
    judged=PlaceJudged,
    judge=judge_place,
    tables=tables,
    check=check_place_sheet,
    shown={"going_in": GoingIn | None},
    unjudged=("not_identified", "This part is not identified yet."),
)
