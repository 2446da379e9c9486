"""Photos of a job: taken in, placed, taken out."""

from __future__ import annotations

from ample.base.audit import record
from ample.base.doer import Doer
from ample.base.jobs import known_job
from ample.core.errors import BadInput, Conflict, NotKnown
from ample.shop.photos import queries
from ample.shop.photos.pictures import Picture
from ample.shop.photos.records import PhotoChange, PhotoHead, PhotoPlace
from ample.store import Transaction

MOST_PHOTOS = 200


def add_photo(t: Transaction, doer: Doer, number: str, picture: Picture, place: PhotoPlace) -> PhotoHead:
    """Store a photo of a job."""
    job = known_job(t, number, lock=True)
    if queries.count(t, job.job_id) >= MOST_PHOTOS:
        raise BadInput("too_many_photos", f"A job has at most {MOST_PHOTOS} photos.", "photo")
    photo_id = queries.add(
        t,
        place.model_dump()
        | {
            "job_id": job.job_id, "width_px": picture.width_px, "height_px": picture.height_px,
            "image": picture.image, "thumbnail": picture.thumbnail, "person": doer.name, "taken_at": doer.now,
        },
    )  # fmt: skip
    record(t, doer, "photo", photo_id, "added", None, place)
    return _head(t, job.job_id, photo_id)


def _head(t: Transaction, job_id: int, photo_id: int) -> PhotoHead:
    return next(each for each in queries.heads(t, job_id) if each.photo_id == photo_id)


def _same_photo(held: PhotoHead, version: int) -> None:
    if held.version != version:
        raise Conflict(
            "changed_meanwhile", "Someone else has changed this photo.", None, "Look again.",
            held.model_dump(mode="json"),
        )  # fmt: skip


def place_photo(t: Transaction, doer: Doer, photo_id: int, change: PhotoChange) -> PhotoHead:
    """Change where a photo belongs or what it says."""
    found = queries.photo(t, photo_id)
    if found is None:
        raise _not_there()
    before = _head(t, found["job_id"], photo_id)
    _same_photo(before, change.version)
    queries.change(t, photo_id, change.model_dump(exclude={"version"}))
    record(t, doer, "photo", photo_id, "placed", before, change)
    return _head(t, found["job_id"], photo_id)


def remove_photo(t: Transaction, doer: Doer, photo_id: int, version: int) -> PhotoHead:
    """Remove a photo, if it is still as it was seen; who did it stays on record."""
    doer.must("delete")
    found = queries.photo(t, photo_id)
    if found is None:
        raise _not_there()
    before = _head(t, found["job_id"], photo_id)
    _same_photo(before, version)
    record(t, doer, "photo", photo_id, "removed", before, None)
    queries.remove(t, photo_id)
    return before


def picture_of(t: Transaction, photo_id: int, small: bool) -> bytes:
    """The stored picture."""
    found = queries.thumbnail(t, photo_id) if small else queries.image(t, photo_id)
    if found is None:
        raise _not_there()
    return found


def _not_there() -> NotKnown:
    return NotKnown("no_such_photo", "There is no such photo.", "photo_id")
