"""HTTP of instruments."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel

from ample.shop.desk import desk
from ample.shop.instruments.actions import known_instruments
from ample.shop.instruments.records import InstrumentRecord

api = APIBlueprint("instruments", __name__, url_prefix="/api", abp_tags=[Tag(name="instruments")])


class Instruments(BaseModel):
    """The shop's instruments, then the usual kinds."""

    instruments: list[InstrumentRecord]


@api.get("/instruments", summary="Instruments", responses={200: Instruments})
def instruments() -> Response:
    """Every instrument with its doubt."""
    today = desk().doer().now.date()
    return desk().read(lambda t: Instruments(instruments=known_instruments(t, today)))
