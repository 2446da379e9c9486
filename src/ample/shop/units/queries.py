"""SQL of models, builds and known spares."""

from __future__ import annotations

from typing import Any

from ample.store import Transaction

PICTURES = ("screws_4", "screws_6", "square_ring", "round_ring", "spacer", "no_spacer", "one_lip", "two_lips")


def models(t: Transaction) -> list[dict[str, Any]]:
    """Every model by name."""
    return t.rows("SELECT model_id, name, unit, question FROM unit_models ORDER BY name")


def model_named(t: Transaction, name: str) -> dict[str, Any] | None:
    """One model."""
    return t.first(
        "SELECT model_id, name, unit, question FROM unit_models WHERE name = %(name)s", {"name": name}
    )


def builds(t: Transaction) -> list[dict[str, Any]]:
    """Builds of every model, in order."""
    return t.rows(
        """
        SELECT model_id, build, answer, picture, serial_range, differs
        FROM unit_builds
        ORDER BY model_id, position
        """
    )


def spares(t: Transaction, model_id: int, build: str) -> list[dict[str, Any]]:
    """The parts that a model, in this build, is known to need."""
    return t.rows(
        """
        SELECT name, quantity, item_id, in_stock, lead_days
        FROM unit_spares
        WHERE model_id = %(model_id)s AND (build = '' OR build = %(build)s OR %(build)s = '')
        ORDER BY position
        """,
        {"model_id": model_id, "build": build},
    )


def earlier_parts(t: Transaction, model: str, job_id: int) -> list[dict[str, Any]]:
    """What earlier jobs on the same model were said to need: the replacement, else what it was."""
    return t.rows(
        """
        SELECT j.number, p.name, COALESCE(m.item_id, i.item_id) AS item_id
        FROM take_ins k
        JOIN jobs j ON j.job_id = k.job_id
        JOIN parts p ON p.job_id = j.job_id
        JOIN identifications i ON i.part_id = p.part_id
        LEFT JOIN matches m ON m.part_id = p.part_id
        WHERE k.model = %(model)s AND k.model <> '' AND k.job_id <> %(job_id)s
        ORDER BY j.job_id DESC, p.position
        LIMIT 40
        """,
        {"model": model, "job_id": job_id},
    )


def earlier_lines(t: Transaction, model: str, job_id: int) -> list[dict[str, Any]]:
    """What the latest earlier job on the same model renewed without identifying it by a list."""
    return t.rows(
        """
        SELECT j.number, p.kind, p.name, p.quantity, p.inside_mm, p.outside_mm, p.width_mm
        FROM line_parts p
        JOIN jobs j ON j.job_id = p.job_id
        LEFT JOIN parts b ON b.job_id = p.job_id AND b.line_key = p.part_key
        LEFT JOIN identifications i ON i.part_id = b.part_id
        WHERE p.verdict IN ('replace', 'reclaim') AND i.part_id IS NULL AND p.job_id = (
            SELECT MAX(k.job_id)
            FROM take_ins k
            JOIN line_sheets s ON s.job_id = k.job_id
            WHERE k.model = %(model)s AND k.model <> '' AND k.job_id <> %(job_id)s
        )
        ORDER BY p.position
        LIMIT 60
        """,
        {"model": model, "job_id": job_id},
    )


def add_model(t: Transaction, name: str, unit: str, question: str) -> int:
    """A new model."""
    return t.insert(
        "INSERT INTO unit_models (name, unit, question) VALUES (%(name)s, %(unit)s, %(question)s)",
        {"name": name, "unit": unit, "question": question},
    )


def add_build(t: Transaction, values: dict[str, Any]) -> None:
    """A build of a model."""
    t.insert(
        """
        INSERT INTO unit_builds (model_id, position, build, answer, picture, serial_range, differs)
        VALUES (%(model_id)s, %(position)s, %(build)s, %(answer)s, %(picture)s, %(serial_range)s, %(differs)s)
        """,
        values,
    )


def add_spare(t: Transaction, values: dict[str, Any]) -> None:
    """A part that a model is known to need."""
    t.insert(
        """
        INSERT INTO unit_spares (model_id, position, build, name, quantity, item_id, in_stock, lead_days)
        VALUES (
            %(model_id)s, %(position)s, %(build)s, %(name)s, %(quantity)s, %(item_id)s, %(in_stock)s,
            %(lead_days)s
        )
        """,
        values,
    )


def notes_of_unit(t: Transaction, unit_id: int, but_job_id: int) -> list[dict[str, Any]]:
    """Notes for the next person that the other jobs of a unit left at take-in or proof, newest first."""
    rows = t.rows(
        """
        SELECT j.number AS job, DATE(j.opened_at) AS opened_on, k.note_next AS taken_in,
            JSON_VALUE(s.body, '$.note_next') AS proved
        FROM jobs j
        LEFT JOIN take_ins k ON k.job_id = j.job_id
        LEFT JOIN sheets s ON s.subject = 'job' AND s.kind = 'proof' AND s.subject_id = j.job_id
        WHERE j.unit_id = %(unit_id)s AND j.job_id <> %(but_job_id)s
        ORDER BY j.opened_at DESC
        LIMIT 12
        """,
        {"unit_id": unit_id, "but_job_id": but_job_id},
    )
    found = []
    for row in rows:
        notes = dict.fromkeys(note for note in (row.pop("taken_in"), row.pop("proved")) if note)
        if notes:
            found.append(row | {"note": " ".join(notes)})
    return found


def plate_of(t: Transaction, job_id: int) -> dict[str, Any]:
    """Model and serial number as they are on the plate of a job's unit."""
    row = t.first("SELECT model, serial FROM take_ins WHERE job_id = %(job_id)s", {"job_id": job_id})
    return row or {"model": "", "serial": ""}
