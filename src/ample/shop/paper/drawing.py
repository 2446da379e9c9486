"""A machine-shop sheet written as SVG, DXF and PDF, from the numbers of the judge."""

from __future__ import annotations

import io
from html import escape

from ezdxf.document import Drawing
from ezdxf.enums import TextEntityAlignment
from ezdxf.filemanagement import new as new_drawing
from weasyprint import HTML  # type: ignore[import-untyped]

from ample.core.places.shop_sheet import ShopSheet

LAYERS = {
    "outline": (7, 0.5),
    "hidden": (1, 0.35),
    "centre": (8, 0.18),
    "dimension": (5, 0.18),
    "hatch": (8, 0.13),
}
DASHES = {"hidden": "4 2", "centre": "8 2 2 2"}
LINETYPES = {"hidden": "DASHED", "centre": "CENTER"}
WIDTH_MM, HEIGHT_MM = 170.0, 130.0


class _NothingFetched:
    """WeasyPrint asks this for every address: a sheet has none."""

    def __call__(self, url: str, *_: object, **__: object) -> dict[str, object]:
        raise ValueError(f"a sheet fetches nothing: {url[:80]}")


def svg_of(sheet: ShopSheet) -> str:
    """The drawing alone as SVG, in mm."""
    left, bottom, right, top = sheet.box
    wide, high = right - left, top - bottom
    scale = min(WIDTH_MM / wide, HEIGHT_MM / high)
    thin = 1 / scale
    lines = []
    for stroke in sheet.strokes:
        points = " ".join(f"{x - left:.3f},{top - y:.3f}" for x, y in stroke.points)
        dash = (
            f' stroke-dasharray="{" ".join(f"{float(each) * thin:.3f}" for each in DASHES[stroke.layer].split())}"'
            if stroke.layer in DASHES
            else ""
        )
        lines.append(
            f'<polyline points="{points}" fill="none" stroke="#1E2A32" stroke-width="{LAYERS[stroke.layer][1] * thin:.3f}"{dash}/>'
        )
    for each in sheet.letterings:
        x, y = each.at[0] - left, top - each.at[1]
        turned = f' transform="rotate({-each.turned:g} {x:.3f} {y:.3f})"' if each.turned else ""
        lines.append(
            f'<text x="{x:.3f}" y="{y:.3f}" font-size="{each.height * 1.35:.3f}" text-anchor="middle" fill="#1E2A32"{turned}>{escape(each.text)}</text>'
        )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide * scale:.1f}mm" height="{high * scale:.1f}mm" '
        f'viewBox="0 0 {wide:.3f} {high:.3f}" font-family="Archivo, Arial, sans-serif">{"".join(lines)}</svg>'
    )


def dxf_of(sheet: ShopSheet) -> str:
    """The drawing as DXF (R2010), 1:1 in mm, one layer for each sort of line."""
    drawing: Drawing = new_drawing("R2010", setup=True, units=4)
    for name, (colour, weight) in LAYERS.items():
        drawing.layers.add(
            name.upper(),
            color=colour,
            lineweight=round(weight * 100),
            linetype=LINETYPES.get(name, "Continuous"),
        )
    drawing.layers.add("TEXT", color=7)
    space = drawing.modelspace()
    for stroke in sheet.strokes:
        space.add_lwpolyline(stroke.points, dxfattribs={"layer": stroke.layer.upper()})
    for each in sheet.letterings:
        text = space.add_text(
            each.text, height=each.height, rotation=each.turned, dxfattribs={"layer": "TEXT"}
        )
        text.set_placement(each.at, align=TextEntityAlignment.MIDDLE_CENTER)
    left, bottom, _, _ = sheet.box
    height = sheet.letterings[0].height
    for row, note in enumerate((sheet.title, *sheet.notes)):
        space.add_text(note, height=height, dxfattribs={"layer": "TEXT"}).set_placement(
            (left, bottom - (row + 1) * 2 * height)
        )
    written = io.StringIO()
    drawing.write(written)
    return written.getvalue()


def pdf_of(sheet: ShopSheet) -> bytes:
    """The sheet on A4: title, drawing, notes."""
    notes = "".join(f"<li>{escape(note)}</li>" for note in sheet.notes)
    page = (
        "<style>@page{size:A4;margin:18mm 20mm}body{font-family:Archivo,Arial,sans-serif;color:#1E2A32;font-size:11pt}"
        "h1{font-size:17pt;margin:0 0 6mm;border-bottom:0.6mm solid #1E2A32;padding-bottom:2mm}"
        "ul{list-style:none;padding:0;margin:8mm 0 0}li{margin:0 0 2.2mm}</style>"
        f"<h1>{escape(sheet.title)}</h1>{svg_of(sheet)}<ul>{notes}</ul>"
    )
    written: bytes = HTML(string=page, url_fetcher=_NothingFetched()).write_pdf()
    return written
