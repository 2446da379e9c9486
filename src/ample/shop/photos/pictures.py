"""Taking a picture in: its type read from its content, made new without anything hidden in it."""

from __future__ import annotations

import io
import warnings
from dataclasses import dataclass

from PIL import Image, ImageOps, UnidentifiedImageError

from ample.core.errors import AmpleError, BadInput

MOST_BYTES = 8 * 1024 * 1024
MOST_PIXELS = 50_000_000
LONGEST_SIDE_PX, THUMBNAIL_PX = 2000, 240
FORMATS = ("JPEG", "PNG", "WEBP")


class TooLarge(AmpleError):
    """A picture over the limit."""

    status = 413


@dataclass(frozen=True)
class Picture:
    """A picture as it is stored: JPEG, turned upright, without place, device or comments."""

    image: bytes
    thumbnail: bytes
    width_px: int
    height_px: int


def take_in_picture(data: bytes) -> Picture:
    """Check a picture by its content and make it new: what was hidden in the old file stays out."""
    if not data:
        raise BadInput("empty_picture", "The file is empty.", "photo")
    if len(data) > MOST_BYTES:
        raise TooLarge(
            "picture_too_large", "A picture has at most 8 MB.", "photo", "The screen makes it smaller."
        )
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error")  # a bomb warning, or half-read tags, are errors here
            with Image.open(io.BytesIO(data), formats=FORMATS) as opened:
                if opened.width * opened.height > MOST_PIXELS:
                    raise TooLarge("picture_too_large", "A picture has at most 50 million points.", "photo")
                opened.load()
                whole = ImageOps.exif_transpose(opened).convert("RGB")
    except UnidentifiedImageError as error:
        raise BadInput(
            "no_picture", "This is no JPEG, PNG or WebP picture, whatever its name says.", "photo"
        ) from error
    except (OSError, ValueError, SyntaxError, Warning, Image.DecompressionBombError, EOFError) as error:
        raise BadInput("broken_picture", "The picture is broken and cannot be read.", "photo") from error
    whole.thumbnail((LONGEST_SIDE_PX, LONGEST_SIDE_PX))
    small = whole.copy()
    small.thumbnail((THUMBNAIL_PX, THUMBNAIL_PX))
    return Picture(_jpeg(whole, 86), _jpeg(small, 78), whole.width, whole.height)


def keep_picture(data: bytes) -> Picture:
    """A picture that was stored before: kept to the byte when nothing can hide in it, else made new."""
    made = take_in_picture(data)
    with Image.open(io.BytesIO(data), formats=FORMATS) as opened:
        plain = set(opened.info) <= {"jfif", "jfif_version", "jfif_unit", "jfif_density"}
        small = max(opened.size) <= LONGEST_SIDE_PX
        ours = opened.format == "JPEG" and plain and small and data.endswith(b"\xff\xd9")
    return Picture(data, made.thumbnail, made.width_px, made.height_px) if ours else made


def _jpeg(picture: Image.Image, quality: int) -> bytes:
    bare = Image.new("RGB", picture.size)
    bare.paste(picture)  # a new picture carries no EXIF, profile or comment
    out = io.BytesIO()
    bare.save(out, "JPEG", quality=quality, optimize=True)
    return out.getvalue()
