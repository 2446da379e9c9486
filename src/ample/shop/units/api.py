"""HTTP of units."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, desk
from ample.base.records import JobPath
from ample.base.rights import needs
from ample.shop.units import histories
from ample.shop.units.histories import TieRequest, UnitOfJob

api = APIBlueprint("units", __name__, url_prefix="/api", abp_tags=[Tag(name="units")])


@api.get(
    "/jobs/<number>/unit",
    summary="The unit of a job",
    responses={200: UnitOfJob, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def unit_of(path: JobPath) -> Response:
    """Which unit a job is of, or those that it may be."""
    return desk().read(lambda t: histories.unit_of(t, path.number))


@api.put(
    "/jobs/<number>/unit",
    summary="Say which unit a job is of",
    responses={200: UnitOfJob, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def tie(path: JobPath, body: TieRequest) -> Response:
    """Tie a job to a unit known already, or begin the history of a new one."""
    return desk().once(lambda t, doer: histories.tie(t, doer, path.number, body))
