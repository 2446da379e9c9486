"""HTTP of job files."""

from __future__ import annotations

import re

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.records import JobPath
from ample.base.rights import needs
from ample.core.errors import BadInput
from ample.core.operations import parse_request
from ample.shop.catalogue.keeper import current_index
from ample.shop.instruments.today import todays_instruments
from ample.shop.jobfile import actions
from ample.shop.jobfile.records import Imported, JobFile

api = APIBlueprint("jobfile", __name__, url_prefix="/api", abp_tags=[Tag(name="job files")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 413, 422), ErrorAnswer)
MOST_BYTES = 64 * 1024 * 1024


@api.get(
    "/jobs/<number>/file",
    summary="A job as a file",
    responses={200: JobFile, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def export_job(path: JobPath) -> Response:
    """The whole job as JSON, photos included."""
    response = desk().read(lambda t: actions.export_job(t, path.number))
    name = re.sub(r"[^A-Za-z0-9._-]", "-", path.number)
    response.headers["Content-Disposition"] = f'attachment; filename="job-{name}.json"'
    return response


@api.post("/job-files", summary="Read a job file in", responses={201: Imported, **_WRITES})
@needs("import_job")
def import_job() -> Response:
    """Make a job of a file that was written out (JSON of the shape that the export answers, at most 64 MB)."""
    data = request.get_json(silent=True)
    if data is None:
        raise BadInput("no_job_file", "This is not a job file.", "file")
    file = parse_request(JobFile, data)
    index = current_index()
    return desk().once(lambda t, doer: actions.import_job(t, doer, file, index, todays_instruments(t)), 201)
