"""HTTP of calipers that send."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.rights import needs
from ample.shop.calipers import actions
from ample.shop.calipers.records import CalipersAnswer, NewCaliper, SetNetworks, SinceQuery

api = APIBlueprint("calipers", __name__, url_prefix="/api", abp_tags=[Tag(name="calipers")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)


class CaliperPath(BaseModel):
    """A caliper."""

    caliper_id: int = Field(ge=1, le=2**31)


@api.get(
    "/calipers", summary="Calipers, and what they send", responses={200: CalipersAnswer, 422: ErrorAnswer}
)
@needs("signed_in")
def calipers(query: SinceQuery) -> Response:
    """Calipers with their links, and readings after one."""
    return desk().read(lambda t: actions.calipers_of(t, query.after))


@api.post("/calipers", summary="Link a caliper", responses={201: CalipersAnswer, **_WRITES})
@needs("instruments")
def add_caliper(body: NewCaliper) -> Response:
    """Link a caliper by its instrument's name and address."""
    return desk().once(lambda t, doer: actions.add_caliper(t, doer, body), 201)


@api.delete(
    "/calipers/<int:caliper_id>", summary="Unlink a caliper", responses={200: CalipersAnswer, **_WRITES}
)
@needs("instruments")
def drop_caliper(path: CaliperPath) -> Response:
    """Unlink a caliper."""
    return desk().once(lambda t, doer: actions.drop_caliper(t, doer, path.caliper_id))


@api.put("/caliper-networks", summary="Where calipers may be", responses={200: CalipersAnswer, **_WRITES})
@needs("people")
def set_networks(body: SetNetworks) -> Response:
    """Allow addresses and networks of the shop; this machine is always allowed."""
    return desk().once(lambda t, doer: actions.set_networks(t, doer, body))
