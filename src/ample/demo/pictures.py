"""Drawn stand-ins for photos: the demo shows no real part."""

from __future__ import annotations

import io

from PIL import Image, ImageDraw

_INK, _PAPER, _STEEL = (30, 42, 50), (214, 208, 194), (150, 160, 165)


def demo_picture(what: str) -> bytes:
    """A drawn picture of a worn part, as JPEG."""
    picture = Image.new("RGB", (900, 640), _PAPER)
    draw = ImageDraw.Draw(picture)
    draw.ellipse((190, 60, 710, 580), fill=_STEEL, outline=_INK, width=6)
    draw.ellipse((300, 170, 600, 470), fill=_PAPER, outline=_INK, width=6)
    if what == "lip":
        draw.ellipse((275, 145, 625, 495), outline=_INK, width=16)
        draw.line((606, 240, 676, 190), fill=(155, 28, 28), width=9)
    elif what == "ring":
        draw.arc((232, 102, 668, 538), 20, 150, fill=(155, 28, 28), width=18)
    elif what == "track":
        for x in range(330, 580, 34):
            draw.ellipse((x, 300 + (x * 7) % 40, x + 12, 314 + (x * 7) % 40), fill=_INK)
    else:
        for angle in range(0, 300, 20):
            draw.arc((245, 115, 655, 525), angle, angle + 12, fill=_INK, width=30)
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=82)
    return out.getvalue()
