"""SQL of readings, identifications and matches."""

from __future__ import annotations

import json
from typing import Any

from ample.core.contract import BenchSheet
from ample.store import Transaction


def readings_of(t: Transaction, part_id: int) -> list[dict[str, Any]]:
    """Readings of a part, in the order of its sheet."""
    return t.rows(
        """
        SELECT feature, position, typed, unit, value_mm, instrument
        FROM readings
        WHERE part_id = %(part_id)s
        ORDER BY position, feature
        """,
        {"part_id": part_id},
    )


def replace_readings(t: Transaction, part_id: int, readings: list[dict[str, Any]]) -> None:
    """Put these readings in the place of all earlier ones."""
    t.change("DELETE FROM readings WHERE part_id = %(part_id)s", {"part_id": part_id})
    t.change_many(
        """
        INSERT INTO readings (part_id, feature, position, typed, unit, value_mm, instrument)
        VALUES (
            %(part_id)s, %(feature)s, %(position)s, %(typed)s, %(unit)s, %(value_mm)s, %(instrument)s
        )
        """,
        [reading | {"part_id": part_id} for reading in readings],
    )


def change_part(t: Transaction, part_id: int, sheet: BenchSheet, version: int) -> int:
    """Change what is seen of a part if it is still at this version; how many rows."""
    return t.change(
        """
        UPDATE parts
        SET
            marking = %(marking)s,
            condition_seen = %(condition)s,
            bench_kind = %(kind)s,
            bench_answers = %(answers)s,
            said = %(said)s,
            medium = %(medium)s,
            temperature_c = %(temperature_c)s,
            needed = %(needed)s,
            rubber_seen = %(rubber_seen)s,
            family = COALESCE(%(family)s, family),
            version = version + 1
        WHERE part_id = %(part_id)s AND version = %(version)s
        """,
        {
            "part_id": part_id,
            "marking": sheet.marking,
            "condition": sheet.condition,
            "kind": sheet.kind,
            "answers": json.dumps(sheet.answers),
            "said": json.dumps(sheet.said),
            "medium": sheet.medium,
            "temperature_c": sheet.temperature_c,
            "needed": sheet.needed,
            "rubber_seen": sheet.rubber.model_dump_json(exclude_defaults=True),
            "family": sheet.family,
            "version": version,
        },
    )


def identification(t: Transaction, part_id: int, lock: bool = False) -> dict[str, Any] | None:
    """What the part is identified as."""
    return t.first(
        """
        SELECT
            i.item_id, i.probability, i.worst_sigmas, i.clash, i.version, COALESCE(i.from_file, p.name) AS person,
            i.from_file IS NOT NULL AS from_file, i.facts_mark, i.judged_mark,
            i.requirement
        FROM identifications i
        JOIN people p ON p.person_id = i.person_id
        WHERE i.part_id = %(part_id)s
        """
        + (" FOR UPDATE" if lock else ""),
        {"part_id": part_id},
    )


def set_identification(t: Transaction, values: dict[str, Any]) -> None:
    """Say, or say again, what the part is."""
    t.change(
        """
        INSERT INTO identifications (
            part_id, item_id, probability, worst_sigmas, clash, features_read, marking_read,
            person_id, decided_at, facts_mark, judged_mark, from_file, requirement
        )
        VALUES (
            %(part_id)s, %(item_id)s, %(probability)s, %(worst_sigmas)s, %(clash)s,
            %(features_read)s, %(marking_read)s, %(person_id)s, %(now)s, %(facts_mark)s, %(judged_mark)s,
            %(from_file)s, %(requirement)s
        )
        ON DUPLICATE KEY UPDATE
            item_id = VALUES(item_id),
            probability = VALUES(probability),
            worst_sigmas = VALUES(worst_sigmas),
            clash = VALUES(clash),
            features_read = VALUES(features_read),
            marking_read = VALUES(marking_read),
            person_id = VALUES(person_id),
            decided_at = VALUES(decided_at),
            facts_mark = VALUES(facts_mark),
            judged_mark = VALUES(judged_mark),
            from_file = VALUES(from_file),
            requirement = VALUES(requirement),
            version = version + 1
        """,
        values,
    )


def set_judgement(t: Transaction, part_id: int, values: dict[str, Any]) -> None:
    """How well what the part is identified as agrees with the evidence of now."""
    t.change(
        """
        UPDATE identifications
        SET
            probability = %(probability)s,
            worst_sigmas = %(worst_sigmas)s,
            clash = %(clash)s,
            features_read = %(features_read)s,
            marking_read = %(marking_read)s,
            judged_mark = %(judged_mark)s,
            requirement = %(requirement)s
        WHERE part_id = %(part_id)s
        """,
        values | {"part_id": part_id},
    )


def match(t: Transaction, part_id: int, lock: bool = False) -> dict[str, Any] | None:
    """What is chosen to replace the part."""
    return t.first(
        "SELECT item_id, verdict, words, version FROM matches WHERE part_id = %(part_id)s"
        + (" FOR UPDATE" if lock else ""),
        {"part_id": part_id},
    )


def set_match(t: Transaction, values: dict[str, Any]) -> None:
    """Choose, or choose again, what replaces the part."""
    t.change(
        """
        INSERT INTO matches (part_id, item_id, verdict, words, person_id, decided_at, from_file)
        VALUES (
            %(part_id)s, %(item_id)s, %(verdict)s, %(words)s, %(person_id)s, %(now)s, %(from_file)s
        )
        ON DUPLICATE KEY UPDATE
            item_id = VALUES(item_id),
            verdict = VALUES(verdict),
            words = VALUES(words),
            person_id = VALUES(person_id),
            decided_at = VALUES(decided_at),
            from_file = VALUES(from_file),
            version = version + 1
        """,
        values,
    )


def drop_match(t: Transaction, part_id: int) -> None:
    """The replacement was for another part: it goes."""
    t.change("DELETE FROM matches WHERE part_id = %(part_id)s", {"part_id": part_id})


def unbound(t: Transaction) -> list[dict[str, Any]]:
    """Identifications that an earlier version made: not bound to their readings yet."""
    return t.rows("SELECT part_id, decided_at FROM identifications WHERE facts_mark IS NULL")


def set_marks(t: Transaction, part_id: int, facts_mark: str, judged_mark: str | None) -> None:
    """Bind an identification to the evidence it was made on, and to that which it was last judged on."""
    t.change(
        """
        UPDATE identifications
        SET facts_mark = %(facts_mark)s, judged_mark = %(judged_mark)s
        WHERE part_id = %(part_id)s
        """,
        {"part_id": part_id, "facts_mark": facts_mark, "judged_mark": judged_mark},
    )


def requirements(t: Transaction, part_ids: list[int]) -> dict[int, str]:
    """The requirements of parts, as JSON."""
    if not part_ids:
        return {}
    rows = t.rows(
        """
        SELECT part_id, requirement
        FROM identifications
        WHERE part_id IN %(part_ids)s AND requirement IS NOT NULL
        """,
        {"part_ids": part_ids},
    )
    return {row["part_id"]: row["requirement"] for row in rows}


def without_requirement(t: Transaction) -> list[int]:
    """Parts that an earlier version identified: what is required in their place is not kept yet."""
    rows = t.rows("SELECT part_id FROM identifications WHERE requirement IS NULL ORDER BY part_id")
    return [row["part_id"] for row in rows]


def set_requirement(t: Transaction, part_id: int, requirement: str) -> None:
    """Keep the requirement of a part."""
    t.change(
        "UPDATE identifications SET requirement = %(requirement)s WHERE part_id = %(part_id)s",
        {"part_id": part_id, "requirement": requirement},
    )


_JOBS_OF_UNIT = """
    FROM parts p
    JOIN jobs j ON j.job_id = p.job_id
    JOIN jobs k ON k.job_id = j.job_id OR k.unit_id = j.unit_id
"""


_RINGS_OF_UNIT = (
    _JOBS_OF_UNIT
    + """
    JOIN parts q ON q.job_id = k.job_id AND q.part_id <> p.part_id AND q.family = 'o_ring'
    JOIN identifications i ON i.part_id = q.part_id AND i.from_file IS NULL
    JOIN catalogue_items c ON c.item_id = i.item_id
    WHERE p.part_id = %(part_id)s
"""
)


def built_in(t: Transaction, part_id: int) -> dict[str, Any] | None:
    """Where the machine of a part was built: said on its own job, else on the latest other of the unit."""
    return t.first(
        "SELECT s.built_in, k.job_id = j.job_id AS own"
        + _JOBS_OF_UNIT
        + """
        JOIN take_ins s ON s.job_id = k.job_id AND s.built_in <> ''
        WHERE p.part_id = %(part_id)s
        ORDER BY own DESC, k.job_id DESC
        LIMIT 1
        """,
        {"part_id": part_id},
    )


def rings_confirmed(t: Transaction, part_id: int) -> list[str]:
    """The O-rings that people confirmed on the unit of a part, but for this one, latest first."""
    rows = t.rows(
        "SELECT c.designation"
        + _RINGS_OF_UNIT
        + """
        ORDER BY i.decided_at DESC
        LIMIT 60
        """,
        {"part_id": part_id},
    )
    return [row["designation"] for row in rows]


def rings_read(t: Transaction, part_id: int) -> list[dict[str, Any]]:
    """The readings of the O-rings that people confirmed on the unit of a part, but for this one: the latest twelve."""
    return t.rows(
        "WITH rings AS (SELECT q.part_id, q.condition_seen, c.designation, i.decided_at"
        + _RINGS_OF_UNIT
        + """
            AND EXISTS (SELECT 1 FROM readings r WHERE r.part_id = q.part_id)
            ORDER BY i.decided_at DESC
            LIMIT 12
        )
        SELECT g.part_id, g.condition_seen, g.designation, r.feature, r.typed, r.unit, r.instrument
        FROM rings g
        JOIN readings r ON r.part_id = g.part_id
        ORDER BY g.decided_at DESC, g.part_id, r.position, r.feature
        """,
        {"part_id": part_id},
    )


def rings_identified(t: Transaction, job_id: int) -> list[int]:
    """The parts of a job that are confirmed as O-rings."""
    rows = t.rows(
        """
        SELECT p.part_id
        FROM parts p
        JOIN identifications i ON i.part_id = p.part_id
        WHERE p.job_id = %(job_id)s AND p.family = 'o_ring'
        ORDER BY p.part_id
        """,
        {"job_id": job_id},
    )
    return [row["part_id"] for row in rows]
