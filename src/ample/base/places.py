"""Where the parts of the tray go, and how many of each are needed."""

from __future__ import annotations

import json
from typing import Any

from ample.base import job_queries
from ample.base.records import PlaceOfPart
from ample.store import Transaction


def places_of(t: Transaction, part_ids: list[int]) -> dict[int, PlaceOfPart]:
    """The place of each part; of one that is on no line only its job and name."""
    rows = job_queries.places(t, part_ids)
    beside = job_queries.on_lines(t, sorted({row["job_id"] for row in rows if row["line_key"]}))
    return {row["part_id"]: _place(row, beside) for row in rows}


def _place(row: dict[str, Any], beside: list[dict[str, Any]]) -> PlaceOfPart:
    lines = {each["key"]: each for each in json.loads(row["lines_json"] or "[]")}
    line = lines.get(row["line_key"], {})
    needed, because = _needed(row, line)
    return PlaceOfPart(
        job_number=row["job_number"],
        job_title=row["job_title"],
        part_name=row["part_name"],
        line=line.get("name", ""),
        neighbours=_neighbours(row, beside),
        needed=needed,
        because=because,
        units_alike=int(row["units_alike"]),
    )


def _needed(row: dict[str, Any], line: dict[str, Any]) -> tuple[int, str]:
    """How many the unit needs: on its line, on lines alike, in units alike; else as said on the Bench."""
    alike = int(row["units_alike"])
    if row["quantity"] is None:
        own = row["needed"] or 1
        return own * alike, _times((own, "in the tray"), (alike, "units alike"))
    lines = int(line.get("count", 1))
    parts = (int(row["quantity"]), "on the line"), (lines, "lines alike"), (alike, "units alike")
    return int(row["quantity"]) * lines * alike, _times(*parts)


def _times(*factors: tuple[int, str]) -> str:
    first, *others = factors
    return " × ".join([f"{first[0]} {first[1]}", *(f"{n} {words}" for n, words in others if n > 1)])


def _neighbours(row: dict[str, Any], beside: list[dict[str, Any]]) -> list[str]:
    own = [each for each in beside if each["job_id"] == row["job_id"] and each["line_key"] == row["line_key"]]
    at = next((n for n, each in enumerate(own) if each["part_key"] == row["part_key"]), None)
    if at is None:
        return []
    near = own[max(0, at - 1) : at] + own[at + 1 : at + 2]
    return [each["name"] or each["kind"].replace("_", " ") for each in near]
