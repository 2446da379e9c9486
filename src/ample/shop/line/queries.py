"""SQL of the strip-down record."""

from __future__ import annotations

from typing import Any

from ample.store import Transaction


def head(t: Transaction, job_id: int) -> dict[str, Any] | None:
    """Lines, ties and loose items of a job, as JSON, with the version."""
    return t.first(
        "SELECT lines_json, ties_json, loose_json, version FROM line_sheets WHERE job_id = %(job_id)s",
        {"job_id": job_id},
    )


def parts(t: Transaction, job_id: int) -> list[dict[str, Any]]:
    """The parts of a job's lines, in order; `details` is the whole part as JSON."""
    return t.rows(
        """
        SELECT part_key, verdict, judged_by, judged_in_file, details
        FROM line_parts
        WHERE job_id = %(job_id)s
        ORDER BY position
        """,
        {"job_id": job_id},
    )


def set_head(t: Transaction, values: dict[str, Any]) -> None:
    """Keep lines, ties and loose items."""
    t.change(
        """
        INSERT INTO line_sheets (job_id, lines_json, ties_json, loose_json, contradictions)
        VALUES (%(job_id)s, %(lines)s, %(ties)s, %(loose)s, %(contradictions)s)
        ON DUPLICATE KEY UPDATE
            lines_json = VALUES(lines_json),
            ties_json = VALUES(ties_json),
            loose_json = VALUES(loose_json),
            contradictions = VALUES(contradictions),
            version = version + 1
        """,
        values,
    )


def remove_parts(t: Transaction, job_id: int, keys: list[str]) -> None:
    """Take parts off a job's lines."""
    if keys:
        t.change(
            "DELETE FROM line_parts WHERE job_id = %(job_id)s AND part_key IN %(keys)s",
            {"job_id": job_id, "keys": keys},
        )


def put_parts(t: Transaction, job_id: int, rows: list[dict[str, Any]]) -> None:
    """Write parts, new or changed."""
    t.change_many(
        """
        INSERT INTO line_parts (
            job_id, part_key, position, line_key, kind, name, beside, quantity, inside_mm, outside_mm,
            width_mm, verdict, judged_by, judged_in_file, details
        )
        VALUES (
            %(job_id)s, %(part_key)s, %(position)s, %(line_key)s, %(kind)s, %(name)s, %(beside)s,
            %(quantity)s, %(inside_mm)s, %(outside_mm)s, %(width_mm)s, %(verdict)s, %(judged_by)s,
            %(judged_in_file)s, %(details)s
        )
        ON DUPLICATE KEY UPDATE
            position = VALUES(position),
            line_key = VALUES(line_key),
            kind = VALUES(kind),
            name = VALUES(name),
            beside = VALUES(beside),
            quantity = VALUES(quantity),
            inside_mm = VALUES(inside_mm),
            outside_mm = VALUES(outside_mm),
            width_mm = VALUES(width_mm),
            verdict = VALUES(verdict),
            judged_by = VALUES(judged_by),
            judged_in_file = VALUES(judged_in_file),
            details = VALUES(details)
        """,
        [row | {"job_id": job_id} for row in rows],
    )


def move_parts(t: Transaction, job_id: int, places: list[tuple[str, int]]) -> None:
    """Give parts their new places; nothing else of them has changed."""
    if not places:
        return
    moved = {"keys": [key for key, _ in places], "order": ",".join(key for key, _ in places)}
    first = min(position for _, position in places)
    if [position for _, position in places] == list(range(first, first + len(places))):
        t.change(
            """
            UPDATE line_parts
            SET position = %(first)s + FIND_IN_SET(part_key, %(order)s) - 1
            WHERE job_id = %(job_id)s AND part_key IN %(keys)s
            """,
            moved | {"job_id": job_id, "first": first},
        )
        return
    for key, position in places:
        t.change(
            "UPDATE line_parts SET position = %(position)s WHERE job_id = %(job_id)s AND part_key = %(key)s",
            {"job_id": job_id, "key": key, "position": position},
        )


def set_verdict(t: Transaction, job_id: int, part_key: str, verdict: str) -> None:
    """Keep the verdict of one part."""
    t.change(
        "UPDATE line_parts SET verdict = %(verdict)s WHERE job_id = %(job_id)s AND part_key = %(key)s",
        {"job_id": job_id, "key": part_key, "verdict": verdict},
    )


def decisions(t: Transaction, job_id: int) -> list[dict[str, Any]]:
    """What second persons decided, oldest first."""
    return t.rows(
        """
        SELECT part_key, findings_mark, verdict, reason, person, decided_at, from_file
        FROM part_decisions
        WHERE job_id = %(job_id)s
        ORDER BY decided_at, decision_id
        """,
        {"job_id": job_id},
    )


def add_decision(t: Transaction, values: dict[str, Any]) -> None:
    """Keep a decision."""
    t.insert(
        """
        INSERT INTO part_decisions (
            job_id, part_key, findings_mark, verdict, reason, person_id, person, decided_at, from_file
        )
        VALUES (
            %(job_id)s, %(part_key)s, %(findings_mark)s, %(verdict)s, %(reason)s, %(person_id)s,
            %(person)s, %(decided_at)s, %(from_file)s
        )
        """,
        values,
    )


def bench_parts(t: Transaction, job_id: int) -> dict[str, int]:
    """The tray parts that parts of the line have become."""
    rows = t.rows(
        "SELECT line_key, part_id FROM parts WHERE job_id = %(job_id)s AND line_key IS NOT NULL",
        {"job_id": job_id},
    )
    return {row["line_key"]: row["part_id"] for row in rows}


def tie_to_line(t: Transaction, part_id: int, part_key: str, family: str) -> None:
    """Say which part of the line a tray part is."""
    t.change(
        "UPDATE parts SET line_key = %(key)s, family = %(family)s WHERE part_id = %(part_id)s",
        {"part_id": part_id, "key": part_key, "family": family},
    )


def people_named(t: Transaction, ids: list[int]) -> dict[int, str]:
    """Names of people."""
    if not ids:
        return {}
    rows = t.rows("SELECT person_id, name FROM people WHERE person_id IN %(ids)s", {"ids": ids})
    return {row["person_id"]: row["name"] for row in rows}


def outlines(t: Transaction, job_ids: list[int]) -> list[dict[str, Any]]:
    """The parts of several jobs as far as a small drawing and a count need them."""
    if not job_ids:
        return []
    return t.rows(
        """
        SELECT
            job_id, part_key, line_key, kind, beside, inside_mm, outside_mm, width_mm, verdict,
            JSON_VALUE(details, '$.left.mark') AS left_mark,
            JSON_VALUE(details, '$.right.mark') AS right_mark
        FROM line_parts
        WHERE job_id IN %(job_ids)s
        ORDER BY job_id, position
        """,
        {"job_ids": job_ids},
    )


def contradictions(t: Transaction, job_ids: list[int]) -> dict[int, int]:
    """How many contradictions of each job nobody has answered."""
    if not job_ids:
        return {}
    rows = t.rows(
        "SELECT job_id, contradictions FROM line_sheets WHERE job_id IN %(job_ids)s", {"job_ids": job_ids}
    )
    return {row["job_id"]: row["contradictions"] for row in rows}


def on_bench(t: Transaction, job_ids: list[int]) -> dict[int, set[str]]:
    """Which parts of several jobs' lines lie in their trays."""
    if not job_ids:
        return {}
    rows = t.rows(
        "SELECT job_id, line_key FROM parts WHERE job_id IN %(job_ids)s AND line_key IS NOT NULL",
        {"job_ids": job_ids},
    )
    found: dict[int, set[str]] = {}
    for row in rows:
        found.setdefault(row["job_id"], set()).add(row["line_key"])
    return found
