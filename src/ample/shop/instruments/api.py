"""HTTP of instruments."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, desk
from ample.base.rights import needs
from ample.shop.instruments.actions import keep_instrument, known_instruments, zero_checked
from ample.shop.instruments.records import Instruments, InstrumentSave, ZeroCheck

api = APIBlueprint("instruments", __name__, url_prefix="/api", abp_tags=[Tag(name="instruments")])


@api.get("/instruments", summary="Instruments", responses={200: Instruments})
@needs("signed_in")
def instruments() -> Response:
    """Every instrument with its uncertainty."""
    today = desk().doer().now.date()
    return desk().read(lambda t: Instruments(instruments=known_instruments(t, today)))


@api.put(
    "/instruments",
    summary="Keep an instrument",
    responses={200: Instruments, **dict.fromkeys((400, 403, 409, 422), ErrorAnswer)},
)
@needs("instruments")
def save_instrument(body: InstrumentSave) -> Response:
    """Keep an instrument with its certificate."""
    return desk().once(lambda t, doer: keep_instrument(t, doer, body))


@api.post(
    "/instruments/zero",
    summary="The zero of an instrument was checked",
    responses={200: Instruments, **dict.fromkeys((400, 404, 409, 422), ErrorAnswer)},
)
@needs("signed_in")
def check_zero(body: ZeroCheck) -> Response:
    """Keep for today that the zero of an instrument was checked and is right."""
    return desk().once(lambda t, doer: zero_checked(t, doer, body))
