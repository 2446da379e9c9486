"""Records of photos."""

from __future__ import annotations

from pydantic import BaseModel, Field

from ample.base.strict import Strict
from ample.base.times import UtcTime


class PhotoHead(BaseModel):
    """A photo without its picture: where it belongs, what it shows, who took it and when."""

    photo_id: int
    part: str
    place_x: float | None
    place_y: float | None
    caption: str
    width_px: int
    height_px: int
    person: str
    taken_at: UtcTime
    version: int


class PhotoPlace(Strict):
    """Where a photo belongs: a part, a mark on the drawing (shares of its width and height), a caption."""

    part: str = Field(default="", pattern=r"^([a-z0-9]{4,24})?$")
    place_x: float | None = Field(default=None, ge=0, le=1)
    place_y: float | None = Field(default=None, ge=0, le=1)
    caption: str = Field(default="", max_length=160)


class PhotoChange(PhotoPlace):
    """A change of where a photo belongs, and the version it was made from."""

    version: int = Field(ge=1)
