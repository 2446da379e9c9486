"""HTTP of the record of changes."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, desk
from ample.base.rights import needs
from ample.shop.history.reading import changes
from ample.shop.history.records import AuditAnswer, AuditQuery

api = APIBlueprint("history", __name__, url_prefix="/api", abp_tags=[Tag(name="history")])


@api.get(
    "/audit",
    summary="The record of changes",
    responses={200: AuditAnswer, 403: ErrorAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("read_audit")
def audit(query: AuditQuery) -> Response:
    """What was changed, newest first, by person, job and day."""
    return desk().read(lambda t: changes(t, query))
