"""A process of its own that decodes one picture within a bound of memory and makes it new.

The picture comes on standard input; out go one line of JSON, then the picture, then the small one. Nothing but
Pillow is imported, and what the process took is given back when it ends.
"""

from __future__ import annotations

import io
import json
import resource
import sys
import warnings

from PIL import Image, ImageOps, UnidentifiedImageError

MOST_MEMORY_BYTES = 1200 * 1024 * 1024
MOST_SECONDS = 20
MOST_PIXELS = 50_000_000
LONGEST_SIDE_PX, THUMBNAIL_PX = 2000, 240
FORMATS = ("JPEG", "PNG", "WEBP")


def decoded(data: bytes) -> tuple[dict[str, object], bytes, bytes]:
    """What became of it in a few words, the picture upright and bare, and the small one."""
    try:
        with Image.open(io.BytesIO(data), formats=FORMATS) as opened:
            if opened.width * opened.height > MOST_PIXELS:
                return {"refused": "too_many_points"}, b"", b""
            first = opened.size
            opened.draft("RGB", (LONGEST_SIDE_PX, LONGEST_SIDE_PX))  # a JPEG is read no larger than needed
            opened.load()
            whole = ImageOps.exif_transpose(opened).convert("RGB")
    except UnidentifiedImageError:
        return {"refused": "no_picture"}, b"", b""
    except MemoryError:
        return {"refused": "too_many_points"}, b"", b""
    except (OSError, ValueError, SyntaxError, Warning, Image.DecompressionBombError, EOFError):
        return {"refused": "broken"}, b"", b""
    whole.thumbnail((LONGEST_SIDE_PX, LONGEST_SIDE_PX))
    small = whole.copy()
    small.thumbnail((THUMBNAIL_PX, THUMBNAIL_PX))
    told: dict[str, object] = {"width_px": whole.width, "height_px": whole.height, "first_px": first}
    return told, _jpeg(whole, 86), _jpeg(small, 78)


def _jpeg(picture: Image.Image, quality: int) -> bytes:
    bare = Image.new("RGB", picture.size)
    bare.paste(picture)  # a new picture carries no EXIF, profile or comment
    out = io.BytesIO()
    bare.save(out, "JPEG", quality=quality, optimize=True)
    return out.getvalue()


def main() -> None:
    """Decode the pictures that are sent in."""
    resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY_BYTES, MOST_MEMORY_BYTES))
    resource.setrlimit(resource.RLIMIT_CPU, (MOST_SECONDS, MOST_SECONDS))
    warnings.simplefilter("error")  # a bomb warning, or half-read tags, are errors here
    told, picture, small = decoded(sys.stdin.buffer.read())
    told["sizes"] = [len(picture), len(small)]
    sys.stdout.buffer.write(json.dumps(told).encode() + b"\n" + picture + small)


if __name__ == "__main__":
    main()
