"""SQL of photos."""

from __future__ import annotations

from typing import Any

from ample.shop.photos.records import PhotoHead
from ample.store import Transaction

_HEAD = """
        SELECT
            photo_id, part_key AS part, place_x, place_y, caption, width_px, height_px, person, taken_at,
            version
        FROM photos
"""


def heads(t: Transaction, job_id: int) -> list[PhotoHead]:
    """The photos of a job, oldest first, without their pictures."""
    rows = t.rows(_HEAD + " WHERE job_id = %(job_id)s ORDER BY photo_id", {"job_id": job_id})
    return [PhotoHead(**row) for row in rows]


def count(t: Transaction, job_id: int) -> int:
    """How many photos a job has."""
    return int(t.single_value("SELECT COUNT(*) FROM photos WHERE job_id = %(job_id)s", {"job_id": job_id}))


def photo(t: Transaction, photo_id: int) -> dict[str, Any] | None:
    """A photo's job and version, locked for a change."""
    return t.first(
        "SELECT job_id, version FROM photos WHERE photo_id = %(photo_id)s FOR UPDATE", {"photo_id": photo_id}
    )


def image(t: Transaction, photo_id: int) -> bytes | None:
    """The picture."""
    row = t.first("SELECT image FROM photos WHERE photo_id = %(photo_id)s", {"photo_id": photo_id})
    return bytes(row["image"]) if row else None


def unlooked(t: Transaction) -> list[int]:
    """Photos stored by a version that did not yet look for what hides in a picture."""
    return [int(row["photo_id"]) for row in t.rows("SELECT photo_id FROM photos WHERE NOT plain")]


def set_plain(t: Transaction, photo_id: int, image: bytes | None) -> None:
    """A photo has been looked at; a picture without what hid in it takes its place."""
    t.change(
        "UPDATE photos SET plain = TRUE, image = COALESCE(%(image)s, image) WHERE photo_id = %(photo_id)s",
        {"photo_id": photo_id, "image": image},
    )


def thumbnail(t: Transaction, photo_id: int) -> bytes | None:
    """The small picture."""
    row = t.first("SELECT thumbnail FROM photos WHERE photo_id = %(photo_id)s", {"photo_id": photo_id})
    return bytes(row["thumbnail"]) if row else None


def add(t: Transaction, values: dict[str, Any]) -> int:
    """A new photo."""
    return t.insert(
        """
        INSERT INTO photos (
            job_id, part_key, place_x, place_y, caption, width_px, height_px, image, thumbnail, person,
            taken_at, plain
        )
        VALUES (
            %(job_id)s, %(part)s, %(place_x)s, %(place_y)s, %(caption)s, %(width_px)s, %(height_px)s,
            %(image)s, %(thumbnail)s, %(person)s, %(taken_at)s, TRUE
        )
        """,
        values,
    )


def change(t: Transaction, photo_id: int, values: dict[str, Any]) -> None:
    """Change where a photo belongs."""
    t.change(
        """
        UPDATE photos
        SET
            part_key = %(part)s, place_x = %(place_x)s, place_y = %(place_y)s, caption = %(caption)s,
            version = version + 1
        WHERE photo_id = %(photo_id)s
        """,
        values | {"photo_id": photo_id},
    )


def remove(t: Transaction, photo_id: int) -> None:
    """Remove a photo."""
    t.change("DELETE FROM photos WHERE photo_id = %(photo_id)s", {"photo_id": photo_id})
