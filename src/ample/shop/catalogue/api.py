"""HTTP of the catalogue: dialects."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.rights import needs
from ample.shop.catalogue import imports, price_lists
from ample.shop.catalogue.records import DialectsAnswer, NewDialect, PriceList, PriceListAnswer

api = APIBlueprint("catalogue", __name__, url_prefix="/api", abp_tags=[Tag(name="catalogue")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)


@api.get("/dialects", summary="Makers' and markets' codes", responses={200: DialectsAnswer})
@needs("signed_in")
def dialects() -> Response:
    """Every dialect that the shop reads and writes."""
    return desk().read(imports.dialects_of)


@api.put("/dialects", summary="Keep a dialect", responses={200: DialectsAnswer, **_WRITES})
@needs("lists")
def keep_dialect(body: NewDialect) -> Response:
    """Keep a maker's or market's codes; each is tried on its example first."""
    return desk().once(lambda t, doer: imports.keep_dialect(t, doer, body))


@api.post("/price-lists", summary="Read a price list in", responses={200: PriceListAnswer, **_WRITES})
@needs("lists")
def read_price_list(body: PriceList) -> Response:
    """Keep the items, offers and stock of a list; unreadable rows are reported with the reason."""
    return desk().once(lambda t, doer: price_lists.take_in(t, doer, body.text))
