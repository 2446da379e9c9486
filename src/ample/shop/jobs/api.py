"""HTTP of jobs and the Counter."""

from __future__ import annotations

from flask import Response, current_app, make_response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from ample.shop.bench.counter import answer_line
from ample.shop.bench.records import CounterAnswer
from ample.shop.desk import ErrorAnswer, desk
from ample.shop.jobs import actions, queries
from ample.shop.jobs.board import states_of
from ample.shop.jobs.code import code_svg, job_address
from ample.shop.jobs.records import JobHead, JobState, NewJob, NewPart, PartHead
from ample.shop.rights import needs
from ample.shop.takein.actions import open_unit

api = APIBlueprint("jobs", __name__, url_prefix="/api", abp_tags=[Tag(name="jobs")])


class JobPath(BaseModel):
    """A job's number."""

    number: str = Field(max_length=12)


class LineQuery(BaseModel):
    """What stands in the Counter's line."""

    text: str = Field(default="", max_length=200)


class Board(BaseModel):
    """Every job with what it waits for."""

    jobs: list[JobState]


@api.get("/jobs", summary="Every job and what it waits for", responses={200: Board})
@needs("signed_in")
def board() -> Response:
    """Jobs by what they wait for."""
    now = desk().doer().now
    return desk().read(lambda t: Board(jobs=states_of(t, queries.all_jobs(t), now, desk().instruments(t))))


@api.post("/jobs", summary="Open a job", responses={201: JobHead, 400: ErrorAnswer, 422: ErrorAnswer})
@needs("signed_in")
def open_job(body: NewJob) -> Response:
    """Open a job under the next number."""
    return desk().once(lambda t, doer: open_unit(t, doer, body), 201)


@api.get("/jobs/<number>", summary="One job", responses={200: JobState, 404: ErrorAnswer, 422: ErrorAnswer})
@needs("signed_in")
def job(path: JobPath) -> Response:
    """A job with its parts, their lights and what they wait for."""
    now = desk().doer().now
    return desk().read(
        lambda t: states_of(t, [actions.known_job(t, path.number)], now, desk().instruments(t))[0]
    )


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
    job = desk().database.look(lambda t: actions.known_job(t, path.number))
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
    return desk().once(lambda t, doer: actions.add_part(t, doer, path.number, body), 201)


@api.get(
    "/counter",
    summary="What a line at the Counter can mean",
    responses={200: CounterAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def counter(query: LineQuery) -> Response:
    """Markings, sizes and jobs that the line can mean."""
    index = desk().index()
    return desk().read(lambda t: answer_line(t, index, query.text, desk().instruments(t)))
