"""HTTP of jobs."""

from __future__ import annotations

from flask import Response, current_app, make_response
from flask_openapi3 import APIBlueprint, Tag

from ample.base import jobs
from ample.base.desk import ErrorAnswer, desk
from ample.base.records import JobPath, NewPart, PartHead
from ample.base.rights import needs
from ample.shop.jobs.code import code_svg, job_address

api = APIBlueprint("jobs", __name__, url_prefix="/api", abp_tags=[Tag(name="jobs")])


@api.get(
    "/jobs/<number>/code.svg",
    summary="The code on a job's papers",
    responses={
        200: {"description": "a QR code", "content": {"image/svg+xml": {"schema": {"type": "string"}}}},
        404: ErrorAnswer,
        422: ErrorAnswer,
    },
)
@needs("signed_in")
def code(path: JobPath) -> Response:
    """A QR code that leads to the job, at the address that AMPLE_ADDRESS says."""
    job = desk().database.look(lambda t: jobs.known_job(t, path.number))
    response = make_response(code_svg(job_address(current_app.config["AMPLE_ADDRESS"], job.number)))
    response.mimetype = "image/svg+xml"
    return response


@api.post(
    "/jobs/<number>/parts",
    summary="Put a part in the tray",
    responses={201: PartHead, 400: ErrorAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def add_part(path: JobPath, body: NewPart) -> Response:
    """Put a part in the tray of a job."""
    return desk().once(lambda t, doer: jobs.add_part(t, doer, path.number, body), 201)
