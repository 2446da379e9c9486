"""HTTP of seats."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, desk
from ample.base.jobs import known_part
from ample.base.records import PartPath
from ample.base.rights import needs
from ample.core.errors import BadInput
from ample.shop.instruments.today import todays_instruments
from ample.shop.seats import actions
from ample.shop.seats.records import SeatsAnswer, SeatSave, SeatSheet, SeatsJudged
from ample.store import Transaction

api = APIBlueprint("seats", __name__, url_prefix="/api", abp_tags=[Tag(name="seats")])


@api.get(
    "/parts/<int:part_id>/seats",
    summary="The seats of a part",
    responses={200: SeatsAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def seats(path: PartPath) -> Response:
    """Seat sheet, judgement and clearance of a part."""
    return desk().read(lambda t: actions.seats_of(t, path.part_id, todays_instruments(t)))


@api.put(
    "/parts/<int:part_id>/seats",
    summary="Keep seat readings",
    responses={200: SeatsAnswer, 400: ErrorAnswer, 404: ErrorAnswer, 409: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def save_seats(path: PartPath, body: SeatSave) -> Response:
    """Keep the seat sheet of a part."""
    return desk().once(lambda t, doer: actions.save_seats(t, doer, path.part_id, body, todays_instruments(t)))


@api.post(
    "/parts/<int:part_id>/seats/judge",
    summary="Judge seats without keeping them",
    responses={200: SeatsJudged, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def judge(path: PartPath, body: SeatSheet) -> Response:
    """Judge a seat sheet as it is typed."""

    def work(t: Transaction) -> SeatsJudged:
        fitted = actions.fitted_part(t, known_part(t, path.part_id))
        if fitted is None:
            raise BadInput("not_identified", "This part has not been identified yet.", "part_id")
        return actions.judge(fitted.spec, body, todays_instruments(t))

    return desk().read(work)
