"""HTTP of the catalogue: dialects."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.shop.catalogue import imports
from ample.shop.catalogue.records import DialectsAnswer, NewDialect
from ample.shop.desk import ErrorAnswer, Responses, desk

api = APIBlueprint("catalogue", __name__, url_prefix="/api", abp_tags=[Tag(name="catalogue")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)


@api.get("/dialects", summary="Makers' and markets' codes", responses={200: DialectsAnswer})
def dialects() -> Response:
    """Every dialect that the shop reads and writes."""
    return desk().read(imports.dialects_of)


@api.put("/dialects", summary="Keep a dialect", responses={200: DialectsAnswer, **_WRITES})
def keep_dialect(body: NewDialect) -> Response:
    """Keep a maker's or market's codes; each is tried on its example first."""
    return desk().once(lambda t, doer: imports.keep_dialect(t, doer, body))
