"""HTTP of photos: the picture is the body, the address says where it belongs."""

from __future__ import annotations

from flask import Response, make_response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.records import JobPath
from ample.base.rights import needs
from ample.shop.photos import actions
from ample.shop.photos.pictures import take_in_picture
from ample.shop.photos.records import PhotoChange, PhotoHead, PhotoPlace

api = APIBlueprint("photos", __name__, url_prefix="/api", abp_tags=[Tag(name="photos")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 413, 422), ErrorAnswer)
_PICTURE: Responses = {
    200: {"description": "the picture", "content": {"image/jpeg": {"schema": {"type": "string", "format": "binary"}}}},
    404: ErrorAnswer,
    422: ErrorAnswer,
}  # fmt: skip


class PhotoPath(BaseModel):
    """A photo's row."""

    photo_id: int = Field(ge=1, le=2**31)


class PhotoSeen(BaseModel):
    """The version of a photo that was seen."""

    version: int = Field(ge=1, le=2**31)


@api.post("/jobs/<number>/photos", summary="Add a photo", responses={201: PhotoHead, **_WRITES})
@needs("signed_in")
def add_photo(path: JobPath, query: PhotoPlace) -> Response:
    """Add a photo (JPEG, PNG or WebP as the body, at most 8 MB)."""
    made = take_in_picture(request.get_data())
    return desk().once(lambda t, doer: actions.add_photo(t, doer, path.number, made, query), 201)


@api.put("/photos/<int:photo_id>", summary="Place a photo", responses={200: PhotoHead, **_WRITES})
@needs("signed_in")
def place_photo(path: PhotoPath, body: PhotoChange) -> Response:
    """Change where a photo belongs."""
    return desk().once(lambda t, doer: actions.place_photo(t, doer, path.photo_id, body))


@api.delete("/photos/<int:photo_id>", summary="Take a photo out", responses={200: PhotoHead, **_WRITES})
@needs("delete")
def remove_photo(path: PhotoPath, query: PhotoSeen) -> Response:
    """Remove a photo."""
    return desk().once(lambda t, doer: actions.remove_photo(t, doer, path.photo_id, query.version))


@api.get("/photos/<int:photo_id>/picture", summary="A photo", responses=_PICTURE)
@needs("signed_in")
def picture(path: PhotoPath) -> Response:
    """The picture."""
    return _as_picture(desk().database.look(lambda t: actions.picture_of(t, path.photo_id, False)))


@api.get("/photos/<int:photo_id>/thumbnail", summary="A photo, small", responses=_PICTURE)
@needs("signed_in")
def thumbnail(path: PhotoPath) -> Response:
    """The small picture."""
    return _as_picture(desk().database.look(lambda t: actions.picture_of(t, path.photo_id, True)))


def _as_picture(data: bytes) -> Response:
    response = make_response(data)
    response.mimetype = "image/jpeg"
    response.headers["Content-Disposition"] = "inline"
    return response
