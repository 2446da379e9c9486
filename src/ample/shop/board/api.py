"""HTTP of the board: jobs seen, and opened (one address, so one file)."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, desk
from ample.base.jobs import known_job
from ample.base.records import JobHead, JobPath, NewJob
from ample.base.rights import needs
from ample.shop.board.actions import due_tasks, due_units, states_of
from ample.shop.board.queries import open_jobs
from ample.shop.board.records import Board, JobState
from ample.shop.instruments.today import todays_instruments
from ample.shop.takein.actions import open_unit
from ample.store import Transaction

api = APIBlueprint("board", __name__, url_prefix="/api", abp_tags=[Tag(name="jobs")])


@api.get("/jobs", summary="Every open job and what it waits for, and what is due", responses={200: Board})
@needs("signed_in")
def board() -> Response:
    """Jobs by what they wait for."""
    now = desk().doer().now

    def work(t: Transaction) -> Board:
        return Board(
            jobs=states_of(t, open_jobs(t), now, todays_instruments(t)),
            due_units=due_units(t, now.date()),
            due_tasks=due_tasks(t, now.date()),
        )

    return desk().read(work)


@api.post("/jobs", summary="Open a job", responses={201: JobHead, 400: ErrorAnswer, 422: ErrorAnswer})
@needs("signed_in")
def open_job(body: NewJob) -> Response:
    """Open a job under the next number."""
    return desk().once(lambda t, doer: open_unit(t, doer, body), 201)


@api.get("/jobs/<number>", summary="One job", responses={200: JobState, 404: ErrorAnswer, 422: ErrorAnswer})
@needs("signed_in")
def job(path: JobPath) -> Response:
    """A job with its parts, their checks and what they wait for."""
    now = desk().doer().now
    return desk().read(lambda t: states_of(t, [known_job(t, path.number)], now, todays_instruments(t))[0])
