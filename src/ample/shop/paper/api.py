"""HTTP of the machine-shop sheet."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from ample.base.desk import ErrorAnswer, desk
from ample.base.rights import needs
from ample.core.errors import BadInput
from ample.core.places import SeatSheet
from ample.core.places.seats import SeatName, SeatsJudged
from ample.core.places.shop_sheet import ShopSheet, shop_sheet
from ample.sheets import store as sheets
from ample.sheets.kinds.seats import SEATS
from ample.sheets.subjects import part_subject
from ample.shop.facts import HOST
from ample.shop.paper.drawing import dxf_of, pdf_of, svg_of
from ample.store import Transaction

api = APIBlueprint("paper", __name__, url_prefix="/api", abp_tags=[Tag(name="papers")])
FORMS: dict[str, tuple[str, Callable[[ShopSheet], str | bytes]]] = {
    "svg": ("image/svg+xml", svg_of), "dxf": ("image/vnd.dxf", dxf_of), "pdf": ("application/pdf", pdf_of),
}  # fmt: skip


class ShopSheetPath(BaseModel):
    """A seat of a part, and how its sheet is wanted."""

    part_id: int
    side: SeatName
    form: Literal["svg", "dxf", "pdf"]


class ShopSheetQuery(BaseModel):
    """The way back that is drawn; the best one when it is left out."""

    way: str = Field(default="", max_length=20)


@api.get(
    "/parts/<int:part_id>/shop-sheet/<side>/<form>",
    summary="What a machine shop needs to repair a seat: SVG, DXF or PDF",
    responses={200: None, 400: ErrorAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def machine_shop_sheet(path: ShopSheetPath, query: ShopSheetQuery) -> Response:
    """The sheet of a rejected seat as it is judged now."""
    sheet, name = desk().database.read(lambda t: _sheet(t, path, query.way))
    kind, written = FORMS[path.form]
    response = Response(written(sheet), mimetype=kind)
    response.headers["Content-Disposition"] = f'attachment; filename="{name}-{path.side}.{path.form}"'
    return response


def _sheet(t: Transaction, path: ShopSheetPath, way: str) -> tuple[ShopSheet, str]:
    subject = part_subject(t, path.part_id)
    kept: SeatSheet = sheets.held(t, SEATS, subject.id).sheet
    judged: SeatsJudged | None = sheets.judged(t, SEATS, subject, kept, HOST)
    side = getattr(judged, path.side) if judged else None
    if side is None or side.check is None:
        raise BadInput("not_measured", "This seat has not been measured.", "side")
    assert subject.part is not None, "a seat is of a part"
    fitted = HOST.facts["fitted"](t, subject)
    title = f"{subject.part.name}: {path.side} seat Ø{side.check.nominal_mm:g} {side.check.zone} for {fitted.title}"
    return shop_sheet(side.check, fitted.spec.B_mm, title, way), re.sub(
        r"[^A-Za-z0-9]+", "-", subject.part.name
    )
