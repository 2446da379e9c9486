"""HTTP of the line."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import Field

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.records import JobPath
from ample.base.rights import needs
from ample.shop.line import actions
from ample.shop.line.records import DecideRequest, LineAnswer, LineSave, LineSaved, SentToBench

api = APIBlueprint("line", __name__, url_prefix="/api", abp_tags=[Tag(name="line")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)


class LinePartPath(JobPath):
    """A part on a job's line."""

    key: str = Field(max_length=24)


@api.get(
    "/jobs/<number>/line",
    summary="The lines of a job",
    responses={200: LineAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def line(path: JobPath) -> Response:
    """The parts in the order they came off, with what people decided."""
    return desk().read(lambda t: actions.line_of(t, path.number))


@api.put("/jobs/<number>/line", summary="Keep the lines", responses={200: LineSaved, **_WRITES})
@needs("signed_in")
def save_line(path: JobPath, body: LineSave) -> Response:
    """Keep the lines of a job."""
    return desk().once(lambda t, doer: actions.save_line(t, doer, path.number, body))


@api.post(
    "/jobs/<number>/line/<key>/decision",
    summary="A second person decides",
    responses={200: LineAnswer, **_WRITES},
)
@needs("second_person")
def decide(path: LinePartPath, body: DecideRequest) -> Response:
    """Keep a second person's decision about a doubtful part."""
    return desk().once(lambda t, doer: actions.decide(t, doer, path.number, path.key, body))


@api.post(
    "/jobs/<number>/line/<key>/bench",
    summary="Send a part to the Bench",
    responses={200: SentToBench, **_WRITES},
)
@needs("signed_in")
def send_to_bench(path: LinePartPath) -> Response:
    """Put a part of the line in the tray with what is known of it."""
    return desk().once(lambda t, doer: actions.send_to_bench(t, doer, path.number, path.key))
